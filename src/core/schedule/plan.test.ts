import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, type Build, type Entry, type PartEntry } from '@/core/document'
import { soundBuild, stamp } from '../../../tests/support/builds'
import { doing, DRIVES, fresh, LAYOUTS, NOW_MS, signOff } from '../../../tests/support/walks'
import { stepsOf, walkOf } from '../walk'
import { keptPlan, ownTimes, plannedSteps, planShop, slipSince, USUAL_HOURS, type EngineToPlan, type ShopMeans } from '.'
import { linkedSteps } from './tasks'

/** A Monday morning, nine o'clock where the test runs. */
const MONDAY = new Date(2026, 2, 2, 9, 0).getTime()
const ONE: ShopMeans = { people: 1, stands: 2, hours: USUAL_HOURS }
const bare = (which: number): Build => {
  const { id, spec, gauges } = soundBuild(which)
  return openBuild({ id, spec, gauges: [...gauges.values()], entries: [] })
}
const steps = (build: Build, nowMs = MONDAY) => plannedSteps(build, walkOf(build, nowMs))
const engine = (id: string, build: Build, more: Partial<EngineToPlan> = {}): EngineToPlan => ({ id, steps: steps(build), ...more })
const wren = bare(2)
const planOf = (build: Build, more: Partial<EngineToPlan> = {}, means = ONE) =>
  planShop([engine('w', build, more)], means, MONDAY).engines[0]!

const want = (what: string, name: string, more: Partial<PartEntry> = {}): readonly Entry[] => {
  const own = stamp()
  return [{ kind: 'part', ...own, part: own.id, did: 'wanted', what, name, ...more }]
}

describe('what of a walk is planned', () => {
  it('is what is not done up to the hand-over, and nothing after it', () => {
    const ids = steps(wren).map(({ id }) => id)
    const walked = stepsOf(wren).filter(({ stage, isOptional }) => stage !== 'refresh' && !isOptional)
    expect(ids).toEqual(walked.map(({ id }) => id))
    expect(steps(doing(wren, 'job.agreed', 'job.paper')).map(({ id }) => id)).not.toContain('job.paper')
    expect(steps(withEntries(wren, [signOff('clean.apart', 'leftOut')])).map(({ id }) => id)).not.toContain('clean.apart')
  })

  it('waits for what the walk waits for: steps, holds by what lifts them, clocks, and the stages before', () => {
    const after = (build: Build, id: string) =>
      new Map(
        linkedSteps(steps(build))
          .find((step) => step.id === id)!
          .after.map(({ on, lag }) => [on, lag]),
      )
    expect([...after(wren, 'heads.on').keys()]).toEqual(expect.arrayContaining(['heads.gasket', 'heads.dowels', 'heads.studs', 'phase.5']))
    expect(after(wren, 'heads.on').has('final.pumpDrive')).toBe(true)
    expect(after(bare(1), 'heads.lifters.left').get('heads.soak')).toBe(60)
    expect(after(wren, 'finalClean.oiled').get('finalClean.washed')).toBe(0)
    expect([...after(bare(1), 'final.pistons.1-2').keys()]).toContain('pull.mains')
    expect([...after(wren, 'heads.twoTurns').keys()].some((id) => id.startsWith('read.clearance.'))).toBe(true)
  })

  it('of readings that are half taken is the half', () => {
    const half = soundBuild(2)
    const { id, source, minutes } = stepsOf(half).find(({ source: { from } }) => from === 'readings')!
    if (source.from !== 'readings') throw new Error('no readings')
    const some = half.entries.filter(
      (entry) => entry.kind !== 'reading' || !source.stations.some((one) => one.startsWith(entry.characteristic)),
    )
    const kept = half.entries.filter((entry) => entry.kind === 'reading' && entry.characteristic === source.characteristic).slice(0, 1)
    const build = openBuild({ id: half.id, spec: half.spec, gauges: [...half.gauges.values()], entries: [...some, ...kept] })
    const left = (source.stations.length - 1) / source.stations.length
    expect(steps(build).find((step) => step.id === id)).toMatchObject({ left, minutes: minutes * left })
    // What such took here is halved too.
    const { tasks } = planShop([engine('w', build)], ONE, MONDAY, new Map([[id, 60]])).engines[0]!
    const planned = tasks.find((one) => one.id === id)!
    expect(planned.finish - planned.start).toBeCloseTo(60 * left, 9)
  })

  it.each([0, 1, 2])('of demo engine %i ends, for one person as for three', (which) => {
    const build = bare(which)
    const total = steps(build).reduce((sum, { minutes }) => sum + minutes, 0)
    const [one, three] = [ONE, { ...ONE, people: 3 }].map((means) => planShop([engine('e', build)], means, MONDAY).engines[0]!.finish)
    expect(one).toBeGreaterThanOrEqual(total - 1e-6)
    expect(three).toBeLessThan(one!)
  })
})

