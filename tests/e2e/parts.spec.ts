import type { Page } from '@playwright/test'
import type { PartEntry } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { withDemoWalk } from '@/demo/walks'
import { expectAccessible } from '../support/axe'
import { demo, expect, PETREL, TERN, test, WREN, type Shop } from '../support/shop'

/** Parts wanted, ordered, in and checked; what waits for them; what is found damaged; what the shop sees of all of it. */
async function openParts(page: Page, shop: Shop, id: string, list = 'parts'): Promise<void> {
  await page.goto(`${shop.server.address}/builds/${id}/${list}`)
  await page.locator('[data-ready]').waitFor()
}

const partEntries = async (shop: Shop, id: string) =>
  (await shop.document(id)).entries.filter((entry): entry is PartEntry => entry.kind === 'part')
const dialog = (page: Page) => page.getByRole('dialog')
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()

test('a part is wanted, ordered, in, does not fit, goes back, and another fits; its step waits all the while', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await openParts(page, shop, id)
  await press(page, 'A part is wanted…')
  await dialog(page).getByLabel('Kind of part').selectOption('pan')
  await dialog(page).getByLabel('Name, size, number').fill('Deep pan')
  await dialog(page).getByLabel('Price, a plain figure').fill('dear')
  await press(page, 'On the list')
  await expect(dialog(page).getByText('A plain figure, 140 or 140.50.')).toBeVisible()
  await expect(dialog(page).getByLabel('Price, a plain figure')).toBeFocused()
  await dialog(page).getByLabel('Price, a plain figure').fill('210')
  await press(page, 'On the list')
  const line = page.locator('[data-part]')
  await expect(line).toContainText('Deep pan')
  await expect(line).toContainText('Waits for it: Pan on, tried first')

  await press(page, 'Ordered: Deep pan')
  await dialog(page).getByLabel('Promised for').fill('2026-01-05')
  await press(page, 'Ordered')
  await expect(line).toContainText(/promised for 2026-01-05.*days late/)

  await press(page, 'Here: Deep pan')
  await expectAccessible(page, 'arrival')
  await dialog(page)
    .getByRole('radiogroup', { name: /Dipstick on the side/ })
    .getByText('Does not')
    .click()
  await dialog(page).getByLabel('What is wrong').fill('left side')
  await dialog(page)
    .getByRole('radiogroup', { name: /Pickup stands/ })
    .getByText('Fits')
    .click()
  await press(page, 'Here')
  await expect(line).toContainText('in, does not fit')
  await expect(line).toContainText('left side')

  await page.goto(`${shop.server.address}/builds/${id}/walk?at=final.pan`)
  const step = page.locator('[data-step="final.pan"]')
  await expect(step).toContainText('Waits for Deep pan (in, does not fit)')
  await page
    .getByRole('list', { name: 'Leads to' })
    .getByRole('link', { name: /Deep pan/ })
    .click()
  await page.locator('[data-ready]').waitFor()

  await press(page, 'Send back: Deep pan')
  await dialog(page).getByLabel('Why').fill('dipstick on the left')
  await press(page, 'Send it back')
  await expect(line).toContainText('sent back')
  await press(page, 'Here: Deep pan')
  for (const fit of await dialog(page).getByText('Fits', { exact: true }).all()) await fit.click()
  await press(page, 'Here')
  await expect(line).toContainText('in, and fits')
  await expect
    .poll(async () => (await partEntries(shop, id)).map(({ did }) => did))
    .toEqual(['wanted', 'ordered', 'arrived', 'sentBack', 'arrived'])
  await page.goto(`${shop.server.address}/builds/${id}/walk?at=final.pan`)
  await expect(step).not.toContainText('Deep pan')
})

test('what does not go together is said before it is bolted on, and the weakest part is named', async ({ page, shop }) => {
  const now = new Date()
  const petrel = withDemoWalk(demoDocument(DEMO_BUILDS[PETREL]!, now), now)
  const id = await shop.bring({ ...petrel, id: demo(PETREL).id, entries: petrel.entries.filter(({ kind }) => kind === 'part') })
  await openParts(page, shop, id)
  const together = page.getByRole('region', { name: 'Goes together' })
  await expect(together).toContainText('Distributor: a gear of cast iron wears on a cam of steel.')
  await expect(together).toContainText('Cam: no new followers are on the list.')

  await press(page, 'A conversion…')
  await dialog(page).getByLabel('What is done to this engine').selectOption('rollerLifters')
  await press(page, 'All of them on the list')
  await expect(page.locator('[data-part]')).toHaveCount(8)
  await expect(together).not.toContainText('no new followers')

  await press(page, 'Change: Roller lifters, tied')
  await dialog(page)
    .getByLabel(/revolutions, rpm/)
    .fill('6000')
  await press(page, 'Say it again')
  await expect(page.getByRole('region', { name: 'The weakest part' })).toContainText(
    /Roller lifters, tied sets the limit: 6000 rpm, and this engine asks \d+ rpm/,
  )
  await press(page, 'Not wanted: Roller lifters, tied')
  await dialog(page).getByLabel('Why').fill('flat ones after all')
  await press(page, 'Not wanted any more')
  await expect(page.getByRole('region', { name: 'The weakest part' })).toContainText('No maker’s word')
  await press(page, 'Wanted again: Roller lifters, tied')
  await expect(page.getByRole('region', { name: 'The weakest part' })).toContainText('6000 rpm')
})

