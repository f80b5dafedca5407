import { cylinderOf, subjectAxis, type Place, type Subject, type SubjectAxis } from '../document/place'
import type { CharacteristicId, Station } from './bench'

/** Stations that share their columns: the cylinders, the main bearings, the banks, or the engine as a whole. */
export interface SheetOf {
  readonly across: Across
  readonly columns: readonly string[]
  readonly rows: readonly SheetRow[]
}

export interface SheetRow {
  readonly label: string
  /** Which of several of a kind in a column the row is of: valves of a cylinder. */
  readonly line?: string
  readonly characteristic: CharacteristicId
  /** The station under each column, where the row has one there. */
  readonly stations: ReadonlyMap<string, Station>
}

export type Across = SubjectAxis | 'engine'

/** The sheet a finding stands on, and its column there. */
export function columnOf(subject: Subject): { readonly across: Across; readonly column: string } {
  const across = subjectAxis(subject)
  return across ? { across, column: String(subject[across]) } : { across: 'engine', column: 'engine' }
}

/** Valves are read cylinder by cylinder: a row is of one of them in each, as "intake b". */
function lineOf({ valve }: Place): string | undefined {
  return valve?.replace(/\d+/, ' ').trim()
}

function columnOfStation(place: Place): { readonly across: Across; readonly column: string } {
  const cylinder = place.valve === undefined ? undefined : cylinderOf(place)
  return cylinder === undefined ? columnOf(place) : { across: 'cylinder', column: String(cylinder) }
}

/** The stations of a bench ruled as a builder would: one sheet for what lies across, places down in walking order. */
export function sheetsOf(stations: readonly Station[]): readonly SheetOf[] {
  const sheets = new Map<
    Across,
    { columns: Set<string>; rows: Map<string, Omit<SheetRow, 'label' | 'stations'> & { stations: Map<string, Station> }> }
  >()
  for (const station of stations) {
    const { across, column } = columnOfStation(station.place)
    const line = lineOf(station.place)
    const label = line === undefined ? station.row : `${station.row}, ${line}`
    const sheet = sheets.get(across) ?? { columns: new Set(), rows: new Map() }
    const row = sheet.rows.get(label) ?? {
      characteristic: station.characteristic,
      stations: new Map(),
      ...(line !== undefined && { line }),
    }
    row.stations.set(column, station)
    sheet.columns.add(column)
    sheet.rows.set(label, row)
    sheets.set(across, sheet)
  }
  return [...sheets].map(([across, { columns, rows }]) => ({
    across,
    columns: across === 'cylinder' ? [...columns].sort((a, b) => Number(a) - Number(b)) : [...columns],
    rows: [...rows].map(([label, row]) => ({ label, ...row })),
  }))
}

/** The places beside a station in its row of the sheet, itself among them. */
export function rowOf(station: Station, stations: readonly Station[]): readonly Station[] {
  const { across } = columnOfStation(station.place)
  const line = lineOf(station.place)
  return stations.filter(
    (one) =>
      one.row === station.row &&
      one.characteristic === station.characteristic &&
      columnOfStation(one.place).across === across &&
      lineOf(one.place) === line,
  )
}
