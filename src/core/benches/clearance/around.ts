/** What else a valve or a piston can meet: the side of a pocket, another valve, the head; and a cam turned alone over a parked crank. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { allWorkOn } from '../../document/work'
import { closestOverAllLifts, closestValves, valveToValveMm, type ValvePair } from '../../geometry/valvetrain/valveToValve'
import { camKind, camsOf, onOneShaft, type Cam } from '../../geometry/valvetrain'
import { parkingAngle } from '../../geometry/crank'
import { assumedFigure, formula, leftOut, resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Missing } from '../../bench/bench'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { deckClearance } from '../../shared/deckClearance'
import { fromPaper } from '../../shared/fromPaper'
import { gasketOf } from '../../shared/gasket'
import { crankOnPaper, lobeMotion, withinCycle, type KnownMotion } from '../../shared/camMotion/lobeMotion'
import { runningLash, valveRatio } from '../../shared/camMotion/valveMotion'
import { closestOfCam } from './closest'
import { centreline } from '../../shared/camMotion/schools'
import { isBound, valveDrop } from './drop'
import { stretchOf, takenUp } from './redline'
import { alongValve, valveAngle } from './sweep'

const RAD_PER_DEG = Math.PI / 180

export const roundTheValve = formula({
  id: 'radial',
  title: 'Round the valve',
  kind: 'length',
  expression: '(pocket − valve head) ÷ 2 − axes apart − cuts · sin α',
  source: 'geometry',
  inputs: {
    pocketMm: { label: 'Pocket', kind: 'length' },
    valveMm: { label: 'Valve head', kind: 'length' },
    offsetMm: { label: 'Axes apart', kind: 'length' },
    cutMm: { label: 'Deck and head cut since', kind: 'length' },
    angleDeg: { label: 'Valve to its bore', kind: 'angle' },
  },
  evaluate: ({ pocketMm, valveMm, offsetMm, cutMm, angleDeg }) =>
    (pocketMm - valveMm) / 2 - offsetMm - Math.abs(cutMm) * Math.sin(angleDeg * RAD_PER_DEG),
})

/** Round every valve of a cam, by the sizes of both; a head that comes down moves a valve that leans sideways in its pocket. */
export function radialBySizes(build: Build, cam: Cam): Derived {
  const kind = camKind(cam)
  const inputs = allOf({
    pocketMm: asRead(build, 'clearance.pocketSize', { cam }),
    valveMm: asRead(build, 'clearance.headSize', { cam }),
    angleDeg: valveAngle(build, kind),
  })
  if (inputs.missing) return inputs
  const cutMm = allWorkOn(build, 'deckCut') + allWorkOn(build, 'headCut')
  return {
    figure: roundTheValve.of({
      ...inputs.figures,
      offsetMm: paperAt(build, `${kind}PocketOffset`) ?? leftOut(),
      cutMm: cutMm === 0 ? leftOut() : { value: { value: cutMm, components: [] }, origin: { from: 'typed', name: 'planned cuts' } },
    }),
  }
}

/** Round one valve, by the side of its clay. */
export function radialByClay(build: Build, valve: string): Derived {
  return asRead(build, 'clearance.claySide', { valve })
}

const BETWEEN_INPUTS = {
  apartMm: { label: 'Valve heads apart', kind: 'length' },
  stepMm: { label: 'Exhaust seat lower by', kind: 'length' },
  intakeMm: { label: 'Intake valve head', kind: 'length' },
  exhaustMm: { label: 'Exhaust valve head', kind: 'length' },
  intakeMarginMm: { label: 'Intake margin', kind: 'length' },
  exhaustMarginMm: { label: 'Exhaust margin', kind: 'length' },
  intakeDeg: { label: 'Intake to its bore', kind: 'angle' },
  exhaustDeg: { label: 'Exhaust to its bore', kind: 'angle' },
  intakeCentreDeg: { label: 'Intake centreline', kind: 'angle' },
  exhaustCentreDeg: { label: 'Exhaust centreline', kind: 'angle' },
  intakeFormMm: { label: 'Form of the intake lobe', kind: 'length' },
  exhaustFormMm: { label: 'Form of the exhaust lobe', kind: 'length' },
  ratio: { label: 'Ratio', kind: 'ratio' },
  intakeLashMm: { label: 'Intake lash', kind: 'length' },
  exhaustLashMm: { label: 'Exhaust lash', kind: 'length' },
} as const
type BetweenValues = Readonly<Record<keyof typeof BETWEEN_INPUTS, number>>

