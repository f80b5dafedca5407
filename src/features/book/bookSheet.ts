/** The build sheet as content: what both the page and the PDF set in type. */
import { benchChecks, BENCHES, sheetsOf, type Bench, type Finding, type Station } from '@/core/benches'
import { isOverdue, openBuild, paperDefinition, type Build, type BuildDocument, type PaperKey, type PaperNumber, type Reading, type UnitSystem } from '@/core/build'
import { decimalsForStep, formatExact, formatNumber, formatQuantity, joinUnit, UNITS, type UnitId } from '@/core/quantity'
import { figureWords, findingTitle, limitWords, missingWords, remarkWords, RULE_WORDS, standingOf, stationWords, subjectWords, verdictWords, type Standing } from '@/wording'

export interface BookSheet {
  readonly title: string
  readonly description: string
  readonly facts: readonly (readonly [label: string, words: string])[]
  readonly benches: readonly BenchSheet[]
  readonly paper: readonly { readonly label: string; readonly value: string; readonly source: string; readonly reason: string }[]
  readonly gauges: readonly { readonly name: string; readonly doubt: string; readonly checked: string }[]
  readonly rule: string
  readonly crossed: readonly string[]
}

export interface BenchSheet {
  readonly title: string
  readonly sheets: readonly { readonly columns: readonly string[]; readonly rows: readonly { readonly label: string; readonly cells: readonly string[] }[] }[]
  readonly checks: readonly string[]
  readonly findings: readonly { readonly label: string; readonly value: string; readonly limit: string; readonly standing: Standing; readonly verdict: string; readonly remark: string }[]
}

const PRESSURE = { metric: 'bar', inch: 'psi' } as const

export function bookSheet(document: BuildDocument, system: UnitSystem): BookSheet {
  const build = openBuild(document)
  const { spec } = build
  const gasket = spec.stock.gaskets.find((one) => one.id === spec.choice.gasket)
  return {
    title: spec.name,
    description: spec.description,
    facts: [
      ['Cylinders', String(spec.layout.cylinders)], ['Firing order', spec.layout.firingOrder.join('-')], ['Use', spec.duty.use], ['Fuel', spec.duty.fuel],
      ['Boost', spec.duty.boostKpa > 0 ? formatQuantity(spec.duty.boostKpa, PRESSURE[system], 1) : 'none'], ['Redline', `${spec.duty.redlineRpm} rpm`],
      ['Gasket', gasket ? `${gasket.name}, ${joinUnit(formatExact(gasket.thicknessMm, system === 'metric' ? 'mm' : 'in'), system === 'metric' ? 'mm' : 'in')} compressed (${gasket.source})` : 'not chosen'],
    ],
    benches: BENCHES.filter((bench) => bench.stations(build).some((station) => build.readings.current.has(station.id))).map((bench) => benchSheet(bench, build, system)),
    paper: (Object.entries(spec.paper) as [PaperKey, PaperNumber | undefined][]).flatMap(([key, paper]) => (paper ? [paperLine(key, paper, system)] : [])),
    gauges: gaugesUsed(build),
    rule: RULE_WORDS[spec.methods.rule],
    crossed: crossedOut(build),
  }
}

function benchSheet(bench: Bench, build: Build, system: UnitSystem): BenchSheet {
  const stations = bench.stations(build)
  const sheets = sheetsOf(stations).map((sheet) => ({
    columns: sheet.columns.map((column) => (sheet.across === 'main' ? `main ${column}` : column)),
    rows: sheet.rows.map((row) => {
      const unit = bench.definition.characteristics[row.characteristic]!.units[system]
      return { label: `${row.label}, ${UNITS[unit].symbol}`, cells: sheet.columns.map((column) => cellWords(build, row.stations.get(column), unit)) }
    }),
  }))
  const stationLabel = stationWords(stations)
  return {
    title: bench.definition.title,
    sheets,
    checks: benchChecks(bench, build).flatMap(({ check, label, place }) => (check ? [`${[label, subjectWords(place)].filter(Boolean).join(', ')}: ${check.passed ? 'right' : 'NOT right'}${check.text ? `, ${check.text}` : ''} (${check.by}, ${check.at.slice(0, 10)})`] : [])),
    findings: bench.derive(build).map((finding) => findingLine(finding, bench, system, stationLabel)),
  }
}

