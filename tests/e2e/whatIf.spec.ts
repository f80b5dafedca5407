import type { Page } from '@playwright/test'
import { expectAccessible } from '../support/axe'
import { v7 as uuidV7 } from 'uuid'
import { demo, expect, PETREL, readings, TERN, test, type Shop } from '../support/shop'

/** What-if: knobs turned by keys, what moves over all benches, variants beside, a plan taken, refused, and undone; a search. */
async function openWhatIf(page: Page, shop: Shop, which: number): Promise<string> {
  const id = await shop.bring(demo(which))
  await page.goto(`${shop.server.address}/builds/${id}/what-if`)
  await page.locator('[data-ready]').waitFor()
  return id
}

async function turn(page: Page, knob: string, presses: number): Promise<void> {
  await page.getByRole('slider', { name: knob, exact: true }).focus()
  for (let press = 0; press < Math.abs(presses); press++) await page.keyboard.press(presses > 0 ? 'ArrowRight' : 'ArrowLeft')
}

const row = (page: Page, output: string) => page.locator(`tr[data-output="${output}"]`)

test('a gasket is turned, kept beside another, taken as the plan and given back', async ({ page, shop }) => {
  const id = await openWhatIf(page, shop, TERN)
  await expect(page.getByText('Turn a knob: what it moves appears here, whichever bench it is of.')).toBeVisible()
  await turn(page, 'Gasket', 1)
  await expect(row(page, 'compression.quench')).toContainText('1.15–1.21')
  await expect(row(page, 'compression.quench')).toContainText('1.30–1.35')
  await expect(row(page, 'clearance.closest')).toContainText('2.28–2.4')
  await expect(page.getByLabel('What breaks')).toContainText('quench')
  await page.getByRole('button', { name: 'Keep beside' }).click()
  await turn(page, 'Gasket', -2)
  await expect(page.getByRole('columnheader', { name: 'B' })).toBeVisible()
  await expect(row(page, 'compression.quench')).toContainText('1.05–1.1')
  await expect(page.getByRole('img', { name: /^What a step of each knob does to Closest/ })).toBeVisible()
  await page.getByRole('button', { name: 'Look at B' }).click()
  await page.getByRole('button', { name: 'Take as the plan…' }).click()
  await expect(page.getByLabel('What the plan changes')).toHaveText('Gasket Multi-layer steel 1.25')
  await page.getByRole('button', { name: 'Take it as the plan' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasket).toBe('hl-g3')
  await expect(page.getByRole('status')).toContainText('Taken: Gasket Multi-layer steel 1.25')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasket).toBe('hl-g2')
})

test('four degrees more advance on the V8 is not taken without a reason and initials', async ({ page, shop }) => {
  const id = await openWhatIf(page, shop, PETREL)
  await turn(page, 'Intake cam earlier by', 8)
  await expect(page.getByLabel('What breaks')).toContainText(/closest/i)
  await page.getByRole('button', { name: 'Take as the plan…' }).click()
  const take = page.getByRole('button', { name: 'Take it as the plan' })
  await expect(take).toBeDisabled()
  await page.getByRole('textbox', { name: 'Why it is done all the same' }).fill('One pull on the dyno')
  await page.getByRole('textbox', { name: 'On whose word, initials' }).fill('AB')
  await take.click()
  await expect
    .poll(async () => (await shop.document(id)).spec.planned?.map(({ work, despite }) => [work.what, work.by, despite?.by]))
    .toEqual([
      ['turnCam', 8, 'AB'],
      ['turnCam', 8, 'AB'],
    ])
})

test('a part that must stay holds its knobs; a search finds the front, or says what binds', async ({ page, shop }) => {
  await openWhatIf(page, shop, PETREL)
  await turn(page, 'Deck cut', 2)
  await page.getByRole('checkbox', { name: 'Block' }).check()
  await expect(page.getByRole('slider', { name: 'Deck cut' })).toBeDisabled()
  await expect(page.getByText('Turn a knob: what it moves appears here, whichever bench it is of.')).toBeVisible()
  await page.getByRole('button', { name: 'Find the best…' }).click()
  await expect(page.getByRole('checkbox', { name: 'Deck cut' })).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'Intake cam earlier by' }).check()
  await page.getByRole('button', { name: 'Search', exact: true }).click()
  await expect(page.getByText(/tried, .* keep the limits that are searched over\./)).toBeVisible()
  const look = page.getByRole('button', { name: /^Look/ }).first()
  await look.click()
  await expect(page.getByRole('button', { name: 'Back to today' })).toBeVisible()
})

