import type { Build } from '../../document/build'
import { cylinderNumbers } from '../../geometry/crank'
import { matchEvenly } from '../../numerics/matching'
import { isKnown } from '../../bench/finding'
import { readingAt } from '../../document/figures'
import { clearanceTarget } from './presets'
import { smallestBore } from './derive'

/** Which piston goes into which bore, before and after: clearances in mm by cylinder. */
export interface PistonMatch {
  /** Mark of the piston of each cylinder, number one first. */
  readonly before: readonly number[]
  readonly after: readonly number[]
  readonly clearanceMm: (pistonInBore: readonly number[]) => readonly number[]
  readonly targetMm: number
}

/**
 * Pistons matched to bores so that the clearances come out alike: the worst deviation from the target least, then the
 * spread, then the fewest pistons moved. Undefined until every bore and every skirt is read.
 */
export function matchPistons(build: Build): PistonMatch | undefined {
  const numbers = cylinderNumbers(build.spec.layout)
  const targetMm = clearanceTarget(build)
  const bores = numbers.flatMap((cylinder) => {
    const bore = smallestBore(build, cylinder)
    return isKnown(bore) ? [bore.figure.value.value] : []
  })
  const skirts = numbers.flatMap((cylinder) => readingAt(build, 'bores.skirt', { cylinder })?.value.value ?? [])
  if (targetMm === undefined || bores.length < numbers.length || skirts.length < numbers.length) return undefined
  const clearances = bores.map((bore) => skirts.map((skirt) => bore - skirt))
  return {
    before: build.spec.choice.pistonInBore ?? numbers,
    after: matchEvenly(clearances, targetMm).map((index) => index + 1),
    clearanceMm: (pistonInBore) => pistonInBore.map((mark, index) => clearances[index]![mark - 1]!),
    targetMm,
  }
}
