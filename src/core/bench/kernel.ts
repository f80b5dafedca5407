/**
 * Figures of a bench as straight arithmetic: what a search turns a quarter of a million times. What it finds is confirmed by the full
 * evaluation; a test holds the two together.
 */
import type { Build } from '../document/build'
import type { LimitId, OutputId } from '../document/ids'

/** What is searched over, by the limit that judges it. */
export interface SearchedFigure {
  readonly limit: LimitId
  /** The output it is the least and the greatest of. */
  readonly output: OutputId
  /** What may be wanted of it beside its limit; `near`: a value that is typed. */
  readonly wish?: { readonly aim: 'near' | 'most' | 'least'; readonly label: string; readonly isUsual?: true }
  /** Out it is a fault of the parts as they are: no further out than today, it keeps nobody from searching. */
  readonly isFaultOfParts?: true
}

export interface Range {
  readonly low: number
  readonly high: number
}

/** Least and greatest of each over cylinders or valves; what is not known today is missing. */
export type SearchedRanges = Readonly<Partial<Record<LimitId, Range>>>

export interface Kernel {
  readonly figures: readonly SearchedFigure[]
  /** Knobs it follows, those that leave its figures as they are among them. For any other the engine is taken apart again. */
  readonly follows: readonly string[]
  /** `has`: whether this engine has a knob. The answer is worked out from how far each is turned from today, canonical units. */
  readonly of: (build: Build, has: (knob: string) => boolean) => (by: (knob: string) => number) => SearchedRanges
}
