import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { earliest, inOrder, withSlack, type Task } from './network'
import { level, type LevelledTask } from './level'
import { USUAL_HOURS, workingTime } from './workingTime'

const task = (id: string, minutes: number, after: readonly string[] = [], more: Partial<Task> = {}): Task => ({
  id,
  minutes,
  after: after.map((on) => ({ on, lag: 0 })),
  ...more,
})

/** Worked by hand: A 3, B 4 after A, C 2 after A, D 5 after B, E 1 after C, F 2 after C, G 4 after D and E, H 3 after F and G. */
const WORKED = [
  task('A', 3),
  task('B', 4, ['A']),
  task('C', 2, ['A']),
  task('D', 5, ['B']),
  task('E', 1, ['C']),
  task('F', 2, ['C']),
  task('G', 4, ['D', 'E']),
  task('H', 3, ['F', 'G']),
]

describe('a network worked by hand', () => {
  const slacked = withSlack(WORKED, earliest(WORKED), new Set(['H']))

  it('has its earliest times', () => {
    expect(Object.fromEntries([...slacked].map(([id, { start, finish }]) => [id, [start, finish]]))).toEqual({
      A: [0, 3],
      B: [3, 7],
      C: [3, 5],
      D: [7, 12],
      E: [5, 6],
      F: [5, 7],
      G: [12, 16],
      H: [16, 19],
    })
  })

  it('has its slack, and its critical path A B D G H', () => {
    expect(Object.fromEntries([...slacked].map(([id, { slack }]) => [id, slack]))).toEqual({
      A: 0,
      B: 0,
      C: 6,
      D: 0,
      E: 6,
      F: 9,
      G: 0,
      H: 0,
    })
    expect([...slacked].flatMap(([id, { isCritical }]) => (isCritical ? [id] : []))).toEqual(['A', 'B', 'D', 'G', 'H'])
  })

  it('waits for what has to pass in between, and for a promised day', () => {
    const later: Readonly<Record<string, Partial<Task>>> = { E: { notBefore: 20 }, H: { after: [{ on: 'G', lag: 60 }] } }
    const late = WORKED.map((one) => ({ ...one, ...later[one.id] }))
    const times = earliest(late)
    expect([times.get('E')!.start, times.get('G')!.start, times.get('H')!.start]).toEqual([20, 21, 85])
    const own = withSlack(late, times, new Set(['H']))
    // What the promise now holds up has room in all that comes before.
    expect([own.get('A')!.slack, own.get('D')!.slack, own.get('E')!.slack]).toEqual([9, 9, 0])
  })

  it('refuses a circle, and counts what is not there as done', () => {
    expect(() => inOrder([task('A', 1, ['B']), task('B', 1, ['A'])])).toThrow(/circle/)
    expect(() => inOrder([task('A', 1, ['A'])])).toThrow(/circle/)
    expect(earliest([task('A', 1, ['gone'])]).get('A')).toEqual({ start: 0, finish: 1 })
  })

  it('takes a chain of ten thousand', () => {
    const chain = Array.from({ length: 10_000 }, (_, index) => task(`t${index}`, 1, index > 0 ? [`t${index - 1}`] : []))
    expect(earliest(chain.toReversed()).get('t9999')!.finish).toBe(10_000)
  })
})

const levelled = (minutes: number, rank: number, after: readonly string[] = [], needsStand = false): LevelledTask => ({
  ...task(`t${rank}`, minutes, after),
  rank,
  needsStand,
})

/** Small networks: up to six tasks, each after some of those before it. */
const network = fc
  .array(fc.record({ minutes: fc.integer({ min: 0, max: 5 }), mask: fc.nat(63), needsStand: fc.boolean() }), { minLength: 1, maxLength: 6 })
  .map((all) =>
    all.map(({ minutes, mask, needsStand }, rank) =>
      levelled(
        minutes,
        rank,
        Array.from({ length: rank }, (_, at) => at).flatMap((at) => (mask & (1 << at) ? [`t${at}`] : [])),
        needsStand,
      ),
    ),
  )
const shop = fc.record({ people: fc.integer({ min: 1, max: 3 }), stands: fc.integer({ min: 1, max: 2 }) })

const finishOf = (times: ReadonlyMap<string, { readonly finish: number }>) => Math.max(...[...times.values()].map(({ finish }) => finish))

/** The shortest there is: every order in which tasks may be put, each as early as it goes. */
function shortest(tasks: readonly LevelledTask[], resources: { people: number; stands: number }): number {
  const permuted = (left: readonly LevelledTask[]): readonly (readonly LevelledTask[])[] =>
    left.length === 0 ? [[]] : left.flatMap((one) => permuted(left.filter((other) => other !== one)).map((rest) => [one, ...rest]))
  return Math.min(
    ...permuted(tasks).map((order) =>
      finishOf(
        level(
          order.map((one, rank) => ({ ...one, rank })),
          resources,
        ).times,
      ),
    ),
  )
}

