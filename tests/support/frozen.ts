/** What a build stands for, short enough to be kept beside a sample: two programs that agree on it agree on every digit. */
import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import { rollup } from 'd3-array'
import { openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/document'
import { evaluate } from '@/core/evaluation/evaluate'
import { standardUncertainty } from '@/core/metrology/uncertain'

export interface Standing {
  readonly entries: number
  /** Over the canonical bytes (RFC 8785) of all entries, in their order. */
  readonly entriesSha256: string
  readonly findings: number
  readonly verdicts: Readonly<Record<string, number>>
  /** Over id, value, standard uncertainty and verdict of every finding that has a figure, in their order. */
  readonly findingsSha256: string
}

export function standingOf(document: BuildDocument): Standing {
  const found = evaluate(openBuild(document)).filter(({ figure }) => figure)
  const verdicts = rollup(
    found,
    (some) => some.length,
    ({ conformity }) => conformity?.verdict ?? 'notJudged',
  )
  return {
    entries: document.entries.length,
    entriesSha256: sha256(document.entries),
    findings: found.length,
    verdicts: Object.fromEntries([...verdicts].sort(([a], [b]) => a.localeCompare(b))),
    findingsSha256: sha256(
      found.map(({ id, figure, conformity }) => [id, figure!.value.value, standardUncertainty(figure!.value), conformity?.verdict ?? null]),
    ),
  }
}

function sha256(value: unknown): string {
  return createHash('sha256').update(canonicalize(value)!).digest('hex')
}
