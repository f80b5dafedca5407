import { median } from 'd3-array'
import { UNITS } from '../units'
import type { Joint, JointGroup, JointStage } from '../document/types'
import { checkOf, type RunWay } from './run'
import { orderIssues, type OrderIssue } from '../geometry/patterns/sequence'

/** What is wrong with a plan, with its place; nothing of it keeps the plan from being stored, some keeps a run from beginning. */
export type PlanIssue = (
  | OrderIssue
  /** A figure is wanted by the method, and there is none. */
  | { readonly code: 'noTarget' }
  | { readonly code: 'noStages' }
  | { readonly code: 'stageAboveTarget'; readonly stage: number; readonly nm: number; readonly targetNm: number }
  | { readonly code: 'stageFalls'; readonly stage: number; readonly nm: number; readonly beforeNm: number }
  | { readonly code: 'endsBelowTarget'; readonly nm: number; readonly targetNm: number }
  | { readonly code: 'aboveMakersMost'; readonly targetNm: number; readonly makersMostNm: number }
  /** One is the other as if its unit had been taken for the other’s. */
  | { readonly code: 'otherUnit'; readonly targetNm: number; readonly makersMostNm: number }
  /** The maker’s sheet has another rule, and nobody has said why it is left: from this stage on. */
  | { readonly code: 'otherThanMakers'; readonly stage: number; readonly own?: JointStage; readonly makers?: JointStage }
  | { readonly code: 'noWrench'; readonly stage: number; readonly nm: number }
  /** To yield, and planned again: such a fastener is torqued once. */
  | { readonly code: 'yieldNeedsOnceOnly'; readonly letters: readonly string[] }
  /** Seated, a stud stands out otherwise than the others of its type: another length, or a hole of another depth. */
  | { readonly code: 'oddStickOut'; readonly fastener: number; readonly stickOutMm: number; readonly usualMm: number }
) & {
  /** The group it is of; none: of the joint as a whole. */
  readonly group?: number
}

/** Of a wrench's range: below it a click is a guess (common practice). */
export const LEAST_SHARE_OF_RANGE = 0.2

export function planIssues(joint: Joint): readonly PlanIssue[] {
  const ofGroups = joint.groups.flatMap((group, index) =>
    [...groupIssues(joint, group), ...wrenchIssues(joint, group)].map((issue) => ({ ...issue, group: index }) as PlanIssue),
  )
  return [...ofGroups, ...stickOutIssues(joint)]
}

/** More than seating and a thread's start differ by (common practice: a millimetre). */
const STICK_OUT_TOL_MM = 1
/** With fewer nobody can say which is the odd one. */
const LEAST_STUDS = 3

/** Studs of one type that stand out more or less than most of them do. */
function stickOutIssues({ fasteners, types }: Joint): PlanIssue[] {
  return types.flatMap(({ letter }) => {
    const known = fasteners.flatMap(({ type, stickOutMm }, index) =>
      type === letter && stickOutMm !== undefined ? [{ fastener: index + 1, stickOutMm }] : [],
    )
    const usualMm = median(known.map(({ stickOutMm }) => stickOutMm))
    if (usualMm === undefined || known.length < LEAST_STUDS) return []
    return known
      .filter(({ stickOutMm }) => Math.abs(stickOutMm - usualMm) > STICK_OUT_TOL_MM)
      .map((one) => ({ code: 'oddStickOut', usualMm, ...one }) as const)
  })
}

type Unplaced = PlanIssue extends infer Issue ? (Issue extends unknown ? Omit<Issue, 'group'> : never) : never

