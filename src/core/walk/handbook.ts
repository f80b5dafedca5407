/** What the handbook has done at every stage, beside readings, looks and joints (common practice). */
import type { Build } from '../document/build'
import { hasCamInBlock, hasCamInHead, hasValves, hasValvesOverPistons } from '../geometry/crank'
import type { HoldId, StageId } from '../document/walkStages'
import type { AskedId, Attitude, TemporaryId } from './asked'
import type { ClockRule } from './clocks'

type Spec = Build['spec']

interface HandbookStep {
  readonly stage: StageId
  readonly minutes: number
  readonly each?: 'bank' | 'pin'
  /** Where it is left out, an engine like this has no such step. */
  readonly when?: (spec: Spec) => boolean
  /** Another way of what other steps do: nothing waits for it. */
  readonly isOptional?: true
  readonly isTrial?: true
  readonly attitude?: Attitude
  /** Names of steps, or kinds of joints, that are done before; of the same bank where both are of a bank. */
  readonly after?: readonly string[]
  readonly holds?: readonly HoldId[]
  readonly hides?: readonly string[]
  readonly asks?: AskedId
  readonly putsIn?: TemporaryId
  readonly takesOut?: TemporaryId
  readonly keepsHours?: number
  readonly needsSecond?: true
  /** Runs from when it is done; names of steps that end it. */
  readonly clock?: ClockRule
}

const camInHead = ({ layout }: Spec) => hasCamInHead(layout)
const camInBlock = ({ layout }: Spec) => hasCamInBlock(layout)
const pushrods = ({ layout }: Spec) => layout.valveDrive === 'pushrod'
const valves = ({ layout }: Spec) => hasValves(layout)
const valvesOverPistons = ({ layout }: Spec) => hasValvesOverPistons(layout)
const oilPump = ({ layout }: Spec) => layout.oiling !== 'splash' && layout.oiling !== 'inFuel'
const oilInCase = ({ layout }: Spec) => layout.oiling !== 'inFuel'
const pan = ({ layout }: Spec) => layout.cases !== 'split'
const plainMains = ({ layout }: Spec) => layout.mainBearings === 'plain'
const plainRods = ({ layout }: Spec) => layout.rodBearings === 'plain'
const hasWork = ({ planned = [] }: Spec) => planned.length > 0

/** Washed iron that nobody oils has begun to rust by then (common practice). */
const FLASH_RUST_MINUTES = 60

