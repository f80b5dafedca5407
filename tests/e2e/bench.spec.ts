import { KNOWN_PERSON } from '../support/person'
import { demo, enter, expect, finding, line, openBench, PETREL, place, readings, TERN, test, WREN, visit } from '../support/shop'
import type { Entry, Reading } from '@/core/document'

test('a fresh build, from the questions to the ratio, by keyboard alone', async ({ page, shop }) => {
  await visit(page, shop, '/new')
  await expect(page.getByLabel('Name of the job')).toBeFocused()
  await page.keyboard.type('Dipper')
  // Space chooses, arrows move, Tab goes on: nothing here needs a pointer.
  await page.getByRole('radio', { name: 'inch' }).focus()
  await page.keyboard.press('Space')
  await page.getByRole('radio', { name: 'Single' }).focus()
  await page.keyboard.press('Space')
  for (const [label, text] of [
    ['Bore, in', '4.155'],
    ['Stroke, in', '3.750'],
    ['Piston, cm³ (dish +, dome −)', '-9.6'],
    ['Gasket, compressed, in', '.0395'],
    ['Gasket bore, in', '4.20'],
    ['Chamber, cm³', '58.4'],
    ['Deck clearance wanted, in', '.0085'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).focus()
    await page.keyboard.type(text)
  }
  await page.keyboard.press('Enter')
  await page.locator('[data-ready]').waitFor()
  await expect(line(page)).toBeFocused()
  await enter(page, '8.5')
  await enter(page, '.0085')
  await enter(page, '58.4cc')
  await expect(finding(page, 'compression.compressionRatio')).toBeHidden()
  // 14.967 is the worked value of these dimensions (common practice).
  await expect(finding(page, 'compression.compressionRatio.1')).toContainText('14.97')
  await expect(finding(page, 'compression.quench.within')).toHaveCount(0)
  await expect(finding(page, 'compression.quench.1')).toContainText('48')
})

type TypedReading = ReturnType<typeof readings>[number]

test('a whole compression set of an inline five by keyboard comes to the same ratios as its file', async ({ page, shop }) => {
  const full = demo(TERN)
  const isTyped = ({ characteristic }: TypedReading) => /^(?:deck|chamberStart|chamberEnd)$/.test(characteristic)
  const id = await shop.bring({ ...full, entries: readings(full).filter((reading) => !isTyped(reading)) })
  await openBench(page, shop, id)
  const wanted = readings(full).filter(isTyped)
  for (const reading of wanted) await enter(page, reading.asTyped)
  await expect(finding(page, 'compression.deckClearance.3')).toContainText('Over by')
  await expect(finding(page, 'compression.chamberVolume.4')).toContainText('Over by')
  await expect(finding(page, 'compression.compressionRatio.4')).toContainText('8.87')
  await expect(page.getByText('not sent yet')).toHaveCount(0)
  const stored = readings(await shop.document(id))
  const bare = (all: readonly TypedReading[]) =>
    all.filter(isTyped).map(({ characteristic, place, value }) => ({ characteristic, place, value }))
  expect(bare(stored)).toEqual(bare(readings(full)))
  expect(stored).toHaveLength(readings(full).length)
})

test('the ledger moves while a reading is typed, and is back when it is rubbed out', async ({ page, shop }) => {
  const full = demo(TERN)
  const id = await shop.bring({
    ...full,
    entries: full.entries.filter(
      (entry) => !(entry.kind === 'reading' && entry.characteristic === 'compression.chamberEnd' && entry.place.cylinder === 1),
    ),
  })
  await openBench(page, shop, id)
  await expect(line(page)).toBeFocused()
  await expect(place(page)).toHaveText('Cylinder 1, chamber, fill 1, burette after')
  await expect(page.getByRole('complementary').locator('h2')).toHaveText('What it means')
  await page.keyboard.type('51.0')
  await expect(page.getByRole('complementary').locator('h2')).toHaveText('What it means if stored')
  await expect(page.locator('[data-finding^="compression.compressionRatio"][data-changed]').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('complementary').locator('h2')).toHaveText('What it means')
  expect(readings(await shop.document(id))).toHaveLength(readings(full).length - 2)
})

test('an absurd value is questioned before it is stored; f takes the likely one, k keeps it as typed', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  await enter(page, '10')
  await expect(page.getByText('Decimal point?')).toBeVisible()
  await page.keyboard.press('Enter')
  expect(readings(await shop.document(id))).toHaveLength(0)
  await page.keyboard.press('f')
  await expect(place(page)).toHaveText('Cylinder 1, deck, left of the crown')
  await enter(page, '0.9')
  await page.keyboard.press('k')
  await expect(place(page)).toHaveText('Cylinder 1, deck, rear of the crown')
  await expect
    .poll(async () => readings(await shop.document(id)).map(({ value, asTyped }) => [value, asTyped.split(' ')[0]]))
    .toEqual([
      [0.1, '10'],
      [0.9, '0.9'],
    ])
})

