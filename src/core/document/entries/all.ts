import type { z } from 'zod'
import { change } from './change'
import { check } from './check'
import { damage } from './damage'
import type { EntryKind } from './kind'
import { move } from './move'
import { note } from './note'
import { part } from './part'
import { pull } from './pull'
import { reading } from './reading'
import { skip } from './skip'
import { step } from './step'
import { strike } from './strike'
import { undo } from './undo'

/** Every kind of entry there is, by the name entries carry. */
const ENTRY_KINDS = { reading, strike, skip, note, check, move, undo, pull, step, change, part, damage }

type Kinds = typeof ENTRY_KINDS
export type EntrySchema = ReturnType<Kinds[keyof Kinds]['schema']>

export const ALL_ENTRY_KINDS = Object.values(ENTRY_KINDS)

/** What kind of entry one is. */
export function kindOf(entry: z.infer<EntrySchema>): EntryKind<EntrySchema> {
  return ENTRY_KINDS[entry.kind] as EntryKind<never>
}

/** What an entry says, in a line. */
export function entryWords(entry: z.infer<EntrySchema>): string {
  return kindOf(entry).words(entry)
}
