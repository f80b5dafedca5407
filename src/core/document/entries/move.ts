import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, place, words }: SchemaParts) =>
  z.object({ kind: z.literal('move'), ...stamp, target: z.uuid(), place, reason: words }).strict()

/** A reading that was taken at another place than it was entered at. */
export const move = entryKind<typeof schema>({
  ids: ['target'],
  pointers: ({ target }) => [{ name: 'target', id: target }],
  mayPointAt: (_, at) => at.kind === 'reading',
  issues: (entry, { placeIssues }, path) => placeIssues(entry.place, path),
  words: ({ reason }) => `Move: ${reason}`,
})
