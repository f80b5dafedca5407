/** The build sheet as content: what both the page and the PDF set in type. */
import {
  benchChecks,
  BENCHES,
  byConsequence,
  columnOf,
  openBuild,
  PAPER,
  sheetsOf,
  standsOut,
  type Across,
  type Bench,
  type Finding,
  type Output,
  type OutputId,
  type Station,
} from '@/core/benches'
import {
  isOverdue,
  type Build,
  type BuildDocument,
  type HistoryLine,
  type PaperKey,
  type PaperNumber,
  type Reading,
  type UnitSystem,
} from '@/core/document'
import { layersOf } from '@/core/shared/gasket'
import { decimalsToShow, formatKnown, formatNumber, formatQuantity, joinUnit, UNITS, type UnitId } from '@/core/units'
import {
  dutyWords,
  findingTitle,
  findingWords,
  fuelWords,
  limitWords,
  remarkWords,
  RULE_WORDS,
  showFinding,
  standingOf,
  subjectWords,
  verdictWords,
  plannedWords,
  type Standing,
  columnHeading,
} from '@/wording'

import { ofParts, onTheWalk, setAsideLines } from './beyondFindings'
import { jointSheets, type JointSheet } from './jointSheet'

export interface BookSheet {
  readonly title: string
  readonly description: string
  readonly facts: readonly (readonly [label: string, words: string])[]
  /** Everything out or in doubt, over all benches, each with its limit and the reason: the first thing to read. */
  readonly standsOut: readonly OutLine[]
  readonly benches: readonly BenchSheet[]
  /** Every joint that was run: the plan, and what was pulled. */
  readonly joints: readonly JointSheet[]
  readonly paper: readonly { readonly label: string; readonly value: string; readonly source: string; readonly reason: string }[]
  readonly gauges: readonly { readonly name: string; readonly uncertainty: string; readonly checked: string }[]
  readonly rule: string
  /** Work that is planned and counted in the figures, not done. */
  readonly planned: readonly string[]
  /** Steps of the walk that somebody went on without, left out or answers for; what was changed on the engine. */
  readonly walk: readonly string[]
  /** What was found damaged, did not fit, or stands in the place of something else. */
  readonly parts: readonly string[]
  readonly crossed: readonly string[]
  /** What nobody has measured or looked at: a book that proves something says what it does not. */
  readonly notChecked: readonly string[]
}

export const WALK_TITLE = 'Waived, left out, confirmed and changed on the way'
export const PARTS_TITLE = 'Found damaged, did not fit, in the place of something else'
export const PLANNED_TITLE = 'Planned and counted above, not done when this was printed'

export interface OutLine {
  readonly label: string
  readonly value: string
  readonly limit: string
  readonly standing: Standing
  readonly words: string
}

/** Columns with a row a line, as the sheet of the bench has them. */
interface Ruled<Cell> {
  readonly columns: readonly string[]
  readonly rows: readonly {
    readonly label: string
    /** Smaller, under the label. */ readonly under: string
    readonly cells: readonly Cell[]
  }[]
}

export interface BenchSheet {
  readonly title: string
  readonly readings: readonly Ruled<string>[]
  readonly checks: readonly string[]
  readonly findings: readonly Ruled<FoundCell>[]
}

export interface FoundCell {
  readonly words: string
  /** Half-width at 95 %; empty where nothing is known. */
  readonly plusMinus: string
  readonly standing: Standing
}

const PRESSURE = { metric: 'bar', inch: 'psi' } as const

export function bookSheet(document: BuildDocument, system: UnitSystem): BookSheet {
  const build = openBuild(document)
  const { spec } = build
  const measured = BENCHES.filter((bench) => bench.stations(build).some((station) => build.readings.current.has(station.id))).map(
    (bench) => ({ bench, findings: bench.derive(build) }),
  )
  const joints = jointSheets(document, system)
  const gasket = spec.stock.gaskets.find((one) => one.id === spec.choice.gasket)
  const thickIn = system === 'metric' ? 'mm' : 'in'
  return {
    title: spec.name,
    description: spec.description,
    facts: [
      ...jobFacts(spec.job),
      ['Cylinders', String(spec.layout.cylinders)],
      ['Firing order', spec.layout.firingOrder.join('-')],
      ['Use', dutyWords(spec.duty)],
      ['Fuel', fuelWords(spec.duty)],
      ['Boost', spec.duty.boostKpa > 0 ? formatQuantity(spec.duty.boostKpa, PRESSURE[system], 1) : 'none'],
      ['Redline', spec.duty.redlineRpm === undefined ? 'not known' : `${spec.duty.redlineRpm} rpm`],
      [
        'Gasket',
        gasket
          ? [gasket, ...layersOf(spec)]
              .map((one) => `${one.name}, ${joinUnit(formatKnown(one.thicknessMm, thickIn), thickIn)} compressed (${one.source})`)
              .join('; ')
          : 'not chosen',
      ],
    ],
    standsOut: measured
      .flatMap(({ bench, findings }) =>
        standsOut(bench.definition, findings).map((finding) => ({ finding, output: bench.definition.outputs[finding.output]! })),
      )
      .sort(byConsequence)
      .map(({ finding, output }) => outLine(finding, output, system)),
    benches: measured.map(({ bench, findings }) => benchSheet(bench, findings, build, system)),
    joints: joints.run,
    paper: (Object.entries(spec.paper) as [PaperKey, PaperNumber | undefined][]).flatMap(([key, paper]) =>
      paper ? [paperLine(key, paper, system)] : [],
    ),
    gauges: gaugesUsed(build),
    rule: RULE_WORDS[spec.methods.rule],
    planned: (spec.planned ?? []).map((one) => plannedWords(one, system)),
    walk: [...onTheWalk(build), ...setAsideLines(build)],
    parts: ofParts(build),
    crossed: crossedOut(build),
    notChecked: [
      ...notChecked(build),
      ...(joints.notRun.length > 0 ? [`Joints planned and not tightened: ${joints.notRun.join(', ')}`] : []),
    ],
  }
}

