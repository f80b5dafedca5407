export {
  showFigure,
  showFinding,
  figureWords,
  findingWords,
  figureOfKindWords,
  plainWords,
  columnWords,
  differenceWords,
  shownOf,
  type Shown,
  type ShownFigure,
} from './figures'
export {
  STANDING_WORDS,
  RULE_WORDS,
  isMarked,
  standingOf,
  columnHeading,
  shortSubjectWords,
  subjectWords,
  subjectsWords,
  findingTitle,
  standsOutWords,
  verdictWords,
  verdictReason,
  limitWords,
  movedWords,
  percent,
  type Standing,
  type StationMark,
} from './verdicts'
export { plannedWords, workWords } from './work'
export { PART_STATE_CHOICES, PART_STATE_WORDS } from './partState'
export { capital, small } from './letters'
export { brokenWords, missingWords, stationWords } from './findings'
export { benchWords, type BenchWords } from './benchWords'
export { changeWords, costWords, remarkWords } from './allBenches'
export { entryIssueWords, slipWords } from './entryIssues'
export { placeWords, gaugeLineIssueWords, fileIssueWords, rowIssueWords } from './issues'
export { DUTY_CHOICES, FUEL_CHOICES, dutyWords, fuelWords } from './duty'
export {
  DRESS_WORDS,
  dressWords,
  fastenerPlaceWords,
  HOLE_WORDS,
  leftOutWords,
  LUBE_CHOICES,
  lubeSentence,
  METHOD_CHOICES,
  oddAngleWords,
  patternIssueWords,
  planIssueWords,
  pullWords,
  RETIREMENT_WORDS,
  runCautions,
  runCountWords,
  runRefusalWords,
  sectionsWords,
  stageFigure,
  stagesIssueWords,
  stagesWords,
  stageWords,
  TOLD_APART_WORDS,
  torqueWords,
  typeWords,
  WAY_WORDS,
  wrenchUnit,
} from './joints'
