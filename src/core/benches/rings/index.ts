import type { Bench } from '../bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { presets } from './presets'
import { stations } from './stations'

export { buttingDraws, ringsToDraw, type ButtingResult, type RingsToDraw } from './butting'
export { CLOCKING, majorThrustSide, type ClockingSchool } from './clocking'
export { filingLog, type FilingLog } from './filing'
export { buttingTemperature, hotGap, hotGapMm, ringTarget } from './formulas'
export { ringExpansion } from './heat'
export { topRingFactor } from './presets'
export { swapRings } from './swap'

export const rings: Bench = { id: 'rings', definition, stations, derive, advise, presets }
