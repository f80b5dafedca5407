import { describe, expect, it } from 'vitest'
import { soundBuild, without } from '../../../../tests/support/builds'
import { onPaper, number } from '../../../../tests/support/cams'
import { found, mmOf } from '../../../../tests/support/clearances'
import { monteCarlo, standardUncertainty, type MonteCarloResult } from '../../metrology'
import { applyChanges } from '../../document/changes'
import { closestModel } from './draws'
import { phasingMap } from './phasingMap'

/** The uncertainty by draws beside what is worked out, and both cams moved at once. */
const one = soundBuild(0)
const drawn = (build: typeof one) => {
  const model = closestModel(build)
  let results: readonly MonteCarloResult[] = []
  for (const slice of monteCarlo(model, 20_000, 7)) ({ results } = slice)
  return new Map(model.valves.map((valve, index) => [valve, results[index]!]))
}

describe('a hundred thousand engines', () => {
  it('agree with the budget within 3 %, and lie about the same gap (JCGM 101)', () => {
    const results = drawn(one)
    expect([...results.keys()]).toHaveLength(20)
    for (const valve of ['intake1a', 'exhaust3b']) {
      const { value } = found(one, `closest.${valve}`).figure!
      const { mean, standardDeviation } = results.get(valve)!
      expect(Math.abs(mean - value.value)).toBeLessThan(0.001)
      expect(Math.abs(standardDeviation / standardUncertainty(value) - 1)).toBeLessThan(0.03)
    }
  })

  it('know the kink of a valve that hardly leaves its seat: no gap is wider than its drop', () => {
    // So much lash that the lobe takes of the drop only what uncertainty gives it.
    const lash = -(mmOf(one, 'closest.intake1a') - mmOf(one, 'dropAtTdc.intake1a')) + 0.2
    const loose = onPaper(one, { intakeLash: number(lash, 'mm') })
    const { mean } = drawn(loose).get('intake1a')!
    expect(mean).toBeLessThan(mmOf(loose, 'dropAtTdc.intake1a'))
    expect(mean).toBeGreaterThan(mmOf(loose, 'dropAtTdc.intake1a') - 0.02)
    expect(mmOf(loose, 'closest.intake1a')).toBeCloseTo(mmOf(loose, 'dropAtTdc.intake1a'), 3)
  })

  it('say by how much of them a limit is kept, and nothing of a valve nobody read', () => {
    const at = mmOf(one, 'closest.intake2a')
    const limits = { ...one.spec.limits, 'clearance.intake': { lower: at, source: 'test', reason: '' } }
    const { probability } = drawn({ ...one, spec: { ...one.spec, limits } }).get('intake2a')!
    expect(probability).toBeGreaterThan(0.45)
    expect(probability).toBeLessThan(0.55)
    const unread = without(one, ({ characteristic }) => characteristic.startsWith('clearance.'))
    expect(closestModel(unread).valves).toEqual([])
  })
})

describe('both cams moved', () => {
  const map = phasingMap(one, 'intake', 'exhaust')!
  const at = (intakeDeg: number, exhaustDeg: number) =>
    map.gapMm[map.advancesDeg.indexOf(intakeDeg) * map.advancesDeg.length + map.advancesDeg.indexOf(exhaustDeg)]!

  it('is as it stands in the middle, and elsewhere what the finding would be with both so set', () => {
    expect(at(0, 0)).toBeCloseTo(mmOf(one, 'valveToValve'), 3)
    for (const [intakeDeg, exhaustDeg] of [
      [6, -6],
      [-4, 8],
    ] as const) {
      const set = applyChanges(one, [
        { what: 'turnCam', cam: 'intake', by: intakeDeg },
        { what: 'turnCam', cam: 'exhaust', by: exhaustDeg },
      ])
      expect(at(intakeDeg, exhaustDeg)).toBeCloseTo(mmOf(set, 'valveToValve'), 2)
    }
  })

  it('closes as both open longer together, and is not known without the numbers it rests on', () => {
    expect(at(10, -10)).toBeLessThan(at(0, 0))
    expect(at(-10, 10)).toBeGreaterThan(at(0, 0))
    const { valvesApart: _, ...paper } = one.spec.paper
    expect(phasingMap({ ...one, spec: { ...one.spec, paper } }, 'intake', 'exhaust')).toBeUndefined()
  })
})
