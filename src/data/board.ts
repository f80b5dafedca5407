import 'server-only'
import { and, asc, count, desc, eq, inArray, or, sql } from 'drizzle-orm'
import type { Connection } from './connection'
import type { GaugeStore } from './gauges'
import { loadBuild, type StoredBuild } from './load'
import { buildTable, entryTable, keptListTable, revisionTable, summaryTable } from './schema'

export interface BoardRow<Summary> {
  readonly id: string
  readonly touchedAt: string
  /** Undefined: this one build cannot be read or worked out; the others can. */
  readonly summary: Summary | undefined
  /** Worked out by the program before this one: of the build as it is, and soon worked out again. */
  readonly isOfOlderProgram?: true
  /** Its name, where it is not worked out yet: it soon is, beside the requests. */
  readonly waiting?: string
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

/**
 * What is shown of a build on the board: kept with the program that made it, and made again when either has moved on. `14.2` is of the same
 * shape as `14.1`: it is shown, and said to be of an older program, until it is made again; `13.4` is not.
 */
export interface KeptSummaries<Summary, List extends string = never> {
  readonly program: string
  readonly summarise: (build: StoredBuild) => Summary
  /** Lists that are kept apart from the summary, by what their items are known by over all builds. */
  readonly lists?: Readonly<Record<List, (build: StoredBuild) => ReadonlyMap<string, readonly unknown[]>>>
}

/** As many as a request works out itself, those that cannot be not counted; the rest is worked out beside it, and nobody waits for that. */
const MOST_AT_ONCE = 4

export async function boardPage<Summary>(
  connection: Connection,
  gauges: GaugeStore,
  page: BoardPage,
  kept: KeptSummaries<Summary, string>,
) {
  const wanted = conditionOf(page)
  const heads = await connection
    .select({ ...keptHead(), name: latestName(), touchedAt: buildTable.touchedAt, summary: summaryTable.summary })
    .from(buildTable)
    .leftJoin(summaryTable, eq(summaryTable.buildId, buildTable.id))
    .where(wanted)
    .orderBy(...orderOf(page), asc(buildTable.id))
    .limit(page.size)
    .offset(page.offset)
  const [counted] = await connection.select({ total: count() }).from(buildTable).where(wanted)
  const rows: BoardRow<Summary>[] = []
  let workedOut = 0
  for (const { id, name, touchedAt, ...head } of heads) {
    const isOlder = isOfOlderProgram(head, kept)
    if ((isOlder || isCurrent(head, kept)) && head.summary !== null)
      rows.push({ id, touchedAt, summary: JSON.parse(head.summary) as Summary, ...(isOlder && { isOfOlderProgram: true }) })
    else if (workedOut >= MOST_AT_ONCE) rows.push({ id, touchedAt, summary: undefined, waiting: name })
    else {
      const summary = await soundSummary(connection, gauges, id, kept)
      if (summary !== undefined) workedOut++
      rows.push({ id, touchedAt, summary })
    }
  }
  return { rows, total: counted?.total ?? 0 }
}

interface KeptHead {
  readonly program: string | null
  readonly keptRevision: number | null
  readonly keptSeq: number | null
  readonly revision: number
  readonly lastSeq: number
}

/** Whether what is kept of a build is of the build and the program as they are. */
function isCurrent(head: KeptHead, { program }: Pick<KeptSummaries<unknown>, 'program'>): boolean {
  return head.program === program && head.keptRevision === head.revision && head.keptSeq === head.lastSeq
}

/** Of the build as it is, in the same shape, and not by this program. */
function isOfOlderProgram(head: KeptHead, { program }: Pick<KeptSummaries<unknown>, 'program'>): boolean {
  const isOfBuild = head.keptRevision === head.revision && head.keptSeq === head.lastSeq
  return isOfBuild && head.program !== program && shapeOf(head.program) === shapeOf(program)
}

function shapeOf(program: string | null): string | undefined {
  return program?.split('.')[0]
}

const keptHead = () => ({
  id: buildTable.id,
  program: summaryTable.program,
  keptRevision: summaryTable.revision,
  keptSeq: summaryTable.lastSeq,
  revision: latestNumber,
  lastSeq: latestSeq,
})

/** Builds of which what is kept is older than they are, or than the program; the latest work first. */
export async function outdatedBuilds(connection: Connection, program: string): Promise<readonly string[]> {
  return (await keptHeads(connection)).filter((head) => !isCurrent(head, { program })).map(({ id }) => id)
}

function keptHeads(connection: Connection) {
  return connection
    .select(keptHead())
    .from(buildTable)
    .leftJoin(summaryTable, eq(summaryTable.buildId, buildTable.id))
    .orderBy(desc(buildTable.touchedAt), asc(buildTable.id))
}

export interface KeptLists<Item> {
  readonly builds: readonly { readonly id: string; readonly name: string; readonly items: readonly Item[] }[]
  /** Builds that were worked on since, or never worked out: soon they are. */
  readonly waiting: number
}

/** What of a list is wanted: of one build, and of any other what is known by these keys. */
export interface Wanted {
  readonly build: string
  readonly keys: readonly string[]
}

/**
 * One list that is kept of each build, such as its bolts, with the build's name: of every build there is, those put away too. What is out
 * of date is worked out first where it is only a few builds, and counted where it is more; until then it is as it was kept.
 */
export async function keptLists<Item, List extends string>(
  connection: Connection,
  gauges: GaugeStore,
  list: List,
  kept: KeptSummaries<unknown, List>,
  wanted?: Wanted,
): Promise<KeptLists<Item>> {
  const outdated = (await keptHeads(connection)).filter((head) => !isCurrent(head, kept) && !isOfOlderProgram(head, kept))
  let [tried, workedOut] = [0, 0]
  for (const { id } of outdated) {
    if (workedOut === MOST_AT_ONCE) break
    tried++
    if ((await soundSummary(connection, gauges, id, kept)) !== undefined) workedOut++
  }
  const rows = await connection
    .select({ id: buildTable.id, name: latestName(), items: keptListTable.items })
    .from(keptListTable)
    .innerJoin(buildTable, eq(buildTable.id, keptListTable.buildId))
    .where(
      and(
        eq(keptListTable.list, list),
        wanted && or(eq(keptListTable.buildId, wanted.build), inArray(keptListTable.key, [...wanted.keys])),
      ),
    )
    .orderBy(asc(buildTable.putAway), desc(buildTable.touchedAt), asc(buildTable.id), inOrderKept)
  return {
    builds: rows.map(({ id, name, items }) => ({ id, name, items: JSON.parse(items) as readonly Item[] })),
    waiting: outdated.length - tried,
  }
}

/** As the build has them: a mark sorts 10 before 2. */
const inOrderKept = sql`${keptListTable}.rowid`

/** Every build by its name, the latest work first, those put away after the others. Nothing is worked out. */
export async function buildNames(connection: Connection): Promise<readonly { readonly id: string; readonly name: string }[]> {
  return connection
    .select({ id: buildTable.id, name: latestName() })
    .from(buildTable)
    .orderBy(asc(buildTable.putAway), desc(buildTable.touchedAt), asc(buildTable.id))
}

const latestName = () => sql<string>`json_extract(${latestSpec}, '$.name')`

/** Every condition is there whatever is asked: a missing one would widen the list. */
function conditionOf({ putAway = false, search = '' }: BoardPage) {
  const words = search.trim().split(/\s+/).filter(Boolean)
  const text = sql`lower(${latestName()} || ' ' || json_extract(${latestSpec}, '$.description'))`
  const hasWords = words.map((word) => sql`instr(${text}, ${word.toLowerCase()}) > 0`)
  return and(eq(buildTable.putAway, putAway), sql.join([sql`1`, ...hasWords], sql` and `))
}

function orderOf({ order }: BoardPage) {
  if (order === 'name') return [sql`lower(${latestName()})`]
  return [order === 'oldest' ? asc(buildTable.createdAt) : desc(buildTable.touchedAt)]
}

/** One build that cannot be read must not keep the others off the board. */
export async function soundSummary<Summary>(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  kept: KeptSummaries<Summary, string>,
): Promise<Summary | undefined> {
  try {
    return await summarised(connection, gauges, id, kept)
  } catch (fault) {
    console.error(`Build ${id} cannot be summarised`, fault)
    return undefined
  }
}

async function summarised<Summary>(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  { program, summarise, lists = {} }: KeptSummaries<Summary, string>,
): Promise<Summary> {
  const build = (await loadBuild(connection, gauges, id))!
  const summary = summarise(build)
  const kept = { revision: build.revision, lastSeq: build.lastSeq, program, summary: JSON.stringify(summary) }
  const filled = Object.entries(lists).flatMap(([list, of]) => [...of(build)].map(([key, items]) => ({ buildId: id, list, key, items })))
  await connection.batch([
    connection
      .insert(summaryTable)
      .values({ buildId: id, ...kept })
      .onConflictDoUpdate({ target: summaryTable.buildId, set: kept }),
    connection.delete(keptListTable).where(eq(keptListTable.buildId, id)),
    ...filled.map((one) => connection.insert(keptListTable).values({ ...one, items: JSON.stringify(one.items) })),
  ])
  return summary
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
