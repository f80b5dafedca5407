import type { Build } from '../../document/build'
import type { Reading } from '../../document/types'
import { figureOfReading } from '../../document/figures'
import { standardUncertainty, type Bounds, type Uncertain } from '../../metrology'
import { studentCoverageFactor } from '../../numerics/distributions'
import { AN_INCH_DOWN, passes, ringStation } from '../../shared/ringGap'
import type { Ring } from '../../shared/ringNames'

/** One pass on the file: the gap it left, and what a stroke took off. */
export interface FilingPass {
  readonly reading: Reading
  readonly gapMm: number
  readonly strokes: number | undefined
  readonly perStrokeMm: number | undefined
}

export interface FilingLog {
  readonly passes: readonly FilingPass[]
  /** The gap aimed at. */
  readonly targetMm: number
  /** What is still to come off to reach the target; negative when it is past it. */
  readonly toFileMm: number
  /** Half-width at 95 % of what the gauge leaves open of it. */
  readonly uncertaintyMm: number
  /** Strokes that can be taken so that the gap goes past the target at most once in twenty; undefined before the first counted pass. */
  readonly strokesSafe: number | undefined
  /** Strokes to the target at the rate of all passes so far. */
  readonly strokesLeft: number | undefined
}

/** Where a gap is filed to: its target, and never below the least there may be. */
export function fileTo(limit: Bounds | undefined): number | undefined {
  if (!limit || limit.lower === undefined) return limit?.target
  return Math.max(limit.lower, limit.target ?? limit.lower)
}

/**
 * How unevenly a hand files, pass to pass, as a share of its rate, before enough passes show it (assumed: common practice gives
 * no figure; a third is what a hand new to the file shows).
 */
const HAND_SCATTER = 0.35
/** Passes counted as if they had shown that scatter. */
const PRIOR_PASSES = 3
/** One-sided, so that at most one filing in twenty goes past; 1 % is kept for what is assumed. */
const SAFE_COVERAGE = 0.92

/**
 * The filing of one ring from its readings an inch down, first to last. A ring cannot be un-filed, so the safe count takes the
 * gap at the widest the leaves allow, the rate at the quickest that the first and the last reading allow together, and on top
 * the scatter of the hand from pass to pass by Student's t.
 */
export function filingLog(build: Build, ring: Ring, cylinder: number, limit: Bounds | undefined): FilingLog | undefined {
  const station = ringStation(ring, cylinder, AN_INCH_DOWN)
  const readings = passes(build, station)
  const last = readings.at(-1)
  const targetMm = fileTo(limit)
  if (!last || targetMm === undefined) return undefined
  const valueOf = (reading: Reading) => figureOfReading(build, reading, station).value
  const log = readings.map((reading, index): FilingPass => {
    const gapMm = valueOf(reading).value
    const before = readings[index - 1]
    const perStrokeMm = before && reading.strokes ? (gapMm - valueOf(before).value) / reading.strokes : undefined
    return { reading, gapMm, strokes: reading.strokes, perStrokeMm }
  })
  const uncertaintyMm = reach(valueOf(last), last)
  const toFileMm = targetMm - log.at(-1)!.gapMm
  const rate = rateOf(
    log,
    readings.map((reading) => reach(valueOf(reading), reading)),
  )
  const strokes = (mm: number, perStrokeMm: number) => Math.max(0, Math.floor(mm / perStrokeMm + 1e-9))
  return {
    passes: log,
    targetMm,
    toFileMm,
    uncertaintyMm,
    strokesSafe: rate && strokes(toFileMm - uncertaintyMm, rate.quickestMm),
    strokesLeft: rate && strokes(toFileMm, rate.meanMm),
  }
}

/** How far the true gap may stand from the middle of its reading: half the leaves' interval, or 95 % of a value's. */
function reach(value: Uncertain, reading: Reading): number {
  return reading.upper === undefined ? 2 * standardUncertainty(value) : (reading.upper - reading.value) / 2
}

/** What a stroke takes off, over the last unbroken run of counted passes: the mean, and the quickest the next pass may be. */
function rateOf(
  log: readonly FilingPass[],
  reachesMm: readonly number[],
): { readonly meanMm: number; readonly quickestMm: number } | undefined {
  const from = log.findLastIndex(({ perStrokeMm }, index) => index === 0 || perStrokeMm === undefined)
  const counted = log.slice(from + 1)
  const strokes = counted.reduce((sum, pass) => sum + pass.strokes!, 0)
  if (strokes === 0) return undefined
  const takenMm = counted.at(-1)!.gapMm - log[from]!.gapMm
  const openMm = reachesMm[from]! + reachesMm.at(-1)!
  const meanMm = takenMm / strokes
  const quickestMeanMm = (takenMm + openMm) / strokes
  if (quickestMeanMm <= 0) return undefined
  const scatter = scatterOf(counted, meanMm)
  const t = studentCoverageFactor(SAFE_COVERAGE, PRIOR_PASSES + counted.length - 1)
  // The next pass scatters about the mean as the ones before did, and the mean of n passes is itself that uncertain.
  const quickestMm = quickestMeanMm * (1 + t * scatter * Math.sqrt(1 + 1 / counted.length))
  return { meanMm: meanMm > 0 ? meanMm : quickestMeanMm, quickestMm }
}

/** Relative scatter of the rate from pass to pass: what the passes show, weighed with what is assumed. */
function scatterOf(counted: readonly FilingPass[], meanMm: number): number {
  if (!(meanMm > 0)) return HAND_SCATTER
  const squares = counted.reduce((sum, { perStrokeMm }) => sum + (perStrokeMm! / meanMm - 1) ** 2, 0)
  return Math.sqrt((PRIOR_PASSES * HAND_SCATTER ** 2 + squares) / (PRIOR_PASSES + counted.length - 1))
}
