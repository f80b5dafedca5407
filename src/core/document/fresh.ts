import {
  usualFiringOrder,
  usualMains,
  usualPins,
  type BearingKind,
  type Construction,
  type CrankStyle,
  type EngineLayout,
  type LayoutKind,
} from '../geometry/crank'
import { NOT_SAID, type DutyUse, type Fuel } from './duty'
import type { Stock } from './stock'
import type { Materials, Methods, PaperNumber, Spec, UnitSystem } from './types'

/** The few answers a fresh build starts from; all else has a default that the paper page can change. */
export interface FreshEngine {
  readonly name: string
  readonly description: string
  readonly units: UnitSystem
  readonly kind: LayoutKind
  readonly cylinders: number
  readonly bankAngleDeg: number
  readonly valvesPerCylinder: EngineLayout['valvesPerCylinder']
  readonly valveDrive: EngineLayout['valveDrive']
  readonly crank?: CrankStyle
  readonly bearings?: BearingKind
  readonly use?: DutyUse
  readonly useWords?: string
  readonly fuel: Fuel
  readonly fuelWords?: string
  readonly boostKpa: number
  readonly redlineRpm?: number
  readonly numbering?: EngineLayout['numbering']
  readonly strokes?: 2
  readonly construction?: Construction
  readonly paper: Readonly<
    Partial<Record<'bore' | 'stroke' | 'rodLength' | 'compressionRatio' | 'chamberVolume' | 'pistonVolume' | 'deckClearance', PaperNumber>>
  >
  readonly gasket?: { readonly boreMm: number; readonly thicknessMm: number }
}

export const DEFAULT_MATERIALS: Materials = {
  block: 'greyIron',
  bore: 'greyIron',
  crank: 'steel',
  piston: 'forged2618',
  rod: 'steel',
  topRing: 'steel',
  secondRing: 'greyIron',
}

const STANDARD_ATMOSPHERE_KPA = 101.325

/**
 * A spec to start measuring with. Limits are put in by the benches' presets.
 * @param methods the ways the benches usually measure by
 * @param stock nothing of any kind
 */
export function freshSpecWith(engine: FreshEngine, methods: Methods, stock: Stock): Spec {
  return {
    name: engine.name,
    description: engine.description,
    units: engine.units,
    layout: freshLayout(engine),
    duty: {
      use: engine.use ?? NOT_SAID,
      ...(engine.useWords && { useWords: engine.useWords }),
      fuel: engine.fuel,
      ...(engine.fuelWords && { fuelWords: engine.fuelWords }),
      boostKpa: engine.boostKpa,
      ...(engine.redlineRpm !== undefined && { redlineRpm: engine.redlineRpm }),
    },
    paper: {
      ambientPressure: {
        value: STANDARD_ATMOSPHERE_KPA,
        unit: engine.units === 'metric' ? 'kPa' : 'psi',
        source: 'standard atmosphere, ISO 2533',
      },
      ...engine.paper,
    },
    limits: {},
    materials: DEFAULT_MATERIALS,
    methods,
    stock: engine.gasket
      ? { ...stock, gaskets: [{ id: 'gasket-1', name: 'Gasket as stated', ...engine.gasket, source: 'as stated at the start' }] }
      : stock,
    choice: engine.gasket ? { gasket: 'gasket-1' } : {},
  }
}

/** The layout of an engine from the few answers: the usual crank, a firing order it allows, the usual mains. */
export function freshLayout(
  engine: Pick<FreshEngine, 'kind' | 'cylinders' | 'bankAngleDeg' | 'valvesPerCylinder' | 'valveDrive'> &
    Partial<Pick<FreshEngine, 'crank' | 'bearings' | 'numbering' | 'strokes' | 'construction'>>,
): EngineLayout & { firingOrder: number[]; pins: Spec['layout']['pins'] } {
  const twoBanks = engine.kind === 'v' || engine.kind === 'flat'
  const placed = {
    kind: engine.kind,
    cylinders: engine.cylinders,
    bankAngleDeg: { single: 0, inline: 0, v: engine.bankAngleDeg, flat: 180 }[engine.kind],
    numbering: engine.numbering ?? (twoBanks ? 'alternating' : 'downEachBank'),
    numberOneAt: 'front',
    leadingBank: 'left',
    rotation: 'clockwise',
  } as const
  const bearings = engine.bearings ?? 'plain'
  const layout = {
    ...placed,
    firingOrder: [] as number[],
    pins: usualPins(placed, engine.crank).map((pin) => ({ ...pin, cylinders: [...pin.cylinders] })),
    mains: usualMains(engine.kind, engine.cylinders),
    mainBearings: bearings,
    rodBearings: bearings,
    valvesPerCylinder: engine.valvesPerCylinder,
    valveDrive: engine.valveDrive,
    ...(engine.strokes && { strokes: engine.strokes }),
    ...engine.construction,
    intakeSide: twoBanks ? 'valley' : 'left',
  } as const
  return { ...layout, firingOrder: [...usualFiringOrder(layout)] }
}
