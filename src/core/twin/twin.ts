/**
 * A virtual engine: true dimensions with chosen faults, and readings of it by virtual gauges with the gauges' own noise.
 * Every finding of the demo follows from what is set here, so the right answers are known.
 */
import { cylinderPlaces, cylinderVolumeCm3 } from '../engine'
import { randomStream, type RandomStream } from '../numerics/random'
import type { Gauge, Place, Spec } from '../build/types'

export interface TrueEngine {
  readonly boreMm: ReadonlyMap<number, number>
  readonly deckMm: ReadonlyMap<number, number>
  /** How far the crown tips: the right edge stands this much deeper than the left. */
  readonly rockMm: number
  readonly chamberCm3: ReadonlyMap<number, number>
  readonly pistonCm3: number
  readonly gasketThicknessMm: number
  readonly gasketBoreMm: number
}

/** What is wrong with an engine, as deviations from its paper. */
export interface Faults {
  readonly deckMm?: Readonly<Record<number, number>>
  readonly chamberCm3?: Readonly<Record<number, number>>
  readonly boreMm?: Readonly<Record<number, number>>
}

/** Scatter of honest machining around nominal, standard deviations. */
const MACHINING = { boreMm: 0.002, deckMm: 0.004, chamberCm3: 0.06 }
const ROCK_MM = 0.03
const DENSITY_FALLBACK = 0.87

/** @throws if the spec lacks a paper number the engine cannot be made without. */
export function makeEngine(spec: Spec, faults: Faults, seed: number): TrueEngine {
  const { normal } = randomStream(seed)
  const { paper, stock, choice } = spec
  const gasket = stock.gaskets.find((option) => option.id === choice.gasket) ?? stock.gaskets[0]
  if (!paper.bore || !paper.deckClearance || !paper.chamberVolume || !gasket) throw new Error(`The twin of ${spec.name} needs bore, deck, chamber and gasket on paper`)
  const cylinders = cylinderPlaces(spec.layout).map((place) => place.cylinder)
  const around = (nominal: number, scatter: number, fault: Readonly<Record<number, number>> | undefined) =>
    new Map(cylinders.map((cylinder) => [cylinder, nominal + scatter * normal() + (fault?.[cylinder] ?? 0)]))
  return {
    boreMm: around(paper.bore.value, MACHINING.boreMm, faults.boreMm),
    deckMm: around(paper.deckClearance.value, MACHINING.deckMm, faults.deckMm),
    rockMm: ROCK_MM,
    chamberCm3: around(paper.chamberVolume.value, MACHINING.chamberCm3, faults.chamberCm3),
    pistonCm3: paper.pistonVolume?.value ?? 0,
    gasketThicknessMm: gasket.thicknessMm,
    gasketBoreMm: gasket.boreMm,
  }
}

/** A hand with virtual gauges. Burette levels are kept from reading to reading, as the fluid in it is. */
export class VirtualHand {
  private readonly random: RandomStream
  private buretteLevelCm3 = 0

  constructor(private readonly engine: TrueEngine, private readonly spec: Spec, seed: number) {
    this.random = randomStream(seed)
  }

  /** What the gauge shows at a place: truth, plus bias and noise, on the gauge's step. Canonical unit. */
  read(characteristic: string, place: Place, gauge: Gauge): number {
    const shown = this.truth(characteristic, place) + gauge.bias + gauge.repeatability * this.random.normal()
    const onStep = Math.round(shown / gauge.resolution) * gauge.resolution
    // Steps such as 0.1 have no exact binary: twelve digits put the number back on the scale's print.
    return Number(onStep.toPrecision(12))
  }

  private truth(characteristic: string, place: Place): number {
    const of = (values: ReadonlyMap<number, number>) => values.get(place.cylinder ?? 1)!
    const { engine } = this
    switch (characteristic) {
      case 'bore': return of(engine.boreMm)
      case 'deck': return of(engine.deckMm) + (place.spot === 'right' ? engine.rockMm : place.spot === 'left' ? -engine.rockMm : 0)
      case 'chamber': return of(engine.chamberCm3)
      case 'chamberMass': return of(engine.chamberCm3) * (this.spec.paper.fluidDensity?.value ?? DENSITY_FALLBACK)
      case 'chamberStart': return (this.buretteLevelCm3 = 95 + 4 * this.random.uniform())
      case 'chamberEnd': return this.buretteLevelCm3 - of(engine.chamberCm3)
      case 'pistonDrop': return 6
      case 'pistonFill': return cylinderVolumeCm3(of(engine.boreMm), 6) + engine.pistonCm3
      case 'gasketThickness': return engine.gasketThicknessMm
      case 'gasketBore': return engine.gasketBoreMm
      default: throw new Error(`The twin has no ${characteristic}`)
    }
  }
}
