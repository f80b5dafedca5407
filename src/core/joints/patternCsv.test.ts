import { describe, expect, it } from 'vitest'
import { patternFromCsv } from './patternCsv'

const read = (text: string) => patternFromCsv(text)
const issues = (text: string) => {
  const result = read(text)
  return 'issues' in result ? result.issues : []
}

describe('a pattern from a table', () => {
  it('takes x and y in mm or in the unit of their column, and a letter', () => {
    expect(read('x,y,type\n0,55,A\n92,-55,b\n')).toEqual({
      fasteners: [
        { xMm: 0, yMm: 55, type: 'A' },
        { xMm: 92, yMm: -55, type: 'B' },
      ],
    })
    expect(read('X in; Y in\n4.4;1,9\n')).toEqual({
      fasteners: [{ xMm: expect.closeTo(111.76, 9), yMm: expect.closeTo(48.26, 9), type: 'A' }],
    })
    expect(read('\uFEFFy (mm),x (mm)\n1,2')).toEqual({ fasteners: [{ xMm: 2, yMm: 1, type: 'A' }] })
  })

  it('names a bad row by its number and column, and takes none of the others', () => {
    expect(issues('x,y,type\n0,55,A\n9Z,-55,A\n0,5,AB\n')).toEqual([
      { code: 'badNumber', row: 2, column: 'x', text: '9Z' },
      { code: 'badType', row: 3, text: 'AB' },
    ])
    expect(issues('x,y\n0,\n')).toEqual([{ code: 'badNumber', row: 1, column: 'y', text: '' }])
    expect(issues('x,y\n5000.1,0\n')).toMatchObject([{ code: 'badNumber' }])
    expect(read('x,y\n5000,0\n')).toHaveProperty('fasteners')
  })

  it('names two rows at one place, half a millimetre apart or less', () => {
    expect(issues('x,y\n0,0\n50,0\n0.4,0\n')).toEqual([{ code: 'samePlace', row: 3, as: 1 }])
    expect(issues('x,y\n0,0\n0.6,0\n')).toEqual([])
  })

  it('says what the table as a whole lacks', () => {
    expect(issues('along,across\n1,2')).toEqual([
      { code: 'missingColumn', column: 'x' },
      { code: 'missingColumn', column: 'y' },
    ])
    expect(issues('x Nm,y\n1,2')).toEqual([{ code: 'badUnit', text: 'Nm' }])
    expect(issues('x,y\n')).toEqual([{ code: 'empty' }])
    expect(issues(`x,y\n${Array.from({ length: 201 }, (_, row) => `${row * 5},0`).join('\n')}`)).toEqual([{ code: 'tooMany', most: 200 }])
  })
})
