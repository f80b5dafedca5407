import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Joint, Spec } from '@/core/document'
import { EXPANSION } from '@/core/geometry/materials'
import { jointsOf } from '@/core/joints'
import { find, petrelDocument, ternDocument, valueOf, verdictOf, withSpecOf } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand } from '../../metrology'
import { clampEstimates } from '../../joints/bolts'
import { fasteners } from '.'

/** What a joint clamps by its torque, judged: by hand from the definition of K, ISO 898-1 and VDI 2230. */
const tern = openBuild(ternDocument)
const head = (change: (joint: Joint) => Joint, build = tern): Build =>
  withSpecOf(build, (spec) => ({ ...spec, joints: jointsOf(spec).map((joint) => (joint.id === 'head' ? change(joint) : joint)) }))
const withTarget = (nm: number) =>
  head((joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, targetNm: nm, stages: [{ pull: 'torque', nm }] }] }))
const withType = (more: Partial<Joint['types'][number]>) => head((joint) => ({ ...joint, types: [{ ...joint.types[0]!, ...more }] }))
const found = (build: Build, id: string) => fasteners.derive(build).find((finding) => finding.id === id)

describe('the load of a torque', () => {
  it('80 N·m on a lubed M10: 69.6 kN at K 0.115, and the uncertainty of K and wrench together', () => {
    expectNear(valueOf(fasteners, tern, 'fasteners.torqueLoad.head'), 80 / (0.115 * 0.01), 1)
    // Limits of 0.015 on K and of 4 % of a wrench: √((0.015/0.115)² + 0.04²)/√3 = 7.87 %; twice that.
    const { value } = find(fasteners, tern, 'fasteners.torqueLoad.head').figure!
    expectNear(expand(value).U / value.value, 0.159, 0.003)
  })

  it('says what the same torque does on another lube: K 0.115 to 0.165 is 30 % less, to 0.20 43 % less', () => {
    const [remark] = find(fasteners, tern, 'fasteners.torqueLoad.head').remarks
    const { others } = remark as { others: readonly { lube: string; more: number }[] }
    expect(others.map(({ lube, more }) => [lube, Math.round(more * 100)])).toEqual([
      ['dry', -43],
      ['oiled', -30],
    ])
  })

  it('its share of proof on 61.2 mm² (ISO 898-1)', () => {
    const proved = withType({ proofMpa: 1100 })
    expectNear(valueOf(fasteners, proved, 'fasteners.torqueOfProof.head'), 69_565 / 61.2 / 1100, 0.001)
    expect([900, 1100, 1600].map((proofMpa) => verdictOf(fasteners, withType({ proofMpa }), 'fasteners.torqueOfProof.head'))).toEqual([
      'over',
      'inDoubt',
      'within',
    ])
    expect(found(tern, 'fasteners.torqueOfProof.head')).toBeUndefined()
  })

  it('pulled it bears what the range of the estimate says it does, and is judged by what yields', () => {
    const joint = jointsOf(tern.spec).find(({ id }) => id === 'head')!
    const [estimate] = clampEstimates(joint, joint.groups[0]!)
    const share = valueOf(fasteners, tern, 'fasteners.pulledOfYield.head')
    expect(share).toBeGreaterThan(estimate!.combinedOfYield!.low)
    expect(share).toBeLessThan(estimate!.combinedOfYield!.high)
    expect([50, 80, 120].map((nm) => verdictOf(fasteners, withTarget(nm), 'fasteners.pulledOfYield.head'))).toEqual([
      'within',
      'inDoubt',
      'over',
    ])
    // A waist of 7 mm (38.5 mm²) bears 61.2/38.5 of that in tension, and more of the twist.
    const waisted = valueOf(fasteners, withType({ sections: [{ lengthMm: 60, diameterMm: 7 }] }), 'fasteners.pulledOfYield.head')
    expect(waisted / share).toBeGreaterThan(61.2 / 38.5)
  })

  it('is not said of a joint by angle, by no figure, without a lube or with a thread nobody can read', () => {
    const none = (build: Build) => found(build, 'fasteners.torqueLoad.head')
    expect(none(head((joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, stages: [{ pull: 'angle', deg: 90 }] }] })))).toBeUndefined()
    expect(none(head((joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, targetNm: undefined }] })))).toBeUndefined()
    expect(none(head((joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, dress: undefined }] })))).toBeUndefined()
    expect(none(withType({ thread: 'M10' }))).toBeUndefined()
    expect(fasteners.derive(openBuild(petrelDocument)).filter(({ joint }) => joint !== undefined)).toEqual([])
  })

  it('of two types the one that bears most is judged', () => {
    const mixed = head((joint) => ({
      ...joint,
      types: [joint.types[0]!, { letter: 'B', thread: 'M8x1.25', yieldMpa: 900 }],
      fasteners: joint.fasteners.map((one, index) => (index === 3 ? { ...one, type: 'B' } : one)),
    }))
    expectNear(valueOf(fasteners, mixed, 'fasteners.torqueLoad.head'), 80 / (0.115 * 0.008), 1)
    expect(verdictOf(fasteners, mixed, 'fasteners.pulledOfYield.head')).toBe('over')
  })
})

