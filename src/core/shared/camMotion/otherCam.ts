/** Other cams than those that were read, or than the card says: what their lobes do more, while they are not in yet. */
import type { Build } from '../../document/build'
import { workOn } from '../../document/work'
import { camKind, type Cam } from '../../geometry/valvetrain'
import type { Figure } from '../../metrology'
import { afterWork } from '../afterWork'

/** What the lobes of another cam lift more, mm, and are open longer at the check lift, crank degrees. */
export interface OtherLobe {
  readonly liftMm: number
  readonly durationDeg: number
}

/** As far as it was not in yet when something was read at a station. */
export function otherLobe(build: Build, cam: Cam, station: string): OtherLobe {
  const kind = camKind(cam)
  return { liftMm: workOn(build, `lobeLift/${kind}`, station), durationDeg: workOn(build, `lobeDuration/${kind}`, station) }
}

const LABEL = 'Another cam'

export function withOtherLift(build: Build, cam: Cam, station: string, lift: Figure): Figure {
  return afterWork(lift, otherLobe(build, cam, station).liftMm, 'length', LABEL)
}

/** A duration of the lobe, or an event of it: half of what it is open longer lies before its middle, half after. */
export function withOtherDuration(build: Build, cam: Cam, station: string, angle: Figure, share = 1): Figure {
  return afterWork(angle, share * otherLobe(build, cam, station).durationDeg, 'angle', LABEL)
}
