/** The engine as it stands on the stand: which cylinder is where, in what order they fire. */
export type LayoutKind = 'inline' | 'v' | 'flat' | 'single'
/** Numbers run straight down each bank, or alternate across the two. */
export type Numbering = 'downEachBank' | 'alternating'
/** `sideValve`: valves in the block, on their lifters; `none`: ports only. */
export const VALVE_DRIVES = [
  'pushrod',
  'bucketShimOver',
  'bucketShimUnder',
  'bucketHydraulic',
  'fingerFollower',
  'rockerShaft',
  'sideValve',
  'none',
] as const
export type ValveDrive = (typeof VALVE_DRIVES)[number]

/** What else decides which parts there are and how they go together; each may be left out: not said. */
export const CONSTRUCTION = {
  lifters: ['solid', 'hydraulic'],
  barrels: ['inBlock', 'separate'],
  cases: ['onePiece', 'split'],
  oiling: ['wetSump', 'drySump', 'splash', 'inFuel'],
  cooling: ['coolant', 'rawWater', 'air'],
  start: ['starter', 'kick', 'recoil', 'push'],
} as const
export type Construction = { readonly [Name in keyof typeof CONSTRUCTION]?: (typeof CONSTRUCTION)[Name][number] }

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

export interface EngineLayout extends Construction {
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
  /** None where ports take their place. */
  readonly valvesPerCylinder: 0 | 2 | 3 | 4 | 5
  readonly valveDrive: ValveDrive
  /** Engines that switch profiles have two lobes a valve, of which one works; left out: one. */
  readonly lobesPerValve?: 2
  /** Between neighbours of a bank; left out: not known, and nothing that rests on it is at true scale. */
  readonly boreSpacingMm?: number
  /** Left out: four. */
  readonly strokes?: 2
  /** Cylinders that the maker has TDC and timing taken at, one a bank; left out: the lowest number of each. */
  readonly degreedAt?: readonly number[]
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

/** Valves that a cam opens: a two-stroke that has only ports has none. */
export function hasValves({ valvesPerCylinder }: Pick<EngineLayout, 'valvesPerCylinder'>): boolean {
  return valvesPerCylinder > 0
}

/** One cam beside the crank opens all valves, by pushrods or from below. */
export function hasCamInBlock({ valveDrive }: Pick<EngineLayout, 'valveDrive'>): boolean {
  return valveDrive === 'pushrod' || valveDrive === 'sideValve'
}

/** Cams that are turned over pistons by themselves, with the head on. */
export function hasCamInHead(layout: Pick<EngineLayout, 'valveDrive' | 'valvesPerCylinder'>): boolean {
  return hasValves(layout) && !hasCamInBlock(layout)
}

/** Valves that open towards a piston; those of a side-valve engine stand beside the bore. */
export function hasValvesOverPistons(layout: Pick<EngineLayout, 'valveDrive' | 'valvesPerCylinder'>): boolean {
  return hasValves(layout) && layout.valveDrive !== 'sideValve'
}

/** Lifters that take up their own lash; where nobody said it, the drive does, or they are solid. */
export function isHydraulic({ lifters, valveDrive }: Pick<EngineLayout, 'lifters' | 'valveDrive'>): boolean {
  return lifters === undefined ? valveDrive === 'bucketHydraulic' : lifters === 'hydraulic'
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
