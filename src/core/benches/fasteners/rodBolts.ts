/** What the readings of the rod bolts come to, bolt by bolt and cycle by cycle. */
import type { Build } from '../../document/build'
import { figureAt } from '../../document/figures'
import { stationId, type Place } from '../../document/place'
import { derivation } from '../../document/remembered'
import { boltNumbers } from '../../geometry/crank'
import { assumedFigure, paperFigure, resultOf, type Figure } from '../../metrology'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { isPulledOnce, smallestAreaOf, stiffnessOf, yieldOf } from './boltPaper'
import type { BoltCharacteristic } from './definition'
import { lengthened, meanLength, stretchAtYieldShare } from '../../joints/bolts/formulas'
import { curveOf, pulledTo, reaches, settling, torqueForStretch, type Curve, type Pull } from './torqueStretch'

/** The bolts there are to measure: none where they are tightened by torque alone, or rods have none. */
export function boltsMeasured({ spec }: Pick<Build, 'spec'>): readonly number[] {
  return spec.methods.rodBolts === 'torque' ? [] : boltNumbers(spec.layout)
}

/** The bolts whose torque is stepped up: one, or every one; none that is torqued once only. */
export function boltsTried(build: Build): readonly number[] {
  const { rodBolts } = build.spec.methods
  if (rodBolts !== 'found' && rodBolts !== 'curves') return []
  const able = boltsMeasured(build).filter((bolt) => !isPulledOnce(build, bolt))
  return rodBolts === 'curves' ? able : able.slice(0, 1)
}

/** In the middle of 70 to 75 % (common practice). */
const USUAL_SHARE_OF_YIELD = { value: 0.725, tolerance: 0, source: 'common practice: 70 to 75 % of yield' }

/** The stretch a bolt is to have: its card's, or what its yield and its sections make of a usual share. */
export const wantedStretch = derivation('boltWantedStretch', (build, bolt: number): Derived => {
  const card = build.spec.paper.boltStretch
  // Its tolerance is a band to land in, and leaves nothing open of where its middle is.
  if (card) return { figure: paperFigure('boltStretch', { value: card.value, source: card.source }) }
  const inputs = allOf({ boltNPerMm: stiffnessOf(build, bolt), areaMm2: smallestAreaOf(build, bolt), yieldMpa: yieldOf(build, bolt) })
  if (inputs.missing) return { missing: [{ kind: 'paper', key: 'boltStretch' }] }
  return { figure: stretchAtYieldShare.of({ ...inputs.figures, share: assumedFigure('share of yield', USUAL_SHARE_OF_YIELD) }) }
})

export type FreeLength = 'fasteners.freeLength' | 'fasteners.lengthAfter'

/** Where a free length is read: once at the bolt, and as often again as the build wants it. */
export function freeLengthPlaces({ spec }: Pick<Build, 'spec'>, bolt: number): readonly Place[] {
  return Array.from({ length: spec.methods.boltReads }, (_, index) => (index === 0 ? { bolt } : { bolt, repeat: index + 1 }))
}

/** A length off the joint: the mean of its readings; those that are not read yet leave it in part. */
export const freeLength = derivation('boltFreeLength', (build, characteristic: FreeLength, bolt: number): Derived => {
  const reads = freeLengthPlaces(build, bolt).map((place) => asRead(build, characteristic, place))
  const known = reads.filter(isKnown)
  const [only] = known
  if (!only) return { missing: reads.flatMap((read) => (isKnown(read) ? [] : read.missing)) }
  const isPartial = known.length < reads.length
  const remarks = isPartial ? [{ code: 'incomplete', used: known.length, wanted: reads.length } as const] : []
  if (known.length === 1) return { ...only, isPartial, remarks: [...(only.remarks ?? []), ...remarks] }
  const weight = 1 / known.length
  return {
    figure: resultOf(
      meanLength,
      known.map(({ figure }, index) => ({ label: `Reading ${index + 1}`, weight, figure })),
    ),
    isPartial,
    remarks,
  }
})

/** How much longer than free a bolt stands, or stood, at a place. */
export function longerAt(build: Build, characteristic: BoltCharacteristic, place: Place & { readonly bolt: number }): Derived {
  return longerBy(build, place.bolt, asRead(build, characteristic, place))
}

/** How much longer than it was free a bolt is. Of what is read in part, so is what comes of it. */
export function longerBy(build: Build, bolt: number, after: Derived): Derived {
  const before = freeLength(build, 'fasteners.freeLength', bolt)
  const inputs = allOf({ beforeMm: before, afterMm: after })
  if (inputs.missing) return inputs
  return { figure: lengthened.of(inputs.figures), ...partOf(before, after) }
}

function partOf(...of: readonly Derived[]): Omit<Extract<Derived, { figure: Figure }>, 'figure'> {
  const known = of.filter(isKnown)
  return { isPartial: known.some(({ isPartial }) => isPartial), remarks: known.flatMap(({ remarks }) => remarks ?? []) }
}

