import type { Bench } from '../../bench/bench'
import { definition } from './definition'
import { derive } from './derive'
import { stations } from './stations'

export const bench: Bench = { id: 'fasteners', definition, stations, derive }
