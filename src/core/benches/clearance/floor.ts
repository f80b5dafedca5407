/** Least gaps between valve and piston that no limit goes below unless somebody answers for it (common practice): 0.060 and 0.080 in. */
export const FLOOR_MM = { intake: 1.5, exhaust: 2 } as const
