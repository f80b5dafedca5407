const STEPS = [1, 2, 5, 10] as const

/** The next figure up, or down, that one would say: 1, 2 or 5 times a power of ten. */
export function niceNumber(number: number, which: 'up' | 'down'): number {
  const power = 10 ** Math.floor(Math.log10(number))
  // A billionth keeps 0.1 + 0.2 from being more than 0.3.
  const step =
    which === 'up' ? STEPS.find((one) => one * power >= number * (1 - 1e-9)) : STEPS.findLast((one) => one * power <= number * (1 + 1e-9))
  return (step ?? 1) * power
}

/** Marks of a scale from below `low` to above `high`, on a step of 1, 2 or 5, about `count` of them. */
export function graduations(low: number, high: number, count: number): { readonly marks: readonly number[]; readonly decimals: number } {
  const step = niceNumber((high - low) / count, 'up')
  const first = Math.floor(low / step + 1e-9)
  const last = Math.ceil(high / step - 1e-9)
  const decimals = Math.max(0, Math.ceil(-Math.log10(step) - 1e-9))
  return { marks: Array.from({ length: last - first + 1 }, (_, index) => Number(((first + index) * step).toFixed(decimals))), decimals }
}
