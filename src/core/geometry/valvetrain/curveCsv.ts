import Papa from 'papaparse'
import { findUnit, toCanonical, UNITS, type UnitId } from '../../units'
import { curveIssues, type CurveIssue, type LiftRow } from './curveTable'

/** What is wrong with the text of a lift table; rows count from one after the header. */
export type CurveTableIssue =
  | CurveIssue
  | { readonly code: 'missingColumn'; readonly column: 'angle' | 'lift' }
  | { readonly code: 'badUnit'; readonly text: string }
  | { readonly code: 'badNumber'; readonly row: number; readonly column: 'angle' | 'lift'; readonly text: string }
  | { readonly code: 'tooMany'; readonly most: number }

const MOST_ROWS = 1500
const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/
/** `lift`, `lift mm`, `lift (in)`, `lift_thou`; the angle’s column may be called degrees, deg or crank. */
const HEADER = /^(angle|degrees?|deg|crank|lift)(?:[\s_,(/[]+([^\s)\]]+)[)\]]?)?$/i

/**
 * A lift table as text: columns `angle`, crank degrees after overlap TDC from −360 to 720, and `lift`, in mm unless its header names
 * another unit. All rows or none: a row that cannot be read may be the one that matters.
 */
export function liftTableFrom(text: string): { readonly rows: readonly LiftRow[] } | { readonly issues: readonly CurveTableIssue[] } {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' })
  const [header = [], ...lines] = data
  const columns = header.map((name) => HEADER.exec(name.trim()))
  const at = (column: 'angle' | 'lift') =>
    columns.findIndex((match) => match && (match[1]!.toLowerCase() === 'lift' ? 'lift' : 'angle') === column)
  const missing = (['angle', 'lift'] as const).filter((column) => at(column) < 0)
  if (missing.length > 0) return { issues: missing.map((column) => ({ code: 'missingColumn', column })) }
  const unit = liftUnit(columns[at('lift')]![2])
  if (!unit) return { issues: [{ code: 'badUnit', text: columns[at('lift')]![2]! }] }
  if (lines.length > MOST_ROWS) return { issues: [{ code: 'tooMany', most: MOST_ROWS }] }
  const issues: CurveTableIssue[] = []
  const rows = lines.map((line, index): LiftRow => {
    const number = (column: 'angle' | 'lift') => {
      const written = (line[at(column)] ?? '').trim()
      if (!NUMBER.test(written)) issues.push({ code: 'badNumber', row: index + 1, column, text: written })
      return Number(written.replace(',', '.'))
    }
    return { angleDeg: number('angle'), liftMm: toCanonical(number('lift'), unit) }
  })
  const found = issues.length > 0 ? issues : curveIssues(rows)
  return found.length > 0 ? { issues: found } : { rows }
}

function liftUnit(named: string | undefined): UnitId | undefined {
  const unit = named === undefined ? 'mm' : findUnit(named, 'length')
  return unit && UNITS[unit].kind === 'length' ? unit : undefined
}
