import { describe, expect, it } from 'vitest'
import type { Build, Spec } from '@/core/document'
import { find, readingOf, soundBuild, valueOf, withReading, withSpecOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import type { CharacteristicId } from '../../bench/bench'
import { rings } from '.'
import { adviceOf, afterOf, byId, limited, shift } from '../../../../tests/support/advice'

/** What each bench advises, held to what it does: the engine after the change, by the bench's own derivation. */
const sound = soundBuild(0)

describe('rings', () => {
  const FINE = 'feeler-fine.1'
  const gapped = (build: Build, characteristic: CharacteristicId, cylinder: number, goes: number, spot = 'top') =>
    withReading(build, characteristic, { cylinder, spot }, goes, FINE, { upper: goes + 0.01 })
  const shallow = withSpecOf(sound, (spec): Spec => ({ ...spec, methods: { ...spec.methods, ringDepths: 1 } }))

  it('files a tight ring to its target: by what is missing, and the engine after it is there', () => {
    const tight = gapped(shallow, 'rings.secondGap', 3, 0.5)
    const file = byId(rings, tight, 'file.rings.secondGap.3')!
    expect(file.change).toMatchObject({ code: 'file', ring: 'second', cylinder: 3, mm: expect.closeTo(0.6 - 0.505, 9), toMm: 0.6 })
    expectNear(valueOf(rings, afterOf(tight, file), 'rings.secondGap.3'), 0.6, 1e-9)
    expectNear(valueOf(rings, afterOf(tight, file), 'rings.secondGap.2'), valueOf(rings, tight, 'rings.secondGap.2'), 1e-12)
  })

  it('never files to a target below the maker’s least', () => {
    const tight = limited(gapped(shallow, 'rings.topGap', 3, 0.5), { 'rings.topGap': { lower: 0.54, target: 0.53 } })
    expect(byId(rings, tight, 'file.rings.topGap.3')!.change).toMatchObject({ toMm: 0.54, mm: expect.closeTo(0.035, 9) })
  })

  it('files each rail by its own, and only the tight ones', () => {
    const least = 0.38
    const one = limited(gapped(gapped(shallow, 'rings.upperRailGap', 2, 0.3), 'rings.lowerRailGap', 2, 0.6), {
      'rings.railGap': { lower: least },
    })
    const file = byId(rings, one, 'file.rings.railGap.2')!
    expect(file.change).toMatchObject({ code: 'file', ring: 'upperRail', mm: expect.closeTo(least - 0.305, 9) })
    expect(file.changes).toEqual([{ what: 'ringGap', ring: 'upperRail', cylinder: 2, by: expect.closeTo(least - 0.305, 9) }])
    const both = limited(gapped(gapped(shallow, 'rings.upperRailGap', 2, 0.3), 'rings.lowerRailGap', 2, 0.32), {
      'rings.railGap': { lower: least },
    })
    const rails = byId(rings, both, 'file.rings.railGap.2')!
    expect(rails.changes).toEqual([
      { what: 'ringGap', ring: 'upperRail', cylinder: 2, by: expect.closeTo(0.075, 9) },
      { what: 'ringGap', ring: 'lowerRail', cylinder: 2, by: expect.closeTo(0.055, 9) },
    ])
    expectNear(valueOf(rings, afterOf(both, rails), 'rings.railGap.2'), least, 1e-9)
  })

  it('files nothing that is within, nor at its limit, nor in doubt only because depths are still to be read', () => {
    expect(adviceOf(rings, shallow)).toEqual([])
    const open = without(
      gapped(sound, 'rings.topGap', 3, 0.54),
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 3 && place.spot !== 'top',
    )
    expect(find(rings, open, 'rings.topGap.3').conformity!.verdict).toBe('inDoubt')
    expect(byId(rings, open, 'file.rings.topGap.3')).toBeUndefined()
    // In doubt because the leaf that goes is below the least and the one that does not above it: filed.
    const uncertain = gapped(shallow, 'rings.topGap', 3, 0.535)
    expect(find(rings, uncertain, 'rings.topGap.3').conformity!.verdict).toBe('inDoubt')
    expect(byId(rings, uncertain, 'file.rings.topGap.3')!.change).toMatchObject({ mm: expect.closeTo(0.02, 9) })
  })

  it('moves a ring that is too wide to a smaller bore only where a limit says too wide, and says what each gap becomes', () => {
    const wide = gapped(shallow, 'rings.topGap', 1, 0.7)
    expect(byId(rings, wide, 'swapRings.rings.topGap')).toBeUndefined()
    const over = limited(wide, { 'rings.topGap': { lower: 0.54, upper: 0.65, target: 0.56 } })
    // Bore 4 is 0.05 smaller and its own ring as much tighter: number 1's ring, 0.157 too wide, belongs there.
    const smaller = gapped(
      ['top-thrust', 'top-pin'].reduce((build, spot) => shift(build, `bores.bore/c4/${spot}`, -0.05), over),
      'rings.topGap',
      4,
      0.4,
    )
    const moved = byId(rings, smaller, 'swapRings.rings.topGap')!
    if (moved.change.code !== 'swapRings') throw new Error('no swap')
    expect(moved.change.after[3]).toBe(1)
    const bore = (cylinder: number) =>
      ['thrust', 'pin'].reduce((sum, axis) => sum + readingOf(smaller, `bores.bore/c${cylinder}/top-${axis}`).value / 2, 0)
    for (const [index, from] of moved.change.after.entries()) {
      expectNear(
        valueOf(rings, afterOf(smaller, moved), `rings.topGap.${index + 1}`),
        valueOf(rings, smaller, `rings.topGap.${from}`) + Math.PI * (bore(index + 1) - bore(from)),
        1e-5,
      )
    }
  })
})
