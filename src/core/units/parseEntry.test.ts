import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { decimalsForUncertainty, decimalsForStep, formatNumber, formatQuantity } from './format'
import { parseEntry, type EntryContext } from './parseEntry'
import { formatKnown, formatKnownSize } from './format'
import { dialTurnSlip, likelySlip } from './slips'
import { CANONICAL_UNIT, toCanonical, UNIT_IDS, UNITS } from './units'

const THOU = 0.0254
const thou: EntryContext = { kind: 'length', unit: 'thou' }
const mm: EntryContext = { kind: 'length', unit: 'mm' }

function value(text: string, context: EntryContext): number {
  const entry = parseEntry(text, context)
  if (!entry.ok) throw new Error(`${text}: ${entry.issue.code}`)
  return entry.value
}
const issue = (text: string, context: EntryContext) => {
  const entry = parseEntry(text, context)
  return entry.ok ? 'ok' : entry.issue.code
}

describe('what people type', () => {
  it.each([
    ['17', thou, 17 * THOU],
    ['.0175', thou, 17.5 * THOU],
    ['0.0175in', thou, 17.5 * THOU],
    ['17.5t', thou, 17.5 * THOU],
    ['17.5', thou, 17.5 * THOU],
    ['1 3/8', { kind: 'length', unit: 'in' }, 1.375 * 25.4],
    ['3/8"', mm, 0.375 * 25.4],
    ['43um', mm, 0.043],
    ['43 µm', mm, 0.043],
    ['0,29', mm, 0.29],
    ['  .11 ', mm, 0.11],
    ['5 tenths', thou, 0.5 * THOU],
    ['-0.02', { ...mm, signed: true }, -0.02],
    ['−2', { ...thou, signed: true }, -2 * THOU],
    ['+2', { ...thou, nominal: 100 }, 100 + 2 * THOU],
    ['-2', { ...thou, nominal: 100 }, 100 - 2 * THOU],
    ['+0.02mm', { ...thou, nominal: 100 }, 100.02],
    ['2 ATDC', { kind: 'angle', unit: 'deg' }, 2],
    ['44 abdc', { kind: 'angle', unit: 'deg' }, 224],
    ['-2 btdc', { kind: 'angle', unit: 'deg' }, 2],
    ['60 BBDC', { kind: 'angle', unit: 'deg', bottomCentreDeg: -180 }, -240],
    ['46.1cc', { kind: 'volume', unit: 'cm3' }, 46.1],
    ['46,1', { kind: 'volume', unit: 'cm3' }, 46.1],
    ['68F', { kind: 'temperature', unit: 'degC' }, 20],
    ['80 lbf.ft', { kind: 'torque', unit: 'Nm' }, 108.465435866],
  ] as const)('%s', (text, context, expected) => expectNear(value(text, context), expected, 1e-9))

  it('a leaf that goes and one that does not may be said in words, both of them', () => {
    const feeler = { kind: 'length', unit: 'mm', interval: true } as const
    for (const text of ['go 0.50 no go 0.55', 'Go .50, no-go .55', 'goes 0.50 nogo 0.55'])
      expect(parseEntry(text, feeler), text).toMatchObject({ ok: true, value: 0.5, upper: 0.55 })
    for (const text of ['no go 0.5', 'go 0.5', 'nogo .5'])
      expect(parseEntry(text, feeler), text).toMatchObject({ ok: false, issue: { code: 'halfInterval' } })
    expect(parseEntry('go 0.5 no go 0.55', { ...feeler, interval: false })).toMatchObject({ ok: false, issue: { code: 'halfInterval' } })
  })

  it('17/18 is a go/no-go where a feeler is used and a fraction elsewhere', () => {
    expect(parseEntry('17/18', { ...thou, interval: true })).toMatchObject({ ok: true, value: 17 * THOU, upper: 18 * THOU })
    expectNear(value('17/18', { kind: 'length', unit: 'in' }), (17 / 18) * 25.4, 1e-9)
    expect(issue('18/17', { ...thou, interval: true })).toBe('intervalOrder')
  })

  it('64±0.5cc carries its uncertainty, the unit belonging to both', () => {
    const cc: EntryContext = { kind: 'volume', unit: 'in3' }
    expect(parseEntry('64±0.5cc', cc)).toMatchObject({ value: 64, plusMinus: 0.5, unit: 'cm3' })
    expect(parseEntry('62 cc ± 0.5', cc)).toMatchObject({ value: 62, plusMinus: 0.5 })
    expect(parseEntry('4 +/- 0.001 in', mm)).toMatchObject({ value: 101.6, plusMinus: 0.0254 })
    expect(parseEntry('20±1C', { kind: 'temperature', unit: 'degC' })).toMatchObject({ value: 20, plusMinus: 1 })
  })

  it.each([
    ['', 'empty'],
    ['abc', 'notANumber'],
    ['1.2.3', 'notANumber'],
    ['17 furlongs', 'unknownUnit'],
    ['17cc', 'wrongKind'],
    ['1,234', 'ambiguous'],
    ['1/0', 'zeroDenominator'],
    ['1±2±3', 'notANumber'],
    ['NaN', 'notANumber'],
    ['Infinity', 'notANumber'],
    ['--2', 'notANumber'],
    ['64±-0.5', 'negativeUncertainty'],
  ])('refuses %s as %s', (text, code) => expect(issue(text, mm)).toBe(code))

  it('hands back both readings of an ambiguous comma, and takes its neighbours', () => {
    expect(parseEntry('1,234', mm)).toMatchObject({
      issue: {
        readings: [
          { value: 1.234, unit: 'mm' },
          { value: 1234, unit: 'mm' },
        ],
      },
    })
    expect(value('1,23', mm)).toBe(1.23)
    expect(value('0,234', mm)).toBe(0.234)
    expect(value('1,2345', mm)).toBe(1.2345)
  })

  it('never throws and never stores a number that is not finite', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 14 }), fc.boolean(), (text, interval) => {
        const entry = parseEntry(text, { ...thou, nominal: 50, interval })
        if (entry.ok) expect(Number.isFinite(entry.value)).toBe(true)
      }),
    )
  })
})

