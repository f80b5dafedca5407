import { fTail } from '../numerics/distributions'

/** One reading of a gauge study: which spot, by whom. Any one unit. */
export interface StudyReading {
  readonly spot: string
  readonly person: string
  readonly value: number
}

/** What a source of variation comes to in the analysis of variance. */
export interface VarianceLine {
  readonly source: 'spot' | 'person' | 'interaction' | 'repeat'
  readonly sumOfSquares: number
  readonly dof: number
}

export interface GaugeStudy {
  readonly spots: number
  readonly people: number
  readonly repeats: number
  readonly anova: readonly VarianceLine[]
  /** The interaction was no larger than chance makes it and went into the repeatability. */
  readonly isPooled: boolean
  /** Standard deviations, in the unit of the readings. */
  readonly repeatability: number
  readonly reproducibility: number
  readonly gaugeRr: number
  readonly partVariation: number
  /** How many groups of parts the gauge can tell apart: 1.41 · part variation ÷ gauge R&R, whole. */
  readonly categories: number
  readonly mean: number
}

export type StudyIssue =
  | { readonly code: 'tooFew'; readonly what: 'spots' | 'people' | 'repeats'; readonly got: number; readonly wanted: number }
  | { readonly code: 'notBalanced'; readonly spot: string; readonly person: string; readonly got: number; readonly wanted: number }
  | { readonly code: 'noVariation' }

/** Below this chance of being luck the interaction is kept apart (AIAG MSA, 4th ed., appendix A). */
const INTERACTION_ALPHA = 0.05

/**
 * Crossed gauge study by analysis of variance: every person reads every spot equally often. AIAG, Measurement Systems
 * Analysis, 4th ed., 2010, chapter III-B and appendix A. Negative variance estimates count as zero.
 */
export function gaugeStudy(
  readings: readonly StudyReading[],
): { readonly ok: true; readonly study: GaugeStudy } | { readonly ok: false; readonly issue: StudyIssue } {
  const spots = [...new Set(readings.map(({ spot }) => spot))]
  const people = [...new Set(readings.map(({ person }) => person))]
  const cells = spots.map((spot) =>
    people.map((person) => readings.filter((one) => one.spot === spot && one.person === person).map(({ value }) => value)),
  )
  const repeats = cells[0]?.[0]?.length ?? 0
  const issue = studyIssue(spots, people, cells, repeats)
  if (issue) return { ok: false, issue }

  const [p, o, r] = [spots.length, people.length, repeats]
  const mean = meanOf(cells.flat(2))
  const cellMeans = cells.map((row) => row.map(meanOf))
  const spotMeans = cellMeans.map(meanOf)
  const personMeans = people.map((_, index) => meanOf(cellMeans.map((row) => row[index]!)))
  const squares = (values: readonly number[], around: number) => values.reduce((sum, value) => sum + (value - around) ** 2, 0)
  const spotSs = o * r * squares(spotMeans, mean)
  const personSs = p * r * squares(personMeans, mean)
  const cellSs = r * squares(cellMeans.flat(), mean)
  const totalSs = squares(cells.flat(2), mean)
  const interactionSs = Math.max(0, cellSs - spotSs - personSs)
  const repeatSs = totalSs - cellSs
  if (totalSs === 0) return { ok: false, issue: { code: 'noVariation' } }

  const interactionDof = (p - 1) * (o - 1)
  const repeatDof = p * o * (r - 1)
  const interactionMs = interactionSs / interactionDof
  const repeatMs = repeatSs / repeatDof
  const isPooled = repeatMs > 0 && fTail(interactionMs / repeatMs, interactionDof, repeatDof) > INTERACTION_ALPHA
  const pooledMs = (interactionSs + repeatSs) / (interactionDof + repeatDof)
  const equipmentMs = isPooled ? pooledMs : repeatMs
  const besideMs = isPooled ? pooledMs : interactionMs
  const personVariance = Math.max(0, (personSs / (o - 1) - besideMs) / (p * r))
  const interactionVariance = isPooled ? 0 : Math.max(0, (interactionMs - repeatMs) / r)
  const partVariance = Math.max(0, (spotSs / (p - 1) - besideMs) / (o * r))
  const reproducibility = Math.sqrt(personVariance + interactionVariance)
  const gaugeRr = Math.hypot(Math.sqrt(equipmentMs), reproducibility)
  return {
    ok: true,
    study: {
      spots: p,
      people: o,
      repeats: r,
      isPooled,
      mean,
      reproducibility,
      gaugeRr,
      repeatability: Math.sqrt(equipmentMs),
      partVariation: Math.sqrt(partVariance),
      categories: gaugeRr === 0 ? Infinity : Math.floor((Math.SQRT2 * Math.sqrt(partVariance)) / gaugeRr),
      anova: [
        { source: 'spot', sumOfSquares: spotSs, dof: p - 1 },
        { source: 'person', sumOfSquares: personSs, dof: o - 1 },
        { source: 'interaction', sumOfSquares: interactionSs, dof: interactionDof },
        { source: 'repeat', sumOfSquares: repeatSs, dof: repeatDof },
      ],
    },
  }
}

function studyIssue(
  spots: readonly string[],
  people: readonly string[],
  cells: readonly (readonly (readonly number[])[])[],
  repeats: number,
): StudyIssue | undefined {
  for (const [what, got] of [
    ['spots', spots.length],
    ['people', people.length],
    ['repeats', repeats],
  ] as const) {
    if (got < 2) return { code: 'tooFew', what, got, wanted: 2 }
  }
  for (const [row, spot] of spots.entries())
    for (const [column, person] of people.entries()) {
      const got = cells[row]![column]!.length
      if (got !== repeats) return { code: 'notBalanced', spot, person, got, wanted: repeats }
    }
  return undefined
}

function meanOf(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Good enough for a tolerance? Below 10 % of it yes, over 30 % no (AIAG MSA, 4th ed.). */
export type StudyVerdict = 'good' | 'marginal' | 'notGood'

const LEAST_CATEGORIES = 5

/**
 * Six standard deviations of gauge R&R as a share of the tolerance; with one limit only, three of them against the distance
 * from the mean to it.
 */
export function shareOfTolerance(
  { gaugeRr, mean }: GaugeStudy,
  { lower, upper }: { readonly lower?: number; readonly upper?: number },
): number | undefined {
  if (lower !== undefined && upper !== undefined) return upper > lower ? (6 * gaugeRr) / (upper - lower) : undefined
  const bound = lower ?? upper
  return bound === undefined || bound === mean ? undefined : (3 * gaugeRr) / Math.abs(bound - mean)
}

export function studyVerdict(study: GaugeStudy, share: number): StudyVerdict {
  if (share > 0.3 || study.categories < 2) return 'notGood'
  return share < 0.1 && study.categories >= LEAST_CATEGORIES ? 'good' : 'marginal'
}
