import { describe, expect, it } from 'vitest'
import type { Joint, Pull } from '../build/types'
import { freshLayout } from '../build'
import { holdRefusals } from './holds'
import { usualJoints } from './usual'

const inFour = freshLayout({ kind: 'inline', cylinders: 4, bankAngleDeg: 0, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
const joints = usualJoints(inFour)
const named = (id: string, change: Partial<Joint> = {}): Joint => ({ ...joints.find((one) => one.id === id)!, ...change })
const head = named('head', { after: ['mains', 'rods'] })

/** A run of a joint that nothing was pulled in between. */
function run(joint: string, id: string, way: Pull['way'], isEnded: boolean): Pull[] {
  const pull = (did: Pull['did'], at: string, more: Partial<Pull>): Pull => ({
    kind: 'pull',
    id: `${id}${at}`,
    at: '2026-03-01T10:00:00Z',
    by: 'EF',
    joint,
    run: `${id}0`,
    device: 'd',
    did,
    ...more,
  })
  return [pull('begin', '0', { way }), ...(isEnded ? [pull('end', '1', { follows: `${id}0` })] : [])]
}

const waits = (pulls: readonly Pull[], of: Joint = head, all: readonly Joint[] = joints) =>
  holdRefusals(of, all, pulls).map((refusal) => refusal.code === 'waitsFor' && refusal.joint)

describe('a joint that waits for others', () => {
  it('names those that nobody has tightened to the end', () => {
    expect(waits([])).toEqual(['Main caps', 'Rod bolts'])
    expect(waits([...run('mains', 'a', 'tighten', true), ...run('rods', 'b', 'tighten', false)])).toEqual(['Rod bolts'])
    expect(waits([...run('mains', 'a', 'tighten', true), ...run('rods', 'b', 'tighten', true)])).toEqual([])
  })

  it('waits again for one that was loosened, or was only a trial; a pass of verification loosens nothing', () => {
    const rods = run('rods', 'b', 'tighten', true)
    const mains = run('mains', 'a', 'tighten', true)
    expect(waits([...rods, ...mains, ...run('mains', 'c', 'loosen', true)])).toEqual(['Main caps'])
    expect(waits([...rods, ...mains, ...run('mains', 'c', 'loosen', false)])).toEqual(['Main caps'])
    expect(waits([...rods, ...mains, ...run('mains', 'c', 'verify', false)])).toEqual([])
    expect(waits([...rods, ...mains, ...run('mains', 'c', 'retorque', true)])).toEqual([])
    const trial = joints.map((joint) => (joint.id === 'mains' ? { ...joint, state: 'trial' as const } : joint))
    expect(waits([...rods, ...mains], head, trial)).toEqual(['Main caps'])
  })

  it('waits for nothing as a trial, nor for itself, nor for a joint there is none of', () => {
    expect(waits([], { ...head, state: 'trial' })).toEqual([])
    expect(waits([], { ...head, after: ['head', 'sideBolts'] })).toEqual([])
    expect(waits([], named('head'))).toEqual([])
  })
})
