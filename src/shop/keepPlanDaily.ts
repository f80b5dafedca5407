import { millisecondsInHour } from 'date-fns/constants'
import 'server-only'
import { shopPlan } from './shopPlan'

/** The plan of each day is kept whether or not anybody looks at it: looked at hourly, the first of a day stays. */
export function keepPlanDaily(): void {
  const timer = setInterval(() => {
    shopPlan().catch((fault: unknown) => console.error('The plan of the day could not be kept', fault))
  }, millisecondsInHour)
  // A server that is told to stop does not wait for it.
  timer.unref()
}
