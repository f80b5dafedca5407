import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import type { PaperKey } from '../../document/paper'
import { derivation } from '../../document/remembered'
import type { Place } from '../../document/types'
import { bankCount, cylinderNumbers, cylinderPlaces } from '../../geometry/crank'
import { assumedFigure, exactly, expand, resultOf, type Figure, type FormulaText } from '../../metrology'
import { deckClearance } from '../../shared/deckClearance'
import type { Kind } from '../../units'
import type { Finding, LimitId, Remark } from '../../bench/bench'
import { againstOthers, everyCylinder, knownFigures, oddOneOut, perCylinder, worthNaming } from '../../bench/engineWide'
import { allOf, finding, isKnown, ONLY_SAID, type Derived } from '../../bench/finding'
import { chamberVolume } from '../../shared/chamberVolume'
import { fromPaper } from '../../shared/fromPaper'
import { cylinderState, pistonVolume, type CylinderState } from './cylinder'
import { definition, type CompressionOutput } from './definition'
import { COMPRESSION_EXPONENT, CRANKING_EXPONENT, crankingPressure, endPressure, endTemperature } from './formulas'

/** Every cylinder's state: what derive, the rack, the planner and the worker all start from. */
export function cylinderStates(build: Build): readonly CylinderState[] {
  return cylinderNumbers(build.spec.layout).map((cylinder) => cylinderState(build, cylinder))
}

export function derive(build: Build): Finding[] {
  const { numbers, each, spreadOf } = perCylinder<CompressionOutput>(build, definition)
  const { methods, paper } = build.spec
  return [
    ...each('compression.compressionRatio', ratioOf),
    ...spreadOf('compression.ratioSpread', 'ratio', ratioOf),
    ...(methods.squish === 'pad' ? each('compression.quench', quenchOf) : []),
    ...each('compression.deckClearance', (recorded, cylinder) => remarked(recorded, 'deck', cylinder)),
    ...spreadOf('compression.deckSpread', 'length', deckClearance),
    ...deckFalls(build),
    ...each('compression.chamberVolume', (recorded, cylinder) => remarked(recorded, 'chamber', cylinder)),
    ...spreadOf('compression.chamberSpread', 'volume', chamberVolume),
    ...(methods.piston === 'downTheBore' ? each('compression.pistonVolume', pistonVolume) : []),
    ...(paper.intakeClosing && paper.rodLength ? numbers.flatMap((cylinder) => effectiveFindings(build, cylinder)) : []),
  ]
}

function ratioOf(build: Build, cylinder: number): Derived {
  return fromChain(cylinderState(build, cylinder), 'ratio')
}

function quenchOf(build: Build, cylinder: number): Derived {
  return fromChain(cylinderState(build, cylinder), 'quench')
}

function effectiveRatioOf(build: Build, cylinder: number): Derived {
  return fromChain(cylinderState(build, cylinder), 'effectiveRatio')
}

function fromChain({ chain, isPartial, remarks, missing }: CylinderState, name: 'ratio' | 'quench' | 'effectiveRatio'): Derived {
  const figure = chain?.[name]
  return figure ? { figure, isPartial, remarks } : { missing }
}

/** The effective ratio, and the end of compression only where the air it starts from is stated. */
function effectiveFindings(build: Build, cylinder: number): Finding[] {
  const found = (output: CompressionOutput, of: (build: Build, cylinder: number) => Derived) =>
    finding(build, definition, output, (recorded) => of(recorded, cylinder), { cylinder })
  const { ambientPressure, intakeTemperature } = build.spec.paper
  const ends = ambientPressure && isKnown(effectiveRatioOf(build, cylinder))
  return [
    found('compression.effectiveRatio', effectiveRatioOf),
    ...(ends ? [found('compression.endPressure', endPressureOf)] : []),
    ...(ends && intakeTemperature ? [found('compression.endTemperature', endTemperatureOf)] : []),
    ...(ends ? [found('compression.crankingPressure', crankingPressureOf)] : []),
  ]
}

function endPressureOf(build: Build, cylinder: number): Derived {
  const inputs = allOf({ ratio: effectiveRatioOf(build, cylinder), ambientKpa: fromPaper(build, 'ambientPressure') })
  if (inputs.missing) return inputs
  const boostKpa: Figure = { value: exactly(build.spec.duty.boostKpa), origin: { from: 'typed', name: 'boost of the duty' } }
  return { figure: endPressure.of({ boostKpa, exponent: compressionExponent(), ...inputs.figures }) }
}

function endTemperatureOf(build: Build, cylinder: number): Derived {
  const inputs = allOf({ ratio: effectiveRatioOf(build, cylinder), chargeDegC: fromPaper(build, 'intakeTemperature') })
  return inputs.missing ? inputs : { figure: endTemperature.of({ exponent: compressionExponent(), ...inputs.figures }) }
}

