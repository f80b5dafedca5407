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
  /** Writes each result of so many draws into `out`: an array an input and a result, a draw at each place. */
  readonly evaluate: (values: readonly Float64Array[], out: readonly Float64Array[], count: number) => void
  readonly results: number
  readonly bounds?: readonly (Bounds | undefined)[]
}

const DRAWS_PER_SLICE = 20_000

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

/** A model told by what one draw gives, for results dear enough that a call a draw is nothing. */
export function oneByOne(evaluate: (values: Float64Array, out: Float64Array) => void): MonteCarloModel['evaluate'] {
  return (values, out, count) => {
    const [one, found] = [new Float64Array(values.length), new Float64Array(out.length)]
    for (let draw = 0; draw < count; draw++) {
      for (let input = 0; input < one.length; input++) one[input] = values[input]![draw]!
      evaluate(one, found)
      for (let result = 0; result < found.length; result++) out[result]![draw] = found[result]!
    }
  }
}

/** Draws that are dealt and evaluated together: as many as stay in a core's own cache. */
const DRAWS_PER_BLOCK = 500

/**
 * Draws trials `from`…`to`, a block of them at a time, and gives the results so far: sums about the result at the inputs' middles,
 * from which no draw is far, so that nothing cancels however many there are.
 */
function slicer(model: MonteCarloModel, seed: number): (from: number, to: number) => MonteCarloResult[] {
  const fillNormal = normalBlocks(seed, DRAWS_PER_BLOCK)
  const plan = drawPlan(model.inputs)
  const shocks = Array.from({ length: plan.shocks }, () => new Float64Array(DRAWS_PER_BLOCK))
  const values = model.inputs.map(({ value }) => new Float64Array(DRAWS_PER_BLOCK).fill(value))
  const out = Array.from({ length: model.results }, () => new Float64Array(DRAWS_PER_BLOCK))
  model.evaluate(values, out, 1)
  const totals = out.map(([middle], result) => ({
    about: middle!,
    sum: 0,
    squares: 0,
    inside: 0,
    lower: model.bounds?.[result]?.lower ?? -Infinity,
    upper: model.bounds?.[result]?.upper ?? Infinity,
  }))
  return (from, to) => {
    for (let done = from; done < to; done += DRAWS_PER_BLOCK) {
      const count = Math.min(DRAWS_PER_BLOCK, to - done)
      for (const shock of shocks) fillNormal(shock)
      plan.deal(shocks, values)
      model.evaluate(values, out, count)
      for (let result = 0; result < out.length; result++) addUp(out[result]!, count, totals[result]!)
    }
    return totals.map(({ about, sum, squares, inside }) => ({
      draws: to,
      mean: about + sum / to,
      standardDeviation: Math.sqrt(Math.max(0, squares - (sum * sum) / to) / Math.max(1, to - 1)),
      probability: inside / to,
    }))
  }
}

interface Totals {
  readonly about: number
  readonly lower: number
  readonly upper: number
  sum: number
  squares: number
  inside: number
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
 * is a normal of their quadratic sum, so nothing is lost but time. Every doubtful input then has one shock of its own, and
 * shocks shared by several are added from one list: two loops without a branch in them.
 */
function drawPlan(inputs: readonly Uncertain[]) {
  const users = new Map<string, number>()
  for (const input of inputs) for (const { source } of input.components) users.set(source.id, (users.get(source.id) ?? 0) + 1)
  const isShared = (source: string) => users.get(source)! > 1
  const shared = [...users.keys()].filter(isShared)
  const uncertainInputs = inputs.flatMap((input, position) => (input.components.length > 0 ? [position] : []))
  const own = uncertainInputs.map((position) =>
    Math.hypot(...inputs[position]!.components.filter(({ source }) => !isShared(source.id)).map(({ u }) => u)),
  )
  const sharesOf = uncertainInputs.map((position) =>
    inputs[position]!.components.flatMap(({ source, u }): Share[] =>
      isShared(source.id) ? [{ shock: uncertainInputs.length + shared.indexOf(source.id), u }] : [],
    ),
  )

  const centres = Float64Array.from(inputs, (input) => input.value)
  return {
    shocks: uncertainInputs.length + shared.length,
    /** Writes the doubtful inputs of a block of draws; the exact ones stay at their centres. */
    deal(shocks: readonly Float64Array[], values: readonly Float64Array[]): void {
      for (let d = 0; d < uncertainInputs.length; d++) {
        const position = uncertainInputs[d]!
        dealInput(values[position]!, centres[position]!, { own: shocks[d]!, u: own[d]! }, sharesOf[d]!, shocks)
      }
    },
  }
}

interface Share {
  readonly shock: number
  readonly u: number
}

/** One input: its own shock, and those it shares, two of them in one pass where there are two. */
function dealInput(
  values: Float64Array,
  centre: number,
  { own, u }: { readonly own: Float64Array; readonly u: number },
  shares: readonly Share[],
  shocks: readonly Float64Array[],
): void {
  const [first, second, ...rest] = shares
  const count = values.length
  if (!first) {
    for (let draw = 0; draw < count; draw++) values[draw] = centre + u * own[draw]!
    return
  }
  const [one, ofOne] = [shocks[first.shock]!, first.u]
  const [other, ofOther] = second ? [shocks[second.shock]!, second.u] : [one, 0]
  for (let draw = 0; draw < count; draw++) values[draw] = centre + u * own[draw]! + ofOne * one[draw]! + ofOther * other[draw]!
  for (const { shock, u: share } of rest) {
    const more = shocks[shock]!
    for (let draw = 0; draw < count; draw++) values[draw]! += share * more[draw]!
  }
}
