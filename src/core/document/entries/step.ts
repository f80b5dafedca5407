import { STEP_ACTIONS } from '../walkStages'
import { entryKind, type SchemaParts } from './kind'

export const schema = ({ z, stamp, stepId, words, initials }: SchemaParts) =>
  z
    .object({
      kind: z.literal('step'),
      ...stamp,
      step: stepId,
      did: z.enum(STEP_ACTIONS),
      /** Why it is waived, left out or still true. */
      reason: words.optional(),
      /** Which way a part lies, as answered. */
      answer: words.optional(),
      /** A part that lies in the engine for a while. */
      part: words.optional(),
      text: words.optional(),
      /** A second pair of eyes. */
      second: initials.optional(),
    })
    .strict()
    .refine(({ did, reason }) => reason !== undefined || !['waived', 'leftOut', 'confirmed'].includes(did), {
      message: 'this wants a reason',
    })

/** What became of a step of the walk. */
export const step = entryKind<typeof schema>({ words: (entry) => `Step ${entry.step}` })
