/** A way between two positions of crank and shaft, with chain or belt off, on which every valve keeps its gap all the way. */
import TinyQueue from 'tinyqueue'
import { CYCLE_DEG, gapAt, stillGapMm, TURN_DEG, wrap, type GapField, type Standing } from './crankCamMap'
import { valveGapMm } from './valveGap'

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

/** Nodes the search moves between, and how finely the way from one to the next is looked at, degrees. */
const STEP_DEG = 3
const FINE_DEG = 0.5
const COLUMNS = TURN_DEG / STEP_DEG
const ROWS = CYCLE_DEG / STEP_DEG
const FINE_PER_STEP = STEP_DEG / FINE_DEG
/** A leg more is as dear as turning so far: few moves are easier to follow than the shortest way. */
const LEG_COST_DEG = 120

const MOVES = [
  { turn: 'crank', step: 1 },
  { turn: 'crank', step: -1 },
  { turn: 'cam', step: 1 },
  { turn: 'cam', step: -1 },
] as const

/**
 * The way of fewest and shortest turns between two positions on which every valve keeps `marginMm` (E. W. Dijkstra, A note on two
 * problems in connexion with graphs, 1959). The nodes count from where crank and shaft stand, so that it begins there exactly; it ends
 * exactly where they are wanted, by a last turn of each shorter than a step. Crank and shaft are free of each other: either turns both
 * ways. Between two looks half a degree apart a gap falls by less than 0.001 mm below both (the curvature of lobe and crank motion).
 */
export function safeRoute(field: GapField, from: Standing, to: Standing, marginMm: number): Route {
  if (gapAt(field, from).gapMm < marginMm) return { blocked: 'start' }
  if (gapAt(field, to).gapMm < marginMm) return { blocked: 'end' }
  const search = new Search(field, from, marginMm)
  const landings = search.landingsAt(to)
  if (landings.size === 0) return { blocked: 'between' }
  const reached = search.shortestTo(landings)
  return reached ? { legs: legsOf(field, from, [...search.turnsTo(reached), ...landings.get(reached.cell)!]) } : { blocked: 'between' }
}

interface Turn {
  readonly turn: Leg['turn']
  readonly byDeg: number
}

interface Reached {
  readonly cell: number
  /** Which of the moves brought it here. */
  readonly move: number
  readonly cost: number
  readonly before?: Reached
}

const FINE_COLUMNS = COLUMNS * FINE_PER_STEP
const FINE_ROWS = ROWS * FINE_PER_STEP

/** A field at every look there is from where crank and shaft stand: lobes and pistons are worked out once an angle, not once a pair. */
interface FineField {
  /** By valve, at every angle of the crank: the gap with the valve shut, mm. */
  readonly shutMm: readonly Float64Array[]
  /** By valve, at every angle of the shaft. */
  readonly liftMm: readonly Float64Array[]
  /** What the shafts that stand still leave, at every angle of the crank, and what they leave beside them, of the shaft. */
  readonly stillMm: Float64Array
  readonly besideMm: Float64Array
}

function fineField({ valves, standing, besideMm }: GapField, from: Standing): FineField {
  const overCrank = (of: (crankDeg: number) => number) =>
    Float64Array.from({ length: FINE_COLUMNS }, (_, look) => of(from.crankDeg + look * FINE_DEG))
  const overCam = (of: (camDeg: number) => number) =>
    Float64Array.from({ length: FINE_ROWS }, (_, look) => of(from.camDeg + look * FINE_DEG))
  return {
    shutMm: valves.map(({ over, pistonDropMm }) => overCrank((deg) => valveGapMm(over, pistonDropMm(deg), 0))),
    liftMm: valves.map(({ liftMm }) => overCam(liftMm)),
    stillMm: overCrank((deg) => stillGapMm(standing, deg)),
    besideMm: overCam((deg) => besideMm?.(deg) ?? Infinity),
  }
}

class Search {
  /** By edge: 0 not looked at, 1 free, 2 not. */
  private readonly edges = new Uint8Array(COLUMNS * ROWS * 2)
  private readonly fine: FineField

  constructor(
    private readonly field: GapField,
    private readonly from: Standing,
    private readonly marginMm: number,
  ) {
    this.fine = fineField(field, from)
  }

  /** Nodes round a position from which it is reached safely, each with the last short turns. */
  landingsAt(to: Standing): ReadonlyMap<number, readonly Turn[]> {
    const [crank, cam] = [(to.crankDeg - this.from.crankDeg) / STEP_DEG, (to.camDeg - this.from.camDeg) / STEP_DEG]
    const found = new Map<number, readonly Turn[]>()
    for (const column of [Math.floor(crank), Math.ceil(crank)])
      for (const row of [Math.floor(cam), Math.ceil(cam)]) {
        const turns: readonly Turn[] = [
          { turn: 'crank', byDeg: (crank - column) * STEP_DEG },
          { turn: 'cam', byDeg: (cam - row) * STEP_DEG },
        ]
        const way = [turns, turns.toReversed()].find((order) => this.isFreeAlong(this.standingOf(column, row), order))
        if (way)
          found.set(
            cellOf(column, row),
            way.filter(({ byDeg }) => byDeg !== 0),
          )
      }
    return found
  }

