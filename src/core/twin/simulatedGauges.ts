/** Readings of a virtual engine by virtual gauges, with the gauges' own noise, on the gauges' own steps. */
import { cylinderVolumeCm3 } from '../engine'
import { randomStream, type RandomStream } from '../numerics/random'
import type { Gauge, Place, Spec } from '../build/types'
import type { TrueEngine } from './trueEngine'
import { printed } from '../numerics/printed'

const DENSITY_FALLBACK = 0.87
/** How far a piston is lowered for a fill. */
const DROP_MM = 6
/** Shells stand wider off the vertical, where they are relieved towards the parting line. */
const RELIEF_MM = 0.012
const JOURNAL_TAPER_MM = 0.002
/** A crown that tips stands deeper at the right, higher at the left. */
const ROCK_SHARE: Readonly<Record<string, number>> = { right: 1, left: -1 }
/** Half of a bore's taper above its middle, half below; half of its ovality across the thrust, half along the pin. */
const TAPER_SHARE: Readonly<Record<string, number>> = { top: 0.5, bottom: -0.5 }
const OVAL_SHARE: Readonly<Record<string, number>> = { thrust: 0.5, pin: -0.5 }
const JOURNAL_OVAL_MM = 0.001

/** What a gauge shows: a value, or for a feeler the leaf that goes and the one that does not. Canonical units. */
export interface Indicated {
  readonly value: number
  readonly upper?: number
}

/** A hand with virtual gauges. Burette levels are kept from reading to reading, as the fluid in it is. */
export class SimulatedGauges {
  private readonly random: RandomStream
  private buretteLevelCm3 = 0

  constructor(
    private readonly engine: TrueEngine,
    private readonly spec: Spec,
    seed: number,
  ) {
    this.random = randomStream(seed)
  }

  read(characteristic: string, place: Place, gauge: Gauge): Indicated {
    const shown = this.truth(characteristic, place) + gauge.bias + gauge.repeatability * this.random.normal()
    const steps = shown / gauge.resolution
    const print = (count: number) => printed(count * gauge.resolution)
    if (gauge.use === 'feeler') return { value: print(Math.floor(steps)), upper: print(Math.floor(steps) + 1) }
    return { value: print(Math.round(steps)) }
  }

  private truth(characteristic: string, place: Place): number {
    const { engine } = this
    const number = place.cylinder ?? place.main ?? 1
    const of = (values: ReadonlyMap<number, number>) => values.get(number)!
    switch (characteristic) {
      case 'bores.bore':
        return this.boreAt(number, place.spot ?? '')
      case 'bores.skirt':
        return of(engine.skirtMm)
      case 'bores.deckFinish':
        return 0.34
      case 'compression.deck':
        return of(engine.deckMm) + (ROCK_SHARE[place.spot ?? ''] ?? 0) * engine.rockMm
      case 'compression.chamber':
        return of(engine.chamberCm3)
      case 'compression.chamberMass':
        return of(engine.chamberCm3) * (this.spec.paper.fluidDensity?.value ?? DENSITY_FALLBACK)
      case 'compression.chamberStart':
        return (this.buretteLevelCm3 = 95 + 4 * this.random.uniform())
      case 'compression.chamberEnd':
        return this.buretteLevelCm3 - of(engine.chamberCm3)
      case 'compression.pistonDrop':
        return DROP_MM
      case 'compression.pistonFill':
        return cylinderVolumeCm3(of(engine.boreMm), DROP_MM) + engine.pistonCm3
      case 'compression.gasketThickness':
        return engine.gasketThicknessMm
      case 'compression.gasketBore':
        return engine.gasketBoreMm
      case 'rings.topGap':
        return this.gapAt(of(engine.ringTopMm), number, place.spot)
      case 'rings.secondGap':
        return this.gapAt(of(engine.ringSecondMm), number, place.spot)
      case 'rings.upperRailGap':
      case 'rings.lowerRailGap':
        return of(engine.railMm)
      case 'rings.topSide':
      case 'rings.secondSide':
        return 0.045
      case 'rings.topBack':
      case 'rings.secondBack':
        return 0.25
      case 'bearings.mainJournal':
        return of(engine.mainJournalMm) + journalShape(place.spot ?? '')
      case 'bearings.rodJournal':
        return of(engine.rodJournalMm) + journalShape(place.spot ?? '')
      case 'bearings.mainClearance':
      case 'bearings.mainStrip':
        return of(engine.mainClearanceMm) + relief(place.spot)
      case 'bearings.rodClearance':
      case 'bearings.rodStrip':
        return of(engine.rodClearanceMm) + relief(place.spot)
      case 'bearings.mainInside':
        return of(engine.mainJournalMm) + of(engine.mainClearanceMm) + relief(place.spot)
      case 'bearings.rodInside':
        return of(engine.rodJournalMm) + of(engine.rodClearanceMm) + relief(place.spot)
      case 'bearings.spin':
        return [...engine.spinNm].reduce((sum, [main, added]) => (main <= number ? sum + added : sum), 0)
      case 'bearings.endFloat':
        return 0.13
      case 'bearings.runOut':
        return 0.012
      case 'bearings.rodSide':
        return of(engine.rodSideMm)
      case 'rods.bigEnd':
        return of(engine.bigEndMm) + (place.spot === 'along' ? 0.002 : -0.002)
      case 'rods.pinBush':
        return of(engine.pinBushMm)
      case 'rods.pin':
        return of(engine.pinMm)
      case 'rods.centreDistance':
        return of(engine.centreDistanceMm)
      case 'rods.pistonMass':
        return of(engine.pistonMassG)
      case 'rods.pinMass':
        return 92
      case 'rods.ringsMass':
        return 31.4
      case 'rods.rodSmall':
        return of(engine.rodSmallG)
      case 'rods.rodBig':
        return of(engine.rodBigG)
      case 'rods.shellsMass':
        return 38.2
      default:
        throw new Error(`The twin has no ${characteristic}`)
    }
  }

  /** A bore a little wider at the top and across the thrust, as bores wear and hones leave them. */
  private boreAt(cylinder: number, spot: string): number {
    const { boreMm, boreTaperMm, boreOvalMm } = this.engine
    const [depth = '', axis = ''] = spot.split('-')
    const taperMm = (TAPER_SHARE[depth] ?? 0) * boreTaperMm.get(cylinder)!
    return boreMm.get(cylinder)! + taperMm + (OVAL_SHARE[axis] ?? 0) * boreOvalMm.get(cylinder)!
  }

  /** The gap of a ring where it stands: π times the difference in bore from where it was made for. */
  private gapAt(gapMm: number, cylinder: number, depth: string | undefined): number {
    return gapMm + Math.PI * (this.boreAt(cylinder, depth ?? 'top') - this.boreAt(cylinder, 'top'))
  }
}

function journalShape(spot: string): number {
  return (spot.startsWith('front') ? 0.5 : -0.5) * JOURNAL_TAPER_MM + (spot.endsWith('vertical') ? -0.5 : 0.5) * JOURNAL_OVAL_MM
}

function relief(spot: string | undefined): number {
  return spot === 'left60' || spot === 'right60' ? RELIEF_MM : 0
}
