import type { Component, Source, Uncertain } from './uncertain'

/** What a gauge is known to do. All lengths, volumes … in the canonical unit of the gauge's kind. */
export interface GaugeCard {
  /** Identifies this state of the gauge; a new check or setting makes a new card. */
  readonly id: string
  /** Smallest step that can be read. */
  readonly resolution: number
  /** Standard deviation of one reading, from the gauge's own history. */
  readonly repeatability: number
  /** Degrees of freedom behind `repeatability`. */
  readonly repeatabilityDof: number
  /** What it read too much at its last check; taken off every reading. */
  readonly bias: number
  /** Standard uncertainty of that bias: shared by every reading of the gauge. */
  readonly biasU: number
  /** Relative standard uncertainty of the scale (0.5 % of reading = 0.005): shared too. */
  readonly scaleU: number
}

/** Standard uncertainty of a uniform spread over a full width (GUM 4.3.7; F.2.2.1 for a resolution). */
export function uniformU(fullWidth: number): number {
  return fullWidth / Math.sqrt(12)
}

/** Standard uncertainty of limits ±a with nothing else known (GUM 4.3.7). */
export function limitsU(halfWidth: number): number {
  return halfWidth / Math.sqrt(3)
}

/** One gauge reading with its uncertainty: resolution and repeatability its own, bias and scale shared with its gauge. */
export function gaugeReading(id: string, indicated: number, gauge: GaugeCard): Uncertain {
  const value = indicated - gauge.bias
  return { value, components: gaugeComponents(id, value, gauge, uniformU(gauge.resolution)) }
}

/**
 * A go/no-go reading: the gauge goes at `low` and not at `high`. Midpoint, uniform between the two
 * (width/√12); repeatability stays, the step of the gauge is the interval itself.
 */
export function goNoGoReading(id: string, low: number, high: number, gauge: GaugeCard): Uncertain {
  const value = (low + high) / 2 - gauge.bias
  return { value, components: gaugeComponents(id, value, gauge, uniformU(high - low)) }
}

/**
 * A gauge zeroed on what another has read, and then showing the difference: its bias and the other's cancel, since the other's
 * reading is in both. What stays is the noise of the reading, of the zero, and of the other gauge, read once on the part and
 * once more as the standard that the zero was taken from.
 */
export function zeroedReading(id: string, indicated: number, gauge: GaugeCard, standard: GaugeCard): Uncertain {
  const reading = `reading:${id}`
  const own = (what: string, card: GaugeCard) => [
    step(`${reading}/${what}`, gaugeName(card), uniformU(card.resolution)),
    repeat(`${reading}/${what}`, gaugeName(card), card),
  ]
  const { scale } = sharedOf(gauge)
  return {
    value: indicated,
    components: known([
      ...own('shown', gauge),
      ...own('zero', gauge),
      ...own('standard', standard),
      repeat(`${reading}/setting`, gaugeName(standard), standard),
      { source: scale, u: gauge.scaleU * indicated },
    ]),
  }
}

/** A number from paper, ± its tolerance taken as hard limits; exact when the paper gives none. */
export function paperNumber(key: string, value: number, tolerance: number | undefined): Uncertain {
  const owner = `paper:${key}`
  const u = limitsU(tolerance ?? 0)
  return { value, components: known([{ source: { id: owner, owner, dof: Infinity }, u }]) }
}

/** A typed `64 ± 0.5`, meant at 95 % with k = 2. */
export function statedNumber(key: string, value: number, plusMinus: number | undefined): Uncertain {
  const owner = `typed:${key}`
  return { value, components: known([{ source: { id: owner, owner, dof: Infinity }, u: (plusMinus ?? 0) / 2 }]) }
}

function gaugeComponents(id: string, value: number, gauge: GaugeCard, stepU: number): Component[] {
  const reading = `reading:${id}`
  const { bias, scale } = sharedOf(gauge)
  return known([
    step(reading, reading, stepU),
    repeat(reading, reading, gauge),
    { source: bias, u: gauge.biasU },
    { source: scale, u: gauge.scaleU * value },
  ])
}

function step(of: string, owner: string, u: number): Component {
  return { source: { id: `${of}/step`, owner, dof: Infinity }, u }
}

function repeat(of: string, owner: string, { id, repeatability, repeatabilityDof }: GaugeCard): Component {
  return { source: { id: `${of}/repeat`, owner, dof: repeatabilityDof, history: `gauge:${id}/history` }, u: repeatability }
}

/** What all readings of a gauge share. */
const shared = new WeakMap<GaugeCard, { readonly bias: Source; readonly scale: Source }>()

function sharedOf(gauge: GaugeCard) {
  const known = shared.get(gauge)
  if (known) return known
  const owner = gaugeName(gauge)
  const made = { bias: { id: `${owner}/bias`, owner, dof: Infinity }, scale: { id: `${owner}/scale`, owner, dof: Infinity } }
  shared.set(gauge, made)
  return made
}

function gaugeName({ id }: GaugeCard): string {
  return `gauge:${id}`
}

const isThere = ({ u }: Component) => u !== 0

function known(components: Component[]): Component[] {
  // Most are all there: a copy of each reading's few would be the largest thing an engine holds.
  return components.every(isThere) ? components : components.filter(isThere)
}
