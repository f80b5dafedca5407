/** Reading and writing whole build files (`*.kalibros.json`). Every fault is told with its path; nothing is repaired in silence. */
import { z } from 'zod'
import { migrateDocument } from '../document/migrations'
import { BENCHES, METHODS, PAPER_KEYS, withUsual } from '../benches'
import { buildDocumentSchema } from '../document/schema'
import { limitName, paperKey, stationName } from '../document/schemaFields'
import { methodsSchema, stockSchema } from '../document/specSchema'
import type { BuildDocument } from '../document/types'
import { BUILD_FORMAT, BUILD_VERSION } from '../document/version'
import { documentIssues } from './door'
import type { FileIssue } from '../document/fileIssue'
import { shapeIssue } from './shape'
import { STOCK_SCHEMAS } from './stock'

export type ReadResult =
  | { readonly ok: true; readonly document: BuildDocument }
  | { readonly ok: false; readonly issues: readonly FileIssue[] }

/**
 * The text of a build file as a document, migrated to this version, or everything that is wrong with it. A byte order mark
 * is no part of it.
 */
export function readBuildFile(text: string): ReadResult {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return failed({ code: 'notJson', path: [], detail: (error as Error).message })
  }
  return readBuildJson(json)
}

export function readBuildJson(json: unknown): ReadResult {
  if (typeof json !== 'object' || json === null || !('format' in json) || json.format !== BUILD_FORMAT)
    return failed({ code: 'notABuildFile', path: [] })
  const version = 'version' in json ? json.version : undefined
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return failed({ code: 'shape', path: ['version'], detail: 'wants a version number' })
  if (version > BUILD_VERSION) return failed({ code: 'newerVersion', path: ['version'], got: version, known: BUILD_VERSION })
  const migrated = toThisVersion(json, version)
  if (!migrated) return failed({ code: 'olderUnreadable', path: ['spec'], version })
  const parsed = buildDocumentSchema.safeParse(migrated)
  if (!parsed.success) return { ok: false, issues: parsed.error.issues.map(shapeIssue) }
  const document = { ...parsed.data, spec: withUsual(parsed.data.spec) }
  const issues = documentIssues(document)
  return issues.length > 0 ? { ok: false, issues } : { ok: true, document }
}

/** An older document brought to this version; undefined where it lacks what the older program always wrote. */
function toThisVersion(json: object, version: number): object | undefined {
  try {
    return migrateDocument(json)
  } catch (fault) {
    // A migration reads an old document before any schema has seen it: a part that is not there is the file's fault, not the program's.
    if (version < BUILD_VERSION && fault instanceof TypeError) return undefined
    throw fault
  }
}

export function writeBuildFile(document: BuildDocument): string {
  return `${JSON.stringify(document, null, 2)}\n`
}

/** What the benches declare, by where the schema only says its form. */
const NAMES = new Map<z.core.$ZodType, readonly string[]>([
  [stationName, BENCHES.flatMap(({ definition }) => [...Object.keys(definition.characteristics), ...Object.keys(definition.checks ?? {})])],
  [limitName, BENCHES.flatMap(({ definition }) => Object.keys(definition.limits))],
  [paperKey, PAPER_KEYS],
])

const METHOD_VALUES = Object.fromEntries(
  Object.entries(METHODS).map(([key, { options }]) => [key, { enum: options.map(({ value }) => value) }]),
)

const STOCK_SHAPE = {
  properties: Object.fromEntries([...STOCK_SCHEMAS].map(([kind, schema]) => [kind, bare(schema)])),
  additionalProperties: false,
}

/** A part of the schema, to stand in the whole. */
function bare(schema: z.ZodType): object {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io: 'input' })
  return rest
}

/** The published JSON Schema of a build file. */
export function buildFileSchema(): object {
  return {
    ...z.toJSONSchema(buildDocumentSchema, {
      io: 'input',
      override: ({ zodSchema, jsonSchema }) => {
        const names = NAMES.get(zodSchema)
        if (names) jsonSchema.enum = [...names]
        if ((zodSchema as z.core.$ZodType) === methodsSchema) jsonSchema.properties = METHOD_VALUES
        if ((zodSchema as z.core.$ZodType) === stockSchema) Object.assign(jsonSchema, STOCK_SHAPE)
      },
    }),
    title: 'Kalibros build file',
    $id: `kalibros-build.v${BUILD_VERSION}.schema.json`,
  }
}

function failed(issue: FileIssue): ReadResult {
  return { ok: false, issues: [issue] }
}
