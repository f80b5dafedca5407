import { describe, expect, it } from 'vitest'
import { withEntries, withSpec, type Build, type Entry, type Pull } from '@/core/document'
import { soundBuild, stamp } from '../../../tests/support/builds'
import { NOW_MS, signOff, stepIn } from '../../../tests/support/walks'
import { stepsOf as pullsOf, jointsOf } from '../joints'
import { clocksOfBuild, walkOf } from '.'

/** What runs by the clock since a step was done. */
const petrel = soundBuild(1)
const MINUTE_MS = 60_000
const at = (minutesAgo: number) => ({ at: new Date(NOW_MS - minutesAgo * MINUTE_MS).toISOString() })
const done = (step: string, minutesAgo: number): Entry => signOff(step, 'done', at(minutesAgo))
const clocksIn = (build: Build) => walkOf(build, NOW_MS).clocks
const waitsIn = (build: Build, step: string) => stepIn(walkOf(build, NOW_MS), step).waits

describe('lifters in oil', () => {
  const soaking = (minutesAgo: number, ...more: Entry[]) => withEntries(petrel, [done('heads.soak', minutesAgo), ...more])

  it('soak for an hour from when they were laid in (common practice), and go in after it, not before', () => {
    const clock = {
      kind: 'soaks',
      step: 'heads.soak',
      startedAt: at(59).at,
      dueAt: at(-1).at,
      until: ['heads.lifters.left', 'heads.lifters.right'],
    }
    expect(clocksIn(soaking(59))).toEqual([clock])
    expect(waitsIn(soaking(59), 'heads.lifters.left')).toContainEqual({ clock })
    expect(waitsIn(soaking(59), 'heads.lifters.right')).toContainEqual({ clock })
    // To the millisecond.
    expect(waitsIn(soaking(60), 'heads.lifters.left').filter((wait) => 'clock' in wait)).toEqual([])
    expect(clocksIn(soaking(60))).toMatchObject([{ dueAt: at(0).at }])
    expect(waitsIn(soaking(59), 'heads.dowels.left').filter((wait) => 'clock' in wait)).toEqual([])
  })

  it('wait no longer where somebody says why', () => {
    const waived = soaking(5, signOff('heads.lifters.left', 'waived', { reason: 'solid ones', second: 'AB' }))
    expect(stepIn(walkOf(waived, NOW_MS), 'heads.lifters.left')).toMatchObject({ standing: 'open', waived: { reason: 'solid ones' } })
    expect(stepIn(walkOf(waived, NOW_MS), 'heads.lifters.right').standing).toBe('held')
  })

  it('are out of it once both banks are in, and soak again when they are laid in again', () => {
    const left = soaking(90, done('heads.lifters.left', 20))
    expect(clocksIn(left)).toHaveLength(1)
    const both = withEntries(left, [done('heads.lifters.right', 10)])
    expect(clocksIn(both)).toEqual([])
    const again = withEntries(both, [done('heads.soak', 3)])
    expect(clocksIn(again)).toMatchObject([{ startedAt: at(3).at, dueAt: at(-57).at }])
    expect(stepIn(walkOf(again, NOW_MS), 'heads.lifters.left')).toMatchObject({ standing: 'stale', stale: [{ clock: 'soaks' }] })
    expect(stepIn(walkOf(both, NOW_MS), 'heads.lifters.left').standing).toBe('done')
  })

  it('were never laid in where that is taken back', () => {
    const soak = done('heads.soak', 5)
    const taken = withEntries(petrel, [soak, { kind: 'undo', ...stamp(), target: soak.id }])
    expect(clocksIn(taken)).toEqual([])
  })
})

