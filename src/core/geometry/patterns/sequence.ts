import { rank } from 'd3-array'
import { middleOf } from './pattern'
import type { Position } from '../sheets/sheets'

/** Fasteners of a pattern in the order they are torqued, each by its place in the list of positions. */
export type Order = readonly number[]

/** Distances from the middle that no eye tells apart count as one ring. */
const SAME_RING_MM = 0.5

interface FromMiddle {
  readonly index: number
  readonly x: number
  readonly y: number
  readonly distance: number
  /** Clockwise from the top. */
  readonly turn: number
}

function fromMiddle(positions: readonly Position[]): FromMiddle[] {
  const middle = middleOf(positions)
  return positions.map(({ xMm, yMm }, index) => {
    const [x, y] = [xMm - middle.xMm, yMm - middle.yMm]
    return { index, x, y, distance: Math.hypot(x, y), turn: Math.atan2(x, y) }
  })
}

/**
 * From the middle outwards, every pull followed by the one opposite to it across the middle (common practice): heads, and, where
 * all are equally far out, circles criss-cross.
 */
export function centreOut(positions: readonly Position[]): Order {
  const open = new Set(fromMiddle(positions))
  const done: FromMiddle[] = []
  const take = (one: FromMiddle) => {
    open.delete(one)
    done.push(one)
  }
  while (open.size > 0) {
    const first = nextOutwards([...open], done)
    take(first)
    const opposite = oppositeOf(first, [...open])
    if (opposite) take(opposite)
  }
  return done.map(({ index }) => index)
}

/**
 * The nearest to the middle; of several as near the one furthest from all that are pulled. Where the last one had no mirror image,
 * as on a circle of five, of several as far the one furthest from it: the star that every wheel is torqued by.
 */
function nextOutwards(open: readonly FromMiddle[], done: readonly FromMiddle[]): FromMiddle {
  const last = done.at(-1)
  const isUnpaired = last !== undefined && ![...open, ...done].some((other) => isMirror(last, other))
  const nearest = Math.min(...open.map(({ distance }) => distance))
  const ring = open.filter(({ distance }) => distance <= nearest + SAME_RING_MM)
  const between = (one: FromMiddle, other: FromMiddle) => Math.hypot(one.x - other.x, one.y - other.y)
  const apart = (one: FromMiddle) => Math.min(Infinity, ...done.map((other) => between(one, other)))
  const isFurther = (one: FromMiddle, best: FromMiddle) => {
    const further = apart(one) - apart(best)
    if (!isUnpaired || Math.abs(further) > SAME_RING_MM) return further > SAME_RING_MM
    return between(one, last) > between(best, last) + SAME_RING_MM
  }
  return ring.reduce((best, one) => (isFurther(one, best) ? one : best))
}

/**
 * The place mirrored across the middle; where there is none, the nearest to it of those that have no mirror image either and are
 * as far out, or next to be pulled. None on that side: none.
 */
function oppositeOf(one: FromMiddle, open: readonly FromMiddle[]): FromMiddle | undefined {
  const mirror = open.find((other) => isMirror(one, other))
  if (mirror) return mirror
  const across = open.filter((other) => other.x * one.x + other.y * one.y < 0 && !open.some((third) => isMirror(other, third)))
  if (across.length === 0) return undefined
  const reach = Math.max(one.distance, Math.min(...open.map(({ distance }) => distance))) + SAME_RING_MM
  const ring = across.filter(({ distance }) => distance <= reach)
  const off = ({ x, y }: FromMiddle) => Math.hypot(x + one.x, y + one.y)
  return ring.length === 0 ? undefined : ring.reduce((best, other) => (off(other) < off(best) ? other : best))
}

function isMirror(a: FromMiddle, b: FromMiddle): boolean {
  return a !== b && Math.hypot(a.x + b.x, a.y + b.y) < SAME_RING_MM
}

