import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { bitBlocks, BLOCK } from './bitBlocks'
import { normalCdf } from './distributions'
import { randomStream, seedOf } from './random'

describe('random streams', () => {
  it.each([0, 1, 7, 4151, -3, 2 ** 31 - 1])('give the bits of pure-rand’s xoroshiro128+ for seed %s, over several blocks', (seed) => {
    const reference = xoroshiro128plus(seed)
    const refill = bitBlocks(seed)
    const block = new Int32Array(BLOCK)
    for (let blocks = 0; blocks < 4; blocks++) {
      refill(block)
      expect([...block]).toEqual(Array.from({ length: BLOCK }, () => reference.next()))
    }
  })

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

  it('are normal: mean 0, variance 1, kurtosis 3, and the shares of any table of Φ', () => {
    const sample = new Float64Array(400_000)
    randomStream(5).fillNormal(sample)
    const moment = (power: number) => sample.reduce((sum, x) => sum + x ** power, 0) / sample.length
    // Four standard errors of each: 1/√n, √(2/n), √(96/n).
    expectNear(moment(1), 0, 4 / Math.sqrt(sample.length))
    expectNear(moment(2), 1, 4 * Math.sqrt(2 / sample.length))
    expectNear(moment(4), 3, 4 * Math.sqrt(96 / sample.length))
    for (const x of [-2, -1, 0, 0.5, 1.5]) expectNear(sample.filter((value) => value < x).length / sample.length, normalCdf(x), 0.003)
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
