import type { QuickSum } from '../../bench/quickSum'
import { given, length, SMALL } from '../../bench/sumInputs'
import { perDiameter } from '../../shared/perDiameter'
import { taperFromGaps } from '../../shared/ringGap'
import { pistonClearance } from './formulas'

const perBore = perDiameter('perBore', 'Clearance per bore', 'bore')

const clearance: QuickSum = {
  id: 'clearance',
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

const taper: QuickSum = {
  id: 'taper',
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

export const sums: readonly QuickSum[] = [clearance, taper]
