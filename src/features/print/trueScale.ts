import 'server-only'
import type { ContentCanvas, TDocumentDefinitions } from 'pdfmake/interfaces'
import { isInside, joinMarks, sheetsOf, type Position, type Sheet } from '@/core/geometry/sheets/sheets'
import type { SheetSize } from './printer'

/** What every print at true scale has: its page, a line to check the print by, and marks to join its sheets. */
const PT_PER_MM = 72 / 25.4
export const pt = (mm: number) => mm * PT_PER_MM

const PAGES = { A4: { widthMm: 297, heightMm: 210 }, LETTER: { widthMm: 279.4, heightMm: 215.9 } } as const
const MARGIN_MM = 9
/** Over the drawing: what it is, and the line to check the print by. */
const HEAD_MM = 14
export const SCALE_MM = 100
const JOIN_MM = 8

export type Shape = ContentCanvas['canvas'][number]

export type PageWay = 'landscape' | 'portrait'

export function trueScalePage(size: SheetSize, compress: boolean, way: PageWay = 'landscape'): Omit<TDocumentDefinitions, 'content'> {
  return {
    pageSize: size,
    pageOrientation: way,
    pageMargins: [pt(MARGIN_MM), pt(MARGIN_MM), pt(MARGIN_MM), pt(MARGIN_MM)],
    compress,
    defaultStyle: { font: 'Archivo', fontSize: 9 },
  }
}

/** The sheets of a paper that places take, its longer side lying along unless it is to stand. */
export function sheetsOn(positions: readonly Position[], size: SheetSize, way: PageWay = 'landscape', edgeMm?: number): readonly Sheet[] {
  const { widthMm, heightMm } = PAGES[size]
  const [across, down] = way === 'landscape' ? [widthMm, heightMm] : [heightMm, widthMm]
  return sheetsOf(positions, across - 2 * MARGIN_MM, down - 2 * MARGIN_MM - HEAD_MM, edgeMm)
}

/** Where a place comes to lie on the page of a sheet, in points. */
export function placedOn({ leftMm, topMm }: Sheet): (place: Position) => { x: number; y: number } {
  return ({ xMm, yMm }) => ({ x: pt(xMm - leftMm + MARGIN_MM), y: pt(yMm - topMm + MARGIN_MM + HEAD_MM) })
}

/** To check the print by: under the words, at the left. */
export function scaleLine(): Shape[] {
  const [x1, y] = [pt(MARGIN_MM), pt(MARGIN_MM + 7)]
  const x2 = x1 + pt(SCALE_MM)
  const line = (from: readonly [number, number], to: readonly [number, number]): Shape => ({
    type: 'line',
    x1: from[0],
    y1: from[1],
    x2: to[0],
    y2: to[1],
    lineWidth: 0.6,
  })
  return [line([x1, y], [x2, y]), line([x1, y - 4], [x1, y + 4]), line([x2, y - 4], [x2, y + 4])]
}

export function cross({ x, y }: { x: number; y: number }, reachMm: number, lineWidth: number): Shape[] {
  const reach = pt(reachMm)
  return [
    { type: 'line', x1: x - reach, y1: y, x2: x + reach, y2: y, lineWidth },
    { type: 'line', x1: x, y1: y - reach, x2: x, y2: y + reach, lineWidth },
  ]
}

/** The crosses by which a sheet is laid on its neighbours. */
export function joinCrosses(sheet: Sheet, sheets: readonly Sheet[]): Shape[] {
  const at = placedOn(sheet)
  return joinMarks(sheets)
    .filter((mark) => isInside(mark, sheet))
    .flatMap((mark) => cross(at(mark), JOIN_MM, 1))
}
