import type { Finding } from '../bench/bench'

/** A finding that is another one after a change. */
export interface Moved {
  /** As it was; undefined where it was not asked for. */
  readonly before: Finding | undefined
  /** As it is; undefined where it is no longer asked for. */
  readonly after: Finding | undefined
  /** By how much its value moved, canonical unit; undefined where it was not known before or is not after. */
  readonly by: number | undefined
  readonly verdictChanged: boolean
}

/** Less than this share of itself a value has not moved: the same sum in another order may differ by so much. */
const REL_TOL = 1e-9

/** What moved between two evaluations of an engine, and by how much; what is asked for no more comes last. */
export function compare(before: readonly Finding[], after: readonly Finding[]): readonly Moved[] {
  const was = new Map(before.map((finding) => [finding.id, finding]))
  const names = new Set(after.map(({ id }) => id))
  const gone = before.filter(({ id }) => !names.has(id))
  return [
    ...after.flatMap((finding) => movedBetween(was.get(finding.id), finding)),
    ...gone.flatMap((finding) => movedBetween(finding, undefined)),
  ]
}

function movedBetween(before: Finding | undefined, after: Finding | undefined): Moved[] {
  if (!hasMoved(before, after)) return []
  const [was, is] = [valueOf(before), valueOf(after)]
  const by = was === undefined || is === undefined ? undefined : is - was
  return [{ before, after, by, verdictChanged: verdictOf(before) !== verdictOf(after) }]
}

/** Whether a finding has another value or another verdict; one that is not known, and was not, has not moved. */
export function hasMoved(before: Finding | undefined, after: Finding | undefined): boolean {
  if (verdictOf(before) !== verdictOf(after)) return true
  const [was, is] = [valueOf(before), valueOf(after)]
  if (was === undefined || is === undefined) return was !== is
  return Math.abs(is - was) > REL_TOL * Math.max(Math.abs(is), Math.abs(was))
}

function valueOf(finding: Finding | undefined): number | undefined {
  return finding?.figure?.value.value
}

function verdictOf(finding: Finding | undefined) {
  return finding?.conformity?.verdict
}

/** Outside its limit, for sure. */
export function isOut(finding: Finding | undefined): boolean {
  const verdict = verdictOf(finding)
  return verdict === 'over' || verdict === 'under'
}
