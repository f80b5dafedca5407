import { describe, expect, it } from 'vitest'
import { withSpec, type EngineChange } from '../document'
import { withChanges, withPlannedAfter } from '../document/changes'
import { soundBuild } from '../../../tests/support/builds'
import type { Finding } from '../bench/bench'
import { compare } from './compare'
import { evaluate } from './evaluate'
import { plannedTooNear, tooNear } from './tooNear'

/** A plan that brings valves and pistons too near is not taken without a reason; one that does not, is. */
const petrel = soundBuild(1)
const advanced = (by: number): readonly EngineChange[] => [
  { what: 'turnCam', cam: 'intake', by },
  { what: 'turnCam', cam: 'exhaust', by },
]
const INTAKES = [1, 2, 3, 4, 5, 6, 7, 8].map((cylinder) => `intake${cylinder}`)
const valvesOf = (near: readonly Finding[]) => near.flatMap(({ output, valve }) => (output === 'clearance.closest' && valve ? [valve] : []))
const planned = (changes: readonly EngineChange[]) => withSpec(petrel, withPlannedAfter(withChanges(petrel.spec, changes), petrel))

describe('a plan', () => {
  it('that sets the V8’s cam eight degrees earlier brings its intakes under their limit: named, valve by valve', () => {
    const near = plannedTooNear(petrel, planned(advanced(8)))
    expect(near.map(({ output }) => output)).toContain('clearance.closest')
    expect(near.map(({ valve }) => valve)).toEqual(expect.arrayContaining(['intake1', 'intake8']))
    expect(near.every(({ valve }) => valve?.startsWith('intake'))).toBe(true)
  })

  it('that brings nothing too near is taken as it stands', () => {
    expect(plannedTooNear(petrel, planned(advanced(1)))).toEqual([])
    expect(plannedTooNear(petrel, petrel)).toEqual([])
    // Pockets cut beside it give the room back.
    expect(plannedTooNear(petrel, planned([...advanced(8), { what: 'cutPocket', valves: 'intake', by: 1.5 }]))).toEqual([])
  })

  it('with a reason and initials beside every new part of it is taken; one that stood before is not asked again', () => {
    const build = planned(advanced(8))
    const despite = { reason: 'one pull, then back', by: 'AB' }
    const answered = withSpec(build, { ...build.spec, planned: build.spec.planned!.map((one) => ({ ...one, despite })) })
    expect(plannedTooNear(petrel, answered)).toEqual([])
    expect(valvesOf(tooNear(compare(evaluate(petrel), evaluate(answered))))).toEqual(INTAKES)
    const half = withSpec(build, { ...build.spec, planned: [{ ...build.spec.planned![0]!, despite }, build.spec.planned![1]!] })
    expect(valvesOf(plannedTooNear(petrel, half))).toEqual(INTAKES)
    expect(plannedTooNear(answered, withSpec(answered, { ...answered.spec, name: 'Petrel again' }))).toEqual([])
  })
})
