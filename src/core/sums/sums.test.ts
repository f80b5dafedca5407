import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { standardUncertainty } from '../metrology'
import { readSections } from '../joints/bolts'
import { computeSum, SUMS, sumById, type SumResult } from '.'

function results(id: string, typed: Record<string, string>, system: 'metric' | 'inch' = 'metric'): Map<string, SumResult> {
  const outcome = computeSum(sumById(id)!, typed, system)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return new Map(outcome.results.map((result) => [result.id, result]))
}
const issues = (id: string, typed: Record<string, string>) => {
  const outcome = computeSum(sumById(id)!, typed)
  return outcome.ok ? [] : outcome.issues.map((issue) => [issue.code, ...issue.path])
}
const compression = {
  bore: '4.155in',
  stroke: '3.750in',
  chamber: '58.4cc',
  deck: '0.0085in',
  gasketBore: '4.20in',
  gasketThickness: '0.0395in',
}

/** Inputs that stand in place of others. */
const INSTEAD = ['conformity.goes', 'conformity.doesNotGo', 'bolt.load', 'bolt.stretch', 'bolt.nutFactor']

describe('every sum', () => {
  it.each(SUMS.map((sum) => [sum.id, sum] as const))('%s: its examples are readable in their fields', (_, sum) => {
    const typed = Object.fromEntries(
      Object.entries(sum.inputs)
        .filter(([name]) => !INSTEAD.includes(`${sum.id}.${name}`))
        .map(([name, input]) => [name, input.example]),
    )
    expect(computeSum(sum, typed)).toMatchObject({ ok: true })
  })

  it.each(SUMS.map((sum) => [sum.id, sum] as const))('%s: an unknown input is named', (_, sum) => {
    expect(issues(sum.id, { nonsense: '1' })).toContainEqual(['unknownInput', 'nonsense'])
  })

  it('is not found by a wrong name', () => expect(sumById('nope')).toBeUndefined())
})

describe('compression', () => {
  it('does not mind the units', () => {
    const metric = { bore: '105.537', stroke: '95.25', chamber: '58.4', deck: '0.2159', gasketBore: '106.68', gasketThickness: '1.0033' }
    expectNear(
      results('compression', metric).get('compressionRatio')!.figure.value.value,
      results('compression', compression).get('compressionRatio')!.figure.value.value,
      1e-9,
    )
    expectNear(
      results(
        'compression',
        { ...metric, bore: '4.155', stroke: '3.750', deck: '.0085', gasketBore: '4.20', gasketThickness: '.0395' },
        'inch',
      ).get('compressionRatio')!.figure.value.value,
      // Without the dome: (833.2 + 58.4 + 9.0 + 1.9) ÷ 69.3, by hand.
      13.03,
      0.01,
    )
  })

  it.each([
    [{ bore: '4in' }, ['missing', 'stroke']],
    [{ ...compression, bore: '4cc' }, ['entry', 'bore']],
    [{ ...compression, pinOffset: '1mm' }, ['impossible', 'rod']],
    [{ ...compression, intakeClosing: '40 ABDC' }, ['impossible', 'rod']],
    [{ ...compression, stroke: '5in', rod: '2.4in' }, ['impossible', 'rod']],
    [{ ...compression, rod: '1in' }, ['outOfRange', 'rod']],
    [{ ...compression, bore: '-83' }, ['outOfRange', 'bore']],
    [{ ...compression, crownDiameter: '4in' }, ['impossible', 'landHeight']],
    [{ ...compression, piston: '-90cc' }, ['impossible', 'chamber']],
  ])('%o is refused at %o', (typed, issue) => expect(issues('compression', typed as never)).toContainEqual(issue))
})

describe('crank', () => {
  it('gives the volume only with bore and angle, and what is swept without a clearance', () => {
    expect(issues('crank', { stroke: '90', rod: '150', clearance: '60' })).toContainEqual(['impossible', 'bore'])
    const swept = results('crank', { stroke: '90', rod: '150', bore: '83', angle: '180' }).get('volumeAtAngle')!
    expectNear(swept.figure.value.value, ((Math.PI / 4) * 83 ** 2 * 90) / 1000, 1e-9)
  })
})

describe('conformity', () => {
  const judged = (typed: Record<string, string>) => results('conformity', typed).get('conformity')!.conformity!
  it('adds u to a typed ±', () => {
    expectNear(judged({ value: '0.0021±0.0002in', u: '0.0001in', lower: '0.0020in' }).U / 25.4, 2 * Math.hypot(0.0001, 0.0001), 1e-9)
  })
  it('judges a pair of leaves as an interval', () => {
    expect(judged({ goes: '17t', doesNotGo: '18t', lower: '17t' }).verdict).toBe('within')
    expect(judged({ goes: '16t', doesNotGo: '18t', lower: '17t' })).toMatchObject({
      verdict: 'inDoubt',
      probability: expect.closeTo(0.5, 9),
    })
  })
  it.each([
    [{ value: '1mm' }, ['impossible', 'lower']],
    [{ value: '1mm', lower: '2mm', upper: '1mm' }, ['impossible', 'lower']],
    [{ value: '1mm', lower: '1cc' }, ['impossible', 'lower']],
    [{ lower: '1mm' }, ['impossible', 'value']],
    [{ value: '1mm', goes: '1mm', doesNotGo: '2mm', lower: '1mm' }, ['impossible', 'value']],
    [{ goes: '2mm', doesNotGo: '1mm', lower: '1mm' }, ['impossible', 'doesNotGo']],
    [{ value: '1mm', lower: '1mm', rule: 'lenient' }, ['impossible', 'rule']],
    [{ value: '1mm', u: '-1mm', lower: '1mm' }, ['impossible', 'u']],
  ])('%o is refused at %o', (typed, issue) => expect(issues('conformity', typed as never)).toContainEqual(issue))
})

