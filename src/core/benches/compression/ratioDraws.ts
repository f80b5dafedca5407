import { DRAWS_PER_BLOCK, type Bounds, type Figure, type MonteCarloModel, type Uncertain } from '../../metrology'
import { sweptLengthMm } from '../../geometry/crank'
import { ratioOf, type RatioInputs } from './chain'
import type { CylinderState } from './cylinder'

/** What the ratio of a cylinder is drawn from. Without a crevice on paper the land is as wide as the bore and nothing high. */
const DRAWN = {
  bore: ({ bore }) => bore,
  stroke: ({ stroke }) => stroke,
  chamber: ({ chamber }) => chamber,
  piston: ({ piston }) => piston,
  deck: ({ deck }) => deck,
  gasketBore: ({ gasketBore }) => gasketBore,
  gasketThickness: ({ gasketThickness }) => gasketThickness,
  crown: ({ crevice, bore }) => crevice?.crown ?? bore,
  landHeight: ({ crevice }) => crevice?.landHeight,
  pinOffset: ({ pinOffset }) => pinOffset,
} as const satisfies Readonly<Record<string, (inputs: RatioInputs) => Figure | undefined>>

/** Of each input which row of the draws holds it. */
type Rows = Readonly<Record<keyof typeof DRAWN, number>>

const NOTHING: Uncertain = { value: 0, components: [] }

/** A Monte Carlo model of every known cylinder's ratio, by the same arithmetic as the ratio itself. */
export function ratioModel(
  states: readonly CylinderState[],
  bounds: Bounds | undefined,
): MonteCarloModel & { readonly cylinders: readonly number[]; readonly rowsOf: readonly Rows[] } {
  const known = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, inputs: state.inputs }] : []))
  const { drawn, rowsOf } = sharedRows(known.map(({ inputs }) => inputs))
  return {
    cylinders: known.map(({ cylinder }) => cylinder),
    rowsOf,
    inputs: drawn,
    results: known.length,
    bounds: known.map(() => bounds),
    evaluate(values, out, count) {
      known.forEach(({ inputs }, index) => ratios(values, rowsOf[index]!, out.subarray(index * DRAWS_PER_BLOCK), count, inputs))
    },
  }
}

/** What cylinders share (stroke, gasket, piston paper) is one row, drawn once. */
function sharedRows(cylinders: readonly RatioInputs[]): { readonly drawn: readonly Uncertain[]; readonly rowsOf: readonly Rows[] } {
  const rows = new Map<string, { readonly value: Uncertain; readonly row: number }>()
  const rowOf = (value: Uncertain) => {
    const key = `${value.value} ${value.components.map(({ source, u }) => `${source.id} ${u}`).join()}`
    if (!rows.has(key)) rows.set(key, { value, row: rows.size })
    return rows.get(key)!.row
  }
  const rowsOf = cylinders.map(
    (inputs) =>
      Object.fromEntries(Object.entries(DRAWN).map(([name, of]) => [name, rowOf(of(inputs)?.value ?? NOTHING)])) as unknown as Rows,
  )
  return { drawn: [...rows.values()].map(({ value }) => value), rowsOf }
}

/** A block of draws of one cylinder's ratio. */
function ratios(values: Float64Array, rows: Rows, out: Float64Array, count: number, { rod, pinOffset }: RatioInputs): void {
  // Where the draws of each begin: one array, for a loop that reads ten takes twice as long.
  const startOf = (row: number) => row * DRAWS_PER_BLOCK
  const bore = startOf(rows.bore)
  const stroke = startOf(rows.stroke)
  const chamber = startOf(rows.chamber)
  const piston = startOf(rows.piston)
  const deck = startOf(rows.deck)
  const gasketBore = startOf(rows.gasketBore)
  const gasketThickness = startOf(rows.gasketThickness)
  const crown = startOf(rows.crown)
  const landHeight = startOf(rows.landHeight)
  const offset = startOf(rows.pinOffset)
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
      values[landHeight + draw]!,
    )
  }
}
