import { randomNormal } from 'd3-random'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A reproducible stream: the same seed gives the same draws on every machine. */
export interface RandomStream {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
}

const TWO_POW_32 = 4_294_967_296

export function randomStream(seed: number): RandomStream {
  const generator = xoroshiro128plus(seed)
  const uniform = () => (generator.next() >>> 0) / TWO_POW_32
  return { uniform, normal: randomNormal.source(uniform)(0, 1) }
}
