import 'server-only'
import type { Content, ContentCanvas, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Joint, Spec } from '@/core/build'
import { cylinderPlaces } from '@/core/engine'
import { bankOf, isInside, joinMarks, onPaper, sheetsOf, type Position, type Sheet } from '@/core/joints'
import { pdfOf, type SheetSize } from '../printer'
import { turnsOf } from './turns'

const PT_PER_MM = 72 / 25.4
const pt = (mm: number) => mm * PT_PER_MM

/** The longer side lies along the joint. */
const PAGES = { A4: { widthMm: 297, heightMm: 210 }, LETTER: { widthMm: 279.4, heightMm: 215.9 } } as const
const MARGIN_MM = 9
/** Over the drawing: what it is, and the line to check the print by. */
const HEAD_MM = 14
const SCALE_MM = 100
const HOLE_MM = 5
const CROSS_MM = 4
const STRIP_MM = 18

type Shape = ContentCanvas['canvas'][number]

/** Paper to lay on the joint: every fastener at true scale with its turn, on as many sheets as it takes, then its numbers as a strip. */
export async function templatePdf(joint: Joint, spec: Spec, size: SheetSize, compress = true): Promise<Uint8Array<ArrayBuffer>> {
  const page = PAGES[size]
  const sheets = sheetsOf(joint.fasteners, page.widthMm - 2 * MARGIN_MM, page.heightMm - 2 * MARGIN_MM - HEAD_MM)
  const definition: TDocumentDefinitions = {
    pageSize: size,
    pageOrientation: 'landscape',
    pageMargins: [pt(MARGIN_MM), pt(MARGIN_MM), pt(MARGIN_MM), pt(MARGIN_MM)],
    compress,
    info: { title: `${spec.name}, ${joint.name}: template` },
    defaultStyle: { font: 'Archivo', fontSize: 9 },
    content: [
      ...sheets.flatMap((sheet, index) => sheetContent(joint, spec, sheet, sheets, index > 0)),
      { text: `${spec.name}, ${joint.name}: the order as a strip`, pageBreak: 'before', margin: [0, 0, 0, 8] },
      strip(joint),
    ],
  }
  return pdfOf(definition)
}

function sheetContent(joint: Joint, spec: Spec, sheet: Sheet, sheets: readonly Sheet[], isLater: boolean): Content[] {
  // Where a place of the joint comes to lie on the page, in points.
  const at = ({ xMm, yMm }: Position) => ({ x: pt(xMm - sheet.leftMm + MARGIN_MM), y: pt(yMm - sheet.topMm + MARGIN_MM + HEAD_MM) })
  const turns = turnsOf(joint)
  const fasteners = joint.fasteners
    .map((fastener, index) => ({ ...onPaper(fastener), turn: turns[index]!, type: fastener.type }))
    .filter((one) => isInside(one, sheet))
  const where = sheets.length > 1 ? `, sheet ${sheets.indexOf(sheet) + 1} of ${sheets.length}` : ''
  const words = `${spec.name}, ${joint.name}${where}. Front to the left. Print at 100 %: this line is ${SCALE_MM} mm.`
  return [
    { text: words, ...(isLater && { pageBreak: 'before' as const }) },
    {
      canvas: [
        ...scaleLine(),
        ...fasteners.flatMap((one) => hole(at(one))),
        ...boresOf(joint, spec)
          .filter((bore) => isInside(bore, sheet))
          .map((bore): Shape => ({
            type: 'ellipse',
            ...at(bore),
            r1: pt(bore.radiusMm),
            r2: pt(bore.radiusMm),
            lineWidth: 0.4,
            dash: { length: 3 },
          })),
        ...joinMarks(sheets)
          .filter((mark) => isInside(mark, sheet))
          .flatMap((mark) => cross(at(mark), CROSS_MM * 2, 1)),
      ],
      absolutePosition: { x: 0, y: 0 },
    },
    ...fasteners.map((one): Content => label(at(one), `${one.turn}${joint.types.length > 1 ? `\u00a0${one.type}` : ''}`)),
  ]
}

/** To check the print by: under the words, at the left. */
function scaleLine(): Shape[] {
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

function hole({ x, y }: { x: number; y: number }): Shape[] {
  return [{ type: 'ellipse', x, y, r1: pt(HOLE_MM), r2: pt(HOLE_MM), lineWidth: 0.8 }, ...cross({ x, y }, CROSS_MM, 0.4)]
}

function cross({ x, y }: { x: number; y: number }, reachMm: number, lineWidth: number): Shape[] {
  const reach = pt(reachMm)
  return [
    { type: 'line', x1: x - reach, y1: y, x2: x + reach, y2: y, lineWidth },
    { type: 'line', x1: x, y1: y - reach, x2: x, y2: y + reach, lineWidth },
  ]
}

/** The turn beside the hole, where the cross leaves it to be read. */
function label({ x, y }: { x: number; y: number }, text: string): Content {
  return { text, bold: true, fontSize: 15, absolutePosition: { x: x + pt(HOLE_MM) + 2, y: y - pt(HOLE_MM) - 10 } }
}

function boresOf(joint: Joint, { layout, paper }: Spec): readonly (Position & { readonly radiusMm: number })[] {
  if (joint.kind !== 'head') return []
  const bank = bankOf(joint)
  return cylinderPlaces(layout)
    .filter((place) => bank === undefined || place.bank === bank)
    .map(({ row }) => ({ xMm: row * layout.boreSpacingMm, yMm: 0, radiusMm: (paper.bore?.value ?? layout.boreSpacingMm * 0.85) / 2 }))
}

/** The numbers in boxes, to be cut out and stuck beside the fasteners. */
function strip(joint: Joint): Content {
  const turns = turnsOf(joint)
  const inOrder = joint.groups.flatMap(({ order }) => order)
  const boxes = inOrder.map((number) => ({
    text: `${turns[number - 1]}${joint.types.length > 1 ? `\u00a0${joint.fasteners[number - 1]!.type}` : ''}`,
    bold: true,
    fontSize: 16,
    alignment: 'center' as const,
    margin: [0, pt(STRIP_MM) / 4, 0, 0] as [number, number, number, number],
  }))
  const perRow = 14
  const rows = Array.from({ length: Math.ceil(boxes.length / perRow) }, (_, row) => {
    const some = boxes.slice(row * perRow, (row + 1) * perRow)
    return [...some, ...Array.from({ length: perRow - some.length }, () => '')]
  })
  return { table: { widths: Array.from({ length: perRow }, () => pt(STRIP_MM) - 12), heights: pt(STRIP_MM), body: rows } }
}
