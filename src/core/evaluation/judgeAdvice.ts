import type { Build } from '../document/build'
import { subjectOf } from '../document/place'
import { benchById } from '../benches'
import { benchOf, type Advice, type AdvisingBench, type Broken, type Finding, type JudgedAdvice, type OutputId } from '../bench/bench'
import { worst } from '../bench/worst'
import { applyChanges } from '../document/changes'
import { compare, isOut } from './compare'
import { evaluate } from './evaluate'

/**
 * The advice of a bench, each way judged by evaluating every bench after it. A way that puts nothing right and breaks something
 * is left out; one that puts something right says what it breaks, and what it leaves as bad as it was. The ones without either
 * come first.
 */
export function judgedAdvice(bench: AdvisingBench, build: Build): readonly JudgedAdvice[] {
  const before = evaluate(build)
  const own = before.filter(({ output }) => benchOf(output) === bench.id)
  return judgeAll(bench.advise(build, own), build, before)
}

export function judgeAll(advice: readonly Advice[], build: Build, before: readonly Finding[]): readonly JudgedAdvice[] {
  return advice.flatMap((one) => judged(one, build, before)).sort((a, b) => harm(a) - harm(b))
}

function harm({ breaks, leaves }: JudgedAdvice): number {
  return breaks.length > 0 ? 2 : Number(leaves.length > 0)
}

function judged(advice: Advice, build: Build, before: readonly Finding[]): JudgedAdvice[] {
  if (!advice.changes) return [{ ...advice, breaks: [], leaves: [] }]
  const then = evaluate(applyChanges(build, advice.changes))
  const moved = compare(before, then).filter((one) => one.after !== undefined)
  const breaks = moved.filter((one) => isOut(one.after) && !isOut(one.before))
  const leaves = stillOut(before, then, new Set(moved.map((one) => one.after!.output)))
  const mends = moved.some((one) => isOut(one.before) && !isOut(one.after))
  // A planned pair is judged as planned: its own finding is what becomes of the one that is out.
  const plannedOutputs = new Set(advice.headlines.map(({ output }) => output))
  const known = new Set(before.map(({ id }) => id))
  const landsPlanned = then.some(
    (finding) => plannedOutputs.has(finding.output) && finding.conformity !== undefined && !known.has(finding.id) && !isOut(finding),
  )
  if (breaks.length > 0 && !mends && !landsPlanned) return []
  const verdict = moved.length === 0 ? advice.verdict : worst(moved.flatMap((one) => one.after!.conformity?.verdict ?? []))
  return [{ ...advice, verdict, breaks: breaks.map((one) => brokenOf(one.after!)), leaves }]
}

/** What was out and still is, among the outputs a change moves. */
function stillOut(before: readonly Finding[], then: readonly Finding[], outputs: ReadonlySet<OutputId>): readonly Broken[] {
  const wasOut = new Set(before.filter(isOut).map(({ id }) => id))
  return then.filter((finding) => isOut(finding) && wasOut.has(finding.id) && outputs.has(finding.output)).map(brokenOf)
}

function brokenOf(finding: Finding): Broken {
  const { output, conformity } = finding
  const { label, units, digits } = benchById(benchOf(output)).definition.outputs[output]!
  return { output, shown: { label, units, digits }, ...subjectOf(finding), verdict: conformity!.verdict, excess: conformity!.excess }
}
