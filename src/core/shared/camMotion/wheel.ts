/** Angles as the wheel shows them, brought to true crank degrees after overlap TDC. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { stationId, type Place } from '../../document/place'
import { derivation } from '../../document/remembered'
import { workOn } from '../../document/work'
import { chainRetardDeg, stopFault, trueTdc } from '../../geometry/valvetrain'
import { wrapped } from '../../geometry/valvetrain/trueTdc'
import type { Cam } from '../../geometry/valvetrain'
import { crankTurns, pistonDropMm, topsDeg } from '../../geometry/crank'
import { cylinderOfCam } from '../../geometry/valvetrain'
import { rootBetween, rootOr } from '../../numerics/roots'
import { apart, assumedFigure, leftOut, limitsU, resultOf, type Figure, type FormulaText } from '../../metrology'
import { afterWork } from '../afterWork'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import type { CharacteristicId } from '../../document/ids'

/** Done twice to prove it (common practice). */
export const PROOFS = [1, 2] as const
/** Read once more after a full curve: no angle was lost, and the wheel has not moved. */
export const AFTER_CURVE = 3

/** Where TDC is read at a cylinder. Number one's stands for the engine. */
export function stopPlace(cylinder: number, spot: string, repeat: number): Place {
  return { ...(cylinder > 1 && { cylinder }), spot, repeat }
}

export const SIDES = ['before', 'after'] as const

