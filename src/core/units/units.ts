/**
 * Units a builder uses, each with its factor to the one canonical unit of its kind.
 * Factors: 1 in = 25.4 mm, 1 lb = 0.45359237 kg, g0 = 9.80665 m/s² are exact by definition;
 * the rest follow from them (NIST SP 811, appendix B; ISO 80000).
 */

const MM_PER_INCH = 25.4
const KG_PER_POUND = 0.453_592_37
const STANDARD_GRAVITY_M_S2 = 9.806_65
const NEWTON_PER_POUND_FORCE = KG_PER_POUND * STANDARD_GRAVITY_M_S2
const METRE_PER_FOOT = (12 * MM_PER_INCH) / 1000

export const KINDS = [
  'length',
  'volume',
  'area',
  'angle',
  'mass',
  'density',
  'temperature',
  'pressure',
  'force',
  'torque',
  'power',
  'speed',
  'rotation',
  'roughness',
  'expansion',
  'ratio',
  'section',
  'stress',
  'stiffness',
  'rise',
] as const
export type Kind = (typeof KINDS)[number]

export interface Unit {
  readonly kind: Kind
  /** canonical = typed × factor + offset */
  readonly factor: number
  readonly offset: number
  readonly symbol: string
  /** Lower-case spellings accepted in typed text besides the symbol. */
  readonly names: readonly string[]
}

function unit(kind: Kind, factor: number, symbol: string, names: readonly string[] = [], offset = 0): Unit {
  return { kind, factor, offset, symbol, names }
}

export const UNITS = {
  mm: unit('length', 1, 'mm', ['millimetre', 'millimetres', 'millimeter', 'millimeters']),
  cm: unit('length', 10, 'cm', ['centimetre', 'centimetres', 'centimeter', 'centimeters']),
  um: unit('length', 1e-3, 'µm', ['um', 'μm', 'µ', 'μ', 'micron', 'microns']),
  hundredth: unit('length', 1e-2, 'mm/100', ['hundredth', 'hundredths', 'h', '1/100mm']),
  in: unit('length', MM_PER_INCH, 'in', ['inch', 'inches', '"', '″', 'ins']),
  thou: unit('length', MM_PER_INCH / 1000, 'thou', ['t', 'mil', 'mils', 'thous', 'thousandth', 'thousandths']),
  tenth: unit('length', MM_PER_INCH / 10_000, 'tenths', ['tenth']),
  cm3: unit('volume', 1, 'cm³', ['cc', 'ccm', 'cm3', 'cm^3', 'ml']),
  in3: unit('volume', (MM_PER_INCH / 10) ** 3, 'in³', ['in3', 'in^3', 'cuin', 'cu.in', 'cu.in.', 'ci']),
  cm2: unit('area', 1, 'cm²', ['cm2', 'cm^2', 'sqcm']),
  in2: unit('area', (MM_PER_INCH / 10) ** 2, 'in²', ['in2', 'in^2', 'sqin']),
  deg: unit('angle', 1, '°', ['deg', 'degree', 'degrees', 'º']),
  g: unit('mass', 1, 'g', ['gram', 'grams']),
  kg: unit('mass', 1000, 'kg', ['kgs', 'kilo', 'kilos']),
  oz: unit('mass', (KG_PER_POUND * 1000) / 16, 'oz', ['ounce', 'ounces']),
  lb: unit('mass', KG_PER_POUND * 1000, 'lb', ['lbs', 'pound', 'pounds']),
  gPerCm3: unit('density', 1, 'g/cm³', ['g/cm3', 'g/cc', 'g/ml', 'kg/l']),
  degC: unit('temperature', 1, '°C', ['c', 'degc', '°c', 'ºc', 'celsius']),
  degF: unit('temperature', 5 / 9, '°F', ['f', 'degf', '°f', 'ºf', 'fahrenheit'], (-32 * 5) / 9),
  kPa: unit('pressure', 1, 'kPa', ['kpa']),
  bar: unit('pressure', 100, 'bar'),
  mbar: unit('pressure', 0.1, 'mbar', ['hpa', 'millibar']),
  // The conventional inch of mercury at 0 °C (NIST SP 811, appendix B.8).
  inHg: unit('pressure', 3.386_389, 'inHg', ['inhg', 'in.hg']),
  psi: unit('pressure', NEWTON_PER_POUND_FORCE / (MM_PER_INCH / 1000) ** 2 / 1000, 'psi'),
  N: unit('force', 1, 'N', ['newton', 'newtons']),
  lbf: unit('force', NEWTON_PER_POUND_FORCE, 'lbf'),
  kgf: unit('force', STANDARD_GRAVITY_M_S2, 'kgf'),
  kN: unit('force', 1000, 'kN', ['kilonewton', 'kilonewtons']),
  Nm: unit('torque', 1, 'N·m', ['nm', 'n.m', 'n·m', 'n-m', 'nms']),
  lbfft: unit('torque', NEWTON_PER_POUND_FORCE * METRE_PER_FOOT, 'lbf·ft', [
    'lbfft',
    'lbf.ft',
    'lbf-ft',
    'ftlb',
    'ft-lb',
    'ft.lb',
    'ftlbs',
    'ft-lbs',
    'ft.lbs',
    'lbft',
    'lb-ft',
    'lb.ft',
    'lbsft',
    'lbs-ft',
    'ftlbf',
  ]),
  lbfin: unit('torque', (NEWTON_PER_POUND_FORCE * METRE_PER_FOOT) / 12, 'lbf·in', [
    'lbfin',
    'lbf.in',
    'inlb',
    'in-lb',
    'in.lb',
    'inlbs',
    'in-lbs',
    'in.lbs',
    'lbin',
    'lb-in',
  ]),
  kgfm: unit('torque', STANDARD_GRAVITY_M_S2, 'kgf·m', ['kgfm', 'kgf.m', 'kgm']),
  kW: unit('power', 1, 'kW', ['kw']),
  hp: unit('power', (550 * NEWTON_PER_POUND_FORCE * METRE_PER_FOOT) / 1000, 'hp', ['bhp', 'horsepower']),
  metricHp: unit('power', (75 * STANDARD_GRAVITY_M_S2) / 1000, 'PS', ['ps', 'metrichp', 'cv']),
  mPerS: unit('speed', 1, 'm/s'),
  ftPerS: unit('speed', METRE_PER_FOOT, 'ft/s'),
  rpm: unit('rotation', 1, 'rpm', ['r/min', '1/min']),
  umRa: unit('roughness', 1, 'µm Ra', ['umra', 'µmra', 'um', 'µm']),
  uinRa: unit('roughness', MM_PER_INCH / 1000, 'µin Ra', ['uin', 'µin', 'uinra', 'µinra']),
  perK: unit('expansion', 1, '1/K', ['/k']),
  perMK: unit('expansion', 1e-6, '×10⁻⁶/K', ['e-6/k', 'ppm/k', 'x10-6/k', 'e-6']),
  one: unit('ratio', 1, '', [':1']),
  percent: unit('ratio', 0.01, '%', ['percent']),
  mm2: unit('section', 1, 'mm²', ['mm2', 'mm^2', 'sqmm']),
  sqIn: unit('section', MM_PER_INCH ** 2, 'in²', ['in2', 'in^2', 'sqin']),
  MPa: unit('stress', 1, 'MPa', ['n/mm2', 'n/mm²']),
  GPa: unit('stress', 1000, 'GPa'),
  ksi: unit('stress', (1000 * NEWTON_PER_POUND_FORCE) / MM_PER_INCH ** 2, 'ksi', ['kpsi']),
  psiStress: unit('stress', NEWTON_PER_POUND_FORCE / MM_PER_INCH ** 2, 'psi'),
  Msi: unit('stress', (1e6 * NEWTON_PER_POUND_FORCE) / MM_PER_INCH ** 2, 'Msi', ['mpsi']),
  NPerMm: unit('stiffness', 1, 'N/mm'),
  kNPerMm: unit('stiffness', 1000, 'kN/mm'),
  lbfPerIn: unit('stiffness', NEWTON_PER_POUND_FORCE / MM_PER_INCH, 'lbf/in', ['lb/in', 'lbs/in']),
  // A difference of temperatures: no offset, whatever the scale.
  K: unit('rise', 1, 'K', ['c', 'degc', '°c', 'ºc', 'kelvin']),
  riseF: unit('rise', 5 / 9, '°F', ['f', 'degf', 'ºf']),
} as const satisfies Record<string, Unit>

