/** What picking an extreme adds, against the distribution of extremes of independent normals, by hand from tables of the normal. */
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { difference, selectionU, type Uncertain } from '.'

const own = (name: string, value: number, u: number, ...shared: Uncertain['components'][number][]): Uncertain => ({
  value,
  components: [{ source: { id: name, owner: name, dof: Infinity }, u }, ...shared],
})
const alike = (count: number, u: number, value = 10): Uncertain[] => Array.from({ length: count }, (_, index) => own(`s${index}`, value, u))
const rangeOf = (values: readonly Uncertain[]) => selectionU('range', values, difference(values.at(-1)!, values[0]!))
const smallestOf = (values: readonly Uncertain[]) => selectionU('smallest', values, values[0]!)
const largestOf = (values: readonly Uncertain[]) => selectionU('largestSize', values, values[0]!)

/** With what the picked value has already, how far 97 % of all repetitions reach: 1.96 is the factor of 95 % that it is taken back by. */
const expectReach = (added: number, has: number, quantile97: number) =>
  // Of 256 draws the eighth from the end is told: a tenth either way.
  expectNear(1.96 * Math.hypot(added, has), quantile97, 0.1 * quantile97)

describe('what picking an extreme adds to the uncertainty', () => {
  it('smallest of six that are alike: Φ(q)⁶ = 0.97 gives q = 2.57', () => expectReach(smallestOf(alike(6, 1)), 1, 2.571))

  it('range of two that are alike: a difference of two normals, q = 2.170 · √2', () =>
    expectReach(rangeOf(alike(2, 1)), Math.SQRT2, 2.17 * Math.SQRT2))

  // Studentised range of eight, known sigma: 97 % point 4.50 (95 % 4.29, 99 % 5.08 in the tables of the range).
  it('range of eight that are alike: nearly three standard uncertainties on the average', () =>
    expectReach(rangeOf(alike(8, 1)), Math.SQRT2, 4.5))

  it('furthest from nothing of two that are nothing: (2Φ(q) − 1)² = 0.97 gives q = 2.43', () =>
    expectReach(largestOf(alike(2, 1, 0)), 1, 2.43))

  it('far apart nothing but the noise of the one picked is left: q = 2.170', () => {
    const apart = [0, 50, 100].map((value, index) => own(`s${index}`, value, 1))
    expectReach(smallestOf(apart), 1, 2.17)
    expectReach(largestOf([own('a', -100, 1), own('b', 3, 1)]), 1, 2.17)
    expectReach(rangeOf(apart), Math.SQRT2, 2.17 * Math.SQRT2)
  })

  it('two groups: only those that may have changed places count', () => {
    const groups = [0, 0, 0, 50, 50].map((value, index) => own(`s${index}`, value, 1))
    // Smallest of three: Φ(q)³ = 0.97 gives q = 2.32.
    expectReach(smallestOf(groups), 1, 2.32)
  })

  it('grows with the noise, and does not mind where nothing is', () => {
    expectNear(smallestOf(alike(6, 0.004, 83)), 0.004 * smallestOf(alike(6, 1)), 1e-9)
    expectNear(rangeOf(alike(5, 3, 0)), 3 * rangeOf(alike(5, 1, 80)), 1e-9)
  })

  it('is not moved by what all share, as the bias of one gauge', () => {
    const bias = { source: { id: 'bias', owner: 'gauge', dof: Infinity }, u: 100 }
    const biased = alike(6, 1).map(({ value, components }) => ({ value, components: [...components, bias] }))
    expectNear(rangeOf(biased), rangeOf(alike(6, 1)), 1e-6)
    // The picked one has the bias already.
    expect(smallestOf(biased)).toBeLessThan(smallestOf(alike(6, 1)) + 1e-9)
  })

  it('of the smallest is not moved by what two of them share: no order of the two hangs on it', () => {
    const zero = { source: { id: 'zero', owner: 'gauge', dof: Infinity }, u: 30 }
    const shared = alike(3, 1).map(({ value, components }, index) => ({
      value,
      components: index < 2 ? [...components, zero] : components,
    }))
    expect(selectionU('smallest', shared, alike(3, 1)[0]!)).toBeCloseTo(smallestOf(alike(3, 1)), 9)
  })

  it('takes the scatter of values for what their noise explains, and no more', () => {
    // Scattered as wide as their noise says: as good as alike. Ten times as wide: told apart.
    const scattered = [-1.2, -0.6, 0, 0.5, 1.3].map((value, index) => own(`s${index}`, value, 1))
    // Five: 97 % point of the range 4.07 (95 % 3.86, 99 % 4.60).
    expectReach(rangeOf(scattered), Math.SQRT2, 4.07)
    const told = [-12, -6, 0, 5, 13].map((value, index) => own(`s${index}`, value, 1))
    expectReach(rangeOf(told), Math.SQRT2, 2.17 * Math.SQRT2)
  })

  it.each([
    ['one value', alike(1, 1)],
    ['values without noise', alike(4, 0)],
    ['more than are ever compared', alike(65, 1)],
  ])('%s: nothing', (_, values) => {
    expect(smallestOf(values)).toBe(0)
    expect(rangeOf(values)).toBe(0)
  })
})
