import { nonsenseOf } from './nonsense'
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { allWorkOn, workOn } from '../../document/work'
import { crankTurns } from '../../geometry/crank'
import { exactly, resultOf, type Figure } from '../../metrology'
import type { Missing, Remark } from '../../bench/bench'
import { boreOf } from '../../shared/boreDiameter'
import { chamberVolume } from '../../shared/chamberVolume'
import { deckClearance } from '../../shared/deckClearance'
import { fromPaper } from '../../shared/fromPaper'
import { afterWork } from '../../shared/afterWork'
import { gasketOf } from '../../shared/gasket'
import { pocketsCm3 } from '../../shared/pocketWork'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { ratioChain, type RatioFigures, type RatioInputs } from './chain'
import { closingAsFound, pistonVolumeDownTheBore } from './formulas'

/** One cylinder as measured: every input of its ratio, and the ratio if all of them are there. */
export interface CylinderState {
  readonly cylinder: number
  readonly deck: Derived
  readonly chamber: Derived
  readonly piston: Derived
  /** Undefined as long as anything is missing. */
  readonly inputs: RatioInputs | undefined
  readonly chain: RatioFigures | undefined
  readonly missing: readonly Missing[]
  /** Some input is from fewer readings than it has places, or from a part taken out since. */
  readonly isPartial: boolean
  /** What its figures rest on that is no longer so. */
  readonly remarks: readonly Remark[]
}

export const cylinderState = derivation('cylinder', (build, cylinder: number): CylinderState => {
  const deck = deckClearance(build, cylinder)
  const chamber = chamberVolume(build, cylinder)
  const piston = pistonVolume(build, cylinder)
  const gasket = gasketOf(build, cylinder)
  const bore = boreOf(build, cylinder)
  const { inputs, missing } = ratioInputs(build, cylinder, { bore, deck, chamber, piston, ...gasket })
  const chain = inputs && ratioChain(inputs)
  const all = [bore, deck, chamber, piston, ...Object.values(gasket)].flatMap((derived) => (isKnown(derived) ? [derived] : []))
  const remarks = all
    .flatMap((derived) => derived.remarks ?? [])
    .filter(
      (remark, index, some) =>
        remark.code === 'oldPart' && some.findIndex((other) => other.code === 'oldPart' && other.part === remark.part) === index,
    )
  const state = { cylinder, deck, chamber, piston, isPartial: all.some(({ isPartial }) => isPartial), remarks }
  if (chain && chain.clearance.value.value <= 0)
    return { ...state, inputs: undefined, chain: undefined, missing: [{ kind: 'impossible', reason: 'noClearanceVolume' }] }
  const wrong =
    inputs && nonsenseOf({ bore: inputs.bore, gasketBore: inputs.gasketBore, crown: inputs.crevice?.crown, ratio: chain?.ratio })
  if (wrong) return { ...state, inputs: undefined, chain: undefined, missing: [{ kind: 'impossible', reason: wrong }] }
  return { inputs, chain, missing, ...state }
})

type InputsOrMissing = Pick<CylinderState, 'inputs' | 'missing'>

function ratioInputs(
  build: Build,
  cylinder: number,
  measured: Record<'bore' | 'deck' | 'chamber' | 'piston' | 'gasketBore' | 'gasketThickness', Derived>,
): InputsOrMissing {
  const needed = allOf({ stroke: fromPaper(build, 'stroke', cylinder), ...measured })
  if (needed.missing) return { inputs: undefined, missing: needed.missing }
  const rod = paperAt(build, 'rodLength', cylinder)
  const pinOffset = paperAt(build, 'pinOffset')
  const crank = {
    strokeMm: needed.figures.stroke.value.value,
    rodMm: rod?.value.value ?? Infinity,
    pinOffsetMm: pinOffset?.value.value ?? 0,
  }
  if (!crankTurns(crank)) return { inputs: undefined, missing: [{ kind: 'impossible', reason: 'crankDoesNotTurn' }] }
  const inputs = { rod, pinOffset, crevice: creviceOf(build, cylinder), intakeClosing: closingOf(build), ...needed.figures }
  return { inputs, missing: [] }
}

/** Where the intake closes: as its card says, and by what its cam was found later than that. */
function closingOf(build: Build): Figure | undefined {
  const [stated, later] = [paperAt(build, 'intakeClosing'), paperAt(build, 'intakeRetard')]
  // Another cam that is open longer closes later by half of it.
  const card = stated && afterWork(stated, allWorkOn(build, 'lobeDuration/intake') / 2, 'angle', 'Another cam')
  if (!card || !later) return card
  return resultOf(closingAsFound, [
    { label: 'By its card', weight: 1, figure: card },
    { label: 'Cam later than its card', weight: 1, figure: later },
  ])
}

/** Piston volume: the chosen piston of the stock, the paper, or filled down the bore; with pockets as they are to be cut. */
export const pistonVolume = derivation('pistonVolume', (build, cylinder: number): Derived => {
  const chosen = build.spec.stock.pistons.find((piston) => piston.id === build.spec.choice.piston)
  // Filled above pistons that are to come out, it says nothing of those that go in.
  const isFilled = build.spec.methods.piston === 'downTheBore' && !(chosen && isOutgoing(build, cylinder))
  if (!isFilled) return withPockets(build, chosen ? { figure: stockVolume(chosen) } : fromPaper(build, 'pistonVolume', cylinder))
  const inputs = allOf({
    fillCm3: asRead(build, 'compression.pistonFill', { cylinder }),
    boreMm: boreOf(build, cylinder),
    dropMm: asRead(build, 'compression.pistonDrop', { cylinder }),
  })
  if (inputs.missing) return inputs
  return withPockets(build, { figure: pistonVolumeDownTheBore.of(inputs.figures) }, stationId('compression.pistonFill', { cylinder }))
})

function withPockets(build: Build, volume: Derived, station?: string): Derived {
  if (!isKnown(volume)) return volume
  return { ...volume, figure: afterWork(volume.figure, pocketsCm3(build, station), 'volume', 'Pockets cut deeper') }
}

/** Other pistons are considered or planned, and what was filled is the ones that come out. */
function isOutgoing(build: Build, cylinder: number): boolean {
  return build.considered.has('piston') || workOn(build, 'piston', stationId('compression.pistonFill', { cylinder })) !== 0
}

function stockVolume({ id, name, source, volumeCm3 }: Build['spec']['stock']['pistons'][number]): Figure {
  return { value: exactly(volumeCm3), origin: { from: 'stock', id, name, source } }
}

/** The crevice above the top ring, unless a down-the-bore fill has already counted it. */
function creviceOf(build: Build, cylinder: number): RatioInputs['crevice'] {
  const { methods } = build.spec
  if (methods.piston === 'downTheBore' && methods.crevice === 'filled') return undefined
  const crown = paperAt(build, 'crownDiameter', cylinder)
  const landHeight = paperAt(build, 'landHeight', cylinder)
  return crown && landHeight && { crown, landHeight }
}
