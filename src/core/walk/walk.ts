/** The walk of a build: every step of its layout, drive, duty and methods, in order. The same step has the same id however often. */
import type { Build } from '../document/build'
import { namedEntries, type CharacteristicId } from '../document/ids'
import { derivation } from '../document/remembered'
import { benchChecks } from '../bench/checks'
import { BENCHES } from '../benches'
import { bankCount } from '../geometry/crank'
import { applies } from './holds'
import { jointsOf } from '../joints'
import type { Joint } from '../document/types'
import { handbookStep, STEP_NAMES, type StepName } from './handbook'
import { WALK_STAGES, type StageId } from '../document/walkStages'
import type { Step } from './step'

const STAGE_OF_JOINT: Readonly<Record<Joint['kind'], StageId>> = {
  mains: 'final',
  sideBolts: 'final',
  girdle: 'final',
  rods: 'final',
  damper: 'final',
  flywheel: 'final',
  oilPump: 'final',
  cover: 'final',
  head: 'heads',
  camCaps: 'heads',
  rockers: 'heads',
  manifold: 'intake',
}
/** Steps of the handbook after which a joint is torqued; of its own bank where it has one. */
const JOINT_AFTER: Readonly<Partial<Record<Joint['kind'], readonly StepName[]>>> = {
  mains: ['final.mainCaps'],
  sideBolts: ['final.mainCaps'],
  rods: ['final.rodCaps'],
  head: ['heads.on'],
  camCaps: ['heads.camsIn'],
  rockers: ['heads.pushrods'],
  flywheel: ['final.crank'],
  damper: ['final.cover'],
  oilPump: ['final.oilPump'],
  cover: ['final.cover'],
  manifold: ['intake.on'],
}
const MINUTES_A_READING = 1.5
const MINUTES_A_PULL = 1
const MINUTES_A_LOOK = 3

const NO_HOLDS = { holds: [], hides: [], needsSecond: false, isOptional: false } as const

/** Every step, by stage and in the order of its stage. */
export const stepsOf = derivation('walkSteps', (build): readonly Step[] => {
  const done = fromHandbook(build)
  // A trial is put together before it is measured, and comes apart after.
  const puts = done.filter(({ isTrial, takesOut }) => isTrial && !takesOut)
  const all = [...looks(build), ...puts, ...readings(build), ...done.filter((step) => !puts.includes(step)), ...pulls(build), ...own(build)]
  return inOrder(all, build.spec.walk?.order ?? [])
})

function readings(build: Build): Step[] {
  return BENCHES.flatMap((bench) => {
    const stations = bench.stations(build)
    return namedEntries(bench.definition.characteristics).flatMap(([characteristic, { label }]): Step[] => {
      const own = stations.flatMap((station) => (station.characteristic === characteristic ? [station.id] : []))
      if (own.length === 0) return []
      const { stage = bench.stage, after = [], holds = [] } = bench.steps[characteristic as CharacteristicId] ?? {}
      return [
        {
          ...NO_HOLDS,
          id: `read.${characteristic}`,
          stage,
          source: { from: 'readings', characteristic, label, stations: own },
          minutes: Math.ceil(own.length * MINUTES_A_READING),
          isTrial: stage !== 'final',
          after: after.flatMap((name) => idsNamed(build.spec, name)),
          holds,
        },
      ]
    })
  })
}

function looks(build: Build): Step[] {
  return BENCHES.flatMap((bench): Step[] => {
    const count = benchChecks(bench, build).length
    if (count === 0) return []
    const source = { from: 'checks', bench: bench.id, title: bench.definition.title } as const
    return [{ ...NO_HOLDS, id: `look.${bench.id}`, stage: bench.stage, source, minutes: count * MINUTES_A_LOOK, isTrial: true, after: [] }]
  })
}

function pulls({ spec }: Build): Step[] {
  return jointsOf(spec).map((joint): Step => ({
    ...NO_HOLDS,
    id: `pull.${joint.id}`,
    stage: STAGE_OF_JOINT[joint.kind],
    source: { from: 'joint', joint: joint.id, name: joint.name },
    ...withBank(joint.id),
    minutes: 10 + joint.fasteners.length * MINUTES_A_PULL,
    isTrial: joint.state === 'trial',
    after: [
      ...(JOINT_AFTER[joint.kind] ?? []).flatMap((name) => idsNamed(spec, name, withBank(joint.id).bank)),
      ...(joint.after ?? []).map((id) => `pull.${id}`),
    ],
  }))
}

function withBank(jointId: string): Pick<Step, 'bank'> {
  if (jointId.endsWith('-left')) return { bank: 'left' }
  return jointId.endsWith('-right') ? { bank: 'right' } : {}
}

