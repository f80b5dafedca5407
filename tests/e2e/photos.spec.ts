import type { Page } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { photoFileName } from '@/core/files'
import { phonePicture, takePicture } from '../support/pictures'
import { demo, expect, test, WREN, type Shop } from '../support/shop'

/** Pictures of steps: made small, without what the camera wrote, kept while the server is gone, out and in again in an archive. */
async function openStep(page: Page, shop: Shop, step: string): Promise<string> {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/walk?at=${step}`)
  await page.locator('[data-ready]').waitFor()
  return id
}

const pictures = (page: Page) => page.getByRole('list', { name: /^Pictures/ }).getByRole('img')

test('a picture of a step is made small, loses its camera, and goes out and in with the build', async ({ page, shop }) => {
  const id = await openStep(page, shop, 'job.agreed')
  await takePicture(page)
  await expect(pictures(page)).toHaveCount(1)
  await expect(page.locator('[data-step="job.agreed"]')).toContainText('a picture')
  const src = (await page.locator('img[src*="/photos/"]').getAttribute('src'))!
  const kept = Buffer.from(await (await shop.server.get(src)).arrayBuffer())
  expect(kept.length).toBeLessThanOrEqual(300_000)
  expect(kept.includes('CAMERA77')).toBe(false)
  expect(kept.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]))

  const archive = Buffer.from(await (await shop.server.get(`/api/builds/${id}/archive`)).arrayBuffer())
  await page.goto(`${shop.server.address}/new`)
  await page.locator('[data-hydrated]').waitFor()
  await page.getByLabel('Build file').setInputFiles({ name: 'wren.kalibros.zip', mimeType: 'application/zip', buffer: archive })
  await page.getByRole('button', { name: 'Bring it in as a copy' }).click()
  await page.waitForURL((url) => /\/builds\//.test(url.pathname) && !url.pathname.includes(id))
  await page.goto(`${page.url()}/walk?at=job.agreed`)
  await expect(pictures(page)).toHaveCount(1)
  const copied = (await page.locator('img[src*="/photos/"]').getAttribute('src'))!
  expect(Buffer.from(await (await shop.server.get(copied)).arrayBuffer()).equals(kept)).toBe(true)

  await page.goto(`${shop.server.address}/new`)
  await page.locator('[data-hydrated]').waitFor()
  await page.getByLabel('Build file').setInputFiles({ name: 'half.zip', mimeType: 'application/zip', buffer: archive.subarray(0, 900) })
  await expect(page.getByRole('alert').filter({ hasText: 'breaks off or is damaged' })).toBeVisible()
})

test('a picture taken while the server is gone waits on the device, also over a reload', async ({ page, shop }) => {
  const id = await openStep(page, shop, 'job.agreed')
  await page.route('**/photos?**', (route) => route.abort())
  await takePicture(page)
  await expect(page.getByText('on this device, not sent yet')).toBeVisible()
  await page.reload()
  await expect(page.getByText('on this device, not sent yet')).toBeVisible()
  await page.unroute('**/photos?**')
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.locator(`img[src^="/api/builds/${id}/photos/"]`)).toHaveCount(1)
  await expect(page.getByText('on this device, not sent yet')).toHaveCount(0)
})

test('a picture taken while another is on its way is shown at once and follows it', async ({ page, shop }) => {
  // The next try, twenty seconds later, never comes: what is seen is sent by this one.
  await page.addInitScript(() => {
    const every = window.setInterval.bind(window)
    window.setInterval = ((act: () => void, ms: number) => (ms === 20_000 ? 0 : every(act, ms))) as typeof window.setInterval
  })
  const id = await openStep(page, shop, 'job.agreed')
  let release = () => {}
  const isHeld = new Promise<void>((resolve) => (release = resolve))
  await page.route('**/photos?**', async (route) => {
    await isHeld
    await route.continue()
  })
  await takePicture(page)
  await expect(page.getByText('on this device, not sent yet')).toHaveCount(1)
  await takePicture(page)
  await expect(page.getByText('on this device, not sent yet')).toHaveCount(2)
  release()
  await expect(page.locator(`img[src^="/api/builds/${id}/photos/"]`)).toHaveCount(2)
})

/** Answers of things that stand between a device and its server, none of which has kept anything. */
const OTHER_ANSWERS: readonly (readonly [name: string, answer: { status: number; contentType: string; body: string }])[] = [
  ['a page to sign in', { status: 200, contentType: 'text/html', body: '<p>Sign in</p>' }],
  ['a proxy’s own word', { status: 200, contentType: 'application/json', body: '{"ok":true}' }],
  ['nothing', { status: 204, contentType: 'text/plain', body: '' }],
  ['another picture', { status: 201, contentType: 'application/json', body: `{"id":"${crypto.randomUUID()}"}` }],
  ['a gateway’s fault', { status: 502, contentType: 'text/html', body: '<p>Bad gateway</p>' }],
  ['a fault in JSON', { status: 503, contentType: 'application/json', body: '{"error":"busy"}' }],
]

test('a picture stays on the device whatever else answers', async ({ page, shop }) => {
  const id = await openStep(page, shop, 'job.agreed')
  const tries = { count: 0 }
  let answer = OTHER_ANSWERS[0]![1]
  await page.route('**/photos?**', async (route) => {
    tries.count++
    await route.fulfill(answer)
  })
  await takePicture(page)
  await expect(page.getByText('on this device, not sent yet')).toBeVisible()
  for (const [name, other] of OTHER_ANSWERS) {
    answer = other
    const before = tries.count
    await page.evaluate(() => window.dispatchEvent(new Event('online')))
    await expect.poll(() => tries.count, name).toBeGreaterThan(before)
    await page.reload()
    await expect(page.getByText('on this device, not sent yet'), name).toBeVisible()
  }
  await page.unroute('**/photos?**')
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.locator(`img[src^="/api/builds/${id}/photos/"]`)).toHaveCount(1)
})

test('an archive is looked at by names and sizes before anything of it is unpacked', async ({ page, shop }) => {
  await page.goto(`${shop.server.address}/new`)
  await page.locator('[data-hydrated]').waitFor()
  const build = strToU8(JSON.stringify(demo(WREN)))
  const name = (id: string) => photoFileName({ id, step: 'job.agreed', at: '2026-03-01T10:00:00.000Z', by: 'KV' })
  const id = crypto.randomUUID()
  const bomb = new Uint8Array(30_000_000)
  const cases: readonly (readonly [words: string, files: Record<string, Uint8Array>])[] = [
    ['build.kalibros.json in this archive is too large. Nothing was stored.', { 'build.kalibros.json': bomb }],
    [
      'is in this archive twice. Nothing was stored.',
      { 'build.kalibros.json': build, [name(id)]: Uint8Array.of(1), [name(id).replace('KV', 'AB')]: Uint8Array.of(2) },
    ],
    ['build.kalibros.json is not in this archive. Nothing was stored.', { 'holiday.jpg': bomb }],
  ]
  for (const [words, files] of cases) {
    const buffer = Buffer.from(zipSync(files))
    expect(buffer.length).toBeLessThan(1_000_000)
    await page.getByLabel('Build file').setInputFiles({ name: 'one.zip', mimeType: 'application/zip', buffer })
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible()
  }
})

test('what is no picture, or tells too much, is refused and says why', async ({ page, shop }) => {
  const id = await openStep(page, shop, 'job.agreed')
  const buffer = await phonePicture(page)
  const query = new URLSearchParams({ id: crypto.randomUUID(), step: 'job.agreed', at: new Date().toISOString(), by: 'KV' })
  const post = (body: Buffer, type = 'image/jpeg') =>
    page.request.post(`${shop.server.address}/api/builds/${id}/photos?${query}`, { data: body, headers: { 'content-type': type } })
  expect((await post(buffer)).status()).toBe(413)
  expect(await (await post(buffer)).json()).toMatchObject({ error: 'This is larger than 0.3 MB. Nothing was stored.' })
  expect(await (await post(buffer.subarray(0, 40_000))).json()).toMatchObject({ error: expect.stringContaining('breaks off') })
  expect((await post(Buffer.from('GIF89a'))).status()).toBe(422)
  expect((await post(buffer, 'text/plain')).status()).toBe(415)
})
