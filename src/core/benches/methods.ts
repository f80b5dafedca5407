import type { BenchId } from '../bench/bench'
import type { MethodDefinition, MethodKey } from '../document/methods'
import { METHODS_OF } from './lists/methods'

/** The ways of measuring a bench leaves to choose. */
export function methodsOf(bench: BenchId): Readonly<Partial<Record<MethodKey, MethodDefinition>>> {
  return METHODS_OF[bench as keyof typeof METHODS_OF] ?? {}
}

/** Every way of measuring there is a choice of. */
export const METHODS = Object.assign({}, ...Object.values(METHODS_OF)) as Readonly<Record<MethodKey, MethodDefinition>>
