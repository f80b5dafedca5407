import { describe, expect, it } from 'vitest'
import { crankOf, firstAnswers, layoutOf, specOf, withKind, type Answers } from './answers'

const sound: Answers = {
  ...firstAnswers('inch'),
  name: ' Dipper ',
  kind: 'v',
  cylinders: 8,
  typed: { bore: '4.155', stroke: '3 3/4', pistonVolume: '-7', deckClearance: '-.005', gasketThicknessMm: '.040', gasketBoreMm: '4.20' },
}
const errorsOf = (change: Partial<Answers>) => {
  const made = specOf({ ...sound, ...change })
  return made.ok ? {} : made.wrong
}

describe('the answers a build begins with', () => {
  it('become a spec: numbers in canonical units with their source, the usual of what was left out', () => {
    const made = specOf(sound)
    if (!made.ok) throw new Error(JSON.stringify(made.wrong))
    expect(made.meant).toMatchObject({ name: 'Dipper', description: 'V 8', units: 'inch', methods: { rule: 'strict', ringDepths: 1 } })
    expect(made.meant.layout).toMatchObject({ kind: 'v', cylinders: 8, bankAngleDeg: 90, mains: 5 })
    expect(made.meant.paper.stroke).toEqual({ value: 95.25, unit: 'in', source: 'as stated at the start' })
    expect(made.meant.paper.pistonVolume!.value).toBe(-7)
    expect(made.meant.paper.deckClearance!.value).toBeCloseTo(-0.127, 9)
    expect(made.meant.stock.gaskets[0]).toMatchObject({ thicknessMm: 1.016 })
    expect(made.meant.paper.rodLength).toBeUndefined()
  })

  it('say field by field what is wrong, all of it at once', () => {
    expect(errorsOf({ name: '  ', bankAngle: '180', boost: '-3', typed: { bore: 'wide', stroke: '0', pistonVolume: '7' } })).toEqual({
      name: 'A name, so that it can be found again.',
      bankAngle: 'is between 0 and 180 degrees',
      boost: 'is a pressure above ambient',
      bore: expect.stringContaining('“wide”'),
      stroke: 'is more than nothing',
    })
    expect(errorsOf({ typed: {} })).toEqual({ bore: 'is needed for the ratio', stroke: 'is needed for the ratio' })
    expect(errorsOf({ bankAngle: '179.9', boost: '0' })).toEqual({})
    expect(errorsOf({ bankAngle: '0' })).toEqual({ bankAngle: 'is between 0 and 180 degrees' })
  })

  it('a two-stroke single has no valves, a redline is one that was typed, and numbering is of two banks', () => {
    const kart = specOf({ ...sound, kind: 'single', cylinders: 1, strokes: 2, redline: '14500' })
    if (!kart.ok) throw new Error(JSON.stringify(kart.wrong))
    expect(kart.meant.layout).toMatchObject({ strokes: 2, valvesPerCylinder: 0, valveDrive: 'none', oiling: 'inFuel' })
    expect(kart.meant.duty.redlineRpm).toBe(14_500)
    expect(layoutOf({ ...sound, strokes: 2 }).valvesPerCylinder).toBe(4)
    expect(layoutOf({ ...sound, kind: 'flat', cylinders: 6, numbering: 'downEachBank' }).firingOrder).toEqual([1, 6, 2, 4, 3, 5])
    expect(errorsOf({ redline: '499' })).toEqual({ redline: 'is between 500 and 30 000 rpm' })
    expect(errorsOf({ redline: '500' })).toEqual({})
    expect(errorsOf({ redline: 'high' })).toEqual({ redline: 'is between 500 and 30 000 rpm' })
  })

  it('keep a number of cylinders and a crank only where the layout has them', () => {
    expect(withKind({ ...sound, cylinders: 5, kind: 'inline' }, 'v').cylinders).toBe(4)
    expect(withKind({ ...sound, cylinders: 6 }, 'flat').cylinders).toBe(6)
    expect(withKind(sound, 'single').cylinders).toBe(1)
    expect(crankOf({ ...sound, crank: 'flatPlane' })).toBe('flatPlane')
    expect(crankOf({ ...sound, crank: 'boxer' })).toBe('crossPlane')
  })

  it('draw what is answered so far: a bank angle that cannot be is drawn as a right one, usual ones fire evenly', () => {
    expect(layoutOf({ ...sound, bankAngle: '200' }).bankAngleDeg).toBe(90)
    expect(layoutOf({ ...sound, bankAngle: '72,5' }).bankAngleDeg).toBe(72.5)
    expect([6, 8, 10, 12, 16].map((cylinders) => layoutOf({ ...sound, cylinders }).bankAngleDeg)).toEqual([60, 90, 72, 60, 90])
  })
})
