import type { Cam } from './cams'

export const DRIVE_KINDS = ['chain', 'belt', 'gears'] as const
export type DriveKind = (typeof DRIVE_KINDS)[number]

/** What a chain or belt runs over. */
export const DRIVE_WHEELS = ['crank', 'cam', 'idler', 'tensioner', 'guide', 'pump'] as const
export type DriveWheelKind = (typeof DRIVE_WHEELS)[number]

export interface DriveWheel {
  /** Its own in the drive, whatever stands before it: what was read at a wheel stays with it. */
  readonly id: string
  readonly what: DriveWheelKind
  readonly name: string
  /** The cam a sprocket turns. */
  readonly cam?: Cam
  readonly teeth?: number
  /** Its marks at number one’s top, each by what it lines up with: `dot with the head’s face`. */
  readonly marks?: readonly string[]
}

/** What turns the cams: every wheel the chain or belt runs over, in the running direction from the crank. */
export interface CamDrive {
  readonly kind: DriveKind
  /** A ratchet or one-way tensioner lets the chain jump when it is turned back. */
  readonly neverBack: boolean
  readonly wheels: readonly DriveWheel[]
}

/**
 * Where the tensioner belongs: a crank pulls the strand that runs back to it from the last wheel it turns, so that the slack gathers
 * in the one that leaves it. In the order of running that is before the first cam.
 */
export function tensionerOnSlackSide({ wheels }: Pick<CamDrive, 'wheels'>): boolean | undefined {
  const [tensioner, firstCam] = [wheels.findIndex(({ what }) => what === 'tensioner'), wheels.findIndex(({ what }) => what === 'cam')]
  return tensioner < 0 || firstCam < 0 ? undefined : tensioner < firstCam
}
