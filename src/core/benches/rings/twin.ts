import { numberAt, sized, trueBoreMm, type Truth } from '../../twin/truth'
import type { RingCharacteristic } from './definition'

const SIDE_MM = 0.045
const BACK_MM = 0.25

/** The gap of a ring where it stands: π times the difference in bore from where it was made for. */
function gapped(atTop: Truth): Truth {
  return (twin, place) => {
    const boreMm = (depth: string) => trueBoreMm(twin.engine, numberAt(place), depth)
    return atTop(twin, place) + Math.PI * (boreMm(place.spot ?? 'top') - boreMm('top'))
  }
}

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<RingCharacteristic, Truth>> = {
  'rings.topGap': gapped(sized('ringTopMm')),
  'rings.secondGap': gapped(sized('ringSecondMm')),
  'rings.upperRailGap': sized('railMm'),
  'rings.lowerRailGap': sized('railMm'),
  'rings.topSide': () => SIDE_MM,
  'rings.secondSide': () => SIDE_MM,
  'rings.topBack': () => BACK_MM,
  'rings.secondBack': () => BACK_MM,
}
