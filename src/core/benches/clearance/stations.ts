import type { Build } from '../../document/build'
import { stationId, type Place } from '../../document/place'
import { bankOfCam, camKind, camsOf, isHighProfile, type Cam, valvePlaces, type ValvePlace } from '../../geometry/valvetrain'
import { cylinderNumbers, hasValvesOverPistons } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import { isKnown } from '../../bench/finding'
import { fromPaper } from '../../shared/fromPaper'
import type { ClearanceCharacteristic } from './definition'
import { degreesAsked, dialDegrees } from './dial'
import { isAsked } from './drop'
import { nearestOfValve } from './ownLobe'
import { gapMm } from '../../geometry/valvetrain/closest'

/** Valve by valve round the engine, each by the ways that are asked for; then what is read cylinder by cylinder. */
export function stations(build: Build): readonly Station[] {
  const { layout, methods } = build.spec
  if (!hasValvesOverPistons(layout)) return []
  return [
    ...valvesRead(build).flatMap((place) => valveStations(build, place)),
    ...(methods.clearanceSeats ? valvePlaces(layout).map((place) => seatStation(place)) : []),
    ...(methods.clearanceRound && !methods.clearanceClay
      ? camsOf(layout)
          .filter((cam) => !isHighProfile(cam))
          .flatMap((cam) => sizeStations(build, cam))
      : []),
    ...(methods.clearanceHead ? cylinderNumbers(layout).map(wireStation) : []),
  ]
}

/** Every valve, or those of cylinder one and whichever else was read. */
function valvesRead(build: Build): readonly ValvePlace[] {
  const all = valvePlaces(build.spec.layout)
  return build.spec.methods.clearanceValves === 'all' ? all : all.filter(({ cylinder }) => cylinder === 1)
}

/** "Intake 3a". */
export function valveLabel({ valve, kind }: ValvePlace): string {
  return `${kind === 'intake' ? 'Intake' : 'Exhaust'} ${valve.slice(kind.length)}`
}

/** What no engine has between a valve and its piston. */
const MOST_MM = 30
const USUAL_STRAY_MM = 0.4

interface Row {
  readonly characteristic: ClearanceCharacteristic
  readonly words: string
  readonly row: string
  readonly more?: Place
  readonly expected?: Station['expected']
  readonly centre?: number
}

function valveStations(build: Build, place: ValvePlace): readonly Station[] {
  return rowsOf(build, place).map(({ characteristic, words, row, more, expected = { low: 0, high: MOST_MM }, centre }) =>
    station(characteristic, { valve: place.valve, ...more }, `${valveLabel(place)}, ${words}`, row, expected, centre),
  )
}

function rowsOf(build: Build, place: ValvePlace): readonly Row[] {
  const drop = fromPaper(build, `${place.kind}ValveDrop`)
  const centre = isKnown(drop) ? drop.figure.value.value : undefined
  return [
    ...(isAsked(build, 'drop')
      ? [
          {
            characteristic: 'clearance.drop',
            words: 'drop to the piston at TDC',
            row: 'Drop',
            ...(centre !== undefined && { centre }),
          } as const,
        ]
      : []),
    ...dialRows(build, place, centre),
    ...(isAsked(build, 'clay')
      ? ([
          { characteristic: 'clearance.clay', words: 'thinnest clay', row: 'Clay' },
          { characteristic: 'clearance.claySide', words: 'side wall of the clay', row: 'Clay, side' },
        ] as const)
      : []),
    ...(isAsked(build, 'feeler')
      ? ([
          { characteristic: 'clearance.collapse', words: 'stack that holds the lifter collapsed', row: 'Lifter stack' },
          { characteristic: 'clearance.feelerWent', words: 'feeler that went', row: 'Feeler went' },
          { characteristic: 'clearance.feelerStopped', words: 'feeler that did not go', row: 'Feeler stopped' },
          { characteristic: 'clearance.extraTravel', words: 'travel beyond the feeler', row: 'Beyond it' },
        ] as const)
      : []),
  ]
}

/** Those asked for, and those read at other angles; where the lobe is known, what is expected of each. */
function dialRows(build: Build, place: ValvePlace, dropMm: number | undefined): readonly Row[] {
  const degrees = [...new Set([...degreesAsked(build, place.valve), ...dialDegrees(build, place.valve)])]
  if (degrees.length === 0) return []
  const lobe = nearestOfValve(build, place.valve)
  const sweep = 'missing' in lobe ? undefined : lobe.sweep
  return degrees.map((degree) => ({
    characteristic: 'clearance.travel',
    words: `travel to the piston at ${degreeWords(degree)}`,
    row: degree === 0 ? 'Dial, TDC' : `${degree > 0 ? '+' : '−'}${Math.abs(degree)}°`,
    more: { degree },
    ...(sweep && dropMm !== undefined && { centre: dropMm + gapMm(sweep, degree) }),
  }))
}

function degreeWords(degree: number): string {
  if (degree === 0) return 'TDC'
  return `${Math.abs(degree)}° ${degree > 0 ? 'after' : 'before'} TDC`
}

/** Valves stand sunk or proud of the head face by no more. */
const MOST_SEAT_MM = 25

function seatStation(place: ValvePlace): Station {
  return station('clearance.seat', { valve: place.valve }, `${valveLabel(place)}, head below the head face`, 'Seat', {
    low: -MOST_SEAT_MM,
    high: MOST_SEAT_MM,
  })
}

/** Heads and pockets of valves are no smaller and no larger. */
const SIZES_MM = { low: 10, high: 110 }

/** One valve of a cam, and one pocket under it. */
function sizeStations({ spec: { paper } }: Build, cam: Cam): readonly Station[] {
  const kind = camKind(cam)
  const name = subject(cam)
  return [
    station('clearance.headSize', { cam }, `${name} valve, head across`, 'Valve head', SIZES_MM, paper[`${kind}ValveHead`]?.value),
    station(
      'clearance.pocketSize',
      { cam },
      `${name} pocket, across at the valve’s depth`,
      'Pocket',
      SIZES_MM,
      paper[`${kind}Pocket`]?.value,
    ),
  ]
}

/** "Left intake". */
function subject(cam: Cam): string {
  const name = [bankOfCam(cam), camKind(cam)].filter(Boolean).join(' ')
  return `${name[0]!.toUpperCase()}${name.slice(1)}`
}

const MOST_SQUISH_MM = 6

function wireStation(cylinder: number): Station {
  return station('clearance.squish', { cylinder }, `Cylinder ${cylinder}, soft wire squeezed`, 'Soft wire', {
    low: 0.1,
    high: MOST_SQUISH_MM,
  })
}

function station(
  characteristic: ClearanceCharacteristic,
  place: Place,
  label: string,
  row: string,
  expected: Station['expected'],
  centre?: number,
): Station {
  return {
    id: stationId(characteristic, place),
    characteristic,
    place,
    label,
    row,
    expected,
    ...(centre !== undefined && { usual: { centre, stray: USUAL_STRAY_MM } }),
    drawnAt: { x: 0, y: 0 },
  }
}
