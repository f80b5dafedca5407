import { describe, expect, it } from 'vitest'
import { freshSpec } from '@/core/benches'
import { fastenerPlaceWords } from '@/wording'
import { drawnSpacingMm, jointPitchMm, jointsOf, patternFromCsv, usualJoints, withBoreSpacing, withFastenerAt, withPattern } from '.'

const four = freshSpec({
  name: 'Four',
  description: '',
  units: 'metric',
  kind: 'inline',
  cylinders: 4,
  bankAngleDeg: 0,
  valvesPerCylinder: 4,
  valveDrive: 'bucketShimUnder',
  fuel: 'petrol',
  boostKpa: 0,
  paper: { bore: { value: 86, unit: 'mm', source: 'sheet' } },
})
const headOf = (spec: typeof four) => jointsOf(spec).find(({ kind }) => kind === 'head')!

describe('a bore spacing that nobody knows', () => {
  it('is in no new build: usual patterns are proportions of a round number, and stand nowhere to the millimetre', () => {
    expect(four.layout.boreSpacingMm).toBeUndefined()
    expect(four.duty.redlineRpm).toBeUndefined()
    expect(drawnSpacingMm(four.layout)).toBe(100)
    expect(headOf(four).placed).toBeUndefined()
    expect(headOf(four).fasteners[1]!.xMm - headOf(four).fasteners[0]!.xMm).toBe(100)
    expect(fastenerPlaceWords(headOf(four), four.layout, 2)).toContain('between cylinders 1 and 2')
  })

  it('once typed, moves what nobody placed and leaves what stands where somebody said', () => {
    const read = patternFromCsv('x,y,type\n0,10,A\n50,10,A\n')
    if ('issues' in read) throw new Error('pattern')
    const joints = usualJoints(four.layout).map((joint) =>
      joint.kind === 'head' ? withPattern(joint, read.fasteners, [1, 2], 'table') : joint,
    )
    const typed = withBoreSpacing({ ...four, joints }, 92)
    expect(typed.layout.boreSpacingMm).toBe(92)
    expect(headOf(typed).fasteners.map(({ xMm }) => xMm)).toEqual([0, 50])
    const mains = jointsOf(typed).find(({ kind }) => kind === 'mains')!
    expect(mains.fasteners[2]!.xMm).toBeCloseTo(92, 9)
    const flywheel = (spec: typeof four) => jointsOf(spec).find(({ kind }) => kind === 'flywheel')!.fasteners
    expect(flywheel(typed)).toEqual(flywheel({ ...four, joints }))
    // Taken back, they are proportions again.
    expect(jointsOf(withBoreSpacing(typed, undefined)).find(({ kind }) => kind === 'mains')!.fasteners[2]!.xMm).toBeCloseTo(100, 9)
  })

  it('leaves a placed head without cylinders beside its fasteners, and a click takes the millimetre from a pattern', () => {
    const placed = { ...headOf(four), placed: true as const }
    expect(jointPitchMm(placed, four.layout)).toBeUndefined()
    expect(jointPitchMm(placed, { ...four.layout, boreSpacingMm: 91 })).toBe(91)
    expect(fastenerPlaceWords(placed, four.layout, 2)).toBe('')
    expect(withFastenerAt(placed, { xMm: 7, yMm: 7 })!.placed).toBeUndefined()
  })
})
