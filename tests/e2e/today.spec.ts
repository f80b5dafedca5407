import { v7 as uuidV7 } from 'uuid'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { withDemoWalk } from '@/demo/walks'
import { demo, expect, PETREL, test, TERN, visit } from '../support/shop'

test('today’s list goes over all engines: what is left open first, what can be done, what is stale, each leading there', async ({
  page,
  ownShop,
}) => {
  const now = new Date()
  const tern = await ownShop.bring(withDemoWalk(demoDocument(DEMO_BUILDS[TERN]!, now), now))
  const run = uuidV7()
  await ownShop.bring(
    demo(PETREL, (document) => ({
      ...document,
      entries: [
        ...document.entries,
        { kind: 'pull', id: run, at: now.toISOString(), by: 'AB', joint: 'head-left', run, did: 'begin', way: 'tighten', device: 'd' },
      ],
    })),
  )
  await visit(page, ownShop, '/')
  await page.getByRole('link', { name: 'Today' }).click()
  await expect(page.getByText(/^A joint is left open: .+ of Petrel\. Finished, or tagged “torque not done”/)).toBeVisible()
  const five = page.getByRole('region', { name: 'Tern' })
  await expect(five.getByLabel('Clocks')).toContainText(/Washed iron rusts in 3\d:\d\d/)
  await expect(five.getByLabel('Stale: again, or confirmed with a reason')).toContainText(
    'Valve drop at TDC read another gasket “1.10 in place of 1.00” (KV)',
  )
  await expect(five).toContainText('In it for a while: Light springs.')
  const eight = page.getByRole('region', { name: 'Petrel' })
  await expect(eight.getByLabel('Joints left open')).toContainText('left open: tighten, 0 of 51 pulls')
  await expect(eight.getByLabel('To do').getByRole('listitem')).toHaveCount(5)
  await five.getByRole('link', { name: 'Valve drop at TDC read' }).click()
  await page.locator('[data-ready]').waitFor()
  expect(new URL(page.url()).pathname).toBe(`/builds/${tern}/walk`)
  await expect(page.locator('[data-step="read.clearance.drop"]')).toHaveAttribute('aria-current', 'step')
})

test('a clock in the bar leads to its step, also from another step of the same walk', async ({ page, ownShop }) => {
  const now = new Date()
  const tern = await ownShop.bring(withDemoWalk(demoDocument(DEMO_BUILDS[TERN]!, now), now))
  await page.goto(`${ownShop.server.address}/builds/${tern}/walk?at=read.clearance.drop`)
  await page.locator('[data-ready]').waitFor()
  await expect(page.locator('[data-step="read.clearance.drop"]')).toHaveAttribute('aria-current', 'step')
  await page.getByRole('group', { name: 'Clocks of the shop' }).getByRole('link').first().click()
  await expect(page.locator('[data-step="clean.oiled"]')).toHaveAttribute('aria-current', 'step')
  await expect(page.locator('[data-step="clean.oiled"]')).toContainText('Stale: washed since')
})
