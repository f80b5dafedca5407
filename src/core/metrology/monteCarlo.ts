import { normalBlocks } from '../numerics/random'
import type { Bounds } from './conformity'
import type { Uncertain } from './uncertain'

/** Random draws of several results that share inputs, the method of JCGM 101:2008 with normal sources. */
export interface MonteCarloResult {
  readonly draws: number
  readonly mean: number
  readonly standardDeviation: number
  /** Share of draws that keep the bounds. */
  readonly probability: number
}

export interface MonteCarloModel {
  readonly inputs: readonly Uncertain[]
  /**
   * Writes each result of so many draws into `out`. Inputs and results stand one after the other in an array of their own, each with
   * `DRAWS_PER_BLOCK` places, a draw at each place: one array, for a loop that reads ten of them takes twice as long.
   */
  readonly evaluate: (values: Float64Array, out: Float64Array, count: number) => void
  readonly results: number
  readonly bounds?: readonly (Bounds | undefined)[]
}

export const DRAWS_PER_SLICE = 20_000

/**
 * Draws in slices so that a worker can report progress and stop between them. Sources shared by inputs are drawn once
 * a trial. Sources with few degrees of freedom are drawn as normal: only their standard uncertainty is compared.
 */
export function* monteCarlo(model: MonteCarloModel, draws: number, seed: number): Generator<{ done: number; results: MonteCarloResult[] }> {
  const slice = slicer(model, seed)
  let done = 0
  while (done < draws) {
    const end = Math.min(draws, done + DRAWS_PER_SLICE)
    const results = slice(done, end)
    done = end
    yield { done, results }
  }
}

/**
 * Two independent runs of the same model as one: means and squares pooled (T. F. Chan et al., 1979). Different seeds are the
 * caller's to see to.
 */
export function pooled(a: MonteCarloResult, b: MonteCarloResult): MonteCarloResult {
  const draws = a.draws + b.draws
  const apart = b.mean - a.mean
  const squares = (run: MonteCarloResult) => run.standardDeviation ** 2 * (run.draws - 1)
  return {
    draws,
    mean: a.mean + (apart * b.draws) / draws,
    standardDeviation: Math.sqrt((squares(a) + squares(b) + (apart ** 2 * a.draws * b.draws) / draws) / (draws - 1)),
    probability: (a.probability * a.draws + b.probability * b.draws) / draws,
  }
}

/** Draws that are made and evaluated together: as many as stay in a core's own cache. */
export const DRAWS_PER_BLOCK = 500

/** A model told by what one draw gives, for results dear enough that a call a draw is nothing. */
export function oneByOne(evaluate: (values: Float64Array, out: Float64Array) => void): MonteCarloModel['evaluate'] {
  return (values, out, count) => {
    const [one, found] = [new Float64Array(values.length / DRAWS_PER_BLOCK), new Float64Array(out.length / DRAWS_PER_BLOCK)]
    for (let draw = 0; draw < count; draw++) {
      for (let input = 0; input < one.length; input++) one[input] = values[input * DRAWS_PER_BLOCK + draw]!
      evaluate(one, found)
      for (let result = 0; result < found.length; result++) out[result * DRAWS_PER_BLOCK + draw] = found[result]!
    }
  }
}

/**
 * Draws trials `from`…`to`, a block of them at a time, and gives the results so far: sums about the result at the inputs' middles,
 * from which no draw is far, so that nothing cancels however many there are.
 */
function slicer(model: MonteCarloModel, seed: number): (from: number, to: number) => MonteCarloResult[] {
  const fillNormal = normalBlocks(seed, DRAWS_PER_BLOCK)
  const plan = drawPlan(model.inputs)
  const shocks = new Float64Array(plan.shocks * DRAWS_PER_BLOCK)
  const shockRows = rowsOf(shocks)
  const values = new Float64Array(model.inputs.length * DRAWS_PER_BLOCK)
  for (const [input, row] of rowsOf(values).entries()) row.fill(model.inputs[input]!.value)
  const out = new Float64Array(model.results * DRAWS_PER_BLOCK)
  model.evaluate(values, out, 1)
  const results = rowsOf(out).map((row, result) => ({ row, totals: noTotals(row[0]!, model.bounds?.[result]) }))
  return (from, to) => {
    for (let done = from; done < to; done += DRAWS_PER_BLOCK) {
      const count = Math.min(DRAWS_PER_BLOCK, to - done)
      for (const row of shockRows) fillNormal(row)
      plan.draw(shocks, values)
      model.evaluate(values, out, count)
      for (const { row, totals } of results) addUp(row, count, totals)
    }
    return results.map(({ totals: { about, sum, squares, inside } }) => ({
      draws: to,
      mean: about + sum / to,
      standardDeviation: Math.sqrt(Math.max(0, squares - (sum * sum) / to) / Math.max(1, to - 1)),
      probability: inside / to,
    }))
  }
}

