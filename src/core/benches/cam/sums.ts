import {
  CARD_LABELS,
  CARD_NUMBERS,
  CARD_RANGES,
  cardFigure,
  chainRetardDeg,
  checkedLobe,
  completeCard,
  disagreements,
  EVENT_CENTRES,
  eventsAt,
  figureFromCurve,
  filedSide,
  keyAngleDeg,
  liftTableFrom,
  peakOf,
  stopDrop,
  stopFault,
  tdcInputs,
  toothDeg,
  trueTdc,
  valueOf,
  type CardNumber,
  type StopFault,
} from '../../geometry/valvetrain'
import { crankTurns } from '../../geometry/crank'
import { formula, leftOut, statedFigure, standardUncertainty, type Figure } from '../../metrology'
import { impossible, type Given, type QuickSum, type SumInput, type SumOutcome, type SumResult } from '../../bench/quickSum'

const BIG = { metric: 'mm', inch: 'in' } as const
const SMALL = { metric: 'mm', inch: 'thou' } as const
const DEG = { metric: 'deg', inch: 'deg' } as const
const COMMON = 'common practice'

const length = (label: string, example: string, required = true): SumInput => ({ label, kind: 'length', units: BIG, required, example })
const angle = (label: string, example: string, required = true): SumInput => ({
  label,
  kind: 'angle',
  units: DEG,
  required,
  signed: true,
  example,
})
const uncertainty = (label: string, kind: 'angle' | 'length', example: string): SumInput => ({
  label,
  kind,
  units: kind === 'angle' ? DEG : SMALL,
  required: false,
  example,
})

const correction = formula({
  id: 'tdcCorrection',
  title: 'To be added to every reading',
  kind: 'angle',
  expression: '− what the wheel shows at true TDC',
  source: COMMON,
  inputs: { tdc: { label: 'What the wheel shows at true TDC', kind: 'angle' } },
  evaluate: ({ tdc }) => -tdc,
})
/** Standard uncertainties away from which a drop typed and the one its angles make are not the same drop. */
const SURE = 4
/** What nobody sets a dial closer than, mm. */
const DIAL_SET_MM = 0.02
/** Half of what a wheel is marked in, as good as anybody reads it. */
const USUAL_WHEEL_U_DEG = 0.25

export const tdc: QuickSum = {
  id: 'tdc',
  title: 'True TDC',
  question: 'Where is the top, by a stop or by equal drops?',
  inputs: {
    stroke: { ...length('Stroke', '90 mm'), paper: 'stroke' },
    rod: { ...length('Rod length', '150 mm'), paper: 'rodLength' },
    pinOffset: { ...length('Pin offset', '0.5 mm', false), signed: true, paper: 'pinOffset' },
    method: { label: 'By stop or drop', kind: 'words', units: DEG, required: true, example: 'stop' },
    a: angle('Read on one side, ATDC +', '-24°'),
    b: angle('Read on the other', '26°'),
    drop: length('Drop the dial was turned back to', '5.43 mm', false),
    wheelU: uncertainty('Wheel, one standard deviation', 'angle', '0.25°'),
  },
  evaluate({ figures, names }) {
    const { stroke, rod, a, b, drop } = figures
    if (!stroke || !rod || !a || !b) throw new Error('tdc: a required input was not checked')
    if (names.method !== 'stop' && names.method !== 'drop') return impossible('is stop or drop', 'method')
    if (figures.wheelU && figures.wheelU.value.value < 0) return impossible('is not less than nothing', 'wheelU')
    const pinOffset = figures.pinOffset ?? leftOut()
    if (!crankTurns({ strokeMm: stroke.value.value, rodMm: rod.value.value, pinOffsetMm: pinOffset.value.value }))
      return impossible('the rod is too short for this stroke', 'rod')
    const fault = stopFault(a.value.value, b.value.value, true)
    if (fault) return impossible(STOP_WORDS[fault], 'a', 'b')
    const read = (name: string, figure: Figure) => withWheelU(name, figure, figures.wheelU?.value.value)
    const inputs = { strokeMm: stroke, rodMm: rod, pinOffsetMm: pinOffset, before: read('a', a), after: read('b', b) }
    const found = trueTdc.of(inputs)
    const fell = stopDrop.of(inputs)
    const wrong = drop && dropDisagrees(fell, drop, { ...inputs, wheelU: figures.wheelU })
    if (wrong) return wrong
    return {
      ok: true,
      results: [
        { id: 'tdc', label: 'What the wheel shows at true TDC', kind: 'angle', figure: found },
        { id: 'correction', label: 'To be added to every reading', kind: 'angle', figure: correction.of({ tdc: found }) },
        { id: 'stopDrop', label: 'Piston below its top where it was read', kind: 'length', figure: fell },
      ],
    }
  },
}

