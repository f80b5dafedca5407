import { describe, expect, it } from 'vitest'
import { closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { standardUncertainty } from '../../metrology'
import { camcard, camcurve, camkey, camtooth, chainretard, tdc } from './sums'
import type { QuickSum } from '../../bench/quickSum'
import { computeSum } from '../../sums'

const resultsOf = (sum: QuickSum, typed: Record<string, string>) => {
  const outcome = computeSum(sum, typed)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return {
    ...outcome,
    value: (id: string) => outcome.results.find((result) => result.id === id)?.figure.value.value,
    u: (id: string) => standardUncertainty(outcome.results.find((result) => result.id === id)!.figure.value),
  }
}
const issuesOf = (sum: QuickSum, typed: Record<string, string>) => {
  const outcome = computeSum(sum, typed)
  return outcome.ok ? [] : outcome.issues
}
const crank = { stroke: '90', rod: '150' }

describe('true TDC', () => {
  it('is the middle of both contacts; what is added to readings is its opposite; the wheel’s uncertainty goes by √½', () => {
    const { value, u } = resultsOf(tdc, { ...crank, method: 'stop', a: '-24', b: '26', wheelU: '0.25' })
    expect([value('tdc'), value('correction')]).toEqual([1, -1])
    expect(u('tdc')).toBeCloseTo(0.25 / Math.SQRT2, 6)
    // 25° either side of the top: 45 · (1 − cos 25°) + 150 − √(150² − (45 · sin 25°)²).
    expect(value('stopDrop')).toBeCloseTo(5.4266, 4)
  })

  it('on the circle: 350 and 10 are 0, spoken or not', () => {
    expect(resultsOf(tdc, { ...crank, method: 'stop', a: '350', b: '10' }).value('tdc')).toBeCloseTo(0, 9)
    expect(resultsOf(tdc, { ...crank, method: 'drop', a: '24 btdc', b: '26 atdc' }).value('tdc')).toBeCloseTo(1, 9)
  })

  it('with an offset pin is off the middle by what equal drops are off the top', () => {
    const { value } = resultsOf(tdc, { ...crank, pinOffset: '1', method: 'drop', a: '-82', b: '82' })
    expect(value('tdc')).toBeCloseTo(-0.0913, 2)
  })

  it('takes a drop that its angles make, and questions one they do not: a revolution of the dial is one millimetre', () => {
    // 12° either side is 1.275 mm down.
    expect(issuesOf(tdc, { ...crank, method: 'drop', a: '-11', b: '13', drop: '1.27' })).toEqual([])
    expect(issuesOf(tdc, { ...crank, method: 'drop', a: '-11', b: '13', drop: '2.27' })).toEqual([
      { code: 'impossible', path: ['drop'], reason: expect.stringContaining('1.275 mm below the top, not 2.270') },
    ])
    expect(issuesOf(tdc, { ...crank, method: 'drop', a: '11', b: '13', drop: '1.27' })).toHaveLength(1)
  })

  it('wants to know by which method, and a rod that reaches', () => {
    expect(issuesOf(tdc, { ...crank, method: 'dwell', a: '-24', b: '26' })).toMatchObject([{ path: ['method'] }])
    expect(issuesOf(tdc, { stroke: '90', rod: '40', method: 'stop', a: '-24', b: '26' })).toMatchObject([{ path: ['rod'] }])
    expect(issuesOf(tdc, { ...crank, method: 'stop', a: '-24' })).toEqual([{ code: 'missing', path: ['b'] }])
  })
})

describe('a cam card', () => {
  it('comes whole from four numbers, its uncertainties with it', () => {
    const { value, u } = resultsOf(camcard, { intakeDuration: '222.7 ±1', icl: '109.5 ±0.5', exhaustDuration: '225', ecl: '110' })
    expect(value('io')).toBeCloseTo(222.7 / 2 - 109.5, 9)
    expect(value('ic')).toBeCloseTo(222.7 / 2 + 109.5 - 180, 9)
    expect(value('lsa')).toBeCloseTo(109.75, 9)
    expect(value('advance')).toBeCloseTo(0.25, 9)
    expect(value('overlap')).toBeCloseTo(1.85 + 2.5, 9)
    expect(u('io')).toBeCloseTo(Math.hypot(0.25, 0.25), 6)
  })

  it('names what contradicts, and refuses what no cam has', () => {
    expect(resultsOf(camcard, { io: '3 atdc', ic: '44 abdc', icl: '110.5' }).remarks?.disagreements).toEqual([
      { number: 'icl', stated: 110.5, computed: 113.5 },
    ])
    expect(issuesOf(camcard, { io: '44 abdc' })).toMatchObject([{ code: 'entry', path: ['io'], issue: { code: 'otherCentre' } }])
    expect(issuesOf(camcard, { intakeDuration: '22' })).toMatchObject([{ path: ['intakeDuration'] }])
    expect(issuesOf(camcard, { io: '-60', ic: '-50' })).toMatchObject([{ code: 'impossible' }])
    expect(issuesOf(camcard, {})).toHaveLength(1)
  })
})

describe('a lobe from its table', () => {
  const lobe = { liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }
  const csv = (change: (mm: number, row: number) => number = (mm) => mm) =>
    [
      'angle,lift',
      ...Array.from({ length: 91 }, (_, index) => {
        const angle = -80 + 4 * index
        return `${angle},${change(closedLiftMm(lobe, angle - 112.5), index + 1).toFixed(4)}`
      }),
    ].join('\n')

  it('without noise has the events of its closed form', () => {
    const { value, remarks } = resultsOf(camcurve, { readings: csv(), checkLift: '1.27mm', wheelU: '0.02', dialU: '0.0005mm' })
    expect(value('peakLift')).toBeCloseTo(10.2, 2)
    expect(Math.abs(value('duration')! - 222.71)).toBeLessThan(0.05)
    expect(Math.abs(value('centreline')! - 112.5)).toBeLessThan(0.02)
    expect(Math.abs(value('open')! - (112.5 - 111.355))).toBeLessThan(0.03)
    expect(remarks?.slips).toEqual([])
  })

  it('carries true TDC’s uncertainty into both events and the centreline, and not into the duration', () => {
    const without = resultsOf(camcurve, { readings: csv(), checkLift: '1.27mm' })
    const withTdc = resultsOf(camcurve, { readings: csv(), checkLift: '1.27mm', tdcU: '0.5' })
    for (const id of ['open', 'close', 'centreline', 'peakAngle']) expect(withTdc.u(id)).toBeCloseTo(Math.hypot(without.u(id), 0.5), 9)
    expect(withTdc.u('duration')).toBeCloseTo(without.u('duration'), 9)
  })

  it('names a row that lost a millimetre by its number after the header', () => {
    const { value, remarks } = resultsOf(camcurve, { readings: csv((mm, row) => (row === 37 ? mm - 1 : mm)), checkLift: '1.27mm' })
    expect(remarks?.slips).toMatchObject([{ kind: 'row', row: 37 }])
    expect(Math.abs(value('centreline')! - 112.5)).toBeLessThan(0.05)
  })

  it('refuses a lift the lobe never has, and a table with a bad row, by its place', () => {
    expect(issuesOf(camcurve, { readings: csv(), checkLift: '11mm' })).toMatchObject([{ path: ['checkLift'] }])
    expect(issuesOf(camcurve, { readings: csv().replace('\n-40,', '\n-44,'), checkLift: '1.27' })).toEqual([
      { code: 'liftTable', path: ['readings'], issue: { code: 'repeated', row: 11, angleDeg: -44 } },
    ])
    expect(issuesOf(camcurve, { readings: csv(), checkLift: '1.27', dialU: '0mm' })).toMatchObject([{ path: ['dialU'] }])
  })
})

describe('what turns a cam', () => {
  it('a key filed on one side, where it is said how the shaft turns and which way the spark is to go', () => {
    const given = { offset: '0.9mm', shaftRadius: '12.7mm' }
    const { value, remarks } = resultsOf(camkey, { ...given, rotation: 'ccw', way: 'advance' })
    expect(value('ignition')).toBeCloseTo(4.064, 3)
    expect(remarks).toEqual({ filed: { side: 'right', rotation: 'ccw', way: 'advance' } })
    expect(resultsOf(camkey, given).remarks).toBeUndefined()
  })

  it('a key, a tooth, a cut', () => {
    expect(resultsOf(camkey, { offset: '0.012in', shaftRadius: '0.172in' }).value('ignition')).toBeCloseTo(4, 2)
    expect(resultsOf(camtooth, { teeth: '44' }).value('crankDegrees')).toBeCloseTo(16.364, 3)
    expect(resultsOf(chainretard, { cut: '0.5', pitchRadius: '50' }).value('retard')).toBeCloseTo(1.146, 3)
  })

  it.each([
    [camkey, { offset: '13mm', shaftRadius: '12.7mm' }, 'offset'],
    [camkey, { offset: '1mm', shaftRadius: '12.7mm', rotation: 'left', way: 'advance' }, 'rotation'],
    [camkey, { offset: '1mm', shaftRadius: '12.7mm', rotation: 'cw' }, 'way'],
    [camkey, { offset: '1mm', shaftRadius: '12.7mm', way: 'advance' }, 'rotation'],
    [camtooth, { teeth: '44.5' }, 'teeth'],
    [camtooth, { teeth: '7' }, 'teeth'],
    [camtooth, { teeth: '201' }, 'teeth'],
    [chainretard, { cut: '60', pitchRadius: '50' }, 'cut'],
    [chainretard, { cut: '0.5', pitchRadius: '0' }, 'pitchRadius'],
  ] as const)('not one that there is not: %#', (sum, typed, path) => {
    expect(issuesOf(sum, typed)).toMatchObject([{ path: [path] }])
  })
})
