/** Every bench, in the order of work: one line a bench in each list. */
import type { AdvisingBench, BenchId, CharacteristicId, Presets } from '../bench/bench'
import type { MethodDefinition, MethodKey } from '../document/methods'
import type { StockDefinition, StockKind } from '../document/stock'
import type { Spec } from '../document/types'
import type { Truth } from '../twin/truth'
import { bearings } from './bearings'
import { methods as bearingsMethods } from './bearings/methods'
import { presets as bearingsPresets } from './bearings/presets'
import { stock as bearingsStock } from './bearings/stock'
import { truths as bearingsTruths } from './bearings/twin'
import { bores } from './bores'
import { methods as boresMethods } from './bores/methods'
import { presets as boresPresets } from './bores/presets'
import { truths as boresTruths } from './bores/twin'
import { cam } from './cam'
import { methods as camMethods } from './cam/methods'
import { presets as camPresets } from './cam/presets'
import { truths as camTruths } from './cam/twin'
import { clearance } from './clearance'
import { methods as clearanceMethods } from './clearance/methods'
import { presets as clearancePresets } from './clearance/presets'
import { truths as clearanceTruths } from './clearance/twin'
import { compression } from './compression'
import { methods as compressionMethods } from './compression/methods'
import { presets as compressionPresets } from './compression/presets'
import { stock as clearanceStock } from './clearance/stock'
import { stock as compressionStock } from './compression/stock'
import { stock as fastenersStock } from './fasteners/stock'
import { truths as compressionTruths } from './compression/twin'
import { fasteners } from './fasteners'
import { methods as fastenersMethods } from './fasteners/methods'
import { presets as fastenersPresets } from './fasteners/presets'
import { truths as fastenersTruths } from './fasteners/twin'
import { rings } from './rings'
import { methods as ringsMethods } from './rings/methods'
import { presets as ringsPresets } from './rings/presets'
import { truths as ringsTruths } from './rings/twin'
import { rods } from './rods'
import { presets as rodsPresets } from './rods/presets'
import { truths as rodsTruths } from './rods/twin'

export const BENCHES: readonly AdvisingBench[] = [bores, bearings, rings, rods, fasteners, compression, cam, clearance]

/** The ways of measuring each bench leaves to choose. */
export const METHODS_OF = {
  bores: boresMethods,
  bearings: bearingsMethods,
  rings: ringsMethods,
  rods: {},
  fasteners: fastenersMethods,
  compression: compressionMethods,
  cam: camMethods,
  clearance: clearanceMethods,
} satisfies Readonly<Record<BenchId, Partial<Record<MethodKey, MethodDefinition>>>>

export const METHODS: Readonly<Record<MethodKey, MethodDefinition>> = {
  ...METHODS_OF.bores,
  ...METHODS_OF.bearings,
  ...METHODS_OF.rings,
  ...METHODS_OF.fasteners,
  ...METHODS_OF.compression,
  ...METHODS_OF.cam,
  ...METHODS_OF.clearance,
}

/** The parts each bench chooses among. */
export const STOCK: Readonly<Record<StockKind, StockDefinition>> = {
  ...compressionStock,
  ...bearingsStock,
  ...clearanceStock,
  ...fastenersStock,
}

/** What each bench starts a fresh engine with. */
export const PRESETS: readonly Presets[] = [
  boresPresets,
  bearingsPresets,
  ringsPresets,
  rodsPresets,
  fastenersPresets,
  compressionPresets,
  camPresets,
  clearancePresets,
]

/** What a virtual engine shows at each bench. Apart from the benches, so that their pages need not fetch it. */
export const TRUTHS: Readonly<Record<CharacteristicId, Truth>> = {
  ...boresTruths,
  ...bearingsTruths,
  ...ringsTruths,
  ...rodsTruths,
  ...fastenersTruths,
  ...compressionTruths,
  ...camTruths,
  ...clearanceTruths,
}

/** The benches that have something to ask of an engine. */
export function benchesOf({ layout }: Pick<Spec, 'layout'>): readonly AdvisingBench[] {
  return BENCHES.filter(({ isFor }) => isFor?.(layout) ?? true)
}

export function benchById(id: BenchId): AdvisingBench {
  return BENCHES.find((bench) => bench.id === id)!
}

export function isBenchId(id: string): id is BenchId {
  return BENCHES.some((bench) => bench.id === id)
}
