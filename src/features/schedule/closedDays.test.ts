import { describe, expect, it } from 'vitest'
import { closedDays, daysWords } from './closedDays'

describe('days a shop is closed', () => {
  it('are days and runs of them, across a year too, each once and in order', () => {
    expect(closedDays('')).toEqual([])
    expect(closedDays('2026-12-28 to 2026-12-29, 2026-12-25; 2026-12-28')).toEqual(['2026-12-25', '2026-12-28', '2026-12-29'])
    expect(closedDays('2026-12-31 to 2027-01-01')).toEqual(['2026-12-31', '2027-01-01'])
    expect(daysWords(closedDays('2026-12-31 to 2027-01-02, 2026-12-25')!)).toBe('2026-12-25, 2026-12-31 to 2027-01-02')
  })

  it('are none of the calendar’s otherwise', () => {
    for (const text of ['Christmas', '2026-02-30', '2026-12-26 to 2026-12-25', '25.12.2026', '2026-01-01 to 2029-01-01'])
      expect(closedDays(text), text).toBeUndefined()
  })
})
