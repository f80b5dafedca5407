import type { Build } from '../document/build'
import { applyChanges } from '../document/changes'
import { bankCount, cylinderPlaces } from '../geometry/crank'
import type { Cost } from '../bench/bench'

declare module '../bench/vocabulary' {
  interface CostFields {
    marks: { readonly pistons: number }
    acrossBanks: { readonly pistons: number }
    checkPockets: object
  }
}

/** The mark of the piston that goes into a cylinder: its own number, until a plan says otherwise. */
export function pistonIn(build: Build, cylinder: number): number {
  return build.spec.choice.pistonInBore?.[cylinder - 1] ?? cylinder
}

/** The build with its pistons in other bores: what was read up to now with pistons in place was read with the old ones. */
export function withPistons(build: Build, pistonInBore: readonly number[]): Build {
  return applyChanges(build, [{ choose: 'pistonInBore', marks: pistonInBore }])
}

/** What moving pistons asks to be looked at: marks, and whether they fit the other way round. */
export function movingCosts(build: Build, before: readonly number[], after: readonly number[]): Cost[] {
  const { layout, paper } = build.spec
  const bankOf = new Map(cylinderPlaces(layout).map(({ cylinder, bank }) => [cylinder, bank]))
  const moved = after.flatMap((mark, index) => (mark === before[index] ? [] : [{ mark, cylinder: index + 1 }]))
  const across = bankCount(layout) === 2 ? moved.filter(({ mark, cylinder }) => bankOf.get(mark) !== bankOf.get(cylinder)).length : 0
  return [
    ...(moved.length > 0 ? [{ code: 'marks', pistons: moved.length } as const] : []),
    ...(across > 0 ? [{ code: 'acrossBanks', pistons: across } as const] : []),
    // Pockets and an offset pin make a left and a right piston of one casting.
    ...(moved.length > 0 && (across > 0 || (paper.pinOffset?.value ?? 0) !== 0) ? [{ code: 'checkPockets' } as const] : []),
  ]
}
