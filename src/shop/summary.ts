import {
  benchesOf,
  benchState,
  byConsequence,
  STOCK,
  standsOut,
  type Bench,
  type BenchId,
  type BenchState,
  type Finding,
} from '@/core/benches'
import { cylinderOf, type Build, type UnitSystem } from '@/core/document'
import type { StockKind } from '@/core/document/stock'
import type { EngineLayout } from '@/core/geometry/crank'
import { openRuns, type OpenRun } from '@/core/joints'
import { isAwaited, partsOf } from '@/core/parts'
import { plannedSteps, type PlannedStep, type TookStep } from '@/core/schedule'
import { stepKind, stepsOf, tookMinutes, walkOf, type AwaitedPart, type Walk, type WalkStep } from '@/core/walk'
import { standingOf, standsOutWords, type Standing, type StationMark } from '@/wording'
import { minutesWords, staleWords, stepTitle, temporaryWords } from '@/wording/walk'
import { servedClocks, type ServedClock } from './servedClocks'

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
  /** How far the walk is, what comes next in it, and what is not true any more. */
  readonly walk: {
    readonly done: number
    readonly of: number
    readonly next?: string
    readonly stale: number
    readonly wantsSecond: boolean
  }
  /** What can be done next in its walk, and what there is to do again. */
  readonly today: { readonly open: readonly StepLine[]; readonly again: readonly StepLine[]; readonly temporary: readonly string[] }
  /** Parts, and what is at the machine shop, that are not in or do not fit. */
  readonly awaited: readonly AwaitedPart[]
  /** What it must be ready for, and the day. */
  readonly event?: { readonly words: string; readonly date: string }
  /** What replaced what, on whose word. */
  readonly interchange: readonly Interchange[]
  /** What lies on its shelf. */
  readonly shelf: readonly ShelfLine[]
  /** What of its walk is still to be planned, and what steps of it took. */
  readonly plan: readonly PlannedLine[]
  readonly took: readonly TookStep[]
  readonly priority?: number
  /** Joints somebody has begun and nobody has finished. */
  readonly openRuns: readonly OpenRun[]
  /** What sets, cures, soaks, rests and rusts. */
  readonly clocks: readonly ServedClock[]
  /** The worst of each cylinder and main, where it stands in the engine. */
  readonly marks: readonly StationMark[]
}

/** What the board itself shows of it. */
export type BoardSummary = Omit<BuildSummary, 'today' | 'interchange' | 'shelf' | 'plan' | 'took'>

export function onBoard(summary: BuildSummary): BoardSummary {
  const { today, interchange, shelf, plan, took, ...shown } = summary
  void [today, interchange, shelf, plan, took]
  return shown
}

/** A step that is planned, with its title. */
export interface PlannedLine extends PlannedStep {
  readonly title: string
}

export interface Interchange {
  readonly replaces: string
  readonly name: string
  readonly onWordOf?: string
  readonly by: string
  readonly at: string
}

export interface ShelfLine {
  /** `Gaskets` */
  readonly kind: string
  readonly name: string
  readonly source: string
  /** How many there are, where they are counted. */
  readonly count?: number
}

/** A step in a line: where it stands in the walk, and how long it usually takes or why it is done again. */
export interface StepLine {
  readonly id: string
  readonly title: string
  readonly about: string
}

/** How one bench stands. */
export interface BenchSummary extends Omit<BenchState, 'next' | 'worst'> {
  readonly bench: BenchId
  readonly title: string
  /** The place to be read next. */
  readonly next?: string
  readonly worst?: { readonly standing: Standing; readonly words: Readonly<Record<UnitSystem, string>> }
}

/** Of the program that works summaries out: the first number is raised when they change their shape, the second when findings do. */
export const SUMMARY_PROGRAM = '17.1'

interface State {
  readonly bench: Bench
  readonly state: BenchState
}

function statesOf(build: Build): readonly State[] {
  return benchesOf(build.spec).map((bench) => ({ bench, state: benchState(bench, build) }))
}

/** @param cameWithFile how many of its entries, the first of them, nobody here saw made */
export function summarise(build: Build, cameWithFile = 0): BuildSummary {
  const states = statesOf(build)
  const sum = (pick: (state: BenchState) => number) => states.reduce((total, { state }) => total + pick(state), 0)
  const next = states.find(({ state }) => state.next)
  const walk = walkAtLastEntry(build)
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
    worst: worstOf(states, build.spec.units),
    next: next && { bench: next.bench.id, title: next.bench.definition.title, words: next.state.next!.label },
    walk: walkSummary(walk),
    today: todayOf(walk),
    ...partsSummary(build),
    plan: plannedLines(build, walk),
    took: tookSteps(build, cameWithFile),
    ...(build.spec.job?.priority && { priority: build.spec.job.priority }),
    openRuns: openRuns(build.spec, build.entries),
    clocks: servedClocks(build, walk),
    marks: marksOf(build),
  }
}

/** As it stood when something was last entered: what only ages is said on its own page. */
export function walkAtLastEntry(build: Build): Walk {
  return walkOf(build, Date.parse(build.entries.at(-1)?.at ?? '') || 0)
}

