import { describe, expect, it } from 'vitest'
import { STOCK } from '@/core/benches'
import { choicesOf, fieldWords, freshId, partOf, textFieldsOf } from './stockFields'

const { gaskets, pistons, shells } = STOCK
const gasket = (filled: Record<string, string>) => ({ name: 'Copper', source: 'maker', thicknessMm: '1', boreMm: '88', ...filled })

describe('what a form of stock asks for', () => {
  it('types the numbers, between the name and the source, in the units of the builder', () => {
    expect(textFieldsOf(gaskets, 'inch').map(({ label, unit }) => [label, unit])).toEqual([
      ['Name', undefined],
      ['Compressed', 'in'],
      ['Bore', 'in'],
      ['± thickness', 'in'],
      ['Source', undefined],
    ])
    expect(textFieldsOf(shells, 'metric').map(({ label, unit }) => [label, unit])).toEqual([
      ['Name', undefined],
      ['Coating a half', 'um'],
      ['Halves on the shelf', 'one'],
      ['Source', undefined],
    ])
  })

  it('offers what there are few of', () => {
    expect(choicesOf(pistons)).toEqual([])
    expect(choicesOf(gaskets).map(({ name, options }) => [name, options.length])).toEqual([['kind', 5]])
    expect(choicesOf(shells).map(({ name, options }) => [name, options.map(({ value }) => value)])).toEqual([
      ['fits', ['main', 'rod']],
      ['wallMm', ['0', '-0.0127', '0.0127']],
    ])
  })
})

describe('a part as filled in', () => {
  it('is in canonical units, whatever it was typed in; what is optional and empty is not there', () => {
    expect(partOf(gaskets, gasket({ thicknessMm: '.039', boreMm: '3.5', kind: 'copper', thicknessToleranceMm: ' ' }), 'inch')).toEqual({
      ok: true,
      meant: { name: 'Copper', source: 'maker', thicknessMm: expect.closeTo(0.9906, 9), boreMm: expect.closeTo(88.9, 9), kind: 'copper' },
    })
    expect(
      partOf(shells, { name: 'X', source: 'maker', fits: 'rod', wallMm: '-0.0127', coatingMm: '7.62', halves: '6' }, 'metric'),
    ).toEqual({
      ok: true,
      meant: { name: 'X', source: 'maker', fits: 'rod', wallMm: -0.0127, coatingMm: expect.closeTo(0.00762, 9), halves: 6 },
    })
    expect(partOf(pistons, { name: 'Dome', source: 'maker', volumeCm3: '-6.5', compressionHeightMm: '31' }, 'metric')).toMatchObject({
      meant: { volumeCm3: -6.5 },
    })
  })

  it.each([
    ['nothing at all', gaskets, {}, { name: 'is needed', source: 'is needed', thicknessMm: 'is needed', boreMm: 'is needed' }],
    ['no number', gaskets, gasket({ boreMm: 'wide' }), { boreMm: 'is not a number in a unit known here' }],
    ['a gasket of no thickness', gaskets, gasket({ thicknessMm: '0' }), { thicknessMm: 'is more than nothing' }],
    ['a tolerance below zero', gaskets, gasket({ thicknessToleranceMm: '-.02' }), { thicknessToleranceMm: 'is at least 0 mm' }],
    ['half a half', shells, { name: 'X', source: 's', fits: 'main', wallMm: '0', halves: '2.5' }, { halves: 'is a whole number' }],
    ['too many', shells, { name: 'X', source: 's', fits: 'main', wallMm: '0', halves: '201' }, { halves: 'is at most 200' }],
    [
      'a coating of a tenth',
      shells,
      { name: 'X', source: 's', fits: 'main', wallMm: '0', halves: '2', coatingMm: '100' },
      { coatingMm: 'is at most 50 µm' },
    ],
  ] as const)('%s is told, field by field, and no part comes of it', (_, definition, filled, wrong) =>
    expect(partOf(definition, filled, 'metric')).toEqual({ ok: false, wrong }),
  )
})

describe('a part on the shelf', () => {
  const { fields } = shells
  it.each([
    [fields.wallMm!, 0.0127, 'Undersize, half thou thicker'],
    [fields.wallMm!, 0.005, '5 µm'],
    [fields.fits!, 'rod', 'Rods'],
    [fields.coatingMm!, undefined, 'none'],
    [fields.halves!, 4, '4'],
    [gaskets.fields.kind!, undefined, 'not said'],
    [gaskets.fields.thicknessMm!, 1.05, '1.05 mm'],
  ])('%j of %s reads: %s', (field, value, words) => expect(fieldWords(field, value, 'metric')).toBe(words))

  it('gets an id nobody has', () => {
    expect(freshId('shell', [])).toBe('shell-1')
    expect(freshId('shell', [{ id: 'shell-2' }])).toBe('shell-3')
    expect(freshId('shell', [{ id: 'shell-1' }, { id: 'mine' }])).toBe('shell-3')
  })
})
