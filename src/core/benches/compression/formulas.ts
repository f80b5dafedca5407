import { cylinderVolumeCm3, pistonDropMm, sweptLengthMm } from '../../geometry/crank'
import { formula } from '../../metrology'
import type { FormulaText } from '../../metrology'

const HEYWOOD = 'Heywood, Internal Combustion Engine Fundamentals'
const GEOMETRY = 'geometry of a cylinder'
const KELVIN = 273.15

export const closingAsFound: FormulaText = {
  id: 'closingAsFound',
  title: 'Intake closes',
  kind: 'angle',
  expression: 'by its card + cam later than its card',
  source: 'common practice',
}

export const sweptLength = formula({
  id: 'sweptLength',
  title: 'True piston travel',
  kind: 'length',
  expression: '√((l + a)² − e²) − √((l − a)² − e²), a = ½ stroke',
  source: `${HEYWOOD}, 2.2; offset by the same triangle`,
  inputs: {
    strokeMm: { label: 'Stroke', kind: 'length' },
    rodMm: { label: 'Rod length', kind: 'length' },
    pinOffsetMm: { label: 'Pin offset', kind: 'length' },
  },
  evaluate: sweptLengthMm,
})

export const sweptVolume = formula({
  id: 'sweptVolume',
  title: 'Swept volume',
  kind: 'volume',
  expression: 'π/4 · bore² · travel',
  source: GEOMETRY,
  inputs: { boreMm: { label: 'Bore', kind: 'length' }, travelMm: { label: 'Piston travel', kind: 'length' } },
  evaluate: ({ boreMm, travelMm }) => cylinderVolumeCm3(boreMm, travelMm),
})

export const gasketVolume = formula({
  id: 'gasketVolume',
  title: 'Gasket volume',
  kind: 'volume',
  expression: 'π/4 · gasket bore² · compressed thickness',
  source: GEOMETRY,
  inputs: { gasketBoreMm: { label: 'Gasket bore', kind: 'length' }, gasketThicknessMm: { label: 'Gasket, compressed', kind: 'length' } },
  evaluate: ({ gasketBoreMm, gasketThicknessMm }) => cylinderVolumeCm3(gasketBoreMm, gasketThicknessMm),
})

export const deckVolume = formula({
  id: 'deckVolume',
  title: 'Deck volume',
  kind: 'volume',
  expression: 'π/4 · bore² · deck clearance',
  source: GEOMETRY,
  inputs: { boreMm: { label: 'Bore', kind: 'length' }, deckMm: { label: 'Deck clearance', kind: 'length' } },
  evaluate: ({ boreMm, deckMm }) => cylinderVolumeCm3(boreMm, deckMm),
})

export const creviceVolume = formula({
  id: 'creviceVolume',
  title: 'Top-land crevice',
  kind: 'volume',
  expression: 'π/4 · (bore² − top land²) · land height',
  source: GEOMETRY,
  inputs: {
    boreMm: { label: 'Bore', kind: 'length' },
    crownMm: { label: 'Top land diameter', kind: 'length' },
    landHeightMm: { label: 'Top land height', kind: 'length' },
  },
  evaluate: ({ boreMm, crownMm, landHeightMm }) => cylinderVolumeCm3(boreMm, landHeightMm) - cylinderVolumeCm3(crownMm, landHeightMm),
})

export const pistonVolumeDownTheBore = formula({
  id: 'pistonVolumeDownTheBore',
  title: 'Piston volume, down the bore',
  kind: 'volume',
  expression: 'fill − π/4 · bore² · drop',
  source: 'common practice',
  inputs: {
    fillCm3: { label: 'Fill', kind: 'volume' },
    boreMm: { label: 'Bore', kind: 'length' },
    dropMm: { label: 'Drop', kind: 'length' },
  },
  evaluate: ({ fillCm3, boreMm, dropMm }) => fillCm3 - cylinderVolumeCm3(boreMm, dropMm),
})

export const clearanceVolume = formula({
  id: 'clearanceVolume',
  title: 'Clearance volume',
  kind: 'volume',
  expression: 'chamber + gasket + deck + piston + crevice',
  source: `${HEYWOOD}, 2.2`,
  inputs: {
    chamberCm3: { label: 'Chamber', kind: 'volume' },
    gasketCm3: { label: 'Gasket', kind: 'volume' },
    deckCm3: { label: 'Deck', kind: 'volume' },
    pistonCm3: { label: 'Piston', kind: 'volume' },
    creviceCm3: { label: 'Crevice', kind: 'volume' },
  },
  evaluate: ({ chamberCm3, gasketCm3, deckCm3, pistonCm3, creviceCm3 }) => chamberCm3 + gasketCm3 + deckCm3 + pistonCm3 + creviceCm3,
})

