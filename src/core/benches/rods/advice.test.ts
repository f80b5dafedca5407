import { applyChanges } from '../../document/changes'
import { describe, expect, it } from 'vitest'
import { readingOf, soundBuild, valueOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { rods } from '.'
import { adviceOf, afterOf, byId, shift } from '../../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const sound = soundBuild(0)

describe('rods', () => {
  const heavy = shift(sound, 'rods.pistonMass/c2', 9)

  it('takes off the lightest plus the limit, cylinder by cylinder', () => {
    const lighten = byId(rods, heavy, 'lighten')!
    const limit = heavy.spec.limits['rods.reciprocatingSpread']!.upper!
    if (lighten.change.code !== 'lighten') throw new Error('no lighten')
    const before = applyChanges(
      heavy,
      lighten.changes!.filter((change) => 'choose' in change),
    )
    const masses = [1, 2, 3, 4, 5].map((cylinder) => valueOf(rods, before, `rods.reciprocating.${cylinder}`))
    const allowed = Math.min(...masses) + limit
    expect([...lighten.change.byCylinder]).toEqual(
      masses.flatMap((mass, index) => (mass > allowed ? [[index + 1, expect.closeTo(mass - allowed, 9)]] : [])),
    )
    expectNear(valueOf(rods, afterOf(heavy, lighten), 'rods.reciprocatingSpread'), limit, 1e-9)
  })

  it('pairs sets with rods only where that evens the masses, says from what to what, and that bores change', () => {
    // A heavy set on a heavy rod, a light one on a light.
    const crossed = shift(
      shift(shift(shift(sound, 'rods.pistonMass/c2', 4), 'rods.rodSmall/c2', 4), 'rods.pistonMass/c4', -4),
      'rods.rodSmall/c4',
      -4,
    )
    const pair = byId(rods, crossed, 'pairMasses')!
    if (pair.change.code !== 'pairMasses') throw new Error('no pair')
    expectNear(pair.change.fromG, valueOf(rods, crossed, 'rods.reciprocatingSpread'), 1e-9)
    expectNear(pair.change.toG, valueOf(rods, afterOf(crossed, pair), 'rods.reciprocatingSpread'), 1e-9)
    expect(pair.change.toG).toBeLessThan(pair.change.fromG - 4)
    expect(pair.costs.map(({ code }) => code)).toEqual(['marks', 'otherBores'])
    // One set heavy on rods all alike: no pairing helps, grams come off.
    const alike = [1, 2, 3, 4, 5].reduce(
      (build, cylinder) => shift(build, `rods.rodSmall/c${cylinder}`, 250 - readingOf(build, `rods.rodSmall/c${cylinder}`).value),
      heavy,
    )
    expect(adviceOf(rods, alike).map(({ id }) => id)).toEqual(['lighten'])
    expect(byId(rods, alike, 'lighten')!.costs).toEqual([{ code: 'noParts' }])
  })

  it('advises nothing while a part is not weighed', () => {
    expect(
      adviceOf(
        rods,
        without(heavy, ({ characteristic, place }) => characteristic === 'rods.pinMass' && place.cylinder === 5),
      ),
    ).toEqual([])
  })
})
