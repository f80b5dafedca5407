/**
 * By which limits of each bench a virtual engine was made.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { aims as bores } from '../bores/aims'
import { aims as bearings } from '../bearings/aims'
import { aims as rings } from '../rings/aims'

export const AIMS_OF = { bores, bearings, rings }
