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
} from './verdicts'
export { workWords } from './work'
export { PART_STATE_CHOICES } from './partState'
export { capital, small, brokenWords, remarkWords, missingWords, changeWords, costWords, stationWords } from './remarks'
export { placeWords, entryIssueWords, gaugeLineIssueWords, slipWords, fileIssueWords, rowIssueWords, sumIssueWords } from './issues'
export { DUTY_CHOICES, FUEL_CHOICES, dutyWords, fuelWords } from './duty'
