import {
  demo,
  enter,
  expect,
  finding,
  line,
  openBench,
  openOnPaper,
  PETREL,
  place,
  readings,
  TERN,
  test,
  WREN,
  visit,
} from '../support/shop'

test('pistons are matched to bores, the plan is kept and can be taken back', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id, 'bores')
  await expect(finding(page, 'bores.clearanceSpread')).toContainText('Over by')
  await page.getByRole('button', { name: 'Match pistons to bores' }).click()
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(7)
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.pistonInBore).toHaveLength(5)
  await page.keyboard.press('Escape')
  await expect(finding(page, 'bores.clearanceSpread')).toContainText('In doubt')
  await expect(page.getByText(/Planned: bore 1 takes piston \d/)).toBeVisible()
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  await expect(finding(page, 'bores.clearanceSpread')).toContainText('In doubt')
  await page.getByRole('button', { name: 'Match pistons to bores' }).click()
  await page.getByRole('button', { name: 'Each into its own bore' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.pistonInBore).toBeUndefined()
  expect(readings(await shop.document(id))).toHaveLength(readings(demo(TERN)).length)
})

test('Petrel lands its mains from the shelf, and a new reading ends the plan', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await openBench(page, shop, id, 'bearings')
  await expect(finding(page, 'bearings.mainClearance.m4')).toContainText('Over by')
  await page.getByRole('button', { name: 'Choose main shells' }).click()
  await expect(page.getByRole('dialog')).toContainText('All of it is on the shelf.')
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.keyboard.press('Escape')
  await expect(finding(page, 'bearings.mainPlanned.within')).toContainText('Mains 1, 2, 3, 4, 5')
  await page.locator('[data-station="bearings.mainClearance/m4/vertical"]').first().click()
  await expect(place(page)).toHaveText('Main 4, clearance on the dial, vertical')
  await enter(page, '2.4')
  await expect(finding(page, 'bearings.mainPlanned.within')).toContainText('Mains 1, 2, 3, 5')
})

test('end float waits for its checks; what was found is written down with who and when', async ({ page, shop }) => {
  const full = demo(TERN)
  const id = await shop.bring({ ...full, entries: full.entries.filter((entry) => entry.kind !== 'check') })
  await openBench(page, shop, id, 'bearings')
  await page.getByLabel('Reading, mm').waitFor()
  await expect(finding(page, 'bearings.endFloat')).toContainText(
    'Wants the check “Crank bumped fore and aft, last time forward”, the check “Mains at final torque”',
  )
  await page.getByRole('button', { name: 'Crank bumped fore and aft, last time forward: right', exact: true }).click()
  await page.getByRole('button', { name: 'Mains at final torque: not right' }).click()
  await page.getByLabel('What was found').fill('cap 3 at half')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('not right: cap 3 at half')).toBeVisible()
  await expect(finding(page, 'bearings.endFloat')).toContainText('Wants the check “Mains at final torque”')
  await page.getByRole('button', { name: 'Mains at final torque: right', exact: true }).click()
  await expect(finding(page, 'bearings.endFloat')).toContainText('0.13')
  await expect.poll(async () => (await shop.document(id)).entries.filter(({ kind }) => kind === 'check').length).toBe(3)
})

test('a feeler pair is an interval, strokes of the file are counted, and the filing log says what is left', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id, 'rings')
  await expect(finding(page, 'rings.topGap.2')).toContainText('Under by')
  await page.locator('[data-station="rings.topGap/c2/top"]').click()
  await page.keyboard.type('.53/.54 10s')
  await expect(page.locator('#understood')).toContainText('0.53 mm goes, 0.54 mm does not, after 10 strokes')
  await page.keyboard.press('Enter')
  await expect
    .poll(async () => readings(await shop.document(id)).at(-1))
    .toMatchObject({ value: 0.53, upper: 0.54, strokes: 10, asTyped: '.53/.54 10s' })
  await expect(finding(page, 'rings.topGap.2')).toContainText('Filed since 2 other places were read: read them again.')
  await page.getByRole('button', { name: 'Filing log' }).click()
  await page.getByRole('radio', { name: '2', exact: true }).click({ force: true })
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(3)
  await expect(page.getByRole('dialog')).toContainText(/About \d+ strokes at the rate so far; stop and measure after \d+\./)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Chance of butting' }).click()
  await page.getByRole('button', { name: 'Draw a hundred thousand' }).click()
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(6)
})

