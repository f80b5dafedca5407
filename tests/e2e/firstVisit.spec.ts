import { demo, enter, expect, finding, line, openBench, PETREL, place, readings, TERN, test, WREN, visit } from '../support/shop'

/** What someone does who sees the shop for the first time. */

test('the board says what is worst and leads to it; the front says it for every bench', async ({ page, ownShop }) => {
  const [tern, petrel, wren] = [await ownShop.bring(demo(TERN)), await ownShop.bring(demo(PETREL)), await ownShop.bring(demo(WREN))]
  await page.goto(ownShop.server.address)
  const job = (name: string) => page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) })
  await expect(job('Tern')).toContainText(/All read; put right first\s*Top ring gap, cylinder 2: under by 0\.03/)
  await expect(job('Petrel')).toContainText(/Next: crank and bearings\s*Crank end float\s*Main clearance, main 4: over by 0\.\d thou/)
  await expect(job('Wren')).toContainText('Cylinder 1, bore, top, thrust axis')
  await job('Tern').getByRole('link', { name: 'Look at it' }).click()
  await expect(page).toHaveURL(`${ownShop.server.address}/builds/${tern}/rings`)
  await page.goto(`${ownShop.server.address}/builds/${petrel}`)
  const bench = (title: string) => page.getByRole('listitem').filter({ has: page.getByRole('link', { name: title, exact: true }) })
  await expect(bench('Bores and pistons')).toContainText('56 readings taken, 2 skipped')
  await expect(bench('Crank and bearings')).toContainText('Main clearance, main 4: over by')
  await expect(bench('Deck and compression')).toContainText('14 of 24 readings to go')
  await page.goto(`${ownShop.server.address}/builds/${wren}`)
  await expect(page.getByText('Fires every')).toBeHidden()
})

test('a fresh single shows how a reading is typed, takes its bores, and has nothing to match', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await openBench(page, shop, id, 'bores')
  await expect(page.locator('#understood')).toContainText('Type what the gauge shows, such as 88.000')
  await expect(page.getByRole('button', { name: 'Match pistons to bores' })).toBeHidden()
  for (const text of ['88.012', '88.010', '88.010', '88.008', '88.006', '88.006', '87.906']) await enter(page, text)
  await expect(page.locator('#understood')).not.toContainText('Type what the gauge shows')
  await expect(finding(page, 'bores.outOfRound.1')).toContainText('0.002')
  // Smallest bore 88.006 less skirt 87.906.
  await expect(finding(page, 'bores.clearance.1')).toContainText('0.100')
  await expect(place(page)).toHaveText('Deck face, finish')
  await expect(line(page)).toBeFocused()
})

test('a row nobody has the gauge for is skipped at once, for one reason, and stands in the book', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(PETREL, (document) => ({ ...document, entries: document.entries.filter(({ kind }) => kind !== 'skip') })),
  )
  await openBench(page, shop, id, 'bearings')
  await expect(place(page)).toHaveText('Torque to turn after cap 1')
  await page.keyboard.press('s')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('checkbox', { name: 'all 5 open places of this row' })).toBeChecked()
  await enter(page, 'no beam wrench')
  await expect(place(page)).toHaveText('Crank end float')
  await expect.poll(async () => (await shop.document(id)).entries.filter(({ kind }) => kind === 'skip')).toHaveLength(5)
  // One place alone is left out without the row.
  await page.keyboard.press('s')
  await enter(page, 'later')
  await expect.poll(async () => (await shop.document(id)).entries.filter(({ kind }) => kind === 'skip')).toHaveLength(6)
  await page.goto(`${shop.server.address}/builds/${id}/book`)
  await expect(page.getByText('Torque to turn after cap 3: skipped, no beam wrench')).toBeVisible()
})

