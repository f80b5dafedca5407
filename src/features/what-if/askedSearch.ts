/** What is typed where a search is asked for, and the question it comes to. */
import type { LimitId } from '@/core/bench/bench'
import type { Build, UnitSystem } from '@/core/document'
import { formatNumber, parseEntry, toCanonical, type Kind, type UnitId } from '@/core/units'
import { limitsOf, SEARCHED, shownAs, type Bounds, type Goal, type KnobHere, type Question } from '@/core/whatIf'
import { settingNumber } from '@/wording/whatIf'
import { stepsAbout } from './stepsAbout'

/** Where a knob is searched from and to, and by which steps, as typed. */
export interface AskedRange {
  readonly from: string
  readonly to: string
  readonly by: string
}
export interface AskedBounds {
  readonly least: string
  readonly most: string
}

/** What may be wanted of figures: a value of one, typed, and of others as much or as little as there can be. */
export const AIMED_AT = SEARCHED.find(({ wish }) => wish?.aim === 'near')
export const WISHES = SEARCHED.flatMap(({ limit, wish }) => (wish && wish.aim !== 'near' ? [{ limit, ...wish, aim: wish.aim }] : []))

type AllBounds = Readonly<Partial<Record<LimitId, AskedBounds>>>

export interface AskedSearch {
  readonly picked: ReadonlySet<string>
  readonly ranges: Readonly<Record<string, AskedRange>>
  /** The value that is aimed at. */
  readonly wanted: string
  readonly wishes: ReadonlySet<LimitId>
  readonly bounds: AllBounds
}

/** A search of each takes so many steps where nobody says otherwise, and no knob more than there are marks on a rule. */
const USUAL_STEPS = 12
const MOST_STEPS = 60
const USUAL: readonly string[] = ['gasket', 'deckCut', 'headCut']

/** What stands there before anything is typed: the usual knobs, a dozen steps of each about today, and the limits of the engine. */
export function usualSearch(build: Build, knobs: readonly KnobHere[], system: UnitSystem): AskedSearch {
  return {
    picked: new Set(knobs.filter(({ knob }) => USUAL.includes(knob.id)).map(({ knob }) => knob.id)),
    ranges: Object.fromEntries(knobs.flatMap((here) => (here.knob.choices ? [] : [[here.knob.id, usualRange(here, system)]]))),
    wanted: String((AIMED_AT && build.spec.limits[AIMED_AT.limit]?.target) ?? ''),
    wishes: new Set(WISHES.flatMap(({ limit, isUsual }) => (isUsual ? [limit] : []))),
    bounds: usualBounds(build, system),
  }
}

/** From today upwards where a knob only takes off, else to both sides of it. */
function usualRange({ knob, today, low, high }: KnobHere, system: UnitSystem): AskedRange {
  const step = knob.step[system]
  const all = stepsAbout(today, low, high, step)
  const at = all.findIndex((one) => one >= today - EPSILON) - (low < today - EPSILON ? Math.floor(USUAL_STEPS / 2) : 0)
  const from = Math.max(0, Math.min(all.length - USUAL_STEPS, at))
  const words = (value: number) => settingNumber(knob, value, system)
  return { from: words(all[from]!), to: words(all[Math.min(all.length, from + USUAL_STEPS) - 1]!), by: stepWords(step, knob.units[system]) }
}

function stepWords(step: number, unit: UnitId): string {
  return String(Number((step / (toCanonical(1, unit) - toCanonical(0, unit))).toPrecision(6)))
}

export function usualBounds(build: Build, system: UnitSystem): AllBounds {
  const limits = limitsOf(build)
  const words = (figure: LimitId, bound: number | undefined) => {
    const { units, digits } = shownAs(figure)
    return bound === undefined ? '' : formatNumber(bound, units[system], digits[system])
  }
  return Object.fromEntries(
    SEARCHED.map(({ limit }) => [limit, { least: words(limit, limits[limit]?.lower), most: words(limit, limits[limit]?.upper) }]),
  )
}

const EPSILON = 1e-9

