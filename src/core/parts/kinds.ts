/**
 * Parts as they are ordered: what is looked at when each kind arrives, and what its maker rates it for (common practice; the
 * maker's own sheet comes first).
 */
/** Looked at when a part arrives: found out on the bench it costs days, at the door a telephone call. */
export const FIT_CHECKS = [
  'asOrdered',
  'dipstickSide',
  'pickupRoom',
  'pickupBore',
  'dowelCounterbores',
  'dowelHoles',
  'boltHoleSize',
  'boreOpening',
  'driveShaft',
  'key',
  'valvePockets',
  'pinAndRings',
  'threadAndLength',
  'gearMaterial',
  'newFollowers',
  'followerKind',
  'springSeat',
  'portsMeet',
  'measuredAgain',
] as const
export type FitCheckId = (typeof FIT_CHECKS)[number]

/** What a part's maker says it stands. */
export type RatingId = 'rpm' | 'liftMm' | 'powerKw'

interface PartKind {
  readonly fits: readonly FitCheckId[]
  readonly rated?: readonly RatingId[]
}

export const PARTS = {
  gasket: { fits: ['boreOpening', 'dowelHoles'] },
  pistons: { fits: ['valvePockets', 'pinAndRings'], rated: ['rpm', 'powerKw'] },
  rings: { fits: ['pinAndRings'] },
  shells: { fits: ['dowelHoles'] },
  rods: { fits: ['pinAndRings', 'threadAndLength'], rated: ['rpm', 'powerKw'] },
  rodBolts: { fits: ['threadAndLength'], rated: ['rpm'] },
  mainCaps: { fits: ['dowelCounterbores', 'boltHoleSize'] },
  studs: { fits: ['threadAndLength', 'boltHoleSize'] },
  crank: { fits: ['key', 'boltHoleSize'], rated: ['rpm', 'powerKw'] },
  cam: { fits: ['gearMaterial', 'newFollowers', 'key'] },
  lifters: { fits: ['followerKind'], rated: ['rpm', 'liftMm'] },
  pushrods: { fits: ['threadAndLength'], rated: ['rpm'] },
  rockers: { fits: ['boltHoleSize'], rated: ['rpm', 'liftMm'] },
  springs: { fits: ['springSeat'], rated: ['rpm', 'liftMm'] },
  valves: { fits: ['valvePockets'], rated: ['rpm'] },
  head: { fits: ['dowelCounterbores', 'boltHoleSize', 'valvePockets'], rated: ['powerKw'] },
  timingSet: { fits: ['key', 'dowelHoles'], rated: ['rpm'] },
  oilPump: { fits: ['pickupBore', 'driveShaft'], rated: ['rpm'] },
  pumpDrive: { fits: ['driveShaft'] },
  pan: { fits: ['dipstickSide', 'pickupRoom'] },
  damper: { fits: ['key', 'boltHoleSize'], rated: ['rpm'] },
  flywheel: { fits: ['boltHoleSize', 'dowelHoles'], rated: ['rpm'] },
  ignition: { fits: ['gearMaterial', 'driveShaft'], rated: ['rpm'] },
  injectors: { fits: ['asOrdered'], rated: ['powerKw'] },
  manifold: { fits: ['portsMeet', 'boltHoleSize'], rated: ['rpm', 'powerKw'] },
  machining: { fits: ['measuredAgain'] },
  other: { fits: ['asOrdered'], rated: ['rpm', 'liftMm', 'powerKw'] },
} as const satisfies Readonly<Record<string, PartKind>>

export type PartKindId = keyof typeof PARTS
export const PART_KINDS = Object.keys(PARTS) as PartKindId[]

export function partKind(what: PartKindId): PartKind {
  return PARTS[what]
}

/**
 * What a cam's gear is of, and what the gear that runs on it may be of (common practice): iron on iron; on steel iron wears away in hours,
 * and bronze or a composite wears in the place of the cam.
 */
export const CAM_MATERIALS = ['castIron', 'ductileIron', 'steel'] as const
export const GEAR_MATERIALS = ['castIron', 'hardenedSteel', 'bronze', 'composite'] as const
export type CamMaterial = (typeof CAM_MATERIALS)[number]
export type GearMaterial = (typeof GEAR_MATERIALS)[number]
export const GEARS_FOR: Readonly<Record<CamMaterial, readonly GearMaterial[]>> = {
  castIron: ['castIron', 'composite', 'bronze'],
  ductileIron: ['hardenedSteel', 'composite', 'bronze'],
  steel: ['hardenedSteel', 'composite', 'bronze'],
}

/** What a conversion brings with it: forgotten, each of them stops the engine, or leaks (common practice). */
export const CONVERSIONS = {
  dryFuelPump: {
    brings: [
      ['other', 'fuelPumpCover'],
      ['other', 'fuelPumpPushrodOut'],
    ],
  },
  deactivationOut: {
    brings: [
      ['other', 'valleyCover'],
      ['other', 'oilTowerPlugs'],
      ['lifters', 'plainLifters'],
      ['cam', 'camWithoutDeactivation'],
      ['other', 'controlUnitTold'],
    ],
  },
  phaserOut: {
    brings: [
      ['timingSet', 'fixedSprocket'],
      ['other', 'solenoidPlug'],
      ['other', 'frontCoverPlain'],
      ['other', 'controlUnitTold'],
    ],
  },
  solidLifters: {
    brings: [
      ['cam', 'solidLiftersCam'],
      ['lifters', 'solidLifters'],
      ['rockers', 'adjustableRockers'],
      ['pushrods', 'pushrodsMeasured'],
    ],
  },
  rollerLifters: {
    brings: [
      ['cam', 'rollerCam'],
      ['lifters', 'rollerLifters'],
      ['pushrods', 'pushrodsMeasured'],
      ['ignition', 'gearForSteelCam'],
      ['other', 'camThrustPlate'],
    ],
  },
  drySump: {
    brings: [
      ['pan', 'shallowPan'],
      ['other', 'scavengePump'],
      ['other', 'tankAndLines'],
      ['other', 'pumpHolesPlugged'],
      ['other', 'crankPulleyWithDrive'],
    ],
  },
  electricWaterPump: {
    brings: [
      ['other', 'pumpBlank'],
      ['other', 'beltShorter'],
      ['other', 'controlUnitTold'],
    ],
  },
  boost: {
    brings: [
      ['gasket', 'boostGasket'],
      ['studs', 'headStuds'],
      ['injectors', 'largerInjectors'],
      ['other', 'breatherToClosed'],
      ['other', 'controlUnitTold'],
    ],
  },
} as const satisfies Readonly<Record<string, { readonly brings: readonly (readonly [PartKindId, string])[] }>>
export type ConversionId = keyof typeof CONVERSIONS
export type BroughtPart = (typeof CONVERSIONS)[ConversionId]['brings'][number][1]
