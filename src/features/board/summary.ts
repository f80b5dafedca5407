import { BENCHES, benchState, byConsequence, openBuild, type Bench, type BenchId, type BenchState } from '@/core/benches'
import type { BuildDocument, UnitSystem } from '@/core/build'
import type { EngineLayout } from '@/core/engine'
import { standingOf, standsOutWords, type Standing } from '@/wording'

/** What the board shows of a build, worked out when the build or the program has moved on. */
export interface BuildSummary {
  readonly name: string
  readonly description: string
  /** Name of the build it was started as a copy of. */
  readonly copyOf?: string
  readonly layout: EngineLayout
  readonly boreMm: number
  readonly verdicts: BenchState['verdicts']
  readonly read: number
  readonly wanted: number
  /** What wants a hand first over all benches, in the build's own units. */
  readonly worst: { readonly bench: BenchId; readonly standing: Standing; readonly words: string } | undefined
  readonly next: { readonly bench: BenchId; readonly title: string; readonly words: string } | undefined
}

/** Part of the key a summary is kept under: raise it when findings or the summary itself change. */
export const SUMMARY_PROGRAM = '5'

export function summarise(document: BuildDocument): BuildSummary {
  const build = openBuild(document)
  const states = BENCHES.map((bench) => ({ bench, state: benchState(bench, build) }))
  const sum = (pick: (state: BenchState) => number) => states.reduce((total, { state }) => total + pick(state), 0)
  const next = states.find(({ state }) => state.next)
  const worst = worstOf(states, build.spec.units)
  return {
    name: build.spec.name,
    description: build.spec.description,
    ...(build.spec.copyOf && { copyOf: build.spec.copyOf.name }),
    layout: build.spec.layout,
    boreMm: build.spec.paper.bore?.value ?? 85,
    verdicts: {
      within: sum((state) => state.verdicts.within),
      inDoubt: sum((state) => state.verdicts.inDoubt),
      out: sum((state) => state.verdicts.out),
      notMeasured: sum((state) => state.verdicts.notMeasured),
    },
    read: sum((state) => state.read),
    wanted: sum((state) => state.wanted),
    worst,
    next: next && { bench: next.bench.id, title: next.bench.definition.title, words: next.state.next!.label },
  }
}

/** Where two stand equally badly, the one that comes first in the order of work. */
function worstOf(states: readonly { bench: Bench; state: BenchState }[], system: UnitSystem): BuildSummary['worst'] {
  const [first] = states
    .flatMap(({ bench, state: { worst } }) => (worst ? [{ bench, finding: worst, output: bench.definition.outputs[worst.output]! }] : []))
    .sort(byConsequence)
  if (!first) return undefined
  const { bench, finding, output } = first
  return { bench: bench.id, standing: standingOf(finding), words: standsOutWords(finding, output, system) }
}
