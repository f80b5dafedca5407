import type { Page } from '@playwright/test'
import { demo, expect, PETREL, test, WREN, typeEntries } from '../support/shop'

/** What stands round a cam at the bench: how its wheel is marked, how it was turned, every lobe, its drive, and out of step. */
async function openCams(page: Page, address: string, id: string): Promise<void> {
  await page.goto(`${address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
}

test('a wheel of four quarters is read as it shows; what was read turning back is marked until it is read again', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  await openCams(page, shop.server.address, id)
  await page.getByRole('button', { name: 'How it is read' }).click()
  await page.getByRole('radiogroup', { name: 'Wheel is marked' }).getByText('0–90–0–90').click()
  await page.getByRole('radiogroup', { name: 'Trued by moving' }).getByText('The wheel', { exact: true }).click()
  await page.keyboard.press('Escape')
  await page
    .getByRole('button', { name: /^TDC, stop before the top,/ })
    .or(page.getByRole('button', { name: 'TDC, stop before the top' }))
    .first()
    .click()
  // 24 before and 26 after; the intake closes at 37 after the bottom, the exhaust opens at 32.5 before it.
  await typeEntries(page, ['24', '26', '24', '26', '2.5 atdc', '37', '32.5', '2.5 atdc back'])
  const values = async () =>
    (await shop.document(id)).entries.flatMap((entry) => (entry.kind === 'reading' ? [[entry.value, entry.turnedBack ?? false]] : []))
  await expect.poll(values).toEqual([
    [-24, false],
    [26, false],
    [-24, false],
    [26, false],
    [2.5, false],
    [217, false],
    [-212.5, false],
    [2.5, true],
  ])
  const ledger = page.getByLabel('What it means')
  await expect(ledger).toContainText('turn the wheel on the crank 1° against the running direction: both sides then read 25°.')
  await expect(ledger).toContainText('1 reading was taken turning back')
  await expect(page.getByRole('button', { name: /^Exhaust cam, closes/ })).toContainText('←')
  // Turned round and come to again in the running direction.
  await page.getByRole('button', { name: /^Exhaust cam, closes/ }).click()
  await typeEntries(page, ['2.5 atdc'])
  await expect(ledger).not.toContainText('turning back')
})

test('the lobes of a V8 are read one by one on a wheel left at number one, and one that is late is named', async ({ page, shop }) => {
  const document = demo(PETREL, (one) => ({
    ...one,
    spec: { ...one.spec, methods: { ...one.spec.methods, camEvents: false, camLobes: true } },
    entries: one.entries.filter((entry) => !('characteristic' in entry) || !entry.characteristic.startsWith('cam.')),
  }))
  const id = await shop.bring(document)
  await openCams(page, shop.server.address, id)
  await typeEntries(page, ['335', '25', '335', '25'])
  // By its phase in 1-8-4-3-6-5-7-2, about a centreline of 106; cylinder 5 stands four degrees late.
  const phases = [0, 630, 270, 180, 450, 360, 540, 90]
  for (const [index, phase] of phases.entries()) {
    const centre = 106 + phase + (index === 4 ? 4 : 0)
    await typeEntries(page, [String((centre - 40) % 360), String((centre + 40) % 360), '.4'])
  }
  const ledger = page.getByLabel('What it means')
  await expect(ledger).toContainText('Spread of the centrelines, intake cam')
  await expect(ledger).toContainText(/Valve intake 5 alone stands 4(\.0)?° later than all others/)
  await expect(page.getByRole('img', { name: /^Intake cam, .*in 5 3\.5°/ })).toBeVisible()
})

test('a drive is written down wheel by wheel; out of step, a way back to the marks is drawn that touches nowhere', async ({
  page,
  shop,
}) => {
  const id = await shop.bring(demo(WREN))
  await openCams(page, shop.server.address, id)
  await page.getByRole('button', { name: 'The drive' }).click()
  await page.getByRole('radiogroup', { name: 'Turned back' }).getByText('Never').click()
  // The blade on the pulled strand is refused, and nothing can be kept.
  await page.getByRole('button', { name: 'Wheel 3, one earlier' }).click()
  await page.getByRole('button', { name: 'Wheel 4, one earlier' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'pulled strand' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep the drive' })).toBeDisabled()
  await page.getByRole('button', { name: 'Wheel 4, take out' }).click()
  await page.getByRole('button', { name: 'Keep the drive' }).click()
  await expect
    .poll(async () => (await shop.document(id)).spec.drive)
    .toMatchObject({ kind: 'chain', neverBack: true, wheels: [{ what: 'crank' }, { cam: 'intake' }, { cam: 'exhaust' }] })
  await page.getByRole('button', { name: 'Out of step' }).click()
  await page.getByLabel('Crank now, °').fill('5')
  await page.getByLabel('Shaft now, °').fill('abc')
  await expect(page.getByRole('alert').filter({ hasText: 'The shaft: ' })).toBeVisible()
  await page.getByLabel('Shaft now, °').fill('108')
  await expect(page.getByRole('alert').filter({ hasText: 'where does it stand? An angle, or “out”.' })).toBeVisible()
  await page.getByLabel(/^Exhaust.* now, °/).fill('out')
  await page.getByRole('button', { name: /^Map it/ }).click()
  await expect(page.getByText('turn nothing')).toBeVisible()
  await page.getByLabel('Crank now, °').fill('180')
  await page.getByRole('button', { name: 'Draw again' }).click()
  const steps = page.getByRole('dialog').getByRole('listitem')
  await expect(steps.first()).toContainText(/^Turn the (crank|shaft) \d+° .*Least gap on the way \d+\.\d mm\.$/)
  await expect(steps.last()).toContainText(/at 0°/)
  await expect(page.getByRole('dialog')).toContainText('by a lobe made of the card, not a measured one')
})
