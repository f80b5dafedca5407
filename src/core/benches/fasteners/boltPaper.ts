/** What stands on the sheet of the rod bolts, as their joint has it: one idea, one place. */
import type { Build } from '../../document/build'
import { derivation } from '../../document/remembered'
import type { Joint } from '../../document/types'
import { assumedFigure, exactly, type Figure } from '../../metrology'
import { jointsOf } from '../../joints'
import type { Derived } from '../../bench/finding'
import type { Missing } from '../../bench/bench'
import { boltStiffness, roundSection, stressArea, type Section } from '../../joints/bolts/formulas'
import { THREAD_PROFILE } from '../../joints/bolts/profile'
import { STEEL_MODULUS } from '../../joints/bolts/steelModulus'
import { isThread, readThread } from '../../joints/bolts/thread'

type FastenerType = Joint['types'][number]
type Wanted = Extract<Missing, { kind: 'joint' }>['what']

/** The joint of the rods; bolt n of the engine is its fastener n. */
const rodJoint = derivation('rodJoint', ({ spec }): Joint | undefined => jointsOf(spec).find(({ kind }) => kind === 'rods'))

function typeOfBolt(build: Build, bolt: number): FastenerType | undefined {
  const joint = rodJoint(build)
  const letter = joint?.fasteners[bolt - 1]?.type
  return joint?.types.find((type) => type.letter === letter)
}

/** A bolt that is torqued to yield, or once only, is not tried out. */
export function isPulledOnce(build: Build, bolt: number): boolean {
  const method = rodJoint(build)?.groups.find(({ order }) => order.includes(bolt))?.method
  return method === 'toYield' || typeOfBolt(build, bolt)?.onceOnly === true
}

export function wants(what: Wanted): Derived {
  return { missing: [{ kind: 'joint', what }] }
}

/** A number of the sheet: exact, since it gives no tolerance. */
function onSheet(type: FastenerType, name: string, value: number): Figure {
  const source = type.source ?? 'the joint’s sheet'
  return { value: exactly(value), origin: { from: 'stock', id: `bolt.${type.letter}.${name}`, name: `bolt ${type.letter}`, source } }
}

function sectionsOf(type: FastenerType | undefined): readonly Section[] {
  return (type?.sections ?? []).map(({ lengthMm, diameterMm }, index) => ({
    lengthMm: onSheet(type!, `length${index}`, lengthMm),
    diameterMm: onSheet(type!, `diameter${index}`, diameterMm),
  }))
}

/** What a sheet comes to is the same for every bolt of its type: worked out once for each. */
const ofType = <Value>(name: string, of: (type: FastenerType | undefined) => Value) => {
  const byLetter = derivation(name, (build, letter: string) => of(rodJoint(build)?.types.find((type) => type.letter === letter)))
  return (build: Build, bolt: number): Value => byLetter(build, rodJoint(build)?.fasteners[bolt - 1]?.type ?? '')
}

export const stiffnessOf = ofType('boltStiffness', (type): Derived => {
  const sections = sectionsOf(type)
  return sections.length > 0 ? { figure: boltStiffness(sections, assumedFigure('modulus of steel', STEEL_MODULUS)) } : wants('sections')
})

export const yieldOf = ofType('boltYield', (type): Derived =>
  type?.yieldMpa === undefined ? wants('yield') : { figure: onSheet(type, 'yield', type.yieldMpa) },
)

export const proofOf = ofType('boltProof', (type): Derived =>
  type?.proofMpa === undefined ? wants('proof') : { figure: onSheet(type, 'proof', type.proofMpa) },
)

interface BoltThread {
  readonly diameterMm: Figure
  readonly stressAreaMm2: Figure
}

/** Nominal diameter, and the stress area of the thread. */
export const threadOf = ofType('boltThread', threadOfType)

function threadOfType(type: FastenerType | undefined): BoltThread | undefined {
  const thread = type?.thread === undefined ? undefined : readThread(type.thread)
  if (!thread || !isThread(thread)) return undefined
  const diameterMm = onSheet(type!, 'diameter', thread.diameterMm)
  const factor = onSheet(type!, 'profile', THREAD_PROFILE.stressDiameter[thread.standard])
  return { diameterMm, stressAreaMm2: stressArea.of({ diameterMm, pitchMm: onSheet(type!, 'pitch', thread.pitchMm), factor }) }
}

/** Where it gives first: the smallest of its sections and of the stress area of its thread. */
export const smallestAreaOf = ofType('boltSmallestArea', (type): Derived => {
  const sections = sectionsOf(type)
  if (sections.length === 0) return wants('sections')
  const thread = threadOfType(type)
  const areas = [...sections.map(({ diameterMm }) => roundSection.of({ diameterMm })), ...(thread ? [thread.stressAreaMm2] : [])]
  return { figure: areas.reduce((least, area) => (area.value.value < least.value.value ? area : least)) }
})
