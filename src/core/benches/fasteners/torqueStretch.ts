/**
 * Torque against stretch: the straight part of one cycle, the torque that gives a stretch, and where a bolt leaves its line. A line
 * by least squares is a weighted sum of its stretches: with the weights at hand each reading's own uncertainty goes through to the end.
 */
import { mean } from 'd3-array'
import { expand, formula, limitsU, resultOf, standardUncertainty, type Figure } from '../../metrology'

/** A pull of one cycle: what the wrench was set to, and how much longer than free the bolt stood. */
export interface Pull {
  readonly torqueNm: number
  readonly stretchMm: Figure
}

/** A click wrench by the same hand repeats within about a percent (from memory); its bias is in all pulls alike, and cancels. */
const WRENCH_REPEATS = 0.01

/** A pull with what the wrench repeats, as the stretch that it makes; `name` tells it from other pulls. */
export function pulledTo(name: string, torqueNm: number, stretchMm: Figure): Pull {
  return {
    torqueNm,
    stretchMm: withOwn(stretchMm, `wrench/${name}`, 'what the wrench repeats', limitsU(WRENCH_REPEATS) * stretchMm.value.value),
  }
}

/** The figure with one more source of uncertainty, which is its own. */
function withOwn({ origin, value: { value, components } }: Figure, id: string, owner: string, u: number): Figure {
  return { origin, value: { value, components: [...components, { source: { id, owner, dof: Infinity }, u }] } }
}

const LEAST_SQUARES = 'least squares (Gauss); Hooke’s law while it is elastic'

/** What of each stretch goes into the slope of the line through them. */
function slopeWeights(pulls: readonly Pull[]): readonly number[] {
  const middle = mean(pulls, ({ torqueNm }) => torqueNm)!
  const squares = pulls.reduce((sum, { torqueNm }) => sum + (torqueNm - middle) ** 2, 0)
  return pulls.map(({ torqueNm }) => (torqueNm - middle) / squares)
}

/** What of each stretch goes into the height of the line at a torque. */
function heightWeights(pulls: readonly Pull[], torqueNm: number): readonly number[] {
  const middle = mean(pulls, (pull) => pull.torqueNm)!
  return slopeWeights(pulls).map((weight) => 1 / pulls.length + weight * (torqueNm - middle))
}

const weighted = (weights: readonly number[], values: readonly number[]) =>
  weights.reduce((sum, weight, index) => sum + weight * values[index]!, 0)

const stepLabel = (index: number) => `Stretch, step ${index + 1}`

/** How far a pull stands off the line through those before it; positive: it stretched more. */
export function offLine(before: readonly Pull[], next: Pull): Figure {
  return resultOf(
    {
      id: 'offLine',
      title: 'Off the straight line',
      kind: 'length',
      expression: 'stretch − (a + b · torque), a and b from the steps before',
      source: LEAST_SQUARES,
    },
    [
      ...heightWeights(before, next.torqueNm).map((weight, index) => ({
        label: stepLabel(index),
        weight: -weight,
        figure: before[index]!.stretchMm,
      })),
      { label: 'Stretch, this step', weight: 1, figure: next.stretchMm },
    ],
  )
}

/** A line wants three points before a fourth can be off it. */
export const LEAST_STEPS = 4
/** In expanded uncertainties (k = 2): three standard ones, so that a sound bolt of many steps is not called bent. */
const SURELY_OFF = 1.5

/** How many pulls, from the lowest, are of the straight part: the next is off the line through them by more than its uncertainty. */
export function straightCount(pulls: readonly Pull[]): number {
  for (let count = LEAST_STEPS - 1; count < pulls.length; count++) {
    const { value } = offLine(pulls.slice(0, count), pulls[count]!)
    if (Math.abs(value.value) > SURELY_OFF * expand(value).U) return count
  }
  return pulls.length
}

export interface Curve {
  readonly straight: readonly Pull[]
  /** How far its highest pull is off the line through the straight part before it. */
  readonly bend: Figure
  /** The first pull that is off the line. */
  readonly leavesAt: Pull | undefined
}

