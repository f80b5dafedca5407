import { describe, expect, it } from 'vitest'
import type { Spec } from '@/core/document'
import { soundBuild, valueOf, withSpecOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { bores } from '.'
import { adviceOf, afterOf, byId, limited, shift } from '../../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const sound = soundBuild(0)

describe('bores', () => {
  // Two skirts the wrong way round: piston 1 is 0.03 large and piston 4 as much small.
  const swapped = shift(shift(sound, 'bores.skirt/c1', 0.03), 'bores.skirt/c4', -0.03)
  const tight = limited(swapped, {
    'bores.clearance': { lower: 0.08, upper: 0.115, target: 0.097 },
    'bores.clearanceSpread': { upper: 0.02 },
  })

  it('swaps the two that suit each other’s bores, and says the spread it leaves', () => {
    const swap = byId(bores, tight, 'swapPistons')!
    expect(swap.change).toMatchObject({ code: 'swapPistons' })
    const after = afterOf(tight, swap)
    expect(after.spec.choice.pistonInBore).toHaveLength(5)
    const [clearance, spread] = swap.headlines
    const found = [1, 2, 3, 4, 5].map((cylinder) => valueOf(bores, after, `bores.clearance.${cylinder}`))
    expectNear(clearance!.low.value, Math.min(...found), 1e-12)
    expectNear(clearance!.high.value, Math.max(...found), 1e-12)
    expectNear(spread!.low.value, Math.max(...found) - Math.min(...found), 1e-12)
    expect(spread!.low.value).toBeLessThan(valueOf(bores, tight, 'bores.clearanceSpread'))
    expect(swap.costs.map(({ code }) => code)).toEqual(['marks', 'noParts'])
  })

  it('asks for a look at pockets and hand where pins are offset or pistons change banks', () => {
    const offset = withSpecOf(tight, (spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, pinOffset: { value: 0.5, unit: 'mm', source: 'sheet' } },
    }))
    expect(byId(bores, offset, 'swapPistons')!.costs.map(({ code }) => code)).toEqual(['marks', 'checkPockets', 'noParts'])
    // Of a V8 numbered across, 1 stands left and 2 right.
    const across = limited(shift(shift(soundBuild(1), 'bores.skirt/c1', 0.03), 'bores.skirt/c2', -0.03), {
      'bores.clearanceSpread': { upper: 0.02 },
      'bores.clearance': { lower: 0.13, upper: 0.17, target: 0.15 },
    })
    const costs = byId(bores, across, 'swapPistons')?.costs ?? []
    expect(costs.map(({ code }) => code)).toEqual(['marks', 'acrossBanks', 'checkPockets', 'noParts'])
  })

  it('hones no bore that is loose, and advises nothing while one skirt is not read', () => {
    const loose = limited(sound, { 'bores.clearance': { lower: 0.01, upper: 0.02, target: 0.015 } })
    expect(adviceOf(bores, loose).some(({ id }) => id === 'hone')).toBe(false)
    expect(
      adviceOf(
        bores,
        without(tight, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 5),
      ),
    ).toEqual([])
  })
})
