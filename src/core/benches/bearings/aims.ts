import type { Aims } from '../../twin'

export const aims: Aims = {
  mainClearanceMm: 'bearings.mainClearance',
  rodClearanceMm: 'bearings.rodClearance',
  rodSideMm: 'bearings.rodSide',
}
