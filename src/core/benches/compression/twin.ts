import { cylinderVolumeCm3 } from '../../geometry/crank'
import { numberAt, sized, type Truth } from '../../twin/truth'
import type { CompressionCharacteristic } from './definition'

const DENSITY_FALLBACK = 0.87
/** How far a piston is lowered for a fill. */
const DROP_MM = 6
/** A crown that tips stands deeper at the right, higher at the left. */
const ROCK_SHARE: Readonly<Record<string, number>> = { right: 1, left: -1 }

const chamberCm3 = sized('chamberCm3')

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<CompressionCharacteristic, Truth>> = {
  'compression.deck': (hand, place) => sized('deckMm')(hand, place) + (ROCK_SHARE[place.spot ?? ''] ?? 0) * hand.engine.rockMm,
  'compression.chamber': chamberCm3,
  'compression.chamberMass': (hand, place) => chamberCm3(hand, place) * (hand.spec.paper.fluidDensity?.value ?? DENSITY_FALLBACK),
  'compression.chamberStart': (hand) => (hand.buretteLevelCm3 = 95 + 4 * hand.random.uniform()),
  'compression.chamberEnd': (hand, place) => hand.buretteLevelCm3 - chamberCm3(hand, place),
  'compression.pistonDrop': () => DROP_MM,
  'compression.pistonFill': ({ engine }, place) => cylinderVolumeCm3(engine.boreMm.get(numberAt(place))!, DROP_MM) + engine.pistonCm3,
  'compression.gasketThickness': ({ engine }) => engine.gasketThicknessMm,
  'compression.gasketBore': ({ engine }) => engine.gasketBoreMm,
}
