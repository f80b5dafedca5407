/** The cells of a row of readings, each as what it means, or what is wrong with it. */
import { z } from 'zod'
import { PART_STATES, type PartState } from '../document/partState'
import { AXIS_FORMS, type AxisForm, type PlaceAxis } from '../document/place'
import type { Place, Reading } from '../document/types'
import { differenceToCanonical, findUnit, toCanonical, UNITS, type UnitId } from '../units'
import type { FileIssue } from '../document/fileIssue'

const AROUND = [
  'value',
  'upper',
  'plus_minus',
  'unit',
  'as_typed',
  'gauge',
  'part_temp_c',
  'gauge_temp_c',
  'strokes',
  'part_state',
  'turned_back',
  'at',
  'by',
  'state',
  'supersedes',
  'settles',
] as const
export type Column = 'id' | 'characteristic' | PlaceAxis | (typeof AROUND)[number]

/** Every axis there is has a column, after the name of what is read. */
export const CSV_COLUMNS: readonly Column[] = ['id', 'characteristic', ...AXIS_FORMS.map(([axis]) => axis), ...AROUND]

export type RowIssue =
  | { readonly code: 'missingColumn'; readonly column: Column }
  | { readonly code: 'broken'; readonly detail: string }
  | { readonly code: 'unknownPlace'; readonly station: string }
  | { readonly code: 'badNumber'; readonly column: Column; readonly text: string }
  | { readonly code: 'badUnit'; readonly text: string }
  | { readonly code: 'badState'; readonly text: string }
  | { readonly code: 'badYes'; readonly column: Column; readonly text: string }
  | { readonly code: 'unknownGauge'; readonly text: string }
  | { readonly code: 'badTime'; readonly text: string }
  | { readonly code: 'noInitials' }
  | { readonly code: 'longInitials'; readonly text: string }
  | { readonly code: 'badId'; readonly text: string }
  | { readonly code: 'doubleId'; readonly text: string }
  | { readonly code: 'unknownTarget'; readonly text: string }
  | { readonly code: 'absurd'; readonly value: number; readonly low: number; readonly high: number; readonly unit: UnitId }
  | { readonly code: 'door'; readonly issue: FileIssue }

/** A place readings may be taken at, as the benches list them. */
export interface CsvStation {
  readonly id: string
  readonly expected: { readonly low: number; readonly high: number }
  readonly unit: UnitId
}

