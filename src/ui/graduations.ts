/** 1, 2 or 5 times a power of ten, at least as large as the number. */
function roundStep(number: number): number {
  const power = 10 ** Math.floor(Math.log10(number))
  return ([1, 2, 5].find((step) => step * power >= number * (1 - 1e-9)) ?? 10) * power
}

/** Marks of a scale from below `low` to above `high`, on a step of 1, 2 or 5, about `count` of them. */
export function graduations(low: number, high: number, count: number): { readonly marks: readonly number[]; readonly decimals: number } {
  const step = roundStep((high - low) / count)
  const first = Math.floor(low / step + 1e-9)
  const last = Math.ceil(high / step - 1e-9)
  const decimals = Math.max(0, Math.ceil(-Math.log10(step) - 1e-9))
  return { marks: Array.from({ length: last - first + 1 }, (_, index) => Number(((first + index) * step).toFixed(decimals))), decimals }
}
