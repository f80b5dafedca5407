import type { Build } from '../../build/build'
import { paperAt } from '../../build/figures'
import { stationId } from '../../build/place'
import { quantity } from '../../build/remembered'
import type { Methods } from '../../build/types'
import { workOn } from '../../build/work'
import { bankCount, crankTurns, cylinderPlaces } from '../../engine'
import { difference, exactly, expand, limitsU, resultOf, type Figure } from '../../metrology'
import { afterWork } from '../../quantities/afterWork'
import type { CharacteristicId, Missing, Remark } from '../../bench/bench'
import { isOfOldPart } from '../../quantities/oldParts'
import { boreOf } from '../../quantities/boreDiameter'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { ratioChain, type RatioFigures, type RatioInputs } from './chain'
import { deckClearance } from '../../quantities/deckClearance'
import { buretteDifference, closingAsFound, pistonVolumeDownTheBore, repeatMean, volumeByMass } from './formulas'
import { chamberRepeats } from './stations'

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

export const cylinderState = quantity('cylinder', (build, cylinder: number): CylinderState => {
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
  const [card, later] = [paperAt(build, 'intakeClosing'), paperAt(build, 'intakeRetard')]
  if (!card || !later) return card
  return resultOf(closingAsFound, [
    { label: 'By its card', weight: 1, figure: card },
    { label: 'Cam later than its card', weight: 1, figure: later },
  ])
}

/** Chamber volume: the mean of the fills that are complete, by whichever method the build uses. */
export const chamberVolume = quantity('chamber', (build, cylinder: number): Derived => {
  const fills = chamberRepeats(build).map((repeat) => workedFill(build, cylinder, repeat))
  const known = fills.flatMap((fill) => (isKnown(fill) ? [fill.figure] : []))
  if (known.length === 0) return { missing: fills.flatMap((fill) => (isKnown(fill) ? [] : fill.missing)) }
  const mean =
    known.length === 1
      ? known[0]!
      : resultOf(
          repeatMean,
          known.map((fill, index) => ({ label: `Fill ${index + 1}`, weight: 1 / known.length, figure: fill })),
        )
  return {
    figure: mean,
    isPartial: known.length < fills.length,
    remarks: [...missingFills(fills.length, known.length), ...repeatsDisagree(known)],
  }
})

/** The reading that ends a fill, by the method of the build. */
const LAST_OF_FILL = {
  buretteLevels: 'compression.chamberEnd',
  buretteVolume: 'compression.chamber',
  mass: 'compression.chamberMass',
} as const satisfies Record<Methods['chamber'], CharacteristicId>

/** A fill as it was read, or as it will be once the head is cut and the chamber opened. */
function workedFill(build: Build, cylinder: number, repeat: number): Derived {
  const fill = oneFill(build, cylinder, repeat)
  if (!isKnown(fill)) return fill
  const station = stationId(LAST_OF_FILL[build.spec.methods.chamber], { cylinder, repeat })
  const cutCm3 = ((build.spec.paper.chamberOpenArea?.value ?? 0) * workOn(build, 'headCut', station)) / MM_PER_CM
  const changeCm3 = workOn(build, `openChamber/${cylinder}`, station) - cutCm3
  return { ...fill, figure: afterWork(fill.figure, changeCm3, 'volume', 'Head cut and chamber work') }
}

const MM_PER_CM = 10

function missingFills(wanted: number, used: number): Remark[] {
  return used < wanted ? [{ code: 'incomplete', used, wanted }] : []
}

/** Two fills further apart than their own uncertainty: a bubble, a drip or a slip of the pen. */
function repeatsDisagree(fills: readonly Figure[]): Remark[] {
  const ranked = [...fills].sort((a, b) => a.value.value - b.value.value)
  const apart = difference(ranked.at(-1)!.value, ranked[0]!.value)
  if (apart.value <= expand(apart).U) return []
  const text = { id: 'apart', title: 'Fills apart', kind: 'volume', expression: 'largest − smallest', source: 'definition' } as const
  return [
    {
      code: 'repeatsDisagree',
      apart: resultOf(text, [
        { label: 'Largest fill', weight: 1, figure: ranked.at(-1)! },
        { label: 'Smallest fill', weight: -1, figure: ranked[0]! },
      ]),
    },
  ]
}

function oneFill(build: Build, cylinder: number, repeat: number): Derived {
  const place = { cylinder, repeat }
  switch (build.spec.methods.chamber) {
    case 'buretteVolume':
      return asRead(build, 'compression.chamber', place)
    case 'mass': {
      const inputs = allOf({ massG: asRead(build, 'compression.chamberMass', place), densityGPerCm3: fromPaper(build, 'fluidDensity') })
      return inputs.missing ? inputs : { figure: volumeByMass.of(inputs.figures) }
    }
    case 'buretteLevels': {
      const inputs = allOf({ start: asRead(build, 'compression.chamberStart', place), end: asRead(build, 'compression.chamberEnd', place) })
      if (inputs.missing) return inputs
      const { start, end } = inputs.figures
      // Some burettes count down as they empty, some up: the volume run in is the difference either way.
      const sign = start.value.value >= end.value.value ? 1 : -1
      return {
        figure: resultOf(buretteDifference, [
          { label: 'Burette before', weight: sign, figure: start },
          { label: 'Burette after', weight: -sign, figure: end },
        ]),
      }
    }
  }
}

/** Piston volume: the chosen piston of the stock, the paper, or filled down the bore. */
export const pistonVolume = quantity('pistonVolume', (build, cylinder: number): Derived => {
  const chosen = build.spec.stock.pistons.find((piston) => piston.id === build.spec.choice.piston)
  // Filled above pistons that are to come out, it says nothing of those that go in.
  const isFilled = build.spec.methods.piston === 'downTheBore' && !(chosen && isOutgoing(build, cylinder))
  if (isFilled) {
    const inputs = allOf({
      fillCm3: asRead(build, 'compression.pistonFill', { cylinder }),
      boreMm: boreOf(build, cylinder),
      dropMm: asRead(build, 'compression.pistonDrop', { cylinder }),
    })
    return inputs.missing ? inputs : { figure: pistonVolumeDownTheBore.of(inputs.figures) }
  }
  if (chosen) return { figure: stockVolume(chosen) }
  const figure = paperAt(build, 'pistonVolume', cylinder)
  return figure ? { figure } : { missing: [{ kind: 'paper', key: 'pistonVolume' }] }
})

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

/** The gasket above a cylinder: measured where it was clamped, or as its maker states it. */
function gasketOf(build: Build, cylinder: number): { gasketBore: Derived; gasketThickness: Derived } {
  const bank = bankCount(build.spec.layout) === 2 ? cylinderPlaces(build.spec.layout)[cylinder - 1]!.bank : 'left'
  const stated = statedGasket(build)
  if (build.spec.methods.gasket === 'paper') return stated
  const measured = (which: keyof typeof stated): Derived => {
    const characteristic = `compression.${which}` as const
    const reading = build.readings.current.get(stationId(characteristic, { bank }))
    if (!isOfOldPart(build, 'gasket', reading?.id)) return asRead(build, characteristic, { bank })
    const maker = stated[which]
    return isKnown(maker) ? { ...maker, isPartial: true, remarks: [{ code: 'oldPart', part: 'gasket' }] } : maker
  }
  return { gasketThickness: measured('gasketThickness'), gasketBore: measured('gasketBore') }
}

function statedGasket(build: Build): { gasketBore: Derived; gasketThickness: Derived } {
  const gasket = build.spec.stock.gaskets.find((option) => option.id === build.spec.choice.gasket)
  if (!gasket) {
    const missing: Derived = { missing: [{ kind: 'choice', what: 'gasket' }] }
    return { gasketBore: missing, gasketThickness: missing }
  }
  return gasketFigures(gasket)
}

/** A stock gasket as figures; its stated tolerance becomes uncertainty shared by every cylinder under it. */
export function gasketFigures(gasket: Build['spec']['stock']['gaskets'][number]): {
  gasketBore: { figure: Figure }
  gasketThickness: { figure: Figure }
} {
  const origin = { from: 'stock', id: gasket.id, name: gasket.name, source: gasket.source } as const
  const owner = `stock:${gasket.id}`
  const u = limitsU(gasket.thicknessToleranceMm ?? 0)
  return {
    gasketBore: { figure: { value: exactly(gasket.boreMm), origin } },
    gasketThickness: {
      figure: {
        value: { value: gasket.thicknessMm, components: u === 0 ? [] : [{ source: { id: owner, owner, dof: Infinity }, u }] },
        origin,
      },
    },
  }
}

export function fromPaper(build: Build, key: Parameters<typeof paperAt>[1], piece?: number): Derived {
  const figure = paperAt(build, key, piece)
  return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
}
