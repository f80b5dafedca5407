import type { QuickSum } from '../../bench/quickSum'
import { given, grows, HEAT, length, orUsual, SMALL } from '../../bench/sumInputs'
import { EXPANSION } from '../../geometry/materials'
import { assumedFigure, leftOut } from '../../metrology'
import { perDiameter } from '../../shared/perDiameter'
import { bearingClearance, warmClearance } from './formulas'

const perJournal = perDiameter('perJournal', 'Clearance per journal', 'journal')

const bearing: QuickSum = {
  id: 'bearing',
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

const warmclearance: QuickSum = {
  id: 'warmclearance',
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

export const sums: readonly QuickSum[] = [bearing, warmclearance]
