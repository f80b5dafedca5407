/** Where a cam stands, by each way of reading it. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { closedHalfDurationDeg, lobeOfDuration, USUAL_LOBE_POWER } from '../../geometry/valvetrain/closedLobe'
import { camKind, type Cam } from '../../geometry/valvetrain'
import {
  apart,
  asExtreme,
  assumedFigure,
  expand,
  formula,
  leftOut,
  resultOf,
  selectionU,
  standardUncertainty,
  type Figure,
  type FormulaText,
} from '../../metrology'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import type { Missing, Remark } from '../../bench/bench'
import { stationId } from '../../document/place'
import { cardDuration, cardLobeLift, checkLift, lashOf } from '../camCard'
import { onCurve } from './curve'
import { withOtherDuration } from './otherCam'
import { asTurnedBack, laterBy, tdcOf, trueAngle } from './wheel'

/** A way to read where a cam stands. */
export type School = 'curve' | 'events' | 'equalLift' | 'overlapLift'

/** After overlap TDC an intake's centreline is positive; an exhaust's is spoken of as degrees before it. */
export function signOf(cam: Cam): 1 | -1 {
  return camKind(cam) === 'intake' ? 1 : -1
}

const MIDDLE: FormulaText = {
  id: 'centreline',
  title: 'Centreline',
  kind: 'angle',
  expression: 'middle of both angles',
  source: 'common practice',
}

/** Of two angles that were read turned back it is said once, with how many. */
export function turnedBackOf(parts: readonly Derived[]): readonly Remark[] {
  const said = parts.flatMap((part) => (isKnown(part) ? (part.remarks ?? []) : [])).filter(({ code }) => code === 'turnedBack')
  return said.length > 0 ? [{ code: 'turnedBack', count: said.length }] : []
}

function middleOf(cam: Cam, one: Derived, other: Derived, labels: readonly [string, string]): Derived {
  const inputs = allOf({ one, other })
  if (inputs.missing) return inputs
  const weight = signOf(cam) / 2
  return {
    figure: resultOf(MIDDLE, [
      { label: labels[0], weight, figure: inputs.figures.one },
      { label: labels[1], weight, figure: inputs.figures.other },
    ]),
    isPartial: [one, other].some((derived) => isKnown(derived) && derived.isPartial),
    remarks: turnedBackOf([one, other]),
  }
}

export function opensAt(build: Build, cam: Cam): Derived {
  return eventAt(build, cam, 'opens', -0.5)
}

export function closesAt(build: Build, cam: Cam): Derived {
  return eventAt(build, cam, 'closes', 0.5)
}

function eventAt(build: Build, cam: Cam, spot: 'opens' | 'closes', share: number): Derived {
  const place = { cam, spot }
  const read = trueAngle(build, 'cam.event', place)
  return isKnown(read) ? { ...read, figure: withOtherDuration(build, cam, stationId('cam.event', place), read.figure, share) } : read
}

function byEvents(build: Build, cam: Cam): Derived {
  return middleOf(cam, opensAt(build, cam), closesAt(build, cam), ['Opens', 'Closes'])
}

function byEqualLift(build: Build, cam: Cam): Derived {
  const at = (spot: string) => trueAngle(build, 'cam.equalLift', { cam, spot })
  return middleOf(cam, at('before'), at('after'), ['Before the peak', 'After it'])
}

const CURVE_CENTRE: FormulaText = {
  id: 'curveCentre',
  title: 'Centreline',
  kind: 'angle',
  expression: 'middle of both events of the curve',
  source: 'common practice',
}

function byCurve(build: Build, cam: Cam): Derived {
  const centre = onCurve(build, cam, 'centreline')
  if (!isKnown(centre)) return centre
  return { ...centre, figure: resultOf(CURVE_CENTRE, [{ label: 'On the curve', weight: signOf(cam), figure: centre.figure }]) }
}

/** The shape a lobe has that only its card is known of: most lobes lie within it (assumed). */
const USUAL_POWER = { value: USUAL_LOBE_POWER, tolerance: 0.3, source: 'assumed: the power of a lobe in closed form' }

const lobeLift = formula({
  id: 'lobeLift',
  title: 'Lift of the lobe',
  kind: 'length',
  expression: '(lift read + lash) ÷ ratio',
  source: 'common practice',
  inputs: {
    readMm: { label: 'Lift read', kind: 'length' },
    lashMm: { label: 'Lash', kind: 'length' },
    ratio: { label: 'Rocker ratio', kind: 'ratio' },
  },
  evaluate: ({ readMm, lashMm, ratio }) => (readMm + lashMm) / ratio,
})

