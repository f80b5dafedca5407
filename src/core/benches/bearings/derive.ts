import { paperAt, readingAt, type Build } from '../../build/build'
import { stationId } from '../../build/place'
import { EXPANSION } from '../../engine'
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
  journalReading,
  journalsOf,
  type Journal,
} from './journals'
import { pendingPair, thickerBy } from './shells'
import { stations } from './stations'

export function derive(build: Build): Finding[] {
  return [
    ...kindFindings(build, 'main'),
    ...kindFindings(build, 'rod'),
    ...spinFindings(build),
    ...(build.spec.layout.mainBearings === 'plain' ? [endFloat(build)] : []),
    whole(build, 'runOut'),
    ...rodSides(build),
  ]
}

const READ_PLACES = 2

const OUTPUTS = {
  main: {
    clearance: 'mainClearance',
    planned: 'mainPlanned',
    spread: 'mainSpread',
    round: 'mainRound',
    taper: 'mainTaper',
    size: 'mainJournal',
  },
  rod: { clearance: 'rodClearance', planned: 'rodPlanned', spread: 'rodSpread', round: 'rodRound', taper: 'rodTaper', size: 'rodJournal' },
} as const satisfies Record<Journal['kind'], Record<string, BearingOutput>>

function kindFindings(build: Build, kind: Journal['kind']): Finding[] {
  const outputs = OUTPUTS[kind]
  const journals = journalsOf(build, kind)
  const clearances = new Map(journals.map((journal) => [journal.number, clearanceOf(build, journal)]))
  const each = (output: BearingOutput, of: (journal: Journal) => Derived) =>
    journals.map((journal) => finding(build, definition, output, of(journal), journal.subject))
  const planned = journals.filter((journal) => pendingPair(build, journal))
  return [
    ...each(outputs.clearance, (journal) => withDirections(build, journal, clearances.get(journal.number)!)),
    ...planned.map((journal) =>
      finding(build, definition, outputs.planned, plannedOf(build, journal, clearances.get(journal.number)!), journal.subject),
    ),
    ...(journals.length > 1
      ? [finding(build, definition, outputs.spread, spreadAcross('length', clearances, kind === 'main' ? 'main' : 'cylinder'))]
      : []),
    ...each(outputs.round, (journal) => roundOf(build, journal)),
    ...each(outputs.taper, (journal) => taperOf(build, journal)),
    ...each(outputs.size, (journal) => journalDiameter(build, journal)),
    ...(kind === 'main' && build.spec.paper.bearingTemperature
      ? each('mainWarm', (journal) => warmOf(build, journal, clearances.get(journal.number)!))
      : []),
  ]
}

/** Shells are relieved at the parting line, so 60° either side they stand a little wider; narrower there means a cap out of place. */
function withDirections(build: Build, journal: Journal, clearance: Derived): Derived {
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
  return { ...clearance, remarks }
}

function plannedOf(build: Build, journal: Journal, clearance: Derived): Derived {
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
      const [vertical, horizontal] = JOURNAL_AXES.map((axis) => journalReading(build, journal, end, axis))
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
      const [front, rear] = JOURNAL_ENDS.map((end) => journalReading(build, journal, end, axis))
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
            stationId: stationId(journal.kind === 'main' ? 'mainJournal' : 'rodJournal', { ...journal.subject, spot: 'rear-vertical' }),
          },
        ],
      }
    : diameter
}

function warmOf(build: Build, journal: Journal, clearance: Derived): Derived {
  const inputs = allOf({ clearanceMm: clearance, journalMm: journalSize(build, journal) })
  const warmDegC = paperAt(build, 'bearingTemperature')
  if (inputs.missing || !warmDegC) return { missing: inputs.missing ?? [] }
  const grows = (name: string, { perK, tolerancePerK }: { perK: number; tolerancePerK: number }) =>
    assumedFigure(name, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
  const { block, crank } = build.spec.materials
  return {
    figure: warmClearance.of({
      ...inputs.figures,
      warmDegC,
      crankDegC: paperAt(build, 'crankTemperature') ?? warmDegC,
      wallMm: paperAt(build, 'shellWall') ?? leftOut(),
      blockPerK: grows('block', EXPANSION.part[block]),
      shellPerK: grows('shell steel', EXPANSION.part.steel),
      crankPerK: grows('crank', EXPANSION.part[crank]),
    }),
  }
}

/** The journal as measured; its paper does where the clearance alone was read. */
function journalSize(build: Build, journal: Journal): Derived {
  const measured = journalDiameter(build, journal)
  const paper = paperAt(build, journal.kind === 'main' ? 'mainJournal' : 'rodJournal')
  return !isKnown(measured) && paper ? { figure: paper } : measured
}

/** What each cap adds to the torque that turns the crank, in the order in which the caps were tightened: that of their readings. */
function spinFindings(build: Build): Finding[] {
  const mains = journalsOf(build, 'main')
  const arrivalAt = ({ number }: Journal) =>
    build.readings.arrival.get(build.readings.current.get(stationId('spin', { main: number }))?.id ?? '')
  const tightened = mains.filter((journal) => arrivalAt(journal) !== undefined).sort((a, b) => arrivalAt(a)! - arrivalAt(b)!)
  if (tightened.length === 0) return []
  return mains
    .filter((journal) => journal !== tightened[0])
    .map((journal) => {
      const { number, subject } = journal
      const before = tightened[tightened.indexOf(journal) - 1]
      const after = readingAt(build, 'spin', { main: number })
      const derived: Derived =
        before && after
          ? {
              figure: resultOf(spinRise, [
                { label: `After cap ${number}`, weight: 1, figure: after },
                {
                  label: `After cap ${before.number}, the one before`,
                  weight: -1,
                  figure: readingAt(build, 'spin', { main: before.number })!,
                },
              ]),
            }
          : { missing: [{ kind: 'reading', stationId: stationId('spin', { main: number }) }] }
      return finding(build, definition, 'spinRise', derived, subject)
    })
}

/** End float counts once the thrust halves are lined up and the mains stand at their final torque. */
function endFloat(build: Build): Finding {
  const wanted = (['thrustAligned', 'mainsTorqued'] as const).filter((id) => !checkAt(build, id)?.passed)
  if (wanted.length === 0) return whole(build, 'endFloat')
  return finding(build, definition, 'endFloat', { missing: wanted.map((id) => ({ kind: 'check', label: definition.checks[id].label })) })
}

function whole(build: Build, output: 'endFloat' | 'runOut'): Finding {
  return finding(build, definition, output, asRead(build, output, {}))
}

function rodSides(build: Build): Finding[] {
  return stations(build)
    .filter(({ characteristic }) => characteristic === 'rodSide')
    .map(({ place }) => finding(build, definition, 'rodSide', asRead(build, 'rodSide', place), { cylinder: place.cylinder }))
}
