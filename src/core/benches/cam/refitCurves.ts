import type { Build } from '../../document/build'
import { refits, type RefitSpread } from '../../geometry/valvetrain/refits'
import type { LobeEvents } from '../../geometry/valvetrain'
import { camsOf, type Cam } from '../../geometry/valvetrain'
import { standardUncertainty } from '../../metrology'
import { isKnown } from '../../bench/finding'
import { checkLift } from '../../shared/camCard'
import { curveOf, rowUncertainty } from '../../shared/camMotion/curve'
import { tdcOf, WHEEL_OFF_U_DEG } from '../../shared/camMotion/wheel'

/** Where the events of one measured lobe came out over many refits, as the wheel shows them. */
export interface RefitOfCam {
  readonly cam: Cam
  readonly spread: Readonly<Record<keyof LobeEvents, RefitSpread>>
}

export interface RefitStep {
  /** Refits done, over all cams. */
  readonly done: number
  readonly result?: RefitOfCam
}

/** Every curve that was read, refitted `count` times with all that is uncertain about it, TDC and the wheel among it. */
export function* refitCurves(build: Build, count: number, seed: number): Generator<RefitStep, void> {
  const checkLiftMm = checkLift(build).value.value
  let before = 0
  for (const cam of camsOf(build.spec.layout)) {
    const lobe = curveOf(build, cam)
    if (!lobe) continue
    const tdc = tdcOf(build, cam)
    const tdcDeg = isKnown(tdc) ? standardUncertainty(tdc.figure.value) : 0
    const { noiseScale } = lobe.curve
    const { wheelDeg, dialMm } = rowUncertainty(build, cam)
    const uncertainty = { wheelDeg: wheelDeg * noiseScale, dialMm: dialMm * noiseScale }
    for (const { done, spread } of refits(lobe.curve, uncertainty, {
      checkLiftMm,
      common: { tdcDeg, eccentricityDeg: WHEEL_OFF_U_DEG },
      count,
      seed: seed + before,
    }))
      yield { done: before + done, ...(spread && { result: { cam, spread } }) }
    before += count
  }
}
