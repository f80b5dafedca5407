import type { Page } from '@playwright/test'
import { demo, expect, test, WREN, type Shop } from '../support/shop'

/** Pictures of steps: made small, without what the camera wrote, kept while the server is gone, out and in again in an archive. */
async function openStep(page: Page, shop: Shop, step: string): Promise<string> {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/walk?at=${step}`)
  await page.locator('[data-ready]').waitFor()
  return id
}

/** A JPEG of noise, as large as a phone's, with an Exif segment that names a camera. */
async function phonePicture(page: Page): Promise<Buffer> {
  const plain = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(2400, 1800)
    const context = canvas.getContext('2d')!
    const noise = context.createImageData(2400, 1800)
    for (let at = 0; at < noise.data.length; at++) noise.data[at] = at % 4 === 3 ? 255 : (at * 2654435761) % 251
    context.putImageData(noise, 0, 0)
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  const exif = [0xff, 0xe1, 0x00, 0x10, ...Buffer.from('Exif\0\0CAMERA77')]
  return Buffer.from([...plain.slice(0, 2), ...exif, ...plain.slice(2)])
}

async function takePicture(page: Page): Promise<void> {
  const buffer = await phonePicture(page)
  expect(buffer.length).toBeGreaterThan(1_000_000)
  const chooser = page.waitForEvent('filechooser')
  await page.keyboard.press('p')
  await (await chooser).setFiles({ name: 'step.jpg', mimeType: 'image/jpeg', buffer })
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

test('what is no picture, or tells too much, is refused and says why', async ({ page, shop }) => {
  const id = await openStep(page, shop, 'job.agreed')
  const buffer = await phonePicture(page)
  const query = new URLSearchParams({ id: crypto.randomUUID(), step: 'job.agreed', at: new Date().toISOString(), by: 'KV' })
  const post = (body: Buffer, type = 'image/jpeg') =>
    page.request.post(`${shop.server.address}/api/builds/${id}/photos?${query}`, { data: body, headers: { 'content-type': type } })
  expect((await post(buffer)).status()).toBe(422)
  expect(await (await post(buffer)).json()).toMatchObject({ error: 'The picture weighs more than 300 kB. Nothing was stored.' })
  expect(await (await post(buffer.subarray(0, 40_000))).json()).toMatchObject({ error: expect.stringContaining('where, or with what') })
  expect((await post(Buffer.from('GIF89a'))).status()).toBe(422)
  expect((await post(buffer, 'text/plain')).status()).toBe(415)
})
