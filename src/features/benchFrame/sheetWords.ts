import type { Bench, Station } from '@/core/bench/bench'
import type { SheetOf, SheetRow } from '@/core/bench/sheets'
import { isOverdue, type Build, type Reading, type UnitSystem } from '@/core/document'
import { span } from '@/core/numerics/span'
import { decimalsForStep, decimalsToShow, formatDifference, formatNumber, UNITS } from '@/core/units'

/** The most characters a reading of a sheet takes. */
export function longest(sheet: SheetOf, build: Build, bench: Bench, system: UnitSystem): number {
  return Math.max(
    0,
    ...sheet.rows.flatMap((row) =>
      [...row.stations.values()].flatMap(({ id }) => {
        const reading = build.readings.current.get(id)
        return reading ? [readingWords(reading, build, bench.definition.characteristics[row.characteristic]!.units[system]).length] : []
      }),
    ),
  )
}

export function unreadWords({ readings: { skips } }: Build, { id }: Station): string {
  return skips.has(id) ? 'skip' : '–'
}

/** A reading with its marks: two that do not know of each other, a gauge whose check had run out, the engine turned back, a note. */
export function markedWords(reading: Reading, build: Build, { id }: Station, unit: Reading['unit']): string {
  const conflict = build.readings.conflicts.has(id) ? '≠ ' : ''
  const overdue = isOverdue(build.gauges.get(reading.gauge)!, reading.at) ? '*' : ''
  return `${conflict}${readingWords(reading, build, unit)}${overdue}${reading.turnedBack ? ' ←' : ''}${hasNote(build, id) ? ' ¹' : ''}`
}

/** A note leaves a mark at its place. */
function hasNote(build: Build, station: string): boolean {
  return (build.readings.history.get(station) ?? []).some(({ entry, state }) => entry.kind === 'note' && state === 'current')
}

/** A reading to the digits its gauge resolves, or to those it was typed to where they are more: never rounded to the step. */
function readingWords(reading: Reading, build: Build, unit: Reading['unit']): string {
  const gauge = build.gauges.get(reading.gauge)
  const decimals = decimalsToShow(reading, gauge?.resolution ?? 0.01, unit)
  const low = formatNumber(reading.value, unit, decimals)
  // A feeler’s pair without the zeros in front, as it is said: .57/.58.
  return reading.upper === undefined ? low : `${low}/${formatNumber(reading.upper, unit, decimals)}`.replaceAll(/\b0\./g, '.')
}

export function spreadWords(row: SheetRow, build: Build, bench: Bench, system: UnitSystem): string {
  const readings = [...row.stations.keys()].flatMap((column) => build.readings.current.get(row.stations.get(column)!.id) ?? [])
  const first = readings[0]
  const characteristic = bench.definition.characteristics[row.characteristic]!
  if (!first || readings.length < 2 || characteristic.passing) return ''
  const values = readings.map((reading) => reading.value)
  const unit = characteristic.units[system]
  return formatDifference(span(values), unit, decimalsForStep(build.gauges.get(first.gauge)?.resolution ?? 0.01, unit))
}

export function unitsTitle(bench: Bench, sheet: SheetOf, system: UnitSystem): string {
  return [...new Set(sheet.rows.map((row) => UNITS[bench.definition.characteristics[row.characteristic]!.units[system]].symbol))].join(', ')
}
