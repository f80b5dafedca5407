import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Joint, Pull } from '../document/types'
import { headPattern } from '../geometry/patterns/pattern'
import { DEMO_BUILDS } from '@/demo/scenario'
import { oddAngles } from './oddAngles'
import { openRuns } from './openRuns'
import { hasHigherNeighbours, leftOut, paceMs, restMs, runsOf, sealedAt, stepsOf, type Run } from './run'
import { centreOut } from '../geometry/patterns/sequence'

const positions = headPattern(4, 90, [
  { yMm: 55, at: 'between' },
  { yMm: -55, at: 'between' },
])
const MEMORY = { source: 'the shop' }
const group = (order: readonly number[], stages: Joint['groups'][number]['stages']) => ({
  name: 'studs',
  order: [...order],
  orderFrom: MEMORY,
  method: 'torque' as const,
  stages,
  stagesFrom: MEMORY,
})
const torque = (nm: number) => ({ pull: 'torque' as const, nm })

/** Ten studs in three stages. */
const head: Joint = {
  id: 'head',
  name: 'Head',
  kind: 'head',
  state: 'final',
  types: [{ letter: 'A' }],
  fasteners: positions.map((position) => ({ ...position, type: 'A' })),
  groups: [
    group(
      centreOut(positions).map((index) => index + 1),
      [torque(30), torque(55), torque(80)],
    ),
  ],
}

/** A pull log, each entry after the last one; ids count up. */
class Log {
  readonly entries: Pull[] = []
  private readonly of: Joint
  private clock = Date.parse('2026-03-01T10:00:00Z')

  constructor(of: Joint, way: Pull['way'] = 'tighten') {
    this.of = of
    const id = this.freshId()
    this.entries.push({ ...this.stamp(id), run: id, did: 'begin', way })
  }

  get run(): Run {
    return runsOf(this.of, this.entries)[0]!
  }

  /** What was done at the step that is asked for, or at a given one. */
  add(did: Pull['did'], more: Partial<Pull> = {}): Pull {
    const { next, last } = this.run
    const pull: Pull = {
      ...this.stamp(this.freshId()),
      run: this.entries[0]!.id,
      did,
      follows: last.id,
      ...(next && did !== 'back' && did !== 'end' && { stage: next.stage, fastener: next.fastener }),
      ...more,
    }
    this.entries.push(pull)
    return pull
  }

  private stamp(id: string) {
    this.clock += 10_000
    return { kind: 'pull' as const, id, at: new Date(this.clock).toISOString(), by: 'AB', joint: this.of.id, device: 'one' }
  }

  private freshId(): string {
    return `0199f000-0000-7000-8000-${String(this.entries.length).padStart(12, '0')}`
  }
}

