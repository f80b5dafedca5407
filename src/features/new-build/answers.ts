import { freshSpec } from '@/core/benches'
import { NOT_SAID, type DutyUse, type Fuel, type PaperNumber, type Spec, type UnitSystem } from '@/core/document'
import { crankStyles, type BearingKind, type CrankStyle, type EngineLayout, type LayoutKind, type ValveDrive } from '@/core/geometry/crank'
import { parseEntry, type Kind, type UnitId } from '@/core/units'
import type { ReadForm, WrongFields } from '@/ui/useForm'
import { entryIssueWords } from '@/wording'

/** What is answered before a build begins, as it is typed and chosen. */
export interface Answers {
  readonly name: string
  readonly system: UnitSystem
  readonly kind: LayoutKind
  readonly cylinders: number
  /** Empty: the usual one. */
  readonly bankAngle: string
  /** Left out: the usual one of the layout. */
  readonly crank?: CrankStyle
  readonly bearings: BearingKind
  readonly numbering: EngineLayout['numbering']
  /** Two-strokes here are singles that breathe through ports. */
  readonly strokes: 2 | 4
  readonly valves: EngineLayout['valvesPerCylinder']
  readonly drive: ValveDrive
  readonly use: DutyUse
  readonly fuel: Fuel
  readonly boost: string
  /** Empty: not known. */
  readonly redline: string
  readonly typed: Readonly<Partial<Record<Field, string>>>
}

export function firstAnswers(system: UnitSystem): Answers {
  return {
    name: '',
    system,
    kind: 'inline',
    cylinders: 4,
    bankAngle: '',
    bearings: 'plain',
    numbering: 'alternating',
    strokes: 4,
    valves: 4,
    drive: 'bucketShimUnder',
    use: NOT_SAID,
    fuel: 'petrol',
    boost: '',
    redline: '',
    typed: {},
  }
}

/** Numbers of cylinders there are of a layout. */
export const COUNTS: Readonly<Record<LayoutKind, readonly number[]>> = {
  single: [1],
  inline: [2, 3, 4, 5, 6, 8],
  v: [2, 4, 6, 8, 10, 12, 16],
  flat: [2, 4, 6, 8, 12],
}

/** What changes with the layout: a number of cylinders that it comes in. */
export function withKind(answers: Answers, kind: LayoutKind): Pick<Answers, 'kind' | 'cylinders'> {
  const counts = COUNTS[kind]
  const usual = counts.includes(4) ? 4 : counts[0]!
  return { kind, cylinders: counts.includes(answers.cylinders) ? answers.cylinders : usual }
}

/** Bank angles at which such a V fires evenly on plain pins; any other is usually a 90° one. */
const EVEN_BANK_DEG: Readonly<Record<number, number>> = { 6: 60, 10: 72, 12: 60 }

export function usualBankDeg(cylinders: number): number {
  return EVEN_BANK_DEG[cylinders] ?? 90
}

function bankAngleOf({ bankAngle, cylinders }: Answers): number {
  return bankAngle.trim() === '' ? usualBankDeg(cylinders) : Number(bankAngle.replace(',', '.'))
}

export function crankOf({ kind, cylinders, crank }: Answers): CrankStyle {
  const styles = crankStyles(kind, cylinders)
  return crank && styles.includes(crank) ? crank : styles[0]!
}

export type Field =
  | 'bore'
  | 'stroke'
  | 'rodLength'
  | 'compressionRatio'
  | 'chamberVolume'
  | 'pistonVolume'
  | 'deckClearance'
  | 'gasketBoreMm'
  | 'gasketThicknessMm'
const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const VOLUME = { kind: 'volume', units: { metric: 'cm3', inch: 'cm3' } } as const

/** What a fresh build asks of its paper. */
export const FIELDS: readonly {
  readonly name: Field
  readonly label: string
  readonly kind: Kind
  readonly units: Readonly<Record<UnitSystem, UnitId>>
  readonly example: Readonly<Record<UnitSystem, string>>
  readonly required?: boolean
}[] = [
  { name: 'bore', label: 'Bore', ...LENGTH, example: { metric: '83.00', inch: '4.155' }, required: true },
  { name: 'stroke', label: 'Stroke', ...LENGTH, example: { metric: '92.8', inch: '3.750' }, required: true },
  { name: 'rodLength', label: 'Rod length', ...LENGTH, example: { metric: '144', inch: '6.000' } },
  {
    name: 'compressionRatio',
    label: 'Ratio wanted',
    kind: 'ratio',
    units: { metric: 'one', inch: 'one' },
    example: { metric: '9.0', inch: '10.5' },
  },
  { name: 'chamberVolume', label: 'Chamber, cm³', ...VOLUME, example: { metric: '46', inch: '62.3' } },
  { name: 'pistonVolume', label: 'Piston, cm³ (dish +, dome −)', ...VOLUME, example: { metric: '10.2', inch: '-3.0' } },
  { name: 'deckClearance', label: 'Deck clearance wanted', ...LENGTH, example: { metric: '0.05', inch: '0.010' } },
  { name: 'gasketThicknessMm', label: 'Gasket, compressed', ...LENGTH, example: { metric: '1.10', inch: '0.040' } },
  { name: 'gasketBoreMm', label: 'Gasket bore', ...LENGTH, example: { metric: '84.0', inch: '4.20' } },
]

