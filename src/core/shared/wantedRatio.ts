import type { Spec } from '../document/types'

/** The compression ratio an engine is meant to have: what its limit aims at, else the least it allows. */
export function wantedRatio({ limits }: Pick<Spec, 'limits'>): number | undefined {
  const limit = limits['compression.compressionRatio']
  return limit?.target ?? limit?.lower
}
