import pRetry from 'p-retry'
import { benchById, gaugesFor, openBuild, TRUTHS, type BenchId, type Station } from '@/core/benches'
import { currentCards, type Build, type BuildDocument, type Gauge } from '@/core/document'
import { formatGaugeLine } from '@/core/liveGauge'
import type { RandomStream } from '@/core/numerics/random'
import { virtualEngine } from '@/core/benches/virtualEngine'
import { SimulatedGauges, type Faults } from '@/core/twin'

/** A set of simulated gauges with a button each: lines to a server, repeated until it says that it holds them. */
export class GaugeSet {
  private readonly counts = new Map<string, number>()

  /** `firstNumber`: where the count of each gauge starts, as a gauge keeps it when switched off. */
  constructor(
    private readonly server: string,
    private readonly firstNumber = 1,
  ) {}

  /** Presses a button; resolves when the server holds the reading. */
  async press(gauge: Gauge, indicated: { value: number; upper?: number; angleDeg?: number }): Promise<void> {
    const sequence = this.counts.get(gauge.gauge) ?? this.firstNumber
    this.counts.set(gauge.gauge, sequence + 1)
    await this.send(formatGaugeLine({ name: gauge.gauge, ...indicated, unit: gauge.unit, sequence }))
  }

  /** Sends a line as it is. @throws when the server understood and said no. */
  async send(line: string): Promise<void> {
    await pRetry(
      async () => {
        const response = await fetch(`${this.server}/api/live`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ lines: [line] }),
        })
        if (response.ok) return
        const { error } = (await response.json()) as { error: string }
        if (response.status < 500) throw new Refused(error)
        throw new Error(error)
      },
      { retries: Number.POSITIVE_INFINITY, minTimeout: 200, maxTimeout: 2000, shouldRetry: ({ error }) => !(error instanceof Refused) },
    )
  }
}

class Refused extends Error {}

export interface OpenPlace {
  readonly station: Station
  readonly gauge: Gauge
}

/** The places of a bench that are still open, in walking order, each with the gauge the bench would offer first. */
export function openPlaces(build: Build, benchId: BenchId): readonly OpenPlace[] {
  const bench = benchById(benchId)
  const gauges = currentCards([...build.gauges.values()])
  return bench
    .stations(build)
    .filter(({ id }) => !build.readings.current.has(id) && !build.readings.skips.has(id))
    .flatMap((station) => {
      const gauge = gaugesFor(bench.definition.characteristics[station.characteristic]!, gauges, build.spec.units)[0]
      return gauge ? [{ station, gauge }] : []
    })
}

/** A hand that measures a virtual engine of a build's paper. */
export function handFor(document: BuildDocument, seed: number, faults: Faults = {}): SimulatedGauges {
  const { spec } = openBuild(document)
  return new SimulatedGauges({ engine: virtualEngine(spec, faults, seed), spec, seed: seed + 1, truths: TRUTHS })
}

/** Degrees a fastener turns for each newton metre once it is snug, and what a hand and a wrench add to either. */
const DEG_PER_NM = 0.72
const ANGLE_NOISE_DEG = 1
const TORQUE_NOISE = 0.01

/** What a wrench that knows its angle says of a pull; `odd` turns so much further, as a bolt that yields, or less, as one that galls. */
export function wrenchPull(nm: number, fromNm: number, random: RandomStream, odd = 1): { value: number; angleDeg: number } {
  const angleDeg = (nm - fromNm) * DEG_PER_NM * odd + random.normal() * ANGLE_NOISE_DEG
  return { value: Number((nm * (1 + Math.abs(random.normal()) * TORQUE_NOISE)).toFixed(1)), angleDeg: Number(angleDeg.toFixed(1)) }
}
