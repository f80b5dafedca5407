import type { BenchDefinition } from '../../bench/bench'
import { CAM_PAPER, VALVE_PAPER } from '../../shared/camPaper'
import { ENGINE_PAPER } from '../../shared/enginePaper'
import type { Cam } from '../../geometry/valvetrain'
import { FLOOR_MM } from './floor'
import type { methods } from './methods'
import type { stock } from './stock'

declare module '../../document/ids' {
  interface Definitions {
    clearance: typeof definition & { methods: typeof methods; stock: typeof stock }
  }
}

/** A way to read how near a valve is to its piston. */
export type Way = 'drop' | 'dial' | 'clay' | 'feeler'

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    /** Where it comes closest, crank degrees after overlap TDC. */
    closestAt: { readonly deg: number }
    /** Which ways of reading there are, the one that counts first. */
    dropBy: { readonly ways: readonly Way[] }
    /** Not read: taken from other valves by deck, seat and chamber. */
    inferredDrop: { readonly from: readonly string[]; readonly seats: 'read' | 'assumed' }
    /** The piston under a valve stands lower than the others by so much, higher is negative. */
    pistonApart: { readonly byMm: number }
    /** A feeler went, or did not: the gap is at least, or at most, so much. */
    feelerBound: { readonly is: 'atLeast' | 'atMost' }
    /** Dial readings that do not go with the others of their valve; `turns`: as many turns of the dial's hand as they are off. */
    dialOff: { readonly readings: readonly { readonly deg: number; readonly offMm: number; readonly turnMm?: number }[] }
    /** What is not counted at speed, because nothing is known of it. */
    leftOutAtSpeed: { readonly what: readonly ('slack' | 'heat')[] }
    /** A limit below the least that is common practice, and by whose initials. */
    belowFloor: { readonly floorMm: number; readonly by?: string }
    /** Where a crank is parked, crank degrees after number one's TDC. */
    parkAt: { readonly degrees: readonly number[] }
    /** May be turned alone no further than so much of its lift. */
    mayNotTurn: object
    /** Turned alone, a valve meets those of the other cam where that one stands open; or comes nearer to them than to its piston. */
    valvesMeet: { readonly cam: Cam }
    otherValveNearer: { readonly cam: Cam }
    /** Two ways of reading one valve that are further apart than both their uncertainties. */
    waysDisagree: { readonly one: Way; readonly other: Way }
    /** The gasket was only snugged, or left out, when it was read. */
    gasketThen: { readonly was: 'snugged' | 'none' }
  }
  interface ChangeFields {
    cutPockets: { readonly valves: 'intake' | 'exhaust'; readonly byMm: number }
    thickerGasket: { readonly id: string; readonly name: string }
    retimeCam: { readonly cam: Cam; readonly byDeg: number }
    cutLess: { readonly what: 'deckCut' | 'headCut'; readonly byMm: number }
    readByDial: { readonly valve: string }
  }
  interface CostFields {
    pocketVolume: { readonly cm3: number }
    crownLeft: { readonly mm: number }
    timingMoves: { readonly byDeg: number }
  }
}

const MM = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const SHOWN = { ...MM, digits: { metric: 2, inch: 3 } } as const
const DEG = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const SHOWN_DEG = { ...DEG, digits: { metric: 1, inch: 1 } } as const
const ON_DIAL = { ...MM, gauges: ['dial'], judgedBy: 'clearance.closest' } as const
const BY_LEAF = { ...MM, gauges: ['other'], judgedBy: 'clearance.closest' } as const

const BY_HAND = 'By hand only, plugs out: stop at the first touch'

