import { stationId } from './place'
import { pointsAt } from './pointsAt'
import type { HistoryLine } from './readings'
import type { Build } from './build'
import type { Entry, Reading } from './types'

/** Places of the latest entries are kept whole: a slip is taken back soon, and what it hid counts again. */
const RECENT = 20

/**
 * The entries without which something would be found otherwise, in order of arrival: what counts at each place, what does not know
 * of it, the last word on each check, notes; and whole places where more than that counts, as where a ring was on the file or a cam
 * was set and read again. All else is history: measured again since, read of the part before it was worked on, struck out, taken back.
 */
export function effectiveEntries(build: Build): readonly Entry[] {
  const { history } = build.readings
  const whole = new Set(placesOf(build, [...anchors(build), ...build.entries.slice(-RECENT)]))
  const kept = new Set<string>()
  for (const [station, lines] of history) {
    if (lines.some(({ entry }) => entry.kind === 'reading' && (entry.strokes !== undefined || isOfLoop(build, entry)))) whole.add(station)
    for (const line of lines) {
      if (!counts(build, station, line)) continue
      kept.add(line.entry.id)
      if (line.move) kept.add(line.move.id)
    }
  }
  for (const id of aboutPlaces(build, whole)) kept.add(id)
  // What was chosen or planned is worked out from them, be they of a place or not.
  for (const { id } of anchors(build)) kept.add(id)
  return build.entries.filter(({ id }) => kept.has(id)).map((entry) => withoutPast(entry, kept))
}

/** Where a cam is set and read again, each round says what tightening moves; the rows of a curve say no more for being read again. */
function isOfLoop({ spec: { planned = [] } }: Build, { place: { cam, degree } }: Reading): boolean {
  return cam !== undefined && degree === undefined && planned.some(({ work }) => work.what === 'turnCam' && work.cam === cam)
}

/** Everything that is about one place: its entries, what moved there or away, what struck out or took back, in order of arrival. */
export function entriesAt(build: Build, station: string): readonly Entry[] {
  const about = aboutPlaces(build, new Set([station]))
  return build.entries.filter(({ id }) => about.has(id))
}

function counts({ readings }: Build, station: string, { entry, state }: HistoryLine): boolean {
  switch (entry.kind) {
    case 'reading':
      return state === 'current' || state === 'conflicting'
    case 'note':
      return state === 'current'
    case 'skip':
      return readings.skips.get(station) === entry
    case 'check':
      return readings.checks.get(station) === entry
  }
}

/** Entries by which it is known what was read before parts were chosen or work was planned. */
function anchors({ entries, spec: { choice, planned = [] } }: Build): readonly Entry[] {
  const { gasket, pistons } = choice.chosenAfter ?? {}
  const shells = Object.values(choice.shells ?? {}).map(({ plannedOn }) => plannedOn)
  const gaskets = (choice.formerGaskets ?? []).map(({ until }) => until)
  const ids = new Set([gasket, pistons, ...gaskets, ...shells, ...planned.map(({ after }) => after)])
  return entries.filter(({ id }) => ids.has(id))
}

/** The places entries are about, of whatever kind they are. */
function placesOf(build: Build, entries: readonly Entry[]): readonly string[] {
  const byId = new Map(build.entries.map((entry) => [entry.id, entry]))
  return entries.flatMap((given) => {
    const places: string[] = []
    let entry: Entry | undefined = given
    // An undo may be of an undo; what it is of in the end has a place.
    for (const seen = new Set<string>(); entry && !seen.has(entry.id); entry = 'target' in entry ? byId.get(entry.target) : undefined) {
      seen.add(entry.id)
      if (entry.kind === 'move') places.push(...placesMovedTo(build, entry.id))
      if ('characteristic' in entry) places.push(stationId(entry.characteristic, entry.place))
    }
    return places
  })
}

function placesMovedTo({ readings: { history } }: Build, moveId: string): readonly string[] {
  return [...history].flatMap(([station, lines]) => (lines.some(({ move }) => move?.id === moveId) ? [station] : []))
}

/** Ids of all that is about places: entered there, moved there or away, struck out, taken back. */
function aboutPlaces(build: Build, stations: ReadonlySet<string>): ReadonlySet<string> {
  const about = new Set<string>()
  for (const station of stations) {
    for (const { entry, move } of build.readings.history.get(station) ?? []) {
      about.add(entry.id)
      if (move) about.add(move.id)
    }
  }
  const targeting = build.entries.flatMap((entry) => ('target' in entry ? [entry] : []))
  for (let known = -1; known < about.size;) {
    known = about.size
    for (const { id, target } of targeting) if (about.has(target)) about.add(id)
  }
  return about
}

/** A reading that says nothing of what is not kept: whether it counts does not hang on it. */
function withoutPast(entry: Entry, kept: ReadonlySet<string>): Entry {
  if (entry.kind !== 'reading' || pointsAt(entry).every((id) => kept.has(id))) return entry
  const { supersedes, settles = [], ...reading } = entry
  const stillSettled = settles.filter((id) => kept.has(id))
  return {
    ...reading,
    ...(supersedes !== undefined && kept.has(supersedes) && { supersedes }),
    ...(stillSettled.length > 0 && { settles: stillSettled }),
  }
}
