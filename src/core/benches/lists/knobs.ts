/**
 * What each bench lets be turned on an engine before metal is cut.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { knobs as bores } from '../bores/knobs'
import { knobs as bearings } from '../bearings/knobs'
import { knobs as rings } from '../rings/knobs'
import { knobs as fasteners } from '../fasteners/knobs'
import { knobs as compression } from '../compression/knobs'
import { knobs as cam } from '../cam/knobs'
import { knobs as clearance } from '../clearance/knobs'

export const KNOBS_OF = { bores, bearings, rings, fasteners, compression, cam, clearance }
