/** Gauges, and what happened at the bench, as a file may hold them. */
import { z } from 'zod'
import { KINDS } from '../units'
import { SCHEMA_PARTS } from './entries/schemaParts'
import { ENTRY_SCHEMAS } from './entries/schemas'
import { finite, id, words, instant, unitId } from './schemaFields'

export const gaugeSchema = z
  .object({
    /** This state of the gauge; a new check makes a new card with a new id and the same `gauge`. */
    id,
    gauge: id,
    name: words,
    measures: z.enum(KINDS),
    /** What it is for: a word of the benches, asked at the doors. */
    use: z.string().regex(/^[a-z][a-zA-Z]{1,39}$/),
    unit: unitId,
    resolution: finite.positive().max(100),
    repeatability: finite.nonnegative().max(100),
    repeatabilityDof: finite.positive(),
    bias: finite,
    biasU: finite.nonnegative(),
    scaleU: finite.nonnegative(),
    checkedOn: z.iso.date().optional(),
    /** Days a check holds; left out: the gauge is not on a schedule. */
    checkEveryDays: z.int().positive().max(3650).optional(),
    since: instant,
  })
  .strict()

type EntrySchema = ReturnType<(typeof ENTRY_SCHEMAS)[number]>

/** Every kind of entry, as a file may hold it and a device may send it. */
export const entrySchema = z.discriminatedUnion(
  'kind',
  ENTRY_SCHEMAS.map((schema) => schema(SCHEMA_PARTS)) as unknown as readonly [EntrySchema, ...EntrySchema[]],
)
