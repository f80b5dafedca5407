import type { Build } from '../../document/build'
import type { Finding } from '../../bench/bench'
import { stationId } from '../../document/place'
import { asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { oldPistonRemarks } from '../../shared/oldParts'
import { definition } from './definition'

/** What is read of a compression ring in its groove, and which ring it is of: the reading is the clearance. */
export const GROOVES = {
  'rings.topSide': { ring: 'top', what: 'side' },
  'rings.secondSide': { ring: 'second', what: 'side' },
  'rings.topBack': { ring: 'top', what: 'back' },
  'rings.secondBack': { ring: 'second', what: 'back' },
} as const

export const GROOVE_CHARACTERISTICS = Object.keys(GROOVES) as (keyof typeof GROOVES)[]

/** Judged by the piston and ring makers' numbers, which somebody has to enter: common practice has no one number for them. */
export function grooveFindings(build: Build, cylinders: readonly number[]): Finding[] {
  if (!build.spec.methods.ringGrooves) return []
  return GROOVE_CHARACTERISTICS.flatMap((characteristic) =>
    cylinders.map((cylinder) =>
      finding(build, definition, characteristic, (recorded) => grooveOf(recorded, characteristic, cylinder), { cylinder }),
    ),
  )
}

/** The groove is the piston's: read before a plan that puts another piston into the bore, it says nothing of that one. */
function grooveOf(build: Build, characteristic: keyof typeof GROOVES, cylinder: number): Derived {
  const read = asRead(build, characteristic, { cylinder })
  if (!isKnown(read)) return read
  const ofOldPiston = oldPistonRemarks(build, cylinder, [stationId(characteristic, { cylinder })])
  return { ...read, isPartial: ofOldPiston.length > 0, remarks: [...(read.remarks ?? []), ...ofOldPiston] }
}
