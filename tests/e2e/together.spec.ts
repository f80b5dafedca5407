import type { Browser, Page } from '@playwright/test'
import { v7 as uuidV7 } from 'uuid'
import type { Entry } from '@/core/document'
import { KNOWN_PERSON } from '../support/person'
import { demo, enter, expect, finding, line, openBench, readings, TERN, test, visit, WREN } from '../support/shop'

/** Another device, by another person. */
async function device(browser: Browser, initials: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await context.addCookies([{ ...KNOWN_PERSON, value: initials }])
  return context.newPage()
}

const cell = (page: Page, words: string) => page.getByRole('button', { name: `Cylinder 1, deck, front of the crown: ${words}` })

test('what one device enters, strikes out and takes back, another sees, and goes on from there', async ({ page, browser, shop }) => {
  const id = await shop.bring(demo(WREN))
  const tablet = await device(browser, 'AB')
  await openBench(page, shop, id)
  await openBench(tablet, shop, id)
  await enter(tablet, '0.12')
  await expect(cell(page, '0.12')).toBeVisible()
  await expect(finding(page, 'compression.deckClearance.1')).toContainText('readings')
  // The next one is of the same mind: it corrects what it has heard of.
  await page.locator('[data-station="compression.deck/c1/front"]').click()
  await enter(page, '0.14')
  await expect(cell(tablet, '0.14')).toBeVisible()
  await tablet.locator('[data-station="compression.deck/c1/front"]').click()
  await tablet.keyboard.press('x')
  await enter(tablet, 'dial slipped')
  await expect(cell(page, '0.12')).toBeVisible()
  await tablet.keyboard.press('z')
  await tablet.keyboard.press('z')
  await expect(cell(page, '0.14')).toBeVisible()
  const stored = readings(await shop.document(id))
  expect(stored.map(({ asTyped, by }) => `${asTyped} ${by}`)).toEqual(['0.12 AB', '0.14 KV'])
  expect(stored[1]!.supersedes).toBe(stored[0]!.id)
})

test('paper changed on one device is shown on the others, and the verdict with it; the front follows the readings', async ({
  page,
  browser,
  shop,
}) => {
  const id = await shop.bring(demo(TERN))
  const office = await device(browser, 'AB')
  const wall = await device(browser, 'CD')
  await openBench(page, shop, id)
  await visit(wall, shop, `/builds/${id}`)
  await visit(office, shop, `/builds/${id}/paper#limit.compression.compressionRatio`)
  await expect(finding(page, 'compression.compressionRatio.4')).toContainText('Under')
  const lower = office.getByRole('textbox', { name: 'Compression ratio: from' })
  await lower.fill('8')
  await lower.press('Tab')
  await expect(office.getByText('Kept: ')).toBeVisible()
  await expect(page.locator('[data-finding^="compression.compressionRatio"]').first()).not.toContainText('Under')
  const toGo = wall.getByText(/^1 of \d+ readings to go, next cylinder \d, deck/)
  await expect(toGo).toHaveCount(0)
  await page.locator('[data-station="compression.deck/c2/front"]').click()
  await page.keyboard.press('x')
  await enter(page, 'slip')
  await expect(toGo).toBeVisible()
})

