import type { CurveTableIssue, Disagreement, FiledKey, LobeSlip } from '@/core/geometry/valvetrain'
import type { Leg, Route } from '@/core/geometry/valvetrain/safeRoute'
import type { DriveKind, DriveWheelKind } from '@/core/geometry/valvetrain'
import { formatExact, formatQuantity, type UnitId } from '@/core/units'

const degrees = (deg: number) => `${formatExact(Math.round(deg * 10) / 10, 'deg')}°`

/** What is wrong with a lift table, with its place. */
export function curveIssueWords(issue: CurveTableIssue): string {
  switch (issue.code) {
    case 'missingColumn':
      return `a column “${issue.column}” is wanted`
    case 'badUnit':
      return `“${issue.text}” is no unit of lift`
    case 'badNumber':
      return `row ${issue.row}, ${issue.column}: “${issue.text}” is no number`
    case 'tooMany':
      return `no more than ${issue.most} rows`
    case 'tooFew':
      return `${issue.rows} rows are too few for a lobe; ${issue.least} at least`
    case 'outOfOrder':
      return `row ${issue.row}: ${degrees(issue.angleDeg)} after ${degrees(issue.beforeDeg)}: out of order, or the wheel was turned back`
    case 'repeated':
      return `row ${issue.row}: ${degrees(issue.angleDeg)} stands there twice`
    case 'angleOutOfRange':
      return `row ${issue.row}: ${degrees(issue.angleDeg)} is not between -360° and 720°`
    case 'liftTooGreat':
      return [
        `row ${issue.row}: a lift of ${Number(issue.liftMm.toFixed(3))} mm: thou, or a decimal point lost?`,
        'Name the unit in the header, as “lift thou”',
      ].join(' ')
    case 'neverLifts':
      return `the lift is never more than ${Number(issue.mostMm.toFixed(3))} mm: another unit, or the dial stood still`
    case 'missesPeak':
      return issue.at === 'start'
        ? 'it begins behind the peak: the opening side is missing'
        : 'it ends before the peak: the closing side is missing'
  }
}

/** A row to be read again. */
export function lobeSlipWords(slip: LobeSlip): string {
  const sigmas = `${Math.round(Math.abs(slip.sigmas))} times its uncertainty`
  if (slip.kind === 'row') {
    const off = Math.abs(slip.offMm)
    const mm = off.toFixed(off < 0.1 ? 3 : 2)
    return `Row ${slip.row} is ${mm} mm ${slip.offMm > 0 ? 'above' : 'below'} its neighbours, ${sigmas}: read it again.`
  }
  const by = Math.abs(slip.byDeg).toFixed(1)
  return [
    `From row ${slip.row} on the wheel reads ${by}° too ${slip.byDeg > 0 ? 'much' : 'little'}, ${sigmas}:`,
    'an angle skipped there, or the wheel moved. Which side of it is true the table cannot tell.',
  ].join(' ')
}

/** Two numbers of a card that do not go together. */
export function disagreementWords({ number, stated, computed }: Disagreement): string {
  return `${number}: ${degrees(stated)} on the card, ${degrees(computed)} by the rest of it.`
}

/** Which side of a flywheel key loses metal, and what it then does. */
export function filedKeyWords({ side, rotation, way }: FiledKey): string {
  return [
    `Seen from the flywheel with the key uppermost, turning ${rotation === 'cw' ? 'clockwise' : 'anticlockwise'}:`,
    `file its ${side} side where it sits in the flywheel to ${way} the spark, and keep the flywheel against it while it is tightened.`,
  ].join(' ')
}

/** One turn of a way out of a tangle. */
export function legWords({ turn, byDeg, to, leastGapMm }: Leg, unit: UnitId): string {
  const way = byDeg > 0 ? 'in the running direction' : 'against the running direction'
  const what = turn === 'crank' ? 'Turn the crank' : 'Turn the shaft'
  const stands = turn === 'crank' ? `the crank at ${degrees(to.crankDeg)}` : `the shaft at ${degrees(to.camDeg)}`
  const gap = formatQuantity(leastGapMm, unit, unit === 'mm' ? 1 : 3)
  return `${what} ${degrees(Math.abs(byDeg))} ${way}, until ${stands}. Least gap on the way ${gap}.`
}

const BLOCKED_WORDS = {
  start: 'Where it stands a valve is nearer than that, or touches already: turn nothing. Take the followers out or the head off.',
  end: 'Where it is wanted a valve is nearer than that.',
  between: 'There is no way between them on which every valve keeps that: take the followers out or the head off.',
} as const

export function blockedWords(route: Extract<Route, { blocked: string }>): string {
  return BLOCKED_WORDS[route.blocked]
}

export const DRIVE_WORDS: Readonly<Record<DriveKind, string>> = { chain: 'Chain', belt: 'Belt', gears: 'Gears' }
export const DRIVE_WHEEL_WORDS: Readonly<Record<DriveWheelKind, string>> = {
  crank: 'Crank',
  cam: 'Cam',
  idler: 'Idler',
  tensioner: 'Tensioner',
  guide: 'Guide',
  pump: 'Pump',
}
