/** What a part was when it was read, in the order an engine goes through it. A reading that does not say is of the part as found. */
export const PART_STATES = ['asFound', 'machined', 'trial', 'final'] as const
export type PartState = (typeof PART_STATES)[number]

/** The state a reading is of: readings of a later one count before those of an earlier, and supersede none of them. */
export function partStateOf({ partState }: { readonly partState?: PartState }): PartState {
  return partState ?? 'asFound'
}

/** Whether a part was in a later state at one reading than at another. */
export function isLaterState(one: PartState, other: PartState): boolean {
  return PART_STATES.indexOf(one) > PART_STATES.indexOf(other)
}