test('a dial read one turn off is questioned', async ({ page, shop }) => {
  const full = demo(TERN)
  const id = await shop.bring({
    ...full,
    entries: full.entries
      .filter((entry) => !(entry.kind === 'reading' && entry.characteristic === 'compression.deck' && entry.place.cylinder === 5))
      .filter((entry) => !(entry.kind === 'reading' && entry.place.cylinder === 3)),
  })
  await openBench(page, shop, id)
  await page.locator('[data-station="compression.deck/c5/front"]').click()
  await enter(page, '1.05')
  await expect(page.getByText('one dial turn from the others')).toBeVisible()
})

test('what cannot be read says why and stores nothing', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  for (const [text, words] of [
    ['12cc', 'measures volume'],
    ['1,234', '1.234 mm is outside'],
    ['0.1 furlong', 'no unit known'],
  ] as const) {
    await enter(page, text)
    await expect(page.locator('#understood')).toContainText(words)
    await page.keyboard.press('Escape')
  }
  expect(readings(await shop.document(id))).toHaveLength(0)
})

test('measured again, struck out with a reason, taken back: all of it stays in the history', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  await enter(page, '0.10')
  await page.keyboard.press('b')
  await enter(page, '0.12')
  await page.keyboard.press('b')
  await page.keyboard.press('x')
  await enter(page, 'dial had slipped')
  await expect(page.getByRole('button', { name: 'Cylinder 1, deck, front of the crown: 0.10' })).toBeVisible()
  await page.keyboard.press('h')
  const panel = page.getByRole('dialog')
  await expect(panel.getByText('struck out: dial had slipped')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(line(page)).toBeFocused()
  await page.keyboard.press('z')
  await expect(page.locator('#understood')).toContainText('Take back a strike at cylinder 1, deck, front of the crown?')
  expect((await shop.document(id)).entries).toHaveLength(3)
  await page.keyboard.press('z')
  await expect(page.locator('#understood')).toContainText('Taken back: a strike')
  await expect(page.getByRole('button', { name: 'Cylinder 1, deck, front of the crown: 0.12' })).toBeVisible()
  await expect
    .poll(async () => (await shop.document(id)).entries.map((entry) => entry.kind))
    .toEqual(['reading', 'reading', 'strike', 'undo'])
})

