/** The few distribution functions we use; the package ships no types. */
declare module 'jstat-esm' {
  export const normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number }
  export const centralF: { cdf(x: number, df1: number, df2: number): number }
  export const chisquare: { cdf(x: number, dof: number): number }
  export const studentt: { cdf(x: number, dof: number): number; inv(p: number, dof: number): number }
}
