/** The engine as it stands on the stand: which cylinder is where, in what order they fire. */
export type LayoutKind = 'inline' | 'v' | 'flat' | 'single'
/** Numbers run straight down each bank, or alternate across the two. */
export type Numbering = 'downEachBank' | 'alternating'
export type ValveDrive = 'pushrod' | 'bucketShimOver' | 'bucketShimUnder' | 'bucketHydraulic' | 'fingerFollower' | 'rockerShaft'

export interface EngineLayout {
  readonly kind: LayoutKind
  readonly cylinders: number
  /** Angle between the banks of a V; 180 for a flat engine, 0 otherwise. */
  readonly bankAngleDeg: number
  readonly numbering: Numbering
  readonly numberOneAt: 'front' | 'rear'
  /** Bank of cylinder 1, seen from behind the engine looking to its front. */
  readonly leadingBank: 'left' | 'right'
  /** Crank rotation seen from the front. */
  readonly rotation: 'clockwise' | 'anticlockwise'
  readonly firingOrder: readonly number[]
  /** Crank degrees from each firing to the next, in firing order; even when left out. */
  readonly firingIntervalsDeg?: readonly number[]
  /** Main bearings along the crank. */
  readonly mains: number
  readonly valvesPerCylinder: 2 | 3 | 4 | 5
  readonly valveDrive: ValveDrive
  readonly boreSpacingMm: number
  readonly intakeSide: 'left' | 'right' | 'valley'
}

/** Where a cylinder stands: its bank and its place along the crank, 0 at the front. */
export interface CylinderPlace {
  readonly cylinder: number
  readonly bank: 'left' | 'right'
  readonly row: number
}

export function bankCount(layout: EngineLayout): 1 | 2 {
  return layout.kind === 'v' || layout.kind === 'flat' ? 2 : 1
}

export function cylindersPerBank(layout: EngineLayout): number {
  return Math.ceil(layout.cylinders / bankCount(layout))
}

export function cylinderNumbers(layout: EngineLayout): readonly number[] {
  return Array.from({ length: layout.cylinders }, (_, index) => index + 1)
}

/** One main bearing each side of every throw: the usual crank of today. */
export function usualMains(kind: LayoutKind, cylinders: number): number {
  return (kind === 'v' || kind === 'flat' ? Math.ceil(cylinders / 2) : cylinders) + 1
}

export function mainNumbers(layout: EngineLayout): readonly number[] {
  return Array.from({ length: layout.mains }, (_, index) => index + 1)
}

/** Bank and row of every cylinder, in number order. */
export function cylinderPlaces(layout: EngineLayout): readonly CylinderPlace[] {
  const rows = cylindersPerBank(layout)
  const other = layout.leadingBank === 'left' ? 'right' : 'left'
  return cylinderNumbers(layout).map((cylinder) => {
    const index = cylinder - 1
    const alternating = bankCount(layout) === 2 && layout.numbering === 'alternating'
    const second = alternating ? index % 2 === 1 : index >= rows
    const along = alternating ? Math.floor(index / 2) : index % rows
    return { cylinder, bank: second ? other : layout.leadingBank, row: layout.numberOneAt === 'front' ? along : rows - 1 - along }
  })
}

const EXAMPLE_ORDERS: Readonly<Record<string, readonly number[]>> = {
  'single/1': [1],
  'inline/2': [1, 2],
  'inline/3': [1, 3, 2],
  'inline/4': [1, 3, 4, 2],
  'inline/5': [1, 2, 4, 5, 3],
  'inline/6': [1, 5, 3, 6, 2, 4],
  'inline/8': [1, 6, 2, 5, 8, 3, 7, 4],
  'v/6': [1, 2, 3, 4, 5, 6],
  'v/8': [1, 8, 4, 3, 6, 5, 7, 2],
  'flat/4': [1, 3, 2, 4],
  'flat/6': [1, 6, 2, 4, 3, 5],
}

/** A usual firing order for a layout: a start the builder confirms from the engine's own paperwork. */
export function usualFiringOrder(kind: LayoutKind, cylinders: number): readonly number[] {
  return EXAMPLE_ORDERS[`${kind}/${cylinders}`] ?? Array.from({ length: cylinders }, (_, index) => index + 1)
}
