/** Engines of every layout there is a usual order for. */
import { freshSpec } from '@/core/benches'
import type { Construction, EngineLayout, LayoutKind, ValveDrive } from '@/core/geometry/crank'
import type { Engine } from '@/core/assembly/engine'

interface Described {
  readonly kind?: LayoutKind
  readonly cylinders?: number
  readonly bankAngleDeg?: number
  readonly valveDrive?: ValveDrive
  readonly strokes?: 2
  readonly bearings?: EngineLayout['mainBearings']
  readonly construction?: Construction
  readonly drive?: Engine['drive']
}

function engine({ kind = 'inline', cylinders = 4, valveDrive = 'bucketShimOver', drive, ...rest }: Described): Engine {
  const valvesPerCylinder = valveDrive === 'none' ? 0 : 2
  const paper = { name: '', description: '', units: 'metric', use: 'race', fuel: 'petrol', boostKpa: 0, paper: {} } as const
  const spec = freshSpec({ ...paper, kind, cylinders, bankAngleDeg: 90, valvesPerCylinder, valveDrive, ...rest } as never)
  return { layout: spec.layout, ...(drive && { drive }) }
}

const split = { cases: 'split', barrels: 'separate', cooling: 'air' } as const
const splash = { oiling: 'splash', cooling: 'air', start: 'recoil' } as const
const ratchet = { kind: 'chain', neverBack: true } as const
const single = { kind: 'single', cylinders: 1, bankAngleDeg: 0, bearings: 'rolling' } as const

export const ENGINES: Readonly<Record<string, Engine>> = {
  'single, split cases, cam in the head': engine({ ...single, construction: { ...split, start: 'kick' }, drive: ratchet }),
  'single, split cases, pushrods': engine({ ...single, valveDrive: 'pushrod', construction: { ...split, start: 'push' } }),
  'single, side valves': engine({ ...single, bearings: 'plain', valveDrive: 'sideValve', construction: splash }),
  'single, pushrods, splashed': engine({ ...single, bearings: 'plain', valveDrive: 'pushrod', construction: splash }),
  'single, two-stroke': engine({ ...single, valveDrive: 'none', strokes: 2, construction: { ...split, oiling: 'inFuel', start: 'kick' } }),
  'V-twin, pushrods': engine({ kind: 'v', cylinders: 2, valveDrive: 'pushrod', bearings: 'rolling', construction: split }),
  'V-twin, cams in the heads': engine({ kind: 'v', cylinders: 2, bearings: 'rolling', construction: split }),
  'inline two, fingers': engine({ cylinders: 2, valveDrive: 'fingerFollower' }),
  'inline three': engine({ cylinders: 3 }),
  'inline four, shims under': engine({ valveDrive: 'bucketShimUnder', drive: ratchet }),
  'inline four, belt, hydraulic': engine({ valveDrive: 'bucketHydraulic', drive: { kind: 'belt', neverBack: true } }),
  'inline four, gears': engine({ drive: { kind: 'gears', neverBack: false } }),
  'inline five, rocker shafts': engine({ cylinders: 5, valveDrive: 'rockerShaft' }),
  'inline six, pushrods': engine({ cylinders: 6, valveDrive: 'pushrod' }),
  'inline four, side valves': engine({ valveDrive: 'sideValve' }),
  'V4, pushrods': engine({ kind: 'v', cylinders: 4, valveDrive: 'pushrod' }),
  'V6, cams in the heads': engine({ kind: 'v', cylinders: 6 }),
  'V8, pushrods': engine({ kind: 'v', cylinders: 8, valveDrive: 'pushrod' }),
  'V12, cams in the heads': engine({ kind: 'v', cylinders: 12 }),
  'flat two, pushrods': engine({ kind: 'flat', cylinders: 2, bankAngleDeg: 180, valveDrive: 'pushrod', construction: split }),
  'flat four, pushrods': engine({ kind: 'flat', cylinders: 4, bankAngleDeg: 180, valveDrive: 'pushrod', construction: split }),
  'flat six, cams in the heads': engine({ kind: 'flat', cylinders: 6, bankAngleDeg: 180, construction: split }),
}
