import { change } from './change'
import { check } from './check'
import { damage } from './damage'
import type { EntryKind } from './kind'
import { move } from './move'
import { note } from './note'
import { part } from './part'
import { pull } from './pull'
import { reading } from './reading'
import type { Entry } from './schemas'
import { skip } from './skip'
import { step } from './step'
import { strike } from './strike'
import { undo } from './undo'

/** Every kind of entry there is, by the name entries carry. */
const ENTRY_KINDS: { readonly [Kind in Entry['kind']]: EntryKind<Extract<Entry, { kind: Kind }>> } = {
  reading,
  strike,
  skip,
  note,
  check,
  move,
  undo,
  pull,
  step,
  change,
  part,
  damage,
}

/** What kind of entry one is. */
export function kindOf(entry: Entry): EntryKind<Entry> {
  return ENTRY_KINDS[entry.kind] as unknown as EntryKind<Entry>
}

/** What an entry says, in a line. */
export function entryWords(entry: Entry): string {
  return kindOf(entry).words(entry)
}
