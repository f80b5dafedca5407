import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { withDemoWalk } from '@/demo/walks'
import { expectAccessible } from '../support/axe'
import { expect, TERN, test, visit } from '../support/shop'

/** When engines are ready: over the people there are, what has no slack, what slipped, out as a calendar. */
test('the plan of the shop says who is ready when, follows the people there are, and is a calendar', async ({ page, ownShop: shop }) => {
  const now = new Date()
  const builds = DEMO_BUILDS.map((engine) => withDemoWalk(demoDocument(engine, now), now))
  for (const build of builds) await shop.bring(build)
  await page.goto(`${shop.server.address}/`)
  await page.getByRole('link', { name: 'Schedule' }).click()
  await page.locator('[data-ready]').waitFor()
  const tern = page.getByRole('region', { name: 'Tern' })
  await expect(tern).toContainText(/Ready \w{3} \d+ \w{3}.*Hill climb/)
  await expect(tern).toContainText('2 days late')
  await expect(page.getByRole('region', { name: 'Petrel' })).toContainText('Nobody has promised Cam, Distributor')
  await expect(page.getByText('It is a rule, not an optimum')).toBeVisible()
  await expect(tern.getByRole('list', { name: /No slack/ }).getByRole('listitem')).toHaveCount(5)
  await expectAccessible(page, 'schedule')

  const readyOf = async (name: string) =>
    (await page
      .getByRole('region', { name })
      .getByText(/^Ready /)
      .textContent())!
  const alone = await readyOf('Wren')
  const form = page.getByRole('form', { name: 'People, stands, hours' })
  await form.getByLabel('People').fill('many')
  await form.getByRole('button', { name: 'Plan with these' }).click()
  await expect(form.getByText('is a whole number, one at the least')).toBeVisible()
  await expect(form.getByLabel('People')).toBeFocused()
  await form.getByLabel('People').fill('3')
  await form.getByLabel('Stands').fill('3')
  await form.getByRole('button', { name: 'Plan with these' }).click()
  await expect.poll(() => readyOf('Wren')).not.toBe(alone)

  const calendar = await (await shop.server.get(`/api/schedule.ics?build=${builds[TERN]!.id}`)).text()
  expect(calendar).toMatch(/SUMMARY:Tern: Heads and cams/)
  expect(calendar).toContain('SUMMARY:Tern: Hill climb')
  expect(calendar).not.toContain('Petrel')

  await tern.getByRole('link', { name: 'Tern' }).click()
  await page.locator('[data-ready]').waitFor()
  const side = page.getByRole('region', { name: 'To the date' })
  await expect(side).toContainText(/Ready .* Hill climb/)
  await expect(side.getByRole('img', { name: /^Tern over days: / })).toBeVisible()
})

test('a phone shows the schedule under each other', async ({ page, ownShop: shop }) => {
  const now = new Date()
  await shop.bring(withDemoWalk(demoDocument(DEMO_BUILDS[TERN]!, now), now))
  await page.setViewportSize({ width: 390, height: 844 })
  await visit(page, shop, '/schedule')
  await expect(page.getByRole('region', { name: 'Tern' })).toContainText('Ready')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
