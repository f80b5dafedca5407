export { showFigure, figureWords, figureOfKindWords, plainWords, tabled, differenceWords, shownOf, type Shown, type ShownFigure } from './figures'
export { STANDING_WORDS, RULE_WORDS, isMarked, standingOf, subjectWords, subjectsWords, findingTitle, standsOutWords, verdictWords, verdictReason, limitWords, percent, type Standing } from './verdicts'
export { capital, small, remarkWords, missingWords, changeWords, costWords, stationWords } from './remarks'
export { entryIssueWords, gaugeLineIssueWords, slipWords, fileIssueWords, rowIssueWords, sumIssueWords } from './issues'