describe('work shared among the people there are', () => {
  it('fills a gap that is just long enough, and none that is a minute short', () => {
    const late = { ...levelled(3, 1), notBefore: 5 }
    const starts = (minutes: number) => level([levelled(2, 0), late, levelled(minutes, 2)], { people: 1, stands: 1 }).times.get('t2')!.start
    expect([starts(2), starts(3), starts(4)]).toEqual([2, 2, 8])
  })

  it('keeps to what waits for what, and gives nobody two things at once', () => {
    fc.assert(
      fc.property(network, shop, (tasks, resources) => {
        const { times, person } = level(tasks, resources)
        for (const { id, after } of tasks)
          for (const { on } of after) expect(times.get(id)!.start).toBeGreaterThanOrEqual(times.get(on)!.finish)
        for (let minute = 0; minute < finishOf(times); minute++) {
          const now = tasks.filter(({ id }) => times.get(id)!.start <= minute && minute < times.get(id)!.finish)
          expect(now.length).toBeLessThanOrEqual(resources.people)
          expect(now.filter(({ needsStand }) => needsStand).length).toBeLessThanOrEqual(resources.stands)
          expect(new Set(now.map(({ id }) => person.get(id))).size).toBe(now.length)
        }
      }),
      { numRuns: 300 },
    )
  })

  it('is never shorter than the shortest there is, nor longer than one after another; with people enough it is the network’s own', () => {
    fc.assert(
      fc.property(network, shop, (tasks, resources) => {
        const finish = finishOf(level(tasks, resources).times)
        expect(finish).toBeGreaterThanOrEqual(shortest(tasks, resources))
        expect(finish).toBeLessThanOrEqual(tasks.reduce((sum, { minutes }) => sum + minutes, 0))
        expect(level(tasks, { people: 6, stands: 6 }).times).toEqual(earliest(tasks))
      }),
      { numRuns: 60 },
    )
  })

  it('puts each in the order of its rank: what is before it in rank is no later for it', () => {
    fc.assert(
      fc.property(network, shop, (tasks, resources) => {
        const { times } = level(tasks, resources)
        // Tasks here are ranked so that each comes after what it waits for: leaving the last out moves none of the others.
        expect([...level(tasks.slice(0, -1), resources).times]).toEqual([...times].filter(([id]) => id !== tasks.at(-1)!.id))
      }),
      { numRuns: 200 },
    )
  })

  it('tells slack of the plan as it is shared: a task later by it moves no end, later by more moves one', () => {
    fc.assert(
      fc.property(network, shop, (tasks, resources) => {
        const { times, behind } = level(tasks, resources)
        const linked = tasks.map((one) => ({ ...one, after: [...one.after, ...(behind.get(one.id) ?? []).map((on) => ({ on, lag: 0 }))] }))
        const held = linked.map((one) => ({ ...one, notBefore: times.get(one.id)!.start }))
        const last = tasks.at(-1)!.id
        const finish = times.get(last)!.finish
        for (const [id, { slack }] of withSlack(linked, times, new Set([last]))) {
          const later = (by: number) => held.map((one) => (one.id === id ? { ...one, notBefore: times.get(id)!.start + by } : one))
          const moved = (by: number) => {
            const shifted = earliest(later(by))
            return shifted.get(last)!.finish > finish || finishOf(shifted) > finishOf(times)
          }
          expect([moved(slack), moved(slack + 1)]).toEqual([false, true])
        }
      }),
      { numRuns: 200 },
    )
  })
})

describe('working time', () => {
  // A Friday, half past three.
  const time = workingTime(new Date(2026, 10, 27, 15, 30), USUAL_HOURS)
  const shown = (date: Date) => [date.getDate(), date.getHours(), date.getMinutes()]

  it('goes on the next working morning, and ends in the evening', () => {
    expect(shown(time.startAt(0))).toEqual([27, 15, 30])
    expect(shown(time.startAt(89))).toEqual([27, 16, 59])
    expect(shown(time.startAt(90))).toEqual([30, 8, 0])
    expect(shown(time.endAt(90))).toEqual([27, 17, 0])
    expect(shown(time.endAt(91))).toEqual([30, 8, 1])
    expect(shown(time.startAt(90 + 540))).toEqual([1, 8, 0])
  })

  it('begins in the morning where it is asked for at night, on a Sunday, or before the doors open', () => {
    expect(shown(workingTime(new Date(2026, 10, 27, 17, 0), USUAL_HOURS).startAt(0))).toEqual([30, 8, 0])
    expect(shown(workingTime(new Date(2026, 10, 29, 12, 0), USUAL_HOURS).startAt(30))).toEqual([30, 8, 30])
    expect(shown(workingTime(new Date(2026, 10, 30, 5, 0), USUAL_HOURS).startAt(0))).toEqual([30, 8, 0])
  })

  it('leaves out days the shop is closed, and opens at nine by the wall also on the day clocks change', () => {
    const closed = workingTime(new Date(2026, 10, 27, 15, 30), { ...USUAL_HOURS, closed: ['2026-11-30', '2026-12-01'] })
    expect(shown(closed.startAt(90))).toEqual([2, 8, 0])
    const zone = process.env.TZ
    process.env.TZ = 'Europe/Berlin'
    // 29 March 2026, a Sunday: three o'clock follows one.
    const sunday = workingTime(new Date(2026, 2, 28, 20, 0), { days: [0, 6], from: 9, to: 17.5 })
    expect(shown(sunday.startAt(0))).toEqual([29, 9, 0])
    expect(shown(sunday.endAt(510))).toEqual([29, 17, 30])
    process.env.TZ = zone
  })

  it('counts what is left until a moment, none of a night or a weekend', () => {
    expect(time.minutesUntil(new Date(2026, 10, 27, 15, 0))).toBe(0)
    expect(time.minutesUntil(new Date(2026, 10, 27, 16, 30))).toBe(60)
    expect(time.minutesUntil(new Date(2026, 10, 28, 12, 0))).toBe(90)
    expect(time.minutesUntil(new Date(2026, 10, 30, 9, 0))).toBe(150)
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (minute) => {
        expect(time.minutesUntil(time.startAt(minute))).toBe(minute)
        expect(time.minutesUntil(time.endAt(minute))).toBe(minute)
      }),
    )
  })

  it('is refused where nobody ever works', () => {
    expect(() => workingTime(new Date(), { days: [], from: 8, to: 17 })).toThrow()
    expect(() => workingTime(new Date(), { days: [1], from: 17, to: 8 })).toThrow()
  })
})
