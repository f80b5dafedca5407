export {
  exactly,
  standardUncertainty,
  covariance,
  linear,
  difference,
  propagate,
  effectiveDof,
  budget,
  type Component,
  type Uncertain,
  type Expanded,
} from './uncertain'
export { expand, coverageFactor } from './expanded'
export { gaugeReading, goNoGoReading, limitsU, zeroedReading, type GaugeCard } from './gaugeUncertainty'
export { selectionU, type Extreme } from './extremes'
export { judge, judgeInterval, type Bounds, type Conformity, type DecisionRule, type Verdict } from './conformity'
export {
  gaugeStudy,
  shareOfTolerance,
  studyVerdict,
  type GaugeStudy,
  type StudyIssue,
  type StudyReading,
  type StudyVerdict,
} from './gaugeStudy'
export { repeatabilityOfRange, TRIES } from './fiveTries'
export { spread } from './spread'
export { clearanceAtTwenty, lengthAtTwenty, REFERENCE_TEMP_C } from './atTwenty'
export { DRAWS_PER_BLOCK, DRAWS_PER_SLICE, monteCarlo, oneByOne, pooled, type MonteCarloModel, type MonteCarloResult } from './monteCarlo'
export {
  formula,
  paperFigure,
  statedFigure,
  assumedFigure,
  leftOut,
  resultOf,
  apart,
  asExtreme,
  type Figure,
  type Formula,
  type FormulaText,
  type Origin,
  type Sum,
  type Term,
} from './formula'
