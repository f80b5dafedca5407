import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { petrelDocument, soundBuild, valueOf, withSpecOf } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { bearings } from '.'

import { afterOf, byId, limited, shift } from '../../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const petrel = openBuild(petrelDocument)

describe('bearings', () => {
  it('plans halves for mains that are out, and the planned findings are what it says', () => {
    const advice = byId(bearings, petrel, 'shells.main')!
    const after = afterOf(petrel, advice)
    const planned = bearings.derive(after).filter(({ output, figure }) => output === 'bearings.mainPlanned' && figure)
    const values = planned.map(({ figure }) => figure!.value.value)
    expect(advice.headlines).toHaveLength(1)
    expectNear(advice.headlines[0]!.low.value, Math.min(...values), 1e-12)
    expectNear(advice.headlines[0]!.high.value, Math.max(...values), 1e-12)
    expect(advice.costs).toEqual([{ code: 'fromShelf' }])
    expect(advice.change).toMatchObject({ code: 'shells', kind: 'main', lands: true })
    expect(byId(bearings, petrel, 'shells.rod')).toMatchObject({ change: { code: 'shells', kind: 'rod', lands: true } })
  })

  it('says what is to be bought when the shelf is short, by name and number', () => {
    const few = withSpecOf(petrel, (spec): Spec => ({
      ...spec,
      stock: {
        ...spec.stock,
        shells: spec.stock.shells.map((shell) => (shell.fits === 'main' ? { ...shell, halves: shell.wallMm === 0 ? 10 : 0 } : shell)),
      },
    }))
    const costs = byId(bearings, few, 'shells.main')!.costs
    const used = new Map<string, number>()
    const { change } = byId(bearings, few, 'shells.main')!
    if (change.code !== 'shells') throw new Error('no shells')
    for (const { upper, lower } of change.pairs) for (const half of [upper, lower]) used.set(half, (used.get(half) ?? 0) + 1)
    const stock = new Map(few.spec.stock.shells.filter(({ fits }) => fits === 'main').map(({ name, halves }) => [name, halves]))
    const short = [...used].flatMap(([name, count]) =>
      count > stock.get(name)! ? [{ code: 'buyHalves', name, halves: count - stock.get(name)! }] : [],
    )
    expect(costs).toEqual(expect.arrayContaining(short))
    expect(costs.length).toBe(short.length)
  })

  it('plans nothing again while a plan waits to be fitted, nor where nothing is out', () => {
    const planned = afterOf(petrel, byId(bearings, petrel, 'shells.main')!)
    expect(byId(bearings, planned, 'shells.main')).toBeUndefined()
    expect(byId(bearings, soundBuild(0), 'shells.main')).toBeUndefined()
  })

  it('counts the coating as wall: a coated standard half stands with an undersize one, an X half does not', () => {
    const half = (id: string, wallMm: number, coatingMm?: number) => ({
      id,
      name: id,
      fits: 'main' as const,
      wallMm,
      ...(coatingMm && { coatingMm }),
      halves: 10,
      source: 'test',
    })
    const on = (...shells: ReturnType<typeof half>[]) => withSpecOf(petrel, (spec): Spec => ({ ...spec, stock: { ...spec.stock, shells } }))
    const pairsOf = (build: Build) => {
      const change = byId(bearings, build, 'shells.main')?.change
      return new Set(change?.code === 'shells' ? change.pairs.map(({ upper, lower }) => [upper, lower].sort().join('+')) : [])
    }
    // 0.0127 coated (half a thou) beside 0.0127 thicker: alike. X (−0.0127) beside coated standard: a whole thou apart.
    expect(pairsOf(on(half('x', -0.0127), half('coated', 0, 0.0127)))).not.toContain('coated+x')
    const limit = petrel.spec.limits['bearings.mainClearance']!
    const tightEngine = [1, 2, 3, 4, 5].reduce(
      (build, main) =>
        shift(
          build,
          `bearings.mainClearance/m${main}/vertical`,
          (limit.lower! + limit.upper!) / 2 + 0.0127 - valueOf(bearings, build, `bearings.mainClearance.m${main}`),
        ),
      on(half('std', 0), half('coated', 0, 0.0127)),
    )
    // Half a thou over the middle: a standard and a coated half bring it there.
    const nudged = limited(tightEngine, {
      'bearings.mainClearance': {
        lower: (limit.lower! + limit.upper!) / 2 - 0.002,
        upper: (limit.lower! + limit.upper!) / 2 + 0.002,
        target: (limit.lower! + limit.upper!) / 2,
      },
    })
    expect(pairsOf(nudged)).toEqual(new Set(['coated+std']))
    const after = afterOf(nudged, byId(bearings, nudged, 'shells.main')!)
    expectNear(valueOf(bearings, after, 'bearings.mainPlanned.m2'), (limit.lower! + limit.upper!) / 2, 1e-9)
  })
})
