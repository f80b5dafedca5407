/** An order with some of its fasteners taken out and put in before or behind another; one that is moved itself is no place. */
export function reordered(
  order: readonly number[],
  moved: readonly number[],
  { beside, where }: { readonly beside: number; readonly where: 'before' | 'after' },
): readonly number[] {
  if (moved.includes(beside)) return order
  const rest = order.filter((one) => !moved.includes(one))
  const at = rest.indexOf(beside) + (where === 'after' ? 1 : 0)
  const together = order.filter((one) => moved.includes(one))
  return [...rest.slice(0, at), ...together, ...rest.slice(at)]
}
