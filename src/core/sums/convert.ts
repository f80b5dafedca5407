import { linear, type Figure } from '../metrology'
import { findUnit, UNITS, unitsOfKind } from '../units'
import type { QuickSum, SumResult } from '../bench/quickSum'

const ANY = { metric: 'mm', inch: 'in' } as const

export const convert: QuickSum = {
  id: 'convert',
  title: 'Convert',
  question: 'What is this in the other units?',
  inputs: {
    value: { label: 'Value', kind: 'any', units: ANY, required: true, signed: true, example: '0.0021 in' },
    to: { label: 'To (all when left out)', kind: 'unitName', units: ANY, required: false, example: 'mm' },
  },
  evaluate({ figures, units, names }) {
    const { value } = figures
    if (!value) throw new Error('convert: a required input was not checked')
    const from = units.value!
    const { kind } = UNITS[from]
    const to = names.to === undefined ? undefined : findUnit(names.to, kind)
    if (names.to !== undefined && (to === undefined || UNITS[to].kind !== kind)) {
      return { ok: false, issues: [{ code: 'unknownUnit', path: ['to'], typed: names.to }] }
    }
    const wanted = to ? [to] : unitsOfKind(kind)
    return {
      ok: true,
      results: wanted.map((unit): SumResult => ({
        id: unit,
        label: UNITS[unit].symbol || 'plain number',
        kind,
        unit,
        figure: converted(value, unit),
      })),
    }

    function converted(figure: Figure, unit: (typeof wanted)[number]): Figure {
      const text = {
        id: `to_${unit}`,
        title: `In ${UNITS[unit].symbol}`,
        kind,
        expression: 'value × factor',
        source: 'NIST SP 811, appendix B; ISO 80000',
      } as const
      return {
        value: linear([[1, figure.value]]),
        origin: { from: 'sum', sum: { formula: text, terms: [{ name: 'value', label: 'Value', kind, figure, effectU: 0 }] } },
      }
    }
  },
}
