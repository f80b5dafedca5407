import { useCallback, useSyncExternalStore } from 'react'
import { PART_STATES, type PartState } from '@/core/build'

const keyOf = (buildId: string) => `kalibros.partState.${buildId}`
const listeners = new Set<() => void>()

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  // Another tab of this device may have said so.
  window.addEventListener('storage', listener)
  return () => {
    listeners.delete(listener)
    window.removeEventListener('storage', listener)
  }
}

/** What the parts of a build are now, as this device was last told: what its readings are said to be of. */
export function usePartState(buildId: string): readonly [PartState, () => void] {
  const state = useSyncExternalStore<PartState>(
    subscribe,
    () => PART_STATES.find((one) => one === localStorage.getItem(keyOf(buildId))) ?? 'asFound',
    () => 'asFound',
  )
  const next = useCallback(() => {
    localStorage.setItem(keyOf(buildId), PART_STATES[(PART_STATES.indexOf(state) + 1) % PART_STATES.length]!)
    for (const listener of listeners) listener()
  }, [buildId, state])
  return [state, next]
}
