import type { Bench } from '../../bench/bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const rings: Bench = { id: 'rings', definition, stations, derive, advise }
