import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { normalCdf } from './distributions'
import { nextBits, normalOf, normalsFrom } from './normals'
import { normalBlocks, randomStream, seedOf } from './random'

describe('random streams', () => {
  it('repeat with their seed and differ without it', () => {
    const draw = (seed: number) => {
      const { normal } = randomStream(seed)
      return [normal(), normal(), normal()]
    }
    expect(draw(7)).toEqual(draw(7))
    expect(draw(7)).not.toEqual(draw(8))
  })

  it('of streams by number have nothing in common, the first number of each as normal as any', () => {
    const streams = Array.from({ length: 2000 }, (_, n) => {
      const { normal } = randomStream(seedOf(n + 1))
      return [normal(), normal(), normal()]
    })
    for (const at of [0, 1, 2]) {
      const drawn = streams.map((stream) => stream[at]!)
      const mean = drawn.reduce((sum, x) => sum + x, 0) / drawn.length
      expectNear(mean, 0, 4 / Math.sqrt(drawn.length))
      expectNear(drawn.reduce((sum, x) => sum + x * x, 0) / drawn.length, 1, 4 * Math.sqrt(2 / drawn.length))
    }
  })

  const oneByOne = (size: number) => {
    const { normal } = randomStream(5)
    return Float64Array.from({ length: size }, () => normal())
  }
  const inBlocks = (size: number) => {
    const sample = new Float64Array(size)
    normalBlocks(5, size)(sample)
    return sample
  }

  it.each([
    ['one by one', oneByOne],
    ['in blocks', inBlocks],
  ])('are normal, %s: mean 0, variance 1, kurtosis 3, and the shares of any table of Φ', (_, draw) => {
    const sample = draw(400_000)
    const moment = (power: number) => sample.reduce((sum, x) => sum + x ** power, 0) / sample.length
    // Four standard errors of each: 1/√n, √(2/n), √(96/n).
    expectNear(moment(1), 0, 4 / Math.sqrt(sample.length))
    expectNear(moment(2), 1, 4 * Math.sqrt(2 / sample.length))
    expectNear(moment(4), 3, 4 * Math.sqrt(96 / sample.length))
    for (const x of [-2, -1, 0, 0.5, 1.5]) expectNear(sample.filter((value) => value < x).length / sample.length, normalCdf(x), 0.003)
    // Beyond the last layer: 5.75 in ten thousand, half of them on each side (any table of Φ).
    const beyond = 2 * (1 - normalCdf(3.442_619_855_899))
    expectNear(sample.filter((x) => Math.abs(x) > 3.442_619_855_899).length, beyond * sample.length, 4 * Math.sqrt(beyond * sample.length))
  })

  it('neighbours do not know of each other', () => {
    const { normal } = randomStream(9)
    let product = 0
    let before = normal()
    for (let i = 0; i < 200_000; i++) {
      const now = normal()
      product += before * now
      before = now
    }
    expectNear(product / 200_000, 0, 4 / Math.sqrt(200_000))
  })
})

describe('blocks of normals', () => {
  it('rest on the bits of xoshiro128++: from 1, 2, 3, 4 as its authors’ program gives them (from memory, the first by hand)', () => {
    const state = Int32Array.of(1, 2, 3, 4)
    // The first: (1 + 4) turned left by seven bits, and 1 more.
    expect(Array.from({ length: 10 }, () => nextBits(state) >>> 0)).toEqual([
      641, 1573767, 3222811527, 3517856514, 836907274, 4247214768, 3867114732, 1355841295, 495546011, 621204420,
    ])
  })

  it('hold the normals of those bits at their places, the few outside a layer drawn after the block', () => {
    const block = new Float64Array(500)
    normalsFrom(Int32Array.of(1, 2, 3, 4), 500)(block)
    const state = Int32Array.of(1, 2, 3, 4)
    const bits = Array.from(block, () => nextBits(state))
    const asksForMore = (one: number) => {
      let asked = 0
      normalOf(one, () => asked++)
      return asked > 0
    }
    const outside = bits.flatMap((one, place) => (asksForMore(one) ? [place] : []))
    // Two in a hundred, or a little less.
    expect(outside.length).toBeGreaterThan(0)
    expect(outside.length).toBeLessThan(25)
    for (const [place, one] of bits.entries()) if (!outside.includes(place)) expect(block[place]).toBe(normalOf(one, () => NaN))
    const next = () => nextBits(state)
    for (const place of outside) expect(block[place]).toBe(normalOf(bits[place]!, next))
  })

  it('go on where the last one ended, repeat with their seed and differ without it', () => {
    const draw = (seed: number, sizes: readonly number[]) => {
      const fill = normalBlocks(seed, 100)
      return sizes.map((size) => {
        const block = new Float64Array(size)
        fill(block)
        return block
      })
    }
    const [first, second] = draw(3, [100, 100]) as [Float64Array, Float64Array]
    expect(draw(3, [100, 100])).toEqual([first, second])
    expect(new Set([...first, ...second, ...draw(4, [100])[0]!]).size).toBe(300)
  })
})