const STOP_WORDS: Readonly<Record<StopFault, string>> = {
  stopTooNear: 'lie so near to each other that both were read on one side: one on each side of the top, 10° apart or more',
  stopOneSided: 'are both on one side of zero: one before the top (negative), one after it',
}

/** A reading with the standard uncertainty of the wheel, unless it came with its own. */
function withWheelU(name: string, figure: Figure, wheelU: number | undefined): Figure {
  if (wheelU === undefined || standardUncertainty(figure.value) > 0) return figure
  return statedFigure(name, figure.value.value, 2 * wheelU)
}

/** A dial that lost a revolution, or a wheel read on the wrong side of zero, shows in a drop that the angles do not make. */
function dropDisagrees(
  fell: Figure,
  stated: Figure,
  { wheelU, ...inputs }: Record<keyof typeof tdcInputs, Figure> & { wheelU: Figure | undefined },
): SumOutcome | undefined {
  const withU = stopDrop.of({
    ...inputs,
    before: withWheelU('a', inputs.before, wheelU?.value.value ?? USUAL_WHEEL_U_DEG),
    after: withWheelU('b', inputs.after, wheelU?.value.value ?? USUAL_WHEEL_U_DEG),
  })
  const off = Math.abs(fell.value.value - stated.value.value)
  const allowed = SURE * Math.hypot(standardUncertainty(withU.value), DIAL_SET_MM)
  if (off <= allowed) return undefined
  return impossible(
    [
      `these angles are ${fell.value.value.toFixed(3)} mm below the top, not ${stated.value.value.toFixed(3)}:`,
      'a revolution of the dial, or the other side of zero?',
    ].join(' '),
    'drop',
  )
}

const EXAMPLES: Readonly<Record<CardNumber, string>> = {
  io: '-3',
  ic: '44',
  eo: '48',
  ec: '-4',
  intakeDuration: '221°',
  exhaustDuration: '224°',
  icl: '113.5°',
  ecl: '112°',
  lsa: '112.75°',
  advance: '-0.75°',
  overlap: '-7°',
}

export const camcard: QuickSum = {
  id: 'camcard',
  title: 'Cam card',
  question: 'What else does this cam card say, and does it agree with itself?',
  inputs: Object.fromEntries(
    CARD_NUMBERS.filter((name) => name !== 'overlap').map((name): [string, SumInput] => [
      name,
      { ...angle(CARD_LABELS[name], EXAMPLES[name], false), ...(name in EVENT_CENTRES && { event: EVENT_CENTRES[name as 'io'] }) },
    ]),
  ),
  evaluate(given) {
    const read = cardFigures(given)
    if ('ok' in read) return read
    const names = CARD_NUMBERS.filter((name) => read.has(name))
    if (names.length === 0) return impossible('nothing of the card is there yet', 'io')
    const values = Object.fromEntries([...read].map(([name, { value }]) => [name, value.value]))
    const card = completeCard(names)
    const beyond = [...card.numbers].find(([name, by]) => {
      const value = valueOf(by, values)
      return value < CARD_RANGES[name].low || value > CARD_RANGES[name].high
    })
    if (beyond) return impossible(`${CARD_LABELS[beyond[0]]} would be ${valueOf(beyond[1], values)}°: no such cam`, names[0]!)
    return {
      ok: true,
      results: [...card.numbers].map(([name, by]): SumResult => ({
        id: name,
        label: CARD_LABELS[name],
        kind: 'angle',
        figure: cardFigure(name, by, read),
      })),
      remarks: { disagreements: disagreements(card, values) },
    }
  },
}

/** What was typed of a card, every number within what a cam can be. */
function cardFigures({ figures }: Given): ReadonlyMap<CardNumber, Figure> | SumOutcome {
  const read = new Map<CardNumber, Figure>()
  for (const name of CARD_NUMBERS) {
    const figure = figures[name]
    if (!figure) continue
    const { low, high } = CARD_RANGES[name]
    if (figure.value.value < low || figure.value.value > high) return impossible(`is between ${low}° and ${high}° on any cam`, name)
    read.set(name, figure)
  }
  return read
}

