import type { Build } from '../../build/build'
import type { Reading } from '../../build/types'
import { figureOfReading } from '../../build/build'
import { standardUncertainty, type Bounds } from '../../metrology'
import { AN_INCH_DOWN, passes, ringStation } from '../ringGap'
import type { Ring } from '../ringNames'

/** One pass on the file: the gap it left, and what a stroke took off. */
export interface FilingPass {
  readonly reading: Reading
  readonly gapMm: number
  readonly strokes: number | undefined
  readonly perStrokeMm: number | undefined
}

export interface FilingLog {
  readonly passes: readonly FilingPass[]
  /** What is still to come off to reach the target; negative when it is past it. */
  readonly toFileMm: number
  /** Half-width at 95 % of what the gauge leaves open of it. */
  readonly doubtMm: number
  /** Strokes that can be taken without overshooting, at the quickest rate seen and the widest gap the gauge allows. */
  readonly strokesSafe: number | undefined
  /** Strokes to the target at the last rate. */
  readonly strokesLeft: number | undefined
}

/**
 * The filing of one ring from its readings an inch down, first to last. A ring cannot be un-filed, so the safe count takes
 * the quickest pass so far and the gap at its widest.
 */
export function filingLog(build: Build, ring: Ring, cylinder: number, limit: Bounds | undefined): FilingLog | undefined {
  const station = ringStation(ring, cylinder, AN_INCH_DOWN)
  const readings = passes(build, station)
  const last = readings.at(-1)
  const targetMm = limit?.target ?? limit?.lower
  if (!last || targetMm === undefined) return undefined
  const gapOf = (reading: Reading) => figureOfReading(build, reading, station).value
  const log = readings.map((reading, index): FilingPass => {
    const gapMm = gapOf(reading).value
    const before = readings[index - 1]
    const perStrokeMm = before && reading.strokes ? (gapMm - gapOf(before).value) / reading.strokes : undefined
    return { reading, gapMm, strokes: reading.strokes, perStrokeMm }
  })
  const rates = log.flatMap(({ perStrokeMm }) => (perStrokeMm !== undefined && perStrokeMm > 0 ? [perStrokeMm] : []))
  const toFileMm = targetMm - log.at(-1)!.gapMm
  const doubtMm = 2 * standardUncertainty(gapOf(last))
  const strokes = (mm: number, rate: number | undefined) => (rate === undefined ? undefined : Math.max(0, Math.floor(mm / rate)))
  return {
    passes: log, toFileMm, doubtMm,
    strokesSafe: strokes(toFileMm - doubtMm, rates.length > 0 ? Math.max(...rates) : undefined),
    strokesLeft: strokes(toFileMm, rates.at(-1)),
  }
}