describe('washed iron', () => {
  it('rusts within the hour until it is oiled, or that is left out', () => {
    const washed = withEntries(petrel, [done('finalClean.washed', 70)])
    expect(clocksIn(washed)).toEqual([
      { kind: 'rusts', step: 'finalClean.washed', startedAt: at(70).at, dueAt: at(10).at, until: ['finalClean.oiled'] },
    ])
    // It waits for nobody: at any minute it is oiled all the same.
    for (const minutesAgo of [1, 70])
      expect(
        waitsIn(withEntries(petrel, [done('finalClean.washed', minutesAgo)]), 'finalClean.oiled').filter((wait) => 'clock' in wait),
      ).toEqual([])
    expect(clocksIn(withEntries(washed, [done('finalClean.oiled', 65)]))).toEqual([])
    expect(clocksIn(withEntries(washed, [signOff('finalClean.oiled', 'leftOut', at(65))]))).toEqual([])
    // Oiled before it was washed is not oiled.
    expect(clocksIn(withEntries(petrel, [done('finalClean.oiled', 80), done('finalClean.washed', 70)]))).toHaveLength(1)
  })
})

describe('a sprayed gasket', () => {
  it('is tacky from ten minutes on and too dry after fifteen (common practice), each bank for itself', () => {
    const sprayed = withEntries(petrel, [done('heads.spray.left', 9)])
    expect(clocksIn(sprayed)).toEqual([
      { kind: 'tacks', step: 'heads.spray.left', startedAt: at(9).at, dueAt: at(-1).at, lateAt: at(-6).at, until: ['heads.gasket.left'] },
    ])
    const clockWaits = (build: Build, step: string) => waitsIn(build, step).filter((wait) => 'clock' in wait)
    expect(clockWaits(sprayed, 'heads.gasket.left')).toHaveLength(1)
    expect(clockWaits(sprayed, 'heads.gasket.right')).toEqual([])
    expect(clockWaits(withEntries(petrel, [done('heads.spray.left', 10)]), 'heads.gasket.left')).toEqual([])
    // Nobody has to spray one.
    expect(waitsIn(petrel, 'heads.gasket.left').some((wait) => 'step' in wait && wait.step.startsWith('heads.spray'))).toBe(false)
  })
})

describe('oil', () => {
  /** The front cover closed on silicone that cures for four hours, its last pull so many minutes ago. */
  function covered(minutesAgo: number): Build {
    const head = jointsOf(petrel.spec).find(({ kind }) => kind === 'head')!
    const cover = { ...head, cure: { minutes: 240, from: { source: 'tube' } } }
    const build = withSpec(petrel, { ...petrel.spec, joints: petrel.spec.joints!.map((joint) => (joint.id === head.id ? cover : joint)) })
    const begin = stamp()
    const pull = (more: Partial<Pull>): Pull => ({
      kind: 'pull',
      ...stamp(),
      ...at(minutesAgo),
      did: 'pulled',
      joint: head.id,
      run: begin.id,
      device: 'd',
      ...more,
    })
    const pulls = [pull({ id: begin.id, did: 'begin', way: 'tighten' })]
    for (const { fastener, stage, pull: by } of pullsOf(cover, 'tighten'))
      pulls.push(pull({ fastener, stage, follows: pulls.at(-1)!.id, ...(by.pull === 'torque' && { value: by.nm, unit: 'Nm' }) }))
    return withEntries(build, [...pulls, pull({ did: 'end', follows: pulls.at(-1)!.id })])
  }
  const holdsIn = (build: Build) => waitsIn(build, 'prime.oilIn').flatMap((wait) => ('hold' in wait ? [wait.hold] : []))

  it('goes in once what cures at its joints has cured, not before', () => {
    expect(holdsIn(covered(239))).toEqual(['sealersCured'])
    expect(holdsIn(covered(240))).toEqual([])
    expect(holdsIn(petrel)).toEqual([])
  })

  it('has its clock beside those of the walk', () => {
    const build = withEntries(covered(100), [done('heads.soak', 5)])
    const cures = expect.objectContaining({ kind: 'cures', dueAt: at(-140).at })
    expect(clocksOfBuild(build, clocksIn(build))).toEqual([cures, expect.objectContaining({ kind: 'soaks' })])
  })
})
