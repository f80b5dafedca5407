import { PARTS, type GearMaterial, type CamMaterial, type PartKindId, type RatingId } from '@/core/parts/kinds'
import type { UnitSystem } from '@/core/document'
import { printed } from '@/core/numerics/printed'
import type { Part } from '@/core/parts'
import { RATING_WORDS } from '@/wording/parts'
import type { ReadForm } from '@/ui/useForm'
import type { PartAct } from './useParts'

/** What is typed of a part that is wanted: text until it is understood. */
export interface TypedPart {
  readonly what: PartKindId
  readonly name: string
  readonly count: string
  readonly owner: Part['owner']
  readonly price: string
  readonly rpm: string
  readonly liftMm: string
  readonly powerKw: string
  readonly material: string
  readonly replaces: string
  readonly onWordOf: string
  /** Left empty: the steps its kind needs. */
  readonly needs: string
}

export const NO_PART: TypedPart = {
  what: 'other',
  name: '',
  count: '1',
  owner: 'shop',
  price: '',
  rpm: '',
  liftMm: '',
  powerKw: '',
  material: '',
  replaces: '',
  onWordOf: '',
  needs: '',
}

/** A part as its form shows it, to be said again. */
export function typedFrom(part: Part, system: UnitSystem): TypedPart {
  const shown = (value: number | undefined) => (value === undefined ? '' : String(value))
  const rated = (rating: RatingId) =>
    part.rated[rating] === undefined ? '' : String(printed(part.rated[rating] / RATING_WORDS[rating][system].per))
  return {
    what: part.what,
    name: part.name,
    count: String(part.count),
    owner: part.owner,
    price: shown(part.price),
    rpm: rated('rpm'),
    liftMm: rated('liftMm'),
    powerKw: rated('powerKw'),
    material: part.material ?? '',
    replaces: part.replaces ?? '',
    onWordOf: part.onWordOf ?? '',
    needs: '',
  }
}

/** Figures a maker gives of a kind of part; those it does not are not asked for. */
export function ratingsOf(what: PartKindId): readonly RatingId[] {
  return (PARTS[what] as { readonly rated?: readonly RatingId[] }).rated ?? []
}

/** What a form says, or what is wrong with it field by field. */
export function saidFrom(typed: TypedPart, system: UnitSystem): ReadForm<Omit<PartAct, 'did'>> {
  const wrong: Record<string, string> = {}
  const name = typed.name.trim()
  if (name === '') wrong.name = 'A part wants a name.'
  const count = Number(typed.count)
  if (!Number.isInteger(count) || count < 1 || count > 999) wrong.count = 'A whole number, 1 to 999.'
  const price = numberFrom(typed.price)
  if (price === undefined || (price !== null && price < 0)) wrong.price = 'A plain figure, 140 or 140.50.'
  const rated: Partial<Record<RatingId, number>> = {}
  for (const rating of ratingsOf(typed.what)) {
    const value = numberFrom(typed[rating])
    if (value === undefined || (value !== null && value <= 0)) wrong[rating] = 'A figure above nothing.'
    else if (value !== null) rated[rating] = value * RATING_WORDS[rating][system].per
  }
  if (Object.keys(wrong).length > 0) return { ok: false, wrong }
  const words = (text: string) => text.trim() || undefined
  const said = {
    what: typed.what,
    name,
    count,
    owner: typed.owner,
    price: price ?? undefined,
    rated: Object.keys(rated).length > 0 ? rated : undefined,
    material: words(typed.material) as CamMaterial | GearMaterial | undefined,
    replaces: words(typed.replaces),
    onWordOf: words(typed.onWordOf),
    needs: typed.needs === '' ? undefined : [typed.needs],
  }
  return { ok: true, meant: Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) }
}

/** Nothing where nothing is typed; undefined where it is no number. */
export function numberFrom(text: string): number | null | undefined {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return null
  return /^\d+(?:\.\d+)?$/.test(plain) ? Number(plain) : undefined
}
