import { createServer, type Server } from 'node:http'
import { connect } from 'node:net'
import { chromium, type Browser, type Page } from '@playwright/test'
import { formatGaugeLine } from '@/core/liveGauge'
import { demo, expect, readings, shopOf, TERN, test, type Shop } from '../support/shop'
import { freePort, TestServer } from '../support/server'
import config from '../../playwright.config'

/** Names of other people's that lead to this machine, as a name server of theirs could make them. */
const NAMES = ['evil.test', 'bench.shop.test', 'sub.bench.shop.test']

let server: TestServer
let shop: Shop
let foreign: { readonly port: number; readonly server: Server }
let browser: Browser

test.beforeAll(async () => {
  server = await TestServer.start({ KALIBROS_HOSTS: 'bench.shop.test' })
  shop = shopOf(server)
  const port = await freePort()
  const site = createServer((_, answer) =>
    answer.writeHead(200, { 'content-type': 'text/html' }).end('<html><body>A page of somebody else</body></html>'),
  )
  await new Promise<void>((resolve) => {
    site.listen(port, '127.0.0.1', resolve)
  })
  foreign = { port, server: site }
  const { executablePath, args } = config.use!.launchOptions!
  browser = await chromium.launch({
    executablePath,
    args: [...args!, `--host-resolver-rules=${NAMES.map((name) => `MAP ${name} 127.0.0.1`).join(', ')}`],
  })
})
test.afterAll(async () => {
  await browser.close()
  foreign.server.closeAllConnections()
  foreign.server.close()
  await server.stop()
})

/** Every way a page can send something without being asked: fetch as text, as JSON, as a beacon, and forms of each kind. */
async function sendAll(page: Page, target: string, body: string): Promise<string[]> {
  const tried = await page.evaluate(
    async ({ url, text }) => {
      const said: string[] = []
      const attempt = async (name: string, init: RequestInit) => {
        said.push(
          `${name} ${await fetch(url, init).then(
            (answer) => (answer.type === 'opaque' ? 'opaque' : String(answer.status)),
            () => 'blocked',
          )}`,
        )
      }
      await attempt('text', { method: 'POST', mode: 'no-cors', headers: { 'content-type': 'text/plain' }, body: text })
      await attempt('json', { method: 'POST', headers: { 'content-type': 'application/json' }, body: text })
      await attempt('no type', { method: 'POST', mode: 'no-cors', body: new Blob([text]) })
      said.push(`beacon ${navigator.sendBeacon(url, new Blob([text], { type: 'text/plain' }))}`)
      return said
    },
    { url: target, text: body },
  )
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data']) {
    const leaves = page.waitForNavigation({ timeout: 60_000 }).catch(() => undefined)
    const back = page.url()
    await page.evaluate(
      ({ url, text, enctype }) => {
        const form = Object.assign(document.createElement('form'), { action: url, method: 'post', enctype })
        const cut = text.indexOf('=') > 0 ? text.indexOf('=') : text.length - 1
        form.append(Object.assign(document.createElement('input'), { name: text.slice(0, cut), value: text.slice(cut) }))
        document.body.append(form)
        form.submit()
      },
      { url: target, text: body, enctype: type },
    )
    await leaves
    await page.goto(back)
  }
  return tried
}

const SITES =
  process.env.KALIBROS_FAULTS === 'long'
    ? ['http://127.0.0.1', 'http://localhost', 'http://evil.test', 'http://sub.bench.shop.test']
    : ['http://evil.test', 'http://sub.bench.shop.test']
