import { describe, expect, it } from 'vitest'
import { cardFrom, fieldsOf, type CardFields } from './cardFields'

const fresh = fieldsOf(undefined, '2026-03-01')
const typed = (more: Partial<CardFields>): CardFields => ({
  ...fresh,
  name: 'Ring gauge, old',
  resolution: '0,002',
  repeatability: '0.0015',
  biasU: '0.0015',
  ...more,
})
const read = (more: Partial<CardFields>, takenIds: readonly string[] = []) =>
  cardFrom(typed(more), { from: undefined, takenIds, measures: 'length' })

describe('a gauge card as it is typed', () => {
  it('is kept in canonical units, whatever the gauge reads in', () => {
    expect(read({ unit: 'thou', resolution: '1', repeatability: '.2', bias: '-.1', scale: '0.05', checkEveryDays: '180' })).toEqual({
      ok: true,
      meant: {
        id: 'ring-gauge-old.1',
        gauge: 'ring-gauge-old',
        name: 'Ring gauge, old',
        measures: 'length',
        use: 'dial',
        unit: 'thou',
        resolution: expect.closeTo(0.0254, 9),
        repeatability: expect.closeTo(0.00508, 9),
        bias: expect.closeTo(-0.00254, 9),
        biasU: expect.closeTo(0.0000381, 9),
        repeatabilityDof: 19,
        scaleU: 0.0005,
        checkedOn: '2026-03-01',
        checkEveryDays: 180,
        since: expect.stringMatching(/^\d{4}-.*Z$/),
      },
    })
  })

  it('takes a number of its own beside cards of that name', () => {
    expect(read({}, ['ring-gauge-old.1', 'ring-gauge-old.2'])).toMatchObject({ meant: { id: 'ring-gauge-old.3', gauge: 'ring-gauge-old' } })
    expect(read({ checkedOn: ' ', checkEveryDays: ' ' })).not.toHaveProperty('meant.checkedOn')
  })

  it.each([
    [{ name: ' ' }, { name: 'A name, as it is written on the gauge.' }],
    [{ resolution: '0' }, { resolution: 'is more than nothing' }],
    [{ resolution: '' }, { resolution: 'wants a number' }],
    [{ repeatability: '-0.001' }, { repeatability: 'is never negative' }],
    [{ repeatabilityDof: '1' }, { repeatabilityDof: 'is two readings at the least' }],
    [{ bias: 'much' }, { bias: 'wants a number' }],
    [{ biasU: '-1' }, { biasU: 'is never negative' }],
    [{ checkedOn: '2026-02-30' }, { checkedOn: 'is a day as 2026-03-01, or empty' }],
    [{ checkEveryDays: '0.5' }, { checkEveryDays: 'is a whole number of days, or empty' }],
    [
      { name: '', scale: 'x', biasU: '' },
      { name: 'A name, as it is written on the gauge.', scale: 'wants a number', biasU: 'wants a number' },
    ],
  ])('%o is refused, each field by name', (more, wrong) => expect(read(more)).toEqual({ ok: false, wrong }))

  it('keeps a repeatability of nothing and a bias below it: a feeler has the one, a worn screw the other', () => {
    expect(read({ repeatability: '0', bias: '-0.002' })).toMatchObject({ meant: { repeatability: 0, bias: -0.002 } })
  })
})
