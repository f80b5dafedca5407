import type { Growth } from './growth'
import { setAsideIn } from './pointsAt'
import { indexAdded, indexEntries, type ReadingsIndex } from './readings'
import type { BuildDocument, Entry, Gauge, Spec, Work } from './types'

/**
 * What was worked out of a build, shared by all that come from one opened document; each part belongs to the module that fills it.
 * The weak maps end with the build: the values of one that outlives it are taken as alive by every collection of young objects
 * (V8), and with them all builds that were ever evaluated.
 */
export interface Memory {
  /** By name, as `remembered` keeps them. */
  readonly derivations: Map<string, unknown>
  /** By build, as `remembered` keeps them. */
  readonly sessions: WeakMap<object, unknown>
  /** By reading, as `figures` makes them. */
  readonly figures: WeakMap<object, unknown>
}

/** A build opened for work: its document with the readings arranged and the gauges at hand. */
export interface Build {
  readonly id: string
  readonly spec: Spec
  readonly gauges: ReadonlyMap<string, Gauge>
  readonly entries: readonly Entry[]
  /** Entries that point at what they may not: kept, shown, and not counted among `entries`. */
  readonly setAside: readonly Entry[]
  /** What each characteristic is read on, as far as it grows. */
  readonly growth: Growth
  readonly readings: ReadingsIndex
  readonly memory: Memory
  /** Work that is considered, by the place it is done on: every value is what it would be after it. */
  readonly considered: ReadonlyMap<string, Work>
}

/** @param growth what the benches declare of the parts under their readings: this layer knows no bench */
export function openBuildWith(document: Pick<BuildDocument, 'id' | 'spec' | 'gauges' | 'entries'>, growth: Growth): Build {
  const { counted, setAside } = setAsideIn(document.entries)
  return {
    growth,
    id: document.id,
    spec: document.spec,
    gauges: new Map(document.gauges.map((gauge) => [gauge.id, gauge as Gauge])),
    entries: counted,
    setAside,
    readings: indexEntries(counted),
    memory: { derivations: new Map(), sessions: new WeakMap(), figures: new WeakMap() },
    considered: new Map(),
  }
}

/** The same build with more entries: what the bench shows before the server has answered. */
export function withEntries(build: Build, added: readonly Entry[]): Build {
  const entries = [...build.entries, ...added]
  return { ...build, entries, readings: indexAdded(build.readings, entries, added) }
}

export function withSpec(build: Build, spec: Spec): Build {
  return { ...build, spec }
}
