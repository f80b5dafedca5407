import type { Kind, UnitId } from '../quantity'

/** A number read off a maker's sheet, and how it is shown. Plausible range in the canonical unit. */
export interface PaperDefinition {
  readonly label: string
  readonly kind: Kind
  readonly units: { readonly metric: UnitId; readonly inch: UnitId }
  readonly low: number
  readonly high: number
  readonly signed?: boolean
  readonly hint?: string
  /** One for every cylinder: what its tolerance leaves open is one error common to the set, or another for each piece. */
  readonly eachPiece?: true
}

const MM_OR_INCH = { metric: 'mm', inch: 'in' } as const
const CC = { metric: 'cm3', inch: 'cm3' } as const

export const PAPER = {
  bore: { eachPiece: true, label: 'Bore', kind: 'length', units: MM_OR_INCH, low: 20, high: 250, hint: 'finished size, overbore included' },
  stroke: { eachPiece: true, label: 'Stroke', kind: 'length', units: MM_OR_INCH, low: 20, high: 250 },
  compressionRatio: {
    label: 'Ratio wanted',
    kind: 'ratio',
    units: { metric: 'one', inch: 'one' },
    low: 4,
    high: 25,
    hint: 'by the fuel and the tuner; the limit follows it',
  },
  rodLength: { eachPiece: true, label: 'Rod length', kind: 'length', units: MM_OR_INCH, low: 50, high: 500, hint: 'centre to centre' },
  pinOffset: {
    label: 'Pin offset',
    kind: 'length',
    units: MM_OR_INCH,
    low: -10,
    high: 10,
    signed: true,
    hint: 'towards the major thrust side is negative',
  },
  blockHeight: { label: 'Block height', kind: 'length', units: MM_OR_INCH, low: 80, high: 600, hint: 'crank centre to deck' },
  compressionHeight: {
    eachPiece: true,
    label: 'Compression height',
    kind: 'length',
    units: MM_OR_INCH,
    low: 10,
    high: 120,
    hint: 'pin centre to crown edge',
  },
  deckClearance: {
    label: 'Deck clearance wanted',
    kind: 'length',
    units: MM_OR_INCH,
    low: -5,
    high: 5,
    signed: true,
    hint: 'below deck is positive',
  },
  chamberVolume: { label: 'Chamber volume', kind: 'volume', units: CC, low: 3, high: 400 },
  chamberOpenArea: {
    label: 'Chamber open area',
    kind: 'area',
    units: { metric: 'cm2', inch: 'cm2' },
    low: 1,
    high: 500,
    hint: 'outline at the head face: what a head cut takes away',
  },
  pistonVolume: {
    eachPiece: true,
    label: 'Piston volume',
    kind: 'volume',
    units: CC,
    low: -100,
    high: 150,
    signed: true,
    hint: 'dish and pockets positive, dome negative',
  },
  crownDiameter: { eachPiece: true, label: 'Top land diameter', kind: 'length', units: MM_OR_INCH, low: 20, high: 250 },
  landHeight: { eachPiece: true, label: 'Top land height', kind: 'length', units: MM_OR_INCH, low: 0, high: 40, hint: 'crown to top ring' },
  mainJournal: { label: 'Main journal', kind: 'length', units: MM_OR_INCH, low: 20, high: 150 },
  rodJournal: { label: 'Rod journal', kind: 'length', units: MM_OR_INCH, low: 15, high: 120 },
  shellWall: { label: 'Bearing shell wall', kind: 'length', units: MM_OR_INCH, low: 0.8, high: 6, hint: 'for the warm clearance' },
  ringFactor: {
    label: 'Top ring, gap per bore',
    kind: 'ratio',
    units: { metric: 'one', inch: 'one' },
    low: 0.002,
    high: 0.015,
    hint: 'own factor, such as 0.0055; left out: by the duty',
  },
  crankTemperature: {
    label: 'Warm crank temperature',
    kind: 'temperature',
    units: { metric: 'degC', inch: 'degF' },
    low: 20,
    high: 180,
    hint: 'left out: as the block',
  },
  bearingTemperature: {
    label: 'Warm bearing temperature',
    kind: 'temperature',
    units: { metric: 'degC', inch: 'degF' },
    low: 20,
    high: 180,
    hint: 'block; and the crank, unless said apart',
  },
  pinDiameter: { label: 'Piston pin', kind: 'length', units: MM_OR_INCH, low: 8, high: 60 },
  ringTemperature: {
    label: 'Top ring, running hot',
    kind: 'temperature',
    units: { metric: 'degC', inch: 'degF' },
    low: 80,
    high: 450,
    hint: 'about 200–250 °C unboosted, 300 under heavy boost',
  },
  boreTemperature: {
    label: 'Cylinder wall, running hot',
    kind: 'temperature',
    units: { metric: 'degC', inch: 'degF' },
    low: 60,
    high: 300,
  },
  oilAllowance: {
    label: 'Oil on a crank pin',
    kind: 'mass',
    units: { metric: 'g', inch: 'g' },
    low: 0,
    high: 30,
    hint: 'for the bobweight',
  },
  balanceShare: {
    label: 'Share of reciprocating mass',
    kind: 'ratio',
    units: { metric: 'percent', inch: 'percent' },
    low: 0.3,
    high: 0.7,
    hint: 'for the bobweight; 50 % for a 90° V on common pins',
  },
  intakeClosing: {
    label: 'Intake closing',
    kind: 'angle',
    units: { metric: 'deg', inch: 'deg' },
    low: 180,
    high: 300,
    hint: 'as 39 ABDC; say at which lift in the source',
  },
  fluidDensity: {
    label: 'Fluid density',
    kind: 'density',
    units: { metric: 'gPerCm3', inch: 'gPerCm3' },
    low: 0.6,
    high: 1.3,
    hint: 'for chambers by mass',
  },
  ambientPressure: {
    label: 'Ambient pressure',
    kind: 'pressure',
    units: { metric: 'kPa', inch: 'psi' },
    low: 60,
    high: 110,
    hint: 'absolute',
  },
  intakeTemperature: {
    label: 'Charge temperature',
    kind: 'temperature',
    units: { metric: 'degC', inch: 'degF' },
    low: -20,
    high: 150,
    hint: 'at intake closing',
  },
} as const satisfies Record<string, PaperDefinition>

export type PaperKey = keyof typeof PAPER

export const PAPER_KEYS = Object.keys(PAPER) as PaperKey[]

export function paperDefinition(key: PaperKey): PaperDefinition {
  return PAPER[key]
}
