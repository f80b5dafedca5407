import 'server-only'
import { database } from '@/data/database'
import { servePlan, USUAL_MEANS, type ServedPlan } from './servedPlan'
import { shopDay } from './shopDay'
import { shopSummaries } from './shopSummaries'

/** The plan of the shop as it stands; the first that is made on a day is kept, for what has slipped since. */
export async function shopPlan(now = new Date()): Promise<ServedPlan> {
  const [{ builds, more }, { plans }] = await Promise.all([shopSummaries(), database()])
  const day = shopDay(now)
  const [means, before] = await Promise.all([
    plans.means(),
    plans.before(
      day,
      builds.map(({ id }) => id),
    ),
  ])
  const { served, kept } = servePlan(builds, { means: means ?? USUAL_MEANS, before, more, nowMs: now.getTime(), day })
  await plans.keep(kept)
  return served
}
