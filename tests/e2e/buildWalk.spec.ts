import type { Page } from '@playwright/test'
import { expectAccessible } from '../support/axe'
import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, StepEntry } from '@/core/document'
import { KNOWN_PERSON } from '../support/person'
import { demo, demoRead, expect, PETREL, TERN, test, WREN, type Shop } from '../support/shop'

/** The walk of a build: gone by keys, held and waived, made stale and cleared, by two devices at once, with the server gone. */
async function openWalk(page: Page, shop: Shop, document: BuildDocument): Promise<string> {
  const id = await shop.bring(document)
  await page.goto(`${shop.server.address}/builds/${id}/walk`)
  await page.locator('[data-ready]').waitFor()
  return id
}

const step = (page: Page, id: string) => page.locator(`[data-step="${id}"]`)
const stepEntries = async (shop: Shop, id: string) =>
  (await shop.document(id)).entries.filter((entry): entry is StepEntry => entry.kind === 'step')

const onSheet = (value: number) => ({ value, unit: 'mm', source: 'its maker’s sheet' }) as const

/** The single with every place read and nothing out, all looks passed over. */
const wrenRead = (): BuildDocument =>
  demoRead(
    WREN,
    (read) => ({
      ...read,
      spec: {
        ...read.spec,
        limits: { ...read.spec.limits, 'clearance.exhaust': { lower: 1.2, source: 'test', reason: 'proved', by: 'KV' } },
        // Heads so far apart that valves of both cams never meet.
        paper: { ...read.spec.paper, valvesApart: onSheet(60), intakeMargin: onSheet(1), exhaustMargin: onSheet(1) },
      },
    }),
    {},
  )

/** Does what a step wants by keys alone: its answer, its reason, its second person. */
async function goOn(page: Page): Promise<string | undefined> {
  const current = page.locator('[aria-current="step"][data-step]')
  const [id, is] = [await current.getAttribute('data-step'), await current.getAttribute('data-is')]
  // Its gasket is not a sprayed one: it would have to stand for ten minutes.
  if (id === 'heads.spray') return undefined
  if (id === null || is === 'done' || is === 'leftOut' || is === 'held') return undefined
  if (/^(?:pull|look|read)\./.test(id)) {
    await page.keyboard.press('l')
    await page.keyboard.type('seen to elsewhere')
    await page.getByRole('button', { name: 'Leave it out' }).focus()
    await page.keyboard.press('Enter')
    return id
  }
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog')
  if (/^(?:heads\.gasket|final\.(?:pistons|mainCaps|rodCaps))/.test(id)) {
    await dialog
      .getByRole('radio', { name: /to the front/i })
      .first()
      .focus()
    await page.keyboard.press('Space')
  }
  if (/^(?:heads\.(?:gasket|twoTurns|on)|final\.|fire\.|dyno\.|clear\.declared)/.test(id) && (await dialog.isVisible())) {
    await dialog.getByRole('button', { name: 'Done', exact: true }).focus()
    await page.keyboard.press('Enter')
  }
  return id
}

test('the whole walk of the single is gone by keyboard, in its own order, to the hand-over', async ({ page, shop }) => {
  const id = await openWalk(page, shop, wrenRead())
  const gone: string[] = []
  const current = page.locator('[aria-current="step"][data-step]')
  for (let count = 0; count < 120; count++) {
    const done = await goOn(page)
    if (done) {
      gone.push(done)
      await expect(current).not.toHaveAttribute('data-step', done)
    } else {
      // A hold is lifted by the server, once it has what was done a moment ago.
      if ((await current.getAttribute('data-is')) === 'held') await expect(current).not.toHaveAttribute('data-is', 'held')
      else await page.keyboard.press('ArrowDown')
    }
    if (gone.includes('dyno.handOver')) break
  }
  expect(gone).toEqual(
    expect.arrayContaining(['final.crank', 'heads.gasket', 'heads.on', 'heads.camsIn', 'heads.twoTurns', 'fire.first', 'dyno.handOver']),
  )
  for (const [before, after] of [
    ['heads.gasket', 'heads.on'],
    ['heads.park', 'heads.camsIn'],
    ['clear.springsOut', 'heads.twoTurns'],
    ['heads.twoTurns', 'fire.starter'],
    ['prime.oilAtTop', 'fire.first'],
  ] as const)
    expect(gone.indexOf(before), `${before} before ${after}`).toBeLessThan(gone.indexOf(after))
  await expect
    .poll(async () => (await stepEntries(shop, id)).find(({ step: name }) => name === 'heads.gasket')?.answer)
    .toMatch(/^Front to the front/)
})

