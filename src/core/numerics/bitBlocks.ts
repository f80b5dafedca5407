/** How many numbers are made at once. */
export const BLOCK = 1024

/**
 * Makes random bits a block of 32-bit numbers at a time: xoroshiro128+ in 32-bit halves (D. Blackman, S. Vigna, Scrambled
 * linear pseudorandom number generators, 2018), the low half of each sum. The same stream as the package pure-rand gives,
 * which the test holds it to; in blocks with the state in local variables, because a call for every number cost more than a
 * million draws may take.
 */
export function bitBlocks(seed: number): (block: Int32Array) => void {
  const state = Int32Array.of(-1, ~seed, seed, 0)
  return (block) => {
    let s01 = state[0]!
    let s00 = state[1]!
    let s11 = state[2]!
    let s10 = state[3]!
    for (let i = 0; i < block.length; i++) {
      block[i] = s00 + s10
      const a0 = s10 ^ s00
      const a1 = s11 ^ s01
      const b00 = s00
      const b01 = s01
      s00 = (b00 << 24) ^ (b01 >>> 8) ^ a0 ^ (a0 << 16)
      s01 = (b01 << 24) ^ (b00 >>> 8) ^ a1 ^ ((a1 << 16) | (a0 >>> 16))
      s10 = (a1 << 5) ^ (a0 >>> 27)
      s11 = (a0 << 5) ^ (a1 >>> 27)
    }
    state.set([s01, s00, s11, s10])
  }
}
