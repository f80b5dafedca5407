import jstat from 'jstat'

/** P(X ≤ x) of the standard normal. */
export function normalCdf(x: number): number {
  return jstat.normal.cdf(x, 0, 1)
}

/** P(X ≤ x) of Student's t with `dof` degrees of freedom; the normal when there are infinitely many. */
export function studentCdf(x: number, dof: number): number {
  return Number.isFinite(dof) ? jstat.studentt.cdf(x, dof) : normalCdf(x)
}

/** Factor t so that a share `coverage` of Student's t lies within ±t. */
export function studentCoverageFactor(coverage: number, dof: number): number {
  const p = (1 + coverage) / 2
  return Number.isFinite(dof) ? jstat.studentt.inv(p, dof) : jstat.normal.inv(p, 0, 1)
}
