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
  const { normal } = randomStream(seed)
  const plan = drawPlan(model.inputs)
  const shocks = new Float64Array(plan.sources)
  const values = new Float64Array(model.inputs.length)
  const out = new Float64Array(model.results)
  const tallies = Array.from({ length: model.results }, () => ({ mean: 0, m2: 0, inside: 0 }))
  let done = 0
  while (done < draws) {
    const end = Math.min(draws, done + DRAWS_PER_SLICE)
    while (done < end) {
      done++
      for (let s = 0; s < shocks.length; s++) shocks[s] = normal()
      plan.fill(shocks, values)
      model.evaluate(values, out)
      for (let r = 0; r < out.length; r++) tally(tallies[r]!, out[r]!, done, model.bounds?.[r])
    }
    yield { done, results: tallies.map((t) => summarise(t, done)) }
  }
}

interface Tally { mean: number; m2: number; inside: number }

/** Welford's running mean and squares: no cancellation however many draws. */
function tally(t: Tally, value: number, count: number, bounds: Bounds | undefined): void {
  const step = value - t.mean
  t.mean += step / count
  t.m2 += step * (value - t.mean)
  if (value >= (bounds?.lower ?? -Infinity) && value <= (bounds?.upper ?? Infinity)) t.inside++
}

function summarise(t: Tally, draws: number): MonteCarloResult {
  return { draws, mean: t.mean, standardDeviation: Math.sqrt(t.m2 / Math.max(1, draws - 1)), probability: t.inside / draws }
}

/** Flattens the inputs' components to arrays: one shock a source, weights an input. */
function drawPlan(inputs: readonly Uncertain[]) {
  const index = new Map<string, number>()
  const start = [0]
  const source: number[] = []
  const weight: number[] = []
  for (const input of inputs) {
    for (const component of input.components) {
      if (!index.has(component.source)) index.set(component.source, index.size)
      source.push(index.get(component.source)!)
      weight.push(component.u)
    }
    start.push(source.length)
  }
  const sources = Int32Array.from(source)
  const weights = Float64Array.from(weight)
  const starts = Int32Array.from(start)
  const centres = Float64Array.from(inputs.map((input) => input.value))
  return {
    sources: index.size,
    fill(shocks: Float64Array, values: Float64Array): void {
      for (let i = 0; i < centres.length; i++) {
        let value = centres[i]!
        for (let c = starts[i]!; c < starts[i + 1]!; c++) value += weights[c]! * shocks[sources[c]!]!
        values[i] = value
      }
    },
  }
}
