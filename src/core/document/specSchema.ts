/** What is decided of an engine and read off its papers, as a file may hold it. */
import { z } from 'zod'
import { BLOCK_MATERIALS, CRANK_MATERIALS, PISTON_MATERIALS, RING_MATERIALS, ROD_MATERIALS } from '../geometry/materials'
import { CONSTRUCTION, VALVE_DRIVES } from '../geometry/crank'
import { CAMS, DRIVE_KINDS, DRIVE_WHEELS } from '../geometry/valvetrain'
import { DUTY_USES, FUELS } from './duty'
import { jointSchema } from '../joints/schema'
import { ownWalkSchema } from '../walk/schema'
import type { Methods } from './methods'
import { WORDS_OF_PAPER } from './paper'
import type { Stock } from './stock'
import { plannedSchema } from './workSchema'
import { finite, id, text, initials, oneName, limitName, paperKey, words, unitId } from './schemaFields'

export const layoutSchema = z
  .object({
    kind: z.enum(['inline', 'v', 'flat', 'single']),
    cylinders: z.int().min(1).max(16),
    bankAngleDeg: finite.min(0).max(180),
    numbering: z.enum(['downEachBank', 'alternating']),
    numberOneAt: z.enum(['front', 'rear']),
    leadingBank: z.enum(['left', 'right']),
    rotation: z.enum(['clockwise', 'anticlockwise']),
    firingOrder: z.array(z.int().min(1).max(16)).min(1).max(16),
    /** The crank: where its pins stand, in the running direction, and which rods are on them. */
    pins: z
      .array(
        z
          .object({
            angleDeg: finite.min(-360).max(360),
            cylinders: z.array(z.int().min(1).max(16)).min(1).max(4),
            splitDeg: finite.min(-180).max(180).optional(),
          })
          .strict(),
      )
      .min(1)
      .max(16),
    /** Main bearings along the crank. */
    mains: z.int().min(1).max(17),
    mainBearings: z.enum(['plain', 'rolling']),
    rodBearings: z.enum(['plain', 'rolling']),
    valvesPerCylinder: z.union([z.literal(0), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]),
    valveDrive: z.enum(VALVE_DRIVES),
    /** Engines that switch profiles; left out: one lobe a valve. */
    lobesPerValve: z.literal(2).optional(),
    /** Left out: not known. */
    boreSpacingMm: finite.positive().max(1000).optional(),
    strokes: z.literal(2).optional(),
    lifters: z.enum(CONSTRUCTION.lifters).optional(),
    barrels: z.enum(CONSTRUCTION.barrels).optional(),
    cases: z.enum(CONSTRUCTION.cases).optional(),
    oiling: z.enum(CONSTRUCTION.oiling).optional(),
    cooling: z.enum(CONSTRUCTION.cooling).optional(),
    start: z.enum(CONSTRUCTION.start).optional(),
    /** Cylinders that the maker has TDC and timing taken at, one a bank. */
    degreedAt: z.array(z.int().min(1).max(16)).min(1).max(2).readonly().optional(),
    intakeSide: z.enum(['left', 'right', 'valley']),
  })
  .strict()

export const dutySchema = z
  .object({
    use: z.enum(DUTY_USES),
    /** In the owner's words. */
    useWords: text.optional(),
    fuel: z.enum(FUELS),
    fuelWords: text.optional(),
    boostKpa: finite.min(0).max(1000),
    /** Left out: not known. */
    redlineRpm: finite.positive().max(30_000).optional(),
  })
  .strict()

export const paperNumberSchema = z
  .object({
    value: finite,
    /** Half-width of hard limits; left out when the paper gives none. */
    tolerance: finite.nonnegative().optional(),
    /** Whether the tolerance is one error common to the set, or another for each piece; left out: common. */
    varies: z.enum(['set', 'piece']).optional(),
    unit: unitId,
    source: words,
    reason: text.optional(),
    /** What other papers say of it, kept beside it; the reason is why this one counts. */
    others: z
      .array(z.object({ value: finite, unit: unitId, source: words, word: z.enum(WORDS_OF_PAPER) }).strict())
      .max(8)
      .optional(),
    /** Whose word it is; not said: a maker's. */
    word: z.enum(WORDS_OF_PAPER).optional(),
  })
  .strict()

export const limitSchema = z
  .object({
    lower: finite.optional(),
    upper: finite.optional(),
    target: finite.optional(),
    source: words,
    reason: text,
    /** Who answers for a bound below what is common practice at the least. */
    by: initials.optional(),
    /** Put in by a bench; it follows the paper and the duty until somebody overrides it. */
    follows: z.literal(true).optional(),
  })
  .strict()
  .refine((limit) => limit.lower !== undefined || limit.upper !== undefined, { message: 'a limit needs a lower or an upper bound' })
  .refine((limit) => (limit.lower ?? -Infinity) <= (limit.upper ?? Infinity), { message: 'the lower bound is above the upper' })

