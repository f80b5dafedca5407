import 'server-only'
import { asc } from 'drizzle-orm'
import type { Gauge } from '@/core/build'
import type { Connection } from './connection'
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
      if (cards.length === 0) return
      const rows = cards.map((card) => ({ id: card.id, gauge: card.gauge, card: JSON.stringify(card), since: card.since }))
      await connection.insert(gaugeTable).values(rows).onConflictDoNothing()
    },
  }
}
