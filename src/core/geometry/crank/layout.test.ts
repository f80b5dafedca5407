import { describe, expect, it } from 'vitest'
import { freshLayout } from '../../document/fresh'
import { sharedPins, topsDeg, usualPins } from './crankPins'
import fc from 'fast-check'
import { camsOf, cylinderOfCam, degreedCylinders, degreedIssue } from '../valvetrain/cams'
import { firingIntervals, firingIssues, usualFiringOrder } from './firing'
import { renumbered } from './renumbered'
import { cylinderPlaces, hasCamInHead, hasValvesOverPistons, isHydraulic, type EngineLayout, type LayoutKind } from './layout'

const start = (kind: LayoutKind, cylinders: number, bankAngleDeg = 90, crank?: Parameters<typeof freshLayout>[0]['crank']): EngineLayout =>
  freshLayout({ kind, cylinders, bankAngleDeg, valvesPerCylinder: 2, valveDrive: 'pushrod', ...(crank && { crank }) })
const base = start('v', 8)
const four = start('inline', 4)
const where = (layout: EngineLayout) =>
  cylinderPlaces(layout)
    .map(({ bank, row }) => `${bank[0]}${row}`)
    .join(' ')
const tops = (layout: EngineLayout) => [...new Set([...topsDeg(layout).values()].map((top) => Math.round(top)))].sort((a, b) => a - b)

describe('numbering (common practice)', () => {
  it.each([
    ['alternating across', base, 'l0 r0 l1 r1 l2 r2 l3 r3'],
    ['down each bank', { ...base, numbering: 'downEachBank' }, 'l0 l1 l2 l3 r0 r1 r2 r3'],
    ['right bank leading', { ...base, leadingBank: 'right' }, 'r0 l0 r1 l1 r2 l2 r3 l3'],
    ['counted from the rear', { ...four, numberOneAt: 'rear' }, 'l3 l2 l1 l0'],
    ['single', start('single', 1), 'l0'],
  ] as const)('%s', (_, layout, expected) => expect(where(layout as EngineLayout)).toBe(expected))
})

describe('tops follow from pins, split and bank (common practice: the tops of each layout)', () => {
  it.each<[string, EngineLayout, number[]]>([
    ['single', start('single', 1), [0]],
    ['inline three', start('inline', 3), [0, 120, 240]],
    ['inline four', four, [0, 180]],
    ['inline five', start('inline', 5), [0, 72, 144, 216, 288]],
    ['inline six', start('inline', 6), [0, 120, 240]],
    ['inline twin 0/270', start('inline', 2, 0, 'quarter'), [0, 270]],
    ['boxer four', start('flat', 4), [0, 180]],
    ['boxer six', start('flat', 6), [0, 120, 240]],
    ['60° V6, split pins', start('v', 6, 60), [0, 120, 240]],
    ['90° V6, split pins', start('v', 6, 90), [0, 120, 240]],
    // Offset by half a turn less twice the angle, the tops of a 52° twin stand 128° apart, as those of one that shakes little do.
    ['52° V-twin on two pins', start('v', 2, 52, 'balanced'), [0, 232]],
    ['V4 with its pins in line', start('v', 4, 90, 'together'), [0, 270]],
    ['90° V6, shared pins', start('v', 6, 90, 'shared'), [0, 30, 120, 150, 240, 270]],
    ['cross-plane V8', base, [0, 90, 180, 270]],
    ['flat-plane V8', start('v', 8, 90, 'flatPlane'), [0, 90, 180, 270]],
    ['72° V10, shared pins fire evenly', start('v', 10, 72, 'shared'), [0, 72, 144, 216, 288]],
    ['60° V12', start('v', 12, 60), [0, 60, 120, 180, 240, 300]],
  ])('%s', (_, layout, expected) => expect(tops(layout)).toEqual(expected))

  it('V-twins of 45° and 90° reach their tops a bank angle apart, whichever bank carries number one', () => {
    for (const [bankAngleDeg, apart] of [
      [45, [45, 315]],
      [90, [90, 270]],
    ] as const) {
      const [, second] = tops(start('v', 2, bankAngleDeg))
      expect(apart).toContain(second)
    }
  })

  it('turns round with the direction of rotation', () => {
    const other: EngineLayout = { ...start('v', 2, 45), rotation: 'anticlockwise' }
    expect(tops(start('v', 2, 45))[1]! + tops(other)[1]!).toBe(360)
  })
})

