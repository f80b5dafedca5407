import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { headPattern } from '../../joints'
import { isInside, joinMarks, onPaper, sheetsOf } from './sheets'

const head = (cylinders: number, spacing: number) =>
  headPattern(cylinders, spacing, [
    { yMm: 55, at: 'between' },
    { yMm: -55, at: 'between' },
  ])

describe('a template on sheets', () => {
  it('is one sheet where the joint fits with its edge, two from a millimetre more', () => {
    // Two cylinders 100 mm apart: 200 mm between the outermost, 220 with the edges, 130 across.
    expect(sheetsOf(head(2, 100), 220, 130)).toEqual([{ row: 0, column: 0, leftMm: -60, topMm: -65, widthMm: 220, heightMm: 130 }])
    expect(sheetsOf(head(2, 100), 219, 130)).toHaveLength(2)
    expect(sheetsOf(head(2, 100), 220, 129)).toHaveLength(2)
  })

  it('holds every fastener whole on some sheet; neighbours share twelve millimetres and two marks', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 60, max: 140, noNaN: true }),
        fc.integer({ min: 120, max: 280 }),
        (cylinders, spacing, width) => {
          const positions = head(cylinders, spacing)
          const sheets = sheetsOf(positions, width, 190)
          for (const position of positions.map(onPaper)) {
            const rim = [-6, 6].flatMap((off) => [
              { xMm: position.xMm + off, yMm: position.yMm },
              { xMm: position.xMm, yMm: position.yMm + off },
            ])
            expect(sheets.some((sheet) => rim.every((point) => isInside(point, sheet)))).toBe(true)
          }
          const marks = joinMarks(sheets)
          expect(marks).toHaveLength(2 * (sheets.length - 1))
          for (const mark of marks) expect(sheets.filter((sheet) => isInside(mark, sheet))).toHaveLength(2)
          for (const [index, sheet] of sheets.slice(1).entries())
            expect(sheets[index]!.leftMm + sheets[index]!.widthMm - sheet.leftMm).toBeCloseTo(12, 9)
        },
      ),
    )
  })

  it('laid as seen from above: the engine’s right is up', () => {
    expect(onPaper({ xMm: 3, yMm: 55 })).toEqual({ xMm: 3, yMm: -55 })
  })
})