describe('the plan of any engine', () => {
  it.each(LAYOUTS.flatMap(([kind, cylinders]) => DRIVES.map((drive) => [kind, cylinders, drive] as const)))(
    '%s %i, %s: ends, and keeps to what waits for what',
    (kind, cylinders, valveDrive) => {
      const build = fresh(kind, cylinders, { valveDrive })
      const planned = steps(build)
      const { tasks } = planShop([{ id: 'e', steps: planned }], { ...ONE, people: 2 }, MONDAY).engines[0]!
      const times = new Map(tasks.map((task) => [task.id, task]))
      for (const { id, after } of stepsOf(build))
        for (const before of after)
          if (times.has(id) && times.has(before))
            expect(times.get(id)!.start, `${id} after ${before}`).toBeGreaterThanOrEqual(times.get(before)!.finish)
      expect(times.get('fire.first')!.start).toBeGreaterThan(times.get('heads.twoTurns')!.finish)
    },
  )

  it('is made also where joints were planned to wait for each other in a circle', () => {
    const five = bare(0)
    const joints = five.spec.joints!
    const circular = {
      ...five,
      spec: { ...five.spec, joints: joints.map((joint, at) => ({ ...joint, after: [joints[(at + 1) % joints.length]!.id] })) },
    }
    expect(planOf(circular).tasks.length).toBeGreaterThan(80)
  })
})

describe('the plan of a shop', () => {
  it('is ready after all that is left of it, in working hours, and counts the days in hand', () => {
    const plan = planOf(wren, { date: '2026-03-20' })
    const total = steps(wren).reduce((sum, { minutes }) => sum + minutes, 0)
    // Nobody else is worked for; what soaks is an hour at the most.
    expect(plan.finish).toBeGreaterThanOrEqual(total - 1e-6)
    expect(plan.finish).toBeLessThanOrEqual(total + 60)
    const days = Math.ceil((plan.finish + 60) / 540)
    // Days of nine hours from Monday eight o'clock, no weekend worked.
    const ready = new Date(2026, 2, 2 + (days - 1) + 2 * Math.floor((days - 1) / 5))
    expect(plan.readyAt.toDateString()).toBe(ready.toDateString())
    expect(plan.daysInHand).toBe(20 - ready.getDate())
  })

  it('waits for a repair that was agreed on, so many days after the answer, until it is done', () => {
    const own = stamp()
    const seen: Entry = {
      kind: 'damage',
      ...own,
      damage: own.id,
      did: 'seen',
      text: 'a crack',
      options: [{ text: 'weld it', days: 24, price: 300 }],
    }
    const next = (did: 'answered' | 'repaired', at: string, more: object = {}): Entry =>
      ({ kind: 'damage', ...stamp(), at, damage: own.id, did, ...more }) as Entry
    const answered = next('answered', '2026-03-02T10:00:00.000Z', { option: 0 })
    const washOf = (entries: readonly Entry[]) => steps(withEntries(wren, entries)).find(({ id }) => id === 'finalClean.washed')!
    expect(washOf([seen, answered]).promised).toEqual(['2026-03-26'])
    expect(washOf([seen]).promised).toBeUndefined()
    expect(washOf([seen, answered, next('repaired', '2026-03-20T10:00:00.000Z')]).promised).toBeUndefined()
    const planned = planOf(withEntries(wren, [seen, answered]))
    expect(planned.readyAt.getTime()).toBeGreaterThan(new Date(2026, 2, 27).getTime())
  })

  it('waits for a promised day, and works on from the next; what is late or unpromised is taken for here tomorrow, and said', () => {
    const waiting = (entries: readonly Entry[]) => {
      const plan = planOf(withEntries(wren, entries))
      return { ...plan, intake: plan.tasks.find(({ id }) => id === 'intake.on')! }
    }
    const promised = (day: string) => {
      const [wanted] = want('injectors', 'Injectors') as readonly [PartEntry]
      return waiting([wanted, { kind: 'part', ...stamp(), part: wanted.id, did: 'ordered', promised: day }])
    }
    // Friday of the fourth week: nothing of it is worked on before Monday.
    const far = promised('2026-03-27')
    expect(planShop([], ONE, MONDAY).time.startAt(far.intake.start).toDateString()).toBe(new Date(2026, 2, 30).toDateString())
    expect(far.overdue).toEqual([])
    const late = promised('2026-02-26')
    expect(late.overdue).toEqual(['2026-02-26'])
    expect(late.finish).toBe(planOf(wren).finish)
    expect(waiting(want('injectors', 'Injectors'))).toMatchObject({ unpromised: ['Injectors'], overdue: [] })
    // Needed for the first thing there is to do, nothing of that is done today.
    const solvent = planOf(withEntries(wren, want('other', 'Solvent', { needs: ['job.agreed'] })))
    expect(planShop([], ONE, MONDAY).time.startAt(solvent.tasks.find(({ id }) => id === 'job.agreed')!.start)).toEqual(
      new Date(2026, 2, 3, 8, 0),
    )
    // Once it is in nothing is waited for.
    const [wanted] = want('injectors', 'Injectors') as readonly [PartEntry]
    const here: Entry = { kind: 'part', ...stamp(), part: wanted.id, did: 'arrived', fits: [{ check: 'asOrdered', fits: true }] }
    expect(waiting([wanted, here]).unpromised).toEqual([])
  })

  it('says what is critical: what waits for a far promise has no slack, what can be done meanwhile has', () => {
    const [wanted] = want('injectors', 'Injectors') as readonly [PartEntry]
    const plan = planOf(withEntries(wren, [wanted, { kind: 'part', ...stamp(), part: wanted.id, did: 'ordered', promised: '2026-03-27' }]))
    const of = (id: string) => plan.tasks.find((task) => task.id === id)!
    expect([of('intake.on').isCritical, of('fire.first').isCritical]).toEqual([true, true])
    expect(of('lash.set').slack).toBeGreaterThan(540)
    expect(of('lash.set').isCritical).toBe(false)
  })

  it('gives people to the higher priority first, then to the earlier date, and never moves the first for the second', () => {
    const alone = planOf(wren).finish
    const pair = (a: Partial<EngineToPlan>, b: Partial<EngineToPlan>) =>
      planShop([engine('a', wren, a), engine('b', wren, b)], ONE, MONDAY).engines.map(({ finish }) => finish)
    const [first, second] = pair({}, { priority: 1 })
    expect(second).toBe(alone)
    expect(first).toBeGreaterThan(alone)
    const [late, soon] = pair({ date: '2026-05-01' }, { date: '2026-04-01' })
    expect(soon).toBe(alone)
    expect(late).toBe(first)
    expect(pair({ priority: 2, date: '2026-05-01' }, { priority: 3, date: '2026-04-01' })[0]).toBe(alone)
  })

  it('goes by what steps took in this shop, once there are enough of them', () => {
    const own = ownTimes([
      ...[150, 90, 100].map((minutes) => ({ kind: 'clean.apart', minutes })),
      ...[5, 7].map((minutes) => ({ kind: 'job.paper', minutes })),
      ...[0.2, 0.1, 0.3, 40].map((minutes) => ({ kind: 'job.agreed', minutes })),
    ])
    expect([...own]).toEqual([['clean.apart', 100]])
    const plan = planShop([engine('w', wren)], ONE, MONDAY, own).engines[0]!
    const apart = plan.tasks.find(({ id }) => id === 'clean.apart')!
    expect(apart.finish - apart.start).toBe(100)
    expect(planOf(wren).finish - plan.finish).toBe(240 - 100)
  })
})

