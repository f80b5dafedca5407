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

const { edges, ratios } = layers()
/** A place below it is inside its layer: the ratios in whole places, so that nearly all are settled by comparing integers. */
const INSIDE_BELOW = Int32Array.from(ratios, (ratio) => Math.floor(ratio / PLACE_STEP))
/** How wide one place of a layer is. */
const PLACE_WIDTH = Float64Array.from(ratios, (_, layer) => edges[layer]! * PLACE_STEP)

function layers(): { edges: Float64Array; ratios: Float64Array } {
  const edges = new Float64Array(LAYERS + 1)
  const ratios = new Float64Array(LAYERS)
  let height = Math.exp(-0.5 * TAIL_START ** 2)
  edges[0] = LAYER_AREA / height
  edges[1] = TAIL_START
  for (let layer = 2; layer < LAYERS; layer++) {
    edges[layer] = Math.sqrt(-2 * Math.log(LAYER_AREA / edges[layer - 1]! + height))
    height = Math.exp(-0.5 * edges[layer]! ** 2)
  }
  for (let layer = 0; layer < LAYERS; layer++) ratios[layer] = edges[layer + 1]! / edges[layer]!
  return { edges, ratios }
}

/** A uniform in [0, 1) of 32 random bits. */
export function uniformOf(bits: number): number {
  return (bits >>> 0) / TWO_POW_32
}

/** A standard normal of 32 random bits; the two in a hundred that fall outside their layer's rectangle ask for more of them. */
export function normalOf(first: number, next: () => number): number {
  for (let bits = first; ; bits = next()) {
    const layer = bits & (LAYERS - 1)
    const place = bits >> LAYER_BITS
    const x = place * PLACE_WIDTH[layer]!
    if (Math.abs(place) < INSIDE_BELOW[layer]! || Math.abs(place * PLACE_STEP) < ratios[layer]!) return x
    if (layer === 0) return x < 0 ? -tail(next) : tail(next)
    const low = Math.exp(-0.5 * (edges[layer]! ** 2 - x * x))
    const high = Math.exp(-0.5 * (edges[layer + 1]! ** 2 - x * x))
    if (high + uniformOf(next()) * (low - high) < 1) return x
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
  const places = new Int32Array(most)
  const bits = new Int32Array(most)
  return (out) => {
    const outside = fillInside(state, out, places, bits)
    for (let i = 0; i < outside; i++) out[places[i]!] = normalOf(bits[i]!, next)
  }
}

/**
 * Fills an array with the normals that fall inside their layer, the generator in local variables: a call for every number cost more
 * than a million draws may take.
 * @returns how many fell outside: their places in the array, and their bits, stand in the other two.
 */
function fillInside(state: FourWords, out: Float64Array, places: Int32Array, theirBits: Int32Array): number {
  const [inside, width] = [INSIDE_BELOW, PLACE_WIDTH]
  let s0 = state[0]!
  let s1 = state[1]!
  let s2 = state[2]!
  let s3 = state[3]!
  let outside = 0
  for (let i = 0; i < out.length; i++) {
    const sum = (s0 + s3) | 0
    const bits = (((sum << 7) | (sum >>> 25)) + s0) | 0
    const shifted = s1 << 9
    s2 ^= s0
    s3 ^= s1
    s1 ^= s2
    s0 ^= s3
    s2 ^= shifted
    s3 = (s3 << 11) | (s3 >>> 21)
    const layer = bits & (LAYERS - 1)
    const place = bits >> LAYER_BITS
    out[i] = place * width[layer]!
    if ((place < 0 ? -place : place) >= inside[layer]!) {
      places[outside] = i
      theirBits[outside++] = bits
    }
  }
  state[0] = s0
  state[1] = s1
  state[2] = s2
  state[3] = s3
  return outside
}
