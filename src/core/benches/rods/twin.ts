import { sized, type Truth } from '../../twin/truth'
import type { RodCharacteristic } from './definition'

/** Half of what a big end is out of round. */
const OVAL_MM = 0.002

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<RodCharacteristic, Truth>> = {
  'rods.bigEnd': (twin, place) => sized('bigEndMm')(twin, place) + (place.spot === 'along' ? OVAL_MM : -OVAL_MM),
  'rods.pinBush': sized('pinBushMm'),
  'rods.pin': sized('pinMm'),
  'rods.centreDistance': sized('centreDistanceMm'),
  'rods.pistonMass': sized('pistonMassG'),
  'rods.pinMass': () => 92,
  'rods.ringsMass': () => 31.4,
  'rods.rodSmall': sized('rodSmallG'),
  'rods.rodBig': sized('rodBigG'),
  'rods.shellsMass': () => 38.2,
}
