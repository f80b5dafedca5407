/** What is left of a gap at redline: each thing that takes of it is an estimate on a line of its own. */
import type { Build } from '../../document/build'
import { paperAt, readingAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { phasedGapMm } from '../../geometry/valvetrain/closest'
import { camKind, cylinderOfValve } from '../../geometry/valvetrain'
import { type RodMaterial } from '../../geometry/materials'
import { assumedFigure, exactly, formula, leftOut, resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Remark } from '../../bench/bench'
import { allOf, isKnown, type Derived } from '../../bench/finding'
import { fromPaper } from '../../shared/fromPaper'
import { closest } from './closest'
import { camOf } from './drop'
import { alongValve, phasing, valveAngle } from './sweep'

/** Moduli of elasticity of rods, MPa (from memory; fuller tables in any engineering handbook). */
const ROD_MODULUS: Readonly<Record<RodMaterial, { readonly value: number; readonly tolerance: number; readonly source: string }>> = {
  steel: { value: 205_000, tolerance: 5000, source: 'from memory: steel, 200 to 210 GPa' },
  titanium: { value: 114_000, tolerance: 4000, source: 'from memory: titanium alloy, 110 to 118 GPa' },
  forgedAluminium: { value: 72_000, tolerance: 2000, source: 'from memory: forged aluminium, 70 to 74 GPa' },
}

const RAD_PER_S_PER_RPM = Math.PI / 30
const KG_PER_G = 1e-3
const M_PER_MM = 1e-3

/** Reciprocating mass thrown up at overlap TDC, on a rod of one section. */
export const rodStretch = formula({
  id: 'rodStretch',
  title: 'Stretch of the rod at overlap TDC',
  kind: 'length',
  expression: 'F · l ÷ (A · E), F = m · r · ω² · (1 + r ÷ l)',
  source: 'Hooke; J. B. Heywood, Internal Combustion Engine Fundamentals, 2.2: acceleration at TDC',
  inputs: {
    massG: { label: 'Reciprocating mass', kind: 'mass' },
    strokeMm: { label: 'Stroke', kind: 'length' },
    rodMm: { label: 'Rod length', kind: 'length' },
    rpm: { label: 'Redline', kind: 'rotation' },
    areaCm2: { label: 'Section of the rod', kind: 'area' },
    modulusMpa: { label: 'Modulus of its material', kind: 'stress' },
  },
  evaluate: ({ massG, strokeMm, rodMm, rpm, areaCm2, modulusMpa }) => {
    const throwMm = strokeMm / 2
    const forceN = massG * KG_PER_G * throwMm * M_PER_MM * (rpm * RAD_PER_S_PER_RPM) ** 2 * (1 + throwMm / rodMm)
    return (forceN * rodMm) / (areaCm2 * MM2_PER_CM2 * modulusMpa)
  },
})
const MM2_PER_CM2 = 100

const MASS: FormulaText = {
  id: 'reciprocating',
  title: 'Reciprocating mass',
  kind: 'mass',
  expression: 'sum of what was weighed',
  source: 'definition',
}

/** As it was weighed, or as it stands on paper. */
function reciprocatingMass(build: Build, cylinder: number): Derived {
  const weighed = (['rods.pistonMass', 'rods.pinMass', 'rods.ringsMass', 'rods.rodSmall'] as const).map(
    (one) => [one, readingAt(build, one, { cylinder })] as const,
  )
  const known = weighed.flatMap(([label, figure]) => (figure ? [{ label: label.slice('rods.'.length), weight: 1, figure }] : []))
  return known.length === weighed.length ? { figure: resultOf(MASS, known) } : fromPaper(build, 'reciprocatingMass')
}

function redlineOf(rpm: number): Derived {
  return { figure: { value: exactly(rpm), origin: { from: 'typed', name: 'redline' } } }
}

/** How far the rod of a cylinder stretches at redline. */
export const stretchOf = derivation('rodStretch', (build, cylinder: number): Derived => {
  const { redlineRpm } = build.spec.duty
  const inputs = allOf({
    massG: reciprocatingMass(build, cylinder),
    strokeMm: fromPaper(build, 'stroke'),
    rodMm: fromPaper(build, 'rodLength'),
    areaCm2: fromPaper(build, 'rodSection'),
    rpm: redlineRpm === undefined ? { missing: [{ kind: 'duty', what: 'redline' }] } : redlineOf(redlineRpm),
  })
  if (inputs.missing) return inputs
  const modulusMpa = assumedFigure('modulus of the rod', ROD_MODULUS[build.spec.materials.rod])
  return { figure: rodStretch.of({ ...inputs.figures, modulusMpa }) }
})

/** Main, rod and pin: thrown up at overlap TDC, a piston takes all of it (assumed: two oil clearances and a pin). */
const TAKEN_UP = { value: 0.13, tolerance: 0.05, source: 'assumed: oil clearances of main, rod and pin' }

export function takenUp(build: Build): Figure {
  return paperAt(build, 'clearanceTakenUp') ?? assumedFigure('clearances taken up', TAKEN_UP)
}

const AT_REDLINE: FormulaText = {
  id: 'atRedline',
  title: 'Valve to piston at redline',
  kind: 'length',
  expression: 'standing still − rod stretch and clearances along the valve − what slack and heat take',
  source: 'estimate; common practice',
}

/** Crank degrees over which a slope is taken. */
const SLOPE_DEG = 0.5

/** What is left of the gap of a valve at redline; what nothing is known of is left out, and said. */
export function atRedline(build: Build, valve: string): Derived {
  const cam = camOf(build, valve)
  const still = closest(build, valve)
  if (!isKnown(still)) return still
  const angle = valveAngle(build, camKind(cam))
  const inputs = allOf({ still, angle, stretch: stretchOf(build, cylinderOfValve(valve)!) })
  if (inputs.missing) return inputs
  const along = alongValve(build, inputs.figures.angle.value.value)
  const [slack, heat] = [paperAt(build, 'driveSlack'), paperAt(build, 'heatGrowth')]
  const what = [...(slack || isGeared(build) ? [] : (['slack'] as const)), ...(heat ? [] : (['heat'] as const))]
  const remarks: Remark[] = what.length > 0 ? [{ code: 'leftOutAtSpeed', what }] : []
  const figure = resultOf(AT_REDLINE, [
    { label: 'Standing still', weight: 1, figure: inputs.figures.still },
    { label: 'Rod stretch', weight: -along, figure: inputs.figures.stretch },
    { label: 'Oil clearances taken up', weight: -along, figure: takenUp(build) },
    { label: 'Slack of the drive', weight: 1, figure: slackFigure(build, valve, slack) },
    { label: 'Heat', weight: -1, figure: heat ?? leftOut() },
  ])
  return { figure, isPartial: (still.isPartial ?? false) || still.interval !== undefined || what.length > 0, remarks }
}

/** Gears have no slack to speak of. */
function isGeared({ spec }: Build): boolean {
  return spec.drive?.kind === 'gears'
}

const SLACK: FormulaText = {
  id: 'slackAtSpeed',
  title: 'What cams that run later do to the gap',
  kind: 'length',
  expression: 'closest approach so much later − as it stands',
  source: 'geometry of valve, bore, crank and rod',
}

/** Later hurts the exhaust and helps the intake: the curve over phasing says by how much. */
function slackFigure(build: Build, valve: string, slack: Figure | undefined): Figure {
  const curve = slack && phasing(build, camOf(build, valve))
  if (!slack || !curve) return leftOut()
  const at = (laterDeg: number) => phasedGapMm(curve, -laterDeg) - phasedGapMm(curve, 0)
  const deg = slack.value.value
  const slope = (at(deg + SLOPE_DEG) - at(deg - SLOPE_DEG)) / (2 * SLOPE_DEG)
  const weighed = resultOf(SLACK, [{ label: 'Later at speed by', weight: slope, figure: slack }])
  return { ...weighed, value: { ...weighed.value, value: at(deg) } }
}
