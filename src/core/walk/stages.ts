/** How far each stage of a walk is. */
import { group } from 'd3-array'
import type { Build } from '../document/build'
import type { StageId } from '../document/walkStages'
import { standingsOf } from './standing'

export interface StageProgress {
  readonly stage: StageId
  readonly done: number
  readonly of: number
  /** Where it goes on: its first step that is not done, else its first. */
  readonly at: string
}

/** Stages that this engine has, in order. No bench is worked out for it: what waits for what does not change what is done. */
export function stageProgress(build: Build, nowMs: number): readonly StageProgress[] {
  const { steps, byStep } = standingsOf(build, nowMs)
  const isDone = (id: string) => ['done', 'leftOut'].includes(byStep.get(id)!.is)
  return [
    ...group(
      steps.filter(({ isOptional }) => !isOptional),
      ({ stage }) => stage,
    ),
  ].map(([stage, own]) => ({
    stage,
    done: own.filter(({ id }) => isDone(id)).length,
    of: own.length,
    at: (own.find(({ id }) => !isDone(id)) ?? own[0]!).id,
  }))
}
