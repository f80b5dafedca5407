import type { Page } from '@playwright/test'
import { demo, expect, PETREL, test } from '../support/shop'

const LONG = 'a two-part anaerobic gasket maker for oil pans and front covers on both banks, second coat, in the cold shop'
const SHOP_PAGES = ['/', '/today', '/sums', '/gauges', '/bolts', '/parts', '/schedule', '/new']
const BENCHES = ['/compression', '/bores', '/bearings', '/rings', '/rods', '/fasteners', '/cam', '/clearance']
const BUILD_PAGES = ['', '/job', '/paper', ...BENCHES, '/walk', '/what-if', '/book', '/parts', '/readings', '/clocking', '/joints'].concat([
  '/joints/head-left',
  '/joints/head-left/run',
])

/** One clock, under the longest names anybody would give. */
async function withLongClock(page: Page): Promise<void> {
  const clock = {
    id: 'long',
    href: '/',
    build: 'Petrel, the restored hydroplane of the lake club, second engine',
    running: `Nothing wet at Cylinder head, left bank: ${LONG} cures for`,
    due: `${LONG} has cured: Cylinder head, left bank may get wet`,
    dueAt: new Date(Date.now() + 30 * 3_600_000).toISOString(),
    isOverWhenDue: false,
  }
  await page.route('**/api/clocks', (route) => route.fulfill({ json: { nowMs: Date.now(), clocks: [clock] } }))
}

/** What stands outside the window, unless it is in a part that scrolls by itself. */
const outside = (page: Page) =>
  page.evaluate(() => {
    const scrolls = (element: Element | null): boolean =>
      element !== null && (['auto', 'scroll'].includes(getComputedStyle(element).overflowX) || scrolls(element.parentElement))
    const wide = [...document.querySelectorAll('button, input, a, select, td, th, h1, h2, p, li, time')].filter((element) => {
      const { left, right, width, height } = element.getBoundingClientRect()
      const { clipPath, visibility } = getComputedStyle(element)
      const isSeen = width > 0 && height > 0 && clipPath === 'none' && visibility === 'visible'
      return isSeen && (right > innerWidth + 1 || left < -1) && !scrolls(element)
    })
    return [
      ...(document.documentElement.scrollWidth > innerWidth ? [`the page is ${document.documentElement.scrollWidth} wide`] : []),
      ...wide.map((element) => `${element.tagName} ${element.textContent?.slice(0, 30)}`),
    ]
  })

const WIDTHS = [390, 768, 1024, 1280]

test('nothing is wider than its window on any page, whatever the clock is called', async ({ page, shop }) => {
  test.slow()
  const id = await shop.bring(demo(PETREL))
  await withLongClock(page)
  const left = page.getByRole('group', { name: 'Clocks of the shop' }).locator('time')
  for (const url of [...SHOP_PAGES, ...BUILD_PAGES.map((one) => `/builds/${id}${one}`)]) {
    await page.goto(`${shop.server.address}${url}`)
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 800 })
      await expect(left, `${url} at ${width}`).toBeInViewport({ ratio: 1 })
      await expect(left, url).toHaveText(/^\d/)
      expect(await outside(page), `${url} at ${width}`).toEqual([])
    }
  }
})
