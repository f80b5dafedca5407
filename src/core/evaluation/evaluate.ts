import { BENCHES } from '../benches'
import type { Build } from '../build/build'
import type { Found } from './compare'

/** Every finding of every bench. */
export function evaluate(build: Build): readonly Found[] {
  return BENCHES.flatMap((bench) => bench.derive(build).map((finding) => ({ bench: bench.id, finding })))
}
