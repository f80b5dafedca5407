'use client'
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react'
import type { UnitSystem } from '@/core/document'

/** Preferences of this device, kept in cookies so that the server's first paint already follows them. */
export interface DevicePreferences {
  readonly theme: 'auto' | 'light' | 'dark'
  /** Units of pages that belong to no build. */
  readonly system?: UnitSystem
  /** What this person chose for a build, where it is not the build's own. */
  readonly buildSystems: Readonly<Record<string, UnitSystem>>
  readonly initials: string
}

interface Device extends DevicePreferences {
  /** Units a build is shown and typed in: its own, unless this person chose others for this very build. */
  readonly systemFor: (own: UnitSystem, buildId: string) => UnitSystem
  readonly setSystemFor: (buildId: string, system: UnitSystem) => void
  readonly set: (change: Partial<Pick<DevicePreferences, 'theme' | 'system' | 'initials'>>) => void
}

const DeviceContext = createContext<Device | undefined>(undefined)
const YEAR_S = 31_536_000
/** A cookie holds so many choices; the oldest go first. */
const MOST_BUILDS = 40

export function DeviceProvider({ initial, children }: { initial: DevicePreferences; children: ReactNode }) {
  const [preferences, setPreferences] = useState(initial)
  const set = useCallback((change: Partial<DevicePreferences>) => {
    setPreferences((now) => ({ ...now, ...change }))
    for (const [name, value] of Object.entries(change) as [string, string][])
      document.cookie = `kalibros-${name}=${encodeURIComponent(value)}; path=/; max-age=${YEAR_S}; samesite=lax`
    if (change.theme) document.documentElement.dataset.theme = change.theme
  }, [])
  const setSystemFor = useCallback((buildId: string, system: UnitSystem) => {
    setPreferences((now) => {
      const latest = Object.entries({ ...now.buildSystems, [buildId]: system }).slice(-MOST_BUILDS)
      document.cookie = `kalibros-units=${latest.map(([id, one]) => `${id}:${one}`).join('.')}; path=/; max-age=${YEAR_S}; samesite=lax`
      return { ...now, buildSystems: Object.fromEntries(latest) }
    })
  }, [])
  const device = useMemo(
    () => ({
      ...preferences,
      set,
      setSystemFor,
      systemFor: (own: UnitSystem, buildId: string) => preferences.buildSystems[buildId] ?? own,
    }),
    [preferences, set, setSystemFor],
  )
  return <DeviceContext value={device}>{children}</DeviceContext>
}

/** @throws outside a DeviceProvider: the root layout has one. */
export function useDevice(): Device {
  const device = useContext(DeviceContext)
  if (!device) throw new Error('useDevice outside DeviceProvider')
  return device
}