test('a search asks for steps and bounds of its own, and names what it cannot read', async ({ page, shop }) => {
  await openWhatIf(page, shop, TERN)
  await page.getByRole('button', { name: 'Find the best…' }).click()
  await expect(page.getByText('576 variants')).toBeVisible()
  const by = page.getByRole('textbox', { name: 'Deck cut, by' })
  await by.fill('0,0')
  await expect(by).toHaveAttribute('aria-invalid', 'true')
  await expect(page.getByRole('button', { name: 'Search', exact: true })).toHaveCount(0)
  await by.fill('0.05')
  await page.getByRole('textbox', { name: 'Deck cut, to' }).fill('0.1')
  await page.getByRole('checkbox', { name: 'Intake lobe lift' }).check()
  await page.getByRole('textbox', { name: 'Intake lobe lift, by' }).fill('0.5')
  await page.getByRole('textbox', { name: 'Compression ratio, at least' }).fill('11')
  await page.getByRole('textbox', { name: 'Compression ratio, at most' }).fill('12')
  await page.getByRole('button', { name: 'Search', exact: true }).click()
  await expect(page.getByText(/None is left\..*Compression ratio/)).toBeVisible()
  await page.getByRole('textbox', { name: 'Compression ratio, at least' }).fill('8.8')
  await page.getByRole('textbox', { name: 'Compression ratio, at most' }).fill('9.1')
  await page.getByRole('button', { name: 'Search again' }).click()
  await expect(page.getByRole('button', { name: /^Look/ }).first()).toBeVisible()
})

test('layers laid in and another cam are planned, the readings that fall are named, and the shelf shows what lies in', async ({
  page,
  shop,
}) => {
  const id = await openWhatIf(page, shop, TERN)
  await turn(page, 'Layers laid into the gasket', 1)
  await expect(row(page, 'compression.quench')).toContainText('1.45–1.51')
  await turn(page, 'Intake lobe lift', 2)
  await page.getByRole('button', { name: 'Take as the plan…' }).click()
  await expect(page.getByLabel('What the plan changes').getByRole('listitem')).toHaveText([
    'Laid into the gasket: Steel spacer 0.30',
    'Other intake lobes, lifting 0.2 mm more',
  ])
  await page.getByText(/^To be read again once it is done: \d+ readings$/).click()
  await expect(page.getByLabel('To be read again')).toContainText('lift')
  await page.getByRole('button', { name: 'Take it as the plan' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasketLayers).toEqual(['hl-l1'])
  expect((await shop.document(id)).spec.planned?.map(({ work }) => [work.what, Number(work.by.toFixed(6))])).toEqual([['lobeLift', 0.2]])
  await page.goto(`${shop.server.address}/builds/${id}/paper`)
  await page.getByRole('button', { name: 'Leave out' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasketLayers).toEqual([])
})

test('a reading that comes in from the bench moves today, and leaves what is turned', async ({ page, shop }) => {
  const id = await openWhatIf(page, shop, TERN)
  await turn(page, 'Gasket', 1)
  await expect(row(page, 'compression.quench')).toContainText('1.15–1.21')
  const lower = readings(await shop.document(id))
    .filter(({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 3)
    .map((one) => ({ ...one, id: uuidV7(), value: one.value + 0.1, asTyped: String(one.value + 0.1) }))
  await shop.server.post(`/api/builds/${id}/entries`, { entries: lower })
  await expect(row(page, 'compression.quench')).toContainText('1.15–1.31')
  await expect(row(page, 'compression.quench')).toContainText('1.30–1.46')
})

test('axe finds nothing at what-if, on a phone neither', async ({ page, shop }) => {
  await openWhatIf(page, shop, TERN)
  await turn(page, 'Gasket', 1)
  await expectAccessible(page, 'what-if')
  await page.setViewportSize({ width: 390, height: 844 })
  await expectAccessible(page, 'on a phone')
})
