import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build } from '@/core/document'
import { readingOf, ternDocument, withReading, withSpecOf, without } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { compare, hasMoved, isOut } from './compare'
import { evaluate } from './evaluate'

const tern = openBuild(ternDocument)
const before = evaluate(tern)
const moved = (after: Build) => compare(before, evaluate(after))
const named = (after: Build) => moved(after).map((one) => (one.after ?? one.before)!.id)
const shift = (station: string, by: number): Build => {
  const { characteristic, place, value, gauge, unit, upper } = readingOf(tern, station)
  return withReading(tern, characteristic, place, value + by, gauge, { unit, ...(upper !== undefined && { upper: upper + by }) })
}

describe('comparing two evaluations of an engine', () => {
  it('an engine with itself, opened twice: nothing moved', () => {
    expect(moved(tern)).toEqual([])
    expect(moved(openBuild(ternDocument))).toEqual([])
  })

  it('one deck reading moves its cylinder and what is compared across them, at two benches, and nothing else', () => {
    const deeper = shift('compression.deck/c2/front', 0.04)
    const names = named(deeper)
    // A quarter of it, since four places are averaged.
    const deck = moved(deeper).find(({ after }) => after?.id === 'compression.deckClearance.2')!
    expectNear(deck.by!, 0.01, 1e-9)
    expect(names).toEqual(
      expect.arrayContaining([
        'compression.compressionRatio.2',
        'compression.quench.2',
        'compression.deckClearance.2',
        'rods.stackApart.2',
      ]),
    )
    expect(names.filter((name) => /\.[1345]$/.test(name))).toEqual([])
    expect(names.filter((name) => /^(bores|bearings|rings)\./.test(name))).toEqual([])
  })

  it('says which verdicts became others: a limit moved, no value with it', () => {
    const wide = withSpecOf(tern, (spec) => ({
      ...spec,
      limits: { ...spec.limits, 'compression.deckClearance': { lower: -1, upper: 1, source: 'test', reason: '' } },
    }))
    const all = moved(wide)
    expect(
      all.map(({ before: was, after, by, verdictChanged }) => [
        was!.id,
        was!.conformity!.verdict,
        after!.conformity!.verdict,
        by,
        verdictChanged,
      ]),
    ).toEqual([['compression.deckClearance.3', 'over', 'within', 0, true]])
  })

  it('names what is not known any more, and what is asked for no more, last', () => {
    const unread = moved(without(tern, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 4))
    const gone = unread.find(({ after }) => after?.id === 'bores.clearance.4')!
    expect([gone.by, gone.after!.figure, gone.verdictChanged]).toEqual([undefined, undefined, true])
    const cold = moved(withSpecOf(tern, (spec) => ({ ...spec, paper: { ...spec.paper, bearingTemperature: undefined } })))
    expect(cold.map(({ before: was, after }) => [was?.output, after])).toEqual(
      Array.from({ length: 6 }, () => ['bearings.mainWarm', undefined]),
    )
  })

  it('there and back is nothing, whatever is changed', () => {
    const stations = [...tern.readings.current.keys()].filter((station) => readingOf(tern, station).upper === undefined)
    fc.assert(
      fc.property(fc.constantFrom(...stations), fc.double({ min: 0.001, max: 0.2, noNaN: true }), (station, by) => {
        const there = shift(station, by)
        const { characteristic, place, value, gauge, unit } = readingOf(tern, station)
        const back = withReading(there, characteristic, place, value, gauge, { unit })
        const forth = compare(before, evaluate(there))
        const reverse = compare(evaluate(there), evaluate(back))
        expect(new Set(reverse.map(({ after }) => after!.id))).toEqual(new Set(forth.map(({ after }) => after!.id)))
        for (const { after, by: moves } of reverse) {
          const first = forth.find((one) => one.after!.id === after!.id)!
          if (moves !== undefined && first.by !== undefined) expectNear(moves, -first.by, 1e-9 * Math.max(1, Math.abs(moves)))
        }
      }),
      { numRuns: 25, seed: 8 },
    )
  })
})

describe('a finding that has moved', () => {
  const finding = (value: number | undefined, verdict?: string) =>
    ({ figure: value === undefined ? undefined : { value: { value, components: [] } }, conformity: verdict && { verdict } }) as never
  it.each([
    ['the same', finding(1), finding(1), false],
    ['the same sum in another order', finding(0.1 + 0.2), finding(0.3), false],
    ['a billionth and a half of itself', finding(1), finding(1 + 1.5e-9), true],
    ['nothing and nothing', finding(0), finding(0), false],
    ['from nothing', finding(0), finding(1e-15), true],
    ['not known before or after', finding(undefined), finding(undefined), false],
    ['known now', finding(undefined), finding(1), true],
    ['not known any more', finding(1), finding(undefined), true],
    ['another verdict', finding(1, 'within'), finding(1, 'inDoubt'), true],
    ['new', undefined, finding(1), true],
    ['new, and not known', undefined, finding(undefined), false],
  ])('%s', (_, was, is, wanted) => expect(hasMoved(was, is)).toBe(wanted))

  it.each([
    ['over', true],
    ['under', true],
    ['within', false],
    ['inDoubt', false],
  ])('%s is out: %s', (verdict, out) => expect(isOut(finding(1, verdict))).toBe(out))
  it('what is not judged is not out', () => expect(isOut(undefined)).toBe(false))
})