/** What the wheel shows at a cylinder's true TDC by one proof. */
function tdcBy(build: Build, cylinder: number, proof: number): Derived {
  const read = allOf({
    before: asRead(build, 'cam.stop', stopPlace(cylinder, 'before', proof)),
    after: asRead(build, 'cam.stop', stopPlace(cylinder, 'after', proof)),
  })
  if (read.missing) return read
  const fault = stopFault(read.figures.before.value.value, read.figures.after.value.value, cylinder === 1)
  if (fault) return { missing: [{ kind: 'impossible', reason: fault }] }
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

/**
 * What the wheel shows at a cylinder's true TDC, by all proofs there are; taken off every angle that is read at it. Whether the wheel
 * was zeroed again for the second bank or left as it stood makes no difference: TDC is read there too.
 */
export const wheelTdc = derivation('wheelTdc', (build, cylinder: number): Derived => {
  const proofs = PROOFS.map((proof) => tdcBy(build, cylinder, proof))
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

/** How far the two proofs of TDC are apart; what both are off by alike cancels. */
export function proofsApart(build: Build, cylinder = 1): Derived {
  const inputs = allOf({ one: tdcBy(build, cylinder, 1), other: tdcBy(build, cylinder, 2) })
  if (inputs.missing) return inputs
  const { one, other } = inputs.figures
  return { figure: apart(PROOFS_APART, { label: 'Proof 1', figure: one }, { label: 'Proof 2', figure: other }) }
}

const WHEEL_MOVED: FormulaText = {
  id: 'wheelMoved',
  title: 'Wheel moved since',
  kind: 'angle',
  expression: 'TDC read again after the curve − TDC before it',
  source: 'common practice',
}

/** TDC read again after a full curve, against the proofs before it: an angle lost on the way shows here. */
export function wheelMoved(build: Build): Derived {
  const inputs = allOf({ before: wheelTdc(build, 1), again: tdcBy(build, 1, AFTER_CURVE) })
  if (inputs.missing) return inputs
  const { before, again } = inputs.figures
  return {
    figure: resultOf(WHEEL_MOVED, [
      { label: 'After the curve', weight: 1, figure: again },
      { label: 'Before it', weight: -1, figure: before },
    ]),
    isPartial: isOnceProven(build, 1),
  }
}

const THROWS_APART: FormulaText = {
  id: 'throwsApart',
  title: 'TDC beyond its throw',
  kind: 'angle',
  expression: 'TDC of this cylinder − TDC of number one − degrees between them by the crank',
  source: 'definition',
}

/**
 * TDC of the second bank's cylinder as it was read against where the crank's throws put it; undefined where the wheel was zeroed
 * again for it, which leaves nothing to compare.
 */
export function throwsApart(build: Build, cylinder: number): Derived | undefined {
  const inputs = allOf({ one: wheelTdc(build, 1), other: wheelTdc(build, cylinder) })
  if (inputs.missing) return inputs
  const topDeg = wrapped(topsDeg(build.spec.layout).get(cylinder)!)
  const readDeg = wrapped(inputs.figures.other.value.value - inputs.figures.one.value.value)
  const offDeg = wrapped(readDeg - topDeg)
  const isZeroedAgain = Math.abs(wrapped(inputs.figures.other.value.value)) < Math.abs(offDeg)
  if (isZeroedAgain) return undefined
  const figure = resultOf(THROWS_APART, [
    { label: `Cylinder ${cylinder}`, weight: 1, figure: inputs.figures.other },
    { label: 'Number one', weight: -1, figure: inputs.figures.one },
    ...offCentreTerms([...looksAtStops(build, cylinder, 1), ...looksAtStops(build, 1, -1)], inputs.figures.one.value.value),
  ])
  return { figure: { ...figure, value: { ...figure.value, value: offDeg } }, isPartial: isOnceProven(build, 1, cylinder) }
}

/** Where the wheel was looked at for the TDC of a cylinder: at both stops, each for half of it. */
function looksAtStops(build: Build, cylinder: number, weight: number): readonly LookedAt[] {
  return SIDES.flatMap((side) => {
    const stop = asRead(build, 'cam.stop', stopPlace(cylinder, side, 1))
    return isKnown(stop) ? [{ deg: stop.figure.value.value, weight: weight / 2 }] : []
  })
}

/** TDC proven once at one of these cylinders: what rests on it is never within. */
export function isOnceProven(build: Build, ...cylinders: readonly number[]): boolean {
  return cylinders.some((cylinder) => {
    const tdc = wheelTdc(build, cylinder)
    return isKnown(tdc) && tdc.isPartial === true
  })
}

const MARK_OFF: FormulaText = {
  id: 'markOff',
  title: 'Balancer mark off',
  kind: 'angle',
  expression: 'what the wheel shows where the mark stands − what it shows at true TDC',
  source: 'common practice',
}

/** How far after true TDC the balancer's own mark says it is. */
export function markOff(build: Build): Derived {
  const inputs = allOf({ mark: asRead(build, 'cam.mark', {}), tdc: wheelTdc(build, 1) })
  if (inputs.missing) return inputs
  return {
    figure: resultOf(MARK_OFF, [
      { label: 'Where the mark stands', weight: 1, figure: inputs.figures.mark },
      { label: 'At true TDC', weight: -1, figure: inputs.figures.tdc },
    ]),
    isPartial: isOnceProven(build, 1),
  }
}

const DWELL_MIDDLE: FormulaText = {
  id: 'dwellOff',
  title: 'Middle of the dwell beyond true TDC',
  kind: 'angle',
  expression: 'middle of where the dial stops and starts again − TDC as read',
  source: 'common practice',
}

/** A dial of a hundredth moves unseen by half of it. */
const UNSEEN_MM = 0.005

/** The crank degrees either side of the top in which a piston has not yet dropped by what a dial shows: 30 at the most. */
export function dwellHalfDeg(strokeMm: number, rodMm: number): number {
  const fromSeenMm = (deg: number) => pistonDropMm({ strokeMm, rodMm, pinOffsetMm: 0 }, deg) - UNSEEN_MM
  return rootOr(rootBetween(fromSeenMm, 0, MOST_DWELL_DEG), MOST_DWELL_DEG)
}
const MOST_DWELL_DEG = 30

/** A sanity check of TDC by where the dial turns round: as uncertain as the crank may turn without the dial showing it. */
export function dwellOff(build: Build): Derived {
  const [strokeMm, rodMm] = [paperAt(build, 'stroke'), paperAt(build, 'rodLength')]
  const inputs = allOf({
    stops: asRead(build, 'cam.dwell', { spot: 'before' }),
    starts: asRead(build, 'cam.dwell', { spot: 'after' }),
    tdc: wheelTdc(build, 1),
    stroke: strokeMm ? { figure: strokeMm } : { missing: [{ kind: 'paper', key: 'stroke' }] },
    rod: rodMm ? { figure: rodMm } : { missing: [{ kind: 'paper', key: 'rodLength' }] },
  })
  if (inputs.missing) return inputs
  const { stops, starts, tdc, stroke, rod } = inputs.figures
  const unseenDeg = dwellHalfDeg(stroke.value.value, rod.value.value)
  const unseen = (side: string) => ({
    label: `Turned unseen ${side}`,
    weight: 0.5,
    figure: assumedFigure(`dwell-${side}`, { value: 0, tolerance: unseenDeg, source: 'geometry of crank and rod, half of 0.01 mm' }),
  })
  const figure = resultOf(DWELL_MIDDLE, [
    { label: 'Dial stops', weight: 0.5, figure: stops },
    { label: 'Dial starts again', weight: 0.5, figure: starts },
    unseen('before'),
    unseen('after'),
    { label: 'TDC as read', weight: -1, figure: tdc },
  ])
  return { figure, isPartial: isOnceProven(build, 1), remarks: [{ code: 'dwellUncertainty', unseenDeg }] }
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
export function offCentreTerms(looks: readonly LookedAt[], tdcDeg: number) {
  const at = ({ deg }: LookedAt) => (deg - tdcDeg) * RAD_PER_DEG
  const along = looks.reduce((sum, look) => sum + look.weight * (1 - Math.cos(at(look))), 0)
  const across = looks.reduce((sum, look) => sum - look.weight * Math.sin(at(look)), 0)
  return [
    { label: 'Wheel off centre, along', weight: along, figure: assumedFigure('wheelCos', OFF_CENTRE) },
    { label: 'Wheel off centre, across', weight: across, figure: assumedFigure('wheelSin', OFF_CENTRE) },
  ]
}

/** What the wheel shows at the overlap TDC that a cam's angles count from: that of the cylinder it is degreed at. */
export function tdcOf(build: Build, cam: Cam): Derived {
  return wheelTdc(build, cylinderOfCam(build.spec.layout, cam))
}

/** A wheel angle brought to true crank degrees at a cam; `looks`: where the wheel was read for it, if not there alone. */
export function trueAngleOf(build: Build, cam: Cam, read: Figure, looks?: readonly LookedAt[]): Derived {
  return trueAngleFrom(tdcOf(build, cam), read, looks)
}

/** A wheel angle brought to crank degrees after a TDC; `looks`: where the wheel was read for it, if not there alone. */
export function trueAngleFrom(tdc: Derived, read: Figure, looks: readonly LookedAt[] = [{ deg: read.value.value, weight: 1 }]): Derived {
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
export function trueSpanOf(build: Build, cam: Cam, read: Figure, looks: readonly LookedAt[]): Figure {
  const tdc = tdcOf(build, cam)
  const tdcDeg = isKnown(tdc) ? tdc.figure.value.value : 0
  return resultOf(TRUE_SPAN, [{ label: 'As the wheel shows', weight: 1, figure: read }, ...offCentreTerms(looks, tdcDeg)])
}

/** True crank degrees of a reading of the wheel at a cam, as it stands or will once it is turned. */
export function trueAngle(build: Build, characteristic: CharacteristicId, place: Place & { readonly cam: Cam }): Derived {
  const read = asRead(build, characteristic, place)
  if (!isKnown(read)) return read
  const angle = trueAngleOf(build, place.cam, read.figure)
  if (!isKnown(angle)) return angle
  const station = stationId(characteristic, place)
  return asTurnedBack(build, [station], { ...angle, figure: laterBy(build, place.cam, station, angle.figure) })
}

/** Said, and within no more, where something was read while the engine was turned back: the slack of chain or belt is in it. */
export function asTurnedBack(build: Build, stations: readonly string[], derived: Derived): Derived {
  const count = stations.filter((id) => build.readings.current.get(id)?.turnedBack).length
  if (count === 0 || !isKnown(derived)) return derived
  return { ...derived, isPartial: true, remarks: [...(derived.remarks ?? []), { code: 'turnedBack', count }] }
}

/** A cam's angle as it will be after what is still to be done: turned on its sprocket, and late by what head or deck lose. */
export function laterBy(build: Build, cam: Cam, station: string, angle: Figure, sign: 1 | -1 = 1): Figure {
  const turned = afterWork(angle, -sign * workOn(build, `turnCam/${cam}`, station), 'angle', 'Cam turned')
  return afterWork(turned, sign * cutRetardDeg(build, station), 'angle', 'Head or deck cut')
}

/**
 * Crank degrees a cam in the head comes late once cuts still to be done have slackened its chain or belt (common practice: tensioner on
 * the slack side, the tight strand square to the cut); gears do not, and a shaft in the block stays where it is.
 */
function cutRetardDeg(build: Build, station: string): number {
  const { layout, paper, drive } = build.spec
  const radiusMm = paper.camPitchRadius?.value
  if (layout.valveDrive === 'pushrod' || drive?.kind === 'gears' || radiusMm === undefined) return 0
  return chainRetardDeg(workOn(build, 'deckCut', station) + workOn(build, 'headCut', station), radiusMm)
}