/** What the clearance bench measures, finds and is judged by. */
export const definition = {
  title: 'Valve clearance',
  stage: 'Clearance',
  characteristics: {
    'clearance.drop': {
      label: 'Valve drop at TDC',
      ...ON_DIAL,
      caution: 'Light spring, valve free in its guide: a bent stem reads nothing',
    },
    'clearance.travel': { label: 'Valve to piston by dial', ...ON_DIAL, caution: BY_HAND },
    'clearance.clay': { label: 'Clay, thinnest', ...MM, gauges: ['other'], judgedBy: 'clearance.closest', caution: BY_HAND },
    'clearance.claySide': { label: 'Clay, side wall', ...MM, gauges: ['other'], judgedBy: 'clearance.radial' },
    'clearance.feelerWent': { label: 'Feeler that went', ...BY_LEAF, caution: BY_HAND },
    'clearance.feelerStopped': { label: 'Feeler that did not go', ...BY_LEAF },
    'clearance.extraTravel': { label: 'Travel beyond the feeler', ...ON_DIAL },
    'clearance.collapse': { label: 'Stack that holds the lifter collapsed', ...MM, gauges: ['other'], judgedBy: 'clearance.closest' },
    'clearance.headSize': { label: 'Valve head', ...MM, gauges: ['other', 'micrometer'], judgedBy: 'clearance.radial', passing: true },
    'clearance.pocketSize': { label: 'Pocket at the valve’s depth', ...MM, gauges: ['other'], judgedBy: 'clearance.radial', passing: true },
    'clearance.seat': { label: 'Seat below the head face', ...ON_DIAL, signed: true },
    'clearance.squish': { label: 'Soft wire, squeezed', ...MM, gauges: ['micrometer', 'other'], judgedBy: 'clearance.pistonToHead' },
  },
  outputs: {
    'clearance.closest': { label: 'Closest', ...SHOWN, limit: 'clearance.intake', exhaustLimit: 'clearance.exhaust', partsMeet: true },
    'clearance.atRedline': { label: 'At redline', ...SHOWN, limit: 'clearance.atRedline', estimate: true, partsMeet: true },
    'clearance.roomToMove': { label: 'Room on the dyno', ...SHOWN_DEG, limit: 'clearance.roomToMove', prospective: true },
    'clearance.dropAtTdc': { label: 'Drop at TDC, gasket crushed', ...SHOWN },
    'clearance.spread': { label: 'Spread of the clearances', ...SHOWN, spread: true },
    'clearance.waysApart': { label: 'Ways of reading apart', ...SHOWN, limit: 'clearance.waysApart', neverNegative: true },
    'clearance.radial': { label: 'Round the valve', ...SHOWN, limit: 'clearance.radial' },
    'clearance.valveToValve': { label: 'Valve to valve', ...SHOWN, limit: 'clearance.valveToValve', partsMeet: true },
    'clearance.pistonToHead': { label: 'Piston to head', ...SHOWN, limit: 'clearance.pistonToHead', partsMeet: true },
    'clearance.headAtRedline': {
      label: 'Piston to head at redline',
      ...SHOWN,
      limit: 'clearance.headAtRedline',
      estimate: true,
      partsMeet: true,
    },
    'clearance.parked': { label: 'Turned alone, crank parked', ...SHOWN, limit: 'clearance.parked' },
  },
  limits: {
    'clearance.intake': { label: 'Intake to piston', ...SHOWN, floor: FLOOR_MM.intake },
    'clearance.exhaust': { label: 'Exhaust to piston', ...SHOWN, floor: FLOOR_MM.exhaust },
    'clearance.atRedline': { label: 'Valve to piston at redline', ...SHOWN },
    'clearance.roomToMove': { label: 'Room to move a cam on the dyno', ...SHOWN_DEG },
    'clearance.waysApart': { label: 'Ways of reading one valve apart', ...SHOWN },
    'clearance.radial': { label: 'Round the valve in its pocket', ...SHOWN },
    'clearance.valveToValve': { label: 'Valve to valve', ...SHOWN },
    'clearance.pistonToHead': { label: 'Piston to head', ...SHOWN },
    'clearance.headAtRedline': { label: 'Piston to head at redline', ...SHOWN },
    'clearance.parked': { label: 'A cam turned alone over a parked crank', ...SHOWN },
  },
  paper: {
    stroke: ENGINE_PAPER.stroke,
    rodLength: ENGINE_PAPER.rodLength,
    pinOffset: ENGINE_PAPER.pinOffset,
    ...CAM_PAPER,
    ...VALVE_PAPER,
    camPitchRadius: ENGINE_PAPER.camPitchRadius,
    lashWhenRead: { label: 'Lash while it was read', ...MM, low: 0, high: 3, hint: 'by dial, clay or feeler; left out: none' },
    lifterPreload: {
      label: 'Preload of the lifters',
      ...MM,
      low: 0,
      high: 5,
      hint: 'pumped up they hold the valve open by so much, times the ratio',
    },
    gasketSnugged: {
      label: 'Gasket as it lay while it was read',
      ...MM,
      low: 0.1,
      high: 6,
      hint: 'only snugged it is thicker than crushed',
    },
    rodSection: {
      label: 'Section of the rod’s beam',
      kind: 'area',
      units: { metric: 'cm2', inch: 'cm2' },
      low: 0.3,
      high: 20,
      hint: 'at its thinnest: how far it stretches',
    },
    reciprocatingMass: {
      label: 'Reciprocating mass a cylinder',
      kind: 'mass',
      units: { metric: 'g', inch: 'g' },
      low: 50,
      high: 6000,
      hint: 'piston, pin, rings, small end; left out where they were weighed',
    },
    clearanceTakenUp: { label: 'Oil clearances taken up', ...MM, low: 0, high: 1, hint: 'main, rod and pin together' },
    driveSlack: {
      label: 'Cams run later at speed by',
      ...DEG,
      low: -10,
      high: 20,
      signed: true,
      hint: 'crank degrees: chain or belt slack; later hurts the exhaust, helps the intake',
    },
    heatGrowth: { label: 'Taken by heat', ...MM, low: -1, high: 2, signed: true, hint: 'along the valve, of stem, rod and block' },
    intakeValveHead: { label: 'Intake valve head', ...MM, low: 10, high: 90 },
    exhaustValveHead: { label: 'Exhaust valve head', ...MM, low: 10, high: 90 },
    intakePocket: { label: 'Intake pocket at the valve’s depth', ...MM, low: 10, high: 110 },
    exhaustPocket: { label: 'Exhaust pocket at the valve’s depth', ...MM, low: 10, high: 110 },
    intakePocketOffset: { label: 'Intake pocket off its valve', ...MM, low: 0, high: 20, hint: 'axes apart; left out: in line' },
    exhaustPocketOffset: { label: 'Exhaust pocket off its valve', ...MM, low: 0, high: 20 },
    valvesApart: { label: 'Valve heads apart', ...MM, low: 10, high: 150, hint: 'centre to centre, both shut, in the plane of both axes' },
    valvesStep: { label: 'Exhaust seat lower than the intake’s', ...MM, low: -20, high: 20, signed: true },
    intakeMargin: { label: 'Intake margin', ...MM, low: 0.2, high: 5, hint: 'height of its rim' },
    exhaustMargin: { label: 'Exhaust margin', ...MM, low: 0.2, high: 5 },
  },
  checks: {
    'clearance.lightSprings': {
      label: 'Light springs out again, running springs and their keepers in',
      why: 'With them the valves float at idle speed.',
    },
    'clearance.clayOut': { label: 'Clay and oil out of every pocket', why: 'A crumb under a seat holds its valve open.' },
    'clearance.turned': {
      label: 'Turned two full turns by hand at full lift, nothing touched',
      why: 'Before a starter turns it on its running springs.',
    },
  },
} as const satisfies BenchDefinition<'clearance'>

export type ClearanceCharacteristic = keyof typeof definition.characteristics
export type ClearanceOutput = keyof typeof definition.outputs
