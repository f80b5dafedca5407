/** A place on a flat thing, mm. */
export interface Position {
  readonly xMm: number
  readonly yMm: number
}

/** A rectangle of what is drawn, mm, x to the right and y downwards on the paper. */
export interface Window {
  readonly leftMm: number
  readonly topMm: number
  readonly widthMm: number
  readonly heightMm: number
}

export interface Sheet extends Window {
  readonly row: number
  readonly column: number
}

/** What two sheets share, so that the marks of one can be laid on those of the other. */
const OVERLAP_MM = 12
/** Room round the outermost places. */
const EDGE_MM = 10

/** On paper: y of the drawing runs downwards. */
export function onPaper({ xMm, yMm }: Position): Position {
  return { xMm, yMm: -yMm }
}

/** The sheets that places take at true scale, left to right and top to bottom, each overlapping its neighbour. */
export function sheetsOf(positions: readonly Position[], widthMm: number, heightMm: number, edgeMm = EDGE_MM): readonly Sheet[] {
  const laid = positions.map(onPaper)
  const spans = (values: readonly number[], room: number) => {
    const [low, high] = [Math.min(...values) - edgeMm, Math.max(...values) + edgeMm]
    const count = Math.max(1, Math.ceil((high - low - OVERLAP_MM) / (room - OVERLAP_MM)))
    const whole = count * room - (count - 1) * OVERLAP_MM
    const from = (low + high - whole) / 2
    return Array.from({ length: count }, (_, index) => from + index * (room - OVERLAP_MM))
  }
  const lefts = spans(
    laid.map(({ xMm }) => xMm),
    widthMm,
  )
  const tops = spans(
    laid.map(({ yMm }) => yMm),
    heightMm,
  )
  return tops.flatMap((topMm, row) => lefts.map((leftMm, column) => ({ row, column, leftMm, topMm, widthMm, heightMm })))
}

/** Places of the marks by which neighbouring sheets are joined: in the middle of what they share, a third and two thirds along. */
export function joinMarks(sheets: readonly Sheet[]): readonly Position[] {
  return sheets.flatMap((one) =>
    sheets.flatMap((other) => {
      const isRight = other.row === one.row && other.column === one.column + 1
      const isBelow = other.column === one.column && other.row === one.row + 1
      if (isRight) return [1 / 3, 2 / 3].map((along) => ({ xMm: other.leftMm + OVERLAP_MM / 2, yMm: one.topMm + along * one.heightMm }))
      return isBelow ? [1 / 3, 2 / 3].map((along) => ({ xMm: one.leftMm + along * one.widthMm, yMm: other.topMm + OVERLAP_MM / 2 })) : []
    }),
  )
}

export function isInside({ xMm, yMm }: Position, { leftMm, topMm, widthMm, heightMm }: Window): boolean {
  return xMm >= leftMm && xMm <= leftMm + widthMm && yMm >= topMm && yMm <= topMm + heightMm
}
