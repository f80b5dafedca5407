import type { Aims } from '../../twin'

export const aims: Aims = { topGapMm: 'rings.topGap', secondGapMm: 'rings.secondGap', railGapMm: 'rings.railGap' }
