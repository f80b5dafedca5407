import { describe, expect, it } from 'vitest'
import type { JointClock } from '@/core/joints'
import { dueWords, runningWords } from '@/wording/clocks'
import { clocksCalendar } from './clocksCalendar'

const head = { joint: 'head', jointName: 'Cylinder head, left bank', startedAt: '2026-03-02T10:52:00.000Z' }
const served = (clock: JointClock) => ({
  id: `b1/${clock.joint}/${clock.kind}`,
  running: runningWords(clock),
  due: dueWords(clock, 0),
  dueAt: clock.dueAt,
  startedAt: clock.startedAt,
  href: '/',
  isOverWhenDue: false,
  isOfRun: false,
})
const clocks = [
  served({ kind: 'cures', name: 'Silicone', dueAt: '2026-03-02T14:52:00.000Z', ...head }),
  served({ kind: 'rests', name: 'Cylinder head', dueAt: '2026-03-03T10:52:00.000Z', ...head }),
]

describe('clocks as a calendar (RFC 5545)', () => {
  const lines = clocksCalendar([{ build: 'Petrel', clocks }])
    .replaceAll('\r\n ', '')
    .split('\r\n')

  it('has an event a clock, from when it is due, with an alarm then', () => {
    expect(lines[0]).toBe('BEGIN:VCALENDAR')
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2)
    expect(lines.filter((line) => line === 'BEGIN:VALARM')).toHaveLength(2)
    expect(lines).toContain('DTSTART:20260303T105200Z')
    expect(lines).toContain('DTEND:20260303T110700Z')
    expect(lines).toContain('SUMMARY:Petrel: Re-torque Cylinder head\\, left bank')
    expect(lines).toContain('SUMMARY:Petrel: Silicone has cured: Cylinder head\\, left bank may get wet')
  })

  it('the same clock is the same event every time it is fetched', () => {
    const ids = () => clocksCalendar([{ build: 'Petrel', clocks }]).match(/^UID:.*$/gm)
    expect(ids()).toEqual(ids())
    expect(new Set(ids()).size).toBe(2)
  })
})
