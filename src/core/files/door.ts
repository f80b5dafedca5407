/** What a schema cannot say of a build: names that must point at something, values that can be, a crank that can turn. */
import { BENCHES, METHODS, PAPER } from '../benches'
import { GAUGE_USES } from '../benches/gauges'
import { isAnsweredFor, isBelowFloor } from '../bench/belowFloor'
import type { Characteristic, LimitDefinition } from '../bench/bench'
import type { Build } from '../document/build'
import { kindOf } from '../document/entries/all'
import type { Known } from '../document/entries/kind'
import type { MethodKey } from '../document/methods'
import type { PaperKey } from '../document/paper'
import { axesBeyond } from '../document/place'
import { dependencyOrder, pointersOf, pointsAt } from '../document/pointsAt'
import type { BuildDocument, Entry, Gauge, Limit, Place, Spec } from '../document/types'
import { jointsOf } from '../joints'
import { bankCount, crankTurns, firingIssues, hasValves } from '../geometry/crank'
import { camsOf, degreedIssue } from '../geometry/valvetrain'
import type { DecisionRule } from '../metrology'
import { UNITS, type Kind, type UnitId } from '../units'
import { CHANGE_IDS } from '../document/walkStages'
import { CAM_MATERIALS, FIT_CHECKS, GEAR_MATERIALS, PART_KINDS } from '../parts'
import type { FileIssue, Path } from '../document/fileIssue'
import { stockIssues } from './stock'

const CHARACTERISTICS = new Map<string, Characteristic>(BENCHES.flatMap((bench) => Object.entries(bench.definition.characteristics)))
const LIMITS: ReadonlyMap<string, LimitDefinition> = new Map(BENCHES.flatMap((bench) => Object.entries(bench.definition.limits)))
const CHECKS = new Set(BENCHES.flatMap((bench) => Object.keys(bench.definition.checks ?? {})))

/** No part of an engine and no gauge reads more than this, in the canonical unit: beyond it a number is damaged. */
const MOST: Readonly<Partial<Record<Kind, number>>> = {
  length: 5000,
  volume: 100_000,
  mass: 1_000_000,
  torque: 10_000,
  roughness: 1000,
  angle: 3600,
  temperature: 2000,
}
const MOST_OF_ANY = 1e6

/** Everything an entry contradicts: what it names, where it says it was, what it says was read. Paths start at `path`. */
export function entryIssues(
  entry: Entry,
  spec: Pick<Spec, 'layout' | 'joints'>,
  gauges: Build['gauges'],
  path: Path = [],
): readonly FileIssue[] {
  return kindOf(entry).issues(entry, knownOf(spec, gauges), path)
}

const NAMES = { change: CHANGE_IDS, partKind: PART_KINDS, partMaterial: [...CAM_MATERIALS, ...GEAR_MATERIALS], fitCheck: FIT_CHECKS }

function knownOf(spec: Pick<Spec, 'layout' | 'joints'>, gauges: Build['gauges']): Known {
  const atPlace = (place: Place, path: Path) => placeIssues(place, spec, [...path, 'place'])
  const namedIn = (names: { has: (name: string) => boolean }): Known['stationIssues'] => {
    return ({ characteristic, place }, path) => [
      ...atPlace(place, path),
      ...(names.has(characteristic) ? [] : unknownCharacteristic(characteristic, path)),
    ]
  }
  return {
    placeIssues: atPlace,
    stationIssues: namedIn(CHARACTERISTICS),
    checkIssues: namedIn(CHECKS),
    readIssues: (entry, path) => [...atPlace(entry.place, path), ...readIssues(entry, gauges, path)],
    fastenersOf: (joint) => jointsOf(spec).find(({ id }) => id === joint)?.fasteners.length,
    names: NAMES,
  }
}

function unknownCharacteristic(characteristic: string, path: Path): readonly FileIssue[] {
  return [{ code: 'unknownCharacteristic', path: [...path, 'characteristic'], characteristic }]
}

