import 'server-only'
import { asc, desc, eq, gt, max } from 'drizzle-orm'
import { v7 as uuidV7 } from 'uuid'
import type { GaugeLine } from '@/core/liveGauge'
import type { Connection } from './connection'
import { pressTable } from './schema'

/** A press of a gauge's button as it was received. Its id becomes the id of the reading it lands as, so that it lands once. */
export interface Press extends Omit<GaugeLine, 'upper'> {
  readonly id: string
  /** Order of arrival over all gauges. */
  readonly seq: number
  readonly upper: number | null
  readonly at: string
}

export interface PressStore {
  /** Stores a press; the same line sent again by the same gauge is the same press. */
  add(line: GaugeLine, raw: string): Promise<{ readonly press: Press; readonly isNew: boolean }>
  /** Presses after one, oldest first. */
  after(seq: number): Promise<readonly Press[]>
  lastSeq(): Promise<number>
}

/** More than a gauge keeps back while nobody answers. */
const MOST_REPEATED = 200

export function pressStore(connection: Connection): PressStore {
  return {
    async add(line, raw) {
      // A gauge repeats what it has not heard an answer to. The same number with another value is a gauge that was switched on anew.
      const latest = await connection.select().from(pressTable).where(eq(pressTable.name, line.name)).orderBy(desc(pressTable.seq)).limit(MOST_REPEATED)
      const known = latest.find((row) => row.line === raw)
      if (known) return { press: pressOf(known), isNew: false }
      const [row] = await connection.insert(pressTable).values({
        id: uuidV7(), name: line.name, value: line.value, upper: line.upper ?? null, unit: line.unit, sequence: line.sequence, text: line.text, line: raw, at: new Date().toISOString(),
      }).returning()
      return { press: pressOf(row!), isNew: true }
    },
    async after(seq) {
      return (await connection.select().from(pressTable).where(gt(pressTable.seq, seq)).orderBy(asc(pressTable.seq))).map(pressOf)
    },
    async lastSeq() {
      const [row] = await connection.select({ seq: max(pressTable.seq) }).from(pressTable)
      return row?.seq ?? 0
    },
  }
}

function pressOf({ line: _, ...row }: typeof pressTable.$inferSelect): Press {
  return { ...row, unit: row.unit as Press['unit'] }
}
