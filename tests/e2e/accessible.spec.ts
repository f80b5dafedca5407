import { expectAccessible } from '../support/axe'
import { demo, demoRead, finding, openBench, TERN, test, WREN } from '../support/shop'

/** Every kind of what is read, but not the four hundred lifts of its curves: axe looks at each cell. */
const withoutCurves = () =>
  demo(TERN, (one) => ({
    ...one,
    entries: one.entries.filter((entry) => !('characteristic' in entry) || entry.characteristic !== 'cam.lift'),
  }))

test.describe('axe finds nothing, by day and by night', () => {
  test('on any page', async ({ page, shop }) => {
    await shop.bring(withoutCurves())
    // Of one cylinder a page shows all that it shows of five, in a fifth of the cells.
    const id = await shop.bring(demoRead(WREN))
    for (const url of [
      '/',
      '/new',
      '/gauges',
      '/sums',
      '/sums/conformity',
      '/sums/gaugestudy',
      '/bolts',
      '/today',
      `/builds/${id}`,
      `/builds/${id}/paper#limit.rings.topGap`,
      `/builds/${id}/book`,
      `/builds/${id}/readings`,
      `/builds/${id}/clocking`,
      `/builds/${id}/joints`,
      `/builds/${id}/joints/head`,
      `/builds/${id}/joints/head/run`,
      '/nowhere',
    ]) {
      await page.goto(shop.server.address + url)
      await page.locator(url === '/nowhere' ? 'main' : '[data-hydrated]').waitFor()
      await expectAccessible(page, url)
    }
  })

  test('at any bench, fresh or full, with its panels, on a phone', async ({ page, shop }) => {
    const id = await shop.bring(withoutCurves())
    const fresh = await shop.bring(demo(WREN))
    const full = await shop.bring(demoRead(WREN))
    for (const [build, bench] of [
      [full, 'bores'],
      [id, 'bearings'],
      [full, 'rings'],
      [full, 'rods'],
      [fresh, 'cam'],
      [full, 'clearance'],
      [fresh, 'compression'],
      [id, 'compression'],
    ] as const) {
      await openBench(page, shop, build, bench)
      await expectAccessible(page, bench)
    }
    await finding(page, 'compression.compressionRatio.4').getByRole('button').click()
    await page.getByRole('dialog').waitFor()
    await expectAccessible(page, 'sum')
    await page.keyboard.press('Escape')
    await page.setViewportSize({ width: 390, height: 844 })
    await expectAccessible(page, 'bench on a phone')
    await page.setViewportSize({ width: 1280, height: 800 })
    await openBench(page, shop, fresh, 'cam')
    await page.getByRole('button', { name: 'The drive' }).click()
    await page.getByRole('dialog').waitFor()
    await expectAccessible(page, 'drive')
  })
})
