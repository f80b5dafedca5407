import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { allWorkOn, workOn } from '../../document/work'
import { crankTurns, sharedPins } from '../../geometry/crank'
import { apart, exactly, expand, leftOut, resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { afterWork } from '../../shared/afterWork'
import { deckClearance } from '../../shared/deckClearance'
import { againstOthers, everyCylinder, knownFigures, oddOneOut, perCylinder, worthNaming } from '../../bench/engineWide'
import { allOf, asRead, finding, isKnown, ONLY_SAID, type Derived } from '../../bench/finding'
import { pistonIn } from '../../shared/fitted'
import { definition, type RodCharacteristic, type RodOutput } from './definition'
import { bigEndMean, bigEndRound, bobweight, pinClearance, reciprocatingMass, rotatingMass, stackApart, stackedDeck } from './formulas'

export function derive(build: Build): Finding[] {
  const { each, spreadOf } = perCylinder<RodOutput>(build, definition)
  return [
    ...each('rods.pinClearance', pinClearanceOf),
    ...(build.spec.layout.rodBearings === 'plain' ? [...each('rods.bigEndRound', bigEndRoundOf), ...each('rods.bigEnd', bigEndOf)] : []),
    ...each('rods.centreDistance', centreOf),
    ...spreadOf('rods.centreSpread', 'length', centreOf),
    ...each('rods.reciprocating', reciprocatingOf),
    ...spreadOf('rods.reciprocatingSpread', 'mass', reciprocatingOf),
    ...each('rods.rotating', rotatingOf),
    ...spreadOf('rods.rotatingSpread', 'mass', rotatingOf),
    ...bobweightPairs(build).map(([cylinder]) =>
      finding(build, definition, 'rods.bobweight', (recorded) => bobweightOf(recorded, cylinder!), { cylinder }),
    ),
    ...(build.spec.paper.blockHeight && build.spec.paper.compressionHeight ? each('rods.stackApart', withWhoLies) : []),
  ]
}

function centreOf(build: Build, cylinder: number): Derived {
  return at(build, 'rods.centreDistance', cylinder)
}

function at(build: Build, characteristic: RodCharacteristic, cylinder: number, spot?: string): Derived {
  return asRead(build, characteristic, { cylinder, ...(spot && { spot }) })
}

function pinClearanceOf(build: Build, cylinder: number): Derived {
  const inputs = allOf({ bushMm: at(build, 'rods.pinBush', cylinder), pinMm: at(build, 'rods.pin', cylinder) })
  return inputs.missing ? inputs : { figure: pinClearance.of(inputs.figures) }
}

function bigEndAxes(build: Build, cylinder: number) {
  return allOf({ alongMm: at(build, 'rods.bigEnd', cylinder, 'along'), acrossMm: at(build, 'rods.bigEnd', cylinder, 'across') })
}

function bigEndRoundOf(build: Build, cylinder: number): Derived {
  const axes = bigEndAxes(build, cylinder)
  return axes.missing
    ? axes
    : {
        figure: apart(
          bigEndRound,
          { label: 'Along the rod', figure: axes.figures.alongMm },
          { label: 'Across the rod', figure: axes.figures.acrossMm },
        ),
      }
}

function bigEndOf(build: Build, cylinder: number): Derived {
  const axes = bigEndAxes(build, cylinder)
  if (axes.missing) return axes
  return {
    figure: resultOf(bigEndMean, [
      { label: 'Along the rod', weight: 0.5, figure: axes.figures.alongMm },
      { label: 'Across the rod', weight: 0.5, figure: axes.figures.acrossMm },
    ]),
  }
}

function total(text: FormulaText, parts: Readonly<Record<string, Derived>>): Derived {
  const known = allOf(parts)
  return known.missing
    ? known
    : {
        figure: resultOf(
          text,
          Object.entries(known.figures).map(([label, figure]) => ({ label, weight: 1, figure })),
        ),
      }
}

/** The piston that is to go into the cylinder, with its pin and rings, on the cylinder's rod. */
export const reciprocatingOf = derivation('reciprocating', (build, cylinder: number): Derived => {
  const mark = pistonIn(build, cylinder)
  const mass = total(reciprocatingMass, {
    Piston: at(build, 'rods.pistonMass', mark),
    Pin: at(build, 'rods.pinMass', mark),
    'Rings and clips': at(build, 'rods.ringsMass', mark),
    'Rod, small end': at(build, 'rods.rodSmall', cylinder),
  })
  const offG = workOn(build, `lighten/${cylinder}`, stationId('rods.pistonMass', { cylinder: mark }))
  return isKnown(mass) ? { ...mass, figure: afterWork(mass.figure, -offG, 'mass', 'Taken off') } : mass
})

export const rotatingOf = derivation('rotating', (build, cylinder: number): Derived => {
  const shells: Record<string, Derived> =
    build.spec.layout.rodBearings === 'plain' ? { 'Rod shells': at(build, 'rods.shellsMass', cylinder) } : {}
  return total(rotatingMass, { 'Rod, big end': at(build, 'rods.rodBig', cylinder), ...shells })
})

const USUAL_SHARE = 0.5

/**
 * Pins of two rods in a 90° V, not split: for any other pin the rule of the bobweight does not hold, and matching is all there
 * is to do.
 */
function bobweightPairs({ spec: { layout } }: Build): readonly (readonly number[])[] {
  if (layout.kind !== 'v' || layout.bankAngleDeg !== 90) return []
  return sharedPins(layout)
    .filter(({ cylinders }) => cylinders.length === 2)
    .map(({ cylinders }) => [...cylinders].sort((a, b) => a - b))
}

function bobweightOf(build: Build, cylinder: number): Derived {
  const pair = bobweightPairs(build).find(([first]) => first === cylinder)!
  const both = (title: string, of: (build: Build, cylinder: number) => Derived) =>
    total(
      { id: 'bothRods', title, kind: 'mass', expression: 'one + the other', source: 'definition' },
      Object.fromEntries(pair.map((one) => [`Cylinder ${one}`, of(build, one)])),
    )
  const inputs = allOf({ rotatingG: both('Rotating, both rods', rotatingOf), reciprocatingG: both('Reciprocating, both', reciprocatingOf) })
  if (inputs.missing) return inputs
  const share: Figure = paperAt(build, 'balanceShare') ?? {
    value: exactly(USUAL_SHARE),
    origin: { from: 'assumed', name: 'share', source: 'common practice: 50 % for a 90° V' },
  }
  return {
    figure: bobweight.of({ share, oilG: paperAt(build, 'oilAllowance') ?? leftOut(), ...inputs.figures }),
    remarks: [{ code: 'rodsOnPin', cylinders: pair }],
  }
}

/** The deck as measured against what block, throw, rod and piston add up to; the rod as measured where it was. */
const stackOf = derivation('stackApart', (build, cylinder: number): Derived => {
  const paper = (key: 'blockHeight' | 'stroke' | 'compressionHeight' | 'rodLength'): Derived => {
    const figure = paperAt(build, key, cylinder)
    return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
  }
  const cut = (height: Derived, by: number | undefined, label: string): Derived =>
    isKnown(height) ? { figure: afterWork(height.figure, by, 'length', label) } : height
  const rod = at(build, 'rods.centreDistance', cylinder)
  const inputs = allOf({
    measuredMm: deckClearance(build, cylinder),
    blockHeightMm: cut(paper('blockHeight'), -allWorkOn(build, 'deckCut'), 'Deck cut'),
    strokeMm: paper('stroke'),
    rodMm: isKnown(rod) ? rod : paper('rodLength'),
    compressionHeightMm: cut(paper('compressionHeight'), allWorkOn(build, 'piston'), 'Taller piston'),
  })
  if (inputs.missing) return inputs
  const { measuredMm, ...stack } = inputs.figures
  const pinOffsetMm = paperAt(build, 'pinOffset') ?? leftOut()
  if (!crankTurns({ strokeMm: stack.strokeMm.value.value, rodMm: stack.rodMm.value.value, pinOffsetMm: pinOffsetMm.value.value }))
    return { missing: [{ kind: 'impossible', reason: 'crankDoesNotTurn' }] }
  return { figure: stackApart.of({ measuredMm, stackedMm: stackedDeck.of({ pinOffsetMm, ...stack }) }) }
})

/**
 * Which dimension lies. All cylinders off alike: block height, stroke or compression height, which they share. One off alone:
 * its own rod, throw or piston; a rod that was measured is cleared.
 */
function withWhoLies(build: Build, cylinder: number): Derived {
  const own = stackOf(build, cylinder)
  if (!isKnown(own)) return own
  const compared = cylinder === oddStack(build) ? againstOthers('length', knownFigures(everyCylinder(build, stackOf)), cylinder) : undefined
  return {
    figure: own.figure,
    isPartial: own.isPartial,
    remarks: whoLies(own.figure, compared?.apart, worthNaming(build.spec.limits['rods.stackApart'])),
  }
}

const oddStack = derivation(`${ONLY_SAID}oddStack`, (build) => oddOneOut(knownFigures(everyCylinder(build, stackOf))))

function whoLies(own: Figure, apart: Figure | undefined, least: number): Remark[] {
  const isOff = (figure: Figure) => Math.abs(figure.value.value) > Math.max(least, expand(figure.value).U)
  if (apart && isOff(apart)) return [{ code: 'stackOwn', apart }]
  return isOff(own) ? [{ code: 'stackShared' }] : []
}