describe('convert', () => {
  it('keeps the uncertainty and finds the kind by the unit', () => {
    const found = results('convert', { value: '80±4 lbf.ft' }).get('Nm')!
    expectNear(found.figure.value.value, 108.465435866, 1e-8)
    expectNear(standardUncertainty(found.figure.value), 2 * 1.3558179483314004, 1e-9)
    expect([...results('convert', { value: '1 in' }).keys()]).toEqual(['mm', 'cm', 'um', 'hundredth', 'in', 'thou', 'tenth'])
  })
  it('refuses a unit of another kind', () => expect(issues('convert', { value: '1in', to: 'psi' })).toContainEqual(['unknownUnit', 'to']))
})

describe('numbers that cannot be of one engine', () => {
  const issue = (id: string, typed: Record<string, string>, system: 'metric' | 'inch' = 'metric') => {
    const outcome = computeSum(sumById(id)!, typed, system)
    return outcome.ok
      ? outcome.results.map(({ id: result, figure }) => [result, figure.value.value] as const)
      : outcome.issues.map(({ code, path }) => `${code} ${path.join(' ')}`)
  }
  const parts = { bore: '83', stroke: '92.8', chamber: '46', deck: '0.05', gasketBore: '84', gasketThickness: '1.1' }

  it('TDC by two angles on one side, or hardly apart, is no TDC; over a wheel of 360 they may be 350 and 10', () => {
    const stop = (a: string, b: string) => issue('tdc', { stroke: '92.8', rod: '144', method: 'stop', a, b })
    expect(stop('24', '26')).toEqual(['impossible a b'])
    expect(stop('20', '60')).toEqual(['impossible a b'])
    expect(stop('-4.9', '4.9')).toEqual(['impossible a b'])
    expect(stop('-5.1', '5.1')[0]).toEqual(['tdc', 0])
    expect(stop('350', '10')[0]).toEqual(['tdc', expect.closeTo(0, 9)])
    expect(stop('-24', '26')[0]).toEqual(['tdc', expect.closeTo(1, 9)])
  })

  it('a gasket smaller than its bore, a crown above it and a ratio of 46.8 are refused; as large as it is sound', () => {
    expect(issue('compression', { ...parts, gasketBore: '82.9' })).toEqual(['impossible gasketBore'])
    expect(issue('compression', { ...parts, gasketBore: '83' })[0]).toEqual(['compressionRatio', expect.any(Number)])
    expect(issue('compression', { ...parts, crownDiameter: '83.5', landHeight: '6' })).toEqual(['impossible crownDiameter'])
    expect(issue('compression', { ...parts, crownDiameter: '82.5', landHeight: '6' })[0]).toEqual(['compressionRatio', expect.any(Number)])
    // 502.1 cc swept: 11 cc of clearance make 46.6, 23 cc make 22.8.
    expect(issue('compression', { ...parts, chamber: '4.6' })).toEqual(['impossible chamber'])
    expect(issue('compression', { ...parts, chamber: '16.6' })[0]).toEqual(['compressionRatio', expect.closeTo(22.8, 0)])
  })

  it('a lash typed bare in an inch sum is thou, and one of inches is refused', () => {
    const gap = (lash: string) =>
      issue(
        'valvegap',
        {
          stroke: '3.75',
          rod: '6',
          valveAngle: '18',
          surface: 'pocket',
          drop: '0.3',
          centreline: '106',
          ratio: '1.6',
          lash,
          lift: '0.4',
          halfOpen: '184',
          power: '2.9',
        },
        'inch',
      )
    expect(gap('18')[0]).toEqual(gap('0.018in')[0])
    expect(gap('18in')).toEqual(['outOfRange lash'])
  })

  it('a nut factor of 13 is none, and one unit behind a section is that of both its sides', () => {
    const bolt = (typed: Record<string, string>) => issue('bolt', { thread: '7/16-20', torque: '77 lbfft', ...typed })
    expect(bolt({ nutFactor: '13' })).toEqual(['outOfRange nutFactor'])
    expect(bolt({ nutFactor: '0.13' }).length).toBeGreaterThan(1)
    expect(readSections('1.4x0.375in')).toEqual(readSections('1.4in x 0.375in'))
    expect(readSections('27x7.6,8x8.35')).toEqual(readSections('27mm x 7.6mm, 8mm x 8.35mm'))
  })

  it('a standard uncertainty of a temperature is a difference, in °F as in °C', () => {
    const judged = (typed: Record<string, string>) => computeSum(sumById('conformity')!, typed)
    const [fahrenheit, celsius] = [
      judged({ value: '262F', u: '9F', upper: '280F' }),
      judged({ value: '127.7778 C', u: '5 C', upper: '137.7778 C' }),
    ]
    if (!fahrenheit.ok || !celsius.ok) throw new Error(JSON.stringify([fahrenheit, celsius]))
    expect(standardUncertainty(fahrenheit.results[0]!.figure.value)).toBeCloseTo(5, 9)
    expect(fahrenheit.results[0]!.conformity!.verdict).toBe(celsius.results[0]!.conformity!.verdict)
    expect(fahrenheit.results[0]!.conformity!.probability).toBeCloseTo(celsius.results[0]!.conformity!.probability, 4)
  })
})
