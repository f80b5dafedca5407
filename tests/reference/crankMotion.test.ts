import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cylinderVolumeCm3, parkingAngle, pinHeightAtTdcMm, pistonDropMm, sweptLengthMm, trueTdcShiftDeg, usualFiringOrder, type EngineLayout, type LayoutKind } from '@/core/engine'
import { expectNear } from '../support/expectNear'

const RAD = Math.PI / 180
const cranks = fc.record({ strokeMm: fc.double({ min: 30, max: 150, noNaN: true }), ratio: fc.double({ min: 1.3, max: 2.5, noNaN: true }) })
  .map(({ strokeMm, ratio }) => ({ strokeMm, rodMm: strokeMm * ratio, pinOffsetMm: 0 }))

describe('crank motion', () => {
  it('agrees with V/V_c = 1 + ½(r − 1)[R + 1 − cos θ − √(R² − sin² θ)] (Heywood, eq. 2.6)', () => {
    fc.assert(fc.property(cranks, fc.double({ min: 6, max: 16, noNaN: true }), fc.double({ min: -360, max: 360, noNaN: true }), (crank, r, theta) => {
      const boreMm = 86
      const clearance = cylinderVolumeCm3(boreMm, crank.strokeMm) / (r - 1)
      const R = crank.rodMm / (crank.strokeMm / 2)
      const heywood = 1 + 0.5 * (r - 1) * (R + 1 - Math.cos(theta * RAD) - Math.sqrt(R ** 2 - Math.sin(theta * RAD) ** 2))
      const ours = (clearance + cylinderVolumeCm3(boreMm, pistonDropMm(crank, theta))) / clearance
      expectNear(ours, heywood, 1e-9)
    }))
  })

  it('drops 0.22 mm in the first 5° and 0.89 mm in the first 10° of 90 × 150 (common practice)', () => {
    const crank = { strokeMm: 90, rodMm: 150, pinOffsetMm: 0 }
    expectNear(pistonDropMm(crank, 5), 0.22, 0.005)
    expectNear(pistonDropMm(crank, 10), 0.89, 0.005)
  })

  it('with an offset pin: true TDC is the top, the swept length a little more than the stroke', () => {
    fc.assert(fc.property(cranks, fc.double({ min: 0.1, max: 3, noNaN: true }), (centred, pinOffsetMm) => {
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
    }), { numRuns: 30 })
    expect(pinHeightAtTdcMm({ strokeMm: 90, rodMm: 150, pinOffsetMm: 0 })).toBe(195)
  })
})

function layout(kind: LayoutKind, cylinders: number): EngineLayout {
  return {
    kind, cylinders, bankAngleDeg: 0, numbering: 'downEachBank', numberOneAt: 'front', leadingBank: 'left', rotation: 'clockwise',
    firingOrder: usualFiringOrder(kind, cylinders), mains: 5, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder', boreSpacingMm: 90, intakeSide: 'left',
  }
}

describe('parking angle (common practice, drop of the highest piston where it stands lowest)', () => {
  const six = { strokeMm: 90, rodMm: 150, pinOffsetMm: 0 }
  const eight = { strokeMm: 3.75 * 25.4, rodMm: 6 * 25.4, pinOffsetMm: 0 }
  it.each([
    ['inline five', layout('inline', 5), { strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }, 11.5],
    ['cross-plane V8', layout('v', 8), eight, 17.7],
    ['inline six', layout('inline', 6), six, 27.7],
    ['V12, a TDC every 60°', layout('v', 12), six, 7.7],
    // Half-way down is 90° of crank: s(90°) = a + l − √(l² − a²).
    ['inline four', layout('inline', 4), six, 45 + 150 - Math.sqrt(150 ** 2 - 45 ** 2)],
  ])('%s', (_, engine, crank, dropMm) => expectNear(parkingAngle(engine, crank).dropMm, dropMm, 0.05))
})
