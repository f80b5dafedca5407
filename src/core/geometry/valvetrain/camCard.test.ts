import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseEntry } from '../../units'
import { CARD_NUMBERS, completeCard, disagreements, EVENT_CENTRES, valueOf, type CardNumber } from './camCard'

type Values = Partial<Record<CardNumber, number>>
const complete = (values: Values) => {
  const card = completeCard(Object.keys(values) as CardNumber[])
  return Object.fromEntries([...card.numbers].map(([name, by]) => [name, valueOf(by, values)]))
}
const contradictions = (values: Values) => disagreements(completeCard(Object.keys(values) as CardNumber[]), values)
/** The arithmetic of a card, written out (common practice). */
const cardOf = (io: number, ic: number, eo: number, ec: number): Required<Values> => {
  const [intakeDuration, exhaustDuration] = [io + 180 + ic, eo + 180 + ec]
  const [icl, ecl] = [intakeDuration / 2 - io, exhaustDuration / 2 - ec]
  const lsa = (icl + ecl) / 2
  return { io, ic, eo, ec, intakeDuration, exhaustDuration, icl, ecl, lsa, advance: lsa - icl, overlap: io + ec }
}

describe('a cam card', () => {
  it('opening 2° after and closing 39° after bottom lasts 217° about 110.5° (common practice)', () => {
    expect(complete({ io: -2, ic: 39 })).toEqual({ io: -2, ic: 39, intakeDuration: 217, icl: 110.5 })
  })

  it('follows whole from any four numbers that say it, to nothing more than they say', () => {
    const four = fc.shuffledSubarray([...CARD_NUMBERS], { minLength: 1, maxLength: 6 })
    const events = fc.tuple(...[0, 1, 2, 3].map(() => fc.integer({ min: -40, max: 80 })))
    fc.assert(
      fc.property(four, events, (names, [io, ic, eo, ec]) => {
        const whole = cardOf(io!, ic!, eo!, ec!)
        const given = Object.fromEntries(names.map((name) => [name, whole[name]]))
        for (const [name, value] of Object.entries(complete(given))) expect(value).toBeCloseTo(whole[name as CardNumber], 9)
        expect(contradictions(given)).toEqual([])
      }),
      { numRuns: 400, seed: 1 },
    )
    expect(Object.keys(complete({ intakeDuration: 222, exhaustDuration: 225, icl: 109.5, lsa: 109.75 }))).toHaveLength(CARD_NUMBERS.length)
    // A separation alone says nothing of either side.
    expect(complete({ lsa: 110 })).toEqual({ lsa: 110 })
    expect(complete({ lsa: 110, advance: 2 })).toEqual({ icl: 108, ecl: 112, lsa: 110, advance: 2 })
  })

  it('names numbers that contradict those before them, with both figures', () => {
    expect(contradictions({ io: -3, ic: 44, icl: 110.5 })).toEqual([{ number: 'icl', stated: 110.5, computed: 113.5 }])
    expect(contradictions({ io: -3, ic: 44, intakeDuration: 223, icl: 113.5 })).toEqual([
      { number: 'intakeDuration', stated: 223, computed: 221 },
    ])
    expect(contradictions({ icl: 106, ecl: 112, lsa: 110, advance: 3 })).toEqual([{ number: 'lsa', stated: 110, computed: 109 }])
    // To the half degree it is written in.
    expect(contradictions({ io: -3, ic: 44, icl: 113.25 })).toEqual([])
    expect(contradictions({ io: -3, ic: 44, icl: 113.2 })).toHaveLength(1)
  })
})

describe('an event as it is spoken', () => {
  const read = (name: keyof typeof EVENT_CENTRES, text: string) =>
    parseEntry(text, { kind: 'angle', unit: 'deg', signed: true, event: EVENT_CENTRES[name] })

  it.each([
    ['io', '3 atdc', -3],
    ['io', '-2 btdc', -2],
    ['io', '12', 12],
    ['io', '12 btdc', 12],
    ['ic', '44 abdc', 44],
    ['ic', '+39', 39],
    ['ic', '4.5 bbdc', -4.5],
    ['eo', '48 BBDC', 48],
    ['eo', '3 abdc', -3],
    ['ec', '4 btdc', -4],
    ['ec', '-4 ATDC', -4],
    ['ec', '7,5°', 7.5],
  ] as const)('%s %s is %f', (event, text, degrees) => {
    expect(read(event, text)).toMatchObject({ ok: true, value: degrees })
  })

  it.each([
    ['io', '44 abdc', { code: 'otherCentre', text: 'abdc', wanted: 'tdc' }],
    ['ic', '3 atdc', { code: 'otherCentre', text: 'atdc', wanted: 'bdc' }],
    ['eo', '4 atdc', { code: 'otherCentre', text: 'atdc', wanted: 'bdc' }],
    ['io', 'two', { code: 'notANumber', text: 'two', at: 0 }],
  ] as const)('%s “%s” is no such event', (event, text, issue) => {
    expect(read(event, text)).toEqual({ ok: false, issue })
  })
})

describe('a wheel that is read a turn further', () => {
  it.each([
    ['238', 222, 238],
    ['598', 222, 238],
    ['-122', 222, 238],
    ['44 abdc', 222, 224],
    ['48 bbdc', -228, -228],
    ['3 atdc', -1, 3],
    ['358', -1, -2],
  ])('“%s” about %f° is %f', (text, about, degrees) => {
    expect(parseEntry(text, { kind: 'angle', unit: 'deg', signed: true, turnsAboutDeg: about })).toMatchObject({ ok: true, value: degrees })
  })
})
