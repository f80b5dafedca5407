import { demo, test } from '../support/shop'
test('shot', async ({ page, shop }) => {
  const id = await shop.bring(demo(0))
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${shop.server.address}/builds/${id}/cam`)
  await page.locator('[data-ready]').waitFor()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/a.png' })
  await page.setViewportSize({ width: 390, height: 844 })
  await page.waitForTimeout(500)
  await page.screenshot({ path: '/tmp/b.png' })
})
