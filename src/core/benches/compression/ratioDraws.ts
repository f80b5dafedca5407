import type { Bounds, MonteCarloModel, Uncertain } from '../../metrology'
import { bareRatio, type RatioInputs } from './chain'
import type { CylinderState } from './cylinder'

const INPUTS_PER_CYLINDER = 10

/** A Monte Carlo model of every known cylinder's ratio, by the same formulas as the ratio itself. */
export function ratioModel(states: readonly CylinderState[], bounds: Bounds | undefined): MonteCarloModel & { readonly cylinders: readonly number[] } {
  const known = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, inputs: state.inputs }] : []))
  return {
    cylinders: known.map(({ cylinder }) => cylinder),
    inputs: known.flatMap(({ inputs }) => inputsOf(inputs)),
    results: known.length,
    bounds: known.map(() => bounds),
    evaluate(values, out) {
      for (let cylinder = 0; cylinder < out.length; cylinder++) {
        const at = cylinder * INPUTS_PER_CYLINDER
        out[cylinder] = bareRatio({
          boreMm: values[at]!, strokeMm: values[at + 1]!, chamberCm3: values[at + 2]!, pistonCm3: values[at + 3]!, deckMm: values[at + 4]!,
          gasketBoreMm: values[at + 5]!, gasketThicknessMm: values[at + 6]!, crownMm: values[at + 7]!, landHeightMm: values[at + 8]!,
          pinOffsetMm: values[at + 9]!, rodMm: known[cylinder]!.inputs.rod?.value.value ?? Infinity,
        })
      }
    },
  }
}

const NOTHING: Uncertain = { value: 0, components: [] }

/** In the order `evaluate` reads them. Without a crevice on paper the land is as wide as the bore and nothing high. */
function inputsOf(inputs: RatioInputs): Uncertain[] {
  return [
    inputs.bore, inputs.stroke, inputs.chamber, inputs.piston, inputs.deck, inputs.gasketBore, inputs.gasketThickness,
    inputs.crevice?.crown ?? inputs.bore, inputs.crevice?.landHeight, inputs.pinOffset,
  ].map((figure) => figure?.value ?? NOTHING)
}
