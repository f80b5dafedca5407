import type { Build } from '../../document/build'
import { readingAt } from '../../document/figures'
import { cylinderNumbers } from '../../geometry/crank'
import { matchEvenly } from '../../numerics/matching'
import { pistonIn } from '../../shared/fitted'
import type { RodCharacteristic } from './definition'

/** Which piston set (piston, pin, rings) goes onto the rod of which cylinder, before and after. The rods stay on their journals. */
export interface MassMatch {
  /** Mark of the piston set of each cylinder, number one first. */
  readonly before: readonly number[]
  readonly after: readonly number[]
  /** Reciprocating mass of each cylinder with those sets. */
  readonly massG: (setOnRod: readonly number[]) => readonly number[]
}

/** Piston sets put on the rods that even out the reciprocating masses. Undefined until all are weighed. */
export function matchMasses(build: Build): MassMatch | undefined {
  const numbers = cylinderNumbers(build.spec.layout)
  const sets = numbers.flatMap((cylinder) => weighed(build, ['rods.pistonMass', 'rods.pinMass', 'rods.ringsMass'], cylinder) ?? [])
  const rods = numbers.flatMap((cylinder) => weighed(build, ['rods.rodSmall'], cylinder) ?? [])
  if (sets.length < numbers.length || rods.length < numbers.length) return undefined
  const masses = rods.map((rod) => sets.map((set) => rod + set))
  const mean = masses.reduce((sum, row, index) => sum + row[index]!, 0) / masses.length
  return {
    before: numbers.map((cylinder) => pistonIn(build, cylinder)),
    after: matchEvenly(masses, mean).map((index) => index + 1),
    massG: (setOnRod) => setOnRod.map((mark, rod) => masses[rod]![mark - 1]!),
  }
}

/** Grams of several parts of one cylinder together; undefined while one is not weighed. */
function weighed(build: Build, parts: readonly RodCharacteristic[], cylinder: number): number | undefined {
  const masses = parts.flatMap((part) => readingAt(build, part, { cylinder })?.value.value ?? [])
  return masses.length < parts.length ? undefined : masses.reduce((sum, mass) => sum + mass, 0)
}
