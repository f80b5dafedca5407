import { BENCHES } from '../benches'
import type { Build } from '../document/build'
import type { Finding } from '../bench/bench'

/** Every finding of every bench. */
export function evaluate(build: Build): readonly Finding[] {
  return BENCHES.flatMap((bench) => bench.derive(build))
}
