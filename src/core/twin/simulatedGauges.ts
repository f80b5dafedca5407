/** Readings of a virtual engine by virtual gauges, with the gauges' own noise, on the gauges' own steps. */
import { openBuildWith } from '../build/build'
import { printed } from '../numerics/printed'
import { randomStream } from '../numerics/random'
import type { Gauge, Place, Spec } from '../build/types'
import type { TrueEngine } from './trueEngine'
import type { Truth, VirtualHand } from './truth'

/** What a gauge shows: a value, or for a feeler the leaf that goes and the one that does not. Canonical units. */
export interface Indicated {
  readonly value: number
  readonly upper?: number
}

/** A hand with virtual gauges, for what the benches say there is to be read. */
export class SimulatedGauges {
  private readonly hand: VirtualHand
  private readonly truths: Readonly<Record<string, Truth>>

  constructor({
    engine,
    spec,
    seed,
    truths,
  }: {
    engine: TrueEngine
    spec: Spec
    seed: number
    /** By characteristic. */
    truths: Readonly<Record<string, Truth>>
  }) {
    const unread = openBuildWith({ id: 'twin', spec, gauges: [], entries: [] }, {})
    this.hand = { engine, spec, unread, random: randomStream(seed), buretteLevelCm3: 0 }
    this.truths = truths
  }

  /** @throws for a characteristic of no bench. */
  read(characteristic: string, place: Place, gauge: Gauge): Indicated {
    const truth = this.truths[characteristic]
    if (!truth) throw new Error(`The twin has no ${characteristic}`)
    const shown = truth(this.hand, place) + gauge.bias + gauge.repeatability * this.hand.random.normal()
    const steps = shown / gauge.resolution
    const print = (count: number) => printed(count * gauge.resolution)
    if (gauge.use === 'feeler') return { value: print(Math.floor(steps)), upper: print(Math.floor(steps) + 1) }
    return { value: print(Math.round(steps)) }
  }
}
