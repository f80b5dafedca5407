import type { SubjectAxis } from './place'
import type { DegreedIssue } from '../geometry/valvetrain'
import type { Kind, UnitId } from '../units'

export type Path = readonly (string | number)[]

/** What is wrong with a file or a part of it, and where. */
export type FileIssue =
  | { readonly code: 'notJson'; readonly path: readonly []; readonly detail: string }
  | { readonly code: 'notABuildFile'; readonly path: readonly [] }
  | { readonly code: 'newerVersion'; readonly path: readonly ['version']; readonly got: number; readonly known: number }
  | { readonly code: 'olderUnreadable'; readonly path: Path; readonly version: number }
  | { readonly code: 'shape'; readonly path: Path; readonly detail: string }
  | { readonly code: 'unknownGauge'; readonly path: Path; readonly gauge: string }
  | { readonly code: 'wrongGauge'; readonly path: Path; readonly gauge: string; readonly characteristic: string }
  | { readonly code: 'unknownTarget'; readonly path: Path; readonly target: string }
  /** A pull that begins no run and follows nothing, or says it begins one and follows something. */
  | { readonly code: 'loosePull'; readonly path: Path }
  /** A part that nobody wanted, or that is wanted twice. */
  | { readonly code: 'loosePart'; readonly path: Path }
  | { readonly code: 'unknownName'; readonly path: Path; readonly name: string }
  | { readonly code: 'unknownJoint'; readonly path: Path; readonly joint: string }
  | { readonly code: 'noSuchFastener'; readonly path: Path; readonly got: number; readonly most: number }
  | { readonly code: 'circle'; readonly path: Path; readonly id: string }
  | { readonly code: 'doubleId'; readonly path: Path; readonly id: string }
  | {
      readonly code: 'firingOrder'
      readonly path: Path
      readonly detail: 'everyOnce' | 'throws' | 'pins' | 'oneBank' | 'oneRow'
      readonly cylinders: number
    }
  | {
      readonly code: 'layout'
      readonly path: Path
      readonly detail: DegreedIssue | 'oddBanks' | 'single' | 'rodTooShort' | 'valvesAndDrive' | 'portsAreTwoStroke' | 'twoStroke'
    }
  | { readonly code: 'unknownChoice'; readonly path: Path; readonly id: string }
  | { readonly code: 'usedTwice'; readonly path: Path; readonly part: string }
  | { readonly code: 'unknownCharacteristic'; readonly path: Path; readonly characteristic: string }
  | { readonly code: 'unknownPaper'; readonly path: Path; readonly key: string }
  | { readonly code: 'unknownLimit'; readonly path: Path; readonly id: string }
  | { readonly code: 'noSuchPlace'; readonly path: Path; readonly what: SubjectAxis; readonly got: string; readonly most: number }
  | { readonly code: 'wrongUnit'; readonly path: Path; readonly unit: string; readonly wanted: Kind }
  | {
      readonly code: 'outOfRange'
      readonly path: Path
      readonly value: number
      readonly low: number
      readonly high: number
      readonly unit: UnitId
    }
  /** A limit below the least that is common practice, and nobody answers for it. */
  | { readonly code: 'belowFloor'; readonly path: Path; readonly floor: number; readonly unit: UnitId }
  | { readonly code: 'intervalOrder'; readonly path: Path }
