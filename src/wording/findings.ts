import type { BenchDefinition, Broken, Missing, Station } from '@/core/bench/bench'
import type { UnitSystem } from '@/core/document'
import { differenceWords } from './figures'
import { small } from './letters'
import { subjectsWords, subjectWords } from './verdicts'

const IMPOSSIBLE_WORDS = {
  crankDoesNotTurn: 'a rod long enough to turn',
  gasketUnderBore: 'a gasket larger than its bore: this one would stand into it. Decimal point, unit, or another engine’s gasket?',
  crownOverBore: 'a crown smaller than its bore: decimal point or unit?',
  absurdRatio: 'parts of one engine: these make a ratio none has. Decimal point or unit?',
  stopTooNear: 'one reading on each side of the top, 10° apart or more: these lie so near that both were read on one side',
  stopOneSided: 'one reading on each side of the top: both have the same sign. Set the wheel near the top, or mind the sign',
  noClearanceVolume: 'some clearance volume: these parts leave none',
  stretchNotReached: 'a pull that reaches the stretch: raise the last step',
  noSuchLift: 'a lift that the lobe of the card has',
  otherGasket: 'the gasket measured that is on the engine now',
} as const

const JOINT_WORDS = {
  sections: 'the sections of the bolts, on their joint',
  yield: 'the yield of the bolts, on their joint',
  proof: 'the proof stress of the bolts, on their joint',
  thread: 'the thread of the bolts, on their joint',
} as const

/** What is wanted before a finding can be known: "4 readings to go". */
export function missingWords(missing: readonly Missing[], paper: BenchDefinition['paper'], stationLabel: (id: string) => string): string {
  const readings = missing.filter((item) => item.kind === 'reading')
  const others = missing.flatMap((item) => {
    switch (item.kind) {
      case 'reading':
        return []
      case 'duty':
        return ['the redline, on the paper page']
      case 'paper':
        return [`${paper[item.key]!.label.toLowerCase()} on paper`]
      case 'choice':
        return ['a gasket chosen']
      case 'joint':
        return [JOINT_WORDS[item.what]]
      case 'check':
        return [`the check “${item.label}”`]
      case 'impossible':
        return [IMPOSSIBLE_WORDS[item.reason]]
    }
  })
  const labels = readings.flatMap((item) => (item.kind === 'reading' ? [stationLabel(item.stationId)] : []))
  const toRead = labels.length > 1 ? [`${labels.length} readings`] : labels
  // Each cylinder may want the same thing: it is wanted once.
  return `Wants ${[...new Set(others), ...toRead].join(', ')}.`
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
