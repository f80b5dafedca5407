import { v7 as uuidV7 } from 'uuid'
import { BUILD_FORMAT, BUILD_VERSION, DEFAULT_GAUGES, openBuild, type BuildDocument, type Reading } from '@/core/build'
import { BENCHES } from '@/core/benches'
import { formatExact } from '@/core/quantity'
import { randomStream } from '@/core/numerics/random'
import { makeEngine, VirtualHand } from '@/core/twin'
import type { DemoBuild } from './scenario'

const DAY_MS = 86_400_000
const BETWEEN_READINGS_MS = 45_000

/** A demo build with the readings its virtual hand took, the same every time but for the dates, which count back from `today`. */
export function demoDocument(demo: DemoBuild, today: Date): BuildDocument {
  const startMs = Math.floor(today.getTime() / DAY_MS) * DAY_MS - demo.startedDaysAgo * DAY_MS + 9 * 3_600_000
  const gauges = [...DEFAULT_GAUGES]
  const createdAt = new Date(startMs).toISOString()
  const bare: BuildDocument = { format: BUILD_FORMAT, version: BUILD_VERSION, id: demo.id, createdAt, spec: demo.spec, gauges, entries: [] }
  const hand = new VirtualHand(makeEngine(demo.spec, demo.faults, demo.seed), demo.spec, demo.seed + 1)
  const bytes = randomStream(demo.seed + 2)
  const build = openBuild(bare)
  const wanted = BENCHES.flatMap((bench) => bench.stations(build).map((station) => ({ station, characteristic: bench.definition.characteristics[station.characteristic]! })))
    .filter(({ station }) => demo.read(station.characteristic, station.place.cylinder ?? 1))
  const entries = wanted.map(({ station, characteristic }, index): Reading => {
    const msecs = startMs + index * BETWEEN_READINGS_MS
    const gauge = gauges.find((card) => card.id === demo.gauges[station.characteristic])
    if (!gauge) throw new Error(`The demo names no gauge for ${station.characteristic} of ${demo.spec.name}`)
    const value = hand.read(station.characteristic, station.place, gauge)
    const unit = characteristic.units[demo.spec.units]
    const random = Uint8Array.from({ length: 16 }, () => Math.floor(bytes.uniform() * 256))
    return {
      kind: 'reading', id: uuidV7({ msecs, random, seq: index }), at: new Date(msecs).toISOString(), by: index % 2 === 0 ? 'KV' : 'AB',
      characteristic: station.characteristic, place: station.place, value, unit, asTyped: formatExact(value, unit), gauge: gauge.id,
    }
  })
  return { ...bare, entries }
}
