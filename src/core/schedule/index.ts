/** When engines are ready: what is left of their walks, over the people, stands and promises there are. */
export { ownTimes, type TookStep } from './ownTimes'
export { planShop, type EnginePlan, type EngineToPlan, type PlannedTask, type ShopMeans, type ShopPlan } from './plan'
export { keptPlan, slipSince, type KeptPlan, type Slip, type SlipCause } from './slip'
export { plannedSteps, type PlannedStep } from './tasks'
export { USUAL_HOURS, type ShopHours } from './workingTime'
