import type { Build } from '../build/build'

/** The mark of the piston that goes into a cylinder: its own number, until a plan says otherwise. */
export function pistonIn(build: Build, cylinder: number): number {
  return build.spec.choice.pistonInBore?.[cylinder - 1] ?? cylinder
}