/** From the middle outwards, round and round: each ring from where the one inside it ended. */
export function spiral(positions: readonly Position[]): Order {
  const open = fromMiddle(positions).sort((a, b) => a.distance - b.distance || a.turn - b.turn)
  const order: number[] = []
  let from = -Math.PI
  while (open.length > 0) {
    const inner = open[0]!.distance
    const ring = open.splice(0, open.filter(({ distance }) => distance <= inner + SAME_RING_MM).length)
    const onwards = (turn: number) => (turn - from + 4 * Math.PI) % (2 * Math.PI)
    ring.sort((a, b) => onwards(a.turn) - onwards(b.turn))
    order.push(...ring.map(({ index }) => index))
    from = ring.at(-1)!.turn
  }
  return order
}

/** Caps that are under spring load first, from the middle of all outwards; then the others. */
export function loadedFirst(positions: readonly Position[], isLoaded: (index: number) => boolean): Order {
  const order = centreOut(positions)
  return [...order.filter(isLoaded), ...order.filter((index) => !isLoaded(index))]
}

/** From the outside in, for loosening. */
export function outsideIn(order: Order): Order {
  return order.toReversed()
}

export type OrderIssue =
  /** Numbers count from 1, as they are written on the casting. */
  | { readonly code: 'missing'; readonly fasteners: readonly number[] }
  | { readonly code: 'doubled'; readonly fasteners: readonly number[] }
  | { readonly code: 'unknown'; readonly fasteners: readonly number[] }
  /** The order runs from one end to the other: a gasket is squeezed out before it. */
  | { readonly code: 'fromOneEnd' }

/** So few have no middle to start from. */
const LEAST_FOR_A_MIDDLE = 4
/** Spearman's rank correlation of place and turn above which an order is called one that runs along. */
const RUNS_ALONG = 0.75

/** What is wrong with an order of the fasteners `members` of a pattern. */
export function orderIssues(order: Order, members: readonly number[], positions: readonly Position[]): OrderIssue[] {
  const named = (indices: readonly number[]) => indices.map((index) => index + 1)
  const issues = numberIssues(named(order), named(members))
  return issues.length === 0 && runsFromOneEnd(order.map((index) => positions[index]!)) ? [{ code: 'fromOneEnd' }] : issues
}

/** Which of the numbers wanted are missing, which stand there twice, and which are none of them. */
export function numberIssues(numbers: readonly number[], wanted: readonly number[]): OrderIssue[] {
  const missing = wanted.filter((number) => !numbers.includes(number))
  const doubled = [...new Set(numbers.filter((number, at) => numbers.indexOf(number) !== at))]
  const unknown = numbers.filter((number) => !wanted.includes(number))
  const issues: readonly OrderIssue[] = [
    { code: 'missing', fasteners: missing },
    { code: 'doubled', fasteners: doubled },
    { code: 'unknown', fasteners: unknown },
  ]
  return issues.filter((issue) => 'fasteners' in issue && issue.fasteners.length > 0)
}

function runsFromOneEnd(pulled: readonly Position[]): boolean {
  if (pulled.length < LEAST_FOR_A_MIDDLE) return false
  const turns = pulled.map((_, turn) => turn)
  return [pulled.map(({ xMm }) => xMm), pulled.map(({ yMm }) => yMm)].some(
    (along) => new Set(along).size > 2 && Math.abs(rankCorrelation(along, turns)) > RUNS_ALONG,
  )
}

/** Spearman's, by the correlation of the mean ranks (C. Spearman, 1904). */
function rankCorrelation(a: readonly number[], b: readonly number[]): number {
  const [ranksA, ranksB] = [meanRanks(a), meanRanks(b)]
  const centre = (a.length - 1) / 2
  let [both, ofA, ofB] = [0, 0, 0]
  ranksA.forEach((rankA, index) => {
    const [offA, offB] = [rankA - centre, ranksB[index]! - centre]
    both += offA * offB
    ofA += offA ** 2
    ofB += offB ** 2
  })
  return both / Math.sqrt(ofA * ofB)
}

/** Values alike share the mean of the ranks they take up. */
function meanRanks(values: readonly number[]): number[] {
  const lowest = rank(values as number[])
  return values.map((value, index) => lowest[index]! + (values.filter((other) => other === value).length - 1) / 2)
}
