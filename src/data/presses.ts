import 'server-only'
import { and, asc, desc, eq, gt, isNull, max, or } from 'drizzle-orm'
import { v7 as uuidV7 } from 'uuid'
import type { GaugeLine } from '@/core/liveGauge'
import type { Connection } from './connection'
import { gaugeHoldTable, pressTable } from './schema'

/** A press of a gauge's button as it was received. Its id becomes the id of the reading it lands as, so that it lands once. */
export interface Press extends Omit<GaugeLine, 'upper' | 'angleDeg'> {
  readonly id: string
  /** Order of arrival over all gauges. */
  readonly seq: number
  readonly upper: number | null
  readonly angleDeg: number | null
  /** The bench session it is for; none: nobody had the gauge. */
  readonly session: string | null
  readonly at: string
}

/** Who has a gauge: a bench session, and in words who and where that is. */
export interface Hold {
  readonly name: string
  readonly session: string
  readonly words: string
}

export interface PressStore {
  /** Stores a press for the session that has the gauge; the same line sent again by the same gauge is the same press. */
  add(line: GaugeLine, raw: string, session: string | null): Promise<{ readonly press: Press; readonly isNew: boolean }>
  /** Presses of a session after one, and those nobody had the gauge for, oldest first. */
  after(seq: number, session: string): Promise<readonly Press[]>
  lastSeq(): Promise<number>
  /** The session that has a gauge; undefined where nobody has. */
  holder(name: string): Promise<Hold | undefined>
  /** A gauge goes to a session, or back into the drawer. */
  hold(name: string, session: string | null, words: string): Promise<void>
  /** The gauges a session has. */
  heldBy(session: string): Promise<readonly string[]>
}

/** More than a gauge keeps back while nobody answers. */
const MOST_REPEATED = 200

export function pressStore(connection: Connection): PressStore {
  const lastHold = async (name: string) => {
    const [row] = await connection
      .select()
      .from(gaugeHoldTable)
      .where(eq(gaugeHoldTable.name, name))
      .orderBy(desc(gaugeHoldTable.seq))
      .limit(1)
    return row
  }
  return {
    add: (line, raw, session) => addPress(connection, line, raw, session),
    async after(seq, session) {
      const wanted = and(gt(pressTable.seq, seq), or(eq(pressTable.session, session), isNull(pressTable.session)))
      return (await connection.select().from(pressTable).where(wanted).orderBy(asc(pressTable.seq))).map(pressOf)
    },
    async lastSeq() {
      const [row] = await connection.select({ seq: max(pressTable.seq) }).from(pressTable)
      return row?.seq ?? 0
    },
    async holder(name) {
      const row = await lastHold(name)
      return row?.session ? { name, session: row.session, words: row.words } : undefined
    },
    async hold(name, session, words) {
      await connection.insert(gaugeHoldTable).values({ name, session, words, at: new Date().toISOString() })
    },
    async heldBy(session) {
      const names = await connection
        .selectDistinct({ name: gaugeHoldTable.name })
        .from(gaugeHoldTable)
        .where(eq(gaugeHoldTable.session, session))
      const last = await Promise.all(names.map(({ name }) => lastHold(name)))
      return last.flatMap((row) => (row?.session === session ? [row.name] : []))
    },
  }
}

async function addPress(connection: Connection, line: GaugeLine, raw: string, session: string | null) {
  // A gauge repeats what it has not heard an answer to. The same number with another value is a gauge that was switched on again.
  const latest = await connection
    .select()
    .from(pressTable)
    .where(eq(pressTable.name, line.name))
    .orderBy(desc(pressTable.seq))
    .limit(MOST_REPEATED)
  const known = latest.find((row) => row.line === raw)
  if (known) return { press: pressOf(known), isNew: false }
  const [row] = await connection
    .insert(pressTable)
    .values({
      id: uuidV7(),
      name: line.name,
      value: line.value,
      upper: line.upper ?? null,
      angleDeg: line.angleDeg ?? null,
      unit: line.unit,
      sequence: line.sequence,
      text: line.text,
      line: raw,
      session,
      at: new Date().toISOString(),
    })
    .returning()
  return { press: pressOf(row!), isNew: true }
}

function pressOf(row: typeof pressTable.$inferSelect): Press {
  const { line: _, ...press } = row
  return { ...press, unit: row.unit as Press['unit'] }
}
