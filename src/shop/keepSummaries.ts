import 'server-only'
import { setTimeout as pause } from 'node:timers/promises'
import { database } from '@/data/database'
import { buildNews } from './buildNews'
import { KEPT } from './kept'

/** Whoever waited for the start is served first. */
const AFTER_START_MS = 5000
/** Between two builds, so that requests come through. */
const BETWEEN_MS = 25
/** A person who types a row of readings is not summarised after each. */
const SETTLED_MS = 1000

/**
 * Keeps what the shop knows of its builds up to date beside the requests: of all of them after the program has moved on, one at a time,
 * and of each soon after it was worked on. A page that comes first works out what it shows by itself.
 */
export function keepSummaries(): void {
  const waiting = new Map<string, NodeJS.Timeout>()
  buildNews().on('change', ({ build }) => {
    clearTimeout(waiting.get(build))
    const timer = setTimeout(() => {
      waiting.delete(build)
      void told(refresh([build]))
    }, SETTLED_MS)
    // A server that is told to stop does not wait for it.
    waiting.set(build, timer.unref())
  })
  void told(refreshAll())
}

async function refreshAll(): Promise<void> {
  await pause(AFTER_START_MS, undefined, { ref: false })
  const { builds } = await database()
  // One that could not be written, because another program held the database, is tried again; one that cannot be worked out is left.
  let left = Infinity
  for (let ids = await builds.outdated(KEPT.program); ids.length > 0 && ids.length < left; ids = await builds.outdated(KEPT.program)) {
    left = ids.length
    await refresh(ids)
  }
}

async function refresh(ids: readonly string[]): Promise<void> {
  const { builds } = await database()
  for (const id of ids) {
    await builds.summarise(id, KEPT)
    await pause(BETWEEN_MS, undefined, { ref: false })
  }
}

/** It is only kept beside: nothing that was stored rests on it. */
function told(work: Promise<void>): Promise<void> {
  return work.catch((fault: unknown) => console.error('What is kept of the builds could not be brought up to date', fault))
}
