import 'server-only'
import { and, desc, inArray, lt } from 'drizzle-orm'
import type { KeptPlan, ShopMeans } from '@/core/schedule'
import type { Connection } from './connection'
import { chunks } from './entryRows'
import { againIfOvertaken } from './failure'
import { planTable, shopMeansTable } from './schema'

export interface PlanStore {
  /** Who and what the shop has; undefined where nobody has said it yet. */
  means(): Promise<ShopMeans | undefined>
  setMeans(means: ShopMeans, by: string): Promise<void>
  /** Keeps a plan for its day; one that was kept on the day already stays. */
  keep(plans: readonly { readonly buildId: string; readonly plan: KeptPlan }[]): Promise<void>
  /** Of each build the last plan that was kept before a day. */
  before(day: string, buildIds: readonly string[]): Promise<ReadonlyMap<string, KeptPlan>>
}

export function planStore(connection: Connection): PlanStore {
  return {
    async means() {
      const [row] = await connection.select().from(shopMeansTable).orderBy(desc(shopMeansTable.seq)).limit(1)
      return row && (JSON.parse(row.means) as ShopMeans)
    },
    async setMeans(means, by) {
      await connection.insert(shopMeansTable).values({ means: JSON.stringify(means), at: new Date().toISOString(), by })
    },
    keep: (plans) => againIfOvertaken(() => keepFirst(connection, plans)),
    async before(day, buildIds) {
      const rows = await connection
        .select()
        .from(planTable)
        .where(and(inArray(planTable.buildId, [...buildIds]), lt(planTable.day, day)))
        .orderBy(planTable.day)
      // The later of two days stands in the place of the earlier.
      return new Map(rows.map(({ buildId, plan }) => [buildId, JSON.parse(plan) as KeptPlan]))
    },
  }
}

/** The plan that was kept first for a build and a day stays. */
async function keepFirst(connection: Connection, plans: Parameters<PlanStore['keep']>[0]): Promise<void> {
  const days = [...new Set(plans.map(({ plan }) => plan.day))]
  const kept = await connection.select({ id: planTable.buildId, day: planTable.day }).from(planTable).where(inArray(planTable.day, days))
  const known = new Set(kept.map(({ id, day }) => `${id}/${day}`))
  const fresh = plans.filter(({ buildId, plan }) => !known.has(`${buildId}/${plan.day}`))
  for (const some of chunks(fresh))
    await connection.insert(planTable).values(some.map(({ buildId, plan }) => ({ buildId, day: plan.day, plan: JSON.stringify(plan) })))
}
