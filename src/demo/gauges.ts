import { parseArgs } from 'node:util'
import { BENCHES, isBenchId, openBuild, type BenchId } from '@/core/benches'
import type { BuildDocument, Gauge } from '@/core/document'
import { jointsOf, stepsOf } from '@/core/joints'
import { randomStream } from '@/core/numerics/random'
import { GaugeSet, handFor, openPlaces, wrenchPull } from './gaugeSet'

/** `npm run gauges -- --build ID --bench rings`: presses the buttons for every open place of a bench, one after the other. */
const { values: options } = parseArgs({
  options: {
    server: { type: 'string', default: `http://127.0.0.1:${process.env.PORT ?? '3100'}` },
    build: { type: 'string' },
    bench: { type: 'string' },
    joint: { type: 'string' },
    odd: { type: 'string' },
    help: { type: 'boolean', default: false },
    every: { type: 'string', default: '1500' },
    count: { type: 'string', default: '1000' },
    seed: { type: 'string', default: '1' },
  },
})
const { build: buildId, bench, joint, server } = options
if (options.help) {
  console.log(`A simulated set of gauges: presses their buttons for the open places of a bench.

  --build ID     the build; its id is in the address of its pages
  --bench NAME   ${BENCHES.map(({ id }) => id).join(', ')}
  --joint NAME   instead of a bench: a torque-and-angle wrench pulls a whole run of a joint, such as head
  --odd N        the fastener, by its turn, that yields under that wrench
  --server URL   where Kalibros answers (${server})
  --every MS     between two presses (${options.every})
  --count N      at most so many presses (${options.count})
  --seed N       another engine of the same paper (${options.seed})

Open the bench in a browser and press l there first, so that it listens.`)
  process.exit(0)
}
if (!buildId || (!joint && (!bench || !isBenchId(bench)))) {
  console.error(
    'Say which build and bench: npm run gauges -- --build ID --bench rings [--every MS] [--count N]. ' +
      'The id is in the address of the build. Open the bench and press l there first.',
  )
  process.exit(2)
}
const response = await fetch(`${server}/api/builds/${buildId}/file`).catch(() => undefined)
if (!response?.ok) {
  console.error(`No build ${buildId} at ${server}. Start Kalibros there first.`)
  process.exit(2)
}
const document = (await response.json()) as BuildDocument
// The count goes on where the clock is, as a gauge's does over its life.
const gauges = new GaugeSet(server!, Math.floor(Date.now() / 1000) % 1_000_000_000)
const pause = () => new Promise((resolve) => setTimeout(resolve, Number(options.every)))
await (joint ? pullJoint(document, joint) : pressBench(document, bench as BenchId))

/** Every open place of a bench, one after the other. */
async function pressBench(of: BuildDocument, id: BenchId): Promise<void> {
  const hand = handFor(of, Number(options.seed))
  for (const { station, gauge } of openPlaces(openBuild(of), id).slice(0, Number(options.count))) {
    await gauges.press(gauge, hand.read(station.characteristic, station.place, gauge))
    console.log(`${gauge.name} pressed for: ${station.label}`)
    await pause()
  }
}

/** Every torque stage of a joint, fastener by fastener. */
async function pullJoint(of: BuildDocument, id: string): Promise<void> {
  const planned = jointsOf(of.spec).find((one) => one.id === id)
  const wrench = of.gauges.find(({ use }) => use === 'torque') as Gauge | undefined
  if (!planned || !wrench) {
    console.error(planned ? 'No torque wrench in the drawer.' : `No joint ${id} in this build.`)
    process.exit(2)
  }
  const random = randomStream(Number(options.seed))
  const reached = new Map<number, number>()
  for (const { fastener, pull, stage } of stepsOf(planned).slice(0, Number(options.count))) {
    if (pull.pull !== 'torque') continue
    const turn = planned.groups.flatMap(({ order }) => order).indexOf(fastener) + 1
    await gauges.press(wrench, wrenchPull(pull.nm, reached.get(fastener) ?? 0, random, turn === Number(options.odd) ? 1.5 : 1))
    reached.set(fastener, pull.nm)
    console.log(`${wrench.name} torqued fastener ${turn}, stage ${stage}`)
    await pause()
  }
}