/** Between an intake and an exhaust valve of one cylinder, over the cycle, with each cam so many degrees earlier than it stands. */
export function between(build: Build, intake: Cam, exhaust: Cam): Derived {
  const found = betweenParts(build, intake, exhaust)
  if ('missing' in found) return found
  const { figures, valuesAt, motions } = found
  const { atDeg } = closestValves(pairOf(valuesAt), ...liftsOf(motions, valuesAt))
  const formed = {
    ...figures,
    intakeFormMm: motions.intake.varied.offMm(withinCycle(atDeg - valuesAt.intakeCentreDeg)),
    exhaustFormMm: motions.exhaust.varied.offMm(withinCycle(atDeg - valuesAt.exhaustCentreDeg)),
  }
  const figure = formula({
    id: 'valveToValve',
    title: 'Valve to valve',
    kind: 'length',
    expression: 'least over θ of the distance between both rims',
    source: 'plane geometry in the plane of both axes',
    inputs: BETWEEN_INPUTS,
    // At a minimum what moves its place changes nothing of it: the uncertainty is that of the gap there (envelope theorem).
    evaluate: (values) => {
      const [intakeMm, exhaustMm] = liftsOf(motions, values)
      return valveToValveMm(pairOf(values), intakeMm(atDeg), exhaustMm(atDeg))
    },
  }).of(formed)
  return { figure, isPartial: motions.intake.isPartial || motions.exhaust.isPartial, remarks: [{ code: 'closestAt', deg: atDeg }] }
}

type Motion = Extract<KnownMotion, { liftMm: unknown }>
interface Motions {
  readonly intake: Motion
  readonly exhaust: Motion
}

/** Everything valve to valve rests on, or what of it is wanted: numbers on paper, and both cams as they were found. */
export function betweenParts(
  build: Build,
  intake: Cam,
  exhaust: Cam,
):
  | { readonly figures: Record<keyof typeof BETWEEN_INPUTS, Figure>; readonly valuesAt: BetweenValues; readonly motions: Motions }
  | { readonly missing: readonly Missing[] } {
  const motions = { intake: lobeMotion(build, intake), exhaust: lobeMotion(build, exhaust) }
  const inputs = allOf({
    apartMm: fromPaper(build, 'valvesApart'),
    intakeMm: fromPaper(build, 'intakeValveHead'),
    exhaustMm: fromPaper(build, 'exhaustValveHead'),
    intakeMarginMm: fromPaper(build, 'intakeMargin'),
    exhaustMarginMm: fromPaper(build, 'exhaustMargin'),
    intakeDeg: valveAngle(build, 'intake'),
    exhaustDeg: valveAngle(build, 'exhaust'),
    ratio: valveRatio(build),
    intakeLashMm: runningLash(build, intake),
    exhaustLashMm: runningLash(build, exhaust),
  })
  const missing = [
    ...(inputs.missing ?? []),
    ...Object.values(motions).flatMap((motion) => ('missing' in motion ? motion.missing : [])),
    ...missingOf(centreline(build, intake), centreline(build, exhaust)),
  ]
  if (missing.length > 0 || inputs.missing || 'missing' in motions.intake || 'missing' in motions.exhaust) return { missing }
  const figures = {
    ...inputs.figures,
    stepMm: paperAt(build, 'valvesStep') ?? leftOut(),
    intakeCentreDeg: motions.intake.varied.centreDeg,
    exhaustCentreDeg: motions.exhaust.varied.centreDeg,
    intakeFormMm: leftOut(),
    exhaustFormMm: leftOut(),
  }
  const valuesAt = Object.fromEntries(Object.entries(figures).map(([name, { value }]) => [name, value.value])) as BetweenValues
  return { figures, valuesAt, motions: { intake: motions.intake, exhaust: motions.exhaust } }
}

type PairValues = Pick<
  BetweenValues,
  'apartMm' | 'stepMm' | 'intakeMm' | 'exhaustMm' | 'intakeMarginMm' | 'exhaustMarginMm' | 'intakeDeg' | 'exhaustDeg'
>

export function pairOf(at: PairValues): ValvePair {
  return {
    apartMm: at.apartMm,
    stepMm: at.stepMm,
    intake: { diameterMm: at.intakeMm, marginMm: at.intakeMarginMm, angleDeg: at.intakeDeg },
    exhaust: { diameterMm: at.exhaustMm, marginMm: at.exhaustMarginMm, angleDeg: at.exhaustDeg },
  }
}

export function liftsOf({ intake, exhaust }: Motions, at: BetweenValues) {
  const lift = (motion: Motion, centreDeg: number, formMm: number, lashMm: number) => (deg: number) => {
    const lobeMm = motion.liftMm(withinCycle(deg - centreDeg))
    return lobeMm > 0 ? Math.max(0, (lobeMm + formMm) * at.ratio - lashMm) : 0
  }
  return [
    lift(intake, at.intakeCentreDeg, at.intakeFormMm, at.intakeLashMm),
    lift(exhaust, at.exhaustCentreDeg, at.exhaustFormMm, at.exhaustLashMm),
  ] as const
}

