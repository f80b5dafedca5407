/**
 * The quick sums of each bench.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { sums as bores } from '../bores/sums'
import { sums as bearings } from '../bearings/sums'
import { sums as rings } from '../rings/sums'
import { sums as rods } from '../rods/sums'
import { sums as fasteners } from '../fasteners/sums'
import { sums as compression } from '../compression/sums'
import { sums as cam } from '../cam/sums'
import { sums as clearance } from '../clearance/sums'

export const SUMS_OF = { bores, bearings, rings, rods, fasteners, compression, cam, clearance }
