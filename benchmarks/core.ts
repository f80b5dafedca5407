/** Figures of the core alone, in Node. */
import { Bench } from 'tinybench'
import { compression, cylinderStates, planCompression, ratioChain } from '@/core/benches/compression'
import { BENCHES, uncertaintyBudget } from '@/core/benches'
import { openBuild, withEntries } from '@/core/build'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { selectShells } from '@/core/benches/bearings'
import { matchPistons } from '@/core/benches/bores'
import type { Report } from './report'
import { openSixteen } from './sixteen'

export async function coreFigures(report: Report): Promise<void> {
  const document = demoDocument(DEMO_BUILDS[0]!, new Date())
  const tern = openBuild(document)
  const states = cylinderStates(tern)
  const inputs = states[0]!.inputs!
  const last = document.entries.at(-1)!
  const without = openBuild({ ...document, entries: document.entries.slice(0, -1) })
  const bench = new Bench({ time: 1500, warmupTime: 500 })
  bench.add('full derive of the Tern, compression bench', () => {
    compression.derive(tern)
  })
  bench.add('one ratio with its budget', () => {
    uncertaintyBudget(tern, ratioChain(inputs).ratio.value)
  })
  bench.add('a reading added, indexed and derived', () => {
    compression.derive(withEntries(without, [last]))
  })
  bench.add('planner, every combination', () => {
    planCompression(tern, states)
  })
  for (const one of BENCHES)
    if (one !== compression)
      bench.add(`full derive of the Tern, ${one.definition.title.toLowerCase()}`, () => {
        one.derive(tern)
      })
  const big = openSixteen()
  bench.add('sixteen pistons matched to their bores', () => {
    matchPistons(big)
  })
  bench.add('rod shells of sixteen from forty halves', () => {
    selectShells(big, 'rod')
  })
  await bench.run()
  const most = [5, 0.2, 8, 500, 5, 5, 5, 5, 50, 100]
  bench.tasks.forEach((task, index) => {
    const median = task.result?.latency.p50
    if (median === undefined) throw new Error(`${task.name} did not complete`)
    report.figure(`${task.name}, median`, median, 'ms', most[index]!)
  })
}
