import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { standardUncertainty, type Conformity, type Uncertain } from '../../metrology'
import type { Finding, Headline } from '../../bench/bench'
import { worst } from '../../bench/worst'
import type { CompressionOutput } from './definition'
import type { CylinderState } from './cylinder'
import { derive } from './derive'
import { applyChanges } from '../../document/changes'
import type { Gasket, PistonOption } from './stock'

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

/** The engine after a change, as this bench finds it. */
export interface Outcome {
  readonly ratios: readonly { readonly cylinder: number; readonly ratio: Uncertain }[]
  readonly ratioSpread?: Uncertain
  readonly quenchLeast?: Uncertain
  /** The worst verdict among everything this bench judges. */
  readonly verdict: Conformity['verdict'] | 'notJudged'
  /** How many findings are out of their limits. */
  readonly out: number
}

/** What an outcome says of the figures a builder asks for first. */
export function headlines({ ratios, ratioSpread, quenchLeast }: Outcome): Headline[] {
  const ranked = ratios.map(({ ratio }) => ratio).sort((a, b) => a.value - b.value)
  const single = (output: CompressionOutput, value: Uncertain | undefined): Headline[] =>
    value ? [{ output, low: value, high: value }] : []
  return [
    ...(ranked.length > 0 ? [{ output: 'compression.compressionRatio' as const, low: ranked[0]!, high: ranked.at(-1)! }] : []),
    ...single('compression.ratioSpread', ratioSpread),
    ...single('compression.quench', quenchLeast),
  ]
}

/** Compression height of the pistons that were measured: of the chosen stock piston, or on paper. */
export function compressionHeightMm({ spec }: Build): number | undefined {
  return spec.stock.pistons.find(({ id }) => id === spec.choice.piston)?.compressionHeightMm ?? spec.paper.compressionHeight?.value
}

/**
 * Knobs turned, as a build takes it.
 * @throws if pistons are to be changed whose height cannot be compared with the measured ones.
 */
export function knobChanges(build: Build, { gasket, piston, deckCutMm, headCutMm, openedCm3 }: Knobs): EngineChange[] {
  const heightMm = compressionHeightMm(build)
  if (piston && heightMm === undefined) throw new Error('knobChanges: the compression height of the measured pistons is not known')
  return [
    ...(gasket && gasket.id !== build.spec.choice.gasket ? [{ choose: 'gasket', id: gasket.id } as const] : []),
    ...(piston
      ? ([
          { choose: 'piston', id: piston.id },
          { what: 'piston', id: piston.id, by: piston.compressionHeightMm - heightMm! },
        ] as const)
      : []),
    ...(deckCutMm ? [{ what: 'deckCut', by: deckCutMm } as const] : []),
    ...(headCutMm ? [{ what: 'headCut', by: headCutMm } as const] : []),
    ...[...(openedCm3 ?? [])].map(([cylinder, by]) => ({ what: 'openChamber', cylinder, by }) as const),
  ]
}

/** The build with the knobs turned. */
export function withKnobs(build: Build, knobs: Knobs): Build {
  return applyChanges(build, knobChanges(build, knobs))
}

/** What this bench finds of a build: every ratio, the spread, the least quench, and the worst verdict over all it judges. */
export function outcomeOf(build: Build): Outcome {
  const findings = derive(build)
  const known = (output: CompressionOutput) =>
    findings.flatMap((finding) =>
      finding.output === output && finding.figure ? [{ cylinder: finding.cylinder ?? 0, value: finding.figure.value }] : [],
    )
  return {
    ratios: known('compression.compressionRatio').map(({ cylinder, value }) => ({ cylinder, ratio: value })),
    ratioSpread: known('compression.ratioSpread')[0]?.value,
    quenchLeast: known('compression.quench')
      .map(({ value }) => value)
      .sort((a, b) => a.value - b.value)[0],
    verdict: worst(findings.flatMap(({ conformity }) => conformity?.verdict ?? [])),
    out: findings.filter(isOut).length,
  }
}

function isOut({ conformity }: Finding): boolean {
  return conformity?.verdict === 'over' || conformity?.verdict === 'under'
}

/**
 * How much each chamber must be opened to match the largest that is not itself too large; chambers nearer than the burette can
 * tell are left, and so is one beyond the limit: opening the good ones to match it would take them out with it.
 */
export function equalisingCm3(states: readonly CylinderState[], upperCm3 = Infinity): ReadonlyMap<number, number> {
  const chambers = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, figure: state.inputs.chamber }] : []))
  const largest = Math.max(...chambers.map(({ figure }) => figure.value.value).filter((volume) => volume <= upperCm3))
  return new Map(
    chambers.flatMap(({ cylinder, figure }) => {
      const openCm3 = largest - figure.value.value
      return openCm3 > 2 * standardUncertainty(figure.value) ? [[cylinder, openCm3] as const] : []
    }),
  )
}
