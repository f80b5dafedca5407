import { numberAt, sized, trueBoreMm, type Truth } from '../../twin/truth'
import type { BoreCharacteristic } from './definition'

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<BoreCharacteristic, Truth>> = {
  'bores.bore': ({ engine }, place) => trueBoreMm(engine, numberAt(place), place.spot ?? ''),
  'bores.skirt': sized('skirtMm'),
  'bores.deckFinish': () => 0.34,
  'bores.boreFinish': () => 0.4,
  'bores.crosshatch': () => 40,
  'bores.faceGap': () => 0.02,
  'bores.faceFinish': () => 0.36,
}
