/** Whether the lobes of a shaft stand alike, one of them is bad, or the shaft is twisted. */
import { chiSquareTails } from '../../numerics/distributions'

/** Where a lobe stands off from where its own cylinder wants it, crank degrees, and where it is along the shaft. */
export interface LobeAlong<Key> {
  readonly key: Key
  /** In bore spacings from the front. */
  readonly along: number
  readonly offDeg: number
}

export type LobePattern<Key> =
  | { readonly is: 'badLobe'; readonly key: Key; readonly byDeg: number }
  /** From the first lobe to the last, crank degrees. */
  | { readonly is: 'twisted'; readonly byDeg: number }

/** A shaft whose lobes all stand alike is called something else no more often than once in this many. */
const FALSE_ALARM = 0.01
const LEAST_LOBES = 4
const LEAST_PLACES = 3

/**
 * Of three ways to see a shaft the simplest that its readings leave: all lobes alike, one of them off, or all of them on a line along
 * it. Alike is given up where the scatter is more than the readings' own (χ², 1 %); then the better of both others is named where it
 * explains that, and nothing where neither does. `ownUDeg`: standard uncertainty of one lobe against another.
 */
export function lobePattern<Key>(lobes: readonly LobeAlong<Key>[], ownUDeg: number): LobePattern<Key> | undefined {
  if (lobes.length < LEAST_LOBES || !(ownUDeg > 0)) return undefined
  if (!isTooMuch(scatter(lobes), lobes.length - 1, ownUDeg)) return undefined
  const bad = worstLobe(lobes)
  const line = lineThrough(lobes)
  const isLine = line !== undefined && line.scatter < bad.scatter
  const left = isLine ? line.scatter : bad.scatter
  if (isTooMuch(left, lobes.length - 2, ownUDeg)) return undefined
  return isLine ? { is: 'twisted', byDeg: line.byDeg } : { is: 'badLobe', key: bad.key, byDeg: bad.byDeg }
}

function isTooMuch(squares: number, dof: number, uDeg: number): boolean {
  return chiSquareTails(squares / uDeg ** 2, dof).above < FALSE_ALARM
}

const meanOf = (numbers: readonly number[]) => numbers.reduce((sum, one) => sum + one, 0) / numbers.length

/** Sum of squares about the mean. */
function scatter(lobes: readonly { readonly offDeg: number }[]): number {
  const mean = meanOf(lobes.map(({ offDeg }) => offDeg))
  return lobes.reduce((sum, { offDeg }) => sum + (offDeg - mean) ** 2, 0)
}

/** The lobe without which the others stand most alike. */
function worstLobe<Key>(lobes: readonly LobeAlong<Key>[]) {
  const candidates = lobes.map((lobe) => {
    const others = lobes.filter((other) => other !== lobe)
    return { key: lobe.key, byDeg: lobe.offDeg - meanOf(others.map(({ offDeg }) => offDeg)), scatter: scatter(others) }
  })
  return candidates.reduce((worst, one) => (one.scatter < worst.scatter ? one : worst))
}

/** Least squares along the shaft; undefined where the lobes stand in too few places for a line to say anything. */
function lineThrough(lobes: readonly LobeAlong<unknown>[]): { readonly byDeg: number; readonly scatter: number } | undefined {
  const places = [...new Set(lobes.map(({ along }) => along))]
  if (places.length < LEAST_PLACES) return undefined
  const middle = meanOf(lobes.map(({ along }) => along))
  const mean = meanOf(lobes.map(({ offDeg }) => offDeg))
  const spread = lobes.reduce((sum, { along }) => sum + (along - middle) ** 2, 0)
  const slope = lobes.reduce((sum, { along, offDeg }) => sum + (along - middle) * (offDeg - mean), 0) / spread
  const left = lobes.reduce((sum, { along, offDeg }) => sum + (offDeg - mean - slope * (along - middle)) ** 2, 0)
  return { byDeg: slope * (Math.max(...places) - Math.min(...places)), scatter: left }
}
