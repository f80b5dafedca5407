import type { GaugeLineIssue } from '@/core/liveGauge'
import type { UnitSystem } from '@/core/build'
import type { FileIssue, RowIssue } from '@/core/build/files'
import { formatQuantity, joinUnit, type EntryIssue, type Slip, type UnitId } from '@/core/quantity'
import type { SumIssue } from '@/core/sums'

/** Why a typed number was not understood, and what to do. */
export function entryIssueWords(issue: EntryIssue, unit: UnitId): string {
  switch (issue.code) {
    case 'empty': return 'Nothing typed yet.'
    case 'notANumber': return `“${issue.text}” is not a number. Type as on the gauge: ${joinUnit('0.11', unit)}, 1 3/8, 43um.`
    case 'unknownUnit': return `“${issue.text}” is no unit known here.`
    case 'wrongKind': return `“${issue.text}” measures ${issue.got}; this place wants ${issue.wanted}.`
    case 'ambiguousSeparator': return `“${issue.text}” could be ${issue.readings[0]} or ${issue.readings[1]}. Type a point for the decimal, nothing for thousands.`
    case 'zeroDenominator': return 'A fraction over nothing.'
    case 'intervalOrder': return 'The leaf that goes comes first: goes/does not go, as 17/18.'
    case 'negativeDoubt': return 'The ± is a size, never negative.'
  }
}

const SLIP_WORDS: Readonly<Record<Slip['code'], string>> = {
  decimalPoint: 'decimal point?', inchForMm: 'inches read as mm?', mmForInch: 'mm read as inches?', thouForMm: 'thou read as mm?',
  sign: 'wrong sign?', dialTurn: 'dial read one turn off?', fromNominal: 'meant from nominal?',
}

export function slipWords(slip: Slip): string {
  return SLIP_WORDS[slip.code]
}

/** Where in a file: spec → limits → quench. */
export function pathWords(path: readonly (string | number)[]): string {
  return path.length === 0 ? 'file' : path.map((key) => (typeof key === 'number' ? `[${key}]` : key)).join('.').replaceAll('.[', '[')
}

export function fileIssueWords(issue: FileIssue): string {
  switch (issue.code) {
    case 'notJson': return `Not a readable build file: it breaks off or is damaged (${issue.detail}).`
    case 'notABuildFile': return 'This is not a Kalibros build file.'
    case 'newerVersion': return `Written by a newer program (version ${issue.got}; this one knows up to ${issue.known}). Update, then open it again.`
    case 'shape': return `${pathWords(issue.path)}: ${issue.detail}`
    case 'unknownGauge': return `${pathWords(issue.path)}: gauge “${issue.gauge}” is not in the file.`
    case 'unknownTarget': return `${pathWords(issue.path)}: points at entry ${issue.target}, which is not in the file.`
    case 'doubleId': return `${pathWords(issue.path)}: id ${issue.id} is used twice.`
    case 'firingOrder': return `${pathWords(issue.path)}: ${issue.detail}.`
    case 'unknownChoice': return `${pathWords(issue.path)}: “${issue.id}” is not in stock.`
  }
}

export function rowIssueWords(issue: RowIssue): string {
  switch (issue.code) {
    case 'missingColumn': return `The column “${issue.column}” is missing.`
    case 'broken': return `The row is broken: ${issue.detail}`
    case 'unknownPlace': return `This engine has no place “${issue.station}”.`
    case 'badNumber': return `“${issue.text}” in ${issue.column} is not a number.`
    case 'badUnit': return issue.text === '' ? 'No unit.' : `“${issue.text}” is not a unit for this place.`
    case 'unknownGauge': return `No gauge “${issue.text}” in the drawer.`
    case 'badTime': return `“${issue.text}” is not a date and time (2026-03-01T10:00:00Z).`
    case 'noInitials': return 'Nobody’s initials in “by”.'
    case 'badId': return `“${issue.text}” is not an id.`
    case 'absurd': return `${formatQuantity(issue.value, issue.unit, 3)} is not between ${formatQuantity(issue.low, issue.unit, 3)} and ${formatQuantity(issue.high, issue.unit, 3)}; if it is true, type it at the bench.`
  }
}

export function sumIssueWords(issue: SumIssue, system: UnitSystem = 'metric'): string {
  switch (issue.code) {
    case 'missing': return 'is needed'
    case 'unknownInput': return 'is not an input of this sum'
    case 'entry': return entryIssueWords(issue.issue, system === 'metric' ? 'mm' : 'in')
    case 'unknownUnit': return `“${issue.typed}” is no unit for this value`
    case 'impossible': return issue.reason
  }
}

/** What is wrong with a line a gauge sent. */
export function gaugeLineIssueWords(issue: GaugeLineIssue): string {
  switch (issue.code) {
    case 'fields': return `${issue.got} fields where name;value;unit;sequence;checksum are five.`
    case 'checksum': return `the checksum says ${issue.got || 'nothing'}, the line comes to ${issue.wanted}: garbled on the way.`
    case 'value': return `“${issue.text}” is no value.`
    case 'unit': return `“${issue.text}” is no unit known here.`
    case 'sequence': return `“${issue.text}” is no count of presses.`
    case 'name': return 'the gauge has no name.'
  }
}
