import type { Build } from '../../document/build'
import { readingAt, zeroedReadingAt } from '../../document/figures'
import { stationId, type Subject } from '../../document/place'
import { remembered } from '../../document/remembered'
import type { Gauge, Place, Reading } from '../../document/types'
import { cylinderNumbers, mainNumbers } from '../../geometry/crank'
import { resultOf, type Figure } from '../../metrology'
import type { CharacteristicId, Missing } from '../../bench/bench'
import type { Derived } from '../../bench/finding'
import { bearingClearance, journalMean } from './formulas'

/** A journal of the crank with its bearing: a main, or the pin of a cylinder's rod. */
export interface Journal {
  readonly kind: 'main' | 'rod'
  readonly number: number
  readonly subject: Subject
}

/** Where a journal is read: near each end, on two axes. */
export const JOURNAL_ENDS = ['front', 'rear'] as const
export const JOURNAL_AXES = ['vertical', 'horizontal'] as const
/** Where the inside of fitted shells is read; 60° either side clear of the relief at the parting line. */
export const SHELL_DIRECTIONS = ['vertical', 'left60', 'right60'] as const

const CHARACTERISTICS = {
  main: { journal: 'bearings.mainJournal', direct: 'bearings.mainClearance', separate: 'bearings.mainInside', strip: 'bearings.mainStrip' },
  rod: { journal: 'bearings.rodJournal', direct: 'bearings.rodClearance', separate: 'bearings.rodInside', strip: 'bearings.rodStrip' },
} as const

export function journalsOf(build: Build, kind: Journal['kind']): readonly Journal[] {
  const { mainBearings, rodBearings } = build.spec.layout
  // Rolling elements have no shells and no clearance to measure.
  if ((kind === 'main' ? mainBearings : rodBearings) === 'rolling') return []
  return kind === 'main'
    ? mainNumbers(build.spec.layout).map((main) => ({ kind, number: main, subject: { main } }))
    : cylinderNumbers(build.spec.layout).map((cylinder) => ({ kind, number: cylinder, subject: { cylinder } }))
}

/** The name a journal's shells are chosen under. */
export function journalName({ kind, number }: Journal): string {
  return `${kind}.${number}`
}

export function journalPlace(journal: Journal, end: JournalEnd, axis: JournalAxis): Place {
  return spotOn(journal, `${end}-${axis}`)
}

function spotOn({ kind, number }: Journal, spot: string): Place {
  return kind === 'main' ? { main: number, spot } : { cylinder: number, spot }
}

type JournalEnd = (typeof JOURNAL_ENDS)[number]
type JournalAxis = (typeof JOURNAL_AXES)[number]

/** The diameters of a journal as read; undefined where it was not. */
export function journalReadings(
  build: Build,
  journal: Journal,
): Readonly<Record<JournalEnd, Readonly<Record<JournalAxis, Figure | undefined>>>> {
  return remembered(build, `journalReadings/${journalName(journal)}`, (recorded) => {
    const at = (end: JournalEnd, axis: JournalAxis) =>
      readingAt(recorded, CHARACTERISTICS[journal.kind].journal, journalPlace(journal, end, axis))
    const both = (end: JournalEnd) => ({ vertical: at(end, 'vertical'), horizontal: at(end, 'horizontal') })
    return { front: both('front'), rear: both('rear') }
  })
}

/** Mean diameter: once one end was read on both axes. */
export function journalDiameter(build: Build, journal: Journal): Derived {
  return remembered(build, `journal/${journalName(journal)}`, (recorded) => meanDiameter(recorded, journal))
}

function meanDiameter(build: Build, journal: Journal): Derived {
  const readings = journalReadings(build, journal)
  const read = JOURNAL_ENDS.flatMap((end) => {
    const { vertical, horizontal } = readings[end]
    return vertical && horizontal
      ? [
          { label: `${end}, vertical`, figure: vertical },
          { label: `${end}, horizontal`, figure: horizontal },
        ]
      : []
  })
  if (read.length === 0) {
    const { journal: characteristic } = CHARACTERISTICS[journal.kind]
    return {
      missing: JOURNAL_AXES.map((axis) => ({
        kind: 'reading',
        stationId: stationId(characteristic, journalPlace(journal, 'front', axis)),
      })),
    }
  }
  return {
    figure: resultOf(
      journalMean,
      read.map(({ label, figure }) => ({ label, figure, weight: 1 / read.length })),
    ),
  }
}

/** The micrometer that read a journal, on which the bore gauge was zeroed; the drawer's first where the journal was not read. */
function micrometerOf(build: Build, journal: Journal): Gauge | undefined {
  const { journal: characteristic } = CHARACTERISTICS[journal.kind]
  const reading = build.readings.current.get(stationId(characteristic, journalPlace(journal, 'front', 'vertical')))
  return (reading && build.gauges.get(reading.gauge)) ?? [...build.gauges.values()].find(({ use }) => use === 'micrometer')
}

/** Where the build's method reads the clearance of a journal, or what it follows from. */
export function clearanceStation(build: Build, journal: Journal): { characteristic: CharacteristicId; place: Place } {
  const { bearings } = build.spec.methods
  return {
    characteristic: CHARACTERISTICS[journal.kind][bearings],
    place: bearings === 'strip' ? journal.subject : spotOn(journal, 'vertical'),
  }
}

/** The reading the clearance of a journal rests on, whatever the method. */
export function clearanceReading(build: Build, journal: Journal): Reading | undefined {
  const { characteristic, place } = clearanceStation(build, journal)
  return build.readings.current.get(stationId(characteristic, place))
}

/**
 * Vertical clearance of a journal. Zeroed on the micrometer that read the journal, the bore gauge shows the clearance itself:
 * both biases cancel, the noise of micrometer and zero does not. Read apart, both gauges bring their own.
 */
export function clearanceOf(build: Build, journal: Journal): Derived {
  return remembered(build, `bearingClearance/${journalName(journal)}`, (recorded) => verticalClearance(recorded, journal))
}

function verticalClearance(build: Build, journal: Journal): Derived {
  const { characteristic, place } = clearanceStation(build, journal)
  const micrometer = build.spec.methods.bearings === 'direct' ? micrometerOf(build, journal) : undefined
  const figure = micrometer ? zeroedReadingAt(build, characteristic, place, micrometer) : readingAt(build, characteristic, place)
  const missing: Missing[] = [{ kind: 'reading', stationId: stationId(characteristic, place) }]
  if (build.spec.methods.bearings !== 'separate') return figure ? { figure } : { missing }
  const diameter = journalDiameter(build, journal)
  if (!figure || !('figure' in diameter))
    return { missing: [...(figure ? [] : missing), ...('figure' in diameter ? [] : diameter.missing)] }
  return { figure: bearingClearance.of({ insideMm: figure, journalMm: diameter.figure }) }
}
