import { describe, expect, it } from 'vitest'
import type { LimitId } from '@/core/bench/bench'
import { knobsOf, limitsOf } from '@/core/whatIf'
import { soundBuild } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { understood, usualSearch, type AskedSearch } from './askedSearch'

/** What is typed where a search is asked for, and the question it comes to. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const [ternKnobs, petrelKnobs] = [knobsOf(tern), knobsOf(petrel)]
const usual = usualSearch(tern, ternKnobs, 'metric')
const questionOf = (asked: AskedSearch) => understood(tern, ternKnobs, asked, 'metric')
const withRange = (id: string, from: string, to: string, by: string): AskedSearch => ({
  ...usual,
  picked: new Set([id]),
  ranges: { ...usual.ranges, [id]: { from, to, by } },
})
const valuesOf = (asked: AskedSearch) => questionOf(asked).question.knobs[0]!.values

describe('a search as it stands before anything is typed', () => {
  it('takes every gasket there is and a dozen steps of each cut, from today on, towards the ratio that is aimed at', () => {
    const { question, unread } = questionOf(usual)
    expect([...unread]).toEqual([])
    expect(question.knobs.map(({ id }) => id)).toEqual(['gasket', 'deckCut', 'headCut'])
    expect(question.knobs[0]!.values).toEqual([1, 1.1, 1.25, 1.4])
    expect(question.knobs[1]!.values).toEqual([0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.55])
    expect(question.goals).toEqual([
      { figure: 'compression.compressionRatio', aim: 'near', value: 9 },
      { figure: 'clearance.intake', aim: 'most' },
    ])
    // The limits of the engine themselves, not as they are printed.
    expect(question.limits).toEqual({})
  })

  it('goes to both sides of today where a knob turns both ways', () => {
    const values = questionOf({ ...usual, picked: new Set(['advance.intake']) }).question.knobs[0]!.values
    expect(values).toEqual([-6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5])
  })

  it('of an engine in inches is typed in its units, and means what it says', () => {
    const asked = usualSearch(petrel, petrelKnobs, 'inch')
    expect(asked.ranges.deckCut).toEqual({ from: '0', to: '22', by: '2' })
    const { question } = understood(petrel, petrelKnobs, { ...asked, picked: new Set(['deckCut']) }, 'inch')
    expectNear(question.knobs[0]!.values[1]!, 2 * 0.0254, 1e-9)
    expectNear(question.knobs[0]!.values.at(-1)!, 22 * 0.0254, 1e-9)
  })
})

describe('what is typed', () => {
  it('is a range of its own, today in it where it lies on a step', () => {
    expect(valuesOf(withRange('deckCut', '0.05', '0.2', '0.05'))).toEqual([0.05, 0.1, 0.15, 0.2])
    expect(valuesOf(withRange('intakeLash', '0.15', '0.25', '0.05'))).toEqual([0.15, 0.2, 0.25])
    expect(valuesOf(withRange('redline', '8000', '8400', '100'))).toEqual([8000, 8100, 8200, 8300, 8400])
    // What was read is printed shorter than it is: the step beside it is today itself.
    const { today } = ternKnobs.find(({ knob }) => knob.id === 'lobeLift.intake')!
    const printed = today.toFixed(1)
    expect(valuesOf(withRange('lobeLift.intake', printed, String(Number(printed) + 1), '1'))[0]).toBe(
      Math.abs(today - Number(printed)) < 0.05 ? today : Number(printed),
    )
  })

  it('of degrees Celsius and Fahrenheit: a step is a difference, no temperature', () => {
    const asked = usualSearch(petrel, petrelKnobs, 'inch')
    const range = { from: '80', to: '98', by: '9' }
    const { question } = understood(
      petrel,
      petrelKnobs,
      { ...asked, picked: new Set(['intakeTemperature']), ranges: { ...asked.ranges, intakeTemperature: range } },
      'inch',
    )
    const values = question.knobs[0]!.values
    expect(values).toHaveLength(3)
    expectNear(values[1]! - values[0]!, 5, 1e-9)
  })

  it.each([
    ['x', '0.2', '0.05'],
    ['0', '', '0.05'],
    ['0', '0.2', '0'],
    ['0', '0.2', '-0.05'],
    ['0.2', '0', '0.05'],
    ['0', '0.5', '0.001'],
  ])('that is no range is named, and searches nothing: %s to %s by %s', (from, to, by) => {
    const { question, unread } = questionOf(withRange('deckCut', from, to, by))
    expect([...unread]).toEqual(['deckCut'])
    expect(question.knobs[0]!.values).toEqual([0])
  })

  it('is a bound in place of the limit, or none; a pair upside down is named', () => {
    const bounded = (least: string, most: string) =>
      questionOf({ ...usual, bounds: { ...usual.bounds, 'compression.compressionRatio': { least, most } } })
    expect(bounded('8.8', '').question.limits).toEqual({ 'compression.compressionRatio': { lower: 8.8 } })
    expect(bounded('', '').question.limits).toEqual({ 'compression.compressionRatio': {} })
    expect([...bounded('9', '8').unread]).toEqual(['compression.compressionRatio'])
    expect([...bounded('9x', '').unread]).toEqual(['compression.compressionRatio'])
    expect(usual.bounds['compression.compressionRatio']).toEqual({ least: '8.90', most: '9.10' })
    expect(limitsOf(tern)['compression.compressionRatio']).toMatchObject({ lower: 8.9, upper: 9.1 })
  })

  it('wants as many things as are ticked, and a ratio only where one is typed', () => {
    const goals = (wanted: string, ...wishes: LimitId[]) => questionOf({ ...usual, wanted, wishes: new Set(wishes) })
    expect(goals('', 'compression.quench', 'compression.ratioSpread').question.goals).toEqual([
      { figure: 'compression.ratioSpread', aim: 'least' },
      { figure: 'compression.quench', aim: 'least' },
    ])
    expect(goals('9.2').question.goals).toEqual([{ figure: 'compression.compressionRatio', aim: 'near', value: 9.2 }])
    expect([...goals('nine').unread]).toEqual(['wanted'])
  })
})
