import { describe, expect, it } from 'vitest'
import { linesOf, lengthMm, MM_PER_PT } from '../../../tests/support/printedLines'
import { wheelPdf, type PrintedWheel } from './wheelPdf'

const wheel: PrintedWheel = { kind: 'wheel', diameterMm: 150, turns: 'clockwise', numbering: '0-180-0' }
const printed = async (of: PrintedWheel, size: 'A4' | 'LETTER' = 'A4') => linesOf(await wheelPdf(of, size, false))

describe('a printed degree wheel', () => {
  it('has every degree where the PDF’s own numbers put it, about the middle of its bolt', async () => {
    const { pages } = await printed(wheel)
    expect(pages).toHaveLength(1)
    const middle = pages[0]!.filter((line) => Math.abs(lengthMm(line) - 16) < 0.01)
    const [x, y] = [0, 1].map((axis) => (middle[0]!.from[axis]! + middle[0]!.to[axis]!) / 2) as [number, number]
    const ticks = pages[0]!.flatMap(({ from, to }) => {
      const radius = Math.hypot(from[0] - x, from[1] - y) * MM_PER_PT
      return Math.abs(radius - 75) < 0.02 ? [{ deg: (Math.atan2(from[0] - x, y - from[1]) * 180) / Math.PI, to }] : []
    })
    const found = ticks.map(({ deg }) => (deg + 360) % 360).sort((a, b) => a - b)
    expect(found).toHaveLength(360)
    found.forEach((deg, index) => expect(Math.min(Math.abs(deg - index), 360 - Math.abs(deg - index))).toBeLessThan(0.02))
  })

  it('of 180 mm fits one sheet of either paper, standing; 195 mm do not', async () => {
    for (const size of ['A4', 'LETTER'] as const) expect((await printed({ ...wheel, diameterMm: 180 }, size)).pages).toHaveLength(1)
    expect((await printed({ ...wheel, diameterMm: 195 })).pages.length).toBeGreaterThan(1)
  })

  it('measures 100 mm where it says so, on either paper', async () => {
    for (const size of ['A4', 'LETTER'] as const) {
      const { pages, scales } = await printed(wheel, size)
      const line = pages[0]!.map(lengthMm).filter((length) => Math.abs(length - 100) < 2)
      expect(line).toHaveLength(1)
      expect(Math.abs(line[0]! - 100)).toBeLessThan(0.3)
      expect(scales.every(([x, y]) => x === 1 && y === 1)).toBe(true)
    }
  })

  it('larger than the paper comes on several sheets, no degree missing, joined by the same marks', async () => {
    const { pages } = await printed({ ...wheel, diameterMm: 400 })
    expect(pages.length).toBeGreaterThanOrEqual(4)
    const ticks = pages.map((page) => page.filter((line) => [4, 6.5, 9].some((mm) => Math.abs(lengthMm(line) - mm) < 0.01)).length)
    expect(ticks.reduce((sum, count) => sum + count, 0)).toBeGreaterThanOrEqual(360)
    // Every sheet carries two crosses for each neighbour.
    for (const page of pages) expect(page.filter((line) => Math.abs(lengthMm(line) - 16) < 0.01).length).toBeGreaterThanOrEqual(8)
  })

  it('as a tape for a balancer has its degrees πD/360 apart, over as many strips as it takes', async () => {
    const { pages } = await printed({ ...wheel, kind: 'tape', diameterMm: 180 })
    const places = pages[0]!
      .filter(({ from, to }) => from[0] === to[0] && [4, 6.5, 9].some((mm) => Math.abs(lengthMm({ from, to }) - mm) < 0.01))
      .map(({ from }) => from[0] * MM_PER_PT)
      .sort((a, b) => a - b)
    expect(places).toHaveLength(121)
    expect((places.at(-1)! - places[0]!) / 120).toBeCloseTo((Math.PI * 180) / 360, 2)
  })
})
