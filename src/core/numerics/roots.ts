const HALVINGS = 48

/** How the search for a root ended: found, or why the bracket holds none that could be told. */
export type Root =
  | { readonly status: 'found'; readonly x: number }
  /** The function has one sign at both ends. */
  | { readonly status: 'noSignChange' }
  /** The function is no number at one of the ends. */
  | { readonly status: 'notFinite' }

/**
 * Where a continuous function of one number changes its sign between `a` and `b` (in either order), by halving: to 2⁻⁴⁸ of the bracket,
 * which is below the last digit of anything here. Throws nothing.
 */
export function rootBetween(of: (x: number) => number, a: number, b: number): Root {
  const [atA, atB] = [of(a), of(b)]
  if (!Number.isFinite(atA) || !Number.isFinite(atB)) return { status: 'notFinite' }
  if (atA === 0) return { status: 'found', x: a }
  if (atB === 0) return { status: 'found', x: b }
  const isUp = atA > 0
  if (isUp === atB > 0) return { status: 'noSignChange' }
  let [low, high] = [a, b]
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2
    if (of(middle) > 0 === isUp) low = middle
    else high = middle
  }
  return { status: 'found', x: (low + high) / 2 }
}

/** The root, or what stands in its place where there is none. */
export function rootOr<Otherwise>(root: Root, otherwise: Otherwise): number | Otherwise {
  return root.status === 'found' ? root.x : otherwise
}
