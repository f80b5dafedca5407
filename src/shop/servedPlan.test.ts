import { describe, expect, it } from 'vitest'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { withDemoWalk } from '@/demo/walks'
import { openBuild } from '@/core/benches'
import { summarise } from './summary'
import { planCalendar } from '../features/schedule/planCalendar'
import { causeWords, inHandWords, slackWords, slipWords } from '../features/schedule/planWords'
import { servePlan, USUAL_MEANS } from './servedPlan'

const now = new Date(2026, 2, 2, 9, 0)
const builds = DEMO_BUILDS.map((engine) => ({ id: engine.id, summary: summarise(openBuild(withDemoWalk(demoDocument(engine, now), now))) }))
const asked = { means: USUAL_MEANS, before: new Map(), more: 0, nowMs: now.getTime(), day: '2026-03-02' }
const { served, kept } = servePlan(builds, asked)
const [tern, petrel, wren] = served.engines as [(typeof served.engines)[0], (typeof served.engines)[0], (typeof served.engines)[0]]

describe('the plan of the demo shop', () => {
  it('plans all three over one person: the earlier day first, what has no day last', () => {
    expect([tern.name, tern.event, petrel.event?.date]).toEqual(['Tern', { words: 'Hill climb', date: '2026-03-11' }, '2026-04-01'])
    // Whichever was worked on last, what is ready first stands first.
    expect(servePlan(builds.toReversed(), asked).served.engines.map(({ name }) => name)).toEqual(['Tern', 'Petrel', 'Wren'])
    expect(tern.readyAt < petrel.readyAt).toBe(true)
    expect(petrel.readyAt < wren.readyAt).toBe(true)
    expect(wren.daysInHand).toBeUndefined()
    expect(petrel.unpromised).toEqual(['Cam', 'Distributor'])
    expect(tern.bars[0]!.from).toBe('2026-03-02T09:00')
    expect(tern.bars.map(({ stage }) => stage)).toEqual(expect.arrayContaining(['clean', 'final', 'heads', 'fire', 'dyno']))
    expect(tern.critical[0]!.from >= '2026-03-02T09:00').toBe(true)
  })

  it('says what slipped since the plan of a day before, and why', () => {
    const before = new Map(kept.map(({ buildId, plan }) => [buildId, plan]))
    const friday = new Date(2026, 2, 6, 9, 0)
    const { served: later } = servePlan(builds, { ...asked, before, nowMs: friday.getTime(), day: '2026-03-06' })
    const slip = later.engines[0]!.slip!
    expect(slip.since).toBe('2026-03-02')
    expect(slip.days).toBeGreaterThanOrEqual(4)
    expect(slip.causes[0]).toMatchObject({ is: 'notDone', title: 'Bare iron oiled' })
    expect(slipWords(slip)).toMatch(/^Slipped by \d+ days since Mon 2 Mar\.$/)
    expect(causeWords(slip.causes[0]!)).toBe('Bare iron oiled: planned for Mon 2 Mar, and not done')
  })

  it('is a calendar of stages, promises and days', () => {
    const text = planCalendar([petrel], now)
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(petrel.bars.length + 2)
    expect(text).toContain('SUMMARY:Petrel: Heads at the machine shop promised')
    expect(text).toContain('DTSTART;VALUE=DATE:20260306')
    expect(text).toContain('SUMMARY:Petrel: Lake week')
    expect(planCalendar([petrel], now)).toBe(text)
  })
})

describe('a plan in words', () => {
  const event = { words: 'Hill climb', date: '2026-03-11' }
  it.each([
    [{ readyAt: '2026-03-10T12:00', daysInHand: 1, event }, 'Ready Tue 10 Mar: 1 day in hand to Hill climb, Wed 11 Mar.'],
    [{ readyAt: '2026-03-11T12:00', daysInHand: 0, event }, 'Ready Wed 11 Mar, the very day of Hill climb, Wed 11 Mar.'],
    [{ readyAt: '2026-03-13T12:00', daysInHand: -2, event }, 'Ready Fri 13 Mar: 2 days too late for Hill climb, Wed 11 Mar.'],
    [{ readyAt: '2026-03-13T12:00' }, 'Ready Fri 13 Mar; no day is agreed.'],
  ])('%o', (plan, words) => expect(inHandWords(plan)).toBe(words))

  it.each([
    [0, 'As it was on Mon 2 Mar.'],
    [1, 'Slipped by 1 day since Mon 2 Mar.'],
    [-2, '2 days sooner than on Mon 2 Mar.'],
  ])('%i days', (days, words) => expect(slipWords({ since: '2026-03-02', days, causes: [] })).toBe(words))

  it.each([
    [59, '59 min of slack'],
    [60, '1 h of slack'],
    [539, '9 h of slack'],
    [540, '1 day of slack'],
    [1620, '3 days of slack'],
  ])('%i minutes', (minutes, words) => expect(slackWords(minutes, 540)).toBe(words))
})
