/** What benches advise, and what comes of it. */
import type { Advice, AdvisingBench } from '@/core/bench/bench'
import type { Build, Limit, Spec } from '@/core/document'
import { applyChanges } from '@/core/document/changes'
import { readingOf, withReading, withSpecOf } from './builds'

/** A limit nobody in particular set. */
export const MAKER = { source: 'test', reason: '' }
export const limited = (build: Build, limits: Record<string, Partial<Limit>>) =>
  withSpecOf(build, (spec): Spec => ({
    ...spec,
    limits: { ...spec.limits, ...Object.fromEntries(Object.entries(limits).map(([key, limit]) => [key, { ...MAKER, ...limit }])) },
  }))
export const adviceOf = (bench: AdvisingBench, build: Build) => bench.advise(build, bench.derive(build))
export const byId = (bench: AdvisingBench, build: Build, id: string): Advice | undefined =>
  adviceOf(bench, build).find((advice) => advice.id === id)
export const afterOf = (build: Build, advice: Advice) => applyChanges(build, advice.changes!)
/** A reading moved by so much, on the gauge it was read with. */
export const shift = (build: Build, station: string, by: number) => {
  const { characteristic, place, value, upper, gauge, unit } = readingOf(build, station)
  return withReading(build, characteristic, place, value + by, gauge, { unit, ...(upper !== undefined && { upper: upper + by }) })
}
