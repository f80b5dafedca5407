import type { Build } from '../document/build'
import { paperAt, readingAt } from '../document/figures'
import { stationId } from '../document/place'
import { derivation } from '../document/remembered'
import { workOn } from '../document/work'
import { resultOf, type Figure, type FormulaText } from '../metrology'
import { afterWork } from './afterWork'
import type { Missing, Remark } from '../bench/bench'
import { BORE_AXES, BORE_DEPTHS, type BoreAxis, type BoreDepth } from './boreStations'
import type { Derived } from '../bench/finding'

export const boreMean: FormulaText = {
  id: 'boreMean',
  title: 'Mean bore',
  kind: 'length',
  expression: 'mean of the diameters read, both axes of a depth',
  source: 'definition of a mean',
}

/** One diameter of a bore, where it was read. */
export interface BoreReading {
  readonly depth: BoreDepth
  readonly axis: BoreAxis
  readonly figure: Figure
}

/** Every diameter of a bore that has been read. */
export const boreReadings = derivation('boreReadings', (build, cylinder: number): readonly BoreReading[] =>
  BORE_DEPTHS.flatMap((depth) =>
    BORE_AXES.flatMap((axis) => {
      const figure = diameterAt(build, cylinder, depth, axis)
      return figure ? [{ depth, axis, figure }] : []
    }),
  ),
)

function diameterAt(build: Build, cylinder: number, depth: BoreDepth, axis: BoreAxis): Figure | undefined {
  const place = { cylinder, spot: `${depth}-${axis}` }
  const read = readingAt(build, 'bores.bore', place)
  return read && afterWork(read, workOn(build, `hone/${cylinder}`, stationId('bores.bore', place)), 'length', 'Hone')
}

export function boreReading(build: Build, cylinder: number, depth: BoreDepth, axis: BoreAxis): Figure | undefined {
  return boreReadings(build, cylinder).find((read) => read.depth === depth && read.axis === axis)?.figure
}

/** What is wanted to know a bore at one depth. */
export function missingBore(cylinder: number, depth: BoreDepth): Missing[] {
  return BORE_AXES.map((axis) => ({ kind: 'reading', stationId: stationId('bores.bore', { cylinder, spot: `${depth}-${axis}` }) }))
}

/**
 * Mean bore of a cylinder: the depths at which both axes were read, so that out-of-round cancels.
 * Shared by every bench that needs a bore; never falls back from readings to paper by itself.
 */
export const measuredBore = derivation('bore', (build, cylinder: number): Derived => {
  const read = boreReadings(build, cylinder)
  const whole = read.filter(({ depth }) => read.filter((other) => other.depth === depth).length === BORE_AXES.length)
  if (whole.length === 0) return { missing: missingBore(cylinder, 'middle') }
  const figure = resultOf(
    boreMean,
    whole.map(({ depth, axis, figure: one }) => ({ label: `${depth}, ${axis}`, figure: one, weight: 1 / whole.length })),
  )
  return { figure, ...incompleteBore(whole.length) }
})

/** A bore read at fewer places than it has: what follows from it says so and is not called within. */
export function incompleteBore(used: number): { isPartial?: boolean; remarks?: readonly Remark[] } {
  const wanted = BORE_DEPTHS.length * BORE_AXES.length
  return used < wanted ? { isPartial: true, remarks: [{ code: 'incomplete', used, wanted }] } : {}
}

/** The bore a cylinder is computed with: measured or from paper, as the build's method says. */
export function boreOf(build: Build, cylinder: number): Derived {
  if (build.spec.methods.bore === 'measured') return measuredBore(build, cylinder)
  const figure = paperAt(build, 'bore', cylinder)
  return figure
    ? { figure: afterWork(figure, workOn(build, `hone/${cylinder}`), 'length', 'Hone') }
    : { missing: [{ kind: 'paper', key: 'bore' }] }
}
