import Papa from 'papaparse'
import {
  exactly,
  gaugeStudy as studied,
  resultOf,
  shareOfTolerance,
  studyVerdict,
  type Figure,
  type FormulaText,
  type StudyIssue,
  type StudyReading,
  type StudyVerdict,
} from '../metrology'
import { findUnit, toCanonical, UNITS, type Kind, type UnitId } from '../units'
import { impossible, type QuickSum, type SumOutcome, type SumResult } from '../bench/quickSum'

const SOURCE = 'AIAG, Measurement Systems Analysis, 4th ed., 2010, chapter III-B and appendix A'
const ANY = { metric: 'mm', inch: 'in' } as const

const VERDICT_WORDS: Readonly<Record<StudyVerdict, string>> = {
  good: 'Share of the tolerance: good enough',
  marginal: 'Share of the tolerance: marginal',
  notGood: 'Share of the tolerance: not good enough',
}

export const gaugestudy: QuickSum = {
  id: 'gaugestudy',
  title: 'Gauge study',
  question: 'Is this gauge, in these hands, good enough for that tolerance?',
  inputs: {
    readings: {
      label: 'Readings: spot, person, value, unit',
      kind: 'table',
      units: ANY,
      required: true,
      example:
        'spot,person,value,unit\n1,AB,83.002,mm\n1,AB,83.004,mm\n1,KV,83.002,mm\n1,KV,83.002,mm\n' +
        '2,AB,83.010,mm\n2,AB,83.012,mm\n2,KV,83.010,mm\n2,KV,83.010,mm',
    },
    lower: { label: 'Lower limit', kind: 'any', units: ANY, required: false, signed: true, example: '82.99 mm' },
    upper: { label: 'Upper limit', kind: 'any', units: ANY, required: false, signed: true, example: '83.03 mm' },
  },
  evaluate({ figures, units, names }) {
    const table = readTable(names.readings ?? '')
    if (!table.ok) return impossible(table.reason, 'readings')
    const stranger = ['lower', 'upper'].find((name) => units[name] && UNITS[units[name]].kind !== table.kind)
    if (stranger) return impossible(`is not a ${table.kind} as the readings are`, stranger)
    const result = studied(table.readings)
    if (!result.ok) return impossible(issueWords(result.issue), 'readings')
    return outcomeOf(result.study, table, { lower: figures.lower?.value.value, upper: figures.upper?.value.value })
  },
}

type Study = Extract<ReturnType<typeof studied>, { ok: true }>['study']

/** A figure of the study with the sum it comes from; the study itself works on all readings at once. */
function figureOf(id: string, title: string, kind: Kind, expression: string, value: number): Figure {
  const text: FormulaText = { id, title, kind, expression, source: SOURCE }
  return { ...resultOf(text, []), value: exactly(value) }
}

function outcomeOf(study: Study, { kind, unit }: { kind: Kind; unit: UnitId }, bounds: { lower?: number; upper?: number }): SumOutcome {
  const ofKind = (id: string, label: string, expression: string, value: number): SumResult => ({
    id,
    label,
    kind,
    unit,
    figure: figureOf(id, label, kind, expression, value),
  })
  const meanSquare = study.isPooled ? '√ of the mean square of repeats and interaction together' : '√ of the mean square of repeats'
  return {
    ok: true,
    results: [
      ...shareResults(study, bounds),
      ofKind('gaugeRr', 'Gauge R&R, standard deviation', '√(repeatability² + reproducibility²)', study.gaugeRr),
      ofKind('repeatability', 'Repeatability', meanSquare, study.repeatability),
      ofKind('reproducibility', 'Reproducibility', '√(people + people × spots)', study.reproducibility),
      ofKind('partVariation', 'Spot to spot', '√((mean square of spots − mean square beside) ÷ readings a spot)', study.partVariation),
      ...categoryResults(study),
    ],
  }
}

function shareResults(study: Study, bounds: { lower?: number; upper?: number }): SumResult[] {
  const share = shareOfTolerance(study, bounds)
  if (share === undefined) return []
  const isTwoSided = bounds.lower !== undefined && bounds.upper !== undefined
  const expression = isTwoSided ? '6 · gauge R&R ÷ tolerance' : '3 · gauge R&R ÷ distance from the mean to the limit'
  return [
    {
      id: 'shareOfTolerance',
      label: VERDICT_WORDS[studyVerdict(study, share)],
      kind: 'ratio',
      unit: 'percent',
      figure: figureOf('shareOfTolerance', 'Share of the tolerance', 'ratio', expression, share),
    },
  ]
}

function categoryResults({ categories }: Study): SumResult[] {
  if (!Number.isFinite(categories)) return []
  const expression = '1.41 · spot to spot ÷ gauge R&R, whole'
  return [
    {
      id: 'categories',
      label: 'Groups it can tell apart (5 wanted)',
      kind: 'ratio',
      figure: figureOf('categories', 'Distinct categories', 'ratio', expression, categories),
    },
  ]
}

type Table =
  | { readonly ok: true; readonly kind: Kind; readonly unit: UnitId; readonly readings: readonly StudyReading[] }
  | { readonly ok: false; readonly reason: string }

/** Readings of one kind from CSV with the columns spot, person, value, unit; every fault names its line. */
function readTable(text: string): Table {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const absent = ['spot', 'person', 'value', 'unit'].find((column) => !meta.fields?.includes(column))
  if (absent) return { ok: false, reason: `the column “${absent}” is missing; wanted are spot, person, value, unit` }
  const readings: StudyReading[] = []
  let first: UnitId | undefined
  for (const [index, row] of data.entries()) {
    const line = index + 2
    const cell = (column: string) => (row[column] ?? '').trim()
    const unit = findUnit(cell('unit'), 'length')
    if (!unit) return { ok: false, reason: `line ${line}: “${cell('unit')}” is no unit known here` }
    first ??= unit
    if (UNITS[unit].kind !== UNITS[first].kind) return { ok: false, reason: `line ${line}: all readings are of one kind` }
    if (!/^[+-]?\d+(?:[.,]\d+)?$/.test(cell('value'))) return { ok: false, reason: `line ${line}: “${cell('value')}” is not a number` }
    if (cell('spot') === '' || cell('person') === '') return { ok: false, reason: `line ${line}: needs a spot and a person` }
    readings.push({ spot: cell('spot'), person: cell('person'), value: toCanonical(Number(cell('value').replace(',', '.')), unit) })
  }
  return first ? { ok: true, kind: UNITS[first].kind, unit: first, readings } : { ok: false, reason: 'there are no readings in it' }
}

const BETTER = { spots: '10', people: '2 or 3', repeats: '3' } as const

function issueWords(issue: StudyIssue): string {
  switch (issue.code) {
    case 'tooFew': {
      const there = `there ${issue.got === 1 ? 'is' : 'are'} ${issue.got}`
      return `a study wants at least ${issue.wanted} ${issue.what}, better ${BETTER[issue.what]}; ${there}`
    }
    case 'notBalanced': {
      const got = `${issue.got} readings where the others have ${issue.wanted}`
      return `spot ${issue.spot}, ${issue.person}: ${got}; every person reads every spot equally often`
    }
    case 'noVariation':
      return 'all readings are the same: the gauge’s step is too coarse to study'
  }
}
