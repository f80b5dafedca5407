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
type Segment = readonly [Point, Point]

const RAD_PER_DEG = Math.PI / 180

/**
 * Between the rims of both heads, mm, each so far off its seat; negative where they would have met. A rim is the straight edge of its
 * margin: the least distance of two such edges (plane geometry). `x` runs from intake to exhaust, `y` down into the cylinder.
 */
export function valveToValveMm({ apartMm, stepMm, intake, exhaust }: ValvePair, intakeLiftMm: number, exhaustLiftMm: number): number {
  const one = rimOf(intake, { x: 0, y: 0 }, intakeLiftMm, 1)
  const other = rimOf(exhaust, { x: apartMm, y: stepMm }, exhaustLiftMm, -1)
  const least = Math.min(...one.map((point) => distanceMm(point, other)), ...other.map((point) => distanceMm(point, one)))
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
  return [at(liftMm), at(liftMm - marginMm)]
}

function distanceMm(point: Point, [from, to]: Segment): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const lengthSquared = dx * dx + dy * dy
  const share = lengthSquared === 0 ? 0 : ((point.x - from.x) * dx + (point.y - from.y) * dy) / lengthSquared
  const near = Math.min(1, Math.max(0, share))
  return Math.hypot(point.x - from.x - near * dx, point.y - from.y - near * dy)
}

/** Whether the exhaust's rim reaches past the intake's, seen along the line from the one seat to the other. */
function haveMet(intake: Segment, exhaust: Segment): boolean {
  const xAt = ([a, b]: Segment, y: number) => (a.y === b.y ? Math.max(a.x, b.x) : a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y))
  const [low, high] = overlapOf(intake, exhaust)
  return low <= high && (xAt(intake, low) >= xAt(exhaust, low) || xAt(intake, high) >= xAt(exhaust, high))
}

/** The heights both rims have. */
function overlapOf(one: Segment, other: Segment): readonly [number, number] {
  const span = ([a, b]: Segment) => [Math.min(a.y, b.y), Math.max(a.y, b.y)] as const
  const [a, b] = [span(one), span(other)]
  return [Math.max(a[0], b[0]), Math.min(a[1], b[1])]
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

/** Lifts looked at on each side, and how often the place of the least is looked at closer, four times finer each time. */
const LIFT_STEPS = 8
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
    for (const intakeMm of stepsOver(window.intake))
      for (const exhaustMm of stepsOver(window.exhaust)) {
        const gapMm = valveToValveMm(pair, intakeMm, exhaustMm)
        if (gapMm < least.gapMm) least = { gapMm, intakeMm, exhaustMm }
      }
    window = { intake: about(least.intakeMm, window.intake, intakeMostMm), exhaust: about(least.exhaustMm, window.exhaust, exhaustMostMm) }
  }
  return least
}

type Span = readonly [low: number, high: number]

function stepsOver([low, high]: Span): readonly number[] {
  return Array.from({ length: LIFT_STEPS + 1 }, (_, step) => low + ((high - low) * step) / LIFT_STEPS)
}

function about(at: number, [low, high]: Span, most: number): Span {
  const reach = (high - low) / 8
  return [Math.max(0, at - reach), Math.min(most, at + reach)]
}
