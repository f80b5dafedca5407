import { CAMS } from '@/core/engine'
import { PULLS, RUN_KINDS } from '@/core/build/jointSchema'
import { DAMAGE_ACTIONS, PART_ACTIONS } from '@/core/build/partsSchema'
import { PART_STATES } from '@/core/build/partState'
import { STEP_ACTIONS } from '@/core/build/walkStages'
import { blob, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

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
 * Append-only: everything entered at the bench. `seq` is the order of arrival, the id (UUID v7, made by the client) the
 * order of making.
 */
export const entryTable = sqliteTable(
  'entry',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    buildId: text('build_id')
      .notNull()
      .references(() => buildTable.id),
    kind: text('kind', {
      enum: ['reading', 'strike', 'skip', 'note', 'check', 'move', 'undo', 'pull', 'step', 'change', 'part', 'damage'],
    }).notNull(),
    characteristic: text('characteristic'),
    cylinder: integer('cylinder'),
    main: integer('main'),
    bank: text('bank', { enum: ['left', 'right'] }),
    cam: text('cam', { enum: [...CAMS] }),
    valve: text('valve'),
    /** Of the rods, two a rod. */
    bolt: integer('bolt'),
    spot: text('spot'),
    /** How often it was tightened. */
    cycle: integer('cycle'),
    /** N·m the wrench was at. */
    torque: real('torque'),
    /** Crank degrees after overlap TDC the wheel was at. */
    degree: real('degree'),
    repeat: integer('repeat'),
    /** Canonical unit of the characteristic's kind. */
    value: real('value'),
    upper: real('upper'),
    /** Half-width typed behind ±. */
    plusMinus: real('plus_minus'),
    /** Unit it was typed in. */
    unit: text('unit'),
    asTyped: text('as_typed'),
    partTempC: real('part_temp_c'),
    gaugeTempC: real('gauge_temp_c'),
    /** Strokes of the ring file before this reading. */
    strokes: integer('strokes'),
    /** What the part was when it was read. */
    partState: text('part_state', { enum: [...PART_STATES] }),
    /** An angle read against the running direction. */
    turnedBack: integer('turned_back', { mode: 'boolean' }),
    /** What a check came to. */
    passed: integer('passed', { mode: 'boolean' }),
    gauge: text('gauge').references(() => gaugeTable.id),
    supersedes: text('supersedes'),
    /** Ids of other readings it settles, as a JSON list. */
    settles: text('settles'),
    target: text('target'),
    /** Of a pull: its joint and run, what was done, by which device; the pull before it stands in `target`. */
    joint: text('joint'),
    run: text('run'),
    did: text('did', { enum: [...PULLS, ...STEP_ACTIONS, ...PART_ACTIONS, ...DAMAGE_ACTIONS] }),
    way: text('way', { enum: [...RUN_KINDS] }),
    device: text('device'),
    stage: integer('stage'),
    fastener: integer('fastener'),
    angleDeg: real('angle_deg'),
    wrench: text('wrench'),
    /** Of the walk: its step, which way a part lies, a part that comes out again, a note, a second person; or what is another now. */
    step: text('step'),
    answer: text('answer'),
    part: text('part'),
    note: text('note'),
    second: text('second'),
    what: text('what'),
    /** All else that is said of a part or a damage, as JSON; the entry that began it stands in `part`. */
    details: text('details'),
    words: text('words'),
    /** When it was done, as far as this server can believe the device. */
    at: text('at').notNull(),
    /** What the device said, where that cannot be. */
    deviceAt: text('device_at'),
    by: text('by').notNull(),
    receivedAt: text('received_at').notNull(),
  },
  (table) => [index('entry_build').on(table.buildId, table.seq)],
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
