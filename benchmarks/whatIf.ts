/** Figures of what-if, in Node: a knob dragged over all benches of a V8, a search, and one cylinder beside a sheet of formulas. */
import { Parser } from 'hot-formula-parser'
import { openBuild } from '@/core/benches'
import { bareRatio, type RatioNumbers } from '@/core/benches/compression/chain'
import { closedLiftMm } from '@/core/geometry/valvetrain/closedLobe'
import { gapMm, type ValveSweep } from '@/core/geometry/valvetrain/closest'
import { knobsOf } from '@/core/whatIf/knobs'
import { combinationsOf, search, type Question } from '@/core/whatIf/search'
import { todayOf, variantOf } from '@/core/whatIf/variant'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { percentile, type Report } from './report'

const openV8 = () => openBuild(demoDocument({ ...DEMO_BUILDS[1]!, read: () => true }, new Date()))

/** Every knob over its whole rule, a stop every sixteenth: each move as it comes, nothing of it seen before. */
function dragFigures(report: Report): void {
  const today = todayOf(openV8())
  const times: number[] = []
  for (const { knob, low, high } of knobsOf(today.build))
    for (let stop = 0; stop < 16; stop++) {
      const choices = knob.choices?.(today.build)
      const value = choices ? choices[stop % choices.length]! : low + ((high - low) * (stop + 0.5)) / 16
      const started = performance.now()
      variantOf(today, { [knob.id]: value })
      times.push(performance.now() - started)
    }
  report.figure('Knob dragged, V8, all benches, median', percentile(times, 0.5), 'ms', 16)
  report.figure('Knob dragged, V8, all benches, 95th percentile', percentile(times, 0.95), 'ms', 50)
}

function searchFigure(report: Report): void {
  const steps = (from: number, by: number) => Array.from({ length: 12 }, (_, index) => from + by * index)
  const question: Question = {
    knobs: [
      { id: 'deckCut', values: steps(0, 0.025) },
      { id: 'headCut', values: steps(0, 0.025) },
      { id: 'chamber', values: steps(0, 0.3) },
      { id: 'advance.intake', values: steps(-6, 1) },
      { id: 'pocket.intake', values: steps(0, 0.1) },
    ],
    goals: [
      { figure: 'compression.compressionRatio', aim: 'near', value: 13 },
      { figure: 'clearance.intake', aim: 'most' },
    ],
  }
  const started = performance.now()
  for (const _ of search(openV8(), question));
  report.figure(`Search over ${combinationsOf(question)} variants, V8`, performance.now() - started, 'ms', 10_000)
}

const CYLINDER: RatioNumbers = {
  boreMm: 83,
  strokeMm: 92.8,
  rodMm: 144,
  pinOffsetMm: 0,
  chamberCm3: 46,
  pistonCm3: 10.2,
  deckMm: 0.05,
  gasketBoreMm: 84,
  gasketThicknessMm: 1.1,
  crownMm: 82.5,
  landHeightMm: 5,
}
const VALVE = { dropMm: 3.3, angleDeg: 15.5, liftMm: 10.2, halfDeg: 150, power: 2.6, centreDeg: 112.5, lashMm: 0.2 }
const ANGLES = Array.from({ length: 81 }, (_, index) => index - 40)

