/** Work on metal as it is written down, and work that is planned. */
import { z } from 'zod'
import { CAMS } from '../geometry/valvetrain'
import { finite, id, initials, words } from './schemaFields'

const by = { by: finite }
const onCylinder = { cylinder: z.int().min(1).max(16), ...by }

/** Work on metal, canonical units. */
export const workSchema = z.discriminatedUnion('what', [
  /** Taken off the deck: every piston stands that much higher. */
  z.object({ what: z.literal('deckCut'), ...by }).strict(),
  /** Taken off the head: every chamber loses its open area times this. */
  z.object({ what: z.literal('headCut'), ...by }).strict(),
  /** Ground out of a chamber. */
  z.object({ what: z.literal('openChamber'), ...onCylinder }).strict(),
  /** Honed out of a bore, on the diameter. */
  z.object({ what: z.literal('hone'), ...onCylinder }).strict(),
  /** Filed off a ring, or what another ring brings. */
  z.object({ what: z.literal('ringGap'), ring: z.enum(['top', 'second', 'upperRail', 'lowerRail']), ...onCylinder }).strict(),
  /** Taken off the reciprocating mass. */
  z.object({ what: z.literal('lighten'), ...onCylinder }).strict(),
  /** Pockets of all intake or exhaust valves cut deeper, along the valve. */
  z.object({ what: z.literal('cutPocket'), valves: z.enum(['intake', 'exhaust']), ...by }).strict(),
  /** A cam set earlier on its sprocket, crank degrees; negative: later. */
  z.object({ what: z.literal('turnCam'), cam: z.enum(CAMS), ...by }).strict(),
  /** Other cams of a kind: their lobes lift so much more than those that were read, or than the card says. */
  z.object({ what: z.literal('lobeLift'), valves: z.enum(['intake', 'exhaust']), ...by }).strict(),
  /** Other cams of a kind: their lobes are open so many crank degrees longer at the check lift, half of it on either side. */
  z.object({ what: z.literal('lobeDuration'), valves: z.enum(['intake', 'exhaust']), ...by }).strict(),
  /** Every piston stands so much higher: by another compression height, rod or stroke. */
  z.object({ what: z.literal('raisePiston'), ...by }).strict(),
  /** Pistons of another kind from the stock: by how much they are taller than those that were measured. */
  z.object({ what: z.literal('piston'), id, ...by }).strict(),
])

/** Work that somebody means to do: on the parts as they were read up to an entry; what is read later has been worked on. */
export const plannedSchema = z
  .object({
    id: z.uuid(),
    work: workSchema,
    after: z.uuid().optional(),
    /** Taken although it breaks a limit: why, and whose word it is. */
    despite: z.object({ reason: words, by: initials }).strict().optional(),
  })
  .strict()