describe('the steps of a run', () => {
  it('are all fasteners at a stage before the next, in the order of the plan', () => {
    const steps = stepsOf(head)
    expect(steps).toHaveLength(30)
    expect(steps.map(({ stage }) => stage)).toEqual([1, 2, 3].flatMap((stage) => Array.from({ length: 10 }, () => stage)))
    expect(steps.slice(0, 4).map(({ fastener }) => fastener)).toEqual([3, 8, 2, 9])
    expect(steps[10]).toMatchObject({ stage: 2, fastener: 3, pull: { nm: 55 } })
  })

  it('take each group of a stage in turn; one with fewer stages is done with them', () => {
    const both = { ...head, groups: [group([1, 2], [torque(20), torque(40)]), group([3, 4], [torque(9)])] }
    expect(stepsOf(both).map(({ stage, fastener }) => [stage, fastener])).toEqual([
      [1, 1],
      [1, 2],
      [1, 3],
      [1, 4],
      [2, 1],
      [2, 2],
    ])
  })

  it('of a verify pass and of a re-torque are the last stage alone, the second backed off one by one', () => {
    expect(stepsOf(head, 'verify').map(({ pull }) => pull)).toEqual(Array.from({ length: 10 }, () => torque(80)))
    expect(stepsOf(head, 'verify').some(({ backOffFirst }) => backOffFirst)).toBe(false)
    expect(stepsOf(head, 'retorque').every(({ backOffFirst, pull }) => backOffFirst === true && pull.pull === 'torque')).toBe(true)
  })

  it('of a joint of torque and angle never turn a tight fastener further: it is checked at the torque before, or by its mark', () => {
    const angle = { pull: 'angle' as const, deg: 90 }
    const by = (...stages: Joint['groups'][number]['stages']) => ({ ...head, groups: [group([1, 2], stages)] })
    const pulls = (joint: Joint, way: Run['way']) => stepsOf(joint, way).map(({ fastener, pull }) => [fastener, pull])
    const twice = by(torque(30), torque(40), angle, angle)
    expect(pulls(twice, 'verify')).toEqual([
      [1, torque(40)],
      [2, torque(40)],
    ])
    expect(pulls(by({ pull: 'snug' }, angle), 'verify')).toEqual([
      [1, { pull: 'witnessMark' }],
      [2, { pull: 'witnessMark' }],
    ])
    expect(pulls(by({ pull: 'snug' }), 'verify')).toEqual([])
    // Backed off, the angle counts from the torque again: every stage, one fastener after the other.
    expect(pulls(twice, 'retorque')).toEqual(
      [1, 2].flatMap((fastener) => [torque(30), torque(40), angle, angle].map((pull) => [fastener, pull])),
    )
    expect(stepsOf(twice, 'retorque').map(({ backOffFirst = false }) => backOffFirst)).toEqual([
      true,
      false,
      false,
      false,
      true,
      false,
      false,
      false,
    ])
  })

  it('of a loosening go from the outside in, twice', () => {
    const fasteners = stepsOf(head, 'loosen').map(({ fastener }) => fastener)
    expect(fasteners).toHaveLength(20)
    expect(fasteners.slice(0, 10)).toEqual(head.groups[0]!.order.toReversed())
  })

  it('of a draw-down are quarter turns, the caps under load first in every round', () => {
    const caps = {
      ...head,
      fasteners: head.fasteners.map((one, index) => (index === 0 || index === 9 ? { ...one, loaded: true as const } : one)),
    }
    const steps = stepsOf(caps, 'drawDown')
    expect(steps).toHaveLength(80)
    expect(steps.every(({ pull }) => pull.pull === 'angle' && pull.deg === 90)).toBe(true)
    for (const round of [0, 10, 70])
      expect(steps.slice(round, round + 2).map(({ fastener }) => fastener)).toEqual(
        head.groups[0]!.order.filter((one) => one === 1 || one === 10),
      )
    expect(new Set(steps.slice(0, 10).map(({ fastener }) => fastener)).size).toBe(10)
  })

  it('of a joint nobody knows a figure of are each fastener once', () => {
    const bare = { ...head, groups: [{ ...group([1, 2, 3], []), method: 'none' as const }] }
    expect(stepsOf(bare).map(({ pull }) => pull.pull)).toEqual(['snug', 'snug', 'snug'])
  })
})

