import { PART_STATE_WORDS } from './partState'
import type { Advice, BenchDefinition, Broken, Change, Cost, Finding, Missing, Remark, Station } from '@/core/benches'
import type { UnitSystem } from '@/core/build'
import { differenceWords, figureWords, plainWords, type Shown } from './figures'
import * as bearings from './benches/bearings'
import * as bores from './benches/bores'
import * as compression from './benches/compression'
import * as rings from './benches/rings'
import * as rods from './benches/rods'
import { percent, subjectsWords, subjectWords } from './verdicts'
import { counted, type ChangeWords, type CostWords, type RemarkWords } from './vocabulary'

const REMARK_WORDS: RemarkWords = {
  oddOneOut: ({ others }, shown, system, finding) => {
    const sits =
      finding.output === 'compression.deckClearance'
        ? 'Look at rod, pin height or piston of this one, not the block.'
        : 'Measure this one again before cutting.'
    return `The others are at ${figureWords(others.value, { ...shown }, system)}. ${sits}`
  },
  owns: ({ share, label }) => capital(`${percent(share)} of the uncertainty is ${label}.`),
  contradictsPaper: ({ paper }, shown, system) => `Paper says ${plainWords(paper.value.value, shown, system)}.`,
  incomplete: ({ used, wanted }) => `From ${used} of ${wanted} only: not settled before the rest is read.`,
  oldPart: ({ part }) =>
    part === 'piston'
      ? 'Read with the piston that stood here before the plan: read it again with the new one.'
      : 'By its maker’s figure: what was measured was another gasket.',
  partState: ({ state }) => `Judged ${PART_STATE_WORDS[state]}.`,
  partStates: ({ states }) => `Read of parts in different states: ${states.map((state) => PART_STATE_WORDS[state]).join(', ')}.`,
  planned: () => 'As it will be once the planned work is done; measure again then.',
  leafTolerance: ({ mm }, shown, system) =>
    `The leaves themselves may be ±${differenceWords(mm, shown, system)}: no check of them is on record.`,
  extremes: ({ of, largest, smallest }) => `${of === 'main' ? 'Main' : 'Cylinder'} ${largest} most, ${smallest} least.`,
  ...bores.REMARKS,
  ...bearings.REMARKS,
  ...rings.REMARKS,
  ...rods.REMARKS,
  ...compression.REMARKS,
}

const CHANGE_WORDS: ChangeWords = {
  lookAgain: ({ cylinder, output }) =>
    `Measure cylinder ${cylinder} again: ${output === 'compression.deckClearance' ? 'piston, pin and rod' : 'compression.chamber'}`,
  ...bores.CHANGES,
  ...bearings.CHANGES,
  ...rings.CHANGES,
  ...rods.CHANGES,
  ...compression.CHANGES,
}

const COST_WORDS: CostWords = {
  noParts: () => 'no new parts',
  marks: ({ pistons }) => `${counted(pistons, 'piston', 'pistons')} to mark again`,
  acrossBanks: ({ pistons }) => `${counted(pistons, 'piston changes', 'pistons change')} banks`,
  checkPockets: () => 'check valve pockets, pin offset and front marks',
  ...bores.COSTS,
  ...bearings.COSTS,
  ...rods.COSTS,
  ...compression.COSTS,
}

/** What a remark says, in a sentence. */
export function remarkWords(remark: Remark, finding: Finding, shown: Shown, system: UnitSystem): string {
  // The code picks the sentence written for it; a compiler cannot follow a union into a table of functions.
  return (REMARK_WORDS[remark.code] as (one: Remark, shown: Shown, system: UnitSystem, finding: Finding) => string)(
    remark,
    shown,
    system,
    finding,
  )
}

const IMPOSSIBLE_WORDS = {
  crankDoesNotTurn: 'a rod long enough to turn',
  noClearanceVolume: 'some clearance volume: these parts leave none',
  otherGasket: 'the gasket measured that is on the engine now',
} as const

/** What is wanted before a finding can be known: "4 readings to go". */
export function missingWords(missing: readonly Missing[], paper: BenchDefinition['paper'], stationLabel: (id: string) => string): string {
  const readings = missing.filter((item) => item.kind === 'reading')
  const others = missing.flatMap((item) => {
    switch (item.kind) {
      case 'reading':
        return []
      case 'paper':
        return [`${paper[item.key]!.label.toLowerCase()} on paper`]
      case 'choice':
        return ['a gasket chosen']
      case 'check':
        return [`the check “${item.label}”`]
      case 'impossible':
        return [IMPOSSIBLE_WORDS[item.reason]]
    }
  })
  const labels = readings.flatMap((item) => (item.kind === 'reading' ? [stationLabel(item.stationId)] : []))
  const toRead = labels.length > 1 ? [`${labels.length} readings`] : labels
  return `Wants ${[...others, ...toRead].join(', ')}.`
}

/** The change an advice proposes, in a line. */
export function changeWords({ change }: Pick<Advice, 'change'>, system: UnitSystem): string {
  return (CHANGE_WORDS[change.code] as (one: Change, system: UnitSystem) => string)(change, system)
}

export function costWords(cost: Cost, system: UnitSystem): string {
  return (COST_WORDS[cost.code] as (one: Cost, system: UnitSystem) => string)(cost, system)
}

export function capital(words: string): string {
  return words[0]!.toUpperCase() + words.slice(1)
}

/** In the middle of a sentence. */
export function small(words: string): string {
  return words[0]!.toLowerCase() + words.slice(1)
}

export function stationWords(stations: readonly Station[]): (id: string) => string {
  const labels = new Map(stations.map((station) => [station.id, station.label]))
  return (id) => small(labels.get(id) ?? id)
}

/** What a way to put it right breaks or leaves broken: "deck clearance, cylinders 2, 3 under by 0.02 mm". */
export function brokenWords(broken: readonly Broken[], system: UnitSystem): string {
  const groups = new Map<string, Broken[]>()
  for (const one of broken) {
    const key = `${one.output}.${one.verdict}`
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups.values()]
    .map((alike) => {
      const [first] = alike as [Broken]
      const worst = Math.max(...alike.map(({ excess }) => excess))
      const of = subjectWords(first) === '' ? '' : ` ${small(subjectsWords(alike))}`
      return `${small(first.shown.label)}${of} ${first.verdict} by ${differenceWords(worst, first.shown, system)}`
    })
    .join('; ')
}
