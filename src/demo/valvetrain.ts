/** What turns the cams of the demo's engines, and how their valves stand over the pistons. */
import type { Spec } from '@/core/build'

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

export const VALVES = {
  tern: valves('maker’s sheet', [3.3, 15.5], [3.6, 17], 'mm'),
  petrel: valves('maker’s sheet', [7.6, 18], [7.4, 18], 'in'),
  wren: valves('maker’s sheet', [3.4, 14], [3.4, 14], 'mm'),
} as const

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
