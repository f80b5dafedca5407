import type { Joint } from '../document/types'
import type { Step } from './run'

/** Where the crank has to stand for a fastener to be reached; undefined: anywhere. Degrees after the top of cylinder 1. */
export function crankStopOf({ fasteners }: Joint, fastener: number | undefined): number | undefined {
  return fastener === undefined ? undefined : fasteners[fastener - 1]?.crankDeg
}

/** How often the crank is turned from one stop to another over these steps, the first stop among them. */
export function crankMoves(joint: Joint, steps: readonly Step[]): number {
  const stops = steps.flatMap(({ fastener }) => crankStopOf(joint, fastener) ?? [])
  return stops.filter((stop, index) => stop !== stops[index - 1]).length
}
