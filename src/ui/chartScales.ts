/**
 * The scales our charts draw on. Recharts takes in every scale there is, those of dates and colours too; the build puts these in
 * their place (`next.config.ts`), so that a page loads no more than it draws.
 */
export { scaleBand, scaleLinear, scalePoint } from 'd3-scale'
