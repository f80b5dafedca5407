import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { hearServerTime, serverNow, serverStamp } from './serverTime'

const OWN_MS = Date.parse('2026-03-02T10:00:00Z')
const HOUR_MS = 3_600_000
const kept = new Map<string, string>()

beforeEach(() => {
  kept.clear()
  vi.useFakeTimers({ now: OWN_MS })
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the server’s time on a device', () => {
  it('is the device’s own until it is heard, then the server’s, also on the next page with nobody to ask', () => {
    expect(serverStamp()).toBe('2026-03-02T10:00:00.000Z')
    hearServerTime(OWN_MS + HOUR_MS, OWN_MS)
    expect(serverStamp()).toBe('2026-03-02T11:00:00.000Z')
    expect(kept.get('kalibros.serverTime')).toBe(String(HOUR_MS))
    vi.setSystemTime(OWN_MS + HOUR_MS)
    expect(serverStamp()).toBe('2026-03-02T12:00:00.000Z')
  })

  it('is not put off by what a request takes, nor by an answer that came hours after it was given', () => {
    hearServerTime(OWN_MS + 1999, OWN_MS)
    expect(serverNow()).toBe(OWN_MS)
    hearServerTime(OWN_MS + 2000, OWN_MS)
    expect(serverNow()).toBe(OWN_MS + 2000)
    vi.setSystemTime(OWN_MS + HOUR_MS)
    hearServerTime(OWN_MS + 2000, OWN_MS)
    expect(serverNow()).toBe(OWN_MS + HOUR_MS + 2000)
  })

  it('has a time for an entry whatever the device kept, or may not keep', () => {
    kept.set('kalibros.serverTime', 'soon')
    expect(serverStamp()).toBe('2026-03-02T10:00:00.000Z')
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new DOMException('not allowed', 'SecurityError')
      },
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError')
      },
    })
    expect(serverStamp()).toBe('2026-03-02T10:00:00.000Z')
    hearServerTime(OWN_MS + HOUR_MS, OWN_MS)
    expect(serverStamp()).toBe('2026-03-02T11:00:00.000Z')
  })
})
