import 'server-only'
import type { Content } from 'pdfmake/interfaces'
import type { Joint, Spec } from '@/core/document'
import { cylinderPlaces } from '@/core/geometry/crank'
import { bankOf, type Position } from '@/core/joints'
import { isInside, onPaper, type Sheet } from '@/core/geometry/sheets/sheets'
import { pdfOf, type SheetSize } from '@/features/print/printer'
import { cross, joinCrosses, placedOn, pt, SCALE_MM, scaleLine, sheetsOn, trueScalePage, type Shape } from '@/features/print/trueScale'
import { turnsOf } from '@/core/joints/turns'

const HOLE_MM = 5
const CROSS_MM = 4
const STRIP_MM = 18

/** Paper to lay on the joint: every fastener at true scale with its turn, on as many sheets as it takes, then its numbers as a strip. */
export async function templatePdf(joint: Joint, spec: Spec, size: SheetSize, compress = true): Promise<Uint8Array<ArrayBuffer>> {
  const sheets = sheetsOn(joint.fasteners, size)
  return pdfOf({
    ...trueScalePage(size, compress),
    info: { title: `${spec.name}, ${joint.name}: template` },
    content: [
      ...sheets.flatMap((sheet, index) => sheetContent(joint, spec, sheet, sheets, index > 0)),
      { text: `${spec.name}, ${joint.name}: the order as a strip`, pageBreak: 'before', margin: [0, 0, 0, 8] },
      strip(joint),
    ],
  })
}

function sheetContent(joint: Joint, spec: Spec, sheet: Sheet, sheets: readonly Sheet[], isLater: boolean): Content[] {
  const at = placedOn(sheet)
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
        ...joinCrosses(sheet, sheets),
      ],
      absolutePosition: { x: 0, y: 0 },
    },
    ...fasteners.map((one): Content => label(at(one), `${one.turn}${joint.types.length > 1 ? `\u00a0${one.type}` : ''}`)),
  ]
}

function hole({ x, y }: { x: number; y: number }): Shape[] {
  return [{ type: 'ellipse', x, y, r1: pt(HOLE_MM), r2: pt(HOLE_MM), lineWidth: 0.8 }, ...cross({ x, y }, CROSS_MM, 0.4)]
}

/** The turn beside the hole, where the cross leaves it to be read. */
function label({ x, y }: { x: number; y: number }, text: string): Content {
  return { text, bold: true, fontSize: 15, absolutePosition: { x: x + pt(HOLE_MM) + 2, y: y - pt(HOLE_MM) - 10 } }
}

function boresOf(joint: Joint, { layout, paper }: Spec): readonly (Position & { readonly radiusMm: number })[] {
  const { boreSpacingMm } = layout
  const boreMm = paper.bore?.value
  // A bore nobody knows is not drawn where somebody cuts by it.
  if (joint.kind !== 'head' || boreSpacingMm === undefined || boreMm === undefined) return []
  const bank = bankOf(joint)
  return cylinderPlaces(layout)
    .filter((place) => bank === undefined || place.bank === bank)
    .map(({ row }) => ({ xMm: row * boreSpacingMm, yMm: 0, radiusMm: boreMm / 2 }))
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
