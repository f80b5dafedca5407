import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '@/demo/scenario'
import { freshLayout } from '../document'
import type { Joint } from '../document/types'
import { fromMemory, planIssues, runRefusals, stagesOf, unverifiable, wrenchFor } from './plan'
import { stepsOf } from './run'
import { usualJoints, withJoint } from './usual'

const source = { source: 'maker’s sheet' }
const torque = (nm: number) => ({ pull: 'torque' as const, nm })
const inFour = freshLayout({ kind: 'inline', cylinders: 4, bankAngleDeg: 0, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
const usual = usualJoints(inFour).find(({ id }) => id === 'head')!

function head(change: Partial<Joint['groups'][number]> = {}, more: Partial<Joint> = {}): Joint {
  const [group] = usual.groups
  const planned = {
    method: 'torque' as const,
    targetNm: 80,
    targetFrom: source,
    stages: [torque(30), torque(55), torque(80)],
    stagesFrom: source,
  }
  return { ...usual, groups: [{ ...group!, ...planned, ...change }], ...more }
}
const codes = (joint: Joint) => planIssues(joint).map(({ code }) => code)

describe('a plan', () => {
  it('that is sound has nothing to be said of it', () => {
    expect(planIssues(head())).toEqual([])
    expect(runRefusals(head(), 'tighten')).toEqual([])
  })

  it('is told a stage above its target, and not one at it', () => {
    expect(planIssues(head({ stages: [torque(30), torque(81)] }))).toEqual([
      { code: 'stageAboveTarget', stage: 2, nm: 81, targetNm: 80, group: 0 },
    ])
    expect(runRefusals(head({ stages: [torque(30), torque(81)] }), 'tighten')).toHaveLength(1)
  })

  it('is told a stage below the one before it, and stages that end short of the target', () => {
    expect(planIssues(head({ stages: [torque(55), torque(30), torque(80)] }))).toEqual([
      { code: 'stageFalls', stage: 2, nm: 30, beforeNm: 55, group: 0 },
    ])
    expect(planIssues(head({ stages: [torque(30), torque(79)] }))).toEqual([{ code: 'endsBelowTarget', nm: 79, targetNm: 80, group: 0 }])
    // A torque and then an angle ends where the angle does.
    expect(codes(head({ method: 'torqueAndAngle', stages: [torque(40), { pull: 'angle', deg: 90 }] }))).toEqual([])
  })

  it('is told the first stage that is not its maker’s, until somebody has said why', () => {
    const makers = (nm: readonly number[], more = {}) => planIssues(head({ makersStages: nm.map(torque), ...more }))
    // 59 lbf·ft of a sheet is 79.99 N·m: the same figure.
    expect(makers([30, 55, 79.99])).toEqual([])
    expect(makers([30, 55, 79.4])).toEqual([{ code: 'otherThanMakers', stage: 3, own: torque(80), makers: torque(79.4), group: 0 }])
    expect(makers([30, 80])).toEqual([{ code: 'otherThanMakers', stage: 2, own: torque(55), makers: torque(80), group: 0 }])
    expect(makers([30, 55, 80, 80])).toEqual([{ code: 'otherThanMakers', stage: 4, own: undefined, makers: torque(80), group: 0 }])
    expect(makers([30, 80], { deviates: 'thicker gasket' })).toEqual([])
    const angle = (deg: number) => ({ pull: 'angle' as const, deg })
    const turned = { method: 'torqueAndAngle' as const, stages: [torque(40), angle(90)] }
    expect(planIssues(head({ ...turned, makersStages: [torque(40), angle(90)] }))).toEqual([])
    expect(codes(head({ ...turned, makersStages: [torque(40), angle(91)] }))).toEqual(['otherThanMakers'])
    expect(codes(head({ ...turned, makersStages: [torque(40), torque(90)] }))).toEqual(['otherThanMakers'])
    // It says so and keeps nobody from pulling it.
    expect(runRefusals(head({ makersStages: [torque(30), torque(80)] }), 'tighten')).toEqual([])
  })

  it('is told a figure above the maker’s most, and a figure that is missing', () => {
    expect(codes(head({ makersMostNm: 80 }))).toEqual([])
    expect(codes(head({ makersMostNm: 79.5 }))).toEqual(['aboveMakersMost'])
    for (const way of ['tighten', 'retorque', 'verify'] as const) {
      expect(runRefusals(head({ makersMostNm: 79.5 }), way)).toEqual([
        { code: 'plan', issue: { code: 'aboveMakersMost', targetNm: 80, makersMostNm: 79.5, group: 0 } },
      ])
      expect(runRefusals(head({ makersMostNm: 80 }), way)).toEqual([])
    }
    expect(runRefusals(head({ makersMostNm: 79.5 }), 'loosen')).toEqual([])
    // 80 where 59 lbf·ft is meant, and the other way round, are asked about.
    expect(codes(head({ makersMostNm: 59 }))).toEqual(['aboveMakersMost', 'otherUnit'])
    expect(codes(head({ makersMostNm: 108.5 }))).toEqual(['otherUnit'])
    expect(codes(head({ makersMostNm: 106.5 }))).toEqual([])
    expect(codes(head({ makersMostNm: 110.5 }))).toEqual([])
    expect(codes(head({ targetNm: undefined, stages: [] }))).toEqual(['noStages', 'noTarget'])
    expect(codes(head({ method: 'none', targetNm: undefined, stages: [] }))).toEqual([])
  })

  it('is told numbers that are missing or doubled, by group', () => {
    const { order } = head().groups[0]!
    expect(planIssues(head({ order: [...order.slice(0, 9), order[8]!] }))).toEqual([
      { code: 'missing', fasteners: [order[9]!], group: 0 },
      { code: 'doubled', fasteners: [order[8]!], group: 0 },
    ])
  })

  it('to yield wants fasteners that are torqued once only, and no run of it is repeated', () => {
    const stages = [torque(40), { pull: 'angle' as const, deg: 90 }]
    expect(codes(head({ method: 'toYield', stages }))).toEqual(['yieldNeedsOnceOnly'])
    const once = head({ method: 'toYield', stages }, { types: [{ letter: 'A', onceOnly: true }] })
    expect(codes(once)).toEqual([])
    expect(runRefusals(once, 'tighten')).toEqual([])
    expect(runRefusals(once, 'retorque')).toEqual([{ code: 'onceOnly' }])
    expect(runRefusals(once, 'loosen')).toEqual([])
  })

  it('with sealer that has set is not backed off', () => {
    const sealed = head({}, { sealer: { name: 'PTFE paste', openMinutes: 30, from: source } })
    expect(runRefusals(sealed, 'retorque')).toEqual([{ code: 'sealerSet' }])
    expect(runRefusals(sealed, 'verify')).toEqual([])
  })

  it('says which figures are from memory', () => {
    const memory = { source: 'AB', fromMemory: true as const }
    expect(fromMemory(head())).toEqual([])
    expect(fromMemory(head({ targetFrom: memory, stagesFrom: memory }))).toEqual(['stages', 'target'])
    expect(fromMemory(head({}, { sealer: { name: 'paste', openMinutes: 30, from: memory } }))).toEqual(['sealer'])
  })
})

describe('stick-out', () => {
  const studs = (...mm: readonly (number | undefined)[]) =>
    head({}, { fasteners: usual.fasteners.map((one, index) => ({ ...one, ...(mm[index] !== undefined && { stickOutMm: mm[index] }) })) })
  it('finds the short stud, by more than a millimetre from the most of its type', () => {
    expect(planIssues(studs(52, 52.4, 45, 51.8, 52.1))).toEqual([{ code: 'oddStickOut', fastener: 3, stickOutMm: 45, usualMm: 52 }])
    expect(planIssues(studs(52, 52, 52, 53))).toEqual([])
    expect(planIssues(studs(52, 52, 52, 53.1))).toMatchObject([{ fastener: 4 }])
  })

  it('says nothing of two, nor of studs of different types', () => {
    expect(planIssues(studs(52, 40))).toEqual([])
    const long = studs(52, 52, 52, 80, 80, 80)
    const types = [{ letter: 'A' }, { letter: 'B' }]
    const fasteners = long.fasteners.map((one, index) => ({ ...one, type: index > 2 ? 'B' : 'A' }))
    expect(planIssues({ ...long, types, fasteners })).toEqual([])
  })
})

describe('wrenches', () => {
  const small = { name: 'small', leastNm: 5, mostNm: 50 }
  const large = { name: 'large', leastNm: 10, mostNm: 100 }
  it('reach from a fifth of their most to their most; the smallest that does is taken', () => {
    expect(wrenchFor([large, small], 30)).toBe(small)
    expect(wrenchFor([large, small], 50)).toBe(small)
    expect(wrenchFor([large, small], 50.5)).toBe(large)
    expect(wrenchFor([large], 20)).toBe(large)
    expect(wrenchFor([large], 19.9)).toBeUndefined()
    expect(wrenchFor([small], 9.9)).toBeUndefined()
  })

  it('a stage none of them reaches is named; without wrenches nothing is said', () => {
    expect(planIssues(head({}, { wrenches: [small] }))).toEqual([
      { code: 'noWrench', stage: 2, nm: 55, group: 0 },
      { code: 'noWrench', stage: 3, nm: 80, group: 0 },
    ])
    expect(planIssues(head({}, { wrenches: [small, large] }))).toEqual([])
  })
})

describe('a joint of two groups', () => {
  it('has the numbers of each looked for in its own, and one joint changed leaves the others', () => {
    const [group] = head().groups
    const { order } = group!
    const two = head(
      {},
      {
        groups: [
          { ...group!, order: order.slice(0, 6) },
          { ...group!, name: 'outer', order: order.slice(6) },
        ],
      },
    )
    expect(codes(two)).toEqual([])
    const short = { ...two, groups: [two.groups[0]!, { ...two.groups[1]!, order: order.slice(6, 9) }] }
    expect(planIssues(short).filter(({ code }) => code === 'missing')).toEqual([
      { code: 'missing', fasteners: [order[9]!], group: 0 },
      { code: 'missing', fasteners: [order[9]!], group: 1 },
    ])
    const { spec } = DEMO_BUILDS[0]!
    const changed = withJoint({ ...spec, joints: undefined }, 'head', (joint) => ({ ...joint, name: 'changed' }))
    expect(changed.joints!.filter(({ name }) => name === 'changed').map(({ id }) => id)).toEqual(['head'])
    expect(changed.joints).toHaveLength(usualJoints(spec.layout).length)
  })

  it('is not run again where one of them is to yield, or one type of fastener is used once', () => {
    const [group] = head().groups
    const { order } = group!
    const yielding = { ...group!, name: 'outer', order: order.slice(6), method: 'toYield' as const }
    const two = head({}, { groups: [{ ...group!, order: order.slice(0, 6) }, yielding] })
    expect(runRefusals(two, 'retorque')).toEqual([{ code: 'onceOnly' }])
    expect(runRefusals(head({}, { types: [{ letter: 'A' }, { letter: 'B', onceOnly: true }] }), 'retorque')).toEqual([{ code: 'onceOnly' }])
  })
})

describe('stages by shares', () => {
  it('are equal thirds as they are spoken of: 25, 50, 75', () => {
    expect(stagesOf(75, [1 / 3, 2 / 3, 1])).toEqual([torque(25), torque(50), torque(75)])
    expect(stagesOf(9.5, [0.5, 1])).toEqual([torque(5), torque(9.5)])
    expect(stagesOf(9, [0.5, 1])).toEqual([torque(4.5), torque(9)])
    expect(stagesOf(10, [0.45, 1])).toEqual([torque(5), torque(10)])
    expect(stagesOf(80.4, [1])).toEqual([torque(80.4)])
  })
})

describe('the usual joints', () => {
  it('come with every layout, ordered, without figures, and nothing wrong with them', () => {
    for (const { spec } of DEMO_BUILDS) {
      const joints = usualJoints(spec.layout)
      expect(new Set(joints.map(({ id }) => id)).size).toBe(joints.length)
      for (const joint of joints) {
        expect(planIssues(joint)).toEqual([])
        expect(stepsOf(joint)).toHaveLength(joint.fasteners.length)
        expect(joint.groups[0]!.targetNm).toBeUndefined()
      }
    }
  })

  it('of a V8 are a head and rockers a bank; of a twin-cam five one head of twelve and the caps of two cams', () => {
    const ids = (index: number) => usualJoints(DEMO_BUILDS[index]!.spec.layout).map(({ id, fasteners }) => `${id} ${fasteners.length}`)
    expect(ids(1)).toEqual([
      'mains 10',
      'rods 16',
      'head-left 10',
      'rockers-left 8',
      'head-right 10',
      'rockers-right 8',
      'flywheel 6',
      'damper 1',
    ])
    expect(ids(0)).toEqual(['mains 12', 'rods 10', 'head 12', 'cam-intake 12', 'cam-exhaust 12', 'flywheel 6', 'damper 1'])
    // A single on rolling bearings has neither caps nor rod bolts.
    expect(ids(2)).toEqual(['head 4', 'cam-intake 4', 'cam-exhaust 4', 'flywheel 1', 'damper 1'])
  })
})

describe('a joint that nothing can verify', () => {
  it('was run down without a figure: it says so, for as many of its groups as there are', () => {
    const [group] = head().groups
    const bare = { ...group!, name: 'covers', method: 'none' as const, stages: [], targetNm: undefined }
    const angle = { ...group!, stages: [{ pull: 'snug' as const }, { pull: 'angle' as const, deg: 90 }], method: 'torqueAndAngle' as const }
    expect(runRefusals({ ...head(), groups: [bare] }, 'verify')).toContainEqual({ code: 'cannotVerify' })
    expect(runRefusals({ ...head(), groups: [bare] }, 'tighten')).not.toContainEqual({ code: 'cannotVerify' })
    const both = { ...head(), groups: [group!, bare] }
    expect(runRefusals(both, 'verify')).not.toContainEqual({ code: 'cannotVerify' })
    expect(unverifiable(both).map(({ name }) => name)).toEqual(['covers'])
    expect(unverifiable({ ...head(), groups: [angle] })).toEqual([])
  })
})
