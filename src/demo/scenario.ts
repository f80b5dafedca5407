/** The three engines of Harrow Lane Engine Works, an invented shop. Numbers are nominal; the twin makes the readings. */
import { DRIVES, PROVED_CLEARANCES, VALVES } from './valvetrain'
import { startingLimits } from '@/core/benches'
import { USUAL_METHODS } from '@/core/benches'
import type { Shell } from '@/core/benches/bearings'
import type { Gasket, Layer } from '@/core/benches/compression'
import { DEFAULT_MATERIALS, type Id, type Joint, type Limit, type Spec } from '@/core/build'
import { usualPins, type LayoutKind } from '@/core/engine'
import { fromCanonical, toCanonical } from '@/core/quantity'
import type { Faults } from '@/core/twin'
import { printed } from '@/core/numerics/printed'
import { petrelJoints, ternJoints, wrenJoints } from './joints'

const SHEET = 'owner’s sheet'
const GASKETS = 'gasket maker’s sheet'
const PISTONS = 'piston maker’s card'
const CAM = 'cam card'
const SHOP = 'shop rule'
const ROD_CARD = 'rod maker’s card'
const inch = (inches: number) => printed(toCanonical(inches, 'in'))

export interface DemoBuild {
  readonly id: string
  readonly spec: Spec
  readonly faults: Faults
  readonly seed: number
  /** Which stations have been read when the demo is loaded. */
  readonly read: (characteristic: string, cylinder: number) => boolean
  /** Gauges where the shop takes another than the first of its drawer. */
  readonly gauges: Readonly<Record<string, string>>
  /** What the shop leaves out of what is not read, and why. */
  readonly skips?: Readonly<Record<string, string>>
  /** Checks found right. */
  readonly checks: readonly Id[]
  readonly startedDaysAgo: number
}

const band = (lower: number, upper: number, target: number | undefined, source: string, reason: string): Limit => ({
  lower,
  upper,
  target,
  source,
  reason,
})

/** The usual crank of a layout, front number one, turning clockwise. */
function pins(kind: LayoutKind, cylinders: number, bankAngleDeg: number): Spec['layout']['pins'] {
  const placed = {
    kind,
    cylinders,
    bankAngleDeg,
    numbering: bankAngleDeg > 0 ? 'alternating' : 'downEachBank',
    numberOneAt: 'front',
    leadingBank: 'left',
    rotation: 'clockwise',
  } as const
  return usualPins(placed).map((pin) => ({ ...pin, cylinders: [...pin.cylinders] }))
}

function gaskets(
  boreMm: number,
  thicknessesMm: readonly number[],
  toleranceMm: number,
  kind: Gasket['kind'],
  label: (mm: number) => string,
): Gasket[] {
  return thicknessesMm.map((thicknessMm, index) => ({
    id: `hl-g${index + 1}`,
    name: label(thicknessMm),
    boreMm,
    thicknessMm,
    thicknessToleranceMm: toleranceMm,
    kind,
    source: GASKETS,
  }))
}

function layer(name: string, thicknessMm: number, thicknessToleranceMm: number): Layer {
  return { id: 'hl-l1', name, thicknessMm, thicknessToleranceMm, source: GASKETS }
}

/** Standard, X and undersize halves of one invented maker. */
function shells(fits: Shell['fits'], letter: string, standardHalves: number): Shell[] {
  const shell = (mark: string, name: string, thou: number, halves: number): Shell => ({
    id: `hl-${letter}${mark}`,
    name: `${letter}-${name}`,
    fits,
    wallMm: inch(thou / 1000),
    halves,
    source: 'shelf, counted',
  })
  return [shell('S', 'standard', 0, standardHalves), shell('X', 'X', -0.5, 4), shell('U', 'undersize', 0.5, 4)]
}

