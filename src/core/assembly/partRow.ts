/** What is said of a kind of part: when an engine has it, what it sits on, what it closes. */
import type { Engine } from './engine'

/** In the order a builder meets them from the block outward; a document and a terminal name them so. */
export const PART_KINDS = [
  'block',
  'plugs',
  'camBearings',
  'cam',
  'bearings',
  'shellsUpper',
  'crank',
  'mainCaps',
  'caseOther',
  'gearShafts',
  'primary',
  'rod',
  'rings',
  'pin',
  'piston',
  'rodCap',
  'barrel',
  'baseGasket',
  'camDrive',
  'guides',
  'lowerWheel',
  'chainHung',
  'chain',
  'belt',
  'beltCover',
  'tensioner',
  'pump',
  'pumpShaft',
  'pickup',
  'tray',
  'pan',
  'rearSeal',
  'frontCover',
  'sideCover',
  'sideCase',
  'chestCover',
  'studs',
  'gasket',
  'head',
  'valves',
  'springs',
  'followers',
  'tappets',
  'lifters',
  'cams',
  'pushrods',
  'rockers',
  'intake',
  'cover',
  'damper',
  'flywheel',
  'ignitionDrive',
  'sparkPlugs',
  'waterPump',
  'coolant',
  'oil',
  'filter',
  'primed',
  'exhaust',
  'fuelFeed',
  'starterMotor',
] as const
export type PartKind = (typeof PART_KINDS)[number]

export const READINGS = [
  'bores',
  'mainClearance',
  'endFloat',
  'rodSide',
  'ringGap',
  'deck',
  'tdcBareDeck',
  'tdcPlugHole',
  'events',
  'reDegree',
  'valveDrop',
  'clearance',
  'chamber',
  'sweep',
  'lash',
  'intakeFit',
  'pumpApart',
  'pickupToPan',
] as const
export type ReadingName = (typeof READINGS)[number]

/** A kind of part, of the same bank or cylinder where both have one; `:last`: with its joint at its last stage. */
export type PartRef = PartKind | `${PartKind}:last`

/** A list, or what it is on this engine. Parts that an engine has not are left out of it. */
export type RefsOf = readonly PartRef[] | ((engine: Engine) => readonly PartRef[])

export interface PartRow {
  /** Several: one a bank, or one a cylinder. Left out: one, or all of them as one. */
  readonly each?: 'bank' | 'cylinder'
  readonly has: (engine: Engine) => boolean
  /** Some engines of this kind have it: nothing asks for it until it has been on. */
  readonly isOptional?: (engine: Engine) => boolean
  /** What is on before it; for good, if it goes on for good. */
  readonly sitsOn?: RefsOf
  /** What is on besides before it goes on for good. */
  readonly forGood?: RefsOf
  /** What cannot be put in or taken out with it on. For good, it is on for good before. */
  readonly closes?: RefsOf
  /** What it hides, or what it is chosen by: read before it goes on for good. */
  readonly readFirst?: readonly ReadingName[]
  /** It has fasteners with a last stage. */
  readonly hasJoint?: true
  /** It turns, or stands so near what turns that two free turns are of no use once it is touched. */
  readonly isNear?: true
  /** The clearance of valves rests on it. */
  readonly movesClearance?: true
  /** A machine shop cuts it, and chips stay in it: it goes on for good only once it is washed. */
  readonly isMachined?: true
}

export type PartRows<Kind extends PartKind> = Readonly<Record<Kind, PartRow>>
