import { demo, enter, expect, line, openBench, readings, test, WREN } from '../support/shop'

const waiting = /not sent yet, kept on this device/

test('the server killed in mid-entry loses nothing that was acknowledged, and the rest arrives once when it is back', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  await enter(page, '0.10')
  await enter(page, '0.11')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(2)
  await shop.server.kill()
  await enter(page, '0.12')
  await enter(page, '0.13')
  await expect(page.getByText(waiting)).toContainText('2 not sent yet')
  await expect(page.getByRole('button', { name: /rear of the crown: 0\.12, not sent yet/ })).toBeVisible()
  await shop.server.up()
  await expect(page.getByText(waiting)).toHaveCount(0)
  expect(readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11', '0.12', '0.13'])
})

test.describe('on a device that has not shown it before', () => {
  // Another test may have left the part in the browser.
  test.use({ hasOwnDevice: true })

  test('a part of the page that could not be fetched is said so, and the page is back once the server answers', async ({ page, shop }) => {
    const id = await shop.bring(demo(WREN))
    await openBench(page, shop, id)
    await enter(page, '0.10')
    await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
    await shop.server.kill()
    await page.getByRole('button', { name: 'Gasket rack' }).click()
    await expect(page.getByRole('heading', { name: 'The server is out of reach' })).toBeVisible()
    await shop.server.up()
    await expect(line(page)).toBeVisible()
    await expect(page.getByRole('button', { name: 'Gasket rack' })).toBeVisible()
  })
})

test('a page that asks for its figures again while the server is gone stays, and has them once it answers', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/walk`)
  await page.locator('[data-ready]').waitFor()
  const asked = { whetherItAnswers: 0, forThePage: 0 }
  page.on('request', (request) => {
    if (request.url().endsWith('/api/health')) asked.whetherItAnswers++
    if (request.url().includes('/walk') && request.headers().rsc === '1') asked.forThePage++
  })
  await shop.server.kill()
  await page.getByRole('button', { name: 'Units shown: metric. Change' }).click()
  await expect.poll(() => asked.whetherItAnswers).toBeGreaterThan(1)
  await expect(page.getByRole('heading', { name: 'Walk, Wren' })).toBeVisible()
  expect(asked.forThePage).toBe(0)
  await shop.server.up()
  await expect.poll(() => asked.forThePage).toBe(1)
  await expect(page.getByRole('button', { name: 'Units shown: inch. Change' })).toBeVisible()
})

test('a device too full to keep a reading says so, and the reading is sent all the same', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.addInitScript(() => {
    const kept = Storage.prototype.setItem
    Storage.prototype.setItem = function setItem(key, value) {
      if (key.startsWith('kalibros.entry')) throw new DOMException('full', 'QuotaExceededError')
      kept.call(this, key, value)
    }
  })
  await openBench(page, shop, id)
  await enter(page, '0.11')
  await expect(page.getByText('This device is full and keeps nothing')).toBeVisible()
  await expect.poll(async () => readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.11'])
  await expect(page.getByText('not sent yet')).toHaveCount(0)
})

test('a reload with the server gone shows everything typed, sent or not, and all of it arrives once', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  // The worker that keeps copies takes over the page, then the page is seen once through it.
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  await enter(page, '0.10')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
  await shop.server.kill()
  await enter(page, '0.11')
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByRole('button', { name: /front of the crown: 0\.10$/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /left of the crown: 0\.11, not sent yet/ })).toBeVisible()
  await expect(line(page)).toBeFocused()
  await enter(page, '0.12')
  await shop.server.up()
  await expect(page.getByText(waiting)).toHaveCount(0)
  expect(readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.10', '0.11', '0.12'])
})

test.describe('requests that fail on the way', () => {
  // A page that its worker has taken over sends through it, past the routes of a test.
  test.use({ serviceWorkers: 'block' })

  test('a reload with unsent readings and the server back sends them once', async ({ page, shop }) => {
    const id = await shop.bring(demo(WREN))
    await openBench(page, shop, id)
    await page.route('**/entries', (route) => route.abort())
    await enter(page, '0.10')
    await expect(page.getByText(waiting)).toContainText('1 not sent yet')
    await page.unroute('**/entries')
    await page.reload()
    await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
    await page.reload()
    await page.locator('[data-ready]').waitFor()
    expect(readings(await shop.document(id))).toHaveLength(1)
    // Kept for thirty days as sent: a server put back from a backup may lack it.
    expect(
      await page.evaluate(() =>
        Object.keys(localStorage)
          .filter((key) => key.startsWith('kalibros.entry'))
          .map((key) => JSON.parse(localStorage.getItem(key)!).state),
      ),
    ).toEqual(['sent'])
  })

  test('an answer that never came back does not make two readings of one', async ({ page, shop }) => {
    const id = await shop.bring(demo(WREN))
    await openBench(page, shop, id)
    let lost = 0
    await page.route('**/entries', async (route) => {
      // The server stores it; the answer is lost on the way, twice.
      if (lost++ < 2) {
        await route.fetch()
        await route.abort()
      } else await route.continue()
    })
    await enter(page, '0.10')
    await expect.poll(() => lost).toBeGreaterThan(2)
    await expect(page.getByText(waiting)).toHaveCount(0)
    expect(readings(await shop.document(id))).toHaveLength(1)
  })
})
