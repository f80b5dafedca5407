import { quickselect } from 'd3-array'
import type { Build } from '../../document/build'
import { cylinderNumbers } from '../../geometry/crank'
import { standardUncertainty, type Uncertain } from '../../metrology'
import { randomStream, type RandomStream } from '../../numerics/random'
import { intervalOf, isKnown } from '../../bench/finding'
import { AN_INCH_DOWN, ringStation } from '../../shared/ringGap'
import { gapOf } from './derive'
import { hotGapMm } from './formulas'
import { ringExpansion, ringHeat } from './heat'

/** One top ring as the draws see it: a gap that is an interval or a value with uncertainty, in a bore. */
export interface RingToDraw {
  readonly cylinder: number
  readonly boreMm: number
  readonly boreU: number
  readonly gap: { readonly low: number; readonly high: number } | { readonly value: number; readonly u: number }
}

/** What all the rings of an engine share: alloys and temperatures, each known to ± a hard limit. */
export interface RingsToDraw {
  readonly rings: readonly RingToDraw[]
  readonly ringPerK: PlusMinus
  readonly borePerK: PlusMinus
  readonly ringTempC: PlusMinus
  readonly boreTempC: PlusMinus
}

export interface PlusMinus {
  readonly value: number
  readonly halfWidth: number
}

export interface ButtingResult {
  readonly cylinder: number
  /** Share of the draws in which the ring butted. */
  readonly chance: number
  readonly meanGapMm: number
  /** Gap that 5 % of the draws fall below. */
  readonly lowGapMm: number
}

/** Rings whose gap, bore and temperatures are known; undefined while no temperature is on paper. */
export function ringsToDraw(build: Build): RingsToDraw | undefined {
  const { ringTemperature, boreTemperature } = build.spec.paper
  if (!ringTemperature || !boreTemperature) return undefined
  const { ring, bore } = ringExpansion(build)
  const rings = cylinderNumbers(build.spec.layout).flatMap((cylinder): RingToDraw[] => {
    const gap = gapOf(build, ['top'], cylinder)
    const heat = ringHeat(build, cylinder)
    if (!isKnown(gap) || 'missing' in heat) return []
    const boreMm: Uncertain = heat.heat.boreMm.value
    const interval = gap.interval ?? intervalOf(build, ringStation('top', cylinder, AN_INCH_DOWN))
    return [
      {
        cylinder,
        boreMm: boreMm.value,
        boreU: standardUncertainty(boreMm),
        gap: interval
          ? { low: interval.low, high: interval.high }
          : { value: gap.figure.value.value, u: standardUncertainty(gap.figure.value) },
      },
    ]
  })
  return {
    rings,
    ringPerK: { value: ring.perK, halfWidth: ring.tolerancePerK },
    borePerK: { value: bore.perK, halfWidth: bore.tolerancePerK },
    ringTempC: { value: ringTemperature.value, halfWidth: ringTemperature.tolerance ?? 0 },
    boreTempC: { value: boreTemperature.value, halfWidth: boreTemperature.tolerance ?? 0 },
  }
}

const DRAWS_PER_SLICE = 10_000

/**
 * The chance of butting by random draws (JCGM 101): alloys and temperatures drawn once a trial for all rings, evenly over
 * their limits; a feeler's gap evenly over its interval, any other by its uncertainty. In slices, so that a worker can report and stop.
 */
export function* buttingDraws(
  { rings, ...shared }: RingsToDraw,
  draws: number,
  seed: number,
): Generator<{ done: number; results: readonly ButtingResult[] }> {
  const random = randomStream(seed)
  const gaps = rings.map(() => new Float64Array(draws))
  for (let done = 0; done < draws;) {
    const end = Math.min(draws, done + DRAWS_PER_SLICE)
    for (let draw = done; draw < end; draw++) {
      const ringPerK = evenly(random, shared.ringPerK)
      const borePerK = evenly(random, shared.borePerK)
      const ringTempC = evenly(random, shared.ringTempC)
      const boreTempC = evenly(random, shared.boreTempC)
      for (let ring = 0; ring < rings.length; ring++) {
        const { boreMm, boreU, gap } = rings[ring]!
        const gapMm = 'low' in gap ? gap.low + (gap.high - gap.low) * random.uniform() : gap.value + gap.u * random.normal()
        gaps[ring]![draw] = hotGapMm({ boreMm: boreMm + boreU * random.normal(), gapMm, ringPerK, borePerK, boreTempC, ringTempC })
      }
    }
    done = end
    yield { done, results: done === draws ? rings.map(({ cylinder }, ring) => resultFrom(cylinder, gaps[ring]!)) : [] }
  }
}

function evenly(random: RandomStream, { value, halfWidth }: PlusMinus): number {
  return value + halfWidth * (2 * random.uniform() - 1)
}

const LOW_SHARE = 0.05

/** Writes over the order of `gapsMm`: only the place of the low share is wanted, not a whole sort. */
function resultFrom(cylinder: number, gapsMm: Float64Array): ButtingResult {
  let sum = 0
  let butted = 0
  for (const gap of gapsMm) {
    sum += gap
    if (gap <= 0) butted++
  }
  const low = Math.floor(gapsMm.length * LOW_SHARE)
  quickselect(gapsMm, low)
  return { cylinder, chance: butted / gapsMm.length, meanGapMm: sum / gapsMm.length, lowGapMm: gapsMm[low]! }
}