test('a place measured over and over is fetched with all its past when its history is opened, also while the server is gone', async ({
  page,
  shop,
}) => {
  const document = demo(TERN)
  const first = readings(document).find(({ characteristic }) => characteristic === 'compression.deck')!
  const again = [11, 12, 13].map((hundredths, index) => ({
    ...first,
    id: uuidV7(),
    value: hundredths / 100,
    asTyped: `0.${hundredths}`,
    supersedes: first.id,
    at: `2026-03-01T10:0${index}:00.000Z`,
  }))
  const corrected = again.map((reading, index) => ({ ...reading, supersedes: index === 0 ? first.id : again[index - 1]!.id }))
  const others = readings(document)
    .filter(({ characteristic }) => characteristic === 'bores.bore')
    .slice(0, 24)
    .map((reading) => ({ ...reading, id: uuidV7(), supersedes: reading.id }))
  const id = await shop.bring({ ...document, entries: [...document.entries, ...corrected, ...others] as Entry[] })
  await openBench(page, shop, id)
  const served = await (await shop.server.get(`/builds/${id}/compression`)).text()
  expect(served).toContain(again[2]!.id)
  expect(served).not.toContain(again[1]!.id)
  await page.locator('[data-station="compression.deck/c1/front"]').click()
  await page.keyboard.press('h')
  const panel = page.getByRole('dialog')
  await expect(panel.getByText('measured again since')).toHaveCount(3)
  await expect(panel.getByText('0.12', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(panel).toBeHidden()
  await page.route('**/entries?*', (route) => route.abort())
  // A key pressed while the panel is still giving back the focus is nobody's.
  await page.locator('[data-station="compression.deck/c1/front"]').click()
  await page.keyboard.press('h')
  await expect(panel.getByRole('status')).toContainText('The server is out of reach: what this page holds is shown')
  await expect(panel.getByText('0.13', { exact: true })).toBeVisible()
})

test('a sheet is gone through by arrow keys, over totals; Enter takes a place up', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  const focused = page.locator(':focus')
  await page.locator('[data-station="compression.deck/c2/front"]').click()
  await page.getByRole('button', { name: /^Cylinder 2, deck, front of the crown/ }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(focused).toHaveAttribute('aria-label', /^Cylinder 3, deck, front of the crown/)
  for (let step = 0; step < 4; step++) await page.keyboard.press('ArrowDown')
  // Four rows of deck and their total stand above the chambers.
  await expect(focused).toHaveAttribute('aria-label', /^Cylinder 3, chamber/)
  await page.keyboard.press('Enter')
  await expect(line(page)).toBeFocused()
  await expect(page.getByRole('region', { name: 'Reading line' })).toContainText('Cylinder 3, chamber')
})

test.describe('with a clock of its own', () => {
  test.use({ hasOwnDevice: true })

  test('a screen reader hears the place when it changes, and what was understood once typing pauses', async ({ page, shop }) => {
    const id = await shop.bring(demo(WREN))
    await page.clock.install()
    await openBench(page, shop, id)
    const spoken = page.getByRole('region', { name: 'Reading line' }).getByRole('status').first()
    // The page's time stands still but for what is let pass: a slow machine hears no more than a quick one.
    await page.clock.pauseAt(Date.now() + 60_000)
    await page.keyboard.type('0.1')
    await page.clock.runFor(699)
    await expect(page.getByRole('region', { name: 'Reading line' })).toContainText('0.1 mm below deck')
    await expect(spoken).toHaveText('')
    await page.clock.runFor(200)
    await expect(spoken).toContainText('0.1 mm below deck')
    await page.keyboard.press('Enter')
    await page.clock.runFor(1000)
    await expect(spoken).toHaveText(/^Cylinder 1, deck, .*, place 2 of \d+$/)
  })
})

test('a sum is found by typing and remembers what was typed last', async ({ page, shop }) => {
  await visit(page, shop, '/sums')
  const find = page.getByRole('searchbox', { name: 'Find a sum' })
  await find.fill('journal')
  await expect(page.getByRole('navigation', { name: 'Sums' }).getByRole('link')).toHaveText([/^Bearing clearance/, /^Bearing, warm/])
  await find.press('Enter')
  await expect(page).toHaveURL(/\/sums\/bearing$/)
  await page.getByLabel('Journal', { exact: true }).fill('57.98')
  await page.reload()
  await expect(page.getByLabel('Journal', { exact: true })).toHaveValue('57.98')
  await page.getByRole('button', { name: 'Empty the fields' }).click()
  await page.reload()
  await expect(page.getByLabel('Journal', { exact: true })).toHaveValue('')
  await find.fill('zzz')
  await expect(page.getByText('No sum has “zzz” in it.')).toBeVisible()
})