/** The sheet a builder would rule: one formula a cell, the gap in a row for every degree. */
function sheet(): Readonly<Record<string, string | number>> {
  const { boreMm, strokeMm, rodMm, chamberCm3, pistonCm3, deckMm, gasketBoreMm, gasketThicknessMm, crownMm, landHeightMm } = CYLINDER
  const given = [boreMm, strokeMm, rodMm, chamberCm3, pistonCm3, deckMm, gasketBoreMm, gasketThicknessMm, crownMm, landHeightMm]
  const { dropMm, angleDeg, liftMm, halfDeg, power, centreDeg, lashMm } = VALVE
  const valve = [dropMm, angleDeg, liftMm, halfDeg, power, centreDeg, lashMm]
  const volume = (across: string, long: string) => `PI()/4*${across}^2*${long}/1000`
  return {
    ...Object.fromEntries(given.map((value, index) => [`A${index + 1}`, value])),
    ...Object.fromEntries(valve.map((value, index) => [`B${index + 1}`, value])),
    C1: `=${volume('A1', 'A2')}`,
    C2: `=A4+${volume('A7', 'A8')}+${volume('A1', 'A6')}+A5+${volume('A1', 'A10')}-${volume('A9', 'A10')}`,
    C3: '=(C1+C2)/C2',
    C4: '=A6+A8',
    ...Object.fromEntries(
      ANGLES.flatMap((deg, index) => {
        const n = index + 1
        const drop = `(A2/2+A3-A2/2*COS(D${n}*PI()/180)-SQRT(A3^2-(A2/2*SIN(D${n}*PI()/180))^2))`
        return [
          [`D${n}`, deg],
          [`E${n}`, `=B1+${drop}*COS(B2*PI()/180)-MAX(0,B3*MAX(0,1-((D${n}-B6)/B4)^2)^B5-B7)`],
        ]
      }),
    ),
    C5: `=MIN(E1:E${ANGLES.length})`,
  }
}

/** Column letters as numbers. */
const COLUMNS = 'ABCDE'

/** Ratio, quench and clearance as a general-purpose formula engine works them out, cell by cell: each after those it asks for. */
function bySheet(): readonly number[] {
  const known = new Map<string, number>()
  const at = (row: number, column: number) => known.get(`${COLUMNS[column]}${row + 1}`)!
  const parser = new Parser()
  parser.on('callCellValue', ({ row, column }, done) => done(at(row.index, column.index)))
  parser.on('callRangeValue', (from, to, done) =>
    done(Array.from({ length: to.row.index - from.row.index + 1 }, (_, index) => [at(from.row.index + index, from.column.index)])),
  )
  for (const [cell, text] of Object.entries(sheet())) known.set(cell, typeof text === 'number' ? text : parser.parse(text.slice(1)).result)
  return ['C3', 'C4', 'C5'].map((cell) => known.get(cell)!)
}

function byUs(): readonly number[] {
  const { dropMm, angleDeg, liftMm, halfDeg, power, centreDeg, lashMm } = VALVE
  const lobe = { liftMm, halfWidthDeg: halfDeg, power }
  const sweep: ValveSweep = {
    over: { dropAtTdcMm: dropMm, angleDeg, surface: 'pocket' },
    crank: CYLINDER,
    liftMm: (deg) => Math.max(0, closedLiftMm(lobe, deg - centreDeg) - lashMm),
  }
  return [bareRatio(CYLINDER), CYLINDER.deckMm + CYLINDER.gasketThicknessMm, Math.min(...ANGLES.map((deg) => gapMm(sweep, deg)))]
}

const ROUNDS = { sheet: 40, us: 4000 }
/** What is worked out by formulas over cells is no faster than this many times ours. */
const LEAST_TIMES = 1

function sheetFigure(report: Report): void {
  const [theirs, ours] = [bySheet(), byUs()]
  const apart = Math.max(...theirs.map((value, index) => Math.abs(value - ours[index]!)))
  report.figure('Ratio, quench and clearance beside a sheet of formulas, apart', apart, 'mm', 1e-9)
  const timed = (rounds: number, run: () => void) => {
    run()
    const started = performance.now()
    for (let round = 0; round < rounds; round++) run()
    return (performance.now() - started) / rounds
  }
  const [sheetMs, ourMs] = [timed(ROUNDS.sheet, bySheet), timed(ROUNDS.us, byUs)]
  console.log(
    `     one cylinder: ${ourMs.toFixed(4)} ms here, ${sheetMs.toFixed(2)} ms by the sheet, ${(sheetMs / ourMs).toFixed(0)} times`,
  )
  report.figure('One cylinder, ours over the sheet of formulas', ourMs / sheetMs, 'times', LEAST_TIMES)
}

export function whatIfFigures(report: Report): void {
  dragFigures(report)
  searchFigure(report)
  sheetFigure(report)
}
