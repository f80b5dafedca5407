/** Every combination of some knobs: which keep the limits, which of these no other dominates, and what binds where none does. */
import type { Build } from '../document/build'
import type { LimitId } from '../document/ids'
import type { Limit } from '../document/types'
import type { Range, SearchedRanges } from '../bench/kernel'
import { isKernelKnob, kernelOf, SEARCHED } from './kernel'
import { changesOf, knobsOf, type Settings } from './knobs'
import { changedBuild, todayOf, variantOf, type Variant } from './variant'

/** A knob that is searched over, and the values it may have. */
export interface SearchedKnob {
  readonly id: string
  readonly values: readonly number[]
}

/** What is wanted of a figure: near a value, or as large or as small as it goes. */
export interface Goal {
  readonly figure: LimitId
  readonly aim: 'near' | 'most' | 'least'
  readonly value?: number
}

export interface Question {
  readonly knobs: readonly SearchedKnob[]
  readonly goals: readonly Goal[]
  /** Bounds in place of the limits of the engine, where somebody asks for others. */
  readonly limits?: SearchLimits
}

export type Bounds = Pick<Limit, 'lower' | 'upper'>
export type SearchLimits = Readonly<Partial<Record<LimitId, Bounds>>>

/** A limit that alone keeps some variant from passing, and by how little it is missed at the least. */
export interface Binding {
  readonly figure: LimitId
  readonly by: number
  readonly variants: number
}

export interface SearchResult {
  readonly tried: number
  readonly passed: number
  /** Of those that passed and looked better than what is shown: they break a limit that is not searched over. */
  readonly broken: number
  /**
   * Variants no other dominates in its goals, by how much is turned, confirmed by the full evaluation to break nothing. Where none is
   * left, the best of those that break something, each with what it breaks.
   */
  readonly front: readonly Variant[]
  /** Where none passes: what binds, the one that is missed by least first. */
  readonly binding: readonly Binding[]
  /** Where every variant misses several limits at once: the one that misses least, in widths of its limits. */
  readonly nearest?: Settings
}

export interface SearchStep {
  readonly done: number
  readonly of: number
  readonly result?: SearchResult
}

const SLICE = 5000
/** More than so many nobody looks through. */
const MOST_SHOWN = 12
/** Variants the full evaluation looks at: some ten milliseconds each. */
const MOST_CONFIRMED = 240

export function combinationsOf({ knobs }: Pick<Question, 'knobs'>): number {
  return knobs.reduce((count, { values }) => count * values.length, 1)
}

interface Found {
  readonly settings: Settings
  readonly scores: readonly number[]
  readonly turned: number
}

/** Searches every combination in slices, so that a worker can say how far it is and be stopped between them. */
export function* search(build: Build, question: Question): Generator<SearchStep, void> {
  const of = combinationsOf(question)
  const kept: Kept = { passed: [], binding: new Map(), nearest: undefined, leastMiss: Infinity }
  let done = 0
  for (const { settings, figures, misses } of variantsOf(build, question)) {
    if (misses.length === 0) kept.passed.push({ settings, scores: scoresOf(question, figures), turned: turnedBy(build, settings) })
    else keepNearest(kept, settings, misses)
    done++
    if (done % SLICE === 0) yield { done, of }
  }
  const { passed, binding, nearest } = kept
  const found = yield* confirmedFront(build, passed, of)
  yield { done: of, of, result: { tried: of, passed: passed.length, ...found, ...boundBy(passed.length, binding, nearest) } }
}

interface Kept {
  readonly passed: Found[]
  readonly binding: Map<LimitId, { by: number; variants: number }>
  nearest: Settings | undefined
  leastMiss: number
}

function keepNearest(kept: Kept, settings: Settings, misses: readonly Miss[]): void {
  if (misses.length === 1) noteBinding(kept.binding, misses[0]!)
  const miss = misses.reduce((sum, { widths }) => sum + widths, 0)
  if (miss < kept.leastMiss) [kept.leastMiss, kept.nearest] = [miss, settings]
}

