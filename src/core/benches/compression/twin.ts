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
  'compression.deck': (twin, place) => sized('deckMm')(twin, place) + (ROCK_SHARE[place.spot ?? ''] ?? 0) * twin.engine.rockMm,
  'compression.chamber': chamberCm3,
  'compression.chamberMass': (twin, place) => chamberCm3(twin, place) * (twin.spec.paper.fluidDensity?.value ?? DENSITY_FALLBACK),
  'compression.chamberStart': (twin) => (twin.buretteLevelCm3 = 95 + 4 * twin.random.uniform()),
  'compression.chamberEnd': (twin, place) => twin.buretteLevelCm3 - chamberCm3(twin, place),
  'compression.pistonDrop': () => DROP_MM,
  'compression.pistonFill': ({ engine }, place) => cylinderVolumeCm3(engine.boreMm.get(numberAt(place))!, DROP_MM) + engine.pistonCm3,
  'compression.gasketThickness': ({ engine }) => engine.gasketThicknessMm,
  'compression.gasketBore': ({ engine }) => engine.gasketBoreMm,
}