const tern: DemoBuild = {
  id: '01920000-0000-7000-8000-000000000001',
  seed: 4166,
  startedDaysAgo: 9,
  gauges: {
    'rings.topGap': 'feeler-fine.1',
    'rings.secondGap': 'feeler-fine.1',
    'rings.upperRailGap': 'feeler-metric.1',
    'rings.lowerRailGap': 'feeler-metric.1',
    'bearings.rodSide': 'feeler-fine.1',
    'rods.centreDistance': 'bore-metric.1',
  },
  checks: [
    'bores.cracks',
    'bores.threadsChased',
    'bores.galleryPlugs',
    'bores.deckFlat',
    'bearings.housings',
    'bearings.journalFinish',
    'bearings.thrustAligned',
    'bearings.mainsTorqued',
    'rings.ringsLabelled',
  ],
  // One piston further down the hole, one chamber large, one ring tight, two pistons in the wrong bores: what the benches have to find.
  faults: {
    deckMm: { 3: 0.06 },
    chamberCm3: { 4: 0.9 },
    ringTopMm: { 2: -0.058 },
    // The second bolt of rod 4 gives at little more than half of what its sheet says.
    boltYieldShare: { 8: -0.45 },
    boreMm: { 1: 0.008, 5: -0.006 },
    // The intake cam stands three degrees of crank later than its card.
    camLateDeg: { 1: 3 },
    skirtMm: { 1: -0.008, 5: 0.008 },
  },
  read: () => true,
  spec: {
    name: 'Tern',
    description: 'inline five, turbo, hill-climb',
    units: 'metric',
    layout: {
      kind: 'inline',
      cylinders: 5,
      bankAngleDeg: 0,
      numbering: 'downEachBank',
      numberOneAt: 'front',
      leadingBank: 'left',
      rotation: 'clockwise',
      firingOrder: [1, 2, 4, 5, 3],
      pins: pins('inline', 5, 0),
      mains: 6,
      mainBearings: 'plain',
      rodBearings: 'plain',
      valvesPerCylinder: 4,
      valveDrive: 'bucketShimUnder',
      boreSpacingMm: 92,
      intakeSide: 'left',
    },
    duty: { use: 'competition', useWords: 'hill-climb', fuel: 'petrol', fuelWords: '102 RON', boostKpa: 160, redlineRpm: 8200 },
    paper: {
      bore: { value: 83, unit: 'mm', source: SHEET, reason: '82.5 + 0.5 overbore' },
      stroke: { value: 92.8, tolerance: 0.02, unit: 'mm', source: SHEET },
      rodLength: { value: 144, tolerance: 0.03, unit: 'mm', source: SHEET },
      blockHeight: { value: 220, unit: 'mm', source: SHEET },
      compressionHeight: { value: 29.55, tolerance: 0.02, unit: 'mm', source: PISTONS },
      deckClearance: { value: 0.05, unit: 'mm', source: SHEET, reason: '220.00 − 46.40 − 144.00 − 29.55' },
      chamberVolume: { value: 46, unit: 'cm3', source: SHEET },
      chamberOpenArea: { value: 51, unit: 'cm2', source: SHEET },
      pistonVolume: { value: 10.2, tolerance: 0.1, unit: 'cm3', source: PISTONS, reason: 'dish' },
      crownDiameter: { value: 82.5, tolerance: 0.02, unit: 'mm', source: PISTONS },
      landHeight: { value: 5, tolerance: 0.05, unit: 'mm', source: PISTONS },
      mainJournal: { value: 58, tolerance: 0.01, unit: 'mm', source: SHEET },
      rodJournal: { value: 50, tolerance: 0.01, unit: 'mm', source: SHEET },
      shellWall: { value: 1.9, unit: 'mm', source: 'shell maker’s sheet' },
      bearingTemperature: { value: 95, tolerance: 10, unit: 'degC', source: 'oil gauge, last season' },
      pinDiameter: { value: 21, unit: 'mm', source: PISTONS },
      ringTemperature: { value: 280, tolerance: 20, unit: 'degC', source: 'common practice, boosted' },
      boreTemperature: { value: 150, tolerance: 15, unit: 'degC', source: 'common practice' },
      intakeClosing: { value: 222, unit: 'deg', source: `${CAM}, at 1.00 mm lift` },
      fluidDensity: { value: 0.87, tolerance: 0.005, unit: 'gPerCm3', source: 'weighed in the shop' },
      ambientPressure: { value: 101.325, unit: 'kPa', source: 'standard atmosphere, ISO 2533' },
      intakeTemperature: { value: 45, unit: 'degC', source: 'tuner' },
      boltStretch: { value: 0.154, tolerance: 0.008, unit: 'mm', source: ROD_CARD },
      boltStepFrom: { value: 18, unit: 'Nm', source: SHOP },
      boltStepTo: { value: 53, unit: 'Nm', source: SHOP },
      boltStepBy: { value: 5, unit: 'Nm', source: SHOP },
      checkLift: { value: 1.27, unit: 'mm', source: CAM },
      intakeDuration: { value: 222.7, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeCentreline: { value: 109.5, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustDuration: { value: 225, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustCentreline: { value: 110, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeLobeLift: { value: 10.2, tolerance: 0.02, unit: 'mm', source: CAM },
      exhaustLobeLift: { value: 10, tolerance: 0.02, unit: 'mm', source: CAM },
      intakeLash: { value: 0.2, unit: 'mm', source: CAM },
      exhaustLash: { value: 0.25, unit: 'mm', source: CAM },
      camStep: { value: 2, unit: 'deg', source: 'vernier, one mark' },
      camSteps: { value: 6, unit: 'one', source: 'vernier' },
      camTeeth: { value: 44, unit: 'one', source: SHEET },
      camPitchRadius: { value: 66.7, unit: 'mm', source: SHEET },
      ...VALVES.tern,
    },
    limits: {
      'rings.topGap': {
        lower: 0.54,
        target: 0.56,
        source: 'ring maker’s card',
        reason: '0.0065 × bore for this boost; when in doubt, wide.',
      },
      'rings.secondGap': { lower: 0.58, target: 0.6, source: 'ring maker’s card', reason: 'A little more than the top ring.' },
      'compression.compressionRatio': band(8.9, 9.1, 9, 'tuner', '1.6 bar of boost on 102 RON'),
      'compression.ratioSpread': { upper: 0.1, source: SHOP, reason: 'All five alike before any one perfect.' },
      'compression.quench': band(0.9, 1.3, 1.15, PISTONS, 'Steel rods; the piston maker’s window.'),
      'compression.deckClearance': band(0.03, 0.07, 0.05, SHEET, 'Stack of block, throw, rod and piston, ± 0.02.'),
      'compression.deckSpread': { upper: 0.04, source: SHOP, reason: 'Pistons that stand alike keep quench and ratio alike.' },
      'compression.deckFall': band(-0.03, 0.03, 0, SHOP, 'A deck parallel to the crank.'),
      'compression.chamberVolume': band(45.6, 46.4, 46, SHOP, 'Keeps the ratios within 0.1.'),
      'compression.chamberSpread': { upper: 0.8, source: SHOP, reason: '0.1 · clearance volume ÷ (ratio − 1).' },
      'compression.deckCut': { upper: 0.4, source: 'common practice', reason: 'Keeps the block strong and leaves some for next time.' },
      'compression.headCut': { upper: 0.2, source: SHOP, reason: 'Twin cams: the chain and the timing move with it.' },
      ...PROVED_CLEARANCES,
    },
    materials: { ...DEFAULT_MATERIALS, block: 'castAluminium', topRing: 'ductileIron' },
    drive: DRIVES.tern,
    methods: {
      ...USUAL_METHODS,
      bore: 'measured',
      deckPlaces: 4,
      chamber: 'buretteLevels',
      chamberRepeats: 2,
      ringDepths: 3,
      rodBolts: 'curves',
      camTdc: 'drop',
      camEqualLift: true,
      camCurve: true,
      clearanceDial: 'one',
      clearanceRound: true,
      clearanceBetween: true,
    },
    stock: {
      gaskets: gaskets(84, [1, 1.1, 1.25, 1.4], 0.02, 'multiLayerSteel', (mm) => `Multi-layer steel ${mm.toFixed(2)}`),
      layers: [layer('Steel spacer 0.30', 0.3, 0.01)],
      pistons: [],
      shells: [],
    },
    choice: { gasket: 'hl-g2' },
  },
}

const petrel: DemoBuild = {
  id: '01920000-0000-7000-8000-000000000002',
  seed: 5112,
  startedDaysAgo: 4,
  skips: { 'bores.deckFinish': 'roughness tester out on loan', 'bearings.spin': 'turned by hand, nothing bound' },
  gauges: {},
  checks: ['bores.cracks', 'bores.threadsChased', 'bearings.housings'],
  // Mains and rods as the grinder left them: standard shells alone do not land them.
  // Its lobes are more pointed than their card alone would make them.
  faults: {
    lobePower: { 1: 0.3, 2: 0.3 },
    mainClearanceMm: { 2: inch(-0.0006), 4: inch(0.0008) },
    rodClearanceMm: { 3: inch(0.0006), 6: inch(-0.0005) },
  },
  read: (characteristic, cylinder) =>
    [
      'bores.bore',
      'bores.skirt',
      'bearings.mainJournal',
      'bearings.rodJournal',
      'bearings.mainClearance',
      'bearings.rodClearance',
    ].includes(characteristic) ||
    (characteristic === 'compression.deck' && cylinder <= 5) ||
    (characteristic === 'clearance.drop' && cylinder <= 4),
  spec: {
    name: 'Petrel',
    description: '90° V8, restored lake-racing hydroplane',
    units: 'inch',
    layout: {
      kind: 'v',
      cylinders: 8,
      bankAngleDeg: 90,
      numbering: 'alternating',
      numberOneAt: 'front',
      leadingBank: 'left',
      rotation: 'clockwise',
      firingOrder: [1, 8, 4, 3, 6, 5, 7, 2],
      pins: pins('v', 8, 90),
      mains: 5,
      mainBearings: 'plain',
      rodBearings: 'plain',
      valvesPerCylinder: 2,
      valveDrive: 'pushrod',
      boreSpacingMm: inch(4.84),
      intakeSide: 'valley',
    },
    duty: {
      use: 'sustained',
      useWords: 'lake racing, full throttle',
      fuel: 'petrol',
      fuelWords: '110 octane leaded',
      boostKpa: 0,
      redlineRpm: 7200,
    },
    paper: {
      bore: { value: inch(4.155), unit: 'in', source: SHEET, reason: '4.125 + 0.030 overbore' },
      stroke: { value: inch(3.75), tolerance: inch(0.001), unit: 'in', source: SHEET },
      rodLength: { value: inch(6), tolerance: inch(0.001), unit: 'in', source: SHEET },
      blockHeight: { value: inch(9.025), unit: 'in', source: SHEET },
      compressionHeight: { value: inch(1.14), tolerance: inch(0.001), unit: 'in', source: PISTONS },
      deckClearance: { value: inch(0.01), unit: 'thou', source: SHEET },
      chamberVolume: { value: 62.3, unit: 'cm3', source: 'head shop' },
      chamberOpenArea: { value: 78, unit: 'cm2', source: 'head shop' },
      pistonVolume: { value: -3, tolerance: 0.2, unit: 'cm3', source: PISTONS, reason: 'dome less valve pockets' },
      crownDiameter: { value: inch(4.12), tolerance: inch(0.001), unit: 'in', source: PISTONS },
      landHeight: { value: inch(0.25), tolerance: inch(0.002), unit: 'in', source: PISTONS },
      mainJournal: { value: inch(2.75), tolerance: inch(0.0005), unit: 'in', source: 'grinder’s card' },
      rodJournal: { value: inch(2.1), tolerance: inch(0.0005), unit: 'in', source: 'grinder’s card' },
      bearingTemperature: { value: 95, tolerance: 10, unit: 'degF', source: 'owner' },
      pinDiameter: { value: inch(0.927), unit: 'in', source: PISTONS },
      ringTemperature: { value: 240, tolerance: 20, unit: 'degF', source: 'common practice, unboosted' },
      boreTemperature: { value: 140, tolerance: 15, unit: 'degF', source: 'common practice' },
      oilAllowance: { value: 4, unit: 'g', source: 'crank shop' },
      boltStretch: { value: inch(0.0064), unit: 'thou', source: ROD_CARD },
      intakeClosing: { value: 228, unit: 'deg', source: `${CAM}, at 0.050 in` },
      checkLift: { value: inch(0.05), unit: 'in', source: CAM },
      intakeDuration: { value: 263.3, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeCentreline: { value: 106, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustDuration: { value: 270.4, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustCentreline: { value: 112, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeLobeLift: { value: inch(0.4), unit: 'in', source: CAM },
      exhaustLobeLift: { value: inch(0.4), unit: 'in', source: CAM },
      rockerRatio: { value: 1.6, unit: 'one', source: 'rocker maker’s sheet' },
      intakeLash: { value: inch(0.018), unit: 'thou', source: CAM },
      exhaustLash: { value: inch(0.02), unit: 'thou', source: CAM },
      camStep: { value: 2, unit: 'deg', source: 'crank sprocket, nine keyways' },
      camSteps: { value: 4, unit: 'one', source: 'crank sprocket, nine keyways' },
      ...VALVES.petrel,
      ambientPressure: { value: 101.325, unit: 'psi', source: 'standard atmosphere, ISO 2533' },
      intakeTemperature: { value: 30, unit: 'degF', source: 'tuner' },
    },
    limits: {
      'compression.compressionRatio': band(12.7, 12.9, 12.8, 'owner and tuner', 'The fuel the class allows.'),
      'compression.ratioSpread': { upper: 0.1, source: SHOP, reason: 'All eight alike before any one perfect.' },
      'compression.quench': band(inch(0.038), inch(0.055), inch(0.05), PISTONS, 'Steel rods.'),
      'compression.deckClearance': band(inch(0.007), inch(0.013), inch(0.01), SHEET, 'Stack of block, throw, rod and piston.'),
      'compression.deckSpread': { upper: inch(0.004), source: SHOP, reason: 'Pistons that stand alike keep quench and ratio alike.' },
      'compression.deckFall': band(inch(-0.003), inch(0.003), 0, SHOP, 'A deck parallel to the crank.'),
      'compression.chamberVolume': band(61.9, 62.7, 62.3, SHOP, 'Keeps the ratios within 0.1.'),
      'compression.chamberSpread': { upper: 0.6, source: SHOP, reason: '0.1 · clearance volume ÷ (ratio − 1).' },
      'compression.deckCut': {
        upper: inch(0.015),
        source: 'common practice',
        reason: 'Keeps the block strong and leaves some for next time.',
      },
      'compression.headCut': { upper: inch(0.01), source: SHOP, reason: 'The intake has to fit.' },
    },
    materials: { ...DEFAULT_MATERIALS, topRing: 'ductileIron' },
    drive: DRIVES.petrel,
    methods: { ...USUAL_METHODS, bore: 'measured', deckPlaces: 2, chamber: 'buretteVolume', chamberRepeats: 1, rodBolts: 'stretch' },
    stock: {
      gaskets: gaskets(
        inch(4.2),
        [0.027, 0.036, 0.04, 0.051].map(inch),
        inch(0.001),
        'steelShim',
        (mm) => `Steel ${fromCanonical(mm, 'in').toFixed(3)}`,
      ),
      layers: [],
      pistons: [],
      shells: [...shells('main', 'M', 10), ...shells('rod', 'R', 16)],
    },
    choice: { gasket: 'hl-g3' },
  },
}

const wren: DemoBuild = {
  id: '01920000-0000-7000-8000-000000000003',
  seed: 6101,
  startedDaysAgo: 1,
  gauges: {},
  checks: [],
  faults: {},
  read: () => false,
  spec: {
    name: 'Wren',
    description: '500 cc single, grass-track',
    units: 'metric',
    layout: {
      kind: 'single',
      cylinders: 1,
      bankAngleDeg: 0,
      numbering: 'downEachBank',
      numberOneAt: 'front',
      leadingBank: 'left',
      rotation: 'clockwise',
      firingOrder: [1],
      pins: pins('single', 1, 0),
      mains: 2,
      mainBearings: 'rolling',
      rodBearings: 'rolling',
      valvesPerCylinder: 4,
      valveDrive: 'bucketShimOver',
      boreSpacingMm: 110,
      intakeSide: 'left',
    },
    duty: { use: 'competition', useWords: 'grass-track', fuel: 'methanol', boostKpa: 0, redlineRpm: 10_500 },
    paper: {
      bore: { value: 88, tolerance: 0.01, unit: 'mm', source: SHEET },
      stroke: { value: 82, tolerance: 0.02, unit: 'mm', source: SHEET },
      rodLength: { value: 150, unit: 'mm', source: SHEET },
      deckClearance: { value: 0.1, unit: 'mm', source: SHEET },
      chamberVolume: { value: 36, unit: 'cm3', source: SHEET },
      chamberOpenArea: { value: 57, unit: 'cm2', source: SHEET },
      pistonVolume: { value: -3.2, tolerance: 0.2, unit: 'cm3', source: PISTONS, reason: 'dome less valve pockets' },
      intakeDuration: { value: 214.7, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeCentreline: { value: 105, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustDuration: { value: 214.7, tolerance: 0.5, unit: 'deg', source: CAM },
      exhaustCentreline: { value: 106, tolerance: 0.5, unit: 'deg', source: CAM },
      intakeLobeLift: { value: 9.6, unit: 'mm', source: CAM },
      exhaustLobeLift: { value: 9.6, unit: 'mm', source: CAM },
      intakeLash: { value: 0.15, unit: 'mm', source: CAM },
      exhaustLash: { value: 0.2, unit: 'mm', source: CAM },
      ...VALVES.wren,
      ambientPressure: { value: 101.325, unit: 'kPa', source: 'standard atmosphere, ISO 2533' },
    },
    limits: {
      'compression.compressionRatio': band(13.9, 14.1, 14, 'owner', 'Methanol.'),
      'compression.quench': band(0.75, 1.1, 0.9, PISTONS, 'Steel rod, short block.'),
      'compression.deckClearance': band(0.05, 0.15, 0.1, SHEET, 'As the sheet asks.'),
      'compression.chamberVolume': band(35.8, 36.2, 36, SHOP, 'Two tenths either way is 0.07 of ratio.'),
      'compression.deckCut': { upper: 0.2, source: SHOP, reason: 'Barrel base shims are the other way.' },
      'compression.headCut': { upper: 0.2, source: SHOP, reason: 'The cam chain has to reach.' },
      ...PROVED_CLEARANCES,
    },
    materials: { ...DEFAULT_MATERIALS, block: 'castAluminium' },
    drive: DRIVES.wren,
    methods: { ...USUAL_METHODS, deckPlaces: 4, chamberRepeats: 2 },
    stock: {
      gaskets: gaskets(88.5, [0.6, 0.8, 1], 0.02, 'copper', (mm) => `Copper ${mm.toFixed(2)}`),
      layers: [layer('Copper spacer 0.20', 0.2, 0.01)],
      pistons: [],
      shells: [],
    },
    choice: { gasket: 'hl-g2' },
  },
}

/** What the scenario does not set itself starts from the benches' presets, as any fresh build does. */
function withPresets(demo: DemoBuild): DemoBuild {
  const { spec } = demo
  return { ...demo, spec: { ...spec, limits: { ...startingLimits(spec), ...spec.limits } } }
}

const planned = (demo: DemoBuild, jointsOf: (layout: Spec['layout']) => Joint[]): DemoBuild => ({
  ...demo,
  spec: { ...demo.spec, joints: jointsOf(demo.spec.layout) },
})

export const DEMO_BUILDS: readonly DemoBuild[] = [planned(tern, ternJoints), planned(petrel, petrelJoints), planned(wren, wrenJoints)].map(
  withPresets,
)
