import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { describe, expect, it } from 'vitest'
import { checkDue, checksOf, currentCards, isOverdue } from './gaugeCards'
import type { Gauge } from './types'

const first = DEFAULT_GAUGES.find(({ gauge }) => gauge === 'mic-metric')!
const card = (change: Partial<Gauge>): Gauge => ({ ...first, ...change })

describe('checks of a gauge', () => {
  const cards = [...DEFAULT_GAUGES, card({ id: 'mic-metric.2', bias: 0.002 }), card({ id: 'mic-metric.3', bias: 0.001 })]

  it('show the drift from one to the next', () => {
    expect(checksOf(cards, 'mic-metric').map(({ card: { id }, drift }) => [id, drift])).toEqual([
      ['mic-metric.1', undefined],
      ['mic-metric.2', 0.002],
      ['mic-metric.3', -0.001],
    ])
    expect(
      currentCards(cards)
        .filter(({ gauge }) => gauge === 'mic-metric')
        .map(({ id }) => id),
    ).toEqual(['mic-metric.3'])
  })

  it('hold until their day and are overdue after it, never before and never without a schedule', () => {
    const scheduled = card({ checkedOn: '2026-01-31', checkEveryDays: 30 })
    expect(checkDue(scheduled)).toBe('2026-03-02')
    expect(isOverdue(scheduled, '2026-03-02T23:00:00Z')).toBe(false)
    expect(isOverdue(scheduled, '2026-03-03T01:00:00Z')).toBe(true)
    expect(isOverdue(card({ checkedOn: '2020-01-01' }), '2026-03-03')).toBe(false)
    expect(isOverdue(card({ checkEveryDays: 30 }), '2026-03-03')).toBe(false)
  })
})
