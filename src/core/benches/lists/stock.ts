/**
 * The parts each bench chooses among.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { stock as bearings } from '../bearings/stock'
import { stock as fasteners } from '../fasteners/stock'
import { stock as compression } from '../compression/stock'
import { stock as clearance } from '../clearance/stock'

export const STOCK_OF = { bearings, fasteners, compression, clearance }
