import { centralF, chisquare, normal, studentt } from 'jstat-esm'

/** P(X ≤ x) of the standard normal. */
export function normalCdf(x: number): number {
  return normal.cdf(x, 0, 1)
}

/** x below which a share `p` of the standard normal lies. */
export function normalQuantile(p: number): number {
  return normal.inv(p, 0, 1)
}

/**
 * From here on Student's t and the normal agree to 1e-4; the package's series breaks down long before the dof a
 * Welch–Satterthwaite sum can give.
 */
const NORMAL_FROM_DOF = 3000

/** P(X ≤ x) of Student's t with `dof` degrees of freedom; the normal when there are very many. */
export function studentCdf(x: number, dof: number): number {
  return dof < NORMAL_FROM_DOF ? studentt.cdf(x, dof) : normalCdf(x)
}

/** Factor t so that a share `coverage` of Student's t lies within ±t. */
export function studentCoverageFactor(coverage: number, dof: number): number {
  const p = (1 + coverage) / 2
  return Number.isFinite(dof) ? studentt.inv(p, dof) : normal.inv(p, 0, 1)
}

/** P(X > x) of Fisher's F with the given degrees of freedom. */
export function fTail(x: number, dofAbove: number, dofBelow: number): number {
  return 1 - centralF.cdf(x, dofAbove, dofBelow)
}

/** How much of χ² with `dof` degrees of freedom lies below x, and above it. */
export function chiSquareTails(x: number, dof: number): { readonly below: number; readonly above: number } {
  const below = chisquare.cdf(x, dof)
  return { below, above: 1 - below }
}