function missingOf(...all: readonly Derived[]): readonly Missing[] {
  return all.flatMap((one) => (isKnown(one) ? [] : one.missing))
}

const HEAD: FormulaText = {
  id: 'pistonToHead',
  title: 'Piston to head',
  kind: 'length',
  expression: 'deck clearance + compressed gasket',
  source: 'definition',
}

/** By soft wire, or by deck and gasket where none was squeezed. */
export function pistonToHead(build: Build, cylinder: number): Derived {
  const wire = asRead(build, 'clearance.squish', { cylinder })
  if (isKnown(wire)) return wire
  const parts = allOf({ deck: deckClearance(build, cylinder), gasket: gasketOf(build, cylinder).gasketThickness })
  if (parts.missing) return wire
  const figure = resultOf(HEAD, [
    { label: 'Deck clearance', weight: 1, figure: parts.figures.deck },
    { label: 'Gasket, compressed', weight: 1, figure: parts.figures.gasket },
  ])
  return { figure }
}

const HEAD_AT_REDLINE: FormulaText = {
  id: 'headAtRedline',
  title: 'Piston to head at redline',
  kind: 'length',
  expression: 'standing still − rod stretch − clearances taken up',
  source: 'estimate; common practice',
}

export function headAtRedline(build: Build, cylinder: number): Derived {
  const inputs = allOf({ still: pistonToHead(build, cylinder), stretch: stretchOf(build, cylinder) })
  if (inputs.missing) return inputs
  return {
    figure: resultOf(HEAD_AT_REDLINE, [
      { label: 'Standing still', weight: 1, figure: inputs.figures.still },
      { label: 'Rod stretch', weight: -1, figure: inputs.figures.stretch },
      { label: 'Oil clearances taken up', weight: -1, figure: takenUp(build) },
    ]),
  }
}

const PARKED: FormulaText = {
  id: 'parked',
  title: 'Left of the gap at full lift, crank parked',
  kind: 'length',
  expression: 'drop at TDC + fall of the highest piston, along the valve − ratio · lobe lift',
  source: 'geometry of valve, bore, crank and rod; common practice',
}
/** How closely a crank is parked by wheel or pointer, crank degrees, and what that is of its piston (assumed). */
const PARKED_DEG = 1

/**
 * What is left where a cam is turned alone over a crank that is parked, at full lift with no lash: above zero it may be. One that may
 * not be turned alone is a way of working that this engine has not, and no fault of it: said, held, and not judged.
 */
export function parked(build: Build, cam: Cam): Derived {
  const found = leastParked(build, cam)
  return isKnown(found) && found.figure.value.value <= 0 ? { ...found, isUnjudged: true } : found
}

/** The least of the gap to the piston and of that to the other valves, over every position of the other cam. */
function leastParked(build: Build, cam: Cam): Derived {
  const toPiston = parkedOverPiston(build, cam)
  const toValve = whereValvesLean(build) ? alongsideOther(build, cam) : undefined
  if (!toValve || !isKnown(toPiston)) return toPiston
  if (!isKnown(toValve)) return toValve
  const isValveNearer = toValve.figure.value.value < toPiston.figure.value.value
  const [near, far] = isValveNearer ? [toValve, toPiston] : [toPiston, toValve]
  const parkAt = (toPiston.remarks ?? []).filter(({ code }) => code === 'parkAt')
  return {
    figure: near.figure,
    isPartial: (near.isPartial ?? false) || (far.isPartial ?? false),
    remarks: isValveNearer ? [...parkAt, ...(near.remarks ?? [])] : near.remarks,
  }
}

/** Valves of two shafts lean towards each other, but where the paper says both stand square; of one shaft, where they are judged. */
export function whereValvesLean({ spec: { layout, methods, paper } }: Build): boolean {
  if (onOneShaft(layout, camsOf(layout)[0]!).some((cam) => camKind(cam) === 'exhaust')) return methods.clearanceBetween
  return paper.intakeValveAngle?.value !== 0 || paper.exhaustValveAngle?.value !== 0
}

const BESIDE = {
  apartMm: BETWEEN_INPUTS.apartMm,
  stepMm: BETWEEN_INPUTS.stepMm,
  intakeMm: BETWEEN_INPUTS.intakeMm,
  exhaustMm: BETWEEN_INPUTS.exhaustMm,
  intakeMarginMm: BETWEEN_INPUTS.intakeMarginMm,
  exhaustMarginMm: BETWEEN_INPUTS.exhaustMarginMm,
  intakeDeg: BETWEEN_INPUTS.intakeDeg,
  exhaustDeg: BETWEEN_INPUTS.exhaustDeg,
  intakeLobeMm: { label: 'Intake lobe lift', kind: 'length' },
  exhaustLobeMm: { label: 'Exhaust lobe lift', kind: 'length' },
  ratio: BETWEEN_INPUTS.ratio,
} as const

