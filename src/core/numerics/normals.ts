/**
 * The layers under the bell curve of the ziggurat method: J. A. Doornik, An improved ziggurat method to generate normal
 * random samples, University of Oxford, 2005, with its 128 layers, tail start r and layer area v. Layer and place in it come
 * from bits of their own of one 32-bit number: bits used for both would tie the two together (Doornik, section 3).
 */
const LAYER_BITS = 7
const LAYERS = 2 ** LAYER_BITS
/** One step of the bits that are left, one of them the sign. */
const PLACE_STEP = 2 ** (LAYER_BITS - 31)
const TAIL_START = 3.442_619_855_899
const LAYER_AREA = 9.912_563_035_262_17e-3
const TWO_POW_32 = 4_294_967_296

const EDGES = layerEdges()
const DENSITIES = EDGES.map(density)
/** How wide one place of a layer is. */
const PLACE_WIDTH = Float64Array.from({ length: LAYERS }, (_, layer) => EDGES[layer]! * PLACE_STEP)
/** A place below it is inside its layer: in whole places, so that nearly all are settled by comparing integers. */
const INSIDE_BELOW = Int32Array.from({ length: LAYERS }, (_, layer) => Math.floor(EDGES[layer + 1]! / PLACE_WIDTH[layer]!))

/** The bell curve, 1 at its middle. */
function density(x: number): number {
  return Math.exp(-0.5 * x * x)
}

/** From the tail's layer, as wide as its area asks, to the middle. */
function layerEdges(): Float64Array {
  const edges = new Float64Array(LAYERS + 1)
  edges[0] = LAYER_AREA / density(TAIL_START)
  edges[1] = TAIL_START
  for (let layer = 2; layer < LAYERS; layer++) {
    const outer = edges[layer - 1]!
    edges[layer] = Math.sqrt(-2 * Math.log(LAYER_AREA / outer + density(outer)))
  }
  return edges
}

/** A uniform in [0, 1) of 32 random bits. */
export function uniformOf(bits: number): number {
  return (bits >>> 0) / TWO_POW_32
}

/** A standard normal of 32 random bits; the two in a hundred that fall outside their layer's rectangle ask for more of them. */
export function normalOf(first: number, next: () => number): number {
  for (let bits = first; ; bits = next()) {
    const layer = bits & (LAYERS - 1)
    const x = (bits >> LAYER_BITS) * PLACE_WIDTH[layer]!
    if (Math.abs(x) < EDGES[layer + 1]!) return x
    if (layer === 0) return x < 0 ? -tail(next) : tail(next)
    const [low, high] = [DENSITIES[layer]!, DENSITIES[layer + 1]!]
    if (high + uniformOf(next()) * (low - high) < density(x)) return x
  }
}

/** Beyond the last layer, by G. Marsaglia's tail method (as given by Doornik, section 2). */
function tail(next: () => number): number {
  for (;;) {
    const x = Math.log(1 - uniformOf(next())) / TAIL_START
    const y = Math.log(1 - uniformOf(next()))
    if (-2 * y >= x * x) return TAIL_START - x
  }
}

/**
 * Where the generator stands: xoshiro128++ (D. Blackman, S. Vigna, Scrambled linear pseudorandom number generators, ACM TOMS
 * 47, 2021). Its words are of 32 bits, so it takes a third of the time in JavaScript that the streams' own generator does.
 */
export type FourWords = Int32Array

/** The next 32 bits. */
export function nextBits(state: FourWords): number {
  const s0 = state[0]!
  const s1 = state[1]!
  const sum = (s0 + state[3]!) | 0
  const mixed = state[2]! ^ s0
  const turned = state[3]! ^ s1
  state[0] = s0 ^ turned
  state[1] = s1 ^ mixed
  state[2] = mixed ^ (s1 << 9)
  state[3] = (turned << 11) | (turned >>> 21)
  return (((sum << 7) | (sum >>> 25)) + s0) | 0
}

/** @returns fills an array of at most `most` standard normals from the generator that stands so; it goes on from there. */
export function normalsFrom(state: FourWords, most: number): (out: Float64Array) => void {
  const next = () => nextBits(state)
  const bits = new Int32Array(most)
  const outside = new Int32Array(most + 1)
  return (out) => {
    fillBits(state, bits, out.length)
    const count = fillInside(bits, out, outside)
    for (let i = 0; i < count; i++) out[outside[i]!] = normalOf(bits[outside[i]!]!, next)
  }
}

/** The generator in local variables, and nothing beside it: a call for every number cost more than a million draws may take. */
function fillBits(state: FourWords, bits: Int32Array, count: number): void {
  let s0 = state[0]!
  let s1 = state[1]!
  let s2 = state[2]!
  let s3 = state[3]!
  for (let i = 0; i < count; i++) {
    const sum = (s0 + s3) | 0
    bits[i] = (((sum << 7) | (sum >>> 25)) + s0) | 0
    const shifted = s1 << 9
    s2 ^= s0
    s3 ^= s1
    s1 ^= s2
    s0 ^= s3
    s2 ^= shifted
    s3 = (s3 << 11) | (s3 >>> 21)
  }
  state[0] = s0
  state[1] = s1
  state[2] = s2
  state[3] = s3
}

/**
 * Places every number in its layer as if it fell inside. No branch, for a core cannot foresee the two in a hundred that do not.
 * @returns how many fell outside; where they stand is in `outside`, which has room for one more than there are.
 */
function fillInside(bits: Int32Array, out: Float64Array, outside: Int32Array): number {
  let count = 0
  for (let i = 0; i < out.length; i++) {
    const layer = bits[i]! & (LAYERS - 1)
    const place = bits[i]! >> LAYER_BITS
    out[i] = place * PLACE_WIDTH[layer]!
    outside[count] = i
    // The sign of the difference, 1 where the place is outside; of a negative place all bits are turned, which is one less than its size.
    count += (INSIDE_BELOW[layer]! - 1 - (place ^ (place >> 31))) >>> 31
  }
  return count
}
