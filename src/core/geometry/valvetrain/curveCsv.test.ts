import { describe, expect, it } from 'vitest'
import { closedLiftMm } from './closedLobe'
import { liftTableFrom } from './curveCsv'

const lobe = { liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }
const angles = Array.from({ length: 35 }, (_, index) => -60 + 10 * index)
const table = (
  change: (line: string, row: number) => string | string[] = (line) => line,
  header = 'angle,lift',
  lift = (mm: number) => mm.toFixed(3),
) => [header, ...angles.flatMap((angle, index) => change(`${angle},${lift(closedLiftMm(lobe, angle - 110))}`, index + 1))].join('\n')
const issuesOf = (text: string) => {
  const read = liftTableFrom(text)
  return 'issues' in read ? read.issues : []
}

describe('a lift table', () => {
  it('is read whole, in mm or in the unit its header names', () => {
    const read = liftTableFrom(table())
    expect('rows' in read && read.rows).toHaveLength(35)
    expect('rows' in read && read.rows[17]).toEqual({ angleDeg: 110, liftMm: 10.2 })
    for (const [header, lift] of [
      ['angle,lift in', (mm: number) => (mm / 25.4).toFixed(4)],
      ['Angle, Lift (thou)', (mm: number) => (mm / 0.0254).toFixed(1)],
      ['angle;lift_mm', (mm: number) => mm.toFixed(3)],
      ['Degrees,lift', (mm: number) => mm.toFixed(3)],
      ['crank (deg),lift mm', (mm: number) => mm.toFixed(3)],
    ] as const) {
      const text = table((line) => (header.includes(';') ? line.replace(',', ';').replace('.', ',') : line), header, lift)
      const other = liftTableFrom(text)
      expect('rows' in other && other.rows[17]!.liftMm).toBeCloseTo(10.2, 2)
    }
  })

  it.each([
    [
      'a row that was turned back',
      table((line, row) => (row === 9 ? line.replace('20,', '8,') : line)),
      { code: 'outOfOrder', row: 9, angleDeg: 8, beforeDeg: 10 },
    ],
    ['a row twice', table((line, row) => (row === 9 ? [line, line] : line)), { code: 'repeated', row: 10, angleDeg: 20 }],
    [
      'an angle beyond the cycle',
      table((line, row) => (row === 1 ? line.replace('-60', '-361') : line)),
      { code: 'angleOutOfRange', row: 1, angleDeg: -361 },
    ],
    [
      'a cell that is no number',
      table((line, row) => (row === 4 ? '-30,o.3' : line)),
      { code: 'badNumber', row: 4, column: 'lift', text: 'o.3' },
    ],
    [
      'an angle that is missing',
      table((line, row) => (row === 4 ? ',0.3' : line)),
      { code: 'badNumber', row: 4, column: 'angle', text: '' },
    ],
    ['no column for the lift', 'angle,valve\n0,1', { code: 'missingColumn', column: 'lift' }],
    ['a unit nobody lifts by', table((line) => line, 'angle,lift N·m'), { code: 'badUnit', text: 'N·m' }],
    ['too few rows', 'angle,lift\n0,0\n10,2\n20,0', { code: 'tooFew', rows: 3, least: 12 }],
    ['the opening side missing', table((line, row) => (row < 17 ? [] : line)), { code: 'missesPeak', at: 'start' }],
    ['the closing side missing', table((line, row) => (row > 18 ? [] : line)), { code: 'missesPeak', at: 'end' }],
    [
      'inches read as millimetres',
      table(
        (line) => line,
        'angle,lift',
        (mm) => (mm / 25.4).toFixed(4),
      ),
      { code: 'neverLifts', mostMm: 0.397 },
    ],
  ] as const)('says where: %s', (_, text, issue) => {
    expect(issuesOf(text)[0]).toEqual(issue)
  })

  it('with lifts in thou read as mm is told from the first row that no lobe has', () => {
    const issues = issuesOf(
      table(
        (line) => line,
        'angle,lift',
        (mm) => (mm / 0.0254).toFixed(0),
      ),
    )
    expect(issues[0]).toMatchObject({ code: 'liftTooGreat', row: 6 })
    expect(issues.length).toBeGreaterThan(10)
  })

  it('is not taken beyond what anybody reads', () => {
    expect(issuesOf(`angle,lift\n${Array.from({ length: 1501 }, (_, index) => `${index / 10},0`).join('\n')}`)).toEqual([
      { code: 'tooMany', most: 1500 },
    ])
  })

  it('with one row that sticks out at its end has its peak where the others say', () => {
    expect(issuesOf(table((line, row) => (row === 35 ? line.replace(/,.*/, ',19') : line)))).toEqual([])
  })
})
