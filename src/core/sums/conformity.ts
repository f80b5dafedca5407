import {
  exactly,
  expand,
  judge,
  judgeInterval,
  linear,
  resultOf,
  type Conformity,
  type DecisionRule,
  type Figure,
  type Uncertain,
} from '../metrology'
import { UNITS, type UnitId } from '../units'
import { impossible, type Given, type QuickSum, type SumOutcome } from '../bench/quickSum'

const ANY = { metric: 'mm', inch: 'in' } as const

export const conformity: QuickSum = {
  id: 'conformity',
  title: 'Within limits?',
  question: 'Is this value, with its uncertainty, inside its limits?',
  inputs: {
    value: { label: 'Value found', kind: 'any', units: ANY, required: false, signed: true, example: '0.0021 in' },
    u: { label: 'Standard uncertainty u', kind: 'any', units: ANY, required: false, isDifference: true, example: '0.00015 in' },
    goes: { label: 'Or: the leaf that goes', kind: 'any', units: ANY, required: false, example: '0.017 in' },
    doesNotGo: { label: 'and the leaf that does not', kind: 'any', units: ANY, required: false, example: '0.018 in' },
    lower: { label: 'Lower limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0020 in' },
    upper: { label: 'Upper limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0028 in' },
    rule: { label: 'Rule: strict or probable', kind: 'unitName', units: ANY, required: false, example: 'strict' },
  },
  evaluate(given) {
    const wrong = contradiction(given)
    if (wrong) return wrong
    const { u, lower, upper, goes, doesNotGo, value } = given.figures
    const rule = (given.names.rule ?? 'strict') as DecisionRule
    const bounds = { lower: lower?.value.value, upper: upper?.value.value }
    if (goes && doesNotGo) {
      const middle = linear([
        [0.5, goes.value],
        [0.5, doesNotGo.value],
      ])
      const own: Figure = { value: withU(middle, u), origin: goes.origin }
      const judged = judgeInterval(goes.value.value, doesNotGo.value.value, bounds, rule, u?.value.value)
      return outcomeOf(judged, own, given.units.goes!, 'the interval between the leaves against the limits', [
        { label: 'Goes', weight: 0.5, figure: goes },
        { label: 'Does not go', weight: 0.5, figure: doesNotGo },
      ])
    }
    const own: Figure = { value: withU(value!.value, u), origin: value!.origin }
    const expression = `value ± ${expand(own.value).k.toFixed(2)}·u against the limits`
    return outcomeOf(judge(own.value, bounds, rule), own, given.units.value!, expression, [
      { label: 'Value found', weight: 1, figure: own },
    ])
  },
}

/** What cannot be judged as it was given; undefined where all of it fits together. */
function contradiction({ figures, units, names }: Given): SumOutcome | undefined {
  const { u, lower, upper, goes, doesNotGo, value } = figures
  const interval = goes && doesNotGo
  if (!interval && !value) return impossible('needs a value found, or the leaf that goes and the one that does not', 'value')
  if (interval && value) return impossible('either a value or a pair of leaves, not both', 'value')
  if (interval && doesNotGo.value.value <= goes.value.value) return impossible('the leaf that does not go is the thicker one', 'doesNotGo')
  if (!lower && !upper) return impossible('needs a lower or an upper limit', 'lower')
  if (lower && upper && lower.value.value > upper.value.value) return impossible('the lower limit is above the upper', 'lower')
  const rule = names.rule ?? 'strict'
  if (rule !== 'strict' && rule !== 'probable') return impossible('the rule is "strict" or "probable"', 'rule')
  const { kind } = UNITS[units[interval ? 'goes' : 'value']!]
  const stranger = ['u', 'lower', 'upper', 'doesNotGo'].find((name) => units[name] && UNITS[units[name]].kind !== kind)
  if (stranger) return impossible(`is not a ${kind} as the value is`, stranger)
  return u && u.value.value < 0 ? impossible('a standard uncertainty is not negative', 'u') : undefined
}

function outcomeOf(judged: Conformity, own: Figure, unit: UnitId, expression: string, terms: Parameters<typeof resultOf>[1]): SumOutcome {
  const { kind } = UNITS[unit]
  const text = { id: 'conformity', title: 'Value against limits', kind, expression, source: 'ISO 14253-1; JCGM 106:2012' } as const
  const probabilityText = {
    id: 'probability',
    title: 'Probability of conformity',
    kind: 'ratio',
    expression: 'P(lower ≤ true value ≤ upper)',
    source: 'JCGM 106:2012, 7.2',
  } as const
  return {
    ok: true,
    results: [
      { id: 'conformity', label: 'Verdict', kind, unit, figure: resultOf(text, terms), conformity: judged },
      {
        id: 'probability',
        label: 'Probability of conformity',
        kind: 'ratio',
        unit: 'percent',
        figure: {
          value: exactly(judged.probability),
          origin: {
            from: 'sum',
            sum: { formula: probabilityText, terms: [{ name: 'value', label: 'Value found', kind, figure: own, effectU: 0 }] },
          },
        },
      },
    ],
  }
}

/** The value with the given u added to any ± it was typed with. */
function withU(value: Uncertain, u: Figure | undefined): Uncertain {
  if (!u || u.value.value === 0) return value
  return {
    value: value.value,
    components: [...value.components, { source: { id: 'typed:u', owner: 'typed:u', dof: Infinity }, u: u.value.value }],
  }
}