/** Whether it has no valves: a two-stroke single. */
export function hasPortsOnly({ kind, strokes }: Answers): boolean {
  return kind === 'single' && strokes === 2
}

/** The layout as far as it is answered, to be drawn: a bank angle that cannot be is drawn as a right one. */
export function layoutOf(answers: Answers): EngineLayout {
  const angle = bankAngleOf(answers)
  return freshSpec({ ...engineOf(answers), bankAngleDeg: angle >= 0 && angle <= 180 ? angle : 90, boostKpa: 0, paper: {} }).layout
}

export function twoBanks(kind: LayoutKind): boolean {
  return kind === 'v' || kind === 'flat'
}

function engineOf(answers: Answers) {
  const { name, system, kind, cylinders, bearings, numbering, use, valves, drive, fuel } = answers
  const isPorted = hasPortsOnly(answers)
  return {
    name: name.trim(),
    description: kind === 'single' ? `single${isPorted ? ', two-stroke' : ''}` : `${kind === 'v' ? 'V' : kind} ${cylinders}`,
    units: system,
    kind,
    cylinders,
    bankAngleDeg: bankAngleOf(answers),
    crank: crankOf(answers),
    bearings,
    use,
    ...(twoBanks(kind) && { numbering }),
    valvesPerCylinder: isPorted ? (0 as const) : valves,
    valveDrive: isPorted ? ('none' as const) : drive,
    ...(isPorted && { strokes: 2 as const, construction: { oiling: 'inFuel' as const } }),
    fuel,
  }
}

/** The answers as a spec, or what is wrong with them field by field. */
export function specOf(answers: Answers): ReadForm<Spec> {
  const { name, system, kind } = answers
  const { numbers, errors } = numbersOf(answers)
  const angle = bankAngleOf(answers)
  const boostUnit = system === 'metric' ? 'bar' : 'psi'
  const boost = answers.boost.trim() === '' ? undefined : parseEntry(answers.boost, { kind: 'pressure', unit: boostUnit, signed: true })
  const redline = answers.redline.trim() === '' ? undefined : parseEntry(answers.redline, { kind: 'rotation', unit: 'rpm' })
  const wrong: WrongFields = {
    ...errors,
    ...(name.trim() === '' && { name: 'A name, so that it can be found again.' }),
    ...(kind === 'v' && !(angle > 0 && angle < 180) && { bankAngle: 'is between 0 and 180 degrees' }),
    ...(redline && (!redline.ok || redline.value < 500 || redline.value > 30_000) && { redline: 'is between 500 and 30 000 rpm' }),
    ...(boost && (!boost.ok || boost.value < 0) && { boost: 'is a pressure above ambient' }),
  }
  if (Object.keys(wrong).length > 0) return { ok: false, wrong }
  const { gasketBoreMm, gasketThicknessMm, ...paper } = numbers
  return {
    ok: true,
    meant: freshSpec({
      ...engineOf(answers),
      boostKpa: boost?.ok ? boost.value : 0,
      ...(redline?.ok && { redlineRpm: redline.value }),
      paper,
      gasket: gasketBoreMm && gasketThicknessMm && { boreMm: gasketBoreMm.value, thicknessMm: gasketThicknessMm.value },
    }),
  }
}

/** A dome is a volume below nothing, and a piston may stand above its deck; nothing else is. */
const MAY_BE_NEGATIVE: ReadonlySet<Field> = new Set(['pistonVolume', 'deckClearance'])

function numbersOf({ typed, system }: Answers): {
  readonly numbers: Readonly<Partial<Record<Field, PaperNumber>>>
  readonly errors: WrongFields
} {
  const errors: Record<string, string> = {}
  const numbers: Partial<Record<Field, PaperNumber>> = {}
  for (const { name, kind, units, required } of FIELDS) {
    const text = (typed[name] ?? '').trim()
    const unit = units[system]
    if (text === '') {
      if (required) errors[name] = 'is needed for the ratio'
      continue
    }
    const entry = parseEntry(text, { kind, unit, signed: true })
    if (!entry.ok) errors[name] = entryIssueWords(entry.issue, unit)
    else if (!MAY_BE_NEGATIVE.has(name) && entry.value <= 0) errors[name] = 'is more than nothing'
    else numbers[name] = { value: entry.value, unit: entry.unit, source: 'as stated at the start' }
  }
  return { numbers, errors }
}
