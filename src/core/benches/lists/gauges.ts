/**
 * The gauges each bench needs beside the common ones.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { gauges as bores } from '../bores/gauges'
import { gauges as bearings } from '../bearings/gauges'
import { gauges as rods } from '../rods/gauges'
import { gauges as compression } from '../compression/gauges'
import { gauges as cam } from '../cam/gauges'

export const GAUGES_OF = { bores, bearings, rods, compression, cam }
