/** Sums of valves over pistons: how near they come, what a dial on one says, round their pockets, and where a crank is parked. */
import { FLOOR_MM } from './floor'
import { liftTableFrom } from '../../geometry/valvetrain'
import { closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { lobeCurve } from '../../geometry/valvetrain/lobeCurve'
import { closestApproach, safeWindow, WINDOW_DEG, type ValveSweep } from '../../geometry/valvetrain/closest'
import { dropFromDial, type DialReading } from '../../geometry/valvetrain/dialDrop'
import { crankTurns, parkingOf } from '../../geometry/crank'
import { formula, judge, leftOut, resultOf, statedFigure, type Figure } from '../../metrology'
import { splineAt } from '../../numerics/smoothingSpline'
import { parseEntry, type UnitId } from '../../units'
import { impossible, type Given, type QuickSum, type SumInput, type SumOutcome, type SumResult } from '../../bench/quickSum'

const BIG = { metric: 'mm', inch: 'in' } as const
const DEG = { metric: 'deg', inch: 'deg' } as const
const ONE = { metric: 'one', inch: 'one' } as const
const GEOMETRY = 'geometry of valve, bore, crank and rod'

const length = (label: string, example: string, required = true): SumInput => ({ label, kind: 'length', units: BIG, required, example })
const angle = (label: string, example: string): SumInput => ({ label, kind: 'angle', units: DEG, required: true, signed: true, example })
const number = (label: string, example: string, required = true): SumInput => ({ label, kind: 'ratio', units: ONE, required, example })

const ENGINE_INPUTS = {
  stroke: { ...length('Stroke', '92.8 mm'), paper: 'stroke' },
  rod: { ...length('Rod length', '144 mm'), paper: 'rodLength' },
  pinOffset: { ...length('Pin offset', '0 mm', false), signed: true, paper: 'pinOffset' },
  valveAngle: angle('Valve to its bore', '15.5°'),
  surface: { label: 'It comes down on: pocket or flat', kind: 'words', units: DEG, required: true, example: 'pocket' },
} as const satisfies Record<string, SumInput>

const CLOSED_LOBE = {
  lift: length('Lobe lift', '10.2 mm', false),
  halfOpen: { ...angle('Half of its opening', '150°'), required: false },
  power: number('Power of its form', '2.6', false),
} as const satisfies Record<string, SumInput>

const CAM_INPUTS = {
  centreline: angle('Centreline, intake +, exhaust −', '109.5°'),
  ratio: number('Rocker ratio, 1 for buckets', '1'),
  lash: { ...length('Lash', '0.2 mm'), units: { metric: 'mm', inch: 'thou' }, range: { low: 0, high: 3 } },
} as const satisfies Record<string, SumInput>

const table = (label: string): SumInput => ({ label, kind: 'table', units: BIG, required: false, example: '' })

/** Numbers nobody's valve gear has. */
const VALVE_ANGLE_DEG = { low: 0, high: 60 }
const HALF_OPEN_DEG = { low: 40, high: 360 }
const POWER = { low: 1, high: 8 }
const RATIO = { low: 0.5, high: 3 }
const CENTRELINE_DEG = { low: 60, high: 160 }

/** Lift of a lobe at so many crank degrees from its peak, mm. */
type LobeForm = (fromPeakDeg: number, liftMm: number) => number

/** What is wrong with the engine or the valve; nothing where both can be. */
function troubleOf({ figures, names }: Given): SumOutcome | undefined {
  const value = (name: string) => figures[name]?.value.value
  const beyond = (name: string, { low, high }: { low: number; high: number }, words: string) => {
    const of = value(name)
    return of !== undefined && !(of >= low && of <= high) ? impossible(`is between ${low} and ${high}${words}`, name) : undefined
  }
  const crank = { strokeMm: value('stroke')!, rodMm: value('rod')!, pinOffsetMm: value('pinOffset') ?? 0 }
  if (!crankTurns(crank)) return impossible('reaches past the crank', 'rod')
  if (names.surface !== 'pocket' && names.surface !== 'flat') return impossible('is pocket or flat', 'surface')
  const centre = value('centreline')
  if (centre !== undefined && !(Math.abs(centre) >= CENTRELINE_DEG.low && Math.abs(centre) <= CENTRELINE_DEG.high))
    return impossible(
      `is ${CENTRELINE_DEG.low}° to ${CENTRELINE_DEG.high}° from overlap TDC, intake after it, exhaust before it (negative)`,
      'centreline',
    )
  return (
    beyond('valveAngle', VALVE_ANGLE_DEG, '°') ??
    beyond('halfOpen', HALF_OPEN_DEG, '°: a lobe is open for less than its cycle') ??
    beyond('power', POWER, '') ??
    beyond('ratio', RATIO, '')
  )
}

/** The lobe as a closed form or as a table from its peak; one of the two. */
function lobeOf({ figures, names }: Given, tableName: string): { readonly form: LobeForm; readonly liftMm: Figure } | SumOutcome {
  const { lift, halfOpen, power } = figures
  const text = names[tableName]
  if (text !== undefined && (lift ?? halfOpen ?? power))
    return impossible('stands beside lift, halfOpen and power: the lobe by one of the two', tableName)
  if (text === undefined) {
    if (!lift || !halfOpen || !power) return impossible(`are wanted, or ${tableName}`, 'lift', 'halfOpen', 'power')
    const form: LobeForm = (deg, liftMm) => closedLiftMm({ liftMm, halfWidthDeg: halfOpen.value.value, power: power.value.value }, deg)
    return { form, liftMm: lift }
  }
  const read = liftTableFrom(text)
  if ('issues' in read) return { ok: false, issues: read.issues.map((issue) => ({ code: 'liftTable', path: [tableName], issue })) }
  const { spline } = lobeCurve(read.rows, TABLE_UNCERTAINTY)
  const most = Math.max(...read.rows.map(({ liftMm }) => liftMm))
  const { from, to } = spline.knots
  const form: LobeForm = (deg, liftMm) => (deg > from && deg < to ? (Math.max(0, splineAt(spline, deg)) * liftMm) / most : 0)
  return { form, liftMm: statedFigure(tableName, most) }
}

/** A table that is used as it stands is taken to be read by a good wheel and dial. */
const TABLE_UNCERTAINTY = { wheelDeg: 0.1, dialMm: 0.005 }

const SWEEP_INPUTS = {
  strokeMm: { label: 'Stroke', kind: 'length' },
  rodMm: { label: 'Rod length', kind: 'length' },
  pinOffsetMm: { label: 'Pin offset', kind: 'length' },
  valveAngleDeg: { label: 'Valve to its bore', kind: 'angle' },
  liftMm: { label: 'Lobe lift', kind: 'length' },
  centrelineDeg: { label: 'Centreline', kind: 'angle' },
  ratio: { label: 'Rocker ratio', kind: 'ratio' },
  lashMm: { label: 'Lash', kind: 'length' },
  dropMm: { label: 'Valve drop at TDC', kind: 'length' },
} as const
type SweepValues = Readonly<Record<keyof typeof SWEEP_INPUTS, number>>

const CYCLE_DEG = 720
const withinCycle = (deg: number) => deg - CYCLE_DEG * Math.round(deg / CYCLE_DEG)

function sweepOf(form: LobeForm, surface: 'pocket' | 'flat', values: SweepValues): ValveSweep {
  const { strokeMm, rodMm, pinOffsetMm, valveAngleDeg, liftMm, centrelineDeg, ratio, lashMm, dropMm } = values
  return {
    over: { dropAtTdcMm: dropMm, angleDeg: valveAngleDeg, surface },
    crank: { strokeMm, rodMm, pinOffsetMm },
    liftMm: (deg) => Math.max(0, form(withinCycle(deg - centrelineDeg), liftMm) * ratio - lashMm),
  }
}

function sweepFigures({ figures }: Given, liftMm: Figure, dropMm: Figure): Readonly<Record<keyof typeof SWEEP_INPUTS, Figure>> {
  const { stroke, rod, pinOffset, valveAngle, centreline, ratio, lash } = figures
  return {
    strokeMm: stroke!,
    rodMm: rod!,
    pinOffsetMm: pinOffset ?? leftOut(),
    valveAngleDeg: valveAngle!,
    liftMm,
    centrelineDeg: centreline!,
    ratio: ratio!,
    lashMm: lash!,
    dropMm,
  }
}

const valuesOf = (figures: Readonly<Record<keyof typeof SWEEP_INPUTS, Figure>>) =>
  Object.fromEntries(Object.entries(figures).map(([name, { value }]) => [name, value.value])) as SweepValues

export const valvegap: QuickSum = {
  id: 'valvegap',
  title: 'Valve to piston',
  question: 'How near does this valve come to its piston, and how far may its cam be moved?',
  inputs: {
    ...ENGINE_INPUTS,
    ...CLOSED_LOBE,
    readings: table('Or its lobe as a table: angle from its peak, lift'),
    ...CAM_INPUTS,
    drop: { ...length('Valve drop at TDC, gasket crushed', '3.3 mm'), signed: true },
    limit: length('Least gap allowed', '1.5 mm', false),
  },
  evaluate(given) {
    const trouble = troubleOf(given)
    if (trouble) return trouble
    const lobe = lobeOf(given, 'readings')
    if (!('form' in lobe)) return lobe
    const surface = given.names.surface as 'pocket' | 'flat'
    const figures = sweepFigures(given, lobe.liftMm, given.figures.drop!)
    const of = (values: SweepValues) => closestApproach(sweepOf(lobe.form, surface, values))
    const text = (id: string, title: string, expression: string, kind: 'length' | 'angle') => ({
      id,
      title,
      expression,
      source: GEOMETRY,
      kind,
    })
    const gap = formula({
      ...text(
        'closest',
        'Closest approach',
        surface === 'pocket' ? 'min over θ of c₀ + s·cos α − L' : 'min over θ of c₀ + s ÷ cos α − L',
        'length',
      ),
      inputs: SWEEP_INPUTS,
      evaluate: (values) => of(values).gapMm,
    }).of(figures)
    const at = formula({
      ...text('at', 'Closest at', 'where it is least, crank degrees after overlap TDC', 'angle'),
      inputs: SWEEP_INPUTS,
      evaluate: (values) => of(values).atDeg,
    }).of(figures)
    const limitMm = given.figures.limit?.value.value
    const window = limitMm === undefined ? undefined : safeWindow(sweepOf(lobe.form, surface, valuesOf(figures)), limitMm)
    const floorMm = FLOOR_MM[figures.centrelineDeg.value.value > 0 ? 'intake' : 'exhaust']
    return {
      ok: true,
      results: [
        {
          id: 'closest',
          label: 'Closest approach',
          kind: 'length',
          figure: gap,
          ...(limitMm !== undefined && { conformity: judge(gap.value, { lower: limitMm }, 'strict') }),
        },
        { id: 'at', label: 'Closest at, after overlap TDC', kind: 'angle', figure: at },
        ...(window ? windowResults(window) : []),
      ],
      remarks: {
        ...(limitMm !== undefined && limitMm < floorMm && { belowFloorMm: floorMm }),
        ...(limitMm !== undefined && !window && { noWindowDeg: WINDOW_DEG }),
      },
    }
  },
}

function windowResults({ fromDeg, toDeg }: { readonly fromDeg: number; readonly toDeg: number }): readonly SumResult[] {
  return [
    { id: 'windowFrom', label: 'Safe from, earlier is +', kind: 'angle', figure: statedFigure('windowFrom', fromDeg) },
    { id: 'windowTo', label: 'Safe to', kind: 'angle', figure: statedFigure('windowTo', toDeg) },
  ]
}

const USUAL_DIAL_U_MM = 0.01
const USUAL_WHEEL_U_DEG = 0.25
/** Residuals of so many standard uncertainties are named. */
const FAR_OFF = 3.5

export const valvedial: QuickSum = {
  id: 'valvedial',
  title: 'Valve drop from a dial',
  question: 'What is the drop at TDC by a dial on the valve, pushed down at these angles?',
  inputs: {
    ...ENGINE_INPUTS,
    ...CLOSED_LOBE,
    lobe: table('Or its lobe as a table: angle from its peak, lift'),
    ...CAM_INPUTS,
    readings: {
      label: 'Travel at crank angle, after overlap TDC',
      kind: 'words',
      units: BIG,
      required: true,
      example: '2.38@0, 2.05@4, 1.98@8',
    },
    dialU: length('Dial, one standard deviation', '0.01 mm', false),
    wheelU: { ...angle('Wheel, one standard deviation', '0.25°'), required: false },
  },
  evaluate(given) {
    const trouble = troubleOf(given)
    if (trouble) return trouble
    const lobe = lobeOf(given, 'lobe')
    if (!('form' in lobe)) return lobe
    const readings = dialReadings(given.names.readings ?? '', given.units.stroke ?? 'mm')
    if (!Array.isArray(readings)) return readings as SumOutcome
    const uncertainty = {
      dialMm: given.figures.dialU?.value.value ?? USUAL_DIAL_U_MM,
      wheelDeg: given.figures.wheelU?.value.value ?? USUAL_WHEEL_U_DEG,
    }
    if (!(uncertainty.dialMm > 0)) return impossible('is more than nothing', 'dialU')
    if (uncertainty.wheelDeg < 0) return impossible('is not less than nothing', 'wheelU')
    const surface = given.names.surface as 'pocket' | 'flat'
    const figures = sweepFigures(given, lobe.liftMm, leftOut())
    const from = (values: SweepValues) =>
      dropFromDial(sweepOf(lobe.form, surface, { ...values, dropMm: 0 }), readings as DialReading[], uncertainty)
    const byEngine = formula({
      id: 'dropByEngine',
      title: 'Drop at TDC, readings taken as they are',
      kind: 'length',
      expression: 'Σ w · (reading + L − s·cos α)',
      source: `weighted least squares, JCGM 102:2011; ${GEOMETRY}`,
      inputs: SWEEP_INPUTS,
      evaluate: (values) => from(values).dropMm,
    }).of(figures)
    const found = from(valuesOf(figures))
    // Half of what is stated behind ± is one standard uncertainty.
    const noise = statedFigure('dial and wheel', 0, 2 * found.u)
    const drop = resultOf(
      {
        id: 'dropAtTdc',
        title: 'Valve drop at TDC',
        kind: 'length',
        expression: 'by the readings + what dial and wheel leave open',
        source: GEOMETRY,
      },
      [
        { label: 'By the readings', weight: 1, figure: byEngine },
        { label: 'Dial and wheel', weight: 1, figure: noise },
      ],
    )
    const slips = found.residualsMm.flatMap((residual, index) =>
      Math.abs(residual) > FAR_OFF * found.ownU[index]! ? [{ reading: index + 1, offMm: residual }] : [],
    )
    return {
      ok: true,
      results: [{ id: 'dropAtTdc', label: 'Valve drop at TDC', kind: 'length', figure: drop }],
      remarks: { residualsMm: found.residualsMm, ...(slips.length > 0 && { dialSlips: slips }) },
    }
  },
}

/**
 * `2.38@0, 2.05@4 atdc`: bare travels in the unit the stroke was given in. A comma behind an angle parts two; one before it is a
 * decimal.
 */
function dialReadings(text: string, unit: UnitId): readonly DialReading[] | SumOutcome {
  const readings: DialReading[] = []
  for (const [index, [one, travelText = '', degText = '']] of [...text.matchAll(/([^@]*)@([^@,;]*)[,;]?|[^@]+$/g)].entries()) {
    const travel = parseEntry(travelText, { kind: 'length', unit, signed: true })
    const deg = parseEntry(degText, { kind: 'angle', unit: 'deg', signed: true })
    if (!travel.ok || !deg.ok) return impossible(`reading ${index + 1}, “${one.trim()}”: travel@angle is wanted, as 2.38@0`, 'readings')
    if (travel.value < 0) return impossible(`reading ${index + 1} is negative: the sign, or the dial ran backwards`, 'readings')
    if (Math.abs(deg.value) > MOST_DEG) return impossible(`reading ${index + 1} is further than ${MOST_DEG}° from overlap TDC`, 'readings')
    readings.push({ travelMm: travel.value, deg: deg.value })
  }
  return readings
}
const MOST_DEG = 90

const radialGap = formula({
  id: 'radial',
  title: 'Round the valve',
  kind: 'length',
  expression: '(pocket − valve) ÷ 2 − offset of their axes',
  source: 'geometry',
  inputs: {
    pocketMm: { label: 'Pocket', kind: 'length' },
    valveMm: { label: 'Valve head', kind: 'length' },
    offsetMm: { label: 'Axes apart', kind: 'length' },
  },
  evaluate: ({ pocketMm, valveMm, offsetMm }) => (pocketMm - valveMm) / 2 - offsetMm,
})
/** About 0.050 in (common practice). */
const LEAST_RADIAL_MM = 1.27

export const radial: QuickSum = {
  id: 'radial',
  title: 'Round the valve in its pocket',
  question: 'How much room has this valve head round it?',
  inputs: {
    pocket: length('Pocket diameter at its depth', '36.5 mm'),
    valve: length('Valve head diameter', '33 mm'),
    offset: length('Axes apart', '0.2 mm'),
  },
  evaluate({ figures }) {
    const [pocketMm, valveMm, offsetMm] = [figures.pocket!, figures.valve!, figures.offset!]
    if (pocketMm.value.value <= valveMm.value.value) return impossible('is smaller than the valve: they touch', 'pocket')
    const figure = radialGap.of({ pocketMm, valveMm, offsetMm })
    return {
      ok: true,
      results: [
        {
          id: 'radial',
          label: 'Round the valve',
          kind: 'length',
          figure,
          conformity: judge(figure.value, { lower: LEAST_RADIAL_MM }, 'strict'),
        },
      ],
    }
  },
}

export const park: QuickSum = {
  id: 'park',
  title: 'Where to park the crank',
  question: 'Where does the highest piston stand lowest, so that a cam may be turned alone?',
  inputs: {
    tops: { label: 'Tops, crank degrees', kind: 'words', units: DEG, required: true, example: '0, 120, 240' },
    stroke: ENGINE_INPUTS.stroke,
    rod: ENGINE_INPUTS.rod,
  },
  evaluate({ figures, names }) {
    const tops = (names.tops ?? '').split(/[,;/\s]+/).filter(Boolean)
    const bad = tops.find((top) => !/^\d+(?:\.\d+)?$/.test(top) || Number(top) > CYCLE_DEG)
    if (bad !== undefined) return impossible(`“${bad}” is no crank angle from 0 to ${CYCLE_DEG}`, 'tops')
    if (tops.length === 0) return impossible('names one top at least', 'tops')
    const [stroke, rod] = [figures.stroke!, figures.rod!]
    const crank = (strokeMm: number, rodMm: number) => ({ strokeMm, rodMm, pinOffsetMm: 0 })
    if (!crankTurns(crank(stroke.value.value, rod.value.value))) return impossible('reaches past the crank', 'rod')
    const parking = (strokeMm: number, rodMm: number) => parkingOf(tops.map(Number), crank(strokeMm, rodMm))
    const highest = formula({
      id: 'highest',
      title: 'Highest piston below its top',
      kind: 'length',
      expression: 'greatest, over crank angles, of the least s(θ − top)',
      source: GEOMETRY,
      inputs: { strokeMm: SWEEP_INPUTS.strokeMm, rodMm: SWEEP_INPUTS.rodMm },
      evaluate: ({ strokeMm, rodMm }) => parking(strokeMm, rodMm).dropMm,
    }).of({ strokeMm: stroke, rodMm: rod })
    const [first] = parking(stroke.value.value, rod.value.value).anglesDeg
    return {
      ok: true,
      results: [
        { id: 'crankAngle', label: 'Crank at', kind: 'angle', figure: statedFigure('crankAngle', Math.round(first! * 100) / 100) },
        { id: 'highest', label: 'Highest piston below its top', kind: 'length', figure: highest },
      ],
    }
  },
}

export const sums: readonly QuickSum[] = [valvegap, valvedial, radial, park]
