/** The few distribution functions we use; the package ships no types. */
declare module 'jstat' {
  const jstat: {
    normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number }
    centralF: { cdf(x: number, df1: number, df2: number): number }
    studentt: { cdf(x: number, dof: number): number; inv(p: number, dof: number): number }
  }
  export default jstat
}
