import { describe, expect, it } from 'vitest'
import { parseEntry, type EntryContext } from '@/core/quantity'
import { expectNear } from '../support/expectNear'

/**
 * What people type and what it must mean, by the place it is typed at. An expectation is a value in mm, cm³, degrees, N·m, g, kPa
 * or °C; `[low, high]` a pair of leaves; `{ v, pm }` a value and its ±; `'ask'` two readings that can both stand here; any other
 * word the issue it is refused with. Conversions are the exact ones of NIST SP 811 (1 in = 25.4 mm, 1 lb = 453.59237 g).
 */
type Expected = number | readonly [number, number] | { readonly v: number; readonly pm: number } | string
type Row = readonly [typed: string, expected: Expected]

const IN = 25.4
const THOU = 0.0254
const TENTH = 0.00254
const IN3 = 16.387064
const LBFFT = 1.3558179483314004
const F = (fahrenheit: number) => (fahrenheit - 32) / 1.8

const around = (centre: number, reach: number) => ({ low: centre - reach, high: centre + reach })
const PLACES: readonly (readonly [name: string, context: EntryContext, rows: readonly Row[]])[] = [
  ['a metric bore of 83, read to 0.002', { kind: 'length', unit: 'mm', nominal: 83, expected: around(83, 1), step: 0.002 }, [
    ['83', 83], ['83.', 83], ['.', 'notANumber'], ['8.3.', 'notANumber'], ['83.0', 83], ['83.004', 83.004], ['83,004', 83.004], [' 83.004 ', 83.004], ['83.004mm', 83.004], ['83.004 mm', 83.004], ['83.004 MM', 83.004], ['83.004 millimetres', 83.004],
    ['8.3004cm', 83.004], ['8.3004 cm', 83.004], ['83004um', 83.004], ['83004 µm', 83.004], ['83004 μm', 83.004], ['3.2678in', 3.2678 * IN], ['3.2678"', 3.2678 * IN], ["3.2678''", 3.2678 * IN], ['3.2678 inch', 3.2678 * IN],
    ['3.2678”', 3.2678 * IN], ['3267.8 thou', 3267.8 * THOU], ['3267.8t', 3267.8 * THOU],
    ['+4um', 83.004], ['+4 µm', 83.004], ['-4um', 82.996], ['−4um', 82.996], ['+0.02mm', 83.02], ['-0.02 mm', 82.98], ['+0.5 tenths', 83 + 0.5 * TENTH], ['+1 thou', 83 + THOU], ['+0.5thou', 83 + 0.5 * THOU],
    ['0.02 mm over', 83.02], ['0.02mm under', 82.98], ['4um over', 83.004], ['4 um undersize', 82.996], ['0.0005 in under', 83 - 0.0005 * IN], ['5 tenths over', 83 + 5 * TENTH],
    ['+4', 'ask'], ['-4', 'ask'], ['4 over', 'ask'], ['+0', 83],
    ['83.004 ± 0.002', { v: 83.004, pm: 0.002 }], ['83.004±0.002mm', { v: 83.004, pm: 0.002 }], ['83.000±2um', { v: 83, pm: 0.002 }], ['83.000 mm ± 2 um', { v: 83, pm: 0.002 }], ['83 ± 0.1 thou', { v: 83, pm: 0.1 * THOU }],
    ['83.004 +/- 0.002', { v: 83.004, pm: 0.002 }], ['83.004 +- 0.002', { v: 83.004, pm: 0.002 }], ['83 ± 0.1%', { v: 83, pm: 0.083 }], ['3.2678in ± 0.0001', { v: 3.2678 * IN, pm: 0.0001 * IN }],
    ['3.2678 ± 0.0001 in', { v: 3.2678 * IN, pm: 0.0001 * IN }], ['83.004 ± 0', { v: 83.004, pm: 0 }],
    ['83.004 ± -0.002', 'negativeDoubt'], ['83.004 ±', 'notANumber'], ['83.004 ± x', 'notANumber'], ['83±1±1', 'notANumber'],
    ['', 'empty'], ['   ', 'empty'], ['83.004 kg', 'wrongKind'], ['83 cc', 'wrongKind'], ['83 furlongs', 'unknownUnit'], ['abc', 'notANumber'], ['83.0.4', 'notANumber'], ['8 3', 'notANumber'],
    ['1e309', 'tooLarge'], ['1e30', 'tooLarge'], ['NaN', 'notANumber'], ['Infinity', 'notANumber'], ['0x53', 'unknownUnit'], ['--83', 'notANumber'], ['83/0', 'zeroDenominator'],
    ['8.3e1', 83], ['8.3004E+1', 83.004], ['.83e2', 83],
  ]],
  ['an inch bore of 4.030, read to a tenth', { kind: 'length', unit: 'in', nominal: 4.03 * IN, expected: around(4.03 * IN, 0.05 * IN), step: TENTH }, [
    ['4.030', 4.03 * IN], ['4.0302', 4.0302 * IN], ['4,0302', 4.0302 * IN], ['4.0302in', 4.0302 * IN], ['4.0302"', 4.0302 * IN], ["4.0302''", 4.0302 * IN], ['4.0302 in.', 4.0302 * IN], ['4.0302 inches', 4.0302 * IN],
    ['102.362mm', 102.362], ['102.362 mm', 102.362], ['10.2362 cm', 102.362], ['4030.2 thou', 4030.2 * THOU], ['4 1/32', (4 + 1 / 32) * IN], ['4-1/32', (4 + 1 / 32) * IN], ['4 1/32"', (4 + 1 / 32) * IN], ['129/32', (129 / 32) * IN],
    ['+3', 'ask'], ['-3', 'ask'], ['+0.0003', 4.0303 * IN], ['+.0003', 4.0303 * IN], ['-.0003', 4.0297 * IN], ['+3 tenths', 4.0303 * IN], ['+0.3 thou', 4.0303 * IN], ['+0.3t', 4.0303 * IN], ['-3 tenths', 4.0297 * IN],
    ['3 tenths over', 4.0303 * IN], ['3 tenths under', 4.0297 * IN], ['0.0005 under', 4.0295 * IN], ['.0005 over', 4.0305 * IN], ['0.0005in under', 4.0295 * IN], ['0.5 thou undersize', 4.0295 * IN], ['+0.02mm', 4.03 * IN + 0.02],
    ['4.0302 ± 0.0001', { v: 4.0302 * IN, pm: 0.0001 * IN }], ['4.0302 ± 1 tenth', { v: 4.0302 * IN, pm: TENTH }], ['4.0302in ± 0.1 thou', { v: 4.0302 * IN, pm: 0.1 * THOU }], ['4.0302 ± .0001in', { v: 4.0302 * IN, pm: 0.0001 * IN }],
    ['4.0302 ± 2um', { v: 4.0302 * IN, pm: 0.002 }], ['102.362mm±2um', { v: 102.362, pm: 0.002 }], ['4.0302 psi', 'wrongKind'], ['4.0302 foo', 'unknownUnit'],
  ]],
  ['a deck in thou, by bridge and dial', { kind: 'length', unit: 'thou', signed: true, expected: { low: -20 * THOU, high: 60 * THOU }, step: THOU }, [
    ['15', 15 * THOU], ['15.5', 15.5 * THOU], ['15 thou', 15 * THOU], ['15t', 15 * THOU], ['15 mil', 15 * THOU], ['.015', 15 * THOU], ['0.015', 15 * THOU], ['0.015in', 15 * THOU], ['.015"', 15 * THOU], ['.0155', 15.5 * THOU], ['0.0155', 15.5 * THOU],
    ['0.38mm', 0.38], ['.38 mm', 0.38], ['380um', 0.38], ['-5', -5 * THOU], ['−5', -5 * THOU], ['–5', -5 * THOU], ['-.005', -5 * THOU], ['-0.005in', -5 * THOU], ['5 in the hole', 5 * THOU], ['5 down the hole', 5 * THOU], ['5 down', 5 * THOU],
    ['5 below deck', 5 * THOU], ['5 thou in the hole', 5 * THOU], ['.005 in the hole', 5 * THOU], ['0.005in in the hole', 5 * THOU], ['5 proud', -5 * THOU], ['5 out', -5 * THOU], ['5 up', -5 * THOU], ['5 above deck', -5 * THOU], ['5 thou proud', -5 * THOU],
    ['0.005in above', -5 * THOU], ['0.1mm proud', -0.1], ['0.1mm down the hole', 0.1], ['-5 in the hole', 'notANumber'], ['+5 proud', 'notANumber'],
    ['.01', 10 * THOU], ['0.01', 10 * THOU], ['.02', 20 * THOU], ['1/64', IN / 64], ['1/64"', IN / 64], ['1/32', IN / 32], ['3/64', (3 / 64) * IN], ['0', 0], ['+0', 0], ['-0', 0], ['+5', 5 * THOU],
    ['15 ± 0.5', { v: 15 * THOU, pm: 0.5 * THOU }], ['15±0.5 thou', { v: 15 * THOU, pm: 0.5 * THOU }], ['0.015in±0.0005', { v: 15 * THOU, pm: 0.5 * THOU }], ['.015±.0005', { v: 15 * THOU, pm: 0.5 * THOU }],
    ['15 cc', 'wrongKind'], ['15 deg', 'wrongKind'],
  ]],
  ['a metric deck', { kind: 'length', unit: 'mm', signed: true, expected: { low: -0.5, high: 1.5 }, step: 0.01 }, [
    ['0.05', 0.05], ['.05', 0.05], [',05', 0.05], ['0,05', 0.05], ['0.05mm', 0.05], ['5 hundredths', 0.05], ['50um', 0.05], ['-0.05', -0.05], ['−0.05', -0.05], ['0.05 in the hole', 0.05], ['0.05 proud', -0.05], ['0.05 mm proud', -0.05],
    ['2 thou', 2 * THOU], ['0.002in', 2 * THOU], ['.002"', 2 * THOU], ['0.002 in proud', -2 * THOU], ['1', 1], ['0', 0], ['½', 0.5], ['1½', 1.5], ['1/2', 0.5],
  ]],
  ['thou from no nominal', { kind: 'length', unit: 'thou' }, [
    ['17', 17 * THOU], ['17.5', 17.5 * THOU], ['.0175', 17.5 * THOU], ['0.0175', 17.5 * THOU], ['.017', 17 * THOU], ['17 thou', 17 * THOU], ['17 thousandths', 17 * THOU], ['17 tenths', 17 * TENTH], ['43um', 0.043], ['1 1/8"', 1.125 * IN],
    ['1,234', 1234 * THOU], ['12,345', 12345 * THOU], ['1234', 1234 * THOU], ['-2', -2 * THOU], ['+2', 2 * THOU],
  ]],
  ['metric feeler leaves on a ring gap', { kind: 'length', unit: 'mm', interval: true, expected: { low: 0.1, high: 2 }, step: 0.01 }, [
    ['.53/.54', [0.53, 0.54]], ['0.53/0.54', [0.53, 0.54]], ['0,53/0,54', [0.53, 0.54]], ['.53-.54', [0.53, 0.54]], ['.53 - .54', [0.53, 0.54]], ['.53–.54', [0.53, 0.54]], ['.53 to .54', [0.53, 0.54]], ['0.53/0.54 mm', [0.53, 0.54]], ['0.53mm/0.54mm', [0.53, 0.54]],
    ['.017/.018"', [17 * THOU, 18 * THOU]], ['.017in/.018in', [17 * THOU, 18 * THOU]], ['17/18 thou', [17 * THOU, 18 * THOU]], ['17/18t', [17 * THOU, 18 * THOU]], ['.017"/.018"', [17 * THOU, 18 * THOU]], ['0.53', 0.53], ['1/2', 'ask'],
    ['.54/.53', 'intervalOrder'], ['.53/.53', 'intervalOrder'], ['.53/', 'notANumber'], ['.53/.54/.55', 'notANumber'], ['.53/.54 cc', 'wrongKind'],
  ]],
  ['inch feeler leaves', { kind: 'length', unit: 'thou', interval: true, expected: { low: 4 * THOU, high: 80 * THOU }, step: THOU }, [
    ['17/18', [17 * THOU, 18 * THOU]], ['17-18', [17 * THOU, 18 * THOU]], ['17 - 18', [17 * THOU, 18 * THOU]], ['17 to 18', [17 * THOU, 18 * THOU]], ['.017/.018', [17 * THOU, 18 * THOU]], ['.017-.018', [17 * THOU, 18 * THOU]], ['.017"/.018"', [17 * THOU, 18 * THOU]],
    ['0.017/0.018in', [17 * THOU, 18 * THOU]], ['17/18 thou', [17 * THOU, 18 * THOU]], ['.43/.46mm', [0.43, 0.46]], ['17', 17 * THOU], ['.0175', 17.5 * THOU], ['18/17', 'intervalOrder'], ['1/64', IN / 64],
  ]],
  ['crank degrees', { kind: 'angle', unit: 'deg' }, [
    ['39', 39], ['39°', 39], ['39 deg', 39], ['39.5', 39.5], ['2 ATDC', 2], ['2° ATDC', 2], ['2 atdc', 2], ['2ATDC', 2], ['2 BTDC', -2], ['-2 BTDC', 2], ['−2 btdc', 2], ['39 ABDC', 219], ['39° ABDC', 219], ['39 deg abdc', 219], ['60 BBDC', 120],
    ['39±1 ABDC', { v: 219, pm: 1 }], ['39 ABDC ± 1', { v: 219, pm: 1 }], ['2 ± 0.5 ATDC', { v: 2, pm: 0.5 }], ['110 ± 1', { v: 110, pm: 1 }], ['110±1°', { v: 110, pm: 1 }], ['39 mm', 'wrongKind'], ['ABDC', 'notANumber'], ['½ ATDC', 0.5], ['22½', 22.5],
  ]],
  ['exhaust closing, before the stroke', { kind: 'angle', unit: 'deg', bottomCentreDeg: -180 }, [['60 BBDC', -240], ['60 ABDC', -120], ['60 ± 2 BBDC', { v: -240, pm: 2 }]]],
  ['a volume', { kind: 'volume', unit: 'cm3' }, [
    ['46.1', 46.1], ['46,1', 46.1], ['46.1cc', 46.1], ['46.1 cc', 46.1], ['46.1 ml', 46.1], ['46.1 cm3', 46.1], ['46.1 cm³', 46.1], ['2.81 in3', 2.81 * IN3], ['2.81 in³', 2.81 * IN3], ['2.81 in^3', 2.81 * IN3], ['2.81 cu in', 2.81 * IN3], ['2.81ci', 2.81 * IN3],
    ['64±0.5cc', { v: 64, pm: 0.5 }], ['64 cc ± 0.5', { v: 64, pm: 0.5 }], ['64 ± 1%', { v: 64, pm: 0.64 }], ['64±1 %', { v: 64, pm: 0.64 }], ['0.498l', 'unknownUnit'], ['64 mm', 'wrongKind'], ['-7', -7], ['−7cc', -7], ['64 1/2', 64.5], ['64½', 64.5],
  ]],
  ['a volume in cubic inches', { kind: 'volume', unit: 'in3' }, [['4', 4 * IN3], ['64cc', 64], ['64±0.5cc', { v: 64, pm: 0.5 }], ['4 ± 1%', { v: 4 * IN3, pm: 0.04 * IN3 }]]],
  ['a temperature', { kind: 'temperature', unit: 'degC', signed: true }, [
    ['20', 20], ['20C', 20], ['20 °C', 20], ['20°C', 20], ['68F', 20], ['68 °F', 20], ['68°F', 20], ['-5', -5], ['−5 °C', -5], ['-40F', -40], ['300 F', F(300)], ['300 F ± 18 F', { v: F(300), pm: 10 }], ['300F±18', { v: F(300), pm: 10 }],
    ['150 ± 10', { v: 150, pm: 10 }], ['150 ± 18 F', { v: F(150), pm: 10 }], ['150 °C ± 18 °F', { v: 150, pm: 10 }], ['293.15 K', 'unknownUnit'],
  ]],
  ['a temperature in Fahrenheit', { kind: 'temperature', unit: 'degF', signed: true }, [['68', 20], ['68 ± 2', { v: 20, pm: 2 / 1.8 }], ['300 ± 18', { v: F(300), pm: 10 }], ['20C', 20], ['20 °C ± 1', { v: 20, pm: 1 }]]],
  ['a torque', { kind: 'torque', unit: 'Nm' }, [
    ['100', 100], ['100Nm', 100], ['100 N·m', 100], ['100 N.m', 100], ['80 ft-lbs', 80 * LBFFT], ['80 ft-lb', 80 * LBFFT], ['80 ft.lbs', 80 * LBFFT], ['80 lbf.ft', 80 * LBFFT], ['80 lbf·ft', 80 * LBFFT], ['80 lb-ft', 80 * LBFFT], ['80 lb ft', 80 * LBFFT],
    ['80 ftlb', 80 * LBFFT], ['120 in-lbs', 10 * LBFFT], ['120 in-lb', 10 * LBFFT], ['80±3%', { v: 80, pm: 2.4 }], ['80 mm', 'wrongKind'],
  ]],
  ['a pressure', { kind: 'pressure', unit: 'kPa' }, [
    ['101.325', 101.325], ['101.325 kPa', 101.325], ['1013.25 mbar', 101.325], ['1013.25 hPa', 101.325], ['1 bar', 100], ['14.7 psi', 14.7 * 6.894757293168361], ['29.92 inHg', 29.92 * 3.386389], ['1 atm', 'unknownUnit'],
  ]],
  ['a ratio', { kind: 'ratio', unit: 'one' }, [
    ['10.5', 10.5], ['10,5', 10.5], ['10.5:1', 10.5], ['10.5 : 1', 10.5], ['10.5±1%', { v: 10.5, pm: 0.105 }], ['10.5 ± 0.1', { v: 10.5, pm: 0.1 }], ['10 1/2', 10.5], ['10-1/2', 10.5], ['10½', 10.5],
  ]],
  ['a share in per cent', { kind: 'ratio', unit: 'percent' }, [['50', 0.5], ['50%', 0.5], ['50 %', 0.5], ['0.5', 'ask'], ['0.5%', 0.005], ['12.5', 0.125], ['50 ± 2', { v: 0.5, pm: 0.02 }], ['50±2%', { v: 0.5, pm: 0.02 }]]],
  ['expansion per million kelvin', { kind: 'expansion', unit: 'perMK' }, [['11.7', 11.7e-6], ['1.17e-05', 1.17e-5], ['0.0000117', 1.17e-5], ['11.7e-6', 1.17e-5]]],
  ['a mass', { kind: 'mass', unit: 'g' }, [
    ['612.4', 612.4], ['612,4', 612.4], ['612.4g', 612.4], ['0.6124 kg', 612.4], ['1.35 lb', 1.35 * 453.59237], ['21.6 oz', 21.6 * 28.349523125], ['612.4 ± 0.1', { v: 612.4, pm: 0.1 }], ['612.4g±0.1g', { v: 612.4, pm: 0.1 }], ['612.4 mm', 'wrongKind'],
  ]],
  ['a length where nothing is expected', { kind: 'length', unit: 'mm' }, [
    ["4.155''", 4.155 * IN], ['4.155"', 4.155 * IN], ['2-1/2"', 2.5 * IN], ['2 1/2 in', 2.5 * IN], ['½"', 0.5 * IN], ['¼ in', 0.25 * IN], ['⅜"', 0.375 * IN], ['5/8"', 0.625 * IN], ['3/0', 'zeroDenominator'], ['1,234', 'ask'], ['1,23', 1.23], ['0,234', 0.234], ['1,2345', 1.2345], ['1.234', 1.234],
    ['1.234,5', 'notANumber'], ['1,234.5', 'notANumber'], ['1 234', 'notANumber'], ['5 in', 5 * IN], ['5 m', 'unknownUnit'], ['1 ft', 'unknownUnit'],
  ]],
]