const CURVE_SOURCE = 'Eilers and Marx, 1996; Wahba, 1983: quintic smoothing spline, restricted likelihood'
const USUAL_DIAL_U_MM = 0.005
const CURVE_TEXTS = {
  open: { title: 'Opens', expression: 'angle at the check lift, going up' },
  close: { title: 'Closes', expression: 'angle at the check lift, going down' },
  duration: { title: 'Duration', expression: 'closes − opens' },
  centreline: { title: 'Centreline', expression: '(opens + closes) ÷ 2' },
} as const

export const camcurve: QuickSum = {
  id: 'camcurve',
  title: 'Lobe from a lift table',
  question: 'What events does this lift table have, and which rows are slips?',
  inputs: {
    readings: {
      label: 'Readings: angle after overlap TDC, lift',
      kind: 'table',
      units: BIG,
      required: true,
      example:
        'angle,lift mm\n-50,0.00\n-40,0.00\n-30,0.05\n-20,0.27\n-10,0.72\n0,1.37\n10,2.21\n20,3.20\n30,4.27\n40,5.39\n' +
        '50,6.48\n60,7.51\n70,8.42\n80,9.17\n90,9.74\n100,10.08\n110,10.20\n120,10.08\n130,9.74\n140,9.17\n150,8.42\n' +
        '160,7.51\n170,6.48\n180,5.39\n190,4.27\n200,3.20\n210,2.21\n220,1.37\n230,0.72\n240,0.27\n250,0.05\n260,0.00\n' +
        '270,0.00',
    },
    checkLift: { ...length('Check lift', '1.27 mm') },
    wheelU: uncertainty('Wheel, one standard deviation', 'angle', '0.25°'),
    dialU: uncertainty('Dial, one standard deviation', 'length', '0.005 mm'),
    tdcU: uncertainty('True TDC, one standard deviation', 'angle', '0.1°'),
  },
  evaluate({ figures, names }) {
    const table = liftTableFrom(names.readings ?? '')
    if ('issues' in table) return { ok: false, issues: table.issues.map((issue) => ({ code: 'liftTable', path: ['readings'], issue })) }
    const u = (name: string, usual: number) => figures[name]?.value.value ?? usual
    const uncertainty = { wheelDeg: u('wheelU', USUAL_WHEEL_U_DEG), dialMm: u('dialU', USUAL_DIAL_U_MM) }
    const common = { tdcDeg: u('tdcU', 0) }
    if (uncertainty.wheelDeg < 0) return impossible('is not less than nothing', 'wheelU')
    if (!(uncertainty.dialMm > 0)) return impossible('is more than nothing', 'dialU')
    if (common.tdcDeg < 0) return impossible('is not less than nothing', 'tdcU')
    const checkLiftMm = figures.checkLift!.value.value
    const { curve, slips } = checkedLobe(table.rows, uncertainty)
    const peak = peakOf(curve, common)
    if (!(checkLiftMm > 0 && checkLiftMm < peak.lift.value))
      return impossible(`is between nothing and the peak of ${peak.lift.value.toFixed(2)} mm`, 'checkLift')
    const owners = { curve: 'readings', tdc: 'typed:tdcU', wheel: 'wheel' }
    const figure = (
      id: string,
      text: { title: string; expression: string },
      of: Parameters<typeof figureFromCurve>[1],
      kind: 'angle' | 'length',
    ) => figureFromCurve({ id, ...text, kind, source: CURVE_SOURCE }, of, owners)
    const events = eventsAt(curve, checkLiftMm, common)
    const ofEvents = (Object.keys(CURVE_TEXTS) as (keyof typeof CURVE_TEXTS)[]).flatMap((id): SumResult[] => {
      const event = events[id]
      return event ? [{ id, label: CURVE_TEXTS[id].title, kind: 'angle', figure: figure(id, CURVE_TEXTS[id], event, 'angle') }] : []
    })
    const lift = { title: 'Peak lift', expression: 'greatest lift of the curve' }
    const at = { title: 'Peak at', expression: 'where the curve is level' }
    return {
      ok: true,
      results: [
        { id: 'peakLift', label: lift.title, kind: 'length', figure: figure('peakLift', lift, peak.lift, 'length') },
        { id: 'peakAngle', label: at.title, kind: 'angle', figure: figure('peakAngle', at, peak.angle, 'angle') },
        ...ofEvents,
      ],
      remarks: { slips },
    }
  },
}