function readIssues(entry: Parameters<Known['readIssues']>[0], gauges: Build['gauges'], path: Path): readonly FileIssue[] {
  const characteristic = CHARACTERISTICS.get(entry.characteristic)
  if (!characteristic) return unknownCharacteristic(entry.characteristic, path)
  const at = (...more: Path): Path => [...path, ...more]
  const issues: FileIssue[] = []
  const unit = entry.unit as UnitId
  if (UNITS[unit].kind !== characteristic.kind)
    issues.push({ code: 'wrongUnit', path: at('unit'), unit: UNITS[unit].symbol, wanted: characteristic.kind })
  const gauge = gauges.get(entry.gauge)
  if (!gauge) issues.push({ code: 'unknownGauge', path: at('gauge'), gauge: entry.gauge })
  else if (gauge.measures !== characteristic.kind)
    issues.push({ code: 'wrongGauge', path: at('gauge'), gauge: gauge.name, characteristic: characteristic.label })
  const high = MOST[characteristic.kind] ?? MOST_OF_ANY
  const low = characteristic.signed ? -high : 0
  for (const name of ['value', 'upper'] as const) {
    const value = entry[name]
    if (value !== undefined && !(value >= low && value <= high)) issues.push({ code: 'outOfRange', path: at(name), value, low, high, unit })
  }
  if (entry.upper !== undefined && entry.upper <= entry.value) issues.push({ code: 'intervalOrder', path: at('upper') })
  return issues
}

function placeIssues(place: Place, { layout }: Pick<Spec, 'layout'>, path: Path): FileIssue[] {
  return axesBeyond(place, layout).map(({ axis, got, most }) => ({ code: 'noSuchPlace', path: [...path, axis], what: axis, got, most }))
}

/**
 * What an entry may name that a later description of the engine takes away: a cylinder, a joint, a stud. It was sound when it was
 * made, and a build keeps it: its file opens, and nothing asks for it until the engine has such a place again.
 */
const TAKEN_AWAY: ReadonlySet<FileIssue['code']> = new Set(['noSuchPlace', 'unknownJoint', 'noSuchFastener'])

/** Entries at places or joints that the engine, as it is described now, has not. */
export function nowhereIn({ entries, spec, gauges }: Pick<Build, 'entries' | 'spec' | 'gauges'>): readonly Entry[] {
  return entries.filter((entry) => entryIssues(entry, spec, gauges).some(({ code }) => TAKEN_AWAY.has(code)))
}

/** Contradictions of a whole document. */
export function documentIssues(document: BuildDocument): FileIssue[] {
  const gauges = new Map(document.gauges.map((gauge) => [gauge.id, gauge as Gauge]))
  const ids = new Set(document.entries.map(({ id }) => id))
  const seen = new Set<string>()
  const issues = document.entries.flatMap((entry, index): FileIssue[] => {
    const path = ['entries', index] as const
    const double = seen.has(entry.id)
    seen.add(entry.id)
    return [
      ...(double ? [{ code: 'doubleId', path: [...path, 'id'], id: entry.id } as const] : []),
      ...(kindOf(entry).isAskedInFiles ? entryIssues(entry, document.spec, gauges, path).filter(({ code }) => !TAKEN_AWAY.has(code)) : []),
      ...targetIssues(entry, ids, path),
    ]
  })
  const cards = document.gauges.flatMap((gauge, index) => gaugeIssues(gauge, ['gauges', index]))
  return [...issues, ...circles(document.entries), ...cards, ...specIssues(document.spec)]
}

/** What is wrong with the card of a gauge, wherever it comes in. */
export function gaugeIssues({ unit, measures, use }: BuildDocument['gauges'][number], path: Path): FileIssue[] {
  const { kind, symbol } = UNITS[unit as UnitId]
  return [
    ...(kind === measures ? [] : [{ code: 'wrongUnit', path: [...path, 'unit'], unit: symbol, wanted: measures } as const]),
    ...(Object.hasOwn(GAUGE_USES, use) ? [] : [{ code: 'unknownCharacteristic', path: [...path, 'use'], characteristic: use } as const]),
  ]
}

/** An entry that is not there; one of another kind sets aside what points at it (`setAsideIn`). */
function targetIssues(entry: Entry, ids: ReadonlySet<string>, path: Path): FileIssue[] {
  return pointersOf(entry).flatMap(({ name, id }): FileIssue[] =>
    ids.has(id) ? [] : [{ code: 'unknownTarget', path: [...path, name], target: id }],
  )
}

