import { describe, expect, it } from 'vitest'
import { meansFrom } from './MeansForm'

const typed = { people: '2', stands: '3', from: '8', to: '17,5', days: [1, 2, 3, 4, 5], closed: '2026-12-24 to 2026-12-25' }

describe('what a shop has to work with, as typed', () => {
  it('is read, with half hours and closed days', () => {
    expect(meansFrom(typed, 'KV')).toEqual({
      ok: true,
      meant: { people: 2, stands: 3, hours: { days: [1, 2, 3, 4, 5], from: 8, to: 17.5, closed: ['2026-12-24', '2026-12-25'] } },
    })
    expect(meansFrom({ ...typed, from: '0', to: '24' }, 'KV').ok).toBe(true)
  })

  it.each([
    [{ people: '0' }, ['people']],
    [{ people: '' }, ['people']],
    [{ stands: '1.5' }, ['stands']],
    [{ from: '17.5' }, ['from']],
    [{ to: '24.1' }, ['to']],
    [{ days: [] }, ['form']],
    [{ closed: '2026-02-30' }, ['closed']],
    [{ people: 'x', closed: 'Sundays' }, ['people', 'closed']],
  ])('%o is refused at its field', (more, fields) => {
    const read = meansFrom({ ...typed, ...more }, 'KV')
    expect(read.ok ? [] : Object.keys(read.wrong)).toEqual(fields)
  })

  it('wants to know who says so', () => expect(meansFrom(typed, '')).toMatchObject({ ok: false, wrong: { form: expect.any(String) } }))
})
