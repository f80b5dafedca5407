import type { PartOwner, UnitSystem } from '@/core/document/types'
import type {
  BroughtPart,
  CamMaterial,
  ConversionId,
  FitCheckId,
  GearMaterial,
  Misfit,
  Part,
  PartKindId,
  PartState,
  RatingId,
  Weakest,
} from '@/core/parts'

export const PART_KIND_WORDS: Readonly<Record<PartKindId, string>> = {
  gasket: 'Head gasket',
  pistons: 'Pistons',
  rings: 'Rings',
  shells: 'Bearing shells',
  rods: 'Rods',
  rodBolts: 'Rod bolts',
  mainCaps: 'Main caps',
  studs: 'Studs',
  crank: 'Crank',
  cam: 'Cam',
  lifters: 'Lifters',
  pushrods: 'Pushrods',
  rockers: 'Rockers',
  springs: 'Valve springs',
  valves: 'Valves',
  head: 'Head',
  timingSet: 'Timing set',
  oilPump: 'Oil pump',
  pumpDrive: 'Oil pump drive',
  pan: 'Oil pan',
  damper: 'Damper',
  flywheel: 'Flywheel',
  ignition: 'Distributor or ignition',
  injectors: 'Injectors',
  manifold: 'Manifold',
  machining: 'At the machine shop',
  other: 'Something else',
}

export const PART_STATE_WORDS: Readonly<Record<PartState, string>> = {
  wanted: 'wanted',
  ordered: 'ordered',
  arrived: 'in, not checked',
  in: 'in, and fits',
  failed: 'in, does not fit',
  back: 'sent back',
  dropped: 'not wanted any more',
}

export const OWNER_WORDS: Readonly<Record<PartOwner, string>> = { shop: 'the shop’s', owner: 'the owner’s', lent: 'lent' }

interface FitWords {
  readonly ask: string
  readonly why: string
}

/** What is looked at when a part arrives (common practice). */
export const FIT_WORDS: Readonly<Record<FitCheckId, FitWords>> = {
  asOrdered: { ask: 'As ordered: kind, size, number', why: 'A box says what was meant to be in it.' },
  dipstickSide: { ask: 'Dipstick on the side this block has it', why: 'The other side’s pan fits everywhere else.' },
  pickupRoom: { ask: 'Pickup stands off its floor as it should', why: 'Too near it starves; too far it sucks air.' },
  pickupBore: { ask: 'Pickup tube fits the pump’s bore', why: 'A loose pickup falls out, and oil pressure with it.' },
  dowelCounterbores: { ask: 'Counterbored for this block’s dowels', why: 'Without it stands on its dowels and clamps nothing.' },
  dowelHoles: { ask: 'Holes for dowels and tangs where they are here', why: 'Another year’s has them elsewhere.' },
  boltHoleSize: {
    ask: 'Bolt holes of the size of these bolts',
    why: 'One size larger centres nothing; one smaller is drilled, and washed again.',
  },
  boreOpening: { ask: 'Its opening clears this bore all round', why: 'What stands into the bore burns first.' },
  driveShaft: { ask: 'Drive shaft: length and both ends fit', why: 'Short it lets go; long it pushes on the pump.' },
  key: { ask: 'Keyway of the same width and place', why: 'A step in a key is degrees at the cam.' },
  valvePockets: { ask: 'Valve pockets fit the heads of these valves', why: 'A valve that is larger touches at the side of its pocket.' },
  pinAndRings: { ask: 'Pin, ring widths and bore size agree', why: 'Sets are mixed in boxes.' },
  threadAndLength: { ask: 'Thread, length and end as those they replace', why: 'One that bottoms clamps nothing.' },
  gearMaterial: { ask: 'Its gear goes with the one it runs on', why: 'Iron on steel is filings in the oil within hours.' },
  newFollowers: {
    ask: 'Followers: new ones with it, or rollers measured again',
    why: 'One that ran on another lobe takes the new one down.',
  },
  followerKind: { ask: 'Flat or roller, solid or hydraulic, as the cam asks', why: 'Each kind wants its own lobe.' },
  springSeat: { ask: 'Seat, retainer and installed height fit', why: 'What is loose on its seat walks.' },
  portsMeet: { ask: 'Ports and holes meet the head’s, gasket laid on', why: 'A step in a port is felt at the top end.' },
  measuredAgain: { ask: 'Measured again, and as it was ordered', why: 'What was read before is of the part as it was.' },
}

export const CAM_MATERIAL_WORDS: Readonly<Record<CamMaterial, string>> = {
  castIron: 'cast iron',
  ductileIron: 'ductile iron',
  steel: 'steel',
}
export const GEAR_MATERIAL_WORDS: Readonly<Record<GearMaterial, string>> = {
  castIron: 'cast iron',
  hardenedSteel: 'hardened steel',
  bronze: 'bronze',
  composite: 'composite',
}

