/** Share of a bench's readings taken or skipped; undefined where it wants none. */
export function shareDone({ wanted, read, skipped }: { wanted: number; read: number; skipped: number }): number | undefined {
  return wanted === 0 ? undefined : (read + skipped) / wanted
}

export interface Stage {
  /** The bench it leads to, if it is one. */
  readonly bench?: string
  readonly href: string
  readonly words: string
  /** Share of its readings taken, 0 to 1; undefined where nothing is read. */
  readonly done?: number
  readonly here: boolean
}
