import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { normalOf, normalsFrom, uniformOf } from './normals'

/** A reproducible stream: the same seed gives the same draws on every machine. */
export interface RandomStream {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
}

/**
 * The seed of the n-th of many streams that are to have nothing in common. Counted from one they would: small seeds leave most bits
 * of the generator’s state alike, and its first and third numbers near zero in every stream. The finaliser of MurmurHash3
 * (A. Appleby, 2011) makes any two of them differ in about half their bits.
 */
export function seedOf(n: number): number {
  let bits = n | 0
  bits = Math.imul(bits ^ (bits >>> 16), 0x85eb_ca6b)
  bits = Math.imul(bits ^ (bits >>> 13), 0xc2b2_ae35)
  return bits ^ (bits >>> 16)
}

/** Uniforms from a published generator, normals by the ziggurat. */
export function randomStream(seed: number): RandomStream {
  const generator = xoroshiro128plus(seed)
  const next = () => generator.next()
  return { uniform: () => uniformOf(next()), normal: () => normalOf(next(), next) }
}

/**
 * Standard normals for millions of draws, of streams that have nothing in common where their seeds are a few apart.
 * @returns fills an array of at most `most` of them.
 */
export function normalBlocks(seed: number, most: number): (out: Float64Array) => void {
  return normalsFrom(
    Int32Array.from([1, 2, 3, 4], (word) => seedOf(seedOf(seed) + word)),
    most,
  )
}
