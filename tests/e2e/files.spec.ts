import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { demo, expect, openOnPaper, readings, TERN, test, visit, WREN } from '../support/shop'

test('a corrupted build file is refused with what and where; a sound one opens; the same again is offered as a copy', async ({
  page,
  shop,
}) => {
  const document = demo(TERN)
  const text = JSON.stringify(document)
  await visit(page, shop, '/new')
  const file = page.getByLabel('Build file')
  const give = (content: string) =>
    file.setInputFiles({ name: 'x.kalibros.json', mimeType: 'application/json', buffer: Buffer.from(content) })
  await give(text.slice(0, 4000))
  await expect(page.locator('p[role=alert]')).toContainText('breaks off or is damaged')
  await give(text.replace(/"value":(0\.\d+)/, '"value":"$1"'))
  await expect(page.locator('p[role=alert]')).toHaveText('Paper, deck clearance, value: wants a number, not a text. Nothing was stored.')
  await give(JSON.stringify({ ...document, version: 99 }))
  await expect(page.locator('p[role=alert]')).toContainText('newer program')
  expect((await shop.server.get(`/api/builds/${document.id}/file`)).status).toBe(404)
  await give(text)
  await expect(page.getByRole('heading', { name: 'Tern' })).toBeVisible()
  const { gauges, ...stored } = await shop.document(document.id)
  const { gauges: given, ...sent } = document
  expect(stored).toEqual(sent)
  expect(gauges).toEqual(expect.arrayContaining(given))
  await visit(page, shop, '/new')
  await give(text)
  await expect(page.locator('p[role=alert]')).toContainText('already here')
  await page.getByRole('button', { name: 'Bring it in as a copy' }).click()
  await expect(page.getByRole('heading', { name: 'Tern' })).toBeVisible()
  const copyId = page.url().split('/').at(-1)!
  expect(copyId).not.toBe(document.id)
  expect(readings(await shop.document(copyId)).map(({ value }) => value)).toEqual(readings(document).map(({ value }) => value))
})

test('a CSV with three bad rows names them, offers the rest, and stores nothing by halves', async ({ page, shop }) => {
  const full = demo(TERN)
  const source = await shop.bring(full)
  const csv = (await (await shop.server.get(`/api/builds/${source}/readings.csv`)).text()).split('\n')
  // As on another day: no ids, one unknown place, one letter for a figure, one gauge nobody has.
  const rows = csv
    .slice(1)
    .filter(Boolean)
    .map((row) => row.replace(/^[^,]*/, ''))
  rows[2] = rows[2]!.replace(',bores.bore,1,', ',bores.bore,9,')
  const deck = rows.findIndex((row) => row.startsWith(',compression.deck,'))
  rows[deck + 1] = rows[deck + 1]!.replace(/,0\.(\d)/, ',0.O$1')
  rows[deck + 9] = rows[deck + 9]!.replace(/"?Bridge and dial, 0\.01 mm"?/, 'laser')
  const good = rows.length - 3
  const id = await shop.bring({ ...demo(TERN), entries: [] })
  await visit(page, shop, `/builds/${id}/readings`)
  await page
    .getByLabel('CSV file')
    .setInputFiles({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from([csv[0], ...rows].join('\n')) })
  await expect(page.getByText(`${good} rows are good, 3 are not`)).toBeVisible()
  const bad = page.getByRole('table').getByRole('row')
  await expect(bad).toHaveCount(4)
  await expect(bad.nth(1)).toContainText('no place “bores.bore/c9')
  await expect(bad.nth(2)).toContainText('is not a number')
  await expect(bad.nth(3)).toContainText('No gauge “laser”')
  expect(readings(await shop.document(id))).toHaveLength(0)
  await page.getByRole('button', { name: `Store the ${good} good rows` }).click()
  await expect(page.getByText(`${good} readings stored. 3 rows were left out`)).toBeVisible()
  expect(readings(await shop.document(id))).toHaveLength(good)
})

test('the book prints what the bench found, and comes as PDF on A4 and Letter', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await page.goto(`${shop.server.address}/builds/${id}/book`)
  await expect(page.getByRole('region', { name: 'What stands out' }).getByRole('row', { name: /Ratio, cylinder 4/ })).toContainText(
    'under by 0.03',
  )
  await expect(page.getByRole('row', { name: /^Deck, front, mm/ })).toContainText(
    readings(await shop.document(id)).find(
      ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 3 && place.spot === 'front',
    )!.asTyped,
  )
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  for (const size of ['a4', 'letter']) {
    const response = await shop.server.get(`/api/builds/${id}/book.pdf?size=${size}`)
    const bytes = Buffer.from(await response.arrayBuffer())
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-')
    expect(bytes.toString('latin1')).toContain(size === 'a4' ? '[0 0 595.28 841.89]' : '[0 0 612 792]')
  }
})

