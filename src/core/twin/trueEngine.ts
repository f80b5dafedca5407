/**
 * A virtual engine: true dimensions with chosen faults. Every finding of the demo follows from what is set here, so the
 * right answers are known.
 */
import { openBuildWith, type Build } from '../document/build'
import { lobeOfDuration, USUAL_LOBE_POWER, type ClosedLobe } from '../geometry/valvetrain/closedLobe'
import { cardCentreline, cardDuration, cardLobeLift, checkLift, valueOr } from '../shared/camCard'
import { layersOf } from '../shared/gasket'
import { boltNumbers, cylinderNumbers, mainNumbers } from '../geometry/crank'
import { camKind, camsOf, valvesOf, type Cam } from '../geometry/valvetrain'
import { randomStream, seedOf } from '../numerics/random'
import type { LimitId } from '../document/ids'
import type { Spec } from '../document/types'

type Each = ReadonlyMap<number, number>

/** True dimensions: mm, cm³, g, N·m; maps by cylinder number, or by main or bolt where they say so. */
export interface TrueEngine {
  readonly boreMm: Each
  readonly boreTaperMm: Each
  readonly boreOvalMm: Each
  readonly skirtMm: Each
  readonly deckMm: Each
  /** How far the crown tips: the right edge stands this much deeper than the left. */
  readonly rockMm: number
  readonly chamberCm3: Each
  readonly pistonCm3: number
  readonly gasketThicknessMm: number
  readonly gasketBoreMm: number
  readonly ringTopMm: Each
  readonly ringSecondMm: Each
  readonly railMm: Each
  /** By main. */
  readonly mainJournalMm: Each
  readonly mainClearanceMm: Each
  readonly spinNm: Each
  readonly rodJournalMm: Each
  readonly rodClearanceMm: Each
  readonly rodSideMm: Each
  readonly bigEndMm: Each
  readonly pinBushMm: Each
  readonly pinMm: Each
  readonly centreDistanceMm: Each
  readonly pistonMassG: Each
  readonly rodSmallG: Each
  readonly rodBigG: Each
  /** By bolt. */
  readonly boltFreeMm: Each
  readonly boltNutFactor: Each
  /** At what share of its sheet's yield it gives. */
  readonly boltYieldShare: Each
  /** How much further than wanted each was torqued in the end. */
  readonly boltOverpullMm: Each
  /** By cam, in the order of the engine's cams: crank degrees it was set later than its card. */
  readonly camLateDeg: Each
  /** By cam: the power of its lobes in closed form. */
  readonly lobePower: Each
  /** By valve, in the engine's order: crank degrees its lobe is ground later than its cam's others, and what it lacks of lift. */
  readonly lobeLateDeg: Each
  readonly lobeLowMm: Each
  /** By valve, in the engine's order: how much deeper its seat is cut than the paper's. */
  readonly seatMm: Each
  /** By wheel of the drive, from one: its depth below the reference face. */
  readonly sprocketMm: Each
  /** By cam: its lobe, and where the centreline of it truly stands, crank degrees after overlap TDC. */
  readonly cams: ReadonlyMap<Cam, { readonly lobe: ClosedLobe; readonly centreDeg: number }>
  /** What the wheel shows at true TDC. */
  readonly wheelOffDeg: number
}

/** What is wrong with an engine, as deviations from its paper, by cylinder, main or bolt. */
export type Faults = {
  readonly [Name in keyof TrueEngine as TrueEngine[Name] extends Each ? Name : never]?: Readonly<Record<number, number>>
}

const ROCK_MM = 0.03
/** A wheel put on by eye, standard deviation. */
const WHEEL_OFF_DEG = 0.4
const USUAL = {
  rodMm: 144,
  mainJournalMm: 58,
  rodJournalMm: 50,
  pinMm: 21,
  skirtClearanceMm: 0.1,
  topGapMm: 0.5,
  secondGapMm: 0.55,
  railGapMm: 0.7,
  mainClearanceMm: 0.06,
  rodClearanceMm: 0.056,
  rodSideMm: 0.25,
}

/** Whose limits say what a shop aims at in an engine it makes. */
export type Aims = Readonly<
  Partial<
    Record<'skirtClearanceMm' | 'topGapMm' | 'secondGapMm' | 'railGapMm' | 'mainClearanceMm' | 'rodClearanceMm' | 'rodSideMm', LimitId>
  >
>

/**
 * @param aims by which limits each fit was made; one that is not said is as usual
 * @throws if the spec lacks a paper number the engine cannot be made without.
 */
