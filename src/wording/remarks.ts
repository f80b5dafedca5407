import type { Advice, Broken, Cost, Finding, Missing, Remark, Station } from '@/core/benches'
import { PAPER, type UnitSystem } from '@/core/build'
import { differenceWords, figureWords, plainWords, type Shown } from './figures'
import { percent, subjectsWords, subjectWords } from './verdicts'

const LENGTH: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 2, inch: 1 } }
const RING_WORDS = { top: 'top ring', second: 'second ring', upperRail: 'oil rail', lowerRail: 'oil rail' } as const
const MASS: Shown = { units: { metric: 'g', inch: 'g' }, digits: { metric: 1, inch: 1 } }
const FINE: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } }
const VOLUME: Shown = { units: { metric: 'cm3', inch: 'cm3' }, digits: { metric: 1, inch: 1 } }

/** What a remark says, in a sentence. */
export function remarkWords(remark: Remark, finding: Finding, shown: Shown, system: UnitSystem): string {
  switch (remark.code) {
    case 'oddOneOut': {
      const sits =
        finding.output === 'deckClearance'
          ? 'Look at rod, pin height or piston of this one, not the block.'
          : 'Measure this one again before cutting.'
      return `The others are at ${figureWords(remark.others.value, { ...shown }, system)}. ${sits}`
    }
    case 'owns':
      return capital(`${percent(remark.share)} of the uncertainty is ${remark.label}.`)
    case 'repeatsDisagree':
      return `The fills are ${differenceWords(remark.apart.value.value, shown, system)} apart, more than the gauge allows: a bubble or a drip?`
    case 'contradictsPaper':
      return `Paper says ${plainWords(remark.paper.value.value, shown, system)}.`
    case 'incomplete':
      return `From ${remark.used} of ${remark.wanted} only: not settled before the rest is read.`
    case 'oldPart':
      return remark.part === 'piston'
        ? 'Read with the piston that stood here before the plan: read it again with the new one.'
        : 'By its maker’s figure: what was measured was another gasket.'
    case 'leafTolerance':
      return `The leaves themselves may be ±${differenceWords(remark.mm, shown, system)}: no check of them is on record.`
    case 'pistonMarked':
      return `With the piston marked ${remark.mark}.`
    case 'ringOnTaper': {
      const said = `The ring gaps say ${figureWords(remark.ring.value, shown, system)}`
      if (remark.agrees) return `${said}, which agrees.`
      return `${said}, the bore gauge ${figureWords(remark.gauge.value, shown, system)}: one of the two is off, measure again.`
    }
    case 'narrowBeside':
      return `Narrower ${remark.side} of the vertical by ${differenceWords(remark.byMm, shown, system)}: is the cap where it belongs?`
    case 'shellsPlanned':
      return `Upper ${remark.upper}, cap ${remark.lower}.`
    case 'filedSince':
      return remark.places === 1
        ? 'Filed since one other place was read: read it again.'
        : `Filed since ${remark.places} other places were read: read them again.`
    case 'rodsOnPin':
      return `Rods ${remark.cylinders.join(' and ')} on one pin.`
    case 'stackOwn':
      return 'This one alone: look at its rod, its throw or its piston.'
    case 'stackShared':
      return 'All alike: block height, stroke or compression height on paper is not what is there.'
    case 'extremes':
      return `${remark.of === 'main' ? 'Main' : 'Cylinder'} ${remark.largest} most, ${remark.smallest} least.`
  }
}

const IMPOSSIBLE_WORDS = {
  crankDoesNotTurn: 'a rod long enough to turn',
  noClearanceVolume: 'some clearance volume: these parts leave none',
  otherGasket: 'the gasket measured that is on the engine now',
} as const

/** What is wanted before a finding can be known: "4 readings to go". */
export function missingWords(missing: readonly Missing[], stationLabel: (id: string) => string): string {
  const readings = missing.filter((item) => item.kind === 'reading')
  const others = missing.flatMap((item) => {
    switch (item.kind) {
      case 'reading':
        return []
      case 'paper':
        return [`${PAPER[item.key].label.toLowerCase()} on paper`]
      case 'choice':
        return ['a gasket chosen']
      case 'check':
        return [`the check “${item.label}”`]
      case 'impossible':
        return [IMPOSSIBLE_WORDS[item.reason]]
    }
  })
  const first = readings[0]
  const toRead = readings.length > 1 ? [`${readings.length} readings`] : first?.kind === 'reading' ? [stationLabel(first.stationId)] : []
  return `Wants ${[...others, ...toRead].join(', ')}.`
}