describe('clamp against gas', () => {
  it('twelve studs over five cylinders against 1.6 bar of boost at a ratio of 9 on 84 mm: 2.11 times (by hand)', () => {
    // 261.3 kPa · 9^1.32 · 3 = 14.25 MPa on 5,542 mm²: 79.0 kN; 12 · 69.57 / 5 = 167.0 kN.
    expectNear(valueOf(fasteners, tern, 'fasteners.clampOverGas.head'), 2.114, 0.005)
    expect(verdictOf(fasteners, tern, 'fasteners.clampOverGas.head')).toBe('within')
    expect(verdictOf(fasteners, withTarget(25), 'fasteners.clampOverGas.head')).toBe('under')
  })

  it('a bank of a V by its own cylinders alone', () => {
    const petrel = openBuild(petrelDocument)
    const lubed = withSpecOf(petrel, (spec): Spec => ({
      ...spec,
      joints: jointsOf(spec).map((joint) =>
        joint.kind === 'head'
          ? { ...joint, groups: [{ ...joint.groups[0]!, dress: { ...joint.groups[0]!.dress!, lube: 'oiled' } }] }
          : joint,
      ),
    }))
    // 17 bolts of 94.9 N·m ÷ (0.165 · 11.1125 mm) = 51.76 kN over four cylinders: 220.0 kN.
    // Gas: 101.3 kPa · 12.8^1.32 · 3 = 8.80 MPa on π/4 · 106.68².
    const gasN = ((101.3 * 12.8 ** 1.32 * 3) / 1000) * (Math.PI / 4) * 106.68 ** 2
    expectNear(valueOf(fasteners, lubed, 'fasteners.clampOverGas.head-left'), (17 * 94.907 * 1000) / (0.165 * 11.1125) / 4 / gasN, 0.01)
  })

  it('is not said while one of its fasteners has no load, nor without a ratio that is meant', () => {
    const some = head((joint) => ({ ...joint, groups: [{ ...joint.groups[0]!, order: joint.groups[0]!.order.slice(1) }] }))
    expect(found(some, 'fasteners.clampOverGas.head')).toBeUndefined()
    const { 'compression.compressionRatio': _, ...limits } = tern.spec.limits
    expect(
      found(
        withSpecOf(tern, (spec) => ({ ...spec, limits })),
        'fasteners.clampOverGas.head',
      ),
    ).toBeUndefined()
    expect(found(tern, 'fasteners.clampOverGas.mains')).toBeUndefined()
  })
})

describe('loads round a cylinder', () => {
  it('are even where all are alike, and what friction does to all cancels', () => {
    const { value } = find(fasteners, tern, 'fasteners.evenness.head').figure!
    expectNear(value.value, 0, 1e-12)
    // What is left is of the second order, and an eighth of the uncertainty of one load.
    expect(expand(value).U).toBeLessThan(0.02)
    expect(verdictOf(fasteners, tern, 'fasteners.evenness.head')).toBe('within')
  })

  it('an M8 among M10 on the same torque carries a quarter more: 22 % apart of the mean (by hand)', () => {
    const mixed = head((joint) => ({
      ...joint,
      types: [joint.types[0]!, { letter: 'B', thread: 'M8x1.25' }],
      fasteners: joint.fasteners.map((one, index) => (index === 3 ? { ...one, type: 'B' } : one)),
    }))
    // Loads go as 1/d: 1/8 and 1/10, apart (1/8 − 1/10) of their mean 0.1125.
    expectNear(valueOf(fasteners, mixed, 'fasteners.evenness.head'), 0.025 / 0.1125, 1e-9)
  })

  it('a group torqued to half stands out round the cylinders it is at, and nowhere is it said of main caps', () => {
    const [group] = jointsOf(tern.spec).find(({ id }) => id === 'head')!.groups
    const halved = head((joint) => ({
      ...joint,
      groups: [
        { ...group!, order: group!.order.filter((number) => number !== 4) },
        { ...group!, name: 'one', order: [4], targetNm: 40, stages: [{ pull: 'torque', nm: 40 }] },
      ],
    }))
    expectNear(valueOf(fasteners, halved, 'fasteners.evenness.head'), 2 / 3, 1e-9)
    expect(verdictOf(fasteners, halved, 'fasteners.evenness.head')).toBe('over')
    expect(found(tern, 'fasteners.evenness.mains')).toBeUndefined()
  })
})