describe('formatting', () => {
  it('shows no digit the gauge cannot see', () => {
    expect([
      decimalsForStep(0.01, 'mm'),
      decimalsForStep(0.005, 'mm'),
      decimalsForStep(0.01, 'in'),
      decimalsForStep(THOU / 10, 'in'),
      decimalsForStep(0.1, 'cm3'),
      decimalsForStep(THOU, 'thou'),
    ]).toEqual([2, 3, 4, 4, 1, 0])
  })

  it('gives an uncertainty one digit, or two when the first is 1', () => {
    expect([
      decimalsForUncertainty(0.023, 'one'),
      decimalsForUncertainty(0.013, 'one'),
      decimalsForUncertainty(0.3, 'one'),
      decimalsForUncertainty(250, 'one'),
      decimalsForUncertainty(0.1, 'one'),
    ]).toEqual([2, 3, 1, 0, 2])
  })

  it('writes a true minus, no negative zero, and the unit beside the number', () => {
    expect(formatQuantity(-0.02, 'mm', 2)).toBe('−0.02 mm')
    expect(formatQuantity(-0.001, 'mm', 2)).toBe('0.00 mm')
    expect(formatQuantity(219, 'deg', 0)).toBe('219°')
    expect(formatQuantity(8.98, 'one', 2)).toBe('8.98')
  })

  it.each(UNIT_IDS)('parse(format(x)) is x within half the last digit: %s', (unit) => {
    const { kind } = UNITS[unit]
    fc.assert(
      fc.property(fc.double({ min: -500, max: 500, noNaN: true }), (inUnit) => {
        const canonical = toCanonical(inUnit, unit)
        const text = formatQuantity(canonical, unit, 4)
        expectNear(
          value(text, { kind, unit: CANONICAL_UNIT[kind] === unit ? unit : CANONICAL_UNIT[kind], signed: true }),
          toCanonical(Number(formatNumber(canonical, unit, 4).replace('−', '-')), unit),
          1e-9 * Math.abs(canonical) + 1e-12,
        )
      }),
      { numRuns: 20 },
    )
  })
})