export const materialsSchema = z
  .object({
    block: z.enum(BLOCK_MATERIALS),
    bore: z.enum(BLOCK_MATERIALS),
    crank: z.enum(CRANK_MATERIALS),
    piston: z.enum(PISTON_MATERIALS),
    rod: z.enum(ROD_MATERIALS),
    topRing: z.enum(RING_MATERIALS),
    secondRing: z.enum(RING_MATERIALS),
  })
  .strict()

/** Which half stands where; planned on a reading, and taken as fitted once the journal is measured again. */
export const shellPairSchema = z
  .object({
    upper: id,
    lower: id,
    plannedOn: z.uuid(),
    /** What stood there when that reading was taken; left out: standard halves. */
    instead: z.object({ upper: id, lower: id }).strict().optional(),
  })
  .strict()

/** What lies on the shelf: every part has a name of its own; which kinds there are, and what else they have, is for the benches to say. */
export const stockSchema = z.record(oneName, z.array(z.looseObject({ id: id, name: words, source: words }))) as unknown as z.ZodType<Stock>

/** The ways chosen; which there are, and among what, is for the benches to say. */
export const methodsSchema = z.record(oneName, z.union([z.string(), z.number(), z.boolean()])) as unknown as z.ZodType<Methods>

/** What turns the cams: every wheel the chain or belt runs over, in the running direction from the crank. */
export const driveSchema = z
  .object({
    kind: z.enum(DRIVE_KINDS),
    /** A ratchet or one-way tensioner lets the chain jump when it is turned back. */
    neverBack: z.boolean(),
    wheels: z
      .array(
        z
          .object({
            id: z.string().regex(/^w[1-9]\d?$/),
            what: z.enum(DRIVE_WHEELS),
            name: z.string().trim().min(1).max(40),
            cam: z.enum(CAMS).optional(),
            teeth: z.int().min(8).max(200).optional(),
            /** Each by what it lines up with. */
            marks: z.array(words).max(4).readonly().optional(),
          })
          .strict(),
      )
      .min(2)
      .max(16)
      .refine((wheels) => new Set(wheels.map((wheel) => wheel.id)).size === wheels.length, { message: 'two wheels have one id' }),
  })
  .strict()

/** What was agreed when the job came in. */
export const jobSchema = z
  .object({
    customer: text.optional(),
    engineNumber: text.optional(),
    shop: text.optional(),
    goal: text.optional(),
    wishes: text.optional(),
    powerKw: finite.positive().max(10_000).optional(),
    /** In the shop's own money. */
    budget: finite.min(0).max(1e9).optional(),
    /** What it must be ready for, and the day. */
    event: text.optional(),
    date: z.iso.date().optional(),
    /** The lower the sooner, where several engines want the same people. */
    priority: z.int().min(1).max(9).optional(),
  })
  .strict()

export const specSchema = z
  .object({
    name: words,
    description: text,
    units: z.enum(['metric', 'inch']),
    layout: layoutSchema,
    duty: dutySchema,
    paper: z.partialRecord(paperKey, paperNumberSchema),
    limits: z.record(limitName, limitSchema),
    /** Limits somebody took off: no preset comes back in their place. */
    unlimited: z.array(limitName).optional(),
    job: jobSchema.optional(),
    copyOf: z.object({ id: z.uuid(), name: words }).strict().optional(),
    /** Work that is over: off the board, everything kept. */
    putAway: z.boolean().optional(),
    /** How the engine is put together. */
    joints: z.array(jointSchema).max(60).optional(),
    /** What turns the cams. */
    drive: driveSchema.optional(),
    /** The walk, where this build has one of its own. */
    walk: ownWalkSchema.optional(),
    /** Work to be done. */
    planned: z.array(plannedSchema).max(400).optional(),
    methods: methodsSchema,
    materials: materialsSchema,
    stock: stockSchema,
    choice: z
      .object({
        gasket: id.optional(),
        /** Layers laid into it: spacers, shims, what is sprayed on. */
        gasketLayers: z.array(id).max(8).optional(),
        /** The last entry there was when other parts were chosen: readings up to it were taken with the old ones. */
        chosenAfter: z.object({ gasket: z.uuid().optional(), pistons: z.uuid().optional() }).strict().optional(),
        /** Gaskets that were fitted before, oldest first, each with the last entry there was when another was chosen. */
        formerGaskets: z
          .array(z.object({ gasket: id, layers: z.array(id).max(8).optional(), until: z.uuid() }).strict())
          .max(60)
          .optional(),
        piston: id.optional(),
        /** The mark of the piston that goes into each cylinder, number one first; left out: each into its own. */
        pistonInBore: z.array(z.int().min(1).max(16)).optional(),
        /** Shells chosen for a journal, by its name (`main.3`, `rod.2`); left out: standard halves. */
        shells: z.record(z.string(), shellPairSchema).optional(),
      })
      .strict(),
  })
  .strict()
