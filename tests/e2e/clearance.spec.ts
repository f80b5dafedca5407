import type { Page } from '@playwright/test'
import { withChanges } from '@/core/document/changes'
import type { BuildDocument } from '@/core/document'
import { demo, expect, PETREL, TERN, test, typeEntries, WREN, type Shop } from '../support/shop'

/** Valves over pistons: each way of reading by keyboard, the section turned, limits and plans that come too near. */
async function openClearance(page: Page, shop: Shop, document: BuildDocument): Promise<string> {
  const id = await shop.bring(document)
  await page.goto(`${shop.server.address}/builds/${id}/clearance`)
  await page.locator('[data-ready]').waitFor()
  return id
}

const by = (document: BuildDocument, methods: Partial<BuildDocument['spec']['methods']>): BuildDocument => ({
  ...document,
  spec: { ...document.spec, methods: { ...document.spec.methods, ...methods } },
})

/** The cell of a place in the sheet, by the words of the place. */
const cell = (page: Page, words: string) => page.getByRole('button', { name: new RegExp(`^${words}`) }).first()

const readings = (document: BuildDocument) =>
  document.entries.flatMap((entry) =>
    entry.kind === 'reading' && entry.characteristic.startsWith('clearance.') ? [[entry.characteristic, entry.value] as const] : [],
  )

test('the valves of a single are dropped onto their piston by keyboard, and one that is out of step with its paper is asked about', async ({
  page,
  shop,
}) => {
  const id = await openClearance(page, shop, demo(WREN))
  const ledger = page.getByLabel('What it means')
  await expect(ledger).toContainText('Closest')
  await cell(page, 'Intake 1a, drop').click()
  await typeEntries(page, ['3.40', '3.42', '3.38', '3.41'])
  await expect.poll(async () => readings(await shop.document(id)).map(([, value]) => value)).toEqual([3.4, 3.42, 3.38, 3.41])
  // 1.89 mm by common practice for it; its lobe is only known by its card.
  await expect(ledger).toContainText('1.89')
  await expect(ledger).toContainText('By a lobe made of its card, not a measured one.')
  await cell(page, 'Intake 1a, drop').click()
  await page.keyboard.type('34')
  await page.keyboard.press('Enter')
  await expect(page.getByText('34 mm is outside 0 mm to 30 mm. Decimal point?')).toBeVisible()
  expect(readings(await shop.document(id))).toHaveLength(4)
})

test('a five is read by dial, clay and feeler, and each says what it can', async ({ page, shop }) => {
  const document = by(demo(TERN), { clearanceDrop: false, clearanceDial: 'one', clearanceClay: true, clearanceFeeler: true })
  const bare = {
    ...document,
    entries: document.entries.filter((entry) => !('characteristic' in entry && entry.characteristic.startsWith('clearance.'))),
  }
  await openClearance(page, shop, bare)
  const ledger = page.getByLabel('What it means')
  await cell(page, 'Intake 2a, thinnest clay').click()
  await typeEntries(page, ['1.95'])
  await expect(ledger).toContainText('2.15')
  // The other intakes follow from it by their decks, with an uncertainty of their own.
  await expect(ledger).toContainText('10 intake valves.')
  await cell(page, 'Exhaust 2b, feeler that went').click()
  await typeEntries(page, ['1.6'])
  await expect(ledger).toContainText('At least so much: what went is a lower bound.')
  await expect(page.getByText('Read valve exhaust 2b by a dial: a feeler cannot decide it')).toBeVisible()
  await cell(page, 'Intake 1a, travel to the piston at TDC').click()
  // The third has lost a turn of the hand.
  await typeEntries(page, ['2.10', '1.92', '3.03', '2.37', '3.06', '3.88', '4.94'])
  await expect(ledger).toContainText('a turn of the dial’s hand. Read it again.')
})

