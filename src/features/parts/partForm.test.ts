import { describe, expect, it } from 'vitest'
import { NO_PART, numberFrom, ratingsOf, saidFrom, typedFrom, type TypedPart } from './partForm'

const typed = (more: Partial<TypedPart>): TypedPart => ({ ...NO_PART, name: 'Springs', what: 'springs', ...more })

describe('what is typed of a part', () => {
  it('is said as it is understood, what was left empty is not said', () => {
    expect(saidFrom(typed({ count: '20', price: '140,50', rpm: '8200', liftMm: '' }), 'metric')).toEqual({
      ok: true,
      meant: { what: 'springs', name: 'Springs', count: 20, owner: 'shop', price: 140.5, rated: { rpm: 8200 } },
    })
    expect(saidFrom(typed({ replaces: ' old ones ', onWordOf: 'KV', needs: 'heads.on' }), 'metric')).toMatchObject({
      meant: { replaces: 'old ones', onWordOf: 'KV', needs: ['heads.on'] },
    })
  })

  it.each([
    ['no name', { name: '  ' }, { name: 'A part wants a name.' }],
    ['a count that is none', { count: '1.5' }, { count: 'A whole number, 1 to 999.' }],
    ['a thousand of them', { count: '1000' }, { count: 'A whole number, 1 to 999.' }],
    ['a price in words', { price: 'dear' }, { price: 'A plain figure, 140 or 140.50.' }],
    ['a price below nothing', { price: '-1' }, { price: 'A plain figure, 140 or 140.50.' }],
    ['a spring that stands no revolutions', { rpm: '0', name: '' }, { rpm: 'A figure above nothing.', name: 'A part wants a name.' }],
  ])('%s is refused and named', (_, more, wrong) => {
    expect(saidFrom(typed(more), 'metric')).toEqual({ ok: false, wrong })
  })

  it('is in the units of the shop', () => {
    const said = saidFrom(typed({ liftMm: '0.55' }), 'inch')
    expect(said).toMatchObject({ meant: { rated: { liftMm: expect.closeTo(13.97, 9) } } })
    expect(typedFrom({ ...typed({}), rated: { liftMm: 13.97 }, count: 1 } as never, 'inch').liftMm).toBe('0.55')
  })

  it('takes only what its kind is rated for', () => {
    expect(ratingsOf('springs')).toEqual(['rpm', 'liftMm'])
    expect(ratingsOf('gasket')).toEqual([])
    expect(saidFrom(typed({ what: 'gasket', rpm: 'x' }), 'metric')).toMatchObject({ ok: true })
    expect([numberFrom(''), numberFrom('1.5'), numberFrom('1e3')]).toEqual([null, 1.5, undefined])
  })
})
