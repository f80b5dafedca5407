import { namedEntries } from '../document/ids'
import type { Limit, Spec } from '../document/types'
import type { Presets } from '../bench/bench'
import { PRESETS_OF } from './lists/presets'

/** Limits a fresh build is judged by until its owner or a maker says otherwise, over all benches, each with source and reason. */
export const startingLimits: Presets = (spec) => {
  const all = Object.assign({}, ...Object.values(PRESETS_OF).map((presets) => presets(spec))) as Record<string, Limit>
  return Object.fromEntries(Object.entries(all).map(([key, limit]) => [key, { ...limit, follows: true }]))
}

/**
 * The spec with every limit that still follows put in again from the paper and the duty as they are now. What somebody has
 * overridden stays as it is, and what somebody took off stays off.
 */
export function followPresets(spec: Spec): Spec {
  const own = namedEntries(spec.limits).filter(([, limit]) => !limit.follows)
  const followed = namedEntries(startingLimits(spec)).filter(([key]) => !spec.unlimited?.includes(key))
  return { ...spec, limits: { ...Object.fromEntries(followed), ...Object.fromEntries(own) } }
}
