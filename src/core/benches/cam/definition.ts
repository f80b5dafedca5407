import type { BenchDefinition } from '../../bench/bench'
import type { CardNumber, LobeSlip } from '../../geometry/valvetrain'
import type { Cam } from '../../geometry/valvetrain'
import type { Figure } from '../../metrology'
import { CAM_PAPER, VALVE_PAPER } from '../../shared/camPaper'
import { ENGINE_PAPER } from '../../shared/enginePaper'
import type { ComparedAt, School } from '../../shared/camMotion/schools'
import type { methods } from './methods'

declare module '../../document/ids' {
  interface Definitions {
    cam: typeof definition & { methods: typeof methods }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    /** What the wheel shows at true TDC, and what both sides read once the pointer is moved by that. */
    pointerOff: { readonly tdcDeg: number; readonly eachDeg: number; readonly moves: 'pointer' | 'wheel' }
    /** One lobe of a shaft stands off from the others by so many crank degrees. */
    badLobe: { readonly valve: string; readonly byDeg: number }
    /** The lobes stand on a line along their shaft: so many crank degrees later from the first to the last. */
    shaftTwisted: { readonly byDeg: number }
    /** A lobe a good part of a turn from where the throws of the crank want it. */
    otherPhase: { readonly offDeg: number }
    /** A finger's ratio changes along its lobe: by one number it is a guess. */
    fingerRatio: object
    /** A cam that was found off its marks. */
    foundOut: { readonly offDeg: number; readonly teeth?: number }
    /** A positive stop is asked for where the drive may never be turned back. */
    stopTurnsBack: object
    /** Readings that were taken while the engine was turned back. */
    turnedBack: { readonly count: number }
    /** Crank degrees that a piston at its top may be turned without a dial showing it. */
    dwellUncertainty: { readonly unseenDeg: number }
    /** Crank degrees a cam stands later than its card. */
    camStands: { readonly lateDeg: number; readonly card: Figure }
    /** Two numbers of the card that do not go together. */
    cardDisagrees: { readonly number: CardNumber; readonly stated: number; readonly computed: number }
    /** Which ways of reading there are, the one that counts first. */
    readBy: { readonly schools: readonly School[] }
    /** Two ways of reading that are further apart than both their uncertainties. */
    schoolsDisagree: { readonly one: School; readonly other: School; readonly apart: Figure; readonly at: ComparedAt }
    /** Rows of the curve to be read again. */
    curveSlips: { readonly slips: readonly LobeSlip[]; readonly degrees: readonly number[] }
    /** The rows scatter otherwise than wheel and dial say. */
    curveNoise: { readonly is: 'more' | 'less'; readonly scale: number }
    /** By a lobe made of the card, not a measured one. */
    syntheticLobe: object
    /** Both proofs are further apart than half a degree: what was read by the wheel hangs on it. */
    tdcNotProven: { readonly apart: Figure }
  }
  interface ChangeFields {
    turnCam: {
      readonly cams: readonly Cam[]
      /** Crank degrees, positive is earlier. */
      readonly byDeg: number
      /** Steps of what this engine is set by, where it has steps. */
      readonly steps?: number
    }
    noteRetard: { readonly lateDeg: number }
    readRowsAgain: { readonly cam: Cam; readonly degrees: readonly number[] }
  }
  interface CostFields {
    readCamAgain: object
    checkValveClearance: { readonly closer: 'intake' | 'exhaust' }
  }
}

const DEG = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const SHOWN_DEG = { ...DEG, digits: { metric: 1, inch: 1 } } as const
/** Side by side, cams say nothing of each other. */
const WHEEL = { ...DEG, gauges: ['wheel'], signed: true, turns: true, passing: true } as const
const RUN_WHEEL = { ...WHEEL, running: true } as const
const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const LIFT = { ...LENGTH, gauges: ['dial'], signed: true, passing: true, running: true } as const
const SHOWN_LIFT = { ...LENGTH, digits: { metric: 2, inch: 4 } } as const

const RUNNING = 'Turn in the running direction only; passed it? Back well before it and come again'

