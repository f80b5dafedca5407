import type { Duty } from '../build/types'

/** How hard an engine is used, as the presets of the trade tell duties apart. */
export function isRace({ use }: Duty): boolean {
  return !/street|road|tour|daily/i.test(use)
}

/** Hours at full throttle: boats, endurance, ovals. */
export function isSustained({ use }: Duty): boolean {
  return /sustained|marine|lake|boat|hydroplane|endurance|offshore/i.test(use)
}

export function isAlcohol({ fuel }: Duty): boolean {
  return /methanol|ethanol|alcohol/i.test(fuel)
}
