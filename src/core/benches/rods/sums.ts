import { impossible, type QuickSum } from '../../bench/quickSum'
import { given, length, mass } from '../../bench/sumInputs'
import { crankTurns } from '../../geometry/crank'
import { exactly, leftOut, resultOf, type Figure } from '../../metrology'
import { bobweight as bobweightFormula, stackedDeck } from './formulas'

const stack: QuickSum = {
  id: 'stack',
  title: 'Crank stack',
  question: 'Where do block, throw, rod and piston put the crown?',
  inputs: {
    blockHeight: length('Block height', '220.00 mm', { paper: 'blockHeight' }),
    stroke: length('Stroke', '92.80 mm', { paper: 'stroke' }),
    rod: length('Rod length', '144.00 mm', { paper: 'rodLength' }),
    compressionHeight: length('Compression height', '29.55 mm', { paper: 'compressionHeight' }),
    pinOffset: length('Pin offset', '0.5 mm', { required: false, signed: true, paper: 'pinOffset' }),
  },
  evaluate({ figures }) {
    const { blockHeight, stroke, rod, compressionHeight } = given(figures, 'blockHeight', 'stroke', 'rod', 'compressionHeight')
    const pinOffsetMm = figures.pinOffset ?? leftOut()
    if (!crankTurns({ strokeMm: stroke.value.value, rodMm: rod.value.value, pinOffsetMm: pinOffsetMm.value.value }))
      return impossible('the rod is too short for this stroke', 'rod')
    return {
      ok: true,
      results: [
        {
          id: 'deckClearance',
          label: 'Deck clearance, below is +',
          kind: 'length',
          figure: stackedDeck.of({
            blockHeightMm: blockHeight,
            strokeMm: stroke,
            rodMm: rod,
            compressionHeightMm: compressionHeight,
            pinOffsetMm,
          }),
        },
      ],
    }
  },
}

const bobweight: QuickSum = {
  id: 'bobweight',
  title: 'Bobweight',
  question: 'What goes on the pin of a 90° V to balance its crank?',
  inputs: {
    rodBig: mass('Rod, big end', '420 g'),
    shells: mass('Rod shells, a pair', '42 g', false),
    piston: mass('Piston', '480 g'),
    pin: mass('Pin', '118 g'),
    rings: mass('Rings and clips', '46 g', false),
    rodSmall: mass('Rod, small end', '180 g'),
    oil: mass('Oil on the pin', '4 g', false),
    share: {
      label: 'Share of reciprocating',
      kind: 'ratio',
      units: { metric: 'percent', inch: 'percent' },
      required: false,
      paper: 'balanceShare',
      example: '50 %',
    },
  },
  evaluate({ figures }) {
    const { rodBig, piston, pin, rodSmall } = given(figures, 'rodBig', 'piston', 'pin', 'rodSmall')
    const both = (id: string, title: string, parts: readonly (readonly [string, Figure | undefined])[]) =>
      resultOf(
        { id, title, kind: 'mass', expression: '2 × (the sum of one cylinder)', source: 'common practice: two rods alike on one pin' },
        parts.flatMap(([label, figure]) => (figure ? [{ label, weight: 2, figure }] : [])),
      )
    const rotatingG = both('rotating', 'Rotating, both rods', [
      ['Rod, big end', rodBig],
      ['Rod shells', figures.shells],
    ])
    const reciprocatingG = both('reciprocating', 'Reciprocating, both', [
      ['Piston', piston],
      ['Pin', pin],
      ['Rings and clips', figures.rings],
      ['Rod, small end', rodSmall],
    ])
    const half: Figure = figures.share ?? {
      value: exactly(0.5),
      origin: { from: 'assumed', name: 'share', source: 'common practice: 50 % for a 90° V' },
    }
    return {
      ok: true,
      results: [
        {
          id: 'bobweight',
          label: 'Bobweight',
          kind: 'mass',
          figure: bobweightFormula.of({ rotatingG, reciprocatingG, share: half, oilG: figures.oil ?? leftOut() }),
        },
        { id: 'rotating', label: 'Rotating, both rods', kind: 'mass', figure: rotatingG },
        { id: 'reciprocating', label: 'Reciprocating, both', kind: 'mass', figure: reciprocatingG },
      ],
    }
  },
}

export const sums: readonly QuickSum[] = [stack, bobweight]
