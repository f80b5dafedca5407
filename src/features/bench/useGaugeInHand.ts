'use client'
import { useCallback, useMemo, useState } from 'react'
import type { Characteristic } from '@/core/bench/bench'
import { gaugesFor } from '@/core/bench/gaugeChoice'
import type { Gauge, UnitSystem } from '@/core/build'

/** The gauge a characteristic is read with: the first in the drawer that can, until somebody takes another. */
export function useGaugeInHand(
  id: string | undefined,
  characteristic: Characteristic | undefined,
  drawer: readonly Gauge[],
  units: UnitSystem,
): { readonly gauge: Gauge | undefined; readonly nextGauge: () => void } {
  /** How many times another one was asked for, by what is read. */
  const [turns, setTurns] = useState<Readonly<Record<string, number>>>({})
  const offered = useMemo(() => (characteristic ? gaugesFor(characteristic, drawer, units) : []), [characteristic, drawer, units])
  const nextGauge = useCallback(() => {
    if (id !== undefined) setTurns((now) => ({ ...now, [id]: (now[id] ?? 0) + 1 }))
  }, [id])
  return { gauge: offered[(turns[id ?? ''] ?? 0) % Math.max(1, offered.length)], nextGauge }
}
