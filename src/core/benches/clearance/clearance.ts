import type { Bench } from '../../bench/bench'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const bench: Bench = { id: 'clearance', definition, stations, derive }
