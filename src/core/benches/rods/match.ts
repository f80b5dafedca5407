import type { Build } from '../../build/build'
import { cylinderNumbers } from '../../engine'
import { matchEvenly } from '../../numerics/matching'
import { readingAt } from '../../build/build'

export interface MassMatch {
  /** Mark of the piston set for each rod, number one first. */
  readonly after: readonly number[]
  /** Reciprocating masses, each piston on its own rod, and after. */
  readonly beforeG: readonly number[]
  readonly afterG: readonly number[]
}

/** Piston sets (piston, pin, rings) put on the rods that even out the reciprocating masses. Undefined until all are weighed. */
export function matchMasses(build: Build): MassMatch | undefined {
  const numbers = cylinderNumbers(build.spec.layout)
  const weighed = (names: readonly string[], cylinder: number) => names.map((name) => readingAt(build, name, { cylinder })?.value.value)
  const sets = numbers.map((cylinder) => weighed(['pistonMass', 'pinMass', 'ringsMass'], cylinder))
  const rods = numbers.map((cylinder) => weighed(['rodSmall'], cylinder))
  if ([...sets, ...rods].flat().some((mass) => mass === undefined)) return undefined
  const sum = (masses: readonly (number | undefined)[]) => masses.reduce<number>((all, mass) => all + mass!, 0)
  const values = rods.map((rod) => sets.map((set) => sum(rod) + sum(set)))
  const mean = values.reduce((all, row, index) => all + row[index]!, 0) / values.length
  const after = matchEvenly(values, mean)
  return { after: after.map((index) => index + 1), beforeG: values.map((row, index) => row[index]!), afterG: after.map((set, rod) => values[rod]![set]!) }
}