describe('rods on a pin', () => {
  it('a 90° V8 shares four, a split V6 none, a boxer none', () => {
    expect(sharedPins(base).map(({ cylinders }) => cylinders)).toEqual([
      [1, 2],
      [3, 4],
      [5, 6],
      [7, 8],
    ])
    expect(sharedPins(start('v', 6, 60))).toEqual([])
    expect(sharedPins(start('flat', 4))).toEqual([])
    expect(start('flat', 6).pins).toHaveLength(6)
  })
})

describe('counted otherwise', () => {
  it('a flat six goes from across to down each bank with its pins and its order', () => {
    const six = start('flat', 6, 180)
    const down = renumbered(six, { numbering: 'downEachBank' })
    expect(firingIssues(down)).toEqual([])
    expect(where(down)).toBe('l0 l1 l2 r0 r1 r2')
    // The same pistons reach their tops at the same angles: 1, 3, 5 were the left bank.
    const [before, after] = [topsDeg(six), topsDeg(down)]
    for (const [old, now] of [
      [1, 1],
      [3, 2],
      [5, 3],
      [2, 4],
      [4, 5],
      [6, 6],
    ] as const)
      expect(after.get(now)).toBeCloseTo(before.get(old)!, 9)
    expect(firingIntervals(down)).toEqual(firingIntervals(six))
    // Common practice: such an engine fires 1-6-2-4-3-5.
    expect(usualFiringOrder(down)).toEqual([1, 6, 2, 4, 3, 5])
    expect(six.firingOrder).toEqual([1, 6, 3, 2, 5, 4])
    expect(down.firingOrder).toEqual([1, 6, 2, 4, 3, 5])
  })

  it('is undone by counting back, whatever is counted otherwise, and the order begins with one', () => {
    const countings = fc.record({
      numbering: fc.constantFrom<EngineLayout['numbering']>('alternating', 'downEachBank'),
      numberOneAt: fc.constantFrom<EngineLayout['numberOneAt']>('front', 'rear'),
      leadingBank: fc.constantFrom<EngineLayout['leadingBank']>('left', 'right'),
    })
    const engines = fc.constantFrom(base, four, start('flat', 6, 180), start('v', 6, 60), start('v', 12, 60), start('v', 2, 45))
    fc.assert(
      fc.property(engines, countings, (engine, counting) => {
        const { numbering, numberOneAt, leadingBank } = engine
        const next = renumbered(engine, counting)
        expect(firingIssues(next)).toEqual([])
        expect(next.firingOrder[0]).toBe(1)
        expect(firingIntervals(next).toSorted()).toEqual(firingIntervals(engine).toSorted())
        expect(renumbered(next, { numbering, numberOneAt, leadingBank })).toEqual(engine)
      }),
    )
  })
})