for (const from of SITES) {
  for (const to of ['127.0.0.1', 'bench.shop.test']) {
    test(`a page of ${from} stores nothing at ${to} and reads nothing`, async () => {
      const id = await shop.bring(demo(TERN))
      const before = readings(await shop.document(id)).length
      const page = await browser.newPage()
      await page.goto(`${from}:${foreign.port}/`)
      const address = `http://${to}:${server.port}`
      await sendAll(
        page,
        `${address}/api/builds/${id}/entries`,
        JSON.stringify({ entries: [{ ...readings(demo(TERN))[0]!, id: '01920000-0000-7000-8000-00000000000a' }] }),
      )
      await sendAll(page, `${address}/api/gauge`, 'bore-metric;83.002;mm;1')
      const read = await page.evaluate(
        (url) =>
          fetch(url).then(
            (answer) => answer.text(),
            () => '',
          ),
        `${address}/api/builds/${id}/file`,
      )
      expect(read).toBe('')
      expect(readings(await shop.document(id)).length).toBe(before)
      await page.close()
    })
  }
}

test('a foreign name that is made to lead here reads nothing and stores nothing', async () => {
  const id = await shop.bring(demo(TERN))
  const before = readings(await shop.document(id)).length
  const page = await browser.newPage()
  for (const path of [`/api/builds/${id}/file`, `/builds/${id}/compression`, '/', '/api/live']) {
    const answer = await page.goto(`http://evil.test:${server.port}${path}`)
    expect(answer!.status()).toBe(421)
    expect(await answer!.text()).not.toContain('Tern')
  }
  const { status } = await page.evaluate(
    async ({ url, entries }) => ({
      status: await fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ entries }) }).then(
        (answer) => answer.status,
        () => 421,
      ),
    }),
    { url: `/api/builds/${id}/entries`, entries: [readings(demo(TERN))[0]!] },
  )
  expect(status).toBe(421)
  expect(readings(await shop.document(id)).length).toBe(before)
  await page.close()
})

test('the name the shop gave it is answered, and writes of its own pages are stored', async () => {
  const id = await shop.bring(demo(TERN))
  const page = await browser.newPage()
  expect((await page.goto(`http://bench.shop.test:${server.port}/builds/${id}/compression`))!.status()).toBe(200)
  const status = await page.evaluate(
    async ({ url, entries }) =>
      (await fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ entries }) })).status,
    { url: `/api/builds/${id}/entries`, entries: [{ ...readings(demo(TERN))[0]!, id: '01920000-0000-7000-8000-00000000000b' }] },
  )
  expect(status).toBe(200)
  expect(readings(await shop.document(id)).some(({ id: one }) => one.endsWith('00b'))).toBe(true)
  await page.close()
})

test('another site takes no live gauge: streams refuse it, and listening is begun by a write', async () => {
  const listens = (session: string, headers: HeadersInit = {}) => fetch(`${server.address}/api/live?session=${session}`, { headers })
  expect((await listens('unannounced')).status).toBe(422)
  const begin = { what: 'listen', session: 'bench-session', words: 'KV at the bench' }
  const foreignHeaders = { 'content-type': 'application/json', origin: 'https://evil.test' }
  const posted = await fetch(`${server.address}/api/live/hold`, { method: 'POST', headers: foreignHeaders, body: JSON.stringify(begin) })
  expect(posted.status).toBe(403)
  expect((await listens('bench-session')).status).toBe(422)
  expect((await server.post('/api/live/hold', begin)).status).toBe(200)
  for (const headers of [['origin https://evil.test'], ['sec-fetch-site cross-site', 'sec-fetch-mode no-cors']].map(headersOf))
    expect((await listens('bench-session', headers)).status).toBe(403)
  // A page of another site that knows the session opens a stream: nobody is connected by it, and no gauge goes to it.
  const id = await shop.bring(demo(TERN))
  const page = await browser.newPage()
  await page.goto(`http://evil.test:${foreign.port}/`)
  for (const path of ['/api/live?session=bench-session', `/api/builds/${id}/news`]) {
    const state = await page.evaluate(
      (url) =>
        new Promise<number>((resolve) => {
          const source = new EventSource(url)
          source.addEventListener('error', () => resolve(source.readyState))
          source.addEventListener('open', () => resolve(-1))
        }),
      `http://127.0.0.1:${server.port}${path}`,
    )
    expect(state).toBe(2)
  }
  await page.close()
  const line = formatGaugeLine({ name: 'gauge-evil', value: 1.25, unit: 'mm', sequence: 1 })
  expect((await server.post('/api/live', { lines: [line] })).status).toBe(200)
  const heard = await listens('bench-session&after=0')
  expect(heard.status).toBe(200)
  const reader = heard.body!.pipeThrough(new TextDecoderStream()).getReader()
  let said = ''
  while (!said.includes('gauge-evil')) said += (await reader.read()).value ?? ''
  expect(said).toContain('event: nobody')
  expect(said).not.toContain('event: mine')
  await reader.cancel()
})

