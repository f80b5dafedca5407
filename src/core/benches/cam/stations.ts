import type { Build } from '../../document/build'
import { stationId, type Place } from '../../document/place'
import { bankOfCam, camKind, camsOf, cylinderOfCam, degreedCylinders, isHighProfile, type Cam } from '../../geometry/valvetrain'
import { topsDeg } from '../../geometry/crank'
import { formatQuantity } from '../../units'
import type { Station } from '../../bench/bench'
import { isKnown } from '../../bench/finding'
import { cardCentreline, cardDuration, cardLobeLift, checkLift, ratioRead, valueOr } from '../../shared/camCard'
import { wrapped } from '../../geometry/valvetrain/trueTdc'
import { degreesPlanned, degreesRead, shiftDeg } from '../../shared/camMotion/curve'
import { definition, type CamCharacteristic } from './definition'
import { DEPTH_REPEATS, depthPlace, shaftsOf, sprockets } from './camDrive'
import { lobeExpectedDeg, valvesOfCam } from '../../shared/camMotion/eachLobe'
import { lobeLabel } from './lobes'
import { isAsked, signOf } from '../../shared/camMotion/schools'
import { AFTER_CURVE, PROOFS, SIDES, stopPlace } from '../../shared/camMotion/wheel'

/** TDC first, twice; then every cam by the ways that are asked for, its full curve last, and TDC once more after it. */
export function stations(build: Build): readonly Station[] {
  const { layout } = build.spec
  const cylinders = tdcCylinders(build)
  return [
    ...asFoundStations(build),
    ...tdcStations(build, cylinders[0]!),
    ...besideTdc(build),
    ...cylinders.flatMap((cylinder, index) => [
      ...(index > 0 ? tdcStations(build, cylinder) : []),
      ...camsOf(layout)
        .filter((cam) => cylinderOfCam(layout, cam) === cylinder)
        .flatMap((cam) => camStations(build, cam)),
    ]),
    ...(isAsked(build, 'curve') ? stopStations(build, 1, AFTER_CURVE) : []),
    ...(build.spec.methods.camLobes ? camsOf(layout).flatMap((cam) => lobeStations(build, cam)) : []),
    ...(build.spec.methods.camSprockets ? sprocketStations(build) : []),
    ...(build.spec.methods.camTension ? [station('cam.tension', {}, 'Chain or belt, how far it gives', 'Tension', GIVES_MM)] : []),
  ].map((one) => (definition.characteristics[one.characteristic as CamCharacteristic].kind === 'angle' ? onMarks(build, one) : one))
}

function onMarks({ spec }: Build, station: Station): Station {
  return spec.methods.camWheel === 360 ? station : { ...station, wheelMarks: spec.methods.camWheel }
}

/** Cylinders whose TDC is read. */
export function tdcCylinders({ spec: { layout } }: Build): readonly number[] {
  return degreedCylinders(layout)
}

const SIDE_WORDS = { before: 'before the top', after: 'after it' } as const
/** A stop or a drop is read somewhere between. */
const STOP_DEG = { before: { low: -90, high: -2 }, after: { low: 2, high: 90 } } as const
const AGAIN = { 1: '', 2: ', again', [AFTER_CURVE]: ', after the curve' } as const

function tdcStations(build: Build, cylinder: number): readonly Station[] {
  return PROOFS.flatMap((proof) => stopStations(build, cylinder, proof))
}

/** A pointer is set near the top by eye: both sides stand about alike from it, and a second time where they stood the first. */
const SIDES_STRAY_DEG = 6
const AGAIN_STRAY_DEG = 3

function stopStations(build: Build, cylinder: number, proof: keyof typeof AGAIN): readonly Station[] {
  const { spec } = build
  const what = spec.methods.camTdc === 'stop' ? 'stop' : 'drop'
  // Of the second bank the wheel may have been left where it was, or zeroed again.
  const topDeg = cylinder === 1 ? 0 : wrapped(topsDeg(spec.layout).get(cylinder)!)
  const at = cylinder === 1 ? '' : `Cylinder ${cylinder}, `
  return SIDES.map((side) => {
    const { low, high } = STOP_DEG[side]
    const expected = { low: low + Math.min(0, topDeg), high: high + Math.max(0, topDeg) }
    const words = `${at}TDC, ${what} ${SIDE_WORDS[side]}${AGAIN[proof]}`
    return station(
      'cam.stop',
      stopPlace(cylinder, side, proof),
      words,
      `TDC ${proof}, ${side}`,
      expected,
      usualStop(build, { cylinder, side, proof, topDeg }),
    )
  })
}

/** By the same side before, or by the other side of the top. */
function usualStop(
  build: Build,
  { cylinder, side, proof, topDeg }: { cylinder: number; side: (typeof SIDES)[number]; proof: keyof typeof AGAIN; topDeg: number },
): Station['usual'] {
  const read = (at: Place) => build.readings.current.get(stationId('cam.stop', at))?.value
  const before = proof === 1 ? undefined : read(stopPlace(cylinder, side, 1))
  if (before !== undefined) return { centre: before, stray: AGAIN_STRAY_DEG }
  const other = read(stopPlace(cylinder, side === 'before' ? 'after' : 'before', proof))
  return other === undefined ? undefined : { centre: 2 * topDeg - other, stray: SIDES_STRAY_DEG }
}

