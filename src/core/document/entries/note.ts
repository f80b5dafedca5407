import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, station, words }: SchemaParts) =>
  z.object({ kind: z.literal('note'), ...stamp, ...station, text: words }).strict()

/** Words at a place. */
export const note = entryKind<typeof schema>({
  issues: (entry, { stationIssues }, path) => stationIssues(entry, path),
  words: ({ text }) => `Note: ${text}`,
})
