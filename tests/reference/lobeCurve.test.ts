import { describe, expect, it } from 'vitest'
import { checkedLobe, eventsAt, peakOf } from '@/core/geometry/valvetrain'
import { closedHalfDurationDeg, closedLiftMm } from '@/core/geometry/valvetrain/closedLobe'
import { uOf, type CommonUncertainty } from '@/core/geometry/valvetrain/lobeEvents'
import { randomStream, seedOf } from '@/core/numerics/random'
import { cases } from '../support/cases'

/**
 * Lobes of known truth, read with a wheel and a dial of known noise: how near the curve comes, whether its stated
 * uncertainty covers the truth, and whether slips are found. The truths are closed forms the fit knows nothing of.
 */
type Lobe = (angleDeg: number) => number

const CENTRE = 109.5
const symmetric = { liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }
const symmetricLobe: Lobe = (angle) => closedLiftMm(symmetric, angle - CENTRE)

const smooth = (x: number) => {
  const t = Math.min(1, Math.max(0, x))
  return t * t * (3 - 2 * t)
}
/** Flanks of two widths on quieting ramps of 0.20 mm over 30° and 0.28 mm over 36°. */
const rampedLobe: Lobe = (angle) => {
  const from = angle - CENTRE
  const [width, power, rampMm, rampDeg, beginsDeg] = from < 0 ? [134, 2.5, 0.2, 30, 156] : [148, 2.8, 0.28, 36, 176]
  const share = from / width
  const main = Math.abs(share) < 1 ? (10 - rampMm) * (1 - share * share) ** power : 0
  return rampMm * smooth((beginsDeg - Math.abs(from)) / rampDeg) + main
}

const CHECK_MM = 1.27
function crossing(lobe: Lobe, from: number, to: number): number {
  let [low, high] = [from, to]
  const isUp = lobe(low) > CHECK_MM
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (lobe(middle) > CHECK_MM === isUp) low = middle
    else high = middle
  }
  return low
}

interface Tables {
  readonly lobe: Lobe
  readonly stepDeg: number
  readonly wheelDeg: number
  readonly common?: CommonUncertainty & { readonly zeroMm?: number }
}
const DIAL_MM = 0.01
const TABLES = cases(150, 200)
/** Of sparse rows, whose 95th of a hundred is near what is asked for: fewer leave too much open. */
const SPARSE_TABLES = 400

/** A table as read: the wheel a little off at every row, and off centre, TDC not quite true, the dial not quite at zero. */
function tableOf(seed: number, { lobe, stepDeg, wheelDeg, common = {} }: Tables) {
  const random = randomStream(seedOf(seed))
  const [tdc, cos, sin, zero] = [common.tdcDeg, common.eccentricityDeg, common.eccentricityDeg, common.zeroMm].map(
    (u) => (u ?? 0) * random.normal(),
  )
  const rows = []
  for (let angleDeg = -360; angleDeg <= 360; angleDeg += stepDeg) {
    const at = (angleDeg * Math.PI) / 180
    const trueDeg = angleDeg + tdc! + cos! * (Math.cos(at) - 1) + sin! * Math.sin(at) + wheelDeg * random.normal()
    rows.push({ angleDeg, liftMm: lobe(trueDeg) + zero! + DIAL_MM * random.normal() })
  }
  return { rows, random }
}

function errorsOf(tables: Tables, count = TABLES) {
  const { lobe, wheelDeg, common } = tables
  const [open, close] = [crossing(lobe, -60, CENTRE), crossing(lobe, 300, CENTRE)]
  const truth = { open, close, duration: close - open, centreline: (open + close) / 2, peak: lobe(CENTRE) }
  const errors: Record<keyof typeof truth, number[]> = { open: [], close: [], duration: [], centreline: [], peak: [] }
  const covered = { open: 0, close: 0, duration: 0, centreline: 0, peak: 0 }
  let named = 0
  for (let seed = 1; seed <= count; seed++) {
    const { curve, slips } = checkedLobe(tableOf(seed, tables).rows, { wheelDeg, dialMm: DIAL_MM })
    if (slips.length > 0) named++
    const found = { ...eventsAt(curve, CHECK_MM, common), peak: peakOf(curve, common).lift }
    for (const name of Object.keys(truth) as (keyof typeof truth)[]) {
      const off = found[name]!.value - truth[name]
      errors[name].push(Math.abs(off))
      if (Math.abs(off) <= 1.96 * uOf(found[name]!)) covered[name]++
    }
  }
  const within = (name: keyof typeof truth, bound: number) => errors[name].filter((error) => error <= bound).length / count
  return { within, covered: (name: keyof typeof truth) => covered[name] / count, named: named / count }
}

