import { randomStream } from '../numerics/random'
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
  /** Writes each result of one draw of the inputs into `out`. */
  readonly evaluate: (values: Float64Array, out: Float64Array) => void
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

/**
 * Draws trials `from`…`to` and gives the results so far, by Welford's running mean and squares: no cancellation however many
 * draws. A plain function over flat arrays: inside the generator the same loop takes twice as long.
 */
function slicer(model: MonteCarloModel, seed: number): (from: number, to: number) => MonteCarloResult[] {
  const { fillNormal } = randomStream(seed)
  const plan = drawPlan(model.inputs)
  const shocks = new Float64Array(plan.shocks)
  const values = plan.centres.slice()
  const out = new Float64Array(model.results)
  const means = new Float64Array(model.results)
  const squares = new Float64Array(model.results)
  const inside = new Float64Array(model.results)
  const lower = Float64Array.from(out, (_, result) => model.bounds?.[result]?.lower ?? -Infinity)
  const upper = Float64Array.from(out, (_, result) => model.bounds?.[result]?.upper ?? Infinity)
  return (from, to) => {
    for (let trial = from + 1; trial <= to; trial++) {
      const share = 1 / trial
      fillNormal(shocks)
      plan.deal(shocks, values)
      model.evaluate(values, out)
      for (let result = 0; result < out.length; result++) {
        const value = out[result]!
        const step = value - means[result]!
        means[result]! += step * share
        squares[result]! += step * (value - means[result]!)
        if (value >= lower[result]! && value <= upper[result]!) inside[result]!++
      }
    }
    return Array.from(means, (mean, result) => ({
      draws: to,
      mean,
      standardDeviation: Math.sqrt(squares[result]! / Math.max(1, to - 1)),
      probability: inside[result]! / to,
    }))
  }
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
  const shares = uncertainInputs.flatMap((position) =>
    inputs[position]!.components.flatMap(({ source, u }) =>
      isShared(source.id) ? [{ position, shock: uncertainInputs.length + shared.indexOf(source.id), u }] : [],
    ),
  )

  const centres = Float64Array.from(inputs, (input) => input.value)
  const doubtful = Int32Array.from(uncertainInputs)
  const ownWeights = Float64Array.from(own)
  const shareInputs = Int32Array.from(shares, ({ position }) => position)
  const shareShocks = Int32Array.from(shares, ({ shock }) => shock)
  const shareWeights = Float64Array.from(shares, ({ u }) => u)
  return {
    shocks: uncertainInputs.length + shared.length,
    centres,
    /** Writes the doubtful inputs of one draw; the exact ones stay at their centres. */
    deal(shocks: Float64Array, values: Float64Array): void {
      for (let d = 0; d < doubtful.length; d++) values[doubtful[d]!] = centres[doubtful[d]!]! + ownWeights[d]! * shocks[d]!
      for (let s = 0; s < shareInputs.length; s++) values[shareInputs[s]!]! += shareWeights[s]! * shocks[shareShocks[s]!]!
    },
  }
}
