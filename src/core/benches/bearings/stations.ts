import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import type { Place } from '../../document/types'
import { cylinderNumbers, sharedPins } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import type { BearingCharacteristic } from './definition'
import { clearanceStation, JOURNAL_AXES, JOURNAL_ENDS, journalPlace, journalsOf, SHELL_DIRECTIONS, type Journal } from './journals'

const DIRECTION_WORDS = { vertical: 'vertical', left60: '60° left of vertical', right60: '60° right of vertical' } as const
const DIRECTION_ROWS = { vertical: 'Shells, vertical', left60: 'Shells, 60° left', right60: 'Shells, 60° right' } as const
const WIDEST_CLEARANCE_MM = 0.2

/** Journals, then the clearances of every main and rod, then the crank as a whole. */
export function stations(build: Build): readonly Station[] {
  const mains = journalsOf(build, 'main')
  const rods = journalsOf(build, 'rod')
  return [
    ...mains.flatMap((journal) => journalStations(build, journal)),
    ...mains.flatMap((journal) => clearanceStations(build, journal)),
    ...mains.map(({ number }) =>
      station('bearings.spin', { main: number }, `Torque to turn after cap ${number}`, 'Torque to turn', { low: 0, high: 60 }),
    ),
    ...(build.spec.layout.mainBearings === 'plain'
      ? [station('bearings.endFloat', {}, 'Crank end float', 'End float', { low: 0.02, high: 0.6 })]
      : []),
    station('bearings.runOut', {}, 'Run-out at the middle main', 'Run-out', { low: 0, high: 0.3 }),
    ...rods.flatMap((journal) => journalStations(build, journal)),
    ...rods.flatMap((journal) => clearanceStations(build, journal)),
    ...rodSideStations(build),
  ]
}

const name = ({ kind, number }: Journal) => (kind === 'main' ? `Main ${number}` : `Cylinder ${number}, rod journal`)

function journalStations(build: Build, journal: Journal): Station[] {
  const nominalMm = build.spec.paper[journal.kind === 'main' ? 'mainJournal' : 'rodJournal']?.value
  const expected = nominalMm === undefined ? { low: 15, high: 150 } : { low: nominalMm - 1.1, high: nominalMm + 0.3 }
  return JOURNAL_ENDS.flatMap((end) =>
    JOURNAL_AXES.map((axis) =>
      station(
        journal.kind === 'main' ? 'bearings.mainJournal' : 'bearings.rodJournal',
        journalPlace(journal, end, axis),
        `${name(journal)}${journal.kind === 'main' ? ', journal' : ''}, ${end} end, ${axis}`,
        `${end[0]!.toUpperCase()}${end.slice(1)}, ${axis}`,
        expected,
        nominalMm,
      ),
    ),
  )
}

function clearanceStations(build: Build, journal: Journal): Station[] {
  const { characteristic } = clearanceStation(build, journal)
  const of = characteristic as BearingCharacteristic
  const clearance = { low: 0, high: WIDEST_CLEARANCE_MM }
  switch (build.spec.methods.bearings) {
    case 'strip':
      return [station(of, { ...journal.subject }, `${name(journal)}, strip width`, 'Strip', clearance)]
    case 'direct':
      return SHELL_DIRECTIONS.map((spot) =>
        station(
          of,
          { ...journal.subject, spot },
          `${name(journal)}, clearance on the dial, ${DIRECTION_WORDS[spot]}`,
          DIRECTION_ROWS[spot],
          clearance,
        ),
      )
    case 'separate': {
      const nominalMm = build.spec.paper[journal.kind === 'main' ? 'mainJournal' : 'rodJournal']?.value
      const expected = nominalMm === undefined ? { low: 15, high: 150 } : { low: nominalMm - 1, high: nominalMm + 0.4 }
      return SHELL_DIRECTIONS.map((spot) =>
        station(
          of,
          { ...journal.subject, spot },
          `${name(journal)}, inside the shells, ${DIRECTION_WORDS[spot]}`,
          DIRECTION_ROWS[spot],
          expected,
          nominalMm,
        ),
      )
    }
  }
}

/** Rods that share a pin have one gap between them, read at the lower number; a rod alone on its pin has its own. */
export function rodSideStations(build: Build): Station[] {
  const { layout } = build.spec
  const pairs = sharedPins(layout).map(({ cylinders }) => [...cylinders].sort((a, b) => a - b))
  const first = (cylinder: number) => pairs.find((pair) => pair.includes(cylinder))
  return cylinderNumbers(layout).flatMap((cylinder) => {
    const pair = first(cylinder)
    if (!pair) return [rodSide(cylinder, `Cylinder ${cylinder}, rod side clearance`)]
    return pair[0] === cylinder ? [rodSide(cylinder, `Rods ${pair.join(' and ')}, side clearance of the pair`)] : []
  })
}

function rodSide(cylinder: number, label: string): Station {
  return station('bearings.rodSide', { cylinder }, label, 'Rod side', { low: 0.05, high: 1.2 })
}

/** Marks stand on the crank: mains at their bearing, pins in their cylinder; each kind of reading beside the other. */
const DRAWN: Readonly<Partial<Record<BearingCharacteristic, { x: number; y: number }>>> = {
  'bearings.mainJournal': { x: 0, y: 0.3 },
  'bearings.spin': { x: 0, y: 0.62 },
  'bearings.mainClearance': { x: 0, y: 0 },
  'bearings.mainInside': { x: 0, y: 0 },
  'bearings.mainStrip': { x: 0, y: 0 },
  'bearings.rodJournal': { x: -0.3, y: 0 },
  'bearings.rodSide': { x: 0, y: -0.45 },
}

function station(
  characteristic: BearingCharacteristic,
  place: Place,
  label: string,
  row: string,
  expected: Station['expected'],
  nominal?: number,
): Station {
  return {
    id: stationId(characteristic, place),
    characteristic,
    place,
    label,
    row,
    expected,
    ...(nominal !== undefined && { nominal, usual: { centre: nominal, stray: 0.1 } }),
    drawnAt: DRAWN[characteristic] ?? { x: 0.2, y: 0 },
  }
}
