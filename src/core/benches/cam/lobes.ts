/** All lobes, valve by valve: where each stands against the others of its cam, and how far it lifts. */
import type { Build } from '../../build/build'
import { stationId } from '../../build/place'
import { quantity } from '../../build/remembered'
import { lobePattern } from '../../cam/lobesAlong'
import { wrapped } from '../../cam/trueTdc'
import {
  bankOfCam,
  camKind,
  camOfValve,
  camOfValveNamed,
  cylinderPlaces,
  isHighProfile,
  onOneShaft,
  phasesDeg,
  valvePlaces,
  withinTurn,
  type Cam,
  type Valve,
  type ValvePlace,
} from '../../engine'
import { assumedFigure, resultOf, standardUncertainty, type Figure, type FormulaText } from '../../metrology'
import { spreadAcross } from '../../bench/engineWide'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import type { Remark } from '../../bench/bench'
import { cardCentreline, ratioRead, valueOr } from '../../quantities/camCard'
import { withOtherLift } from '../../quantities/camMotion/otherCam'
import { signOf } from '../../quantities/camMotion/schools'
import { asTurnedBack, laterBy, trueAngleFrom, wheelTdc } from '../../quantities/camMotion/wheel'

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
export const lobeCentre = quantity('lobeCentre', (build, valve: Valve): Derived => {
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

function placeOf({ spec }: Build, valve: Valve): ValvePlace {
  return valvePlaces(spec.layout).find((one) => one.valve === valve)!
}

function centresOf(build: Build, cam: Cam): ReadonlyMap<Valve, Derived> {
  return new Map(valvesOfCam(build, cam).map(({ valve }) => [valve, lobeCentre(build, valve)]))
}

const LOBE_OFF: FormulaText = {
  id: 'lobeOff',
  title: 'Later than the mean of its cam’s lobes',
  kind: 'angle',
  expression: 'this centreline − mean of all that are read',
  source: 'definition',
}

/** Further from the others than this a lobe is no bad one: another was read, or the crank has other throws. */
const OTHER_PHASE_DEG = 30

/** How much later a lobe stands than the lobes of its cam do on average; what TDC and wheel are off falls out. */
export function lobeOff(build: Build, valve: Valve): Derived {
  const cam = camOfValve(build.spec.layout, placeOf(build, valve))
  const centres = centresOf(build, cam)
  const own = centres.get(valve)!
  if (!isKnown(own)) return own
  const known = [...centres].flatMap(([of, derived]) => (isKnown(derived) ? [{ of, figure: derived.figure }] : []))
  const figure = resultOf(LOBE_OFF, [
    { label: 'This lobe', weight: 1, figure: own.figure },
    ...known.map(({ of, figure: one }) => ({ label: `Lobe of ${of}`, weight: -1 / known.length, figure: one })),
  ])
  const isOther = Math.abs(figure.value.value) > OTHER_PHASE_DEG
  const order: Remark[] = isOther ? [{ code: 'otherPhase', offDeg: figure.value.value }] : []
  return { figure, isPartial: own.isPartial || known.length < centres.size, remarks: [...(own.remarks ?? []), ...order] }
}

/** Largest minus smallest centreline of a cam's lobes, and what the whole shaft shows: one bad lobe, or a twist. */
export function centrelineSpread(build: Build, cam: Cam): Derived {
  const spread = spreadAcross('angle', centresOf(build, cam), 'valve')
  return isKnown(spread) ? { ...spread, remarks: [...(spread.remarks ?? []), ...patternOf(build, cam)] } : spread
}

/** Of all lobes on the shaft, intakes and exhausts each about their own mean. */
function patternOf(build: Build, cam: Cam): readonly Remark[] {
  const { layout } = build.spec
  const rows = new Map(cylinderPlaces(layout).map(({ cylinder, row }) => [cylinder, row]))
  const own: number[] = []
  const lobes = onOneShaft(layout, cam).flatMap((each) => {
    const known = [...centresOf(build, each)].flatMap(([valve, derived]) => (isKnown(derived) ? [{ valve, figure: derived.figure }] : []))
    const mean = known.reduce((sum, { figure }) => sum + figure.value.value, 0) / known.length
    own.push(...known.map(({ figure }) => ownUncertainty(figure)))
    return known.map(({ valve, figure }) => ({
      key: valve,
      along: rows.get(placeOf(build, valve).cylinder)!,
      offDeg: figure.value.value - mean,
    }))
  })
  const found = lobePattern(lobes, Math.max(0, ...own))
  if (found?.is === 'twisted') return [{ code: 'shaftTwisted', byDeg: found.byDeg }]
  if (found?.is !== 'badLobe' || camKind(cam) !== placeOf(build, found.key).kind) return []
  return [{ code: 'badLobe', valve: found.key, byDeg: found.byDeg }]
}

/** Of one lobe against another: what its own two readings and its throw leave open. */
function ownUncertainty({ value }: Figure): number {
  const components = value.components.filter(({ source }) => /^reading:|throw-/.test(source.id))
  return standardUncertainty({ ...value, components })
}

const LOBE_LIFT: FormulaText = {
  id: 'lobeLiftRead',
  title: 'Lift of the lobe',
  kind: 'length',
  expression: 'greatest lift read ÷ ratio it is read through',
  source: 'common practice',
}

export const lobeLiftOf = quantity('lobeLift', (build, valve: Valve): Derived => {
  const read = asRead(build, 'cam.lobePeak', { valve })
  if (!isKnown(read)) return read
  const lift = resultOf(LOBE_LIFT, [{ label: 'Greatest lift read', weight: 1 / ratioRead(build), figure: read.figure }])
  return { figure: withOtherLift(build, camOfValveNamed(build.spec.layout, valve)!, stationId('cam.lobePeak', { valve }), lift) }
})

export function liftSpread(build: Build, cam: Cam): Derived {
  return spreadAcross('length', new Map(valvesOfCam(build, cam).map(({ valve }) => [valve, lobeLiftOf(build, valve)])), 'valve')
}

/** "left intake", for lobes of a bank. */
export function lobeLabel(layout: Build['spec']['layout'], place: ValvePlace): string {
  const bank = bankOfCam(camOfValve(layout, place))
  const letter = place.valve.replace(/^[a-z]+\d+/, '')
  return `${bank ? `${bank} ` : ''}${place.kind} lobe ${place.cylinder}${letter}`
}
