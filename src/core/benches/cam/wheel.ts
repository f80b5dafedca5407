/** Angles as the wheel shows them, brought to true crank degrees after overlap TDC. */
import type { Build } from '../../build/build'
import { paperAt } from '../../build/figures'
import { stationId, type Place } from '../../build/place'
import { quantity } from '../../build/remembered'
import { workOn } from '../../build/work'
import { trueTdc } from '../../cam'
import type { Cam } from '../../engine'
import { crankTurns } from '../../engine'
import { apart, assumedFigure, leftOut, limitsU, resultOf, type Figure, type FormulaText } from '../../metrology'
import { afterWork } from '../../quantities/afterWork'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import type { CamCharacteristic } from './definition'

/** Done twice to prove it (common practice). */
export const PROOFS = [1, 2] as const

export const SIDES = ['before', 'after'] as const

/** What the wheel shows at true TDC by one proof. */
function tdcBy(build: Build, proof: number): Derived {
  const read = allOf({
    before: asRead(build, 'cam.stop', { spot: 'before', repeat: proof }),
    after: asRead(build, 'cam.stop', { spot: 'after', repeat: proof }),
  })
  if (read.missing) return read
  const [strokeMm, rodMm] = [paperAt(build, 'stroke'), paperAt(build, 'rodLength')]
  const pinOffsetMm = paperAt(build, 'pinOffset') ?? leftOut()
  // In line with the bore the middle is the top, whatever crank and rod are.
  if (
    !strokeMm ||
    !rodMm ||
    !crankTurns({ strokeMm: strokeMm.value.value, rodMm: rodMm.value.value, pinOffsetMm: pinOffsetMm.value.value })
  )
    return { figure: trueTdc.of({ ...IN_LINE, ...read.figures }) }
  return { figure: trueTdc.of({ strokeMm, rodMm, pinOffsetMm, ...read.figures }) }
}

const IN_LINE = { strokeMm: leftOut(), rodMm: leftOut(), pinOffsetMm: leftOut() }

const PROOF_MEAN: FormulaText = {
  id: 'tdcMean',
  title: 'What the wheel shows at true TDC',
  kind: 'angle',
  expression: 'mean of the proofs',
  source: 'JCGM 100:2008, 4.2.1',
}

/** What the wheel shows at true TDC, by all proofs there are; taken off every angle, as long as the wheel is not moved. */
export const wheelTdc = quantity('wheelTdc', (build): Derived => {
  const proofs = PROOFS.map((proof) => tdcBy(build, proof))
  const known = proofs.filter(isKnown)
  if (known.length === 0) return proofs[0]!
  const weight = 1 / known.length
  return {
    figure: resultOf(
      PROOF_MEAN,
      known.map(({ figure }, index) => ({ label: `Proof ${index + 1}`, weight, figure })),
    ),
    isPartial: known.length < proofs.length,
  }
})

const PROOFS_APART: FormulaText = {
  id: 'proofsApart',
  title: 'Proofs apart',
  kind: 'angle',
  expression: 'larger − smaller',
  source: 'definition',
}

/** How far the two proofs of TDC are apart, as they were read: both are of one angle, and it is the readings that are to agree. */
export function proofsApart(build: Build): Derived {
  const inputs = allOf({ one: tdcBy(build, 1), other: tdcBy(build, 2) })
  if (inputs.missing) return inputs
  const { one, other } = inputs.figures
  const { value, origin } = apart(PROOFS_APART, { label: 'Proof 1', figure: one }, { label: 'Proof 2', figure: other })
  return { figure: { value: { value: value.value, components: [] }, origin } }
}

/** A wheel centred on its bolt by eye: what it is off shows a quarter turn from TDC (common practice: half a millimetre on 90). */
const OFF_CENTRE = { value: 0, tolerance: 0.25, source: 'common practice: a wheel off centre by half a millimetre' }
/** As a standard uncertainty, along and across alike. */
export const WHEEL_OFF_U_DEG = limitsU(OFF_CENTRE.tolerance)
const RAD_PER_DEG = Math.PI / 180

const TRUE_ANGLE: FormulaText = {
  id: 'trueAngle',
  title: 'Crank degrees after overlap TDC',
  kind: 'angle',
  expression: 'as the wheel shows − what it shows at true TDC',
  source: 'common practice',
}

/** Where the wheel was looked at for a number, as it shows, and how much of the number each is. */
export interface LookedAt {
  readonly deg: number
  readonly weight: number
}

/**
 * What a wheel off centre makes of a number that was read in several places: alike wherever the same angle is read. TDC was found by
 * it too, at `tdcDeg`, so that what it errs there is taken off every angle.
 */
function offCentreTerms(looks: readonly LookedAt[], tdcDeg: number) {
  const at = ({ deg }: LookedAt) => (deg - tdcDeg) * RAD_PER_DEG
  const along = looks.reduce((sum, look) => sum + look.weight * (1 - Math.cos(at(look))), 0)
  const across = looks.reduce((sum, look) => sum - look.weight * Math.sin(at(look)), 0)
  return [
    { label: 'Wheel off centre, along', weight: along, figure: assumedFigure('wheelCos', OFF_CENTRE) },
    { label: 'Wheel off centre, across', weight: across, figure: assumedFigure('wheelSin', OFF_CENTRE) },
  ]
}

/** A wheel angle brought to true crank degrees; `looks`: where the wheel was read for it, if not there alone. */
export function trueAngleOf(build: Build, read: Figure, looks: readonly LookedAt[] = [{ deg: read.value.value, weight: 1 }]): Derived {
  const tdc = wheelTdc(build)
  if (!isKnown(tdc)) return tdc
  const figure = resultOf(TRUE_ANGLE, [
    { label: 'As the wheel shows', weight: 1, figure: read },
    { label: 'At true TDC', weight: -1, figure: tdc.figure },
    ...offCentreTerms(looks, tdc.figure.value.value),
  ])
  return { figure, isPartial: tdc.isPartial }
}

const TRUE_SPAN: FormulaText = {
  ...TRUE_ANGLE,
  id: 'trueSpan',
  title: 'Crank degrees',
  expression: 'from one to the other, as the wheel shows',
}

/** A span of the wheel: what it shows at TDC falls out, what it is off centre does not. */
export function trueSpanOf(build: Build, read: Figure, looks: readonly LookedAt[]): Figure {
  const tdc = wheelTdc(build)
  const tdcDeg = isKnown(tdc) ? tdc.figure.value.value : 0
  return resultOf(TRUE_SPAN, [{ label: 'As the wheel shows', weight: 1, figure: read }, ...offCentreTerms(looks, tdcDeg)])
}

/** True crank degrees of a reading of the wheel at a cam, as it stands or will once it is turned. */
export function trueAngle(build: Build, characteristic: CamCharacteristic, place: Place & { readonly cam: Cam }): Derived {
  const read = asRead(build, characteristic, place)
  if (!isKnown(read)) return read
  const angle = trueAngleOf(build, read.figure)
  if (!isKnown(angle)) return angle
  const earlierDeg = workOn(build, `turnCam/${place.cam}`, stationId(characteristic, place))
  return { ...angle, figure: afterWork(angle.figure, -earlierDeg, 'angle', 'Cam turned') }
}
