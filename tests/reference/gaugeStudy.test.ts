import { describe, expect, it } from 'vitest'
import {
  coverageFactor,
  gaugeStudy,
  repeatabilityOfRange,
  shareOfTolerance,
  studyVerdict,
  TRIES,
  type GaugeStudy,
  type StudyReading,
} from '@/core/metrology'
import { randomStream } from '@/core/numerics/random'
import { computeSum, sumById } from '@/core/sums'
import { expectNear } from '../support/expectNear'

/**
 * AIAG, Measurement Systems Analysis, 4th ed., 2010, chapter III-B: ten parts, three appraisers, three trials each (data and
 * results from memory).
 */
const PEOPLE: Readonly<Record<string, readonly (readonly number[])[]>> = {
  A: [
    [0.29, -0.56, 1.34, 0.47, -0.8, 0.02, 0.59, -0.31, 2.26, -1.36],
    [0.41, -0.68, 1.17, 0.5, -0.92, -0.11, 0.75, -0.2, 1.99, -1.25],
    [0.64, -0.58, 1.27, 0.64, -0.84, -0.21, 0.66, -0.17, 2.01, -1.31],
  ],
  B: [
    [0.08, -0.47, 1.19, 0.01, -0.56, -0.2, 0.47, -0.63, 1.8, -1.68],
    [0.25, -1.22, 0.94, 1.03, -1.2, 0.22, 0.55, 0.08, 2.12, -1.62],
    [0.07, -0.68, 1.34, 0.2, -1.28, 0.06, 0.83, -0.34, 2.19, -1.5],
  ],
  C: [
    [0.04, -1.38, 0.88, 0.14, -1.46, -0.29, 0.02, -0.46, 1.77, -1.49],
    [-0.11, -1.13, 1.09, 0.2, -1.07, -0.67, 0.01, -0.56, 1.45, -1.77],
    [-0.15, -0.96, 0.67, 0.11, -1.45, -0.49, 0.21, -0.49, 1.87, -2.16],
  ],
}
const example: StudyReading[] = Object.entries(PEOPLE).flatMap(([person, trials]) =>
  trials.flatMap((values) => values.map((value, part) => ({ spot: String(part + 1), person, value }))),
)

function studyOf(readings: readonly StudyReading[]): GaugeStudy {
  const result = gaugeStudy(readings)
  if (!result.ok) throw new Error(result.issue.code)
  return result.study
}

describe('the published study', () => {
  const study = studyOf(example)
  it.each([
    ['spot', 88.3619, 9],
    ['person', 3.1673, 2],
    ['interaction', 0.359, 18],
    ['repeat', 2.7589, 60],
  ] as const)('%s: sum of squares %s on %s degrees of freedom', (source, sumOfSquares, dof) => {
    const line = study.anova.find((one) => one.source === source)!
    expectNear(line.sumOfSquares, sumOfSquares, 5e-5)
    expect(line.dof).toBe(dof)
  })

  it('pools the interaction, and comes to the same standard deviations and categories', () => {
    expect(study.isPooled).toBe(true)
    expectNear(study.repeatability, 0.199933, 1e-6)
    expectNear(study.reproducibility, 0.226838, 1e-6)
    // The manual adds up rounded squares.
    expectNear(study.gaugeRr, 0.302373, 2e-6)
    expectNear(study.partVariation, 1.042327, 1e-6)
    expect(study.categories).toBe(4)
  })

  it('comes to the same from a table, whatever the order of its rows', () => {
    const csv = ['spot,person,value,unit', ...example.toReversed().map(({ spot, person, value }) => `${spot},${person},${value},mm`)].join(
      '\n',
    )
    const outcome = computeSum(sumById('gaugestudy')!, { readings: csv, lower: '-4 mm', upper: '4 mm' })
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
    const value = (id: string) => outcome.results.find((result) => result.id === id)!.figure.value.value
    expectNear(value('gaugeRr'), 0.302373, 2e-6)
    expectNear(value('shareOfTolerance'), (6 * 0.302373) / 8, 2e-6)
    expect(value('categories')).toBe(4)
  })
})

