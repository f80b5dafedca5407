import type { PistonOption } from './types'

/** Work on the parts that is considered, not done: what it takes off, opens or puts elsewhere. Maps by cylinder. */
export interface PlannedWork {
  /** Taken off the deck: every piston stands that much higher. */
  readonly deckCutMm?: number
  /** Taken off the head: every chamber loses its open area times this. */
  readonly headCutMm?: number
  /** Ground out of a chamber. */
  readonly openedCm3?: ReadonlyMap<number, number>
  /** Honed out of a bore, on the diameter. */
  readonly honedMm?: ReadonlyMap<number, number>
  /** Filed off a ring, by `ring/cylinder`. */
  readonly filedMm?: ReadonlyMap<string, number>
  /** The cylinder whose ring goes into each bore, number one first, by ring. */
  readonly ringsFrom?: Readonly<Record<string, readonly number[]>>
  /** Taken off the reciprocating mass. */
  readonly lightenedG?: ReadonlyMap<number, number>
  /** Pistons of another kind: their volume, and the crown higher by as much as they are taller. */
  readonly piston?: { readonly option: PistonOption; readonly tallerMm: number }
}
