import { readingAt, type Build } from '../build/build'
import type { Reading } from '../build/types'
import { formula, linear, resultOf, type Figure } from '../metrology'
import { BORE_DEPTHS, type BoreDepth } from './boreStations'
import type { Derived } from './finding'
import { RING_CHARACTERISTIC, type Ring } from './ringNames'

/** Depths at which a ring is gapped: where it was always done, or down the whole of its travel. */
export function ringDepths(build: Build, ring: Ring): readonly BoreDepth[] {
  const several = build.spec.methods.ringDepths === 3 && (ring === 'top' || ring === 'second')
  return several ? BORE_DEPTHS : ['top']
}

export function ringPlace(cylinder: number, depth: BoreDepth): Reading['place'] {
  return { cylinder, spot: depth }
}

export function ringGapAt(build: Build, ring: Ring, cylinder: number, depth: BoreDepth): Figure | undefined {
  return readingAt(build, RING_CHARACTERISTIC[ring], ringPlace(cylinder, depth))
}

/** A ring pushed down a bore is a bore gauge: its gap changes by π times the change in diameter. */
export const taperFromGaps = formula({
  id: 'taperFromGaps', title: 'Taper by ring gap', kind: 'length', expression: '(gap at the top − gap at the bottom) ÷ π',
  source: 'circumference = π · diameter; common practice',
  inputs: { topGapMm: { label: 'Gap at the top', kind: 'length' }, bottomGapMm: { label: 'Gap at the bottom', kind: 'length' } },
  evaluate: ({ topGapMm, bottomGapMm }) => (topGapMm - bottomGapMm) / Math.PI,
})

/** Taper of a bore by the top ring, where it was gapped at both ends of its travel. */
export function taperByRing(build: Build, cylinder: number): Derived | undefined {
  const topGapMm = ringGapAt(build, 'top', cylinder, 'top')
  const bottomGapMm = ringGapAt(build, 'top', cylinder, 'bottom')
  return topGapMm && bottomGapMm ? { figure: taperFromGaps.of({ topGapMm, bottomGapMm }) } : undefined
}

/** The smallest of several figures, as a choice that opens to all of them. */
export function smallestOf(title: string, figures: readonly { readonly label: string; readonly figure: Figure }[]): Figure {
  const ranked = [...figures].sort((a, b) => a.figure.value.value - b.figure.value.value)
  const text = { id: 'smallest', title, kind: 'length', expression: 'the smallest one read', source: 'definition' } as const
  return { ...resultOf(text, ranked.map(({ label, figure }, index) => ({ label, figure, weight: index === 0 ? 1 : 0 }))), value: linear([[1, ranked[0]!.figure.value]]) }
}
