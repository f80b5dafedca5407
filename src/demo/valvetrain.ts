/** What turns the cams of the demo's engines, and how their valves stand over the pistons. */
import type { Spec } from '@/core/document'
import { printed } from '@/core/numerics/printed'

type Paper = Spec['paper']
type Drive = NonNullable<Spec['drive']>

const SHOP = 'read here, clay and dial'

const valves = (
  source: string,
  intake: readonly [dropMm: number, deg: number],
  exhaust: readonly [dropMm: number, deg: number],
  unit: 'mm' | 'in',
): Paper => ({
  intakeValveDrop: { value: intake[0], unit, source: SHOP },
  exhaustValveDrop: { value: exhaust[0], unit, source: SHOP },
  intakeValveAngle: { value: intake[1], unit: 'deg', source },
  exhaustValveAngle: { value: exhaust[1], unit: 'deg', source },
})

const SHEET = 'maker’s sheet'

/** Heads and pockets, mm. */
const pockets = (
  intake: readonly [headMm: number, pocketMm: number],
  exhaust: readonly [headMm: number, pocketMm: number],
  unit: 'mm' | 'in',
): Paper => ({
  intakeValveHead: { value: intake[0], unit, source: SHEET },
  intakePocket: { value: intake[1], unit, source: 'piston maker’s card' },
  exhaustValveHead: { value: exhaust[0], unit, source: SHEET },
  exhaustPocket: { value: exhaust[1], unit, source: 'piston maker’s card' },
})

const inch = (inches: number) => printed(inches * MM_PER_IN)
const MM_PER_IN = 25.4

export const VALVES: Readonly<Record<'tern' | 'petrel' | 'wren', Paper>> = {
  tern: {
    ...valves(SHEET, [3.3, 15.5], [3.6, 17], 'mm'),
    ...pockets([33, 36.5], [28.5, 32], 'mm'),
    valvesApart: { value: 32.2, tolerance: 0.1, unit: 'mm', source: SHEET },
    intakeMargin: { value: 1.2, unit: 'mm', source: SHEET },
    exhaustMargin: { value: 1.5, unit: 'mm', source: SHEET },
    rodSection: { value: 2, tolerance: 0.1, unit: 'cm2', source: 'drawn from the rod' },
    driveSlack: { value: 1.4, tolerance: 0.5, unit: 'deg', source: 'as the shop has seen it' },
    heatGrowth: { value: 0.1, tolerance: 0.05, unit: 'mm', source: 'as the shop estimates it' },
  },
  petrel: {
    ...valves(SHEET, [7.6, 18], [7.4, 18], 'in'),
    ...pockets([inch(2.15), inch(2.3)], [inch(1.65), inch(1.8)], 'in'),
    rodSection: { value: 2.6, tolerance: 0.15, unit: 'cm2', source: 'drawn from the rod' },
  },
  wren: { ...valves(SHEET, [3.4, 14], [3.4, 14], 'mm'), ...pockets([35.5, 39], [30, 33.5], 'mm') },
}

const OWN_RECORD = 'the engine’s own record'

/** Two of the engines have run with less than the presets ask, at the same redline on the same valvetrain. */
export const PROVED_CLEARANCES: Spec['limits'] = {
  'clearance.intake': { lower: 1.5, source: OWN_RECORD, reason: 'Two seasons at this redline with this valvetrain.' },
  'clearance.exhaust': { lower: 2, source: OWN_RECORD, reason: 'Two seasons at this redline with this valvetrain.' },
  'clearance.roomToMove': { lower: 1.5, source: 'tuner', reason: 'Moved by a degree at a time, and clearance read again before a second.' },
}

export const DRIVES: Readonly<Record<keyof typeof VALVES, Drive>> = {
  /** Its ratchet tensioner stands on the slack side: it is never turned back. */
  tern: {
    kind: 'chain',
    neverBack: true,
    wheels: [
      { id: 'w1', what: 'crank', name: 'crank', teeth: 22 },
      { id: 'w2', what: 'tensioner', name: 'ratchet tensioner' },
      { id: 'w3', what: 'cam', name: 'intake cam', cam: 'intake', teeth: 44 },
      { id: 'w4', what: 'cam', name: 'exhaust cam', cam: 'exhaust', teeth: 44 },
      { id: 'w5', what: 'guide', name: 'guide' },
    ],
  },
  petrel: {
    kind: 'chain',
    neverBack: false,
    wheels: [
      { id: 'w1', what: 'crank', name: 'crank, nine keyways' },
      { id: 'w2', what: 'cam', name: 'cam', cam: 'intake' },
    ],
  },
  wren: {
    kind: 'chain',
    neverBack: false,
    wheels: [
      { id: 'w1', what: 'crank', name: 'crank', teeth: 18 },
      { id: 'w2', what: 'tensioner', name: 'blade' },
      { id: 'w3', what: 'cam', name: 'intake cam', cam: 'intake', teeth: 36 },
      { id: 'w4', what: 'cam', name: 'exhaust cam', cam: 'exhaust', teeth: 36 },
    ],
  },
}
