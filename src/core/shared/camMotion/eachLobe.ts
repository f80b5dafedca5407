/** Each lobe by itself, valve by valve: where it stands, and how far it lifts. */
import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { wrapped } from '../../geometry/valvetrain/trueTdc'
import { camOfValve, camOfValveNamed, isHighProfile, valvePlaces, type Cam, type Valve, type ValvePlace } from '../../geometry/valvetrain'
import { phasesDeg, withinTurn } from '../../geometry/crank'
import { assumedFigure, resultOf, type FormulaText } from '../../metrology'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { cardCentreline, ratioRead, valueOr } from '../camCard'
import { withOtherLift } from './otherCam'
import { signOf } from './schools'
import { asTurnedBack, laterBy, trueAngleFrom, wheelTdc } from './wheel'

/** Where no card says where a lobe stands. */
const USUAL_CENTRELINE_DEG = 108
/** How closely the throws of a crank are indexed; alike for all valves of a cylinder (assumed). */
const THROW_INDEX = { value: 0, tolerance: 0.1, source: 'assumed: how closely a crank’s throws are indexed' }

export function valvesOfCam({ spec: { layout } }: Build, cam: Cam): readonly ValvePlace[] {
  return isHighProfile(cam) ? [] : valvePlaces(layout).filter((valve) => camOfValve(layout, valve) === cam)
}

/** Where on the wheel, as it was set at number one, the lobe of a valve is expected to stand, crank degrees within a turn. */
export function lobeExpectedDeg(build: Build, valve: ValvePlace): number {
  const cam = camOfValve(build.spec.layout, valve)
  return withinTurn(phasesDeg(build.spec.layout).get(valve.cylinder)! + centreWantedDeg(build, cam))
}

function centreWantedDeg(build: Build, cam: Cam): number {
  return signOf(cam) * valueOr(cardCentreline(build, cam), USUAL_CENTRELINE_DEG)
}

const LOBE_CENTRE: FormulaText = {
  id: 'lobeCentre',
  title: 'Centreline of a lobe, after its own cylinder’s overlap TDC',
  kind: 'angle',
  expression: 'middle of both angles − phase of its cylinder',
  source: 'common practice',
}

/** The centreline of one lobe after the overlap TDC of its own cylinder, by the wheel as it was set at number one. */
export const lobeCentre = derivation('lobeCentre', (build, valve: Valve): Derived => {
  const place = placeOf(build, valve)
  const angle = (spot: string): Derived => {
    const read = asRead(build, 'cam.lobeAngle', { valve, spot })
    return isKnown(read) ? trueAngleFrom(wheelTdc(build, 1), read.figure) : read
  }
  const inputs = allOf({ before: angle('before'), after: angle('after') })
  if (inputs.missing) return inputs
  const { before, after } = inputs.figures
  const cam = camOfValve(build.spec.layout, place)
  const figure = resultOf(LOBE_CENTRE, [
    { label: 'Going up', weight: 0.5, figure: before },
    { label: 'Coming down', weight: 0.5, figure: after },
    { label: 'Throw of its cylinder', weight: 1, figure: assumedFigure(`throw-${place.cylinder}`, THROW_INDEX) },
  ])
  const stations = ['before', 'after'].map((spot) => stationId('cam.lobeAngle', { valve, spot }))
  // Both angles are known by a turn or more: the middle is the one nearest to where the lobe is wanted.
  const wantedDeg = centreWantedDeg(build, cam)
  const phaseDeg = phasesDeg(build.spec.layout).get(place.cylinder)!
  const deg = wantedDeg + wrapped(figure.value.value - phaseDeg - wantedDeg)
  const stands = { ...figure, value: { ...figure.value, value: deg } }
  return asTurnedBack(build, stations, { figure: laterBy(build, cam, stations[0]!, stands) })
})

export function placeOf({ spec }: Build, valve: Valve): ValvePlace {
  return valvePlaces(spec.layout).find((one) => one.valve === valve)!
}

const LOBE_LIFT: FormulaText = {
  id: 'lobeLiftRead',
  title: 'Lift of the lobe',
  kind: 'length',
  expression: 'greatest lift read ÷ ratio it is read through',
  source: 'common practice',
}

export const lobeLiftOf = derivation('lobeLift', (build, valve: Valve): Derived => {
  const read = asRead(build, 'cam.lobePeak', { valve })
  if (!isKnown(read)) return read
  const lift = resultOf(LOBE_LIFT, [{ label: 'Greatest lift read', weight: 1 / ratioRead(build), figure: read.figure }])
  return { figure: withOtherLift(build, camOfValveNamed(build.spec.layout, valve)!, stationId('cam.lobePeak', { valve }), lift) }
})
