import { freshSpec } from '@/core/benches'
import { startingLimits } from '@/core/benches'
import {
  demo,
  enter,
  expect,
  finding,
  openBench,
  openOnPaper,
  PETREL,
  place,
  readings,
  type Shop,
  TERN,
  test,
  visit,
  WREN,
} from '../support/shop'

const sheet = (value: number) => ({ value, unit: 'mm' as const, source: 'sheet' })

/** A fresh V6 as somebody would start it, in the shop. */
async function v6(shop: Shop): Promise<string> {
  const spec = freshSpec({
    name: 'Pochard',
    description: 'V 6',
    units: 'metric',
    kind: 'v',
    cylinders: 6,
    bankAngleDeg: 60,
    valvesPerCylinder: 4,
    valveDrive: 'bucketShimUnder',
    fuel: 'petrol',
    use: 'street',
    boostKpa: 0,
    paper: { bore: sheet(88), stroke: sheet(80), rodLength: sheet(140), pistonVolume: { value: 4, unit: 'cm3', source: 'sheet' } },
  })
  const { status, json } = await shop.server.post<{ id: string; error?: string }>('/api/builds', {
    from: 'start',
    by: 'KV',
    spec: { ...spec, limits: startingLimits(spec) },
  })
  if (status !== 201) throw new Error(json.error)
  return json.id
}

