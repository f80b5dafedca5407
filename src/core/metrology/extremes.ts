import { randomStream } from '../numerics/random'
import { mean, standardUncertainty, type Component, type Uncertain } from './uncertain'

/** What is picked from several values: the difference of the outermost, the smallest, or the one furthest from zero. */
export type Extreme = 'range' | 'smallest' | 'largestSize'

const DRAWS = 256
const MOST_VALUES = 64
/** Two-sided 95 % of a normal: the draws are normal, what is unsure of their size comes back with the coverage factor of the whole. */
const NORMAL_COVERAGE = 1.96
/** Above 95 %: what is drawn around is itself estimated, which a plain 95 % of the draws leaves out (calibrated, ibid., ch. 18). */
const COVERAGE = 0.97
/** Values further apart than this many standard uncertainties are told apart; nearer ones may have changed places. */
const APART = 2.5

/**
 * The standard uncertainty that picking an extreme adds. The largest of several noisy values is on the average too large, and the
 * more of them are alike the more so: eight equal parts show a spread of nearly three standard uncertainties. It is sized so
 * that value ± U covers the true extreme in 95 % of repetitions of the measurement: from draws of the noise around the values
 * with their own noise taken out (parametric bootstrap; B. Efron, R. Tibshirani, An Introduction to the Bootstrap, 1993, ch. 6;
 * the shrinking within a group of values that cannot be told apart is the usual variance estimate).
 * `picked` is the extreme as a plain linear combination. Deterministic: the draws are the same every time.
 */
export function selectionU(extreme: Extreme, values: readonly Uncertain[], picked: Uncertain): number {
  if (values.length < 2 || values.length > MOST_VALUES) return 0
  const noise = ownNoise(extreme, values)
  if (noise.every((u) => u === 0)) return 0
  const sizes = values.map(({ value }) => value)
  // Of differences that cannot be told apart the least favourable truth is that they are all alike: any of them may stand out by chance.
  const truths = [withoutNoise(sizes, noise, extreme), ...(extreme === 'largestSize' ? alike(sizes, noise) : [])]
  const wanted = Math.max(...truths.map((truth) => reachOf(extreme, truth, noise))) / NORMAL_COVERAGE
  const has = extreme === 'range' ? standardUncertainty(picked) : Math.min(standardUncertainty(picked), Math.max(...noise))
  return Math.sqrt(Math.max(0, wanted ** 2 - has ** 2))
}

/** How far from the true extreme the picked one stands in all but the rarest repetitions of the measurement. */
function reachOf(extreme: Extreme, trueValues: readonly number[], noise: readonly number[]): number {
  const target = statistic(extreme, Math.min(...trueValues), Math.max(...trueValues))
  const normals = normalTable()
  const count = trueValues.length
  furthest.fill(0)
  for (let draw = 0; draw < DRAWS; draw++) {
    const from = draw * MOST_VALUES
    let low = Infinity
    let high = -Infinity
    for (let i = 0; i < count; i++) {
      const value = trueValues[i]! + noise[i]! * normals[from + i]!
      if (value < low) low = value
      if (value > high) high = value
    }
    const off = Math.abs(statistic(extreme, low, high) - target)
    if (off > furthest[0]!) keepFurthest(off)
  }
  return furthest[0]!
}

/** What the rarest draws come to, the nearest of them first. Written over by every call: this stands on the path of a key stroke. */
const furthest = new Float64Array(Math.floor((1 - COVERAGE) * DRAWS) + 1)

/** Takes one more among the rarest draws, in its order, for the nearest of them. */
function keepFurthest(off: number): void {
  let at = 0
  while (at + 1 < furthest.length && furthest[at + 1]! < off) furthest[at] = furthest[++at]!
  furthest[at] = off
}

