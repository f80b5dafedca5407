import { exactly, expand, judge, judgeInterval, linear, resultOf, type Figure, type Uncertain } from '../metrology'
import { UNITS } from '../quantity'
import { impossible, type QuickSum } from './sum'

const ANY = { metric: 'mm', inch: 'in' } as const

export const conformity: QuickSum = {
  id: 'conformity',
  title: 'Within limits?',
  question: 'Is this value, with its doubt, inside its limits?',
  inputs: {
    value: { label: 'Value found', kind: 'any', units: ANY, required: false, signed: true, example: '0.0021 in' },
    u: { label: 'Standard uncertainty u', kind: 'any', units: ANY, required: false, example: '0.00015 in' },
    goes: { label: 'Or: the leaf that goes', kind: 'any', units: ANY, required: false, example: '0.017 in' },
    doesNotGo: { label: 'and the leaf that does not', kind: 'any', units: ANY, required: false, example: '0.018 in' },
    lower: { label: 'Lower limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0020 in' },
    upper: { label: 'Upper limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0028 in' },
    rule: { label: 'Rule: strict or probable', kind: 'unitName', units: ANY, required: false, example: 'strict' },
  },
  evaluate({ figures, units, names }) {
    const { u, lower, upper, goes, doesNotGo } = figures
    const interval = goes && doesNotGo
    const value = interval
      ? {
          value: linear([
            [0.5, goes.value],
            [0.5, doesNotGo.value],
          ]),
          origin: goes.origin,
        }
      : figures.value
    if (!value) return impossible('needs a value found, or the leaf that goes and the one that does not', 'value')
    if (interval && figures.value) return impossible('either a value or a pair of leaves, not both', 'value')
    if (interval && doesNotGo.value.value <= goes.value.value)
      return impossible('the leaf that does not go is the thicker one', 'doesNotGo')
    if (!lower && !upper) return impossible('needs a lower or an upper limit', 'lower')
    if (lower && upper && lower.value.value > upper.value.value) return impossible('the lower limit is above the upper', 'lower')
    const rule = names.rule ?? 'strict'
    if (rule !== 'strict' && rule !== 'probable') return impossible('the rule is "strict" or "probable"', 'rule')
    const unit = units[interval ? 'goes' : 'value']!
    const { kind } = UNITS[unit]
    const stranger = ['u', 'lower', 'upper', 'doesNotGo'].find((name) => units[name] && UNITS[units[name]].kind !== kind)
    if (stranger) return impossible(`is not a ${kind} as the value is`, stranger)
    if (u && u.value.value < 0) return impossible('a standard uncertainty is not negative', 'u')
    const measured = withU(value, u)
    const bounds = { lower: lower?.value.value, upper: upper?.value.value }
    const judged = interval
      ? judgeInterval(goes.value.value, doesNotGo.value.value, bounds, rule, u?.value.value)
      : judge(measured, bounds, rule)
    const expression = interval
      ? 'the interval between the leaves against the limits'
      : `value ± ${expand(measured).k.toFixed(2)}·u against the limits`
    const text = { id: 'conformity', title: 'Value against limits', kind, expression, source: 'ISO 14253-1; JCGM 106:2012' } as const
    const probabilityText = {
      id: 'probability',
      title: 'Probability of conformity',
      kind: 'ratio',
      expression: 'P(lower ≤ true value ≤ upper)',
      source: 'JCGM 106:2012, 7.2',
    } as const
    const own: Figure = { value: measured, origin: value.origin }
    const terms = interval
      ? [
          { label: 'Goes', weight: 0.5, figure: goes },
          { label: 'Does not go', weight: 0.5, figure: doesNotGo },
        ]
      : [{ label: 'Value found', weight: 1, figure: own }]
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
  },
}

/** The value with the given u added to any ± it was typed with. */
function withU(value: Figure, u: Figure | undefined): Uncertain {
  if (!u || u.value.value === 0) return value.value
  return {
    value: value.value.value,
    components: [...value.value.components, { source: 'typed:u', owner: 'typed:u', u: u.value.value, dof: Infinity }],
  }
}
