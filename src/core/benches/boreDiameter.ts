import { paperAt, readingAt, type Build } from '../build/build'
import { stationId } from '../build/readings'
import { resultOf, type FormulaText } from '../metrology'
import { BORE_AXES, BORE_DEPTHS } from './boreStations'
import type { Derived } from './finding'

export const boreMean: FormulaText = {
  id: 'boreMean', title: 'Mean bore', kind: 'length', expression: 'mean of the diameters read, both axes of a depth', source: 'definition of a mean',
}

/**
 * Mean bore of a cylinder: the depths at which both axes were read, so that out-of-round cancels.
 * Shared by every bench that needs a bore; never falls back from readings to paper by itself.
 */
export function measuredBore(build: Build, cylinder: number): Derived {
  const terms = BORE_DEPTHS.flatMap((depth) => {
    const both = BORE_AXES.map((axis) => ({ label: `${depth}, ${axis}`, figure: readingAt(build, 'bore', { cylinder, spot: `${depth}-${axis}` }) }))
    return both.every((term) => term.figure) ? both.map((term) => ({ label: term.label, figure: term.figure! })) : []
  })
  if (terms.length === 0) {
    return { missing: BORE_AXES.map((axis) => ({ kind: 'reading', stationId: stationId('bore', { cylinder, spot: `middle-${axis}` }) })) }
  }
  return { figure: resultOf(boreMean, terms.map((term) => ({ ...term, weight: 1 / terms.length }))) }
}

/** The bore a cylinder is reckoned with: measured or from paper, as the build's method says. */
export function boreOf(build: Build, cylinder: number): Derived {
  if (build.spec.methods.bore === 'measured') return measuredBore(build, cylinder)
  const figure = paperAt(build, 'bore')
  return figure ? { figure } : { missing: [{ kind: 'paper', key: 'bore' }] }
}
