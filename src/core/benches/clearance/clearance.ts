import type { Bench } from '../../bench/bench'
import { hasValvesOverPistons } from '../../geometry/crank'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const bench: Bench = { id: 'clearance', definition, isFor: hasValvesOverPistons, stations, derive }
