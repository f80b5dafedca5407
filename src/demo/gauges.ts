import { parseArgs } from 'node:util'
import { isBenchId, openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/build'
import { GaugeSet, handFor, openPlaces } from './gaugeSet'

/** `npm run gauges -- --build ID --bench rings`: presses the buttons for every open place of a bench, one after the other. */
const { values: options } = parseArgs({
  options: {
    server: { type: 'string', default: `http://127.0.0.1:${process.env.PORT ?? '3100'}` },
    build: { type: 'string' },
    bench: { type: 'string' },
    help: { type: 'boolean', default: false },
    every: { type: 'string', default: '1500' },
    count: { type: 'string', default: '1000' },
    seed: { type: 'string', default: '1' },
  },
})
const { build: buildId, bench, server } = options
if (options.help) {
  console.log(`A simulated set of gauges: presses their buttons for the open places of a bench.

  --build ID     the build; its id is in the address of its pages
  --bench NAME   bores, bearings, rings, rods or compression
  --server URL   where Kalibros answers (${server})
  --every MS     between two presses (${options.every})
  --count N      at most so many presses (${options.count})
  --seed N       another engine of the same paper (${options.seed})

Open the bench in a browser and press l there first, so that it listens.`)
  process.exit(0)
}
if (!buildId || !bench || !isBenchId(bench)) {
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
const hand = handFor(document, Number(options.seed))
// The count goes on where the clock is, as a gauge's does over its life.
const gauges = new GaugeSet(server!, Math.floor(Date.now() / 1000) % 1_000_000_000)
for (const { station, gauge } of openPlaces(openBuild(document), bench).slice(0, Number(options.count))) {
  const indicated = hand.read(station.characteristic, station.place, gauge)
  await gauges.press(gauge, indicated)
  console.log(`${gauge.name} pressed for: ${station.label}`)
  await new Promise((resolve) => setTimeout(resolve, Number(options.every)))
}
