/** What must be true before a step: worked out from findings, runs and steps, never ticked (common practice). */
import type { Finding } from '../bench/bench'
import type { Manifest } from '../bench/manifest'
import { BENCHES } from '../benches'
import type { Build } from '../document/build'
import type { HoldId } from '../document/walkStages'
import { hasValvesOverPistons } from '../geometry/crank'

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

/** Benches whose findings prove something; no other is worked out for a walk. */
const PROVING = BENCHES.filter(({ proofs }) => proofs !== undefined)

export function findingsHoldsAskFor(build: Build): readonly Finding[] {
  return PROVING.flatMap((bench) => bench.derive(build))
}

/** The bench whose findings prove what a hold asks for. @throws where none does */
function proverOf(hold: HoldId): Manifest {
  const bench = PROVING.find(({ proofs }) => proofs?.[hold])
  if (!bench) throw new Error(`No bench proves ${hold}`)
  return bench
}

/** Proven by findings that rest on nothing stale. */
function isProven(hold: HoldId, { findings, isFresh }: HoldContext): boolean {
  const { readings, isProven: proves } = proverOf(hold).proofs![hold]!
  return (readings === undefined || isFresh(readings)) && proves(findings)
}

/** Beginning of the names of readings that lift a hold; undefined where no readings do. */
export function readingsThatLift(hold: HoldId): string | undefined {
  return PROVING.find(({ proofs }) => proofs?.[hold])?.proofs?.[hold]?.readings
}

interface Hold {
  readonly isMet: (context: HoldContext, bank: 'left' | 'right' | undefined) => boolean
  readonly leadsTo: LeadsTo
}

const HOLDERS: Readonly<Record<HoldId, Hold>> = {
  mainsTight: { isMet: ({ isTight }) => isTight('mains') && isTight('sideBolts'), leadsTo: { joints: true } },
  tdcProven: { isMet: (context) => isProven('tdcProven', context), leadsTo: { bench: proverOf('tdcProven').id } },
  crankParked: {
    isMet: (context) =>
      !context.hasCamInHead || ((context.isDone('cam.park') || context.isDone('heads.park')) && isProven('crankParked', context)),
    leadsTo: { bench: proverOf('crankParked').id },
  },
  clearanceProven: {
    isMet: (context) => isProven('clearanceProven', context) || (context.isAsMade && context.isDone('clear.declared')),
    leadsTo: { bench: proverOf('clearanceProven').id },
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
