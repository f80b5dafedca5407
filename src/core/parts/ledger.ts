/** The bolts of all builds together. Apart from what reads one build, so that a page need not fetch that. */
import { group as groupBy } from 'd3-array'
import type { Joint } from '../document/types'
import type { Retirement, RunRefusal } from '../joints'
import type { BoltRecord } from './boltRecords'

/** A record with the build it is of. */
export interface RecordInBuild extends BoltRecord {
  readonly buildId: string
  readonly build: string
}

/** A bolt over all its builds, the latest first. */
export interface LedgerLine {
  readonly mark: string
  readonly thread?: string
  readonly cycles: number
  /** Over all builds it was measured in. */
  readonly growthMm?: number
  readonly retired: readonly Retirement[]
  readonly records: readonly RecordInBuild[]
}

/** What a bolt is known by over all builds: its mark, however it is written; one that is known by its place has no other build. */
export function boltKey({ mark, byPlace }: Pick<BoltRecord, 'mark' | 'byPlace'>): string {
  return byPlace ? '' : mark.trim().toLowerCase()
}

const keyOf = (record: RecordInBuild) => (record.byPlace ? `${record.buildId}/${record.mark}` : boltKey(record))

export function ledgerOf(records: readonly RecordInBuild[]): readonly LedgerLine[] {
  return [...groupBy(records, keyOf).values()].map((own) => {
    const grown = own.flatMap(({ growthMm }) => growthMm ?? [])
    const { mark, thread } = own[0]!
    return {
      mark,
      ...(thread !== undefined && { thread }),
      cycles: own.reduce((sum, { cycles }) => sum + cycles, 0),
      ...(grown.length > 0 && { growthMm: grown.reduce((sum, mm) => sum + mm, 0) }),
      retired: [...new Set(own.flatMap(({ retired }) => retired))],
      records: own,
    }
  })
}

/** The lines of bolts that are done with; others are not put together for it. */
export function retiredLines(records: readonly RecordInBuild[]): readonly LedgerLine[] {
  const done = new Set(records.flatMap((record) => (record.retired.length > 0 ? [keyOf(record)] : [])))
  return ledgerOf(records.filter((record) => done.has(keyOf(record))))
}

/** Bolts of a joint that the ledger says are done with, where nobody has said why they are used again. */
export function retiredIn(
  joint: Joint,
  buildId: string,
  ledger: readonly LedgerLine[],
): readonly Extract<RunRefusal, { code: 'retired' }>[] {
  return joint.fasteners.flatMap(({ mark, usedAgain }, index) => {
    const fastener = index + 1
    const line = ledger.find(({ records }) =>
      records.some((record) =>
        joint.toldApartBy === 'position'
          ? record.buildId === buildId && record.joint === joint.name && record.fastener === fastener
          : mark !== undefined && !record.byPlace && boltKey(record) === boltKey({ mark }),
      ),
    )
    const found = line?.records.find(({ retired }) => retired.length > 0)
    if (!found || usedAgain !== undefined) return []
    return [{ code: 'retired', fastener, mark: mark ?? String(fastener), why: found.retired[0]!, build: found.build } as const]
  })
}

/** Whether a line has a text in its mark, its thread, or a joint or build it was in, in any case. */
export function isFound({ mark, thread, records }: LedgerLine, text: string): boolean {
  const all = [mark, thread ?? '', ...records.flatMap(({ build, joint }) => [build, joint])].join(' ').toLowerCase()
  return all.includes(text.trim().toLowerCase())
}
