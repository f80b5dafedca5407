/**
 * The ways of measuring each bench leaves to choose.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { methods as bores } from '../bores/methods'
import { methods as bearings } from '../bearings/methods'
import { methods as rings } from '../rings/methods'
import { methods as fasteners } from '../fasteners/methods'
import { methods as compression } from '../compression/methods'
import { methods as cam } from '../cam/methods'
import { methods as clearance } from '../clearance/methods'

export const METHODS_OF = { bores, bearings, rings, fasteners, compression, cam, clearance }