export function makeEngine(spec: Spec, faults: Faults, seed: number, aims: Aims): TrueEngine {
  const { normal } = randomStream(seed)
  const { paper, stock, choice, layout } = spec
  const gasket = stock.gaskets.find((option) => option.id === choice.gasket) ?? stock.gaskets[0]
  if (!paper.bore || !paper.deckClearance || !paper.chamberVolume || !gasket)
    throw new Error(`The twin of ${spec.name} needs bore, deck, chamber and gasket on paper`)
  const cylinders = cylinderNumbers(layout)
  const mains = mainNumbers(layout)
  const bolts = boltNumbers(layout)
  /** Honest machining around nominal: `scatter` is a standard deviation. */
  const around = (name: keyof Faults, nominal: number, scatter: number, numbers = cylinders): Each =>
    new Map(numbers.map((number) => [number, nominal + scatter * normal() + (faults[name]?.[number] ?? 0)]))
  const aim = (what: keyof Aims) => aimedAt(spec, aims[what]) ?? USUAL[what]
  const boreMm = around('boreMm', paper.bore.value, 0.002)
  const rodMm = paper.rodLength?.value ?? USUAL.rodMm
  const centreDistanceMm = around('centreDistanceMm', rodMm, 0.003)
  // A longer rod stands its piston higher; what is left of the scatter is throw, block and piston.
  const deckMm = new Map(
    [...around('deckMm', paper.deckClearance.value, 0.003)].map(([cylinder, mm]) => [
      cylinder,
      mm - (centreDistanceMm.get(cylinder)! - rodMm),
    ]),
  )
  const chamberCm3 = around('chamberCm3', paper.chamberVolume.value, 0.06)
  const pinMm = paper.pinDiameter?.value ?? USUAL.pinMm
  const pistonMassG = Math.round((paper.bore.value / 10) ** 3 * 0.6)
  return {
    boreMm,
    deckMm,
    chamberCm3,
    boreTaperMm: around('boreTaperMm', 0.003, 0.0015),
    boreOvalMm: around('boreOvalMm', 0.002, 0.0015),
    skirtMm: around('skirtMm', paper.bore.value - aim('skirtClearanceMm'), 0.005),
    rockMm: ROCK_MM,
    pistonCm3: paper.pistonVolume?.value ?? 0,
    gasketThicknessMm: layersOf(spec).reduce((sum, { thicknessMm }) => sum + thicknessMm, gasket.thicknessMm),
    gasketBoreMm: gasket.boreMm,
    ringTopMm: around('ringTopMm', aim('topGapMm') + 0.008, 0.004),
    ringSecondMm: around('ringSecondMm', aim('secondGapMm') + 0.008, 0.004),
    railMm: around('railMm', Math.max(aim('railGapMm'), USUAL.railGapMm), 0.03),
    mainJournalMm: around('mainJournalMm', paper.mainJournal?.value ?? USUAL.mainJournalMm, 0.002, mains),
    mainClearanceMm: around('mainClearanceMm', aim('mainClearanceMm'), 0.002, mains),
    spinNm: around('spinNm', 1.6, 0.2, mains),
    rodJournalMm: around('rodJournalMm', paper.rodJournal?.value ?? USUAL.rodJournalMm, 0.002),
    rodClearanceMm: around('rodClearanceMm', aim('rodClearanceMm'), 0.002),
    rodSideMm: around('rodSideMm', middleOf(spec, aims.rodSideMm) ?? USUAL.rodSideMm, 0.01),
    bigEndMm: around('bigEndMm', (paper.rodJournal?.value ?? USUAL.rodJournalMm) + 3.8, 0.003),
    pinBushMm: around('pinBushMm', pinMm + 0.02, 0.001),
    pinMm: around('pinMm', pinMm, 0.0005),
    centreDistanceMm,
    pistonMassG: around('pistonMassG', pistonMassG, 0.4),
    rodSmallG: around('rodSmallG', Math.round(pistonMassG * 0.46), 0.25),
    rodBigG: around('rodBigG', Math.round(pistonMassG * 1.15), 0.25),
    boltFreeMm: around('boltFreeMm', 48, 0.02, bolts),
    boltNutFactor: around('boltNutFactor', 0.13, 0.003, bolts),
    boltYieldShare: around('boltYieldShare', 1, 0.01, bolts),
    boltOverpullMm: around('boltOverpullMm', 0, 0.002, bolts),
    ...makeCams(spec, faults, seed),
    seatMm: makeSeats(spec, faults, seed),
  }
}

