import type { Build } from '../../document/build'
import type { ShellPair } from '../../document/types'
import { exactly, judge, limitsU, type Figure } from '../../metrology'
import { printed } from '../../numerics/printed'
import { selectEvenly } from '../../numerics/selection'
import { UNITS } from '../../units'
import { isKnown } from '../../bench/finding'
import { clearanceOf, clearanceReading, journalName, journalsOf, type Journal } from './journals'
import type { Shell } from './stock'

/**
 * Halves whose walls, coating and all, differ by more are never paired: an X half with an undersize one puts the parting line
 * off the middle.
 * Half a thou (common practice), and a tenth of a micron for rounding.
 */
const MOST_APART_MM = 0.5 * UNITS.thou.factor + 1e-4

/** How much thicker than standard one half is, coating and all. */
export function thicknessMm({ wallMm, coatingMm = 0 }: Shell): number {
  return wallMm + coatingMm
}

export function mayPair(upper: Shell, lower: Shell): boolean {
  return upper.fits === lower.fits && Math.abs(thicknessMm(upper) - thicknessMm(lower)) <= MOST_APART_MM
}

/** What two halves together take off the clearance, against a standard pair. */
export function pairThicknessMm(upper: Shell, lower: Shell): number {
  return thicknessMm(upper) + thicknessMm(lower)
}

/** The shells chosen for a journal, as long as both are still on the list. */
export function chosenPair(
  build: Build,
  journal: Journal,
): { readonly pair: ShellPair; readonly upper: Shell; readonly lower: Shell } | undefined {
  const pair = build.spec.choice.shells?.[journalName(journal)]
  const halves = pair && halvesOf(build, pair)
  return halves && { pair, ...halves }
}

function halvesOf(build: Build, ids: { upper: string; lower: string }): { upper: Shell; lower: Shell } | undefined {
  const [upper, lower] = [ids.upper, ids.lower].map((id) => build.spec.stock.shells.find((shell) => shell.id === id))
  return upper && lower && { upper, lower }
}

/** A plan still to be fitted: the journal has not been measured since it was made. */
export function pendingPair(build: Build, journal: Journal): ReturnType<typeof chosenPair> {
  const chosen = chosenPair(build, journal)
  return chosen && clearanceReading(build, journal)?.id === chosen.pair.plannedOn ? chosen : undefined
}

/** What the shells in the journal when it was measured took off against a standard pair. */
export function measuredWithMm(build: Build, journal: Journal): number {
  const standing = standingPair(build, journal)
  const halves = standing && halvesOf(build, standing)
  return halves ? pairThicknessMm(halves.upper, halves.lower) : 0
}

/** The shells that were in the journal at its last reading; undefined for standard halves. */
export function standingPair(build: Build, journal: Journal): { upper: string; lower: string } | undefined {
  const chosen = chosenPair(build, journal)
  return pendingPair(build, journal) ? chosen?.pair.instead : chosen && { upper: chosen.upper.id, lower: chosen.lower.id }
}

export interface ShellChoice {
  readonly journal: Journal
  readonly upper: Shell
  readonly lower: Shell
  readonly before: Figure
  /** Clearance in mm with this pair. */
  readonly clearanceMm: number
  readonly plannedOn: string
}

export interface ShellSelection {
  readonly kind: Journal['kind']
  readonly choices: readonly ShellChoice[]
  readonly targetMm: number
  /** Halves to buy beyond what is on the shelf. */
  readonly toBuy: readonly { readonly shell: Shell; readonly halves: number }[]
  /** Whether every journal lands inside its limit on its central value. */
  readonly lands: boolean
}

/**
 * Shells for all journals of a kind: from the shelf, every journal inside its limit first, then the least worst deviation from
 * the target, then the least spread; where the shelf cannot land them all, the same with anything on the list bought, fewest
 * halves last. Inside comes first because a target off the middle of its limit would else leave journals out to be nearer to it.
 * Undefined while a journal is not measured, no limit is set, or nothing is in stock.
 */
