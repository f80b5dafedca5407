import type { Characteristic, Station } from '@/core/benches/bench'
import type { Build, Gauge, Reading, UnitSystem } from '@/core/build'
import { REFERENCE_TEMP_C } from '@/core/metrology'
import { decimalsForStep, dialTurnSlip, formatNumber, likelySlips, parseEntry, type ParsedEntry, type Slip, type UnitId } from '@/core/quantity'
import type { LivePress } from './useLiveGauges'
import type { Draft, PartTemperature } from './useBench'

/** What the line asks back before it stores: a value that cannot be, or one dial turn off. */
export interface Question {
  readonly draft: Draft
  readonly slip?: Slip
  /** Where a live gauge sent it. */
  readonly press?: LivePress
}

export interface LineEntry {
  readonly parsed: ParsedEntry
  /** Of the ring file, since the reading before. */
  readonly strokes?: number
}

/** What a typed text says at a station. */
export function readLine(text: string, characteristic: Characteristic, station: Station, unit: UnitId, gauge: Gauge | undefined): LineEntry {
  const { value, strokes } = splitStrokes(text, characteristic)
  const parsed = parseEntry(value, { kind: characteristic.kind, unit, nominal: station.nominal, signed: characteristic.signed, interval: gauge?.use === 'feeler' })
  return { parsed, strokes }
}

/** `.53/.54 10s`: the gap, and the strokes of the file that made it. */
function splitStrokes(text: string, { filed }: Characteristic): { value: string; strokes?: number } {
  const match = filed ? /^(.*\S)\s+(\d{1,3})\s*s(?:trokes)?$/.exec(text.trim()) : null
  return match ? { value: match[1]!, strokes: Number(match[2]) } : { value: text }
}

/** How a reading is typed here: in the middle of what the place can be, to the step of the gauge; a feeler's as a pair. */
export function exampleOf({ expected, nominal }: Station, unit: UnitId, gauge: Gauge | undefined): string {
  const step = gauge?.resolution ?? 0.01
  const middle = Math.round((nominal ?? (expected.low + expected.high) / 2) / step) * step
  const words = (value: number) => formatNumber(value, unit, decimalsForStep(step, unit))
  return gauge?.use === 'feeler' ? `${words(middle)}/${words(middle + step)}` : words(middle)
}

export function isPlausible(value: number, { expected }: Station): boolean {
  return value >= expected.low && value <= expected.high
}

/** What is odd about a value, if anything: outside what the place can be, or a dial turn off its sisters. */
export function questionOf(draft: Draft, characteristic: Characteristic, build: Build, gauge: Gauge | undefined): Question | undefined {
  const { station, value } = draft
  const sisters = [...build.readings.current.values()].filter((reading) => reading.characteristic === station.characteristic && !samePlace(reading, station))
  const turn = gauge?.use === 'dial' ? dialTurnSlip(value, sisters.map((reading) => reading.value)) : undefined
  if (turn) return { draft, slip: turn }
  if (isPlausible(value, station)) return undefined
  return { draft, slip: likelySlips(value, station.expected, characteristic.kind, station.nominal)[0] }
}

function samePlace(reading: Reading, station: Station): boolean {
  return JSON.stringify(reading.place) === JSON.stringify(station.place)
}

/** Typed between two steps of the gauge: kept, but said. A thousandth of a step absorbs the unit conversion. */
export function finerThanGauge(value: number, gauge: Gauge): boolean {
  const steps = value / gauge.resolution
  return Math.abs(steps - Math.round(steps)) > 1e-3
}

/** Nearer to 20 °C than a shop thermometer can tell. */
const SETTLED_K = 0.25
const SHOP_C = { low: -30, high: 60 }

/** `28` or `28/21`: part and gauge. Settled at 20 °C there is nothing to correct for. */
export function temperatureFrom(words: string, system: UnitSystem): { readonly temperature?: PartTemperature } | { readonly issue: string } {
  const [part, gauge = part] = words.split('/').map((one) => parseEntry(one, { kind: 'temperature', unit: system === 'metric' ? 'degC' : 'degF', signed: true }))
  if (!part?.ok || !gauge?.ok) return { issue: 'One temperature, or part/gauge: 28/21.' }
  const both = [part.value, gauge.value]
  if (both.some((value) => value < SHOP_C.low || value > SHOP_C.high)) return { issue: 'That is no temperature of a shop.' }
  if (both.every((value) => Math.abs(value - REFERENCE_TEMP_C) < SETTLED_K)) return {}
  return { temperature: { partTempC: part.value, gaugeTempC: gauge.value } }
}
