import type { Build } from '../document/build'
import { readingAt } from '../document/figures'
import { stationId } from '../document/place'
import { derivation } from '../document/remembered'
import { workOn } from '../document/work'
import type { Reading } from '../document/types'
import { formula, resultOf, type Figure } from '../metrology'
import { afterWork } from './afterWork'
import { BORE_DEPTHS, type BoreDepth } from './boreStations'
import type { Derived } from '../bench/finding'
import { RING_CHARACTERISTIC, type Ring } from './ringNames'

/** Where in its bore a ring is gapped: at a depth, as it lies or turned a quarter. */
export interface RingSpot {
  readonly depth: BoreDepth
  readonly turned: boolean
}

/** Where a ring was always gapped, and is filed to. */
export const AN_INCH_DOWN: RingSpot = { depth: 'top', turned: false }

/**
 * Where it was always done, or down the whole of its travel; once more turned a quarter where the build gaps its rings so.
 * Rails at the top, as they lie.
 */
export function ringSpots(build: Build, ring: Ring): readonly RingSpot[] {
  const { ringDepths, ringQuarterTurn } = build.spec.methods
  const isCompression = ring === 'top' || ring === 'second'
  const depths = isCompression && ringDepths === 3 ? BORE_DEPTHS : (['top'] as const)
  return depths.flatMap((depth) => [{ depth, turned: false }, ...(isCompression && ringQuarterTurn ? [{ depth, turned: true }] : [])])
}

export function ringPlace(cylinder: number, { depth, turned }: RingSpot): Reading['place'] {
  return { cylinder, spot: turned ? `${depth}-quarter` : depth }
}

export function ringStation(ring: Ring, cylinder: number, spot: RingSpot): string {
  return stationId(RING_CHARACTERISTIC[ring], ringPlace(cylinder, spot))
}

/** The gap at a spot; undefined where it was not read, or the ring has been on the file since. */
export function ringGapAt(build: Build, ring: Ring, cylinder: number, spot: RingSpot): Figure | undefined {
  if (isFiledSince(build, ring, cylinder, spot)) return undefined
  const read = readingAt(build, RING_CHARACTERISTIC[ring], ringPlace(cylinder, spot))
  return read && afterWork(read, gapChangeMm(build, ring, cylinder, ringStation(ring, cylinder, spot)), 'length', 'File or hone')
}

/** What work does to a gap as it was read: filed off, and π times what the bore is honed. */
export function gapChangeMm(build: Build, ring: Ring, cylinder: number, station: string): number {
  return workOn(build, `ringGap/${ring}/${cylinder}`, station) + Math.PI * workOn(build, `hone/${cylinder}`, station)
}

/** Read before the ring's last pass on the file: the gap of a ring that is no more. By the order of arrival: clocks of devices differ. */
export function isFiledSince(build: Build, ring: Ring, cylinder: number, spot: RingSpot): boolean {
  const filed = lastFiling(build, ring, cylinder)
  if (filed === NEVER) return false
  const read = build.readings.current.get(ringStation(ring, cylinder, spot))
  return read !== undefined && filed > arrivalOf(build, read.id)
}

/** When the ring was last read after a pass on the file, in the order of arrival; never: before everything. */
const lastFiling = derivation('lastFiling', (build, ring: Ring, cylinder: number): number => {
  const filings = ringSpots(build, ring).flatMap((spot) =>
    passes(build, ringStation(ring, cylinder, spot)).flatMap(({ id, strokes }) => (strokes === undefined ? [] : [arrivalOf(build, id)])),
  )
  return Math.max(NEVER, ...filings)
})

/** Before every arrival. */
const NEVER = -Infinity

function arrivalOf(build: Build, id: string): number {
  return build.readings.arrival.get(id) ?? Infinity
}

/** The readings of one place that stand or stood, first to last: those struck out or taken back do not count. */
export function passes(build: Build, station: string): readonly Reading[] {
  return (build.readings.history.get(station) ?? []).flatMap(({ entry, state }) =>
    entry.kind === 'reading' && (state === 'current' || state === 'superseded' || state === 'earlier') ? [entry] : [],
  )
}

/** The gap at a depth: the mean of as it lay and turned a quarter, where both were read. */
function gapAtDepth(build: Build, cylinder: number, depth: BoreDepth): Figure | undefined {
  const read = [false, true].flatMap((turned) => ringGapAt(build, 'top', cylinder, { depth, turned }) ?? [])
  if (read.length < 2) return read[0]
  const text = {
    id: 'meanOfTurns',
    title: 'Mean of both turns',
    kind: 'length',
    expression: '(as it lay + turned a quarter) ÷ 2',
    source: 'definition',
  } as const
  return resultOf(
    text,
    read.map((figure, index) => ({ label: index === 0 ? 'As it lay' : 'Turned a quarter', figure, weight: 1 / read.length })),
  )
}

/** A ring pushed down a bore is a bore gauge: its gap changes by π times the change in diameter. */
export const taperFromGaps = formula({
  id: 'taperFromGaps',
  title: 'Taper by ring gap',
  kind: 'length',
  expression: '(gap at the top − gap at the bottom) ÷ π',
  source: 'circumference = π · diameter; common practice',
  inputs: { topGapMm: { label: 'Gap at the top', kind: 'length' }, bottomGapMm: { label: 'Gap at the bottom', kind: 'length' } },
  evaluate: ({ topGapMm, bottomGapMm }) => (topGapMm - bottomGapMm) / Math.PI,
})

/** Taper of a bore by the top ring, where it was gapped at both ends of its travel. */
export function taperByRing(build: Build, cylinder: number): Derived | undefined {
  const topGapMm = gapAtDepth(build, cylinder, 'top')
  const bottomGapMm = gapAtDepth(build, cylinder, 'bottom')
  return topGapMm && bottomGapMm ? { figure: taperFromGaps.of({ topGapMm, bottomGapMm }) } : undefined
}
