import type { Build } from '../../document/build'
import { paperAt, readingAt } from '../../document/figures'
import { stationId } from '../../document/place'
import { derivation } from '../../document/remembered'
import { EXPANSION } from '../../geometry/materials'
import { mainNumbers } from '../../geometry/crank'
import { apart, assumedFigure, difference, expand, leftOut, resultOf, type Figure } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { checkAt } from '../../bench/checks'
import { spreadAcross } from '../../bench/engineWide'
import { largestOf } from '../../bench/extremeFigure'
import { allOf, asRead, finding, isKnown, type Derived } from '../../bench/finding'
import { definition, type BearingOutput } from './definition'
import { journalOutOfRound, journalTaper, plannedClearance, spinRise, warmClearance } from './formulas'
import {
  clearanceOf,
  clearanceStation,
  JOURNAL_AXES,
  JOURNAL_ENDS,
  journalDiameter,
  journalReadings,
  journalsOf,
  type Journal,
} from './journals'
import { pendingPair, thickerBy } from './shells'
import { rodSideStations } from './stations'

export function derive(build: Build): Finding[] {
  return [
    ...kindFindings(build, 'main'),
    ...kindFindings(build, 'rod'),
    ...spinFindings(build),
    ...(build.spec.layout.mainBearings === 'plain' ? [finding(build, definition, 'bearings.endFloat', endFloat)] : []),
    finding(build, definition, 'bearings.runOut', (recorded) => asRead(recorded, 'bearings.runOut', {})),
    ...rodSides(build),
  ]
}

const READ_PLACES = 2

const OUTPUTS = {
  main: {
    clearance: 'bearings.mainClearance',
    planned: 'bearings.mainPlanned',
    spread: 'bearings.mainSpread',
    round: 'bearings.mainRound',
    taper: 'bearings.mainTaper',
    size: 'bearings.mainJournal',
  },
  rod: {
    clearance: 'bearings.rodClearance',
    planned: 'bearings.rodPlanned',
    spread: 'bearings.rodSpread',
    round: 'bearings.rodRound',
    taper: 'bearings.rodTaper',
    size: 'bearings.rodJournal',
  },
} as const satisfies Record<Journal['kind'], Record<string, BearingOutput>>

function kindFindings(build: Build, kind: Journal['kind']): Finding[] {
  const outputs = OUTPUTS[kind]
  const journals = journalsOf(build, kind)
  const each = (output: BearingOutput, of: (build: Build, journal: Journal) => Derived, which = journals) =>
    which.map((journal) => finding(build, definition, output, (recorded) => of(recorded, journal), journal.subject))
  return [
    ...each(outputs.clearance, withDirections),
    ...each(
      outputs.planned,
      plannedOf,
      journals.filter((journal) => pendingPair(build, journal)),
    ),
    ...(journals.length > 1 ? [finding(build, definition, outputs.spread, (recorded) => clearanceSpread(recorded, kind))] : []),
    ...each(outputs.round, roundOf),
    ...each(outputs.taper, taperOf),
    ...each(outputs.size, journalDiameter),
    ...(kind === 'main' && build.spec.paper.bearingTemperature ? each('bearings.mainWarm', warmOf) : []),
  ]
}

function clearanceSpread(build: Build, kind: Journal['kind']): Derived {
  const clearances = journalsOf(build, kind).map((journal) => [journal.number, clearanceOf(build, journal)] as const)
  return spreadAcross('length', new Map(clearances), kind === 'main' ? 'main' : 'cylinder')
}

/** Shells are relieved at the parting line, so 60° either side they stand a little wider; narrower there means a cap out of place. */
function withDirections(build: Build, journal: Journal): Derived {
  const clearance = clearanceOf(build, journal)
  if (!isKnown(clearance) || build.spec.methods.bearings === 'strip') return clearance
  const { characteristic, place } = clearanceStation(build, journal)
  const vertical = readingAt(build, characteristic, place)!
  const remarks = (['left60', 'right60'] as const).flatMap((spot) => {
    const beside = readingAt(build, characteristic, { ...place, spot })
    if (!beside) return []
    const narrower = difference(vertical.value, beside.value)
    return narrower.value > expand(narrower).U
      ? [{ code: 'narrowBeside', side: spot === 'left60' ? 'left' : 'right', byMm: narrower.value } as const]
      : []
  })
  return { figure: clearance.figure, remarks }
}

function plannedOf(build: Build, journal: Journal): Derived {
  const clearance = clearanceOf(build, journal)
  const thickerMm = thickerBy(build, journal)
  const chosen = pendingPair(build, journal)
  if (!isKnown(clearance) || !thickerMm || !chosen) return isKnown(clearance) ? { missing: [] } : clearance
  const remarks: Remark[] = [{ code: 'shellsPlanned', upper: chosen.upper.name, lower: chosen.lower.name }]
  return { figure: plannedClearance.of({ clearanceMm: clearance.figure, thickerMm }), remarks }
}