  shortestTo(landings: ReadonlyMap<number, readonly Turn[]>): Reached | undefined {
    const best = new Float64Array(COLUMNS * ROWS * MOVES.length).fill(Infinity)
    const queue = new TinyQueue<Reached>([{ cell: 0, move: -1, cost: 0 }], (a, b) => a.cost - b.cost)
    for (let now = queue.pop(); now; now = queue.pop()) {
      if (landings.has(now.cell)) return now
      for (const [move, { turn, step }] of MOVES.entries()) {
        const cell = beside(now.cell, turn, step)
        const cost = now.cost + STEP_DEG + (move === now.move ? 0 : LEG_COST_DEG)
        const state = cell * MOVES.length + move
        if (cost >= best[state]! || !this.isFree(now.cell, cell, turn, step)) continue
        best[state] = cost
        queue.push({ cell, move, cost, before: now })
      }
    }
    return undefined
  }

  /** The moves that led to a node, those of one kind in a row as one turn. */
  turnsTo(end: Reached): readonly Turn[] {
    const turns: Turn[] = []
    for (let at: Reached | undefined = end; at?.before; at = at.before) {
      const { turn, step } = MOVES[at.move]!
      const next = turns.at(-1)
      if (next?.turn === turn && Math.sign(next.byDeg) === step) turns[turns.length - 1] = { turn, byDeg: next.byDeg + step * STEP_DEG }
      else turns.push({ turn, byDeg: step * STEP_DEG })
    }
    return turns.toReversed()
  }

  private standingOf(column: number, row: number): Standing {
    return { crankDeg: this.from.crankDeg + column * STEP_DEG, camDeg: this.from.camDeg + row * STEP_DEG }
  }

  private isFree(cell: number, next: number, turn: Leg['turn'], step: number): boolean {
    const first = step > 0 ? cell : next
    const edge = first * 2 + (turn === 'crank' ? 0 : 1)
    if (this.edges[edge] === 0) this.edges[edge] = this.isEdgeFree(first, turn) ? 1 : 2
    return this.edges[edge] === 1
  }

  private isEdgeFree(first: number, turn: Leg['turn']): boolean {
    const [column, row] = [Math.floor(first / ROWS) * FINE_PER_STEP, (first % ROWS) * FINE_PER_STEP]
    for (let look = 0; look <= FINE_PER_STEP; look++) {
      const [crankLook, camLook] = turn === 'crank' ? [column + look, row] : [column, row + look]
      if (this.fineGapMm(crankLook % FINE_COLUMNS, camLook % FINE_ROWS) < this.marginMm) return false
    }
    return true
  }

  private fineGapMm(crankLook: number, camLook: number): number {
    const { shutMm, liftMm, stillMm, besideMm } = this.fine
    let least = Math.min(stillMm[crankLook]!, besideMm[camLook]!)
    for (let valve = 0; valve < shutMm.length; valve++) least = Math.min(least, shutMm[valve]![crankLook]! - liftMm[valve]![camLook]!)
    return least
  }

  private isFreeAlong(at: Standing, turns: readonly Turn[]): boolean {
    let now = at
    for (const turn of turns) {
      if (leastAlong(this.field, now, turn) < this.marginMm) return false
      now = turned(now, turn)
    }
    return true
  }
}

function cellOf(column: number, row: number): number {
  return wrap(column, COLUMNS) * ROWS + wrap(row, ROWS)
}

function beside(cell: number, turn: Leg['turn'], step: number): number {
  const [column, row] = [Math.floor(cell / ROWS), cell % ROWS]
  return turn === 'crank' ? cellOf(column + step, row) : cellOf(column, row + step)
}

function turned({ crankDeg, camDeg }: Standing, { turn, byDeg }: Turn): Standing {
  return turn === 'crank' ? { crankDeg: crankDeg + byDeg, camDeg } : { crankDeg, camDeg: camDeg + byDeg }
}

/** The least gap on a turn, both ends with it. */
function leastAlong(field: GapField, at: Standing, { turn, byDeg }: Turn): number {
  const looks = Math.max(1, Math.ceil(Math.abs(byDeg) / FINE_DEG))
  let least = Infinity
  for (let look = 0; look <= looks; look++) least = Math.min(least, gapAt(field, turned(at, { turn, byDeg: (byDeg * look) / looks })).gapMm)
  return least
}

function legsOf(field: GapField, from: Standing, turns: readonly Turn[]): readonly Leg[] {
  let at = from
  return joined(turns).map((turn): Leg => {
    const leastGapMm = leastAlong(field, at, turn)
    at = turned(at, turn)
    return { ...turn, to: { crankDeg: within(at.crankDeg, TURN_DEG), camDeg: within(at.camDeg, CYCLE_DEG) }, leastGapMm }
  })
}

/** A last short turn that goes on the way of the one before it is no leg of its own. */
function joined(turns: readonly Turn[]): readonly Turn[] {
  const all: Turn[] = []
  for (const turn of turns) {
    const last = all.at(-1)
    if (last?.turn === turn.turn && Math.sign(last.byDeg) === Math.sign(turn.byDeg))
      all[all.length - 1] = { ...turn, byDeg: last.byDeg + turn.byDeg }
    else all.push(turn)
  }
  return all
}

/** To a thousandth of a degree: what a sum of thirds leaves behind it is no angle. */
function within(deg: number, most: number): number {
  return wrap(Math.round(deg * 1000), most * 1000) / 1000
}