describe('a run', () => {
  it('asks for every pull once and then for none', () => {
    const log = new Log(head)
    const asked: string[] = []
    for (let next = log.run.next; next; next = log.run.next) {
      asked.push(`${next.stage}/${next.fastener}`)
      log.add('pulled')
    }
    expect(asked).toEqual(stepsOf(head).map(({ stage, fastener }) => `${stage}/${fastener}`))
    expect(log.run).toMatchObject({ next: undefined, isEnded: false, conflict: undefined })
    log.add('end')
    expect(log.run.isEnded).toBe(true)
  })

  it('is the same in whatever order its entries arrive, and never repeats or leaves a gap, whatever happens', () => {
    const happenings = fc.array(fc.constantFrom('pulled', 'pulled', 'pulled', 'pulled', 'short', 'leftOut', 'back', 'broke', 'takeOver'), {
      maxLength: 90,
    })
    fc.assert(
      fc.property(happenings, fc.infiniteStream(fc.nat()), (dids, random) => {
        const log = new Log(head)
        for (const did of dids) {
          const before = log.run
          if (!before.next && did !== 'back') continue
          log.add(did as Pull['did'])
          const { steps, done, next } = log.run
          // The first that is not done is asked for: all before it are.
          const at = next ? steps.indexOf(next) : steps.length
          expect(steps.slice(0, at).every((step) => done.has(step))).toBe(true)
          expect(next === undefined || !done.has(next)).toBe(true)
          if (did === 'pulled' || did === 'leftOut') expect(done.size).toBe(before.done.size + 1)
          if (did === 'short' || did === 'takeOver') expect(next).toEqual(before.next)
        }
        const shuffled = log.entries
          .map((entry) => ({ entry, key: random.next().value as number }))
          .toSorted((a, b) => a.key - b.key)
          .map(({ entry }) => entry)
        expect(runsOf(head, shuffled)[0]).toEqual(log.run)
      }),
    )
  })

  it('has a torque stage that stopped short torqued again, an angle stage carried on', () => {
    const log = new Log(head)
    const first = log.run.next
    log.add('short')
    expect(log.run.isShort).toBe(true)
    expect(log.run.next).toEqual(first)
    log.add('pulled')
    expect(log.run.isShort).toBe(false)

    const byAngle = { ...head, groups: [group([1, 2], [torque(30), { pull: 'angle', deg: 90 }])] }
    const turning = new Log(byAngle)
    turning.add('pulled')
    turning.add('pulled')
    turning.add('short')
    // Not backed off: the same step again, until the whole angle is there.
    expect(turning.run.next).toMatchObject({ stage: 2, fastener: 1 })
    expect(turning.run.isShort).toBe(true)
    turning.add('pulled')
    expect(turning.run.next).toMatchObject({ stage: 2, fastener: 2 })
  })

  it('takes one step back, and back again', () => {
    const log = new Log(head)
    for (let pulls = 0; pulls < 3; pulls++) log.add('pulled')
    log.add('back')
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 2 })
    log.add('back')
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 8 })
    for (let times = 0; times < 5; times++) log.add('back')
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 3 })
  })

  it('brings a fastener that stands for one that broke through every stage before it goes on', () => {
    const log = new Log(head)
    for (let pulls = 0; pulls < 22; pulls++) log.add('pulled')
    expect(log.run.next).toMatchObject({ stage: 3, fastener: 2 })
    log.add('broke', { reason: 'head twisted off' })
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 2 })
    log.add('pulled')
    expect(log.run.next).toMatchObject({ stage: 2, fastener: 2 })
    log.add('pulled')
    log.add('pulled')
    expect(log.run.next).toMatchObject({ stage: 3, fastener: 9 })
  })

  it('asks whether the others are backed off to it, where they stand higher; backed off, all go through every stage', () => {
    const log = new Log(head)
    log.add('broke', { reason: 'at its first pull' })
    expect(hasHigherNeighbours(log.run)).toBe(false)
    for (let pulls = 0; pulls < 12; pulls++) log.add('pulled')
    expect(hasHigherNeighbours(log.run)).toBe(false)
    log.add('broke', { reason: 'thread came out' })
    expect(hasHigherNeighbours(log.run)).toBe(true)
    log.add('backedOff', { stage: undefined, fastener: undefined })
    expect(hasHigherNeighbours(log.run)).toBe(false)
    expect(log.run.done.size).toBe(0)
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 3 })
  })

  it('begins again where the sealer had set and was put on again', () => {
    const log = new Log(head)
    for (let pulls = 0; pulls < 15; pulls++) log.add('pulled')
    log.add('resealed')
    expect(log.run.done.size).toBe(0)
    expect(log.run.next).toMatchObject({ stage: 1, fastener: 3 })
  })

  it('keeps the reason of what was left out', () => {
    const log = new Log(head)
    log.add('leftOut', { reason: 'wrench does not reach' })
    expect(leftOut(log.run).map(([{ fastener }, { reason }]) => [fastener, reason])).toEqual([[3, 'wrench does not reach']])
  })
})

describe('two devices', () => {
  const parted = () => {
    const log = new Log(head)
    log.add('pulled')
    const last = log.add('pulled')
    const other: Pull = { ...last, id: '0199f000-0000-7000-8000-999999999999', device: 'two', follows: last.id, stage: 1, fastener: 2 }
    const own = log.add('pulled')
    return { log, last, own, other }
  }

  it('that torqued without knowing of each other are a conflict, and nothing is merged', () => {
    const { log, last, own, other } = parted()
    const run = runsOf(head, [...log.entries, other])[0]!
    expect(run.conflict?.tips.map(({ id }) => id)).toEqual([own.id, other.id])
    expect(run.next).toBeUndefined()
    expect(run.path.at(-1)).toEqual(last)
    expect(run.done.size).toBe(2)
  })

  it('go on from the one a person says counts; the other is kept and does not count', () => {
    const { log, own, other } = parted()
    const settled: Pull = {
      ...other,
      id: '0199f000-0000-7000-8000-aaaaaaaaaaaa',
      did: 'takeOver',
      follows: own.id,
      instead: [other.id],
      stage: undefined,
      fastener: undefined,
    }
    const run = runsOf(head, [...log.entries, other, settled])[0]!
    expect(run.conflict).toBeUndefined()
    expect(run.last.device).toBe('two')
    expect(run.done.size).toBe(3)
    expect(run.next).toMatchObject({ stage: 1, fastener: 9 })
  })
})

