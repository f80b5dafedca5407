import type { Place } from '../../document/types'
import { numberAt, sized, type Truth } from '../../twin/truth'
import type { BearingCharacteristic } from './definition'

/** Shells stand wider off the vertical, where they are relieved towards the parting line. */
const RELIEF_MM = 0.012
const JOURNAL_TAPER_MM = 0.002
const JOURNAL_OVAL_MM = 0.001

const mainClearance: Truth = (twin, place) => sized('mainClearanceMm')(twin, place) + relief(place)
const rodClearance: Truth = (twin, place) => sized('rodClearanceMm')(twin, place) + relief(place)

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<BearingCharacteristic, Truth>> = {
  'bearings.mainJournal': (twin, place) => sized('mainJournalMm')(twin, place) + journalShape(place),
  'bearings.rodJournal': (twin, place) => sized('rodJournalMm')(twin, place) + journalShape(place),
  'bearings.mainClearance': mainClearance,
  'bearings.mainStrip': mainClearance,
  'bearings.rodClearance': rodClearance,
  'bearings.rodStrip': rodClearance,
  'bearings.mainInside': (twin, place) => sized('mainJournalMm')(twin, place) + mainClearance(twin, place),
  'bearings.rodInside': (twin, place) => sized('rodJournalMm')(twin, place) + rodClearance(twin, place),
  // Cap by cap: each that is tightened adds its own to the torque of those before it.
  'bearings.spin': ({ engine }, place) =>
    [...engine.spinNm].reduce((sum, [main, added]) => (main <= numberAt(place) ? sum + added : sum), 0),
  'bearings.endFloat': () => 0.13,
  'bearings.runOut': () => 0.012,
  'bearings.rodSide': sized('rodSideMm'),
}

function journalShape({ spot = '' }: Place): number {
  return (spot.startsWith('front') ? 0.5 : -0.5) * JOURNAL_TAPER_MM + (spot.endsWith('vertical') ? -0.5 : 0.5) * JOURNAL_OVAL_MM
}

function relief({ spot }: Place): number {
  return spot === 'left60' || spot === 'right60' ? RELIEF_MM : 0
}
