import { entryKind, nameIssues, type SchemaParts } from './kind'

export const schema = ({ z, stamp, oneName, words }: SchemaParts) =>
  z.object({ kind: z.literal('change'), ...stamp, what: oneName, text: words }).strict()

/** Something on the engine is another than it was: what rested on it is stale. */
export const change = entryKind<typeof schema>({
  issues: ({ what }, { names }, path) => nameIssues(what, names.change, [...path, 'what']),
  isAskedInFiles: false,
  words: ({ text }) => `Change: ${text}`,
})
