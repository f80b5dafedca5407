'use client'
import { useCallback, useMemo, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { Bench, Finding, Station } from '@/core/benches/bench'
import { currentCards, openBuild, stationId, withEntries, type Build, type BuildDocument, type Entry, type Gauge, type Place, type Reading } from '@/core/build'
import { useEntries } from './useEntries'

/** A reading being typed, before Enter: shown in the ledger, stored nowhere. */
export interface Draft {
  readonly station: Station
  readonly value: number
  readonly upper?: number
  readonly unit: Reading['unit']
  readonly gauge: string
  readonly temperature?: PartTemperature
  /** Strokes of the ring file since the reading before. */
  readonly strokes?: number
}

/** Where part and gauge are not at 20 °C. */
export interface PartTemperature {
  readonly partTempC: number
  readonly gaugeTempC: number
}

const DRAFT_ID = 'ffffffff-ffff-7fff-bfff-ffffffffffff'

/** Everything a bench screen works with: the build as this device knows it, where the hand is, and what can be done there. */
export function useBench(document: BuildDocument, bench: Bench, initials: string, startAt?: string) {
  const entries = useEntries(document.id, document.entries)
  const fromServer = useMemo(() => openBuild(document), [document])
  const build = useMemo(() => withEntries(fromServer, entries.added), [fromServer, entries.added])
  // Places follow from the spec, not from the readings: the same list serves every keystroke.
  const stations = useMemo(() => bench.stations(fromServer), [bench, fromServer])
  const [draft, setDraft] = useState<Draft>()
  /** Until someone moves, the hand is at the first open place. */
  const [pickedId, setCurrentId] = useState(startAt)
  const current = stations.find((station) => station.id === (pickedId ?? firstOpen(stations, build))) ?? stations[0]

  const settled = useMemo(() => bench.derive(build), [bench, build])
  const findings = useMemo(() => (draft ? bench.derive(withEntries(build, [draftEntry(draft)])) : settled), [bench, build, draft, settled])

  const gauges = useMemo(() => currentCards(document.gauges as Gauge[]), [document.gauges])
  const stamp = useCallback(() => ({ id: uuidV7(), at: new Date().toISOString(), by: initials || '—' }), [initials])
  const go = useCallback((id: string | undefined) => { if (id !== undefined) { setCurrentId(id); setDraft(undefined) } }, [])
  const step = useCallback((from: Station, by: 1 | -1) => {
    const index = stations.findIndex((station) => station.id === from.id)
    return stations[Math.min(stations.length - 1, Math.max(0, index + by))]?.id
  }, [stations])

  const add = entries.add
  const store = useCallback((reading: Draft, asTyped: string, id?: string) => {
    const before = build.readings.current.get(reading.station.id)
    const entry: Entry = {
      kind: 'reading', ...stamp(), ...(id !== undefined && { id }), characteristic: reading.station.characteristic, place: reading.station.place, value: reading.value,
      ...(reading.upper !== undefined && { upper: reading.upper }), unit: reading.unit, asTyped, gauge: reading.gauge, ...reading.temperature, ...(reading.strokes !== undefined && { strokes: reading.strokes }), ...(before && { supersedes: before.id }),
    }
    const kept = add(entry)
    setDraft(undefined)
    setCurrentId(nextAfter(stations, build, reading.station))
    return kept
  }, [add, build, stamp, stations])

  /** Leaves places out for one reason, and goes on behind the first of them. */
  const skip = useCallback((left: readonly Station[], reason: string) => {
    for (const { characteristic, place } of left) add({ kind: 'skip', ...stamp(), characteristic, place, reason })
    setCurrentId(nextAfter(stations, build, left[0]!, left))
  }, [add, build, stamp, stations])
  const note = useCallback((station: Station, text: string) => add({ kind: 'note', ...stamp(), characteristic: station.characteristic, place: station.place, text }), [add, stamp])
  const strike = useCallback((readingId: string, reason: string) => add({ kind: 'strike', ...stamp(), target: readingId, reason }), [add, stamp])
  const check = useCallback((id: string, place: Place, passed: boolean, text: string) => add({ kind: 'check', ...stamp(), characteristic: id, place, passed, ...(text && { text }) }), [add, stamp])
  const undo = useCallback(() => {
    const last = build.readings.last
    if (!last) return undefined
    add({ kind: 'undo', ...stamp(), target: last.id })
    if ('characteristic' in last) setCurrentId(stationId(last.characteristic, last.place))
    return last
  }, [add, build, stamp])

  return { bench, build, stations, current, findings, settled, draft, setDraft, gauges, unsent: entries.unsent, refused: entries.refused, go, step, store, skip, note, strike, check, undo }
}

export type BenchWork = ReturnType<typeof useBench>

function firstOpen(stations: readonly Station[], build: Build): string | undefined {
  return stations.find((station) => isOpen(station, build))?.id
}

export function isOpen(station: Station, build: Build): boolean {
  return !build.readings.current.has(station.id) && !build.readings.skips.has(station.id)
}

/** The next open place in walking order, beside those just dealt with; the next one at all when everything is read. */
function nextAfter(stations: readonly Station[], build: Build, from: Station, dealtWith: readonly Station[] = [from]): string {
  const index = stations.findIndex((station) => station.id === from.id)
  const ahead = stations.slice(index + 1)
  const open = [...ahead, ...stations.slice(0, index)].find((station) => isOpen(station, build) && !dealtWith.includes(station))
  return (open ?? ahead[0] ?? from).id
}

function draftEntry({ station, value, upper, unit, gauge, temperature, strokes }: Draft): Entry {
  return {
    kind: 'reading', id: DRAFT_ID, at: '', by: '', characteristic: station.characteristic, place: station.place, value,
    ...(upper !== undefined && { upper }), unit, asTyped: '', gauge, ...temperature, ...(strokes !== undefined && { strokes }),
  }
}

/** Findings whose value or verdict differs between two states of a bench. */
export function changedFindings(before: readonly Finding[], after: readonly Finding[]): ReadonlySet<string> {
  const earlier = new Map(before.map((finding) => [finding.id, finding]))
  return new Set(after.filter((finding) => {
    const was = earlier.get(finding.id)
    return was?.figure?.value.value !== finding.figure?.value.value || was?.conformity?.verdict !== finding.conformity?.verdict
  }).map((finding) => finding.id))
}
