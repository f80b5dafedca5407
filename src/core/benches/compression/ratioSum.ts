import { ratioChain } from './chain'
import { nonsenseOf, type Nonsense } from './nonsense'
import { crankTurns } from '../../geometry/crank'
import { leftOut } from '../../metrology'
import { impossible, type QuickSum } from '../../bench/quickSum'

const BIG = { metric: 'mm', inch: 'in' } as const
const CC = { metric: 'cm3', inch: 'cm3' } as const
const DEG = { metric: 'deg', inch: 'deg' } as const

const NONSENSE_WORDS: Readonly<Record<Nonsense, string>> = {
  gasketUnderBore: 'is larger than the bore: this one would stand into it. Decimal point, unit, or another engine’s gasket?',
  crownOverBore: 'is smaller than the bore: decimal point or unit?',
  absurdRatio: 'and the others make a ratio no engine has: decimal point or unit?',
}
const NONSENSE_AT = { gasketUnderBore: 'gasketBore', crownOverBore: 'crownDiameter', absurdRatio: 'chamber' } as const

export const ratioSum: QuickSum = {
  id: 'compression',
  title: 'Compression ratio',
  question: 'What ratio and quench do these parts make?',
  inputs: {
    bore: { label: 'Bore', kind: 'length', units: BIG, required: true, paper: 'bore', example: '4.155 in' },
    stroke: { label: 'Stroke', kind: 'length', units: BIG, required: true, paper: 'stroke', example: '3.750 in' },
    chamber: { label: 'Chamber', kind: 'volume', units: CC, required: true, paper: 'chamberVolume', example: '62.3 ± 0.5 cc' },
    piston: {
      label: 'Piston (dish +, dome −)',
      kind: 'volume',
      units: CC,
      required: false,
      signed: true,
      paper: 'pistonVolume',
      example: '-3.0 cc',
    },
    deck: {
      label: 'Deck clearance (below +)',
      kind: 'length',
      units: BIG,
      required: true,
      signed: true,
      paper: 'deckClearance',
      example: '0.010 in',
    },
    gasketBore: { label: 'Gasket bore', kind: 'length', units: BIG, required: true, range: { low: 10, high: 400 }, example: '4.20 in' },
    gasketThickness: {
      label: 'Gasket, compressed',
      kind: 'length',
      units: BIG,
      required: true,
      range: { low: 0, high: 12 },
      example: '0.040 in',
    },
    rod: { label: 'Rod length', kind: 'length', units: BIG, required: false, paper: 'rodLength', example: '6.000 in' },
    pinOffset: { label: 'Pin offset', kind: 'length', units: BIG, required: false, signed: true, paper: 'pinOffset', example: '0.5 mm' },
    crownDiameter: { label: 'Top land diameter', kind: 'length', units: BIG, required: false, paper: 'crownDiameter', example: '4.120 in' },
    landHeight: { label: 'Top land height', kind: 'length', units: BIG, required: false, paper: 'landHeight', example: '0.250 in' },
    intakeClosing: {
      label: 'Intake closing',
      kind: 'angle',
      units: DEG,
      required: false,
      paper: 'intakeClosing',
      bottomCentreDeg: 180,
      example: '48 ABDC',
    },
  },
  evaluate({ figures }) {
    const { bore, stroke, chamber, deck, gasketBore, gasketThickness, rod, pinOffset, crownDiameter, landHeight, intakeClosing } = figures
    if (!bore || !stroke || !chamber || !deck || !gasketBore || !gasketThickness)
      throw new Error('compression: a required input was not checked')
    if (pinOffset && !rod) return impossible('a pin offset needs the rod length', 'rod')
    if (intakeClosing && !rod) return impossible('the effective ratio needs the rod length', 'rod')
    if (crownDiameter && !landHeight) return impossible('the crevice needs the land height too', 'landHeight')
    if (landHeight && !crownDiameter) return impossible('the crevice needs the top land diameter too', 'crownDiameter')
    const crank = { strokeMm: stroke.value.value, rodMm: rod?.value.value ?? Infinity, pinOffsetMm: pinOffset?.value.value ?? 0 }
    if (!crankTurns(crank)) return impossible('the rod is too short for this stroke', 'rod')
    const chain = ratioChain({
      bore,
      stroke,
      chamber,
      deck,
      gasketBore,
      gasketThickness,
      rod,
      pinOffset,
      intakeClosing,
      piston: figures.piston ?? leftOut(),
      crevice: crownDiameter && landHeight && { crown: crownDiameter, landHeight },
    })
    const wrong = nonsenseOf({ bore, gasketBore, crown: crownDiameter, ratio: chain.ratio })
    if (chain.clearance.value.value > 0 && wrong) return impossible(NONSENSE_WORDS[wrong], NONSENSE_AT[wrong])
    if (chain.clearance.value.value <= 0) return impossible('these parts leave no clearance volume', 'chamber')
    return {
      ok: true,
      results: [
        { id: 'compressionRatio', label: 'Compression ratio', kind: 'ratio', figure: chain.ratio },
        { id: 'quench', label: 'Quench', kind: 'length', figure: chain.quench },
        { id: 'sweptVolume', label: 'Swept volume', kind: 'volume', figure: chain.swept },
        { id: 'clearanceVolume', label: 'Clearance volume', kind: 'volume', figure: chain.clearance },
        ...(chain.crevice ? [{ id: 'crevice', label: 'Top-land crevice', kind: 'volume', figure: chain.crevice } as const] : []),
        ...(chain.effectiveRatio
          ? [{ id: 'effectiveRatio', label: 'Effective ratio at that closing', kind: 'ratio', figure: chain.effectiveRatio } as const]
          : []),
      ],
    }
  },
}
