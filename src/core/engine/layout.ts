/** The engine as it stands on the stand: which cylinder is where, in what order they fire. */
export type LayoutKind = 'inline' | 'v' | 'flat' | 'single'
/** Numbers run straight down each bank, or alternate across the two. */
export type Numbering = 'downEachBank' | 'alternating'
export type ValveDrive = 'pushrod' | 'bucketShimOver' | 'bucketShimUnder' | 'bucketHydraulic' | 'fingerFollower' | 'rockerShaft'

/** Shells with a clearance to measure, or rolling elements that have none. */
export type BearingKind = 'plain' | 'rolling'

/** A pin of the crank and the rods on it. */
export interface CrankPin {
  /** Where it stands on the crank, in the running direction from the first pin. */
  readonly angleDeg: number
  readonly cylinders: readonly number[]
  /**
   * Split pin: by how much later than on a common pin the rod of the bank that follows comes to its top; negative: earlier.
   * The tops of the two stand bank angle + split apart.
   */
  readonly splitDeg?: number
}

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
  /** The crank itself: it decides where the pistons stand; firing order and intervals are checked against it. */
  readonly pins: readonly CrankPin[]
  /** Main bearings along the crank. */
  readonly mains: number
  readonly mainBearings: BearingKind
  readonly rodBearings: BearingKind
  readonly valvesPerCylinder: 2 | 3 | 4 | 5
  readonly valveDrive: ValveDrive
  /** Engines that switch profiles have two lobes a valve, of which one works; left out: one. */
  readonly lobesPerValve?: 2
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

const BOLTS_A_ROD = 2

/** Bolts of the rods, those of cylinder one first; none where rods are pressed or rolling. */
export function boltNumbers({ rodBearings, cylinders }: EngineLayout): readonly number[] {
  return rodBearings === 'plain' ? Array.from({ length: cylinders * BOLTS_A_ROD }, (_, index) => index + 1) : []
}

/** Whose a bolt is: the rod, and which of its bolts, counted from one. */
export function rodOfBolt(bolt: number): { readonly rod: number; readonly which: number } {
  return { rod: Math.ceil(bolt / BOLTS_A_ROD), which: ((bolt - 1) % BOLTS_A_ROD) + 1 }
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
