import 'server-only'
import { and, asc, count, desc, eq, gt, inArray, max, sql } from 'drizzle-orm'
import { withUsual } from '@/core/benches'
import { BUILD_FORMAT, BUILD_VERSION, migrateSpec, pointsAt, type BuildDocument, type Entry, type Gauge, type Spec } from '@/core/build'
import type { Connection } from './connection'
import { entryOf, rowOf, rowsOfBuild } from './entryRows'
import { Refused, type RefusalCode } from './failure'
import type { GaugeStore } from './gauges'
import { buildTable, entryTable, gaugeTable, revisionTable, summaryTable } from './schema'

export interface StoredBuild {
  readonly document: BuildDocument
  readonly revision: number
  readonly lastSeq: number
}

export interface Revision {
  readonly number: number
  readonly at: string
  readonly by: string
  readonly reason: string
}

export interface BoardRow<Summary> {
  readonly id: string
  readonly touchedAt: string
  /** Undefined: this one build cannot be read or worked out; the others can. */
  readonly summary: Summary | undefined
}

export interface BoardPage {
  readonly offset: number
  readonly size: number
  /** Only builds put away; otherwise only those that are not. */
  readonly putAway?: boolean
  /** Words all of which stand in name or description, in any case. */
  readonly search?: string
  readonly order?: 'latest' | 'name' | 'oldest'
}

/** What came of entries that were sent: which are stored now, whether by this send or before it, and which are refused. */
export interface Appended {
  readonly stored: readonly string[]
  readonly refused: readonly { readonly id: string; readonly code: RefusalCode; readonly about: string }[]
  /** How many of them were not known before. */
  readonly added: number
  readonly lastSeq: number
}

/** A build without its entries. */
export interface BuildHead {
  readonly spec: Spec
  readonly gauges: readonly Gauge[]
  readonly revision: number
  /** The last entry there is, in the order of arrival. */
  readonly lastSeq: number
}

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
  /** A page of the board, latest work first. `summarise` is asked only for builds whose kept summary is out of date. */
  board<Summary>(
    page: BoardPage,
    program: string,
    summarise: (build: StoredBuild) => Summary,
  ): Promise<{ rows: readonly BoardRow<Summary>[]; total: number }>
}