/** Readings that supersede each other in a circle, undos that undo each other: none of them was made before the others. */
function circles(entries: readonly Entry[]): FileIssue[] {
  const { inCircle } = dependencyOrder(new Map(entries.map((entry) => [entry.id, pointsAt(entry)])))
  return entries.flatMap((entry, index): FileIssue[] =>
    inCircle.has(entry.id) ? [{ code: 'circle', path: ['entries', index], id: entry.id }] : [],
  )
}

const FIRING_DETAILS = {
  notEveryCylinderOnce: 'everyOnce',
  throwsDisagree: 'throws',
  notEveryCylinderOnAPin: 'pins',
  rodsOnOneBank: 'oneBank',
  rodsInOneRow: 'oneRow',
} as const

/** Contradictions inside a spec, also checked before every revision is stored. */
export function specIssues(spec: Spec): FileIssue[] {
  const { layout } = spec
  const issues: FileIssue[] = []
  for (const issue of firingIssues(layout)) {
    const detail = FIRING_DETAILS[issue.code]
    issues.push({
      code: 'firingOrder',
      path: ['spec', 'layout', detail === 'everyOnce' || detail === 'throws' ? 'firingOrder' : 'pins'],
      detail,
      cylinders: layout.cylinders,
    })
  }
  if (bankCount(layout) === 2 && layout.cylinders % 2 === 1)
    issues.push({ code: 'layout', path: ['spec', 'layout', 'cylinders'], detail: 'oddBanks' })
  if ((layout.kind === 'single') !== (layout.cylinders === 1))
    issues.push({ code: 'layout', path: ['spec', 'layout', 'cylinders'], detail: 'single' })
  const degreed = degreedIssue(layout)
  if (degreed) issues.push({ code: 'layout', path: ['spec', 'layout', 'degreedAt'], detail: degreed })
  if ((layout.valveDrive === 'none') !== (layout.valvesPerCylinder === 0))
    issues.push({ code: 'layout', path: ['spec', 'layout', 'valveDrive'], detail: 'valvesAndDrive' })
  if (!hasValves(layout) && layout.strokes !== 2)
    issues.push({ code: 'layout', path: ['spec', 'layout', 'strokes'], detail: 'portsAreTwoStroke' })
  if (layout.strokes === 2 && (layout.cylinders > 1 || hasValves(layout)))
    issues.push({ code: 'layout', path: ['spec', 'layout', 'strokes'], detail: 'twoStroke' })
  return [
    ...issues,
    ...paperIssues(spec),
    ...methodIssues(spec),
    ...limitIssues(spec),
    ...choiceIssues(spec),
    ...stockIssues(spec),
    ...jointIssues(spec),
    ...driveIssues(spec),
  ]
}

/** A sprocket that turns a cam the engine has not. */
function driveIssues({ drive, layout }: Spec): FileIssue[] {
  const cams = camsOf(layout)
  return (drive?.wheels ?? []).flatMap(({ cam }, index): FileIssue[] =>
    cam === undefined || cams.includes(cam)
      ? []
      : [{ code: 'noSuchPlace', path: ['spec', 'drive', 'wheels', index, 'cam'], what: 'cam', got: cam, most: cams.length }],
  )
}

/** What a joint names and has not: a type of fastener, a place in its pattern. What is unwise in a plan is said on its page. */
function jointIssues({ joints = [] }: Spec): FileIssue[] {
  const seen = new Set<string>()
  return joints.flatMap(({ id, types, fasteners, groups }, index): FileIssue[] => {
    const path = ['spec', 'joints', index] as const
    const isDouble = seen.has(id)
    seen.add(id)
    const letters = types.map(({ letter }) => letter)
    const untyped = fasteners.findIndex(({ type }) => !letters.includes(type))
    const beyond = groups.flatMap(({ order }) => order).find((number) => number > fasteners.length)
    return [
      ...(isDouble ? [{ code: 'usedTwice', path: [...path, 'id'], part: id } as const] : []),
      ...(untyped >= 0
        ? [{ code: 'unknownChoice', path: [...path, 'fasteners', untyped, 'type'], id: fasteners[untyped]!.type } as const]
        : []),
      ...(beyond === undefined
        ? []
        : [{ code: 'noSuchFastener', path: [...path, 'groups'], got: beyond, most: fasteners.length } as const]),
    ]
  })
}

