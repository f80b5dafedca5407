import { cpSync, rmSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import { KNOWN_PERSON } from '../support/person'
import { demo, enter, expect, openBench, readings, test, WREN, type Shop } from '../support/shop'
import { freePort } from '../support/server'

const waiting = /not sent yet, kept on this device/
type Mood = 'pass' | 'signIn' | 'portal' | 'stranger' | 'silent'

/** What stands between a shop's tablet and its server: passes everything on, or answers a write in the server's stead. */
class Between {
  mood: Mood = 'pass'
  private constructor(
    readonly address: string,
    private readonly server: Server,
  ) {}

  static async before(shop: Shop): Promise<Between> {
    const port = await freePort()
    const server = createServer((incoming, answer) => {
      const { mood } = between
      if (incoming.method === 'POST' && mood !== 'pass') {
        incoming.resume()
        if (mood === 'silent') return
        if (mood === 'signIn') answer.writeHead(302, { location: '/signin' }).end()
        else if (mood === 'portal')
          answer.writeHead(200, { 'content-type': 'text/html' }).end('<html><h1>Welcome to the free network</h1></html>')
        else answer.writeHead(200, { 'content-type': 'application/json' }).end('{"ok":true,"stored":1}')
        return
      }
      const onward = request(
        { host: '127.0.0.1', port: shop.server.port, path: incoming.url, method: incoming.method, headers: incoming.headers },
        (reply) => {
          answer.writeHead(reply.statusCode ?? 502, reply.headers)
          reply.pipe(answer)
        },
      )
      onward.on('error', () => answer.destroy())
      incoming.pipe(onward)
    })
    const between = new Between(`http://127.0.0.1:${port}`, server)
    await new Promise<void>((resolve) => {
      server.listen(port, '127.0.0.1', resolve)
    })
    return between
  }

  close(): void {
    this.server.closeAllConnections()
    this.server.close()
  }
}

for (const mood of ['signIn', 'portal', 'stranger'] as const) {
  test(`answered in the server’s stead (${mood}): nothing counts as stored, it is said so, and all arrives when the way is free`, async ({
    page,
    shop,
  }) => {
    const between = await Between.before(shop)
    const id = await shop.bring(demo(WREN))
    await page.goto(`${between.address}/builds/${id}/compression`)
    await page.locator('[data-ready]').waitFor()
    await enter(page, '0.10')
    await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
    between.mood = mood
    await enter(page, '0.11')
    await enter(page, '0.12')
    await expect(page.getByText(waiting)).toContainText(
      '2 not sent yet, kept on this device: something else answered: is a sign-in wanted?',
    )
    between.mood = 'pass'
    await expect(page.getByText(waiting)).toHaveCount(0)
    expect(readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11', '0.12'])
    between.close()
  })
}

test('a connection that takes a reading and never answers is given up, and the reading sent again', async ({ page, shop }) => {
  const between = await Between.before(shop)
  const id = await shop.bring(demo(WREN))
  await page.goto(`${between.address}/builds/${id}/compression`)
  await page.locator('[data-ready]').waitFor()
  between.mood = 'silent'
  await enter(page, '0.10')
  await expect(page.getByText(waiting)).toContainText('the server does not answer')
  between.mood = 'pass'
  await expect(page.getByText(waiting)).toHaveCount(0)
  expect(readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10'])
  between.close()
})

test('a server put back from yesterday’s backup is given again what devices still hold', async ({ page, ownShop }) => {
  const id = await ownShop.bring(demo(WREN))
  await openBench(page, ownShop, id)
  await enter(page, '0.10')
  await expect.poll(async () => readings(await ownShop.document(id)).length).toBe(1)
  const backup = `${ownShop.server.folder}-backup`
  // A page whose refresh met no server loads itself again, and would break off the next visit.
  await page.goto('about:blank')
  await ownShop.server.kill()
  cpSync(ownShop.server.folder, backup, { recursive: true })
  await ownShop.server.up()
  await openBench(page, ownShop, id)
  await enter(page, '0.11')
  await enter(page, '0.12')
  await expect.poll(async () => readings(await ownShop.document(id)).length).toBe(3)
  await ownShop.server.kill()
  rmSync(ownShop.server.folder, { recursive: true })
  cpSync(backup, ownShop.server.folder, { recursive: true })
  rmSync(backup, { recursive: true })
  await ownShop.server.up()
  expect(readings(await ownShop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10'])
  await page.reload()
  await expect.poll(async () => readings(await ownShop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11', '0.12'])
})

test('one the server refuses is shown with its reason, can be dropped, and holds up no other, also after a reload', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  await page.addInitScript((buildId) => {
    if (sessionStorage.getItem('done')) return
    sessionStorage.setItem('done', '1')
    const stamp = { at: '2026-03-01T10:00:00.000Z', by: 'KV', characteristic: 'compression.deck', unit: 'mm', asTyped: '0.42', value: 0.42 }
    const bad = {
      kind: 'reading',
      id: '01920000-0000-7000-8000-0000000000aa',
      place: { cylinder: 1, spot: 'front' },
      gauge: 'lent-out.7',
      ...stamp,
    }
    localStorage.setItem(`kalibros.entry.${buildId}.${bad.id}`, JSON.stringify({ entry: bad, state: 'waiting' }))
    const absurd = { ...bad, id: '01920000-0000-7000-8000-0000000000bb', gauge: 'dial-metric.1', place: { cylinder: 9, spot: 'front' } }
    localStorage.setItem(`kalibros.entry.${buildId}.${absurd.id}`, JSON.stringify({ entry: absurd, state: 'waiting' }))
  }, id)
  await openBench(page, shop, id)
  await enter(page, '0.10')
  await enter(page, '0.11')
  await expect.poll(async () => readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11'])
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  await enter(page, '0.12')
  await expect.poll(async () => readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11', '0.12'])
  await page.getByRole('button', { name: /not taken/ }).click()
  const panel = page.getByRole('dialog')
  await expect(panel).toContainText('Gauge “lent-out.7” is not in the drawer.')
  await expect(panel).toContainText('this engine has no cylinder 9, only 1')
  for (let left = 2; left > 0; left--) await panel.getByRole('button', { name: 'Drop it from this device' }).first().click()
  await expect(panel).toContainText('Nothing is left here.')
})

test('two devices with clocks an hour apart: a correction corrects, and readings that did not know of each other are both kept', async ({
  browser,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  const devices = await Promise.all(
    ['KV', 'AB'].map(async (initials) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      await context.addCookies([{ ...KNOWN_PERSON, value: initials }])
      return context.newPage()
    }),
  )
  const [wall, tablet] = devices as [(typeof devices)[0], (typeof devices)[0]]
  await tablet.clock.setSystemTime(Date.now() - 3_600_000)
  // It hears nothing of what the other does meanwhile.
  await tablet.route('**/news*', (route) => route.abort())
  await openBench(wall, shop, id)
  await enter(wall, '0.10')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
  // The tablet knows of it and measures it again.
  await openBench(tablet, shop, id)
  await tablet.locator('[data-station="compression.deck/c1/front"]').click()
  await enter(tablet, '0.12')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(2)
  await wall.reload()
  await wall.locator('[data-ready]').waitFor()
  await expect(wall.getByRole('button', { name: /front of the crown: 0\.12$/ })).toBeVisible()
  // Now both read the next place, each without the other.
  await openBench(tablet, shop, id)
  await enter(wall, '0.20')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(3)
  await tablet.locator('[data-station="compression.deck/c1/left"]').click()
  await enter(tablet, '0.22')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(4)
  await wall.reload()
  await wall.locator('[data-ready]').waitFor()
  await wall.locator('[data-station="compression.deck/c1/left"]').click()
  await expect(wall.locator('#understood')).toContainText(
    /0\.20 \(KV\) and 0\.22 \(AB\) do not know of each other; the last to arrive counts/,
  )
  await expect(wall.getByRole('button', { name: /left of the crown: ≠ 0\.22/ })).toBeVisible()
  for (const device of devices) await device.context().close()
})
