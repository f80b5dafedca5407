/** Prints a figure beside what it must not exceed; remembers whether all did. */
export class Report {
  private missed = 0

  figure(name: string, value: number, unit: string, most: number): void {
    const ok = value <= most
    if (!ok) this.missed++
    const shown = value.toFixed(value < 10 ? 3 : 1)
    console.log(`${ok ? 'ok  ' : 'OVER'} ${name.padEnd(58)} ${shown.padStart(9)} ${unit.padEnd(5)} (at most ${most} ${unit})`)
  }

  /** How many figures were over. */
  get over(): number {
    return this.missed
  }
}

/** The value below which a share of the samples lies. */
export function percentile(samples: readonly number[], share: number): number {
  const sorted = [...samples].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!
}
