import { EXPANSION, type Expansion } from '../engine'
import {
  assumedFigure,
  clearanceAtTwenty,
  gaugeReading,
  goNoGoReading,
  lengthAtTwenty,
  limitsU,
  paperFigure,
  REFERENCE_TEMP_C,
  zeroedReading,
  type Figure,
  type Uncertain,
} from '../metrology'
import { partsUnder } from './parts'
import type { PlannedWork } from './work'
import { stationId } from './place'
import { indexEntries, type ReadingsIndex } from './readings'
import type { PaperKey } from './paper'
import type { BuildDocument, Entry, Gauge, Reading, Spec } from './types'

/** A build opened for work: its document with the readings arranged and the gauges at hand. */
export interface Build {
  readonly id: string
  readonly spec: Spec
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly entries: readonly Entry[]
  readonly readings: ReadingsIndex
  /**
   * Figures of readings already made, by the reading itself: neither it nor its gauge card ever changes, and a draft is another
   * reading at every key. They also rest on what the parts are made of, so another spec starts with none.
   */
  readonly figures: WeakMap<Reading, Figure>
  /** Work that is considered: every value is what it would be after it. */
  readonly work?: PlannedWork
}

export function openBuild(document: Pick<BuildDocument, 'id' | 'spec' | 'gauges' | 'entries'>): Build {
  return {
    id: document.id,
    spec: document.spec,
    gauges: new Map(document.gauges.map((gauge) => [gauge.id, gauge as Gauge])),
    entries: document.entries,
    readings: indexEntries(document.entries),
    figures: new WeakMap(),
  }
}

/** The same build with more entries: what the bench shows before the server has answered. */
export function withEntries(build: Build, added: readonly Entry[]): Build {
  const entries = [...build.entries, ...added]
  return { ...build, entries, readings: indexEntries(entries) }
}

export function withSpec(build: Build, spec: Spec): Build {
  return { ...build, spec, figures: new WeakMap() }
}

/** The reading that counts at a station as a figure, with the uncertainty of the gauge that took it. */
export function readingAt(build: Build, characteristic: string, place: Reading['place']): Figure | undefined {
  const station = stationId(characteristic, place)
  const reading = build.readings.current.get(station)
  return reading && figureOfReading(build, reading, station)
}

/** @throws if the document names a gauge it does not hold; the codecs refuse such documents at the door. */
export function figureOfReading(build: Build, reading: Reading, station: string): Figure {
  const known = build.figures.get(reading)
  if (known) return known
  const gauge = gaugeOf(build, reading)
  const value = indicated(reading, gauge)
  const figure = atTwenty(build, reading, { value, origin: originOf(reading, station) })
  build.figures.set(reading, figure)
  return figure
}

/** The reading that counts at a station where the gauge was zeroed on what `standard` had read. */
export function zeroedReadingAt(build: Build, characteristic: string, place: Reading['place'], standard: Gauge): Figure | undefined {
  const station = stationId(characteristic, place)
  const reading = build.readings.current.get(station)
  return (
    reading &&
    atTwenty(build, reading, {
      value: zeroedReading(reading.id, reading.value, gaugeOf(build, reading), standard),
      origin: originOf(reading, station),
    })
  )
}

/** A value or an interval with the uncertainty of its gauge; with what was typed behind ± where somebody knows better. */
function indicated(reading: Reading, gauge: Gauge): Uncertain {
  if (reading.upper !== undefined) return goNoGoReading(reading.id, reading.value, reading.upper, gauge)
  if (reading.plusMinus === undefined) return gaugeReading(reading.id, reading.value, gauge)
  return gaugeReading(reading.id, reading.value, {
    ...gauge,
    resolution: 0,
    repeatability: reading.plusMinus / 2,
    repeatabilityDof: Infinity,
  })
}

function gaugeOf(build: Build, reading: Reading): Gauge {
  const gauge = build.gauges.get(reading.gauge)
  if (!gauge) throw new Error(`Build ${build.id}: reading ${reading.id} names gauge ${reading.gauge}, which the build does not hold`)
  return gauge
}

function originOf(reading: Reading, station: string): Figure['origin'] {
  return { from: 'reading', readingId: reading.id, stationId: station }
}

/** How well a shop thermometer and the time a part was given to settle leave its temperature known (common practice). */
const TEMPERATURE_TOLERANCE_K = 1
/** A shop nobody wrote the temperature of is taken to be at 20 °C within this (assumed), part and gauge alike. */
const SHOP_TOLERANCE_K = 2

/**
 * The reading brought to 20 °C where its part grows: corrected where temperatures were written down; else left as it is, with
 * what a shop a little warmer or colder would make of it, shared by all such readings of the build.
 */
function atTwenty(build: Build, reading: Reading, read: Figure): Figure {
  const parts = partsUnder(reading.characteristic, build.spec)
  if (!parts) return read
  const { partTempC, gaugeTempC } = reading
  if (partTempC === undefined)
    return withShopTemperature(
      read,
      parts.kind === 'length'
        ? read.value.value * (EXPANSION.part.steel.perK - parts.part.perK)
        : -parts.diameterMm * (parts.outer.perK - parts.inner.perK),
    )
  const temperature = (name: string, value: number) =>
    assumedFigure(name, { value, tolerance: TEMPERATURE_TOLERANCE_K, source: `as written down, ± ${TEMPERATURE_TOLERANCE_K} K` })
  const part = temperature('part temperature', partTempC)
  if (parts.kind === 'clearance') {
    return clearanceAtTwenty.of({
      readMm: read,
      diameterMm: {
        value: { value: parts.diameterMm, components: [] },
        origin: { from: 'paper', key: parts.paper, source: build.spec.paper[parts.paper]!.source, exact: true },
      },
      partTempC: part,
      outerPerK: grows(parts.outer),
      innerPerK: grows(parts.inner),
    })
  }
  return lengthAtTwenty.of({
    readMm: read,
    partTempC: part,
    gaugeTempC: temperature('gauge temperature', gaugeTempC ?? REFERENCE_TEMP_C),
    gaugePerK: grows({ ...EXPANSION.part.steel, label: 'gauge steel' }),
    partPerK: grows(parts.part),
  })
}

function grows({ label, perK, tolerancePerK }: Expansion): Figure {
  return assumedFigure(label, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
}

function withShopTemperature(read: Figure, mmPerK: number): Figure {
  const u = mmPerK * limitsU(SHOP_TOLERANCE_K)
  if (u === 0) return read
  const { value, components } = read.value
  return { ...read, value: { value, components: [...components, { source: 'temperature:shop', owner: 'temperature', u, dof: Infinity }] } }
}

/** A number on paper; where its tolerance varies piece by piece, the one of `piece` shares nothing with the others'. */
export function paperAt(build: Build, key: PaperKey, piece?: number): Figure | undefined {
  const paper = build.spec.paper[key]
  return paper && paperFigure(paper.varies === 'piece' && piece !== undefined ? `${key}/${piece}` : key, paper, key)
}

/** The same build with work considered on it. */
export function withWork(build: Build, work: PlannedWork): Build {
  return { ...build, work: { ...build.work, ...work } }
}
