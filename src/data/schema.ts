import type { Entry } from '@/core/document'
import { sql } from 'drizzle-orm'
import { blob, check, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** A build exists; what it is stands in its revisions, what happened in its entries. */
export const buildTable = sqliteTable(
  'build',
  {
    id: text('id').primaryKey(),
    createdAt: text('created_at').notNull(),
    touchedAt: text('touched_at').notNull(),
    /** Off the board, everything kept; as the latest revision says. */
    putAway: integer('put_away', { mode: 'boolean' }).notNull().default(false),
  },
  (table) => [index('build_touched').on(table.touchedAt)],
)

/** Append-only: the spec as it stood from each revision on. */
export const revisionTable = sqliteTable(
  'build_revision',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    number: integer('number').notNull(),
    spec: text('spec').notNull(),
    /** Version of the build format the spec was written in. */
    version: integer('version').notNull().default(1),
    at: text('at').notNull(),
    by: text('by').notNull(),
    reason: text('reason').notNull(),
  },
  (table) => [primaryKey({ columns: [table.buildId, table.number] })],
)

/**
 * Append-only: everything entered at the bench, a document an entry. `seq` is the order of arrival, the id (UUID v7, made by the client)
 * the order of making.
 */
export const entryTable = sqliteTable(
  'entry',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    kind: text('kind').$type<Entry['kind']>().notNull(),
    /** All its kind says besides, as JSON of the shape its schema gives it; and `at` as the device said it, where that is not believed. */
    body: text('body').notNull(),
    /** When it was done, as far as this server can believe the device. */
    at: text('at').notNull(),
    by: text('by').notNull(),
    receivedAt: text('received_at').notNull(),
  },
  (table) => [index('entry_build').on(table.buildId, table.seq), check('entry_body', sql`json_valid(${table.body})`)],
)

/** Append-only: pictures of steps, beside the build and not in its document. */
export const photoTable = sqliteTable(
  'photo',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    step: text('step').notNull(),
    /** A JPEG without place or maker's data. */
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    at: text('at').notNull(),
    by: text('by').notNull(),
    receivedAt: text('received_at').notNull(),
  },
  (table) => [index('photo_build').on(table.buildId, table.seq)],
)

/** Append-only: the state of a gauge from a day on. Readings keep the card they were taken with. */
export const gaugeTable = sqliteTable('gauge_card', {
  id: text('id').primaryKey(),
  gauge: text('gauge').notNull(),
  card: text('card').notNull(),
  since: text('since').notNull(),
})

/** Append-only: what live gauges sent, each line once, in the order of arrival. */
export const pressTable = sqliteTable(
  'gauge_press',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    name: text('name').notNull(),
    /** Canonical unit of the unit's kind. */
    value: real('value').notNull(),
    upper: real('upper'),
    /** How far a wrench turned to get there. */
    angleDeg: real('angle_deg'),
    unit: text('unit').notNull(),
    /** The gauge's own count of presses. */
    sequence: integer('sequence').notNull(),
    text: text('text').notNull(),
    line: text('line').notNull(),
    /** The bench session that had the gauge when it was pressed; none: nobody had. */
    session: text('session'),
    at: text('at').notNull(),
  },
  (table) => [index('press_name').on(table.name, table.seq)],
)

/** Append-only: who took, gave back or took over which live gauge. The last row of a gauge says who has it now. */
export const gaugeHoldTable = sqliteTable(
  'gauge_hold',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    name: text('name').notNull(),
    /** None: given back. */
    session: text('session'),
    /** Who and where, for the words on the other screen. */
    words: text('words').notNull(),
    at: text('at').notNull(),
  },
  (table) => [index('gauge_hold_name').on(table.name, table.seq)],
)

/** A cache of what the board shows of a build; thrown away and worked out again whenever the build or the program has moved on. */
export const summaryTable = sqliteTable('build_summary', {
  buildId: text('build_id')
    .primaryKey()
    .references(() => buildTable.id),
  revision: integer('revision').notNull(),
  lastSeq: integer('last_seq').notNull(),
  program: text('program').notNull(),
  summary: text('summary').notNull(),
})

/**
 * Lists that are kept of a build apart from its summary, by what their items are known by over all builds: one list is read of all builds
 * without the rest, and what is known of one thing without the list.
 */
export const keptListTable = sqliteTable(
  'build_kept_list',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    list: text('list').notNull(),
    key: text('key').notNull(),
    items: text('items').notNull(),
  },
  (table) => [primaryKey({ columns: [table.list, table.key, table.buildId] }), index('build_kept_list_of_build').on(table.buildId)],
)

/** Append-only: who and what the shop has to work with, from a moment on. The last row counts. */
export const shopMeansTable = sqliteTable('shop_means', {
  seq: integer('seq').primaryKey({ autoIncrement: true }),
  means: text('means').notNull(),
  at: text('at').notNull(),
  by: text('by').notNull(),
})

/** Append-only: the plan of a build as it stood on a day, the first that was made on it. */
export const planTable = sqliteTable(
  'build_plan',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    day: text('day').notNull(),
    plan: text('plan').notNull(),
  },
  (table) => [primaryKey({ columns: [table.buildId, table.day] })],
)
