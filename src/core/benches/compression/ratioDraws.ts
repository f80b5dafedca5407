import type { Bounds, MonteCarloModel, Uncertain } from '../../metrology'
import { bareRatio, numbersOf, type RatioInputs, type RatioNumbers } from './chain'
import type { CylinderState } from './cylinder'

type Scratch = { -readonly [Name in keyof RatioNumbers]: number }

/** A Monte Carlo model of every known cylinder's ratio, by the same arithmetic as the ratio itself. */
export function ratioModel(
  states: readonly CylinderState[],
  bounds: Bounds | undefined,
): MonteCarloModel & { readonly cylinders: readonly number[] } {
  const known = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, inputs: state.inputs }] : []))
  // What cylinders share (stroke, gasket, piston paper) is one input, dealt once a draw.
  const distinct = new Map<string, { readonly value: Uncertain; readonly slot: number }>()
  const slots = Int32Array.from(
    known.flatMap(({ inputs }) =>
      inputsOf(inputs).map((value) => {
        const key = `${value.value} ${value.components.map(({ source, u }) => `${source.id} ${u}`).join()}`
        if (!distinct.has(key)) distinct.set(key, { value, slot: distinct.size })
        return distinct.get(key)!.slot
      }),
    ),
  )
  // One object a cylinder, written over by every draw: five million new ones would be the slowest part.
  const scratches = known.map(({ inputs }): Scratch => ({ ...numbersOf(inputs) }))
  return {
    cylinders: known.map(({ cylinder }) => cylinder),
    inputs: [...distinct.values()].map(({ value }) => value),
    results: known.length,
    bounds: known.map(() => bounds),
    evaluate(values, out) {
      for (let cylinder = 0; cylinder < out.length; cylinder++) {
        const at = cylinder * INPUTS
        const scratch = scratches[cylinder]!
        scratch.boreMm = values[slots[at]!]!
        scratch.strokeMm = values[slots[at + 1]!]!
        scratch.chamberCm3 = values[slots[at + 2]!]!
        scratch.pistonCm3 = values[slots[at + 3]!]!
        scratch.deckMm = values[slots[at + 4]!]!
        scratch.gasketBoreMm = values[slots[at + 5]!]!
        scratch.gasketThicknessMm = values[slots[at + 6]!]!
        scratch.crownMm = values[slots[at + 7]!]!
        scratch.landHeightMm = values[slots[at + 8]!]!
        scratch.pinOffsetMm = values[slots[at + 9]!]!
        out[cylinder] = bareRatio(scratch)
      }
    },
  }
}

const NOTHING: Uncertain = { value: 0, components: [] }
const INPUTS = 10

/** In the order `evaluate` reads them. Without a crevice on paper the land is as wide as the bore and nothing high. */
function inputsOf(inputs: RatioInputs): readonly Uncertain[] {
  return [
    inputs.bore,
    inputs.stroke,
    inputs.chamber,
    inputs.piston,
    inputs.deck,
    inputs.gasketBore,
    inputs.gasketThickness,
    inputs.crevice?.crown ?? inputs.bore,
    inputs.crevice?.landHeight,
    inputs.pinOffset,
  ].map((figure) => figure?.value ?? NOTHING)
}
