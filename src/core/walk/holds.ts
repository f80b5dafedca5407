/** What must be true before a step: worked out from findings, runs and steps, never ticked (common practice). */
import type { Finding } from '../bench/bench'
import { benchOf, type OutputId } from '../document/ids'
import type { Build } from '../document/build'
import { benchById } from '../benches'
import { hasValvesOverPistons } from '../geometry/crank'

export const HOLDS = [
  'mainsTight',
  'tdcProven',
  'crankParked',
  'clearanceProven',
  'lightSpringsOut',
  'driveIn',
  'gasketAndDowels',
  'studsCounted',
  'twoTurns',
  'sealersCured',
  'oilIn',
  'oilAtTop',
  'firstFireList',
  'temporaryOut',
] as const
export type HoldId = (typeof HOLDS)[number]

/** What a hold is looked at with. */
export interface HoldContext {
  readonly findings: readonly Finding[]
  /** Whether every step of a name that this engine has is done and still true; of one bank where one is asked for. */
  readonly isDone: (name: string, bank?: 'left' | 'right') => boolean
  /** Whether every joint of a kind is torqued for good. */
  readonly isTight: (kind: 'mains' | 'sideBolts') => boolean
  /** Readings, by the beginning of their name, none of which is stale. */
  readonly isFresh: (readings: string) => boolean
  readonly hasCamInHead: boolean
  /** Nothing that oil would wash away still cures. */
  readonly isCured: boolean
  /** Nothing was changed on cams, pockets, gasket or cuts: what the maker proved still holds. */
  readonly isAsMade: boolean
  readonly temporary: readonly string[]
}

/** What a held step leads to. */
export type LeadsTo = { readonly bench: string } | { readonly step: string } | { readonly joints: true }

/** What holds ask the benches for; no other bench is worked out for a walk. */
const ASKED_FOR = {
  tdc: 'cam.tdc',
  tdcApart: 'cam.tdcApart',
  parked: 'clearance.parked',
  closest: 'clearance.closest',
  radial: 'clearance.radial',
  valveToValve: 'clearance.valveToValve',
  atRedline: 'clearance.atRedline',
} as const satisfies Readonly<Record<string, OutputId>>
const BENCHES_ASKED = [...new Set(Object.values(ASKED_FOR).map(benchOf))]

export function findingsHoldsAskFor(build: Build): readonly Finding[] {
  return BENCHES_ASKED.flatMap((id) => benchById(id).derive(build))
}

interface Hold {
  readonly isMet: (context: HoldContext, bank: 'left' | 'right' | undefined) => boolean
  readonly leadsTo: LeadsTo
}

const HOLDERS: Readonly<Record<HoldId, Hold>> = {
  mainsTight: { isMet: ({ isTight }) => isTight('mains') && isTight('sideBolts'), leadsTo: { joints: true } },
  tdcProven: { isMet: ({ findings, isFresh }) => isFresh('cam.stop') && tdcIsProven(findings), leadsTo: { bench: 'cam' } },
  crankParked: {
    isMet: ({ findings, isDone, hasCamInHead }) =>
      !hasCamInHead || ((isDone('cam.park') || isDone('heads.park')) && allWithin(findings, ASKED_FOR.parked)),
    leadsTo: { bench: 'clearance' },
  },
  clearanceProven: {
    isMet: ({ findings, isFresh, isDone, isAsMade }) =>
      (isFresh('clearance.') && clearanceIsProven(findings)) || (isAsMade && isDone('clear.declared')),
    leadsTo: { bench: 'clearance' },
  },
  lightSpringsOut: { isMet: ({ temporary }) => !temporary.includes('lightSprings'), leadsTo: { step: 'clear.springsOut' } },
  driveIn: { isMet: ({ isDone }) => isDone('final.pumpDrive'), leadsTo: { step: 'final.pumpDrive' } },
  gasketAndDowels: {
    isMet: ({ isDone }, bank) => isDone('heads.gasket', bank) && isDone('heads.dowels', bank),
    leadsTo: { step: 'heads.gasket' },
  },
  studsCounted: { isMet: ({ isDone }, bank) => isDone('heads.studs', bank), leadsTo: { step: 'heads.studs' } },
  twoTurns: { isMet: ({ isDone }) => isDone('heads.twoTurns'), leadsTo: { step: 'heads.twoTurns' } },
  sealersCured: { isMet: ({ isCured }) => isCured, leadsTo: { joints: true } },
  oilIn: { isMet: ({ isDone }) => isDone('prime.oilIn'), leadsTo: { step: 'prime.oilIn' } },
  oilAtTop: { isMet: ({ isDone }) => isDone('prime.oilAtTop'), leadsTo: { step: 'prime.oilAtTop' } },
  firstFireList: { isMet: ({ isDone }) => isDone('fire.list'), leadsTo: { step: 'fire.list' } },
  temporaryOut: { isMet: ({ temporary }) => temporary.length === 0, leadsTo: { step: 'fire.tempOut' } },
}

/** A hold that asks what such an engine has not is none. */
export function applies(hold: HoldId, { layout }: Build['spec']): boolean {
  return hold !== 'clearanceProven' || hasValvesOverPistons(layout)
}

export function isMet(hold: HoldId, context: HoldContext, bank: 'left' | 'right' | undefined): boolean {
  return HOLDERS[hold].isMet(context, bank)
}

export function leadsTo(hold: HoldId): LeadsTo {
  return HOLDERS[hold].leadsTo
}

/** Of number one: read more than once and within, or once where nothing judges it. */
function tdcIsProven(findings: readonly Finding[]): boolean {
  const apart = findings.filter(({ output }) => output === ASKED_FOR.tdcApart)
  const known = findings.filter(({ output, figure }) => output === ASKED_FOR.tdc && figure !== undefined)
  return known.length > 0 && apart.every(({ conformity, figure }) => figure === undefined || conformity?.verdict !== 'over')
}

/**
 * To the piston at every valve; round it and to other valves where those are asked for; and not too near at redline: that is an
 * estimate, in doubt wherever something it takes is not known, and an uncertainty of it keeps nobody from turning an engine by hand.
 */
function clearanceIsProven(findings: readonly Finding[]): boolean {
  const asked = [ASKED_FOR.radial, ASKED_FOR.valveToValve].filter((output) => findings.some((one) => one.output === output))
  const isTooNearAtRedline = findings.some(({ output, conformity }) => output === ASKED_FOR.atRedline && conformity?.verdict === 'under')
  return !isTooNearAtRedline && [ASKED_FOR.closest, ...asked].every((output) => allWithin(findings, output))
}

/** Every one there is known, and within. */
function allWithin(findings: readonly Finding[], output: OutputId): boolean {
  const all = findings.filter((one) => one.output === output)
  return all.length > 0 && all.every(({ conformity, missing }) => missing.length === 0 && conformity?.verdict === 'within')
}