test('piston sets are matched to rods by mass, with what it does to the walls; the plan holds for both benches', async ({ page, shop }) => {
  const grams: Readonly<Record<string, readonly number[]>> = {
    'rods.pistonMass': [340, 344, 342, 343, 341],
    'rods.rodSmall': [162, 160, 161, 158, 159],
  }
  const id = await shop.bring(
    demo(TERN, (document) => ({
      ...document,
      entries: document.entries.map((entry) => {
        const value = entry.kind === 'reading' ? grams[entry.characteristic]?.[entry.place.cylinder! - 1] : undefined
        return value === undefined || entry.kind !== 'reading' ? entry : { ...entry, value, asTyped: String(value) }
      }),
    })),
  )
  await openBench(page, shop, id, 'rods')
  await expect(page.getByText(/Piston sets onto other rods: rod 1 takes \d/)).toBeVisible()
  await expect(page.getByText('piston to wall changes with the bore')).toBeVisible()
  await page.getByRole('button', { name: 'Match masses' }).click()
  const panel = page.getByRole('dialog')
  await expect(panel.getByRole('columnheader', { name: 'To the wall' })).toHaveCount(2)
  await panel.getByRole('button', { name: 'Take this plan' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.pistonInBore).toHaveLength(5)
  const { pistonInBore } = (await shop.document(id)).spec.choice
  await page.keyboard.press('Escape')
  await expect(page.getByText(`Planned: bore 1 takes piston ${pistonInBore![0]}`)).toBeVisible()
  await openBench(page, shop, id, 'bores')
  await expect(page.getByText(`Planned: bore 1 takes piston ${pistonInBore![0]}`)).toBeVisible()
})

test('shells are counted on and off the shelf, a part gets its material, and both can be undone', async ({ page, shop }) => {
  const id = await shop.bring(demo(PETREL))
  await visit(page, shop, `/builds/${id}/paper`)
  const shells = async () => (await shop.document(id)).spec.stock.shells
  const before = await shells()
  // On a phone a shelf may scroll, the page does not.
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.getByRole('button', { name: 'One half M-X more' }).click()
  await expect.poll(async () => (await shells()).find(({ name }) => name === 'M-X')!.halves).toBe(5)
  const form = page.getByRole('form', { name: 'Add shells' })
  await form.getByRole('button', { name: 'Add shells' }).click()
  await expect(form.getByText('is needed').first()).toBeVisible()
  await form.getByLabel('Name').fill('M-coated')
  await form.getByLabel('Halves on the shelf').fill('6')
  await form.getByLabel(/^Coating a half/).fill('0.3')
  await form.getByLabel('Source').fill('maker')
  await form.getByRole('button', { name: 'Add shells' }).click()
  await expect
    .poll(async () => (await shells()).at(-1))
    .toMatchObject({ name: 'M-coated', fits: 'main', wallMm: 0, halves: 6, coatingMm: expect.closeTo(0.00762, 6), source: 'maker' })
  await page.getByRole('radiogroup', { name: 'Block' }).getByText('Cast aluminium').click()
  await expect.poll(async () => (await shop.document(id)).spec.materials.block).toBe('castAluminium')
  // Pressed three times at once: each press goes one change further back, however long the server takes.
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo the last change' }).click()
  await expect.poll(shells).toEqual(before)
  expect((await shop.document(id)).spec.materials.block).not.toBe('castAluminium')
})

test('the book says first what stands out, then every value across the cylinders', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await page.goto(`${shop.server.address}/builds/${id}/book`)
  const out = page.getByRole('region', { name: 'What stands out' })
  await expect(out.getByRole('row', { name: /Top ring gap, cylinder 2/ })).toContainText('under by 0.03')
  await expect(out.getByRole('row', { name: /Deck clearance, cylinder 3/ })).toContainText('Paper says 0.05 mm')
  const ratio = page.getByRole('region', { name: 'Deck and compression: findings 1' }).getByRole('row', { name: /^Ratio/ })
  await expect(ratio.getByRole('cell')).toHaveCount(6)
  await expect(ratio).toContainText('8.9 to 9.1 (tuner)')
  await expect(page.getByText('Mains at final torque: right')).toBeVisible()
  await page.goto(`${shop.server.address}/builds/${await shop.bring(demo(WREN))}/book`)
  await expect(page.getByText('Nothing is measured yet.')).toBeVisible()
  expect(readings(await shop.document(id)).length).toBe(587)
})
