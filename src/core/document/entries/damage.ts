import { entryKind, nameIssues, type SchemaParts } from './kind'

/** What may become of a damaged part. */
const DAMAGE_ACTIONS = ['seen', 'told', 'answered', 'repaired'] as const

export const schema = ({ z, stamp, finite, oneName, words, text, initials, money }: SchemaParts) =>
  z
    .object({
      kind: z.literal('damage'),
      ...stamp,
      /** The entry that saw it; its own id where it is that one. */
      damage: z.uuid(),
      did: z.enum(DAMAGE_ACTIONS),
      text: words.optional(),
      cause: text.optional(),
      options: z
        .array(z.object({ text: words, days: finite.min(0).max(3650), price: money, stales: oneName.optional() }).strict())
        .max(8)
        .optional(),
      /** Which of them, the first is 0. */
      option: z.int().min(0).max(7).optional(),
      reply: words.optional(),
      second: initials.optional(),
    })
    .strict()
    .refine(({ did, text: said }) => did !== 'seen' || said !== undefined, { message: 'what was seen is not said' })

/** A part found damaged, what can be done about it, and what its owner answered. */
export const damage = entryKind<typeof schema>({
  ids: ['damage'],
  subject: (entry) => entry.damage,
  // What saw a damage points at nothing.
  pointers: (entry) => (entry.damage === entry.id ? [] : [{ name: 'follows', id: entry.damage }]),
  mayPointAt: (entry, at) => at.kind === 'damage' && at.subject === entry.damage,
  issues: ({ options = [] }, { names }, path) =>
    options.flatMap(({ stales }, index) => nameIssues(stales, names.change, [...path, 'options', index, 'stales'])),
  isAskedInFiles: false,
  words: ({ text, did }) => `Damage: ${text ?? did}`,
})
