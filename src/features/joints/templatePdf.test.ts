import { describe, expect, it } from 'vitest'
import { jointsOf } from '@/core/joints'
import { sheetsOf } from '@/core/geometry/sheets/sheets'
import { DEMO_BUILDS } from '@/demo/scenario'
import { lengthMm, linesOf, MM_PER_PT, type Line } from '../../../tests/support/printedLines'
import { templatePdf } from './templatePdf'

const [tern, petrel] = DEMO_BUILDS.map(({ spec }) => spec)
const headOf = (spec: NonNullable<typeof tern>, id: string) => jointsOf(spec).find((joint) => joint.id === id)!

const printed = async (spec: NonNullable<typeof tern>, id: string, size: 'A4' | 'LETTER' = 'A4') =>
  linesOf(await templatePdf(headOf(spec, id), spec, size, false))

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
        expect(Math.abs(x - across[index]! - tern!.layout.boreSpacingMm!)).toBeLessThan(0.3)
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
