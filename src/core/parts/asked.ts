/** What an engine asks of its parts. */
import type { Build } from '../document/build'
import { isKnown } from '../bench/finding'
import { derivation } from '../document/remembered'
import { camsOf } from '../geometry/valvetrain'
import { valveLiftOf } from '../shared/camMotion/valveMotion'
import type { RatingId } from './kinds'

export type RequiredRatings = Readonly<Partial<Record<RatingId, number>>>

/** Revolutions, lift at the valve, power, as far as they are known. */
export const requiredRatings = derivation('askedOfParts', (build): RequiredRatings => {
  const lifts = camsOf(build.spec.layout).flatMap((cam) => liftMm(build, cam) ?? [])
  const { powerKw } = build.spec.job ?? {}
  const { redlineRpm } = build.spec.duty
  return {
    ...(redlineRpm !== undefined && { rpm: redlineRpm }),
    ...(lifts.length > 0 && { liftMm: Math.max(...lifts) }),
    ...(powerKw !== undefined && { powerKw }),
  }
})

function liftMm(build: Build, cam: Parameters<typeof valveLiftOf>[1]): number | undefined {
  const lift = valveLiftOf(build, cam)
  return isKnown(lift) ? lift.figure.value.value : undefined
}