/** Nobody finds a cam further from its mark and its engine whole. */
const MARK_FOUND_DEG = { low: -180, high: 180 }

function asFoundStations(build: Build): readonly Station[] {
  if (!build.spec.methods.camAsFound) return []
  return shaftsOf(build).map((cam) =>
    station(
      'cam.markFound',
      { cam },
      `${camLabel(build, cam)}, its mark as found`,
      'Mark as found',
      shifted(MARK_FOUND_DEG, shiftDeg(build, cam)),
    ),
  )
}

/** No drive gives more, and none that turns gives nothing. */
const GIVES_MM = { low: 0.2, high: 40 }

/** Reference faces are this far from a sprocket, either way. */
const MOST_DEPTH_MM = 200

function sprocketStations(build: Build): readonly Station[] {
  return sprockets(build).flatMap(({ number, wheel }) =>
    DEPTH_REPEATS.map((repeat) =>
      station(
        'cam.sprocketDepth',
        depthPlace(wheel, repeat),
        `Wheel ${number}, ${wheel.name}, depth${repeat > 1 ? `, reading ${repeat}` : ''}`,
        `Wheel ${number}, ${repeat}`,
        { low: -MOST_DEPTH_MM, high: MOST_DEPTH_MM },
      ),
    ),
  )
}

/** Nobody takes for TDC what is further from it by either mark or dwell. */
const NEAR_TDC_DEG = { low: -20, high: 20 }

function besideTdc({ spec: { methods } }: Build): readonly Station[] {
  return [
    ...(methods.camDwell
      ? SIDES.map((side) => {
          const words = side === 'before' ? 'TDC, dial stops' : 'TDC, dial starts again'
          return station('cam.dwell', { spot: side }, words, words, NEAR_TDC_DEG)
        })
      : []),
    ...(methods.camMark ? [station('cam.mark', {}, 'Balancer’s TDC mark at its pointer', 'Balancer mark', NEAR_TDC_DEG)] : []),
  ]
}

interface Row {
  readonly characteristic: CamCharacteristic
  readonly place: Place
  readonly words: string
  readonly row: string
  readonly expected: Station['expected']
  readonly usual?: Station['usual']
}

function camStations(build: Build, cam: Cam): readonly Station[] {
  const rows = [
    ...(isAsked(build, 'events') ? eventRows(build, cam) : []),
    ...(isAsked(build, 'equalLift') ? equalLiftRows(build, cam) : []),
    ...(isAsked(build, 'overlapLift') ? [overlapRow(build)] : []),
    ...curveRows(build, cam),
  ]
  return rows.map((row) => atCam(build, cam, row))
}

function atCam(build: Build, cam: Cam, { characteristic, place, words, row, expected, usual }: Row): Station {
  return station(characteristic, { cam, ...place }, `${camLabel(build, cam)}, ${words}`, row, expected, usual)
}

/** Where a row of a lift table is read that was not planned. */
export function liftStationAt(build: Build, cam: Cam, degree: number): Station {
  return atCam(build, cam, liftRow(degree, USUAL_LOBE_MM))
}

function camLabel({ spec: { layout } }: Build, cam: Cam): string {
  const bank = bankOfCam(cam)
  const name = `${bank ? `${bank} ` : ''}${camKind(cam)} ${isHighProfile(cam) ? 'cam, high lobe' : 'cam'}`
  const cylinder = layout.cylinders > 1 ? ` at cylinder ${cylinderOfCam(layout, cam)}` : ''
  return `${name[0]!.toUpperCase()}${name.slice(1)}${cylinder}`
}

/** Where an event stands that no card tells of, crank degrees after overlap TDC (common practice, widely drawn). */
const ANYWHERE = {
  intake: { opens: { low: -90, high: 70 }, closes: { low: 140, high: 320 } },
  exhaust: { opens: { low: -320, high: -140 }, closes: { low: -70, high: 90 } },
} as const
/** Nobody times a cam further from its card than a tooth and a half. */
const STRAY_DEG = 30
const USUAL_STRAY_DEG = 6

function shifted({ low, high }: Station['expected'], byDeg: number): Station['expected'] {
  return { low: low + byDeg, high: high + byDeg }
}

function around(centre: number | undefined, anywhere: Station['expected']): Pick<Station, 'expected' | 'usual'> {
  if (centre === undefined) return { expected: anywhere }
  return { expected: { low: centre - STRAY_DEG, high: centre + STRAY_DEG }, usual: { centre, stray: USUAL_STRAY_DEG } }
}

