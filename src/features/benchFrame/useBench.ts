'use client'
import { useCallback, useMemo, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { Bench, Id, Station } from '@/core/bench/bench'
import {
  currentCards,
  lastOf,
  openBuildWith,
  partStateOf,
  stationId,
  withEntries,
  type Build,
  type BuildDocument,
  type Entry,
  type Gauge,
  type Growth,
  type Place,
  type Reading,
} from '@/core/document'
import { serverStamp } from '@/features/entries/serverTime'
import type { KeepResult } from '@/features/entries/outbox'
import type { ServerCopy } from '@/features/entries/servedBuild'
import { useEntries } from '@/features/entries/useEntries'
import { useStations } from './useStations'
import { usePartStates, type PartStates } from './usePartState'

/** A reading being typed, before Enter: shown in the ledger, stored nowhere. */
export interface Draft {
  readonly station: Station
  readonly value: number
  readonly upper?: number
  readonly plusMinus?: number
  readonly unit: Reading['unit']
  readonly gauge: string
  readonly temperature?: PartTemperature
  /** Strokes of the ring file since the reading before. */
  readonly strokes?: number
  /** An angle read against the running direction. */
  readonly turnedBack?: true | undefined
}

/** Where part and gauge are not at 20 °C. */
export interface PartTemperature {
  readonly partTempC: number
  readonly gaugeTempC: number
}

const DRAFT_ID = 'ffffffff-ffff-7fff-bfff-ffffffffffff'

interface BenchProps {
  readonly document: BuildDocument
  /** What the server has beside the entries of the document. */
  readonly served: ServerCopy
  readonly growth: Growth
  readonly bench: Bench
  readonly initials: string
  readonly startAt: string | undefined
}

/** Everything a bench screen works with: the build as this device knows it, the current place, and what can be done there. */
export function useBench({ document, served, growth, bench, initials, startAt }: BenchProps) {
  const entries = useEntries(document.id, document.entries, served)
  const fromServer = useMemo(() => openBuildWith(document, growth), [document, growth])
  // A card put into the drawer after this copy was made is not in it: its readings are kept and sent, but cannot be worked with yet.
  const build = useMemo(
    () =>
      withEntries(
        fromServer,
        entries.added.filter((entry) => entry.kind !== 'reading' || fromServer.gauges.has(entry.gauge)),
      ),
    [fromServer, entries.added],
  )
  const stations = useStations(bench, build)
  const [draft, setDraft] = useState<Draft>()
  const partStates = usePartStates(document.id)
  /** Until someone moves, the current place is the first open one. */
  const [pickedId, setCurrentId] = useState(startAt)
  // A place may be wanted no longer by what was read meanwhile.
  const picked = pickedId === undefined ? undefined : stations.find(({ id }) => id === pickedId)
  const current = picked ?? stations.find(({ id }) => id === firstOpen(stations, build)) ?? stations[0]

  const settled = useMemo(() => bench.derive(build), [bench, build])
  const findings = useMemo(
    () => (draft ? bench.derive(withEntries(build, [draftEntry(draft, build, partStates)])) : settled),
    [bench, build, draft, partStates, settled],
  )

  const gauges = useMemo(() => currentCards(document.gauges as Gauge[]), [document.gauges])
  const { go, step } = useMoves(stations, setCurrentId, setDraft)
  const { add } = entries
  const acts = useMemo(() => actsOf(add, build, stations, bench, setCurrentId, partStates), [add, bench, build, partStates, stations])
  const signing = useSigning(initials)

  return {
    bench,
    build,
    stations,
    current,
    findings,
    settled,
    draft,
    setDraft,
    partStates,
    gauges,
    added: entries.added,
    unsent: entries.unsent,
    refused: entries.refused,
    trouble: entries.trouble,
    dropRefused: entries.drop,
    isDone: stations.length > 0 && stations.every((station) => !isOpen(station, build)),
    go,
    step,
    acts,
    ...signing,
  }
}

/** From place to place; what was being typed stays behind. */
function useMoves(stations: readonly Station[], setCurrentId: (id: string) => void, setDraft: (draft: undefined) => void) {
  const go = useCallback(
    (id: string | undefined) => {
      if (id === undefined) return
      setCurrentId(id)
      setDraft(undefined)
    },
    [setCurrentId, setDraft],
  )
  const step = useCallback(
    (from: Station, by: 1 | -1) => {
      const index = stations.findIndex((station) => station.id === from.id)
      return stations[Math.min(stations.length - 1, Math.max(0, index + by))]?.id
    },
    [stations],
  )
  return { go, step }
}

/**
 * Nothing is entered by nobody: initials are asked for before the first reading, and what is done without them by somebody who only
 * looked around waits until they are given.
 */
function useSigning(initials: string) {
  const [isLooking, setLooking] = useState(false)
  const [waitingFor, setWaitingFor] = useState<{ readonly run: (by: string) => void }>()
  const signed = useCallback(
    (run: (by: string) => void) => {
      if (initials) run(initials)
      else setWaitingFor({ run })
    },
    [initials],
  )
  const sign = useCallback(
    (by: string) => {
      waitingFor?.run(by)
      setWaitingFor(undefined)
    },
    [waitingFor],
  )
  const unsign = useCallback(() => {
    setWaitingFor(undefined)
    setLooking(true)
  }, [])
  return { signed, sign, unsign, asksInitials: waitingFor !== undefined || (initials === '' && !isLooking) }
}

export type BenchWork = ReturnType<typeof useBench>

/** What can be done at the bench, each an entry of its own, by somebody. */
function actsOf(
  add: (entry: Entry) => KeepResult,
  build: Build,
  stations: readonly Station[],
  bench: Bench,
  setCurrentId: (id: string) => void,
  partStates: PartStates,
) {
  const stamp = (by: string) => ({ id: uuidV7(), at: serverStamp(), by })
  return {
    store(by: string, reading: Draft, asTyped: string, id?: string): KeepResult {
      const kept = add({ ...readingOf(reading, build, partStates), ...stamp(by), ...(id !== undefined && { id }), asTyped })
      setCurrentId(nextAfter(stations, build, reading.station))
      return kept
    },
    /** Readings that came together, as a table: each is kept by itself, none is moved on from. */
    storeAll(by: string, table: readonly (Draft & { readonly asTyped: string })[]): KeepResult {
      const kept = table.map(({ asTyped, ...draft }) => add({ ...readingOf(draft, build, partStates), ...stamp(by), asTyped }))
      return kept.find((result) => result !== 'kept') ?? 'kept'
    },
    /** Leaves places out for one reason, and goes on behind the first of them. */
    skip(by: string, left: readonly Station[], reason: string): void {
      for (const { characteristic, place } of left) add({ kind: 'skip', ...stamp(by), characteristic, place, reason })
      setCurrentId(nextAfter(stations, build, left[0]!, left))
    },
    note: (by: string, { characteristic, place }: Station, text: string) =>
      add({ kind: 'note', ...stamp(by), characteristic, place, text }),
    strike: (by: string, readingId: string, reason: string) => add({ kind: 'strike', ...stamp(by), target: readingId, reason }),
    move: (by: string, readingId: string, place: Place, reason: string) =>
      add({ kind: 'move', ...stamp(by), target: readingId, place, reason }),
    check: (by: string, id: Id, place: Place, passed: boolean, text: string) =>
      add({ kind: 'check', ...stamp(by), characteristic: id, place, passed, ...(text && { text }) }),
    /** Of readings that do not know of each other this one counts: the others are struck out, and why. */
    settle(by: string, counts: Reading): void {
      const others = build.readings.conflicts.get(stationId(counts.characteristic, counts.place)) ?? []
      for (const { id } of others.filter((other) => other.id !== counts.id))
        add({ kind: 'strike', ...stamp(by), target: id, reason: `${counts.asTyped} by ${counts.by} counts` })
    },
    /** What this person entered last at this bench. */
    last: (by: string): Entry | undefined =>
      lastOf(
        build.entries,
        build.readings,
        by,
        (characteristic) => characteristic in bench.definition.characteristics || characteristic in (bench.definition.checks ?? {}),
      ),
    /** Takes back what was entered last. */
    undo(by: string, last: Entry): void {
      add({ kind: 'undo', ...stamp(by), target: last.id })
      const at = placeOf(last, build)
      if (at !== undefined && stations.some(({ id }) => id === at)) setCurrentId(at)
    },
  }
}

function placeOf(entry: Entry, build: Build): string | undefined {
  if ('characteristic' in entry) return stationId(entry.characteristic, entry.place)
  const target = 'target' in entry ? build.readings.byId.get(entry.target) : undefined
  return target && stationId(target.characteristic, target.place)
}

/** A draft as a reading without its stamp: it supersedes what counts at its place, and settles what does not agree there. */
function readingOf(
  { station, value, upper, plusMinus, unit, gauge, temperature, strokes, turnedBack }: Draft,
  build: Build,
  partStates: PartStates,
): Omit<Reading, 'id' | 'at' | 'by' | 'asTyped'> {
  const counts = build.readings.current.get(station.id)
  const partState = partStates.of(station.characteristic)
  // A part that has been worked on since is read beside what it was, not in its place.
  const before = counts && partStateOf(counts) === partState ? counts : undefined
  const others = before ? (build.readings.conflicts.get(station.id) ?? []).flatMap(({ id }) => (id === before.id ? [] : [id])) : []
  return {
    kind: 'reading',
    characteristic: station.characteristic,
    place: station.place,
    value,
    ...(upper !== undefined && { upper }),
    ...(plusMinus !== undefined && { plusMinus }),
    unit,
    gauge,
    ...temperature,
    ...(strokes !== undefined && { strokes }),
    ...(turnedBack && { turnedBack }),
    // Not said: as found.
    ...(partState !== 'asFound' && { partState }),
    ...(before && { supersedes: before.id }),
    ...(others.length > 0 && { settles: others }),
  }
}

function draftEntry(draft: Draft, build: Build, partStates: PartStates): Entry {
  return { ...readingOf(draft, build, partStates), id: DRAFT_ID, at: '', by: '', asTyped: '' }
}

function firstOpen(stations: readonly Station[], build: Build): string | undefined {
  return stations.find((station) => isOpen(station, build))?.id
}

export function isOpen(station: Station, build: Build): boolean {
  return !build.readings.current.has(station.id) && !build.readings.skips.has(station.id)
}

/** The next open place in walking order, beside those just read or skipped; the next one at all when everything is read. */
function nextAfter(stations: readonly Station[], build: Build, from: Station, justDone: readonly Station[] = [from]): string {
  const index = stations.findIndex((station) => station.id === from.id)
  const ahead = stations.slice(index + 1)
  const open = [...ahead, ...stations.slice(0, index)].find((station) => isOpen(station, build) && !justDone.includes(station))
  return (open ?? ahead[0] ?? from).id
}

/** The place that was read last, by whom ever. */
export function lastRead({ build, stations }: BenchWork): string | undefined {
  const latest = [...build.readings.current].sort(([, a], [, b]) => (a.id < b.id ? 1 : -1))
  return latest.find(([id]) => stations.some((station) => station.id === id))?.[0]
}
