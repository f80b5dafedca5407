import { entryKind, nameIssues, type SchemaParts } from './kind'

/** What may become of a part. `changed` says again what is wanted, `laid` where it lies. */
const PART_ACTIONS = ['wanted', 'changed', 'ordered', 'arrived', 'lookedOver', 'sentBack', 'laid', 'dropped'] as const
const PART_OWNERS = ['shop', 'owner', 'lent'] as const

export const schema = ({ z, stamp, finite, oneName, words, day, money }: SchemaParts) =>
  z
    .object({
      kind: z.literal('part'),
      ...stamp,
      /** The entry that wanted it; its own id where it is that one. */
      part: z.uuid(),
      did: z.enum(PART_ACTIONS),
      /** Kind of part: which there are is for `core/parts` to say. */
      what: oneName.optional(),
      name: words.optional(),
      count: z.int().min(1).max(999).optional(),
      owner: z.enum(PART_OWNERS).optional(),
      /** Steps that wait for it, by name or id; left out: those its kind needs. */
      needs: z.array(z.string().min(1).max(80)).max(20).optional(),
      rated: z.object({ rpm: finite.positive(), liftMm: finite.positive(), powerKw: finite.positive() }).partial().strict().optional(),
      /** Of a cam or a gear. */
      material: oneName.optional(),
      /** What it stands in the place of, and on whose word. */
      replaces: words.optional(),
      onWordOf: words.optional(),
      price: money.optional(),
      promised: day.optional(),
      from: words.optional(),
      fits: z
        .array(z.object({ check: oneName, fits: z.boolean(), note: words.optional() }).strict())
        .max(30)
        .optional(),
      pot: words.optional(),
      fluid: words.optional(),
      reason: words.optional(),
    })
    .strict()
    .refine(({ did, reason }) => reason !== undefined || !['sentBack', 'dropped'].includes(did), { message: 'this wants a reason' })
    .refine(({ did, what, name }) => did !== 'wanted' || (what !== undefined && name !== undefined), {
      message: 'a part wants a kind and a name',
    })

/** A part that is bought, machined or lent. */
export const part = entryKind<typeof schema>({
  ids: ['part'],
  subject: (entry) => entry.part,
  // What wanted a part points at nothing.
  pointers: (entry) => (entry.part === entry.id ? [] : [{ name: 'follows', id: entry.part }]),
  mayPointAt: (entry, at) => at.kind === 'part' && at.subject === entry.part,
  issues: ({ part: begun, id, did, what, fits = [], material }, { names }, path) => [
    ...((did === 'wanted') === (begun === id) ? [] : [{ code: 'loosePart', path } as const]),
    ...nameIssues(what, names.partKind, [...path, 'what']),
    ...nameIssues(material, names.partMaterial, [...path, 'material']),
    ...fits.flatMap(({ check }) => nameIssues(check, names.fitCheck, [...path, 'fits'])),
  ],
  words: ({ name, did }) => `Part: ${name ?? did}`,
})
