import { stationId, withEntries, withSpec, type Build, type BuildDocument, type Entry, type Place, type Spec } from '@/core/document'
import { openBuild } from '@/core/benches'
import type { Bench, Finding, Id } from '@/core/bench/bench'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'

export const TODAY = new Date('2026-03-01T12:00:00Z')

/** The demo's engines with every place read: a turbo inline five in metric, a V8 in inch, a small single. */
export const [ternDocument, petrelDocument] = DEMO_BUILDS.map((demo) => demoDocument({ ...demo, read: () => true }, TODAY)) as [
  BuildDocument,
  BuildDocument,
]

/** A demo engine without its faults: nothing of it is out. */
export function soundBuild(which: number): Build {
  return openBuild(demoDocument({ ...DEMO_BUILDS[which]!, faults: {}, read: () => true }, TODAY))
}

export function find(bench: Bench, build: Build, id: string): Finding {
  const found = bench.derive(build).find((finding) => finding.id === id)
  if (!found) throw new Error(`${bench.id} finds no ${id}`)
  return found
}

export const valueOf = (bench: Bench, build: Build, id: string): number => find(bench, build, id).figure!.value.value
export const verdictOf = (bench: Bench, build: Build, id: string) => find(bench, build, id).conformity?.verdict
export const withSpecOf = (build: Build, change: (spec: Spec) => Spec): Build => withSpec(build, change(build.spec))
export const readingOf = (build: Build, station: string) => build.readings.current.get(station)!

let counter = 0
export const stamp = () => ({ id: `ffff0000-0000-7000-8000-${String(++counter).padStart(12, '0')}`, at: '2026-03-02T10:00:00Z', by: 'KV' })

/** The build with one more reading, on top of the one that stood there; mm unless `more` says another unit. */
export function withReading(build: Build, characteristic: Id, place: Place, value: number, gauge: string, more: object = {}): Build {
  const before = build.readings.current.get(stationId(characteristic, place))
  const reading = {
    kind: 'reading',
    ...stamp(),
    characteristic,
    place,
    value,
    unit: 'mm',
    asTyped: String(value),
    gauge,
    ...(before && { supersedes: before.id }),
    ...more,
  }
  return withEntries(build, [reading as Entry])
}

/** The build with every reading that matches struck out. */
export function without(build: Build, matches: (entry: Extract<Entry, { kind: 'reading' }>) => boolean): Build {
  const strikes = build.entries.flatMap((entry) =>
    entry.kind === 'reading' && matches(entry) ? [{ kind: 'strike', ...stamp(), target: entry.id, reason: 'test' } as Entry] : [],
  )
  return withEntries(build, strikes)
}
