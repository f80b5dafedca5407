import type { DeadCentre } from '../../units'

/**
 * What a cam card says, in the words it is written in: events at the check lift as degrees before or after the dead centre they
 * belong to (IO BTDC, IC ABDC, EO BBDC, EC ATDC), durations, centrelines (intake ATDC, exhaust BTDC), separation and advance.
 */
export const CARD_NUMBERS = [
  'io',
  'ic',
  'eo',
  'ec',
  'intakeDuration',
  'exhaustDuration',
  'icl',
  'ecl',
  'lsa',
  'advance',
  'overlap',
] as const
export type CardNumber = (typeof CARD_NUMBERS)[number]

/** The dead centre each event is written from, and the side a bare number counts on. */
export const EVENT_CENTRES = {
  io: { centre: 'tdc', side: 'before' },
  ic: { centre: 'bdc', side: 'after' },
  eo: { centre: 'bdc', side: 'before' },
  ec: { centre: 'tdc', side: 'after' },
} as const satisfies Partial<Record<CardNumber, DeadCentre>>

/** A number as so much of each event, and a constant. */
interface Form {
  readonly on: readonly [io: number, ic: number, eo: number, ec: number]
  readonly constant: number
}

/** The arithmetic of a card (common practice): every number of it is made of the four events. */
const FORMS: Readonly<Record<CardNumber, Form>> = {
  io: { on: [1, 0, 0, 0], constant: 0 },
  ic: { on: [0, 1, 0, 0], constant: 0 },
  eo: { on: [0, 0, 1, 0], constant: 0 },
  ec: { on: [0, 0, 0, 1], constant: 0 },
  intakeDuration: { on: [1, 1, 0, 0], constant: 180 },
  exhaustDuration: { on: [0, 0, 1, 1], constant: 180 },
  icl: { on: [-0.5, 0.5, 0, 0], constant: 90 },
  ecl: { on: [0, 0, 0.5, -0.5], constant: 90 },
  lsa: { on: [-0.25, 0.25, 0.25, -0.25], constant: 90 },
  advance: { on: [0.25, -0.25, 0.25, -0.25], constant: 0 },
  overlap: { on: [1, 0, 0, 1], constant: 0 },
}

/** A number of the card as a weighted sum of those that were given, and a constant. */
export interface Combination {
  readonly of: ReadonlyMap<CardNumber, number>
  readonly constant: number
}

export interface CompletedCard {
  /** Every number that follows from what was given. */
  readonly numbers: ReadonlyMap<CardNumber, Combination>
  /** Given, and following from others that were given before it: the two may disagree. */
  readonly doubled: ReadonlyMap<CardNumber, Combination>
}

interface BasisRow extends Combination {
  readonly form: readonly number[]
  readonly pivot: number
}

const TINY = 1e-9

/**
 * Which numbers of a card follow from the `given` ones, and how. Events count first, then durations, centrelines, separation,
 * advance: what follows from those before it is held against them.
 */
export function completeCard(given: readonly CardNumber[]): CompletedCard {
  const basis: BasisRow[] = []
  const doubled = new Map<CardNumber, Combination>()
  for (const name of CARD_NUMBERS.filter((one) => given.includes(one))) {
    const { left, by } = reduced(FORMS[name], basis)
    const pivot = left.findIndex((share) => Math.abs(share) > TINY)
    if (pivot < 0) doubled.set(name, by)
    else basis.push(basisRow(name, left, pivot, by))
  }
  const numbers = new Map<CardNumber, Combination>()
  for (const name of CARD_NUMBERS) {
    const { left, by } = reduced(FORMS[name], basis)
    if (left.every((share) => Math.abs(share) <= TINY)) numbers.set(name, by)
  }
  return { numbers, doubled }
}

/** What is left of a number once all that the basis knows of it is taken out, and what was taken out. */
function reduced({ on, constant }: Form, basis: readonly BasisRow[]): { readonly left: readonly number[]; readonly by: Combination } {
  let left: readonly number[] = on
  const of = new Map<CardNumber, number>()
  let rest = constant
  for (const row of basis) {
    const share = left[row.pivot]!
    if (Math.abs(share) <= TINY) continue
    left = left.map((value, index) => value - share * row.form[index]!)
    rest += share * row.constant
    for (const [name, weight] of row.of) of.set(name, (of.get(name) ?? 0) + share * weight)
  }
  return { left, by: { of, constant: rest } }
}

/** A given number less what is known of it: a new direction, scaled so that its pivot counts once. */
function basisRow(name: CardNumber, left: readonly number[], pivot: number, by: Combination): BasisRow {
  const scale = 1 / left[pivot]!
  const of = new Map<CardNumber, number>([[name, scale]])
  for (const [other, weight] of by.of) of.set(other, (of.get(other) ?? 0) - scale * weight)
  return { form: left.map((share) => share * scale), pivot, of, constant: -scale * by.constant }
}

export function valueOf({ of, constant }: Combination, values: Readonly<Partial<Record<CardNumber, number>>>): number {
  return [...of].reduce((sum, [name, weight]) => sum + weight * values[name]!, constant)
}

/** What a card's numbers can be, degrees (common practice, widely drawn): beyond them one is a slip. */
export const CARD_RANGES: Readonly<Record<CardNumber, { readonly low: number; readonly high: number }>> = {
  io: { low: -90, high: 150 },
  ic: { low: -60, high: 180 },
  eo: { low: -60, high: 180 },
  ec: { low: -90, high: 150 },
  intakeDuration: { low: 90, high: 400 },
  exhaustDuration: { low: 90, high: 400 },
  icl: { low: 60, high: 160 },
  ecl: { low: 60, high: 160 },
  lsa: { low: 80, high: 140 },
  advance: { low: -40, high: 40 },
  overlap: { low: -180, high: 300 },
}

/** Cards are written in half degrees: numbers nearer than this agree. */
export const SAME_CARD_DEG = 0.26

export interface Disagreement {
  readonly number: CardNumber
  readonly stated: number
  /** By the numbers before it. */
  readonly computed: number
}

export function disagreements({ doubled }: CompletedCard, values: Readonly<Partial<Record<CardNumber, number>>>): readonly Disagreement[] {
  return [...doubled]
    .map(([number, by]) => ({ number, stated: values[number]!, computed: valueOf(by, values) }))
    .filter(({ stated, computed }) => Math.abs(stated - computed) > SAME_CARD_DEG)
}
