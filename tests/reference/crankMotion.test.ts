import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freshLayout } from '@/core/document'
import {
  cylinderVolumeCm3,
  parkingAngle,
  pinHeightAtTdcMm,
  pistonDropMm,
  sweptLengthMm,
  topsDeg,
  trueTdcShiftDeg,
  type CrankStyle,
  type EngineLayout,
  type LayoutKind,
} from '@/core/geometry/crank'
import { expectNear } from '../support/expectNear'

const RAD = Math.PI / 180
const cranks = fc
  .record({ strokeMm: fc.double({ min: 30, max: 150, noNaN: true }), ratio: fc.double({ min: 1.3, max: 2.5, noNaN: true }) })
  .map(({ strokeMm, ratio }) => ({ strokeMm, rodMm: strokeMm * ratio, pinOffsetMm: 0 }))

describe('crank motion', () => {
  it('agrees with V/V_c = 1 + ½(r − 1)[R + 1 − cos θ − √(R² − sin² θ)] (Heywood, eq. 2.6)', () => {
    fc.assert(
      fc.property(
        cranks,
        fc.double({ min: 6, max: 16, noNaN: true }),
        fc.double({ min: -360, max: 360, noNaN: true }),
        (crank, r, theta) => {
          const boreMm = 86
          const clearance = cylinderVolumeCm3(boreMm, crank.strokeMm) / (r - 1)
          const R = crank.rodMm / (crank.strokeMm / 2)
          const heywood = 1 + 0.5 * (r - 1) * (R + 1 - Math.cos(theta * RAD) - Math.sqrt(R ** 2 - Math.sin(theta * RAD) ** 2))
          const ours = (clearance + cylinderVolumeCm3(boreMm, pistonDropMm(crank, theta))) / clearance
          expectNear(ours, heywood, 1e-9)
        },
      ),
    )
  })

  it('drops 0.22 mm in the first 5° and 0.89 mm in the first 10° of 90 × 150 (common practice)', () => {
    const crank = { strokeMm: 90, rodMm: 150, pinOffsetMm: 0 }
    expectNear(pistonDropMm(crank, 5), 0.22, 0.005)
    expectNear(pistonDropMm(crank, 10), 0.89, 0.005)
  })

  it('with an offset pin: true TDC is the top, the swept length a little more than the stroke', () => {
    fc.assert(
      fc.property(cranks, fc.double({ min: 0.1, max: 3, noNaN: true }), (centred, pinOffsetMm) => {
        const crank = { ...centred, pinOffsetMm }
        expect(sweptLengthMm(crank)).toBeGreaterThan(crank.strokeMm)
        expectNear(pistonDropMm(crank, 0), 0, 1e-9)
        for (const theta of [-30, -1, 1, 30]) expect(pistonDropMm(crank, theta)).toBeGreaterThan(0)
        expectNear(Math.sin(trueTdcShiftDeg(crank) * RAD) * (crank.rodMm + crank.strokeMm / 2), pinOffsetMm, 1e-9)
        // Mirror: the offset to the other side moves the piston the same way backwards.
        expectNear(pistonDropMm(crank, 40), pistonDropMm({ ...crank, pinOffsetMm: -pinOffsetMm }, -40), 1e-9)
        // The farthest the piston gets over a fine turn is the swept length (two ways to one answer).
        const travel = Math.max(...Array.from({ length: 3601 }, (_, i) => pistonDropMm(crank, i / 10)))
        expectNear(travel, sweptLengthMm(crank), 1e-4)
      }),
      { numRuns: 30 },
    )
    expect(pinHeightAtTdcMm({ strokeMm: 90, rodMm: 150, pinOffsetMm: 0 })).toBe(195)
  })
})

