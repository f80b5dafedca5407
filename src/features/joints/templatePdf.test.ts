import { describe, expect, it } from 'vitest'
import { jointsOf, sheetsOf } from '@/core/joints'
import { DEMO_BUILDS } from '@/demo/scenario'
import { templatePdf } from './templatePdf'

const MM_PER_PT = 25.4 / 72
const [tern, petrel] = DEMO_BUILDS.map(({ spec }) => spec)
const headOf = (spec: NonNullable<typeof tern>, id: string) => jointsOf(spec).find((joint) => joint.id === id)!

interface Line {
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
}
const lengthMm = ({ from, to }: Line) => Math.hypot(to[0] - from[0], to[1] - from[1]) * MM_PER_PT

/** Straight lines of each page in the PDF's own points, and its page size: what a printer draws, read off the file itself. */
async function printed(spec: NonNullable<typeof tern>, id: string, size: 'A4' | 'LETTER' = 'A4') {
  const text = Buffer.from(await templatePdf(headOf(spec, id), spec, size, false)).toString('latin1')
  const streams = [...text.matchAll(/stream\r?\n([\s\S]*?)endstream/g)].map(([, stream]) => stream!).filter((stream) => / l\b/.test(stream))
  const number = '(-?[\\d.]+)'
  const line = new RegExp(`${number} ${number} m\\s+${number} ${number} l\\b`, 'g')
  const pages = streams.map((stream) =>
    [...stream.matchAll(line)].map(([, x1, y1, x2, y2]): Line => ({ from: [Number(x1), Number(y1)], to: [Number(x2), Number(y2)] })),
  )
  const [, width, height] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(text)!
  // No scale of its own between these numbers and the paper but the turning over of the page.
  const scales = [...text.matchAll(/(-?[\d.]+) 0 0 (-?[\d.]+) -?[\d.]+ -?[\d.]+ cm/g)].map(([, x, y]) => [
    Math.abs(Number(x)),
    Math.abs(Number(y)),
  ])
  return { pages, sizeMm: [Number(width) * MM_PER_PT, Number(height) * MM_PER_PT], scales, numbers: text }
}

/** Middles of the crosses of holes: lines of eight millimetres along the page. */
const crosses = (page: readonly Line[]) =>
  page
    .filter(({ from, to }) => from[1] === to[1])
    .filter((line) => Math.abs(lengthMm(line) - 8) < 0.01)
    .map(({ from, to }) => ((from[0] + to[0]) / 2) * MM_PER_PT)

describe('the template', () => {
  it('is at true scale: its line of 100 mm measures 100, on a page of the paper’s own size', async () => {
    for (const [size, widthMm, heightMm] of [
      ['A4', 297, 210],
      ['LETTER', 279.4, 215.9],
    ] as const) {
      const { pages, sizeMm, scales } = await printed(tern!, 'head', size)
      expect(sizeMm[0]).toBeCloseTo(widthMm, 0)
      expect(sizeMm[1]).toBeCloseTo(heightMm, 0)
      expect(scales.every(([x, y]) => x === 1 && y === 1)).toBe(true)
      const scaleLine = pages[0]!.map(lengthMm).filter((length) => Math.abs(length - 100) < 2)
      expect(scaleLine).toHaveLength(1)
      expect(Math.abs(scaleLine[0]! - 100)).toBeLessThan(0.3)
    }
  })

  it('a head longer than the paper takes several sheets, its fasteners a bore spacing apart on each', async () => {
    const head = headOf(tern!, 'head')
    const { pages } = await printed(tern!, 'head')
    expect(sheetsOf(head.fasteners, 279, 178).length).toBeGreaterThan(1)
    const onSheets = pages.map(crosses).filter((xs) => xs.length > 0)
    expect(onSheets).toHaveLength(2)
    for (const xs of onSheets) {
      const across = [...new Set(xs.map((x) => x.toFixed(2)))].map(Number).toSorted((a, b) => a - b)
      for (const [index, x] of across.slice(1).entries())
        expect(Math.abs(x - across[index]! - tern!.layout.boreSpacingMm)).toBeLessThan(0.3)
    }
    // Twelve studs, none left out; one in the shared strip would be on both.
    expect(onSheets.flat().length).toBeGreaterThanOrEqual(12)
    // Two marks in the strip that both sheets share.
    const marks = pages.map((page) => page.filter((line) => Math.abs(lengthMm(line) - 16) < 0.01).length)
    expect(marks.filter((count) => count === 4)).toHaveLength(2)
  })

  it('holds all of seventeen bolts in inch spacing', async () => {
    const { pages } = await printed(petrel!, 'head-left', 'LETTER')
    expect(pages.flatMap(crosses).length).toBeGreaterThanOrEqual(17)
  })
})
