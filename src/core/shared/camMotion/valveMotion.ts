/** What the valve does of what its lobe does: through rocker or finger, and with its lash. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { eventsAt } from '../../geometry/valvetrain'
import { isHydraulic } from '../../geometry/crank'
import { type Cam } from '../../geometry/valvetrain'
import { exactly, formula, leftOut } from '../../metrology'
import { allOf, isKnown, type Derived } from '../../bench/finding'
import { lashOf } from '../camCard'
import { curveOf, peakLiftOf, spanOnCurve } from './curve'

const valveLift = formula({
  id: 'valveLift',
  title: 'Greatest lift of the valve',
  kind: 'length',
  expression: 'lobe lift · ratio − lash',
  source: 'common practice',
  inputs: {
    lobeMm: { label: 'Lobe lift', kind: 'length' },
    ratio: { label: 'Ratio', kind: 'ratio' },
    lashMm: { label: 'Lash', kind: 'length' },
  },
  evaluate: ({ lobeMm, ratio, lashMm }) => lobeMm * ratio - lashMm,
})

/**
 * Under a bucket, or over a lifter beside the bore, the valve lifts as its lobe does;
 * a rocker's ratio is on paper; a finger's changes along its lobe.
 */
export function valveRatio(build: Build): Derived {
  const { valveDrive } = build.spec.layout
  if (valveDrive.startsWith('bucket') || valveDrive === 'sideValve')
    return { figure: { value: exactly(1), origin: { from: 'typed', name: 'bucket' } } }
  const figure = paperAt(build, 'rockerRatio')
  if (!figure) return { missing: [{ kind: 'paper', key: 'rockerRatio' }] }
  const isGuess = valveDrive === 'fingerFollower' && build.spec.methods.camReadAt === 'tappet'
  return { figure, ...(isGuess && { remarks: [{ code: 'fingerRatio' }] }) }
}

/** A hydraulic lifter runs without. */
export function runningLash(build: Build, cam: Cam): Derived {
  return isHydraulic(build.spec.layout) ? { figure: leftOut() } : lashOf(build, cam)
}

/** The greatest lift of a cam's valves, by its measured lobe. */
export function valveLiftOf(build: Build, cam: Cam): Derived {
  const ratio = valveRatio(build)
  const inputs = allOf({ lobeMm: peakLiftOf(build, cam), ratio, lashMm: runningLash(build, cam) })
  if (inputs.missing) return inputs
  return { figure: valveLift.of(inputs.figures), remarks: isKnown(ratio) ? (ratio.remarks ?? []) : [] }
}

/** Crank degrees a valve is off its seat: where its measured lobe has taken up the lash. */
export function offSeat(build: Build, cam: Cam): Derived {
  const lobe = curveOf(build, cam)
  const inputs = allOf({ ratio: valveRatio(build), lash: runningLash(build, cam) })
  if (inputs.missing) return inputs
  const { ratio, lash } = inputs.figures
  const lashLiftMm = Math.max(lash.value.value / ratio.value.value, LEAST_LIFT_MM)
  const events = lobe ? eventsAt(lobe.curve, lashLiftMm) : {}
  return spanOnCurve(build, cam, events)
}

/** Without lash a curve tells where the lobe begins only as well as this. */
const LEAST_LIFT_MM = 0.05
