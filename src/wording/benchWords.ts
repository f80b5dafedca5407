import type { Advice, Change, Cost, Finding, Remark } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { differenceWords, plainWords, type Shown } from './figures'
import { PART_STATE_WORDS } from './partState'
import { capital } from './letters'
import { percent, subjectWords } from './verdicts'
import { counted, type ChangeWords, type CostWords, type RemarkWords } from './vocabulary'

/** Sentences of benches, by code. */
export interface OwnWords {
  readonly REMARKS?: Partial<RemarkWords>
  readonly CHANGES?: Partial<ChangeWords>
  readonly COSTS?: Partial<CostWords>
}

/** What a bench says of its findings, proposes and counts as a cost, in sentences. */
export interface BenchWords {
  /** What a remark says, in a sentence. */
  readonly remarkWords: (remark: Remark, finding: Finding, shown: Shown, system: UnitSystem) => string
  /** The change an advice proposes, in a line. */
  readonly changeWords: (advice: Pick<Advice, 'change'>, system: UnitSystem) => string
  readonly costWords: (cost: Cost, system: UnitSystem) => string
}

/** What any bench may say. */
const REMARKS = {
  owns: ({ share, label }) => capital(`${percent(share)} of the uncertainty is ${label}.`),
  contradictsPaper: ({ paper }, shown, system) => `Paper says ${plainWords(paper.value.value, shown, system)}.`,
  restsOnPart: () => 'What it rests on is read in part, or of a part that is out: not settled before the rest is read.',
  incomplete: ({ used, wanted }) => `From ${used} of ${wanted} only: not settled before the rest is read.`,
  oldPart: ({ part }) =>
    part === 'piston'
      ? 'Read with the piston that stood here before the plan: read it again with the new one.'
      : 'By its maker’s figure: what was measured was another gasket.',
  turnedBack: ({ count }) =>
    [
      `${counted(count, 'reading was', 'readings were')} taken turning back: the slack of chain or belt is in it.`,
      'Within only once it is read in the running direction.',
    ].join(' '),
  syntheticLobe: () => 'By a lobe made of its card, not a measured one.',
  partState: ({ state }) => `Judged ${PART_STATE_WORDS[state]}.`,
  partStates: ({ states }) => `Read of parts in different states: ${states.map((state) => PART_STATE_WORDS[state]).join(', ')}.`,
  planned: () => 'As it will be once the planned work is done; measure again then.',
  leafTolerance: ({ mm }, shown, system) =>
    `The leaves themselves may be ±${differenceWords(mm, shown, system)}: no check of them is on record.`,
  extremes: ({ of, largest, smallest }) => {
    if (of === 'wheel') return `Wheel ${largest} deepest, wheel ${smallest} shallowest.`
    const least = of === 'bolt' || of === 'valve' ? subjectWords({ [of]: smallest }) : smallest
    return `${capital(subjectWords({ [of]: largest }))} most, ${least} least.`
  },
} satisfies Partial<RemarkWords>

const COSTS = {
  noParts: () => 'no new parts',
  marks: ({ pistons }) => `${counted(pistons, 'piston', 'pistons')} to mark again`,
  acrossBanks: ({ pistons }) => `${counted(pistons, 'piston changes', 'pistons change')} banks`,
  checkPockets: () => 'check valve pockets, pin offset and front marks',
} satisfies Partial<CostWords>

/**
 * A bench's own sentences beside those that any may say: its page needs no others.
 * @param own the sentences of the bench, or of all of them
 */
export function benchWords(own: OwnWords): BenchWords {
  // The code picks the sentence written for it; a compiler cannot follow a union into a table of functions.
  const remarks: Partial<RemarkWords> = { ...REMARKS, ...own.REMARKS }
  const changes: Partial<ChangeWords> = own.CHANGES ?? {}
  const costs: Partial<CostWords> = { ...COSTS, ...own.COSTS }
  return {
    remarkWords: (remark, finding, shown, system) =>
      (remarks[remark.code] as (one: Remark, shown: Shown, system: UnitSystem, finding: Finding) => string)(remark, shown, system, finding),
    changeWords: ({ change }, system) => (changes[change.code] as (one: Change, system: UnitSystem) => string)(change, system),
    costWords: (cost, system) => (costs[cost.code] as (one: Cost, system: UnitSystem) => string)(cost, system),
  }
}

export type CommonRemark = keyof typeof REMARKS
export type CommonCost = keyof typeof COSTS
