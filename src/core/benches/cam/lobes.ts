/** All lobes, valve by valve: where each stands against the others of its cam, and how far it lifts. */
import type { Build } from '../../document/build'
import { lobePattern } from '../../geometry/valvetrain/lobesAlong'
import { bankOfCam, camKind, camOfValve, onOneShaft, type Cam, type Valve, type ValvePlace } from '../../geometry/valvetrain'
import { cylinderPlaces } from '../../geometry/crank'
import { resultOf, standardUncertainty, type Figure, type FormulaText } from '../../metrology'
import { spreadAcross } from '../../bench/engineWide'
import { isKnown, type Derived } from '../../bench/finding'
import type { Remark } from '../../bench/bench'
import { lobeCentre, lobeLiftOf, placeOf, valvesOfCam } from '../../shared/camMotion/eachLobe'

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

export function liftSpread(build: Build, cam: Cam): Derived {
  return spreadAcross('length', new Map(valvesOfCam(build, cam).map(({ valve }) => [valve, lobeLiftOf(build, valve)])), 'valve')
}

/** "left intake", for lobes of a bank. */
export function lobeLabel(layout: Build['spec']['layout'], place: ValvePlace): string {
  const bank = bankOfCam(camOfValve(layout, place))
  const letter = place.valve.replace(/^[a-z]+\d+/, '')
  return `${bank ? `${bank} ` : ''}${place.kind} lobe ${place.cylinder}${letter}`
}