/** Every combination with its figures: knobs the kernel does not turn outside, so that its engine is taken apart as seldom as can be. */
function* variantsOf(
  build: Build,
  { knobs, limits }: Question,
): Generator<{ readonly settings: Settings; readonly figures: SearchedRanges; readonly misses: readonly Miss[] }> {
  const now = kernelOf(build)({})
  const [inner, outer] = [knobs.filter(({ id }) => isKernelKnob(id)), knobs.filter(({ id }) => !isKernelKnob(id))]
  const [each, all] = [inner, outer].map((some) => combinationsOf({ knobs: some })) as [number, number]
  for (let index = 0; index < all; index++) {
    const around = settingsAt(outer, index)
    const taken = outer.length > 0 ? changedBuild(build, changesOf(build, around)) : build
    const kernel = kernelOf(taken)
    const bounds = { ...limitsOf(taken), ...limits }
    for (let at = 0; at < each; at++) {
      const settings = { ...around, ...settingsAt(inner, at) }
      const figures = kernel(settings)
      yield { settings, figures, misses: missesOf(figures, now, bounds, limits) }
    }
  }
}

function settingsAt(knobs: readonly SearchedKnob[], index: number): Record<string, number> {
  const settings: Record<string, number> = {}
  let left = index
  for (const { id, values } of knobs) {
    settings[id] = values[left % values.length]!
    left = Math.floor(left / values.length)
  }
  return settings
}

/** What the engine's own limits say of what is searched. */
export function limitsOf({ spec: { limits } }: Build): SearchLimits {
  return Object.fromEntries(SEARCHED.flatMap(({ limit }) => (limits[limit] ? [[limit, limits[limit]]] : [])))
}

interface Miss {
  readonly figure: LimitId
  readonly by: number
  /** In widths of its limit, so that a ratio and a gap can be added. */
  readonly widths: number
}

const EPSILON = 1e-9

/** A spread goes up with what it is a spread of: by less than this share of its limit's width a fault is the same one. */
const SAME_FAULT = 0.1

/**
 * What is outside a limit, but for what is no more outside than today: a fault that no knob here mends is no reason to offer nothing. A
 * bound that somebody asks for is kept to the letter.
 */
function missesOf(figures: SearchedRanges, now: SearchedRanges, limits: SearchLimits, asked: SearchLimits = {}): readonly Miss[] {
  const misses: Miss[] = []
  for (const { limit: figure, isFaultOfParts } of SEARCHED) {
    const [bounds, then, was] = [limits[figure], figures[figure], now[figure]]
    if (!bounds || !then) continue
    const [under, over] = outside(then, bounds)
    const [wasUnder, wasOver] = was ? outside(was, bounds) : [0, 0]
    const isFault =
      asked[figure] === undefined && isFaultOfParts === true && isNoWorse(under, wasUnder, bounds) && isNoWorse(over, wasOver, bounds)
    const by = Math.max(under, over)
    if (by > EPSILON && !isFault) misses.push({ figure, by, widths: by / widthOf(bounds) })
  }
  return misses
}

/** What is inside today has to stay there. */
function isNoWorse(by: number, was: number, bounds: Bounds): boolean {
  return by <= was + (was > EPSILON ? SAME_FAULT * widthOf(bounds) : EPSILON)
}

/** By how much below a lower bound, and beyond an upper one. */
function outside({ low, high }: Range, { lower = -Infinity, upper = Infinity }: Bounds): readonly [number, number] {
  return [Math.max(0, lower - low), Math.max(0, high - upper)]
}

function widthOf({ lower, upper }: Bounds): number {
  return lower !== undefined && upper !== undefined ? upper - lower || 1 : Math.abs(lower ?? upper ?? 1) || 1
}

/** Smaller is better, goal by goal. */
function scoresOf({ goals }: Question, figures: SearchedRanges): readonly number[] {
  return goals.map(({ figure, aim, value = 0 }) => {
    const of = figures[figure]
    if (!of) return 0
    if (aim === 'near') return Math.max(Math.abs(of.low - value), Math.abs(of.high - value))
    return aim === 'most' ? -of.low : of.high
  })
}

