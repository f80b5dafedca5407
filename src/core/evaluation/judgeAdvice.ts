import type { Build } from '../build/build'
import { subjectOf } from '../build/place'
import { benchById } from '../benches'
import type { Advice, Bench, Broken, JudgedAdvice } from '../bench/bench'
import { worst } from '../bench/worst'
import { compare, isOut, type Found } from './compare'
import { evaluate } from './evaluate'

/**
 * The advice of a bench, each way judged by evaluating every bench after it. A way that puts nothing right and breaks something
 * is left out; one that puts something right says what it breaks, and what it leaves as bad as it was. The ones without either
 * come first.
 */
export function judgedAdvice(bench: Bench, build: Build): readonly JudgedAdvice[] {
  const before = evaluate(build)
  const own = before.filter((found) => found.bench === bench.id).map(({ finding }) => finding)
  return judgeAll(bench.advise(build, own), build, before)
}

export function judgeAll(advice: readonly Advice[], build: Build, before: readonly Found[]): readonly JudgedAdvice[] {
  return advice.flatMap((one) => judged(one, build, before)).sort((a, b) => harm(a) - harm(b))
}

function harm({ breaks, leaves }: JudgedAdvice): number {
  return breaks.length > 0 ? 2 : Number(leaves.length > 0)
}

function judged({ after, ...advice }: Advice, build: Build, before: readonly Found[]): JudgedAdvice[] {
  if (!after) return [{ ...advice, breaks: [], leaves: [] }]
  const then = evaluate(after)
  const moved = compare(before, then).filter((one) => one.after !== undefined)
  const breaks = moved.filter((one) => isOut(one.after) && !isOut(one.before))
  const leaves = stillOut(before, then, new Set(moved.map((one) => `${one.bench}.${one.after!.output}`)))
  const mends = moved.some((one) => isOut(one.before) && !isOut(one.after))
  // A planned pair is judged as planned: its own finding is what becomes of the one that is out.
  const plannedOutputs = new Set(advice.headlines.map(({ output }) => output))
  const known = new Set(before.map(({ finding }) => finding.id))
  const landsPlanned = then.some(
    ({ finding }) => plannedOutputs.has(finding.output) && finding.conformity !== undefined && !known.has(finding.id) && !isOut(finding),
  )
  if (breaks.length > 0 && !mends && !landsPlanned) return []
  const verdict = moved.length === 0 ? advice.verdict : worst(moved.flatMap((one) => one.after!.conformity?.verdict ?? []))
  const isMetal = Object.keys(after.work ?? {}).length > 0
  const choice = isMetal ? undefined : chosenBy(build, after)
  return [
    {
      ...advice,
      verdict,
      ...(choice && { choice }),
      breaks: breaks.map((one) => brokenOf({ bench: one.bench, finding: one.after! })),
      leaves,
    },
  ]
}

/**
 * What a change chooses and nothing else, so that what somebody chooses meanwhile stays. Which readings are of the parts before
 * is noted when it is stored.
 */
function chosenBy(build: Build, after: Build): JudgedAdvice['choice'] {
  const { chosenAfter: _, ...then } = after.spec.choice
  const now: Readonly<Record<string, unknown>> = build.spec.choice
  const chosen = Object.entries(then).filter(([part, value]) => JSON.stringify(value) !== JSON.stringify(now[part]))
  return chosen.length > 0 ? Object.fromEntries(chosen) : undefined
}

/** What was out and still is, among the outputs a change moves. */
function stillOut(before: readonly Found[], then: readonly Found[], outputs: ReadonlySet<string>): readonly Broken[] {
  const wasOut = new Set(before.flatMap(({ bench, finding }) => (isOut(finding) ? [`${bench}.${finding.id}`] : [])))
  return then
    .filter(({ bench, finding }) => isOut(finding) && wasOut.has(`${bench}.${finding.id}`) && outputs.has(`${bench}.${finding.output}`))
    .map(brokenOf)
}

function brokenOf({ bench, finding }: Found): Broken {
  const { output, conformity } = finding
  const { label, units, digits } = benchById(bench).definition.outputs[output]!
  return { bench, output, shown: { label, units, digits }, ...subjectOf(finding), verdict: conformity!.verdict, excess: conformity!.excess }
}
