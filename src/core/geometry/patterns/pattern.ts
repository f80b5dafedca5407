import type { Position } from '../sheets/sheets'
import { packEnclose } from 'd3-hierarchy'

/** Fasteners in a line along a head: between the cylinders (one more than there are), or beside the middle of each. */
export interface HeadRow {
  readonly yMm: number
  readonly at: 'between' | 'betweenOnly' | 'middle'
}

/**
 * A head over cylinders in a line, front to rear. `between` stands in every gap and beyond both ends, so that a fastener between
 * two cylinders is shared by them; `betweenOnly` leaves out the ends; `middle` stands beside each cylinder.
 */
export function headPattern(cylinders: number, spacingMm: number, rows: readonly HeadRow[]): Position[] {
  return rows.flatMap(({ yMm, at }) => {
    if (at === 'middle') return Array.from({ length: cylinders }, (_, row) => ({ xMm: row * spacingMm, yMm }))
    const gaps = Array.from({ length: cylinders + 1 }, (_, gap) => ({ xMm: (gap - 0.5) * spacingMm, yMm }))
    return at === 'between' ? gaps : gaps.slice(1, -1)
  })
}

/** Caps in a line, each held by fasteners at the same places across it: 2, 4 or 6, the inner ones first. */
export function capPattern(capXMm: readonly number[], acrossMm: readonly number[]): Position[] {
  return capXMm.flatMap((xMm) => acrossMm.flatMap((yMm) => [-yMm, yMm].map((side) => ({ xMm, yMm: side }))))
}

/** Evenly round a circle, the first at the top, clockwise as the drawing is seen. */
export function circlePattern(count: number, diameterMm: number): Position[] {
  return Array.from({ length: count }, (_, index) => {
    const turn = (2 * Math.PI * index) / count
    return { xMm: clean((diameterMm / 2) * Math.sin(turn)), yMm: clean((diameterMm / 2) * Math.cos(turn)) }
  })
}

/** Along the edge of a rectangle, corners included, clockwise from the corner at the front on the right. */
export function rectanglePattern(along: number, across: number, lengthMm: number, widthMm: number): Position[] {
  const xs = Array.from({ length: along }, (_, index) => (index * lengthMm) / (along - 1))
  const ys = Array.from({ length: across }, (_, index) => widthMm - (index * widthMm) / (across - 1))
  return [
    ...xs.map((xMm) => ({ xMm, yMm: widthMm })),
    ...ys.slice(1, -1).map((yMm) => ({ xMm: lengthMm, yMm })),
    ...xs.toReversed().map((xMm) => ({ xMm, yMm: 0 })),
    ...ys
      .slice(1, -1)
      .toReversed()
      .map((yMm) => ({ xMm: 0, yMm })),
  ]
}

/** Without the last digits of a sine, which no drawing has. */
function clean(mm: number): number {
  // A zero of its own: rounding leaves the sign of a nothing below it.
  return Math.round(mm * 1e6) / 1e6 || 0
}

/** Middle of the smallest circle round the pattern: that of a bolt circle of any count, and that of a head whatever its rows. */
export function middleOf(positions: readonly Position[]): Position {
  const { x, y } = packEnclose(positions.map(({ xMm, yMm }) => ({ x: xMm, y: yMm, r: 0 })))
  return { xMm: x, yMm: y }
}
