import { paperAt, type Build } from '../../build/build'
import { crankTurns, cylinderNumbers, sharedPins } from '../../engine'
import { apart, exactly, expand, leftOut, resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { afterWork } from '../../quantities/afterWork'
import { deckClearance } from '../../quantities/deckClearance'
import { againstOthers, oddOneOut, spreadAcross, worthNaming } from '../../bench/engineWide'
import { allOf, asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { pistonIn } from '../../quantities/fitted'
import { definition, type RodCharacteristic, type RodOutput } from './definition'
import { bigEndMean, bigEndRound, bobweight, pinClearance, reciprocatingMass, rotatingMass, stackApart, stackedDeck } from './formulas'

export function derive(build: Build): Finding[] {
  const numbers = cylinderNumbers(build.spec.layout)
  const values = (of: (build: Build, cylinder: number) => Derived) => new Map(numbers.map((cylinder) => [cylinder, of(build, cylinder)]))
  const each = (output: RodOutput, derived: ReadonlyMap<number, Derived>) =>
    [...derived].map(([cylinder, value]) => finding(build, definition, output, value, { cylinder }))
  const spread = (output: RodOutput, kind: 'length' | 'mass', derived: ReadonlyMap<number, Derived>) =>
    numbers.length > 1 ? [finding(build, definition, output, spreadAcross(kind, derived))] : []
  const centres = values((_, cylinder) => at(build, 'centreDistance', cylinder))
  const reciprocating = values(reciprocatingOf)
  const rotating = values(rotatingOf)
  const stacks = withWhoLies(build, values(stackOf))
  return [
    ...each('pinClearance', values(pinClearanceOf)),
    ...(build.spec.layout.rodBearings === 'plain'
      ? [...each('bigEndRound', values(bigEndRoundOf)), ...each('bigEnd', values(bigEndOf))]
      : []),
    ...each('centreDistance', centres),
    ...spread('centreSpread', 'length', centres),
    ...each('reciprocating', reciprocating),
    ...spread('reciprocatingSpread', 'mass', reciprocating),
    ...each('rotating', rotating),
    ...spread('rotatingSpread', 'mass', rotating),
    ...bobweights(build, rotating, reciprocating),
    ...(build.spec.paper.blockHeight && build.spec.paper.compressionHeight ? each('stackApart', stacks) : []),
  ]
}

function at(build: Build, characteristic: RodCharacteristic, cylinder: number, spot?: string): Derived {
  return asRead(build, characteristic, { cylinder, ...(spot && { spot }) })
}

function pinClearanceOf(build: Build, cylinder: number): Derived {
  const inputs = allOf({ bushMm: at(build, 'pinBush', cylinder), pinMm: at(build, 'pin', cylinder) })
  return inputs.missing ? inputs : { figure: pinClearance.of(inputs.figures) }
}

function bigEndAxes(build: Build, cylinder: number) {
  return allOf({ alongMm: at(build, 'bigEnd', cylinder, 'along'), acrossMm: at(build, 'bigEnd', cylinder, 'across') })
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
export function reciprocatingOf(build: Build, cylinder: number): Derived {
  const mark = pistonIn(build, cylinder)
  const mass = total(reciprocatingMass, {
    Piston: at(build, 'pistonMass', mark),
    Pin: at(build, 'pinMass', mark),
    'Rings and clips': at(build, 'ringsMass', mark),
    'Rod, small end': at(build, 'rodSmall', cylinder),
  })
  return isKnown(mass)
    ? { ...mass, figure: afterWork(mass.figure, -(build.work?.lightenedG?.get(cylinder) ?? 0), 'mass', 'Taken off') }
    : mass
}

export function rotatingOf(build: Build, cylinder: number): Derived {
  const shells: Record<string, Derived> =
    build.spec.layout.rodBearings === 'plain' ? { 'Rod shells': at(build, 'shellsMass', cylinder) } : {}
  return total(rotatingMass, { 'Rod, big end': at(build, 'rodBig', cylinder), ...shells })
}

const USUAL_SHARE = 0.5

/**
 * Only where two rods share a pin of a 90° V, not split: for any other pin the rule does not hold, and matching is all there
 * is to do.
 */
function bobweights(build: Build, rotating: ReadonlyMap<number, Derived>, reciprocating: ReadonlyMap<number, Derived>): Finding[] {
  const { layout } = build.spec
  if (layout.kind !== 'v' || layout.bankAngleDeg !== 90) return []
  return sharedPins(layout)
    .filter(({ cylinders }) => cylinders.length === 2)
    .map(({ cylinders }) => {
      const pair = [...cylinders].sort((a, b) => a - b)
      const both = (title: string, of: ReadonlyMap<number, Derived>) =>
        total(
          { id: 'bothRods', title, kind: 'mass', expression: 'one + the other', source: 'definition' },
          Object.fromEntries(pair.map((cylinder) => [`Cylinder ${cylinder}`, of.get(cylinder)!])),
        )
      const inputs = allOf({ rotatingG: both('Rotating, both rods', rotating), reciprocatingG: both('Reciprocating, both', reciprocating) })
      const share: Figure = paperAt(build, 'balanceShare') ?? {
        value: exactly(USUAL_SHARE),
        origin: { from: 'assumed', name: 'share', source: 'common practice: 50 % for a 90° V' },
      }
      const derived: Derived = inputs.missing
        ? inputs
        : {
            figure: bobweight.of({ ...inputs.figures, share, oilG: paperAt(build, 'oilAllowance') ?? leftOut() }),
            remarks: [{ code: 'rodsOnPin', cylinders: pair }],
          }
      return finding(build, definition, 'bobweight', derived, { cylinder: pair[0] })
    })
}

/** The deck as measured against what block, throw, rod and piston add up to; the rod as measured where it was. */
function stackOf(build: Build, cylinder: number): Derived {
  const paper = (key: 'blockHeight' | 'stroke' | 'compressionHeight' | 'rodLength'): Derived => {
    const figure = paperAt(build, key, cylinder)
    return figure ? { figure } : { missing: [{ kind: 'paper', key }] }
  }
  const cut = (height: Derived, by: number | undefined, label: string): Derived =>
    isKnown(height) ? { figure: afterWork(height.figure, by, 'length', label) } : height
  const rod = at(build, 'centreDistance', cylinder)
  const inputs = allOf({
    measuredMm: deckClearance(build, cylinder),
    blockHeightMm: cut(paper('blockHeight'), -(build.work?.deckCutMm ?? 0), 'Deck cut'),
    strokeMm: paper('stroke'),
    rodMm: isKnown(rod) ? rod : paper('rodLength'),
    compressionHeightMm: cut(paper('compressionHeight'), build.work?.piston?.tallerMm, 'Taller piston'),
  })
  if (inputs.missing) return inputs
  const { measuredMm, ...stack } = inputs.figures
  const pinOffsetMm = paperAt(build, 'pinOffset') ?? leftOut()
  if (!crankTurns({ strokeMm: stack.strokeMm.value.value, rodMm: stack.rodMm.value.value, pinOffsetMm: pinOffsetMm.value.value }))
    return { missing: [{ kind: 'impossible', reason: 'crankDoesNotTurn' }] }
  return { figure: stackApart.of({ measuredMm, stackedMm: stackedDeck.of({ ...stack, pinOffsetMm }) }) }
}

/**
 * Which dimension lies. All cylinders off alike: block height, stroke or compression height, which they share. One off alone:
 * its own rod, throw or piston; a rod that was measured is cleared.
 */
function withWhoLies(build: Build, stacks: ReadonlyMap<number, Derived>): Map<number, Derived> {
  const least = worthNaming(build.spec.limits.stackApart)
  const known = new Map([...stacks].flatMap(([cylinder, derived]) => (isKnown(derived) ? [[cylinder, derived.figure] as const] : [])))
  const odd = oddOneOut(known)
  return new Map(
    [...stacks].map(([cylinder, derived]): [number, Derived] => {
      if (!isKnown(derived)) return [cylinder, derived]
      const compared = cylinder === odd ? againstOthers('length', known, cylinder) : undefined
      return [cylinder, { ...derived, remarks: whoLies(derived.figure, compared?.apart, least) }]
    }),
  )
}

function whoLies(own: Figure, apart: Figure | undefined, least: number): Remark[] {
  const isOff = (figure: Figure) => Math.abs(figure.value.value) > Math.max(least, expand(figure.value).U)
  if (apart && isOff(apart)) return [{ code: 'stackOwn', apart }]
  return isOff(own) ? [{ code: 'stackShared' }] : []
}
