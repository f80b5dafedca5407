import { BENCHES, benchState, type BenchId, type BenchState } from '@/core/benches'
import { openBuild, type BuildDocument } from '@/core/build'
import type { EngineLayout } from '@/core/engine'

/** What the board shows of a build, worked out when the build or the program has moved on. */
export interface BuildSummary {
  readonly name: string
  readonly description: string
  readonly layout: EngineLayout
  readonly boreMm: number
  readonly verdicts: BenchState['verdicts']
  readonly read: number
  readonly wanted: number
  readonly next: { readonly bench: BenchId; readonly title: string; readonly words: string } | undefined
}

/** Part of the key a summary is kept under: raise it when findings or the summary itself change. */
export const SUMMARY_PROGRAM = '2'

export function summarise(document: BuildDocument): BuildSummary {
  const build = openBuild(document)
  const states = BENCHES.map((bench) => ({ bench, state: benchState(bench, build) }))
  const sum = (pick: (state: BenchState) => number) => states.reduce((total, { state }) => total + pick(state), 0)
  const next = states.find(({ state }) => state.next)
  return {
    name: build.spec.name, description: build.spec.description, layout: build.spec.layout, boreMm: build.spec.paper.bore?.value ?? 85,
    verdicts: {
      within: sum((state) => state.verdicts.within), inDoubt: sum((state) => state.verdicts.inDoubt), out: sum((state) => state.verdicts.out),
      notMeasured: sum((state) => state.verdicts.notMeasured),
    },
    read: sum((state) => state.read), wanted: sum((state) => state.wanted),
    next: next && { bench: next.bench.id, title: next.bench.definition.title, words: next.state.next!.label },
  }
}