test('a held step says what it waits for, is waived with a reason, and stands in the book', async ({ page, shop }) => {
  const id = await openWalk(page, shop, demo(PETREL))
  await page.getByRole('button', { name: /^Heads and cams/ }).click()
  await step(page, 'heads.on.left').click()
  await expect(step(page, 'heads.on.left')).toContainText(
    'Held. Waits for the oil pump drive in, gasket and dowels in and studs counted by length.',
  )
  await expect(page.getByRole('button', { name: /^Done/ })).toBeDisabled()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Head on, left bank is held.')).toBeVisible()
  await page.keyboard.press('w')
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Why' }).fill('tried on for the pushrods, comes off again')
  await dialog.getByRole('textbox', { name: /second person/ }).fill('kv')
  await expect(dialog.getByText('That is you: a second person is somebody else.')).toBeVisible()
  await dialog.getByRole('textbox', { name: /second person/ }).fill('AB')
  await dialog.getByRole('button', { name: 'Go on all the same' }).click()
  await expect(step(page, 'heads.on.left')).toContainText('Waived by KV and AB')
  await page.keyboard.press('Enter')
  await expect(step(page, 'heads.on.left')).toHaveAttribute('data-is', 'done')
  await page.goto(`${shop.server.address}/builds/${id}/book`)
  await expect(page.getByText(/Head on, left bank: gone on without what it waits for, tried on for the pushrods.*\(KV, AB\)/)).toBeVisible()
})

test('a held step is not recorded by a page that does not know of it, nor by none', async ({ shop }) => {
  const id = await shop.bring(demo(PETREL))
  const said = (did: string, more: object = {}) => ({
    kind: 'step',
    id: uuidV7(),
    at: new Date().toISOString(),
    by: 'KV',
    step: 'heads.on.left',
    did,
    ...more,
  })
  const send = (...entries: object[]) =>
    shop.server.post<{ stored: string[]; refused: { error: string; mayPass?: boolean }[] }>(`/api/builds/${id}/entries`, { entries })
  const alone = await send(said('done'))
  expect(alone.json.stored).toEqual([])
  expect(alone.json.refused).toMatchObject([
    { error: expect.stringMatching(/^Head on, left bank is held\. Waits for the oil pump drive in/), mayPass: true },
  ])
  expect(await stepEntries(shop, id)).toEqual([])
  const waived = await send(said('waived', { reason: 'tried on' }), said('done'))
  expect([waived.json.stored.length, waived.json.refused]).toEqual([2, []])
})

test('which way a gasket lies is answered, not ticked: a wrong answer goes no further', async ({ page, shop }) => {
  const id = await openWalk(page, shop, demo(TERN))
  await page.getByRole('button', { name: /^Heads and cams/ }).click()
  await step(page, 'heads.gasket').click()
  await page.keyboard.press('w')
  await page.getByRole('textbox', { name: 'Why' }).fill('test')
  await page.getByRole('button', { name: 'Go on all the same' }).click()
  await expect(step(page, 'heads.gasket')).toHaveAttribute('data-is', 'open')
  await page.keyboard.press('Enter')
  const done = page.getByRole('dialog').getByRole('button', { name: 'Done', exact: true })
  await expect(done).toBeDisabled()
  await page.getByText('Front to the rear, holes to the front').click()
  await expect(page.getByText('Then it lies wrong: turn it, look again, and answer again.')).toBeVisible()
  await expect(done).toBeDisabled()
  await page.getByText('Front to the front, holes to the rear').click()
  await done.click()
  await expect
    .poll(async () => (await stepEntries(shop, id)).map(({ did, answer }) => [did, answer]))
    .toEqual([
      ['waived', undefined],
      ['done', 'Front to the front, holes to the rear'],
    ])
})

