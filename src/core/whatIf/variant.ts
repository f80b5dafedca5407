/** An engine as it would be: every finding of every bench beside today's. */
import { withSpec, type Build } from '../document/build'
import { applyChanges } from '../document/changes'
import { namedEntries } from '../document/ids'
import type { EngineChange, Spec } from '../document/types'
import { benchById, followPresets } from '../benches'
import { benchOf, type Finding, type Output, type OutputId } from '../bench/bench'
import { compare, isOut } from '../evaluation/compare'
import { evaluate } from '../evaluation/evaluate'
import { tooNear } from '../evaluation/tooNear'
import type { Conformity, Uncertain } from '../metrology'
import { changesOf, type Settings } from './knobs'

/** The build after changes, judged by the limits that then follow from its paper and duty, as a stored one would be. */
export function changedBuild(build: Build, changes: readonly EngineChange[]): Build {
  const after = applyChanges(build, changes)
  return after.spec === build.spec ? after : withSpec(after, withFollowedLimits(after.spec))
}

/** Limits that follow, put in again; one that comes out alike stays the same one, so that nothing is derived again for it. */
function withFollowedLimits(spec: Spec): Spec {
  const followed = followPresets(spec)
  const limits = Object.fromEntries(
    namedEntries(followed.limits).map(([id, limit]) => {
      const was = spec.limits[id]
      return [id, was && JSON.stringify(was) === JSON.stringify(limit) ? was : limit]
    }),
  )
  return { ...followed, limits }
}

/** One output over all it is found of: the range, and the worst verdict. */
export interface Span {
  readonly low: Uncertain
  readonly high: Uncertain
  readonly verdict: Conformity['verdict'] | undefined
}

/** An output of a bench today and as it would be. */
export interface Headline {
  readonly output: OutputId
  readonly bench: string
  readonly shown: Pick<Output, 'label' | 'units' | 'digits' | 'kind'>
  readonly today: Span | undefined
  readonly next: Span | undefined
  readonly hasMoved: boolean
  /** Judged by nothing, and of single cams or valves: of interest at its bench, not here. */
  readonly isDetail: boolean
  /** Findings of it that are out then, and were not. */
  readonly breaks: readonly Finding[]
}

export interface Variant {
  readonly settings: Settings
  readonly changes: readonly EngineChange[]
  readonly headlines: readonly Headline[]
  /** What comes too near, and was not before: not taken without a reason. */
  readonly near: readonly Finding[]
  /** How many findings there are, and how many of them move. */
  readonly count: number
  readonly moved: number
}

/** An engine as it stands, with every finding of it: worked out once for all its variants. */
export interface Today {
  readonly build: Build
  readonly findings: readonly Finding[]
}

export function todayOf(build: Build): Today {
  return { build, findings: evaluate(build) }
}

/** The engine with knobs so set. */
export function variantOf({ build, findings: today }: Today, settings: Settings): Variant {
  const changes = changesOf(build, settings)
  const then = changes.length > 0 ? evaluate(changedBuild(build, changes)) : today
  const movements = compare(today, then)
  const moved = new Set(movements.flatMap(({ before, after: is }) => (is ?? before)!.output))
  const broken = movements.flatMap(({ before, after: is }) => (is && isOut(is) && !isOut(before) ? [is] : []))
  const outputs = [...new Set([...today, ...then].map(({ output }) => output))]
  const [ofToday, ofThen] = [byOutput(today), byOutput(then)]
  return {
    settings,
    changes,
    headlines: outputs.map((output) => ({
      output,
      ...definedAs(output),
      today: spanOf(ofToday.get(output)),
      next: spanOf(ofThen.get(output)),
      hasMoved: moved.has(output),
      isDetail: isDetail(ofThen.get(output) ?? ofToday.get(output)),
      breaks: broken.filter((one) => one.output === output),
    })),
    near: tooNear(movements),
    count: then.length,
    moved: movements.length,
  }
}

function isDetail(findings: readonly Finding[] = []): boolean {
  return findings.every(({ conformity, cam, valve }) => conformity === undefined && (cam !== undefined || valve !== undefined))
}

function byOutput(findings: readonly Finding[]): ReadonlyMap<OutputId, readonly Finding[]> {
  const found = new Map<OutputId, Finding[]>()
  for (const one of findings) {
    const known = found.get(one.output)
    if (known) known.push(one)
    else found.set(one.output, [one])
  }
  return found
}

function definedAs(output: OutputId): Pick<Headline, 'bench' | 'shown'> {
  const { definition } = benchById(benchOf(output))
  const { label, units, digits, kind } = definition.outputs[output]!
  return { bench: definition.stage, shown: { label, units, digits, kind } }
}

const BADNESS = { within: 0, inDoubt: 1, over: 2, under: 2 } as const

function spanOf(findings: readonly Finding[] = []): Span | undefined {
  const known = findings.flatMap(({ figure }) => (figure ? [figure.value] : []))
  if (known.length === 0) return undefined
  const verdicts = findings.flatMap(({ conformity }) => conformity?.verdict ?? [])
  const least = (a: Uncertain, b: Uncertain) => (b.value < a.value ? b : a)
  const most = (a: Uncertain, b: Uncertain) => (b.value > a.value ? b : a)
  return {
    low: known.reduce(least),
    high: known.reduce(most),
    verdict: verdicts.length > 0 ? verdicts.reduce((a, b) => (BADNESS[b] > BADNESS[a] ? b : a)) : undefined,
  }
}