test('paper and limits are edited, keep their source, and can be undone', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN))
  await visit(page, shop, `/builds/${id}/paper#paper.stroke`)
  await openOnPaper(page, 'Limits', 'Deck and compression')
  const stroke = page.getByRole('textbox', { name: 'Stroke, mm', exact: true })
  await stroke.fill('93.0')
  await stroke.press('Enter')
  await expect(page.getByText('Kept: Stroke')).toBeVisible()
  await stroke.fill('9300')
  await stroke.press('Enter')
  await expect(page.getByText('decimal point, or another unit?')).toBeVisible()
  await stroke.press('Escape')
  expect((await shop.document(id)).spec.paper.stroke).toMatchObject({ value: 93, source: 'owner’s sheet' })
  const upper = page.getByRole('textbox', { name: 'Compression ratio: to' })
  await upper.fill('9.05')
  await upper.press('Tab')
  await expect
    .poll(async () => (await shop.document(id)).spec.limits['compression.compressionRatio'])
    .toMatchObject({ lower: 8.9, upper: 9.05, source: 'tuner' })
  await page.getByRole('button', { name: 'Undo the last change' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.limits['compression.compressionRatio']!.upper).toBe(9.1)
  await page.getByRole('button', { name: 'Undo the last change' }).click()
  await expect.poll(async () => (await shop.document(id)).spec.paper.stroke!.value).toBe(92.8)
  await openOnPaper(page, 'Methods', 'Bores and pistons')
  await page.getByRole('radiogroup', { name: 'Bore in the sums', exact: true }).getByRole('radio', { name: 'From paper' }).focus()
  await page.keyboard.press('Space')
  await expect.poll(async () => (await shop.document(id)).spec.methods.bore).toBe('paper')
})

test('a change is stored on top of what others saved in between; a refused one vanishes alone, and says so until it is read', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  // It has not heard of the other yet.
  await page.route('**/news*', (route) => route.abort())
  await visit(page, shop, `/builds/${id}/paper#paper.stroke`)
  const { spec } = await shop.document(id)
  const { status } = await shop.server.post(`/api/builds/${id}/spec`, {
    basedOn: 1,
    by: 'AB',
    reason: 'fuel',
    spec: { ...spec, duty: { ...spec.duty, fuel: 'diesel' } },
  })
  expect(status).toBe(200)
  const stroke = page.getByRole('textbox', { name: 'Stroke, mm', exact: true })
  await stroke.fill('83')
  await stroke.press('Enter')
  await expect(page.getByText('on top of what somebody saved in between')).toBeVisible()
  await expect
    .poll(async () => (await shop.document(id)).spec)
    .toMatchObject({ duty: { fuel: 'diesel' }, paper: { stroke: { value: 83 } } })
  // Two edits on their way: the first is refused, the second stands.
  let first = true
  await page.route('**/spec', async (route) => {
    if (!first) return route.continue()
    first = false
    await route.fulfill({ status: 422, contentType: 'application/json', body: JSON.stringify({ error: 'Stroke cannot be that.' }) })
  })
  await stroke.fill('88')
  await stroke.press('Enter')
  const rod = page.getByRole('textbox', { name: 'Rod length, mm', exact: true })
  await rod.fill('151')
  await rod.press('Enter')
  await expect(page.locator('p[role=alert]')).toContainText('Stroke cannot be that.')
  await expect.poll(async () => (await shop.document(id)).spec.paper).toMatchObject({ stroke: { value: 83 }, rodLength: { value: 151 } })
  await expect(stroke).toHaveValue('83')
  await expect(rod).toHaveValue('151')
  // The one stored after it does not take the refusal away: whoever reads it does.
  await expect(page.getByText('Kept: Rod length.')).toBeVisible()
  await expect(page.locator('p[role=alert]')).toContainText('Stroke cannot be that. (Stroke)')
  await page.locator('p[role=alert]').getByRole('button', { name: 'Read' }).click()
  await expect(page.locator('p[role=alert]')).toHaveCount(0)
})

test('a copy of a build takes its paper along and none of its readings', async ({ page, shop }) => {
  const id = await shop.bring(demo(TERN, (document) => ({ ...document, spec: { ...document.spec, name: 'Original' } })))
  await visit(page, shop, '/new')
  await page.getByLabel('Copy of').selectOption({ label: 'Original' })
  await page.getByRole('button', { name: 'Start the copy' }).click()
  await expect(page.getByRole('textbox', { name: 'Name', exact: true }).first()).toHaveValue('Original, again')
  const copy = await shop.document(page.url().split('/').at(-2)!)
  expect(copy.id).not.toBe(id)
  expect(copy.entries).toEqual([])
  expect(copy.spec.paper).toEqual((await shop.document(id)).spec.paper)
})

