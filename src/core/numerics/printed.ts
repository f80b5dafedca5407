/** A number as it would be printed: twelve significant digits put back what binary arithmetic left over, 0.30000000000000004 → 0.3. */
export function printed(value: number): number {
  return Number(value.toPrecision(12))
}
