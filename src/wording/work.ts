import type { Planned, UnitSystem, Work } from '@/core/document'
import { differenceWords } from './figures'
import { capital } from './letters'
import { subjectWords } from './verdicts'
import { IN_WORDS } from './vocabulary'

const RING_WORDS = { top: 'Top ring', second: 'Second ring', upperRail: 'Upper oil rail', lowerRail: 'Lower oil rail' } as const

/** Work as it is planned, in a line; and where it is done although something comes too near, why and on whose word. */
export function plannedWords({ work, despite }: Planned, system: UnitSystem): string {
  const words = workWords(work, system)
  return despite ? `${words}, although it comes too near: ${despite.reason} (${despite.by})` : words
}

/** Work to be done, in a line: "Bore 3 honed by 0.02 mm". */
export function workWords(work: Work, system: UnitSystem): string {
  const length = differenceWords(Math.abs(work.by), IN_WORDS.fineLength, system)
  const angle = differenceWords(Math.abs(work.by), IN_WORDS.angle, system)
  switch (work.what) {
    case 'deckCut':
      return `Deck cut ${work.by < 0 ? 'less ' : ''}by ${length}`
    case 'headCut':
      return `Head cut ${work.by < 0 ? 'less ' : ''}by ${length}`
    case 'openChamber':
      return `Chamber ${work.cylinder} opened by ${differenceWords(work.by, IN_WORDS.volume, system)}`
    case 'hone':
      return `Bore ${work.cylinder} honed by ${length}`
    case 'ringGap':
      return `${RING_WORDS[work.ring]} of cylinder ${work.cylinder}, gap ${work.by < 0 ? 'smaller' : 'larger'} by ${length}`
    case 'lighten':
      return `Piston set of cylinder ${work.cylinder} lightened by ${differenceWords(work.by, IN_WORDS.mass, system)}`
    case 'cutPocket':
      return `${capital(work.valves)} pockets cut deeper by ${length}`
    case 'lobeLift':
      return `Other ${work.valves} lobes, lifting ${length} ${work.by < 0 ? 'less' : 'more'}`
    case 'lobeDuration':
      return `Other ${work.valves} lobes, ${angle} ${work.by < 0 ? 'shorter' : 'longer'}`
    case 'turnCam':
      return `${capital(subjectWords({ cam: work.cam }))} set ${angle} ${work.by < 0 ? 'later' : 'earlier'}`
    case 'raisePiston':
      return `Every piston ${length} ${work.by < 0 ? 'lower' : 'higher'}`
    case 'piston':
      return `Other pistons, ${length} ${work.by < 0 ? 'shorter' : 'taller'}`
  }
}
