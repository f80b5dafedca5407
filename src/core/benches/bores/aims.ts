import type { Aims } from '../../twin'

export const aims: Aims = { skirtClearanceMm: 'bores.clearance' }