test('addresses, methods and bodies that are none are answered in words, and leave no trace in the log', async () => {
  const id = await shop.bring(demo(TERN))
  for (const path of [
    '/%',
    '/builds/%E0%A4%A',
    '/sums/%ZZ',
    '/builds/%00',
    `/api/builds/${id}/entries?station=%C3%28`,
    '/_next/static/%E0',
  ]) {
    const { status, body } = await rawRequest(`GET ${path} HTTP/1.1`)
    expect(status, path).toBe(400)
    expect(body).toContain('cannot be read')
  }
  for (const method of ['TRACE', 'PUT', 'PROPFIND', 'DELETE']) expect((await rawRequest(`${method} / HTTP/1.1`)).status, method).toBe(405)
  const large = await server.post<{ error: string }>('/api/builds', { from: 'file', by: 'KV', document: 'x'.repeat(21_000_000) })
  expect([large.status, large.json.error]).toEqual([413, 'This is larger than 20 MB. Nothing was stored.'])
  // Above ten megabytes and below twenty it is looked at whole.
  const whole = await server.post<{ error: string }>('/api/builds', { from: 'file', by: 'KV', document: 'x'.repeat(12_000_000) })
  expect(whole.status).toBe(422)
  expect(whole.json.error).not.toContain('broke off')
})

const headersOf = (lines: readonly string[]): HeadersInit => lines.map((line) => line.split(' ') as [string, string])

/** A request to the letter, as no client of this century would send it. */
function rawRequest(head: string): Promise<{ readonly status: number; readonly body: string }> {
  return new Promise((resolve, reject) => {
    const socket = connect(server.port, '127.0.0.1', () =>
      socket.write(`${head}\r\nHost: 127.0.0.1:${server.port}\r\nConnection: close\r\n\r\n`),
    )
    let answer = ''
    socket.on('data', (data) => (answer += data.toString()))
    socket.on('error', reject)
    socket.on('close', () => resolve({ status: Number(answer.split(' ')[1]), body: answer.slice(answer.indexOf('\r\n\r\n')) }))
  })
}

test('asking only for the head of the live line leaves no listener behind', async () => {
  for (let asked = 0; asked < 20; asked++) {
    const answer = await fetch(`${server.address}/api/live?session=head`, { method: 'HEAD' })
    expect([200, 204, 405]).toContain(answer.status)
    expect(await answer.text()).toBe('')
  }
})

test('pages asked for with nonsense in their address are answered in words', async () => {
  const id = await shop.bring(demo(TERN))
  for (const path of [
    '/?page=1e20',
    '/?page=-3',
    '/?page=abc',
    '/?search=%25&order=zzz',
    `/api/builds/${id}/spec?revision=abc`,
    `/api/builds/${id}/spec?revision=1e20`,
    `/builds/${id}/book?revision=abc`,
    '/builds/nope',
    '/builds/nope/compression',
    '/sums/nope',
    '/api/builds/nope/file',
  ]) {
    const answer = await server.get(path)
    expect([path, answer.status < 500]).toEqual([path, true])
    expect(await answer.text()).not.toMatch(/ at .*\.[jt]s:\d/)
  }
})