describe('slips', () => {
  const bore = { low: 82, high: 84, centre: 83, stray: 0.05 }
  const deck = { low: -1, high: 3, centre: 0.4, stray: 0.1 }
  it.each([
    ['a lost point', 8.302, bore, {}, 'decimalPoint', 83.02],
    ['a slipped point', 830.2, bore, {}, 'decimalPoint', 83.02],
    ['inches where millimetres stand', 3.268, bore, {}, 'inchForMm', 83.0072],
    ['from nominal, without its sign', 0.02, bore, { nominal: 83 }, 'fromNominal', 83.02],
    // The unit before the point: 0.015 in read as mm, not 0.15 of something.
    [
      'inches among neighbours, though 0.015 mm can be',
      0.015,
      { low: -1, high: 3, centre: 0.381, stray: 0.05 },
      { signed: true },
      'inchForMm',
      0.381,
    ],
    ['the sign of a piston in the hole', -0.4, deck, { signed: true }, 'sign', 0.4],
    ['millimetres typed on an inch bench', 83 * 25.4, bore, { unit: 'in' }, 'mmForInch', 83],
    ['thou typed for inches', 15 * 25.4, { low: -1, high: 3, centre: 0.381, stray: 0.1 }, { unit: 'in' }, 'thouForInch', 0.381],
    [
      'inches typed on a thou bench',
      0.015 * 0.0254,
      { low: 0.1, high: 3, centre: 0.381, stray: 0.1 },
      { unit: 'thou' },
      'inchForThou',
      0.381,
    ],
    [
      'millimetres typed on a thou bench',
      0.38 * 0.0254,
      { low: 0.1, high: 3, centre: 0.381, stray: 0.1 },
      { unit: 'thou' },
      'mmForThou',
      0.38,
    ],
    ['thou typed for millimetres', 15, { low: 0.1, high: 3, centre: 0.38, stray: 0.1 }, {}, 'thouForMm', 0.381],
  ] as const)('%s', (_, value, likely, options, code, mended) => {
    const slip = likelySlip(value, likely, { unit: 'mm', ...options })
    expect(slip).toMatchObject({ code, value: expect.closeTo(mended, 9) })
    expect(slip!.mend(value)).toBeCloseTo(mended, 9)
  })

  it('at three strays and no nearer; the decimal point before a unit that lands further off', () => {
    // A piston that is to stand 0.05 down, 0.5 typed: 0.05 is nearer than the 0.0127 of half a thou.
    const deck = { low: -0.55, high: 0.65, centre: 0.05, stray: 0.15 }
    expect(likelySlip(0.5, deck, { unit: 'mm', signed: true })).toMatchObject({ code: 'decimalPoint', value: expect.closeTo(0.05, 9) })
    expect(likelySlip(0.49, deck, { unit: 'mm', signed: true })).toBeUndefined()
  })

  it('says nothing of what is usual, of what is odd but no slip, and of what no slip brings into range', () => {
    expect(likelySlip(83.04, bore, { unit: 'mm' })).toBeUndefined()
    expect(likelySlip(83.4, bore, { unit: 'mm' })).toBeUndefined()
    expect(likelySlip(500, { low: 1, high: 2 }, { unit: 'one' })).toBeUndefined()
    expect(likelySlip(83, { low: 82, high: 84 }, { unit: 'mm' })).toBeUndefined()
  })

  it('questions a dial read one turn wrong and nothing else', () => {
    const neighbours = [0.05, 0.06, 0.05]
    expect(dialTurnSlip(1.05, neighbours)?.value).toBeCloseTo(0.05, 9)
    expect(dialTurnSlip(2.59, neighbours)?.value).toBeCloseTo(0.05, 9)
    expect(dialTurnSlip(0.11, neighbours)).toBeUndefined()
    expect(dialTurnSlip(0.6, neighbours)).toBeUndefined()
  })
})