function groupIssues({ kind, fasteners, types, groups }: Joint, group: JointGroup): Unplaced[] {
  const { order, method, targetNm, makersMostNm, stages } = group
  const inOthers = new Set(groups.filter((other) => other !== group).flatMap((other) => other.order))
  const members = fasteners.flatMap((_, index) => (inOthers.has(index + 1) ? [] : [index]))
  const issues: Unplaced[] = orderIssues(
    order.map((number) => number - 1),
    members,
    fasteners,
    // Every rod is a joint by itself: one after the other squeezes no gasket.
  ).filter(({ code }) => kind !== 'rods' || code !== 'fromOneEnd')
  if (method !== 'none') {
    if (stages.length === 0) issues.push({ code: 'noStages' })
    if (targetNm === undefined && method !== 'stretch') issues.push({ code: 'noTarget' })
  }
  if (targetNm !== undefined && makersMostNm !== undefined && targetNm > makersMostNm)
    issues.push({ code: 'aboveMakersMost', targetNm, makersMostNm })
  if (targetNm !== undefined && makersMostNm !== undefined && isOtherUnit(targetNm / makersMostNm))
    issues.push({ code: 'otherUnit', targetNm, makersMostNm })
  const letters = [...new Set(order.flatMap((number) => fasteners[number - 1]?.type ?? []))]
  const again = types.filter(({ letter, onceOnly }) => letters.includes(letter) && !onceOnly).map(({ letter }) => letter)
  if (method === 'toYield' && again.length > 0) issues.push({ code: 'yieldNeedsOnceOnly', letters: again })
  return [...issues, ...stageIssues(stages, targetNm, method), ...deviation(group)]
}

/** The first stage that is not its maker’s; none where they agree, or somebody has said why they do not. */
function deviation({ stages, makersStages, deviates }: JointGroup): Unplaced[] {
  if (!makersStages || deviates !== undefined) return []
  const length = Math.max(stages.length, makersStages.length)
  const at = Array.from({ length }, (_, index) => index).find((index) => !isSamePull(stages[index], makersStages[index]))
  return at === undefined ? [] : [{ code: 'otherThanMakers', stage: at + 1, own: stages[at], makers: makersStages[at] }]
}

/** As near as a figure turned from one unit to another comes. */
const SAME_NM = 0.5

function isSamePull(a: JointStage | undefined, b: JointStage | undefined): boolean {
  if (a?.pull === 'torque' && b?.pull === 'torque') return Math.abs(a.nm - b.nm) <= SAME_NM
  if (a?.pull === 'angle' && b?.pull === 'angle') return a.deg === b.deg
  return a?.pull === b?.pull
}

/** N·m taken for lbf·ft, or the other way round, within what rounding a figure does. */
function isOtherUnit(share: number): boolean {
  const nmPerLbfFt = UNITS.lbfft.factor
  return [nmPerLbfFt, 1 / nmPerLbfFt].some((factor) => Math.abs(share / factor - 1) < SAME_FIGURE)
}

const SAME_FIGURE = 0.01

function stageIssues(stages: readonly JointStage[], targetNm: number | undefined, method: JointGroup['method']): Unplaced[] {
  const issues: Unplaced[] = []
  let beforeNm = 0
  stages.forEach((stage, index) => {
    if (stage.pull !== 'torque') return
    const { nm } = stage
    if (targetNm !== undefined && nm > targetNm) issues.push({ code: 'stageAboveTarget', stage: index + 1, nm, targetNm })
    if (nm < beforeNm) issues.push({ code: 'stageFalls', stage: index + 1, nm, beforeNm })
    beforeNm = nm
  })
  if (method === 'torque' && targetNm !== undefined && stages.length > 0 && beforeNm < targetNm)
    issues.push({ code: 'endsBelowTarget', nm: beforeNm, targetNm })
  return issues
}

/** Stages that none of the wrenches planned reaches inside its range. */
function wrenchIssues({ wrenches = [] }: Joint, { stages }: JointGroup): Unplaced[] {
  if (wrenches.length === 0) return []
  return stages.flatMap((stage, index): Unplaced[] =>
    stage.pull === 'torque' && !wrenchFor(wrenches, stage.nm) ? [{ code: 'noWrench', stage: index + 1, nm: stage.nm }] : [],
  )
}

/** The wrench a stage is torqued with: the smallest whose range holds it, from a fifth of its most. */
export function wrenchFor(wrenches: NonNullable<Joint['wrenches']>, nm: number) {
  return wrenches
    .filter(({ leastNm, mostNm }) => nm >= Math.max(leastNm, LEAST_SHARE_OF_RANGE * mostNm) && nm <= mostNm)
    .toSorted((a, b) => a.mostNm - b.mostNm)[0]
}

