import type { Bench } from '../../bench/bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const rods: Bench = { id: 'rods', definition, stations, derive, advise }