describe('what has slipped since a plan was kept', () => {
  const endAt = planShop([], ONE, MONDAY).time.endAt
  const before = planOf(wren)
  const kept = keptPlan('2026-03-02', before, [{ name: 'Injectors', promised: '2026-03-05' }, { name: 'Pan' }], endAt)

  it('is nothing on the same day', () => {
    expect(slipSince(kept, before, [{ name: 'Injectors', promised: '2026-03-05' }], MONDAY)).toEqual({
      since: '2026-03-02',
      days: 0,
      causes: [],
    })
    expect(kept.promised).toEqual({ Injectors: '2026-03-05' })
  })

  it('names what was promised for later, what was planned to be over, and what nobody had planned', () => {
    const wednesday = new Date(2026, 2, 4, 9, 0).getTime()
    const more: Build = { ...wren, spec: { ...wren.spec, walk: { own: [{ id: 'own.1', stage: 'clean', title: 'Ultrasonic bath' }] } } }
    const now = planShop([{ id: 'w', steps: steps(more, wednesday) }], ONE, wednesday).engines[0]!
    const slip = slipSince(
      kept,
      now,
      [
        { name: 'Injectors', promised: '2026-03-09' },
        { name: 'Pan', promised: '2026-03-09' },
      ],
      wednesday,
    )
    expect(slip.days).toBeGreaterThanOrEqual(2)
    expect(slip.causes).toEqual(
      expect.arrayContaining([
        { is: 'promise', name: 'Injectors', was: '2026-03-05', now: '2026-03-09' },
        { is: 'notDone', step: 'job.agreed', was: expect.any(String) },
        { is: 'added', step: 'own.1' },
      ]),
    )
    expect(slip.causes.filter(({ is }) => is === 'promise')).toHaveLength(1)
    expect(slip.causes).not.toContainEqual(expect.objectContaining({ step: 'fire.first' }))
  })

  it('may be less than nothing', () => {
    const done = doing(wren, 'job.agreed', 'job.paper', 'clean.apart', 'clean.washed', 'clean.oiled')
    const now = planShop([{ id: 'w', steps: steps(done, NOW_MS) }], { ...ONE, people: 2 }, MONDAY).engines[0]!
    expect(slipSince(kept, now, [], MONDAY).days).toBeLessThan(0)
  })
})