test('a new gauge card serves new readings and leaves the old ones with theirs', async ({ page, shop }) => {
  await visit(page, shop, '/gauges')
  await page.getByRole('button', { name: 'New card for Burette, 0.1 cm³' }).click()
  await page.getByLabel('Reads too much by, cm³').fill('0.2')
  await page.getByRole('button', { name: 'Put in the drawer' }).click()
  await expect(page.getByRole('row', { name: /Burette/ })).toContainText('0.2 cm³')
  const id = await shop.bring(demo(TERN))
  expect(readings(await shop.document(id)).find(({ characteristic }) => characteristic === 'compression.chamberEnd')!.gauge).toBe(
    'burette.1',
  )
})

test('quick sums: typed in any unit, with uncertainty, and kept into a build as paper', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN, (document) => ({ ...document, spec: { ...document.spec, name: 'Keeper' } })))
  await visit(page, shop, '/sums/compression')
  for (const [label, text] of [
    ['Bore', '4.155in'],
    ['Stroke', '3.750in'],
    ['Chamber', '58.4±0.5cc'],
    ['Piston (dish +, dome −) (if known)', '-9.6'],
    ['Deck clearance (below +)', '0.0085in'],
    ['Gasket bore', '4.20in'],
    ['Gasket, compressed', '0.0395in'],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(text)
  await expect(page.getByRole('region', { name: 'Results' })).toContainText('14.97')
  await page.getByRole('button', { name: 'The sum' }).first().click()
  await expect(page.getByText('(swept + clearance) ÷ clearance')).toBeVisible()
  await page.getByLabel('Keep as paper of').selectOption({ label: 'Keeper' })
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Kept 5 numbers as paper of Keeper')).toBeVisible()
  expect((await shop.document(id)).spec.paper.bore).toMatchObject({
    value: expect.closeTo(105.537, 6),
    source: 'quick sum compression ratio',
  })
})

test('refusals are words, never a stack trace', async ({ shop }) => {
  const id = await shop.bring(demo(WREN))
  const { status: mixed, json: answer } = await shop.server.post<{ stored: unknown[]; refused: { error: string }[] }>(
    `/api/builds/${id}/entries`,
    { entries: [{ kind: 'reading' }] },
  )
  expect([mixed, answer.stored]).toEqual([200, []])
  expect(answer.refused[0]!.error).toMatch(/^Id: /)
  const cases: [string, unknown][] = [
    [`/api/builds/${id}/entries`, { entries: [{ kind: 'reading' }], whole: true }],
    [`/api/builds/${id}/entries`, {}],
    ['/api/builds/nope/entries', { entries: demo(TERN).entries.slice(0, 1) }],
    [`/api/builds/${id}/spec`, { basedOn: 1, by: 'KV', reason: 'x', spec: {} }],
    ['/api/gauges', { card: {} }],
    ['/api/gauges', { card: { ...DEFAULT_GAUGES[0]!, id: 'dial.7', unit: 'g' } }],
    ['/api/gauges', { card: { ...DEFAULT_GAUGES[0]!, id: 'dial.8', use: 'hygrometer' } }],
    ['/api/builds', { from: 'file', by: 'KV', document: 7, asCopy: false }],
  ]
  for (const [url, body] of cases) {
    const { status, json } = await shop.server.post<{ error: string }>(url, body)
    expect(status).toBeGreaterThanOrEqual(400)
    expect(status).toBeLessThan(500)
    expect(json.error).not.toMatch(/ at .*\.[jt]s|Error:/)
  }
  const broken = await fetch(`${shop.server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{"entries":[',
  })
  expect(
    (
      await fetch(`${shop.server.address}/api/builds/${id}/entries`, {
        method: 'POST',
        body: JSON.stringify({ entries: demo(TERN).entries }),
      })
    ).status,
  ).toBe(415)
  expect(broken.status).toBe(400)
  const stranger = await fetch(`${shop.server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'sec-fetch-site': 'cross-site' },
    body: JSON.stringify({ entries: demo(TERN).entries }),
  })
  expect(stranger.status).toBe(403)
})

test('pages carry their guards: headers, no scripts from elsewhere, no telemetry', async ({ page, shop }) => {
  const strangers: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(shop.server.address) && !request.url().startsWith('data:') && !request.url().startsWith('blob:'))
      strangers.push(request.url())
  })
  const id = await shop.bring(demo(TERN))
  const response = await page.goto(`${shop.server.address}/builds/${id}/compression`)
  const headers = response!.headers()
  expect(headers['content-security-policy']).toContain("default-src 'self'")
  expect(headers['x-content-type-options']).toBe('nosniff')
  expect(headers['x-frame-options']).toBe('DENY')
  await page.locator('[data-ready]').waitFor()
  expect(strangers).toEqual([])
})
