import { expect, it } from 'vitest'
import { isDay } from './day'

it.each([
  ['2026-03-01', true],
  ['2024-02-29', true],
  ['2026-02-29', false],
  ['2026-13-01', false],
  ['2026-3-1', false],
  ['01.03.2026', false],
  ['', false],
])('%s is a day of the calendar: %s', (text, is) => expect(isDay(text)).toBe(is))