function roundOf(build: Build, journal: Journal): Derived {
  return worst(
    build,
    journal,
    JOURNAL_ENDS.flatMap((end) => {
      const { vertical, horizontal } = journalReadings(build, journal)[end]
      return vertical && horizontal
        ? [apart(journalOutOfRound, { label: `${end}, vertical`, figure: vertical }, { label: `${end}, horizontal`, figure: horizontal })]
        : []
    }),
  )
}

function taperOf(build: Build, journal: Journal): Derived {
  return worst(
    build,
    journal,
    JOURNAL_AXES.flatMap((axis) => {
      const readings = journalReadings(build, journal)
      const [front, rear] = [readings.front[axis], readings.rear[axis]]
      return front && rear
        ? [apart(journalTaper, { label: `front, ${axis}`, figure: front }, { label: `rear, ${axis}`, figure: rear })]
        : []
    }),
  )
}

function worst(build: Build, journal: Journal, figures: readonly Figure[]): Derived {
  const largest = largestOf(figures)
  const isPartial = figures.length < READ_PLACES
  if (largest)
    return { figure: largest, isPartial, remarks: isPartial ? [{ code: 'incomplete', used: figures.length, wanted: READ_PLACES }] : [] }
  const diameter = journalDiameter(build, journal)
  return isKnown(diameter)
    ? {
        missing: [
          {
            kind: 'reading',
            stationId: stationId(journal.kind === 'main' ? 'bearings.mainJournal' : 'bearings.rodJournal', {
              ...journal.subject,
              spot: 'rear-vertical',
            }),
          },
        ],
      }
    : diameter
}

function warmOf(build: Build, journal: Journal): Derived {
  const inputs = allOf({ clearanceMm: clearanceOf(build, journal), journalMm: journalSize(build, journal) })
  const warmDegC = paperAt(build, 'bearingTemperature')
  if (inputs.missing || !warmDegC) return { missing: inputs.missing ?? [] }
  const grows = (name: string, { perK, tolerancePerK }: { perK: number; tolerancePerK: number }) =>
    assumedFigure(name, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
  const { block, crank } = build.spec.materials
  return {
    figure: warmClearance.of({
      warmDegC,
      crankDegC: paperAt(build, 'crankTemperature') ?? warmDegC,
      wallMm: paperAt(build, 'shellWall') ?? leftOut(),
      blockPerK: grows('block', EXPANSION.part[block]),
      shellPerK: grows('shell steel', EXPANSION.part.steel),
      crankPerK: grows('crank', EXPANSION.part[crank]),
      ...inputs.figures,
    }),
  }
}

/** The journal as measured; its paper does where the clearance alone was read. */
function journalSize(build: Build, journal: Journal): Derived {
  const measured = journalDiameter(build, journal)
  const paper = paperAt(build, journal.kind === 'main' ? 'mainJournal' : 'rodJournal')
  return !isKnown(measured) && paper ? { figure: paper } : measured
}

/** Mains in the order in which their caps were tightened: that in which the torque to turn was read. */
const tightenedMains = derivation('tightenedMains', (build): string =>
  mainNumbers(build.spec.layout)
    .flatMap((main) => {
      const reading = build.readings.current.get(stationId('bearings.spin', { main }))
      return reading ? [{ main, at: build.readings.arrival.get(reading.id)! }] : []
    })
    .sort((a, b) => a.at - b.at)
    .map(({ main }) => main)
    .join(),
)

/** What each cap adds to the torque that turns the crank. */
function spinFindings(build: Build): Finding[] {
  const [first] = tightenedMains(build).split(',')
  if (!first) return []
  return journalsOf(build, 'main')
    .filter(({ number }) => String(number) !== first)
    .map(({ number, subject }) => finding(build, definition, 'bearings.spinRise', (recorded) => spinRiseOf(recorded, number), subject))
}

function spinRiseOf(build: Build, main: number): Derived {
  const order = tightenedMains(build).split(',').map(Number)
  const before = order[order.indexOf(main) - 1]
  const after = readingAt(build, 'bearings.spin', { main })
  if (before === undefined || !after) return { missing: [{ kind: 'reading', stationId: stationId('bearings.spin', { main }) }] }
  return {
    figure: resultOf(spinRise, [
      { label: `After cap ${main}`, weight: 1, figure: after },
      { label: `After cap ${before}, the one before`, weight: -1, figure: readingAt(build, 'bearings.spin', { main: before })! },
    ]),
  }
}

/** End float counts once the thrust halves are lined up and the mains stand at their final torque. */
function endFloat(build: Build): Derived {
  const wanted = (['bearings.thrustAligned', 'bearings.mainsTorqued'] as const).filter((id) => !checkAt(build, id)?.passed)
  return wanted.length === 0
    ? asRead(build, 'bearings.endFloat', {})
    : { missing: wanted.map((id) => ({ kind: 'check', label: definition.checks[id].label })) }
}

function rodSides(build: Build): Finding[] {
  return rodSideStations(build).map(({ place: { cylinder } }) =>
    finding(build, definition, 'bearings.rodSide', (recorded) => asRead(recorded, 'bearings.rodSide', { cylinder }), { cylinder }),
  )
}