describe('firing', () => {
  it.each<[string, EngineLayout, number[]]>([
    ['cross-plane V8 evenly', base, Array<number>(8).fill(90)],
    ['inline four evenly', four, [180, 180, 180, 180]],
    ['inline three evenly', start('inline', 3), [240, 240, 240]],
    ['split V6 evenly', start('v', 6, 60), Array<number>(6).fill(120)],
    ['V12 evenly', start('v', 12, 60), Array<number>(12).fill(60)],
    ['single', start('single', 1), [720]],
    ['inline twin together', start('inline', 2, 0, 'together'), [360, 360]],
  ])('%s', (_, layout, expected) => expect(firingIntervals(layout).map((interval) => Math.round(interval))).toEqual(expected))

  it('45° V-twin at 405 and 315, 0/270 twin at 270 and 450, a 90° V6 on shared pins at 90 and 150 (common practice)', () => {
    const intervals = (layout: EngineLayout) => [...firingIntervals(layout)].sort((a, b) => a - b)
    expect(intervals(start('v', 2, 45))).toEqual([315, 405])
    expect(intervals(start('inline', 2, 0, 'quarter'))).toEqual([270, 450])
    expect(intervals(start('v', 6, 90, 'shared'))).toEqual([90, 90, 90, 150, 150, 150])
  })

  it.each<[LayoutKind, number, number]>([
    ['single', 1, 0],
    ['inline', 2, 0],
    ['inline', 3, 0],
    ['inline', 4, 0],
    ['inline', 5, 0],
    ['inline', 6, 0],
    ['inline', 8, 0],
    ['flat', 2, 180],
    ['flat', 4, 180],
    ['flat', 6, 180],
    ['v', 2, 45],
    ['v', 2, 90],
    ['v', 4, 60],
    ['v', 6, 60],
    ['v', 6, 90],
    ['v', 8, 90],
    ['v', 10, 72],
    ['v', 10, 90],
    ['v', 12, 60],
  ])('%s %i at %i° starts from an order its crank allows', (kind, cylinders, bankAngleDeg) => {
    expect(firingIssues(start(kind, cylinders, bankAngleDeg))).toEqual([])
  })

  it('finds rods of one bank on a pin, and two rods of a row on one', () => {
    const counted: EngineLayout = { ...base, numbering: 'downEachBank' }
    expect(firingIssues(counted)).toEqual([{ code: 'rodsOnOneBank', cylinders: [1, 2] }])
    const shared = { ...start('inline', 2, 0, 'together'), pins: [{ angleDeg: 0, cylinders: [1, 2] }] }
    expect(firingIssues(shared)).toEqual([{ code: 'rodsInOneRow', cylinders: [1, 2] }])
  })

  it('a two-stroke single fires every turn', () => {
    const kart = freshLayout({ kind: 'single', cylinders: 1, bankAngleDeg: 0, valvesPerCylinder: 0, valveDrive: 'none', strokes: 2 })
    expect([firingIntervals(kart), firingIssues(kart), camsOf(kart), degreedCylinders(kart)]).toEqual([[360], [], [], [1]])
    expect([hasValvesOverPistons(kart), hasCamInHead(kart), hasValvesOverPistons(four), hasCamInHead(four)]).toEqual([
      false,
      false,
      true,
      false,
    ])
  })

  it('finds an order that misses a cylinder, a cylinder on no pin or on two, throws that disagree', () => {
    expect(firingIssues({ ...base, firingOrder: [1, 8, 4, 3, 6, 5, 7, 7] })).toEqual([{ code: 'notEveryCylinderOnce', expected: 8 }])
    expect(firingIssues({ ...base, pins: base.pins.slice(1) })).toEqual([{ code: 'notEveryCylinderOnAPin', cylinder: 1 }])
    expect(firingIssues({ ...base, pins: [...base.pins, { angleDeg: 0, cylinders: [8] }] })).toEqual([
      { code: 'notEveryCylinderOnAPin', cylinder: 8 },
    ])
    // 1-2-3-4 on a four: 180 + 360 + 180 + 360 turns thrice.
    expect(firingIssues({ ...four, firingOrder: [1, 2, 3, 4] })).toEqual([{ code: 'throwsDisagree', totalDeg: 1080 }])
    // The order of a cross-plane crank on a flat-plane one.
    expect(firingIssues({ ...base, pins: usualPins(base, 'flatPlane') })[0]).toMatchObject({ code: 'throwsDisagree' })
    expect(usualFiringOrder({ ...base, pins: usualPins(base, 'flatPlane') })).not.toEqual(base.firingOrder)
  })
})

describe('what an engine has', () => {
  it('cams are degreed at the cylinder its maker names, in each bank', () => {
    const v = { ...start('v', 8), valveDrive: 'bucketShimUnder', degreedAt: [6] } as const
    expect(cylinderOfCam(v, 'intake-right')).toBe(6)
    expect(cylinderOfCam(v, 'intake-left')).toBe(1)
    expect(degreedCylinders(v)).toEqual([1, 6])
    expect(degreedCylinders({ ...four, degreedAt: [4] })).toEqual([4])
    const issueOf = (layout: EngineLayout, ...degreedAt: number[]) => degreedIssue({ ...layout, degreedAt })
    expect([issueOf(v), issueOf(v, 8), issueOf(v, 9), issueOf(v, 0)]).toEqual([undefined, undefined, 'noSuchCylinder', 'noSuchCylinder'])
    expect([issueOf(v, 1, 6), issueOf(v, 1, 3), issueOf(v, 1, 1)]).toEqual([undefined, 'oneForItsCams', 'oneForItsCams'])
    expect([issueOf(four, 4), issueOf(four, 1, 4), issueOf({ ...v, valveDrive: 'pushrod' }, 1, 6)]).toEqual([
      undefined,
      'oneForItsCams',
      'oneForItsCams',
    ])
  })

  it('side valves open beside the piston, from a cam in the block', () => {
    const side = { ...start('single', 1), valveDrive: 'sideValve' } as const
    expect([hasValvesOverPistons(side), hasCamInHead(side), camsOf(side)]).toEqual([false, false, ['intake', 'exhaust']])
  })

  it('lifters are as somebody says, or as the drive has them', () => {
    expect(isHydraulic(four)).toBe(false)
    expect(isHydraulic({ ...four, lifters: 'hydraulic' })).toBe(true)
    expect(isHydraulic({ ...four, valveDrive: 'bucketHydraulic' })).toBe(true)
    expect(isHydraulic({ ...four, valveDrive: 'bucketHydraulic', lifters: 'solid' })).toBe(false)
  })
})
