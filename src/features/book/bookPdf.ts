import 'server-only'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { pdfOf, type SheetSize } from '@/features/print/printer'
import { isMarked, type Standing } from '@/wording'
import { PLANNED_TITLE, WALK_TITLE, PARTS_TITLE, type BenchSheet, type BookSheet, type FoundCell, type OutLine } from './bookSheet'

const RULED = {
  hLineWidth: (row: number) => (row === 1 ? 0.8 : 0.3),
  vLineWidth: () => 0,
  hLineColor: () => '#555555',
  paddingLeft: () => 0,
  paddingRight: () => 6,
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
}

/** The verdict's shape as a vector, black only. */
const SHAPES: Readonly<Partial<Record<Standing, string>>> = {
  within: '<circle cx="5" cy="5" r="4"/>',
  inDoubt: '<circle cx="5" cy="5" r="3.6" fill="none" stroke="#000"/><path d="M5 1 A4 4 0 0 0 5 9 Z"/>',
  over: '<path d="M5 0.5 L9.5 9 L0.5 9 Z"/>',
  under: '<path d="M5 9.5 L9.5 1 L0.5 1 Z"/>',
  notMeasured: '<circle cx="5" cy="5" r="3.6" fill="none" stroke="#000"/>',
}

const STYLES: Pick<TDocumentDefinitions, 'defaultStyle' | 'styles'> = {
  defaultStyle: { font: 'Archivo', fontSize: 8.5, lineHeight: 1.15 },
  styles: {
    title: { fontSize: 20, bold: true },
    heading: { fontSize: 11.5, bold: true, margin: [0, 12, 0, 4] },
    head: { bold: true, fontSize: 8 },
    number: { font: 'Azeret', fontSize: 7.5, alignment: 'right' },
  },
}