test('a part read again after it was machined is read beside what it was: both stay, the machined one counts', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/bores`)
  await page.locator('[data-station="bores.skirt/c2"]').click()
  await page.keyboard.press('p')
  await expect(page.getByRole('button', { name: 'The part is machined: change' })).toBeVisible()
  await enter(page, '82.905')
  const at = (one: Entry) => one.kind === 'reading' && one.characteristic === 'bores.skirt' && one.place.cylinder === 2
  await expect.poll(async () => (await shop.document(id)).entries.filter(at).length).toBe(2)
  const [found, machined] = (await shop.document(id)).entries.filter(at) as Reading[]
  expect(found).not.toHaveProperty('partState')
  expect(machined).toMatchObject({ partState: 'machined', value: 82.905 })
  expect(machined).not.toHaveProperty('supersedes')
  await page.locator('[data-station="bores.skirt/c2"]').click()
  await page.keyboard.press('h')
  await expect(page.getByRole('dialog')).toContainText('of the part before it was worked on')
  await expect(page.getByRole('dialog')).toContainText('stands')
})

test('what a part is now is said of its kind of reading, and taken back with the undo key; words of the trade are no keys', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/bores`)
  await page.locator('[data-station="bores.skirt/c2"]').click()
  await page.keyboard.press('p')
  await expect(page.locator('#understood')).toContainText('from here on as machined. z takes it back.')
  await page.keyboard.press('z')
  await expect(page.getByRole('button', { name: 'The part is as found: change' })).toBeVisible()
  await page.keyboard.press('p')
  await page.locator('[data-station="bores.bore/c2/top-thrust"]').click()
  await expect(page.getByRole('button', { name: 'The part is as found: change' })).toBeVisible()
  // The first letters are keys on an empty line, and here the beginning of a word.
  for (const [word, understood] of [
    ['proud', 'proud'],
    ['under', 'under'],
    ['btdc', 'btdc'],
    ['go 0.5', 'half of it'],
  ] as const) {
    await page.keyboard.type(word)
    await expect(line(page)).toHaveValue(word)
    await page.keyboard.press('Enter')
    await expect(page.locator('#understood')).toContainText(understood)
    await page.keyboard.press('Escape')
  }
  await expect(page.getByRole('button', { name: 'The part is as found: change' })).toBeVisible()
  await page.keyboard.type('no go 0.5')
  await expect(line(page)).toHaveValue('no go 0.5')
  await page.keyboard.press('Escape')
  await page.keyboard.type('n')
  await enter(page, 'oil in the bore')
  await expect.poll(async () => (await shop.document(id)).entries.at(-1)).toMatchObject({ kind: 'note', text: 'oil in the bore' })
})

test('skip with a reason, note, another gauge, inch and back, help', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  await page.keyboard.press('s')
  await enter(page, 'valve in the way')
  await page.keyboard.press('n')
  await enter(page, 'carbon on the crown')
  await page.keyboard.press('g')
  await expect(page.getByText('Bridge and dial, 0.001 in')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByLabel('Reading, thou')).toBeFocused()
  await enter(page, '4')
  await page.keyboard.press('u')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys, on an empty line' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect.poll(async () => (await shop.document(id)).entries.length).toBe(3)
  const { entries } = await shop.document(id)
  expect(entries.map((entry) => entry.kind)).toEqual(['skip', 'note', 'reading'])
  expect(entries[2]).toMatchObject({ value: 0.1016, unit: 'thou', asTyped: '4', gauge: 'dial-inch.1' })
})

test('any finding opens its sum down to the reading, and the reading leads to its place', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  await finding(page, 'compression.deckClearance.3').getByRole('button').click()
  const panel = page.getByRole('dialog')
  await expect(panel.getByText('mean of the places read on the crown')).toBeVisible()
  await expect(panel.getByText('Bridge and dial, 0.01 mm').first()).toBeVisible()
  await panel
    .getByRole('button', { name: /Bridge and dial/ })
    .first()
    .click()
  await expect(place(page)).toHaveText('Cylinder 3, deck, front of the crown')
  await expect(line(page)).toBeFocused()
})

test('taking one cylinder’s readings away makes it not measured, never a guess', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  for (const spot of ['front', 'rear', 'left']) {
    await page.locator(`[data-station="compression.deck/c2/${spot}"]`).click()
    await page.keyboard.press('x')
    await enter(page, 'wrong piston')
  }
  await expect(finding(page, 'compression.compressionRatio.2')).toContainText('Wants')
  await expect(finding(page, 'compression.deckClearance.2')).toContainText('Wants')
})

test('the planner, the rack, what it cost and a million draws', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  await page.getByRole('button', { name: 'Gasket rack' }).click()
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(5)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Plan gasket and cuts' }).click()
  await expect(page.getByRole('dialog').getByText('least metal first', { exact: false }).first()).toBeVisible()
  await expect(page.getByRole('dialog').getByRole('row').nth(1)).toContainText('Multi-layer steel')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'What did it cost' }).click()
  await expect(page.getByRole('dialog').getByRole('row').nth(3)).toContainText(/−0\.0[34]\d/)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Check the uncertainty by random draws' }).click()
  await page.getByRole('button', { name: 'Draw a million' }).click()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped; nothing was changed.')).toBeVisible()
  await page.getByRole('button', { name: 'Draw a million' }).click()
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(6)
})