describe('laws of a study', () => {
  it('keeps an interaction that is there: a person who reads big parts big', () => {
    const random = randomStream(11)
    const readings = Array.from({ length: 10 }, (_, part) =>
      ['A', 'B'].flatMap((person) =>
        Array.from({ length: 3 }, () => ({
          spot: String(part),
          person,
          value: part * (person === 'B' ? 1.2 : 1) + 0.05 * random.normal(),
        })),
      ),
    ).flat()
    const study = studyOf(readings)
    expect(study.isPooled).toBe(false)
    expect(study.reproducibility).toBeGreaterThan(study.repeatability)
  })

  it('finds the standard deviations put in, within their own scatter', () => {
    const random = randomStream(12)
    const readings = Array.from({ length: 60 }, (_, part) => {
      const true_ = 10 * random.normal()
      return ['A', 'B'].flatMap((person) =>
        Array.from({ length: 5 }, () => ({ spot: String(part), person, value: true_ + 0.5 * random.normal() })),
      )
    }).flat()
    const study = studyOf(readings)
    expectNear(study.repeatability / 0.5, 1, 0.1)
    expectNear(study.partVariation / 10, 1, 0.25)
  })

  it('judges by share and categories; one limit counts from the mean', () => {
    const study = studyOf(example)
    expectNear(shareOfTolerance(study, { lower: study.mean - 3 })!, (3 * study.gaugeRr) / 3, 1e-9)
    expect(shareOfTolerance(study, {})).toBeUndefined()
    expect([0.05, 0.2, 0.31].map((share) => studyVerdict({ ...study, categories: 9 }, share))).toEqual(['good', 'marginal', 'notGood'])
    expect(studyVerdict(study, 0.05)).toBe('marginal')
  })

  it.each([
    ['spot,person,value\n1,A,2', /column “unit” is missing/],
    ['spot,person,value,unit\n1,A,2,mm\n1,A,2.1,mm\n2,A,3,mm\n2,A,3,mm', /at least 2 people.*there is 1/],
    ['spot,person,value,unit\n1,A,2,mm\n1,A,2.1,mm\n1,B,2,mm\n2,A,3,mm\n2,A,3,mm\n2,B,3,mm\n2,B,3,mm', /spot 1, B: 1 readings/],
    ['spot,person,value,unit\n1,A,2,furlong', /line 2: “furlong” is no unit/],
    ['spot,person,value,unit\n1,A,2,mm\n1,A,x,mm', /line 3: “x” is not a number/],
    ['spot,person,value,unit\n1,A,2,mm\n1,A,2,mm\n1,B,2,mm\n1,B,2,mm\n2,A,2,mm\n2,A,2,mm\n2,B,2,mm\n2,B,2,mm', /too coarse/],
  ])('says what is wrong with a table: %#', (readings, words) => {
    const outcome = computeSum(sumById('gaugestudy')!, { readings })
    expect(outcome.ok ? '' : (outcome.issues[0] as { reason: string }).reason).toMatch(words)
  })
})

describe('a repeatability from the range of five tries', () => {
  it('is the range over 2.326 (AIAG MSA, 4th ed., appendix C)', () => {
    expectNear(repeatabilityOfRange(0.005), 0.0021496, 1e-7)
    expect(repeatabilityOfRange(0)).toBe(0)
  })

  it('is right on average, and what is expanded with it for five readings covers 95 to 97 % of further tries', () => {
    const { normal } = randomStream(20261126)
    const runs = 20_000
    let sum = 0
    let covered = 0
    for (let run = 0; run < runs; run++) {
      const tries = Array.from({ length: TRIES }, () => 0.003 * normal())
      const s = repeatabilityOfRange(Math.max(...tries) - Math.min(...tries))
      sum += s
      if (Math.abs(0.003 * normal()) <= coverageFactor(TRIES - 1) * s) covered++
    }
    expectNear(sum / runs, 0.003, 0.00003)
    expect(covered / runs).toBeGreaterThan(0.95)
    expect(covered / runs).toBeLessThan(0.97)
  })
})