const PLAIN_NUMBER = /^[+-]?\d{1,15}(?:[.,]\d{1,15})?(?:e[+-]?\d{1,3})?$/i
/** 2026-03-01, 2026-03-01 10:00, 2026-03-01T10:00:00Z: a time without a zone is the shop's own. */
const TIME = /^\d{4}-\d{2}-\d{2}(?:[T ]\d{2}:\d{2}(?::\d{2}(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:?\d{2})?)?$/
const MOST_INITIALS = 8

export type Cells = (column: Column) => string

export function placeFrom(cell: Cells, issues: RowIssue[]): Place {
  return withoutEmpty(Object.fromEntries(AXIS_FORMS.map(([axis, form]) => [axis, valueOnAxis(cell, axis, form, issues)])))
}

function valueOnAxis(cell: Cells, axis: PlaceAxis, form: AxisForm, issues: RowIssue[]): string | number | undefined {
  switch (form.is) {
    case 'counted':
      return wholeNumber(cell, axis, issues)
    case 'measured':
      return plainNumber(cell, axis, issues)
    case 'oneOf':
      return form.words.find((word) => word === cell(axis))
    case 'word':
      return cell(axis) || undefined
  }
}

export function stampFrom(cell: Cells, issues: RowIssue[]): { at: string; by: string } | undefined {
  const time = timeOf(cell('at'))
  if (!time) issues.push({ code: 'badTime', text: cell('at') })
  const by = cell('by')
  if (by === '') issues.push({ code: 'noInitials' })
  else if (by.length > MOST_INITIALS) issues.push({ code: 'longInitials', text: by })
  return time && { at: time.toISOString(), by }
}

/** The moment a cell names; none for a day the calendar has not, which a date parser would take for the next month's. */
function timeOf(text: string): Date | undefined {
  const day = text.slice(0, 'yyyy-mm-dd'.length)
  if (!TIME.test(text) || !z.iso.date().safeParse(day).success) return undefined
  const time = new Date(text === day ? `${day}T00:00` : text.replace(' ', 'T'))
  return Number.isNaN(time.getTime()) ? undefined : time
}

export function wholeNumber(cell: Cells, column: Column, issues: RowIssue[]): number | undefined {
  const text = cell(column)
  if (text === '') return undefined
  if (/^[1-9]\d{0,2}$/.test(text)) return Number(text)
  issues.push({ code: 'badNumber', column, text })
  return undefined
}

/** A number with nothing but its digits, point and sign; none where the cell is empty. */
function plainNumber(cell: Cells, column: Column, issues: RowIssue[]): number | undefined {
  const text = cell(column)
  if (text === '') return undefined
  if (PLAIN_NUMBER.test(text)) return Number(text.replace(',', '.'))
  issues.push({ code: 'badNumber', column, text })
  return undefined
}

const SHOP_C = { low: -30, high: 60 }

export function partStateFrom(cell: Cells, issues: RowIssue[]): PartState | undefined {
  const text = cell('part_state')
  const known = PART_STATES.find((state) => state.toLowerCase() === text.toLowerCase())
  if (text !== '' && !known) issues.push({ code: 'badState', text })
  return known
}

/** `yes` where an angle was read against the running direction; anything else that is not empty is no answer. */
export function turnedBackFrom(cell: Cells, issues: RowIssue[]): true | undefined {
  const text = cell('turned_back')
  if (text.toLowerCase() === 'yes') return true
  if (text !== '') issues.push({ code: 'badYes', column: 'turned_back', text })
  return undefined
}

export function temperature(cell: Cells, column: 'part_temp_c' | 'gauge_temp_c', issues: RowIssue[]): number | undefined {
  const text = cell(column)
  if (text === '') return undefined
  const value = PLAIN_NUMBER.test(text) ? Number(text.replace(',', '.')) : Number.NaN
  if (value >= SHOP_C.low && value <= SHOP_C.high) return value
  issues.push({ code: 'badNumber', column, text })
  return undefined
}

/** The unit is a column of its own here, so the number must be a plain one: no fractions, no shorthand. */
export function measuredFrom(
  cell: Cells,
  station: CsvStation,
  issues: RowIssue[],
): Pick<Reading, 'value' | 'upper' | 'plusMinus' | 'unit'> | undefined {
  const { kind } = UNITS[station.unit]
  const unit = cell('unit') === '' ? undefined : findUnit(cell('unit'), kind)
  if (unit === undefined || UNITS[unit].kind !== kind) {
    issues.push({ code: 'badUnit', text: cell('unit') })
    return undefined
  }
  if (cell('value') === '') issues.push({ code: 'badNumber', column: 'value', text: '' })
  const [value, upper, plusMinus] = (['value', 'upper', 'plus_minus'] as const).map((column) => plainNumber(cell, column, issues))
  if (value === undefined) return undefined
  const canonical = toCanonical(value, unit)
  if (canonical < station.expected.low || canonical > station.expected.high)
    issues.push({ code: 'absurd', value: canonical, ...station.expected, unit })
  return {
    value: canonical,
    unit,
    ...(upper !== undefined && { upper: toCanonical(upper, unit) }),
    ...(plusMinus !== undefined && { plusMinus: differenceToCanonical(Math.abs(plusMinus), unit) }),
  }
}

export function withoutEmpty<Fields extends object>(fields: Fields): Fields {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Fields
}
