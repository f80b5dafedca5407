/** Parts of a build as they stand: what is wanted, on its way, in, or goes back, and which steps wait for it. */
import { differenceInCalendarDays, parseISO } from 'date-fns'
import { group } from 'd3-array'
import { derivation } from '../document/remembered'
import type { PartEntry } from '../document/types'
import { partKind, type CamMaterial, type FitCheckId, type GearMaterial, type PartKindId, type RatingId } from './kinds'

export type PartState =
  | 'wanted'
  | 'ordered'
  /** In, and not all of it looked at. */
  | 'arrived'
  | 'in'
  /** In, and it does not fit. */
  | 'failed'
  /** Sent back: another is wanted. */
  | 'back'
  /** Not wanted any more. */
  | 'dropped'

export interface FitAnswer {
  readonly check: FitCheckId
  readonly fits: boolean
  readonly note?: string
}

export interface Part {
  /** The entry that wanted it. */
  readonly id: string
  readonly what: PartKindId
  readonly name: string
  readonly count: number
  readonly owner: 'shop' | 'owner' | 'lent'
  /** Steps, by name or id, that wait for it; not said: those its kind is needed for. */
  readonly needs?: readonly string[]
  readonly rated: Readonly<Partial<Record<RatingId, number>>>
  readonly material?: CamMaterial | GearMaterial
  readonly replaces?: string
  readonly onWordOf?: string
  readonly price?: number
  readonly from?: string
  readonly state: PartState
  /** The day it is promised for, and the days it was promised for before. */
  readonly promised?: string
  readonly formerly: readonly string[]
  /** What is looked at when it arrives, each with its answer where there is one. */
  readonly fits: readonly { readonly check: FitCheckId; readonly answer?: FitAnswer }[]
  readonly lies?: { readonly pot: string; readonly fluid?: string; readonly since: string; readonly by: string }
  readonly reason?: string
  readonly at: string
  readonly by: string
}

/** Every part, in the order they were wanted; what was taken back is as if it had not been said. */
export const partsOf = derivation('parts', (build): readonly Part[] => {
  const told = build.entries.filter((entry): entry is PartEntry => entry.kind === 'part' && !build.readings.takenBack.has(entry.id))
  const byPart = group(told, ({ part }) => part)
  return [...byPart.values()].flatMap((entries) => {
    const [first] = entries
    return first?.did === 'wanted' ? [partFrom(first, entries)] : []
  })
})

function partFrom(first: PartEntry, entries: readonly PartEntry[]): Part {
  const last = <Name extends keyof PartEntry>(name: Name): PartEntry[Name] | undefined =>
    entries.findLast((entry) => entry[name] !== undefined)?.[name]
  const what = last('what') as PartKindId
  const lies = entries.findLast(({ did }) => did === 'laid')
  const promises = entries.flatMap(({ promised }) => promised ?? [])
  const fits = fitsOf(what, entries)
  const state = stateOf(entries, fits)
  // One that was rejected came when it came: only a new promise says when the next does.
  const promised = state === 'failed' || state === 'back' ? promisedSinceArrival(entries) : promises.at(-1)
  return {
    id: first.id,
    what,
    name: last('name')!,
    count: last('count') ?? 1,
    owner: last('owner') ?? 'shop',
    rated: last('rated') ?? {},
    ...given({
      needs: last('needs'),
      material: last('material') as Part['material'],
      replaces: last('replaces'),
      onWordOf: last('onWordOf'),
    }),
    ...given({ price: last('price'), from: last('from'), promised, reason: last('reason') }),
    formerly: [...new Set(promises)].filter((day) => day !== promised),
    state,
    fits,
    ...(lies?.pot && { lies: { pot: lies.pot, ...given({ fluid: lies.fluid }), since: lies.at, by: lies.by } }),
    at: first.at,
    by: first.by,
  }
}

function promisedSinceArrival(entries: readonly PartEntry[]): string | undefined {
  return entries.slice(entries.findLastIndex(({ did }) => did === 'arrived')).findLast(({ promised }) => promised !== undefined)?.promised
}

/** What is looked at, as answered since it last arrived. */
function fitsOf(what: PartKindId, entries: readonly PartEntry[]): Part['fits'] {
  const arrived = entries.findLastIndex(({ did }) => did === 'arrived')
  const answers = new Map(
    arrived < 0 ? [] : entries.slice(arrived).flatMap(({ fits = [] }) => fits.map((fit) => [fit.check, fit] as const)),
  )
  return partKind(what).fits.map((check) => {
    const answer = answers.get(check) as FitAnswer | undefined
    return answer ? { check, answer } : { check }
  })
}

function stateOf(entries: readonly PartEntry[], fits: Part['fits']): PartState {
  switch (entries.findLast(({ did }) => did !== 'changed' && did !== 'laid')!.did) {
    case 'ordered':
      return 'ordered'
    case 'arrived':
    case 'lookedOver':
      if (fits.some(({ answer }) => answer?.fits === false)) return 'failed'
      return fits.every(({ answer }) => answer) ? 'in' : 'arrived'
    case 'sentBack':
      return 'back'
    case 'dropped':
      return 'dropped'
    default:
      return 'wanted'
  }
}

function given<Fields extends object>(said: Fields): { [Name in keyof Fields]?: NonNullable<Fields[Name]> } {
  return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as {
    [Name in keyof Fields]?: NonNullable<Fields[Name]>
  }
}

/** Whether it is still waited for. */
export function isAwaited({ state }: Pick<Part, 'state'>): boolean {
  return state !== 'in' && state !== 'dropped'
}

/** Whole days it is late on a day (`2026-11-27`): promised for before it, and not in. */
export function daysLate({ state, promised }: Pick<Part, 'state' | 'promised'>, today: string): number {
  if (promised === undefined || state === 'arrived' || !isAwaited({ state })) return 0
  return Math.max(0, differenceInCalendarDays(parseISO(today), parseISO(promised)))
}

/** What was spent on parts, and on how many nothing is known of. */
export function spentOn(parts: readonly Part[]): { readonly spent: number; readonly unpriced: number } {
  const own = parts.filter(({ state, owner }) => state !== 'dropped' && state !== 'back' && owner === 'shop')
  return { spent: own.reduce((sum, { price = 0 }) => sum + price, 0), unpriced: own.filter(({ price }) => price === undefined).length }
}
