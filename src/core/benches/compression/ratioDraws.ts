import { DRAWS_PER_BLOCK, type Bounds, type MonteCarloModel, type Uncertain } from '../../metrology'
import { sweptLengthMm } from '../../geometry/crank'
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
      for (let cylinder = 0; cylinder < known.length; cylinder++) {
        const rows = slots.subarray(cylinder * INPUTS, (cylinder + 1) * INPUTS).map((slot) => slot * DRAWS_PER_BLOCK)
        ratios(values, rows, out.subarray(cylinder * DRAWS_PER_BLOCK), count, known[cylinder]!.inputs)
      }
    },
  }
}

/** A block of draws of one cylinder's ratio, from where each of its inputs begins. */
function ratios(values: Float64Array, rows: Int32Array, out: Float64Array, count: number, { rod, pinOffset }: RatioInputs): void {
  const bore = rows[0]!
  const stroke = rows[1]!
  const chamber = rows[2]!
  const piston = rows[3]!
  const deck = rows[4]!
  const gasketBore = rows[5]!
  const gasketThickness = rows[6]!
  const crown = rows[7]!
  const land = rows[8]!
  const offset = rows[9]!
  const rodMm = rod?.value.value ?? Infinity
  for (let draw = 0; draw < count; draw++) {
    const strokeMm = values[stroke + draw]!
    out[draw] = ratioOf(
      values[bore + draw]!,
      pinOffset ? sweptLengthMm({ strokeMm, rodMm, pinOffsetMm: values[offset + draw]! }) : strokeMm,
      values[chamber + draw]!,
      values[piston + draw]!,
      values[deck + draw]!,
      values[gasketBore + draw]!,
      values[gasketThickness + draw]!,
      values[crown + draw]!,
      values[land + draw]!,
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
