/** How near an intake and an exhaust valve of one cylinder come to each other, in the plane that holds both their axes. */

/** Two valves that open towards each other. Lengths in mm, angles between valve and bore. */
export interface ValvePair {
  /** Centres of both heads apart, across the bore, with both valves shut. */
  readonly apartMm: number
  /** The exhaust's head centre stands so much lower than the intake's, both shut. */
  readonly stepMm: number
  readonly intake: ValveHead
  readonly exhaust: ValveHead
}

export interface ValveHead {
  readonly diameterMm: number
  /** Height of the rim between face and seat. */
  readonly marginMm: number
  readonly angleDeg: number
}

interface Point {
  readonly x: number
  readonly y: number
}
interface Segment {
  readonly from: Point
  readonly to: Point
}

const RAD_PER_DEG = Math.PI / 180

/**
 * Between the rims of both heads, mm, each so far off its seat; negative where they would have met. A rim is the straight edge of its
 * margin: the least distance of two such edges (plane geometry). `x` runs from intake to exhaust, `y` down into the cylinder.
 */
export function valveToValveMm({ apartMm, stepMm, intake, exhaust }: ValvePair, intakeLiftMm: number, exhaustLiftMm: number): number {
  const one = rimOf(intake, { x: 0, y: 0 }, intakeLiftMm, 1)
  const other = rimOf(exhaust, { x: apartMm, y: stepMm }, exhaustLiftMm, -1)
  const least = Math.min(distanceMm(one.from, other), distanceMm(one.to, other), distanceMm(other.from, one), distanceMm(other.to, one))
  return haveMet(one, other) ? -least : least
}

/** The rim that faces the other valve at a lift: its edge at the face, and the one a margin above it. `towards`: the other's side. */
function rimOf({ diameterMm, marginMm, angleDeg }: ValveHead, seat: Point, liftMm: number, towards: 1 | -1): Segment {
  const [sine, cosine] = [Math.sin(angleDeg * RAD_PER_DEG), Math.cos(angleDeg * RAD_PER_DEG)]
  // Stems lean away from each other: a valve that opens goes down, and towards the other.
  const along = { x: towards * sine, y: cosine }
  const across = { x: towards * cosine, y: -sine }
  const at = (alongMm: number): Point => ({
    x: seat.x + along.x * alongMm + (across.x * diameterMm) / 2,
    y: seat.y + along.y * alongMm + (across.y * diameterMm) / 2,
  })
  return { from: at(liftMm), to: at(liftMm - marginMm) }
}

function distanceMm(point: Point, { from, to }: Segment): number {
  const dx = to.x - from.x
  const dy = to.y - from.y
  const lengthSquared = dx * dx + dy * dy
  const share = lengthSquared === 0 ? 0 : ((point.x - from.x) * dx + (point.y - from.y) * dy) / lengthSquared
  const near = Math.min(1, Math.max(0, share))
  const offX = point.x - from.x - near * dx
  const offY = point.y - from.y - near * dy
  // A root and no `hypot`, which takes ten times as long: nothing here is near the ends of what a number holds.
  return Math.sqrt(offX * offX + offY * offY)
}

/** Whether the exhaust's rim reaches past the intake's, seen along the line from the one seat to the other. */
function haveMet(intake: Segment, exhaust: Segment): boolean {
  // The heights both rims have.
  const low = Math.max(Math.min(intake.from.y, intake.to.y), Math.min(exhaust.from.y, exhaust.to.y))
  const high = Math.min(Math.max(intake.from.y, intake.to.y), Math.max(exhaust.from.y, exhaust.to.y))
  return low <= high && (xAt(intake, low) >= xAt(exhaust, low) || xAt(intake, high) >= xAt(exhaust, high))
}

/** Where a rim stands at a height; a level one where it reaches furthest. */
function xAt({ from, to }: Segment, y: number): number {
  return from.y === to.y ? Math.max(from.x, to.x) : from.x + ((to.x - from.x) * (y - from.y)) / (to.y - from.y)
}

/** The least room between two valves over the cycle, and the crank angle after overlap TDC that has it. */
export function closestValves(
  pair: ValvePair,
  intakeLiftMm: (deg: number) => number,
  exhaustLiftMm: (deg: number) => number,
): { readonly gapMm: number; readonly atDeg: number } {
  let least = { gapMm: Infinity, atDeg: 0 }
  for (let deg = -REACH_DEG; deg <= REACH_DEG; deg += STEP_DEG) {
    const gapMm = valveToValveMm(pair, intakeLiftMm(deg), exhaustLiftMm(deg))
    if (gapMm < least.gapMm) least = { gapMm, atDeg: deg }
  }
  return least
}

/** Both valves are off their seats about overlap TDC only. */
const REACH_DEG = 120
const STEP_DEG = 0.5

/**
 * Lifts looked at on each side, and how often the place of the least is looked at closer, four times finer each time. Where rims have
 * met several places are least about themselves: from eight lifts at first the depth was short by half a millimetre now and then.
 */
const LIFT_STEPS = { first: 24, closer: 8 }
const CLOSER_TIMES = 3

/**
 * The least room between two valves over every lift of the one against every lift of the other: what a cam has that is turned alone,
 * whatever the other stands at. Where a lift stands beyond the other's rim the least is not at both ends, so that all are looked at.
 */
export function closestOverAllLifts(
  pair: ValvePair,
  intakeMostMm: number,
  exhaustMostMm: number,
): { readonly gapMm: number; readonly intakeMm: number; readonly exhaustMm: number } {
  let least = { gapMm: Infinity, intakeMm: 0, exhaustMm: 0 }
  let window: { readonly intake: Span; readonly exhaust: Span } = { intake: [0, intakeMostMm], exhaust: [0, exhaustMostMm] }
  for (let time = 0; time <= CLOSER_TIMES; time++) {
    const steps = time === 0 ? LIFT_STEPS.first : LIFT_STEPS.closer
    for (const intakeMm of stepsOver(window.intake, steps))
      for (const exhaustMm of stepsOver(window.exhaust, steps)) {
        const gapMm = valveToValveMm(pair, intakeMm, exhaustMm)
        if (gapMm < least.gapMm) least = { gapMm, intakeMm, exhaustMm }
      }
    window = {
      intake: about(least.intakeMm, window.intake, steps, intakeMostMm),
      exhaust: about(least.exhaustMm, window.exhaust, steps, exhaustMostMm),
    }
  }
  return least
}

type Span = readonly [low: number, high: number]

function stepsOver([low, high]: Span, steps: number): readonly number[] {
  return Array.from({ length: steps + 1 }, (_, step) => low + ((high - low) * step) / steps)
}

/** A step to each side of the least. */
function about(at: number, [low, high]: Span, steps: number, most: number): Span {
  const reach = (high - low) / steps
  return [Math.max(0, at - reach), Math.min(most, at + reach)]
}
