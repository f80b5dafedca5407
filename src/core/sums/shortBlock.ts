import { bearingClearance, warmClearance } from '../benches/bearings'
import { pistonClearance } from '../benches/bores'
import { taperFromGaps } from '../shared/ringGap'
import { buttingTemperature, hotGap, ringTarget } from '../benches/rings'
import { bobweight as bobweightFormula, stackedDeck } from '../benches/rods'
import { crankTurns } from '../geometry/crank'
import { EXPANSION, type Expansion } from '../geometry/materials'
import { assumedFigure, exactly, formula, leftOut, resultOf, type Figure } from '../metrology'
import { impossible, type Given, type QuickSum, type SumInput } from './sum'

const BIG = { metric: 'mm', inch: 'in' } as const
const SMALL = { metric: 'mm', inch: 'thou' } as const
const GRAMS = { metric: 'g', inch: 'g' } as const
const HEAT = { metric: 'degC', inch: 'degF' } as const
const GROWS = { metric: 'perMK', inch: 'perMK' } as const
const PLAIN = { metric: 'one', inch: 'one' } as const

const length = (label: string, example: string, more: Partial<SumInput> = {}): SumInput => ({
  label,
  kind: 'length',
  units: BIG,
  required: true,
  example,
  ...more,
})
const grows = (label: string, example: string): SumInput => ({
  label: `${label}, ×10⁻⁶/K`,
  kind: 'expansion',
  units: GROWS,
  required: false,
  example,
})
const mass = (label: string, example: string, required = true): SumInput => ({ label, kind: 'mass', units: GRAMS, required, example })