/** All at one size, their root mean square without its noise; nothing where they can be told apart. */
function alike(values: readonly number[], noise: readonly number[]): number[][] {
  const meanOf = (squares: readonly number[]) => squares.reduce((sum, one) => sum + one, 0) / values.length
  const ofNoise = meanOf(noise.map((u) => u ** 2))
  const sizes = values.map(Math.abs)
  if (Math.max(...sizes) - Math.min(...sizes) > APART * Math.sqrt(2 * ofNoise)) return []
  const size = Math.sqrt(Math.max(0, meanOf(values.map((value) => value ** 2)) - ofNoise))
  return [values.map(() => size)]
}

function statistic(extreme: Extreme, low: number, high: number): number {
  if (extreme === 'range') return high - low
  return extreme === 'smallest' ? low : Math.max(high, -low)
}

/** What each value has for itself, not shared with the others: what all have alike moves no order. */
function ownNoise(extreme: Extreme, values: readonly Uncertain[]): number[] {
  if (extreme === 'range') return noiseAboutMean(values)
  const users = new Map<string, number>()
  for (const { components } of values) for (const { source } of components) users.set(source.id, (users.get(source.id) ?? 0) + 1)
  return values.map(({ components }) => {
    let variance = 0
    for (const { source, u } of components) if (users.get(source.id) === 1) variance += u * u
    return Math.sqrt(variance)
  })
}

/** Against the mean of all n a value keeps (n − 1)/n of its own variance. */
function noiseAboutMean(values: readonly Uncertain[]): number[] {
  const ofMean = new Map(mean(values).components.map((component) => [component.source.id, component]))
  let meanVariance = 0
  for (const { u } of ofMean.values()) meanVariance += u * u
  const ownShare = 1 - 1 / values.length
  return values.map(({ components }) => Math.sqrt(Math.max(0, apartVariance(components, ofMean, meanVariance)) / ownShare))
}

/** Variance of a value less the mean, source by source: what the value does not know, the mean keeps. */
function apartVariance(components: readonly Component[], ofMean: ReadonlyMap<string, Component>, meanVariance: number): number {
  let variance = meanVariance
  for (const { source, u } of components) {
    const shared = ofMean.get(source.id)!.u
    variance += (u - shared) ** 2 - shared ** 2
  }
  return variance
}

/** The values drawn together by as much as their noise alone spreads them, group by group of values that cannot be told apart. */
function withoutNoise(values: readonly number[], noise: readonly number[], extreme: Extreme): number[] {
  const out = [...values]
  const order = values.map((_, index) => index).sort((a, b) => values[a]! - values[b]!)
  if (extreme === 'largestSize') return shrunkTo(out, order, noise, 0)
  let group: number[] = []
  for (const [at, index] of order.entries()) {
    const before = order[at - 1]
    if (before !== undefined && values[index]! - values[before]! > APART * Math.hypot(noise[index]!, noise[before]!)) {
      shrunkTo(out, group, noise)
      group = []
    }
    group.push(index)
  }
  return shrunkTo(out, group, noise)
}

/** Shrinks the members of a group towards their mean (or a given centre), in place. */
function shrunkTo(values: number[], group: readonly number[], noise: readonly number[], centre?: number): number[] {
  if (group.length === 0 || (group.length === 1 && centre === undefined)) return values
  const middle = centre ?? group.reduce((sum, index) => sum + values[index]!, 0) / group.length
  const freedom = centre === undefined ? group.length - 1 : group.length
  const variance = group.reduce((sum, index) => sum + (values[index]! - middle) ** 2, 0) / freedom
  const ofNoise = group.reduce((sum, index) => sum + noise[index]! ** 2, 0) / group.length
  const factor = variance === 0 ? 0 : Math.sqrt(Math.max(0, variance - ofNoise) / variance)
  for (const index of group) values[index] = middle + factor * (values[index]! - middle)
  return values
}

let table: Float64Array | undefined
const TABLE_SEED = 20_260_301

/** Standard normals, drawn once: the same for every extreme, so that the same readings always give the same uncertainty. */
function normalTable(): Float64Array {
  if (!table) {
    const { normal } = randomStream(TABLE_SEED)
    table = Float64Array.from({ length: DRAWS * MOST_VALUES }, normal)
  }
  return table
}
