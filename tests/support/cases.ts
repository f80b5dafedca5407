/**
 * How many cases a property is tried on: two hundred tell in `npm test` whether it still holds, a thousand in `npm run audit` whether
 * it ever does not.
 */
export function cases(usual = 200, thorough = 1000): number {
  return process.env.KALIBROS_AUDIT === 'long' ? thorough : usual
}
