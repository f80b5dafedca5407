/** A crank that is turned by hand, and the cam that a chain or belt drags behind it; crank degrees both. */
export interface Turning {
  readonly crankDeg: number
  /** The crank angle the cam stands at: the crank's own as long as it is turned in the running direction. */
  readonly camDeg: number
}

/** What a chain has of slack, crank degrees: turned back, the crank takes it up before the cam follows (common practice, widely drawn). */
export const CHAIN_SLACK_DEG = 2

export function turnedTo({ camDeg }: Turning, crankDeg: number): Turning {
  return { crankDeg, camDeg: Math.min(Math.max(camDeg, crankDeg), crankDeg + CHAIN_SLACK_DEG) }
}
