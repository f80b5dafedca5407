import { readingAt, type Build } from '../build/build'
import { findingId, stationId, type Subject } from '../build/place'
import type { Place } from '../build/types'
import { judge, judgeInterval, type Conformity, type Figure } from '../metrology'
import { uncertaintyBudget } from './uncertaintyBudget'
import type { BenchDefinition, Finding, Missing, Remark } from './bench'

/** A share of the uncertainty worth naming: one owner has most of it. */
const OWNS_MOST = 0.6

/** What is known, or what is wanted before it can be. */
export type Derived =
  | {
      readonly figure: Figure
      readonly remarks?: readonly Remark[]
      /** A go/no-go reading is judged as the interval it is. */
      readonly interval?: Interval
      /** From fewer readings or parts than there are, or from a part that was taken out since: never called within. */
      readonly isPartial?: boolean
    }
  | { readonly missing: readonly Missing[] }

export interface Interval {
  readonly low: number
  readonly high: number
  /** Half-width of what checked leaves may be off; 0 where the leaf has no check on record. */
  readonly leafTolerance: number
}

export function isKnown(derived: Derived): derived is Extract<Derived, { figure: Figure }> {
  return 'figure' in derived
}

/** Joins several inputs: all known, or everything that is missing. */
export function allOf<Name extends string>(
  inputs: Readonly<Record<Name, Derived>>,
): { readonly figures: Record<Name, Figure>; readonly missing?: undefined } | { readonly missing: readonly Missing[] } {
  const figures = {} as Record<Name, Figure>
  const missing: Missing[] = []
  for (const name of Object.keys(inputs) as Name[]) {
    const input = inputs[name]
    if (isKnown(input)) figures[name] = input.figure
    else missing.push(...input.missing)
  }
  return missing.length > 0 ? { missing: distinct(missing) } : { figures }
}

/** Judges a derived figure by the build's limit for it and says who owns the uncertainty when it matters. */
export function finding(build: Build, definition: BenchDefinition, output: string, derived: Derived, subject: Subject = {}): Finding {
  const id = findingId(output, subject)
  const limitKey = definition.outputs[output]?.limit
  const limit = limitKey === undefined ? undefined : build.spec.limits[limitKey]
  if (!isKnown(derived)) return { id, output, ...subject, missing: derived.missing, limit, remarks: [] }
  const { figure, interval } = derived
  const { rule } = build.spec.methods
  const judged =
    limit &&
    (interval
      ? judgeInterval(interval.low, interval.high, limit, rule, interval.leafTolerance)
      : judge(figure.value, limit, rule, isSize(definition, output)))
  const conformity: Conformity | undefined =
    judged && derived.isPartial && judged.verdict === 'within' ? { ...judged, verdict: 'inDoubt', gaugeCannotDecide: false } : judged
  const remarks = [...(derived.remarks ?? [])]
  if (conformity?.verdict === 'inDoubt' && !derived.isPartial) remarks.push(...mainOwner(build, figure))
  return { id, output, ...subject, figure, missing: [], limit, conformity, remarks }
}

function isSize(definition: BenchDefinition, output: string): boolean {
  const { spread, neverNegative } = definition.outputs[output] ?? {}
  return spread === true || neverNegative === true
}

/** The gauge or paper number that owns most of the uncertainty, where one does. */
function mainOwner(build: Build, figure: Figure): Remark[] {
  const first = uncertaintyBudget(build, figure.value)[0]
  return first && first.share >= OWNS_MOST ? [{ code: 'owns', ...first }] : []
}

function distinct(missing: readonly Missing[]): Missing[] {
  return [...new Map(missing.map((item) => [JSON.stringify(item), item])).values()]
}

/**
 * The interval of a go/no-go reading; undefined for a reading with one value. What a checked leaf may be off is its bias
 * uncertainty at 95 %.
 */
export function intervalOf(build: Build, station: string): Interval | undefined {
  const reading = build.readings.current.get(station)
  if (reading?.upper === undefined) return undefined
  const gauge = build.gauges.get(reading.gauge)
  const bias = gauge?.bias ?? 0
  return { low: reading.value - bias, high: reading.upper - bias, leafTolerance: gauge?.checkedOn === undefined ? 0 : 2 * gauge.biasU }
}

/** A reading that is the finding itself: its figure, its interval where it is go/no-go, or what is wanted. */
export function asRead(build: Build, characteristic: string, place: Place): Derived {
  const id = stationId(characteristic, place)
  const figure = readingAt(build, characteristic, place)
  return figure
    ? { figure, interval: intervalOf(build, id), remarks: leafRemark(build, id) }
    : { missing: [{ kind: 'reading', stationId: id }] }
}

/** What an unchecked leaf may be off, said beside a verdict that does not count it. */
export function leafRemark(build: Build, station: string): Remark[] {
  const reading = build.readings.current.get(station)
  const gauge = reading?.upper === undefined ? undefined : build.gauges.get(reading.gauge)
  return gauge && gauge.checkedOn === undefined && gauge.biasU > 0 ? [{ code: 'leafTolerance', mm: 2 * gauge.biasU }] : []
}
