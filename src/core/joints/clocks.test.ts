import { describe, expect, it } from 'vitest'
import type { Joint, Pull, Spec } from '@/core/document'
import { DEMO_BUILDS } from '@/demo/scenario'
import { stamp } from '../../../tests/support/builds'
import { atMinute, runOf } from '../../../tests/support/runs'
import { clocksOf, jointClocks, leftMs, retorqueRefusals, runsOf, type RunWay } from '.'

/** What runs by the clock at a joint, and how far a re-torque may go. */
const from = { source: 'sheet' }
const [, petrel] = DEMO_BUILDS
const head: Joint = {
  ...petrel!.spec.joints!.find(({ id }) => id === 'head-left')!,
  cure: { minutes: 240, from },
  rest: { minutes: 1440, from },
}
const spec: Pick<Spec, 'joints' | 'layout'> = { ...petrel!.spec, joints: [head] }
const at = atMinute

const run = (way: RunWay, fromMinute: number, { isOpen = false, joint = head } = {}) => runOf(joint, way, { isOpen, fromMinute })

describe('the clocks of a joint', () => {
  // 51 pulls a minute apart, begun at 0: ended at 52.
  const tight = run('tighten', 0)

  it('while it is open its sealer sets, and nothing cures yet', () => {
    const clocks = jointClocks(spec, run('tighten', 0, { isOpen: true }))
    expect(clocks).toEqual([
      { kind: 'sets', joint: 'head-left', jointName: head.name, name: 'Thread sealer', startedAt: at(0), dueAt: at(20) },
    ])
    expect(leftMs(clocks[0]!, Date.parse(at(5)))).toBe(15 * 60_000)
    expect(leftMs(clocks[0]!, Date.parse(at(21)))).toBe(-60_000)
  })

  it('what was put on skins before the first pull, and is over with it', () => {
    const skinned: Joint = { ...head, skin: { minutes: 10, from } }
    const kinds = (pulls: readonly Pull[]) => clocksOf(skinned, runsOf(skinned, pulls)).map(({ kind, dueAt }) => [kind, dueAt])
    const open = run('tighten', 0, { isOpen: true })
    expect(kinds(open.slice(0, 1))).toEqual([
      ['skins', at(10)],
      ['sets', at(20)],
    ])
    expect(kinds(open.slice(0, 2))).toEqual([['sets', at(20)]])
    // Stripped and sealed again it skins once more.
    const again: Pull = { ...open[1]!, ...stamp(), at: at(30), did: 'resealed', follows: open[1]!.id }
    expect(kinds([...open.slice(0, 2), again])).toEqual([
      ['skins', at(40)],
      ['sets', at(50)],
    ])
  })

  it('once it is tight it cures and rests from its last pull', () => {
    expect(jointClocks(spec, tight).map(({ kind, startedAt, dueAt }) => [kind, startedAt, dueAt])).toEqual([
      ['cures', at(52), at(52 + 240)],
      ['rests', at(52), at(52 + 1440)],
    ])
  })

  it('a re-torque ends the rest, going over it once more does not, and loosening ends both', () => {
    const kinds = (more: readonly Pull[]) => jointClocks(spec, [...tight, ...more]).map(({ kind }) => kind)
    expect(kinds(run('verify', 100))).toEqual(['cures', 'rests'])
    expect(kinds(run('retorque', 1500))).toEqual(['cures'])
    expect(kinds(run('retorque', 1500, { isOpen: true }))).toContain('rests')
    expect(kinds(run('loosen', 100))).toEqual([])
    expect(kinds([...run('loosen', 100), ...run('tighten', 200)])).toEqual(['cures', 'rests'])
  })

  it('no sealer sets where it is only verified, torqued again or loosened, and none is to be closed', () => {
    const skinned: Joint = { ...head, skin: { minutes: 10, from } }
    const kinds = (way: RunWay) => {
      const pulls = [...run('tighten', 0, { joint: skinned }), ...run(way, 100, { isOpen: true, joint: skinned }).slice(0, 1)]
      return clocksOf(skinned, runsOf(skinned, pulls)).map(({ kind }) => kind)
    }
    expect(kinds('verify')).toEqual(['cures', 'rests'])
    expect(kinds('retorque')).toEqual(['cures', 'rests'])
    expect(kinds('loosen')).toEqual([])
    expect(kinds('tighten')).toEqual(['skins', 'sets'])
  })

  it('nothing without a figure, and nothing of joints nobody has run', () => {
    const { cure: _, rest: __, sealer: ___, ...bare } = head
    expect(clocksOf(bare, runsOf(bare, tight))).toEqual([])
    expect(jointClocks(spec, [])).toEqual([])
  })
})

describe('how far a re-torque goes', () => {
  const tight = run('tighten', 0)
  const [group] = head.groups
  const planned = (nm: number): Joint => ({
    ...head,
    groups: [{ ...group!, targetNm: nm, stages: [...group!.stages.slice(0, -1), { pull: 'torque', nm }] }],
  })
  const first = group!.targetNm!

  it('never above what was torqued first, as it was recorded then', () => {
    const refusals = (joint: Joint) => retorqueRefusals(joint, runsOf(joint, tight))
    expect(refusals(head)).toEqual([])
    expect(refusals(planned(first + 0.4))).toEqual([])
    expect(refusals(planned(first + 5))).toEqual([{ code: 'aboveFirst', nm: first + 5, firstNm: first }])
    expect(refusals(planned(first - 5))).toEqual([])
    // What stopped short on its way is no figure it was torqued to.
    const short = tight.map((pull, index) => (index === 3 ? { ...pull, did: 'short' as const, value: 500 } : pull))
    expect(retorqueRefusals(planned(first + 5), runsOf(head, short))).toHaveLength(1)
    const only = tight.map((pull) => (pull.did === 'pulled' ? { ...pull, did: 'leftOut' as const, value: 500 } : pull))
    expect(retorqueRefusals(planned(501), runsOf(head, only))).toEqual([])
  })

  it('of a joint that was not run, nothing is known to be above', () => {
    expect(retorqueRefusals(planned(500), [])).toEqual([])
    expect(retorqueRefusals(planned(500), runsOf(head, run('tighten', 0, { isOpen: true })))).toEqual([])
  })
})