const centreFromLift = formula({
  id: 'centreFromLift',
  title: 'Centreline from one lift',
  kind: 'angle',
  expression: 'where L · (1 − (θ/w)²)^p has this lift, from the centreline',
  source: 'a lobe in closed form, matched to lift and duration of the card',
  inputs: {
    liftMm: { label: 'Lift of the lobe at overlap TDC', kind: 'length' },
    peakMm: { label: 'Lobe lift', kind: 'length' },
    durationDeg: { label: 'Duration at the check lift', kind: 'angle' },
    checkMm: { label: 'Check lift', kind: 'length' },
    power: { label: 'Power', kind: 'ratio' },
    tdcDeg: { label: 'True TDC', kind: 'angle' },
  },
  evaluate({ liftMm, peakMm, durationDeg, checkMm, power, tdcDeg }) {
    const lobe = lobeOfDuration(peakMm, durationDeg, checkMm, power)
    return ((lobe && closedHalfDurationDeg(lobe, liftMm)) ?? Number.NaN) + tdcDeg
  },
})

/** Set at what the wheel shows for TDC: nothing off, and as uncertain as that. */
function atTdc(tdc: Figure): Figure {
  return { value: { value: 0, components: tdc.value.components }, origin: tdc.origin }
}

function byOverlapLift(build: Build, cam: Cam): Derived {
  const { paper } = build.spec
  const isAtValve = build.spec.methods.camReadAt === 'valve'
  const inputs = allOf({
    readMm: asRead(build, 'cam.overlapLift', { cam }),
    tdc: tdcOf(build, cam),
    peakMm: cardLobeLift(build, cam),
    durationDeg: cardDuration(build, cam),
    lashMm: isAtValve ? lashOf(build, cam) : { figure: leftOut() },
    ratio:
      isAtValve && paper.rockerRatio
        ? { figure: paperAt(build, 'rockerRatio')! }
        : { figure: { ...leftOut(), value: { value: 1, components: [] } } },
  })
  if (inputs.missing) return inputs
  const { readMm, tdc, peakMm, durationDeg, lashMm, ratio } = inputs.figures
  const liftMm = lobeLift.of({ readMm, lashMm, ratio })
  const power = assumedFigure('lobePower', USUAL_POWER)
  const found = centreFromLift.of({ liftMm, peakMm, durationDeg, checkMm: checkLift(build), power, tdcDeg: atTdc(tdc) })
  if (!Number.isFinite(found.value.value)) return { missing: [{ kind: 'impossible', reason: 'noSuchLift' }] }
  const station = stationId('cam.overlapLift', { cam })
  return asTurnedBack(build, [station], { figure: laterBy(build, cam, station, found, signOf(cam)), remarks: [{ code: 'syntheticLobe' }] })
}

const LIFT_AT_OVERLAP: FormulaText = {
  id: 'liftAtOverlap',
  title: 'Lift at overlap TDC',
  kind: 'length',
  expression: 'as read; what TDC is off by moves it along the lobe',
  source: 'common practice',
}
/** Lifts between which the slope of a lobe is taken, mm. */
const SLOPE_MM = 0.05

/** The lift at overlap TDC where it is read, as uncertain as TDC makes it there. */
export function liftAtOverlap(build: Build, cam: Cam): Derived {
  const read = asRead(build, 'cam.overlapLift', { cam })
  if (!isKnown(read)) return read
  const tdc = tdcOf(build, cam)
  const slope = slopeAtLift(build, cam, read.figure.value.value)
  if (!isKnown(tdc) || slope === undefined) return { ...read, isPartial: true }
  return {
    figure: resultOf(LIFT_AT_OVERLAP, [
      { label: 'Lift read', weight: 1, figure: read.figure },
      { label: 'True TDC', weight: -signOf(cam) * slope, figure: atTdc(tdc.figure) },
    ]),
  }
}

/** How fast a lobe as its card has it rises at a lift, mm a crank degree; undefined where the card does not say. */
function slopeAtLift(build: Build, cam: Cam, liftMm: number): number | undefined {
  const card = allOf({ peak: cardLobeLift(build, cam), duration: cardDuration(build, cam) })
  if (card.missing) return undefined
  const { peak, duration } = card.figures
  const lobe = lobeOfDuration(peak.value.value, duration.value.value, checkLift(build).value.value, USUAL_LOBE_POWER)
  const half = (mm: number) => lobe && closedHalfDurationDeg(lobe, mm)
  const [below, above] = [half(Math.max(0, liftMm - SLOPE_MM)), half(liftMm + SLOPE_MM)]
  if (below === undefined || above === undefined || below <= above) return undefined
  return (Math.min(liftMm, SLOPE_MM) + SLOPE_MM) / (below - above)
}

/** The ways, the one that counts where several are there first: the more rows, the less hangs on one of them. */
const SCHOOLS = { curve: byCurve, events: byEvents, equalLift: byEqualLift, overlapLift: byOverlapLift } as const satisfies Readonly<
  Record<School, (build: Build, cam: Cam) => Derived>
>
export const SCHOOL_NAMES = Object.keys(SCHOOLS) as School[]

/** The centreline of a cam by one way of reading: intake after, exhaust before overlap TDC. */
export const centrelineBy = derivation('camCentrelineBy', (build, cam: Cam, school: School): Derived => SCHOOLS[school](build, cam))

function known(build: Build, cam: Cam): readonly { readonly school: School; readonly figure: Figure }[] {
  return SCHOOL_NAMES.flatMap((school) => {
    const derived = centrelineBy(build, cam, school)
    return isKnown(derived) ? [{ school, figure: derived.figure }] : []
  })
}

