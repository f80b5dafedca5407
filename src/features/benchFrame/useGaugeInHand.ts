'use client'
import { useCallback, useMemo, useState } from 'react'
import type { Characteristic } from '@/core/bench/bench'
import { gaugesFor } from '@/core/bench/gaugeChoice'
import type { Gauge, UnitSystem } from '@/core/document'

/** The gauge a characteristic is read with: the first in the drawer that can, until somebody takes another. */
export function useGaugeInHand(
  id: string | undefined,
  characteristic: Characteristic | undefined,
  drawer: readonly Gauge[],
  units: UnitSystem,
): { readonly gauge: Gauge | undefined; readonly turnGauge: (by: 1 | -1) => void } {
  /** How many times another one was asked for, by what is read. */
  const [turns, setTurns] = useState<Readonly<Record<string, number>>>({})
  const offered = useMemo(() => (characteristic ? gaugesFor(characteristic, drawer, units) : []), [characteristic, drawer, units])
  const turnGauge = useCallback(
    (by: 1 | -1) => {
      if (id !== undefined) setTurns((now) => ({ ...now, [id]: (now[id] ?? 0) + by }))
    },
    [id],
  )
  const count = Math.max(1, offered.length)
  const turn = (turns[id ?? ''] ?? 0) % count
  return { gauge: offered[(turn + count) % count], turnGauge }
}
