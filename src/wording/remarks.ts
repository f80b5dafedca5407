import type { Advice, Cost, Finding, Missing, Remark, Station } from '@/core/benches'
import { PAPER, type UnitSystem } from '@/core/build'
import { differenceWords, figureWords, plainWords, type Shown } from './figures'
import { percent } from './verdicts'

const LENGTH: Shown = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 2, inch: 1 } }
const VOLUME: Shown = { units: { metric: 'cm3', inch: 'cm3' }, digits: { metric: 1, inch: 1 } }

/** What a remark says, in a sentence. */
export function remarkWords(remark: Remark, finding: Finding, shown: Shown, system: UnitSystem): string {
  switch (remark.code) {
    case 'oddOneOut': {
      const sits = finding.output === 'deckClearance' ? 'Look at rod, pin height or piston of this one, not the block.' : 'Measure this one again before cutting.'
      return `The others are at ${figureWords(remark.others.value, { ...shown }, system)}. ${sits}`
    }
    case 'owns': return `${percent(remark.share)} of the doubt is ${remark.label}.`
    case 'repeatsDisagree': return `The fills are ${differenceWords(remark.apart.value.value, shown, system)} apart, more than the gauge explains: a bubble or a drip?`
    case 'contradictsPaper': return `Paper says ${plainWords(remark.paper.value.value, shown, system)}.`
    case 'someplacesMissing': return `From ${remark.used} of ${remark.wanted} readings.`
    case 'extremes': return `Cylinder ${remark.largest} most, ${remark.smallest} least.`
  }
}

/** What is wanted before a finding can be known: "4 readings to go". */
export function missingWords(missing: readonly Missing[], stationLabel: (id: string) => string): string {
  const readings = missing.filter((item) => item.kind === 'reading')
  const others = missing.flatMap((item) => {
    switch (item.kind) {
      case 'reading': return []
      case 'paper': return [`${PAPER[item.key].label.toLowerCase()} on paper`]
      case 'choice': return ['a gasket chosen']
      case 'impossible': return [item.reason === 'crankDoesNotTurn' ? 'a rod long enough to turn' : 'some clearance volume: these parts leave none']
    }
  })
  const first = readings[0]
  const toRead = readings.length > 1 ? [`${readings.length} readings`] : first?.kind === 'reading' ? [stationLabel(first.stationId)] : []
  return `Wants ${[...others, ...toRead].join(', ')}.`
}

/** The change an advice proposes, in a line. */
export function changeWords({ change }: Pick<Advice, 'change'>, system: UnitSystem): string {
  switch (change.code) {
    case 'lookAgain': return `Measure cylinder ${change.cylinder} again: ${change.output === 'deckClearance' ? 'piston, pin and rod' : 'chamber'}`
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
    case 'valvesCloser': return `valves ${differenceWords(cost.mm, LENGTH, system)} closer`
    case 'metal': return `${differenceWords(cost.mm, LENGTH, system)} of metal`
    case 'newPistons': return 'new pistons'
    case 'grinding': return `${cost.cylinders} ${cost.cylinders === 1 ? 'chamber' : 'chambers'} to grind`
    case 'spreadStays': return 'spread stays'
    case 'noParts': return 'no new parts'
  }
}

export function stationWords(stations: readonly Station[]): (id: string) => string {
  const labels = new Map(stations.map((station) => [station.id, station.label]))
  return (id) => labels.get(id)?.replace(/^Cylinder/, 'cylinder') ?? id
}