/** Between the valves of a cylinder while one cam is turned alone: with no lash, at the worst position of the other. */
function alongsideOther(build: Build, cam: Cam): Derived {
  const [intake, exhaust] = [cam.replace('exhaust', 'intake') as Cam, cam.replace('intake', 'exhaust') as Cam]
  if (onOneShaft(build.spec.layout, intake).includes(exhaust)) return between(build, intake, exhaust)
  const found = overAllLifts(build, intake, exhaust)
  if (!isKnown(found)) return found
  const code = found.figure.value.value <= 0 ? 'valvesMeet' : 'otherValveNearer'
  return { ...found, remarks: [{ code, cam: cam === intake ? exhaust : intake }] }
}

/** The same for either cam of the two: whichever is turned, the other may stand at any of its lifts. */
const overAllLifts = derivation('valvesOverAllLifts', (build, intake: Cam, exhaust: Cam): Derived => {
  const found = betweenParts(build, intake, exhaust)
  if ('missing' in found) return found
  const { figures, motions } = found
  const { apartMm, stepMm, intakeMm, exhaustMm, intakeMarginMm, exhaustMarginMm, intakeDeg, exhaustDeg, ratio } = figures
  const heads = { apartMm, stepMm, intakeMm, exhaustMm, intakeMarginMm, exhaustMarginMm, intakeDeg, exhaustDeg }
  const inputs = { ...heads, ratio, intakeLobeMm: motions.intake.peakMm, exhaustLobeMm: motions.exhaust.peakMm }
  const at = (name: keyof typeof inputs) => inputs[name].value.value
  const most = { intake: at('ratio') * at('intakeLobeMm'), exhaust: at('ratio') * at('exhaustLobeMm') }
  const worst = closestOverAllLifts(pairOf(found.valuesAt), most.intake, most.exhaust)
  // At the least what moves its place changes nothing of it; where it lies at a full lift, it goes with that lift.
  const shareOf = (liftMm: number, mostMm: number) => (mostMm === 0 ? 0 : liftMm / mostMm)
  const share = { intake: shareOf(worst.intakeMm, most.intake), exhaust: shareOf(worst.exhaustMm, most.exhaust) }
  const figure = formula({
    id: 'alongsideOther',
    title: 'To the other valve, over every position of its cam',
    kind: 'length',
    expression: 'least over both lifts of the distance between both rims',
    source: 'plane geometry in the plane of both axes',
    inputs: BESIDE,
    evaluate: (values) =>
      valveToValveMm(
        pairOf(values),
        share.intake * values.ratio * values.intakeLobeMm,
        share.exhaust * values.ratio * values.exhaustLobeMm,
      ),
  }).of(inputs)
  return { figure, isPartial: motions.intake.isPartial || motions.exhaust.isPartial }
})

function parkedOverPiston(build: Build, cam: Cam): Derived {
  const drops = closestOfCam(build, cam).map(({ valve }) => valveDrop(build, valve))
  const known = drops.flatMap((drop) => (!isBound(drop) && isKnown(drop) ? [drop] : []))
  const least = known.toSorted((a, b) => a.figure.value.value - b.figure.value.value)[0]
  if (!least) return { missing: drops.flatMap((drop) => ('missing' in drop ? drop.missing : [])) }
  const motion = lobeMotion(build, cam)
  const inputs = allOf({
    stroke: fromPaper(build, 'stroke'),
    rod: fromPaper(build, 'rodLength'),
    ratio: valveRatio(build),
    angle: valveAngle(build, camKind(cam)),
  })
  if (inputs.missing || 'missing' in motion) return { missing: [...(inputs.missing ?? []), ...('missing' in motion ? motion.missing : [])] }
  const crank = crankOnPaper(build)
  const { dropMm, anglesDeg } = parkingAngle(build.spec.layout, crank)
  const { ratio, angle } = inputs.figures
  const along = alongValve(build, angle.value.value)
  const fall = assumedFigure('parked by hand', {
    value: dropMm,
    tolerance: (Math.PI / 180) * PARKED_DEG * (crank.strokeMm / 2),
    source: `parked within ${PARKED_DEG}°`,
  })
  const figure = resultOf(PARKED, [
    { label: 'Least drop at TDC', weight: 1, figure: least.figure },
    { label: 'Fall of the highest piston', weight: along, figure: fall },
    { label: 'Lobe lift', weight: -ratio.value.value, figure: motion.peakMm },
  ])
  return {
    figure,
    isPartial: (least.isPartial ?? false) || known.length < drops.length,
    remarks: [{ code: 'parkAt', degrees: anglesDeg }, ...(figure.value.value <= 0 ? [{ code: 'mayNotTurn' } as const] : [])],
  }
}
