const HALVINGS = 48

/** Where a function that changes its sign between `a` and `b` is zero, by halving; the end that is nearer to it where it does not. */
export function rootBetween(of: (x: number) => number, a: number, b: number): number {
  const isUp = of(a) > 0
  let [low, high] = [a, b]
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2
    if (of(middle) > 0 === isUp) low = middle
    else high = middle
  }
  return (low + high) / 2
}
