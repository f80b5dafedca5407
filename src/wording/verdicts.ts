import type { Across, Finding, LimitDefinition, Output, OutputId } from '@/core/benches'
import type { Limit, Subject, SubjectAxis, UnitSystem } from '@/core/document'
import { boltLabel } from '@/core/bench/engineWide'
import { subjectAxis } from '@/core/document/place'
import { bankOfCam, camKind, isHighProfile, type Cam } from '@/core/geometry/valvetrain'
import { rodOfBolt } from '@/core/geometry/crank'
import type { Moved } from '@/core/evaluation/compare'
import type { Conformity, DecisionRule, Verdict } from '@/core/metrology'
import { differenceWords, plainWords, type Shown } from './figures'
import { capital, small } from './letters'

export type Standing = Verdict | 'notMeasured' | 'noLimit' | 'stale'

export const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  within: 'within',
  inDoubt: 'in doubt',
  over: 'over',
  under: 'under',
  notMeasured: 'not measured',
  noLimit: 'no limit',
  stale: 'stale',
}

/** A place on the drawing of an engine, and how what is read or found there stands. */
export interface StationMark {
  readonly id: string
  readonly label: string
  readonly cylinder?: number
  /** Main bearing, where the mark is on the crank. */
  readonly main?: number
  /** In bore radii from the cylinder's axis, or from the middle of the main: x to the rear, y to the right. */
  readonly x: number
  readonly y: number
  readonly standing: Standing
}

/** Out or in doubt: it carries its shape wherever it stands, so that it is found without colour. */
export function isMarked(standing: Standing): boolean {
  return standing === 'over' || standing === 'under' || standing === 'inDoubt'
}

export const RULE_WORDS: Readonly<Record<DecisionRule, string>> = {
  strict: 'value ± U inside (ISO 14253-1, k = 2)',
  probable: '95 % sure on each side (ISO 14253-1:2017)',
}

/** "cylinder 3", "main 2", "left bank", or nothing for the engine as a whole. */
export function subjectWords(subject: Subject): string {
  const axis = subjectAxis(subject)
  return axis ? AXIS_WORDS[axis](subject[axis]!) : ''
}

const AXIS_WORDS: Readonly<Record<SubjectAxis, (value: number | string) => string>> = {
  cylinder: (number) => `cylinder ${number}`,
  main: (number) => `main ${number}`,
  bank: (side) => `${side} bank`,
  cam: (cam) => camWords(String(cam)),
  valve: (valve) => `valve ${valveWords(String(valve))}`,
  bolt: (number) => boltWords(Number(number)),
  joint: (id) => String(id).replaceAll('-', ' '),
}

const AXES_WORDS: Readonly<Record<SubjectAxis, (values: readonly (number | string)[]) => string>> = {
  cylinder: (numbers) => `Cylinder${numbers.length > 1 ? 's' : ''} ${numbers.join(', ')}`,
  main: (numbers) => `Main${numbers.length > 1 ? 's' : ''} ${numbers.join(', ')}`,
  bank: (sides) => `${sides.join(' and ')} bank`.replace(/^l/, 'L').replace(/^r/, 'R'),
  cam: (cams) => capital(cams.map((cam) => camWords(String(cam))).join(', ')),
  valve: (valves) => valvesWords(valves.map(String)),
  bolt: (numbers) =>
    numbers.length === 1
      ? capital(boltWords(Number(numbers[0])))
      : `Bolts ${numbers.map((number) => columnHeading('bolt', String(number))).join(', ')}`,
  joint: (ids) => capital(ids.map((id) => String(id).replaceAll('-', ' ')).join(', ')),
}

/** "intake cam", "left exhaust cam", "intake high lobes". */
function camWords(cam: string): string {
  const { name, isHigh } = camName(cam)
  return isHigh ? `${name} high lobes` : `${name} cam`
}

/** "left exhaust" of `exhaust-left-high`, and whether these are the second lobes. */
function camName(cam: string): { readonly name: string; readonly isHigh: boolean } {
  const of = cam as Cam
  const bank = bankOfCam(of)
  return { name: `${bank ? `${bank} ` : ''}${camKind(of)}`, isHigh: isHighProfile(of) }
}

/** "intake 3", or "intake 3b" of two. */
/** More valves than so many are counted, not named. */
const MOST_VALVES = 5

function valvesWords(valves: readonly string[]): string {
  if (valves.length <= MOST_VALVES) return `Valve${valves.length > 1 ? 's' : ''} ${valves.map(valveWords).join(', ')}`
  const counts = (['intake', 'exhaust'] as const).flatMap((kind) => {
    const count = valves.filter((valve) => valve.startsWith(kind)).length
    return count > 0 ? [`${count} ${kind}`] : []
  })
  return `${counts.join(' and ')} valves`
}

function valveWords(valve: string): string {
  return valve.replace(/^([a-z]+)/, '$1 ')
}

