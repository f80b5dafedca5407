import type { Build } from '../document/build'
import { cylinderNumbers, rodOfBolt } from '../geometry/crank'
import { asExtreme, resultOf, spread, type Figure, type FormulaText } from '../metrology'
import type { Kind } from '../units'
import type { BenchDefinition, Finding, OutputId, Remark } from './bench'
import { finding, isKnown, type Derived } from './finding'

/** A quantity of every cylinder, by cylinder. */
export function everyCylinder<Value>(build: Build, of: (build: Build, cylinder: number) => Value): ReadonlyMap<number, Value> {
  return new Map(cylinderNumbers(build.spec.layout).map((cylinder) => [cylinder, of(build, cylinder)]))
}

/** Findings of every cylinder by one derivation, and of their spread where there are several. */
export function perCylinder<Output extends OutputId>(build: Build, definition: BenchDefinition) {
  const numbers = cylinderNumbers(build.spec.layout)
  type OfCylinder = (build: Build, cylinder: number) => Derived
  const each = (output: Output, of: OfCylinder): Finding[] =>
    numbers.map((cylinder) => finding(build, definition, output, (recorded) => of(recorded, cylinder), { cylinder }))
  const spreadOf = (output: Output, kind: Kind, of: OfCylinder): Finding[] =>
    numbers.length > 1 ? [finding(build, definition, output, (recorded) => spreadAcross(kind, everyCylinder(recorded, of)))] : []
  return { numbers, each, spreadOf }
}

/** The figures of those that are known. */
export function knownFigures<Key>(derived: ReadonlyMap<Key, Derived>): ReadonlyMap<Key, Figure> {
  return new Map([...derived].flatMap(([key, one]) => (isKnown(one) ? [[key, one.figure] as const] : [])))
}

type Counted = Extract<Remark, { code: 'extremes' }>['of']

const SUBJECTS: Readonly<Record<Counted, { readonly many: string; readonly one: (which: number | string) => string }>> = {
  cylinder: { many: 'cylinders', one: (number) => `Cylinder ${number}` },
  main: { many: 'mains', one: (number) => `Main ${number}` },
  bolt: { many: 'bolts', one: (number) => boltLabel(Number(number)) },
  valve: { many: 'lobes', one: (valve) => `Lobe of ${valve}` },
  wheel: { many: 'sprockets', one: (wheel) => `Wheel ${wheel}` },
}

/** "Rod 3, bolt 2". */
export function boltLabel(bolt: number): string {
  const { rod, which } = rodOfBolt(bolt)
  return `Rod ${rod}, bolt ${which}`
}

/** Largest minus smallest across the parts of one kind that are known; the two are named, and it is said when some are missing. */
export function spreadAcross<Key extends number | string>(
  kind: Kind,
  byCylinder: ReadonlyMap<Key, Derived>,
  of: Counted = 'cylinder',
): Derived {
  const known = knownFigures(byCylinder)
  const found = spread(new Map([...known].map(([cylinder, figure]) => [cylinder, figure.value])))
  if (!found) return { missing: [...byCylinder.values()].flatMap((derived) => (isKnown(derived) ? [] : derived.missing)) }
  const text: FormulaText = {
    id: 'spread',
    title: `Spread across ${SUBJECTS[of].many}`,
    kind,
    expression: 'largest − smallest',
    source: 'definition; what the gauge does to both alike cancels',
  }
  const figure = resultOf(text, [
    { label: SUBJECTS[of].one(found.largest), weight: 1, figure: known.get(found.largest)! },
    { label: SUBJECTS[of].one(found.smallest), weight: -1, figure: known.get(found.smallest)! },
  ])
  const isPartial = known.size < byCylinder.size || [...byCylinder.values()].some((derived) => isKnown(derived) && derived.isPartial)
  return {
    figure: asExtreme(figure, found.selectionU),
    isPartial,
    remarks: [
      { code: 'extremes', of, largest: found.largest, smallest: found.smallest },
      ...(known.size < byCylinder.size ? [{ code: 'incomplete', used: known.size, wanted: byCylinder.size } as const] : []),
    ],
  }
}

/** A quarter of a limit's band: less apart than that is not worth a word. */
export function worthNaming(limit: { lower?: number; upper?: number } | undefined): number {
  const { lower, upper } = limit ?? {}
  return lower === undefined || upper === undefined ? Infinity : (upper - lower) / 4
}

/** The cylinder furthest from the mean of the others. Two odd ones drag that mean: only the furthest is a candidate. */
export function oddOneOut(known: ReadonlyMap<number, Figure>): number | undefined {
  const total = [...known.values()].reduce((sum, figure) => sum + figure.value.value, 0)
  const middle = total / known.size
  return [...known].sort(([, a], [, b]) => Math.abs(b.value.value - middle) - Math.abs(a.value.value - middle))[0]?.[0]
}

/** A cylinder against the mean of the others: by how much it stands apart, and the mean it stands apart from. */
export function againstOthers(
  kind: Kind,
  byCylinder: ReadonlyMap<number, Figure>,
  cylinder: number,
): { apart: Figure; others: Figure } | undefined {
  const own = byCylinder.get(cylinder)
  const rest = [...byCylinder].filter(([other]) => other !== cylinder)
  if (!own || rest.length < 2) return undefined
  const others = resultOf(
    { id: 'meanOfOthers', title: 'Mean of the others', kind, expression: 'mean of the other cylinders', source: 'definition' },
    rest.map(([other, figure]) => ({ label: `Cylinder ${other}`, weight: 1 / rest.length, figure })),
  )
  const apart = resultOf(
    { id: 'apart', title: 'Apart from the others', kind, expression: 'this one − mean of the others', source: 'definition' },
    [
      { label: `Cylinder ${cylinder}`, weight: 1, figure: own },
      { label: 'The others', weight: -1, figure: others },
    ],
  )
  return { apart, others }
}
