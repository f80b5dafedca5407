import type { Characteristic, Station } from '@/core/bench/bench'
import { rowOf } from '@/core/bench/sheets'
import { stationId, type Build, type Gauge, type Reading, type UnitSystem } from '@/core/document'
import { REFERENCE_TEMP_C } from '@/core/metrology'
import {
  decimalsForStep,
  dialTurnSlip,
  formatNumber,
  likelySlip,
  parseEntry,
  type Likely,
  type ParsedEntry,
  type Slip,
  type UnitId,
} from '@/core/units'
import type { LivePress } from './gaugeStream'
import type { Draft, PartTemperature } from './useBench'

/** What the line asks back before it stores: a value that cannot be, or that stands oddly beside its paper and its neighbours. */
export interface Question {
  readonly draft: Draft
  /** The range it is outside of; left out where it is possible, but odd. */
  readonly outside?: { readonly low: number; readonly high: number }
  readonly slip?: Slip
  /** Where a live gauge sent it. */
  readonly press?: LivePress
}

export interface LineEntry {
  readonly parsed: ParsedEntry
  /** Of the ring file, since the reading before. */
  readonly strokes?: number
  /** Said to have been read against the running direction. */
  readonly turnedBack?: true
}

/** Lengths that the server takes: longer is not let in where it is typed. */
export const MOST_TYPED = { reading: 40, words: 200, temperature: 16 } as const

/** What a typed text says at a station. `offsetUnit`: what a bare `+3` from nominal has last been said to be. */
export function readLine(
  text: string,
  characteristic: Characteristic,
  station: Station,
  unit: UnitId,
  gauge: Gauge | undefined,
  offsetUnit?: UnitId,
): LineEntry {
  const { value, strokes, turnedBack } = splitSaid(text, characteristic)
  const parsed = parseEntry(value, {
    kind: characteristic.kind,
    unit,
    nominal: station.nominal,
    signed: characteristic.signed,
    interval: gauge?.use === 'feeler',
    expected: station.expected,
    ...(characteristic.turns && { turnsAboutDeg: (station.expected.low + station.expected.high) / 2 }),
    ...(station.wheelMarks && { wheelMarks: station.wheelMarks }),
    ...(gauge && { step: gauge.resolution }),
    ...(offsetUnit && { offsetUnit }),
  })
  return { parsed, strokes, ...(turnedBack && { turnedBack }) }
}

/** `.53/.54 10s`: the gap, and the strokes of the file that made it; `44 abdc back`: read while turned back. */
function splitSaid(text: string, { filed, running }: Characteristic): { value: string; strokes?: number; turnedBack?: true } {
  const back = running ? /^(.*\S)\s+back$/i.exec(text.trim()) : null
  if (back) return { value: back[1]!, turnedBack: true }
  const match = filed ? /^(.*\S)\s+([1-9]\d{0,2})\s*s(?:trokes)?$/.exec(text.trim()) : null
  return match ? { value: match[1]!, strokes: Number(match[2]) } : { value: text }
}

/** How a reading is typed here: in the middle of what the place can be, to the step of the gauge; a feeler's as a pair. */
export function exampleOf({ expected, nominal }: Station, unit: UnitId, gauge: Gauge | undefined): string {
  const step = gauge?.resolution ?? 0.01
  const middle = Math.round((nominal ?? (expected.low + expected.high) / 2) / step) * step
  const words = (value: number) => formatNumber(value, unit, decimalsForStep(step, unit))
  return gauge?.use === 'feeler' ? `${words(middle)}/${words(middle + step)}` : words(middle)
}

/** A reading in the unit of the line: as it was typed where that is the unit it was typed in, else as finely as its gauge reads. */
export function standsAs({ value, upper, unit: typedIn, asTyped }: Reading, unit: UnitId, gauge: Gauge | undefined): string {
  if (typedIn === unit) return asTyped
  const words = (of: number) => formatNumber(of, unit, decimalsForStep(gauge?.resolution ?? 0.001, unit))
  return upper === undefined ? words(value) : `${words(value)}/${words(upper)}`
}

export function isPlausible(value: number, { expected }: Station): boolean {
  return value >= expected.low && value <= expected.high
}

