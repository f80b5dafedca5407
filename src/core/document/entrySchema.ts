/** Gauges, and what happened at the bench: every kind of entry, as a file may hold it. */
import { z } from 'zod'
import { PULLS, RUN_KINDS } from './jointSchema'
import { PART_STATES } from './partState'
import { DAMAGE_ACTIONS, damageSaid, PART_ACTIONS, partSaid } from './partsSchema'
import { AXIS_FORMS, type AxisForm, type Place } from './place'
import { STEP_ACTIONS } from './walkStages'
import { entryId, finite, id, text, initials, oneName, stationName, stepId, words, instant, unitId } from './schemaFields'

export const gaugeSchema = z
  .object({
    /** This state of the gauge; a new check makes a new card with a new id and the same `gauge`. */
    id,
    gauge: id,
    name: words,
    measures: z.enum(['length', 'volume', 'mass', 'torque', 'roughness', 'angle']),
    use: z.enum(['dial', 'boreGauge', 'micrometer', 'burette', 'scales', 'feeler', 'strip', 'torque', 'roughness', 'wheel', 'other']),
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

export const placeSchema = z
  .object(Object.fromEntries(AXIS_FORMS.map(([axis, form]) => [axis, axisSchema(form).optional()])))
  .strict() as unknown as z.ZodType<Place>

function axisSchema(form: AxisForm): z.ZodType {
  if (form.is === 'counted') return z.int().min(1).max(form.most)
  if (form.is === 'measured') return finite.min(form.low).max(form.high)
  return form.is === 'oneOf' ? z.enum(form.words) : z.string().min(1).max(form.letters)
}

const stamp = { id: entryId, at: instant, by: initials }
const station = { characteristic: stationName, place: placeSchema }

export const readingSchema = z
  .object({
    kind: z.literal('reading'),
    ...stamp,
    ...station,
    value: finite,
    /** Upper end of a go/no-go interval. */
    upper: finite.optional(),
    /** Half-width typed behind ±, at 95 %: it stands in place of the gauge's own noise. */
    plusMinus: finite.nonnegative().optional(),
    unit: unitId,
    asTyped: z.string().max(64),
    gauge: id,
    /** Where part and gauge were not at 20 °C: the value is as indicated, the correction is in the sum. */
    partTempC: finite.min(-30).max(200).optional(),
    gaugeTempC: finite.min(-30).max(60).optional(),
    /** Strokes of the ring file since the reading before. */
    strokes: z.int().min(1).max(999).optional(),
    /** What the part was when it was read; not said: as found. */
    partState: z.enum(PART_STATES).optional(),
    /** Read while the engine was turned against its running direction: chain or belt slack is in it. */
    turnedBack: z.literal(true).optional(),
    supersedes: z.uuid().optional(),
    /** Other readings of the place that did not know of each other, settled by this one. */
    settles: z.array(z.uuid()).max(20).optional(),
  })
  .strict()
const strikeSchema = z.object({ kind: z.literal('strike'), ...stamp, target: z.uuid(), reason: words }).strict()
const skipSchema = z.object({ kind: z.literal('skip'), ...stamp, ...station, reason: words }).strict()
const noteSchema = z.object({ kind: z.literal('note'), ...stamp, ...station, text: words }).strict()
/** A thing looked at, not measured: cracks, threads, clips the right way round. */
const checkSchema = z.object({ kind: z.literal('check'), ...stamp, ...station, passed: z.boolean(), text: text.optional() }).strict()
/** A reading that was taken at another place than it was entered at. */
const moveSchema = z.object({ kind: z.literal('move'), ...stamp, target: z.uuid(), place: placeSchema, reason: words }).strict()
/** A pull of a wrench on a joint, or what else happened to its run. */
export const pullSchema = z
  .object({
    kind: z.literal('pull'),
    ...stamp,
    joint: z.string().min(1).max(40),
    /** The entry that began the run; its own id where it is that one. */
    run: z.uuid(),
    did: z.enum(PULLS),
    /** What the run had come to when this was done; left out only where it begins. */
    follows: z.uuid().optional(),
    /** Pulls of two devices that did not know of each other: the run goes on from `follows`, these are kept and do not count. */
    instead: z.array(z.uuid()).max(20).optional(),
    way: z.enum(RUN_KINDS).optional(),
    /** The device that has the run from here on. */
    device: z.string().min(1).max(64),
    stage: z.int().min(1).max(8).optional(),
    fastener: z.int().min(1).max(200).optional(),
    /** Torque in N·m or angle in degrees, as the stage says. */
    value: finite.optional(),
    unit: unitId.optional(),
    /** Where the wrench gives it: the angle at that torque. */
    angleDeg: finite.min(-1080).max(1080).optional(),
    wrench: words.optional(),
    reason: words.optional(),
  })
  .strict()
const stepSchema = z
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
/** Something on the engine is another than it was: what rested on it is stale. */
const changeSchema = z.object({ kind: z.literal('change'), ...stamp, what: oneName, text: words }).strict()
/** A part that is bought, machined or lent: `part` is the entry that wanted it, its own id where it is that one. */
const partSchema = z
  .object({ kind: z.literal('part'), ...stamp, part: z.uuid(), did: z.enum(PART_ACTIONS), ...partSaid })
  .strict()
  .refine(({ did, reason }) => reason !== undefined || !['sentBack', 'dropped'].includes(did), { message: 'this wants a reason' })
  .refine(({ did, what, name }) => did !== 'wanted' || (what !== undefined && name !== undefined), {
    message: 'a part wants a kind and a name',
  })
/** A part found damaged, what can be done about it, and what its owner answered: `damage` is the entry that saw it. */
const damageSchema = z
  .object({ kind: z.literal('damage'), ...stamp, damage: z.uuid(), did: z.enum(DAMAGE_ACTIONS), ...damageSaid })
  .strict()
  .refine(({ did, text }) => did !== 'seen' || text !== undefined, { message: 'what was seen is not said' })
const undoSchema = z.object({ kind: z.literal('undo'), ...stamp, target: z.uuid() }).strict()

export const entrySchema = z.discriminatedUnion('kind', [
  readingSchema,
  strikeSchema,
  skipSchema,
  noteSchema,
  checkSchema,
  moveSchema,
  undoSchema,
  pullSchema,
  stepSchema,
  changeSchema,
  partSchema,
  damageSchema,
])