describe.each(PLACES)('%s', (_, context, rows) => {
  it.each(rows.map(([typed, expected]) => [typed, typeof expected === 'object' ? JSON.stringify(expected) : expected, expected] as const))('%j is %s', (typed, __, expected) => {
    const entry = parseEntry(typed, context)
    if (typeof expected === 'string') return expect(entry.ok ? `read as ${entry.value}` : entry.issue.code).toBe(expected === 'ask' ? 'ambiguous' : expected)
    if (!entry.ok) throw new Error(`${typed}: ${JSON.stringify(entry.issue)}`)
    const [value, upper, plusMinus] = typeof expected === 'number' ? [expected] : 'v' in expected ? [expected.v, undefined, expected.pm] : expected
    expectNear(entry.value, value!, 1e-9 * Math.max(1, Math.abs(value!)))
    for (const [got, wanted] of [[entry.upper, upper], [entry.plusMinus, plusMinus]] as const) {
      if (wanted === undefined) expect(got).toBeUndefined()
      else expectNear(got!, wanted, 1e-9 * Math.max(1, Math.abs(wanted)))
    }
  })
})

it('is a table of at least three hundred', () => {
  const rows = PLACES.flatMap(([, , some]) => some)
  expect(rows.length).toBeGreaterThanOrEqual(300)
})