describe('the angle at torque', () => {
  const turned = (angles: readonly number[], of: Joint = head) => {
    const log = new Log(of)
    for (const angleDeg of angles) log.add('pulled', { angleDeg })
    return oddAngles(of, log.run)
  }
  it('names the fastener that turns further or less than its type, by more than the wrench explains', () => {
    // The middle is 40°: three times √(2² + 1.2²) are 7.0°.
    expect(turned([40, 41, 39, 40, 40, 60])).toEqual([{ fastener: 7, stage: 1, angleDeg: 60, usualDeg: 40, is: 'further' }])
    expect(turned([40, 41, 39, 40, 40, 25])).toMatchObject([{ fastener: 7, is: 'less' }])
    expect(turned([40, 41, 39, 40, 40, 46.9])).toEqual([])
    expect(turned([40, 41, 39, 40, 40, 47.1])).toHaveLength(1)
  })

  it('says nothing of four, nor across types: longer studs rightly turn further', () => {
    expect(turned([40, 40, 40, 80])).toEqual([])
    const order = head.groups[0]!.order
    const isLong = (fastener: number) => order.indexOf(fastener) >= 5
    const two = {
      ...head,
      types: [{ letter: 'A' }, { letter: 'B' }],
      fasteners: head.fasteners.map((one, index) => ({ ...one, type: isLong(index + 1) ? 'B' : 'A' })),
    }
    expect(turned([40, 40, 40, 40, 40, 70, 70, 70, 70, 70], two)).toEqual([])
  })
})

describe('the time a run still takes', () => {
  it('is by the usual pace at first, by this person’s once there is one, pauses left out', () => {
    const log = new Log(head)
    expect(restMs(log.run)).toBe(30 * 17_000)
    for (let pulls = 0; pulls < 4; pulls++) log.add('pulled')
    expect(restMs(log.run)).toBe(26 * 10_000)
    const pause = log.add('pulled')
    const late = { ...pause, at: new Date(Date.parse(pause.at) + 3_600_000).toISOString() }
    const run = runsOf(head, [...log.entries.slice(0, -1), late])[0]!
    expect(restMs(run)).toBe(25 * 10_000)
  })

  it('counts a gap of just under two minutes as work and one of two as a pause', () => {
    const gaps = (seconds: number) => {
      let at = Date.parse('2026-03-01T10:00:00Z')
      const log = new Log(head)
      return paceMs([0, 10, 10, seconds].map((gap) => ({ ...log.entries[0]!, at: new Date((at += gap * 1000)).toISOString() })))
    }
    expect(gaps(119)).toBeCloseTo(46_333.3, 1)
    // Two gaps are too few to be believed.
    expect(gaps(120)).toBe(17_000)
  })
})

describe('the sealer of a run', () => {
  it('is as old as the run, or as the last time it was put on', () => {
    const log = new Log(head)
    expect(sealedAt(log.run)).toBe(log.entries[0]!.at)
    log.add('pulled')
    const again = log.add('resealed')
    log.add('pulled')
    expect(sealedAt(log.run)).toBe(again.at)
  })

  it('is drawn in at the usual pace until three gaps are known', () => {
    const log = new Log(head)
    for (let pulls = 0; pulls < 2; pulls++) log.add('pulled')
    expect(paceMs(log.run.path)).toBe(17_000)
    log.add('pulled')
    expect(paceMs(log.run.path)).toBe(10_000)
  })
})

describe('joints left open', () => {
  const sealed: Joint = { ...head, sealer: { name: 'Thread sealer', openMinutes: 20, from: MEMORY } }
  const spec = { joints: [sealed], layout: DEMO_BUILDS[0]!.spec.layout }
  it('are those begun and not ended, with when their sealer sets', () => {
    const log = new Log(sealed)
    for (let pulls = 0; pulls < 3; pulls++) log.add('pulled')
    expect(openRuns(spec, log.entries)).toEqual([
      {
        joint: 'head',
        name: 'Head',
        way: 'tighten',
        done: 3,
        steps: 30,
        sealer: { name: 'Thread sealer', setsAt: new Date(Date.parse(log.entries[0]!.at) + 1_200_000).toISOString() },
      },
    ])
    log.add('end')
    expect(openRuns(spec, log.entries)).toEqual([])
    expect(openRuns(spec, [])).toEqual([])
  })
})

describe('the runs of a joint', () => {
  it('are those of its own pulls, the one begun last first; a pull of a run that never began is none', () => {
    const first = new Log(head)
    const id = '0199f111-0000-7000-8000-000000000000'
    const second: Pull = { ...first.entries[0]!, id, run: id, way: 'retorque' }
    const elsewhere: Pull = { ...first.entries[0]!, id: '0199f222-0000-7000-8000-000000000000', joint: 'mains' }
    const stray: Pull = {
      ...second,
      id: '0199f333-0000-7000-8000-000000000000',
      run: '0199f333-0000-7000-8000-000000000001',
      did: 'pulled',
    }
    expect(runsOf(head, [...first.entries, second, elsewhere, stray]).map(({ way }) => way)).toEqual(['retorque', 'tighten'])
  })
})