function jobFacts({ customer, engineNumber, shop }: NonNullable<BuildDocument['spec']['job']> = {}): BookSheet['facts'] {
  const facts: BookSheet['facts'] = [
    ['Customer', customer ?? ''],
    ['Engine number', engineNumber ?? ''],
    ['Shop', shop ?? ''],
  ]
  return facts.filter(([, words]) => words !== '')
}

function notChecked(build: Build): string[] {
  return BENCHES.flatMap((bench) => {
    const stations = bench.stations(build)
    const open = stations.filter(({ id }) => !build.readings.current.has(id)).length
    const unseen = benchChecks(bench, build)
      .filter(({ check }) => !check)
      .map(({ label, place }) => [label, subjectWords(place)].filter(Boolean).join(', '))
    const { title } = bench.definition
    const unread = open === stations.length ? 'nothing was measured' : `${open} of ${stations.length} places were not measured`
    return [...(open > 0 ? [`${title}: ${unread}`] : []), ...(unseen.length > 0 ? [`${title}, not looked at: ${unseen.join('; ')}`] : [])]
  })
}

function benchSheet(bench: Bench, findings: readonly Finding[], build: Build, system: UnitSystem): BenchSheet {
  return {
    title: bench.definition.title,
    readings: sheetsOf(bench.stations(build)).map((sheet) => ({
      columns: sheet.columns.map((column) => columnTitle(sheet.across, column)),
      rows: sheet.rows.map((row) => {
        const unit = bench.definition.characteristics[row.characteristic]!.units[system]
        return {
          label: `${row.label}, ${UNITS[unit].symbol}`,
          under: '',
          cells: sheet.columns.map((column) => cellWords(build, row.stations.get(column), unit)),
        }
      }),
    })),
    checks: benchChecks(bench, build).flatMap(({ check, label, place }) => {
      if (!check) return []
      const title = [label, subjectWords(place)].filter(Boolean).join(', ')
      return [
        `${title}: ${check.passed ? 'right' : 'NOT right'}${check.text ? `, ${check.text}` : ''} (${check.by}, ${check.at.slice(0, 10)})`,
      ]
    }),
    findings: findingSheets(findings, bench, system),
  }
}

/** Findings ruled like readings: what is found of cylinders or mains goes across, what is found of the engine stands alone. */
function findingSheets(findings: readonly Finding[], bench: Bench, system: UnitSystem): BenchSheet['findings'] {
  const sheets = new Map<Across, { columns: Set<string>; rows: Map<OutputId, Map<string, Finding>> }>()
  for (const finding of findings) {
    const { across, column } = columnOf(finding)
    const sheet = sheets.get(across) ?? { columns: new Set(), rows: new Map() }
    sheets.set(across, sheet)
    sheet.columns.add(column)
    sheet.rows.set(finding.output, (sheet.rows.get(finding.output) ?? new Map<string, Finding>()).set(column, finding))
  }
  return [...sheets].map(([across, { columns, rows }]) => ({
    columns: [...columns].map((column) => columnTitle(across, column)),
    rows: [...rows].map(([output, found]) =>
      findingRow(
        output,
        [...columns].map((column) => found.get(column)),
        bench,
        system,
      ),
    ),
  }))
}

/** A number alone is a cylinder's. */
function columnTitle(across: Across, column: string): string {
  return across === 'main' ? `main ${column}` : columnHeading(across, column)
}

