import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build } from '@/core/document'
import { soundBuild, ternDocument, valueOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { compression } from '.'
import { adviceOf, afterOf, byId, shift } from '../../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const tern = openBuild(ternDocument)
const sound = soundBuild(0)

describe('compression', () => {
  it('opens the chambers that are too small to the largest within its limit, and leaves one beyond it alone', () => {
    const end = (build: Build, cylinder: number, cm3: number) =>
      shift(shift(build, `compression.chamberEnd/c${cylinder}/r1`, -cm3), `compression.chamberEnd/c${cylinder}/r2`, -cm3)
    const small = end(sound, 2, -0.6)
    const open = byId(compression, small, 'openChambers')!
    if (open.change.code !== 'openChambers') throw new Error('no chambers')
    const volumes = [1, 2, 3, 4, 5].map((cylinder) => valueOf(compression, small, `compression.chamberVolume.${cylinder}`))
    expectNear(open.change.byCylinder.get(2)!, Math.max(...volumes) - volumes[1]!, 1e-9)
    for (const [cylinder] of open.change.byCylinder)
      expectNear(valueOf(compression, afterOf(small, open), `compression.chamberVolume.${cylinder}`), Math.max(...volumes), 1e-9)
    expect(open.costs).toEqual([
      { code: 'grinding', cylinders: open.change.byCylinder.size, cm3: expect.closeTo(Math.max(...open.change.byCylinder.values()), 12) },
      { code: 'noParts' },
    ])
    const large = end(small, 4, 2)
    const eased = byId(compression, large, 'openChambers')
    const without4 = volumes.filter((_, index) => index !== 3)
    if (eased?.change.code === 'openChambers')
      expectNear(valueOf(compression, afterOf(large, eased), 'compression.chamberVolume.2'), Math.max(...without4), 1e-9)
    expect(eased?.change.code === 'openChambers' && [...eased.change.byCylinder.keys()].includes(4)).toBe(false)
  })

  it('shows two gaskets besides the fitted one, each with what the valves pay', () => {
    const ids = adviceOf(compression, tern).filter(({ id }) => id.startsWith('gasket.'))
    expect(ids).toHaveLength(2)
    const fitted = tern.spec.stock.gaskets.find(({ id }) => id === tern.spec.choice.gasket)!
    for (const { id, costs, change } of ids) {
      expect(id).not.toBe(`gasket.${fitted.id}`)
      const gasket = tern.spec.stock.gaskets.find((one) => change.code === 'setup' && one.id === change.gasket.id)!
      const thinner = fitted.thicknessMm - gasket.thicknessMm
      expect(costs).toEqual([...(thinner > 0 ? [{ code: 'valvesCloser', mm: expect.closeTo(thinner, 12) }] : []), { code: 'spreadStays' }])
    }
  })

  it('advises nothing before every cylinder is measured', () => {
    expect(
      adviceOf(
        compression,
        without(tern, ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 2),
      ),
    ).toEqual([])
  })
})