/** Figures of a plan that nobody has read off paper: they are asked about before the first pull. */
export function fromMemory({ groups, sealer }: Joint): readonly ('order' | 'stages' | 'target' | 'dress' | 'sealer')[] {
  const found = groups.flatMap(({ orderFrom, stagesFrom, targetFrom, dress }) => [
    ...(orderFrom.fromMemory ? (['order'] as const) : []),
    ...(stagesFrom.fromMemory ? (['stages'] as const) : []),
    ...(targetFrom?.fromMemory ? (['target'] as const) : []),
    ...(dress?.from.fromMemory ? (['dress'] as const) : []),
  ])
  return [...new Set([...found, ...(sealer?.from.fromMemory ? (['sealer'] as const) : [])])]
}

/** Why a fastener is not used again: longer for good, past its yield on its curve, broken, or torqued once only. */
export type Retirement = 'grew' | 'yielded' | 'broke' | 'spent'

/** Why a run of a joint may not begin. */
export type RunRefusal =
  | { readonly code: 'plan'; readonly issue: PlanIssue }
  /** However rough its thread turns, the figure pulls it past its yield. */
  | { readonly code: 'beyondYield' }
  | { readonly code: 'onceOnly' }
  /** Above what it was first torqued to. */
  | { readonly code: 'aboveFirst'; readonly nm: number; readonly firstNm: number }
  /** The ledger says that it is done with, and nobody has said why it is used again. */
  | { readonly code: 'retired'; readonly fastener: number; readonly mark: string; readonly why: Retirement; readonly build: string }
  | { readonly code: 'sealerSet' }
  /** Run down without a figure: nothing tells whether a fastener has moved. */
  | { readonly code: 'cannotVerify' }
  /** Somebody is at this joint already, in another way. */
  | { readonly code: 'runOpen'; readonly way: RunWay }
  /** Another joint is to be tight before this one is begun. */
  | { readonly code: 'waitsFor'; readonly joint: string }

/** Numbers that are missing or doubled, and stages that contradict their figure, are put right before a wrench is taken in hand. */
const STOPS: ReadonlySet<PlanIssue['code']> = new Set([
  'missing',
  'doubled',
  'unknown',
  'noStages',
  'noTarget',
  'stageAboveTarget',
  'aboveMakersMost',
])

export function runRefusals(joint: Joint, way: RunWay): readonly RunRefusal[] {
  // Neither wants a figure.
  if (way === 'loosen' || way === 'drawDown') return []
  const stops = planIssues(joint).flatMap((issue): RunRefusal[] => (STOPS.has(issue.code) ? [{ code: 'plan', issue }] : []))
  if (way === 'verify' && unverifiable(joint).length === joint.groups.length) return [...stops, { code: 'cannotVerify' }]
  if (way !== 'retorque') return stops
  // Tightened to yield they are never torqued again; backed off once its sealer has set, a fastener no longer seals.
  const isOnce = joint.groups.some(({ method }) => method === 'toYield') || joint.types.some(({ onceOnly }) => onceOnly)
  return [...stops, ...(isOnce ? [{ code: 'onceOnly' } as const] : []), ...(joint.sealer ? [{ code: 'sealerSet' } as const] : [])]
}

/** Groups of which nothing tells, once they are tight, whether a fastener was missed. */
export function unverifiable({ groups }: Joint): readonly JointGroup[] {
  return groups.filter(({ stages }) => checkOf(stages) === undefined)
}

/** A target in stages of these shares, the last of them the whole; to half a newton metre below ten, to whole ones above. */
export function stagesOf(targetNm: number, shares: readonly number[]): JointStage[] {
  return shares.map((share) => {
    const step = targetNm < 10 ? 0.5 : 1
    return { pull: 'torque', nm: share === 1 ? targetNm : Math.round((targetNm * share) / step) * step }
  })
}

/** Equal thirds (common practice). */
export const USUAL_SHARES = [1 / 3, 2 / 3, 1] as const
