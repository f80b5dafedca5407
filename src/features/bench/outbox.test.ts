import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '@/core/build'
import { keep, keptEntries, letGo, RefusedByServer, sendEntries } from './outbox'

class Storage {
  [key: string]: unknown
  setItem(key: string, value: string) { this[key] = value }
  getItem(key: string) { return (this[key] as string | undefined) ?? null }
  removeItem(key: string) { delete this[key] }
}

const entry = (n: number): Entry => ({ kind: 'undo', id: `01920000-0000-7000-8000-${String(n).padStart(12, '0')}`, at: '2026-03-01T10:00:00Z', by: 'KV', target: 'x' })
const answers = (...responses: (() => Promise<Response>)[]) => vi.fn(() => (responses.shift() ?? (() => Promise.resolve(Response.json({}))))())
const never = new AbortController().signal

beforeEach(() => { vi.stubGlobal('localStorage', new Storage()) })
afterEach(() => { vi.unstubAllGlobals() })

describe('what this device keeps', () => {
  it('is there after a reload, in the order it was made, one key an entry', () => {
    keep('b', { entry: entry(2), sent: false })
    keep('b', { entry: entry(1), sent: true })
    keep('other', { entry: entry(3), sent: false })
    expect(keptEntries('b')).toEqual([{ entry: entry(1), sent: true }, { entry: entry(2), sent: false }])
    letGo('b', [entry(1).id])
    expect(keptEntries('b').map((kept) => kept.entry.id)).toEqual([entry(2).id])
    expect(keptEntries('other')).toHaveLength(1)
  })

  it('survives a key it cannot read', () => {
    localStorage.setItem('kalibros.entry.b.broken', '{"entry":')
    keep('b', { entry: entry(1), sent: false })
    expect(keptEntries('b')).toHaveLength(1)
  })

  it('says when the device is full', () => {
    localStorage.setItem = () => { throw new Error('quota') }
    expect(keep('b', { entry: entry(1), sent: false })).toBe('deviceFull')
  })
})

describe('sending', () => {
  it('goes on through a dead server and a failing one until it is acknowledged', async () => {
    const fetcher = answers(() => Promise.reject(new TypeError('fetch failed')), () => Promise.resolve(Response.json({ error: 'busy' }, { status: 503 })))
    vi.stubGlobal('fetch', fetcher)
    await sendEntries('b', [entry(1)], never)
    expect(fetcher).toHaveBeenCalledTimes(3)
  })

  it('does not repeat what the server understood and refused', async () => {
    const fetcher = answers(() => Promise.resolve(Response.json({ error: 'Gauge “x” is not in the drawer.' }, { status: 422 })))
    vi.stubGlobal('fetch', fetcher)
    await expect(sendEntries('b', [entry(1)], never)).rejects.toThrow(RefusedByServer)
    expect(fetcher).toHaveBeenCalledTimes(1)
  })

  it('stops when it is told to', async () => {
    vi.stubGlobal('fetch', answers(() => Promise.reject(new TypeError('fetch failed'))))
    const controller = new AbortController()
    const sending = sendEntries('b', [entry(1)], controller.signal)
    controller.abort(new Error('left the page'))
    await expect(sending).rejects.toThrow('left the page')
  })
})
