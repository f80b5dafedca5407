/** The plan of a busy shop: twelve engines of a hundred and fifty steps each, four people. */
import { Bench } from 'tinybench'
import { openBuild } from '@/core/benches'
import { planShop, plannedSteps, USUAL_HOURS } from '@/core/schedule'
import { walkOf } from '@/core/walk'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Report } from './report'

const ENGINES = 12
const STEPS = 150

export async function scheduleFigures(report: Report): Promise<void> {
  const now = new Date()
  const build = openBuild({ ...demoDocument(DEMO_BUILDS[1]!, now), entries: [] })
  const own = Array.from({ length: STEPS }, (_, index) => ({ id: `own.${index}`, stage: 'final', title: 'Step' }) as const)
  const walked = plannedSteps(build, walkOf(build, now.getTime()))
  const more = own.slice(0, STEPS - walked.length)
  const asked = { ...build, spec: { ...build.spec, walk: { own: [...more] } } }
  const steps = plannedSteps(asked, walkOf(asked, now.getTime()))
  const engines = Array.from({ length: ENGINES }, (_, index) => ({ id: `e${index}`, steps, priority: 1 + (index % 9) }))
  const bench = new Bench({ time: 2000 })
  bench.add('plan', () => void planShop(engines, { people: 4, stands: 8, hours: USUAL_HOURS }, now.getTime()))
  await bench.run()
  report.figure(
    `plan of ${ENGINES} engines, ${steps.length} steps each, four people`,
    bench.tasks[0]?.result?.latency.p50 ?? Number.NaN,
    'ms',
    50,
  )
}
