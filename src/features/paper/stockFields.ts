/** What a kind of part asks for, and what was filled in, without the form that shows it. */
import type { StockDefinition, StockNumber, StockPart, StockWord, UnitSystem } from '@/core/document'
import type { ReadForm } from '@/ui/useForm'
import { formatKnown, parseEntry, UNITS, type UnitId } from '@/core/units'

/** A part as it lies on the shelf, whatever its kind. */
export type AnyPart = Readonly<StockPart & Record<string, string | number | undefined>>

/** A part that was filled in and has no id yet. */
export type FilledPart = Omit<StockPart, 'id'> & Readonly<Record<string, string | number>>

interface Choice {
  readonly name: string
  readonly label: string
  readonly hint?: string
  readonly options: readonly { readonly value: string; readonly label: string }[]
}

interface TextEntry {
  readonly name: string
  readonly label: string
  readonly hint?: string
  /** The unit a number is typed in; words have none. */
  readonly unit?: UnitId
}

/** Fields with few values to choose from. */
export function choicesOf({ fields }: StockDefinition): readonly Choice[] {
  return Object.entries(fields).flatMap(([name, field]): Choice[] => {
    const { label, hint } = field
    if ('options' in field) return [{ name, label, hint, options: field.options }]
    if (!field.sizes) return []
    return [{ name, label, hint, options: field.sizes.map((size) => ({ value: String(size.value), label: size.label })) }]
  })
}

/** Fields that are typed: the name first, the source last. */
export function textFieldsOf({ fields }: StockDefinition, system: UnitSystem): readonly TextEntry[] {
  const numbers = Object.entries(fields).flatMap(([name, field]): TextEntry[] =>
    isTyped(field) ? [{ name, label: field.label, hint: field.hint, unit: field.units[system] }] : [],
  )
  return [{ name: 'name', label: 'Name' }, ...numbers, { name: 'source', label: 'Source' }]
}

/** A number in its unit, not one of a few. */
export function isTyped(field: StockNumber | StockWord): field is StockNumber {
  return !('options' in field) && !field.sizes
}

/** The part that was filled in, or what is wrong with it, field by field. */
export function partOf({ fields }: StockDefinition, filled: Readonly<Record<string, string>>, system: UnitSystem): ReadForm<FilledPart> {
  const wrong: Record<string, string> = {}
  const part: Record<string, string | number> = {}
  for (const name of ['name', 'source']) {
    const text = (filled[name] ?? '').trim()
    if (text === '') wrong[name] = 'is needed'
    else part[name] = text
  }
  for (const [name, field] of Object.entries(fields)) {
    const text = (filled[name] ?? '').trim()
    if (text === '') {
      if (!field.optional) wrong[name] = 'is needed'
      continue
    }
    const read = isTyped(field) ? readNumber(field, text, system) : { value: 'options' in field ? text : Number(text) }
    if ('wrong' in read) wrong[name] = read.wrong
    else part[name] = read.value
  }
  return Object.keys(wrong).length > 0 ? { ok: false, wrong } : { ok: true, meant: part as FilledPart }
}

function readNumber(field: StockNumber, text: string, system: UnitSystem): { readonly value: number } | { readonly wrong: string } {
  const unit = field.units[system]
  const entry = parseEntry(text, { kind: field.kind, unit, signed: true })
  if (!entry.ok) return { wrong: 'is not a number in a unit known here' }
  const { value } = entry
  if (field.isPositive && value <= 0) return { wrong: 'is more than nothing' }
  if (field.isWhole && !Number.isInteger(value)) return { wrong: 'is a whole number' }
  const shown = (bound: number) => `${formatKnown(bound, unit)} ${UNITS[unit].symbol}`.trim()
  if (field.low !== undefined && value < field.low) return { wrong: `is at least ${shown(field.low)}` }
  if (field.high !== undefined && value > field.high) return { wrong: `is at most ${shown(field.high)}` }
  return { value }
}

/** What a field of a part says: a size by its name, a number in the unit it is typed in. */
export function fieldWords(field: StockNumber | StockWord, value: string | number | undefined, system: UnitSystem): string {
  if (value === undefined) return ('ifEmpty' in field && field.ifEmpty) || 'not said'
  if ('options' in field) return field.options.find((option) => option.value === value)?.label ?? String(value)
  const size = field.sizes?.find((one) => Math.abs(one.value - Number(value)) < SAME_SIZE)
  if (size) return size.label
  const unit = field.units[system]
  return `${formatKnown(Number(value), unit)} ${UNITS[unit].symbol}`.trim()
}

/** Sizes are named in thousandths and stored in millimetres: nearer than this they are one. */
const SAME_SIZE = 1e-6

/** An id that no part of the kind has. */
export function freshId(one: string, known: readonly { readonly id: string }[]): string {
  let number = known.length + 1
  while (known.some(({ id }) => id === `${one}-${number}`)) number++
  return `${one}-${number}`
}