/** In the order they are done within their stage. */
export const HANDBOOK = {
  'job.agreed': { stage: 'job', minutes: 30 },
  'job.paper': { stage: 'job', minutes: 60 },
  'clean.apart': { stage: 'clean', minutes: 240, attitude: 'upright' },
  'clean.washed': {
    stage: 'clean',
    minutes: 90,
    attitude: 'off',
    clock: { kind: 'rusts', minutes: FLASH_RUST_MINUTES, until: ['clean.oiled'] },
  },
  'clean.oiled': { stage: 'clean', minutes: 15, after: ['clean.washed'], attitude: 'off' },
  'mockUp.crank': { stage: 'mockUp', minutes: 40, isTrial: true, attitude: 'upsideDown' },
  'mockUp.pistons': { stage: 'mockUp', minutes: 60, isTrial: true, attitude: 'upright', after: ['mockUp.crank'] },
  'cam.pointer': { stage: 'cam', minutes: 15, isTrial: true, after: ['mockUp.pistons'], attitude: 'upright' },
  'cam.park': { stage: 'cam', minutes: 5, isTrial: true, when: camInHead, holds: ['tdcProven'], attitude: 'upright' },
  'cam.in': { stage: 'cam', minutes: 45, isTrial: true, when: valves, holds: ['crankParked'], attitude: 'upright' },
  'clear.lightSprings': {
    stage: 'clear',
    minutes: 30,
    isTrial: true,
    when: valvesOverPistons,
    putsIn: 'lightSprings',
    attitude: 'upright',
  },
  'clear.headOn': {
    stage: 'clear',
    minutes: 30,
    isTrial: true,
    when: valvesOverPistons,
    each: 'bank',
    after: ['clear.lightSprings'],
    attitude: 'upright',
  },
  'clear.declared': { stage: 'clear', minutes: 5, when: valvesOverPistons, isOptional: true, needsSecond: true },
  'clear.springsOut': {
    stage: 'clear',
    minutes: 30,
    isTrial: true,
    when: valvesOverPistons,
    takesOut: 'lightSprings',
    after: ['clear.lightSprings'],
  },
  'machine.sent': { stage: 'machine', minutes: 30, when: hasWork, needsSecond: true },
  'machine.back': { stage: 'machine', minutes: 60, when: hasWork, after: ['machine.sent'] },
  'finalClean.washed': {
    stage: 'finalClean',
    minutes: 120,
    keepsHours: 24,
    attitude: 'off',
    clock: { kind: 'rusts', minutes: FLASH_RUST_MINUTES, until: ['finalClean.oiled'] },
  },
  'finalClean.oiled': { stage: 'finalClean', minutes: 15, after: ['finalClean.washed'], attitude: 'off' },
  'finalClean.oilways': { stage: 'finalClean', minutes: 45, attitude: 'off' },
  'finalClean.plugs': { stage: 'finalClean', minutes: 30, after: ['finalClean.oilways'], attitude: 'off' },
  'final.shells': { stage: 'final', minutes: 20, when: plainMains, after: ['finalClean.washed'], attitude: 'upsideDown' },
  'final.crank': {
    stage: 'final',
    minutes: 20,
    after: ['finalClean.plugs', 'final.shells'],
    hides: ['final.shells'],
    attitude: 'upsideDown',
  },
  'final.mainCaps': { stage: 'final', minutes: 15, when: plainMains, asks: 'capsByNumber', after: ['final.crank'], attitude: 'upsideDown' },
  'final.ringsOn': { stage: 'final', minutes: 45, attitude: 'upright' },
  'final.pistons': {
    stage: 'final',
    minutes: 15,
    each: 'pin',
    asks: 'pistonFront',
    after: ['final.crank', 'final.ringsOn', 'joint:mains'],
    holds: ['mainsTight'],
    hides: ['final.ringsOn'],
    attitude: 'upright',
  },
  'final.rodCaps': { stage: 'final', minutes: 20, when: plainRods, asks: 'capsByNumber', after: ['final.pistons'], attitude: 'upsideDown' },
  'final.oilPump': { stage: 'final', minutes: 40, when: oilPump, after: ['final.crank'], attitude: 'upsideDown' },
  'final.pumpDrive': { stage: 'final', minutes: 15, when: oilPump, after: ['final.oilPump'], attitude: 'upsideDown' },
  'final.camIn': { stage: 'final', minutes: 30, when: camInBlock, after: ['final.crank'], attitude: 'upright' },
  'final.timing': { stage: 'final', minutes: 40, when: camInBlock, after: ['final.camIn'], attitude: 'upright' },
  'final.cover': {
    stage: 'final',
    minutes: 30,
    after: ['final.pumpDrive', 'final.timing'],
    hides: ['final.timing', 'final.pumpDrive'],
    attitude: 'upright',
  },
  'final.pan': {
    stage: 'final',
    minutes: 30,
    when: pan,
    after: ['final.oilPump', 'final.rodCaps', 'joint:rods'],
    hides: ['final.oilPump', 'final.rodCaps'],
    attitude: 'upsideDown',
  },
  'final.markAgain': {
    stage: 'final',
    minutes: 10,
    after: ['final.cover', 'joint:cover', 'joint:damper'],
    holds: ['tdcProven'],
    attitude: 'upright',
  },
  'heads.studs': { stage: 'heads', minutes: 20, each: 'bank', attitude: 'upright' },
  'heads.faces': { stage: 'heads', minutes: 15, each: 'bank', keepsHours: 24, attitude: 'upright' },
  'heads.spray': {
    stage: 'heads',
    minutes: 5,
    each: 'bank',
    isOptional: true,
    after: ['heads.faces'],
    clock: { kind: 'tacks', minutes: 10, lateMinutes: 15, until: ['heads.gasket'] },
    attitude: 'upright',
  },
  'heads.dowels': { stage: 'heads', minutes: 5, each: 'bank', after: ['heads.faces'], attitude: 'upright' },
  'heads.gasket': {
    stage: 'heads',
    minutes: 5,
    each: 'bank',
    asks: 'gasketFront',
    after: ['heads.dowels', 'heads.studs', 'final.pistons'],
    hides: ['heads.dowels'],
    needsSecond: true,
    attitude: 'upright',
  },
  'heads.on': {
    stage: 'heads',
    minutes: 15,
    each: 'bank',
    after: ['heads.gasket'],
    holds: ['driveIn', 'gasketAndDowels', 'studsCounted'],
    hides: ['heads.gasket', 'heads.dowels'],
    attitude: 'upright',
  },
  'heads.park': { stage: 'heads', minutes: 5, when: camInHead, holds: ['tdcProven'], attitude: 'upright' },
  'heads.camsIn': {
    stage: 'heads',
    minutes: 40,
    when: camInHead,
    each: 'bank',
    after: ['heads.on', 'joint:head'],
    holds: ['crankParked'],
    attitude: 'upright',
  },
  'heads.timing': { stage: 'heads', minutes: 45, when: camInHead, after: ['heads.camsIn'], attitude: 'upright' },
  'heads.soak': {
    stage: 'heads',
    minutes: 15,
    when: camInBlock,
    clock: { kind: 'soaks', minutes: 60, until: ['heads.lifters'] },
    attitude: 'upright',
  },
  'heads.lifters': {
    stage: 'heads',
    minutes: 30,
    when: camInBlock,
    each: 'bank',
    after: ['heads.on', 'joint:head', 'heads.soak'],
    attitude: 'upright',
  },
  'heads.pushrods': { stage: 'heads', minutes: 20, when: pushrods, each: 'bank', after: ['heads.lifters'], attitude: 'upright' },
  'heads.twoTurns': {
    stage: 'heads',
    minutes: 10,
    after: ['heads.timing', 'heads.pushrods', 'heads.on', 'joint:head', 'joint:camCaps', 'joint:rockers'],
    holds: ['clearanceProven', 'lightSpringsOut'],
    needsSecond: true,
    attitude: 'upright',
  },
  'lash.set': { stage: 'lash', minutes: 60, when: valves, after: ['heads.twoTurns'], attitude: 'upright' },
  'intake.on': { stage: 'intake', minutes: 60, after: ['lash.set'], attitude: 'upright' },
  'intake.ignition': { stage: 'intake', minutes: 40, after: ['heads.twoTurns'], attitude: 'upright' },
  'intake.covers': { stage: 'intake', minutes: 20, when: valves, after: ['lash.set'], hides: ['lash.set'], attitude: 'upright' },
  'prime.oilIn': { stage: 'prime', minutes: 15, when: oilInCase, after: ['final.pan'], holds: ['sealersCured'], attitude: 'upright' },
  'prime.oilAtTop': { stage: 'prime', minutes: 20, when: oilPump, after: ['prime.oilIn'], keepsHours: 72, attitude: 'upright' },
  'fire.tempOut': { stage: 'fire', minutes: 15, needsSecond: true },
  'fire.starter': { stage: 'fire', minutes: 10, holds: ['twoTurns', 'oilIn', 'temporaryOut'], after: ['fire.tempOut', 'intake.covers'] },
  'fire.list': { stage: 'fire', minutes: 20, needsSecond: true },
  'fire.first': {
    stage: 'fire',
    minutes: 30,
    after: ['fire.starter', 'intake.ignition', 'intake.on'],
    holds: ['oilAtTop', 'clearanceProven', 'firstFireList'],
  },
  'fire.heatCycles': { stage: 'fire', minutes: 120, after: ['fire.first'] },
  'fire.retorque': { stage: 'fire', minutes: 60, after: ['fire.heatCycles'] },
  'dyno.runIn': { stage: 'dyno', minutes: 120, after: ['fire.retorque'] },
  'dyno.handOver': { stage: 'dyno', minutes: 60, after: ['dyno.runIn'], needsSecond: true },
  'refresh.checks': { stage: 'refresh', minutes: 90, after: ['dyno.runIn'] },
} as const satisfies Readonly<Record<`${StageId}.${string}`, HandbookStep>>

export type StepName = keyof typeof HANDBOOK
export const STEP_NAMES = Object.keys(HANDBOOK) as StepName[]

export function handbookStep(name: StepName): HandbookStep {
  return HANDBOOK[name]
}