/** A view of each input, shock or result of a block. */
function rowsOf(block: Float64Array): readonly Float64Array[] {
  return Array.from({ length: block.length / DRAWS_PER_BLOCK }, (_, row) =>
    block.subarray(row * DRAWS_PER_BLOCK, (row + 1) * DRAWS_PER_BLOCK),
  )
}

interface Totals {
  readonly about: number
  readonly lower: number
  readonly upper: number
  sum: number
  squares: number
  inside: number
}

function noTotals(about: number, bounds: Bounds | undefined): Totals {
  return { about, sum: 0, squares: 0, inside: 0, lower: bounds?.lower ?? -Infinity, upper: bounds?.upper ?? Infinity }
}

function addUp(values: Float64Array, count: number, totals: Totals): void {
  const { about, lower, upper } = totals
  let { sum, squares, inside } = totals
  for (let draw = 0; draw < count; draw++) {
    const value = values[draw]!
    const off = value - about
    sum += off
    squares += off * off
    if (value >= lower && value <= upper) inside++
  }
  totals.sum = sum
  totals.squares = squares
  totals.inside = inside
}

/**
 * Flattens the inputs' components to arrays. Sources that only one input has are drawn as one: a sum of independent normals
 * is a normal of their quadratic sum, so nothing is lost but time. Every uncertain input then has one shock of its own, and
 * shocks shared by several are added from one list: two loops without a branch in them.
 */
function drawPlan(inputs: readonly Uncertain[]) {
  const users = new Map<string, number>()
  for (const input of inputs) for (const { source } of input.components) users.set(source.id, (users.get(source.id) ?? 0) + 1)
  const isShared = (source: string) => users.get(source)! > 1
  const shared = [...users.keys()].filter(isShared)
  const uncertainInputs = inputs.flatMap((input, position) => (input.components.length > 0 ? [position] : []))
  const drawn = uncertainInputs.map((position, index): DrawnInput => {
    const { value, components } = inputs[position]!
    const own = Math.hypot(...components.flatMap(({ source, u }) => (isShared(source.id) ? [] : [u])))
    const shares = components.filter(({ source }) => isShared(source.id))
    const rows = shares.map(({ source }) => uncertainInputs.length + shared.indexOf(source.id))
    return {
      at: position * DRAWS_PER_BLOCK,
      shockAt: Int32Array.from([index, ...rows, 0, 0], (row) => row * DRAWS_PER_BLOCK),
      centre: value,
      u: Float64Array.from([own, ...shares.map(({ u }) => u), 0, 0]),
    }
  })
  return {
    shocks: uncertainInputs.length + shared.length,
    /** Writes the uncertain inputs of a block of draws; the exact ones stay at their centres. */
    draw(shocks: Float64Array, values: Float64Array): void {
      for (const input of drawn) drawInput(shocks, values, input)
    },
  }
}

/** Where an input's row begins, and the shocks it takes: its own, those it shares, and two of no weight. */
interface DrawnInput {
  readonly at: number
  readonly centre: number
  readonly shockAt: Int32Array
  readonly u: Float64Array
}

/**
 * Three shocks in the first pass, for few inputs share more than two. Numbers are taken out one by one: out of a list, the engine
 * keeps them as objects and the loop takes twice as long.
 */
function drawInput(shocks: Float64Array, values: Float64Array, { at, centre, shockAt, u }: DrawnInput): void {
  const ownAt = shockAt[0]!
  const oneAt = shockAt[1]!
  const otherAt = shockAt[2]!
  const own = u[0]!
  const one = u[1]!
  const other = u[2]!
  const count = DRAWS_PER_BLOCK
  for (let draw = 0; draw < count; draw++) {
    values[at + draw] = centre + own * shocks[ownAt + draw]! + one * shocks[oneAt + draw]! + other * shocks[otherAt + draw]!
  }
  for (let share = 3; share < u.length - 2; share++) {
    for (let draw = 0; draw < count; draw++) values[at + draw]! += u[share]! * shocks[shockAt[share]! + draw]!
  }
}
