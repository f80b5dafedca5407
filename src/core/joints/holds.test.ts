import { describe, expect, it } from 'vitest'
import { runOf } from '../../../tests/support/runs'
import type { Joint, Pull } from '../document/types'
import { freshLayout } from '../document'
import { holdRefusals } from './holds'
import type { RunWay } from './run'
import { usualJoints } from './usual'

const inFour = freshLayout({ kind: 'inline', cylinders: 4, bankAngleDeg: 0, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
const joints = usualJoints(inFour)
const named = (id: string, change: Partial<Joint> = {}): Joint => ({ ...joints.find((one) => one.id === id)!, ...change })
const head = named('head', { after: ['mains', 'rods'] })

const run = (joint: string, way: RunWay, isEnded: boolean) => runOf(named(joint), way, { isOpen: !isEnded })

const waits = (pulls: readonly Pull[], of: Joint = head, all: readonly Joint[] = joints) =>
  holdRefusals(of, all, pulls).map((refusal) => refusal.code === 'waitsFor' && refusal.joint)

describe('a joint that waits for others', () => {
  it('names those that nobody has tightened to the end', () => {
    expect(waits([])).toEqual(['Main caps', 'Rod bolts'])
    expect(waits([...run('mains', 'tighten', true), ...run('rods', 'tighten', false)])).toEqual(['Rod bolts'])
    expect(waits([...run('mains', 'tighten', true), ...run('rods', 'tighten', true)])).toEqual([])
  })

  it('waits again for one that was loosened, or was only a trial; a pass of verification loosens nothing', () => {
    const rods = run('rods', 'tighten', true)
    const mains = run('mains', 'tighten', true)
    expect(waits([...rods, ...mains, ...run('mains', 'loosen', true)])).toEqual(['Main caps'])
    expect(waits([...rods, ...mains, ...run('mains', 'loosen', false)])).toEqual(['Main caps'])
    expect(waits([...rods, ...mains, ...run('mains', 'verify', false)])).toEqual([])
    expect(waits([...rods, ...mains, ...run('mains', 'retorque', true)])).toEqual([])
    const trial = joints.map((joint) => (joint.id === 'mains' ? { ...joint, state: 'trial' as const } : joint))
    expect(waits([...rods, ...mains], head, trial)).toEqual(['Main caps'])
  })

  it('waits for nothing as a trial, nor for itself, nor for a joint there is none of', () => {
    expect(waits([], { ...head, state: 'trial' })).toEqual([])
    expect(waits([], { ...head, after: ['head', 'sideBolts'] })).toEqual([])
    expect(waits([], named('head'))).toEqual([])
  })
})
