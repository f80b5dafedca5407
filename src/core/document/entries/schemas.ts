import type { z } from 'zod'
import { schema as change } from './change'
import { schema as check } from './check'
import { schema as damage } from './damage'
import { schema as move } from './move'
import { schema as note } from './note'
import { schema as part } from './part'
import { schema as pull } from './pull'
import { schema as reading } from './reading'
import { schema as skip } from './skip'
import { schema as step } from './step'
import { schema as strike } from './strike'
import { schema as undo } from './undo'

/** The schema of every kind of entry. */
export const ENTRY_SCHEMAS = [reading, strike, skip, note, check, move, undo, pull, step, change, part, damage]

export type Entry = z.infer<ReturnType<(typeof ENTRY_SCHEMAS)[number]>>
