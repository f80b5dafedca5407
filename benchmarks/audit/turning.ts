/** What turns without touching: ways back from out of step walked a tenth of a degree at a time, and cams turned alone, by brute force. */
import { gapAt, type GapField, type Standing } from '@/core/geometry/valvetrain/crankCamMap'
import { safeRoute } from '@/core/geometry/valvetrain/safeRoute'
import { closestOverAllLifts, valveToValveMm } from '@/core/geometry/valvetrain/valveToValve'
import { randomStream, type RandomStream } from '@/core/numerics/random'
import { freeValves, INTAKE_TOPS, walkedLeast } from '../../tests/support/outOfStep'

const MARGIN_MM = 1
const IN_STEP: Standing = { crankDeg: 0, camDeg: 0 }
/** What a map knows of a gap between its nodes. */
const MAP_MM = 0.001

/** Tops of the intakes of engines that fire evenly, one shaft to all of them. */
const ENGINES: readonly (readonly [string, readonly number[]])[] = [
  ['five', INTAKE_TOPS],
  ['four', [0, 180, 360, 540]],
  ['three', [0, 240, 480]],
  ['twin, 45° apart', [0, 315]],
]

/** @returns how many ways touch, end elsewhere or are none although they might begin. */
function waysThatTouch(ways: number): number {
  const random = randomStream(31)
  let [found, blocked, wrong] = [0, 0, 0]
  for (let way = 0; way < ways; way++) {
    const [name, tops] = ENGINES[way % ENGINES.length]!
    const field: GapField = { valves: freeValves(tops, 2.8 + random.uniform()), standing: [] }
    const from = { crankDeg: random.uniform() * 360, camDeg: random.uniform() * 720 }
    const route = safeRoute(field, from, IN_STEP, MARGIN_MM)
    const mayBegin = gapAt(field, from).gapMm >= MARGIN_MM
    if ('blocked' in route) {
      blocked++
      if (!mayBegin || gapAt(field, IN_STEP).gapMm < MARGIN_MM) continue
      wrong++
      console.log(`NONE ${name} from ${JSON.stringify(from)}: ${route.blocked}`)
      continue
    }
    found++
    const { end, leastMm } = walkedLeast(field, from, route.legs)
    const isThere = isWhole(end.crankDeg / 360) && isWhole(end.camDeg / 720)
    if (mayBegin && isThere && leastMm >= MARGIN_MM - MAP_MM) continue
    wrong++
    console.log(`TOUCHES ${name} from ${JSON.stringify(from)}: least ${leastMm.toFixed(3)} mm, ends at ${JSON.stringify(end)}`)
  }
  console.log(
    `${wrong === 0 ? 'ok   ' : 'SHORT'} ways back: ${found} walked at every tenth of a degree, ${blocked} blocked, ${wrong} wrong`,
  )
  return wrong
}

const isWhole = (turns: number) => Math.abs(turns - Math.round(turns)) < 1e-6

/** Two valves that lean towards each other, as wide as they come. */
function someValves(random: RandomStream) {
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  const valve = (diameterMm: number) => ({ diameterMm, marginMm: between(0.8, 1.6), angleDeg: between(0, 28) })
  const [intake, exhaust] = [valve(between(24, 48)), valve(between(20, 40))]
  const apartMm = (intake.diameterMm + exhaust.diameterMm) / 2 + between(0.5, 8)
  return { pair: { apartMm, stepMm: between(-1, 1), intake, exhaust }, most: [between(5, 14), between(5, 14)] as const }
}

const LIFT_STEP_MM = 0.1
/** Between two lifts of the grid a rim moves no more than a step of each. */
const GRID_MM = 2 * LIFT_STEP_MM
const DEPTH_MM = 0.25

/** @returns how often a cam is said to have more room alone than every lift of both has, or far less. */
function camsAlone(pairs: number): number {
  const random = randomStream(33)
  let wrong = 0
  for (let at = 0; at < pairs; at++) {
    const { pair, most } = someValves(random)
    const [intake, exhaust] = most.map((mm) =>
      Array.from({ length: Math.ceil(mm / LIFT_STEP_MM) + 1 }, (_, i) => Math.min(mm, i / 10)),
    ) as [number[], number[]]
    const brute = intake.reduce((least, one) => Math.min(least, ...exhaust.map((other) => valveToValveMm(pair, one, other))), Infinity)
    const { gapMm } = closestOverAllLifts(pair, ...most)
    // Where rims have met, how deep depends on which corner is asked: a quarter of a millimetre is enough of what never may be.
    if (gapMm <= brute + (brute < 0 ? DEPTH_MM : 1e-6) && gapMm >= brute - GRID_MM && gapMm < 0 === brute < 0) continue
    wrong++
    console.log(
      `WRONG room of a cam alone: ${gapMm.toFixed(3)} mm, by brute force ${brute.toFixed(3)} mm: ${JSON.stringify({ pair, most })}`,
    )
  }
  console.log(
    `${wrong === 0 ? 'ok   ' : 'SHORT'} cams turned alone: ${pairs} pairs of valves at every tenth of a millimetre of both, ${wrong} wrong`,
  )
  return wrong
}

/** @returns how much of what is said to turn freely does not. */
export function auditTurning(ways: number): number {
  return waysThatTouch(ways) + camsAlone(Math.ceil(ways / 5))
}
