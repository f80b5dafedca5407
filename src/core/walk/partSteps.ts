/** Which steps wait for a part: those its list says, else those that cannot be done without its kind (common practice). */
import { isAwaited, type Part, type PartKindId } from '../parts'
import type { StepName } from './handbook'
import type { StepSource } from './step'

const STEPS_FOR = {
  gasket: ['heads.gasket'],
  pistons: ['final.pistons'],
  rings: ['final.ringsOn'],
  shells: ['final.shells'],
  rods: ['final.pistons'],
  rodBolts: ['final.rodCaps'],
  mainCaps: ['final.mainCaps'],
  studs: ['heads.studs'],
  crank: ['final.crank'],
  cam: ['cam.in'],
  lifters: ['heads.lifters'],
  pushrods: ['heads.pushrods'],
  rockers: ['heads.pushrods'],
  springs: ['clear.springsOut'],
  valves: ['clear.headOn'],
  head: ['heads.on'],
  timingSet: ['final.timing', 'heads.timing'],
  oilPump: ['final.oilPump'],
  pumpDrive: ['final.pumpDrive'],
  pan: ['final.pan'],
  damper: ['final.cover'],
  flywheel: ['fire.starter'],
  ignition: ['intake.ignition'],
  injectors: ['intake.on'],
  manifold: ['intake.on'],
  machining: ['machine.back', 'finalClean.washed'],
  other: [],
} as const satisfies Readonly<Record<PartKindId, readonly StepName[]>>

/** A step as far as a part knows it: by its id, and by the name several may have in the handbook. */
export interface NamedStep {
  readonly id: string
  readonly name?: string
}

export function waitsForPart({ needs, what }: Pick<Part, 'needs' | 'what'>, { id, name }: NamedStep): boolean {
  const wanted: readonly string[] = needs ?? STEPS_FOR[what]
  return wanted.includes(id) || (name !== undefined && wanted.includes(name))
}

/** Parts that are not in, or do not fit, that a step waits for. */
export function partsAwaitedBy(parts: readonly Part[], step: { readonly id: string; readonly source: StepSource }): readonly Part[] {
  const named = { id: step.id, ...(step.source.from === 'handbook' && { name: step.source.name }) }
  return parts.filter((part) => isAwaited(part) && waitsForPart(part, named))
}

/** Steps that wait for a kind of part where its list does not say. */
export function stepsForPart(what: PartKindId): readonly StepName[] {
  return STEPS_FOR[what]
}