/** Each value with its own uncertainty; one that is not within carries its shape. */
function findingRow(
  outputId: OutputId,
  found: readonly (Finding | undefined)[],
  bench: Bench,
  system: UnitSystem,
): BenchSheet['findings'][number]['rows'][number] {
  const output = bench.definition.outputs[outputId]!
  const figures = found.map((finding) => finding?.figure?.value)
  const unit = UNITS[output.units[system]].symbol
  const limit = found.find((finding) => finding?.limit)?.limit
  return {
    label: `${output.label}${unit && `, ${unit}`}${output.estimate ? ' (estimate)' : ''}`,
    under: limit ? `${limitWords(limit, output, system)} (${limit.source})` : '',
    cells: found.map((finding, index) => {
      const value = figures[index]
      const shown = value && finding && showFinding(finding, value, output, system)
      return {
        words: shown?.value ?? (finding ? '–' : ''),
        plusMinus: shown?.uncertainty ?? '',
        standing: finding ? standingOf(finding) : 'noLimit',
      }
    }),
  }
}

function cellWords(build: Build, station: Station | undefined, unit: UnitId): string {
  if (!station) return ''
  const reading = build.readings.current.get(station.id)
  if (!reading) return build.readings.skips.has(station.id) ? 'skipped' : '–'
  const decimals = decimalsToShow(reading, build.gauges.get(reading.gauge)?.resolution ?? 0.01, unit)
  const low = formatNumber(reading.value, unit, decimals)
  return reading.upper === undefined ? low : `${low}/${formatNumber(reading.upper, unit, decimals)}`
}

function outLine(finding: Finding, output: Output, system: UnitSystem): OutLine {
  return {
    label: `${findingTitle(finding, output)}${output.estimate ? ' (estimate)' : ''}`,
    value: finding.figure ? findingWords(finding, finding.figure.value, output, system) : '–',
    limit: finding.limit ? `${limitWords(finding.limit, output, system)} (${finding.limit.source})` : '',
    standing: standingOf(finding),
    words: [verdictWords(finding, output, system), ...finding.remarks.map((remark) => remarkWords(remark, finding, output, system))]
      .join('. ')
      .replaceAll('..', '.'),
  }
}

function paperLine(key: PaperKey, paper: PaperNumber, system: UnitSystem): BookSheet['paper'][number] {
  const definition = PAPER[key]
  const unit = definition.units[system]
  const tolerance = paper.tolerance ? ` ±${Number((paper.tolerance / UNITS[unit].factor).toPrecision(3))}` : ''
  const value =
    key === 'intakeClosing'
      ? `${formatKnown(paper.value - 180, 'deg')}° ABDC`
      : joinUnit(`${formatKnown(paper.value, unit)}${tolerance}`, unit)
  return { label: definition.label, value, source: paper.source, reason: paper.reason ?? '' }
}

function gaugesUsed(build: Build): BookSheet['gauges'] {
  const readings = [...build.readings.current.values()]
  const used = new Set(readings.map((reading: Reading) => reading.gauge))
  const overdue = new Set(
    readings
      .filter((reading) => {
        const card = build.gauges.get(reading.gauge)
        return card && isOverdue(card, reading.at)
      })
      .map((reading) => reading.gauge),
  )
  return [...used]
    .flatMap((id) => build.gauges.get(id) ?? [])
    .map((gauge) => {
      const show = (value: number) => Number((value / UNITS[gauge.unit].factor).toPrecision(2))
      const { symbol } = UNITS[gauge.unit]
      return {
        name: gauge.name,
        uncertainty:
          `step ${show(gauge.resolution)}, repeats to s = ${show(gauge.repeatability)}, ` +
          `bias ${show(gauge.bias)} (u ${show(gauge.biasU)}) ${symbol}`,
        checked: `${gauge.checkedOn ?? 'no check on record'}${overdue.has(gauge.id) ? ', overdue when used' : ''}`,
      }
    })
}

const GONE_WORDS: Readonly<Partial<Record<HistoryLine['state'], string>>> = {
  current: 'counts, but another reading here does not know of it',
  conflicting: 'does not know of the reading that counts',
  movedAway: 'moved to the place it was taken at',
  earlier: 'was read before the part was worked on or put together',
}

/** Readings struck out or measured again: a book that proves it hides nothing. */
function crossedOut(build: Build): string[] {
  const labels = new Map(BENCHES.flatMap((bench) => bench.stations(build).map((station) => [station.id, station.label] as const)))
  return [...build.readings.history].flatMap(([station, lines]) =>
    lines.flatMap(({ entry, state, strike }) => {
      if (entry.kind === 'skip' && state === 'current' && build.readings.skips.has(station))
        return [`${labels.get(station) ?? station}: skipped, ${entry.reason} (${entry.by})`]
      if (entry.kind === 'note' && state === 'current') return [`${labels.get(station) ?? station}: note, ${entry.text} (${entry.by})`]
      if (entry.kind !== 'reading' || (state === 'current' && !build.readings.conflicts.has(station))) return []
      const gone = state === 'superseded' ? 'measured again' : 'taken back'
      const why = GONE_WORDS[state] ?? (strike ? `struck out, ${strike.reason} (${strike.by})` : gone)
      return [`${labels.get(station) ?? station}: ${entry.asTyped} ${why}`]
    }),
  )
}
