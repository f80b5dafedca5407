import type { BenchId } from '../bench/bench'
import type { Manifest } from '../bench/manifest'
import type { Spec } from '../document/types'
import { BENCHES } from './all'

/** The benches that have something to ask of an engine. */
export function benchesOf({ layout }: Pick<Spec, 'layout'>): readonly Manifest[] {
  return BENCHES.filter(({ isFor }) => isFor?.(layout) ?? true)
}

export function benchById(id: BenchId): Manifest {
  return BENCHES.find((bench) => bench.id === id)!
}

export function isBenchId(id: string): id is BenchId {
  return BENCHES.some((bench) => bench.id === id)
}