const start = (kind: LayoutKind, cylinders: number, bankAngleDeg = 0, crank?: CrankStyle): EngineLayout =>
  freshLayout({ kind, cylinders, bankAngleDeg, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder', ...(crank && { crank }) })

describe('parking angle (common practice: the drop of the highest piston where it stands lowest)', () => {
  const common = { strokeMm: 90, rodMm: 150, pinOffsetMm: 0 }
  const eight = { strokeMm: 3.75 * 25.4, rodMm: 6 * 25.4, pinOffsetMm: 0 }
  const quarters = [45, 135, 225, 315]
  it.each<[string, EngineLayout, typeof common, number, number[]]>([
    ['single', start('single', 1), common, 90, [180]],
    ['inline twin, together', start('inline', 2, 0, 'together'), common, 90, [180]],
    ['inline twin 0/270', start('inline', 2, 0, 'quarter'), common, 80.23, [135]],
    ['inline three', start('inline', 3), common, 27.65, [60, 180, 300]],
    ['inline four', start('inline', 4), common, 51.91, [90, 270]],
    ['inline five', start('inline', 5), common, 10.94, [36, 108, 180, 252, 324]],
    ['inline five of 92.8 / 144', start('inline', 5), { strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }, 11.47, [36, 108, 180, 252, 324]],
    ['inline six', start('inline', 6), common, 27.65, [60, 180, 300]],
    ['boxer four', start('flat', 4), common, 51.91, [90, 270]],
    ['boxer six', start('flat', 6), common, 27.65, [60, 180, 300]],
    ['60° V6, split pins', start('v', 6, 60), common, 27.65, [60, 180, 300]],
    ['90° V6, split pins', start('v', 6, 90), common, 27.65, [60, 180, 300]],
    ['cross-plane V8', start('v', 8, 90), common, 16.59, quarters],
    ['cross-plane V8 of 3.75 / 6.0 in', start('v', 8, 90), eight, 17.72, quarters],
    ['flat-plane V8', start('v', 8, 90, 'flatPlane'), common, 16.59, quarters],
    ['even V10', start('v', 10, 72), common, 10.94, [36, 108, 180, 252, 324]],
    ['V12', start('v', 12, 60), common, 7.73, [30, 90, 150, 210, 270, 330]],
  ])('%s', (_, engine, crank, dropMm, anglesDeg) => {
    const parked = parkingAngle(engine, crank)
    expectNear(parked.dropMm, dropMm, 0.006)
    expect(parked.anglesDeg.map((angle) => Math.round(angle))).toEqual(anglesDeg)
  })

  it.each<[string, EngineLayout, number, number]>([
    // The angle after the first of the two tops: the bank angle between them, the rest of the turn behind.
    ['45° V-twin', start('v', 2, 45), 87.57, 202.5],
    ['90° V-twin', start('v', 2, 90), 80.23, 225],
  ])('%s', (_, engine, dropMm, afterFirstTop) => {
    const parked = parkingAngle(engine, common)
    const second = topsDeg(engine).get(2)!
    const firstTop = second < 180 ? 0 : second
    expectNear(parked.dropMm, dropMm, 0.006)
    expect(parked.anglesDeg).toHaveLength(1)
    expectNear((parked.anglesDeg[0]! - firstTop + 360) % 360, afterFirstTop, 0.1)
  })

  it.each<[string, EngineLayout, number, number]>([
    ['90° V6 on shared pins: the middle of a 90° gap', start('v', 6, 90, 'shared'), 16.59, 45],
    ['90° V10 on shared pins', start('v', 10, 90, 'shared'), 6.3, 27],
  ])('%s', (_, engine, dropMm, fromATop) => {
    const parked = parkingAngle(engine, common)
    expectNear(parked.dropMm, dropMm, 0.006)
    for (const angle of parked.anglesDeg) {
      const nearest = Math.min(...[...topsDeg(engine).values()].map((top) => Math.abs(((angle - top + 540) % 360) - 180)))
      expectNear(nearest, fromATop, 0.1)
    }
  })

  it('is never bettered by a search of the whole turn, pin offset or not', () => {
    fc.assert(
      fc.property(
        cranks,
        fc.constantFrom(0, 0.6, -1.2),
        fc.constantFrom(start('inline', 3), start('v', 2, 52), start('v', 6, 90, 'shared'), start('flat', 4)),
        (centred, pinOffsetMm, engine) => {
          const crank = { ...centred, pinOffsetMm }
          const drop = (angle: number) => Math.min(...[...topsDeg(engine).values()].map((top) => pistonDropMm(crank, angle - top)))
          const parked = parkingAngle(engine, crank)
          const searched = Math.max(...Array.from({ length: 3600 }, (_, tenth) => drop(tenth / 10)))
          expect(parked.dropMm).toBeGreaterThanOrEqual(searched - 1e-3)
          for (const angle of parked.anglesDeg) expect(drop(angle)).toBeGreaterThan(parked.dropMm - 0.0101)
        },
      ),
      { numRuns: 40 },
    )
  })
})