test('a way that is a choice is taken with one press and taken back with another', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  const before = await finding(page, 'compression.compressionRatio.4').textContent()
  const row = page.getByRole('row', { name: /Gasket Multi-layer steel 1.00/ })
  // Nothing to take where the way is to measure again.
  await expect(page.getByRole('row', { name: /Measure cylinder 3 again/ }).getByRole('button')).toHaveCount(0)
  await row.getByRole('button', { name: 'Take it: Gasket Multi-layer steel 1.00' }).click()
  await expect(page.getByText('Taken: Gasket Multi-layer steel 1.00.')).toBeVisible()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasket).toBe('hl-g1')
  // 0.1 mm less of gasket is half a cubic centimetre less of clearance: about 0.07 of ratio.
  await expect(page.locator('[data-finding^="compression.compressionRatio"]').filter({ hasText: '8.94' })).toBeVisible()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasket).toBe('hl-g2')
  await expect(finding(page, 'compression.compressionRatio.4')).toHaveText(before!)
})

test('work on metal that is taken is held by the build, counted until the part is measured again, and dropped', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/rings`)
  const gap = finding(page, 'rings.topGap.2')
  await expect(gap).toContainText('0.50')
  await page.getByRole('button', { name: /^Take it: File the top ring of cylinder 2/ }).click()
  const planned = page.getByRole('region', { name: 'Planned work' })
  await expect(planned.getByRole('listitem')).toHaveText(/^Top ring of cylinder 2, gap larger by 0\.05\d? mm/)
  await expect(page.locator('[data-finding^="rings.topGap.2"]')).toContainText('0.56')
  const { spec, entries } = await shop.document(id)
  expect(spec.planned).toMatchObject([{ work: { what: 'ringGap', ring: 'top', cylinder: 2 }, after: entries.at(-1)!.id }])
  await visit(page, shop, `/builds/${id}/book`)
  await expect(page.getByText(/^Top ring of cylinder 2, gap larger by/)).toBeVisible()
  await visit(page, shop, `/builds/${id}/rings`)
  await planned.getByRole('button', { name: /^Drop: Top ring of cylinder 2/ }).click()
  await expect(planned).toHaveCount(0)
  await expect(gap).toContainText('0.50')
  await expect.poll(async () => (await shop.document(id)).spec.planned).toBeUndefined()
})

test('a way the server refuses is not said to be taken', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  await page.route('**/spec', (route) =>
    route.fulfill({ status: 422, contentType: 'application/json', body: JSON.stringify({ error: 'No.' }) }),
  )
  await page.getByRole('button', { name: 'Take it: Gasket Multi-layer steel 1.00' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'No.' })).toBeVisible()
  await expect(page.getByText('Taken:')).toHaveCount(0)
  expect((await shop.document(id)).spec.choice.gasket).toBe('hl-g2')
})

test('an inch engine speaks thou and goes on where it was left', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await openBench(page, shop, id)
  await expect(place(page)).toHaveText('Cylinder 6, deck, front of the crown')
  await expect(page.getByLabel('Reading, thou')).toBeFocused()
  await page.keyboard.type('10')
  await expect(page.locator('#understood')).toContainText('10 thou below deck')
})

test('on a phone the keypad enters, stores and undoes', async ({ browser, shop }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  await context.addCookies([KNOWN_PERSON])
  const page = await context.newPage()
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id)
  for (const key of ['0', '.', '1', '1', 'Store'])
    await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: key, exact: true }).tap()
  await expect.poll(async () => readings(await shop.document(id)).map(({ value }) => value)).toEqual([0.11])
  await page.getByRole('button', { name: 'undo' }).tap()
  await expect(page.locator('#understood')).toContainText('Take back reading 0.11')
  await page.getByRole('button', { name: 'undo' }).tap()
  await expect.poll(async () => (await shop.document(id)).entries.length).toBe(2)
  await context.close()
})
