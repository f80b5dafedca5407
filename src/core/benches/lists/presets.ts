/**
 * What each bench starts a fresh engine with.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { presets as bores } from '../bores/presets'
import { presets as bearings } from '../bearings/presets'
import { presets as rings } from '../rings/presets'
import { presets as rods } from '../rods/presets'
import { presets as fasteners } from '../fasteners/presets'
import { presets as compression } from '../compression/presets'
import { presets as cam } from '../cam/presets'
import { presets as clearance } from '../clearance/presets'

export const PRESETS_OF = { bores, bearings, rings, rods, fasteners, compression, cam, clearance }
