/** A joint as it is planned: where its fasteners stand, what they are, in which order and how far they are torqued, by whose figures. */
import { z } from 'zod'
import { finite, words } from '../document/schemaFields'

const id = z.string().regex(/^[a-z][A-Za-z0-9-]{0,39}$/)
const source = z.object({ source: words, fromMemory: z.literal(true).optional() }).strict()

export const JOINT_KINDS = [
  'mains',
  'sideBolts',
  'rods',
  'head',
  'rockers',
  'camCaps',
  'girdle',
  'damper',
  'flywheel',
  'oilPump',
  'manifold',
  'cover',
] as const

/** How the clamp is come by. `none`: nobody knows a figure, and no clamp is claimed. */
export const JOINT_METHODS = ['torque', 'torqueAndAngle', 'toYield', 'stretch', 'none'] as const

export const HOLES = ['blind', 'water', 'port', 'gearCase', 'oil'] as const
/** What friction is left: the figure of a torque belongs to one of them. */
export const LUBES = ['dry', 'oiled', 'moly'] as const
export const DRESS_PLACES = ['thread', 'nutFace', 'underHead', 'washer'] as const

/** How one fastener is told from another like it once they lie on the bench. By its place it has no history beyond this build. */
export const TOLD_APART = ['position', 'mark', 'serial'] as const

/** Numbers of the fasteners of a joint, by their place in its pattern, from one. */
const numbers = z.array(z.int().min(1).max(200)).max(200)

const fastenerTypeSchema = z
  .object({
    letter: z.string().regex(/^[A-Z]$/),
    /** As on paper: `M10x1.25`, `7/16-14`. */
    thread: words.optional(),
    lengthMm: finite.positive().max(1000).optional(),
    /** From the maker's sheet. */
    yieldMpa: finite.positive().max(3000).optional(),
    proofMpa: finite.positive().max(3000).optional(),
    /** Effective lengths, with what the head and the engaged thread add. */
    sections: z
      .array(z.object({ lengthMm: finite.positive().max(1000), diameterMm: finite.positive().max(100) }).strict())
      .max(8)
      .optional(),
    /** Of its thread, in the casting. */
    engagedMm: finite.positive().max(200).optional(),
    onceOnly: z.literal(true).optional(),
    source: words.optional(),
  })
  .strict()

const fastenerSchema = z
  .object({
    xMm: finite.min(-5000).max(5000),
    yMm: finite.min(-5000).max(5000),
    type: z.string().regex(/^[A-Z]$/),
    hole: z
      .object({
        opensTo: z.enum(HOLES).optional(),
        depthMm: finite.positive().max(1000).optional(),
        chased: z.boolean().optional(),
        dry: z.boolean().optional(),
        runsInByHand: z.boolean().optional(),
        insert: z.boolean().optional(),
      })
      .strict()
      .optional(),
    /** Of a cam cap: a valve spring pushes against it, so that it is drawn down first. */
    loaded: z.literal(true).optional(),
    /** Of a seated stud: what stands out of the casting. */
    stickOutMm: finite.min(0).max(1000).optional(),
    /** Reached only where the crank stands so, degrees after the top of cylinder 1. */
    crankDeg: finite.min(0).max(720).optional(),
    /** What it is known by in the ledger, beyond this build. */
    mark: z.string().trim().min(1).max(24).optional(),
    /** Retired, or torqued once only before, and used again: why. */
    usedAgain: words.optional(),
  })
  .strict()

export const stageSchema = z.discriminatedUnion('pull', [
  /** Run down until it touches. */
  z.object({ pull: z.literal('snug') }).strict(),
  z.object({ pull: z.literal('torque'), nm: finite.positive().max(3000) }).strict(),
  z.object({ pull: z.literal('angle'), deg: finite.positive().max(720) }).strict(),
])

const groupSchema = z
  .object({
    name: words,
    /** The fasteners in the order they are pulled. */
    order: numbers.min(1),
    orderFrom: source,
    method: z.enum(JOINT_METHODS),
    stages: z.array(stageSchema).max(8),
    stagesFrom: source,
    targetNm: finite.positive().max(3000).optional(),
    targetFrom: source.optional(),
    makersMostNm: finite.positive().max(3000).optional(),
    /** The stages on its maker’s sheet, where another way was chosen. */
    makersStages: z.array(stageSchema).min(1).max(8).optional(),
    /** Torqued otherwise than its maker says: why. */
    deviates: words.optional(),
    dress: z
      .object({ on: z.array(z.enum(DRESS_PLACES)).min(1), with: words, lube: z.enum(LUBES).optional(), from: source })
      .strict()
      .optional(),
  })
  .strict()

export const jointSchema = z
  .object({
    id,
    name: words,
    kind: z.enum(JOINT_KINDS),
    state: z.enum(['trial', 'final']),
    /** Somebody says its fasteners stand where they are drawn; left out: they stand where such a joint usually has them. */
    placed: z.literal(true).optional(),
    types: z.array(fastenerTypeSchema).min(1).max(12),
    fasteners: z.array(fastenerSchema).min(1).max(200),
    groups: z.array(groupSchema).min(1).max(8),
    toldApartBy: z.enum(TOLD_APART).optional(),
    /** Joints that are tight before this one is begun. */
    after: z.array(id).max(20).optional(),
    /** What somebody looks at before the first pull, and after the last one before it is called done. */
    looks: z
      .object({ before: z.array(words).max(8).optional(), after: z.array(words).max(8).optional() })
      .strict()
      .optional(),
    /** What sets while the joint is pulled. */
    sealer: z
      .object({ name: words, openMinutes: finite.positive().max(1440).optional(), from: source })
      .strict()
      .optional(),
    /** Where sealant goes, by the fasteners it goes past: a bead from one to the next, dabs beside some, and where nobody pries. */
    sealant: z.object({ bead: numbers.optional(), dabs: numbers.optional(), pryNot: numbers.optional() }).strict().optional(),
    /** After the last pull: how long what seals it wants before oil or water may reach it. */
    cure: z
      .object({ minutes: finite.positive().max(20_160), from: source })
      .strict()
      .optional(),
    /** Before the first pull: how long what was put on stands until it has skinned or become tacky. */
    skin: z
      .object({ minutes: finite.positive().max(1440), from: source })
      .strict()
      .optional(),
    /** After the last pull: how long it is left before its re-torque. */
    rest: z
      .object({ minutes: finite.positive().max(20_160), from: source })
      .strict()
      .optional(),
    wrenches: z
      .array(z.object({ name: words, leastNm: finite.positive(), mostNm: finite.positive(), checkedOn: z.iso.date().optional() }).strict())
      .max(6)
      .optional(),
  })
  .strict()
