import type { LedgerLine } from '@/core/parts/ledger'
import type { BuildDocument, Pull, Spec } from '@/core/document'
import { endOfId, type ServerCopy } from '@/features/entries/servedBuild'

/** A build as the pages of its joints are sent it: what is planned, and every pull there was. */
export interface ServedJoints extends ServerCopy {
  readonly id: string
  readonly spec: Spec
  readonly revision: number
  readonly pulls: readonly Pull[]
  /** Bolts of the shop that are done with. */
  readonly retired: readonly LedgerLine[]
}

export function serveJoints(
  { id, spec, entries }: BuildDocument,
  { revision, lastSeq, retired }: Pick<ServedJoints, 'revision' | 'lastSeq' | 'retired'>,
): ServedJoints {
  return {
    id,
    spec,
    revision,
    pulls: entries.filter((entry) => entry.kind === 'pull'),
    alsoStored: entries.flatMap((entry) => (entry.kind === 'pull' ? [] : [endOfId(entry.id)])).join(''),
    lastSeq,
    retired,
  }
}