test('the section is turned by keys: the gap it shows is that of the crank angle', async ({ page, shop }) => {
  await openClearance(page, shop, demo(TERN))
  const section = page.getByRole('img', { name: /^Valve intake 1a, 4° after TDC: 2\.14 mm to the piston/ })
  await expect(section).toBeVisible()
  await page.getByRole('slider', { name: /Turn the crank/ }).focus()
  for (let press = 0; press < 4; press++) await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('img', { name: /^Valve intake 1a, at TDC: 2\.\d\d mm to the piston/ })).toBeVisible()
  // The place in hand is the valve that is drawn.
  await cell(page, 'Exhaust 3b, drop').click()
  await expect(page.getByRole('img', { name: /^Valve exhaust 3b, 5° before TDC: 2\.26 mm to the piston/ })).toBeVisible()
})

test('both cams are mapped, and the uncertainty drawn, in a worker', async ({ page, shop }) => {
  await openClearance(page, shop, demo(TERN))
  await page.getByRole('button', { name: 'Both cams moved' }).click()
  await page.getByRole('button', { name: 'Map every setting of both' }).click()
  await expect(page.getByRole('img', { name: /^Valve to valve over both cams: 2\.\d\d mm as they stand/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'The uncertainty, by draws' }).click()
  await page.getByRole('button', { name: 'Draw a hundred thousand' }).click()
  await expect(page.getByRole('row', { name: /^Valve intake 1a 2\.137 0\.01/ })).toBeVisible()
})

test('a limit below the floor wants a reason and initials before it is kept', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await page.goto(`${shop.server.address}/builds/${id}/paper#limit.clearance.intake`)
  const from = page.getByRole('textbox', { name: 'Intake to piston: from' })
  await from.fill('1.2')
  await from.press('Enter')
  await expect(page.getByText(/^Below 1\.5\d? mm, the least that is common practice/)).toBeVisible()
  const lower = async () => (await shop.document(id)).spec.limits['clearance.intake']
  expect(await lower()).toMatchObject({ lower: 1.5 })
  await page.getByRole('textbox', { name: 'Why less is enough here' }).fill('Two seasons at this redline')
  await expect(page.getByRole('button', { name: 'Answer for it' })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Initials', exact: true }).last().fill('AB')
  await page.getByRole('button', { name: 'Answer for it' }).click()
  await expect.poll(lower).toMatchObject({ lower: 1.2, by: 'AB', reason: 'Two seasons at this redline' })
  const { basedOn, spec } = { basedOn: 2, spec: (await shop.document(id)).spec }
  const unsigned = { ...spec, limits: { ...spec.limits, 'clearance.exhaust': { lower: 1, source: 'test', reason: '' } } }
  const { status, json } = await shop.server.post<{ error?: string }>(`/api/builds/${id}/spec`, {
    basedOn,
    by: 'KV',
    reason: 'test',
    spec: unsigned,
  })
  expect(status).toBe(422)
  expect(json.error).toContain('below 2.0 mm, the least that is common practice')
})

test('an advance that closes the intake gap of the V8 below its limit is refused as a plan, until a reason is on record', async ({
  shop,
}) => {
  const id = await shop.bring(demo(PETREL))
  const { spec } = await shop.document(id)
  const advance = withChanges(spec, [
    { what: 'turnCam', cam: 'intake', by: 4 },
    { what: 'turnCam', cam: 'exhaust', by: 4 },
  ])
  const revise = (given: typeof spec) =>
    shop.server.post<{ error?: string }>(`/api/builds/${id}/spec`, { basedOn: 1, by: 'KV', reason: 'advance', spec: given })
  const refused = await revise(advance)
  expect(refused.status).toBe(422)
  expect(refused.json.error).toMatch(
    /^This plan brings closest, .*under its limit: take it at What if, with a reason and initials\. Nothing was stored\.$/,
  )
  const despite = { reason: 'one pull on the dyno, then back', by: 'AB' }
  const stored = await revise({ ...advance, planned: advance.planned!.map((one) => ({ ...one, despite })) })
  expect(stored.status).toBe(200)
  expect((await shop.document(id)).spec.planned).toMatchObject([{ despite }, { despite }])
})
