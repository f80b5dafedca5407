import { describe, expect, it } from 'vitest'
import { startingLimits } from '@/core/benches'
import type { Build } from '@/core/document'
import { find, soundBuild, verdictOf, withReading, withSpecOf } from '../../../../tests/support/builds'
import { bores } from '.'
import { DIRECTIONS } from './stations'

/** Faces by straight edge and feeler, bores by their crosshatch and finish: only where somebody asks for them. */
const asking = (which: number): Build => {
  const build = soundBuild(which)
  const asked = withSpecOf(build, (spec) => ({ ...spec, methods: { ...spec.methods, faces: true, boreFinish: true } }))
  return withSpecOf(asked, (spec) => ({ ...spec, limits: { ...spec.limits, ...startingLimits(spec) } }))
}
const five = asking(0)
const gap = (build: Build, spot: string, mm: number, bank?: 'left' | 'right') =>
  withReading(build, 'bores.faceGap', { ...(bank && { bank }), spot }, mm, 'feeler-fine.1', { unit: 'mm' })
const all = (build: Build, face: string, mm: number) =>
  Object.keys(DIRECTIONS).reduce((now, direction) => gap(now, `${face}-${direction}`, mm), build)

describe('faces', () => {
  it('are read in six directions each, the heads of two banks apart, and not where nobody asks', () => {
    const places = (build: Build) => bores.stations(build).filter(({ characteristic }) => characteristic === 'bores.faceGap').length
    expect([places(five), places(asking(1)), places(soundBuild(0))]).toEqual([18, 30, 0])
    expect(bores.stations(asking(1)).filter(({ characteristic }) => characteristic === 'bores.faceFinish')).toHaveLength(2)
  })

  it('are as flat as the widest of six gaps, and within only once all six are read (0.003 in overall, common practice)', () => {
    const flat = all(five, 'head', 0.02)
    expect(verdictOf(bores, flat, 'bores.headFlatness')).toBe('within')
    const bowed = gap(flat, 'head-oneCorner', 0.1)
    expect(find(bores, bowed, 'bores.headFlatness').figure!.value.value).toBeCloseTo(0.1, 9)
    expect(verdictOf(bores, bowed, 'bores.headFlatness')).toBe('over')
    const some = gap(five, 'deck-leftEdge', 0.02)
    expect(verdictOf(bores, some, 'bores.deckFlatness')).toBe('inDoubt')
    expect(find(bores, some, 'bores.deckFlatness').remarks).toContainEqual({ code: 'incomplete', used: 1, wanted: 6 })
    expect(find(bores, five, 'bores.coverFlatness').missing).toHaveLength(6)
  })

  it('a head’s finish is judged against the gasket as the deck’s is', () => {
    const finish = (ra: number) => withReading(five, 'bores.faceFinish', { spot: 'head' }, ra, 'finish.1', { unit: 'umRa' })
    expect(verdictOf(bores, finish(0.9), 'bores.headFinish')).toBe('over')
    expect(verdictOf(bores, finish(0.3), 'bores.headFinish')).toBe('within')
  })
})

describe('a bore’s own face', () => {
  it('is read beside the bore and judged only by numbers somebody gave', () => {
    const read = withReading(
      withReading(five, 'bores.crosshatch', { cylinder: 2 }, 62, 'protractor.1', { unit: 'deg' }),
      'bores.boreFinish',
      { cylinder: 2 },
      0.45,
      'finish.1',
      { unit: 'umRa' },
    )
    expect(find(bores, read, 'bores.crosshatch.2').figure!.value.value).toBe(62)
    expect(verdictOf(bores, read, 'bores.crosshatch.2')).toBeUndefined()
    const judged = withSpecOf(read, (spec) => ({
      ...spec,
      limits: { ...spec.limits, 'bores.crosshatch': { lower: 30, upper: 50, source: 'ring maker', reason: 'their sheet' } },
    }))
    expect(verdictOf(bores, judged, 'bores.crosshatch.2')).toBe('over')
    expect(find(bores, read, 'bores.boreFinish.2').figure!.value.value).toBeCloseTo(0.45, 9)
  })
})
