'use client'
import { useEffect, useMemo, useState } from 'react'
import { openBuildWith, withEntries, type Build, type BuildDocument, type Entry, type Gauge } from '@/core/document'

export interface PlaceHistory {
  /** A build that holds all there is of the place, as far as it is known here. */
  readonly build: Build
  readonly state: 'fetching' | 'whole' | 'notReached'
}

interface Fetched {
  readonly entries: readonly Entry[]
  readonly gauges: readonly Gauge[]
}

/**
 * Everything that ever happened at a place, fetched when it is opened: the page itself holds what counts. What this device has
 * entered and not yet sent is there as well.
 * @param added what the page holds beyond what it was served
 */
export function useHistory(document: BuildDocument, build: Build, added: readonly Entry[], station: string): PlaceHistory {
  const [fetched, setFetched] = useState<{ readonly station: string; readonly found?: Fetched }>()
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/api/builds/${document.id}/entries?${new URLSearchParams({ station })}`, { signal: abort.signal })
      .then(async (response) => {
        const answer = (response.ok ? await response.json() : undefined) as Partial<Fetched> | undefined
        const isOurs = Array.isArray(answer?.entries) && Array.isArray(answer.gauges)
        setFetched({ station, ...(isOurs && { found: answer as Fetched }) })
      })
      .catch(() => {
        if (!abort.signal.aborted) setFetched({ station })
      })
    return () => abort.abort()
    // Asked for again when something more has happened: a strike or an undo shows what it was about.
    // oxlint-disable-next-line react/exhaustive-effect-dependencies
  }, [document.id, station, added])
  const found = fetched?.station === station ? fetched.found : undefined
  const whole = useMemo(() => {
    if (!found) return build
    const held = new Set(found.entries.map(({ id }) => id))
    const gauges = new Map([...build.gauges.values(), ...found.gauges].map((gauge) => [gauge.id, gauge]))
    const place = openBuildWith({ ...document, gauges: [...gauges.values()], entries: [...found.entries] }, build.growth)
    return withEntries(
      place,
      added.filter(({ id }) => !held.has(id)),
    )
  }, [added, build, document, found])
  if (fetched?.station !== station) return { build, state: 'fetching' }
  return { build: whole, state: found ? 'whole' : 'notReached' }
}