describe('a wheel that is not marked to 360', () => {
  const at = (text: string, wheelMarks: 360 | 180 | 90, low: number, high: number) =>
    parseEntry(text, { kind: 'angle', unit: 'deg', signed: true, wheelMarks, turnsAboutDeg: (low + high) / 2, expected: { low, high } })

  it.each([
    // An intake that closes 39° after bottom dead centre.
    ['219', 360, 190, 250, 219],
    ['141', 180, 190, 250, 219],
    ['39', 90, 190, 250, 219],
    // One that opens 2° after top dead centre, a stop before it, an exhaust that opens 45° before the bottom.
    ['2', 90, -60, 60, [2, -2]],
    ['54', 180, -90, -2, -54],
    ['54', 90, -90, -2, -54],
    ['45', 90, -260, -200, -225],
    ['135', 180, -260, -200, -225],
    // With its dead centre or its sign a number stands in one place, however the wheel is marked.
    ['2 atdc', 90, -60, 60, 2],
    ['-2', 90, -60, 60, -2],
    ['44 abdc', 90, 190, 250, 224],
    // More than the wheel is marked is meant as it is.
    ['219', 90, 190, 250, 219],
    // Nowhere it can be: taken as it is, and questioned at its place.
    ['20', 180, 190, 250, 20],
  ] as const)('%s on one marked to %s, where %s to %s is looked for', (text, marks, low, high, expected) => {
    const parsed = at(text, marks, low, high)
    if (typeof expected === 'number') expect(parsed).toMatchObject({ ok: true, value: expected === 20 ? 380 : expected })
    else expect(parsed).toMatchObject({ ok: false, issue: { code: 'ambiguous', readings: expected.map((value) => ({ value })) } })
  })

  it('takes a turn or two more for the same reading, and what no wheel shows for what it is', () => {
    const about = (text: string) => parseEntry(text, { kind: 'angle', unit: 'deg', signed: true, turnsAboutDeg: -46 })
    expect(about('336')).toMatchObject({ ok: true, value: -24 })
    expect(about('720')).toMatchObject({ ok: true, value: 0 })
    expect(about('721')).toMatchObject({ ok: true, value: 721 })
    expect(about('3934')).toMatchObject({ ok: true, value: 3934 })
  })
})

describe('figures in a unit they were not typed in', () => {
  it.each([
    [-0.473, 'thou', '-18.62'],
    [101.325, 'psi', '14.6959'],
    [1.1, 'thou', '43.31'],
    [1.1, 'mm', '1.1'],
    [0.0254 * 18.5, 'thou', '18.5'],
    [0.0254 * 18.5, 'mm', '0.4699'],
    [25.4 / 3, 'in', '0.333333'],
    [83, 'in', '3.2677'],
    [262, 'degF', '503.6'],
  ] as const)('%d in %s is %s', (canonical, unit, words) => expect(formatKnown(canonical, unit)).toBe(words))

  it('of a size the same, its unit’s zero left out', () => {
    expect(formatKnownSize(0.01, 'thou')).toBe('0.39')
    expect(formatKnownSize(0.0127, 'thou')).toBe('0.5')
    expect(formatKnownSize(5, 'degF')).toBe('9')
  })

  it('a space and a one behind a ratio are none of it', () => {
    expect(parseEntry('9 1', { kind: 'ratio', unit: 'one' })).toMatchObject({ ok: false })
    expect(parseEntry('9:1', { kind: 'ratio', unit: 'one' })).toMatchObject({ ok: true, value: 9 })
  })
})

describe('what is said in words and fractions', () => {
  const bore = { kind: 'length', unit: 'mm', nominal: 83, expected: { low: 82, high: 85 } } as const
  const value = (text: string, context: Parameters<typeof parseEntry>[1]) => {
    const entry = parseEntry(text, context)
    return entry.ok ? entry.value : entry.issue.code
  }

  it('from nominal is taken in full, with its sign or without, where there is a nominal', () => {
    const told = { ...bore, offsetUnit: 'hundredth' } as const
    expect(value('+2 from nominal', told)).toBeCloseTo(83.02, 9)
    expect(value('2 from nominal', told)).toBeCloseTo(83.02, 9)
    expect(value('-2 from nominal', told)).toBeCloseTo(82.98, 9)
    expect(value('2t from nominal', bore)).toBeCloseTo(83.0508, 9)
    expect(value('+2 from nominal', { ...bore, nominal: undefined })).toBe('unknownUnit')
  })

  it('a fraction on a metric bench is inches, or asked where both can be', () => {
    expect(value('1/64 over', bore)).toBeCloseTo(83 + 25.4 / 64, 9)
    expect(value('3 1/4', { kind: 'length', unit: 'mm', expected: { low: 60, high: 120 } })).toBeCloseTo(82.55, 9)
    expect(value('1/2', { kind: 'length', unit: 'mm', expected: { low: 0, high: 1 } })).toBe(0.5)
    expect(value('1/2', { kind: 'length', unit: 'mm', expected: { low: 0, high: 20 } })).toBe('ambiguous')
  })
})
