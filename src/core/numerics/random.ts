import { bitBlocks, BLOCK } from './bitBlocks'

/** A reproducible stream: the same seed gives the same draws on every machine. */
export interface RandomStream {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
  /** Fills an array with standard normals. */
  fillNormal(out: Float64Array): void
}

const TWO_POW_32 = 4_294_967_296

/**
 * The layers under the bell curve of the ziggurat method: J. A. Doornik, An improved ziggurat method to generate normal
 * random samples, University of Oxford, 2005, with its 128 layers, tail start r and layer area v.
 */
const LAYER_BITS = 7
const LAYERS = 2 ** LAYER_BITS
/** One step of the bits that are left, one of them the sign. */
const PLACE_STEP = 2 ** (LAYER_BITS - 31)
const TAIL_START = 3.442_619_855_899
const LAYER_AREA = 9.912_563_035_262_17e-3

const { edges, ratios } = ziggurat()
/** The same of whole places, so that nearly all are settled by comparing integers: below it is inside, and so wide is a place. */
const INSIDE_BELOW = Int32Array.from(ratios, (ratio) => Math.floor(ratio / PLACE_STEP))
const PLACE_WIDTH = Float64Array.from(ratios, (_, layer) => edges[layer]! * PLACE_STEP)

function ziggurat(): { edges: Float64Array; ratios: Float64Array } {
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

/** Uniforms from a published generator, normals by the ziggurat: what the million draws of five ratios need. */
export function randomStream(seed: number): RandomStream {
  const refill = bitBlocks(seed)
  const block = new Int32Array(BLOCK)
  let at = BLOCK

  function next(): number {
    if (at === BLOCK) {
      refill(block)
      at = 0
    }
    return block[at++]!
  }

  const uniform = () => (next() >>> 0) / TWO_POW_32

  /** The 98 in 100 that fall inside their layer are settled in this loop, its place in the block in a local; the rest go the long way. */
  function fillNormal(out: Float64Array): void {
    // What the loop reads at every number stands in locals, and it runs to the end of the block without asking for one.
    const [bitsOf, inside, width] = [block, INSIDE_BELOW, PLACE_WIDTH]
    let i = 0
    while (i < out.length) {
      if (at === BLOCK) {
        refill(block)
        at = 0
      }
      const until = Math.min(out.length, i + BLOCK - at)
      let here = at
      let isSettled = true
      for (; i < until && isSettled; i++) {
        // Layer and place in it from bits of their own: bits used for both would tie the two together (Doornik, section 3).
        const bits = bitsOf[here++]!
        const layer = bits & (LAYERS - 1)
        const place = bits >> LAYER_BITS
        isSettled = (place < 0 ? -place : place) < inside[layer]!
        out[i] = place * width[layer]!
      }
      at = here
      if (isSettled) continue
      const bits = bitsOf[here - 1]!
      out[i - 1] = atTheEdge(bits & (LAYERS - 1), (bits >> LAYER_BITS) * PLACE_STEP)
    }
  }

  /** A place in the wedge of a layer, or in the tail; refused ones are drawn again until one is taken. */
  function atTheEdge(firstLayer: number, first: number): number {
    let layer = firstLayer
    let u = first
    for (;;) {
      if (Math.abs(u) < ratios[layer]!) return u * edges[layer]!
      if (layer === 0) return u < 0 ? -tail() : tail()
      const x = u * edges[layer]!
      const low = Math.exp(-0.5 * (edges[layer]! ** 2 - x * x))
      const high = Math.exp(-0.5 * (edges[layer + 1]! ** 2 - x * x))
      if (high + uniform() * (low - high) < 1) return x
      const bits = next()
      layer = bits & (LAYERS - 1)
      u = (bits >> LAYER_BITS) * PLACE_STEP
    }
  }

  /** Beyond the last layer, by G. Marsaglia's tail method (as given by Doornik, section 2). */
  function tail(): number {
    for (;;) {
      const x = Math.log(1 - uniform()) / TAIL_START
      const y = Math.log(1 - uniform())
      if (-2 * y >= x * x) return TAIL_START - x
    }
  }

  return { uniform, normal: oneOf(fillNormal), fillNormal }
}

function oneOf(fill: (out: Float64Array) => void): () => number {
  const one = new Float64Array(1)
  return () => {
    fill(one)
    return one[0]!
  }
}
