import type { Build, Entry, Spec } from '@/core/document'
import { requiredRatings, type RequiredRatings } from '@/core/parts'
import { stepsOf } from '@/core/walk'
import { stepTitle } from '@/wording/walk'
import { endOfId, type ServerCopy } from '@/features/entries/servedBuild'

/** A step that may wait for a part. */
export interface StepChoice {
  readonly id: string
  /** In the handbook, where several steps may have one name. */
  readonly name?: string
  readonly title: string
}

/** The parts of a build, and what is found damaged, as their pages are sent them. */
export interface ServedParts extends ServerCopy {
  readonly id: string
  readonly spec: Spec
  readonly revision: number
  readonly entries: readonly Entry[]
  readonly steps: readonly StepChoice[]
  readonly asked: RequiredRatings
}

export function serveParts(build: Build, { revision, lastSeq }: Pick<ServedParts, 'revision' | 'lastSeq'>): ServedParts {
  const isOfParts = ({ kind }: Entry) => kind === 'part' || kind === 'damage' || kind === 'change' || kind === 'undo'
  return {
    id: build.id,
    spec: build.spec,
    revision,
    entries: build.entries.filter(isOfParts),
    steps: stepsOf(build).map((step) => ({
      id: step.id,
      title: stepTitle(step),
      ...(step.source.from === 'handbook' && { name: step.source.name }),
    })),
    asked: requiredRatings(build),
    alsoStored: build.entries.flatMap((entry) => (isOfParts(entry) ? [] : [endOfId(entry.id)])).join(''),
    lastSeq,
  }
}