function cardEvents(build: Build, cam: Cam): { readonly opens?: number; readonly closes?: number; readonly centre?: number } {
  const [centreline, duration] = [cardCentreline(build, cam), cardDuration(build, cam)]
  if (!isKnown(centreline)) return {}
  const centre = signOf(cam) * centreline.figure.value.value + shiftDeg(build, cam)
  if (!isKnown(duration)) return { centre }
  const half = duration.figure.value.value / 2
  return { opens: centre - half, closes: centre + half, centre }
}

function eventRows(build: Build, cam: Cam): readonly Row[] {
  const card = cardEvents(build, cam)
  const lift = liftWords(build, checkLift(build).value.value * ratioRead(build))
  return (['opens', 'closes'] as const).map((spot) => ({
    characteristic: 'cam.event',
    place: { spot },
    words: `${spot} at ${lift}`,
    row: spot === 'opens' ? 'Opens' : 'Closes',
    ...around(card[spot], shifted(ANYWHERE[camKind(cam)][spot], shiftDeg(build, cam))),
  }))
}

const USUAL_CENTRELINE_DEG = 108
/** Half-widths that the lobes of engines have where their lift is so much less than their peak. */
const EQUAL_LIFT_DEG = { low: 15, high: 80 }

/** About where the centreline is wanted; not said: where this cam's own is. */
function equalLiftRows(build: Build, cam: Cam, about?: number): readonly Row[] {
  const centre = about ?? cardEvents(build, cam).centre ?? signOf(cam) * USUAL_CENTRELINE_DEG + shiftDeg(build, cam)
  const lift = liftWords(build, checkLift(build).value.value * ratioRead(build))
  const { low, high } = EQUAL_LIFT_DEG
  return SIDES.map((spot) => ({
    characteristic: 'cam.equalLift',
    place: { spot },
    words: `${lift} below its peak, ${spot === 'before' ? 'going up' : 'coming down'}`,
    row: spot === 'before' ? 'Equal lift, up' : 'Equal lift, down',
    expected:
      spot === 'before'
        ? { low: centre - high - STRAY_DEG, high: centre - low + STRAY_DEG }
        : { low: centre + low - STRAY_DEG, high: centre + high + STRAY_DEG },
  }))
}

const MOST_OVERLAP_LIFT_MM = 8

function overlapRow(build: Build): Row {
  const lash = build.spec.methods.camReadAt === 'valve' ? 'with its lash' : 'no lash in it'
  return {
    characteristic: 'cam.overlapLift',
    place: {},
    words: `lift at overlap TDC, ${lash}`,
    row: 'Lift at overlap',
    expected: { low: 0, high: MOST_OVERLAP_LIFT_MM },
  }
}

/** Lobe by lobe along the shaft, each by the wheel as it was set at number one. */
function lobeStations(build: Build, cam: Cam): readonly Station[] {
  const peakMm = valueOr(cardLobeLift(build, cam), USUAL_LOBE_MM) * ratioRead(build)
  return valvesOfCam(build, cam).flatMap((place) => {
    const { valve } = place
    const label = lobeLabel(build.spec.layout, place)
    const name = `${label[0]!.toUpperCase()}${label.slice(1)}`
    const about = lobeExpectedDeg(build, place)
    return [
      ...equalLiftRows(build, cam, about).map(({ place: { spot }, words, row, expected }) =>
        station('cam.lobeAngle', { valve, spot }, `${name}, ${words}`, row.replace('Equal lift', 'Lobe'), expected),
      ),
      station('cam.lobePeak', { valve }, `${name}, greatest lift`, 'Lobe, lift', { low: peakMm / 2, high: peakMm + 1 }),
    ]
  })
}

/** A dial goes a little below nothing where its zero is. */
const BELOW_ZERO_MM = -0.3
const USUAL_LOBE_MM = 16

function curveRows(build: Build, cam: Cam): readonly Row[] {
  const degrees = [...new Set([...degreesPlanned(build, cam), ...degreesRead(build, cam)])].sort((a, b) => a - b)
  const peakMm = valueOr(cardLobeLift(build, cam), USUAL_LOBE_MM) * ratioRead(build)
  return degrees.map((degree) => liftRow(degree, peakMm))
}

function liftRow(degree: number, peakMm: number): Row {
  return {
    characteristic: 'cam.lift',
    place: { degree },
    words: `lift at ${degree}°`,
    row: `Lift at ${degree}°`,
    expected: { low: BELOW_ZERO_MM, high: peakMm + 1 },
  }
}

function liftWords({ spec }: Build, mm: number): string {
  return spec.units === 'metric' ? formatQuantity(mm, 'mm', 2) : formatQuantity(mm, 'in', 3)
}

function station(
  characteristic: CamCharacteristic,
  place: Place,
  label: string,
  row: string,
  expected: Station['expected'],
  usual?: Station['usual'],
): Station {
  return {
    id: stationId(characteristic, place),
    characteristic,
    place,
    label,
    row,
    expected,
    ...(usual && { usual }),
    drawnAt: { x: 0, y: 0 },
  }
}
