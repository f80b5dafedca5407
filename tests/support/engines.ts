/** Three engines taken apart and put together by words, for tests of the laws of assembly. */
import { expect } from 'vitest'
import { bareEngine, missingName, partsOf, pathTo, replay, type Act, type EngineParts, type Standing } from '@/core/assembly'
import type { PartAct } from '@/core/assembly/acts'
import { ENGINES } from './layouts'

export const V8 = partsOf(ENGINES['V8, pushrods']!)
export const TWIN_CAM = partsOf(ENGINES['inline four, shims under']!)
export const SINGLE = partsOf(ENGINES['single, split cases, cam in the head']!)
export const FIRE = { act: 'turn', kind: 'fire' } as const
export const WHOLE = pathTo(V8, bareEngine(), FIRE).standing

/** `torque head1`, `on pan` (for good), `try pan` (on trial), `fact parked`, `read lash`, `turn crank`. */
export function acts(...words: readonly string[]): readonly Act[] {
  return words.map((said): Act => {
    const [act, of = ''] = said.split(' ') as [string, string?]
    if (act === 'on' || act === 'try') return { act: 'on', part: of, grade: act === 'on' ? 'final' : 'trial' }
    if (act === 'fact') return { act, fact: of } as Act
    if (act === 'read') return { act, reading: of } as Act
    return (act === 'turn' ? { act, kind: of } : { act: act as PartAct['act'], part: of }) as Act
  })
}

/** What each act lacked, by name. */
export function lacks(parts: EngineParts, from: Standing, ...words: readonly string[]) {
  return replay(parts, from, acts(...words)).missing.map((missing) => missing.map(missingName))
}
/** Where the engine stands after acts that were all done. */
export function done(parts: EngineParts, from: Standing, ...words: readonly string[]): Standing {
  const { standing, missing } = replay(parts, from, acts(...words))
  expect(missing.flat()).toEqual([])
  return standing
}
/** What the last of some acts lacked; those before it were done. */
export function last(parts: EngineParts, from: Standing, ...words: readonly string[]) {
  const all = lacks(parts, from, ...words)
  expect(all.slice(0, -1).flat()).toEqual([])
  return all.at(-1)
}
