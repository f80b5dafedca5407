export { formatGaugeLine, parseGaugeLine, type GaugeLine, type GaugeLineIssue } from './gaugeLine'