const IS_ASKED = { curve: 'camCurve', events: 'camEvents', equalLift: 'camEqualLift', overlapLift: 'camOverlapLift' } as const

export function isAsked({ spec }: Pick<Build, 'spec'>, school: School): boolean {
  return spec.methods[IS_ASKED[school]]
}

/** The centreline by the best way there is; two ways are held against each other, never averaged. */
export const centreline = derivation('camCentreline', (build, cam: Cam): Derived => {
  const [best] = known(build, cam)
  if (!best) return { missing: missingBy(build, cam) }
  const derived = centrelineBy(build, cam, best.school)
  const readBy: Remark = { code: 'readBy', schools: known(build, cam).map(({ school }) => school) }
  return isKnown(derived)
    ? { ...derived, remarks: [readBy, ...(derived.remarks ?? []).filter(({ code }) => code === 'turnedBack')] }
    : derived
})

/** What the ways that are asked for still want; where none is, the events of a card. */
function missingBy(build: Build, cam: Cam): readonly Missing[] {
  const asked = SCHOOL_NAMES.filter((school) => isAsked(build, school))
  return (asked.length > 0 ? asked : (['events'] as const)).flatMap((school) => {
    const derived = centrelineBy(build, cam, school)
    return isKnown(derived) ? [] : derived.missing
  })
}

const SCHOOLS_APART: FormulaText = {
  id: 'schoolsApart',
  title: 'Ways apart',
  kind: 'angle',
  expression: 'largest − smallest',
  source: 'definition',
}

/** What ways of reading are held against each other at: their centrelines may agree where events and duration do not. */
export type ComparedAt = 'centreline' | 'opens' | 'closes' | 'duration'

interface Read {
  readonly school: School
  readonly figure: Figure
}

const DURATION: FormulaText = { id: 'duration', title: 'Duration', kind: 'angle', expression: 'closes − opens', source: 'definition' }

function durationByEvents(build: Build, cam: Cam): Derived {
  const events = allOf({ opens: opensAt(build, cam), closes: closesAt(build, cam) })
  if (events.missing) return events
  return {
    figure: resultOf(DURATION, [
      { label: 'Closes', weight: 1, figure: events.figures.closes },
      { label: 'Opens', weight: -1, figure: events.figures.opens },
    ]),
  }
}

/** What curve and events say of one thing, as far as they say it. */
function curveAndEvents(curve: Derived, events: Derived): readonly Read[] {
  return [
    ...(isKnown(curve) ? [{ school: 'curve', figure: curve.figure } as const] : []),
    ...(isKnown(events) ? [{ school: 'events', figure: events.figure } as const] : []),
  ]
}

function comparedAt(build: Build, cam: Cam): readonly { readonly at: ComparedAt; readonly all: readonly Read[] }[] {
  const all = [
    { at: 'centreline', all: known(build, cam) },
    { at: 'opens', all: curveAndEvents(onCurve(build, cam, 'open'), opensAt(build, cam)) },
    { at: 'closes', all: curveAndEvents(onCurve(build, cam, 'close'), closesAt(build, cam)) },
    { at: 'duration', all: curveAndEvents(onCurve(build, cam, 'duration'), durationByEvents(build, cam)) },
  ] as const
  return all.filter((one) => one.all.length > 1)
}

/** The two ways of reading that are furthest apart, and at what; by fewer than two there is nothing to hold against anything. */
export function schoolsApart(build: Build, cam: Cam): Derived {
  const compared = comparedAt(build, cam)
    .map(({ at, all }) => ({ at, ...apartAmong(all) }))
    .toSorted((a, b) => b.figure.value.value - a.figure.value.value)
  const [furthest] = compared
  if (!furthest) return { missing: missingBy(build, cam) }
  const { at, one, other, figure: plain } = furthest
  // The one of them that is furthest apart is so by chance too; what the comparisons share is not allowed for: the safe side.
  const sizes = compared.map(({ at, figure: { value } }) => ({
    value: value.value,
    components: [{ source: { id: at, owner: 'selection', dof: Infinity }, u: standardUncertainty(value) }],
  }))
  const figure = asExtreme(plain, selectionU('largestSize', sizes, plain.value))
  const isBeyondUncertainty = figure.value.value > expand(figure.value).U
  return { figure, remarks: isBeyondUncertainty ? [{ code: 'schoolsDisagree', one, other, apart: figure, at }] : [] }
}

function apartAmong(all: readonly Read[]): { readonly one: School; readonly other: School; readonly figure: Figure } {
  const ranked = all.toSorted((a, b) => a.figure.value.value - b.figure.value.value)
  const [least, most] = [ranked[0]!, ranked.at(-1)!]
  const plain = apart(SCHOOLS_APART, { label: most.school, figure: most.figure }, { label: least.school, figure: least.figure })
  // The outermost of several ways stand further apart by chance than any two.
  const values = all.map((one) => one.figure.value)
  return { one: most.school, other: least.school, figure: asExtreme(plain, selectionU('range', values, plain.value)) }
}
