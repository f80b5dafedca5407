import type { Construction, CrankStyle, EngineLayout, FiringIssue, ValveDrive } from '@/core/geometry/crank'
import type { DegreedIssue } from '@/core/geometry/valvetrain'

type Choices<Value extends string> = readonly { readonly value: Value; readonly label: string }[]

const STYLE_WORDS: Readonly<Record<CrankStyle, string>> = {
  opposed: 'Half a turn apart',
  together: 'Pins in line',
  quarter: 'Three quarters apart (270°)',
  evenSplit: 'Split pins, even firing',
  balanced: 'Two pins, offset for balance',
  shared: 'Two rods on a pin',
  crossPlane: 'Cross-plane',
  flatPlane: 'Flat-plane',
  boxer: 'Boxer: a pin a rod',
}

/** A crank in the words used of such an engine. */
export function crankStyleWords(style: CrankStyle, { kind, cylinders }: Pick<EngineLayout, 'kind' | 'cylinders'>): string {
  if (kind === 'inline' && style === 'together') return 'Up together (360°)'
  if (kind === 'v' && style === 'shared' && cylinders === 2) return 'Both rods on one pin'
  if (kind === 'v' && style === 'shared' && cylinders === 4) return 'Two pins, half a turn apart'
  if (kind === 'flat' && style === 'shared') return 'Two rods on a pin (no boxer)'
  return STYLE_WORDS[style]
}

export const NUMBERING_CHOICES: Choices<EngineLayout['numbering']> = [
  { value: 'alternating', label: 'Across, in turn' },
  { value: 'downEachBank', label: 'Down each bank' },
]

export const VALVE_DRIVE_CHOICES: Choices<Exclude<ValveDrive, 'none'>> = [
  { value: 'pushrod', label: 'Pushrod' },
  { value: 'bucketShimUnder', label: 'Bucket, shim under' },
  { value: 'bucketShimOver', label: 'Bucket, shim over' },
  { value: 'bucketHydraulic', label: 'Bucket, hydraulic' },
  { value: 'fingerFollower', label: 'Finger follower' },
  { value: 'rockerShaft', label: 'Rocker shaft' },
  { value: 'sideValve', label: 'Side valves' },
]

interface ConstructionWords {
  readonly label: string
  readonly choices: Readonly<Record<string, string>>
}

/** What decides which parts there are, besides cylinders, crank and valves. */
export const CONSTRUCTION_WORDS = {
  lifters: { label: 'Lifters', choices: { solid: 'Solid', hydraulic: 'Hydraulic' } },
  barrels: { label: 'Cylinders', choices: { inBlock: 'In the block', separate: 'Separate barrels' } },
  cases: { label: 'Crankcase', choices: { onePiece: 'One piece, with caps', split: 'Split cases' } },
  oiling: { label: 'Oil', choices: { wetSump: 'Wet sump', drySump: 'Dry sump', splash: 'Splash', inFuel: 'In the fuel' } },
  cooling: { label: 'Cooling', choices: { coolant: 'Coolant', rawWater: 'Raw water', air: 'Air' } },
  start: { label: 'Start', choices: { starter: 'Starter', kick: 'Kick', recoil: 'Recoil rope', push: 'Pushed or on rollers' } },
} as const satisfies Readonly<Record<keyof Construction, ConstructionWords>>

export const DEGREED_WORDS: Readonly<Record<DegreedIssue, string>> = {
  noSuchCylinder: 'the engine has no such cylinder',
  oneForItsCams: 'timing is taken at one cylinder of each bank that has cams of its own, else at one',
}

/** What is wrong with a layout somebody is describing. */
export function firingIssueWords(issue: FiringIssue, cylinders: number): string {
  switch (issue.code) {
    case 'notEveryCylinderOnce':
      return `Every cylinder from 1 to ${cylinders} fires once.`
    case 'throwsDisagree':
      return 'This crank does not allow this firing order: it does not close in two turns.'
    case 'notEveryCylinderOnAPin':
      return `Cylinder ${issue.cylinder} stands on no pin, or on two.`
    case 'rodsOnOneBank':
      return `Cylinders ${issue.cylinders.join(' and ')} share a pin and stand in one bank: rods that share a pin are of two banks.`
    case 'rodsInOneRow':
      return `Cylinders ${issue.cylinders.join(' and ')} stand in one row: each has a pin of its own.`
  }
}
