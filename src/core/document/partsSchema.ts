/** What is entered of parts: wanted, ordered, in, sent back; and of parts found damaged. */
import { z } from 'zod'
import { finite, initials, oneName, text, words } from './schemaFields'

/** What may become of a part. `changed` says again what is wanted, `laid` where it lies. */
export const PART_ACTIONS = ['wanted', 'changed', 'ordered', 'arrived', 'lookedOver', 'sentBack', 'laid', 'dropped'] as const
export const PART_OWNERS = ['shop', 'owner', 'lent'] as const
/** What may become of a damaged part. */
export const DAMAGE_ACTIONS = ['seen', 'told', 'answered', 'repaired'] as const

const day = z.iso.date()
const money = finite.min(0).max(1e9)

export const ratedSchema = z.object({ rpm: finite.positive(), liftMm: finite.positive(), powerKw: finite.positive() }).partial().strict()
export const fitSchema = z.object({ check: oneName, fits: z.boolean(), note: words.optional() }).strict()

/** What is said of a part; which of it belongs to what was done is for the door to say. */
export const partSaid = {
  /** Kind of part: which there are is for `core/parts` to say. */
  what: oneName.optional(),
  name: words.optional(),
  count: z.int().min(1).max(999).optional(),
  owner: z.enum(PART_OWNERS).optional(),
  /** Steps that wait for it, by name or id; left out: those its kind needs. */
  needs: z.array(z.string().min(1).max(80)).max(20).optional(),
  rated: ratedSchema.optional(),
  /** Of a cam or a gear. */
  material: oneName.optional(),
  /** What it stands in the place of, and on whose word. */
  replaces: words.optional(),
  onWordOf: words.optional(),
  price: money.optional(),
  promised: day.optional(),
  from: words.optional(),
  fits: z.array(fitSchema).max(30).optional(),
  pot: words.optional(),
  fluid: words.optional(),
  reason: words.optional(),
}

export const optionSchema = z.object({ text: words, days: finite.min(0).max(3650), price: money, stales: oneName.optional() }).strict()

export const damageSaid = {
  text: words.optional(),
  cause: text.optional(),
  options: z.array(optionSchema).max(8).optional(),
  /** Which of them, the first is 0. */
  option: z.int().min(0).max(7).optional(),
  reply: words.optional(),
  second: initials.optional(),
}
