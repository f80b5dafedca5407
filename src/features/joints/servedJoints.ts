import type { LedgerLine } from '@/core/parts/ledger'
import type { BuildDocument, Joint, Pull, Spec } from '@/core/document'
import type { ShopBolts } from '@/shop/boltLedger'
import { endOfId, type ServerCopy } from '@/features/entries/servedBuild'

/** A build as the pages of its joints are sent it: what is planned, and every pull there was. */
export interface ServedJoints extends ServerCopy {
  readonly id: string
  readonly spec: Spec
  readonly revision: number
  readonly pulls: readonly Pull[]
  /** Bolts of the shop that are done with. */
  readonly retired: readonly LedgerLine[]
  /** Builds whose bolts are not worked out yet. */
  readonly buildsWaiting: number
}

export function serveJoints(
  { id, spec, entries }: BuildDocument,
  { revision, lastSeq, bolts }: Pick<ServedJoints, 'revision' | 'lastSeq'> & { readonly bolts: ShopBolts },
): ServedJoints {
  return {
    id,
    spec,
    revision,
    pulls: entries.filter((entry) => entry.kind === 'pull'),
    alsoStored: entries.flatMap((entry) => (entry.kind === 'pull' ? [] : [endOfId(entry.id)])).join(''),
    lastSeq,
    retired: bolts.lines,
    buildsWaiting: bolts.waiting,
  }
}

/** Whether bolts of a joint are known by a mark, and what the shop knows of such bolts is not all worked out. */
export function hasWaitingBolts({ fasteners }: Joint, { buildsWaiting }: ServedJoints): boolean {
  return buildsWaiting > 0 && fasteners.some(({ mark }) => mark !== undefined)
}
