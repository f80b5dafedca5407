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

/** Two independent runs of the same model as one: means and squares pooled (T. F. Chan et al., 1979). Different seeds are the caller's to see to. */
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
  const shocks = new Float64Array(plan.sources)
  const values = plan.centres.slice()
  const out = new Float64Array(model.results)
  const means = new Float64Array(model.results)
  const squares = new Float64Array(model.results)
  const inside = new Float64Array(model.results)
  const lower = Float64Array.from(out, (_, result) => model.bounds?.[result]?.lower ?? -Infinity)
  const upper = Float64Array.from(out, (_, result) => model.bounds?.[result]?.upper ?? Infinity)
  return (from, to) => {
    for (let trial = from + 1; trial <= to; trial++) {
      fillNormal(shocks)
      plan.deal(shocks, values)
      model.evaluate(values, out)
      for (let result = 0; result < out.length; result++) {
        const value = out[result]!
        const step = value - means[result]!
        means[result]! += step / trial
        squares[result]! += step * (value - means[result]!)
        if (value >= lower[result]! && value <= upper[result]!) inside[result]!++
      }
    }
    return Array.from(means, (mean, result) => ({
      draws: to, mean, standardDeviation: Math.sqrt(squares[result]! / Math.max(1, to - 1)), probability: inside[result]! / to,
    }))
  }
}

/**
 * Flattens the inputs' components to arrays: one shock a source, weights an input. Sources that only one input has are
 * drawn as one: a sum of independent normals is a normal of their quadratic sum, so nothing is lost but time.
 */
function drawPlan(inputs: readonly Uncertain[]) {
  const users = new Map<string, number>()
  for (const input of inputs) for (const { source } of input.components) users.set(source, (users.get(source) ?? 0) + 1)
  const index = new Map<string, number>()
  const start = [0]
  const source: number[] = []
  const weight: number[] = []
  inputs.forEach((input, position) => {
    let own = 0
    const add = (name: string, u: number) => {
      if (!index.has(name)) index.set(name, index.size)
      source.push(index.get(name)!)
      weight.push(u)
    }
    for (const component of input.components) {
      if (users.get(component.source) === 1) own += component.u ** 2
      else add(component.source, component.u)
    }
    if (own > 0) add(`own of input ${position}`, Math.sqrt(own))
    start.push(source.length)
  })
  const sources = Int32Array.from(source)
  const weights = Float64Array.from(weight)
  const starts = Int32Array.from(start)
  const centres = Float64Array.from(inputs.map((input) => input.value))
  const doubtful = Int32Array.from(inputs.flatMap((input, position) => (input.components.length > 0 ? [position] : [])))
  return {
    sources: index.size,
    centres,
    /** Writes the doubtful inputs of one draw; the exact ones stay at their centres. */
    deal(shocks: Float64Array, values: Float64Array): void {
      for (let d = 0; d < doubtful.length; d++) {
        const input = doubtful[d]!
        const end = starts[input + 1]!
        let value = centres[input]!
        for (let c = starts[input]!; c < end; c++) value += weights[c]! * shocks[sources[c]!]!
        values[input] = value
      }
    },
  }
}