export function selectShells(build: Build, kind: Journal['kind']): ShellSelection | undefined {
  const limit = build.spec.limits[kind === 'main' ? 'bearings.mainClearance' : 'bearings.rodClearance']
  const journals = journalsOf(build, kind).map((journal) => ({
    journal,
    clearance: clearanceOf(build, journal),
    reading: clearanceReading(build, journal),
  }))
  const shells = build.spec.stock.shells.filter((shell) => shell.fits === kind)
  if (!limit || shells.length === 0 || journals.length === 0 || journals.some(({ clearance, reading }) => !isKnown(clearance) || !reading))
    return undefined
  const targetMm = limit.target ?? ((limit.lower ?? limit.upper!) + (limit.upper ?? limit.lower!)) / 2
  const pairs = pairsOf(shells)
  const rows = journals.map(({ journal, clearance, reading }) => {
    const before = (clearance as { figure: Figure }).figure
    return { journal, before, plannedOn: reading!.id, bareMm: before.value.value + measuredWithMm(build, journal) }
  })
  const all = rows.map(({ bareMm }) =>
    pairs.map(({ upper, lower }) => ({
      value: bareMm - pairThicknessMm(upper, lower),
      uses: [shells.indexOf(upper), shells.indexOf(lower)],
    })),
  )
  const stock = shells.map((shell) => shell.halves)
  const landing = all.map((options) => options.map((option, pair) => ({ ...option, pair })).filter(({ value }) => inside(value, limit)))
  const canLand = landing.every((options) => options.length > 0)
  const landingPairs = (picked: readonly number[] | undefined) => picked?.map((option, row) => landing[row]![option]!.pair)
  const picked =
    (canLand
      ? (landingPairs(selectEvenly(landing, targetMm, stock, 'shelf')) ?? landingPairs(selectEvenly(landing, targetMm, stock, 'buy')))
      : undefined) ??
    selectEvenly(all, targetMm, stock, 'shelf') ??
    selectEvenly(all, targetMm, stock, 'buy')
  if (!picked) return undefined
  const choices = rows.map(({ journal, before, plannedOn }, row): ShellChoice => ({
    journal,
    before,
    plannedOn,
    ...pairs[picked[row]!]!,
    clearanceMm: all[row]![picked[row]!]!.value,
  }))
  const used = shells.map((shell) => choices.reduce((sum, { upper, lower }) => sum + Number(upper === shell) + Number(lower === shell), 0))
  return {
    kind,
    choices,
    targetMm,
    lands: choices.every(({ clearanceMm }) => inside(clearanceMm, limit)),
    toBuy: shells.flatMap((shell, index) => (used[index]! > shell.halves ? [{ shell, halves: used[index]! - shell.halves }] : [])),
  }
}

function inside(valueMm: number, limit: { lower?: number; upper?: number }): boolean {
  return judge(exactly(valueMm), limit, 'strict').verdict === 'within'
}

/**
 * Every amount by which pairs on the list make all journals of a kind that were read looser than they stand or are planned, mm, with the
 * pairs that do it; nothing for those that not every journal has a pair for.
 */
export function shellSteps(build: Build, kind: Journal['kind']): ReadonlyMap<number, Readonly<Record<string, ShellPair>>> {
  const rows = journalsOf(build, kind).flatMap((journal) => {
    const reading = clearanceReading(build, journal)
    const planned = pendingPair(build, journal)
    const nowMm = planned ? pairThicknessMm(planned.upper, planned.lower) : measuredWithMm(build, journal)
    return reading ? [{ journal, plannedOn: reading.id, nowMm }] : []
  })
  const pairs = pairsOf(build.spec.stock.shells.filter((shell) => shell.fits === kind))
  const steps = new Map<number, Record<string, ShellPair>>([[0, {}]])
  for (const one of pairs) {
    const looserMm = printed((rows[0]?.nowMm ?? 0) - pairThicknessMm(one.upper, one.lower))
    const chosen = rows.map((row) => ({
      ...row,
      pair: pairs.find((pair) => isAlike(row.nowMm - looserMm, pairThicknessMm(pair.upper, pair.lower))),
    }))
    if (looserMm === 0 || steps.has(looserMm) || chosen.some(({ pair }) => !pair)) continue
    steps.set(
      looserMm,
      Object.fromEntries(chosen.map(({ journal, plannedOn, pair }) => [journalName(journal), asPlanned(build, journal, pair!, plannedOn)])),
    )
  }
  return rows.length === 0 ? new Map([[0, {}]]) : new Map([...steps].sort(([a], [b]) => a - b))
}

const isAlike = (one: number, other: number) => Math.abs(one - other) < 1e-6

function pairsOf(shells: readonly Shell[]): readonly { readonly upper: Shell; readonly lower: Shell }[] {
  return shells.flatMap((upper, first) =>
    shells
      .slice(first)
      .filter((lower) => mayPair(upper, lower))
      .map((lower) => ({ upper, lower })),
  )
}

function asPlanned(build: Build, journal: Journal, { upper, lower }: { upper: Shell; lower: Shell }, plannedOn: string): ShellPair {
  const instead = standingPair(build, journal)
  return { upper: upper.id, lower: lower.id, plannedOn, ...(instead && { instead }) }
}

/** Shell walls are made to about a micron or two either way (common practice): what a planned pair adds to the uncertainty. */
const WALL_TOLERANCE_MM = 0.002

/** The plan of a selection as the build keeps it: by journal, on the reading it was made on, over what stood there. */
export function plannedShells(build: Build, selection: ShellSelection): Record<string, ShellPair> {
  return Object.fromEntries(
    selection.choices.map((choice) => [journalName(choice.journal), asPlanned(build, choice.journal, choice, choice.plannedOn)]),
  )
}

/** The change of a planned pair against what was measured with, with the uncertainty of four walls. */
export function thickerBy(build: Build, journal: Journal): Figure | undefined {
  const pending = pendingPair(build, journal)
  if (!pending) return undefined
  const owner = `stock:${pending.upper.id}`
  return {
    value: {
      value: pairThicknessMm(pending.upper, pending.lower) - measuredWithMm(build, journal),
      components: [{ source: { id: `shells:${journalName(journal)}`, owner, dof: Infinity }, u: limitsU(WALL_TOLERANCE_MM) * 2 }],
    },
    origin: {
      from: 'stock',
      id: pending.upper.id,
      name: `upper ${pending.upper.name}, lower ${pending.lower.name}`,
      source: pending.upper.source,
    },
  }
}
