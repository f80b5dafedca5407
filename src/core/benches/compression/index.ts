import type { Bench } from '../bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { presets } from './presets'
import { stations } from './stations'

export { planAdvice } from './advise'
export { ratioChain, type RatioInputs, type RatioFigures } from './chain'
export { ratioCost, type Cause, type RatioCost } from './cost'
export { cylinderStates } from './derive'
export { gasketRack, type RackRow } from './gasketRack'
export { planCompression, type BindingLimit, type Plan, type PlannedLimit, type PlannerResult } from './planner'
export { ratioModel } from './ratioDraws'
export * as compressionFormulas from './formulas'

export const compression: Bench = { id: 'compression', definition, stations, derive, advise, presets }
