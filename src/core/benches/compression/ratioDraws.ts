import type { Bounds, MonteCarloModel, Uncertain } from '../../metrology'
import { sweptLengthMm } from '../../engine'
import { ratioOf, type RatioInputs } from './chain'
import type { CylinderState } from './cylinder'

/** A Monte Carlo model of every known cylinder's ratio, by the same arithmetic as the ratio itself. */
export function ratioModel(
  states: readonly CylinderState[],
  bounds: Bounds | undefined,
): MonteCarloModel & { readonly cylinders: readonly number[]; readonly slots: Int32Array } {
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
  return {
    cylinders: known.map(({ cylinder }) => cylinder),
    slots,
    inputs: [...distinct.values()].map(({ value }) => value),
    results: known.length,
    bounds: known.map(() => bounds),
    evaluate(values, out, count) {
      for (let cylinder = 0; cylinder < out.length; cylinder++) {
        const at = cylinder * INPUTS
        const own = Array.from({ length: INPUTS }, (_, input) => values[slots[at + input]!]!)
        ratios(own, out[cylinder]!, count, known[cylinder]!.inputs)
      }
    },
  }
}

/** A block of draws of one cylinder's ratio. */
function ratios(inputs: readonly Float64Array[], out: Float64Array, count: number, { rod, pinOffset }: RatioInputs): void {
  const [bore, stroke, chamber, piston, deck, gasketBore, gasketThickness, crown, land, offset] = inputs as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const rodMm = rod?.value.value ?? Infinity
  for (let draw = 0; draw < count; draw++) {
    const travelMm = pinOffset ? sweptLengthMm({ strokeMm: stroke[draw]!, rodMm, pinOffsetMm: offset[draw]! }) : stroke[draw]!
    out[draw] = ratioOf(
      bore[draw]!,
      travelMm,
      chamber[draw]!,
      piston[draw]!,
      deck[draw]!,
      gasketBore[draw]!,
      gasketThickness[draw]!,
      crown[draw]!,
      land[draw]!,
    )
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