/** The build sheet as PDF bytes, A4 or Letter, black only. */
export async function bookPdf(sheet: BookSheet, size: SheetSize, printedOn: string): Promise<Uint8Array<ArrayBuffer>> {
  const definition: TDocumentDefinitions = {
    pageSize: size,
    pageMargins: [42, 42, 42, 48],
    info: { title: `${sheet.title}: build sheet` },
    ...STYLES,
    footer: (page, pages) => ({
      text: `${sheet.title} · build sheet ${printedOn} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 7.5,
      margin: [0, 14, 0, 0],
    }),
    content: [
      { text: sheet.title, style: 'title' },
      { text: `${sheet.description}. Build sheet, ${printedOn}.`, margin: [0, 0, 0, 8] },
      {
        columns: chunk(sheet.facts, Math.ceil(sheet.facts.length / 2)).map((facts) => ({
          table: { widths: [70, '*'], body: facts.map(([label, words]) => [{ text: label, bold: true }, words]) },
          layout: 'noBorders',
        })),
      },
      ...(sheet.benches.length > 0
        ? [{ text: 'What stands out', style: 'heading' }, standsOutContent(sheet.standsOut)]
        : [{ text: 'Nothing is measured yet.' }]),
      ...sheet.benches.flatMap(benchContent),
      ...sheet.joints.flatMap(({ title, lines }): Content[] => [{ text: title, style: 'heading' }, { ul: [...lines] }]),
      { text: 'Paper', style: 'heading' },
      table(
        ['Number', 'Value', 'Source', 'Reason'],
        [110, 100, '*', '*'],
        sheet.paper.map((line) => [line.label, { text: line.value, style: 'number' }, line.source, line.reason]),
      ),
      ...(sheet.gauges.length > 0
        ? [
            { text: 'Gauges', style: 'heading' },
            table(
              ['Gauge', 'What it can see', 'Checked'],
              ['auto', '*', 'auto'],
              sheet.gauges.map((gauge) => [gauge.name, gauge.uncertainty, gauge.checked]),
            ),
          ]
        : []),
      ...(sheet.planned.length > 0 ? [{ text: PLANNED_TITLE, style: 'heading' }, { ul: [...sheet.planned] }] : []),
      ...(sheet.walk.length > 0 ? [{ text: WALK_TITLE, style: 'heading' }, { ul: [...sheet.walk] }] : []),
      ...(sheet.parts.length > 0 ? [{ text: PARTS_TITLE, style: 'heading' }, { ul: [...sheet.parts] }] : []),
      ...(sheet.notChecked.length > 0 ? [{ text: 'Not checked', style: 'heading' }, { ul: [...sheet.notChecked] }] : []),
      ...(sheet.crossed.length > 0
        ? [{ text: 'Struck out, measured again, skipped, noted', style: 'heading' }, { ul: [...sheet.crossed] }]
        : []),
      ...signatures(sheet),
    ],
  }
  return pdfOf(definition)
}

/** What the figures mean, and who answers for them. */
function signatures(sheet: BookSheet): Content[] {
  return [
    {
      text:
        `± is the expanded uncertainty (k = 2, or Student’s t at 95 % where few readings are behind it). Verdicts by ${sheet.rule}. ` +
        'Estimates are marked; the makers’ paperwork and the sanctioning body decide.',
      fontSize: 7.5,
      margin: [0, 12, 0, 28],
    },
    {
      columns: ['Built by', 'Checked by', 'Date'].map((words) => ({
        stack: [{ canvas: [{ type: 'line', x1: 0, y1: 0, x2: 150, y2: 0, lineWidth: 0.6 }] }, { text: words, fontSize: 7.5 }],
      })),
    },
  ]
}

function standsOutContent(lines: readonly OutLine[]): Content {
  if (lines.length === 0) return { text: 'Nothing: all that is measured and has a limit is within it.' }
  return table(
    ['Finding', 'Value', 'Limit', '', 'Verdict'],
    [118, 92, 118, 10, '*'],
    lines.map((line) => [
      line.label,
      { text: line.value, style: 'number', noWrap: true, alignment: 'left' },
      line.limit,
      shape(line.standing, 7),
      line.words,
    ]),
  )
}

function benchContent(bench: BenchSheet): Content[] {
  return [
    { text: bench.title, style: 'heading' },
    ...bench.readings.flatMap(({ columns, rows }): Content[] => [
      table(
        ['Readings', ...columns.map(acrossHead)],
        ['*', ...columns.map(() => 'auto')],
        rows.map((row) => [row.label, ...row.cells.map((cell) => ({ text: cell, style: 'number' }))]),
      ),
      GAP,
    ]),
    ...(bench.checks.length > 0 ? [{ ul: [...bench.checks], margin: [0, 0, 0, 4] } as Content] : []),
    ...bench.findings.flatMap(({ columns, rows }): Content[] => [
      table(
        ['Findings', ...columns.map(acrossHead)],
        ['*', ...columns.map(() => 'auto')],
        rows.map((row) => [row.under ? { stack: [row.label, { text: row.under, fontSize: 7 }] } : row.label, ...row.cells.map(foundCell)]),
      ),
      GAP,
    ]),
  ]
}

const GAP: Content = { text: ' ', fontSize: 4 }

function acrossHead(text: string): TableCell {
  return { text, style: 'head', alignment: 'right' }
}

/** A value out or in doubt carries its shape, so that it is found without colour. */
function foundCell({ words, plusMinus, standing }: FoundCell): TableCell {
  const text = { text: [words, { text: plusMinus && `\n${plusMinus}`, fontSize: 6 }], style: 'number', noWrap: true }
  return isMarked(standing)
    ? {
        columns: [
          { ...(shape(standing, 6) as object), width: 7 },
          { ...text, width: 'auto' },
        ] as Content[],
        columnGap: 1,
      }
    : text
}

function shape(standing: Standing, width: number): TableCell {
  return SHAPES[standing]
    ? { svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10">${SHAPES[standing]}</svg>`, width, margin: [0, 1, 0, 0] }
    : ''
}

function table(head: readonly TableCell[], widths: readonly (string | number)[], body: readonly TableCell[][]): Content {
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: [...widths] as never,
      body: [head.map((cell): TableCell => (typeof cell === 'string' ? { text: cell, style: 'head' } : cell)), ...body],
    },
    layout: RULED,
  }
}

function chunk<T>(items: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(items.length / size) }, (_, index) => items.slice(index * size, (index + 1) * size))
}
