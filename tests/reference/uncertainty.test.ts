import { describe, expect, it } from 'vitest'
import {
  covariance,
  effectiveDof,
  coverageFactor,
  monteCarlo,
  oneByOne,
  pooled,
  propagate,
  standardUncertainty,
  type Uncertain,
} from '@/core/metrology'
import { normalCdf, studentCoverageFactor } from '@/core/numerics/distributions'
import { expectNear } from '../support/expectNear'

const alone = (source: string, value: number, u: number, dof = Infinity): Uncertain => ({
  value,
  components: [{ source: { id: source, owner: source, dof }, u }],
})

describe('propagation with correlated inputs: JCGM 100:2008 (GUM), example H.2', () => {
  // Table H.2: means, standard uncertainties and correlation coefficients of V, I, φ.
  const uV = 0.0032
  const uI = 0.0095e-3
  const uPhi = 0.00075
  const [rVI, rVphi, rIphi] = [-0.36, 0.86, -0.65]
  // Three inputs with these correlations from three independent sources (Cholesky, by hand).
  const iOwn = Math.sqrt(1 - rVI ** 2)
  const phi2 = (rIphi - rVI * rVphi) / iOwn
  const phi3 = Math.sqrt(1 - rVphi ** 2 - phi2 ** 2)
  const part = (source: string, u: number) => ({ source: { id: source, owner: source, dof: Infinity }, u })
  const V: Uncertain = { value: 4.999, components: [part('1', uV)] }
  const I: Uncertain = { value: 19.661e-3, components: [part('1', uI * rVI), part('2', uI * iOwn)] }
  const phi: Uncertain = { value: 1.04446, components: [part('1', uPhi * rVphi), part('2', uPhi * phi2), part('3', uPhi * phi3)] }
  const R = propagate(({ V, I, phi }) => (V / I) * Math.cos(phi), { V, I, phi })
  const X = propagate(({ V, I, phi }) => (V / I) * Math.sin(phi), { V, I, phi })
  const Z = propagate(({ V, I }) => V / I, { V, I })

  it.each([
    ['R', R, 127.732, 0.071],
    ['X', X, 219.847, 0.295],
    ['Z', Z, 254.26, 0.236],
  ] as const)('%s', (_, result, value, u) => {
    // Table H.4 rounds u to three decimals and was computed from unrounded correlations.
    expectNear(result.value, value, 0.002)
    expectNear(standardUncertainty(result), u, 0.002)
  })

  it('correlates the results as the table does', () => {
    const r = (a: Uncertain, b: Uncertain) => covariance(a, b) / (standardUncertainty(a) * standardUncertainty(b))
    expectNear(r(R, X), -0.588, 0.02)
    expectNear(r(R, Z), -0.485, 0.02)
    expectNear(r(X, Z), 0.993, 0.002)
  })
})

describe('degrees of freedom', () => {
  it('Welch–Satterthwaite gives 19.0 for the example of GUM G.4.2', () => {
    const y = propagate(({ a, b, c }) => a * b * c, {
      a: alone('a', 1, 0.0025, 9),
      b: alone('b', 1, 0.0057, 4),
      c: alone('c', 1, 0.0082, 14),
    })
    expectNear(standardUncertainty(y), 0.0103, 0.00005)
    expectNear(effectiveDof(y), 19, 0.3)
  })

  it.each([
    [1, 12.71],
    [2, 4.3],
    [3, 3.18],
    [5, 2.57],
    [10, 2.23],
    [20, 2.09],
    [Infinity, 1.96],
  ])('t at 95 %% for %s degrees of freedom (GUM, table G.2)', (dof, t) => {
    expectNear(studentCoverageFactor(0.95, dof), t, 0.005)
  })

  it('three repeats alone take k = 4.3, ten degrees of freedom k = 2', () => {
    expectNear(coverageFactor(2), 4.3, 0.005)
    expect(coverageFactor(10)).toBe(2)
  })

  it('the normal distribution has its tabulated values (any table of Φ)', () => {
    expectNear(normalCdf(1.645), 0.95, 1e-4)
    expectNear(normalCdf(-1.96), 0.025, 1e-4)
  })
})

describe('Monte Carlo', () => {
  it('two runs pooled are one run of both: mean, spread and share by hand', () => {
    const run = (values: number[]) => {
      const mean = values.reduce((sum, value) => sum + value, 0) / values.length
      const standardDeviation = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
      return { draws: values.length, mean, standardDeviation, probability: values.filter((value) => value > 2).length / values.length }
    }
    const [a, b] = [
      [1, 2, 4, 7],
      [3, 3, 9],
    ]
    const [both, together] = [run([...a, ...b]), pooled(run(a), run(b))]
    for (const key of ['draws', 'mean', 'standardDeviation', 'probability'] as const) expectNear(together[key], both[key], 1e-12)
  })

  it('adds four standard normals to a standard uncertainty of 2.00 (JCGM 101:2008, 9.2.2)', () => {
    const inputs = ['a', 'b', 'c', 'd'].map((name) => alone(name, 0, 1))
    const evaluate = (values: Float64Array, out: Float64Array) => {
      out[0] = values.reduce((sum, value) => sum + value, 0)
    }
    const [result] = [...monteCarlo({ inputs, evaluate: oneByOne(evaluate), results: 1 }, 200_000, 7)].at(-1)!.results
    expectNear(result!.standardDeviation, 2, 0.02)
    expectNear(result!.mean, 0, 0.02)
  })

  it('draws a shared source once: the difference of two readings of a biased gauge keeps none of the bias', () => {
    const shared = { source: { id: 'bias', owner: 'gauge', dof: Infinity }, u: 5 }
    const own = (name: string) => ({ source: { id: name, owner: name, dof: Infinity }, u: 1 })
    const inputs = ['a', 'b'].map((name) => ({ value: 0, components: [shared, own(name)] }))
    const evaluate = (values: Float64Array, out: Float64Array) => {
      out[0] = values[0]! - values[1]!
    }
    const [result] = [...monteCarlo({ inputs, evaluate: oneByOne(evaluate), results: 1 }, 100_000, 11)].at(-1)!.results
    expectNear(result!.standardDeviation, Math.SQRT2, 0.01 * Math.SQRT2)
  })
})
