import { exactly, expand, judge, resultOf, type Figure, type Uncertain } from '../metrology'
import { UNITS } from '../quantity'
import { impossible, type QuickSum } from './sum'

const ANY = { metric: 'mm', inch: 'in' } as const

export const conformity: QuickSum = {
  id: 'conformity',
  title: 'Within limits?',
  question: 'Is this value, with its doubt, inside its limits?',
  inputs: {
    value: { label: 'Value found', kind: 'any', units: ANY, required: true, signed: true, example: '0.0021 in' },
    u: { label: 'Standard uncertainty u', kind: 'any', units: ANY, required: false, example: '0.00015 in' },
    lower: { label: 'Lower limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0020 in' },
    upper: { label: 'Upper limit', kind: 'any', units: ANY, required: false, signed: true, example: '0.0028 in' },
    rule: { label: 'Rule: strict or probable', kind: 'unitName', units: ANY, required: false, example: 'strict' },
  },
  evaluate({ figures, units, names }) {
    const { value, u, lower, upper } = figures
    if (!value) throw new Error('conformity: a required input was not checked')
    if (!lower && !upper) return impossible('needs a lower or an upper limit', 'lower')
    if (lower && upper && lower.value.value > upper.value.value) return impossible('the lower limit is above the upper', 'lower')
    const rule = names.rule ?? 'strict'
    if (rule !== 'strict' && rule !== 'probable') return impossible('the rule is "strict" or "probable"', 'rule')
    const unit = units.value!
    const { kind } = UNITS[unit]
    const stranger = ['u', 'lower', 'upper'].find((name) => units[name] && UNITS[units[name]].kind !== kind)
    if (stranger) return impossible(`is not a ${kind} as the value is`, stranger)
    if (u && u.value.value < 0) return impossible('a standard uncertainty is not negative', 'u')
    const measured = withU(value, u)
    const judged = judge(measured, { lower: lower?.value.value, upper: upper?.value.value }, rule)
    const { k } = expand(measured)
    const text = { id: 'conformity', title: 'Value against limits', kind, expression: `value ± ${k.toFixed(2)}·u against the limits`, source: 'ISO 14253-1; JCGM 106:2012' } as const
    const probabilityText = { id: 'probability', title: 'Probability of conformity', kind: 'ratio', expression: 'P(lower ≤ true value ≤ upper)', source: 'JCGM 106:2012, 7.2' } as const
    const own: Figure = { value: measured, origin: value.origin }
    return {
      ok: true,
      results: [
        { id: 'conformity', label: 'Verdict', kind, unit, figure: resultOf(text, [{ label: 'Value found', weight: 1, figure: own }]), conformity: judged },
        {
          id: 'probability', label: 'Probability of conformity', kind: 'ratio', unit: 'percent',
          figure: { value: exactly(judged.probability), origin: { from: 'sum', sum: { formula: probabilityText, terms: [{ name: 'value', label: 'Value found', kind, figure: own, effectU: 0 }] } } },
        },
      ],
    }
  },
}

/** The value with the given u added to any ± it was typed with. */
function withU(value: Figure, u: Figure | undefined): Uncertain {
  if (!u || u.value.value === 0) return value.value
  return { value: value.value.value, components: [...value.value.components, { source: 'typed:u', owner: 'typed:u', u: u.value.value, dof: Infinity }] }
}
