import { demo, enter, expect, finding, line, openBench, place, readings, TERN, test, WREN } from '../support/shop'

test('initials are asked before the first reading, in a field that takes no reading, and stand beside each', async ({ browser, shop }) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  const initials = page.getByLabel('Who is working? Your initials, once for this device')
  await expect(initials).toBeFocused()
  await enter(page, '0.06')
  await expect(page.getByText('Letters only, 4 at the most: initials first, then the reading.')).toBeVisible()
  await expect(initials).toBeFocused()
  // Somebody who only looks around may; what is typed then waits for initials.
  await page.keyboard.press('Escape')
  await expect(line(page)).toBeFocused()
  await enter(page, '0.10')
  await expect(initials).toBeFocused()
  expect(readings(await shop.document(id))).toEqual([])
  await enter(page, 'jb')
  await expect(line(page)).toBeFocused()
  await enter(page, '0.11')
  await expect
    .poll(async () => readings(await shop.document(id)).map(({ asTyped, by }) => [asTyped, by]))
    .toEqual([
      ['0.10', 'JB'],
      ['0.11', 'JB'],
    ])
  await context.close()
})

test('what was refused or questioned is selected: what is typed next stands in its place', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  await enter(page, 'abc1')
  await page.keyboard.type('0.12')
  await expect(line(page)).toHaveValue('0.12')
  await page.keyboard.press('Enter')
  await enter(page, '12')
  await expect(page.getByText('Is that so?')).toBeVisible()
  await page.keyboard.type('0.14')
  await expect(line(page)).toHaveValue('0.14')
  await page.keyboard.press('Enter')
  await expect.poll(async () => readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.12', '0.14'])
})

test('initials typed in the bar and closed by Enter are there on the next page, and a digit is none', async ({ browser, shop }) => {
  const context = await browser.newContext()
  const page = await context.newPage()
  await page.goto(`${shop.server.address}/sums`)
  await page.locator('[data-hydrated], h1').first().waitFor()
  const bar = page.getByLabel('Your initials')
  await bar.click()
  await page.keyboard.type('k1v')
  await expect(bar).toHaveValue('KV')
  await page.keyboard.press('Enter')
  await page.goto(`${shop.server.address}/gauges`)
  await expect(page.getByLabel('Your initials')).toHaveValue('KV')
  await context.close()
})

test('after the last reading of a bench the next one is offered', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(TERN, (document) => ({
      ...document,
      entries: document.entries.filter(
        (entry) =>
          !('characteristic' in entry) ||
          !(entry.characteristic === 'rings.topGap' || (entry.characteristic === 'bores.skirt' && entry.place.cylinder === 5)),
      ),
    })),
  )
  await openBench(page, shop, id, 'bores')
  await expect(place(page)).toHaveText('Piston marked 5, skirt at the gauge point')
  await enter(page, '82.895')
  await page.getByRole('link', { name: /^Next: /i }).click()
  await expect(page).toHaveURL(/\/rings/)
})

test('a reading typed at the wrong cylinder is moved to the one it was meant for, and nothing vanishes', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN, (document) => ({ ...document, entries: [] })))
  await openBench(page, shop, id)
  await enter(page, '0.05')
  await expect(place(page)).toHaveText('Cylinder 1, deck, left of the crown')
  await page.keyboard.press('b')
  await expect(place(page)).toHaveText('Cylinder 1, deck, front of the crown')
  await page.keyboard.press('h')
  const panel = page.getByRole('dialog')
  await panel.locator('select').first().selectOption({ label: 'Cylinder 2, deck, front of the crown' })
  await panel.getByRole('button', { name: 'Move it there' }).click()
  await expect.poll(async () => (await shop.document(id)).entries.map(({ kind }) => kind)).toEqual(['reading', 'move'])
})

test('a finding read as such opens to its reading and the correction of its gauge', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(TERN, (document) => ({
      ...document,
      gauges: document.gauges.map((card) => (card.id === 'torque.1' ? { ...card, bias: 0.1 } : card)),
      spec: { ...document.spec, limits: { 'bearings.rodSide': { upper: 0.01, source: 'test', reason: '' } } },
    })),
  )
  await openBench(page, shop, id, 'bearings')
  await finding(page, 'bearings.rodSide.1').getByRole('button').first().click()
  await expect(page.getByRole('dialog')).toContainText('As read')
})