export type UnitId = keyof typeof UNITS

export const UNIT_IDS = Object.keys(UNITS) as UnitId[]

/** The unit everything of a kind is kept in inside the core. */
export const CANONICAL_UNIT: Readonly<Record<Kind, UnitId>> = {
  length: 'mm',
  volume: 'cm3',
  area: 'cm2',
  angle: 'deg',
  mass: 'g',
  density: 'gPerCm3',
  temperature: 'degC',
  pressure: 'kPa',
  force: 'N',
  torque: 'Nm',
  power: 'kW',
  speed: 'mPerS',
  rotation: 'rpm',
  roughness: 'umRa',
  expansion: 'perK',
  ratio: 'one',
  section: 'mm2',
  stress: 'MPa',
  stiffness: 'NPerMm',
  rise: 'K',
}

/** Canonical value (mm, cm³, …) of a number given in `unit`. */
export function toCanonical(value: number, unit: UnitId): number {
  return value * UNITS[unit].factor + UNITS[unit].offset
}

/** Number in `unit` of a canonical value. */
export function fromCanonical(canonical: number, unit: UnitId): number {
  return (canonical - UNITS[unit].offset) / UNITS[unit].factor
}

/** Size in `unit` of a canonical *difference* (an uncertainty, a tolerance): scales, never shifts. */
export function differenceInUnit(canonicalDifference: number, unit: UnitId): number {
  return canonicalDifference / UNITS[unit].factor
}

/** Canonical size of a difference given in `unit`. */
export function differenceToCanonical(difference: number, unit: UnitId): number {
  return difference * UNITS[unit].factor
}

export function unitsOfKind(kind: Kind): readonly UnitId[] {
  return UNIT_IDS.filter((id) => UNITS[id].kind === kind)
}

/**
 * The unit a typed suffix names, preferring one of `kind` (so that `in` is a length, `um` a roughness where one is wanted,
 * `c` a temperature).
 */
export function findUnit(suffix: string, kind: Kind): UnitId | undefined {
  const wanted = suffix.toLowerCase().replace(/\s+|\.$/g, '')
  const named = (id: UnitId) =>
    UNITS[id].symbol.toLowerCase().replace(/\s+/g, '') === wanted || (UNITS[id].names as readonly string[]).includes(wanted)
  return unitsOfKind(kind).find(named) ?? UNIT_IDS.find(named)
}
