/**
 * What a kind of entry is, in one place: its schema, what it points at, what a door asks of it, its words, and how it is taken back.
 * A new kind is one file here, and its lines in `all.ts` and `schemas.ts`: one left out does not compile.
 */
import type { z } from 'zod'
import type { FileIssue, Path } from '../fileIssue'
import type { Place } from '../place'
import type { SCHEMA_PARTS } from './schemaParts'

/**
 * Given to a schema rather than imported by it: a page knows every kind of entry, and loads neither their schemas nor the library that
 * checks them.
 */
export type SchemaParts = typeof SCHEMA_PARTS

/** By which of its fields an entry points at another. */
export type PointerName = 'target' | 'supersedes' | 'settles' | 'follows' | 'instead'

export interface Pointer {
  readonly name: PointerName
  readonly id: string
}

/** What of an entry decides whether another may point at it. */
export interface PointedAt {
  readonly kind: string
  /** The run, part or damage it belongs to; undefined for every other kind. */
  readonly subject: string | undefined
  readonly isTakenBackByUndo: boolean
}

/** An entry about a place at a bench. */
interface AtStation {
  readonly characteristic: string
  readonly place: Place
}

/** What a door knows of a build and of the program, to hold an entry's names and numbers against. */
export interface Known {
  /** Whether a place is one the engine has. */
  readonly placeIssues: (place: Place, path: Path) => readonly FileIssue[]
  /** Its place, and whether a bench reads such a thing. */
  readonly stationIssues: (entry: AtStation, path: Path) => readonly FileIssue[]
  /** Its place, and whether a bench has such a check. */
  readonly checkIssues: (entry: AtStation, path: Path) => readonly FileIssue[]
  /** Its place; unit, gauge and range of what was read. */
  readonly readIssues: (
    entry: AtStation & { readonly value: number; readonly upper?: number; readonly unit: string; readonly gauge: string },
    path: Path,
  ) => readonly FileIssue[]
  /** How many fasteners a joint has; undefined where there is no such joint. */
  readonly fastenersOf: (joint: string) => number | undefined
  readonly names: Readonly<Record<'change' | 'partKind' | 'partMaterial' | 'fitCheck', readonly string[]>>
}

export interface EntryKind<Entry> {
  /** Its fields that hold the id of another entry, or of several. */
  readonly ids: readonly string[]
  /** The entry that began what it belongs to: its own id where it is that one. */
  readonly subject?: (entry: Entry) => string
  /** What it says something of. */
  readonly pointers: (entry: Entry) => readonly Pointer[]
  readonly mayPointAt: (entry: Entry, at: PointedAt) => boolean
  /** `false`: a run is taken back step by step, by the run itself. */
  readonly isTakenBackByUndo: boolean
  /** Everything it contradicts: what it names, where it says it was, what it says was read. */
  readonly issues: (entry: Entry, known: Known, path: Path) => readonly FileIssue[]
  /** `false`: an older door took any name, so that a file opens whatever it names, and the entry moves nothing. */
  readonly isAskedInFiles: boolean
  /** What it says, in a line. */
  readonly words: (entry: Entry) => string
}

export type SchemaOf = (parts: SchemaParts) => z.ZodType

const USUAL = { ids: [], pointers: () => [], mayPointAt: () => false, isTakenBackByUndo: true, issues: () => [], isAskedInFiles: true }

/** A kind whose entries are of the shape that `Schema` gives them; what it does not say is as for most. */
export function entryKind<Schema extends SchemaOf>(
  described: Pick<EntryKind<z.infer<ReturnType<Schema>>>, 'words'> & Partial<EntryKind<z.infer<ReturnType<Schema>>>>,
): EntryKind<z.infer<ReturnType<Schema>>> {
  return { ...USUAL, ...described }
}

/** A name that is said and that nobody knows. */
export function nameIssues(name: string | undefined, known: readonly string[], path: Path): readonly FileIssue[] {
  return name === undefined || known.includes(name) ? [] : [{ code: 'unknownName', path, name }]
}
