import type { Bench } from '../../bench/bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const compression: Bench = { id: 'compression', definition, stations, derive, advise }
