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
      case 'bore':
        return this.boreAt(number, place.spot ?? '')
      case 'skirt':
        return of(engine.skirtMm)
      case 'deckFinish':
        return 0.34
      case 'deck':
        return of(engine.deckMm) + (ROCK_SHARE[place.spot ?? ''] ?? 0) * engine.rockMm
      case 'chamber':
        return of(engine.chamberCm3)
      case 'chamberMass':
        return of(engine.chamberCm3) * (this.spec.paper.fluidDensity?.value ?? DENSITY_FALLBACK)
      case 'chamberStart':
        return (this.buretteLevelCm3 = 95 + 4 * this.random.uniform())
      case 'chamberEnd':
        return this.buretteLevelCm3 - of(engine.chamberCm3)
      case 'pistonDrop':
        return DROP_MM
      case 'pistonFill':
        return cylinderVolumeCm3(of(engine.boreMm), DROP_MM) + engine.pistonCm3
      case 'gasketThickness':
        return engine.gasketThicknessMm
      case 'gasketBore':
        return engine.gasketBoreMm
      case 'ringTop':
        return this.gapAt(of(engine.ringTopMm), number, place.spot)
      case 'ringSecond':
        return this.gapAt(of(engine.ringSecondMm), number, place.spot)
      case 'railUpper':
      case 'railLower':
        return of(engine.railMm)
      case 'sideTop':
      case 'sideSecond':
        return 0.045
      case 'backTop':
      case 'backSecond':
        return 0.25
      case 'mainJournal':
        return of(engine.mainJournalMm) + journalShape(place.spot ?? '')
      case 'rodJournal':
        return of(engine.rodJournalMm) + journalShape(place.spot ?? '')
      case 'mainClearance':
      case 'mainStrip':
        return of(engine.mainClearanceMm) + relief(place.spot)
      case 'rodClearance':
      case 'rodStrip':
        return of(engine.rodClearanceMm) + relief(place.spot)
      case 'mainInside':
        return of(engine.mainJournalMm) + of(engine.mainClearanceMm) + relief(place.spot)
      case 'rodInside':
        return of(engine.rodJournalMm) + of(engine.rodClearanceMm) + relief(place.spot)
      case 'spin':
        return [...engine.spinNm].reduce((sum, [main, added]) => (main <= number ? sum + added : sum), 0)
      case 'endFloat':
        return 0.13
      case 'runOut':
        return 0.012
      case 'rodSide':
        return of(engine.rodSideMm)
      case 'bigEnd':
        return of(engine.bigEndMm) + (place.spot === 'along' ? 0.002 : -0.002)
      case 'pinBush':
        return of(engine.pinBushMm)
      case 'pin':
        return of(engine.pinMm)
      case 'centreDistance':
        return of(engine.centreDistanceMm)
      case 'pistonMass':
        return of(engine.pistonMassG)
      case 'pinMass':
        return 92
      case 'ringsMass':
        return 31.4
      case 'rodSmall':
        return of(engine.rodSmallG)
      case 'rodBig':
        return of(engine.rodBigG)
      case 'shellsMass':
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