/** A given input, or the usual value of a material with its uncertainty. */
function orUsual(figures: Given['figures'], name: string, { label, perK, tolerancePerK }: Expansion): Figure {
  return figures[name] ?? assumedFigure(`${name}: ${label}`, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
}

/** The figures of required inputs, which `computeSum` has checked. */
function given<Name extends string>(figures: Given['figures'], ...names: Name[]): Record<Name, Figure> {
  return Object.fromEntries(names.map((name) => [name, figures[name]!])) as Record<Name, Figure>
}

const share = (id: string, title: string, over: string) =>
  formula({
    id,
    title,
    kind: 'ratio',
    expression: `clearance ÷ ${over}`,
    source: 'definition',
    inputs: { clearanceMm: { label: 'Clearance', kind: 'length' }, diameterMm: { label: 'Diameter', kind: 'length' } },
    evaluate: ({ clearanceMm, diameterMm }) => clearanceMm / diameterMm,
  })
const perBore = share('perBore', 'Clearance per bore', 'bore')
const perJournal = share('perJournal', 'Clearance per journal', 'journal')

export const clearance: QuickSum = {
  id: 'clearance',
  bench: 'bores',
  title: 'Piston to wall',
  question: 'What clearance has this piston in this bore?',
  inputs: { bore: length('Bore, smallest read', '83.000 mm', { paper: 'bore' }), skirt: length('Skirt at the gauge point', '82.895 mm') },
  evaluate({ figures }) {
    const { bore, skirt } = given(figures, 'bore', 'skirt')
    const found = pistonClearance.of({ boreMm: bore, skirtMm: skirt })
    return {
      ok: true,
      results: [
        { id: 'clearance', label: 'Clearance', kind: 'length', figure: found },
        { id: 'perBore', label: 'Per bore', kind: 'ratio', figure: perBore.of({ clearanceMm: found, diameterMm: bore }) },
      ],
    }
  },
}

export const ringgap: QuickSum = {
  id: 'ringgap',
  bench: 'rings',
  title: 'Ring gap',
  question: 'How much gap does a ring want in this bore?',
  inputs: {
    bore: length('Bore', '83.00 mm', { paper: 'bore' }),
    factor: { label: 'Factor, gap per bore', kind: 'ratio', units: PLAIN, required: true, example: '0.0065' },
  },
  evaluate({ figures }) {
    const { bore, factor } = given(figures, 'bore', 'factor')
    if (factor.value.value <= 0 || factor.value.value > 0.02)
      return impossible('a factor is a few thousandths of the bore, such as 0.0050', 'factor')
    return { ok: true, results: [{ id: 'target', label: 'Least gap', kind: 'length', figure: ringTarget.of({ boreMm: bore, factor }) }] }
  },
}

export const hotgap: QuickSum = {
  id: 'hotgap',
  bench: 'rings',
  title: 'Ring gap, hot',
  question: 'What is left of the gap when hot, and when does the ring butt?',
  inputs: {
    bore: length('Bore', '83.00 mm', { paper: 'bore' }),
    gap: length('Gap at 20 °C', '0.54 mm', { units: SMALL }),
    ringAlpha: grows('Ring grows', '12'),
    boreAlpha: grows('Bore grows', '11'),
    ringTemp: { label: 'Ring temperature', kind: 'temperature', units: HEAT, required: false, paper: 'ringTemperature', example: '280 C' },
    boreTemp: { label: 'Wall temperature', kind: 'temperature', units: HEAT, required: true, paper: 'boreTemperature', example: '150 C' },
  },
  evaluate({ figures }) {
    const { bore, gap, boreTemp } = given(figures, 'bore', 'gap', 'boreTemp')
    const heat = {
      boreMm: bore,
      gapMm: gap,
      boreTempC: boreTemp,
      ringPerK: orUsual(figures, 'ringAlpha', EXPANSION.ring.ductileIron),
      borePerK: orUsual(figures, 'boreAlpha', EXPANSION.part.greyIron),
    }
    if (heat.ringPerK.value.value <= 0) return impossible('a ring that does not grow never butts', 'ringAlpha')
    if (gap.value.value >= Math.PI * bore.value.value) return impossible('the gap is longer than the ring', 'gap')
    return {
      ok: true,
      results: [
        ...(figures.ringTemp
          ? [
              {
                id: 'hotGap',
                label: 'Gap left hot',
                kind: 'length',
                estimate: true,
                figure: hotGap.of({ ...heat, ringTempC: figures.ringTemp }),
              } as const,
            ]
          : []),
        { id: 'buttingTemperature', label: 'Butts at', kind: 'temperature', estimate: true, figure: buttingTemperature.of(heat) },
      ],
    }
  },
}

export const taper: QuickSum = {
  id: 'taper',
  bench: 'bores',
  title: 'Taper by ring',
  question: 'What taper do the gaps of one ring at two depths show?',
  inputs: {
    topGap: length('Gap at the top', '0.560 mm', { units: SMALL }),
    bottomGap: length('Gap at the bottom', '0.540 mm', { units: SMALL }),
  },
  evaluate({ figures }) {
    const { topGap, bottomGap } = given(figures, 'topGap', 'bottomGap')
    return {
      ok: true,
      results: [
        {
          id: 'taper',
          label: 'Taper, wider at the top is +',
          kind: 'length',
          figure: taperFromGaps.of({ topGapMm: topGap, bottomGapMm: bottomGap }),
        },
      ],
    }
  },
}

export const bearing: QuickSum = {
  id: 'bearing',
  bench: 'bearings',
  title: 'Bearing clearance',
  question: 'What clearance has this journal in its shells?',
  inputs: {
    journal: length('Journal', '58.000 mm', { paper: 'mainJournal' }),
    inside: length('Inside the fitted shells, vertical', '58.064 mm'),
  },
  evaluate({ figures }) {
    const { journal, inside } = given(figures, 'journal', 'inside')
    const found = bearingClearance.of({ insideMm: inside, journalMm: journal })
    return {
      ok: true,
      results: [
        { id: 'clearance', label: 'Clearance', kind: 'length', figure: found },
        { id: 'perJournal', label: 'Per journal', kind: 'ratio', figure: perJournal.of({ clearanceMm: found, diameterMm: journal }) },
      ],
    }
  },
}

export const warmclearance: QuickSum = {
  id: 'warmclearance',
  bench: 'bearings',
  title: 'Bearing, warm',
  question: 'What does a bearing clearance become when the engine is warm?',
  inputs: {
    clearance: length('Clearance at 20 °C', '0.060 mm', { units: SMALL }),
    journal: length('Journal', '58.00 mm', { paper: 'mainJournal' }),
    temp: { label: 'Block at', kind: 'temperature', units: HEAT, required: true, paper: 'bearingTemperature', example: '95 C' },
    crankTemp: {
      label: 'Crank at, if not the same',
      kind: 'temperature',
      units: HEAT,
      required: false,
      paper: 'crankTemperature',
      example: '85 C',
    },
    wall: length('Shell wall', '1.90 mm', { required: false, paper: 'shellWall' }),
    blockAlpha: grows('Block grows', '21'),
    crankAlpha: grows('Crank grows', '11.75'),
  },
  evaluate({ figures }) {
    const inputs = given(figures, 'clearance', 'journal', 'temp')
    const { castAluminium, steel } = EXPANSION.part
    return {
      ok: true,
      results: [
        {
          id: 'warmClearance',
          label: 'Clearance, warm',
          kind: 'length',
          estimate: true,
          figure: warmClearance.of({
            clearanceMm: inputs.clearance,
            journalMm: inputs.journal,
            warmDegC: inputs.temp,
            crankDegC: figures.crankTemp ?? inputs.temp,
            wallMm: figures.wall ?? leftOut(),
            blockPerK: orUsual(figures, 'blockAlpha', castAluminium),
            shellPerK: assumedFigure('shell steel', { value: steel.perK, tolerance: steel.tolerancePerK, source: 'from memory' }),
            crankPerK: orUsual(figures, 'crankAlpha', steel),
          }),
        },
      ],
    }
  },
}

export const stack: QuickSum = {
  id: 'stack',
  bench: 'rods',
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

export const bobweight: QuickSum = {
  id: 'bobweight',
  bench: 'rods',
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
