/** What decides which parts an engine has, beside its layout: what drives its cams, and what its owner says of it. */
import { hasCamInBlock, hasCamInHead, type EngineLayout } from '../geometry/crank'
import type { CamDrive } from '../geometry/valvetrain/camDrive'

/** Left out: the first that its comment names. */
export interface OwnWays {
  /** The oil pump stands in the block, or in the front cover. */
  readonly pump?: 'inBlock' | 'inFrontCover'
  /** The front cover goes on over the chain, or the chain is hung through it. */
  readonly frontCover?: 'overChain' | 'beforeChain'
  /** Lifters pass their bores with the heads on, or have to be in before them. */
  readonly lifters?: 'passLater' | 'beforeHeads'
  /** A pump primed by a drill needs the hole of the ignition drive; the drive turns the pump later. */
  readonly primedThrough?: 'ignitionHole' | 'crank'
}

export interface Engine {
  readonly layout: EngineLayout
  readonly drive?: Pick<CamDrive, 'kind' | 'neverBack'>
  readonly ways?: OwnWays
}

/** The engine a build describes. */
export function engineOf({ layout, drive }: Pick<Engine, 'layout' | 'drive'>): Engine {
  return { layout, ...(drive && { drive }) }
}

export const isSplit = ({ layout }: Engine): boolean => layout.cases === 'split'
export const isSplashed = ({ layout }: Engine): boolean => layout.oiling === 'splash'
export const isTwoStroke = ({ layout }: Engine): boolean => layout.strokes === 2
/** A pump brings oil to its bearings; not said: in every four-stroke. */
export const isPumped = (engine: Engine): boolean => {
  const { oiling } = engine.layout
  return oiling === undefined ? !isTwoStroke(engine) : oiling === 'wetSump' || oiling === 'drySump'
}
export const hasSeparateBarrels = ({ layout }: Engine): boolean => layout.barrels === 'separate'
export const hasPlainMains = ({ layout }: Engine): boolean => layout.mainBearings === 'plain'
export const hasRodCaps = ({ layout }: Engine): boolean => layout.rodBearings === 'plain'
export const isWaterCooled = ({ layout }: Engine): boolean => layout.cooling !== 'air'
export const camInBlock = ({ layout }: Engine): boolean => hasCamInBlock(layout)
export const camInHead = ({ layout }: Engine): boolean => hasCamInHead(layout)
export const isSideValve = ({ layout }: Engine): boolean => layout.valveDrive === 'sideValve'
export const hasPushrods = ({ layout }: Engine): boolean => layout.valveDrive === 'pushrod'
export const rocksOverCams = ({ layout }: Engine): boolean => layout.valveDrive === 'rockerShaft'
/** One piece, with caps that hold the crank, a pan below and a cover in front. */
export const hasPan = (engine: Engine): boolean => !isSplit(engine) && !isSplashed(engine) && !isTwoStroke(engine)
/** What turns cams in a head; not said: a chain. */
export const headDrive = (engine: Engine): CamDrive['kind'] | undefined => (camInHead(engine) ? (engine.drive?.kind ?? 'chain') : undefined)
