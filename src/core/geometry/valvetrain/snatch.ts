/** Where a shaft turned by hand is thrown forward by its own springs. */

const CYCLE_DEG = 720
const STEP_DEG = 1
/** Fully lifted, a spring presses about so many times as hard as on its seat (common practice, widely drawn). */
const OPEN_TO_SEAT = 2.4
/** Of what one valve drags at most: a shaft that is driven by less is not thrown. */
const WORTH_SHARE = 0.1

/**
 * Angles, crank degrees after number one's overlap TDC, at which a shaft goes over: its springs have held it back and drive it on from
 * there. `lifts`: what each of its valves is off its seat, mm, where the shaft stands as in step at that crank angle.
 */
export function snatchAnglesDeg(lifts: readonly ((camDeg: number) => number)[]): readonly number[] {
  const most = Math.max(0, ...lifts.flatMap((lift) => steps().map(lift)))
  if (most === 0) return []
  const torque = (deg: number) => lifts.reduce((sum, lift) => sum + torqueOf(lift, deg, most), 0)
  const torques = steps().map(torque)
  const largest = Math.max(...lifts.flatMap((lift) => steps().map((deg) => Math.abs(torqueOf(lift, deg, most)))))
  return steps().flatMap((deg, index) => {
    const [before, now] = [torques[(index + torques.length - 1) % torques.length]!, torques[index]!]
    if (!(before > 0 && now <= 0)) return []
    return dropAfter(torques, index) > WORTH_SHARE * largest ? [deg - STEP_DEG + (STEP_DEG * before) / (before - now)] : []
  })
}

const steps = () => Array.from({ length: CYCLE_DEG / STEP_DEG }, (_, index) => index * STEP_DEG)

/** Spring force times how fast the valve lifts: positive holds the shaft back. */
function torqueOf(lift: (deg: number) => number, deg: number, most: number): number {
  const rate = (lift(deg + STEP_DEG / 2) - lift(deg - STEP_DEG / 2)) / STEP_DEG
  return (1 + ((OPEN_TO_SEAT - 1) * lift(deg)) / most) * rate
}

/** How hard it is driven on before it is held back again. */
function dropAfter(torques: readonly number[], from: number): number {
  let driven = 0
  for (let step = 0; step < torques.length; step++) {
    const torque = torques[(from + step) % torques.length]!
    if (torque > 0) break
    driven = Math.max(driven, -torque)
  }
  return driven
}
