import type { Component, Uncertain } from './uncertain'

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
    { source: `${reading}/${what}/step`, owner: `gauge:${card.id}`, u: uniformU(card.resolution), dof: Infinity },
    {
      source: `${reading}/${what}/repeat`,
      owner: `gauge:${card.id}`,
      u: card.repeatability,
      dof: card.repeatabilityDof,
      history: `gauge:${card.id}/history`,
    },
  ]
  const setting = {
    source: `${reading}/setting/repeat`,
    owner: `gauge:${standard.id}`,
    u: standard.repeatability,
    dof: standard.repeatabilityDof,
    history: `gauge:${standard.id}/history`,
  }
  const scale = { source: `gauge:${gauge.id}/scale`, owner: `gauge:${gauge.id}`, u: gauge.scaleU * indicated, dof: Infinity }
  return {
    value: indicated,
    components: known([...own('shown', gauge), ...own('zero', gauge), ...own('standard', standard), setting, scale]),
  }
}

/** A number from paper, ± its tolerance taken as hard limits; exact when the paper gives none. */
export function paperNumber(key: string, value: number, tolerance: number | undefined): Uncertain {
  const owner = `paper:${key}`
  const u = limitsU(tolerance ?? 0)
  return { value, components: known([{ source: owner, owner, u, dof: Infinity }]) }
}

/** A typed `64 ± 0.5`, meant at 95 % with k = 2. */
export function statedNumber(key: string, value: number, plusMinus: number | undefined): Uncertain {
  const owner = `typed:${key}`
  return { value, components: known([{ source: owner, owner, u: (plusMinus ?? 0) / 2, dof: Infinity }]) }
}

function gaugeComponents(id: string, value: number, gauge: GaugeCard, stepU: number): Component[] {
  const reading = `reading:${id}`
  const shared = `gauge:${gauge.id}`
  return known([
    { source: `${reading}/step`, owner: reading, u: stepU, dof: Infinity },
    {
      source: `${reading}/repeat`,
      owner: reading,
      u: gauge.repeatability,
      dof: gauge.repeatabilityDof,
      history: `gauge:${gauge.id}/history`,
    },
    { source: `${shared}/bias`, owner: shared, u: gauge.biasU, dof: Infinity },
    { source: `${shared}/scale`, owner: shared, u: gauge.scaleU * value, dof: Infinity },
  ])
}

function known(components: Component[]): Component[] {
  return components.filter((component) => component.u !== 0)
}