export const camkey: QuickSum = {
  id: 'camkey',
  title: 'Filed or offset key',
  question: 'How far does a key that is filed, or offset, turn it?',
  inputs: {
    offset: { ...length('Offset of the key', '0.012 in'), units: SMALL },
    shaftRadius: length('Radius of the shaft', '12.7 mm'),
    rotation: { label: 'Turns, seen from the flywheel: cw or ccw', kind: 'words', units: DEG, required: false, example: 'cw' },
    way: { label: 'Advance or retard', kind: 'words', units: DEG, required: false, example: 'advance' },
  },
  evaluate({ figures, names }) {
    const { offset, shaftRadius } = figures
    if (!offset || !shaftRadius) throw new Error('camkey: a required input was not checked')
    if (keyAngleDeg(offset.value.value, shaftRadius.value.value) === undefined)
      return impossible('no key is wider than its shaft', 'offset')
    const results: SumResult[] = [{ id: 'ignition', label: 'Ignition moves', kind: 'angle', figure: keyAngle.of({ offset, shaftRadius }) }]
    const { rotation, way } = names
    if (rotation === undefined && way === undefined) return { ok: true, results }
    if (rotation !== 'cw' && rotation !== 'ccw') return impossible('is cw or ccw, seen from the flywheel', 'rotation')
    if (way !== 'advance' && way !== 'retard') return impossible('is advance or retard', 'way')
    return { ok: true, results, remarks: { filed: { side: filedSide(rotation, way), rotation, way } } }
  },
}

const keyAngle = formula({
  id: 'keyAngle',
  title: 'Turned by the key',
  kind: 'angle',
  expression: 'asin(offset ÷ radius)',
  source: 'geometry of a key',
  inputs: { offset: { label: 'Offset', kind: 'length' }, shaftRadius: { label: 'Radius', kind: 'length' } },
  evaluate: ({ offset, shaftRadius }) => keyAngleDeg(offset, shaftRadius) ?? Number.NaN,
})

const LEAST_TEETH = 8
const MOST_TEETH = 200

export const camtooth: QuickSum = {
  id: 'camtooth',
  title: 'One tooth',
  question: 'How far is one tooth of the cam sprocket?',
  inputs: {
    teeth: { label: 'Teeth of the cam sprocket', kind: 'ratio', units: { metric: 'one', inch: 'one' }, required: true, example: '44' },
  },
  evaluate({ figures }) {
    const teeth = figures.teeth!
    const count = teeth.value.value
    if (!(Number.isInteger(count) && count >= LEAST_TEETH && count <= MOST_TEETH))
      return impossible(`is a whole number from ${LEAST_TEETH} to ${MOST_TEETH}`, 'teeth')
    return { ok: true, results: [{ id: 'crankDegrees', label: 'One tooth, crank degrees', kind: 'angle', figure: tooth.of({ teeth }) }] }
  },
}

const tooth = formula({
  id: 'tooth',
  title: 'One tooth',
  kind: 'angle',
  expression: '720 ÷ teeth of the cam sprocket',
  source: 'definition: the crank turns twice for the cam’s once',
  inputs: { teeth: { label: 'Teeth', kind: 'ratio' } },
  evaluate: ({ teeth }) => toothDeg(teeth),
})

export const chainretard: QuickSum = {
  id: 'chainretard',
  title: 'Cut and chain',
  question: 'How late does a cam in the head come once head or deck is cut?',
  inputs: {
    cut: { ...length('Cut off head and deck', '0.5 mm'), units: SMALL },
    pitchRadius: length('Pitch radius of the cam sprocket', '50 mm'),
  },
  evaluate({ figures }) {
    const { cut, pitchRadius } = figures
    if (!cut || !pitchRadius) throw new Error('chainretard: a required input was not checked')
    if (!(pitchRadius.value.value > 0)) return impossible('is more than nothing', 'pitchRadius')
    if (cut.value.value >= pitchRadius.value.value) return impossible('is less than the sprocket’s radius', 'cut')
    return {
      ok: true,
      results: [{ id: 'retard', label: 'Later by, crank degrees', kind: 'angle', figure: retard.of({ cut, pitchRadius }) }],
    }
  },
}

const retard = formula({
  id: 'chainRetard',
  title: 'Later by',
  kind: 'angle',
  expression: '2 · cut ÷ pitch radius, in degrees',
  source: COMMON,
  inputs: { cut: { label: 'Cut', kind: 'length' }, pitchRadius: { label: 'Pitch radius', kind: 'length' } },
  evaluate: ({ cut, pitchRadius }) => chainRetardDeg(cut, pitchRadius),
})

export const sums: readonly QuickSum[] = [tdc, camcard, camcurve, camkey, camtooth, chainretard]
