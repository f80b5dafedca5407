'use client'
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react'
import type { UnitSystem } from '@/core/build'

/** Preferences of this device, kept in cookies so that the server's first paint already follows them. */
export interface DevicePreferences {
  readonly theme: 'auto' | 'light' | 'dark'
  /** Undefined: each build in its own units. */
  readonly system?: UnitSystem
  readonly initials: string
}

interface Device extends DevicePreferences {
  /** Units to show for something that has units of its own. */
  readonly systemFor: (own: UnitSystem) => UnitSystem
  readonly set: (change: Partial<DevicePreferences>) => void
}

const DeviceContext = createContext<Device | undefined>(undefined)
const YEAR_S = 31_536_000

export function DeviceProvider({ initial, children }: { initial: DevicePreferences; children: ReactNode }) {
  const [preferences, setPreferences] = useState(initial)
  const set = useCallback((change: Partial<DevicePreferences>) => {
    setPreferences((now) => ({ ...now, ...change }))
    for (const [name, value] of Object.entries(change)) document.cookie = `kalibros-${name}=${encodeURIComponent(value)}; path=/; max-age=${YEAR_S}; samesite=lax`
    if (change.theme) document.documentElement.dataset.theme = change.theme
  }, [])
  const device = useMemo(() => ({ ...preferences, set, systemFor: (own: UnitSystem) => preferences.system ?? own }), [preferences, set])
  return <DeviceContext value={device}>{children}</DeviceContext>
}

/** @throws outside a DeviceProvider: the root layout has one. */
export function useDevice(): Device {
  const device = useContext(DeviceContext)
  if (!device) throw new Error('useDevice outside DeviceProvider')
  return device
}
