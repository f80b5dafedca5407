import type { Bench } from '../../bench/bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const bores: Bench = { id: 'bores', definition, stations, derive, advise }
