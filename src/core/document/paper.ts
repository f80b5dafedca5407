import { bankOfCam, camsOf } from '../geometry/valvetrain'
import { type EngineLayout } from '../geometry/crank'
import type { DeadCentre, Kind, UnitId } from '../units'
import type { BenchId, Definitions } from './ids'

/** A number read off a maker's sheet, and how it is shown. Plausible range in the canonical unit. */
export interface PaperDefinition {
  readonly label: string
  readonly kind: Kind
  readonly units: { readonly metric: UnitId; readonly inch: UnitId }
  readonly low: number
  readonly high: number
  readonly signed?: boolean
  readonly hint?: string
  /** An event of a cam card: degrees about one dead centre. */
  readonly event?: DeadCentre
  /** One for every cylinder: what its tolerance leaves open is one error common to the set, or another for each piece. */
  readonly eachPiece?: true
  /** Only of an engine that has it. */
  readonly of?: 'camsOfTwoBanks' | 'highLobes'
}

/** Whether an engine has what a number on paper is of. */
export function isPaperOf(layout: EngineLayout, { of }: PaperDefinition): boolean {
  if (of === undefined) return true
  return of === 'highLobes' ? layout.lobesPerValve === 2 : camsOf(layout).some((cam) => bankOfCam(cam) !== undefined)
}

/** What stands on paper: every number that some bench rests on. Several may rest on one, so that it carries no bench in its name. */
export type PaperKey = { [Bench in BenchId]: keyof Definitions[Bench]['paper'] & string }[BenchId]

/** Whose word a number is, the one that outranks the others first. */
export const WORDS_OF_PAPER = ['maker', 'preset', 'hearsay'] as const
