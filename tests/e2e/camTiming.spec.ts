import type { Page } from '@playwright/test'
import { openBuild } from '@/core/benches'
import { closedLiftMm } from '@/core/geometry/valvetrain/closedLobe'
import type { SimulatedGauges } from '@/core/twin'
import { GaugeSet, handFor, openPlaces } from '@/demo/gaugeSet'
import { demo, expect, TERN, test, WREN, typeEntries } from '../support/shop'

/** Degreeing a cam at the bench: by keyboard, with the angles as they are spoken, and a whole curve from a table. */
const ledger = (page: Page) => page.getByLabel('What it means')

test('a cam is degreed by its events, set, and read again within its band, by keyboard alone', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  // The wheel was put on a degree off: 24 before and 26 after, twice.
  await typeEntries(page, ['24 btdc', '26 atdc', '-24', '26'])
  await expect(ledger(page)).toContainText('Proofs of TDC apart')
  // As the wheel shows it: the intake 3.8° late by its card of 105, the exhaust right.
  await typeEntries(page, ['2.5 atdc', '37 abdc', '32.5 bbdc', '2.5 atdc'])
  await expect(ledger(page)).toContainText('3.8° retarded; its card 105°.')
  const advice = page.getByText('Set intake cam 3.8° of crank forward').first()
  await expect(advice).toBeVisible()
  await expect.poll(async () => (await shop.document(id)).entries.filter(({ kind }) => kind === 'reading').length).toBe(8)
  const stored = (await shop.document(id)).entries.flatMap((entry) =>
    entry.kind === 'reading' ? [[entry.place.cam, entry.place.spot, entry.value]] : [],
  )
  expect(stored).toContainEqual(['intake', 'closes', 217])
  expect(stored).toContainEqual(['exhaust', 'opens', -212.5])
  await page.getByRole('button', { name: /^Take/ }).first().press('Enter')
  await expect
    .poll(async () => (await shop.document(id)).spec.planned?.map(({ work }) => work))
    .toMatchObject([{ what: 'turnCam', cam: 'intake' }])
  await page.getByRole('button', { name: /^Intake cam, opens at 1.27 mm/ }).click()
  await typeEntries(page, ['1.5 btdc', '33.5 abdc'])
  await expect(ledger(page)).toContainText('As its card 105°.')
  await expect(ledger(page)).not.toContainText('retarded')
  // On another day, on another page: what was set, and how far it strayed from that.
  await page.reload()
  await page.locator('[data-ready]').waitFor()
  const loop = page.getByLabel('Intake cam, set and read again')
  await expect(loop.getByRole('row').nth(1)).toContainText('-3.8°')
  await expect(loop.getByRole('row').nth(2)).toContainText(/\+3\.8°0\.0°0\.0°/)
})

test('a wheel three degrees off is no cam three degrees off', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await typeEntries(page, ['22 btdc', '28 atdc', '22 btdc', '28 atdc', '.5 atdc', '35.5 abdc', '30.5 bbdc', '4.5 atdc'])
  await expect(ledger(page)).toContainText('As its card 105°.')
  await expect(page.getByText('Set intake cam')).toBeHidden()
})

test('a pasted curve: a row that cannot be read keeps all of it out, one that is a slip is named before it is stored', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await typeEntries(page, ['25 btdc', '25 atdc', '25 btdc', '25 atdc'])
  await page.getByRole('button', { name: 'A curve from a table' }).click()
  const lobe = { liftMm: 9.6, halfWidthDeg: 146, power: 2.6 }
  const rows = Array.from({ length: 68 }, (_, index) => -65 + 5 * index).map(
    (angle) => `${angle},${closedLiftMm(lobe, angle - 107).toFixed(2)}`,
  )
  const table = page.getByLabel('Table', { exact: true })
  await table.fill(['angle,lift', ...rows.map((row, index) => (index === 20 ? '35,o.9' : row))].join('\n'))
  await expect(page.getByText('Nothing is stored: row 21, lift: “o.9” is no number')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Store the readings' })).toBeDisabled()
  await table.fill(
    ['angle,lift', ...rows.map((row, index) => (index === 20 ? `35,${(Number(row.split(',')[1]) + 1).toFixed(2)}` : row))].join('\n'),
  )
  await expect(page.getByText(/^Row 21 is 1\.0\d? mm above its neighbours/)).toBeVisible()
  await page.getByRole('button', { name: 'Store 68 readings' }).click()
  await expect.poll(async () => (await shop.document(id)).entries.filter(({ kind }) => kind === 'reading').length).toBe(72)
  await expect(ledger(page)).toContainText('2° retarded; its card 105°. By its curve.')
  await expect(page.getByText('Read the curve of intake cam again at 35°')).toBeVisible()
})

