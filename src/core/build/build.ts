import { EXPANSION } from '../engine'
import { assumedFigure, gaugeReading, goNoGoReading, lengthAtTwenty, paperFigure, REFERENCE_TEMP_C, type Figure } from '../metrology'
import { expansionUnder } from './parts'
import { indexEntries, stationId, type ReadingsIndex } from './readings'
import type { PaperKey } from './paper'
import type { BuildDocument, Entry, Gauge, Reading, Spec } from './types'

/** A build opened for work: its document with the readings arranged and the gauges at hand. */
export interface Build {
  readonly id: string
  readonly spec: Spec
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly entries: readonly Entry[]
  readonly readings: ReadingsIndex
  /** Figures of readings already made: neither a reading nor a gauge card ever changes, so they serve every later state of the build. */
  readonly figures: Map<string, Figure>
}

export function openBuild(document: Pick<BuildDocument, 'id' | 'spec' | 'gauges' | 'entries'>): Build {
  return {
    id: document.id,
    spec: document.spec,
    gauges: new Map(document.gauges.map((gauge) => [gauge.id, gauge as Gauge])),
    entries: document.entries,
    readings: indexEntries(document.entries),
    figures: new Map(),
  }
}

/** The same build with more entries: what the bench shows before the server has answered. */
export function withEntries(build: Build, added: readonly Entry[]): Build {
  const entries = [...build.entries, ...added]
  return { ...build, entries, readings: indexEntries(entries) }
}

export function withSpec(build: Build, spec: Spec): Build {
  return { ...build, spec }
}

/** The reading that counts at a station as a figure, with the doubt of the gauge that took it. */
export function readingAt(build: Build, characteristic: string, place: Reading['place']): Figure | undefined {
  const station = stationId(characteristic, place)
  const reading = build.readings.current.get(station)
  return reading && figureOfReading(build, reading, station)
}

/** @throws if the document names a gauge it does not hold; the codecs refuse such documents at the door. */
export function figureOfReading(build: Build, reading: Reading, station: string): Figure {
  const known = build.figures.get(reading.id)
  if (known) return known
  const gauge = build.gauges.get(reading.gauge)
  if (!gauge) throw new Error(`Build ${build.id}: reading ${reading.id} names gauge ${reading.gauge}, which the build does not hold`)
  const value = reading.upper === undefined
    ? gaugeReading(reading.id, reading.value, gauge)
    : goNoGoReading(reading.id, reading.value, reading.upper, gauge)
  const figure = atTwenty(build, reading, { value, origin: { from: 'reading', readingId: reading.id, stationId: station } })
  build.figures.set(reading.id, figure)
  return figure
}

/** How well a shop thermometer and the time a part was given to settle leave its temperature known (common practice). */
const TEMPERATURE_TOLERANCE_K = 1

/** The reading brought to 20 °C where its temperature was written down and its part grows. */
function atTwenty(build: Build, reading: Reading, read: Figure): Figure {
  const { partTempC, gaugeTempC } = reading
  const expansion = partTempC === undefined ? undefined : expansionUnder(reading.characteristic, build.spec.materials)
  if (partTempC === undefined || !expansion) return read
  const grows = (name: string, { perK, tolerancePerK }: { perK: number; tolerancePerK: number }) =>
    assumedFigure(name, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
  const temperature = (name: string, value: number) => assumedFigure(name, { value, tolerance: TEMPERATURE_TOLERANCE_K, source: `as written down, ± ${TEMPERATURE_TOLERANCE_K} K` })
  return lengthAtTwenty.of({
    readMm: read, partTempC: temperature('part temperature', partTempC), gaugeTempC: temperature('gauge temperature', gaugeTempC ?? REFERENCE_TEMP_C),
    gaugePerK: grows('gauge steel', EXPANSION.part.steel), partPerK: grows(expansion.label, expansion),
  })
}

export function paperAt(build: Build, key: PaperKey): Figure | undefined {
  const paper = build.spec.paper[key]
  return paper && paperFigure(key, paper)
}