/** What is odd about a value, if anything: outside what the place can be, far from its paper and its neighbours, or a dial turn off. */
export function questionOf(
  draft: Draft,
  characteristic: Characteristic,
  build: Build,
  gauge: Gauge | undefined,
  stations: readonly Station[],
): Question | undefined {
  const { station, value } = draft
  const neighbours = neighboursOf(station, build, stations)
  const turn = gauge?.use === 'dial' ? dialTurnSlip(value, neighbours) : undefined
  if (turn) return { draft, slip: turn }
  const likely = likelyAt(station, { neighbours, twins: twinsOf(station, build, stations) }, gauge)
  const slip = likelySlip(value, likely, { unit: draft.unit, signed: characteristic.signed, nominal: station.nominal })
  if (!isPlausible(value, station)) return { draft, outside: station.expected, ...(slip && { slip }) }
  if (slip) return { draft, slip }
  const isAlone = neighbours.length >= ENOUGH_NEIGHBOURS && !characteristic.passing && standsFarOff(value, likely)
  return isAlone ? { draft } : undefined
}

/** A value this many strays from where the others are is asked about, though no slip explains it: a part may be so, and is then kept. */
const FAR_STRAYS = 6

function standsFarOff(value: number, { centre, stray }: Likely): boolean {
  return centre !== undefined && stray !== undefined && Math.abs(value - centre) > FAR_STRAYS * stray
}

function neighboursOf(station: Station, build: Build, stations: readonly Station[]): readonly number[] {
  return rowOf(station, stations).flatMap(({ id }) => (id === station.id ? [] : (build.readings.current.get(id)?.value ?? [])))
}

/** Read of the same part at another spot, or once more there. */
function twinsOf(station: Station, build: Build, stations: readonly Station[]): readonly number[] {
  const partOf = (place: Station['place']) => stationId(station.characteristic, { ...place, spot: undefined, repeat: undefined })
  const own = partOf(station.place)
  return stations.flatMap(({ id, characteristic, place }) =>
    id !== station.id && characteristic === station.characteristic && partOf(place) === own
      ? (build.readings.current.get(id)?.value ?? [])
      : [],
  )
}

/** Neighbours that tell where a value should be; fewer say little. */
const ENOUGH_NEIGHBOURS = 3
/** One or two neighbours tell a slip from a value: within this share of them a slip would have to put it. */
const FEW_SHARE = 0.25
/** A row may stray this many times as far as its neighbours do among themselves, and at least this many steps of the gauge. */
const ROW_STRAYS = 1.5
const LEAST_STEPS = 8

function middleOf(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
}

/** Places of one kind that read alike: a lift at an angle, a length at a torque or another cam is not like the one beside it. */
function areAlike({ cam, degree, torque, valve }: Station['place']): boolean {
  return cam === undefined && degree === undefined && torque === undefined && valve === undefined
}

/** Where values of a place are: by enough neighbours, else by its paper, else by the few that were read beside it or at the same part. */
function likelyAt(
  { expected, usual, place }: Station,
  { neighbours, twins }: { readonly neighbours: readonly number[]; readonly twins: readonly number[] },
  gauge: Gauge | undefined,
): Likely {
  if (neighbours.length < ENOUGH_NEIGHBOURS) {
    const few = neighbours.length > 0 ? neighbours : twins
    if (usual || few.length === 0 || !areAlike(place)) return { ...expected, ...usual }
    const centre = middleOf(few)
    return { ...expected, centre, stray: Math.max(FEW_SHARE * Math.abs(centre), LEAST_STEPS * (gauge?.resolution ?? 0)) }
  }
  const centre = middleOf(neighbours)
  const reach = Math.max(...neighbours) - Math.min(...neighbours)
  const stray = Math.max(ROW_STRAYS * reach, LEAST_STEPS * (gauge?.resolution ?? 0), (usual?.stray ?? 0) / 2)
  return { ...expected, centre, stray }
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
export function temperatureFrom(
  words: string,
  system: UnitSystem,
): { readonly temperature?: PartTemperature } | { readonly issue: string } {
  const [part, gauge = part] = words
    .split('/')
    .map((one) => parseEntry(one, { kind: 'temperature', unit: system === 'metric' ? 'degC' : 'degF', signed: true }))
  if (!part?.ok || !gauge?.ok) return { issue: 'One temperature, or part/gauge: 28/21.' }
  const both = [part.value, gauge.value]
  if (both.some((value) => value < SHOP_C.low || value > SHOP_C.high)) return { issue: 'That is no temperature of a shop.' }
  if (both.every((value) => Math.abs(value - REFERENCE_TEMP_C) < SETTLED_K)) return {}
  return { temperature: { partTempC: part.value, gaugeTempC: gauge.value } }
}
