/** A quick sum from a terminal. */
import type { Command } from 'commander'
import { expand, standardUncertainty } from '@/core/metrology'
import type { UnitSystem } from '@/core/document'
import { CANONICAL_UNIT, UNITS } from '@/core/units'
import { computeSum, sumById, SUMS, type SumOutcome, type SumResult } from '@/core/sums'
import { figureOfKindWords, STANDING_WORDS } from '@/wording'
import { sumIssueWords, sumRemarkWords } from '@/wording/sums'
import { sumOf } from './derivation'
import { BadInput, readText, type Terminal } from './terminal'
import { unitName } from './units'

type Sum = (typeof SUMS)[number]
type Computed = Extract<SumOutcome, { ok: true }>

export function addSumCommand(program: Command, terminal: Terminal): void {
  program
    .command('sum')
    .argument('[name]')
    .argument('[inputs...]', 'key=value, any unit, ± allowed')
    .option('--json', 'results, terms and units as JSON')
    .option('--inch', 'bare numbers are in inch units')
    .description('a quick sum; without a name, the list of them')
    .action((name: string | undefined, inputs: string[], options: { json?: boolean; inch?: boolean }) => {
      if (name === undefined) return terminal.out(SUMS.map(listed).join('\n'))
      const sum = sumById(name)
      if (!sum) throw new BadInput(`${name}: no such sum; known are ${SUMS.map((one) => one.id).join(', ')}`)
      const system = options.inch ? 'inch' : 'metric'
      const outcome = computeSum(sum, typedInputs(sum, inputs, terminal), system)
      if (!outcome.ok)
        throw new BadInput(outcome.issues.map((issue) => `${issue.path.join('.') || name}: ${sumIssueWords(issue, system)}`).join('\n'))
      terminal.out(
        options.json
          ? JSON.stringify(outcomeJson(name, outcome), null, 2)
          : [...outcome.results.map((result) => resultLine(result, system)), ...sumRemarkWords(outcome.remarks)].join('\n'),
      )
    })
}

/** A sum in the list of them: its name, what it answers, what it asks for. */
function listed({ id, question, inputs }: Sum): string {
  const asked = Object.entries(inputs).map(([key, { required }]) => (required ? key : `[${key}]`))
  return `${id.padEnd(14)} ${question}\n${' '.repeat(15)}${asked.join(' ')}`
}

/** `key=value`, as it was typed; a table is the file it names. */
function typedInputs(sum: Sum, inputs: readonly string[], terminal: Terminal): Record<string, string> {
  return Object.fromEntries(
    inputs.map((input) => {
      const at = input.indexOf('=')
      if (at < 1) throw new BadInput(`${input}: write key=value`)
      const [key, value] = [input.slice(0, at), input.slice(at + 1)]
      return [key, sum.inputs[key]?.kind === 'table' ? readText(terminal, value) : value]
    }),
  )
}

function outcomeJson(name: string, { results, remarks }: Computed) {
  return {
    sum: name,
    results: results.map(resultJson),
    terms: Object.fromEntries(results.map((result) => [result.id, sumOf(result.figure)])),
    ...(remarks?.disagreements && { disagreements: remarks.disagreements }),
    ...(remarks?.filed && { filed: remarks.filed.side }),
    ...(remarks?.residualsMm && { residuals: remarks.residualsMm }),
    ...(remarks?.slips && { slips: remarks.slips.map(({ row }) => row) }),
  }
}

function resultLine({ id, figure, kind, unit, estimate, conformity }: SumResult, system: UnitSystem): string {
  const verdict = conformity ? `  ${STANDING_WORDS[conformity.verdict]}` : ''
  return `${id.padEnd(18)} ${figureOfKindWords(figure, kind, system, unit)}${estimate ? '  (estimate)' : ''}${verdict}`
}

/** A result in canonical units, whatever it was typed in; a conversion keeps the unit it was asked for. */
function resultJson(result: SumResult) {
  const { value } = result.figure
  const { k, U, dof } = expand(value)
  const unit = result.unit && result.unit !== CANONICAL_UNIT[result.kind] ? result.unit : undefined
  return {
    id: result.id,
    value: value.value,
    unit: unitName(result.kind),
    ...(result.estimate && { estimate: true }),
    u: standardUncertainty(value),
    U,
    k,
    dof: Number.isFinite(dof) ? dof : null,
    ...(unit && { inUnit: { unit: UNITS[unit].symbol, value: (value.value - UNITS[unit].offset) / UNITS[unit].factor } }),
    ...(result.conformity && {
      verdict: result.conformity.verdict,
      probability: result.conformity.probability,
      excess: result.conformity.excess,
      rule: result.conformity.rule,
      gaugeCannotDecide: result.conformity.gaugeCannotDecide,
    }),
  }
}
