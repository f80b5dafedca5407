import { crankTurns, cylinderVolumeCm3, pistonDropMm, sweptLengthMm, trueTdcShiftDeg } from '../../geometry/crank'
import { formula, leftOut } from '../../metrology'
import { impossible, type QuickSum } from '../../bench/quickSum'

const SOURCE = 'Heywood, Internal Combustion Engine Fundamentals, eq. 2.1–2.6; offset by the same triangle'
const BIG = { metric: 'mm', inch: 'in' } as const
const crankInputs = {
  strokeMm: { label: 'Stroke', kind: 'length' },
  rodMm: { label: 'Rod length', kind: 'length' },
  pinOffsetMm: { label: 'Pin offset', kind: 'length' },
} as const

const pistonDrop = formula({
  id: 'pistonDrop',
  title: 'Piston drop from true TDC',
  kind: 'length',
  expression: 's(θ) = y(TDC) − y(TDC + θ), y = a·cos φ + √(l² − (a·sin φ − e)²)',
  source: SOURCE,
  inputs: { ...crankInputs, angleDeg: { label: 'Crank angle after TDC', kind: 'angle' } },
  evaluate: ({ angleDeg, ...crank }) => pistonDropMm(crank, angleDeg),
})
const sweptLength = formula({
  id: 'sweptLength',
  title: 'Swept length',
  kind: 'length',
  expression: '√((l + a)² − e²) − √((l − a)² − e²)',
  source: SOURCE,
  inputs: crankInputs,
  evaluate: sweptLengthMm,
})
const trueTdcShift = formula({
  id: 'trueTdcShift',
  title: 'True TDC, from throw in line with the bore',
  kind: 'angle',
  expression: 'sin φ = e ÷ (l + a)',
  source: SOURCE,
  inputs: crankInputs,
  evaluate: trueTdcShiftDeg,
})
const volumeAtAngle = formula({
  id: 'volumeAtAngle',
  title: 'Volume above the piston',
  kind: 'volume',
  expression: 'clearance + π/4 · bore² · s(θ)',
  source: `${SOURCE}`,
  inputs: {
    boreMm: { label: 'Bore', kind: 'length' },
    dropMm: { label: 'Piston drop', kind: 'length' },
    clearanceCm3: { label: 'Clearance volume', kind: 'volume' },
  },
  evaluate: ({ boreMm, dropMm, clearanceCm3 }) => clearanceCm3 + cylinderVolumeCm3(boreMm, dropMm),
})

export const crankSum: QuickSum = {
  id: 'crank',
  title: 'Crank and piston',
  question: 'Where is the piston at this crank angle?',
  inputs: {
    stroke: { label: 'Stroke', kind: 'length', units: BIG, required: true, paper: 'stroke', example: '90 mm' },
    rod: { label: 'Rod length', kind: 'length', units: BIG, required: true, paper: 'rodLength', example: '150 mm' },
    pinOffset: { label: 'Pin offset', kind: 'length', units: BIG, required: false, signed: true, paper: 'pinOffset', example: '0.5 mm' },
    angle: {
      label: 'Crank angle after TDC',
      kind: 'angle',
      units: { metric: 'deg', inch: 'deg' },
      required: false,
      signed: true,
      bottomCentreDeg: 180,
      example: '10°',
    },
    bore: { label: 'Bore', kind: 'length', units: BIG, required: false, paper: 'bore', example: '83 mm' },
    clearance: { label: 'Clearance volume', kind: 'volume', units: { metric: 'cm3', inch: 'cm3' }, required: false, example: '62.9 cc' },
  },
  evaluate({ figures }) {
    const { stroke, rod, angle, bore } = figures
    if (!stroke || !rod) throw new Error('crank: a required input was not checked')
    const throwFigures = { strokeMm: stroke, rodMm: rod, pinOffsetMm: figures.pinOffset ?? leftOut() }
    if (!crankTurns({ strokeMm: stroke.value.value, rodMm: rod.value.value, pinOffsetMm: throwFigures.pinOffsetMm.value.value })) {
      return impossible('the rod is too short for this stroke', 'rod')
    }
    if (figures.clearance && !(bore && angle)) return impossible('the volume needs bore and angle too', bore ? 'angle' : 'bore')
    const drop = angle && pistonDrop.of({ ...throwFigures, angleDeg: angle })
    return {
      ok: true,
      results: [
        ...(drop ? [{ id: 'pistonDrop', label: 'Piston drop from true TDC', kind: 'length', figure: drop } as const] : []),
        { id: 'sweptLength', label: 'Swept length', kind: 'length', figure: sweptLength.of(throwFigures) },
        { id: 'trueTdcShift', label: 'True TDC after throw in line', kind: 'angle', figure: trueTdcShift.of(throwFigures) },
        ...(drop && bore
          ? [
              {
                id: 'volumeAtAngle',
                label: figures.clearance ? 'Volume above the piston' : 'Volume swept since TDC',
                kind: 'volume',
                figure: volumeAtAngle.of({ boreMm: bore, dropMm: drop, clearanceCm3: figures.clearance ?? leftOut() }),
              } as const,
            ]
          : []),
      ],
    }
  },
}
