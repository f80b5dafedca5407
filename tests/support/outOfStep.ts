import { closedLiftMm, lobeOfDuration } from '@/core/geometry/valvetrain/closedLobe'
import { wrapped } from '@/core/geometry/valvetrain/trueTdc'
import { gapAt, type GapField, type MappedValve, type Standing } from '@/core/geometry/valvetrain/crankCamMap'
import type { Leg } from '@/core/geometry/valvetrain/safeRoute'
import { pistonDropMm } from '@/core/geometry/crank'

/** Intakes whose lobe and piston are known in closed form, at their tops in the order they fire, crank degrees. */
export const INTAKE_TOPS = [0, 144, 288, 432, 576]
const crank = { strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }
const lobe = lobeOfDuration(10.2, 222.7, 1.27)!

const inCycle = (deg: number) => {
  const turned = ((deg % 720) + 720) % 720
  return turned > 360 ? turned - 720 : turned
}

export function freeValves(tops: readonly number[], dropAtTdcMm = 3.3): readonly MappedValve[] {
  return tops.map((topDeg, index) => ({
    name: `intake of ${topDeg}`,
    cylinder: index + 1,
    over: { dropAtTdcMm, angleDeg: 15.5, surface: 'pocket' },
    pistonDropMm: (crankDeg) => pistonDropMm(crank, wrapped(crankDeg - topDeg)),
    liftMm: (camDeg) => Math.max(0, closedLiftMm(lobe, inCycle(camDeg - topDeg - 109.5)) - 0.2),
  }))
}

const FINE_DEG = 0.1

/** Every leg turned as a hand would, a tenth of a degree at a time: where it ends, and the least gap it had. */
export function walkedLeast(field: GapField, from: Standing, legs: readonly Leg[]): { readonly end: Standing; readonly leastMm: number } {
  let [at, leastMm] = [from, gapAt(field, from).gapMm]
  for (const { turn, byDeg } of legs) {
    const steps = Math.ceil(Math.abs(byDeg) / FINE_DEG)
    const start = at
    for (let step = 1; step <= steps; step++) {
      const by = (byDeg * step) / steps
      at = turn === 'crank' ? { ...start, crankDeg: start.crankDeg + by } : { ...start, camDeg: start.camDeg + by }
      leastMm = Math.min(leastMm, gapAt(field, at).gapMm)
    }
  }
  return { end: at, leastMm }
}
