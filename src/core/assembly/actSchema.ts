/** Acts as a file may hold them. */
import { z } from 'zod'
import { CHANGED_BESIDE, FACTS, GRADES, TURNS, type Act } from './acts'
import { PART_KINDS, READINGS } from './partRow'

const NAMES: readonly string[] = [...PART_KINDS, ...CHANGED_BESIDE]
/** A kind of part, with its number where there are several. */
const part = z.string().refine((name) => NAMES.includes(name.replace(/\d{1,2}$/, '')), { error: 'names no part of an engine' })

export const actSchema: z.ZodType<Act> = z.discriminatedUnion('act', [
  z.object({ act: z.literal('on'), part, grade: z.enum(GRADES) }).strict(),
  ...(['off', 'loosen', 'change', 'torque', 'settle', 'wash'] as const).map((act) => z.object({ act: z.literal(act), part }).strict()),
  z.object({ act: z.literal('read'), reading: z.enum(READINGS) }).strict(),
  z.object({ act: z.literal('turn'), kind: z.enum(TURNS) }).strict(),
  z.object({ act: z.literal('fact'), fact: z.enum(FACTS) }).strict(),
])

export const actsSchema = z.array(actSchema).max(10_000)
