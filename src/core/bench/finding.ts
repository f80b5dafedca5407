import type { Build } from '../document/build'
import { figureAt } from '../document/figures'
import type { CharacteristicId, OutputId } from '../document/ids'
import { findingId, stationId, type Subject } from '../document/place'
import { PART_STATES, partStateOf } from '../document/partState'
import { remembered, restsOn, type Use } from '../document/remembered'
import { isPlannedWork } from '../document/work'
import type { Place, Reading } from '../document/types'
import { judge, judgeInterval, type Conformity, type Figure } from '../metrology'
import { uncertaintyBudget } from './uncertaintyBudget'
import type { BenchDefinition, Finding, Id, Missing, Output, Remark } from './bench'

/** A share of the uncertainty worth naming: one owner has most of it. */
const OWNS_MOST = 0.6

/** What is known, or what is wanted before it can be. */
export type Derived =
  | {
      readonly figure: Figure
      readonly remarks?: readonly Remark[]
      /** A go/no-go reading is judged as the interval it is. */
      readonly interval?: Interval
      /** From fewer readings or parts than there are, or from a part that was taken out since: never called within. */
      readonly isPartial?: boolean
      /** Said and not judged: what its limit asks is not what this engine is for. */
      readonly isUnjudged?: boolean
    }
  | { readonly missing: readonly Missing[] }

export interface Interval {
  readonly low: number
  readonly high: number
  /** Half-width of what checked leaves may be off; 0 where the leaf has no check on record. */
  readonly leafTolerance: number
}

export function isKnown(derived: Derived): derived is Extract<Derived, { figure: Figure }> {
  return 'figure' in derived
}

/** Joins several inputs: all known, or everything that is missing. */
export function allOf<Name extends string>(
  inputs: Readonly<Record<Name, Derived>>,
): { readonly figures: Record<Name, Figure>; readonly missing?: undefined } | { readonly missing: readonly Missing[] } {
  const figures = {} as Record<Name, Figure>
  const missing: Missing[] = []
  let isComplete = true
  for (const name of Object.keys(inputs) as Name[]) {
    const input = inputs[name]
    if (isKnown(input)) figures[name] = input.figure
    else {
      isComplete = false
      missing.push(...input.missing)
    }
  }
  return isComplete ? { figures } : { missing: distinct(missing) }
}

/**
 * What is found of a subject: derived, judged by the build's limit for it, and who owns the uncertainty where it matters.
 * `derive` may depend on the build it is given, the output and the subject, and on nothing else: it runs again only where
 * something it used has changed.
 */
export function finding(
  build: Build,
  definition: BenchDefinition,
  output: OutputId,
  derive: (build: Build) => Derived,
  subject: Subject = {},
): Finding {
  const id = findingId(output, subject)
  const found = (of: Build) => remembered(of, id, (recorded) => judged(recorded, definition, output, derive(recorded), subject))
  // Only where a build holds planned work or says what its parts were when they were read is there more to say of what it rests on.
  if (!build.spec.planned && !build.readings.saysStates) return found(build)
  return remembered(build, `${id}/restsOn`, (recorded) => saidOfUses(recorded, found(recorded)))
}

/** Quantities that are only spoken of beside a figure: it does not rest on them. */
export const ONLY_SAID = 'said/'
const isOfFigure = (quantity: string) => !quantity.startsWith(ONLY_SAID)

/** What is to be said of a figure for what it rests on: work still to be done, and what the parts were when they were read. */
function saidOfUses(build: Build, found: Finding): Finding {
  if (!found.figure) return found
  const uses = restsOn(build, found.id, isOfFigure)
  const states = partStatesIn(uses)
  const said = states ? { ...found, remarks: [...found.remarks, states] } : found
  return uses.some(isPlannedWork) ? asPlanned(said) : said
}

/** The states of the parts that were read; nothing where all were read as found. */
function partStatesIn(uses: readonly Use[]): Remark | undefined {
  const read = uses.flatMap(({ source, value }) => (source === 'reading' && value !== undefined ? [partStateOf(value as Reading)] : []))
  const states = PART_STATES.filter((state) => read.includes(state))
  if (states.length > 1) return { code: 'partStates', states }
  return states.length === 1 && states[0] !== 'asFound' ? { code: 'partState', state: states[0]! } : undefined
}