describe('an aluminium head on steel studs', () => {
  const sections = [{ lengthMm: 100, diameterMm: 8.8 }]
  const warm = (rise: number, more: object = { sections }) =>
    withSpecOf(withType(more), (spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, headRise: { value: rise, unit: 'K', source: 'test' } },
    }))

  it('70 K on 100 mm of 8.8 mm: k 124.7 kN/mm, the parts 4.5 times that: 7.5 kN more (by hand)', () => {
    const [part, stud] = [EXPANSION.part.castAluminium.perK, EXPANSION.part.steel.perK]
    // 205,000 · 60.82 ÷ 100 = 124.7 kN/mm; in a row with 561: ÷ 1.2222.
    const addedN = (100 * (part - stud) * 70 * 124_684) / (1 + 1 / 4.5)
    expectNear(valueOf(fasteners, warm(70), 'fasteners.warmLoad.head'), addedN, 5)
    // By its torque 69.57 kN, with that on the smaller of 60.8 and 61.2 mm² of 1,310 MPa.
    expectNear(valueOf(fasteners, warm(70), 'fasteners.warmOfYield.head'), (69_565 + addedN) / 60.82 / 1310, 0.001)
    expect(valueOf(fasteners, warm(140), 'fasteners.warmLoad.head') / addedN).toBeCloseTo(2, 4)
  })

  it('is said only where its rise is on paper and the stud’s sections are known, and of heads alone', () => {
    expect(found(withType({ sections }), 'fasteners.warmLoad.head')).toBeUndefined()
    expect(found(warm(70, {}), 'fasteners.warmLoad.head')).toBeUndefined()
    expect(found(warm(70), 'fasteners.warmLoad.mains')).toBeUndefined()
    expect(found(warm(70, { sections, yieldMpa: undefined }), 'fasteners.warmOfYield.head')).toBeUndefined()
  })
})

describe('thread in the casting', () => {
  it('two diameters in aluminium (common practice): 18 mm of an M10 is short, 20 mm is not', () => {
    expect(verdictOf(fasteners, withType({ engagedMm: 18 }), 'fasteners.engaged.head')).toBe('under')
    expect(verdictOf(fasteners, withType({ engagedMm: 20 }), 'fasteners.engaged.head')).toBe('within')
    expectNear(valueOf(fasteners, withType({ engagedMm: 18 }), 'fasteners.engaged.head'), 1.8, 1e-9)
    expect(found(tern, 'fasteners.engaged.head')).toBeUndefined()
    // A thread is short also where nobody has a torque for it.
    const bare = head((joint) => ({
      ...joint,
      types: [{ ...joint.types[0]!, engagedMm: 18 }],
      groups: [{ ...joint.groups[0]!, dress: undefined }],
    }))
    expect(verdictOf(fasteners, bare, 'fasteners.engaged.head')).toBe('under')
    expect(found(bare, 'fasteners.torqueLoad.head')).toBeUndefined()
  })
})

it('a torque that is surely too much is brought to where the slickest thread just bears it, and is then not over any more', () => {
  const build = withTarget(120)
  const change = fasteners.advise(build, fasteners.derive(build)).find(({ id }) => id === 'lowerTorque.head')!.change as { toNm: number }
  expect(change.toNm).toBeGreaterThan(65)
  expect(change.toNm).toBeLessThan(80)
  expect(verdictOf(fasteners, withTarget(change.toNm * 0.99), 'fasteners.pulledOfYield.head')).toBe('within')
  expect(fasteners.advise(tern, fasteners.derive(tern)).map(({ id }) => id)).not.toContain('lowerTorque.head')
})

it('a torque is not brought down where the joint is planned no more, or has none to bring down', () => {
  const findings = fasteners.derive(withTarget(120))
  const ids = (joints: Spec['joints']) =>
    fasteners
      .advise(
        withSpecOf(withTarget(120), (spec) => ({ ...spec, joints })),
        findings,
      )
      .map(({ id }) => id)
  expect(ids([])).not.toContain('lowerTorque.head')
  const head = tern.spec.joints!.find(({ id }) => id === 'head')!
  const untold = { ...head, groups: head.groups.map((group) => ({ ...group, targetNm: undefined })) }
  expect(ids([untold])).not.toContain('lowerTorque.head')
  expect(fasteners.advise(withTarget(120), findings).map(({ id }) => id)).toContain('lowerTorque.head')
})
