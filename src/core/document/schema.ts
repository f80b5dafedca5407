/**
 * The Build document: one engine, one time. `spec` is what was decided and read off paper (revised as a whole),
 * `gauges` the state of every gauge used, `entries` what happened at the bench (only ever appended to).
 * Canonical units throughout: mm, cm³, cm², crank degrees, g, g/cm³, kPa, °C.
 */
import { z } from 'zod'
import { BUILD_FORMAT, BUILD_VERSION } from './version'
import { entrySchema, gaugeSchema } from './entrySchema'
import { instant } from './schemaFields'
import { specSchema } from './specSchema'

export const buildDocumentSchema = z
  .object({
    format: z.literal(BUILD_FORMAT),
    version: z.literal(BUILD_VERSION),
    id: z.uuid(),
    createdAt: instant,
    spec: specSchema,
    gauges: z.array(gaugeSchema),
    entries: z.array(entrySchema),
  })
  .strict()
