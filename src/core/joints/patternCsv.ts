import Papa from 'papaparse'
import type { Joint } from '../document/types'
import { findUnit, toCanonical, UNITS } from '../units'

/** What is wrong with a table of places; rows count from 1 after the header, as a person would. */
export type PatternIssue =
  | { readonly code: 'missingColumn'; readonly column: 'x' | 'y' }
  | { readonly code: 'badUnit'; readonly text: string }
  | { readonly code: 'badNumber'; readonly row: number; readonly column: 'x' | 'y'; readonly text: string }
  | { readonly code: 'badType'; readonly row: number; readonly text: string }
  | { readonly code: 'samePlace'; readonly row: number; readonly as: number }
  | { readonly code: 'empty' }
  | { readonly code: 'tooMany'; readonly most: number }

type Fastener = Joint['fasteners'][number]

const MOST_FASTENERS = 200
const MOST_MM = 5000
/** Nearer than this two rows are one place. */
const SAME_PLACE_MM = 0.5
const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/
const HEADER = /^([xy])(?:\s*[(,]?\s*([a-zäµ"]+)\s*\)?)?$/i

/**
 * Places of fasteners from a table with the columns `x` and `y`, each with its unit if it is not mm (`x in`), and `type`, a letter;
 * left out: A. All rows or none: a pattern with a place missing is no pattern.
 */
export function patternFromCsv(text: string): { readonly fasteners: readonly Fastener[] } | { readonly issues: readonly PatternIssue[] } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' })
  const [header = [], ...rows] = parsed.data
  const columns = header.map((name) => HEADER.exec(name.trim()))
  const at = (axis: 'x' | 'y') => columns.findIndex((match) => match?.[1]?.toLowerCase() === axis)
  const missing = (['x', 'y'] as const).filter((axis) => at(axis) < 0)
  if (missing.length > 0) return { issues: missing.map((column) => ({ code: 'missingColumn', column })) }
  const units = (['x', 'y'] as const).map((axis) => columns[at(axis)]![2] ?? 'mm')
  const bad = units.find((unit) => UNITS[findUnit(unit, 'length') ?? 'Nm'].kind !== 'length')
  if (bad !== undefined) return { issues: [{ code: 'badUnit', text: bad }] }
  if (rows.length === 0) return { issues: [{ code: 'empty' }] }
  if (rows.length > MOST_FASTENERS) return { issues: [{ code: 'tooMany', most: MOST_FASTENERS }] }
  const typeAt = header.findIndex((name) => name.trim().toLowerCase() === 'type')
  const issues: PatternIssue[] = []
  const fasteners = rows.map((row, index): Fastener => {
    const number = (axis: 'x' | 'y', unit: string) => lengthFrom(row[at(axis)] ?? '', unit, index + 1, axis, issues)
    const type = typeAt < 0 ? 'A' : (row[typeAt] ?? '').trim().toUpperCase() || 'A'
    if (!/^[A-Z]$/.test(type)) issues.push({ code: 'badType', row: index + 1, text: type })
    return { xMm: number('x', units[0]!), yMm: number('y', units[1]!), type }
  })
  issues.push(...samePlaces(fasteners))
  return issues.length > 0 ? { issues } : { fasteners }
}

function lengthFrom(text: string, unit: string, row: number, column: 'x' | 'y', issues: PatternIssue[]): number {
  const written = text.trim()
  const mm = NUMBER.test(written) ? toCanonical(Number(written.replace(',', '.')), findUnit(unit, 'length')!) : Number.NaN
  if (!(Math.abs(mm) <= MOST_MM)) issues.push({ code: 'badNumber', row, column, text: written })
  return mm
}

function samePlaces(fasteners: readonly Fastener[]): PatternIssue[] {
  return fasteners.flatMap(({ xMm, yMm }, index) => {
    const as = fasteners.slice(0, index).findIndex((other) => Math.hypot(other.xMm - xMm, other.yMm - yMm) < SAME_PLACE_MM)
    return as < 0 ? [] : [{ code: 'samePlace', row: index + 1, as: as + 1 } as const]
  })
}

/** The joint with its fasteners standing elsewhere: all in one group, in an order to be looked at, types kept by their letter. */
export function withPattern(joint: Joint, fasteners: readonly Fastener[], order: readonly number[], source: string): Joint {
  const letters = [...new Set(fasteners.map(({ type }) => type))].toSorted()
  const [group] = joint.groups
  // Sealant was drawn past fasteners that stand elsewhere now.
  const { sealant: _, ...kept } = joint
  return {
    ...kept,
    placed: true,
    types: letters.map((letter) => joint.types.find((type) => type.letter === letter) ?? { letter }),
    fasteners: [...fasteners],
    groups: [{ ...group!, order: [...order], orderFrom: { source } }],
  }
}
