/** Every step from today to either end. */
export function stepsAbout(today: number, low: number, high: number, step: number): readonly number[] {
  const [below, above] = [Math.floor((today - low) / step + 1e-6), Math.floor((high - today) / step + 1e-6)]
  return Array.from({ length: below + above + 1 }, (_, index) => Number((today + (index - below) * step).toPrecision(12)))
}
