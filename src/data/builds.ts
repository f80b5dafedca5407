import 'server-only'
import { eq, inArray } from 'drizzle-orm'
import { BUILD_VERSION, type BuildDocument, type Entry, type Gauge, type Spec } from '@/core/document'
import { arrived } from './arrival'
import {
  boardPage,
  buildNames,
  keptLists,
  outdatedBuilds,
  soundSummary,
  type BoardPage,
  type BoardRow,
  type KeptLists,
  type KeptSummaries,
  type Wanted,
} from './board'
import type { Connection } from './connection'
import { appendEntries, entriesAfter, type Appended } from './entries'
import { chunks, rowOf } from './entryRows'
import { Refused } from './failure'
import { freshCards, type GaugeStore } from './gauges'
import { headOf, loadBuild, type BuildHead, type StoredBuild } from './load'
import { reviseSpec, revisionsOf, specAt, type Revision } from './revisions'
import { buildTable, entryTable, gaugeTable, revisionTable } from './schema'

export interface BuildStore {
  /** Stores a whole document: a new build, an imported file or a copy. @throws Refused if its id, or an entry's, is taken. */
  create(document: BuildDocument, by: string): Promise<void>
  load(id: string): Promise<StoredBuild | undefined>
  /** The spec as it stands, without the entries: what a send is checked against. */
  head(id: string): Promise<BuildHead | undefined>
  /**
   * Adds entries; those already stored are left as they are, so that a repeated send is one reading. Each stands for itself: one
   * that is refused holds up no other, unless `whole` says all or none.
   * @throws Refused if the build is not there; with `whole`, for the first entry that is refused.
   */
  append(id: string, entries: readonly Entry[], whole?: boolean): Promise<Appended>
  /** Entries that arrived after one, in order, each with its place in the order of arrival. */
  entriesAfter(id: string, seq: number): Promise<readonly { readonly seq: number; readonly entry: Entry }[]>
  /** Stores the spec as the next revision. @throws Refused if it was based on an older one. */
  revise(id: string, basedOn: number, spec: Spec, by: string, reason: string): Promise<number>
  revisions(id: string): Promise<readonly Revision[]>
  specAt(id: string, number: number): Promise<Spec | undefined>
  /** Every build by its name, the latest work first, those put away after the others. */
  names(): Promise<readonly { readonly id: string; readonly name: string }[]>
  /** A page of the board, latest work first. A summary is worked out only for builds of which what is kept is out of date. */
  board<Summary>(page: BoardPage, kept: KeptSummaries<Summary, string>): Promise<{ rows: readonly BoardRow<Summary>[]; total: number }>
  /** One list that is kept of each build, of every build there is; a few that are out of date are worked out first. */
  kept<Item, List extends string>(list: List, kept: KeptSummaries<unknown, List>, wanted?: Wanted): Promise<KeptLists<Item>>
  /** Builds of which what is kept is older than they are, or than the program. */
  outdated(program: string): Promise<readonly string[]>
  /** Works out what is kept of a build; undefined: it cannot be. */
  summarise<Summary>(id: string, kept: KeptSummaries<Summary, string>): Promise<Summary | undefined>
}

export function buildStore(connection: Connection, gauges: GaugeStore): BuildStore {
  return {
    load: (id) => loadBuild(connection, gauges, id),
    create: (document, by) => createBuild(connection, document, by),
    head: (id) => headOf(connection, gauges, id),
    append: (id, entries, whole) => appendEntries(connection, gauges, id, entries, whole),
    entriesAfter: (id, seq) => entriesAfter(connection, id, seq),
    revise: (id, basedOn, spec, by, reason) => reviseSpec(connection, id, basedOn, spec, by, reason),
    revisions: (id) => revisionsOf(connection, id),
    specAt: (id, number) => specAt(connection, id, number),
    names: () => buildNames(connection),
    board: (page, kept) => boardPage(connection, gauges, page, kept),
    kept: (list, kept, wanted) => keptLists(connection, gauges, list, kept, wanted),
    outdated: (program) => outdatedBuilds(connection, program),
    summarise: (id, kept) => soundSummary(connection, gauges, id, kept),
  }
}

async function createBuild(connection: Connection, document: BuildDocument, by: string): Promise<void> {
  const now = new Date().toISOString()
  const taken = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, document.id))
  if (taken.length > 0) throw new Refused('buildExists', document.id)
  const known = await knownEntry(connection, document.entries)
  if (known) throw new Refused('idTaken', known)
  const cards = await freshCards(connection, document.gauges as readonly Gauge[])
  await connection.batch([
    connection
      .insert(buildTable)
      .values({ id: document.id, createdAt: document.createdAt, touchedAt: now, putAway: document.spec.putAway === true }),
    connection
      .insert(revisionTable)
      .values({
        buildId: document.id,
        number: 1,
        spec: JSON.stringify(document.spec),
        version: BUILD_VERSION,
        at: now,
        by,
        reason: 'start',
      }),
    ...(cards.length > 0 ? [connection.insert(gaugeTable).values(cards)] : []),
    ...chunks(arrived(document.entries, now, new Map())).map((some) =>
      connection.insert(entryTable).values(some.map((one) => rowOf(one, document.id, now))),
    ),
  ])
}

/** The first of these entries that is stored already, whichever build it belongs to. */
async function knownEntry(connection: Connection, entries: readonly Entry[]): Promise<string | undefined> {
  for (const some of chunks(entries)) {
    const ids = some.map((entry) => entry.id)
    const [known] = await connection.select({ id: entryTable.id }).from(entryTable).where(inArray(entryTable.id, ids)).limit(1)
    if (known) return known.id
  }
  return undefined
}
