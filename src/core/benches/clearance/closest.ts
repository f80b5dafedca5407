/** How near each valve comes to its piston, standing still; and how far its cam may be moved before one comes too near. */
import type { Build } from '../../document/build'
import { derivation } from '../../document/remembered'
import { phasedGapMm, type Phased } from '../../geometry/valvetrain/closest'
import { camKind, camOfValveNamed, cylinderOfValve, valvePlaces, type Cam } from '../../geometry/valvetrain'
import { expand, resultOf, type Figure, type FormulaText } from '../../metrology'
import { rootBetween, rootOr } from '../../numerics/roots'
import type { Remark } from '../../bench/bench'
import { againstOthers, everyCylinder, knownFigures, oddOneOut } from '../../bench/engineWide'
import { isAnsweredFor, isBelowFloor } from '../../bench/belowFloor'
import { isKnown, ONLY_SAID, type Derived, type Interval } from '../../bench/finding'
import { deckClearance } from '../../shared/deckClearance'
import { camOf, isBound, valveDrop, type Bound } from './drop'
import { FLOOR_MM } from './floor'
import { judgedLash } from './lash'
import { nearestOfValve } from './ownLobe'
import { phasing } from './sweep'

const CLOSEST: FormulaText = {
  id: 'closest',
  title: 'Closest approach',
  kind: 'length',
  expression: 'drop at TDC + what the lobe takes of it + lash',
  source: 'geometry of valve, bore, crank and rod',
}

/** The closest approach of a valve to its piston over the turn, at the lash it is judged at. */
export const closest = derivation('valveClosest', (build, valve: string): Derived => {
  const cam = camOf(build, valve)
  const drop = valveDrop(build, valve)
  // A sweep of a valve nobody has read is a sweep for nothing.
  if ('missing' in drop) return drop
  const lobe = nearestOfValve(build, valve)
  const lash = judgedLash(build, cam)
  if ('missing' in lobe) return lobe
  if (!isKnown(lash)) return lash
  const from = (figure: Figure) => closestFrom(figure, lobe.figure, lash.figure)
  const remarks: Remark[] = [
    { code: 'closestAt', deg: lobe.atDeg },
    ...(drop.remarks ?? []),
    ...lobe.remarks.filter(({ code }) => !(drop.remarks ?? []).some((one) => one.code === code)),
    ...pistonApart(build, cylinderOfValve(valve)!),
    ...belowFloor(build, cam),
  ]
  const isPartial = lobe.isPartial || ('isPartial' in drop && drop.isPartial === true) || isUnanswered(remarks)
  if (!isBound(drop)) return { figure: from(drop.figure), isPartial, remarks }
  const { is, low, high } = drop.bound
  const bounded = { low: low && from(low), high: high && from(high) }
  return {
    figure: middleOf(bounded),
    interval: intervalOf(bounded),
    isPartial,
    remarks: [...(is === 'between' ? [] : [{ code: 'feelerBound', is } as const]), ...remarks],
  }
})

/** Less than this of one piston against the others is not worth a word. */
const WORTH_NAMING_MM = 0.03

/** Said of a cylinder whose piston stands apart: its valves follow it. */
const pistonApart = derivation(`${ONLY_SAID}pistonApart`, (build, cylinder: number): readonly Remark[] => {
  const decks = knownFigures(everyCylinder(build, deckClearance))
  const found = againstOthers('length', decks, cylinder)
  if (!found || oddOneOut(decks) !== cylinder) return []
  const { value } = found.apart
  return Math.abs(value.value) > Math.max(WORTH_NAMING_MM, expand(value).U) ? [{ code: 'pistonApart', byMm: value.value }] : []
})

/** A valve that stays on its seat about TDC is as near as its drop. */
function closestFrom(drop: Figure, lobe: Figure, lash: Figure): Figure {
  const isOpen = lobe.value.value + lash.value.value < 0
  return resultOf(CLOSEST, [
    { label: 'Drop at TDC, gasket crushed', weight: 1, figure: drop },
    ...(isOpen
      ? [
          { label: 'What the lobe takes of it', weight: 1, figure: lobe },
          { label: 'Lash', weight: 1, figure: lash },
        ]
      : []),
  ])
}

