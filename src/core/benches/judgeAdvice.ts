import type { Build } from '../build/build'
import { benchById, BENCHES } from '.'
import type { Advice, Bench, BenchId, Broken, Finding, JudgedAdvice } from './bench'
import { worst } from './worst'

/** What one bench finds, with the bench beside each finding. */
interface Found {
  readonly bench: BenchId
  readonly finding: Finding
}

/** Less than this share of its own uncertainty, or of nothing, a value has not moved. */
const REL_TOL = 1e-9

/** Every finding of every bench. */
export function evaluate(build: Build): readonly Found[] {
  return BENCHES.flatMap((bench) => bench.derive(build).map((finding) => ({ bench: bench.id, finding })))
}

/**
 * The advice of a bench, each way judged by evaluating every bench after it. A way that puts nothing right and breaks something
 * is left out; one that puts something right says what it breaks, and what it leaves as bad as it was. The ones without either
 * come first.
 */
export function judgedAdvice(bench: Bench, build: Build): readonly JudgedAdvice[] {
  const before = evaluate(build)
  const own = before.filter((found) => found.bench === bench.id).map(({ finding }) => finding)
  return judgeAll(bench.advise(build, own), before)
}

export function judgeAll(advice: readonly Advice[], before: readonly Found[]): readonly JudgedAdvice[] {
  return advice.flatMap((one) => judged(one, before)).sort((a, b) => harm(a) - harm(b))
}

function harm({ breaks, leaves }: JudgedAdvice): number {
  return breaks.length > 0 ? 2 : Number(leaves.length > 0)
}

function judged({ after, ...advice }: Advice, before: readonly Found[]): JudgedAdvice[] {
  if (!after) return [{ ...advice, breaks: [], leaves: [] }]
  const was = new Map(before.map(({ bench, finding }) => [`${bench}.${finding.id}`, finding]))
  const then = evaluate(after)
  const moved = then.filter(({ bench, finding }) => hasMoved(was.get(`${bench}.${finding.id}`), finding))
  const wasOut = ({ bench, finding }: Found) => isOut(was.get(`${bench}.${finding.id}`))
  const breaks = moved.filter((found) => isOut(found.finding) && !wasOut(found)).map(brokenOf)
  const ownOutputs = new Set(moved.map(({ bench, finding }) => `${bench}.${finding.output}`))
  const leaves = then
    .filter((found) => isOut(found.finding) && wasOut(found) && ownOutputs.has(`${found.bench}.${found.finding.output}`))
    .map(brokenOf)
  const mends = moved.some((found) => !isOut(found.finding) && wasOut(found))
  // A planned pair is judged as planned: its own finding is what becomes of the one that is out.
  const plannedOutputs = new Set(advice.headlines.map(({ output }) => output))
  const landsPlanned = then.some(
    ({ finding }) => plannedOutputs.has(finding.output) && finding.conformity !== undefined && !was.has(finding.id) && !isOut(finding),
  )
  if (breaks.length > 0 && !mends && !landsPlanned) return []
  const verdict = moved.length === 0 ? advice.verdict : worst(moved.flatMap(({ finding }) => finding.conformity?.verdict ?? []))
  return [{ ...advice, verdict, breaks, leaves }]
}

function hasMoved(before: Finding | undefined, after: Finding): boolean {
  const [a, b] = [before?.figure?.value.value, after.figure?.value.value]
  if (a === undefined || b === undefined) return a !== b
  return Math.abs(a - b) > REL_TOL * Math.max(Math.abs(a), Math.abs(b)) || before?.conformity?.verdict !== after.conformity?.verdict
}

function isOut(finding: Finding | undefined): boolean {
  return finding?.conformity?.verdict === 'over' || finding?.conformity?.verdict === 'under'
}

function brokenOf({ bench, finding }: Found): Broken {
  const { output, cylinder, main, bank, conformity } = finding
  const { label, units, digits } = benchById(bench).definition.outputs[output]!
  return {
    bench,
    output,
    shown: { label, units, digits },
    ...(cylinder !== undefined && { cylinder }),
    ...(main !== undefined && { main }),
    ...(bank !== undefined && { bank }),
    verdict: conformity!.verdict,
    excess: conformity!.excess,
  }
}