test('a part said while the server is gone waits on the device and gets through', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openParts(page, shop, id)
  await shop.server.kill()
  await press(page, 'A part is wanted…')
  await dialog(page).getByLabel('Name, size, number').fill('Base gasket')
  await press(page, 'On the list')
  await expect(page.locator('[data-part]')).toContainText('Base gasket')
  await shop.server.up()
  await expect.poll(async () => (await partEntries(shop, id)).map(({ name }) => name)).toEqual(['Base gasket'])
})

test('a job has its goal, day and money; damage its options, the owner’s answer, and what the repair makes stale', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(TERN))
  await openParts(page, shop, id, 'job')
  await page.getByLabel('What it must be ready for').fill('Hill climb')
  await page.getByLabel('Budget, a plain figure').fill('500')
  await page.getByLabel('Power wanted, kW').fill('300')
  await page.getByLabel('Power wanted, kW').press('Enter')
  await page.getByLabel('The day').fill('0202-05-01')
  await expect(page.getByText('A day of this century.')).toBeVisible()
  await page.getByLabel('The day').fill('2027-05-01')
  await page.getByLabel('The day').press('Enter')
  await expect
    .poll(async () => (await shop.document(id)).spec.job)
    .toMatchObject({ event: 'Hill climb', budget: 500, powerKw: 300, date: '2027-05-01' })

  await press(page, 'Something is worn or damaged…')
  await dialog(page).getByLabel('What is found, and where').fill('Journal 3 scored')
  const ways = dialog(page).getByRole('group')
  await ways.first().getByLabel('What', { exact: true }).fill('Grind undersize')
  await ways.first().getByLabel('Days').fill('6')
  await ways.first().getByLabel('Money').fill('640')
  await ways.first().getByLabel('What it makes stale').selectOption('crankGround')
  await press(page, 'Put on record')
  await press(page, 'The owner is told')
  await page.getByText('Grind undersize', { exact: true }).click()
  await page.getByLabel('In the owner’s words').fill('Do it properly')
  await press(page, 'Answered')
  await expect(page.getByText('That is 140.00 over the budget.')).toBeVisible()
  await expectAccessible(page, 'job')
  await press(page, /^Done: crank ground/)
  await expect
    .poll(async () => (await shop.document(id)).entries.slice(-2))
    .toMatchObject([
      { kind: 'change', what: 'crankGround', text: 'Journal 3 scored: Grind undersize' },
      { kind: 'damage', did: 'repaired' },
    ])
  await page.goto(`${shop.server.address}/builds/${id}/walk`)
  await expect(page.getByRole('region', { name: 'Stale' })).toContainText('Main journal')
})

test('the shop sees what is late, what lies on its shelves and what replaced what; a phone too', async ({ page, ownShop: shop }) => {
  const now = new Date()
  for (const which of [TERN, PETREL]) await shop.bring(withDemoWalk(demoDocument(DEMO_BUILDS[which]!, now), now))
  await page.goto(shop.server.address)
  await expect(page.getByText(/Waits for Injectors \(ordered, promised for/)).toBeVisible()
  await expect(page.getByText('2 days late')).toBeVisible()
  await expect(page.getByText(/Waits for Heads at the machine shop/)).toBeVisible()
  await expect(page.getByText(/^9 days to Hill climb/)).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${shop.server.address}/parts`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.getByRole('region', { name: 'Waited for', exact: true }).getByRole('row')).toHaveCount(5)
  await page.getByLabel('Find a part, a kind, a build').fill('injec')
  await expect(page.getByRole('region', { name: 'Interchange notebook', exact: true })).toContainText('AB, on the flow bench')
  await expect(page.getByRole('region', { name: 'On the shelf', exact: true })).toContainText('Nothing lies on a shelf.')
  await expectAccessible(page, 'shop parts on a phone')
})
