/** What is done to an engine, one act at a time. */
import type { ReadingName } from './partRow'

export const GRADES = ['trial', 'final'] as const
/** On for a trial, or for good. */
export type Grade = (typeof GRADES)[number]

export const TURNS = ['crank', 'cam', 'back', 'starter', 'fire'] as const
/** The crank by hand, a cam alone, the crank backwards, by starter (push, kick and roller alike), under its own power. */
export type TurnKind = (typeof TURNS)[number]

export const FACTS = [
  'clearance',
  'valveToValve',
  'parked',
  'standingClear',
  'marks',
  'tied',
  'heldDown',
  'twoTurns',
  'temporaryOut',
  'leaks',
  'list',
  'people',
  'second',
] as const
/** What is known, beside parts and readings. */
export type FactName = (typeof FACTS)[number]

/** What is changed that is no part: a deck that is cut, lash that is set otherwise. */
export const CHANGED_BESIDE = ['deck', 'lash'] as const

export type Act =
  | { readonly act: 'on'; readonly part: string; readonly grade: Grade }
  /** `settle`: from trial to for good, where it stands; `torque`: its last stage. */
  | { readonly act: 'off' | 'loosen' | 'change' | 'torque' | 'settle' | 'wash'; readonly part: string }
  | { readonly act: 'read'; readonly reading: ReadingName }
  | { readonly act: 'turn'; readonly kind: TurnKind }
  | { readonly act: 'fact'; readonly fact: FactName }

/** Acts upon a part. */
export type PartAct = Extract<Act, { readonly part: string }>
