import { describe, expect, it } from 'vitest'
import { firingAnglesDeg, firingIntervals, firingIssues, tdcAnglesDeg } from './firing'
import { cylinderPlaces, usualFiringOrder, type EngineLayout } from './layout'

const base: EngineLayout = {
  kind: 'v', cylinders: 8, bankAngleDeg: 90, numbering: 'alternating', numberOneAt: 'front', leadingBank: 'left', rotation: 'clockwise',
  firingOrder: usualFiringOrder('v', 8), mains: 5, valvesPerCylinder: 2, valveDrive: 'pushrod', boreSpacingMm: 120, intakeSide: 'valley',
}
const where = (layout: EngineLayout) => cylinderPlaces(layout).map(({ bank, row }) => `${bank[0]}${row}`).join(' ')

describe('numbering (common practice)', () => {
  it.each([
    ['alternating across', base, 'l0 r0 l1 r1 l2 r2 l3 r3'],
    ['down each bank', { ...base, numbering: 'downEachBank' }, 'l0 l1 l2 l3 r0 r1 r2 r3'],
    ['right bank leading', { ...base, leadingBank: 'right' }, 'r0 l0 r1 l1 r2 l2 r3 l3'],
    ['counted from the rear', { ...base, kind: 'inline', cylinders: 4, firingOrder: [1, 3, 4, 2], numberOneAt: 'rear' }, 'l3 l2 l1 l0'],
    ['single', { ...base, kind: 'single', cylinders: 1, firingOrder: [1] }, 'l0'],
  ] as const)('%s', (_, layout, expected) => expect(where(layout as EngineLayout)).toBe(expected))
})

describe('firing', () => {
  it('closes the cycle evenly', () => {
    expect([...firingAnglesDeg(base).entries()].slice(0, 3)).toEqual([[1, 0], [8, 90], [4, 180]])
    expect(firingIntervals(base)).toEqual(Array(8).fill(90))
    expect(tdcAnglesDeg(base).get(6)).toBe(0)
  })

  it('finds an order that misses a cylinder, intervals that do not close, throws that disagree', () => {
    expect(firingIssues(base)).toEqual([])
    expect(firingIssues({ ...base, firingOrder: [1, 8, 4, 3, 6, 5, 7, 7] })[0]!.code).toBe('notEveryCylinderOnce')
    expect(firingIssues({ ...base, firingIntervalsDeg: [90, 90, 90, 90, 90, 90, 90, 80] })[0]).toMatchObject({ code: 'intervalsDoNotClose', totalDeg: 710 })
    expect(firingIssues(base, tdcAnglesDeg(base))).toEqual([])
    expect(firingIssues(base, new Map([[8, 180]]))[0]).toMatchObject({ code: 'throwsDisagree', cylinder: 8 })
  })

  it('takes an odd-fire twin', () => {
    const twin: EngineLayout = { ...base, cylinders: 2, firingOrder: [1, 2], firingIntervalsDeg: [405, 315] }
    expect(firingIssues(twin)).toEqual([])
    expect(firingIntervals(twin)).toEqual([405, 315])
  })
})