test('the uncertainty of a curve comes out again by refits, off the page; a wheel is printed of any diameter', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await page.getByRole('button', { name: 'The lobes, and their uncertainty' }).click()
  await page.getByRole('button', { name: 'Refit a thousand times' }).click()
  // 10.2 · (1 − u²)^2.6 over 150°: 0.112 mm a degree at its steepest.
  await expect(page.getByRole('row', { name: /^Velocity up/ })).toContainText(/0\.11\d \/ 0\.11\d/)
  const row = page.getByRole('row', { name: /^Centreline/ }).filter({ hasText: '±' })
  await expect(row.first()).toContainText(/11[123]\.\d ±0\.[2-6]\d°/)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Print a degree wheel' }).click()
  const diameter = page.getByLabel('Diameter, mm')
  await diameter.fill('18')
  await expect(page.getByText('From 60 to 600 mm across.')).toBeVisible()
  await diameter.fill('150')
  const href = await page.getByRole('link', { name: 'Degree wheel, A4' }).getAttribute('href')
  const answer = await page.request.get(`${shop.server.address}${href}`)
  expect([answer.status(), answer.headers()['content-type']]).toEqual([200, 'application/pdf; charset=utf-8'])
  expect((await page.request.get(`${shop.server.address}/api/degree-wheel.pdf?diameterMm=20`)).status()).toBe(400)
})

test('a cam is degreed by events and full curve off simulated gauges, corrected, and read again within its band', async ({
  page,
  ownShop,
}) => {
  const document = demo(WREN, (one) => ({
    ...one,
    spec: {
      ...one.spec,
      methods: { ...one.spec.methods, camCurve: true, camTdc: 'drop' },
      paper: { ...one.spec.paper, curveStep: { value: 10, unit: 'deg', source: 'test' } },
    },
  }))
  const id = await ownShop.bring(document)
  await page.goto(`${ownShop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await page.keyboard.press('l')
  await expect(page.getByText('listening to live gauges')).toBeVisible()
  const gauges = new GaugeSet(ownShop.server.address)
  const places = openPlaces(openBuild(document), 'cam')
  const press = async (hand: SimulatedGauges, some: typeof places) => {
    for (const { station, gauge } of some) await gauges.press(gauge, hand.read(station.characteristic, station.place, gauge))
  }
  const count = async () => (await ownShop.document(id)).entries.filter(({ kind }) => kind === 'reading').length
  await press(handFor(document, 41, { camLateDeg: { 1: 4 } }), places)
  await expect.poll(count).toBe(places.length)
  await expect(ledger(page)).toContainText(/[34]\.\d° retarded; its card 105°\. By its curve; also read by events\./)
  await page.getByRole('button', { name: /^Take it: Set intake cam/ }).press('Enter')
  await expect(page.getByText(/^Taken: Set intake cam/)).toBeVisible()
  // Torqued, turned over twice, and read again: the engine as it would be once it stands right.
  const again = places.filter(({ station }) => station.place.cam === 'intake')
  await page.getByRole('button', { name: /^Intake cam, opens at/ }).click()
  await press(handFor(document, 41), again)
  await expect.poll(count).toBe(places.length + again.length)
  await expect(ledger(page)).not.toContainText(/[234]\.\d° retarded/)
  const intake = page
    .getByLabel('What it means')
    .locator('article, li, section')
    .filter({ hasText: 'Against its card, intake cam' })
    .first()
  await expect(intake).toContainText('Within')
})

test('a virtual engine is turned by keys: wheel and dial go along, and turned back the chain has slack', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await page.getByRole('button', { name: 'Turn a virtual engine' }).click()
  const engine = page.getByLabel('A virtual engine')
  const crank = engine.getByRole('slider', { name: 'Turn the crank' })
  await crank.fill('0')
  await engine.getByText('Intake cam', { exact: true }).click()
  await crank.fill('60')
  const lift = async () => Number(/dial ([\d.]+) mm/.exec((await engine.getByText(/^Wheel -?\d/).textContent())!)![1])
  const before = await lift()
  expect(before).toBeGreaterThan(2)
  await crank.focus()
  // Three half degrees back are taken up by the slack; past two degrees the cam follows.
  for (let key = 0; key < 3; key++) await page.keyboard.press('ArrowLeft')
  await expect(engine).toContainText('Wheel 58.5°')
  await expect(engine).toContainText('turned back')
  expect(await lift()).toBe(before)
  for (let key = 0; key < 5; key++) await page.keyboard.press('ArrowLeft')
  expect(await lift()).toBeLessThan(before)
  await crank.fill('61')
  await expect(engine).not.toContainText('turned back')
  expect(await lift()).toBeGreaterThan(before)
})