const BETWEEN: FormulaText = {
  id: 'betweenFeelers',
  title: 'Between two feelers',
  kind: 'length',
  expression: 'middle of what went and what did not',
  source: 'common practice',
}

function middleOf({ low, high }: { readonly low: Bound['low']; readonly high: Bound['high'] }): Figure {
  if (!low || !high) return (low ?? high)!
  return resultOf(BETWEEN, [
    { label: 'What went', weight: 0.5, figure: low },
    { label: 'What did not', weight: 0.5, figure: high },
  ])
}

/** Further than any valve is from its piston: where a bound leaves the other side open. */
const OPEN_MM = 20

function intervalOf({ low, high }: { readonly low: Bound['low']; readonly high: Bound['high'] }): Interval {
  const [from, to] = [low?.value.value, high?.value.value]
  return { low: from ?? to! - OPEN_MM, high: to ?? from! + OPEN_MM, leafTolerance: 0 }
}

/** A limit below what is common practice at the least, and who answers for it. */
function belowFloor({ spec: { limits } }: Build, cam: Cam): Remark[] {
  const kind = camKind(cam)
  const limit = limits[`clearance.${kind}`]
  const floorMm = FLOOR_MM[kind]
  if (!limit || !isBelowFloor(limit, { floor: floorMm })) return []
  return [{ code: 'belowFloor', floorMm, ...(isAnsweredFor(limit) && { by: limit.by }) }]
}

function isUnanswered(remarks: readonly Remark[]): boolean {
  return remarks.some((remark) => remark.code === 'belowFloor' && remark.by === undefined)
}

/** Valves of a cam that were read, taken from others, or stand on paper, each with its closest approach; bounds are none. */
export function closestOfCam(build: Build, cam: Cam): readonly { readonly valve: string; readonly derived: Derived }[] {
  const { layout } = build.spec
  return valvePlaces(layout)
    .filter(({ valve }) => camOfValveNamed(layout, valve) === cam)
    .map(({ valve }) => ({ valve, derived: closest(build, valve) }))
}

const ROOM: FormulaText = {
  id: 'roomToMove',
  title: 'Room to move the cam',
  kind: 'angle',
  expression: 'intake: degrees earlier, exhaust: degrees later, until the nearest valve is at its limit',
  source: 'geometry of valve, bore, crank and rod',
}
/** Degrees over which a slope is taken. */
const SLOPE_DEG = 0.5

/** How far a cam may be moved the way that brings its valves nearer, crank degrees, before the nearest of them is at its limit. */
export function roomToMove(build: Build, cam: Cam): Derived {
  const kind = camKind(cam)
  const limitMm = build.spec.limits[`clearance.${kind}`]?.lower ?? 0
  const all = closestOfCam(build, cam)
  const known = all.flatMap(({ derived }) => (isKnown(derived) && !derived.interval ? [derived] : []))
  const least = known.toSorted((a, b) => a.figure.value.value - b.figure.value.value)[0]
  const curve = least && phasing(build, cam)
  if (!least || !curve) return { missing: all.flatMap(({ derived }) => (isKnown(derived) ? [] : derived.missing)) }
  const way = kind === 'intake' ? 1 : -1
  // Beside the closest approach as it stands, which has drop and lash in it.
  const spareMm = (deg: number) => least.figure.value.value + phasedGapMm(curve, way * deg) - phasedGapMm(curve, 0) - limitMm
  const deg = edge(spareMm, curve)
  const slope = (spareMm(deg + SLOPE_DEG) - spareMm(deg - SLOPE_DEG)) / (2 * SLOPE_DEG)
  const weighed = resultOf(ROOM, [{ label: 'Nearest valve of the cam', weight: slope === 0 ? 0 : -1 / slope, figure: least.figure }])
  return { figure: { ...weighed, value: { ...weighed.value, value: deg } }, isPartial: least.isPartial || known.length < all.length }
}

/** Where spare room ends, degrees the way that brings valves nearer; the ends of the curve where it ends on neither side of them. */
function edge(spareMm: (deg: number) => number, curve: readonly Phased[]): number {
  const most = curve.at(-1)!.advanceDeg
  for (let deg = -most; deg < most; deg++)
    if (spareMm(deg) >= 0 && spareMm(deg + 1) < 0) return rootOr(rootBetween(spareMm, deg, deg + 1), deg)
  return spareMm(-most) < 0 ? -most : most
}