test('a gasket nobody knows yet may stay empty; the ratio says it is wanted, and comes when it is there', async ({ page, shop }) => {
  await visit(page, shop, '/new')
  await page.getByLabel('Name of the job').fill('Grebe')
  await page.getByRole('radiogroup', { name: 'Layout' }).getByText('Single').click()
  for (const [label, text] of [
    ['Bore, mm', '88'],
    ['Stroke, mm', '82'],
    ['Piston, cm³ (dish +, dome −)', '0'],
    ['Chamber, cm³', '50'],
    ['Deck clearance wanted, mm', '0.5'],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(text)
  await page.getByRole('button', { name: 'To the bench' }).click()
  await page.locator('[data-ready]').waitFor()
  const id = page.url().split('/').at(-2)!
  for (const reading of ['0.5', '0.5', '50']) await enter(page, reading)
  await expect(finding(page, 'compression.compressionRatio.1')).toContainText(/gasket/i)
  await visit(page, shop, `/builds/${id}/paper`)
  const form = page.getByRole('form', { name: 'Add a gasket' })
  for (const [label, text] of [
    ['Name', 'Copper 1.00'],
    ['Compressed, mm', '1.00'],
    ['Bore, mm', '88'],
    ['Source', 'maker'],
  ] as const)
    await form.getByLabel(label, { exact: true }).fill(text)
  await form.getByRole('button', { name: 'Add a gasket' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.choice.gasket).toBe('gasket-1')
  await openBench(page, shop, id)
  // Swept 498.73 cm³ (88 × 82); 50 + 3.04 of deck + 6.08 of gasket: 1 + 498.73 ÷ 59.12.
  await expect(finding(page, 'compression.compressionRatio.1')).toContainText('9.4')
})

test('bank angle, mains and crank pins are edited together; an order the crank does not allow is told and not stored', async ({
  page,
  shop,
}) => {
  const id = await v6(shop)
  await visit(page, shop, `/builds/${id}/paper`)
  const before = (await shop.document(id)).spec.layout
  const keep = page.getByRole('button', { name: 'Keep the layout' })
  await expect(keep).toBeDisabled()
  const order = page.getByLabel('Firing order')
  await order.fill('1-2-3-4-5-5')
  await expect(page.locator('p[role=alert]')).toContainText('Every cylinder from 1 to 6 fires once. Nothing is stored yet.')
  await expect(keep).toBeDisabled()
  await order.fill(before.firingOrder.join('-'))
  await page.getByLabel('Crank pins, front to rear').fill('1@0')
  await expect(page.locator('p[role=alert]')).toContainText('stands on no pin, or on two.')
  await page.getByLabel('Bank angle, °').fill('90')
  await page.getByRole('textbox', { name: 'Main bearings' }).fill('5')
  await page.getByRole('button', { name: 'Split pins, even firing' }).click()
  await expect(page.getByText(/Fires after 120°\./)).toBeVisible()
  await keep.click()
  await expect.poll(async () => (await shop.document(id)).spec.layout).toMatchObject({ bankAngleDeg: 90, mains: 5 })
  const { pins } = (await shop.document(id)).spec.layout
  // A 90° V6 fires evenly with its pins split by 30° (handbook).
  expect(pins.map(({ splitDeg }) => Math.abs(splitDeg ?? 0))).toEqual([30, 30, 30])
  await page.getByRole('button', { name: 'Undo the last change' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.layout).toEqual(before)
})

test('cylinders counted otherwise keep their pins and their turn, and are shown before they are kept', async ({ page, shop }) => {
  const id = await v6(shop)
  await visit(page, shop, `/builds/${id}/paper`)
  const before = (await shop.document(id)).spec.layout
  await page.getByText('Down each bank', { exact: true }).click()
  await expect(page.getByText('Rods stay on their pins and fire in their turn under the new numbers.')).toBeVisible()
  await expect(page.getByLabel('Plan of the engine, front to the left, 6 cylinders').last()).toBeVisible()
  expect((await shop.document(id)).spec.layout).toEqual(before)
  await page.getByRole('button', { name: 'Leave it as it was' }).click()
  await expect(page.getByLabel('Firing order')).toHaveValue(before.firingOrder.join('-'))
  await page.getByText('Down each bank', { exact: true }).click()
  await page.getByRole('button', { name: 'Keep the layout' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.layout.numbering).toBe('downEachBank')
  const { pins, firingOrder } = (await shop.document(id)).spec.layout
  // Left bank 1 to 3, right bank 4 to 6: a pin still carries one of each.
  for (const { cylinders } of pins)
    if (cylinders.length === 2) expect(cylinders.map((one) => (one <= 3 ? 'left' : 'right')).toSorted()).toEqual(['left', 'right'])
  expect(firingOrder.toSorted((a, b) => a - b)).toEqual([1, 2, 3, 4, 5, 6])
  expect(firingOrder[0]).toBe(1)
})

test('the shop’s own ring factor moves the limit that follows it, and says what moved', async ({ page, shop }) => {
  const id = await v6(shop)
  await visit(page, shop, `/builds/${id}/paper#paper.ringFactor`)
  await openOnPaper(page, 'Limits', 'Rings')
  expect((await shop.document(id)).spec.limits['rings.topGap']).toMatchObject({ lower: 0.4, follows: true })
  const factor = page.getByRole('textbox', { name: 'Top ring, gap per bore', exact: true })
  await factor.fill('0.006')
  await factor.press('Enter')
  // 88 · 0.006 = 0.528, rounded up to the hundredth.
  await expect
    .poll(async () => (await shop.document(id)).spec.limits['rings.topGap'])
    .toMatchObject({ lower: 0.53, target: 0.55, follows: true })
  const from = page.getByRole('textbox', { name: 'Top ring gap: from' })
  await expect(from).toHaveValue('0.53')
  await from.fill('0.5')
  await from.press('Tab')
  await expect.poll(async () => (await shop.document(id)).spec.limits['rings.topGap']?.lower).toBe(0.5)
  expect((await shop.document(id)).spec.limits['rings.topGap']?.follows).toBeUndefined()
  // Overridden, it no longer follows; taken back to the preset, it does.
  await factor.fill('0.007')
  await factor.press('Enter')
  await expect.poll(async () => (await shop.document(id)).spec.limits['rings.secondGap']?.lower).toBe(0.66)
  expect((await shop.document(id)).spec.limits['rings.topGap']?.lower).toBe(0.5)
  await page.getByRole('button', { name: 'Follow the preset again' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.limits['rings.topGap']).toMatchObject({ lower: 0.62, follows: true })
})

test('the deck’s finish is judged against a gasket that needs it, and no longer when another is chosen', async ({ page, shop }) => {
  const id = await shop.bring(
    demo(TERN, (document) => ({
      ...document,
      spec: {
        ...document.spec,
        stock: {
          ...document.spec.stock,
          gaskets: document.spec.stock.gaskets.map((gasket, index) => ({
            ...gasket,
            kind: index === 0 ? ('composite' as const) : ('multiLayerSteel' as const),
          })),
        },
      },
    })),
  )
  await visit(page, shop, `/builds/${id}/paper`)
  const row = page.getByRole('row', { name: /Multi-layer steel 1.00/ })
  await row.getByRole('button', { name: 'Choose' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.limits['bores.deckFinish']).toBeUndefined()
  await page
    .getByRole('row', { name: /Multi-layer steel 1.10/ })
    .getByRole('button', { name: 'Choose' })
    .click()
  await expect.poll(async () => (await shop.document(id)).spec.limits['bores.deckFinish']).toMatchObject({ upper: 0.5, follows: true })
})

test('a copy remembers which engine it is a copy of, after a new name too', async ({ page, ownShop: shop }) => {
  const id = await shop.bring(demo(TERN, (document) => ({ ...document, spec: { ...document.spec, name: 'Original' } })))
  await visit(page, shop, `/new?copy=${id}`)
  await page.getByRole('button', { name: 'Start the copy' }).click()
  const name = page.getByRole('textbox', { name: 'Name', exact: true }).first()
  await expect(name).toHaveValue('Original, again')
  await page.locator('[data-hydrated]').waitFor()
  const copy = page.url().split('/').at(-2)!
  await name.fill('Second block')
  await name.press('Enter')
  await expect.poll(async () => (await shop.document(copy)).spec).toMatchObject({ name: 'Second block', copyOf: { id, name: 'Original' } })
  await visit(page, shop, '/')
  await expect(page.getByText('copy of Original')).toBeVisible()
})

test('ring grooves are read where the paper page says so: side by a feeler, back below the land, against the maker’s numbers', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/paper#limit.rings.topSide`)
  await openOnPaper(page, 'Methods', 'Rings')
  await page.getByRole('radiogroup', { name: 'Ring grooves' }).getByText('Side and back clearance read').click()
  await expect.poll(async () => (await shop.document(id)).spec.methods.ringGrooves).toBe(true)
  const from = page.getByRole('textbox', { name: 'Top ring side clearance: from' })
  await from.fill('0.04')
  await from.press('Tab')
  await expect.poll(async () => (await shop.document(id)).spec.limits['rings.topSide']?.lower).toBe(0.04)
  await openBench(page, shop, id, 'rings')
  await expect(place(page)).toHaveText('Cylinder 1, top ring side clearance in its groove')
  await enter(page, '.03/.04')
  await expect(finding(page, 'rings.topSide.1')).toContainText('Under')
  await enter(page, '.05/.06')
  await enter(page, '0.25')
  await expect(finding(page, 'rings.secondSide.1')).toContainText('0.055')
  await expect(finding(page, 'rings.secondSide.1')).not.toContainText(/within|under|over/i)
  await expect(finding(page, 'rings.topBack.1')).toContainText('0.25')
  const stored = async () => readings(await shop.document(id)).slice(-3)
  await expect
    .poll(async () => (await stored()).map(({ characteristic, value, upper }) => [characteristic, value, upper]))
    .toEqual([
      ['rings.topSide', 0.03, 0.04],
      ['rings.secondSide', 0.05, 0.06],
      ['rings.topBack', 0.25, undefined],
    ])
})

test('an inch engine’s paper speaks inches whatever the engine before it spoke', async ({ page, shop }) => {
  const bore = (unit: string) =>
    page.getByRole('region', { name: 'Numbers on paper' }).getByRole('textbox', { name: `Bore, ${unit}`, exact: true })
  const [metric, inch] = [await shop.bring(demo(TERN)), await shop.bring(demo(PETREL))]
  await visit(page, shop, `/builds/${metric}/paper#paper.bore`)
  await expect(bore('mm')).toHaveValue('83')
  await visit(page, shop, `/builds/${inch}/paper#paper.bore`)
  await expect(bore('in')).toHaveValue('4.155')
  // Switched for this engine alone, and remembered for it.
  await page.getByRole('button', { name: 'Units shown: inch. Change' }).click()
  await expect(bore('mm')).toHaveValue('105.537')
  await visit(page, shop, `/builds/${await shop.bring(demo(PETREL))}/paper#paper.bore`)
  await expect(bore('in')).toHaveValue('4.155')
  await visit(page, shop, `/builds/${inch}/paper#paper.bore`)
  await expect(bore('mm')).toHaveValue('105.537')
})

test('a repeatability comes from the range of five tries', async ({ page, ownShop: shop }) => {
  await visit(page, shop, '/gauges')
  await page.getByRole('button', { name: 'New card for Micrometer, 0.002 mm' }).click()
  await page.getByLabel('Or: largest less smallest of five tries, mm').fill('0.005')
  await page.getByRole('button', { name: 'Use it' }).click()
  // 0.005 ÷ 2.326 (d₂ of five), two figures.
  await expect(page.getByLabel('Repeatability, standard deviation, mm')).toHaveValue('0.0021')
  await expect(page.getByLabel('From how many readings')).toHaveValue('5')
})

test('an undo answered by a page in the server’s stead undoes nothing and holds up no edit behind it', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/paper#paper.stroke`)
  const stroke = page.getByRole('textbox', { name: 'Stroke, mm', exact: true })
  await stroke.fill('93')
  await stroke.press('Enter')
  await expect.poll(async () => (await shop.document(id)).spec.paper.stroke!.value).toBe(93)
  await page.route('**/spec?revision=*', (route) => route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Sign in</h1>' }))
  await page.getByRole('button', { name: 'Undo the last change' }).click()
  await expect(page.locator('p[role=alert]')).toContainText('Nothing was undone.')
  await stroke.fill('94')
  await stroke.press('Enter')
  await expect.poll(async () => (await shop.document(id)).spec.paper.stroke!.value).toBe(94)
})

test('a limit and a number on paper lead from a finding to their own line, and any line is found by typing', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await openBench(page, shop, id)
  await finding(page, 'compression.deckClearance.3').getByRole('button').first().click()
  await page.getByRole('dialog').getByRole('link', { name: 'Change this limit' }).click()
  await expect(page.locator('[id="limit.compression.deckClearance"]')).toBeFocused()
  await page.getByLabel('Find a number or a limit').fill('rings second gap')
  await expect(page.getByLabel('Second ring gap: from')).toBeVisible()
  await expect(page.getByLabel('Deck clearance: from')).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Job' })).toHaveCount(0)
  await page.getByLabel('Find a number or a limit').fill('')
  await expect(page.getByRole('region', { name: 'Job' })).toBeVisible()
  await visit(page, shop, `/builds/${id}/compression`)
  await finding(page, 'compression.compressionRatio.4').getByRole('button').first().click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Swept volume/ })
    .click()
  await page.getByRole('dialog').getByRole('link', { name: 'paper: owner’s sheet', exact: true }).first().click()
  await expect(page.locator('[id="paper.stroke"]')).toBeFocused()
})

test('the benches of the paper are closed until they are asked for; what a closed one holds is said', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  await visit(page, shop, `/builds/${id}/paper`)
  const numbers = page.getByRole('region', { name: 'Numbers on paper' })
  const bores = numbers.getByRole('button', { name: /^Bores and pistons \d+ of \d+ known$/ })
  await expect(bores).toHaveAttribute('aria-expanded', 'false')
  await expect(numbers.getByRole('textbox', { name: 'Bore, mm', exact: true })).toHaveCount(0)
  await bores.press('Enter')
  await expect(numbers.getByRole('textbox', { name: 'Bore, mm', exact: true })).toBeVisible()
  await expect(numbers.locator('[aria-expanded=true]')).toHaveCount(1)
  await bores.press('Enter')
  await expect(numbers.getByRole('textbox')).toHaveCount(0)
  const methods = page.getByRole('region', { name: 'Methods' })
  await expect(methods.getByRole('radiogroup')).toHaveCount(1)
  await methods.getByRole('button', { name: /^Rings \d+ choices$/ }).click()
  await expect(methods.getByRole('radiogroup', { name: 'Ring in the bore' })).toBeVisible()
  // A page of a single begins with less than eight hundred elements.
  await page.reload()
  await page.locator('[data-hydrated]').waitFor()
  expect(await page.locator('*').count()).toBeLessThanOrEqual(800)
  await page.getByRole('searchbox', { name: 'Find a number or a limit' }).fill('ring in the bore')
  await expect(methods.getByRole('radiogroup', { name: 'Ring grooves' })).toHaveCount(0)
  await expect(methods.getByRole('radiogroup', { name: 'Ring in the bore' })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find a number or a limit' }).fill('')
  await page.getByRole('button', { name: 'Open every bench' }).click()
  await expect(page.locator('main h3 [aria-expanded=false]')).toHaveCount(0)
  await expect(page.getByRole('textbox', { name: 'Compression ratio: from' })).toBeVisible()
  await page.getByRole('button', { name: 'Close every bench' }).click()
  await expect(page.locator('main h3 [aria-expanded=true]')).toHaveCount(0)
})

test('papers that disagree are kept side by side until somebody says why one counts; the maker outranks', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/paper#paper.stroke`)
  const paper = async () => (await shop.document(id)).spec.paper.stroke
  await page.getByRole('button', { name: 'Stroke: another paper says…' }).click()
  const panel = page.getByRole('dialog')
  await panel.getByLabel('It says').fill('92.77')
  await panel.getByLabel('It says').press('Enter')
  await panel.getByLabel('Which paper, which page').fill('a forum')
  await panel.getByText('what somebody says').click()
  await panel.getByRole('button', { name: 'Beside it' }).click()
  const beside = page.getByRole('list', { name: 'Stroke: other papers' })
  await expect(beside.getByRole('alert')).toContainText('say why this one counts')
  await expect(beside).toContainText('92.77 mm: a forum, what somebody says')
  await expect.poll(paper).toMatchObject({ value: 92.8, others: [{ value: 92.77, source: 'a forum', word: 'hearsay' }] })

  await beside.getByRole('button', { name: 'Take this one…' }).click()
  await panel.getByLabel('Why this one counts').fill('measured so')
  await panel.getByRole('button', { name: 'It counts' }).click()
  await expect(beside).toContainText('outranks it')
  await expect(beside.getByRole('alert')).toHaveCount(0)
  await expect.poll(paper).toMatchObject({ value: 92.77, word: 'hearsay', reason: 'measured so', others: [{ value: 92.8, word: 'maker' }] })
})