function walkSummary({ steps, next }: Walk): BuildSummary['walk'] {
  const wanted = steps.filter(({ isOptional }) => !isOptional)
  const first = steps.find(({ id }) => id === next)
  return {
    done: wanted.filter(({ standing }) => standing === 'done' || standing === 'leftOut').length,
    of: wanted.length,
    ...(first && { next: stepTitle(first) }),
    stale: steps.filter(({ standing }) => standing === 'stale').length,
    wantsSecond: first?.needsSecond ?? false,
  }
}

function plannedLines(build: Build, walk: Walk): readonly PlannedLine[] {
  const titles = new Map(walk.steps.map((step) => [step.id, stepTitle(step)]))
  return plannedSteps(build, walk).map((step) => ({ ...step, title: titles.get(step.id)! }))
}

function tookSteps(build: Build, cameWithFile: number): readonly TookStep[] {
  const took = tookMinutes(build, cameWithFile)
  return stepsOf(build).flatMap((step) => {
    const [kind, minutes] = [stepKind(build, step), took.get(step.id)]
    return kind !== undefined && minutes !== undefined ? [{ kind, minutes: Math.round(minutes * 10) / 10 }] : []
  })
}

function partsSummary(build: Build): Pick<BuildSummary, 'awaited' | 'event' | 'interchange' | 'shelf'> {
  const parts = partsOf(build)
  const { event, date } = build.spec.job ?? {}
  return {
    awaited: parts
      .filter(isAwaited)
      .map(({ id, name, what, state, promised }) => ({ id, name, what, state, ...(promised && { promised }) })),
    ...(date && { event: { words: event || 'the day', date } }),
    // What did not fit, or went back, replaces nothing.
    interchange: parts.flatMap(({ replaces, name, onWordOf, by, at, state }) =>
      replaces && state !== 'failed' && state !== 'back' && state !== 'dropped'
        ? [{ replaces, name, ...(onWordOf && { onWordOf }), by, at }]
        : [],
    ),
    shelf: (Object.keys(STOCK) as StockKind[]).flatMap((kind) => {
      const { title, counted } = STOCK[kind]
      return build.spec.stock[kind].map((part): ShelfLine => {
        const count = counted && (part as unknown as Record<string, number>)[counted.field]
        return { kind: title, name: part.name, source: part.source, ...(count !== undefined && { count }) }
      })
    }),
  }
}

/** More than this nobody does in a day, and the walk has them all. */
const MOST_OPEN = 5

/** What can be done now, in its order; what has gone stale; what still lies in the engine. */
function todayOf({ steps, temporary }: Walk): BuildSummary['today'] {
  const lines = (standing: WalkStep['standing'], about: (step: WalkStep) => string) =>
    steps.flatMap((step): StepLine[] =>
      step.standing === standing && !step.isOptional ? [{ id: step.id, title: stepTitle(step), about: about(step) }] : [],
    )
  return {
    open: lines('open', ({ minutes }) => minutesWords(minutes)).slice(0, MOST_OPEN),
    again: lines('stale', ({ stale }) => staleWords(stale)),
    temporary: temporary.map((part) => temporaryWords(part)),
  }
}

/** How each bench stands, in the order of work. */
export function benchSummaries(build: Build): readonly BenchSummary[] {
  return statesOf(build).map(({ bench: { id, definition }, state: { next, worst, ...state } }) => ({
    ...state,
    bench: id,
    title: definition.title,
    ...(next && { next: next.label }),
    ...(worst && {
      worst: {
        standing: standingOf(worst),
        words: {
          metric: standsOutWords(worst, definition.outputs[worst.output]!, 'metric'),
          inch: standsOutWords(worst, definition.outputs[worst.output]!, 'inch'),
        },
      },
    }),
  }))
}

/** Where two stand equally badly, the one that comes first in the order of work. */
function worstOf(states: readonly State[], system: UnitSystem): BuildSummary['worst'] {
  const [first] = states
    .flatMap(({ bench, state: { worst } }) => (worst ? [{ bench, finding: worst, output: bench.definition.outputs[worst.output]! }] : []))
    .sort(byConsequence)
  if (!first) return undefined
  const { bench, finding, output } = first
  return { bench: bench.id, standing: standingOf(finding), words: standsOutWords(finding, output, system) }
}

/** The worst of each cylinder and main over all benches, drawn in its middle; those with nothing to put right have none. */
export function marksOf(build: Build): readonly StationMark[] {
  const found = benchesOf(build.spec)
    .flatMap(({ definition, derive }) =>
      standsOut(definition, derive(build)).map((finding) => ({ finding, output: definition.outputs[finding.output]! })),
    )
    .sort(byConsequence)
  const marks = new Map<string, StationMark>()
  for (const { finding, output } of found) {
    const id = subjectId(finding)
    if (id === undefined || marks.has(id)) continue
    const { main } = finding
    const cylinder = cylinderOf(finding)
    const label = standsOutWords(finding, output, build.spec.units)
    marks.set(id, { id, label, standing: standingOf(finding), x: 0, y: 0, ...(cylinder !== undefined ? { cylinder } : { main }) })
  }
  return [...marks.values()]
}

function subjectId(finding: Finding): string | undefined {
  const cylinder = cylinderOf(finding)
  if (cylinder !== undefined) return `cylinder/${cylinder}`
  return finding.main === undefined ? undefined : `main/${finding.main}`
}
