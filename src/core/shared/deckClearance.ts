import type { Build } from '../document/build'
import { readingAt } from '../document/figures'
import { stationId } from '../document/place'
import { derivation } from '../document/remembered'
import { workOn } from '../document/work'
import { resultOf, type Figure, type FormulaText } from '../metrology'
import { afterWork } from './afterWork'
import type { Remark } from '../bench/bench'
import { oldPistonRemarks } from './oldParts'
import type { Derived } from '../bench/finding'

export const deckMean: FormulaText = {
  id: 'deckMean',
  title: 'Deck clearance of the piston',
  kind: 'length',
  expression: 'mean of the places read on the crown',
  source: 'common practice: opposite places, so that the rock of the piston cancels',
}

/** Places on a crown, in the order one goes round it, and where they lie in the plan (x to the rear, y to the right). */
export const DECK_SPOTS = {
  front: { words: 'front', x: -0.62, y: 0 },
  left: { words: 'left', x: 0, y: -0.62 },
  rear: { words: 'rear', x: 0.62, y: 0 },
  right: { words: 'right', x: 0, y: 0.62 },
} as const
export type DeckSpot = keyof typeof DECK_SPOTS

/** Ends of the pin axis of an engine whose crank runs front to rear: reading both cancels the rock across it. */
export const PIN_AXIS: readonly DeckSpot[] = ['front', 'rear']
export const THRUST_AXIS: readonly DeckSpot[] = ['left', 'right']

export function deckSpots(build: Build): readonly DeckSpot[] {
  return build.spec.methods.deckPlaces === 2 ? PIN_AXIS : (Object.keys(DECK_SPOTS) as DeckSpot[])
}

/** How much higher every piston will stand than it was read: deck cut, taller pistons, another compression height, rod or stroke. */
export function higherByMm(build: Build, station: string): number {
  return workOn(build, 'deckCut', station) + workOn(build, 'piston', station) + workOn(build, 'raisePiston', station)
}

/** A place of the deck as it was read, or as it will be once the deck is cut or other pistons are in. */
function deckAt(build: Build, cylinder: number, spot: DeckSpot): Figure | undefined {
  const place = { cylinder, spot }
  const read = readingAt(build, 'compression.deck', place)
  const station = stationId('compression.deck', place)
  const higherMm = higherByMm(build, station)
  return read && afterWork(read, -higherMm, 'length', 'Deck cut or taller piston')
}

/** Deck clearance: the mean of those opposite pairs of places that are complete, so that the rock of the piston cancels. */
export const deckClearance = derivation('deckClearance', (build, cylinder: number): Derived => {
  const wanted = deckSpots(build)
  const read = new Map(wanted.map((spot) => [spot, deckAt(build, cylinder, spot)]))
  const pairs = [PIN_AXIS, THRUST_AXIS].filter((pair) => pair.every((spot) => read.get(spot)))
  const spots = pairs.flat()
  if (!pairs.includes(PIN_AXIS) && spots.length < wanted.length) {
    return {
      missing: wanted
        .filter((spot) => !read.get(spot))
        .map((spot) => ({ kind: 'reading', stationId: stationId('compression.deck', { cylinder, spot }) })),
    }
  }
  const figure = resultOf(
    deckMean,
    spots.map((spot) => ({ label: `Deck, ${spot}`, weight: 1 / spots.length, figure: read.get(spot)! })),
  )
  const ofOldPiston = oldPistonRemarks(
    build,
    cylinder,
    spots.map((spot) => stationId('compression.deck', { cylinder, spot })),
  )
  const incomplete: Remark[] = spots.length < wanted.length ? [{ code: 'incomplete', used: spots.length, wanted: wanted.length }] : []
  return { figure, isPartial: incomplete.length > 0 || ofOldPiston.length > 0, remarks: [...incomplete, ...ofOldPiston] }
})
