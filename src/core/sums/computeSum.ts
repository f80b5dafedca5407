import type { QuickSum, SumInput, SumIssue, SumOutcome } from '../bench/quickSum'
import { PAPER } from '../benches/paper'
import { statedFigure, type Figure } from '../metrology'
import { CANONICAL_UNIT, parseEntry, toCanonical, UNITS, type Kind, type UnitId } from '../units'

/** Computes a sum from typed text, each value in any unit and with ± if wanted. `system` gives the unit of bare numbers. */
export function computeSum(sum: QuickSum, typed: Readonly<Record<string, string>>, system: 'metric' | 'inch' = 'metric'): SumOutcome {
  const issues: SumIssue[] = []
  const figures: Record<string, Figure> = {}
  const units: Record<string, UnitId> = {}
  const names: Record<string, string> = {}
  for (const name of Object.keys(typed)) if (!(name in sum.inputs)) issues.push({ code: 'unknownInput', path: [name] })
  for (const [name, input] of Object.entries(sum.inputs)) {
    const text = (typed[name] ?? '').trim()
    if (text === '') {
      if (input.required) issues.push({ code: 'missing', path: [name] })
      continue
    }
    if (input.kind === 'unitName' || input.kind === 'table' || input.kind === 'words') {
      names[name] = text
      continue
    }
    const kind = input.kind === 'any' ? kindOfTyped(text) : input.kind
    const unit = input.kind === 'any' ? CANONICAL_UNIT[kind] : input.units[system]
    const range = rangeOf(input, kind)
    const entry = parseEntry(text, {
      kind,
      unit,
      signed: true,
      bottomCentreDeg: input.bottomCentreDeg,
      event: input.event,
      expected: range,
    })
    if (!entry.ok) {
      issues.push({ code: 'entry', path: [name], issue: entry.issue, typed: text, kind })
      continue
    }
    if (range && (entry.value < range.low || entry.value > range.high)) {
      issues.push({ code: 'outOfRange', path: [name], value: entry.value, ...range, kind })
      continue
    }
    const value = input.isDifference ? entry.value - toCanonical(0, entry.unit) : entry.value
    figures[name] = statedFigure(name, value, entry.plusMinus)
    units[name] = entry.unit
  }
  return issues.length > 0 ? { ok: false, issues } : sum.evaluate({ figures, units, names })
}

/** Kinds of which there is no less than nothing. */
const NEVER_NEGATIVE: ReadonlySet<Kind> = new Set([
  'length',
  'volume',
  'area',
  'mass',
  'density',
  'roughness',
  'expansion',
  'section',
  'stress',
  'stiffness',
])
const MOST = 1e9

/** What an input can be: what its paper number can be, or else not less than nothing where nothing less exists. */
function rangeOf({ paper, range, signed, kind: asked }: SumInput, kind: Kind): { readonly low: number; readonly high: number } | undefined {
  if (range) return range
  if (paper) return { low: PAPER[paper].low, high: PAPER[paper].high }
  return !signed && asked !== 'any' && NEVER_NEGATIVE.has(kind) ? { low: 0, high: MOST } : undefined
}

/** Kind of a number by the unit it carries: the first kind that reads it; a bare number is a ratio. */
function kindOfTyped(text: string): Kind {
  const kinds = [...new Set(Object.values(UNITS).map((unit) => unit.kind))]
  return (
    kinds.find((kind) => {
      const entry = parseEntry(text, { kind, unit: CANONICAL_UNIT.ratio, signed: true })
      return entry.ok && UNITS[entry.unit].kind === kind
    }) ?? 'ratio'
  )
}
