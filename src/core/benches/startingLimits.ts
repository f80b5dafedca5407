import type { Presets } from './bench'
import { presets as bearings } from './bearings/presets'
import { presets as bores } from './bores/presets'
import { presets as compression } from './compression/presets'
import { presets as rings } from './rings/presets'
import { presets as rods } from './rods/presets'

/** Limits a fresh build is judged by until its owner or a maker says otherwise, over all benches, each with source and reason. */
export const startingLimits: Presets = (spec) => Object.assign({}, ...[bores, bearings, rings, rods, compression].map((presets) => presets(spec)))