function paperIssues({ paper }: Spec): FileIssue[] {
  const issues = Object.entries(paper).flatMap(([key, stated]): FileIssue[] => {
    if (!Object.hasOwn(PAPER, key)) return [{ code: 'unknownPaper', path: ['spec', 'paper', key], key }]
    const { kind, low, high, units } = PAPER[key as PaperKey]
    const unit = stated.unit as UnitId
    if (UNITS[unit].kind !== kind)
      return [{ code: 'wrongUnit', path: ['spec', 'paper', key, 'unit'], unit: UNITS[unit].symbol, wanted: kind }]
    return stated.value >= low && stated.value <= high
      ? []
      : [{ code: 'outOfRange', path: ['spec', 'paper', key, 'value'], value: stated.value, low, high, unit: units.metric }]
  })
  const value = (key: PaperKey) => paper[key]?.value
  const [strokeMm, rodMm] = [value('stroke'), value('rodLength')]
  const turns = strokeMm === undefined || rodMm === undefined || crankTurns({ strokeMm, rodMm, pinOffsetMm: value('pinOffset') ?? 0 })
  return turns ? issues : [...issues, { code: 'layout', path: ['spec', 'paper', 'rodLength'], detail: 'rodTooShort' }]
}

const RULES: readonly DecisionRule[] = ['strict', 'probable']

function methodIssues({ methods }: Spec): FileIssue[] {
  return Object.entries(methods).flatMap(([key, value]): FileIssue[] => {
    const path = ['spec', 'methods', key]
    const known = key === 'rule' ? RULES : Object.hasOwn(METHODS, key) && METHODS[key as MethodKey].options.map((option) => option.value)
    if (!known) return [{ code: 'shape', path, detail: 'is a choice that no bench leaves' }]
    return known.some((one) => one === value) ? [] : [{ code: 'shape', path, detail: `wants one of ${known.join(', ')}` }]
  })
}

/** A limit by which nothing is judged would be kept and never looked at. */
function limitIssues({ limits, unlimited = [] }: Spec): FileIssue[] {
  const unknown = (id: string, path: Path): FileIssue[] => (LIMITS.has(id) ? [] : [{ code: 'unknownLimit', path, id }])
  return [
    ...Object.keys(limits).flatMap((id) => unknown(id, ['spec', 'limits', id])),
    ...unlimited.flatMap((id, index) => unknown(id, ['spec', 'unlimited', index])),
    ...Object.entries(limits).flatMap(([id, limit]) => floorIssues(id, limit)),
  ]
}

function floorIssues(id: string, limit: Limit): FileIssue[] {
  const definition = LIMITS.get(id)
  if (definition?.floor === undefined || !isBelowFloor(limit, definition) || isAnsweredFor(limit)) return []
  return [{ code: 'belowFloor', path: ['spec', 'limits', id], floor: definition.floor, unit: definition.units.metric }]
}

function choiceIssues({ choice, stock, layout }: Spec): FileIssue[] {
  const unknown = (path: Path, wanted: string | undefined, parts: readonly { readonly id: string }[]): FileIssue[] =>
    wanted !== undefined && !parts.some(({ id }) => id === wanted)
      ? [{ code: 'unknownChoice', path: ['spec', 'choice', ...path], id: wanted }]
      : []
  const marks = choice.pistonInBore ?? []
  const isEachOnce =
    marks.length === 0 ||
    (marks.length === layout.cylinders && new Set(marks).size === marks.length && Math.max(...marks) <= layout.cylinders)
  return [
    ...unknown(['gasket'], choice.gasket, stock.gaskets),
    ...(choice.gasketLayers ?? []).flatMap((id, index) => unknown(['gasketLayers', index], id, stock.layers)),
    ...unknown(['piston'], choice.piston, stock.pistons),
    ...Object.entries(choice.shells ?? {}).flatMap(([journal, pair]) => [
      ...unknown(['shells', journal, 'upper'], pair.upper, stock.shells),
      ...unknown(['shells', journal, 'lower'], pair.lower, stock.shells),
    ]),
    ...(isEachOnce ? [] : [{ code: 'usedTwice', path: ['spec', 'choice', 'pistonInBore'], part: 'piston' } as const]),
  ]
}