export const definition = {
  title: 'Cam timing',
  stage: 'Cam',
  characteristics: {
    'cam.stop': {
      label: 'Wheel at the stop or drop',
      ...WHEEL,
      judgedBy: 'cam.tdcApart',
      caution: 'By hand only, plugs out: a stop in a bore bends what is turned by a motor',
    },
    'cam.dwell': { label: 'Wheel where the dial dwells', ...WHEEL, judgedBy: 'cam.dwellOff' },
    'cam.mark': { label: 'Wheel at the balancer mark', ...WHEEL, judgedBy: 'cam.markOff' },
    'cam.event': { label: 'Event', ...RUN_WHEEL, judgedBy: 'cam.advance', caution: RUNNING },
    'cam.equalLift': { label: 'Equal lift', ...RUN_WHEEL, judgedBy: 'cam.advance', caution: RUNNING },
    'cam.sprocketDepth': { label: 'Depth of a sprocket', ...LENGTH, gauges: ['other', 'dial'], signed: true, judgedBy: 'cam.outOfLine' },
    'cam.markFound': { label: 'Wheel where the cam’s mark stands, as found', ...RUN_WHEEL, judgedBy: 'cam.foundOff' },
    'cam.tension': { label: 'Give of the chain or belt', ...LENGTH, gauges: ['other', 'dial'], judgedBy: 'cam.tension' },
    'cam.lobeAngle': { label: 'Equal lift of a lobe', ...RUN_WHEEL, judgedBy: 'cam.lobeOff', caution: RUNNING },
    'cam.lobePeak': { label: 'Greatest lift of a lobe', ...LIFT, judgedBy: 'cam.lobeLift' },
    'cam.overlapLift': { label: 'Lift at overlap TDC', ...LIFT, judgedBy: 'cam.advance' },
    'cam.lift': { label: 'Lift', ...LIFT, judgedBy: 'cam.advance', caution: RUNNING },
  },
  outputs: {
    'cam.tdc': { label: 'True TDC, on the wheel', ...SHOWN_DEG },
    'cam.tdcApart': { label: 'Proofs of TDC apart', ...SHOWN_DEG, limit: 'cam.tdcApart', neverNegative: true, judgedAsRead: true },
    'cam.dwellOff': { label: 'Middle of the dwell off TDC', ...SHOWN_DEG, estimate: true },
    'cam.wheelMoved': { label: 'TDC moved since', ...SHOWN_DEG, limit: 'cam.wheelMoved', judgedAsRead: true },
    'cam.markOff': { label: 'Balancer mark off', ...SHOWN_DEG, limit: 'cam.markOff' },
    'cam.throwsApart': { label: 'TDC beyond its throw', ...SHOWN_DEG, limit: 'cam.throwsApart' },
    'cam.advance': { label: 'Against its card', ...SHOWN_DEG, limit: 'cam.advance' },
    'cam.centreline': { label: 'Centreline', ...SHOWN_DEG },
    'cam.schoolsApart': { label: 'Ways of reading apart', ...SHOWN_DEG, limit: 'cam.schoolsApart', neverNegative: true },
    'cam.byCurve': { label: 'Centreline by its curve', ...SHOWN_DEG },
    'cam.byEvents': { label: 'Centreline by events', ...SHOWN_DEG },
    'cam.byEqualLift': { label: 'Centreline by equal lift', ...SHOWN_DEG },
    'cam.byOverlapLift': { label: 'Centreline by lift at overlap', ...SHOWN_DEG, estimate: true },
    'cam.opens': { label: 'Opens, after overlap TDC', ...SHOWN_DEG },
    'cam.closes': { label: 'Closes, after overlap TDC', ...SHOWN_DEG },
    'cam.liftAtOverlap': { label: 'Lift at overlap TDC', ...SHOWN_LIFT, limit: 'cam.overlapIntake', exhaustLimit: 'cam.overlapExhaust' },
    'cam.duration': { label: 'Duration at the check lift', ...SHOWN_DEG },
    'cam.durationApart': { label: 'Duration beyond its card', ...SHOWN_DEG, limit: 'cam.durationApart' },
    'cam.peakLift': { label: 'Lobe lift', ...SHOWN_LIFT },
    'cam.separation': { label: 'Lobe separation', ...SHOWN_DEG },
    'cam.overlap': { label: 'Overlap at the check lift', ...SHOWN_DEG },
    'cam.valveLift': { label: 'Greatest lift of the valve', ...SHOWN_LIFT },
    'cam.offSeat': { label: 'Off its seat, at its lash', ...SHOWN_DEG },
    'cam.outOfLine': { label: 'Sprockets out of line', ...SHOWN_LIFT, limit: 'cam.outOfLine', spread: true, neverNegative: true },
    'cam.depthsApart': { label: 'Readings of one depth apart', ...SHOWN_LIFT, limit: 'cam.depthsApart', neverNegative: true },
    'cam.foundOff': { label: 'Found before its marks', ...SHOWN_DEG, limit: 'cam.foundOff' },
    'cam.tension': { label: 'Give of the chain or belt', ...SHOWN_LIFT, limit: 'cam.tension' },
    'cam.lobeOff': { label: 'Lobe off its cam’s others', ...SHOWN_DEG },
    'cam.lobeLift': { label: 'Lift of a lobe', ...SHOWN_LIFT },
    'cam.centrelineSpread': {
      label: 'Spread of the centrelines',
      ...SHOWN_DEG,
      limit: 'cam.centrelineSpread',
      spread: true,
      neverNegative: true,
    },
    'cam.liftSpread': { label: 'Spread of the lobe lifts', ...SHOWN_LIFT, limit: 'cam.liftSpread', spread: true, neverNegative: true },
    'cam.retardApart': { label: 'Later than noted for the ratio', ...SHOWN_DEG, limit: 'cam.retardApart' },
  },
  limits: {
    'cam.tdcApart': { label: 'Proofs of TDC apart', ...SHOWN_DEG },
    'cam.wheelMoved': { label: 'TDC moved since the curve began', ...SHOWN_DEG },
    'cam.markOff': { label: 'Balancer mark off true TDC', ...SHOWN_DEG },
    'cam.throwsApart': { label: 'TDC beyond its throw', ...SHOWN_DEG },
    'cam.advance': { label: 'Before its card (later is negative)', ...SHOWN_DEG },
    'cam.schoolsApart': { label: 'Ways of reading apart', ...SHOWN_DEG },
    'cam.overlapIntake': { label: 'Lift at overlap TDC, intake', ...SHOWN_LIFT },
    'cam.overlapExhaust': { label: 'Lift at overlap TDC, exhaust', ...SHOWN_LIFT },
    'cam.durationApart': { label: 'Duration beyond its card', ...SHOWN_DEG },
    'cam.retardApart': { label: 'Later than noted for the ratio', ...SHOWN_DEG },
    'cam.outOfLine': { label: 'Sprockets out of line', ...SHOWN_LIFT },
    'cam.depthsApart': { label: 'Readings of one depth apart', ...SHOWN_LIFT },
    'cam.foundOff': { label: 'Found off its marks', ...SHOWN_DEG },
    'cam.tension': { label: 'Give of the chain or belt, as its maker asks', ...SHOWN_LIFT },
    'cam.centrelineSpread': { label: 'Spread of the centrelines', ...SHOWN_DEG },
    'cam.liftSpread': { label: 'Spread of the lobe lifts', ...SHOWN_LIFT },
  },
  paper: {
    stroke: ENGINE_PAPER.stroke,
    rodLength: ENGINE_PAPER.rodLength,
    pinOffset: ENGINE_PAPER.pinOffset,
    ...CAM_PAPER,
    curveStep: { label: 'Full curve, a reading every', ...DEG, low: 1, high: 20, hint: '2 to 5°' },
    camStep: { label: 'One step of its setting, crank degrees', ...DEG, low: 0.1, high: 40, hint: 'a vernier mark, a keyway, a bush' },
    camSteps: { label: 'Steps there are either way', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 1, high: 60 },
    camTeeth: { label: 'Teeth of the cam sprocket', kind: 'ratio', units: { metric: 'one', inch: 'one' }, low: 8, high: 200 },
    camPitchRadius: ENGINE_PAPER.camPitchRadius,
    intakeRetard: ENGINE_PAPER.intakeRetard,
    ...VALVE_PAPER,
  },
  checks: {
    'cam.marksTwoTurns': {
      label: 'Marks still stand after two full turns by hand, in the running direction',
      why: 'A chain or belt finds its place only once it has gone round.',
    },
    'cam.overlapTdc': {
      label: 'At the TDC that counts as zero both valves rock; half a cycle on both are shut',
      why: 'Read from the other one every angle is a turn off, and exhaust is taken for intake.',
    },
    'cam.solid': { label: 'Lifters solid, or collapsed to solid', why: 'A lifter that bleeds down makes every event late and short.' },
    'cam.phaserLocked': { label: 'Variable phaser locked', why: 'It would be degreed wherever it happens to stand.' },
    'cam.mayTurn': {
      label: 'Highest piston parked low before a cam is turned alone',
      why: 'A cam turned over a high piston bends valves.',
    },
    'cam.stands': {
      label: 'Stands within its band, torqued and read again; or accepted where it stands, and why',
      why: 'Tightening can move it: a setting is done once it has been read after.',
      each: 'cam',
    },
    'cam.sprocketsLine': {
      label: 'Sprockets in line within 0.25 mm, each depth read three times',
      why: 'A chain that runs askew eats its gear.',
    },
    'cam.driveRuns': {
      label: 'Chain or belt lies over every wheel of its path, tensioner on the slack side and set',
      why: 'Round the wrong side of one wheel it jumps, or drives it backwards.',
    },
  },
} as const satisfies BenchDefinition<'cam'>

export type CamCharacteristic = keyof typeof definition.characteristics
export type CamOutput = keyof typeof definition.outputs
