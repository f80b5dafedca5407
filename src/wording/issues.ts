import type { GaugeLineIssue } from '@/core/liveGauge'
import type { FileIssue, RowIssue } from '@/core/files'
import { formatKnown, formatQuantity, joinUnit, type UnitId } from '@/core/units'
import { DEGREED_WORDS } from './layout'
import { capital, small } from './letters'

/** Where in a file: spec → limits → quench. */
export function pathWords(path: readonly (string | number)[]): string {
  return path.length === 0
    ? 'file'
    : path
        .map((key) => (typeof key === 'number' ? `[${key}]` : key))
        .join('.')
        .replaceAll('.[', '[')
}

/** Where in a build, for a person who sees no file: "layout, firing order". */
export function placeWords(path: readonly (string | number)[]): string {
  const words = path
    .filter((key) => key !== 'spec' && typeof key === 'string')
    .map((key) => String(key).replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`))
  return words.length === 0 ? 'This' : capital(words.join(', '))
}

const FLOOR_DECIMALS = 1

/** What is wrong with a file or an entry; `where` says it as a path in a file, or in words. */
export function fileIssueWords(issue: FileIssue, where: (path: readonly (string | number)[]) => string = pathWords): string {
  switch (issue.code) {
    case 'notJson':
      return `Not a readable build file: it breaks off or is damaged (${issue.detail}).`
    case 'notABuildFile':
      return 'This is not a Kalibros build file.'
    case 'newerVersion':
      return `Written by a newer program (version ${issue.got}; this one knows up to ${issue.known}). Update, then open it again.`
    case 'shape':
      return `${where(issue.path)}: ${issue.detail}.`
    case 'olderUnreadable':
      return `Written as version ${issue.version}, but parts that version always had are not in it.`
    case 'belowFloor': {
      const floor = formatQuantity(issue.floor, issue.unit, FLOOR_DECIMALS)
      return `${where(issue.path)}: below ${floor}, the least that is common practice: a reason and initials are wanted beside it.`
    }
    case 'unknownGauge':
      return `${where(issue.path)}: gauge “${issue.gauge}” is not in the drawer.`
    case 'wrongGauge':
      return `${where(issue.path)}: ${small(issue.characteristic)} is not read with “${issue.gauge}”.`
    case 'unknownTarget':
      return `${where(issue.path)}: points at entry ${issue.target}, which is not there.`
    case 'loosePull':
      return `${where(issue.path)}: a pull that belongs to no run.`
    case 'loosePart':
      return `${where(issue.path)}: of a part that nobody wanted.`
    case 'unknownName':
      return `${where(issue.path)}: “${issue.name}” is not known here.`
    case 'unknownJoint':
      return `${where(issue.path)}: joint “${issue.joint}” is not planned in this build.`
    case 'noSuchFastener':
      return `${where(issue.path)}: fastener ${issue.got} of a joint that has ${issue.most}.`
    case 'circle':
      return `${where(issue.path)}: it corrects an entry that corrects it.`
    case 'doubleId':
      return `${where(issue.path)}: id ${issue.id} is used twice.`
    case 'firingOrder':
      return `${where(issue.path)}: ${FIRING_WORDS[issue.detail](issue.cylinders)}.`
    case 'layout':
      return `${where(issue.path)}: ${LAYOUT_WORDS[issue.detail]}.`
    case 'usedTwice':
      return `${where(issue.path)}: a ${issue.part} stands in two places.`
    case 'unknownCharacteristic':
      return `${where(issue.path)}: nothing here measures “${issue.characteristic}”.`
    case 'unknownPaper':
      return `${where(issue.path)}: nothing here rests on a number “${issue.key}”.`
    case 'unknownLimit':
      return `${where(issue.path)}: nothing here is judged by a limit “${issue.id}”.`
    case 'noSuchPlace':
      return `${where(issue.path)}: this engine has no ${issue.what} ${issue.got}${issue.what === 'bank' ? '' : `, only ${issue.most}`}.`
    case 'wrongUnit':
      return `${where(issue.path)}: “${issue.unit}” is no unit of ${issue.wanted}.`
    case 'outOfRange':
      return `${where(issue.path)}: ${notBetween(issue, issue.unit)}.`
    case 'intervalOrder':
      return `${where(issue.path)}: the leaf that does not go is the thicker one.`
    case 'unknownChoice':
      return `${where(issue.path)}: “${issue.id}” is not in stock.`
  }
}

const FIRING_WORDS = {
  everyOnce: (cylinders: number) => `every cylinder from 1 to ${cylinders} fires once`,
  throws: () => 'the crank does not allow this order: with these throws it does not close in two turns',
  pins: () => 'every cylinder stands on one pin of the crank',
  oneBank: () => 'rods that share a pin are of two banks',
  oneRow: () => 'cylinders in one row have a pin each',
} as const

const LAYOUT_WORDS = {
  oddBanks: 'an engine of two banks has an even number of cylinders',
  single: 'a single has one cylinder, anything else has more',
  ...DEGREED_WORDS,
  valvesAndDrive: 'valves and what drives them go together: both, or neither',
  portsAreTwoStroke: 'an engine without valves is a two-stroke',
  twoStroke: 'a two-stroke here is a single that breathes through ports',
  rodTooShort: 'the rod is too short for this stroke: the crank would not turn',
} as const

export function notBetween({ value, low, high }: { value: number; low: number; high: number }, unit: UnitId, words = valueIn): string {
  return `${words(value, unit)} is not between ${words(low, unit)} and ${words(high, unit)}`
}

function rounded(canonical: number, unit: UnitId): string {
  return formatQuantity(canonical, unit, 3)
}

function valueIn(canonical: number, unit: UnitId): string {
  return joinUnit(Number.isFinite(canonical) ? formatKnown(canonical, unit) : 'a number without end', unit)
}

export function rowIssueWords(issue: RowIssue): string {
  switch (issue.code) {
    case 'missingColumn':
      return `The column “${issue.column}” is missing.`
    case 'broken':
      return `The row is broken: ${issue.detail}`
    case 'unknownPlace':
      return `This engine has no place “${issue.station}”.`
    case 'badNumber':
      return `“${issue.text}” in ${issue.column} is not a number.`
    case 'badUnit':
      return issue.text === '' ? 'No unit.' : `“${issue.text}” is not a unit for this place.`
    case 'badYes':
      return `${issue.column}: “${issue.text}” is no answer: yes, or nothing`
    case 'badState':
      return `“${issue.text}” is no state of a part: asFound, machined, trial or final.`
    case 'unknownGauge':
      return `No gauge “${issue.text}” in the drawer.`
    case 'badTime':
      return `“${issue.text}” is not a date and time (2026-03-01 10:00).`
    case 'noInitials':
      return 'Nobody’s initials in “by”.'
    case 'longInitials':
      return `“${issue.text}” in “by” is longer than eight letters.`
    case 'doubleId':
      return `The id ${issue.text} stands in an earlier row.`
    case 'unknownTarget':
      return `It supersedes ${issue.text}, which is neither in this build nor above it in the table.`
    case 'door':
      return fileIssueWords(issue.issue)
    case 'badId':
      return `“${issue.text}” is not an id.`
    case 'absurd':
      return `${notBetween(issue, issue.unit, rounded)}; if it is true, type it at the bench.`
  }
}

/** What is wrong with a line a gauge sent. */
export function gaugeLineIssueWords(issue: GaugeLineIssue): string {
  switch (issue.code) {
    case 'fields':
      return `${issue.got} fields where name;value;unit;sequence;checksum are five.`
    case 'checksum':
      return `the checksum says ${issue.got || 'nothing'}, the line comes to ${issue.wanted}: garbled on the way.`
    case 'value':
      return `“${issue.text}” is no value.`
    case 'unit':
      return `“${issue.text}” is no unit known here.`
    case 'sequence':
      return `“${issue.text}” is no count of presses.`
    case 'name':
      return 'the gauge has no name.'
  }
}
