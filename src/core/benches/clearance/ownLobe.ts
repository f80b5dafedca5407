/** The lobe of one valve against the lobe that its cam was read at: a little later or earlier, a little higher or lower. */
import type { Build } from '../../document/build'
import { derivation } from '../../document/remembered'
import { gapMm, type ValveSweep } from '../../geometry/valvetrain/closest'
import { camOfValveNamed, cylinderOfCam, cylinderOfValve, type Cam, type Valve } from '../../geometry/valvetrain'
import { assumedFigure, resultOf, type Figure, type FormulaText } from '../../metrology'
import { isKnown } from '../../bench/finding'
import { lobeCentre, lobeLiftOf, valvesOfCam } from '../../shared/camMotion/eachLobe'
import { nearest, nearestWhenRead, type KnownNearest, type Nearest } from './sweep'

/** How alike the lobes of a shaft are ground, where nobody read them one by one (assumed). */
const ALIKE = {
  late: { value: 0, tolerance: 0.3, source: 'assumed: how alike the lobes of a shaft are ground' },
  more: { value: 0, tolerance: 0.01, source: 'assumed: how alike the lobes of a shaft are ground' },
}

interface OwnLobe {
  /** Crank degrees later than the lobe that was read. */
  readonly lateDeg: Figure
  /** Lift of the lobe beyond that one's, mm. */
  readonly moreMm: Figure
}

const APART: FormulaText = {
  id: 'lobeApart',
  title: 'This lobe against the one its cam was read at',
  kind: 'angle',
  expression: 'this lobe − that one',
  source: 'definition',
}

/** Undefined for the lobe that was read itself. */
const ownLobe = derivation('ownLobe', (build, named: string): OwnLobe | undefined => {
  const cam = camOfValveNamed(build.spec.layout, named)!
  const [valve, reference] = [valvesOfCam(build, cam).find((one) => one.valve === named)?.valve, lobeReadAt(build, cam)]
  if (valve === undefined || reference === undefined || reference === valve) return undefined
  const apart = (of: typeof lobeCentre, kind: 'angle' | 'length', otherwise: Figure): Figure => {
    const [own, that] = [of(build, valve), of(build, reference)]
    if (!isKnown(own) || !isKnown(that)) return otherwise
    return resultOf({ ...APART, kind }, [
      { label: `Lobe of ${valve}`, weight: 1, figure: own.figure },
      { label: `Lobe of ${reference}`, weight: -1, figure: that.figure },
    ])
  }
  return {
    lateDeg: apart(lobeCentre, 'angle', assumedFigure(`lobe of ${valve}, later`, ALIKE.late)),
    moreMm: apart(lobeLiftOf, 'length', assumedFigure(`lobe of ${valve}, higher`, ALIKE.more)),
  }
})

/** The valve whose lobe a cam is degreed at: the first at its cylinder. */
function lobeReadAt(build: Build, cam: Cam): Valve | undefined {
  const cylinder = cylinderOfCam(build.spec.layout, cam)
  return valvesOfCam(build, cam).find(({ valve }) => cylinderOfValve(valve) === cylinder)?.valve
}

const WITH_OWN: FormulaText = {
  id: 'nearestOfValve',
  title: 'What its own lobe takes of the drop',
  kind: 'length',
  expression: 'that of its cam + what its own lobe takes beyond it',
  source: 'definition',
}
const TAKEN_MORE: FormulaText = {
  id: 'ownLobe',
  title: 'What its own lobe takes beyond its cam’s',
  kind: 'length',
  expression: 'slope of the lift · later − lift ÷ lobe lift · higher',
  source: 'geometry of valve, bore, crank and rod',
}
/** Degrees over which a slope is taken. */
const SLOPE_DEG = 0.5

/** The nearest that a valve is brought by its own lobe. */
export function nearestOfValve(build: Build, valve: string): KnownNearest {
  return withOwnLobe(build, valve, nearest(build, camOfValveNamed(build.spec.layout, valve)!))
}

/** The same as it was when something was read at a station. */
export function nearestOfValveWhenRead(build: Build, valve: string, station: string): KnownNearest {
  return withOwnLobe(build, valve, nearestWhenRead(build, camOfValveNamed(build.spec.layout, valve)!, station))
}

function withOwnLobe(build: Build, valve: string, found: KnownNearest): KnownNearest {
  const own = 'missing' in found ? undefined : ownLobe(build, valve)
  return own && !('missing' in found) ? shifted(found, own) : found
}

/** What a valve's own lobe takes of its drop beyond what its cam's does; undefined where it is the lobe that was read. */
export function ownLobeTakes(build: Build, valve: string): Figure | undefined {
  const found = nearest(build, camOfValveNamed(build.spec.layout, valve)!)
  const own = 'missing' in found ? undefined : ownLobe(build, valve)
  return own && !('missing' in found) ? takenMore(found, own) : undefined
}

/** To the first order: a lobe of a shaft is not so far from the next that its closest approach would be elsewhere. */
function shifted(found: Nearest, own: OwnLobe): Nearest {
  const figure = resultOf(WITH_OWN, [
    { label: 'What the lobe of its cam takes of the drop', weight: 1, figure: found.figure },
    { label: 'Its own lobe beyond that', weight: 1, figure: takenMore(found, own) },
  ])
  return { ...found, figure, sweep: sweepOf(found, own) }
}

function takenMore(found: Nearest, own: OwnLobe): Figure {
  const { atDeg, sweep, peakMm } = found
  const liftAt = (deg: number) => sweep.liftMm(atDeg + deg)
  const more = resultOf(TAKEN_MORE, [
    { label: 'Its own lobe later', weight: (liftAt(SLOPE_DEG) - liftAt(-SLOPE_DEG)) / (2 * SLOPE_DEG), figure: own.lateDeg },
    { label: 'Its own lobe higher', weight: -liftAt(0) / peakMm, figure: own.moreMm },
  ])
  return { ...more, value: { ...more.value, value: gapMm(sweepOf(found, own), atDeg) - gapMm(sweep, atDeg) } }
}

function sweepOf({ sweep, peakMm }: Nearest, { lateDeg, moreMm }: OwnLobe): ValveSweep {
  const times = 1 + moreMm.value.value / peakMm
  return { ...sweep, liftMm: (deg) => sweep.liftMm(deg - lateDeg.value.value) * times }
}
