/** One way to serve a place: what it comes to, and the parts it uses, by their index in the stock. */
export interface Option {
  readonly value: number
  readonly uses: readonly number[]
}

const REL_TOL = 1e-9

/**
 * Picks one option for every row so that the worst deviation from `target` is least, then the spread, then what is used
 * beyond `stock` is fewest. With 'shelf' nothing may be used beyond it. Undefined when the stock cannot serve every row.
 *
 * Rows are taken one after the other with a table of what the rows so far may have used; options outside the window under
 * test are left out, so that the table stays small. Thresholds and windows as in `matchEvenly`.
 */
export function selectEvenly(
  rows: readonly (readonly Option[])[],
  target: number,
  stock: readonly number[],
  from: 'shelf' | 'buy',
): readonly number[] | undefined {
  const all = [...new Set(rows.flatMap((row) => row.map(({ value }) => value)))].sort((a, b) => a - b)
  if (all.length === 0) return rows.length === 0 ? [] : undefined
  const slack = REL_TOL * Math.max(...all.map((value) => Math.abs(value - target)), Number.MIN_VALUE)
  const pick = (low: number, high: number) => pickWithin(rows, low - slack, high + slack, stock, from)
  const deviations = [...new Set(all.map((value) => Math.abs(value - target)))].sort((a, b) => a - b)
  const worst = deviations.find((deviation) => pick(target - deviation, target + deviation) !== undefined)
  if (worst === undefined) return undefined
  const inReach = all.filter((value) => Math.abs(value - target) <= worst + slack)
  let best = pick(target - worst, target + worst)!
  let narrowest = Infinity
  let high = 0
  for (const low of inReach) {
    let found: State | undefined
    while (high < inReach.length && (inReach[high]! < low || !(found = pick(low, inReach[high]!)))) high++
    if (high === inReach.length || !found) break
    const width = inReach[high]! - low
    if (width < narrowest - slack || (width <= narrowest + slack && found.bought < best.bought)) {
      narrowest = width
      best = found
    }
  }
  return best.picked
}

interface State {
  readonly used: readonly number[]
  readonly bought: number
  readonly picked: readonly number[]
}

/** The cheapest pick with every value in [low, high], over every way the stock can have been used so far. */
function pickWithin(
  rows: readonly (readonly Option[])[],
  low: number,
  high: number,
  stock: readonly number[],
  from: 'shelf' | 'buy',
): State | undefined {
  let states = new Map<string, State>([['', { used: stock.map(() => 0), bought: 0, picked: [] }]])
  for (const row of rows) {
    const next = new Map<string, State>()
    for (const state of states.values()) {
      row.forEach(({ value, uses }, option) => {
        if (value < low || value > high) return
        const used = [...state.used]
        let { bought } = state
        for (const part of uses) if (++used[part]! > stock[part]!) bought++
        if (from === 'shelf' && bought > 0) return
        const key = used.join()
        const known = next.get(key)
        if (!known || bought < known.bought) next.set(key, { used, bought, picked: [...state.picked, option] })
      })
    }
    if (next.size === 0) return undefined
    states = next
  }
  return [...states.values()].reduce((best, state) => (state.bought < best.bought ? state : best))
}
