import { subjectAxis, type Subject, type SubjectAxis } from '../build/place'
import type { CharacteristicId, Station } from './bench'

/** Stations that share their columns: the cylinders, the main bearings, the banks, or the engine as a whole. */
export interface SheetOf {
  readonly across: Across
  readonly columns: readonly string[]
  readonly rows: readonly SheetRow[]
}

export interface SheetRow {
  readonly label: string
  readonly characteristic: CharacteristicId
  /** The station under each column, where the row has one there. */
  readonly stations: ReadonlyMap<string, Station>
}

export type Across = SubjectAxis | 'engine'

/** The sheet a place or a finding stands on, and its column there. */
export function columnOf(subject: Subject): { readonly across: Across; readonly column: string } {
  const across = subjectAxis(subject)
  return across ? { across, column: String(subject[across]) } : { across: 'engine', column: 'engine' }
}

/** The stations of a bench ruled as a builder would: one sheet for what lies across, places down in walking order. */
export function sheetsOf(stations: readonly Station[]): readonly SheetOf[] {
  const sheets = new Map<
    Across,
    { columns: Set<string>; rows: Map<string, { characteristic: CharacteristicId; stations: Map<string, Station> }> }
  >()
  for (const station of stations) {
    const { across, column } = columnOf(station.place)
    const sheet = sheets.get(across) ?? { columns: new Set(), rows: new Map() }
    const row = sheet.rows.get(station.row) ?? { characteristic: station.characteristic, stations: new Map() }
    row.stations.set(column, station)
    sheet.columns.add(column)
    sheet.rows.set(station.row, row)
    sheets.set(across, sheet)
  }
  return [...sheets].map(([across, { columns, rows }]) => ({
    across,
    columns: [...columns],
    rows: [...rows].map(([label, row]) => ({ label, ...row })),
  }))
}

/** The places beside a station in its row of the sheet, itself among them. */
export function rowOf(station: Station, stations: readonly Station[]): readonly Station[] {
  const { across } = columnOf(station.place)
  return stations.filter(
    (one) => one.row === station.row && one.characteristic === station.characteristic && columnOf(one.place).across === across,
  )
}
