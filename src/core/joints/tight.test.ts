import { describe, expect, it } from 'vitest'
import { stamp } from '../../../tests/support/builds'
import { runOf } from '../../../tests/support/runs'
import type { Joint, Pull } from '../document/types'
import { freshLayout } from '../document'
import { runsOf, type RunWay } from './run'
import { fastenersLeftOut, openRunRefusals, tightRunOf } from './tight'
import { usualJoints } from './usual'

const layout = freshLayout({ kind: 'inline', cylinders: 3, bankAngleDeg: 0, valvesPerCylinder: 2, valveDrive: 'bucketShimUnder' })
const usual = usualJoints(layout).find(({ id }) => id === 'head')!
const torque = (nm: number) => ({ pull: 'torque' as const, nm })
const head: Joint = { ...usual, groups: usual.groups.map((group) => ({ ...group, method: 'torque', stages: [torque(20), torque(45)] })) }
const steps = 2 * head.fasteners.length
const isTight = (pulls: readonly Pull[]) => tightRunOf(head, pulls) !== undefined
const run = (way: RunWay, options?: Parameters<typeof runOf>[2]) => runOf(head, way, options)
const ended = ([begin]: readonly Pull[], did: 'end' | 'cancel' = 'end'): Pull[] => [
  begin!,
  { ...begin!, ...stamp(), did, follows: begin!.id, way: undefined },
]

describe('a joint is tight', () => {
  it('once every fastener is torqued at every stage and the run is ended', () => {
    expect(isTight([])).toBe(false)
    expect(isTight(run('tighten', { isOpen: true }))).toBe(false)
    expect(isTight(run('tighten'))).toBe(true)
  })

  it('not by a run that was begun and ended with nothing torqued, nor with one pull missing at any stage', () => {
    expect(isTight(ended(run('tighten')))).toBe(false)
    for (let missing = 0; missing < steps; missing++) {
      expect(isTight(run('tighten', { did: (step) => (step === missing ? null : undefined) }))).toBe(false)
    }
  })

  it('with fasteners left out for a reason, which are named wherever it is said', () => {
    const pulls = run('tighten', { did: (step) => (step % 8 === 1 ? { did: 'leftOut', reason: 'a cover is in the way' } : undefined) })
    const tight = tightRunOf(head, pulls)!
    const order = head.groups[0]!.order
    expect(fastenersLeftOut(tight)).toEqual([order[1]!])
    expect(fastenersLeftOut(tightRunOf(head, run('tighten'))!)).toEqual([])
  })

  it('not where one stopped short and was never torqued on', () => {
    expect(isTight(run('tighten', { did: (step) => (step === 3 ? { did: 'short' } : undefined) }))).toBe(false)
  })

  it('no more once it was loosened, or its loosening begun; again once tightened or re-torqued to the end', () => {
    const tight = run('tighten')
    expect(isTight([...tight, ...run('loosen')])).toBe(false)
    expect(isTight([...tight, ...run('loosen', { isOpen: true })])).toBe(false)
    expect(isTight([...tight, ...run('loosen'), ...run('tighten')])).toBe(true)
    expect(isTight([...tight, ...run('retorque')])).toBe(true)
    // Each is backed off before it is torqued: half of it is half a joint.
    expect(isTight([...tight, ...ended(run('retorque'))])).toBe(false)
  })

  it('as before after a pass of verification, drawing down, or a run cancelled before its first pull', () => {
    const tight = run('tighten')
    expect(isTight([...tight, ...run('verify', { isOpen: true })])).toBe(true)
    expect(isTight([...tight, ...ended(run('loosen'), 'cancel')])).toBe(true)
    expect(isTight([...tight, ...ended(run('tighten'), 'cancel')])).toBe(true)
    expect(isTight(ended(run('tighten'), 'cancel'))).toBe(false)
    const begun = run('tighten', { isOpen: true }).slice(0, 3)
    expect(isTight([...tight, ...begun, { ...begun[2]!, ...stamp(), did: 'cancel', follows: begun[2]!.id }])).toBe(false)
  })

  it('by the order of arrival: a loosening whose device makes ids of yesterday still comes after', () => {
    const tight = run('tighten')
    const renamed = new Map(run('loosen').map(({ id }, index) => [id, `0000f000-0000-7000-8000-${String(index).padStart(12, '0')}`]))
    const loosened = run('loosen').map((pull, index): Pull => {
      const ids = [...renamed.values()]
      return { ...pull, id: ids[index]!, run: ids[0]!, ...(index > 0 && { follows: ids[index - 1]! }), at: '2026-03-01T00:00:00Z' }
    })
    expect(isTight([...tight, ...loosened])).toBe(false)
    expect(isTight([...loosened, ...tight])).toBe(true)
  })
})

describe('a run under way', () => {
  it('keeps others of its joint from beginning, but for loosening', () => {
    const open = runsOf(head, run('verify', { isOpen: true }))
    expect(openRunRefusals('tighten', open)).toEqual([{ code: 'runOpen', way: 'verify' }])
    expect(openRunRefusals('loosen', open)).toEqual([])
    expect(openRunRefusals('verify', open)).toEqual([])
    expect(openRunRefusals('tighten', runsOf(head, run('verify')))).toEqual([])
  })
})
