import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, station, words }: SchemaParts) =>
  z.object({ kind: z.literal('skip'), ...stamp, ...station, reason: words }).strict()

/** A place that will not be read, and why. */
export const skip = entryKind<typeof schema>({
  issues: (entry, { stationIssues }, path) => stationIssues(entry, path),
  words: ({ reason }) => `Skipped: ${reason}`,
})