/** A figure that counts work still to be done is within only once it is measured. */
function asPlanned(found: Finding): Finding {
  const { conformity } = found
  return {
    ...found,
    ...(conformity?.verdict === 'within' && { conformity: { ...conformity, verdict: 'inDoubt', gaugeCannotDecide: false } as const }),
    remarks: [...found.remarks, { code: 'planned' }],
  }
}

/** The limit that judges an output of a subject. */
export function limitOf(output: Output | undefined, { valve, cam }: Subject): Id | undefined {
  return (valve ?? cam)?.startsWith('exhaust') ? (output?.exhaustLimit ?? output?.limit) : output?.limit
}

/** Remarks that say why a figure is not called within although it is. */
const SAYS_WHY: ReadonlySet<Remark['code']> = new Set(['incomplete', 'leftOutAtSpeed', 'syntheticLobe', 'curveSlips', 'tdcNotProven'])

function judged(build: Build, definition: BenchDefinition, output: OutputId, derived: Derived, subject: Subject): Finding {
  const id = findingId(output, subject)
  const limitKey = limitOf(definition.outputs[output], subject)
  const limit = limitKey === undefined ? undefined : build.spec.limits[limitKey]
  if (!isKnown(derived)) return { id, output, missing: derived.missing, limit, remarks: [], ...subject }
  const { figure, interval } = derived
  if (derived.isUnjudged) return { id, output, figure, missing: [], limit: undefined, remarks: derived.remarks ?? [], ...subject }
  const { rule } = build.spec.methods
  const byLimit =
    limit &&
    (interval
      ? judgeInterval(interval.low, interval.high, limit, rule, interval.leafTolerance)
      : judge(
          definition.outputs[output]?.judgedAsRead ? { value: figure.value.value, components: [] } : figure.value,
          limit,
          rule,
          isSize(definition, output),
        ))
  const conformity: Conformity | undefined =
    byLimit && derived.isPartial && byLimit.verdict === 'within'
      ? { ...byLimit, verdict: 'inDoubt', gaugeCannotDecide: false, isHeldBack: true }
      : byLimit
  const remarks = [...(derived.remarks ?? [])]
  if (conformity?.isHeldBack && !remarks.some(({ code }) => SAYS_WHY.has(code))) remarks.push({ code: 'restsOnPart' })
  if (conformity?.verdict === 'inDoubt' && !derived.isPartial) remarks.push(...mainOwner(build, definition, figure))
  return { id, output, figure, missing: [], limit, conformity, remarks, ...subject }
}

function isSize(definition: BenchDefinition, output: OutputId): boolean {
  const { spread, neverNegative } = definition.outputs[output] ?? {}
  return spread === true || neverNegative === true
}

/** The gauge or paper number that owns most of the uncertainty, where one does. */
function mainOwner(build: Build, { paper }: BenchDefinition, figure: Figure): Remark[] {
  const first = uncertaintyBudget(build, paper, figure.value)[0]
  return first && first.share >= OWNS_MOST ? [{ code: 'owns', ...first }] : []
}

function distinct(missing: readonly Missing[]): Missing[] {
  return [...new Map(missing.map((item) => [JSON.stringify(item), item])).values()]
}

/**
 * The interval of a go/no-go reading; undefined for a reading with one value. What a checked leaf may be off is its bias
 * uncertainty at 95 %.
 */
export function intervalOf(build: Build, station: string): Interval | undefined {
  const reading = build.readings.current.get(station)
  if (reading?.upper === undefined) return undefined
  const gauge = build.gauges.get(reading.gauge)
  const bias = gauge?.bias ?? 0
  return { low: reading.value - bias, high: reading.upper - bias, leafTolerance: gauge?.checkedOn === undefined ? 0 : 2 * gauge.biasU }
}

/** A reading that is the finding itself: its figure, its interval where it is go/no-go, or what is wanted. */
export function asRead(build: Build, characteristic: CharacteristicId, place: Place): Derived {
  const id = stationId(characteristic, place)
  const figure = figureAt(build, id)
  return figure
    ? { figure, interval: intervalOf(build, id), remarks: leafRemark(build, id) }
    : { missing: [{ kind: 'reading', stationId: id }] }
}

/** What an unchecked leaf may be off, said beside a verdict that does not count it. */
export function leafRemark(build: Build, station: string): Remark[] {
  const reading = build.readings.current.get(station)
  const gauge = reading?.upper === undefined ? undefined : build.gauges.get(reading.gauge)
  return gauge && gauge.checkedOn === undefined && gauge.biasU > 0 ? [{ code: 'leafTolerance', mm: 2 * gauge.biasU }] : []
}
