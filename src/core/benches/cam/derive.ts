import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { allWorkOn } from '../../document/work'
import { bankOfCam, camKind, camsOf, cylinderOfCam, isHighProfile, type Cam } from '../../geometry/valvetrain'
import { bothSides } from '../../geometry/valvetrain/trueTdc'
import { resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { allOf, asRead, finding, isKnown, type Derived } from '../../bench/finding'
import type { Subject } from '../../document/place'
import { afterWork } from '../../shared/afterWork'
import { cardCentreline, cardDisagreements, cardDuration } from '../../shared/camCard'
import { curveOf, curveRows, onCurve, peakLiftOf } from '../../shared/camMotion/curve'
import { definition, type CamOutput } from './definition'
import {
  centreline,
  centrelineBy,
  closesAt,
  isAsked,
  opensAt,
  SCHOOL_NAMES,
  liftAtOverlap,
  schoolsApart,
  signOf,
  type School,
} from '../../shared/camMotion/schools'
import { lobeLiftOf, valvesOfCam } from '../../shared/camMotion/eachLobe'
import { centrelineSpread, liftSpread, lobeOff } from './lobes'
import { depthsApart, foundOff, outOfLine, shaftsOf } from './camDrive'
import { tdcCylinders } from './stations'
import { offSeat, valveLiftOf } from '../../shared/camMotion/valveMotion'
import { dwellOff, markOff, proofsApart, stopPlace, throwsApart, wheelMoved, wheelTdc } from '../../shared/camMotion/wheel'

const BY: Readonly<Record<School, CamOutput>> = {
  curve: 'cam.byCurve',
  events: 'cam.byEvents',
  equalLift: 'cam.byEqualLift',
  overlapLift: 'cam.byOverlapLift',
}

export function derive(build: Build): Finding[] {
  const one = (output: CamOutput, of: (build: Build) => Derived, subject?: Subject) => finding(build, definition, output, of, subject)
  return [
    ...tdcCylinders(build).flatMap((cylinder) => tdcFindings(build, cylinder)),
    ...(isAsked(build, 'curve') ? [one('cam.wheelMoved', wheelMoved)] : []),
    ...(build.spec.methods.camAsFound
      ? shaftsOf(build).map((cam) => finding(build, definition, 'cam.foundOff', (recorded) => foundOff(recorded, cam), { cam }))
      : []),
    ...(build.spec.methods.camSprockets ? [one('cam.outOfLine', outOfLine), one('cam.depthsApart', depthsApart)] : []),
    ...(build.spec.methods.camTension ? [one('cam.tension', (recorded) => asRead(recorded, 'cam.tension', {}))] : []),
    ...(build.spec.methods.camDwell ? [one('cam.dwellOff', dwellOff)] : []),
    ...(build.spec.methods.camMark ? [one('cam.markOff', markOff)] : []),
    ...camsOf(build.spec.layout).flatMap((cam) => camFindings(build, cam)),
    ...pairs(build).flatMap(({ intake, exhaust, subject }) => [
      one('cam.separation', (recorded) => separation(recorded, intake, exhaust), subject),
      one('cam.overlap', (recorded) => overlap(recorded, intake, exhaust), subject),
    ]),
    ...(build.spec.methods.camLobes ? camsOf(build.spec.layout).flatMap((cam) => lobeFindings(build, cam)) : []),
    ...(build.spec.paper.intakeClosing ? [one('cam.retardApart', retardApart)] : []),
  ]
}

/** TDC at number one, and at the cylinder of the second bank that its cams are degreed at. */
function tdcFindings(build: Build, cylinder: number): Finding[] {
  const subject = cylinder === 1 ? {} : { cylinder }
  const one = (output: CamOutput, of: (build: Build) => Derived) => finding(build, definition, output, of, subject)
  const isCompared = cylinder > 1 && throwsApart(build, cylinder) !== undefined
  return [
    one('cam.tdc', (recorded) => tdcOnWheel(recorded, cylinder)),
    one('cam.tdcApart', (recorded) => proofsApart(recorded, cylinder)),
    ...(isCompared ? [one('cam.throwsApart', (recorded) => throwsApart(recorded, cylinder)!)] : []),
  ]
}

/** Carried as a correction, or trued away: which way pointer or wheel goes, and what both sides read then. */
function tdcOnWheel(build: Build, cylinder: number): Derived {
  const tdc = wheelTdc(build, cylinder)
  const first = allOf({
    before: asRead(build, 'cam.stop', stopPlace(cylinder, 'before', 1)),
    after: asRead(build, 'cam.stop', stopPlace(cylinder, 'after', 1)),
  })
  const { methods, drive } = build.spec
  const turnsBack: Remark[] = methods.camTdc === 'stop' && drive?.neverBack ? [{ code: 'stopTurnsBack' }] : []
  if (!isKnown(tdc) || first.missing) return tdc
  const { before, after } = first.figures
  const { halfDeg } = bothSides(before.value.value, after.value.value)
  const pointer: Remark[] =
    cylinder === 1 ? [{ code: 'pointerOff', tdcDeg: tdc.figure.value.value, eachDeg: halfDeg, moves: methods.camMoves }] : []
  return { ...tdc, remarks: [...pointer, ...turnsBack] }
}

function camFindings(build: Build, cam: Cam): Finding[] {
  const one = (output: CamOutput, of: (build: Build) => Derived) => finding(build, definition, output, of, { cam })
  const asked = SCHOOL_NAMES.filter((school) => isAsked(build, school) || isKnown(centrelineBy(build, cam, school)))
  const isCurve = asked.includes('curve')
  return [
    one('cam.advance', (recorded) => advance(recorded, cam)),
    one('cam.centreline', (recorded) => centreline(recorded, cam)),
    ...(asked.length > 1 ? [one('cam.schoolsApart', (recorded) => schoolsApart(recorded, cam))] : []),
    ...(asked.includes('overlapLift') ? [one('cam.liftAtOverlap', (recorded) => liftAtOverlap(recorded, cam))] : []),
    ...asked.map((school) => one(BY[school], (recorded) => bySchool(recorded, cam, school))),
    one('cam.opens', (recorded) => eventOf(recorded, cam, 'open')),
    one('cam.closes', (recorded) => eventOf(recorded, cam, 'close')),
    one('cam.duration', (recorded) => duration(recorded, cam)),
    one('cam.durationApart', (recorded) => durationApart(recorded, cam)),
    ...(isCurve ? [one('cam.peakLift', (recorded) => peakLiftOf(recorded, cam))] : []),
    ...(isCurve
      ? [one('cam.valveLift', (recorded) => valveLiftOf(recorded, cam)), one('cam.offSeat', (recorded) => offSeat(recorded, cam))]
      : []),
  ]
}

/** Every lobe of a cam against the others of it, and how far they spread. */
function lobeFindings(build: Build, cam: Cam): Finding[] {
  const valves = valvesOfCam(build, cam)
  const spread = (output: CamOutput, of: (build: Build, cam: Cam) => Derived) =>
    valves.length > 1 ? [finding(build, definition, output, (recorded) => of(recorded, cam), { cam })] : []
  return [
    ...spread('cam.centrelineSpread', centrelineSpread),
    ...spread('cam.liftSpread', liftSpread),
    ...valves.map(({ valve }) => finding(build, definition, 'cam.lobeOff', (recorded) => lobeOff(recorded, valve), { valve })),
    ...valves.map(({ valve }) => finding(build, definition, 'cam.lobeLift', (recorded) => lobeLiftOf(recorded, valve), { valve })),
  ]
}

const AGAINST_CARD: FormulaText = {
  id: 'advance',
  title: 'Before its card',
  kind: 'angle',
  expression: 'intake: card − found; exhaust: found − card',
  source: 'common practice',
}

/** Crank degrees a cam stands before its card; later is negative. */
export function advance(build: Build, cam: Cam): Derived {
  const inputs = allOf({ card: cardCentreline(build, cam), found: centreline(build, cam) })
  if (inputs.missing) return inputs
  const found = centreline(build, cam)
  const remarks = cardDisagreements(build, cam).map((one): Remark => ({ code: 'cardDisagrees', ...one }))
  const tdc = proofsApart(build, cylinderOfCam(build.spec.layout, cam))
  const figure = resultOf(AGAINST_CARD, [
    { label: 'Card', weight: signOf(cam), figure: inputs.figures.card },
    { label: 'Found', weight: -signOf(cam), figure: inputs.figures.found },
  ])
  return {
    figure,
    isPartial: isKnown(found) && found.isPartial,
    remarks: [stands(inputs.figures.card, figure), ...(isKnown(found) ? (found.remarks ?? []) : []), ...remarks, ...notProven(build, tdc)],
  }
}

function stands(card: Figure, { value }: Figure): Remark {
  return { code: 'camStands', lateDeg: -value.value, card }
}

/** Proofs of TDC further apart than allowed: every angle hangs on them. */
function notProven({ spec }: Build, tdc: Derived): Remark[] {
  const upper = spec.limits['cam.tdcApart']?.upper
  return isKnown(tdc) && upper !== undefined && tdc.figure.value.value > upper ? [{ code: 'tdcNotProven', apart: tdc.figure }] : []
}

function bySchool(build: Build, cam: Cam, school: School): Derived {
  const derived = centrelineBy(build, cam, school)
  const lobe = school === 'curve' ? curveOf(build, cam) : undefined
  if (!isKnown(derived) || !lobe) return derived
  const rows = curveRows(build, cam)
  const degrees = lobe.slips.map(({ row }) => rows[row - 1]!.angleDeg)
  const { noise, noiseScale } = lobe.curve
  return {
    ...derived,
    remarks: [
      ...(derived.remarks ?? []),
      ...(lobe.slips.length > 0 ? [{ code: 'curveSlips', slips: lobe.slips, degrees } as const] : []),
      ...(noise === 'asStated' ? [] : [{ code: 'curveNoise', is: noise, scale: noiseScale } as const]),
    ],
  }
}

/** A weighted sum of what is derived; of what is read in part, so is the sum. */
function weighted(
  text: FormulaText,
  parts: readonly { readonly label: string; readonly weight: number; readonly derived: Derived }[],
): Derived {
  const known = parts.flatMap(({ label, weight, derived }) => (isKnown(derived) ? [{ label, weight, figure: derived.figure }] : []))
  if (known.length < parts.length) return { missing: parts.flatMap(({ derived }) => (isKnown(derived) ? [] : derived.missing)) }
  return { figure: resultOf(text, known), isPartial: parts.some(({ derived }) => isKnown(derived) && derived.isPartial) }
}

/** By its curve where there is one, else as it was read. */
function eventOf(build: Build, cam: Cam, which: 'open' | 'close'): Derived {
  const curve = onCurve(build, cam, which)
  if (isKnown(curve)) return curve
  return which === 'open' ? opensAt(build, cam) : closesAt(build, cam)
}

const DURATION: FormulaText = { id: 'duration', title: 'Duration', kind: 'angle', expression: 'closes − opens', source: 'definition' }

function duration(build: Build, cam: Cam): Derived {
  const curve = onCurve(build, cam, 'duration')
  if (isKnown(curve)) return curve
  return weighted(DURATION, [
    { label: 'Closes', weight: 1, derived: closesAt(build, cam) },
    { label: 'Opens', weight: -1, derived: opensAt(build, cam) },
  ])
}

const BEYOND_CARD: FormulaText = {
  id: 'durationApart',
  title: 'Duration beyond its card',
  kind: 'angle',
  expression: 'found − card',
  source: 'definition',
}

function durationApart(build: Build, cam: Cam): Derived {
  return weighted(BEYOND_CARD, [
    { label: 'Found', weight: 1, derived: duration(build, cam) },
    { label: 'Card', weight: -1, derived: cardDurationOfNext(build, cam) },
  ])
}

/** Of a cam that is to come in, so much longer than its card says as it is to be. */
function cardDurationOfNext(build: Build, cam: Cam): Derived {
  const card = cardDuration(build, cam)
  return isKnown(card)
    ? { ...card, figure: afterWork(card.figure, allWorkOn(build, `lobeDuration/${camKind(cam)}`), 'angle', 'Another cam') }
    : card
}

interface Pair {
  readonly intake: Cam
  readonly exhaust: Cam
  readonly subject: Subject
}

/** Intake and exhaust of one bank, or of the engine. */
function pairs({ spec }: Build): readonly Pair[] {
  return camsOf(spec.layout)
    .filter((cam) => camKind(cam) === 'intake' && !isHighProfile(cam))
    .map((intake) => {
      const bank = bankOfCam(intake)
      return { intake, exhaust: intake.replace('intake', 'exhaust') as Cam, subject: bank ? { bank } : {} }
    })
}

const SEPARATION: FormulaText = {
  id: 'separation',
  title: 'Lobe separation',
  kind: 'angle',
  expression: '(intake centreline + exhaust centreline) ÷ 2',
  source: 'common practice',
}

function separation(build: Build, intake: Cam, exhaust: Cam): Derived {
  return weighted(SEPARATION, [
    { label: 'Intake', weight: 0.5, derived: centreline(build, intake) },
    { label: 'Exhaust', weight: 0.5, derived: centreline(build, exhaust) },
  ])
}

const OVERLAP: FormulaText = {
  id: 'overlap',
  title: 'Overlap',
  kind: 'angle',
  expression: 'exhaust closes − intake opens',
  source: 'common practice',
}

function overlap(build: Build, intake: Cam, exhaust: Cam): Derived {
  return weighted(OVERLAP, [
    { label: 'Exhaust closes', weight: 1, derived: eventOf(build, exhaust, 'close') },
    { label: 'Intake opens', weight: -1, derived: eventOf(build, intake, 'open') },
  ])
}

const RETARD_APART: FormulaText = {
  id: 'retardApart',
  title: 'Later than noted',
  kind: 'angle',
  expression: 'found after its card − noted on paper',
  source: 'definition',
}

/** What the effective ratio is computed with, against where the intake was found: on two banks the first that is known. */
function retardApart(build: Build): Derived {
  const cams = camsOf(build.spec.layout).filter((cam) => camKind(cam) === 'intake' && !isHighProfile(cam))
  const found = cams.map((cam) => advance(build, cam))
  const first = found.find(isKnown)
  if (!first) return { missing: found.flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  const noted = paperAt(build, 'intakeRetard')
  return {
    figure: resultOf(RETARD_APART, [
      { label: 'Before its card', weight: -1, figure: first.figure },
      ...(noted ? [{ label: 'Noted on paper', weight: -1, figure: noted }] : []),
    ]),
  }
}
