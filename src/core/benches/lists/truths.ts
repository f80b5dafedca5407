/**
 * What a virtual engine shows at each bench.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { truths as bores } from '../bores/twin'
import { truths as bearings } from '../bearings/twin'
import { truths as rings } from '../rings/twin'
import { truths as rods } from '../rods/twin'
import { truths as fasteners } from '../fasteners/twin'
import { truths as compression } from '../compression/twin'
import { truths as cam } from '../cam/twin'
import { truths as clearance } from '../clearance/twin'

export const TRUTHS_OF = { bores, bearings, rings, rods, fasteners, compression, cam, clearance }
