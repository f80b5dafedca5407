import { usualFiringOrder, usualMains, type EngineLayout, type LayoutKind } from '../engine'
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
  readonly fuel: string
  readonly boostKpa: number
  readonly paper: Readonly<Partial<Record<'bore' | 'stroke' | 'rodLength' | 'chamberVolume' | 'pistonVolume' | 'deckClearance', PaperNumber>>>
  readonly gasket?: { readonly boreMm: number; readonly thicknessMm: number }
}

export const DEFAULT_METHODS: Methods = {
  bore: 'paper', deckPlaces: 2, chamber: 'buretteVolume', chamberRepeats: 1, piston: 'paper', crevice: 'greased', gasket: 'paper', rule: 'strict',
  bearings: 'direct', ringDepths: 1, clocking: 'opposed',
}

export const DEFAULT_MATERIALS: Materials = {
  block: 'greyIron', bore: 'greyIron', crank: 'steel', piston: 'forged2618', topRing: 'steel', secondRing: 'greyIron',
}

/** Centre distance as a share of the bore when nothing is known of it: for the drawing only. */
const USUAL_SPACING = 1.1
const STANDARD_ATMOSPHERE_KPA = 101.325

/** A spec to start measuring with. Limits are put in by the benches' presets. */
export function freshSpec(engine: FreshEngine): Spec {
  const twoBanks = engine.kind === 'v' || engine.kind === 'flat'
  return {
    name: engine.name,
    description: engine.description,
    units: engine.units,
    layout: {
      kind: engine.kind, cylinders: engine.cylinders,
      bankAngleDeg: engine.kind === 'v' ? engine.bankAngleDeg : engine.kind === 'flat' ? 180 : 0,
      numbering: twoBanks ? 'alternating' : 'downEachBank', numberOneAt: 'front', leadingBank: 'left', rotation: 'clockwise',
      firingOrder: [...usualFiringOrder(engine.kind, engine.cylinders)],
      mains: usualMains(engine.kind, engine.cylinders),
      valvesPerCylinder: engine.valvesPerCylinder, valveDrive: engine.valveDrive,
      boreSpacingMm: Math.round((engine.paper.bore?.value ?? 85) * USUAL_SPACING), intakeSide: twoBanks ? 'valley' : 'left',
    },
    duty: { use: 'not said', fuel: engine.fuel, boostKpa: engine.boostKpa, redlineRpm: 7000 },
    paper: {
      ambientPressure: { value: STANDARD_ATMOSPHERE_KPA, unit: engine.units === 'metric' ? 'kPa' : 'psi', source: 'standard atmosphere, ISO 2533' },
      ...engine.paper,
    },
    limits: {},
    materials: DEFAULT_MATERIALS,
    methods: DEFAULT_METHODS,
    stock: {
      gaskets: engine.gasket ? [{ id: 'gasket-1', name: 'Gasket as stated', ...engine.gasket, source: 'as stated at the start' }] : [],
      pistons: [],
      shells: [],
    },
    choice: engine.gasket ? { gasket: 'gasket-1' } : {},
  }
}
