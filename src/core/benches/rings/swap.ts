import type { Build } from '../../document/build'
import { cylinderNumbers } from '../../geometry/crank'
import { matchEvenly } from '../../numerics/matching'
import { boreOf, boreReading } from '../../shared/boreDiameter'
import { BORE_AXES } from '../../shared/boreStations'
import { isKnown, type Derived } from '../../bench/finding'
import { resultOf } from '../../metrology'
import type { Ring } from '../../shared/ringNames'
import { gapOf } from './derive'

export interface RingSwap {
  /** The cylinder whose ring goes into each bore, number one first. */
  readonly after: readonly number[]
  /** Gap of each bore with the rings as they are, and after the swap. */
  readonly gapsMm: readonly number[]
  readonly gapsAfterMm: readonly number[]
}

/**
 * Rings of one kind put into the bores that suit them: a ring keeps its own length, so its gap changes by π times the
 * difference of the bores, where the gap is read: an inch down. Undefined until every bore and every gap is known.
 */
export function swapRings(build: Build, ring: Ring, targetMm: number): RingSwap | undefined {
  const numbers = cylinderNumbers(build.spec.layout)
  const bores = numbers.map((cylinder) => boreWhereGapped(build, cylinder))
  const gaps = numbers.map((cylinder) => gapOf(build, [ring], cylinder))
  if (bores.some((one) => !isKnown(one)) || gaps.some((one) => !isKnown(one))) return undefined
  const bore = bores.flatMap((one) => (isKnown(one) ? [one.figure.value.value] : []))
  const gap = gaps.flatMap((one) => (isKnown(one) ? [one.figure.value.value] : []))
  const values = bore.map((boreMm) => gap.map((gapMm, from) => gapMm + Math.PI * (boreMm - bore[from]!)))
  const after = matchEvenly(values, targetMm)
  return { after: after.map((index) => index + 1), gapsMm: gap, gapsAfterMm: after.map((from, bore) => values[bore]![from]!) }
}

/** The bore at the top of the travel, both axes, where it was read there: a taper below does not change a gap read above it. */
function boreWhereGapped(build: Build, cylinder: number): Derived {
  const axes = BORE_AXES.flatMap((axis) => boreReading(build, cylinder, 'top', axis) ?? [])
  if (build.spec.methods.bore !== 'measured' || axes.length < BORE_AXES.length) return boreOf(build, cylinder)
  const text = {
    id: 'boreAtTop',
    title: 'Bore at the top',
    kind: 'length',
    expression: 'mean of both axes',
    source: 'definition of a mean',
  } as const
  return {
    figure: resultOf(
      text,
      axes.map((figure, index) => ({ label: BORE_AXES[index]!, weight: 1 / axes.length, figure })),
    ),
  }
}