export interface UnderstoodSearch {
  readonly question: Question
  /** What was typed and is no number, or no range, by the knob or figure it stands at. */
  readonly unread: ReadonlySet<string>
}

/** The question that what was typed comes to; what cannot be read is named, and stands as it would untyped. */
export function understood(build: Build, knobs: readonly KnobHere[], asked: AskedSearch, system: UnitSystem): UnderstoodSearch {
  const unread = new Set<string>()
  const searched = knobs
    .filter(({ knob }) => asked.picked.has(knob.id))
    .map((here) => {
      const values = here.knob.choices?.(build) ?? valuesOf(here, asked.ranges[here.knob.id]!, system)
      if (!values) unread.add(here.knob.id)
      return { id: here.knob.id, values: values ?? [here.today] }
    })
  const wanted = AIMED_AT && asked.wanted.trim() !== '' ? valueIn(AIMED_AT.limit, asked.wanted, system) : undefined
  if (wanted === undefined && asked.wanted.trim() !== '') unread.add('wanted')
  const usual = usualBounds(build, system)
  const limits = Object.fromEntries(
    SEARCHED.flatMap(({ limit: figure }): [LimitId, Bounds][] => {
      const { least, most } = asked.bounds[figure]!
      // As it stood there, it is the limit itself, and not the one that was printed.
      if (least === usual[figure]!.least && most === usual[figure]!.most) return []
      const bounds = boundsOf(figure, { least, most }, system)
      if (!bounds) unread.add(figure)
      return bounds ? [[figure, bounds]] : []
    }),
  )
  return { question: { knobs: searched, goals: goalsOf(wanted, asked.wishes), limits }, unread }
}

function numberIn(text: string, kind: Kind, unit: UnitId): number | undefined {
  const read = parseEntry(text, { kind, unit, signed: true })
  return read.ok ? read.value : undefined
}

/** Every step from one end to the other; today itself where it lies on one of them. */
function valuesOf({ knob, today }: KnobHere, { from, to, by }: AskedRange, system: UnitSystem): readonly number[] | undefined {
  const unit = knob.units[system]
  const [start, end] = [numberIn(from, knob.kind, unit), numberIn(to, knob.kind, unit)]
  const one = numberIn(by, knob.kind, unit)
  const step = one === undefined ? undefined : one - toCanonical(0, unit)
  if (start === undefined || end === undefined || step === undefined || step <= 0 || end < start) return undefined
  const count = Math.floor((end - start) / step + 1e-6) + 1
  if (count > MOST_STEPS) return undefined
  return Array.from({ length: count }, (_, index) => {
    const value = Number((start + index * step).toPrecision(12))
    return Math.abs(value - today) < step * NEAR ? today : value
  })
}
/** What is printed of today is rounded. */
const NEAR = 0.05

function valueIn(figure: LimitId, text: string, system: UnitSystem): number | undefined {
  const { kind, units } = shownAs(figure)
  return numberIn(text, kind, units[system])
}

function boundsOf(figure: LimitId, { least, most }: AskedBounds, system: UnitSystem): Bounds | undefined {
  const read = (text: string) => (text.trim() === '' ? {} : { is: valueIn(figure, text, system) })
  const [lower, upper] = [read(least), read(most)]
  if (('is' in lower && lower.is === undefined) || ('is' in upper && upper.is === undefined)) return undefined
  if (lower.is !== undefined && upper.is !== undefined && lower.is > upper.is) return undefined
  return { ...(lower.is !== undefined && { lower: lower.is }), ...(upper.is !== undefined && { upper: upper.is }) }
}

function goalsOf(wanted: number | undefined, wishes: ReadonlySet<LimitId>): readonly Goal[] {
  const near: Goal[] = AIMED_AT && wanted !== undefined ? [{ figure: AIMED_AT.limit, aim: 'near', value: wanted }] : []
  return [...near, ...WISHES.flatMap(({ limit, aim }): Goal[] => (wishes.has(limit) ? [{ figure: limit, aim }] : []))]
}
