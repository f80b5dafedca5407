/**
 * Crank and cam out of step, with chain or belt off: where a valve would touch its piston, for every position of the one against every
 * position of the other, and a way between two positions that touches nowhere.
 */
import TinyQueue from 'tinyqueue'
import { valveGapMm, type ValveOverPiston } from './valveGap'

const TURN_DEG = 360
const CYCLE_DEG = 720

/** A valve of the shaft: how it stands over its piston, and what its cam and its crank do at an angle. */
export interface MappedValve {
  readonly name: string
  readonly over: ValveOverPiston
  /** How far its piston is below its top, mm, at a crank angle after number one's TDC. */
  readonly pistonDropMm: (crankDeg: number) => number
  /** How far it is off its seat, mm, where the shaft stands as it does in step at so many crank degrees after number one's overlap TDC. */
  readonly liftMm: (camDeg: number) => number
}

/** Position of crank and shaft: crank degrees both, the shaft's as it stands in step at that crank angle. */
export interface Standing {
  /** 0 to 360: pistons are alike each turn. */
  readonly crankDeg: number
  /** 0 to 720. */
  readonly camDeg: number
}

export interface CrankCamMap {
  readonly valves: readonly MappedValve[]
  readonly stepDeg: number
  readonly columns: number
  readonly rows: number
  /** The least gap of all valves of the shaft, mm, column by column: crank first. */
  readonly gapMm: Float32Array
}

const STEP_DEG = 3

/** Every position, by steps of three degrees: a lobe changes the gap by less than half a millimetre from one to the next. */
export function crankCamMap(valves: readonly MappedValve[]): CrankCamMap {
  const [columns, rows] = [TURN_DEG / STEP_DEG, CYCLE_DEG / STEP_DEG]
  const gapMm = new Float32Array(columns * rows).fill(Infinity)
  for (const { over, pistonDropMm, liftMm } of valves) {
    const drops = Array.from({ length: columns }, (_, column) => pistonDropMm(column * STEP_DEG))
    const lifts = Array.from({ length: rows }, (_, row) => liftMm(row * STEP_DEG))
    for (let column = 0; column < columns; column++)
      for (let row = 0; row < rows; row++) {
        const at = column * rows + row
        gapMm[at] = Math.min(gapMm[at]!, valveGapMm(over, drops[column]!, lifts[row]!))
      }
  }
  return { valves, stepDeg: STEP_DEG, columns, rows, gapMm }
}

/** The least gap of all valves at a position, mm, and the valve that has it. */
export function gapAt(
  valves: readonly MappedValve[],
  { crankDeg, camDeg }: Standing,
): { readonly gapMm: number; readonly valve?: MappedValve } {
  return valves.reduce<{ gapMm: number; valve?: MappedValve }>(
    (least, valve) => {
      const gapMm = valveGapMm(valve.over, valve.pistonDropMm(crankDeg), valve.liftMm(camDeg))
      return gapMm < least.gapMm ? { gapMm, valve } : least
    },
    { gapMm: Infinity },
  )
}

function cellOf({ stepDeg, columns, rows }: CrankCamMap, { crankDeg, camDeg }: Standing): number {
  return wrap(Math.round(crankDeg / stepDeg), columns) * rows + wrap(Math.round(camDeg / stepDeg), rows)
}

const wrap = (index: number, count: number) => ((index % count) + count) % count

/** One thing turned, by so many degrees of crank, or of shaft in crank degrees; negative is against the running direction. */
export interface Leg {
  readonly turn: 'crank' | 'cam'
  readonly byDeg: number
  /** Where both stand after it. */
  readonly to: Standing
  /** The least gap on the way, mm. */
  readonly leastGapMm: number
}

export type Route = { readonly legs: readonly Leg[] } | { readonly blocked: 'start' | 'end' | 'between' }

/** A leg more is as dear as turning so far: few moves are easier to follow than the shortest way. */
const LEG_COST_DEG = 120

const MOVES = [
  { turn: 'crank', step: 1 },
  { turn: 'crank', step: -1 },
  { turn: 'cam', step: 1 },
  { turn: 'cam', step: -1 },
] as const

/**
 * The way of fewest and shortest turns between two positions on which every valve keeps `marginMm` (Dijkstra over the map; crank and
 * shaft are free of each other, so that either may be turned both ways).
 */
export function safeRoute(map: CrankCamMap, from: Standing, to: Standing, marginMm: number): Route {
  const isFree = (cell: number) => map.gapMm[cell]! >= marginMm
  const [start, end] = [cellOf(map, from), cellOf(map, to)]
  if (!isFree(start)) return { blocked: 'start' }
  if (!isFree(end)) return { blocked: 'end' }
  if (start === end) return { legs: [] }
  const came = shortest(map, start, end, isFree)
  return came ? { legs: legsOf(map, came) } : { blocked: 'between' }
}

interface Reached {
  readonly cell: number
  /** Which of the moves brought it here. */
  readonly move: number
  readonly cost: number
  readonly before?: Reached
}

function shortest(map: CrankCamMap, start: number, end: number, isFree: (cell: number) => boolean): Reached | undefined {
  const best = new Float64Array(map.columns * map.rows * MOVES.length).fill(Infinity)
  const queue = new TinyQueue<Reached>([{ cell: start, move: -1, cost: 0 }], (a, b) => a.cost - b.cost)
  for (let now = queue.pop(); now; now = queue.pop()) {
    if (now.cell === end) return now
    for (const [move, { turn, step }] of MOVES.entries()) {
      const cell = beside(map, now.cell, turn, step)
      const cost = now.cost + map.stepDeg + (move === now.move ? 0 : LEG_COST_DEG)
      const state = cell * MOVES.length + move
      if (!isFree(cell) || cost >= best[state]!) continue
      best[state] = cost
      queue.push({ cell, move, cost, before: now })
    }
  }
  return undefined
}

function beside({ columns, rows }: CrankCamMap, cell: number, turn: Leg['turn'], step: number): number {
  const [column, row] = [Math.floor(cell / rows), cell % rows]
  return turn === 'crank' ? wrap(column + step, columns) * rows + row : column * rows + wrap(row + step, rows)
}

function legsOf(map: CrankCamMap, end: Reached): readonly Leg[] {
  const path: Reached[] = []
  for (let at: Reached | undefined = end; at; at = at.before) path.unshift(at)
  const legs: Leg[] = []
  for (const [index, { cell, move }] of path.entries()) {
    if (index === 0) continue
    const { turn, step } = MOVES[move]!
    const last = path[index - 1]!.move === move ? legs.pop() : undefined
    const to = { crankDeg: Math.floor(cell / map.rows) * map.stepDeg, camDeg: (cell % map.rows) * map.stepDeg }
    const gapMm = leastGapBefore(map, to, turn, step)
    legs.push({ turn, byDeg: (last?.byDeg ?? 0) + step * map.stepDeg, to, leastGapMm: Math.min(last?.leastGapMm ?? Infinity, gapMm) })
  }
  return legs
}

/** The least gap on the step that led to a position, looked at closer than the map is drawn. */
function leastGapBefore({ valves, stepDeg }: CrankCamMap, to: Standing, turn: Leg['turn'], step: number): number {
  return Math.min(
    ...Array.from({ length: CLOSER + 1 }, (_, index) => {
      const backDeg = (-step * stepDeg * index) / CLOSER
      const at = turn === 'crank' ? { ...to, crankDeg: to.crankDeg + backDeg } : { ...to, camDeg: to.camDeg + backDeg }
      return gapAt(valves, at).gapMm
    }),
  )
}

const CLOSER = 6
