import { afterEach, describe, expect, it, vi } from 'vitest'
import { sendPhoto } from './sendPhoto'

const photo = {
  id: '0190f6a2-7c1e-7a50-8a51-2f1d6f0e9b11',
  step: 'job.agreed',
  at: '2026-03-01T10:00:00.000Z',
  by: 'KV',
  picture: new Blob(['x']),
}

afterEach(() => vi.unstubAllGlobals())

function answered(status: number, body: string): Promise<unknown> {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(status === 204 ? null : body, { status })))
  return sendPhoto('build', photo)
}

describe('a picture that was sent', () => {
  it('is kept by a 201 that names it, and by nothing else', async () => {
    expect(await answered(201, JSON.stringify({ id: photo.id }))).toEqual({ is: 'kept' })
    for (const [status, body] of [
      [200, JSON.stringify({ id: photo.id })],
      [200, '{"ok":true}'],
      [200, '<p>Sign in</p>'],
      [201, '{"id":"another"}'],
      [201, 'null'],
      [204, ''],
    ] as const)
      expect(await answered(status, body), `${status} ${body}`).toEqual({ is: 'unreached' })
  })

  it('is refused by a fault of its own, in the words of the server; a failing server has not spoken of it', async () => {
    expect(await answered(422, '{"error":"Too large."}')).toEqual({ is: 'refused', why: 'Too large.' })
    expect(await answered(409, '{"error":"Another picture."}')).toEqual({ is: 'refused', why: 'Another picture.' })
    expect(await answered(499, '{"error":"x"}')).toEqual({ is: 'refused', why: 'x' })
    for (const status of [500, 502, 503]) expect(await answered(status, '{"error":"busy"}')).toEqual({ is: 'unreached' })
    expect(await answered(403, '<p>Forbidden</p>')).toEqual({ is: 'unreached' })
    expect(await answered(302, '{"error":"x"}')).toEqual({ is: 'unreached' })
  })

  it('is sent again where no answer came', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')))
    expect(await sendPhoto('build', photo)).toEqual({ is: 'unreached' })
  })
})