describe('events of a lobe from its table', () => {
  it.each([
    ['symmetric, every 2°', symmetricLobe, 2, { centreline: 0.25, open: 0.35, close: 0.35, duration: 0.5 }],
    ['with ramps, every 2°', rampedLobe, 2, { centreline: 0.25, open: 0.35, close: 0.35, duration: 0.5 }],
    ['symmetric, every 5°', symmetricLobe, 5, { centreline: 0.35, open: 0.5, close: 0.5, duration: 0.75 }],
    ['with ramps, every 5°', rampedLobe, 5, { centreline: 0.35, open: 0.5, close: 0.5, duration: 0.75 }],
  ] as const)('%s, wheel 0.5°: 95 of 100 as near as that, the stated uncertainty covers 90 to 98 %%', (_, lobe, stepDeg, bounds) => {
    const { within, covered, named } = errorsOf({ lobe, stepDeg, wheelDeg: 0.5 }, stepDeg === 5 ? SPARSE_TABLES : TABLES)
    for (const [name, bound] of Object.entries(bounds))
      expect(within(name as keyof typeof bounds, bound), name).toBeGreaterThanOrEqual(0.95)
    for (const name of ['open', 'close', 'duration', 'centreline', 'peak'] as const) {
      expect(covered(name), name).toBeGreaterThanOrEqual(0.9)
      expect(covered(name), name).toBeLessThanOrEqual(0.99)
    }
    expect(named).toBeLessThanOrEqual(0.02)
  })

  it('with a wheel of 0.25° is about twice as near', () => {
    const { within } = errorsOf({ lobe: symmetricLobe, stepDeg: 2, wheelDeg: 0.25 }, 100)
    expect(within('centreline', 0.14)).toBeGreaterThanOrEqual(0.95)
    expect(within('open', 0.19)).toBeGreaterThanOrEqual(0.95)
    expect(within('duration', 0.27)).toBeGreaterThanOrEqual(0.95)
  })

  it.each([
    [2, symmetricLobe],
    [5, rampedLobe],
  ])(
    'every %i°, with TDC, wheel and dial’s zero off by their uncertainties: what is common is in the stated uncertainty',
    (stepDeg, lobe) => {
      const { covered } = errorsOf({ lobe, stepDeg, wheelDeg: 0.5, common: { tdcDeg: 0.25, eccentricityDeg: 0.2, zeroMm: 0.02 } })
      for (const name of ['open', 'close', 'duration', 'centreline'] as const) {
        expect(covered(name), name).toBeGreaterThanOrEqual(0.9)
        expect(covered(name), name).toBeLessThanOrEqual(0.98)
      }
    },
  )
})

const slopeAt = (lobe: Lobe, at: number) => (lobe(at + 0.01) - lobe(at - 0.01)) / 0.02

const SPOILT_TABLES = cases(50, 100)

describe('slips in a table', () => {
  /** Shares of tables in which the row, or one beside it, is named. */
  const foundOf = (
    stepDeg: number,
    spoil: (rows: { angleDeg: number; liftMm: number }[], random: ReturnType<typeof randomStream>) => number,
  ) => {
    const wheelDeg = 0.5
    let found = 0
    for (let seed = 1; seed <= SPOILT_TABLES; seed++) {
      const { rows, random } = tableOf(seed, { lobe: symmetricLobe, stepDeg, wheelDeg })
      const row = spoil(rows, random)
      const { slips } = checkedLobe(rows, { wheelDeg, dialMm: DIAL_MM })
      if (slips.some((slip) => Math.abs(slip.row - row) <= 1)) found++
    }
    return found / SPOILT_TABLES
  }
  const sigmaAt = (angleDeg: number) => Math.hypot(DIAL_MM, 0.5 * slopeAt(symmetricLobe, angleDeg))
  const off = (sigmas: number) => (rows: { angleDeg: number; liftMm: number }[], random: ReturnType<typeof randomStream>) => {
    const at = 1 + Math.floor(random.uniform() * (rows.length - 2))
    rows[at]!.liftMm += (random.uniform() < 0.5 ? -1 : 1) * sigmas * sigmaAt(rows[at]!.angleDeg)
    return at + 1
  }

  it('of six sigma are found in 95 of 100 tables of 2° rows, of eight in every table of 5° rows', () => {
    expect(foundOf(2, off(6))).toBeGreaterThanOrEqual(0.95)
    expect(foundOf(5, off(8))).toBeGreaterThanOrEqual(0.97)
  })

  it('that are angles skipped on a flank, of eight sigma of the wheel, are found where they begin', () => {
    const skip = (rows: { angleDeg: number; liftMm: number }[], random: ReturnType<typeof randomStream>) => {
      const flank = rows.flatMap(({ angleDeg }, index) => (Math.abs(slopeAt(symmetricLobe, angleDeg)) > 0.06 ? index : []))
      const from = flank[Math.floor(random.uniform() * flank.length)]!
      const byDeg = (random.uniform() < 0.5 ? -1 : 1) * 4
      for (const row of rows.slice(from)) row.liftMm += symmetricLobe(row.angleDeg + byDeg) - symmetricLobe(row.angleDeg)
      return from + 1
    }
    expect(foundOf(2, skip)).toBeGreaterThanOrEqual(0.95)
  })
})

it('the closed form has the events its card says', () => {
  const half = closedHalfDurationDeg(symmetric, CHECK_MM)!
  expect(crossing(symmetricLobe, -60, CENTRE)).toBeCloseTo(CENTRE - half, 6)
})
