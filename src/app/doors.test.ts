import { afterEach, describe, expect, it, vi } from 'vitest'
import { isAllowedHost, isOwnOrigin } from './doors'

afterEach(() => vi.unstubAllEnvs())

describe('the names this program answers to', () => {
  it.each([
    ['localhost:4310', true],
    ['127.0.0.1:4310', true],
    ['[::1]:4310', true],
    ['LOCALHOST', true],
    ['evil.example', false],
    ['localhost.evil.example', false],
    ['evil.localhost', false],
    ['127.0.0.1.evil.example:4310', false],
    ['', false],
    [null, false],
    ['bench', false],
    // A second port is no port: the whole is another name.
    ['localhost:80:80', false],
    ['localhost:', false],
  ])('%s: %s', (host, allowed) => expect(isAllowedHost(host)).toBe(allowed))

  it('are also those the shop names, and the address listened on unless that is every address', () => {
    vi.stubEnv('KALIBROS_HOSTS', ' Bench , press.shop ')
    vi.stubEnv('HOST', '192.168.1.20')
    expect(['bench:4310', 'press.shop', '192.168.1.20:4310', 'shop'].map((host) => isAllowedHost(host))).toEqual([true, true, true, false])
    vi.stubEnv('HOST', '0.0.0.0')
    expect([isAllowedHost('0.0.0.0:4310'), isAllowedHost('192.168.1.20:4310')]).toEqual([false, false])
  })
})

describe('where a write may come from', () => {
  const from = (headers: Record<string, string>, method = 'POST') => isOwnOrigin(method, new Headers({ host: 'bench:4310', ...headers }))

  it.each([
    ['this very page', { origin: 'http://bench:4310', 'sec-fetch-site': 'same-origin' }, true],
    ['this very page, by a browser that says only Origin', { origin: 'http://bench:4310' }, true],
    ['a gauge or a script, which says nothing', {}, true],
    ['the address bar', { 'sec-fetch-site': 'none' }, true],
    ['another port of this machine', { origin: 'http://bench:8080' }, false],
    ['a sub-domain', { origin: 'http://x.bench:4310', 'sec-fetch-site': 'same-site' }, false],
    ['another site', { origin: 'https://evil.example', 'sec-fetch-site': 'cross-site' }, false],
    ['another site that hides its name', { origin: 'null' }, false],
    ['another site, by a form that says no Origin', { 'sec-fetch-site': 'cross-site' }, false],
    ['words that are no address', { origin: 'bench:4310' }, false],
  ])('%s: %s', (_, headers, allowed) => expect(from(headers)).toBe(allowed))

  it.each(['PUT', 'PATCH', 'DELETE', 'OPTIONS'])('%s is a write as well', (method) =>
    expect(from({ origin: 'https://evil.example' }, method)).toBe(false),
  )
  it.each(['GET', 'HEAD'])('%s of another site is refused where it is no visit: it could take a gauge or listen', (method) => {
    expect(from({ origin: 'https://evil.example' }, method)).toBe(false)
    expect(from({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' }, method)).toBe(false)
    expect(from({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, method)).toBe(true)
    expect(from({}, method)).toBe(true)
  })
})
