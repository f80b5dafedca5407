import { describe, expect, it } from 'vitest'
import { freshLayout } from '@/core/document'
import { firingIntervals, topsDeg, type EngineLayout, type LayoutKind } from '@/core/geometry/crank'
import { countedOtherwise, degreedFrom, layoutFrom, textOf } from './layoutText'

const engine = (kind: LayoutKind, cylinders: number, bankAngleDeg = 90): EngineLayout =>
  freshLayout({ kind, cylinders, bankAngleDeg, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
const five = engine('inline', 5)
const six = engine('v', 6, 60)
const twin = engine('v', 2, 45)

describe('a layout as it is typed', () => {
  it.each([
    ['a single', engine('single', 1)],
    ['an inline five', five],
    ['a boxer four', engine('flat', 4)],
    ['a V-twin', twin],
    ['a V6 on split pins', six],
    ['a V8', engine('v', 8)],
  ])('%s reads back as it was', (_, layout) => {
    expect(layoutFrom(layout, textOf(layout))).toEqual({ layout, trouble: '' })
  })

  it('takes the pins of a five: fired in turn they stand 144° behind each other, an even interval (720 / 5)', () => {
    const typed = { ...textOf(five), order: '1 2 4 5 3', pins: '1@0; 2@216; 3@144,0; 4@72; 5@-72' }
    const { layout, trouble } = layoutFrom(five, typed)
    expect(trouble).toBe('')
    expect([...topsDeg(layout!)].map(([cylinder, top]) => [cylinder, Math.round(top)])).toEqual([
      [1, 0],
      [2, 144],
      [3, 216],
      [4, 288],
      [5, 72],
    ])
    expect(firingIntervals(layout!).map(Math.round)).toEqual([144, 144, 144, 144, 144])
  })

  it('takes a split behind its stroke, with its sign', () => {
    const of = (pins: string) => layoutFrom(twin, { ...textOf(twin), pins }).layout?.pins
    expect(of('1+2@0/-30')).toEqual([{ cylinders: [1, 2], angleDeg: 0, splitDeg: -30 }])
    expect(of('2 + 1 @ 12.5 / 0')).toEqual([{ cylinders: [2, 1], angleDeg: 12.5 }])
  })

  it.each<[Partial<ReturnType<typeof textOf>>, string]>([
    [{ pins: '1@0; 2' }, 'A pin is written as'],
    [{ pins: '1@0,2@216,3@144,4@72,5@288' }, 'a semicolon between pins'],
    [{ mains: '0' }, 'whole number from 1 to 17'],
    [{ mains: '18' }, 'whole number from 1 to 17'],
    [{ mains: '5.5' }, 'whole number from 1 to 17'],
    [{ bankAngle: '181' }, 'between 0 and 180'],
    [{ bankAngle: '-1' }, 'between 0 and 180'],
    [{ bankAngle: 'sixty' }, 'between 0 and 180'],
    [{ order: '1-2-4-5' }, 'Every cylinder from 1 to 5 fires once.'],
    [{ order: '1-5-4-3-2' }, 'two turns'],
  ])('says what is wrong with %o', (slip, words) => {
    expect(layoutFrom(five, { ...textOf(five), ...slip }).trouble).toContain(words)
  })

  it.each([
    ['17', '180'],
    ['1', '0'],
  ])('takes %s mains and %s° between banks, the edges', (mains, bankAngle) => {
    expect(layoutFrom(five, { ...textOf(five), mains, bankAngle }).trouble).toBe('')
  })

  it('takes rods and order along under other numbers, and leaves what cannot be read as it was typed', () => {
    const down = countedOtherwise(six, textOf(six), { numbering: 'downEachBank' })
    // Across 1-2 share a pin; down each bank that pin carries 1 and 4.
    expect(down.pins.split(', ').map((pin) => pin.split('@')[0])).toEqual(['1+4', '2+5', '3+6'])
    expect(countedOtherwise(six, down, { numbering: 'alternating' })).toEqual(textOf(six))
    const half = { ...textOf(six), pins: '1+2@' }
    expect(countedOtherwise(six, half, { leadingBank: 'right' })).toEqual({ ...half, leadingBank: 'right' })
  })
})

describe('the cylinder timing is taken at', () => {
  it.each<['five' | 'six', string, readonly number[] | undefined]>([
    ['five', ' 5 ', [5]],
    ['six', '1, 6', [1, 6]],
    ['six', '1 and 6', [1, 6]],
    ['five', '', undefined],
  ])('of a %s, “%s”, is %o', (which, text, degreedAt) => {
    expect(degreedFrom({ five, six }[which], text)).toEqual({ ...(degreedAt && { degreedAt }), trouble: '' })
  })

  it.each<['five' | 'six', string, string]>([
    ['five', '6', 'The engine has no such cylinder.'],
    ['five', '0', 'The engine has no such cylinder.'],
    ['five', '1, 5', 'Timing is taken at one cylinder'],
    ['six', '1, 3', 'Timing is taken at one cylinder'],
    ['six', '1, 2, 5', 'Timing is taken at one cylinder'],
    ['five', 'the front', 'Numbers of cylinders are wanted'],
    ['five', '-2', 'Numbers of cylinders are wanted'],
  ])('of a %s, “%s”, is refused: %s', (which, text, words) => {
    expect(degreedFrom({ five, six }[which], text).trouble).toContain(words)
  })
})
