/** The walk of a build that has one of its own. */
import { z } from 'zod'
import { stepId, words } from '../document/schemaFields'
import { WALK_STAGES } from '../document/walkStages'

export const ownWalkSchema = z
  .object({
    /** Steps that were added. */
    own: z
      .array(z.object({ id: stepId, stage: z.enum(WALK_STAGES), title: words, why: words.optional() }).strict())
      .max(100)
      .optional(),
    /** Steps in another order, as far as what they wait for allows. */
    order: z.array(stepId).max(400).optional(),
  })
  .strict()
