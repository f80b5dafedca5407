import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '@/core/document'
import { drop, isLongStored, keep, keptEntries, sendEntries } from './outbox'

class Storage {
  [key: string]: unknown
  setItem(key: string, value: string) {
    this[key] = value
  }
  getItem(key: string) {
    return (this[key] as string | undefined) ?? null
  }
  removeItem(key: string) {
    delete this[key]
  }
}

const idOf = (n: number) => `01920000-0000-7000-8000-${String(n).padStart(12, '0')}`
const entry = (n: number): Entry => ({ kind: 'undo', id: idOf(n), at: '2026-03-01T10:00:00Z', by: 'KV', target: 'x' })
type Answer = () => Promise<Response>
const stored =
  (...ids: number[]): Answer =>
  () =>
    Promise.resolve(Response.json({ stored: ids.map(idOf), added: ids.length, lastSeq: 1, refused: [] }))
const answers = (...responses: Answer[]) =>
  vi.fn<(url: string, init: RequestInit) => Promise<Response>>(() => (responses.shift() ?? stored(1))())
const never = new AbortController().signal
const waiting = (n: number) => ({ entry: entry(n), state: 'waiting' }) as const

beforeEach(() => {
  vi.stubGlobal('localStorage', new Storage())
})
afterEach(() => {
  vi.unstubAllGlobals()
})

describe('what this device keeps', () => {
  it('is there after a reload, in the order it was made, one key an entry', () => {
    keep('b', waiting(2))
    keep('b', { entry: entry(1), state: 'sent', sentAt: 5 })
    keep('other', { entry: entry(3), state: 'refused', reason: 'no such gauge' })
    expect(keptEntries('b')).toEqual([{ entry: entry(1), state: 'sent', sentAt: 5 }, waiting(2)])
    drop('b', idOf(1))
    expect(keptEntries('b')).toEqual([waiting(2)])
    expect(keptEntries('other')).toEqual([{ entry: entry(3), state: 'refused', reason: 'no such gauge' }])
  })

  it('survives a key it cannot read, and knows what an earlier program kept', () => {
    localStorage.setItem('kalibros.entry.b.broken', '{"entry":')
    localStorage.setItem(`kalibros.entry.b.${idOf(1)}`, JSON.stringify({ entry: entry(1), sent: true }))
    localStorage.setItem(`kalibros.entry.b.${idOf(2)}`, JSON.stringify({ entry: entry(2), sent: false }))
    expect(keptEntries('b').map(({ state }) => state)).toEqual(['sent', 'waiting'])
  })

  it('keeps what the server has for thirty days, as a backup may be older', () => {
    const day = 86_400_000
    const sent = { entry: entry(1), state: 'sent', sentAt: 0 } as const
    expect([isLongStored(sent, 29 * day), isLongStored(sent, 31 * day), isLongStored(waiting(1), 900 * day)]).toEqual([false, true, false])
  })

  it('makes room on a full device by what the server has, the oldest first; then says that it is full', () => {
    keep('b', { entry: entry(1), state: 'sent', sentAt: 2 })
    keep('b', { entry: entry(2), state: 'sent', sentAt: 1 })
    keep('b', waiting(3))
    const store = localStorage.setItem.bind(localStorage)
    localStorage.setItem = (key, value) => {
      if (Object.keys(localStorage).filter((one) => one.startsWith('kalibros')).length >= 3) throw new Error('quota')
      store(key, value)
    }
    expect(keep('b', waiting(4))).toBe('kept')
    expect(keptEntries('b').map(({ entry: { id } }) => id)).toEqual([1, 3, 4].map(idOf))
    expect(keep('b', waiting(5))).toBe('kept')
    expect(keep('b', waiting(6))).toBe('deviceFull')
    expect(keptEntries('b').map(({ entry: { id } }) => id)).toEqual([3, 4, 5].map(idOf))
  })
})

describe('sending', () => {
  const words: string[] = []
  const send = (entries: Entry[], ...responses: Answer[]) => {
    words.length = 0
    const fetcher = answers(...responses)
    vi.stubGlobal('fetch', fetcher)
    return {
      fetcher,
      acknowledged: sendEntries('b', entries, never, (trouble) => {
        words.push(trouble)
      }),
    }
  }

  it('goes on through a dead server and a failing one until it is acknowledged', async () => {
    const { fetcher, acknowledged } = send(
      [entry(1)],
      () => Promise.reject(new TypeError('fetch failed')),
      () => Promise.resolve(Response.json({ error: 'The disk is full.' }, { status: 503 })),
    )
    expect([...(await acknowledged).stored]).toEqual([idOf(1)])
    expect(fetcher).toHaveBeenCalledTimes(3)
    expect(words).toEqual(['the server does not answer', 'The disk is full.'])
  })

  it.each<[string, Answer]>([
    [
      'a portal’s page',
      () => Promise.resolve(new Response('<html>Sign in</html>', { status: 200, headers: { 'content-type': 'text/html' } })),
    ],
    ['JSON of somebody else', () => Promise.resolve(Response.json({ ok: true }))],
    ['our JSON about other entries', stored(9)],
    ['an old program’s count', () => Promise.resolve(Response.json({ stored: 1 }))],
    [
      'a redirect to a sign-in page',
      () =>
        Promise.resolve(Object.assign(Response.json({ stored: [idOf(1)], refused: [] }), {}) as Response).then((response) =>
          Object.defineProperty(response, 'redirected', { value: true }),
        ),
    ],
  ])('does not take %s for an acknowledgement', async (_, answer) => {
    const { fetcher, acknowledged } = send([entry(1)], answer)
    await acknowledged
    expect(fetcher).toHaveBeenCalledTimes(2)
    expect(fetcher.mock.calls[0]![1].redirect).toBe('manual')
    expect(words).toEqual([expect.stringContaining('something else answered: is a sign-in wanted?')])
  })

  it('gives back the reason of each refused entry, beside those stored', async () => {
    const { acknowledged } = send([entry(1), entry(2)], () =>
      Promise.resolve(
        Response.json({
          stored: [idOf(2)],
          added: 1,
          lastSeq: 1,
          refused: [{ id: idOf(1), error: 'Gauge “x” is not in the drawer.', mayPass: true }],
        }),
      ),
    )
    const { stored: kept, refused } = await acknowledged
    expect([...kept]).toEqual([idOf(2)])
    expect(refused.get(idOf(1))).toMatchObject({ error: 'Gauge “x” is not in the drawer.', mayPass: true })
  })

  it('stops when it is told to', async () => {
    vi.stubGlobal(
      'fetch',
      answers(() => Promise.reject(new TypeError('fetch failed'))),
    )
    const controller = new AbortController()
    const sending = sendEntries('b', [entry(1)], controller.signal, () => {})
    controller.abort(new Error('left the page'))
    await expect(sending).rejects.toThrow('left the page')
  })
})
