/**
 * Crank and cam out of step, with chain or belt off: where a valve would touch its piston, for every position of the one against every
 * position of the other, and a way between two positions that touches nowhere.
 */
import { valveGapMm, type ValveOverPiston } from './valveGap'

export const TURN_DEG = 360
export const CYCLE_DEG = 720

/** A valve of the shaft: how it stands over its piston, and what its cam and its crank do at an angle. */
export interface MappedValve {
  readonly name: string
  readonly cylinder: number
  readonly over: ValveOverPiston
  /** How far its piston is below its top, mm, at a crank angle after number one's TDC. */
  readonly pistonDropMm: (crankDeg: number) => number
  /** How far it is off its seat, mm, where the shaft stands as it does in step at so many crank degrees after number one's overlap TDC. */
  readonly liftMm: (camDeg: number) => number
}

/** Position of crank and shaft: crank degrees both, the shaft's as it stands in step at that crank angle. */
export interface Standing {
  /** 0 to 360: pistons are alike each turn. */
  readonly crankDeg: number
  /** 0 to 720. */
  readonly camDeg: number
}

/** All that a valve of the shaft can meet, and what the crank can meet of shafts that stand still. */
export interface GapField {
  /** Of the shaft that is turned. */
  readonly valves: readonly MappedValve[]
  /** Of the other shafts that are in, each at the lift it stands at, mm. */
  readonly standing: readonly (Pick<MappedValve, 'over' | 'pistonDropMm'> & { readonly standsAtMm: number })[]
  /** The least room between valves of the shaft and those of the others, mm, at a position of the shaft; none: they lean apart. */
  readonly besideMm?: (camDeg: number) => number
}

export interface CrankCamMap {
  readonly stepDeg: number
  readonly columns: number
  readonly rows: number
  /** The least gap of all, mm, column by column: crank first. */
  readonly gapMm: Float32Array
}

const STEP_DEG = 3

/** Every position, by steps of three degrees: a lobe changes the gap by less than half a millimetre from one to the next. */
export function crankCamMap({ valves, standing, besideMm }: GapField): CrankCamMap {
  const [columns, rows] = [TURN_DEG / STEP_DEG, CYCLE_DEG / STEP_DEG]
  const still = Array.from({ length: columns }, (_, column) => stillGapMm(standing, column * STEP_DEG))
  const beside = Array.from({ length: rows }, (_, row) => besideMm?.(row * STEP_DEG) ?? Infinity)
  const gapMm = Float32Array.from({ length: columns * rows }, (_, cell) => Math.min(still[Math.floor(cell / rows)]!, beside[cell % rows]!))
  for (const { over, pistonDropMm, liftMm } of valves) {
    const drops = Array.from({ length: columns }, (_, column) => pistonDropMm(column * STEP_DEG))
    const lifts = Array.from({ length: rows }, (_, row) => liftMm(row * STEP_DEG))
    for (let column = 0; column < columns; column++)
      for (let row = 0; row < rows; row++) {
        const at = column * rows + row
        gapMm[at] = Math.min(gapMm[at]!, valveGapMm(over, drops[column]!, lifts[row]!))
      }
  }
  return { stepDeg: STEP_DEG, columns, rows, gapMm }
}

/** What shafts that stand still leave the crank, mm, at an angle of it. */
export function stillGapMm(standing: GapField['standing'], crankDeg: number): number {
  return Math.min(Infinity, ...standing.map(({ over, pistonDropMm, standsAtMm }) => valveGapMm(over, pistonDropMm(crankDeg), standsAtMm)))
}

/** The least gap at a position, mm, and the valve of the shaft that has it; none: another shaft's has it. */
export function gapAt(
  { valves, standing, besideMm }: GapField,
  { crankDeg, camDeg }: Standing,
): { readonly gapMm: number; readonly valve?: MappedValve } {
  const others = Math.min(stillGapMm(standing, crankDeg), besideMm?.(camDeg) ?? Infinity)
  return valves.reduce<{ gapMm: number; valve?: MappedValve }>(
    (least, valve) => {
      const gapMm = valveGapMm(valve.over, valve.pistonDropMm(crankDeg), valve.liftMm(camDeg))
      return gapMm < least.gapMm ? { gapMm, valve } : least
    },
    { gapMm: others },
  )
}

export const wrap = (index: number, count: number) => ((index % count) + count) % count
