/** What a change makes stale that no sum can know: a small table beside what findings rest on (common practice). */
import type { StepName } from './handbook'
import type { Joint } from '../document/types'

interface Affected {
  /** Beginnings of the names of readings. */
  readonly readings: readonly string[]
  readonly steps?: readonly StepName[]
  readonly joints?: readonly Joint['kind'][]
}

const HEAD_OFF: readonly StepName[] = ['heads.faces', 'heads.gasket', 'heads.on', 'heads.twoTurns']

export const AFFECTED = {
  gasket: { readings: ['compression.gasket', 'clearance.'], steps: HEAD_OFF, joints: ['head'] },
  deckOrHead: {
    readings: ['compression.deck', 'compression.chamber', 'clearance.', 'cam.'],
    steps: [...HEAD_OFF, 'finalClean.washed'],
    joints: ['head'],
  },
  mainStuds: { readings: ['bearings.main'], steps: ['final.mainCaps'], joints: ['mains', 'sideBolts'] },
  rodBolts: { readings: ['rods.bigEnd', 'bearings.rodClearance', 'fasteners.'], steps: ['final.rodCaps'], joints: ['rods'] },
  crankGround: { readings: ['bearings.', 'compression.deck', 'rods.'], steps: ['final.crank', 'finalClean.washed'] },
  camMoved: { readings: ['cam.', 'clearance.'], steps: ['heads.timing', 'final.timing', 'heads.twoTurns', 'lash.set'] },
  honed: { readings: ['bores.bore', 'rings.'], steps: ['finalClean.washed', 'final.ringsOn'] },
  pistons: { readings: ['bores.skirt', 'rods.', 'compression.deck', 'compression.piston', 'clearance.'], steps: ['final.pistons'] },
  rods: {
    readings: ['rods.', 'bearings.rod', 'compression.deck', 'clearance.'],
    steps: ['final.pistons', 'final.rodCaps'],
    joints: ['rods'],
  },
  valves: { readings: ['clearance.', 'compression.chamber'], steps: ['lash.set', 'heads.twoTurns'] },
  seats: { readings: ['clearance.', 'compression.chamber'], steps: ['lash.set', 'heads.twoTurns', 'finalClean.washed'] },
  /** Ground or drilled: what came off lies in every passage until it is washed. */
  modified: { readings: [], steps: ['finalClean.washed', 'finalClean.oilways'] },
  rockers: {
    readings: ['clearance.travel', 'clearance.clay', 'clearance.feeler'],
    steps: ['lash.set', 'heads.twoTurns'],
    joints: ['rockers'],
  },
  lifters: { readings: ['clearance.travel', 'clearance.clay', 'clearance.feeler'], steps: ['heads.lifters', 'lash.set'] },
  springs: { readings: [], steps: ['heads.twoTurns', 'lash.set'] },
  sprockets: { readings: ['cam.', 'clearance.'], steps: ['heads.timing', 'final.timing'] },
  capsSwapped: { readings: ['bearings.main', 'bearings.rod'], steps: ['final.mainCaps', 'final.rodCaps'], joints: ['mains', 'rods'] },
  camCap: { readings: ['cam.'], steps: ['heads.camsIn'], joints: ['camCaps'] },
  flywheel: { readings: ['rods.'], joints: ['flywheel'] },
  lube: { readings: ['fasteners.'], joints: ['mains', 'rods', 'head', 'camCaps', 'rockers', 'flywheel', 'damper'] },
} as const satisfies Readonly<Record<string, Affected>>

export type ChangeId = keyof typeof AFFECTED
export const CHANGE_IDS = Object.keys(AFFECTED) as ChangeId[]

export function affectedBy(change: ChangeId): Affected {
  return AFFECTED[change]
}
