/** Reading and writing whole build files (`*.kalibros.json`). Every fault is told with its path; nothing is repaired in silence. */
import { z } from 'zod'
import { bankCount, firingIssues } from '../engine'
import { migrateDocument } from './migrations'
import { buildDocumentSchema } from './schema'
import type { BuildDocument } from './types'
import { BUILD_FORMAT, BUILD_VERSION } from './version'

export type FileIssue =
  | { readonly code: 'notJson'; readonly path: readonly []; readonly detail: string }
  | { readonly code: 'notABuildFile'; readonly path: readonly [] }
  | { readonly code: 'newerVersion'; readonly path: readonly ['version']; readonly got: number; readonly known: number }
  | { readonly code: 'shape'; readonly path: readonly (string | number)[]; readonly detail: string }
  | { readonly code: 'unknownGauge'; readonly path: readonly (string | number)[]; readonly gauge: string }
  | { readonly code: 'unknownTarget'; readonly path: readonly (string | number)[]; readonly target: string }
  | { readonly code: 'doubleId'; readonly path: readonly (string | number)[]; readonly id: string }
  | { readonly code: 'firingOrder'; readonly path: readonly (string | number)[]; readonly detail: string }
  | { readonly code: 'unknownChoice'; readonly path: readonly (string | number)[]; readonly id: string }

export type ReadResult = { readonly ok: true; readonly document: BuildDocument } | { readonly ok: false; readonly issues: readonly FileIssue[] }

/** The text of a build file as a document, migrated to this version, or everything that is wrong with it. */
export function readBuildFile(text: string): ReadResult {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    return failed({ code: 'notJson', path: [], detail: (error as Error).message })
  }
  return readBuildJson(json)
}

export function readBuildJson(json: unknown): ReadResult {
  if (typeof json !== 'object' || json === null || !('format' in json) || json.format !== BUILD_FORMAT) return failed({ code: 'notABuildFile', path: [] })
  const version = 'version' in json ? json.version : undefined
  if (typeof version !== 'number') return failed({ code: 'shape', path: ['version'], detail: 'expected a version number' })
  if (version > BUILD_VERSION) return failed({ code: 'newerVersion', path: ['version'], got: version, known: BUILD_VERSION })
  const parsed = buildDocumentSchema.safeParse(migrateDocument(json))
  if (!parsed.success) return { ok: false, issues: parsed.error.issues.flatMap(shapeIssues) }
  const issues = contradictions(parsed.data)
  return issues.length > 0 ? { ok: false, issues } : { ok: true, document: parsed.data }
}

export function writeBuildFile(document: BuildDocument): string {
  return `${JSON.stringify(document, null, 2)}\n`
}

/** The published JSON Schema of a build file. */
export function buildFileSchema(): object {
  return { ...z.toJSONSchema(buildDocumentSchema, { io: 'input' }), title: 'Kalibros build file', $id: `kalibros-build.v${BUILD_VERSION}.schema.json` }
}

function shapeIssues(issue: z.core.$ZodIssue): FileIssue[] {
  const path = issue.path.map((key) => (typeof key === 'symbol' ? String(key) : key))
  return [{ code: 'shape', path, detail: issue.message }]
}

/** What a schema cannot say: names that must point at something, ids that must be unique, an order that must fire. */
function contradictions(document: BuildDocument): FileIssue[] {
  const issues: FileIssue[] = []
  const gauges = new Set(document.gauges.map((gauge) => gauge.id))
  const ids = new Set(document.entries.map((entry) => entry.id))
  const seen = new Set<string>()
  document.entries.forEach((entry, index) => {
    if (seen.has(entry.id)) issues.push({ code: 'doubleId', path: ['entries', index, 'id'], id: entry.id })
    seen.add(entry.id)
    if (entry.kind === 'reading' && !gauges.has(entry.gauge)) issues.push({ code: 'unknownGauge', path: ['entries', index, 'gauge'], gauge: entry.gauge })
    if ((entry.kind === 'strike' || entry.kind === 'undo') && !ids.has(entry.target)) {
      issues.push({ code: 'unknownTarget', path: ['entries', index, 'target'], target: entry.target })
    }
  })
  return [...issues, ...specIssues(document.spec)]
}

/** Contradictions inside a spec, also checked before every revision is stored. */
export function specIssues(spec: BuildDocument['spec']): FileIssue[] {
  const issues: FileIssue[] = []
  const { layout, choice, stock } = spec
  for (const issue of firingIssues(layout)) {
    const detail = issue.code === 'notEveryCylinderOnce' ? `every cylinder from 1 to ${layout.cylinders} fires once` : 'the firing intervals add up to 720°'
    issues.push({ code: 'firingOrder', path: ['spec', 'layout', 'firingOrder'], detail })
  }
  if (bankCount(layout) === 2 && layout.cylinders % 2 === 1) {
    issues.push({ code: 'shape', path: ['spec', 'layout', 'cylinders'], detail: 'an engine of two banks has an even number of cylinders' })
  }
  if (layout.kind === 'single' && layout.cylinders !== 1) {
    issues.push({ code: 'shape', path: ['spec', 'layout', 'cylinders'], detail: 'a single has one cylinder' })
  }
  if (choice.gasket !== undefined && !stock.gaskets.some((gasket) => gasket.id === choice.gasket)) {
    issues.push({ code: 'unknownChoice', path: ['spec', 'choice', 'gasket'], id: choice.gasket })
  }
  if (choice.piston !== undefined && !stock.pistons.some((piston) => piston.id === choice.piston)) {
    issues.push({ code: 'unknownChoice', path: ['spec', 'choice', 'piston'], id: choice.piston })
  }
  return issues
}

function failed(issue: FileIssue): ReadResult {
  return { ok: false, issues: [issue] }
}
