import { describe, expect, it } from 'vitest'
import { closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { pistonDropMm } from '../../geometry/crank'
import { standardUncertainty } from '../../metrology'
import type { QuickSum } from '../../bench/quickSum'
import { computeSum } from '../../sums'
import { park, radial, valvedial, valvegap } from './sums'

const resultsOf = (sum: QuickSum, typed: Record<string, string>, system: 'metric' | 'inch' = 'metric') => {
  const outcome = computeSum(sum, typed, system)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  const result = (id: string) => outcome.results.find((one) => one.id === id)
  return {
    ...outcome,
    result,
    value: (id: string) => result(id)?.figure.value.value,
    u: (id: string) => standardUncertainty(result(id)!.figure.value),
  }
}
const issuesOf = (sum: QuickSum, typed: Record<string, string>) => {
  const outcome = computeSum(sum, typed)
  return outcome.ok ? [] : outcome.issues
}

const five = {
  stroke: '92.8',
  rod: '144',
  valveAngle: '15.5',
  surface: 'pocket',
  lift: '10.2',
  halfOpen: '150',
  power: '2.6',
  centreline: '109.5',
  ratio: '1',
  lash: '0.2',
}
const v8 = {
  stroke: '3.75in',
  rod: '6in',
  valveAngle: '18',
  surface: 'pocket',
  lift: '0.4in',
  halfOpen: '184',
  power: '2.9',
  centreline: '106',
  ratio: '1.6',
  lash: '0.018in',
  drop: '7.6mm',
}
const tableOf = (step: number) =>
  [
    'angle,lift',
    ...Array.from({ length: 320 / step + 1 }, (_, index) => -160 + step * index).map(
      (deg) => `${deg},${closedLiftMm({ liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }, deg).toFixed(4)}`,
    ),
  ].join('\n')

describe('valve to piston', () => {
  it('closes to what is common practice for three engines, where it does', () => {
    const { value } = resultsOf(valvegap, { ...five, drop: '3.3' })
    expect(value('closest')).toBeCloseTo(1.91, 2)
    expect(value('at')).toBeGreaterThan(2)
    expect(value('at')).toBeLessThan(15)
    expect(resultsOf(valvegap, v8, 'inch').value('closest')! / 25.4).toBeCloseTo(0.097, 3)
    const exhaust = { ...v8, halfOpen: '189', centreline: '-112', lash: '0.020in', drop: '7.4mm' }
    expect(resultsOf(valvegap, exhaust, 'inch').value('closest')! / 25.4).toBeCloseTo(0.109, 3)
    expect(resultsOf(valvegap, exhaust, 'inch').value('at')).toBeLessThan(0)
  })

  it('by a table from its peak as by the form it was made of', () => {
    const { lift: _, halfOpen: __, power: ___, ...engine } = five
    const byTable = resultsOf(valvegap, { ...engine, drop: '3.3', readings: tableOf(4) })
    expect(byTable.value('closest')).toBeCloseTo(resultsOf(valvegap, { ...five, drop: '3.3' }).value('closest')!, 2)
  })

  it('has the uncertainty of its drop as it stands, and of the lash the other way', () => {
    expect(resultsOf(valvegap, { ...five, drop: '3.3 ±0.1' }).u('closest')).toBeCloseTo(0.05, 4)
    expect(resultsOf(valvegap, { ...five, lash: '0.2 ±0.1', drop: '3.3' }).u('closest')).toBeCloseTo(0.05, 4)
  })

  it('may be set between where it has just its limit; too near as it stands, the nearest setting that is not', () => {
    const { value, result } = resultsOf(valvegap, { ...v8, limit: '0.080in' }, 'inch')
    expect(result('closest')!.conformity).toMatchObject({ verdict: 'within' })
    expect(value('windowFrom')).toBe(-20)
    expect(value('windowTo')).toBeGreaterThan(2)
    expect(value('windowTo')).toBeLessThan(4)
    const near = resultsOf(valvegap, { ...v8, limit: '0.100in' }, 'inch')
    expect(near.result('closest')!.conformity).toMatchObject({ verdict: 'under' })
    expect(near.value('windowTo')).toBeLessThan(0)
    expect(resultsOf(valvegap, v8).value('windowTo')).toBeUndefined()
    expect(resultsOf(valvegap, { ...v8, limit: '15mm' }).remarks).toEqual({ noWindowDeg: 20 })
  })

  it('says what a limit below any preset wants', () => {
    expect(resultsOf(valvegap, { ...v8, limit: '1.4mm' }).remarks).toEqual({ belowFloorMm: 1.5 })
    expect(resultsOf(valvegap, { ...v8, limit: '1.5mm' }).remarks).toEqual({})
    expect(resultsOf(valvegap, { ...v8, centreline: '-112', limit: '1.9mm' }).remarks).toEqual({ belowFloorMm: 2 })
  })

  it.each([
    [{ valveAngle: '80' }, 'valveAngle'],
    [{ surface: 'bowl' }, 'surface'],
    [{ halfOpen: '400' }, 'halfOpen'],
    [{ power: '20' }, 'power'],
    [{ ratio: '4' }, 'ratio'],
    [{ centreline: '20' }, 'centreline'],
    [{ rod: '40' }, 'rod'],
    [{ lift: '' }, 'lift'],
    [{ readings: tableOf(4) }, 'readings'],
  ])('refuses %o and says where', (change, path) => {
    const [issue] = issuesOf(valvegap, { ...five, drop: '3.3', ...change } as Record<string, string>)
    expect(issue!.path).toContain(path)
  })

  it('names a row of a table that cannot be read', () => {
    const { lift: _, halfOpen: __, power: ___, ...engine } = five
    expect(issuesOf(valvegap, { ...engine, drop: '3.3', readings: tableOf(4).replace('\n0,10.2000', '\n0,tall') })).toEqual([
      { code: 'liftTable', path: ['readings'], issue: { code: 'badNumber', row: 41, column: 'lift', text: 'tall' } },
    ])
  })
})

describe('the drop from a dial', () => {
  /** What a dial shows with this drop at an angle. */
  const travel = (deg: number, dropMm = 3.3) => {
    const fallen = pistonDropMm({ strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }, deg) * Math.cos((15.5 * Math.PI) / 180)
    return dropMm + fallen - Math.max(0, closedLiftMm({ liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }, deg - 109.5) - 0.2)
  }
  const readings = (angles: readonly number[]) => angles.map((deg) => `${travel(deg).toFixed(4)}@${deg}`).join(', ')

  it('comes back from one reading or seven, with what each is off', () => {
    const { value, remarks } = resultsOf(valvedial, { ...five, readings: readings([-4, 0, 4, 8, 12, 16, 20]) })
    expect(value('dropAtTdc')).toBeCloseTo(3.3, 3)
    expect(remarks!.residualsMm).toHaveLength(7)
    for (const residual of remarks!.residualsMm!) expect(residual).toBeCloseTo(0, 3)
    expect(resultsOf(valvedial, { ...five, readings: `${travel(10).toFixed(4)}@10 atdc` }).value('dropAtTdc')).toBeCloseTo(3.3, 3)
  })

  it('is as uncertain as dial and wheel on the slope, and more with a centreline that is', () => {
    const one = { ...five, readings: readings([10]), dialU: '0.02', wheelU: '0.3' }
    const slope = (travel(10.5) - travel(9.5)) / 1
    expect(resultsOf(valvedial, one).u('dropAtTdc')).toBeCloseTo(Math.hypot(0.02, 0.3 * slope), 3)
    expect(resultsOf(valvedial, { ...one, centreline: '109.5 ±2' }).u('dropAtTdc')).toBeGreaterThan(
      resultsOf(valvedial, one).u('dropAtTdc') * 1.5,
    )
  })

  it('names the reading that lost a turn of the dial', () => {
    const { remarks } = resultsOf(valvedial, {
      ...five,
      readings: `${readings([0, 4, 8])}, ${(travel(12) + 1).toFixed(3)}@12, ${readings([16, 20])}`,
    })
    expect(remarks!.dialSlips!.map(({ reading }) => reading)).toContain(4)
    expect(remarks!.dialSlips!.find(({ reading }) => reading === 4)!.offMm).toBeGreaterThan(0.5)
  })

  it('bare travels are in the unit of the stroke; a decimal comma is read', () => {
    const inches = { ...five, stroke: '3.6535in', readings: `${(travel(10) / 25.4).toFixed(4)}@10` }
    expect(resultsOf(valvedial, inches).value('dropAtTdc')).toBeCloseTo(3.3, 1)
    expect(resultsOf(valvedial, { ...five, readings: '2,38@0, 2,05@4' }).remarks!.residualsMm).toHaveLength(2)
  })

  it.each([
    ['2.38', 'travel@angle'],
    ['2.38@0, x@4', 'reading 2'],
    ['-2.38@0', 'negative'],
    ['2.38@120', 'further'],
    ['2.38@0@4', 'travel@angle'],
  ])('refuses %s', (text, words) => {
    expect(issuesOf(valvedial, { ...five, readings: text })).toMatchObject([
      { code: 'impossible', path: ['readings'], reason: expect.stringContaining(words) },
    ])
  })
})

describe('round the valve, and where to park', () => {
  it('half of what the pocket is wider, less what their axes are apart; least about 0.050 in', () => {
    const { value, result } = resultsOf(radial, { pocket: '36.5', valve: '33', offset: '0.2' })
    expect(value('radial')).toBeCloseTo(1.55, 9)
    expect(result('radial')!.conformity).toMatchObject({ verdict: 'within' })
    expect(resultsOf(radial, { pocket: '35', valve: '33', offset: '0.2' }).result('radial')!.conformity).toMatchObject({ verdict: 'under' })
    expect(issuesOf(radial, { pocket: '32', valve: '33', offset: '0' })).toMatchObject([{ path: ['pocket'] }])
  })

  it.each([
    // Common practice, 90 mm stroke on 150 mm rods.
    ['0', '90', '150', 180, 90],
    ['0,180', '90', '150', 90, 51.91],
    ['0,120,240', '90', '150', 60, 27.65],
    ['0 90 180 270', '90', '150', 45, 16.59],
    ['0,144,216,288,72', '92.8', '144', 36, 11.47],
    ['0,90,180,270', '3.75in', '6in', 45, 17.72],
  ])('tops %s, %s on %s: parked at %s°, the highest %s mm down', (tops, stroke, rod, deg, mm) => {
    const { value } = resultsOf(park, { tops, stroke, rod })
    expect(value('crankAngle')).toBeCloseTo(deg, 1)
    expect(value('highest')).toBeCloseTo(mm, 1)
  })

  it('refuses tops that are none', () => {
    for (const tops of ['0, x', '-20', '0, 900'])
      expect(issuesOf(park, { tops, stroke: '90', rod: '150' })).toMatchObject([{ path: ['tops'] }])
    expect(issuesOf(park, { tops: '0', stroke: '90', rod: '40' })).toMatchObject([{ path: ['rod'] }])
  })
})
