import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { v7 as uuidV7 } from 'uuid'
import { BUILD_FORMAT, BUILD_VERSION, type BuildDocument, type Entry, type Gauge, type Reading } from '@/core/document'
import { BENCHES, gaugesFor, openBuild, TRUTHS, type BenchId, type Characteristic, type Station } from '@/core/benches'
import { formatExact } from '@/core/units'
import { randomStream } from '@/core/numerics/random'
import { virtualEngine } from '@/core/benches/virtualEngine'
import { numberAt, SimulatedGauges } from '@/core/twin'
import type { DemoBuild } from './scenario'

const BETWEEN_READINGS_MS = 45_000
const CHECKS_BEFORE_MS = 1_800_000

/** A demo build with the readings its simulated person took, the same every time but for the dates, which count back from `today`. */
export function demoDocument(demo: DemoBuild, today: Date): BuildDocument {
  const startMs =
    Math.floor(today.getTime() / millisecondsInDay) * millisecondsInDay - demo.startedDaysAgo * millisecondsInDay + 9 * millisecondsInHour
  const gauges = [...DEFAULT_GAUGES]
  const createdAt = new Date(startMs).toISOString()
  const bare: BuildDocument = { format: BUILD_FORMAT, version: BUILD_VERSION, id: demo.id, createdAt, spec: demo.spec, gauges, entries: [] }
  const engine = virtualEngine(demo.spec, demo.faults, demo.seed)
  // A set of gauges a bench, each with noise of its own: a reading more at one bench leaves the others as they are.
  const gaugesOf = new Map(
    BENCHES.map(({ id }) => [id, new SimulatedGauges({ engine, spec: demo.spec, seed: demo.seed + 1 + seatOf(id), truths: TRUTHS })]),
  )
  const stamp = stamps(demo.seed + 100)
  const build = openBuild(bare)
  const stations = BENCHES.flatMap((bench) =>
    bench
      .stations(build)
      .map((station) => ({ bench: bench.id, station, characteristic: bench.definition.characteristics[station.characteristic]! })),
  )
  const isRead = ({ station }: { station: Station }) => demo.read(station.characteristic, numberAt(station.place))
  const readings = stations.filter(isRead).map(({ bench, station, characteristic }, index): Reading => {
    const msecs = startMs + index * BETWEEN_READINGS_MS
    const gauge = gaugeOf(demo, station.characteristic, characteristic, gauges)
    const { value, upper } = gaugesOf.get(bench)!.read(station.characteristic, station.place, gauge)
    const unit = characteristic.units[demo.spec.units]
    return {
      kind: 'reading',
      ...stamp(msecs, index),
      characteristic: station.characteristic,
      place: station.place,
      value,
      ...(upper !== undefined && { upper }),
      unit,
      asTyped: upper === undefined ? formatExact(value, unit) : `${formatExact(value, unit)}/${formatExact(upper, unit)}`,
      gauge: gauge.id,
    }
  })
  const checks = demo.checks.map((check, index): Entry => ({
    kind: 'check',
    ...stamp(startMs + index * 1000 - CHECKS_BEFORE_MS, index),
    characteristic: check,
    place: {},
    passed: true,
  }))
  const skips = stations
    .flatMap((one) => {
      const reason = isRead(one) ? undefined : demo.skips?.[one.station.characteristic]
      return reason === undefined ? [] : [{ station: one.station, reason }]
    })
    .map(({ station, reason }, index): Entry => ({
      kind: 'skip',
      ...stamp(startMs + (readings.length + index) * BETWEEN_READINGS_MS, readings.length + index),
      characteristic: station.characteristic,
      place: station.place,
      reason,
    }))
  return { ...bare, entries: [...checks, ...readings, ...skips] }
}

/** Benches in the order in which they came to be: the noise of each stays what it was when another comes between them. */
const SEATS: readonly BenchId[] = ['bores', 'bearings', 'rings', 'rods', 'compression', 'fasteners', 'cam', 'clearance']

function seatOf(id: BenchId): number {
  const seat = SEATS.indexOf(id)
  const later = BENCHES.filter((bench) => !SEATS.includes(bench.id))
  return seat < 0 ? SEATS.length + later.findIndex((bench) => bench.id === id) : seat
}

/** Who entered what when, two people by turns; ids the same every time. */
function stamps(seed: number) {
  const bytes = randomStream(seed)
  return (msecs: number, index: number) => {
    const random = Uint8Array.from({ length: 16 }, () => Math.floor(bytes.uniform() * 256))
    return { id: uuidV7({ msecs, random, seq: index }), at: new Date(msecs).toISOString(), by: index % 2 === 0 ? 'KV' : 'AB' }
  }
}

/** The gauge the shop takes: named by the scenario, or the first that the bench would offer. */
function gaugeOf(demo: DemoBuild, name: string, characteristic: Characteristic, gauges: readonly Gauge[]): Gauge {
  const named = gauges.find((card) => card.id === demo.gauges[name])
  const gauge = named ?? gaugesFor(characteristic, gauges, demo.spec.units)[0]
  if (!gauge) throw new Error(`The drawer holds no gauge for ${name} of ${demo.spec.name}`)
  return gauge
}