export const compressionRatio = formula({
  id: 'compressionRatio',
  title: 'Compression ratio',
  kind: 'ratio',
  expression: '(swept + clearance) ÷ clearance',
  source: `${HEYWOOD}, eq. 2.1`,
  inputs: { sweptCm3: { label: 'Swept volume', kind: 'volume' }, clearanceCm3: { label: 'Clearance volume', kind: 'volume' } },
  evaluate: ({ sweptCm3, clearanceCm3 }) => (sweptCm3 + clearanceCm3) / clearanceCm3,
})

export const quench = formula({
  id: 'quench',
  title: 'Quench',
  kind: 'length',
  expression: 'deck clearance + compressed gasket',
  source: 'definition',
  inputs: { deckMm: { label: 'Deck clearance', kind: 'length' }, gasketThicknessMm: { label: 'Gasket, compressed', kind: 'length' } },
  evaluate: ({ deckMm, gasketThicknessMm }) => deckMm + gasketThicknessMm,
})

/** Volume swept after the intake has closed, for a closing in crank degrees after the overlap TDC. */
export const effectiveSweptVolume = formula({
  id: 'effectiveSweptVolume',
  title: 'Volume swept after intake closing',
  kind: 'volume',
  expression: 'π/4 · bore² · piston drop at intake closing',
  source: `${HEYWOOD}, eq. 2.4–2.5`,
  inputs: {
    boreMm: { label: 'Bore', kind: 'length' },
    strokeMm: { label: 'Stroke', kind: 'length' },
    rodMm: { label: 'Rod length', kind: 'length' },
    pinOffsetMm: { label: 'Pin offset', kind: 'length' },
    closingDeg: { label: 'Intake closing', kind: 'angle' },
  },
  evaluate: ({ boreMm, closingDeg, ...crank }) => cylinderVolumeCm3(boreMm, pistonDropMm(crank, closingDeg)),
})

/** Polytropic exponent of a firing compression, 1.30–1.35 (from memory). */
export const COMPRESSION_EXPONENT = { value: 1.32, tolerance: 0.025, source: 'from memory: 1.30 to 1.35' }
/** Exponent of a cranking compression, slow and cold: about 1.2 (from memory). */
export const CRANKING_EXPONENT = { value: 1.2, tolerance: 0.05, source: 'from memory: about 1.2' }

const POLYTROPE = 'polytropic compression p·Vⁿ = const; exponent from memory'

export const endPressure = formula({
  id: 'endPressure',
  title: 'Pressure at the end of compression',
  kind: 'pressure',
  expression: '(ambient + boost) · ratioⁿ, absolute',
  source: POLYTROPE,
  inputs: {
    ratio: { label: 'Effective ratio', kind: 'ratio' },
    ambientKpa: { label: 'Ambient', kind: 'pressure' },
    boostKpa: { label: 'Boost', kind: 'pressure' },
    exponent: { label: 'Exponent n', kind: 'ratio' },
  },
  evaluate: ({ ratio, ambientKpa, boostKpa, exponent }) => (ambientKpa + boostKpa) * ratio ** exponent,
})

export const endTemperature = formula({
  id: 'endTemperature',
  title: 'Temperature at the end of compression',
  kind: 'temperature',
  expression: 'T₁ · ratioⁿ⁻¹, T absolute',
  source: POLYTROPE,
  inputs: {
    ratio: { label: 'Effective ratio', kind: 'ratio' },
    chargeDegC: { label: 'Charge temperature', kind: 'temperature' },
    exponent: { label: 'Exponent n', kind: 'ratio' },
  },
  evaluate: ({ ratio, chargeDegC, exponent }) => (chargeDegC + KELVIN) * ratio ** (exponent - 1) - KELVIN,
})

export const crankingPressure = formula({
  id: 'crankingPressure',
  title: 'Cranking pressure',
  kind: 'pressure',
  expression: 'ambient · ratioⁿ − ambient, gauge',
  source: POLYTROPE,
  inputs: {
    ratio: { label: 'Effective ratio', kind: 'ratio' },
    ambientKpa: { label: 'Ambient', kind: 'pressure' },
    exponent: { label: 'Exponent n', kind: 'ratio' },
  },
  evaluate: ({ ratio, ambientKpa, exponent }) => ambientKpa * ratio ** exponent - ambientKpa,
})