export const CONVERSION_WORDS: Readonly<Record<ConversionId, string>> = {
  dryFuelPump: 'Mechanical fuel pump left off',
  deactivationOut: 'Cylinder deactivation taken out',
  phaserOut: 'Cam phaser taken out',
  solidLifters: 'To solid lifters',
  rollerLifters: 'To roller lifters',
  drySump: 'To a dry sump',
  electricWaterPump: 'To an electric water pump',
  boost: 'To boost',
}

export const BROUGHT_WORDS: Readonly<Record<BroughtPart, string>> = {
  fuelPumpCover: 'Cover over the fuel pump’s hole',
  fuelPumpPushrodOut: 'Fuel pump pushrod out, eccentric left off',
  valleyCover: 'Valley cover without its solenoids',
  oilTowerPlugs: 'Plugs for its oil towers',
  plainLifters: 'Plain lifters in place of the collapsing ones',
  camWithoutDeactivation: 'Cam with even lobes',
  controlUnitTold: 'Control unit told',
  fixedSprocket: 'Fixed sprocket',
  solenoidPlug: 'Plug for its solenoid',
  frontCoverPlain: 'Front cover without its solenoid',
  solidLiftersCam: 'Cam for solid lifters',
  solidLifters: 'Solid lifters',
  adjustableRockers: 'Adjustable rockers',
  pushrodsMeasured: 'Pushrods, length measured first',
  rollerCam: 'Cam for rollers',
  rollerLifters: 'Roller lifters, tied',
  gearForSteelCam: 'Gear that goes with a steel cam',
  camThrustPlate: 'Thrust plate or button',
  shallowPan: 'Pan with pickups',
  scavengePump: 'Pump with scavenge stages',
  tankAndLines: 'Tank and lines',
  pumpHolesPlugged: 'Holes of the old pump plugged',
  crankPulleyWithDrive: 'Crank pulley with its drive',
  pumpBlank: 'Blank over the old water pump',
  beltShorter: 'Shorter belt',
  boostGasket: 'Gasket for boost',
  headStuds: 'Head studs',
  largerInjectors: 'Larger injectors',
  breatherToClosed: 'Breathers that hold under boost',
}

interface RatingUnit {
  readonly unit: string
  /** In the figure's own unit: rpm, mm, kW. */
  readonly per: number
  readonly digits: number
}

const RPM: RatingUnit = { unit: 'rpm', per: 1, digits: 0 }
/** Horsepower of 550 ft·lbf a second: NIST SP 811, appendix B. */
export const RATING_WORDS: Readonly<Record<RatingId, { readonly label: string } & Readonly<Record<UnitSystem, RatingUnit>>>> = {
  rpm: { label: 'Revolutions', metric: RPM, inch: RPM },
  liftMm: { label: 'Lift at the valve', metric: { unit: 'mm', per: 1, digits: 2 }, inch: { unit: 'in', per: 25.4, digits: 3 } },
  powerKw: { label: 'Power', metric: { unit: 'kW', per: 1, digits: 0 }, inch: { unit: 'hp', per: 0.745_699_87, digits: 0 } },
}

export function ratingWords(rating: RatingId, value: number, system: UnitSystem): string {
  const { unit, per, digits } = RATING_WORDS[rating][system]
  return `${(value / per).toFixed(digits)} ${unit}`
}

export function weakestWords({ rating, part, stands, asked, isShort }: Weakest, system: UnitSystem): string {
  const of = `${part.name} sets the limit: ${ratingWords(rating, stands, system)}`
  if (asked === undefined) return `${of}; what this engine asks is not known.`
  return isShort
    ? `${of}, and this engine asks ${ratingWords(rating, asked, system)}.`
    : `${of}, of ${ratingWords(rating, asked, system)} asked.`
}

export function misfitWords(misfit: Misfit): string {
  switch (misfit.is) {
    case 'gear': {
      const [cam, gear] = [misfit.cam.material as CamMaterial, misfit.gear.material as GearMaterial]
      return `${misfit.gear.name}: a gear of ${GEAR_MATERIAL_WORDS[gear]} wears on a cam of ${CAM_MATERIAL_WORDS[cam]}.`
    }
    case 'followers':
      return `${misfit.cam.name}: no new followers are on the list. Flat ones go with one cam only; rollers are measured again.`
    case 'material':
      return `${misfit.part.name}: not said what its gear is made of.`
  }
}

/** Where a part stands in one line, with the day it is promised for. */
export function partWords({ name, state, promised }: Pick<Part, 'name' | 'state' | 'promised'>): string {
  const day = promised && (state === 'ordered' || state === 'back') ? `, promised for ${promised}` : ''
  return `${name} (${PART_STATE_WORDS[state]}${day})`
}

export function lateWords(days: number): string {
  return days === 1 ? '1 day late' : `${days} days late`
}