type Layout = Build['spec']['layout']

function fromHandbook({ spec }: Build): Step[] {
  const { layout } = spec
  return STEP_NAMES.flatMap((name) => {
    const {
      stage,
      minutes,
      each,
      when,
      isTrial,
      after = [],
      holds = [],
      hides = [],
      needsSecond,
      isOptional,
      clock,
      ...rest
    } = handbookStep(name)
    if (when && !when(spec)) return []
    return places(layout, each).map((place): Step => {
      const named = (names: readonly string[]) => names.flatMap((one) => idsNamed(spec, one, place.bank))
      return {
        ...rest,
        id: idOf(name, place),
        stage,
        source: { from: 'handbook', name },
        minutes,
        isTrial: isTrial ?? false,
        after: named(after),
        holds: holds.filter((hold) => applies(hold, spec)),
        hides: named(hides),
        needsSecond: needsSecond ?? false,
        isOptional: isOptional ?? false,
        ...(clock && { clock: { ...clock, until: named(clock.until) } }),
        ...(place.bank && { bank: place.bank }),
        ...(place.cylinders && { cylinders: place.cylinders }),
      }
    })
  })
}

interface Where {
  readonly bank?: 'left' | 'right'
  readonly cylinders?: readonly number[]
}

function places(layout: Layout, each: 'bank' | 'pin' | undefined): readonly Where[] {
  if (each === 'pin') return layout.pins.map(({ cylinders }) => ({ cylinders }))
  if (each === 'bank' && bankCount(layout) === 2) return [{ bank: 'left' }, { bank: 'right' }]
  return [{}]
}

function idOf(name: string, { bank, cylinders }: Where): string {
  if (bank) return `${name}.${bank}`
  return cylinders ? `${name}.${cylinders.join('-')}` : name
}

/** The steps of a name, or the joints of a kind, that this engine has: of one bank where one is asked for, else all of them. */
function idsNamed(spec: Build['spec'], name: string, bank?: Where['bank']): readonly string[] {
  const isOfBank = (own: Where['bank']) => bank === undefined || own === undefined || own === bank
  if (name.startsWith(JOINT)) {
    const kind = name.slice(JOINT.length)
    return jointsOf(spec).flatMap((joint) => (joint.kind === kind && isOfBank(withBank(joint.id).bank) ? [`pull.${joint.id}`] : []))
  }
  const step = handbookStep(name as StepName)
  if (step.when && !step.when(spec)) return []
  return places(spec.layout, step.each).flatMap((place) => (isOfBank(place.bank) ? [idOf(name, place)] : []))
}
const JOINT = 'joint:'

function own({ spec }: Build): Step[] {
  return (spec.walk?.own ?? []).map(({ id, stage, title, why }): Step => ({
    ...NO_HOLDS,
    id,
    stage,
    source: { from: 'own', title, why: why ?? '' },
    minutes: 15,
    isTrial: false,
    after: [],
  }))
}

/** Stage by stage, and in a stage no step before one it comes after (A. B. Kahn, 1962); else as listed, or as the shop has it. */
function inOrder(all: readonly Step[], wanted: readonly string[]): readonly Step[] {
  const rank = new Map(wanted.map((id, index) => [id, index]))
  return WALK_STAGES.flatMap((stage) => {
    const here = all.filter((step) => step.stage === stage)
    const listed = new Map(here.map(({ id }, index) => [id, rank.get(id) ?? wanted.length + index]))
    return afterOthers(
      here.toSorted((a, b) => listed.get(a.id)! - listed.get(b.id)!),
      wanted.length === 0,
    )
  })
}

/** `isGrouped`: nobody has said an order of their own. */
function afterOthers(steps: readonly Step[], isGrouped: boolean): readonly Step[] {
  const left = [...steps]
  const open = new Set(steps.map(({ id }) => id))
  const ordered: Step[] = []
  const isFree = ({ after }: Step) => !after.some((id) => open.has(id))
  while (left.length > 0) {
    // What is done with the engine standing as it does comes before it is turned over.
    const stands = isGrouped ? ordered.findLast(({ attitude }) => attitude !== undefined)?.attitude : undefined
    const same = left.findIndex((step) => isFree(step) && (step.attitude === undefined || stands === undefined || step.attitude === stands))
    const at = same >= 0 ? same : left.findIndex(isFree)
    // Joints may be planned to wait for each other in a circle: they stand as they are listed, and each waits.
    const [next] = left.splice(Math.max(0, at), 1)
    ordered.push(next!)
    open.delete(next!.id)
  }
  return ordered
}