/** "rod 3, bolt 2": of whose rod a bolt is, and which of its two. */
function boltWords(bolt: number): string {
  return small(boltLabel(bolt))
}

/** What stands over a column of a sheet, on a button or along a chart: `3`, `left`, or `3·2` for the second bolt of rod 3. */
export function shortSubjectWords(subject: Subject): string {
  const axis = subjectAxis(subject)
  return axis ? columnHeading(axis, String(subject[axis])) : ''
}

export function columnHeading(across: Across, column: string): string {
  if (across === 'cam') {
    const { name, isHigh } = camName(column)
    return isHigh ? `${name} high` : name
  }
  if (across === 'valve') return column.replace(/^intake/, 'in ').replace(/^exhaust/, 'ex ')
  if (across !== 'bolt') return column
  const { rod, which } = rodOfBolt(Number(column))
  return `${rod}·${which}`
}

/** "Ratio, cylinder 3". */
export function findingTitle(finding: Finding, output: Pick<Output, 'label'>): string {
  return [output.label, subjectWords(finding)].filter(Boolean).join(', ')
}

/** "Cylinders 1, 3": several findings of one output. */
export function subjectsWords(subjects: readonly Subject[]): string {
  const axis = subjectAxis(subjects[0] ?? {})
  return axis ? AXES_WORDS[axis](subjects.flatMap((subject) => subject[axis] ?? [])) : ''
}

export function standingOf(finding: Finding): Standing {
  return finding.figure === undefined ? 'notMeasured' : (finding.conformity?.verdict ?? 'noLimit')
}

/** "within", "in doubt", "over by 0.04 mm". */
export function verdictWords(finding: Finding, shown: Shown, system: UnitSystem): string {
  const standing = standingOf(finding)
  if (standing !== 'over' && standing !== 'under') return STANDING_WORDS[standing]
  return `${standing} by ${differenceWords(finding.conformity!.excess, shown, system)}`
}

/** "Top gap, cylinder 2: under by 0.03 mm". */
export function standsOutWords(finding: Finding, output: Output, system: UnitSystem): string {
  return `${findingTitle(finding, output)}: ${verdictWords(finding, output, system)}`
}

/** "8.9 to 9.1", "at most 0.1", "at least 0.9 mm". */
export function limitWords(limit: Limit, shown: Shown | LimitDefinition, system: UnitSystem): string {
  const { lower, upper } = limit
  if (lower !== undefined && upper !== undefined) {
    return `${plainWords(lower, shown, system).replace(/\s?[^\d.−]+$/, '')} to ${plainWords(upper, shown, system)}`
  }
  return upper !== undefined ? `at most ${plainWords(upper, shown, system)}` : `at least ${plainWords(lower!, shown, system)}`
}

/** What the verdict rests on, for a finding with a limit: band, source, chance, and whether the gauge can decide at all. */
export function verdictReason(conformity: Conformity, limit: Limit, shown: Shown, system: UnitSystem): string {
  const parts = [`Limit ${limitWords(limit, shown, system)} (${limit.source}).`]
  if (conformity.verdict === 'inDoubt') {
    const sure = percent(conformity.probability).replace(/^[ou]/, (letter) => letter.toUpperCase())
    parts.push(`${sure} sure it is within${uncertaintyWords(conformity)}.`)
  }
  if (conformity.gaugeCannotDecide) parts.push('The band is narrower than the uncertainty: this gauge cannot decide.')
  return parts.join(' ')
}

/** So sure, and still in doubt: one wonders why. */
const NEARLY_SURE = 0.95

function uncertaintyWords({ isHeldBack, probability }: Conformity): string {
  if (isHeldBack) return ' by what is known; not called so, for the reason given here'
  return probability > NEARLY_SURE ? ': nearer to its limit than its uncertainty allows' : ''
}

export function percent(share: number): string {
  if (share > 0.995) return 'over 99 %'
  if (share < 0.005) return 'under 1 %'
  return `${Math.round(share * 100)} %`
}

/**
 * What a change of paper, limits or choice moved: how many figures, and every verdict that is another one now. `labelOf`
 * names an output.
 */
export function movedWords(
  moved: readonly Moved[],
  labelOf: (output: OutputId) => string,
): { readonly figures: number; readonly verdicts: readonly string[] } {
  const figures = moved.filter(({ before, after }) => before?.figure?.value.value !== after?.figure?.value.value).length
  const verdicts = moved.flatMap(({ before, after }) => {
    const [then, now] = [before, after].map((finding) => (finding ? standingOf(finding) : 'notMeasured')) as [Standing, Standing]
    if (then === now || (then === 'notMeasured' && now === 'noLimit')) return []
    const finding = (after ?? before)!
    const title = [labelOf(finding.output), subjectWords(finding)].filter(Boolean).join(', ')
    return [`${title}: ${STANDING_WORDS[then]} → ${STANDING_WORDS[now]}`]
  })
  return { figures, verdicts }
}
