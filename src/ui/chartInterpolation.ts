/**
 * What lies between two values of a scale. Ours are numbers: the build puts these in the place of the interpolations of colours, dates
 * and strings that every scale brings along (`next.config.ts`).
 */
export const interpolateNumber =
  (from: number, to: number) =>
  (share: number): number =>
    from * (1 - share) + to * share

export const interpolate = interpolateNumber

export const interpolateRound =
  (from: number, to: number) =>
  (share: number): number =>
    Math.round(interpolateNumber(from, to)(share))

/** Asked for by scales of several colours alone, which no chart here has. */
export const piecewise = undefined