test('a change makes what rests on it stale; it is confirmed with a reason, and the change taken back', async ({ page, shop }) => {
  const id = await openWalk(page, shop, demo(TERN))
  await page.getByRole('button', { name: 'Something was changed…' }).click()
  await page.getByText('Bores honed again').click()
  await page.getByRole('textbox', { name: 'What was done, in a few words' }).fill('two strokes more in 3')
  await page.getByRole('button', { name: 'Put on record' }).click()
  const stale = page.getByLabel('Stale', { exact: true })
  await expect(stale.getByRole('button')).toHaveCount(5)
  await stale.getByRole('button').first().click()
  await expect(step(page, 'read.bores.bore')).toContainText('Stale: bores honed again “two strokes more in 3” (KV).')
  await page.keyboard.press('c')
  await page.getByRole('textbox', { name: 'Why' }).fill('3 was read again by hand, the rest untouched')
  await page.getByRole('button', { name: 'Still true', exact: true }).click()
  await expect(stale.getByRole('button')).toHaveCount(4)
  await page.keyboard.press('z')
  await expect(page.getByText(/Take back “.*still true”\? The same key once more does it\./)).toBeVisible()
  await page.keyboard.press('z')
  await expect(stale.getByRole('button')).toHaveCount(5)
  await page.keyboard.press('z')
  await expect(page.getByText('Take back that two strokes more in 3 was changed?')).toBeVisible()
  await page.keyboard.press('z')
  await expect(stale.getByText('Nothing.')).toBeVisible()
  expect((await shop.document(id)).entries.slice(-4).map(({ kind }) => kind)).toEqual(['change', 'step', 'undo', 'undo'])
})

test('a step of one’s own is added, moved before another and done; on paper the whole walk is a checklist', async ({ page, shop }) => {
  const id = await openWalk(page, shop, demo(WREN))
  await page.getByRole('button', { name: 'Add a step…' }).click()
  await page.getByRole('textbox', { name: 'What is done' }).fill('Tag on the stand')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(step(page, 'own.1')).toContainText('Tag on the stand')
  await step(page, 'own.1').click()
  await page.keyboard.press('e')
  await expect.poll(async () => (await shop.document(id)).spec.walk?.order?.slice(0, 3)).toEqual(['job.agreed', 'own.1', 'job.paper'])
  await expect(page.locator('[data-step]').nth(1)).toHaveAttribute('data-step', 'own.1')
  await page.keyboard.press('Enter')
  await expect(step(page, 'own.1')).toHaveAttribute('data-is', 'done')
  await page.emulateMedia({ media: 'print' })
  const sheet = page.getByRole('article')
  await expect(sheet.getByRole('listitem')).toHaveCount(85)
  await expect(sheet).toContainText('Two lift it, or the hoist does.')
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Tag on the stand' })).toContainText('✓')
  await expect(page.getByRole('button', { name: 'Add a step…' })).toBeHidden()
})

test('two devices go one walk: what one does the other sees, and a step done twice is done', async ({ page, shop, browser }) => {
  const id = await openWalk(page, shop, demo(WREN))
  const context = await browser.newContext()
  await context.addCookies([{ ...KNOWN_PERSON, value: 'AB' }])
  const other = await context.newPage()
  await other.goto(`${shop.server.address}/builds/${id}/walk`)
  await other.locator('[data-ready]').waitFor()
  await page.keyboard.press('Enter')
  await expect(step(other, 'job.agreed')).toHaveAttribute('data-is', 'done')
  await expect(step(other, 'job.agreed')).toContainText('KV')
  await Promise.all([step(page, 'job.paper').click(), step(other, 'job.paper').click()])
  await Promise.all([page.keyboard.press('Enter'), other.keyboard.press('Enter')])
  await Promise.all([page, other].map((device) => device.getByRole('button', { name: /^The job/ }).click()))
  await expect(step(page, 'job.paper')).toHaveAttribute('data-is', 'done')
  await expect(step(other, 'job.paper')).toHaveAttribute('data-is', 'done')
  await expect.poll(async () => (await stepEntries(shop, id)).filter(({ step: name }) => name === 'job.paper').length).toBe(2)
  await context.close()
})

test('a step done while the server is gone is kept, and sent when it is back', async ({ page, shop }) => {
  const id = await openWalk(page, shop, demo(WREN))
  await shop.server.kill()
  await page.keyboard.press('Enter')
  await expect(step(page, 'job.agreed')).toHaveAttribute('data-is', 'done')
  await shop.server.up()
  await expect.poll(async () => (await stepEntries(shop, id)).map(({ step: name }) => name)).toEqual(['job.agreed'])
})

test('temporary parts are counted in and out; axe finds nothing, on a phone neither', async ({ page, shop }) => {
  await openWalk(page, shop, demo(TERN))
  await page.getByRole('button', { name: 'Rags put in' }).click()
  await expect(page.getByLabel('In the engine for a while')).toContainText('Rags')
  await page.getByRole('button', { name: 'Out again' }).click()
  await expect(page.getByText('Nothing that has to come out again.')).toBeVisible()
  await expectAccessible(page, 'the walk')
  await page.setViewportSize({ width: 390, height: 844 })
  await expectAccessible(page, 'on a phone')
})
