/** Readings and paper numbers of a build as figures: with the uncertainty of the gauge that took them, brought to 20 °C. */
import { EXPANSION, type Expansion } from '../geometry/materials'
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
import { growingParts, growsAlike, type GrowingParts } from './growth'
import type { CharacteristicId } from './ids'
import { stationId } from './place'
import type { PaperKey } from './paper'
import type { Gauge, Reading } from './types'
import type { Build } from './build'

/** The reading that counts at a station as a figure, with the uncertainty of the gauge that took it. */
export function readingAt(build: Build, characteristic: CharacteristicId, place: Reading['place']): Figure | undefined {
  return figureAt(build, stationId(characteristic, place))
}

/** The reading that counts at a station of this name, as a figure. */
export function figureAt(build: Build, station: string): Figure | undefined {
  const reading = build.readings.current.get(station)
  return reading && figureOfReading(build, reading, station)
}

/** A figure with all that it is made from: the reading, the gauge that took it, and how its parts grow. */
interface MadeFigure {
  readonly gauge: Gauge
  readonly parts: GrowingParts | undefined
  readonly figure: Figure
}

/**
 * Several derivations use one reading, and each key press all that did not change: a figure is made once for what it is made from.
 * @throws if the document names a gauge it does not hold; the codecs refuse such documents at the door.
 */
export function figureOfReading(build: Build, reading: Reading, station: string): Figure {
  const gauge = gaugeOf(build, reading)
  const parts = growingParts(build.growth[reading.characteristic], build.spec)
  const known = build.memory.figures.get(reading) as MadeFigure | undefined
  if (known && known.gauge === gauge && growsAlike(known.parts, parts)) return known.figure
  const figure = atTwenty(reading, parts, { value: indicated(reading, gauge), origin: originOf(reading, station) })
  build.memory.figures.set(reading, { gauge, parts, figure } satisfies MadeFigure)
  return figure
}

/** The reading that counts at a station where the gauge was zeroed on what `standard` had read. */
export function zeroedReadingAt(
  build: Build,
  characteristic: CharacteristicId,
  place: Reading['place'],
  standard: Gauge,
): Figure | undefined {
  const station = stationId(characteristic, place)
  const reading = build.readings.current.get(station)
  return (
    reading &&
    atTwenty(reading, growingParts(build.growth[reading.characteristic], build.spec), {
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
function atTwenty(reading: Reading, parts: GrowingParts | undefined, read: Figure): Figure {
  if (!parts) return read
  const { partTempC, gaugeTempC } = reading
  if (partTempC === undefined)
    return withShopTemperature(
      read,
      parts.kind === 'length'
        ? read.value.value * (EXPANSION.part.steel.perK - parts.part.perK)
        : -parts.diameter.value * (parts.outer.perK - parts.inner.perK),
    )
  const temperature = (name: string, value: number) =>
    assumedFigure(name, { value, tolerance: TEMPERATURE_TOLERANCE_K, source: `as written down, ± ${TEMPERATURE_TOLERANCE_K} K` })
  const part = temperature('part temperature', partTempC)
  if (parts.kind === 'clearance') {
    return clearanceAtTwenty.of({
      readMm: read,
      diameterMm: {
        value: { value: parts.diameter.value, components: [] },
        origin: { from: 'paper', key: parts.paper, source: parts.diameter.source, exact: true },
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
  return {
    ...read,
    value: { value, components: [...components, { source: { id: 'temperature:shop', owner: 'temperature', dof: Infinity }, u }] },
  }
}

/** A number on paper; where its tolerance varies piece by piece, the one of `piece` shares nothing with the others'. */
export function paperAt(build: Build, key: PaperKey, piece?: number): Figure | undefined {
  const paper = build.spec.paper[key]
  return paper && paperFigure(paper.varies === 'piece' && piece !== undefined ? `${key}/${piece}` : key, paper, key)
}