/** How many knobs stand elsewhere than today. */
function turnedBy(build: Build, settings: Settings): number {
  return knobsToday(build).reduce((count, [id, today]) => count + Number(settings[id] !== undefined && settings[id] !== today), 0)
}

const todays = new WeakMap<Build, readonly (readonly [string, number])[]>()
function knobsToday(build: Build): readonly (readonly [string, number])[] {
  const known = todays.get(build) ?? knobsOf(build).map(({ knob, today }) => [knob.id, today] as const)
  todays.set(build, known)
  return known
}

/** One that is better in some goal and in none worse, or alike in all with less turned, dominates another. */
function dominates(a: Found, b: Found): boolean {
  const isWorse = a.scores.some((score, goal) => score > b.scores[goal]! + EPSILON)
  const isBetter = a.scores.some((score, goal) => score < b.scores[goal]! - EPSILON)
  return !isWorse && (isBetter || a.turned <= b.turned)
}

function keepBest(front: Found[], one: Found): void {
  if (front.some((other) => dominates(other, one))) return
  for (let at = front.length - 1; at >= 0; at--) if (dominates(one, front[at]!)) front.splice(at, 1)
  front.push(one)
}

function noteBinding(binding: Map<LimitId, { by: number; variants: number }>, { figure, by }: Miss): void {
  const known = binding.get(figure)
  binding.set(figure, { by: Math.min(by, known?.by ?? Infinity), variants: (known?.variants ?? 0) + 1 })
}

/**
 * The front as the full evaluation finds it. A variant dominates others only once it is known to be sound: where it breaks a limit
 * that is not searched over, it is taken out, and those it stood before are looked at in its place.
 */
function* confirmedFront(
  build: Build,
  passed: readonly Found[],
  of: number,
): Generator<SearchStep, Pick<SearchResult, 'front' | 'broken'>> {
  const today = todayOf(build)
  const looked = new Map<Found, Variant>()
  const isSound = (one: Found) => isUnbroken(looked.get(one)!)
  for (let left: readonly Found[] = passed; ;) {
    const front = paretoOf(left)
    const unknown = front.filter((one) => !looked.has(one)).slice(0, MOST_CONFIRMED - looked.size)
    for (const one of unknown) {
      looked.set(one, variantOf(today, one.settings))
      if (looked.size % CONFIRMED_A_STEP === 0) yield { done: of, of }
    }
    const broken = new Set(front.filter((one) => looked.has(one) && !isSound(one)))
    if (broken.size === 0 || unknown.length === 0)
      return frontOf(
        front.filter((one) => looked.has(one)),
        looked,
      )
    left = left.filter((one) => !broken.has(one))
  }
}

/** As many evaluations as a worker may do before it says how far it is. */
const CONFIRMED_A_STEP = 10

function isUnbroken({ headlines, near }: Variant): boolean {
  return near.length === 0 && headlines.every(({ breaks }) => breaks.length === 0)
}

function frontOf(front: readonly Found[], looked: ReadonlyMap<Found, Variant>): Pick<SearchResult, 'front' | 'broken'> {
  const sound = front.filter((one) => isUnbroken(looked.get(one)!))
  const broken = [...looked].filter(([, variant]) => !isUnbroken(variant)).map(([one]) => one)
  const shown = sound.length > 0 ? sound : paretoOf(broken)
  return { front: shown.slice(0, MOST_SHOWN).map((one) => looked.get(one)!), broken: broken.length }
}

/** Those no other dominates, the best in the first goal first. */
function paretoOf(all: readonly Found[]): readonly Found[] {
  const front: Found[] = []
  for (const one of all) keepBest(front, one)
  return front.toSorted((a, b) => a.scores[0]! - b.scores[0]! || a.turned - b.turned)
}

function boundBy(
  passed: number,
  binding: ReadonlyMap<LimitId, { readonly by: number; readonly variants: number }>,
  nearest: Settings | undefined,
): Pick<SearchResult, 'binding' | 'nearest'> {
  if (passed > 0) return { binding: [] }
  const found = [...binding].map(([figure, { by, variants }]) => ({ figure, by, variants })).sort((a, b) => a.by - b.by)
  return { binding: found, ...(nearest && { nearest }) }
}
