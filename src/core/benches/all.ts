/**
 * Every bench, in the order of work.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import type { Manifest } from '../bench/manifest'
import { manifest as bores } from './bores/manifest'
import { manifest as bearings } from './bearings/manifest'
import { manifest as rings } from './rings/manifest'
import { manifest as rods } from './rods/manifest'
import { manifest as fasteners } from './fasteners/manifest'
import { manifest as compression } from './compression/manifest'
import { manifest as cam } from './cam/manifest'
import { manifest as clearance } from './clearance/manifest'

export const BENCHES: readonly Manifest[] = [bores, bearings, rings, rods, fasteners, compression, cam, clearance]