const SEPARATOR = ' '

/** Torques a bolt was read at in a cycle, from the lowest up. As one text: what has the same text is the same to who asks. */
const torquesRead = derivation('boltTorques', (build, bolt: number, cycle: number): string => {
  const torques: number[] = []
  for (const { characteristic, place } of build.readings.current.values())
    if (characteristic === 'fasteners.lengthAt' && place.bolt === bolt && place.cycle === cycle && place.torque !== undefined)
      torques.push(place.torque)
  return torques.sort((a, b) => a - b).join(SEPARATOR)
})

export function torquesReadAt(build: Build, bolt: number, cycle: number): readonly number[] {
  const text = torquesRead(build, bolt, cycle)
  return text === '' ? [] : text.split(SEPARATOR).map(Number)
}

/** The pulls of a cycle that are known, from the lowest up. */
export const pullsOf = derivation('boltPulls', (build, bolt: number, cycle: number): readonly Pull[] =>
  torquesReadAt(build, bolt, cycle).flatMap((torque): Pull[] => {
    const place = { bolt, cycle, torque }
    const stretch = longerAt(build, 'fasteners.lengthAt', place)
    return isKnown(stretch) ? [pulledTo(stationId('fasteners.lengthAt', place), torque, stretch.figure)] : []
  }),
)

export const curveIn = derivation('boltCurve', (build, bolt: number, cycle: number): Curve | undefined =>
  curveOf(pullsOf(build, bolt, cycle)),
)

/** The torque that gave the wanted stretch in a cycle; undefined while its pulls do not reach it. */
export const torqueIn = derivation('boltTorqueIn', (build, bolt: number, cycle: number): Figure | undefined => {
  const curve = curveIn(build, bolt, cycle)
  const wanted = wantedStretch(build, bolt)
  if (!curve || !isKnown(wanted) || !reaches(curve.straight, wanted.figure.value.value)) return undefined
  return torqueForStretch(curve.straight, wanted.figure)
})

/** How often a bolt was torqued on the bench: every cycle it was read in, and once for its own stretch where no run tells of that. */
export function cyclesRead(build: Build, bolt: number, hasRun: boolean): number {
  const tried = Array.from({ length: MOST_CYCLES }, (_, index) => index + 1).filter((cycle) => torquesReadAt(build, bolt, cycle).length > 0)
  const isTight = figureAt(build, stationId('fasteners.tightLength', { bolt })) !== undefined
  return tried.length + (isTight && !hasRun ? 1 : 0)
}

/** Friction settles as the faces burnish: three times (common practice), more while the last two still differ. */
const CYCLES = 3
/** A bolt is not worn out on the bench. */
const MOST_CYCLES = 6

/** How often a bolt is to be run up: three times where its torque is found, once where only its curve is asked for. */
export const cyclesOf = derivation('boltCycles', (build, bolt: number): number => {
  if (bolt !== boltsTried(build)[0]) return 1
  let cycles = CYCLES
  while (cycles < MOST_CYCLES && isSettled(build, bolt, cycles) === false) cycles++
  return cycles
})

/** Whether friction was the same in a cycle as in the one before; undefined while either is not known. */
function isSettled(build: Build, bolt: number, cycle: number): boolean | undefined {
  const [before, now] = [torqueIn(build, bolt, cycle - 1), torqueIn(build, bolt, cycle)]
  return before && now && settling(before, now).isSettled
}

/** N·m of the steps of a cycle as planned; none before a plan. To a thousandth: it names the place. */
export function plannedTorques({ spec }: Pick<Build, 'spec'>): readonly number[] {
  const [from, to, by] = (['boltStepFrom', 'boltStepTo', 'boltStepBy'] as const).map((key) => spec.paper[key]?.value)
  if (from === undefined || to === undefined || by === undefined || !(by > 0)) return []
  const count = Math.min(MOST_STEPS, Math.floor((to - from) / by + 1e-6) + 1)
  return Array.from({ length: Math.max(0, count) }, (_, index) => Number((from + index * by).toFixed(3)))
}

/** More are a slip of the step. */
const MOST_STEPS = 20

/** The steps of a cycle: those planned, up to the one that reached the wanted stretch, and all that were read. */
export function stepsIn(build: Build, bolt: number, cycle: number): readonly number[] {
  const read = torquesReadAt(build, bolt, cycle)
  const wanted = wantedStretch(build, bolt)
  const reachedAt = isKnown(wanted) ? read.find((torque) => hasReached(build, { bolt, cycle, torque }, wanted.figure)) : undefined
  const open = plannedTorques(build).filter((torque) => reachedAt === undefined || torque < reachedAt)
  return [...new Set([...open, ...read])].sort((a, b) => a - b)
}

function hasReached(build: Build, place: Place & { readonly bolt: number }, wanted: Figure): boolean {
  const longer = longerAt(build, 'fasteners.lengthAt', place)
  return isKnown(longer) && longer.figure.value.value >= wanted.value.value
}
