import { entryKind, type SchemaParts } from './kind'

const schema = ({ z, stamp, station, words }: SchemaParts) =>
  z.object({ kind: z.literal('note'), ...stamp, ...station, text: words }).strict()

/** Words at a place. */
export const note = entryKind(schema, {
  issues: (entry, { placeIssues, stationIssues }, path) => [...placeIssues(entry.place, [...path, 'place']), ...stationIssues(entry, path)],
  words: ({ text }) => `Note: ${text}`,
})
