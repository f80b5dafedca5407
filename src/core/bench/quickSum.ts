import type { PaperKey } from '../document/paper'
import type { CurveTableIssue, Disagreement, FiledKey, LobeSlip } from '../geometry/valvetrain'
import type { Conformity, Figure } from '../metrology'
import type { DeadCentre, EntryIssue, Kind, UnitId } from '../units'

/** A question a builder asks with no build open. */
export interface QuickSum {
  readonly id: string
  readonly title: string
  /** The question in a builder's words. */
  readonly question: string
  readonly inputs: Readonly<Record<string, SumInput>>
  readonly evaluate: (given: Given) => SumOutcome
}

export interface SumInput {
  readonly label: string
  /** Besides quantities: `unitName`, the name of a unit or a rule; `table`, CSV text; `words`, text that is read for itself. */
  readonly kind: Kind | 'any' | 'unitName' | 'table' | 'words'
  readonly units: { readonly metric: UnitId; readonly inch: UnitId }
  readonly required: boolean
  readonly signed?: boolean
  /** How far apart two values may be: degrees of it are not degrees above a zero. */
  readonly isDifference?: true
  /** Typed as a dead-centre word counts from here. */
  readonly bottomCentreDeg?: 180 | -180
  /** Degrees about one dead centre, as a cam card writes an event. */
  readonly event?: DeadCentre
  /** What it can be, canonical, where no paper number says so: a bare number outside it is another unit, or a slip. */
  readonly range?: { readonly low: number; readonly high: number }
  /** The paper number it can be kept as. */
  readonly paper?: PaperKey
  readonly example: string
}

export interface Given {
  readonly figures: Readonly<Record<string, Figure>>
  /** The unit each number was typed in. */
  readonly units: Readonly<Record<string, UnitId>>
  /** Inputs that are text: the name of a unit, a table. */
  readonly names: Readonly<Record<string, string>>
}

export interface SumResult {
  readonly id: string
  readonly label: string
  readonly kind: Kind
  /** Unit the result is asked for in; the canonical one when left out. */
  readonly unit?: UnitId
  readonly figure: Figure
  readonly estimate?: boolean
  readonly conformity?: Conformity
}

export type SumIssue =
  | { readonly code: 'missing'; readonly path: readonly [string] }
  | { readonly code: 'unknownInput'; readonly path: readonly [string] }
  | { readonly code: 'entry'; readonly path: readonly [string]; readonly issue: EntryIssue; readonly typed: string; readonly kind: Kind }
  | {
      readonly code: 'outOfRange'
      readonly path: readonly [string]
      readonly value: number
      readonly low: number
      readonly high: number
      readonly kind: Kind
    }
  | { readonly code: 'unknownUnit'; readonly path: readonly [string]; readonly typed: string }
  | { readonly code: 'impossible'; readonly path: readonly string[]; readonly reason: string }
  | { readonly code: 'liftTable'; readonly path: readonly [string]; readonly issue: CurveTableIssue }

/** What is to be said beside the results. */
export interface SumRemarks {
  /** Numbers of a card that contradict those before them. */
  readonly disagreements?: readonly Disagreement[]
  /** Rows of a table, counted from one after the header, that are to be read again. */
  readonly slips?: readonly LobeSlip[]
  /** Which side of a flywheel key is filed. */
  readonly filed?: FiledKey
  /** A least gap below what no preset goes below, mm. */
  readonly belowFloorMm?: number
  /** The gap is kept at no setting within so many crank degrees. */
  readonly noWindowDeg?: number
  /** Each reading less what all of them make of it, mm. */
  readonly residualsMm?: readonly number[]
  /** Readings of a dial that stand far off the others, counted from one. */
  readonly dialSlips?: readonly { readonly reading: number; readonly offMm: number }[]
}

export type SumOutcome =
  | { readonly ok: true; readonly results: readonly SumResult[]; readonly remarks?: SumRemarks }
  | { readonly ok: false; readonly issues: readonly SumIssue[] }

export function impossible(reason: string, ...path: string[]): SumOutcome {
  return { ok: false, issues: [{ code: 'impossible', path, reason }] }
}
