import { describe, expect, it } from 'vitest'
import { computeSum } from '.'
import { mix, partsOfMix } from './mix'

const results = (typed: Record<string, string>) => {
  const outcome = computeSum(mix, typed)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return Object.fromEntries(outcome.results.map(({ label, figure }) => [label, figure.value.value]))
}

describe('a mix by parts, scaled to a bottle', () => {
  it('says how much of each in pouring order, and up to which line', () => {
    // Four and one of 500 cm³ filled to nine tenths: 450 in five parts of 90.
    const mixed = results({ bottle: '500', parts: '4 engine oil; 1 moly paste' })
    expect(mixed['engine oil']).toBeCloseTo(360, 9)
    expect(mixed['moly paste']).toBeCloseTo(90, 9)
    expect(mixed['filled to, with moly paste']).toBeCloseTo(450, 9)
    expect(Object.keys(mixed)).toEqual(['engine oil', 'moly paste', 'filled to, with moly paste'])
  })

  it('fills no more than the bottle, whatever the parts', () => {
    const mixed = results({ bottle: '16 in3', parts: '2,5 parts of oil, 1 part paste, 0.5 additive', share: '1' })
    expect(mixed.oil! + mixed.paste! + mixed.additive!).toBeCloseTo(16 * 16.387064, 6)
    expect(mixed['filled to, with additive']).toBeCloseTo(16 * 16.387064, 6)
  })

  it('is not guessed from what cannot be read', () => {
    expect(partsOfMix('oil and paste')).toBeUndefined()
    expect(partsOfMix('0 oil, 1 paste')).toBeUndefined()
    expect(partsOfMix('2 oil,')).toBeUndefined()
    expect(computeSum(mix, { bottle: '500', parts: 'oil' })).toMatchObject({ ok: false, issues: [{ path: ['parts'] }] })
    expect(computeSum(mix, { bottle: '500', parts: '1 oil', share: '1.1' })).toMatchObject({ ok: false, issues: [{ path: ['share'] }] })
  })
})
