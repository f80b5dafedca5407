/** The parts of one engine, each with what it sits on and what it closes, by their own ids. */
import { group } from 'd3-array'
import { bankCount, cylinderNumbers, cylinderPlaces } from '../geometry/crank'
import { AROUND_ENGINE } from './aroundEngine'
import { BOTTOM_END } from './bottomEnd'
import type { Engine } from './engine'
import { PART_KINDS, type PartKind, type PartRow, type PartRows, type RefsOf } from './partRow'
import { TOP_END } from './topEnd'

const ROWS: PartRows<PartKind> = { ...BOTTOM_END, ...TOP_END, ...AROUND_ENGINE }

/** A part on, and how: with its joint at its last stage, or just on. */
export interface Need {
  readonly part: string
  readonly last: boolean
}

/** Where a part stands: bank 1 is the left one. */
export interface Seat {
  readonly bank?: number
  readonly cylinder?: number
}

export interface Part extends Omit<PartRow, 'has' | 'isOptional' | 'sitsOn' | 'forGood' | 'closes'>, Seat {
  /** Its kind, and its number where there are several: `piston3`, `head1`. */
  readonly id: string
  readonly kind: PartKind
  readonly isOptional: boolean
  readonly sitsOn: readonly Need[]
  readonly forGood: readonly Need[]
  readonly closes: readonly string[]
  /** The parts that sit on it, and those that close it. */
  readonly carries: readonly string[]
  readonly closedBy: readonly string[]
}

export interface EngineParts {
  readonly engine: Engine
  readonly byId: ReadonlyMap<string, Part>
  readonly all: readonly Part[]
  /** Of a kind; with a seat, those of its bank or cylinder. */
  readonly ofKind: (kind: PartKind, seat?: Seat) => readonly Part[]
}

/** Every part this engine has, or may have. */
export function partsOf(engine: Engine): EngineParts {
  const bankOf = bankByCylinder(engine)
  const seats = seatsOf(engine, bankOf)
  const seated = PART_KINDS.filter((kind) => ROWS[kind].has(engine)).flatMap((kind) =>
    seats(ROWS[kind].each).map((seat) => ({ ...seat, kind, id: idOf(kind, seat) })),
  )
  const ofKind = <One extends Seated>(all: ReadonlyMap<PartKind, readonly One[]>, kind: PartKind, seat: Seat = {}) =>
    (all.get(kind) ?? []).filter((one) => isAt(one, seat, bankOf))
  const idsByKind = group(seated, ({ kind }) => kind)
  const needs = (refs: RefsOf | undefined, seat: Seat) =>
    (typeof refs === 'function' ? refs(engine) : (refs ?? [])).flatMap((ref): readonly Need[] => {
      const last = ref.endsWith(':last')
      const kind = (last ? ref.slice(0, -':last'.length) : ref) as PartKind
      return ofKind(idsByKind, kind, seat).map(({ id }) => ({ part: id, last }))
    })
  const resting = seated.map((one) => {
    const { has: _, isOptional = never, sitsOn, forGood, closes, ...row } = ROWS[one.kind]
    const closed = needs(closes, one).map(({ part }) => part)
    return { ...row, ...one, isOptional: isOptional(engine), sitsOn: needs(sitsOn, one), forGood: needs(forGood, one), closes: closed }
  })
  const carries = idsBy(resting, ({ sitsOn }) => sitsOn.map(({ part }) => part))
  const closedBy = idsBy(resting, ({ closes }) => closes)
  const all = resting.map((one): Part => ({ ...one, carries: carries(one.id), closedBy: closedBy(one.id) }))
  const byKind = group(all, ({ kind }) => kind)
  return { engine, byId: new Map(all.map((part) => [part.id, part])), all, ofKind: (kind, seat) => ofKind(byKind, kind, seat) }
}

const never = () => false

type Seated = Seat & { readonly kind: PartKind }

/** The other way round: by a part, the ids of those that name it. */
function idsBy<One extends { readonly id: string }>(all: readonly One[], named: (one: One) => readonly string[]) {
  const pairs = all.flatMap((one) => named(one).map((part) => ({ part, id: one.id })))
  const found = group(pairs, ({ part }) => part)
  return (part: string) => [...new Set(found.get(part)?.map(({ id }) => id))]
}

/** Of an engine with one of a kind, the kind is its name. */
function idOf(kind: PartKind, { bank, cylinder }: Seat): string {
  return `${kind}${cylinder ?? bank ?? ''}`
}

/** Two parts belong together where the one stands in the bank, or at the cylinder, of the other. */
function isAt(seat: Seat, of: Seat, bankOf: ReadonlyMap<number, number>): boolean {
  if (seat.cylinder !== undefined && of.cylinder !== undefined) return seat.cylinder === of.cylinder
  const [bank, other] = [seat, of].map((one) => one.bank ?? (one.cylinder === undefined ? undefined : bankOf.get(one.cylinder)))
  return bank === undefined || other === undefined || bank === other
}

function bankByCylinder({ layout }: Engine): ReadonlyMap<number, number> {
  return new Map(cylinderPlaces(layout).map(({ cylinder, bank }) => [cylinder, bankCount(layout) === 1 || bank === 'left' ? 1 : 2]))
}

/** The seats of a kind: no number where there is but one of it. */
function seatsOf({ layout }: Engine, bankOf: ReadonlyMap<number, number>): (each: PartRow['each']) => readonly Seat[] {
  const one: readonly Seat[] = [{}]
  const banks = new Set(bankOf.values())
  const byBank = banks.size > 1 ? [...banks].toSorted().map((bank) => ({ bank })) : one
  const byCylinder = layout.cylinders > 1 ? cylinderNumbers(layout).map((cylinder) => ({ cylinder })) : one
  return (each) => (each ? { bank: byBank, cylinder: byCylinder }[each] : one)
}

/** Parts that only some engines have are asked for once they have been on. */
export function isAskedFor({ byId }: EngineParts, { everOn }: { readonly everOn: ReadonlySet<string> }, id: string): boolean {
  return !byId.get(id)?.isOptional || everOn.has(id)
}

/**
 * The parts that a name stands for: one by its id, all of a kind by the kind, and where there is one of a kind also by its number 1.
 * Empty where this engine has no such part.
 */
export function partsNamed(parts: EngineParts, name: string): readonly string[] {
  if (parts.byId.has(name)) return [name]
  const [, kind = '', number] = /^(\D+)(\d*)$/.exec(name) ?? []
  const own = PART_KINDS.filter((one) => one === kind).flatMap((one) => parts.ofKind(one))
  return number === '' || (number === '1' && own.length === 1) ? own.map(({ id }) => id) : []
}
