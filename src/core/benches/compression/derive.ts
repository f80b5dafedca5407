import { paperAt, type Build } from '../../build/build'
import type { PaperKey } from '../../build/paper'
import { bankCount, cylinderNumbers, cylinderPlaces } from '../../engine'
import { assumedFigure, exactly, expand, resultOf, type Figure } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { againstOthers, oddOneOut, spreadAcross, worthNaming } from '../../bench/engineWide'
import { allOf, finding, isKnown, type Derived } from '../../bench/finding'
import { cylinderState, type CylinderState } from './cylinder'
import { definition, type CompressionOutput } from './definition'
import { COMPRESSION_EXPONENT, CRANKING_EXPONENT, crankingPressure, endPressure, endTemperature } from './formulas'

/** Every cylinder's state: what derive, the rack, the planner and the worker all start from. */
export function cylinderStates(build: Build): readonly CylinderState[] {
  return cylinderNumbers(build.spec.layout).map((cylinder) => cylinderState(build, cylinder))
}

export function derive(build: Build): Finding[] {
  return deriveFrom(build, cylinderStates(build))
}

/** The findings of states already worked out. */
export function deriveFrom(build: Build, states: readonly CylinderState[]): Finding[] {
  const byCylinder = (pick: (state: CylinderState) => Derived) => new Map(states.map((state) => [state.cylinder, pick(state)]))
  const decks = remarked(
    build,
    'length',
    byCylinder((state) => state.deck),
    'deckClearance',
    'deckClearance',
  )
  const chambers = remarked(
    build,
    'volume',
    byCylinder((state) => state.chamber),
    'chamberVolume',
    'chamberVolume',
  )
  const ratios = byCylinder((state) => fromChain(state, 'ratio'))
  const each = (output: CompressionOutput, values: ReadonlyMap<number, Derived>) =>
    [...values].map(([cylinder, value]) => finding(build, definition, output, value, { cylinder }))
  const whole = (output: CompressionOutput, value: Derived) => finding(build, definition, output, value)
  const several = states.length > 1
  return [
    ...each('compressionRatio', ratios),
    ...(several ? [whole('ratioSpread', spreadAcross('ratio', ratios))] : []),
    ...(build.spec.methods.squish === 'pad'
      ? each(
          'quench',
          byCylinder((state) => fromChain(state, 'quench')),
        )
      : []),
    ...each('deckClearance', decks),
    ...(several ? [whole('deckSpread', spreadAcross('length', decks)), ...deckFalls(build, decks)] : []),
    ...each('chamberVolume', chambers),
    ...(several ? [whole('chamberSpread', spreadAcross('volume', chambers))] : []),
    ...(build.spec.methods.piston === 'downTheBore'
      ? each(
          'pistonVolume',
          byCylinder((state) => state.piston),
        )
      : []),
    ...(build.spec.paper.intakeClosing && build.spec.paper.rodLength ? effectiveFindings(build, states) : []),
  ]
}

function fromChain(state: CylinderState, name: 'ratio' | 'quench'): Derived {
  return state.chain ? { figure: state.chain[name], isPartial: state.isPartial, remarks: state.remarks } : { missing: state.missing }
}

function effectiveFindings(build: Build, states: readonly CylinderState[]): Finding[] {
  return states.flatMap((state) => {
    const { cylinder } = state
    const effective: Derived = state.chain?.effectiveRatio
      ? { figure: state.chain.effectiveRatio, isPartial: state.isPartial, remarks: state.remarks }
      : { missing: state.missing }
    return [
      finding(build, definition, 'effectiveRatio', effective, { cylinder }),
      ...estimates(build, effective).map(([output, derived]) => finding(build, definition, output, derived, { cylinder })),
    ]
  })
}

/** End-of-compression figures: only where the air they start from is stated. */
function estimates(build: Build, ratio: Derived): [CompressionOutput, Derived][] {
  const ambient = paperAt(build, 'ambientPressure')
  const charge = paperAt(build, 'intakeTemperature')
  if (!ambient || !isKnown(ratio)) return []
  const exponent = assumedFigure('compression exponent', COMPRESSION_EXPONENT)
  const boost: Figure = { value: exactly(build.spec.duty.boostKpa), origin: { from: 'typed', name: 'boost of the duty' } }
  return [
    ['endPressure', { figure: endPressure.of({ ratio: ratio.figure, ambientKpa: ambient, boostKpa: boost, exponent }) }],
    ...(charge
      ? [
          ['endTemperature', { figure: endTemperature.of({ ratio: ratio.figure, chargeDegC: charge, exponent }) }] as [
            CompressionOutput,
            Derived,
          ],
        ]
      : []),
    [
      'crankingPressure',
      {
        figure: crankingPressure.of({
          ratio: ratio.figure,
          ambientKpa: ambient,
          exponent: assumedFigure('cranking exponent', CRANKING_EXPONENT),
        }),
      },
    ],
  ]
}

/** Says of each known figure whether it stands apart from the others, and whether it contradicts what paper says. */
function remarked(
  build: Build,
  kind: 'length' | 'volume',
  values: ReadonlyMap<number, Derived>,
  paperKey: PaperKey,
  limitKey: string,
): Map<number, Derived> {
  const least = worthNaming(build.spec.limits[limitKey])
  const known = new Map([...values].flatMap(([cylinder, value]) => (isKnown(value) ? [[cylinder, value.figure] as const] : [])))
  const odd = oddOneOut(known)
  return new Map(
    [...values].map(([cylinder, value]): [number, Derived] => {
      if (!isKnown(value)) return [cylinder, value]
      const compared = cylinder === odd ? againstOthers(kind, known, cylinder) : undefined
      const remarks: Remark[] = [...(value.remarks ?? [])]
      if (compared && isApart(compared.apart, least)) remarks.push({ code: 'oddOneOut', ...compared })
      return [cylinder, { ...value, remarks: [...remarks, ...contradiction(build, kind, value.figure, paperKey, least)] }]
    }),
  )
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
function deckFalls(build: Build, decks: ReadonlyMap<number, Derived>): Finding[] {
  const places = cylinderPlaces(build.spec.layout)
  const banks = [...new Set(places.map(({ bank }) => bank))].sort()
  return banks.flatMap((bank): Finding[] => {
    const inBank = places.filter((place) => place.bank === bank).sort((a, b) => a.row - b.row)
    const [front, rear] = [inBank[0]!, inBank.at(-1)!]
    if (front === rear) return []
    const ends = allOf({ front: decks.get(front.cylinder)!, rear: decks.get(rear.cylinder)! })
    const derived: Derived = ends.missing
      ? { missing: ends.missing }
      : {
          isPartial: [front, rear].some(({ cylinder }) => {
            const deck = decks.get(cylinder)!
            return isKnown(deck) && deck.isPartial
          }),
          figure: resultOf(
            {
              id: 'deckFall',
              title: 'Deck, front to rear',
              kind: 'length',
              expression: 'deck at the rear − deck at the front',
              source: 'common practice',
            },
            [
              { label: `Rear, cylinder ${rear.cylinder}`, weight: 1, figure: ends.figures.rear },
              { label: `Front, cylinder ${front.cylinder}`, weight: -1, figure: ends.figures.front },
            ],
          ),
        }
    return [finding(build, definition, 'deckFall', derived, bankCount(build.spec.layout) === 2 ? { bank } : {})]
  })
}
