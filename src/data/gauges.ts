import 'server-only'
import { asc } from 'drizzle-orm'
import type { Gauge } from '@/core/document'
import type { Connection } from './connection'
import { againIfOvertaken } from './failure'
import { gaugeTable } from './schema'

export interface GaugeStore {
  /** Every card ever made, oldest first: readings need the old ones. */
  list(): Promise<readonly Gauge[]>
  /** Adds cards; a card that is already there is left as it is. */
  add(cards: readonly Gauge[]): Promise<void>
}

export function gaugeStore(connection: Connection): GaugeStore {
  return {
    async list() {
      const rows = await connection.select().from(gaugeTable).orderBy(asc(gaugeTable.since), asc(gaugeTable.id))
      return rows.map((row) => JSON.parse(row.card) as Gauge)
    },
    async add(cards) {
      const add = async () => {
        const rows = await freshCards(connection, cards)
        if (rows.length > 0) await connection.insert(gaugeTable).values(rows)
      }
      await againIfOvertaken(add)
    },
  }
}

/** Rows of those cards that are not stored yet. */
export async function freshCards(connection: Connection, cards: readonly Gauge[]): Promise<(typeof gaugeTable.$inferInsert)[]> {
  const known = new Set((await connection.select({ id: gaugeTable.id }).from(gaugeTable)).map(({ id }) => id))
  return cards
    .filter(({ id }) => !known.has(id))
    .map((card) => ({ id: card.id, gauge: card.gauge, card: JSON.stringify(card), since: card.since }))
}
