import 'server-only'
import { group } from 'd3-array'
import { boltRecords } from '@/core/parts'
import { boltKey } from '@/core/parts/ledger'
import type { KeptSummaries } from '@/data/board'
import { openStored } from './openedBuilds'
import { SUMMARY_PROGRAM, summarise, type BuildSummary } from './summary'

/** What is kept of each build: its summary, and its bolts by what they are known by over all builds. */
export const KEPT: KeptSummaries<BuildSummary, 'bolts'> = {
  program: SUMMARY_PROGRAM,
  summarise: (stored) => summarise(openStored(stored), stored.cameWithFile),
  lists: { bolts: (stored) => group(boltRecords(openStored(stored)), boltKey) },
}
