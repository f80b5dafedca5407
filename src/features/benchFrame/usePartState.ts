import { useMemo, useSyncExternalStore } from 'react'
import { PART_STATES, type CharacteristicId, type PartState } from '@/core/document'

const keyOf = (buildId: string) => `kalibros.partStates.${buildId}`
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

export interface PartStates {
  /** What the parts of such a reading are now, as this device was last told. */
  readonly of: (characteristic: CharacteristicId) => PartState
  /** The state after it, or before it, from here on for such readings; the state it is then. */
  readonly turn: (characteristic: CharacteristicId, by: 1 | -1) => PartState
}

/** What the parts of a build are now: said of each kind of reading by itself, since a bored block says nothing of its rods. */
export function usePartStates(buildId: string): PartStates {
  const stored = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(keyOf(buildId)),
    () => null,
  )
  return useMemo(() => {
    const states = statesIn(stored)
    return {
      of: (characteristic) => stateIn(states, characteristic),
      turn: (characteristic, by) => {
        // As it is now: what is turned twice in a row is turned from where it was left.
        const states = statesIn(localStorage.getItem(keyOf(buildId)))
        const next = PART_STATES[(PART_STATES.indexOf(stateIn(states, characteristic)) + by + PART_STATES.length) % PART_STATES.length]!
        localStorage.setItem(keyOf(buildId), JSON.stringify({ ...states, [characteristic]: next }))
        for (const listener of listeners) listener()
        return next
      },
    }
  }, [buildId, stored])
}

function stateIn(states: Readonly<Record<string, unknown>>, characteristic: CharacteristicId): PartState {
  return PART_STATES.find((one) => one === states[characteristic]) ?? 'asFound'
}

function statesIn(stored: string | null): Readonly<Record<string, unknown>> {
  try {
    const states: unknown = JSON.parse(stored ?? '{}')
    return typeof states === 'object' && states !== null ? (states as Record<string, unknown>) : {}
  } catch {
    return {}
  }
}
