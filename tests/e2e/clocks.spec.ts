import type { BuildDocument } from '@/core/document'
import { v7 as uuidV7 } from 'uuid'
import { demo, enter, expect, openBench, PETREL, readings, test, visit, WREN } from '../support/shop'

const SECOND_MS = 1000
const MINUTE_MS = 60 * SECOND_MS
const HOUR_MS = 60 * MINUTE_MS

/** With a step done so long ago. */
const doneAgo = (step: string, agoMs: number) => (document: BuildDocument) => ({
  ...document,
  entries: [
    ...document.entries,
    { kind: 'step' as const, id: uuidV7(), at: new Date(Date.now() - agoMs).toISOString(), by: 'KV', step, did: 'done' as const },
  ],
})
const WAITS = /the lifters to have soaked/

test('a clock counts on every page and holds what waits for it', async ({ page, ownShop }) => {
  const id = await ownShop.bring(demo(PETREL, doneAgo('heads.soak', HOUR_MS - 30 * MINUTE_MS)))
  await visit(page, ownShop, '/sums')
  await expect(page.getByRole('group', { name: 'Clocks of the shop' })).toContainText(/Lifters soak for (30:00|2\d:\d\d) · Petrel/)
  await page.goto(`${ownShop.server.address}/builds/${id}/walk#heads.lifters.left`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByLabel('Clocks that run')).toContainText(/Lifters soak for 2\d:\d\d/)
  await page.getByRole('button', { name: /^Heads and cams/ }).click()
  await expect(page.locator('[data-step="heads.lifters.left"]')).toContainText(WAITS)
})

test('a clock that has run out while no page was open is said everywhere, and holds nothing', async ({ page, ownShop }) => {
  const id = await ownShop.bring(demo(PETREL, doneAgo('heads.soak', HOUR_MS - SECOND_MS)))
  const dueAt = async () => (await (await ownShop.server.get('/api/clocks')).json()).clocks[0].dueAt as string
  await expect.poll(async () => (await dueAt()) < new Date().toISOString()).toBe(true)
  await page.goto(`${ownShop.server.address}/builds/${id}/walk`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByRole('group', { name: 'Clocks of the shop' })).toContainText('Lifters have soaked: in with them · Petrel')
  await page.getByRole('button', { name: /^Heads and cams/ }).click()
  await expect(page.locator('[data-step="heads.lifters.left"]')).toBeVisible()
  await expect(page.locator('[data-step="heads.lifters.left"]')).not.toContainText(WAITS)
  await visit(page, ownShop, '/')
  await expect(page.getByLabel('Clocks', { exact: true })).toContainText('Lifters have soaked: in with them')
})

test('a step that waits is free the moment its clock has run out, without a key', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await page.goto(`${shop.server.address}/builds/${id}/walk`)
  await page.locator('[data-ready]').waitFor()
  await page.getByRole('button', { name: /^Heads and cams/ }).click()
  const lifters = page.locator('[data-step="heads.lifters.left"]')
  await expect(lifters).toBeVisible()
  // Put in to soak on another device: all but the last seconds are over.
  const [soaked] = doneAgo('heads.soak', HOUR_MS - 25 * SECOND_MS)({ ...demo(PETREL), entries: [] }).entries
  expect((await shop.server.post(`/api/builds/${id}/entries`, { entries: [soaked] })).status).toBe(200)
  await expect(lifters).toContainText(WAITS)
  await expect(lifters).not.toContainText(WAITS)
})

test.describe('on a device with a clock of its own', () => {
  test.use({ hasOwnDevice: true })

  test('clocks run on the server’s time on a device an hour behind, and are in the calendar', async ({ page, shop }) => {
    const id = await shop.bring(demo(WREN))
    await page.clock.install({ time: Date.now() - HOUR_MS })
    await page.goto(`${shop.server.address}/builds/${id}/walk`)
    await page.locator('[data-ready]').waitFor()
    // The first answer brings the server's time along.
    await expect.poll(() => page.evaluate(() => Number(localStorage.getItem('kalibros.serverTime')))).toBeGreaterThan(HOUR_MS - MINUTE_MS)
    await page.getByRole('button', { name: /^Inspect and clean/ }).click()
    for (const step of ['clean.apart', 'clean.washed']) {
      await page.locator(`[data-step="${step}"]`).click()
      await page.keyboard.press('Enter')
      await expect(page.locator(`[data-step="${step}"]`)).toHaveAttribute('data-is', 'done')
    }
    await expect(page.getByLabel('Clocks that run')).toContainText(/Washed iron rusts in (59:\d\d|1:00:00)/)
    const washed = (await shop.document(id)).entries.find((entry) => entry.kind === 'step' && entry.step === 'clean.washed')!
    expect(Math.abs(Date.parse(washed.at) - Date.now())).toBeLessThan(MINUTE_MS)
    const calendar = await (await shop.server.get(`/api/clocks.ics?build=${id}`)).text()
    expect(calendar.replaceAll('\r\n ', '')).toContain('SUMMARY:Wren: Washed iron may have begun to rust')
  })
})

test('what answers for the clocks in the server’s stead is not taken for them, and a reading gets its time', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.route('**/api/clocks', (route) => route.fulfill({ json: { ok: true, clocks: 'sign in first', nowMs: 'soon' } }))
  await openBench(page, shop, id)
  await enter(page, '0.10')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
  const [reading] = readings(await shop.document(id))
  expect(Math.abs(Date.parse(reading!.at) - Date.now())).toBeLessThan(MINUTE_MS)
  await expect(page.getByRole('group', { name: 'Clocks of the shop' })).toHaveCount(0)
})
