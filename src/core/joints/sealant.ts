import type { Joint } from '../document/types'

/** Fasteners by their turns as they are typed: `1 5 9 1`, in any notation that keeps the numbers apart. */
export function fastenersAt(
  { groups }: Pick<Joint, 'groups'>,
  text: string,
): { readonly fasteners: readonly number[]; readonly unknown: readonly number[] } {
  const order = groups.flatMap((group) => group.order)
  const turns = text.split(/\D+/).filter(Boolean).map(Number)
  return { fasteners: turns.flatMap((turn) => order[turn - 1] ?? []), unknown: turns.filter((turn) => order[turn - 1] === undefined) }
}

/** The turns of fasteners, as they are typed. */
export function turnsAt({ groups }: Pick<Joint, 'groups'>, fasteners: readonly number[] = []): string {
  const order = groups.flatMap((group) => group.order)
  return fasteners.map((fastener) => order.indexOf(fastener) + 1).join(' ')
}
