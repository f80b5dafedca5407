import type { Bench, BenchId } from '../bench/bench'
import { bearings } from './bearings'
import { bores } from './bores'
import { compression } from './compression'
import { rings } from './rings'
import { rods } from './rods'

/** Every bench, in the order of work. */
export const BENCHES: readonly Bench[] = [bores, bearings, rings, rods, compression]

export function benchById(id: BenchId): Bench {
  return BENCHES.find((bench) => bench.id === id)!
}

export function isBenchId(id: string): id is BenchId {
  return BENCHES.some((bench) => bench.id === id)
}