export function buildStore(connection: Connection, gauges: GaugeStore): BuildStore {
  return { create, load, head, append, entriesAfter, revise, revisions, specAt, board }

  async function create(document: BuildDocument, by: string): Promise<void> {
    const now = new Date().toISOString()
    const taken = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, document.id))
    if (taken.length > 0) throw new Refused('buildExists', document.id)
    for (const some of chunks(document.entries)) {
      const [known] = await connection
        .select({ id: entryTable.id })
        .from(entryTable)
        .where(
          inArray(
            entryTable.id,
            some.map((entry) => entry.id),
          ),
        )
        .limit(1)
      if (known) throw new Refused('idTaken', known.id)
    }
    const cards = document.gauges.map((card) => ({ id: card.id, gauge: card.gauge, card: JSON.stringify(card), since: card.since }))
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
      ...(cards.length > 0 ? [connection.insert(gaugeTable).values(cards).onConflictDoNothing()] : []),
      ...chunks(document.entries).map((some) => connection.insert(entryTable).values(some.map((entry) => rowOf(entry, document.id, now)))),
    ])
  }

  async function load(id: string): Promise<StoredBuild | undefined> {
    const [head] = await connection.select().from(buildTable).where(eq(buildTable.id, id))
    if (!head) return undefined
    const [[revision], rows, cards] = await Promise.all([
      connection.select().from(revisionTable).where(eq(revisionTable.buildId, id)).orderBy(desc(revisionTable.number)).limit(1),
      rowsOfBuild(connection, id),
      gauges.list(),
    ])
    if (!revision) throw new Error(`Build ${id} has no revision`)
    const document: BuildDocument = {
      format: BUILD_FORMAT,
      version: BUILD_VERSION,
      id,
      createdAt: head.createdAt,
      spec: specOf(revision),
      gauges: [...cards] as Gauge[],
      entries: rows.map(entryOf),
    }
    return { document, revision: revision.number, lastSeq: rows.at(-1)?.seq ?? 0 }
  }

  async function head(id: string) {
    const [[revision], cards, lastSeq] = await Promise.all([
      connection.select().from(revisionTable).where(eq(revisionTable.buildId, id)).orderBy(desc(revisionTable.number)).limit(1),
      gauges.list(),
      lastSeqOf(id),
    ])
    return revision && { spec: specOf(revision), revision: revision.number, gauges: cards, lastSeq }
  }

  async function append(id: string, entries: readonly Entry[], whole = false): Promise<Appended> {
    const { fresh, known, refused } = await sorted(id, entries)
    const [first] = refused
    if (whole && first) throw new Refused(first.code, first.about)
    const now = new Date().toISOString()
    if (fresh.length > 0) {
      await connection.batch([
        connection.update(buildTable).set({ touchedAt: now }).where(eq(buildTable.id, id)),
        // A twin of the same request may have come in between: the unique id keeps it to one row.
        ...chunks(fresh).map((some) =>
          connection
            .insert(entryTable)
            .values(some.map((entry) => rowOf(entry, id, now)))
            .onConflictDoNothing({ target: entryTable.id }),
        ),
      ])
    }
    return { stored: [...known, ...fresh.map((entry) => entry.id)], refused, added: fresh.length, lastSeq: await lastSeqOf(id) }
  }

  async function entriesAfter(id: string, seq: number) {
    const rows = await connection
      .select()
      .from(entryTable)
      .where(and(eq(entryTable.buildId, id), gt(entryTable.seq, seq)))
      .orderBy(asc(entryTable.seq))
    return rows.map((row) => ({ seq: row.seq, entry: entryOf(row) }))
  }

  /** Entries by what becomes of them: not stored yet, stored already, or pointing at what is not there. */
  async function sorted(
    id: string,
    entries: readonly Entry[],
  ): Promise<{ fresh: readonly Entry[]; known: readonly string[]; refused: Appended['refused'] }> {
    const [build] = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, id))
    if (!build) throw new Refused('noSuchBuild', id)
    const buildOf = await buildsOf([...entries.map((entry) => entry.id), ...entries.flatMap(pointsAt)])
    const cards = new Set((await gauges.list()).map((card) => card.id))
    const coming = new Set<string>()
    const fresh = new Map<string, Entry>()
    const known = new Set<string>()
    const refused: { id: string; code: RefusalCode; about: string }[] = []
    for (const entry of entries) {
      const owner = buildOf.get(entry.id)
      const astray = pointsAt(entry).find((target) => buildOf.get(target) !== id && !coming.has(target))
      if (owner === id) known.add(entry.id)
      else if (owner !== undefined) refused.push({ id: entry.id, code: 'idTaken', about: entry.id })
      else if (entry.kind === 'reading' && !cards.has(entry.gauge)) refused.push({ id: entry.id, code: 'noSuchGauge', about: entry.gauge })
      else if (astray !== undefined) refused.push({ id: entry.id, code: 'noSuchTarget', about: astray })
      else {
        coming.add(entry.id)
        fresh.set(entry.id, entry)
      }
    }
    return { fresh: [...fresh.values()], known: [...known], refused }
  }

  async function buildsOf(ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
    const rows = await Promise.all(
      chunks(ids).map((some) =>
        connection.select({ id: entryTable.id, buildId: entryTable.buildId }).from(entryTable).where(inArray(entryTable.id, some)),
      ),
    )
    return new Map(rows.flat().map((row) => [row.id, row.buildId]))
  }

  async function lastSeqOf(id: string): Promise<number> {
    const [row] = await connection
      .select({ seq: max(entryTable.seq) })
      .from(entryTable)
      .where(eq(entryTable.buildId, id))
    return row?.seq ?? 0
  }

  async function revise(id: string, basedOn: number, spec: Spec, by: string, reason: string): Promise<number> {
    const [latest] = await connection
      .select({ number: max(revisionTable.number) })
      .from(revisionTable)
      .where(eq(revisionTable.buildId, id))
    if (latest?.number == null) throw new Refused('noSuchBuild', id)
    if (latest.number !== basedOn) throw new Refused('staleRevision', String(latest.number))
    const at = new Date().toISOString()
    const number = basedOn + 1
    try {
      await connection.batch([
        connection
          .insert(revisionTable)
          .values({ buildId: id, number, spec: JSON.stringify(spec), version: BUILD_VERSION, at, by, reason }),
        connection
          .update(buildTable)
          .set({ touchedAt: at, putAway: spec.putAway === true })
          .where(eq(buildTable.id, id)),
      ])
    } catch (cause) {
      // Two people saved at once: the primary key let one through.
      if (/UNIQUE|PRIMARY KEY/i.test(String((cause as Error).cause ?? cause))) throw new Refused('staleRevision', String(number))
      throw cause
    }
    return number
  }

  async function revisions(id: string): Promise<readonly Revision[]> {
    return connection
      .select({ number: revisionTable.number, at: revisionTable.at, by: revisionTable.by, reason: revisionTable.reason })
      .from(revisionTable)
      .where(eq(revisionTable.buildId, id))
      .orderBy(desc(revisionTable.number))
  }

  async function specAt(id: string, number: number): Promise<Spec | undefined> {
    const [row] = await connection
      .select({ spec: revisionTable.spec, version: revisionTable.version })
      .from(revisionTable)
      .where(and(eq(revisionTable.buildId, id), eq(revisionTable.number, number)))
    return row && specOf(row)
  }

  async function board<Summary>(page: BoardPage, program: string, summarise: (build: StoredBuild) => Summary) {
    const name = sql<string>`json_extract(${latestSpec}, '$.name')`
    const words = (page.search ?? '').trim().split(/\s+/).filter(Boolean)
    // Every condition is there whatever is asked: a missing one would widen the list.
    const wanted = and(
      eq(buildTable.putAway, page.putAway ?? false),
      sql.join(
        [
          sql`1`,
          ...words.map(
            (word) => sql`instr(lower(${name} || ' ' || json_extract(${latestSpec}, '$.description')), ${word.toLowerCase()}) > 0`,
          ),
        ],
        sql` and `,
      ),
    )
    const order =
      page.order === 'name' ? [sql`lower(${name})`] : [page.order === 'oldest' ? asc(buildTable.createdAt) : desc(buildTable.touchedAt)]
    const heads = await connection
      .select({
        id: buildTable.id,
        touchedAt: buildTable.touchedAt,
        summary: summaryTable.summary,
        program: summaryTable.program,
        keptRevision: summaryTable.revision,
        keptSeq: summaryTable.lastSeq,
        revision: latestNumber,
        lastSeq: latestSeq,
      })
      .from(buildTable)
      .leftJoin(summaryTable, eq(summaryTable.buildId, buildTable.id))
      .where(wanted)
      .orderBy(...order, asc(buildTable.id))
      .limit(page.size)
      .offset(page.offset)
    const [counted] = await connection.select({ total: count() }).from(buildTable).where(wanted)
    const rows: BoardRow<Summary>[] = []
    for (const head of heads) {
      const kept = head.program === program && head.keptRevision === head.revision && head.keptSeq === head.lastSeq && head.summary !== null
      rows.push({
        id: head.id,
        touchedAt: head.touchedAt,
        summary: kept ? (JSON.parse(head.summary!) as Summary) : await soundSummary(head.id, program, summarise),
      })
    }
    return { rows, total: counted?.total ?? 0 }
  }

  /** One build that cannot be read must not keep the others off the board. */
  async function soundSummary<Summary>(
    id: string,
    program: string,
    summarise: (build: StoredBuild) => Summary,
  ): Promise<Summary | undefined> {
    try {
      return await summarised(id, program, summarise)
    } catch (fault) {
      console.error(`Build ${id} cannot be summarised`, fault)
      return undefined
    }
  }

  async function summarised<Summary>(id: string, program: string, summarise: (build: StoredBuild) => Summary): Promise<Summary> {
    const build = (await load(id))!
    const summary = summarise(build)
    const kept = { revision: build.revision, lastSeq: build.lastSeq, program, summary: JSON.stringify(summary) }
    await connection
      .insert(summaryTable)
      .values({ buildId: id, ...kept })
      .onConflictDoUpdate({ target: summaryTable.buildId, set: kept })
    return summary
  }
}

/** A spec as this program knows it, whichever version of the program stored it. */
function specOf(row: { spec: string; version: number }): Spec {
  return withUsual(migrateSpec(JSON.parse(row.spec) as object, row.version))
}

/** The spec of the latest revision of a build, as the JSON text it is stored as. */
const latestSpec = sql`(
  select spec from ${revisionTable} where ${revisionTable.buildId} = ${buildTable.id} order by ${revisionTable.number} desc limit 1
)`

const latestNumber = sql<number>`(
  select max(${revisionTable.number}) from ${revisionTable} where ${revisionTable.buildId} = ${buildTable.id}
)`
const latestSeq = sql<number>`coalesce(
  (select max(${entryTable.seq}) from ${entryTable} where ${entryTable.buildId} = ${buildTable.id}), 0
)`

/** SQLite takes a limited number of values a statement. */
const ROWS_PER_INSERT = 400

function chunks<T>(items: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(items.length / ROWS_PER_INSERT) }, (_, index) =>
    items.slice(index * ROWS_PER_INSERT, (index + 1) * ROWS_PER_INSERT),
  )
}
