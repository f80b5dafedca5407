import type { Build } from '../../build/build'
import type { Gasket, PistonOption } from '../../build/types'
import { exactly, resultOf, spread, standardUncertainty, judge, type Conformity, type Figure } from '../../metrology'
import type { Headline } from '../bench'
import { worst } from '../worst'
import { ratioChain, type RatioFigures, type RatioInputs } from './chain'
import { gasketFigures, type CylinderState } from './cylinder'

/** Knobs that change a ratio. Nothing given: nothing changed. */
export interface Knobs {
  readonly gasket?: Gasket
  readonly piston?: PistonOption
  /** Taken off the deck: every piston stands that much higher. */
  readonly deckCutMm?: number
  /** Taken off the head: every chamber loses its open area times this. */
  readonly headCutMm?: number
  /** Ground out of a chamber. */
  readonly openedCm3?: ReadonlyMap<number, number>
}

/** The engine after a change. */
export interface Outcome {
  readonly ratios: readonly { readonly cylinder: number; readonly figure: Figure }[]
  readonly ratioSpread?: Figure
  readonly quenchLeast?: Figure
  /** The worst verdict among the figures that have a limit. */
  readonly verdict: Conformity['verdict'] | 'notJudged'
}

/** What an outcome says of the figures a builder asks for first. */
export function headlines({ ratios, ratioSpread, quenchLeast }: Outcome): Headline[] {
  const ranked = ratios.map(({ figure }) => figure).sort((a, b) => a.value.value - b.value.value)
  const single = (output: string, figure: Figure | undefined): Headline[] => (figure ? [{ output, low: figure, high: figure }] : [])
  return [
    ...(ranked.length > 0 ? [{ output: 'compressionRatio', low: ranked[0]!, high: ranked.at(-1)! }] : []),
    ...single('ratioSpread', ratioSpread), ...single('quench', quenchLeast),
  ]
}

/** One cylinder's inputs with the knobs turned. The doubt of what was measured stays; a cut is taken as it is set. */
export function turned(build: Build, cylinder: number, inputs: RatioInputs, knobs: Knobs): RatioInputs {
  const { paper, choice, stock } = build.spec
  const openAreaCm2 = paper.chamberOpenArea?.value ?? 0
  const chamberChange = (knobs.openedCm3?.get(cylinder) ?? 0) - (openAreaCm2 * (knobs.headCutMm ?? 0)) / 10
  const heightNowMm = stock.pistons.find((piston) => piston.id === choice.piston)?.compressionHeightMm ?? paper.compressionHeight?.value
  const rise = knobs.piston && heightNowMm !== undefined ? knobs.piston.compressionHeightMm - heightNowMm : 0
  return {
    ...inputs,
    ...(knobs.gasket ? unwrap(gasketFigures(knobs.gasket)) : {}),
    ...(knobs.piston ? { piston: pistonFigure(knobs.piston) } : {}),
    deck: shifted(inputs.deck, -(knobs.deckCutMm ?? 0) - rise, 'length', 'Cut or taller piston'),
    chamber: shifted(inputs.chamber, chamberChange, 'volume', 'Head cut and chamber work'),
  }
}

/** The engine with the knobs turned: every ratio, the spread, the least quench and the worst verdict. */
export function outcomeOf(build: Build, states: readonly CylinderState[], knobs: Knobs): Outcome {
  const chains = new Map(states.flatMap((state): [number, RatioFigures][] =>
    (state.inputs ? [[state.cylinder, ratioChain(turned(build, state.cylinder, state.inputs, knobs))]] : [])))
  const ratios = [...chains].map(([cylinder, chain]) => ({ cylinder, figure: chain.ratio }))
  const ratioSpread = spreadFigure(new Map(ratios.map(({ cylinder, figure }) => [cylinder, figure])))
  const quenchLeast = [...chains.values()].map((chain) => chain.quench).sort((a, b) => a.value.value - b.value.value)[0]
  const { limits, methods } = build.spec
  const verdicts: Conformity['verdict'][] = [
    ...(limits.compressionRatio ? ratios.map(({ figure }) => judge(figure.value, limits.compressionRatio!, methods.rule).verdict) : []),
    ...(limits.quench ? [...chains.values()].map((chain) => judge(chain.quench.value, limits.quench!, methods.rule).verdict) : []),
    ...(limits.ratioSpread && ratioSpread ? [judge(ratioSpread.value, limits.ratioSpread, methods.rule).verdict] : []),
  ]
  return { ratios, ratioSpread, quenchLeast, verdict: worst(verdicts) }
}

/** How much each chamber must be opened to match the largest; chambers nearer than the burette can tell are left. */
export function equalisingCm3(states: readonly CylinderState[]): ReadonlyMap<number, number> {
  const chambers = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, figure: state.inputs.chamber }] : []))
  const largest = Math.max(...chambers.map(({ figure }) => figure.value.value))
  return new Map(chambers.flatMap(({ cylinder, figure }) => {
    const openCm3 = largest - figure.value.value
    return openCm3 > 2 * standardUncertainty(figure.value) ? [[cylinder, openCm3] as const] : []
  }))
}

function spreadFigure(figures: ReadonlyMap<number, Figure>): Figure | undefined {
  const found = spread(new Map([...figures].map(([cylinder, figure]) => [cylinder, figure.value])))
  return found && { value: found.spread, origin: { from: 'typed', name: 'largest − smallest' } }
}

function pistonFigure(piston: PistonOption): Figure {
  return { value: exactly(piston.volumeCm3), origin: { from: 'stock', id: piston.id, name: piston.name, source: piston.source } }
}

function shifted(figure: Figure, by: number, kind: 'length' | 'volume', label: string): Figure {
  if (by === 0) return figure
  const change: Figure = { value: exactly(by), origin: { from: 'typed', name: label } }
  return resultOf(
    { id: 'afterChange', title: 'After the change', kind, expression: 'measured + change', source: 'definition' },
    [{ label: 'Measured', weight: 1, figure }, { label, weight: 1, figure: change }],
  )
}

function unwrap(gasket: ReturnType<typeof gasketFigures>) {
  return { gasketBore: gasket.gasketBore.figure, gasketThickness: gasket.gasketThickness.figure }
}
