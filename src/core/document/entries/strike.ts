import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, words }: SchemaParts) =>
  z.object({ kind: z.literal('strike'), ...stamp, target: z.uuid(), reason: words }).strict()

/** A reading that does not count, and why. */
export const strike = entryKind<typeof schema>({
  ids: ['target'],
  pointers: ({ target }) => [{ name: 'target', id: target }],
  mayPointAt: (_, at) => at.kind === 'reading',
  words: ({ reason }) => `Strike: ${reason}`,
})