/** The change an advice proposes, in a line. */
export function changeWords({ change }: Pick<Advice, 'change'>, system: UnitSystem): string {
  switch (change.code) {
    case 'lookAgain':
      return `Measure cylinder ${change.cylinder} again: ${change.output === 'deckClearance' ? 'piston, pin and rod' : 'chamber'}`
    case 'swapPistons':
      return `Pistons into other bores: ${change.pistonInBore.map((mark, index) => `bore ${index + 1} takes ${mark}`).join(', ')}`
    case 'hone':
      return `Hone ${[...change.byCylinder].map(([cylinder, mm]) => `bore ${cylinder} by ${differenceWords(mm, FINE, system)}`).join(', ')}`
    case 'shells': {
      const byPair = new Map<string, number[]>()
      for (const { number, upper, lower } of change.pairs) {
        const pair = upper === lower ? upper : `${upper} above, ${lower} in the cap`
        byPair.set(pair, [...(byPair.get(pair) ?? []), number])
      }
      const fewestFirst = [...byPair].sort(([, a], [, b]) => a.length - b.length)
      const words = fewestFirst.map(([pair, numbers], index) =>
        index > 0 && index === fewestFirst.length - 1 ? `the others ${pair}` : `${numbers.join(', ')} ${pair}`,
      )
      return `${change.kind === 'main' ? 'Main' : 'Rod'} shells${change.lands ? '' : ' (nearest there is)'}: ${words.join('; ')}`
    }
    case 'file': {
      const by = `${differenceWords(change.mm, FINE, system)}, to ${plainWords(change.toMm, FINE, system)}`
      return `File the ${RING_WORDS[change.ring]} of cylinder ${change.cylinder} by ${by}; a little at a time, one end only, square, deburred`
    }
    case 'swapRings': {
      const moves = change.after.map((from, index) => `bore ${index + 1} takes ${from}’s`)
      return `${RING_WORDS[change.ring]} into other bores: ${moves.join(', ')}`
    }
    case 'pairMasses': {
      const moves = change.setOnRod.map((mark, index) => `rod ${index + 1} takes ${mark}`)
      const spread = `spread from ${differenceWords(change.fromG, MASS, system)} to ${differenceWords(change.toG, MASS, system)}`
      return `Piston sets onto other rods: ${moves.join(', ')}; ${spread}`
    }
    case 'lighten': {
      const off = [...change.byCylinder].map(([cylinder, grams]) => `${differenceWords(grams, MASS, system)} at cylinder ${cylinder}`)
      return `Take off ${off.join(', ')}`
    }
    case 'openChambers': {
      const most = Math.max(...change.byCylinder.values())
      return `Open chambers ${[...change.byCylinder.keys()].join(', ')} by up to ${differenceWords(most, VOLUME, system)}`
    }
    case 'setup': {
      const parts = [`Gasket ${change.gasket.name}`]
      if (change.piston) parts.push(change.piston.name)
      if (change.deckCutMm > 0) parts.push(`deck −${differenceWords(change.deckCutMm, LENGTH, system)}`)
      if (change.headCutMm > 0) parts.push(`head −${differenceWords(change.headCutMm, LENGTH, system)}`)
      if (change.equalise) parts.push('chambers opened alike')
      return parts.join(', ')
    }
  }
}

export function costWords(cost: Cost, system: UnitSystem): string {
  switch (cost.code) {
    case 'valvesCloser':
      return `valves ${differenceWords(cost.mm, LENGTH, system)} closer`
    case 'metal':
      return `${differenceWords(cost.mm, LENGTH, system)} of metal`
    case 'newPistons':
      return 'new pistons'
    case 'grinding':
      return `${cost.cylinders} ${cost.cylinders === 1 ? 'chamber' : 'chambers'} to grind`
    case 'marks':
      return `${cost.pistons} ${cost.pistons === 1 ? 'piston' : 'pistons'} to mark again`
    case 'otherBores':
      return 'piston to wall changes with the bore'
    case 'acrossBanks':
      return `${cost.pistons} ${cost.pistons === 1 ? 'piston changes' : 'pistons change'} banks`
    case 'checkPockets':
      return 'check valve pockets, pin offset and front marks'
    case 'honing':
      return `${cost.cylinders} ${cost.cylinders === 1 ? 'bore' : 'bores'} on the hone`
    case 'buyHalves':
      return `buy ${cost.halves} ${cost.halves === 1 ? 'half' : 'halves'} ${cost.name}`
    case 'fromShelf':
      return 'all on the shelf'
    case 'spreadStays':
      return 'spread stays'
    case 'noParts':
      return 'no new parts'
  }
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
    const key = `${one.bench}.${one.output}.${one.verdict}`
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