/** What is aimed at by a limit: its target, else its lower bound. */
function aimedAt({ limits }: Spec, id: LimitId | undefined): number | undefined {
  const limit = id && limits[id]
  return limit?.target ?? limit?.lower
}

/** A clearance that nobody sets by itself lands in the middle of its band. */
function middleOf({ limits }: Spec, id: LimitId | undefined): number | undefined {
  const { lower, upper } = (id && limits[id]) ?? {}
  return lower === undefined || upper === undefined ? undefined : (lower + upper) / 2
}

/** Standard deviation of where cams stand that nobody set wrong, crank degrees. */
const CAM_SET_DEG = 0.15

/** Where no card says it. */
const USUAL_CAM = { liftMm: 10, centrelineDeg: 108, durationDeg: 225 }

/** Cams and wheel, by noise of their own: what is in the block stays as it was. */
function makeCams(
  spec: Spec,
  { camLateDeg = {}, lobePower = {}, lobeLateDeg = {}, lobeLowMm = {}, sprocketMm = {} }: Faults,
  seed: number,
): Timed {
  const { normal } = randomStream(seedOf(seed))
  const all = camsOf(spec.layout)
  const late = new Map(all.map((_, index) => [index + 1, CAM_SET_DEG * normal() + (camLateDeg[index + 1] ?? 0)]))
  const card = openBuildWith({ id: 'card', spec, gauges: [], entries: [] }, {})
  const powers = new Map(all.map((_, index) => [index + 1, USUAL_LOBE_POWER + (lobePower[index + 1] ?? 0)]))
  const cams = new Map(
    all.map((cam, index) => [
      cam,
      { lobe: lobeOf(card, cam, powers.get(index + 1)!), centreDeg: cardCentreDeg(card, cam) + late.get(index + 1)! },
    ]),
  )
  const wheelOffDeg = WHEEL_OFF_DEG * normal()
  const valves = valvesOf(spec.layout)
  const each = (count: number, nominal: number, scatter: number, faults: Readonly<Record<number, number>>): Each =>
    new Map(Array.from({ length: count }, (_, index) => [index + 1, nominal + scatter * normal() + (faults[index + 1] ?? 0)]))
  return {
    camLateDeg: late,
    lobePower: powers,
    cams,
    wheelOffDeg,
    lobeLateDeg: each(valves.length, 0, LOBE_GROUND_DEG, lobeLateDeg),
    lobeLowMm: each(valves.length, 0, LOBE_GROUND_MM, lobeLowMm),
    sprocketMm: each(MOST_WHEELS, SPROCKET_MM, IN_LINE_MM, sprocketMm),
  }
}

/** How alike seats are cut, standard deviation. */
const SEAT_CUT_MM = 0.02

function makeSeats({ layout }: Spec, { seatMm = {} }: Faults, seed: number): Each {
  const { normal } = randomStream(seedOf(seed + 1))
  return new Map(valvesOf(layout).map((_, index) => [index + 1, SEAT_CUT_MM * normal() + (seatMm[index + 1] ?? 0)]))
}

type Timed = Pick<TrueEngine, 'camLateDeg' | 'lobePower' | 'cams' | 'wheelOffDeg' | 'lobeLateDeg' | 'lobeLowMm' | 'sprocketMm'>
/** How alike a grinder makes the lobes of a shaft, standard deviations. */
const LOBE_GROUND_DEG = 0.12
const LOBE_GROUND_MM = 0.004
/** Sprockets from the face they are read from, and how nearly they stand in line, standard deviation. */
const SPROCKET_MM = 42.3
const IN_LINE_MM = 0.05
const MOST_WHEELS = 16

function cardCentreDeg(card: Build, cam: Cam): number {
  return (camKind(cam) === 'intake' ? 1 : -1) * valueOr(cardCentreline(card, cam), USUAL_CAM.centrelineDeg)
}

/** The lobe that has the lift and the duration of its card. */
function lobeOf(card: Build, cam: Cam, power: number): ClosedLobe {
  const liftMm = valueOr(cardLobeLift(card, cam), USUAL_CAM.liftMm)
  const durationDeg = valueOr(cardDuration(card, cam), USUAL_CAM.durationDeg)
  const lobe = lobeOfDuration(liftMm, durationDeg, checkLift(card).value.value, power)
  return lobe ?? { liftMm, halfWidthDeg: durationDeg / 2, power }
}
