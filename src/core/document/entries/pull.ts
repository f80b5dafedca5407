import type { FileIssue } from '../fileIssue'
import { entryKind, type Pointer, type SchemaParts } from './kind'

/** What was done at a pull, or to the run as a whole. */
const PULLS = ['begin', 'pulled', 'short', 'leftOut', 'broke', 'backedOff', 'resealed', 'back', 'takeOver', 'end', 'cancel'] as const

/** What a run over the fasteners of a joint does. */
export const RUN_KINDS = ['tighten', 'verify', 'retorque', 'loosen', 'drawDown'] as const

export const schema = ({ z, stamp, finite, unitId, words }: SchemaParts) =>
  z
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

/** A pull of a wrench on a joint, or what else happened to its run. */
export const pull = entryKind<typeof schema>({
  ids: ['run', 'follows', 'instead'],
  subject: ({ run }) => run,
  pointers: ({ follows, instead = [] }) => [
    ...(follows ? [{ name: 'follows', id: follows } as const] : []),
    ...instead.map((id): Pointer => ({ name: 'instead', id })),
  ],
  mayPointAt: ({ run }, at) => at.kind === 'pull' && at.subject === run,
  isTakenBackByUndo: false,
  issues: ({ id, did, follows, run, joint, fastener }, { fastenersOf }, path) => {
    const issues: FileIssue[] = []
    const begins = did === 'begin'
    if (begins !== (follows === undefined) || begins !== (run === id)) issues.push({ code: 'loosePull', path })
    const most = fastenersOf(joint)
    if (most === undefined) return [...issues, { code: 'unknownJoint', path: [...path, 'joint'], joint }]
    if (fastener !== undefined && fastener > most) issues.push({ code: 'noSuchFastener', path: [...path, 'fastener'], got: fastener, most })
    return issues
  },
  words: ({ fastener }) => `Pull of fastener ${fastener ?? ''}`.trim(),
})
