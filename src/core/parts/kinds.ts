/**
 * Parts as they are ordered: which steps wait for each kind, what is looked at when it arrives, and what its maker rates it for (common
 * practice; the maker's own sheet comes first).
 */
import type { StepName } from '../walk/handbook'

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
  /** Steps that cannot be done without it. */
  readonly needs: readonly StepName[]
  readonly fits: readonly FitCheckId[]
  readonly rated?: readonly RatingId[]
}

export const PARTS = {
  gasket: { needs: ['heads.gasket'], fits: ['boreOpening', 'dowelHoles'] },
  pistons: { needs: ['final.pistons'], fits: ['valvePockets', 'pinAndRings'], rated: ['rpm', 'powerKw'] },
  rings: { needs: ['final.ringsOn'], fits: ['pinAndRings'] },
  shells: { needs: ['final.shells'], fits: ['dowelHoles'] },
  rods: { needs: ['final.pistons'], fits: ['pinAndRings', 'threadAndLength'], rated: ['rpm', 'powerKw'] },
  rodBolts: { needs: ['final.rodCaps'], fits: ['threadAndLength'], rated: ['rpm'] },
  mainCaps: { needs: ['final.mainCaps'], fits: ['dowelCounterbores', 'boltHoleSize'] },
  studs: { needs: ['heads.studs'], fits: ['threadAndLength', 'boltHoleSize'] },
  crank: { needs: ['final.crank'], fits: ['key', 'boltHoleSize'], rated: ['rpm', 'powerKw'] },
  cam: { needs: ['cam.in'], fits: ['gearMaterial', 'newFollowers', 'key'] },
  lifters: { needs: ['heads.lifters'], fits: ['followerKind'], rated: ['rpm', 'liftMm'] },
  pushrods: { needs: ['heads.pushrods'], fits: ['threadAndLength'], rated: ['rpm'] },
  rockers: { needs: ['heads.pushrods'], fits: ['boltHoleSize'], rated: ['rpm', 'liftMm'] },
  springs: { needs: ['clear.springsOut'], fits: ['springSeat'], rated: ['rpm', 'liftMm'] },
  valves: { needs: ['clear.headOn'], fits: ['valvePockets'], rated: ['rpm'] },
  head: { needs: ['heads.on'], fits: ['dowelCounterbores', 'boltHoleSize', 'valvePockets'], rated: ['powerKw'] },
  timingSet: { needs: ['final.timing', 'heads.timing'], fits: ['key', 'dowelHoles'], rated: ['rpm'] },
  oilPump: { needs: ['final.oilPump'], fits: ['pickupBore', 'driveShaft'], rated: ['rpm'] },
  pumpDrive: { needs: ['final.pumpDrive'], fits: ['driveShaft'] },
  pan: { needs: ['final.pan'], fits: ['dipstickSide', 'pickupRoom'] },
  damper: { needs: ['final.cover'], fits: ['key', 'boltHoleSize'], rated: ['rpm'] },
  flywheel: { needs: ['fire.starter'], fits: ['boltHoleSize', 'dowelHoles'], rated: ['rpm'] },
  ignition: { needs: ['intake.ignition'], fits: ['gearMaterial', 'driveShaft'], rated: ['rpm'] },
  injectors: { needs: ['intake.on'], fits: ['asOrdered'], rated: ['powerKw'] },
  manifold: { needs: ['intake.on'], fits: ['portsMeet', 'boltHoleSize'], rated: ['rpm', 'powerKw'] },
  machining: { needs: ['machine.back', 'finalClean.washed'], fits: ['measuredAgain'] },
  other: { needs: [], fits: ['asOrdered'], rated: ['rpm', 'liftMm', 'powerKw'] },
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
