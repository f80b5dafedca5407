/**
 * A value known with uncertainty, kept as the independent sources its uncertainty comes from. Two values that share a source
 * (the bias of one gauge) are correlated by it: in their difference the shared part cancels, in their sum it adds up.
 * This is the law of propagation of JCGM 100:2008 (GUM) 5.1.2 and 5.2.2, with the covariances carried by the sources themselves.
 */
export interface Source {
  /** E.g. `reading:r7/resolution` or `gauge:burette/bias`: what has the same id is the same source. */
  readonly id: string
  /** What the budget charges it to: a reading, a gauge, a paper number. */
  readonly owner: string
  /** Degrees of freedom of the source; Infinity when its size is taken as known. */
  readonly dof: number
  /** The history the size was estimated from: sources that share it share its degrees of freedom, however many they are. */
  readonly history?: string
}

export interface Component {
  readonly source: Source
  /** Signed standard uncertainty the source gives the value. */
  readonly u: number
}

export interface Uncertain {
  readonly value: number
  readonly components: readonly Component[]
}

/** Two standard uncertainties, or Student's t at 95 %, whichever the degrees of freedom ask for. */
export interface Expanded {
  readonly k: number
  readonly dof: number
  readonly U: number
}

export function exactly(value: number): Uncertain {
  return { value, components: [] }
}

export function standardUncertainty(x: Uncertain): number {
  let sum = 0
  for (const { u } of x.components) sum += u * u
  return Math.sqrt(sum)
}

export function covariance(a: Uncertain, b: Uncertain): number {
  const ofA = new Map(a.components.map(({ source, u }) => [source.id, u]))
  let sum = 0
  for (const { source, u } of b.components) sum += (ofA.get(source.id) ?? 0) * u
  return sum
}

/** Value of Σ cᵢ·xᵢ with its uncertainty: exact for means and differences. */
export function linear(terms: readonly (readonly [coefficient: number, x: Uncertain])[]): Uncertain {
  return weighted(
    terms,
    ([coefficient]) => coefficient,
    ([, x]) => x,
  )
}

/** The same of terms of any kind: on the path of every derivation, so that no pairs are made for it. */
export function weighted<Term>(
  terms: readonly Term[],
  coefficientOf: (term: Term) => number,
  valueOf: (term: Term) => Uncertain,
): Uncertain {
  let value = 0
  const joined = new Joined()
  for (const term of terms) {
    const [coefficient, x] = [coefficientOf(term), valueOf(term)]
    value += coefficient * x.value
    joined.add(x.components, coefficient)
  }
  return { value, components: joined.components }
}

export function mean(values: readonly Uncertain[]): Uncertain {
  const share = 1 / values.length
  return weighted(
    values,
    () => share,
    (x) => x,
  )
}

export function difference(a: Uncertain, b: Uncertain): Uncertain {
  return linear([
    [1, a],
    [-1, b],
  ])
}

/**
 * y = f(x₁…) with its uncertainty. Sensitivities are the half-differences f(xᵢ + uᵢ) − f(xᵢ − uᵢ) over 2uᵢ
 * (GUM 5.1.3, note 2): good where f is near to straight over ±u, which every formula of a bench is.
 * Where f has a kink inside the uncertainty use `monteCarlo`.
 */
export function propagate<Name extends string>(
  f: (values: Readonly<Record<Name, number>>) => number,
  inputs: Readonly<Record<Name, Uncertain>>,
): Uncertain {
  const names = Object.keys(inputs) as Name[]
  const at = {} as Record<Name, number>
  for (const name of names) at[name] = inputs[name].value
  const joined = new Joined()
  const value = f(at)
  for (const name of names) {
    const x = inputs[name]
    const u = standardUncertainty(x)
    if (u === 0) continue
    at[name] = x.value + u
    const high = f(at)
    at[name] = x.value - u
    const low = f(at)
    at[name] = x.value
    joined.add(x.components, (high - low) / (2 * u))
    addCurvature(joined, x, Math.abs(high + low - 2 * value), Math.abs(high - low) / 2)
  }
  return { value, components: joined.components }
}

/** Below this share of the linear part a curvature changes no digit anybody sees. */
const LEAST_CURVATURE = 0.05

/**
 * The second-order term of one input where the linear one nearly vanishes, as at a turning point (GUM 5.1.2, note): for a normal
 * input the square of z has the standard deviation √2, and c = f(x + u) + f(x − u) − 2f(x) is twice its factor.
 */
function addCurvature(into: Joined, x: Uncertain, curvature: number, linearU: number): void {
  const u = curvature / Math.SQRT2
  if (!(u > LEAST_CURVATURE * linearU)) return
  const largest = x.components.reduce((a, b) => (Math.abs(b.u) > Math.abs(a.u) ? b : a))
  const { id, owner, dof } = largest.source
  into.add([{ source: { id: `${id}/curvature`, owner, dof }, u }], 1)
}

/** Effective degrees of freedom, Welch–Satterthwaite (GUM G.4.1); what shares a history counts as one estimate. */
export function effectiveDof(x: Uncertain): number {
  const u = standardUncertainty(x)
  if (u === 0) return Infinity
  let sum = 0
  // A value was read with one gauge or two: their histories are looked through.
  const histories: { readonly history: string; variance: number; readonly dof: number }[] = []
  for (const { u: own, source } of x.components) {
    const { dof, history } = source
    if (dof === Infinity) continue
    if (history === undefined) {
      sum += own ** 4 / dof
      continue
    }
    const known = histories.find((one) => one.history === history)
    if (known) known.variance += own * own
    else histories.push({ history, variance: own * own, dof })
  }
  for (const { variance, dof } of histories) sum += variance ** 2 / dof
  return sum === 0 ? Infinity : u ** 4 / sum
}

/** Share of the variance each owner has, largest first; shares add up to 1. Empty when there is no uncertainty. */
export function budget(x: Uncertain): { owner: string; share: number }[] {
  const variance = standardUncertainty(x) ** 2
  if (variance === 0) return []
  const byOwner = new Map<string, { owner: string; share: number }>()
  for (const { source, u } of x.components) {
    const known = byOwner.get(source.owner)
    if (known) known.share += (u * u) / variance
    else byOwner.set(source.owner, { owner: source.owner, share: (u * u) / variance })
  }
  return [...byOwner.values()].sort((a, b) => b.share - a.share)
}

type Accumulated = { -readonly [Key in keyof Component]: Component[Key] }

/** So few are looked through one by one: a table of them costs more than it saves. */
const FEW = 12

/** The components of several values, source by source: on the path of every derivation, so that as little as may be is made twice. */
class Joined {
  readonly components: Accumulated[] = []
  private bySource: Map<string, Accumulated> | undefined

  add(components: readonly Component[], factor: number): void {
    const known = this.components.length
    for (const { source, u } of components) {
      const same = known === 0 ? undefined : this.find(source, known)
      if (same) same.u += u * factor
      else {
        const one = { source, u: u * factor }
        this.components.push(one)
        this.bySource?.set(source.id, one)
      }
    }
  }

  /** Among those that were there before: no value has a source twice. */
  private find(source: Source, known: number): Accumulated | undefined {
    if (known > FEW) return (this.bySource ??= byId(this.components)).get(source.id)
    for (let at = 0; at < known; at++) {
      const one = this.components[at]!
      if (one.source === source || one.source.id === source.id) return one
    }
    return undefined
  }
}

function byId(components: readonly Accumulated[]): Map<string, Accumulated> {
  const found = new Map<string, Accumulated>()
  for (const one of components) found.set(one.source.id, one)
  return found
}
