/** The full curve of a cam: its rows, the lobe through them, and what is read off it. */
import type { Build } from '../../document/build'
import { figureAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import {
  checkedLobe,
  eventsAt,
  figureFromCurve,
  peakOf,
  type CheckedLobe,
  type FromCurve,
  type LiftRow,
  type LobeEvents,
} from '../../geometry/valvetrain'
import { curveIssues } from '../../geometry/valvetrain/curveTable'
import { wrapped } from '../../geometry/valvetrain/trueTdc'
import { camKind, cylinderOfCam, type Cam } from '../../geometry/valvetrain'
import { topsDeg } from '../../geometry/crank'
import { standardUncertainty, type Figure, type FormulaText } from '../../metrology'
import { isKnown, type Derived } from '../../bench/finding'
import type { Missing } from '../../bench/bench'
import { cardCentreline, cardDuration, checkLift, ratioRead, valueOr } from '../camCard'
import { withOtherDuration, withOtherLift } from './otherCam'
import { asTurnedBack, laterBy, tdcOf, trueAngleOf, trueSpanOf, type LookedAt } from './wheel'

const SEPARATOR = ' '

/** Wheel angles a curve was read at, in rising order. As one text: what has the same text is the same to who asks. */
const degreesText = derivation('camDegrees', (build, cam: Cam): string => {
  const degrees: number[] = []
  for (const { characteristic, place } of build.readings.current.values())
    if (characteristic === 'cam.lift' && place.cam === cam && place.degree !== undefined) degrees.push(place.degree)
  return degrees.sort((a, b) => a - b).join(SEPARATOR)
})

export function degreesRead(build: Build, cam: Cam): readonly number[] {
  const text = degreesText(build, cam)
  return text === '' ? [] : text.split(SEPARATOR).map(Number)
}

const USUAL_STEP_DEG = 5
/** Beyond its duration at the check lift a lobe has its ramps, and then a base circle that the dial's zero is read on. */
const BEYOND_DEG = 60
const USUAL_CENTRELINE_DEG = 108
const USUAL_DURATION_DEG = 230

/**
 * By how much the wheel reads more at this cam than its card says, to the degree: nothing at number one, where it was set; at the
 * second bank's cylinder what it shows at that one's TDC, and until that is read, where it would show it if nobody zeroed it again.
 */
export function shiftDeg(build: Build, cam: Cam): number {
  const { layout } = build.spec
  const cylinder = cylinderOfCam(layout, cam)
  if (cylinder === 1) return 0
  const tdc = tdcOf(build, cam)
  return Math.round(isKnown(tdc) ? wrapped(tdc.figure.value.value) : wrapped(topsDeg(layout).get(cylinder)!))
}

/** Wheel angles that a curve is read at: every few degrees over the lobe its card says, and well onto its base circle. */
export function degreesPlanned(build: Build, cam: Cam): readonly number[] {
  if (!build.spec.methods.camCurve) return []
  const stepDeg = build.spec.paper.curveStep?.value ?? USUAL_STEP_DEG
  const centre = valueOr(cardCentreline(build, cam), USUAL_CENTRELINE_DEG) * (camKind(cam) === 'intake' ? 1 : -1) + shiftDeg(build, cam)
  const reach = valueOr(cardDuration(build, cam), USUAL_DURATION_DEG) / 2 + BEYOND_DEG
  const [first, last] = [Math.ceil((centre - reach) / stepDeg), Math.floor((centre + reach) / stepDeg)]
  return Array.from({ length: last - first + 1 }, (_, index) => Number(((first + index) * stepDeg).toFixed(3)))
}

/** The rows of a curve as lifts of the lobe, by the angles the wheel showed. */
export const curveRows = derivation('camRows', (build, cam: Cam): readonly LiftRow[] =>
  degreesRead(build, cam).flatMap((degree): LiftRow[] => {
    const read = figureAt(build, liftStation(cam, degree))
    return read ? [{ angleDeg: degree, liftMm: read.value.value / ratioRead(build) }] : []
  }),
)

export function liftStation(cam: Cam, degree: number): string {
  return stationId('cam.lift', { cam, degree })
}

/** A wheel that nobody has a card of, read to half of what it is marked in. */
const USUAL_WHEEL_U_DEG = 0.25

/** How closely an angle is read: the wheel by its card. */
export function wheelUncertaintyDeg(build: Build): number {
  const wheel = [...build.gauges.values()].find(({ use }) => use === 'wheel')
  return wheel ? Math.hypot(wheel.resolution / Math.sqrt(12), wheel.repeatability) : USUAL_WHEEL_U_DEG
}

/** What one row leaves open: the wheel by its card, the dial by that of the gauge that read it. */
export function rowUncertainty(build: Build, cam: Cam) {
  const wheelDeg = wheelUncertaintyDeg(build)
  const [first = 0] = degreesRead(build, cam)
  const read = figureAt(build, liftStation(cam, first))
  const dialMm = read ? standardUncertainty({ ...read.value, components: read.value.components.filter(isOwn) }) : 0
  return { wheelDeg, dialMm: dialMm / ratioRead(build) }
}

/** Of the reading alone: what a gauge is off everywhere is taken off with its zero on the base circle. */
function isOwn({ source }: Figure['value']['components'][number]): boolean {
  return source.id.startsWith('reading:')
}

/** The lobe through the rows; undefined while they are too few, or do not go over the peak. */
export const curveOf = derivation('camCurve', (build, cam: Cam): CheckedLobe | undefined => {
  const rows = curveRows(build, cam)
  const byDeg = shiftDeg(build, cam)
  const isTable = curveIssues(rows.map((row) => ({ ...row, angleDeg: row.angleDeg - byDeg }))).length === 0
  return isTable ? checkedLobe(rows, rowUncertainty(build, cam)) : undefined
})

const SOURCE = 'quintic smoothing spline, restricted likelihood: Eilers and Marx, 1996; Wahba, 1983'

function text(id: string, title: string, expression: string, kind: 'angle' | 'length'): FormulaText {
  return { id, title, expression, kind, source: SOURCE }
}

const TEXTS = {
  open: text('curveOpens', 'Opens on the curve', 'where the curve has the check lift, going up', 'angle'),
  close: text('curveCloses', 'Closes on the curve', 'where the curve has the check lift, going down', 'angle'),
  duration: text('curveDuration', 'Duration on the curve', 'closes − opens', 'angle'),
  centreline: text('curveCentreline', 'Centreline of the curve', '(opens + closes) ÷ 2', 'angle'),
} as const satisfies Readonly<Record<keyof LobeEvents, FormulaText>>

function wheelFigure(cam: Cam, formula: FormulaText, of: FromCurve): Figure {
  return figureFromCurve(formula, of, { curve: cam, tdc: `curve:${cam}/tdc`, wheel: `curve:${cam}/wheel` })
}

/** An event, or the centreline, of the measured lobe in true crank degrees; missing: the rows that are not read yet. */
export function onCurve(build: Build, cam: Cam, what: keyof LobeEvents): Derived {
  const lobe = curveOf(build, cam)
  const events = lobe && eventsAt(lobe.curve, checkLift(build).value.value)
  const event = events?.[what]
  if (!lobe || !event) return { missing: rowsMissing(build, cam) }
  const figure = wheelFigure(cam, TEXTS[what], event)
  if (what === 'duration') return spanOnCurve(build, cam, events)
  const isPartial = lobe.slips.length > 0
  const looks = looksOf(what, events)
  const angle = trueAngleOf(build, cam, figure, looks)
  if (!isKnown(angle)) return angle
  const station = firstStation(build, cam)
  const half = { open: -0.5, close: 0.5, centreline: 0 }[what]
  const turned = withOtherDuration(build, cam, station, laterBy(build, cam, station, angle.figure), half)
  return asTurnedBack(
    build,
    degreesRead(build, cam).map((at) => liftStation(cam, at)),
    { figure: turned, isPartial: isPartial || angle.isPartial },
  )
}

/** All rows of a curve are read in one go: what was planned before the first was planned before all of them. */
export function firstStation(build: Build, cam: Cam): string {
  return liftStation(cam, degreesRead(build, cam)[0] ?? 0)
}

/** Crank degrees between two events of the measured lobe at a lift of one's own; missing: the rows that are not read yet. */
export function spanOnCurve(build: Build, cam: Cam, events: Partial<LobeEvents>): Derived {
  const lobe = curveOf(build, cam)
  if (!lobe || !events.duration) return { missing: rowsMissing(build, cam) }
  const onWheel = wheelFigure(cam, TEXTS.duration, events.duration)
  const span = trueSpanOf(build, cam, onWheel, looksOf('duration', events))
  return { figure: withOtherDuration(build, cam, firstStation(build, cam), span), isPartial: lobe.slips.length > 0 }
}

/** An event is read where it is; a centreline is half of each event, a duration the one less the other. */
function looksOf(what: keyof LobeEvents, { open, close }: Partial<LobeEvents>): readonly LookedAt[] {
  const look = (event: FromCurve | undefined, weight: number) => (event ? [{ deg: event.value, weight }] : [])
  switch (what) {
    case 'open':
      return look(open, 1)
    case 'close':
      return look(close, 1)
    case 'duration':
      return [...look(close, 1), ...look(open, -1)]
    case 'centreline':
      return [...look(close, 0.5), ...look(open, 0.5)]
  }
}

/** The greatest lift of the measured lobe. */
export function peakLiftOf(build: Build, cam: Cam): Derived {
  const lobe = curveOf(build, cam)
  if (!lobe) return { missing: rowsMissing(build, cam) }
  const peak = wheelFigure(cam, text('peakLift', 'Lobe lift', 'greatest lift of the curve', 'length'), peakOf(lobe.curve).lift)
  return { figure: withOtherLift(build, cam, firstStation(build, cam), peak) }
}

function rowsMissing(build: Build, cam: Cam): Missing[] {
  const read = new Set(degreesRead(build, cam))
  return degreesPlanned(build, cam)
    .filter((degree) => !read.has(degree))
    .map((degree) => ({ kind: 'reading', stationId: liftStation(cam, degree) }))
}
