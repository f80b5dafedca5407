/**
 * What a change makes stale that no sum can know: steps and joints here, readings by their benches (common practice). It stands beside
 * what findings rest on.
 */
import { BENCHES } from '../benches'
import { CHANGE_IDS, type ChangeId } from '../document/walkStages'
import type { Joint } from '../document/types'
import type { StepName } from './handbook'

interface Affected {
  readonly steps?: readonly StepName[]
  readonly joints?: readonly Joint['kind'][]
}

const HEAD_OFF: readonly StepName[] = ['heads.faces', 'heads.gasket', 'heads.on', 'heads.twoTurns']

export const AFFECTED = {
  gasket: { steps: HEAD_OFF, joints: ['head'] },
  deckOrHead: { steps: [...HEAD_OFF, 'finalClean.washed'], joints: ['head'] },
  mainStuds: { steps: ['final.mainCaps'], joints: ['mains', 'sideBolts'] },
  rodBolts: { steps: ['final.rodCaps'], joints: ['rods'] },
  crankGround: { steps: ['final.crank', 'finalClean.washed'] },
  camMoved: { steps: ['heads.timing', 'final.timing', 'heads.twoTurns', 'lash.set'] },
  honed: { steps: ['finalClean.washed', 'final.ringsOn'] },
  pistons: { steps: ['final.pistons'] },
  rods: { steps: ['final.pistons', 'final.rodCaps'], joints: ['rods'] },
  valves: { steps: ['lash.set', 'heads.twoTurns'] },
  seats: { steps: ['lash.set', 'heads.twoTurns', 'finalClean.washed'] },
  /** Ground or drilled: what came off lies in every passage until it is washed. */
  modified: { steps: ['finalClean.washed', 'finalClean.oilways'] },
  rockers: { steps: ['lash.set', 'heads.twoTurns'], joints: ['rockers'] },
  lifters: { steps: ['heads.lifters', 'lash.set'] },
  springs: { steps: ['heads.twoTurns', 'lash.set'] },
  sprockets: { steps: ['heads.timing', 'final.timing'] },
  capsSwapped: { steps: ['final.mainCaps', 'final.rodCaps'], joints: ['mains', 'rods'] },
  camCap: { steps: ['heads.camsIn'], joints: ['camCaps'] },
  flywheel: { joints: ['flywheel'] },
  lube: { joints: ['mains', 'rods', 'head', 'camCaps', 'rockers', 'flywheel', 'damper'] },
} as const satisfies Readonly<Record<ChangeId, Affected>>

/** By change: beginnings of the names of readings, over all benches. */
const READINGS = Object.fromEntries(
  CHANGE_IDS.map((id) => [id, BENCHES.flatMap(({ staleBy }) => staleBy[id] ?? [])]),
) as unknown as Readonly<Record<ChangeId, readonly string[]>>

export function affectedBy(change: ChangeId): Affected & { readonly readings: readonly string[] } {
  return { ...AFFECTED[change], readings: READINGS[change] }
}
