import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp }: SchemaParts) => z.object({ kind: z.literal('undo'), ...stamp, target: z.uuid() }).strict()

/** An entry taken back: what counts is as if it had not been. An undo can be undone. */
export const undo = entryKind<typeof schema>({
  ids: ['target'],
  pointers: ({ target }) => [{ name: 'target', id: target }],
  mayPointAt: (_, at) => at.isTakenBackByUndo,
  words: () => 'Undo',
})
