import fc from 'fast-check'
import { lusolve, type Matrix } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { openBuild, TRUTHS } from '@/core/benches'
import { fasteners } from '@/core/benches/fasteners'
import { cyclesOf, plannedTorques } from '@/core/benches/fasteners/rodBolts'
import { curveOf, offLine, pulledTo, slopeOf, torqueForStretch, type Pull } from '@/core/benches/fasteners/torqueStretch'
import { stationId, type Build, type Entry, type Place } from '@/core/document'
import { exactly, expand, standardUncertainty, statedFigure, type Figure } from '@/core/metrology'
import { seedOf } from '@/core/numerics/random'
import { virtualEngine } from '@/core/benches/virtualEngine'
import { SimulatedGauges } from '@/core/twin'
import { stamp, ternDocument } from '../support/builds'
import { expectNear } from '../support/expectNear'

/** The fit of torque against stretch: against a general solver, against its closed form, and against engines whose truth is known. */
const figure = (name: string, value: number, u = 0): Figure =>
  u === 0 ? { value: exactly(value), origin: { from: 'typed', name } } : statedFigure(name, value, 2 * u)
const pulls = (points: readonly (readonly [nm: number, mm: number])[], u = 0): Pull[] =>
  points.map(([torqueNm, mm], index) => ({ torqueNm, stretchMm: figure(`s${index}`, mm, u) }))

describe('the line through the pulls', () => {
  it('is that of the normal equations, solved by mathjs, for any points', () => {
    const point = fc.tuple(fc.double({ min: 5, max: 120, noNaN: true }), fc.double({ min: 0.01, max: 0.4, noNaN: true }))
    fc.assert(
      fc.property(fc.uniqueArray(point, { minLength: 3, maxLength: 12, selector: ([nm]) => Math.round(nm) }), (points) => {
        const [n, x, y] = [points.length, points.map(([nm]) => nm), points.map(([, mm]) => mm)]
        const sum = (of: (index: number) => number) => points.reduce((total, _, index) => total + of(index), 0)
        const normal = [
          [n, sum((i) => x[i]!)],
          [sum((i) => x[i]!), sum((i) => x[i]! ** 2)],
        ]
        const solved = lusolve(normal, [sum((i) => y[i]!), sum((i) => x[i]! * y[i]!)]) as Matrix | number[][]
        const [[atZero], [slope]] = solved as unknown as [[number], [number]]
        const line = pulls(points)
        expectNear(slopeOf(line).value.value, slope, 1e-9)
        const next: Pull = { torqueNm: 60, stretchMm: figure('next', 0.2) }
        expectNear(offLine(line, next).value.value, 0.2 - (atZero + slope * 60), 1e-8)
        if (Math.abs(slope) > 1e-3) expectNear(torqueForStretch(line, figure('wanted', 0.1)).value.value, (0.1 - atZero) / slope, 1e-4)
      }),
      { seed: 7, numRuns: 200 },
    )
  })

  // Draper and Smith, Applied Regression Analysis.
  it('has the uncertainty of its closed form: σ·√(1 + 1/n + (x − x̄)²/Sxx) off the line, σ/√Sxx of its slope', () => {
    const line = pulls(
      [20, 25, 30, 35, 40].map((nm) => [nm, 0.003 * nm]),
      0.002,
    )
    const next: Pull = { torqueNm: 50, stretchMm: figure('next', 0.15, 0.002) }
    // x̄ = 30, Sxx = 250: 0.002·√(1 + 1/5 + 400/250) = 0.003347; 0.002/√250 = 0.0001265.
    expectNear(standardUncertainty(offLine(line, next).value), 0.003_347, 1e-6)
    expectNear(standardUncertainty(slopeOf(line).value), 0.000_126_5, 1e-7)
  })

  it('what a wrench repeats is 1 % as hard limits, of the stretch that it makes', () => {
    const { stretchMm } = pulledTo('a', 40, figure('s', 0.12))
    expectNear(standardUncertainty(stretchMm.value), (0.01 * 0.12) / Math.sqrt(3), 1e-12)
  })
})

