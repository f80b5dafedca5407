/** Readings of a virtual engine by virtual gauges, with the gauges' own noise, on the gauges' own steps. */
import { openBuildWith } from '../document/build'
import { printed } from '../numerics/printed'
import { randomStream } from '../numerics/random'
import type { Gauge, Place, Spec } from '../document/types'
import type { TrueEngine } from './trueEngine'
import type { Truth, TwinState } from './truth'

/** What a gauge shows: a value, or for a feeler the leaf that goes and the one that does not. Canonical units. */
export interface Indicated {
  readonly value: number
  readonly upper?: number
}

/** How closely one hand sets a wheel, standard deviation, degrees. */
export const SET_BY_EYE_DEG = 0.2

/** Virtual gauges on a virtual engine, for what the benches say there is to be read. */
export class SimulatedGauges {
  private readonly twin: TwinState
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
    this.twin = { engine, spec, unread, random: randomStream(seed), buretteLevelCm3: 0 }
    this.truths = truths
  }

  /** @throws for a characteristic of no bench. */
  read(characteristic: string, place: Place, gauge: Gauge): Indicated {
    const truth = this.truths[characteristic]
    if (!truth) throw new Error(`The twin has no ${characteristic}`)
    const shown = truth(this.twin, this.standing(place, gauge)) + gauge.bias + gauge.repeatability * this.twin.random.normal()
    const steps = shown / gauge.resolution
    const print = (count: number) => printed(count * gauge.resolution)
    if (gauge.use === 'feeler') return { value: print(Math.floor(steps)), upper: print(Math.floor(steps) + 1) }
    return { value: print(Math.round(steps)) }
  }

  /** A wheel is brought to an angle by eye: what is read there is read where it truly stands. */
  private standing(place: Place, gauge: Gauge): Place {
    if (place.degree === undefined || gauge.repeatability === 0) return place
    return { ...place, degree: place.degree + SET_BY_EYE_DEG * this.twin.random.normal() }
  }
}
