import type { PaperKey } from '../document/paper'
import type { PartState } from '../document/partState'
import type { Figure } from '../metrology'

/**
 * What benches say of findings, what they propose and what it costs. The contract knows no bench: each adds its name and its
 * codes from its own folder (`declare module`, beside its definition), and the compiler still knows every one of them.
 */

/** Something worth saying about a finding, as data; `wording` makes the sentence. */
export interface RemarkFields {
  owns: { readonly label: string; readonly share: number }
  contradictsPaper: { readonly key: PaperKey; readonly paper: Figure; readonly apart: Figure }
  incomplete: { readonly used: number; readonly wanted: number }
  /** What a figure that is held back rests on was read in part, is of a card, or of a part that is out: where nothing else says which. */
  restsOnPart: object
  planned: object
  partState: { readonly state: PartState }
  partStates: { readonly states: readonly PartState[] }
  leafTolerance: { readonly mm: number }
  extremes: {
    readonly of: 'cylinder' | 'main' | 'bolt' | 'valve' | 'wheel'
    readonly largest: number | string
    readonly smallest: number | string
  }
}

/** A change that puts something right: ids and numbers, never words. */
export interface ChangeFields {}

/** What a change costs elsewhere. */
export interface CostFields {
  noParts: object
}

type OneOf<Fields> = { [Code in keyof Fields]: { readonly code: Code } & Fields[Code] }[keyof Fields]

export type Remark = OneOf<RemarkFields>
export type Change = OneOf<ChangeFields>
export type Cost = OneOf<CostFields>