function cellWords(build: Build, station: Station | undefined, unit: UnitId): string {
  if (!station) return ''
  const reading = build.readings.current.get(station.id)
  if (!reading) return build.readings.skips.has(station.id) ? 'skipped' : '–'
  const decimals = decimalsForStep(build.gauges.get(reading.gauge)?.resolution ?? 0.01, unit)
  const low = formatNumber(reading.value, unit, decimals)
  return reading.upper === undefined ? low : `${low}/${formatNumber(reading.upper, unit, decimals)}`
}

function findingLine(finding: Finding, bench: Bench, system: UnitSystem, stationLabel: (id: string) => string): BenchSheet['findings'][number] {
  const output = bench.definition.outputs[finding.output]!
  return {
    label: `${findingTitle(finding, output)}${output.estimate ? ' (estimate)' : ''}`,
    value: finding.figure ? figureWords(finding.figure.value, output, system) : '–',
    limit: finding.limit ? `${limitWords(finding.limit, output, system)} (${finding.limit.source})` : '',
    standing: standingOf(finding),
    verdict: finding.limit || !finding.figure ? verdictWords(finding, output, system) : '',
    remark: finding.figure ? finding.remarks.map((remark) => remarkWords(remark, finding, output, system)).join(' ') : missingWords(finding.missing, stationLabel),
  }
}

function paperLine(key: PaperKey, paper: PaperNumber, system: UnitSystem): BookSheet['paper'][number] {
  const definition = paperDefinition(key)
  const unit = definition.units[system]
  const tolerance = paper.tolerance ? ` ±${Number((paper.tolerance / UNITS[unit].factor).toPrecision(3))}` : ''
  const value = key === 'intakeClosing' ? `${formatExact(paper.value - 180, 'deg')}° ABDC` : joinUnit(`${formatExact(paper.value, unit)}${tolerance}`, unit)
  return { label: definition.label, value, source: paper.source, reason: paper.reason ?? '' }
}

function gaugesUsed(build: Build): BookSheet['gauges'] {
  const readings = [...build.readings.current.values()]
  const used = new Set(readings.map((reading: Reading) => reading.gauge))
  const overdue = new Set(readings.filter((reading) => { const card = build.gauges.get(reading.gauge); return card && isOverdue(card, reading.at) }).map((reading) => reading.gauge))
  return [...used].flatMap((id) => build.gauges.get(id) ?? []).map((gauge) => {
    const show = (value: number) => Number((value / UNITS[gauge.unit].factor).toPrecision(2))
    const { symbol } = UNITS[gauge.unit]
    return { name: gauge.name, doubt: `step ${show(gauge.resolution)}, repeats to s = ${show(gauge.repeatability)}, bias ${show(gauge.bias)} (u ${show(gauge.biasU)}) ${symbol}`, checked: `${gauge.checkedOn ?? 'no check on record'}${overdue.has(gauge.id) ? ', overdue when used' : ''}` }
  })
}

/** Readings struck out or measured again: a book that proves it hides nothing. */
function crossedOut(build: Build): string[] {
  const labels = new Map(BENCHES.flatMap((bench) => bench.stations(build).map((station) => [station.id, station.label] as const)))
  return [...build.readings.history].flatMap(([station, lines]) => lines.flatMap(({ entry, state, strike }) => {
    if (entry.kind === 'skip' && state === 'current' && build.readings.skips.has(station)) return [`${labels.get(station) ?? station}: skipped, ${entry.reason} (${entry.by})`]
    if (entry.kind === 'note' && state === 'current') return [`${labels.get(station) ?? station}: note, ${entry.text} (${entry.by})`]
    if (entry.kind !== 'reading' || state === 'current') return []
    const why = strike ? `struck out, ${strike.reason} (${strike.by})` : state === 'superseded' ? 'measured again' : 'taken back'
    return [`${labels.get(station) ?? station}: ${entry.asTyped} ${why}`]
  }))
}