test('a ring turned a quarter is asked for where the paper says so, and the tighter gap counts', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/paper`)
  await openOnPaper(page, 'Methods', 'Rings')
  await page.getByRole('radiogroup', { name: 'Ring in the bore' }).getByText('And turned a quarter').click()
  await expect.poll(async () => (await shop.document(id)).spec.methods.ringQuarterTurn).toBe(true)
  await openBench(page, shop, id, 'rings')
  await expect(place(page)).toHaveText('Cylinder 1, top ring gap, an inch down, turned a quarter')
  await expect(page.getByRole('rowheader', { name: 'Second, bottom ¼' })).toBeVisible()
  await enter(page, '.50/.51')
  await expect(finding(page, 'rings.topGap.1')).toContainText('Under by 0.035 mm')
})

test('the clocking sheet follows the school and prints the engine’s bore at true scale', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/clocking`)
  const first = page.getByRole('img', { name: /^Cylinder 1, front up/ })
  await expect(first).toHaveAttribute('width', '109mm')
  await expect(first).toHaveAccessibleName(/top gap at 45°, second gap at 225°/)
  await page.getByText('Along the pin, sides in turn').click()
  await expect(first).toHaveAccessibleName(/top gap at 0°, second gap at 180°/)
  await expect.poll(async () => (await shop.document(id)).spec.methods.clocking).toBe('pinAxis')
})

test('a bore read warm is brought to 20 °C, and the sum says so', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id, 'bores')
  await page.keyboard.press('t')
  await page.keyboard.type('40/20')
  await page.keyboard.press('Enter')
  await expect(page.getByText('part 40 °C, gauge 20 °C')).toBeVisible()
  for (let i = 0; i < 6; i++) await enter(page, '88.000')
  await enter(page, '87.9')
  // Wren's liner is iron: 88 mm · 20 K · 10.75e-6 = 0.019 mm less than read.
  await expect(finding(page, 'bores.boreDiameter.1')).toContainText('87.981')
  await expect(line(page)).toBeFocused()
  await finding(page, 'bores.boreDiameter.1').getByRole('button').click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /top, thrust/ })
    .click()
  await expect(page.getByRole('dialog')).toContainText('ISO 1')
  expect(readings(await shop.document(id))[0]).toMatchObject({ value: 88, partTempC: 40, gaugeTempC: 20 })
})

test('a reading taken with a gauge whose check had run out is marked wherever it is shown', async ({ page, ownShop }) => {
  const document = demo(WREN)
  const id = await ownShop.bring(document)
  const card = {
    ...document.gauges.find(({ gauge }) => gauge === 'bore-metric')!,
    id: 'bore-metric.2',
    bias: 0.004,
    checkedOn: '2024-01-10',
    checkEveryDays: 180,
    since: '2024-01-10T08:00:00Z',
  }
  expect((await ownShop.server.post('/api/gauges', { card })).status).toBe(201)
  await openBench(page, ownShop, id, 'bores')
  await expect(page.getByText('check ran out 2024-07-08')).toBeVisible()
  await enter(page, '88.010')
  await expect(page.getByRole('button', { name: /Cylinder 1, bore, top, thrust axis: 88\.010\*/ })).toBeVisible()
  await page.keyboard.press('b')
  await page.keyboard.press('h')
  await expect(page.getByRole('dialog')).toContainText('its check overdue since 2024-07-08')
  await visit(page, ownShop, '/gauges')
  await expect(page.getByRole('row', { name: /Bore gauge, 0\.002 mm/ })).toContainText('overdue')
  await page.getByRole('button', { name: 'Checks of Bore gauge, 0.002 mm' }).click()
  await expect(page.getByRole('dialog').getByRole('row').nth(1)).toContainText('+0.004 mm · more than its uncertainty')
})
