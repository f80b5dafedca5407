import { group } from 'd3-array'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freshLayout } from '../../document'
import {
  crankStyles,
  cylinderPlaces,
  firingIntervals,
  firingIssues,
  topsDeg,
  usualFiringOrder,
  usualPins,
  type EngineLayout,
  type LayoutKind,
} from '.'

const layoutOf = (kind: LayoutKind, cylinders: number, bankAngleDeg = 0): EngineLayout =>
  freshLayout({ kind, cylinders, bankAngleDeg, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
const angles = (layout: EngineLayout, style?: Parameters<typeof usualPins>[1]) =>
  usualPins(layout, style).map(({ angleDeg }) => Math.round(angleDeg))

/** By row, the tops of its two cylinders. */
function topsByRow(layout: EngineLayout): number[][] {
  const tops = topsDeg(layout)
  const byRow = group(cylinderPlaces(layout), ({ row }) => row)
  return [...byRow.values()].map((places) => places.map(({ cylinder }) => Math.round(tops.get(cylinder)!)))
}

describe('pins of the usual cranks (common practice)', () => {
  it.each<[string, EngineLayout, Parameters<typeof usualPins>[1], number[]]>([
    ['inline four', layoutOf('inline', 4), undefined, [0, 180, 180, 0]],
    ['inline five, which turns its pins against its tops', layoutOf('inline', 5), undefined, [0, 216, 144, 72, 288]],
    ['inline six', layoutOf('inline', 6), undefined, [0, 240, 120, 120, 240, 0]],
    ['a seven, evenly round', layoutOf('inline', 7), undefined, [0, 309, 257, 206, 154, 103, 51]],
    ['twin, opposed', layoutOf('inline', 2), undefined, [0, 180]],
    ['twin, together', layoutOf('inline', 2), 'together', [0, 0]],
    ['twin, quarter turn', layoutOf('inline', 2), 'quarter', [0, 90]],
    ['cross-plane V8', layoutOf('v', 8, 90), undefined, [0, 90, 270, 180]],
    ['flat-plane V8', layoutOf('v', 8, 90), 'flatPlane', [0, 180, 180, 0]],
    ['inline eight has no cross of four', layoutOf('inline', 8), undefined, [0, 180, 270, 90, 90, 270, 180, 0]],
    ['a flat eight on shared pins has', layoutOf('flat', 8, 180), 'shared', [0, 90, 270, 180]],
    // Number one stands on the left, which the pin passes second: its own pin is the half turn.
    ['a boxer four, each rod on a pin of its own', layoutOf('flat', 4, 180), undefined, [180, 0, 0, 180]],
    ['a V4 in boxer style is no boxer: two rods a pin', layoutOf('v', 4, 90), 'boxer', [0, 180]],
    ['a flat four on shared pins', layoutOf('flat', 4, 180), 'shared', [0, 180]],
  ])('%s', (_, layout, style, expected) => expect(angles(layout, style)).toEqual(expected))

  it('of a boxer: opposite pistons reach their tops together; on shared pins half a turn apart', () => {
    for (const cylinders of [2, 4, 6]) {
      const boxer = layoutOf('flat', cylinders, 180)
      for (const [left, right] of topsByRow(boxer)) expect(left).toBe(right)
      const shared = { ...boxer, pins: usualPins(boxer, 'shared') }
      for (const [left, right] of topsByRow(shared)) expect(Math.abs(left! - right!)).toBe(180)
    }
  })
})

describe('the usual firing order', () => {
  it('of the known engines (common practice)', () => {
    expect(usualFiringOrder(layoutOf('inline', 5))).toEqual([1, 2, 4, 5, 3])
    expect(usualFiringOrder(layoutOf('inline', 4))).toEqual([1, 3, 4, 2])
    expect(usualFiringOrder(layoutOf('inline', 6))).toEqual([1, 5, 3, 6, 2, 4])
  })

  it('is one that the crank allows, wherever its pins stand', () => {
    const pins = fc
      .integer({ min: 2, max: 8 })
      .chain((cylinders) => fc.array(fc.integer({ min: 0, max: 23 }), { minLength: cylinders, maxLength: cylinders }))
    fc.assert(
      fc.property(pins, (quarters) => {
        // No engine has three pistons at one top: two turns fire two of them one by one.
        fc.pre(quarters.every((one) => quarters.filter((other) => other === one).length <= 2))
        const layout: EngineLayout = {
          ...layoutOf('inline', quarters.length),
          pins: quarters.map((quarter, index) => ({ angleDeg: quarter * 15, cylinders: [index + 1] })),
        }
        const firingOrder = usualFiringOrder(layout)
        expect(firingOrder.toSorted((a, b) => a - b)).toEqual(quarters.map((_, index) => index + 1))
        expect(firingIssues({ ...layout, firingOrder })).toEqual([])
        expect(firingIntervals({ ...layout, firingOrder }).every((interval) => interval >= 0)).toBe(true)
      }),
      { numRuns: 400 },
    )
  })
})

describe('the cranks met in a layout (common practice)', () => {
  it.each<[LayoutKind, number, readonly string[]]>([
    ['inline', 2, ['opposed', 'together', 'quarter']],
    ['inline', 4, ['shared']],
    ['v', 2, ['shared', 'balanced']],
    ['v', 4, ['shared', 'together']],
    ['v', 6, ['evenSplit', 'shared']],
    ['v', 8, ['crossPlane', 'flatPlane']],
    ['v', 10, ['evenSplit', 'shared']],
    ['v', 12, ['shared']],
    ['inline', 8, ['shared']],
    ['flat', 4, ['boxer', 'shared']],
    ['flat', 12, ['shared', 'boxer']],
    ['single', 1, ['shared']],
  ])('%s of %i: %s', (kind, cylinders, styles) => expect(crankStyles(kind, cylinders)).toEqual(styles))

  it('a split stands on pins of two rods where bank and even firing differ, and nowhere else', () => {
    const splits = (kind: LayoutKind, cylinders: number, bank: number, style?: Parameters<typeof usualPins>[1]) =>
      usualPins(layoutOf(kind, cylinders, bank), style).map(({ splitDeg }) => splitDeg)
    expect(splits('v', 6, 90)).toEqual([30, 30, 30])
    expect(splits('v', 10, 90)).toEqual([-18, -18, -18, -18, -18])
    expect(splits('v', 6, 120)).toEqual([undefined, undefined, undefined])
    expect(splits('v', 6, 90, 'shared')).toEqual([undefined, undefined, undefined])
  })
})
