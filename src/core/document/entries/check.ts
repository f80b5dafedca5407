import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, station, text }: SchemaParts) =>
  z.object({ kind: z.literal('check'), ...stamp, ...station, passed: z.boolean(), text: text.optional() }).strict()

/** A thing looked at, not measured: cracks, threads, clips the right way round. */
export const check = entryKind<typeof schema>({
  issues: (entry, { checkIssues }, path) => checkIssues(entry, path),
  words: ({ passed, text }) => `${passed ? 'Right' : 'Not right'}${text ? `: ${text}` : ''}`,
})