/** What a cycle shows; nothing of one with too few steps. Pulls from the lowest torque up. */
export function curveOf(pulls: readonly Pull[]): Curve | undefined {
  if (pulls.length < LEAST_STEPS) return undefined
  const count = straightCount(pulls)
  const before = pulls.slice(0, Math.min(count, pulls.length - 1))
  return { straight: pulls.slice(0, count), bend: offLine(before, pulls.at(-1)!), leavesAt: pulls[count] }
}

/** Stretch for each newton metre, in the straight part. */
export function slopeOf(straight: readonly Pull[]): Figure {
  return resultOf(
    { id: 'stretchSlope', title: 'Stretch for each N·m', kind: 'ratio', expression: 'slope of the straight part', source: LEAST_SQUARES },
    slopeWeights(straight).map((weight, index) => ({ label: stepLabel(index), weight, figure: straight[index]!.stretchMm })),
  )
}

/** The torque at which the straight part reaches a stretch. */
export function torqueForStretch(straight: readonly Pull[], wantedMm: Figure): Figure {
  const [slope, atZero] = [slopeWeights(straight), heightWeights(straight, 0)]
  const names = straight.map((_, index) => `step${index + 1}`)
  const steps = Object.fromEntries(names.map((name, index) => [name, { label: stepLabel(index), kind: 'length' as const }]))
  const figures = Object.fromEntries(names.map((name, index) => [name, straight[index]!.stretchMm]))
  return formula<string>({
    id: 'torqueForStretch',
    title: 'Torque for the stretch',
    kind: 'torque',
    expression: '(wanted stretch − a) ÷ b, a and b from the straight part',
    source: LEAST_SQUARES,
    inputs: { ...steps, wantedMm: { label: 'Wanted stretch', kind: 'length' } },
    evaluate: (values) => {
      const stretches = names.map((name) => values[name]!)
      return (values.wantedMm! - weighted(atZero, stretches)) / weighted(slope, stretches)
    },
  }).of({ ...figures, wantedMm })
}

/** Whether a straight part holds a stretch: beyond its last pull nobody has seen it. */
export function reaches(straight: readonly Pull[], wantedMm: number): boolean {
  return straight.some(({ stretchMm }) => stretchMm.value.value >= wantedMm)
}

/** How two cycles differ, the later less the earlier, and whether by more than their uncertainty: friction has not settled. */
export function settling(earlier: Figure, later: Figure): { readonly apart: Figure; readonly isSettled: boolean } {
  const apart = resultOf(
    { id: 'settling', title: 'This cycle against the one before', kind: 'torque', expression: 'later − earlier', source: 'definition' },
    [
      { label: 'This cycle', weight: 1, figure: later },
      { label: 'The one before', weight: -1, figure: earlier },
    ],
  )
  return { apart, isSettled: Math.abs(apart.value.value) <= expand(apart.value).U }
}

/**
 * The torque of the last cycle, with what it may still move: friction that fell by so much since the cycle before falls by no
 * more in those to come, since each burnishes less than the one before (common practice). Taken as hard limits, and only what the
 * uncertainty of the two does not explain.
 */
export function withSettling(found: Figure, apart: Figure, name: string): Figure {
  const movedNm = Math.sqrt(Math.max(0, apart.value.value ** 2 - standardUncertainty(apart.value) ** 2))
  return withOwn(found, `settling/${name}`, 'friction still settling', limitsU(movedNm))
}

/** The same torque on another bolt of the kind, with the same wrench and lube: friction differs by 5 % (k = 2, from memory). */
export function onAnotherBolt(found: Figure): Figure {
  return withOwn(found, 'anotherBolt', 'friction of another bolt', (0.05 / 2) * found.value.value)
}

/** The same torque on the same bolt by another wrench: this one’s bias and the other’s, ±4 % each (k = 2; ISO 6789-1). */
export function byAnotherWrench(found: Figure): Figure {
  return withOwn(found, 'anotherWrench', 'two wrenches, ±4 % each', ((0.04 * Math.SQRT2) / 2) * found.value.value)
}