function crankingPressureOf(build: Build, cylinder: number): Derived {
  const inputs = allOf({ ratio: effectiveRatioOf(build, cylinder), ambientKpa: fromPaper(build, 'ambientPressure') })
  if (inputs.missing) return inputs
  return { figure: crankingPressure.of({ exponent: assumedFigure('cranking exponent', CRANKING_EXPONENT), ...inputs.figures }) }
}

function compressionExponent(): Figure {
  return assumedFigure('compression exponent', COMPRESSION_EXPONENT)
}

/** What is said beside decks and chambers: of what kind they are, what paper and limit name them, and how they are derived. */
const COMPARED = {
  deck: { kind: 'length', paper: 'deckClearance', limit: 'compression.deckClearance', of: deckClearance },
  chamber: { kind: 'volume', paper: 'chamberVolume', limit: 'compression.chamberVolume', of: chamberVolume },
} as const satisfies Record<string, { kind: Kind; paper: PaperKey; limit: LimitId; of: (build: Build, cylinder: number) => Derived }>
type Compared = keyof typeof COMPARED

const oddOne = derivation(`${ONLY_SAID}oddOne`, (build, what: string) =>
  oddOneOut(knownFigures(everyCylinder(build, COMPARED[what as Compared].of))),
)

/** A known figure with whether it stands apart from the others, and whether it contradicts what paper says. */
function remarked(build: Build, what: Compared, cylinder: number): Derived {
  const { kind, paper, limit, of } = COMPARED[what]
  const value = of(build, cylinder)
  if (!isKnown(value)) return value
  const least = worthNaming(build.spec.limits[limit])
  const compared = cylinder === oddOne(build, what) ? againstOthers(kind, knownFigures(everyCylinder(build, of)), cylinder) : undefined
  const odd: Remark[] = compared && isApart(compared.apart, least) ? [{ code: 'oddOneOut', ...compared }] : []
  return { ...value, remarks: [...(value.remarks ?? []), ...odd, ...contradiction(build, kind, value.figure, paper, least)] }
}

function isApart(apart: Figure, least: number): boolean {
  return Math.abs(apart.value.value) > Math.max(least, expand(apart.value).U)
}

/** A measurement and a paper number of the same thing that differ: a part, or a figure from another job. */
function contradiction(build: Build, kind: 'length' | 'volume', measured: Figure, key: PaperKey, least: number): Remark[] {
  const paper = paperAt(build, key)
  if (!paper || Math.abs(measured.value.value - paper.value.value) <= least) return []
  const apart = resultOf({ id: 'apart', title: 'Apart from paper', kind, expression: 'measured − paper', source: 'definition' }, [
    { label: 'Measured', weight: 1, figure: measured },
    { label: 'Paper', weight: -1, figure: paper },
  ])
  return isApart(apart, least) ? [{ code: 'contradictsPaper', key, paper, apart }] : []
}

/**
 * How much deeper the rear pistons stand than the front ones, bank by bank: a deck that is not parallel to the crank. Two banks
 * together would let one that falls hide one that rises. Nothing where a bank has one cylinder.
 */
function deckFalls(build: Build): Finding[] {
  const { layout } = build.spec
  const banks = [...new Set(cylinderPlaces(layout).map(({ bank }) => bank))].sort()
  return banks
    .filter((bank) => bankEnds(build, bank))
    .map((bank) =>
      finding(build, definition, 'compression.deckFall', (recorded) => deckFallOf(recorded, bank), bankCount(layout) === 2 ? { bank } : {}),
    )
}

type Bank = NonNullable<Place['bank']>

/** The first and the last cylinder of a bank, where it has more than one. */
function bankEnds(build: Build, bank: Bank): { front: number; rear: number } | undefined {
  const inBank = cylinderPlaces(build.spec.layout)
    .filter((place) => place.bank === bank)
    .sort((a, b) => a.row - b.row)
  return inBank.length > 1 ? { front: inBank[0]!.cylinder, rear: inBank.at(-1)!.cylinder } : undefined
}

const deckFall: FormulaText = {
  id: 'deckFall',
  title: 'Deck, front to rear',
  kind: 'length',
  expression: 'deck at the rear − deck at the front',
  source: 'common practice',
}

function deckFallOf(build: Build, bank: Bank): Derived {
  const ends = bankEnds(build, bank)!
  const decks = { front: deckClearance(build, ends.front), rear: deckClearance(build, ends.rear) }
  const known = allOf(decks)
  if (known.missing) return known
  return {
    isPartial: Object.values(decks).some((deck) => isKnown(deck) && deck.isPartial),
    figure: resultOf(deckFall, [
      { label: `Rear, cylinder ${ends.rear}`, weight: 1, figure: known.figures.rear },
      { label: `Front, cylinder ${ends.front}`, weight: -1, figure: known.figures.front },
    ]),
  }
}
