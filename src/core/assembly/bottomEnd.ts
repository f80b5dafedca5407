/** Block, crank, pistons, barrels and what closes them from below and in front (common practice). */
import * as of from './engine'
import type { PartRows } from './partRow'

type BottomEnd =
  | 'block'
  | 'plugs'
  | 'camBearings'
  | 'cam'
  | 'bearings'
  | 'shellsUpper'
  | 'crank'
  | 'mainCaps'
  | 'caseOther'
  | 'gearShafts'
  | 'primary'
  | 'rod'
  | 'rings'
  | 'pin'
  | 'piston'
  | 'rodCap'
  | 'barrel'
  | 'baseGasket'
  | 'pump'
  | 'pumpShaft'
  | 'pickup'
  | 'tray'
  | 'pan'
  | 'rearSeal'
  | 'frontCover'
  | 'sideCover'
  | 'sideCase'
  | 'damper'
  | 'flywheel'

const always = () => true

export const BOTTOM_END: PartRows<BottomEnd> = {
  // With split cases the first half.
  block: { has: always, isMachined: true },
  plugs: { has: of.isPumped, sitsOn: ['block'] },
  camBearings: { has: (engine) => of.hasPan(engine) && of.camInBlock(engine), sitsOn: ['block'] },
  cam: { has: of.camInBlock, sitsOn: ['block', 'camBearings', 'tappets'], closes: ['tappets'], isNear: true, movesClearance: true },
  bearings: { has: (engine) => !of.hasPlainMains(engine), sitsOn: ['block'], isNear: true },
  shellsUpper: { has: (engine) => of.hasPlainMains(engine) && !of.isSplashed(engine), sitsOn: ['block'], isNear: true },
  crank: {
    has: always,
    sitsOn: ['block', 'shellsUpper', 'bearings'],
    forGood: ['plugs'],
    closes: ['shellsUpper', 'bearings'],
    isMachined: true,
    isNear: true,
    movesClearance: true,
  },
  mainCaps: {
    has: (engine) => of.hasPlainMains(engine) && of.hasPan(engine),
    sitsOn: ['block'],
    closes: ['crank', 'shellsUpper'],
    hasJoint: true,
    isNear: true,
  },
  gearShafts: { has: of.isSplit, isOptional: always, sitsOn: ['block', 'bearings'], isNear: true },
  caseOther: {
    has: of.isSplit,
    sitsOn: ['crank', 'rod', 'gearShafts'],
    closes: ['plugs', 'bearings', 'shellsUpper', 'crank', 'rod', 'rodCap', 'gearShafts'],
    hasJoint: true,
    isMachined: true,
    isNear: true,
  },
  primary: { has: of.isSplit, isOptional: always, sitsOn: ['crank', 'caseOther'], isNear: true },
  rod: {
    each: 'cylinder',
    has: (engine) => of.hasRodCaps(engine) || !of.isSplit(engine),
    // Into split cases rods go on the crank; elsewhere they are joined to their pistons on the bench.
    sitsOn: (engine) => (of.isSplit(engine) ? ['crank'] : []),
    isMachined: true,
    isNear: true,
    movesClearance: true,
  },
  rings: { each: 'cylinder', has: always, readFirst: ['ringGap'], isNear: true },
  pin: { each: 'cylinder', has: always, sitsOn: ['rod', 'caseOther'], isNear: true },
  piston: {
    each: 'cylinder',
    has: always,
    sitsOn: ['crank', 'mainCaps:last', 'caseOther', 'rod', 'pin'],
    forGood: ['rings'],
    closes: (engine) => (of.hasSeparateBarrels(engine) ? [] : ['rings', 'pin', 'rod']),
    isMachined: true,
    isNear: true,
    movesClearance: true,
  },
  rodCap: {
    each: 'cylinder',
    has: of.hasRodCaps,
    sitsOn: (engine) => (of.isSplit(engine) ? ['crank', 'rod'] : ['crank', 'piston']),
    hasJoint: true,
    isNear: true,
  },
  baseGasket: { each: 'cylinder', has: of.hasSeparateBarrels, sitsOn: ['block', 'caseOther', 'studs'], movesClearance: true },
  barrel: {
    each: 'cylinder',
    has: of.hasSeparateBarrels,
    sitsOn: ['block', 'caseOther', 'studs', 'baseGasket', 'piston', 'pin', 'chainHung'],
    forGood: ['rings'],
    closes: ['baseGasket', 'piston', 'pin', 'rings'],
    isMachined: true,
    isNear: true,
    movesClearance: true,
  },
  pump: {
    has: of.isPumped,
    sitsOn: (engine) => (engine.ways?.pump === 'inFrontCover' ? [] : ['block', 'mainCaps:last']),
    hasJoint: true,
    isNear: true,
  },
  pumpShaft: { has: of.isPumped, isOptional: always, sitsOn: ['pump'], isNear: true },
  pickup: { has: (engine) => of.isPumped(engine) && of.hasPan(engine), sitsOn: ['pump'], hasJoint: true, isNear: true },
  tray: { has: of.hasPan, isOptional: always, sitsOn: ['mainCaps', 'rodCap'], closes: ['rodCap'], isNear: true },
  rearSeal: { has: of.hasPan, sitsOn: ['crank'], isNear: true },
  frontCover: {
    has: of.hasPan,
    sitsOn: (engine) => [
      ...(['crank', 'camDrive'] as const),
      ...(of.headDrive(engine) === 'chain' ? (['guides', 'lowerWheel'] as const) : []),
      ...(of.headDrive(engine) === 'chain' && engine.ways?.frontCover !== 'beforeChain' ? (['chain', 'tensioner'] as const) : []),
      ...(of.headDrive(engine) === 'chain' && engine.ways?.frontCover === 'beforeChain' ? (['chainHung'] as const) : []),
      ...(engine.ways?.pump === 'inFrontCover' ? (['pump'] as const) : []),
    ],
    // A belt runs in front of its cover; a chain hung through it is closed by nothing but its head.
    closes: (engine) => [
      ...(['camDrive', 'cam'] as const),
      ...(of.headDrive(engine) === 'chain' ? (['guides', 'lowerWheel'] as const) : []),
      ...(of.headDrive(engine) === 'chain' && engine.ways?.frontCover !== 'beforeChain' ? (['chain', 'tensioner'] as const) : []),
      ...(engine.ways?.pump === 'inFrontCover' ? (['pump'] as const) : []),
    ],
    hasJoint: true,
    isNear: true,
  },
  pan: {
    has: of.hasPan,
    sitsOn: ['pickup', 'tray', 'mainCaps', 'rodCap', 'frontCover', 'rearSeal'],
    closes: ['pump', 'pumpShaft', 'pickup', 'tray', 'mainCaps', 'rodCap', 'crank', 'rearSeal'],
    readFirst: ['pickupToPan', 'endFloat'],
    hasJoint: true,
    isNear: true,
  },
  sideCover: {
    has: (engine) => of.isSplashed(engine) && !of.isSplit(engine),
    sitsOn: ['crank', 'cam', 'rodCap'],
    closes: ['crank', 'cam', 'rodCap', 'tappets', 'bearings'],
    hasJoint: true,
    isNear: true,
  },
  sideCase: { has: of.isSplit, isOptional: always, sitsOn: ['caseOther', 'primary'], closes: ['primary'], hasJoint: true },
  damper: { has: of.hasPan, sitsOn: ['crank', 'frontCover'], hasJoint: true, isNear: true },
  flywheel: {
    has: (engine) => !of.isSplit(engine),
    sitsOn: ['crank', 'rearSeal', 'sideCover'],
    closes: ['rearSeal'],
    hasJoint: true,
    isNear: true,
  },
}
