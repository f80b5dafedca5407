/** The drop of every valve at TDC with its gasket crushed: by each way of reading it, from other valves, or as the paper has it. */
import type { Build } from '../../document/build'
import { figureAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { workOn } from '../../document/work'
import { camKind, camOfValveNamed, cylinderOfValve, valvePlaces, type Cam, type CamKind } from '../../geometry/valvetrain'
import { assumedFigure, expand, leftOut, resultOf, type Figure, type FormulaText } from '../../metrology'
import type { Missing, Remark } from '../../bench/bench'
import { allOf, asRead, isKnown, type Derived } from '../../bench/finding'
import { afterWork } from '../../shared/afterWork'
import { chamberVolume } from '../../shared/chamberVolume'
import { deckClearance, higherByMm } from '../../shared/deckClearance'
import { fromPaper } from '../../shared/fromPaper'
import { gasketOf, gasketWhenRead } from '../../shared/gasket'
import { oldPistonRemarks } from '../../shared/oldParts'
import { valveRatio } from '../../shared/camMotion/valveMotion'
import type { ClearanceCharacteristic, Way } from './definition'
import { dropByDial, dialDegrees, travelStation } from './dial'
import { nearestOfValveWhenRead } from './ownLobe'
import { alongValve, valveAngle } from './sweep'
import { lashWhenRead } from './lash'

/** A drop that is not a number: a feeler that went is a lower bound, one that did not an upper one. */
export interface Bound {
  readonly is: 'atLeast' | 'atMost' | 'between'
  readonly low: Figure | undefined
  readonly high: Figure | undefined
}

export type DropByWay = Derived | { readonly bound: Bound; readonly remarks: readonly Remark[] }

export function isBound(found: DropByWay): found is Extract<DropByWay, { bound: Bound }> {
  return 'bound' in found
}

/** The ways, the one that counts where several are there first. */
export const WAYS: readonly Way[] = ['drop', 'dial', 'clay', 'feeler']

/** The drop of a valve by one way of reading, as it will run: gasket crushed, and after what is planned. */
export const dropBy = derivation('valveDropBy', (build, valve: string, way: Way): DropByWay => {
  switch (way) {
    case 'drop': {
      const read = at(build, 'clearance.drop', valve)
      if (isKnown(read)) return asItRuns(build, valve, stationOf('clearance.drop', valve), read.figure)
      // What stands on paper is wanted with the reading, not after the last of them.
      const angle = valveAngle(build, camKind(camOf(build, valve)))
      return isKnown(angle) ? read : { missing: [...read.missing, ...angle.missing] }
    }
    case 'dial': {
      const read = dropByDial(build, valve)
      if (!isKnown(read)) return read
      const first = travelStation(valve, dialDegrees(build, valve)[0]!)
      return joined(read, asItRuns(build, valve, first, read.figure))
    }
    case 'clay':
      return byClay(build, valve)
    case 'feeler':
      return byFeeler(build, valve)
  }
})

function stationOf(characteristic: ClearanceCharacteristic, valve: string): string {
  return stationId(characteristic, { valve })
}

function at(build: Build, characteristic: ClearanceCharacteristic, valve: string): Derived {
  return asRead(build, characteristic, { valve })
}

function joined(first: Derived, then: Derived): Derived {
  if (!isKnown(first) || !isKnown(then)) return then
  return {
    ...then,
    isPartial: (first.isPartial ?? false) || (then.isPartial ?? false),
    remarks: [...(first.remarks ?? []), ...(then.remarks ?? [])],
  }
}

export function camOf(build: Build, valve: string): Cam {
  return camOfValveNamed(build.spec.layout, valve)!
}

const AS_IT_RUNS: FormulaText = {
  id: 'dropAsItRuns',
  title: 'Drop with the gasket crushed',
  kind: 'length',
  expression: 'as read + (gasket crushed − gasket then), along the valve',
  source: 'geometry of valve and bore',
}

/** A drop as it was read, brought to the gasket that runs and to what is planned on metal. */
function asItRuns(build: Build, valve: string, station: string, read: Figure): Derived {
  const kind = camKind(camOf(build, valve))
  const cylinder = cylinderOfValve(valve)!
  const angle = valveAngle(build, kind)
  if (!isKnown(angle)) return angle
  const along = alongValve(build, angle.figure.value.value)
  const gasket = gasketTerms(build, cylinder, station)
  if ('missing' in gasket) return gasket
  const crushed =
    gasket.terms.length === 0 ? read : resultOf(AS_IT_RUNS, [asReadTerm(read), ...gasket.terms.map((term) => weighed(term, along))])
  const nearerMm = higherByMm(build, station) + workOn(build, 'headCut', station)
  const moved = afterWork(crushed, -along * nearerMm, 'length', 'Deck or head cut, or taller piston, along the valve')
  const figure = afterWork(moved, workOn(build, `cutPocket/${kind}`, station), 'length', 'Pocket cut')
  const ofOldPiston = oldPistonRemarks(build, cylinder, [station])
  return { figure, isPartial: ofOldPiston.length > 0, remarks: [...gasket.remarks, ...ofOldPiston] }
}

interface Term {
  readonly label: string
  readonly weight: number
  readonly figure: Figure
}
const asReadTerm = (figure: Figure): Term => ({ label: 'As read', weight: 1, figure })
const weighed = (term: Term, by: number): Term => ({ ...term, weight: term.weight * by })

/** What the gasket that runs is more than the one that lay there while it was read. */
function gasketTerms(
  build: Build,
  cylinder: number,
  station: string,
): { readonly terms: readonly Term[]; readonly remarks: readonly Remark[] } | { readonly missing: readonly Missing[] } {
  const was = build.spec.methods.clearanceGasket
  const now = gasketOf(build, cylinder).gasketThickness
  const readingId = build.readings.current.get(station)?.id ?? ''
  const before = {
    crushed: () => gasketWhenRead(build, cylinder, readingId),
    snugged: () => fromPaper(build, 'gasketSnugged'),
    none: nothing,
  }[was]()
  // As it runs, and still the same one: nothing is to be corrected.
  if (was === 'crushed' && (!isKnown(now) || (isKnown(before) && before.figure.value === now.figure.value)))
    return { terms: [], remarks: [] }
  const both = allOf({ now, before })
  if (both.missing) return { missing: both.missing }
  const terms = [
    { label: 'Gasket crushed', weight: 1, figure: both.figures.now },
    { label: 'Gasket while it was read', weight: -1, figure: both.figures.before },
  ]
  return { terms, remarks: was === 'crushed' ? [] : [{ code: 'gasketThen', was }] }
}

const nothing = (): Derived => ({ figure: leftOut() })

const FROM_GAP: FormulaText = {
  id: 'dropFromGap',
  title: 'Drop at TDC from the least gap',
  kind: 'length',
  expression: 'gap read − what the lobe takes of the drop − lash',
  source: 'geometry of valve, bore, crank and rod',
}

/** A least gap of the whole turn brought to a drop: the lobe and the lash it was read at go out of it. */
function fromGap(build: Build, valve: string, station: string, gap: readonly Term[]): Derived {
  const lobe = nearestOfValveWhenRead(build, valve, station)
  const lash = lashWhenRead(build)
  if ('missing' in lobe) return lobe
  if (!isKnown(lash)) return lash
  const drop = resultOf(FROM_GAP, [
    ...gap,
    { label: 'What the lobe takes of the drop', weight: -1, figure: lobe.figure },
    { label: 'Lash while it was read', weight: -1, figure: lash.figure },
  ])
  return joined({ figure: drop, isPartial: lobe.isPartial, remarks: lobe.remarks }, asItRuns(build, valve, station, drop))
}

/** Clay springs back a little, and is cut where it seems thinnest (assumed). */
const CLAY = { value: 0, tolerance: 0.1, source: 'assumed: how closely clay is cut and measured' }

function byClay(build: Build, valve: string): DropByWay {
  const read = at(build, 'clearance.clay', valve)
  if (!isKnown(read)) return read
  return fromGap(build, valve, stationOf('clearance.clay', valve), [
    { label: 'Thinnest clay', weight: 1, figure: read.figure },
    { label: 'Clay', weight: 1, figure: assumedFigure(`clay of ${valve}`, CLAY) },
  ])
}

/** With the travel beyond the feeler it is a reading; without, what went bounds it below, what did not above. */
function byFeeler(build: Build, valve: string): DropByWay {
  const [went, stopped, extra, stack] = (
    ['clearance.feelerWent', 'clearance.feelerStopped', 'clearance.extraTravel', 'clearance.collapse'] as const
  ).map((characteristic) => at(build, characteristic, valve)) as [Derived, Derived, Derived, Derived]
  const ratio = valveRatio(build)
  if (!isKnown(went) && !isKnown(stopped)) return went
  if (!isKnown(ratio)) return ratio
  const collapsed: readonly Term[] = isKnown(stack)
    ? [{ label: 'Lifter collapsed, at the valve', weight: -ratio.figure.value.value, figure: stack.figure }]
    : []
  const dropOf = (characteristic: ClearanceCharacteristic, label: string, figure: Figure, more: readonly Term[] = []): Derived =>
    fromGap(build, valve, stationOf(characteristic, valve), [{ label, weight: 1, figure }, ...more, ...collapsed])
  if (isKnown(went) && isKnown(extra))
    return dropOf('clearance.feelerWent', 'Feeler', went.figure, [{ label: 'Travel beyond it', weight: 1, figure: extra.figure }])
  const low = isKnown(went) ? dropOf('clearance.feelerWent', 'Feeler that went', went.figure) : undefined
  const high = isKnown(stopped) ? dropOf('clearance.feelerStopped', 'Feeler that did not go', stopped.figure) : undefined
  const known = allOf({ ...(low && { low }), ...(high && { high }) } as Record<string, Derived>)
  if (known.missing) return { missing: known.missing }
  const figures = known.figures as { low?: Figure; high?: Figure }
  return { bound: { is: boundIs(figures), low: figures.low, high: figures.high }, remarks: [] }
}

function boundIs({ low, high }: { low?: Figure; high?: Figure }): Bound['is'] {
  if (low && high) return 'between'
  return low ? 'atLeast' : 'atMost'
}

/** A valve as it was read: by the first of the ways that is a number. */
export const measuredDrop = derivation('valveDropRead', (build, valve: string): DropByWay => {
  const found = WAYS.map((way) => ({ way, drop: dropBy(build, valve, way) }))
  const known = found.filter(({ drop }) => isBound(drop) || isKnown(drop))
  const best = known.find(({ drop }) => !isBound(drop)) ?? known[0]
  if (!best) return { missing: missingBy(build, valve) }
  const ways: Remark = { code: 'dropBy', ways: [best.way, ...known.map(({ way }) => way).filter((way) => way !== best.way)] }
  return { ...best.drop, remarks: [ways, ...(('remarks' in best.drop && best.drop.remarks) || [])] } as DropByWay
})

const IS_ASKED = { drop: 'clearanceDrop', dial: 'clearanceDial', clay: 'clearanceClay', feeler: 'clearanceFeeler' } as const

export function isAsked({ spec }: Pick<Build, 'spec'>, way: Way): boolean {
  const asked = spec.methods[IS_ASKED[way]]
  return asked !== false && asked !== 'none'
}

/** What the ways that are asked for still want; where none is, the drop. */
function missingBy(build: Build, valve: string): readonly Missing[] {
  const asked = WAYS.filter((way) => isAsked(build, way))
  return (asked.length > 0 ? asked : (['drop'] as const)).flatMap((way) => {
    const found = dropBy(build, valve, way)
    return 'missing' in found ? found.missing : []
  })
}

/** Two ways of reading one valve, the two that are furthest apart; undefined where there are not two. */
export function waysOf(build: Build, valve: string): readonly { readonly way: Way; readonly figure: Figure }[] {
  return WAYS.flatMap((way) => {
    const drop = dropBy(build, valve, way)
    return !isBound(drop) && isKnown(drop) ? [{ way, figure: drop.figure }] : []
  })
}

export function disagree(one: Figure, other: Figure, apart: Figure): boolean {
  return Math.abs(one.value.value - other.value.value) > expand(apart.value).U
}

/** Valves of a kind, cylinder by cylinder. */
export function valvesOfKind(build: Build, kind: CamKind): readonly string[] {
  return valvePlaces(build.spec.layout).flatMap((place) => (place.kind === kind ? [place.valve] : []))
}

/** Valves of a kind that were read, with the drop of each; asked for by every one that was not. */
const readOfKind = derivation('valvesRead', (build, kind: CamKind): readonly { readonly valve: string; readonly figure: Figure }[] =>
  valvesOfKind(build, kind).flatMap((valve) => {
    const drop = measuredDrop(build, valve)
    return !isBound(drop) && isKnown(drop) ? [{ valve, figure: drop.figure }] : []
  }),
)

/** How far seats of one head that nobody measured may stand apart (assumed). */
const SEATS = { value: 0, tolerance: 0.15, source: 'assumed: seats cut by hand' }

const INFERRED: FormulaText = {
  id: 'inferredDrop',
  title: 'Drop taken from valves that were read',
  kind: 'length',
  expression: 'mean of theirs + (deck − their decks), along the valve + (seat − their seats)',
  source: 'geometry; common practice',
}

/** A valve that was not read: from those of its kind that were, by deck, seat and chamber. */
function inferredDrop(build: Build, valve: string): Derived | undefined {
  const kind = camKind(camOf(build, valve))
  const angle = valveAngle(build, kind)
  const read = readOfKind(build, kind).filter((other) => other.valve !== valve)
  if (read.length === 0 || !isKnown(angle)) return undefined
  const along = alongValve(build, angle.figure.value.value)
  const share = 1 / read.length
  const own = deckClearance(build, cylinderOfValve(valve)!)
  const decks = read.map((one) => deckClearance(build, cylinderOfValve(one.valve)!))
  const missing = [own, ...decks].flatMap((deck) => (isKnown(deck) ? [] : deck.missing))
  if (missing.length > 0 || !isKnown(own)) return { missing }
  const seats = seatTerms(
    build,
    valve,
    read.map((one) => one.valve),
  )
  const figure = resultOf(INFERRED, [
    ...read.map((one) => ({ label: `Drop of ${one.valve}`, weight: share, figure: one.figure })),
    { label: 'Its deck', weight: along, figure: own.figure },
    ...decks.map((deck, index) => ({
      label: `Deck at ${read[index]!.valve}`,
      weight: -along * share,
      figure: isKnown(deck) ? deck.figure : own.figure,
    })),
    ...seats.terms,
    ...chamberTerm(
      build,
      valve,
      read.map((one) => one.valve),
      along,
    ),
  ])
  return { figure, remarks: [{ code: 'inferredDrop', from: read.map((one) => one.valve), seats: seats.are }] }
}

function seatTerms(
  build: Build,
  valve: string,
  others: readonly string[],
): { readonly terms: readonly Term[]; readonly are: 'read' | 'assumed' } {
  const own = figureAt(build, stationOf('clearance.seat', valve))
  const theirs = others.flatMap((other) => figureAt(build, stationOf('clearance.seat', other)) ?? [])
  if (!own || theirs.length < others.length)
    return { are: 'assumed', terms: [{ label: 'Its seat', weight: 1, figure: assumedFigure(`seat of ${valve}`, SEATS) }] }
  const share = -1 / others.length
  return {
    are: 'read',
    terms: [
      { label: 'Its seat', weight: 1, figure: own },
      ...theirs.map((figure, index) => ({ label: `Seat of ${others[index]!}`, weight: share, figure })),
    ],
  }
}

const MM_PER_CM = 10

/** A chamber that holds more may be a deeper one: as much deeper as all of its difference would make it. */
function chamberTerm(build: Build, valve: string, others: readonly string[], along: number): readonly Term[] {
  const openAreaCm2 = build.spec.paper.chamberOpenArea?.value
  const own = chamberVolume(build, cylinderOfValve(valve)!)
  const theirs = others.flatMap((other) => {
    const chamber = chamberVolume(build, cylinderOfValve(other)!)
    return isKnown(chamber) ? [chamber.figure.value.value] : []
  })
  if (openAreaCm2 === undefined || !isKnown(own) || theirs.length < others.length) return []
  const mean = theirs.reduce((sum, one) => sum + one, 0) / theirs.length
  const tolerance = (Math.abs(own.figure.value.value - mean) / openAreaCm2) * MM_PER_CM
  const figure = assumedFigure(`chamber of ${valve}`, {
    value: 0,
    tolerance,
    source: 'common practice: what a chamber holds more may be depth',
  })
  return [{ label: 'Its chamber', weight: along, figure }]
}

/** The drop of a valve: as it was read, or taken from others; a bound where only feelers tell of it. */
export const valveDrop = derivation('valveDrop', (build, valve: string): DropByWay => {
  const read = measuredDrop(build, valve)
  return isBound(read) || isKnown(read) ? read : (inferredDrop(build, valve) ?? read)
})
