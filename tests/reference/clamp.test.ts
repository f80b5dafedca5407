/** Clamp from torque against hand calculation with published sections. */
import { describe, expect, it } from 'vitest'
import { clampEstimates, clampMarginOf, isBeyondYield, jointRefusals } from '@/core/joints/bolts'
import type { Joint, JointGroup } from '@/core/document'

const source = { source: 'sheet' }
const group = (more: Partial<JointGroup> = {}): JointGroup => ({
  name: 'studs',
  order: [1, 2, 3, 4],
  orderFrom: source,
  method: 'torque',
  stages: [{ pull: 'torque', nm: 80 }],
  stagesFrom: source,
  targetNm: 80,
  dress: { on: ['thread'], with: 'lube', lube: 'moly', from: source },
  ...more,
})
const stud = { letter: 'A', thread: 'M10x1.25', yieldMpa: 1310, proofMpa: 970 }
const joint = (type: Joint['types'][number] = stud, of = group()): Joint => ({
  id: 'head',
  name: 'Head',
  kind: 'head',
  state: 'final',
  types: [type],
  fasteners: [0, 1, 2, 3].map((index) => ({ xMm: index * 50, yMm: 0, type: 'A' })),
  groups: [of],
})
const only = (of: Joint) => clampEstimates(of, of.groups[0]!)[0]!

describe('load from torque, over friction', () => {
  it('is T ÷ (K · d) from the roughest to the slickest: 80 N·m on moly at M10 is 61.5 to 80 kN', () => {
    const { loadN, lube } = only(joint())
    expect(lube).toBe('moly')
    expect(loadN.low).toBeCloseTo(80_000 / (0.13 * 10), 6)
    expect(loadN.high).toBeCloseTo(80_000, 6)
  })

  it('as a share of proof on the stress area of ISO 898-1, 61.2 mm², and of yield on the smallest section', () => {
    const { ofProof, ofYield } = only(joint())
    expect(ofProof!.low).toBeCloseTo(61_538 / 61.2 / 970, 2)
    expect(ofYield!.high).toBeCloseTo(80_000 / 61.2 / 1310, 2)
    // A shank of 7.6 mm has 45.36 mm² (π/4 · d²).
    const waisted = only(joint({ ...stud, sections: [{ lengthMm: 27, diameterMm: 7.6 }] }))
    expect(waisted.ofYield!.high).toBeCloseTo(80_000 / 45.36 / 1310, 3)
    expect(waisted.ofProof).toEqual(ofProof)
  })

  it('pulled by torque it is twisted too: 75 % of yield in tension is 84 to 90 % together (common practice)', () => {
    // The slick end of oiled, K 0.15, is a friction of 0.11 under this nut; 0.12 is K 0.16.
    const at75 = (0.75 * 1310 * 61.2 * 0.15 * 10) / 1000
    const oiled = only(joint(stud, group({ targetNm: at75, dress: { ...group().dress!, lube: 'oiled' } })))
    expect(oiled.ofYield!.high).toBeCloseTo(0.75, 3)
    expect(oiled.combinedOfYield!.high).toBeGreaterThan(0.84)
    expect(oiled.combinedOfYield!.high).toBeLessThan(0.9)
    // By hand: arm 0.199 + 0.577 · 0.108 · 9.188 = 0.772 mm, τ/σ = 0.350, √(1 + 3 · 0.350²) = 1.169.
    expect(oiled.combinedOfYield!.high / oiled.ofYield!.high).toBeCloseTo(1.169, 2)
  })

  it('a torque for dry threads on another lube: K 0.20 to 0.165 and 0.115 is 21 and 74 % more', () => {
    const dry = only(joint(stud, group({ dress: { ...group().dress!, lube: 'dry' } })))
    expect(dry.onOtherLubes.map(({ lube, more }) => [lube, Math.round(more * 100)])).toEqual([
      ['oiled', 21],
      ['moly', 74],
    ])
  })

  it('nothing is claimed without a figure, a thread, a lube, or where an angle ends the pull', () => {
    const none = (of: Joint) => expect(clampEstimates(of, of.groups[0]!)).toEqual([])
    none(joint(stud, group({ targetNm: undefined })))
    none(joint({ letter: 'A' }))
    none(joint({ letter: 'A', thread: 'M10' }))
    none(joint(stud, group({ dress: { on: ['thread'], with: 'something', from: source } })))
    none(
      joint(
        stud,
        group({
          stages: [
            { pull: 'torque', nm: 40 },
            { pull: 'angle', deg: 90 },
          ],
        }),
      ),
    )
  })
})

describe('a plan beyond yield', () => {
  it('is one that passes it however rough the thread turns, unless it is meant', () => {
    // 1,310 MPa · 61.2 mm² is 80.2 kN: at K 0.13 that is 104.2 N·m.
    expect(isBeyondYield(joint(stud, group({ targetNm: 104 })), group({ targetNm: 104 }))).toBe(false)
    expect(isBeyondYield(joint(stud, group({ targetNm: 104.5 })), group({ targetNm: 104.5 }))).toBe(true)
    const meant = group({ targetNm: 120, method: 'toYield' })
    expect(isBeyondYield(joint(stud, meant), meant)).toBe(false)
  })
})

describe('a run of such a plan', () => {
  const beyond = joint(stud, group({ targetNm: 104.5, stages: [{ pull: 'torque', nm: 104.5 }] }))
  it('is refused where it pulls, and not where it loosens or goes over', () => {
    expect(jointRefusals(beyond, 'tighten')).toEqual([{ code: 'beyondYield' }])
    expect(jointRefusals(beyond, 'retorque')).toEqual([{ code: 'beyondYield' }])
    expect(jointRefusals(beyond, 'loosen')).toEqual([])
    expect(jointRefusals(beyond, 'verify')).toEqual([])
    expect(jointRefusals(joint(), 'tighten')).toEqual([])
  })
})

describe('clamp against gas', () => {
  it('is all studs ÷ cylinders over the peak pressure on the gasket’s bore', () => {
    const margin = clampMarginOf(
      joint(),
      { duty: { use: 'hillClimb', fuel: 'pump', boostKpa: 0, redlineRpm: 7000 } as never },
      { ratio: 10, gasketBoreMm: 84, cylinders: 1 },
    )!
    expect(margin.clampN.low).toBeCloseTo((4 * 80_000) / 1.3, 3)
    // 101.3 kPa · 10^1.32 is 2,116 kPa; times 2.5 to 3.5, on 5,541.8 mm².
    expect(margin.peakKpa.low).toBeCloseTo(2116.5 * 2.5, -1)
    expect(margin.gasN.high).toBeCloseTo((2116.5 * 3.5 * 5541.8) / 1000, -2)
    expect(margin.margin.low).toBeCloseTo(margin.clampN.low / margin.gasN.high, 9)
    expect(margin.margin.high).toBeCloseTo(margin.clampN.high / margin.gasN.low, 9)
  })

  it('claims nothing where one fastener’s load is not known', () => {
    const half = {
      ...joint(),
      types: [stud, { letter: 'B' }],
      fasteners: joint().fasteners.map((one, index) => ({ ...one, type: index ? 'A' : 'B' })),
    }
    expect(clampMarginOf(half, { duty: { boostKpa: 0 } as never }, { ratio: 10, gasketBoreMm: 84, cylinders: 1 })).toBeUndefined()
  })
})