describe('where a bolt leaves its line', () => {
  const straight = [20, 25, 30, 35, 40, 45, 50].map((nm) => [nm, 0.003 * nm] as const)

  it('nowhere while it is straight, however steep', () => {
    const curve = curveOf(pulls(straight, 0.0015))!
    expect([curve.straight.length, curve.leavesAt]).toEqual([7, undefined])
    expectNear(curve.bend.value.value, 0, 1e-12)
  })

  it.each([
    ['yields', 1, 45],
    ['galls', -1, 45],
  ] as const)('%s: from the first pull that is surely off it', (_, sign, fromNm) => {
    const bent = straight.map(([nm, mm]) => [nm, mm + sign * Math.max(0, nm - 40) * 0.002] as const)
    const curve = curveOf(pulls(bent, 0.0015))!
    expect(curve.leavesAt?.torqueNm).toBe(fromNm)
    expectNear(curve.bend.value.value, sign * 0.02, 1e-9)
  })

  it('is told only of four pulls or more', () => {
    expect(curveOf(pulls(straight.slice(0, 3), 0.0015))).toBeUndefined()
    expect(curveOf(pulls(straight.slice(0, 4), 0.0015))).toBeDefined()
  })
})

describe('the torque found, against virtual engines whose truth is known', () => {
  const blank = openBuild({ ...ternDocument, entries: [] })
  const micrometer = [...blank.gauges.values()].find(({ gauge }) => gauge === 'mic-metric')!

  /** Bolt 1 of an engine run up cycle by cycle, each until it has its stretch, and a fourth time where that is asked for. */
  function runUp(seed: number) {
    const engine = virtualEngine(blank.spec, {}, seedOf(seed))
    const hand = new SimulatedGauges({ engine, spec: blank.spec, seed: seedOf(1000 + seed), truths: TRUTHS })
    const read = (characteristic: 'fasteners.freeLength' | 'fasteners.lengthAt', place: Place): Entry => {
      const { value } = hand.read(characteristic, place, micrometer)
      return { kind: 'reading', ...stamp(), characteristic, place, value, unit: 'mm', asTyped: String(value), gauge: micrometer.id }
    }
    const free = read('fasteners.freeLength', { bolt: 1 })
    const wantedMm = blank.spec.paper.boltStretch!.value
    const cycle = (number: number): Entry[] => {
      const entries: Entry[] = []
      for (const torque of plannedTorques(blank)) {
        const entry = read('fasteners.lengthAt', { bolt: 1, cycle: number, torque })
        entries.push(entry)
        if ('value' in entry && 'value' in free && entry.value! - free.value! >= wantedMm) break
      }
      return entries
    }
    const opened = (entries: readonly Entry[]): Build => openBuild({ ...ternDocument, entries: [...entries] })
    const three = [free, ...[1, 2, 3].flatMap(cycle)]
    const first = opened(three)
    const isSettled = cyclesOf(first, 1) === 3
    const truthNm = TRUTHS['fasteners.tightTorque'](
      {
        engine: { ...engine, boltOverpullMm: new Map([[1, 0]]) },
        spec: blank.spec,
        unread: blank,
        random: undefined as never,
        buretteLevelCm3: 0,
      },
      { bolt: 1 },
    )
    return { isSettled, truthNm, found: foundIn(isSettled ? first : opened([...three, ...cycle(4)])), foundEarly: foundIn(first) }
  }
  const foundIn = (build: Build) => fasteners.derive(build).find(({ id }) => id === 'fasteners.torqueHere.b1')!

  it('its stated uncertainty covers the truth in 90 to 98 of 100, over 300 engines; unsettled friction is told', () => {
    const runs = Array.from({ length: 300 }, (_, index) => runUp(index + 1))
    const known = runs.flatMap(({ found, truthNm }) => (found.figure ? [{ value: found.figure.value, truthNm }] : []))
    expect(known.length).toBeGreaterThan(270)
    const covered = known.filter(({ value, truthNm }) => Math.abs(value.value - truthNm) <= expand(value).U)
    const share = covered.length / known.length
    expect(share).toBeGreaterThanOrEqual(0.9)
    expect(share).toBeLessThanOrEqual(0.98)
    for (const { isSettled, foundEarly } of runs)
      expect(foundEarly.remarks.some(({ code }) => code === 'frictionUnsettled')).toBe(!isSettled && foundEarly.figure !== undefined)
    expect(runs.filter(({ isSettled }) => !isSettled).length).toBeGreaterThan(10)
  })
})

it('a place names the torque of its pull', () => {
  expect(stationId('fasteners.lengthAt', { bolt: 1, cycle: 2, torque: 27.116 })).toBe('fasteners.lengthAt/b1/k2/t27.116')
})
