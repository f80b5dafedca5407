import 'server-only'
import type { Content } from 'pdfmake/interfaces'
import {
  tapeGraduations,
  wheelGraduations,
  type Graduation,
  type WheelNumbering,
  type WheelTurns,
} from '@/core/geometry/valvetrain/printedWheel'
import { isInside, type Position, type Sheet } from '@/core/geometry/sheets/sheets'
import { pdfOf, type SheetSize } from '@/features/print/printer'
import { cross, joinCrosses, placedOn, pt, SCALE_MM, scaleLine, sheetsOn, trueScalePage, type Shape } from '@/features/print/trueScale'

export interface PrintedWheel {
  readonly kind: 'wheel' | 'tape'
  readonly diameterMm: number
  readonly turns: WheelTurns
  readonly numbering: WheelNumbering
}

const HUB_MM = 6
const TAPE_LABEL_IN_MM = 5
/** Numerals are read at arm's length: as large as every tenth degree leaves room for. */
const LABEL = { leastPt: 8, mostPt: 22, ptPerMm: 0.085 }
/** From the end of a line to the middle of its number. */
const CLEAR_SHARE = 1.05
const LETTER_SHARE = 0.6
/** The rim of a wheel is cut along, and wants no room beyond it. */
const RIM_EDGE_MM = 1

function labelPt({ kind, diameterMm }: PrintedWheel): number {
  return kind === 'tape' ? LABEL.leastPt : Math.min(LABEL.mostPt, Math.max(LABEL.leastPt, diameterMm * LABEL.ptPerMm))
}

const TAPE_WIDTH_MM = 16
const PT_PER_MM = pt(1)

/** A degree wheel to cut out, or a tape for a balancer, on as many sheets as it takes. */
export async function wheelPdf(wheel: PrintedWheel, size: SheetSize, compress = true): Promise<Uint8Array<ArrayBuffer>> {
  const graduations =
    wheel.kind === 'wheel'
      ? wheelGraduations(wheel.diameterMm, wheel.turns, wheel.numbering)
      : tapeGraduations(wheel.diameterMm, wheel.turns)
  const corners = cornersOf(graduations)
  const edgeMm = wheel.kind === 'wheel' ? RIM_EDGE_MM : undefined
  const [along, upright] = (['landscape', 'portrait'] as const).map((way) => sheetsOn(corners, size, way, edgeMm)) as [
    readonly Sheet[],
    readonly Sheet[],
  ]
  // A wheel that fits a sheet stands on one, whichever way that has to lie.
  const way = upright.length < along.length ? 'portrait' : 'landscape'
  const sheets = way === 'portrait' ? upright : along
  return pdfOf({
    ...trueScalePage(size, compress, way),
    info: { title: titleOf(wheel) },
    content: sheets.flatMap((sheet, index) => sheetContent(wheel, graduations, { sheet, sheets, isLater: index > 0 })),
  })
}

function titleOf({ kind, diameterMm, turns }: PrintedWheel): string {
  return `${kind === 'wheel' ? 'Degree wheel' : 'Balancer tape'} of ${diameterMm} mm, ${turns}`
}

/** Sheets are laid out by places whose y runs upwards. */
function cornersOf(graduations: readonly Graduation[]): readonly Position[] {
  return graduations.flatMap(({ from, to }) => [from, to].map(({ xMm, yMm }) => ({ xMm, yMm: -yMm })))
}

interface OnSheet {
  readonly sheet: Sheet
  readonly sheets: readonly Sheet[]
  readonly isLater: boolean
}

function sheetContent(wheel: PrintedWheel, graduations: readonly Graduation[], { sheet, sheets, isLater }: OnSheet): Content[] {
  const at = placedOn(sheet)
  const here = graduations.filter(({ from, to }) => isInside(from, sheet) || isInside(to, sheet))
  const where = sheets.length > 1 ? `, sheet ${sheets.indexOf(sheet) + 1} of ${sheets.length}` : ''
  const words = `${titleOf(wheel)}${where}. Print at 100 %: this line is ${SCALE_MM} mm.`
  return [
    { text: words, ...(isLater && { pageBreak: 'before' as const }) },
    {
      canvas: [...scaleLine(), ...here.map((one) => lineOf(one, at)), ...outline(wheel, sheet), ...joinCrosses(sheet, sheets)],
      absolutePosition: { x: 0, y: 0 },
    },
    ...here.flatMap((one) => labelOf(wheel, one, sheet)),
  ]
}

function lineOf({ from, to, deg }: Graduation, at: (place: Position) => { x: number; y: number }): Shape {
  const [a, b] = [at(from), at(to)]
  return { type: 'line', x1: a.x, y1: a.y, x2: b.x, y2: b.y, lineWidth: deg % 10 === 0 ? 0.6 : 0.35 }
}

/** What is cut along, and the hole of the bolt. */
function outline({ kind, diameterMm }: PrintedWheel, sheet: Sheet): Shape[] {
  if (kind === 'tape') return []
  const middle = { xMm: 0, yMm: 0 }
  const { x, y } = placedOn(sheet)(middle)
  const rim: Shape = { type: 'ellipse', x, y, r1: pt(diameterMm / 2), r2: pt(diameterMm / 2), lineWidth: 0.5 }
  const hub: Shape = { type: 'ellipse', x, y, r1: pt(HUB_MM), r2: pt(HUB_MM), lineWidth: 0.5 }
  return isInside(middle, sheet) ? [rim, hub, ...cross({ x, y }, HUB_MM + 2, 0.4)] : [rim]
}

function labelOf(wheel: PrintedWheel, { label, to }: Graduation, sheet: Sheet): Content[] {
  if (label === undefined) return []
  const { kind } = wheel
  const size = labelPt(wheel)
  const radius = Math.hypot(to.xMm, to.yMm)
  const inwards = (radius - (size * CLEAR_SHARE) / PT_PER_MM) / radius
  const place = kind === 'wheel' ? { xMm: to.xMm * inwards, yMm: to.yMm * inwards } : { xMm: to.xMm, yMm: TAPE_WIDTH_MM - TAPE_LABEL_IN_MM }
  if (!isInside(place, sheet)) return []
  const { x, y } = placedOn(sheet)(place)
  return [
    {
      text: label,
      fontSize: size,
      bold: kind === 'wheel',
      absolutePosition: { x: x - (label.length * size * LETTER_SHARE) / 2, y: y - size / 2 },
    },
  ]
}
