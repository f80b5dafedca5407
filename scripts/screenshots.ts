/** Takes the pictures of docs/screenshots again, from the demo shop. */
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import config from '../playwright.config'
import { TestServer } from '../tests/support/server'

/** Charts and advice come after the page. */
const SETTLE_MS = 1500
const FOLDER = path.join(import.meta.dirname, '../docs/screenshots')
const [tern, petrel] = DEMO_BUILDS.map((demo) => `/builds/${demo.id}`)

interface Picture {
  readonly name: string
  readonly url: string
  readonly theme?: 'dark'
  readonly system?: 'inch'
  readonly phone?: boolean
  readonly prepare?: (page: Page) => Promise<unknown>
}

const PICTURES: readonly Picture[] = [
  { name: 'board', url: '/' },
  {
    name: 'bench-light',
    url: `${tern}/compression`,
    prepare: async (page) => {
      await page.locator('[data-station="compression.deck/c3/rear"]').click()
      await page.keyboard.type('.11')
    },
  },
  { name: 'bench-dark-inch', url: `${petrel}/compression`, theme: 'dark', system: 'inch', prepare: (page) => page.keyboard.type('10') },
  {
    name: 'bench-phone',
    url: `${tern}/compression`,
    phone: true,
    prepare: async (page) => {
      await page.locator('[data-station="compression.deck/c3/rear"]').tap()
      await page.keyboard.type('.11')
    },
  },
  { name: 'bores', url: `${tern}/bores` },
  { name: 'bearings', url: `${petrel}/bearings` },
  { name: 'rings', url: `${tern}/rings`, prepare: (page) => page.locator('[data-station="rings.topGap/c2/top"]').click() },
  { name: 'rods', url: `${tern}/rods` },
  { name: 'clocking', url: `${tern}/clocking` },
  {
    name: 'sum',
    url: `${tern}/compression`,
    prepare: async (page) => {
      await page.locator('[data-finding="compression.compressionRatio.4"] button').click()
      await page.getByRole('button', { name: /Clearance volume/ }).click()
    },
  },
  {
    name: 'planner',
    url: `${tern}/compression`,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Plan gasket and cuts' }).click()
      await page.getByRole('dialog').getByRole('row').nth(1).waitFor()
    },
  },
  { name: 'front', url: tern! },
  { name: 'new', url: '/new' },
  { name: 'paper', url: `${tern}/paper` },
  { name: 'gauges', url: '/gauges' },
  {
    name: 'sums',
    url: '/sums/compression',
    system: 'inch',
    prepare: async (page) => {
      for (const [label, text] of [
        ['Bore', '4.030'],
        ['Stroke', '3.750'],
        ['Chamber', '64 ± 0.5'],
        ['Piston (dish +, dome −) (if known)', '7'],
        ['Deck clearance (below +)', '.015'],
        ['Gasket bore', '4.06'],
        ['Gasket, compressed', '.040'],
      ] as const)
        await page.getByLabel(label, { exact: true }).fill(text)
    },
  },
  { name: 'book', url: `${tern}/book` },
  {
    name: 'csv',
    url: `${tern}/readings`,
    prepare: (page) =>
      page
        .getByLabel('CSV file')
        .setInputFiles({
          name: 'readings.csv',
          mimeType: 'text/csv',
          buffer: Buffer.from(
            [
              'characteristic,cylinder,spot,value,unit,gauge,at,by',
              'deck,1,front,0.05,mm,dial-metric.1,2026-03-01T10:00:00Z,KV',
              'deck,9,front,0.05,mm,dial-metric.1,2026-03-01T10:01:00Z,KV',
              'deck,2,front,0.O5,mm,dial-metric.1,2026-03-01T10:02:00Z,KV',
              'deck,3,front,0.05,mm,laser,2026-03-01T10:03:00Z,KV',
            ].join('\n'),
          ),
        }),
  },
]

const server = await TestServer.start()
const browser = await chromium.launch(config.use!.launchOptions)
try {
  for (const demo of DEMO_BUILDS.toReversed())
    await server.post('/api/builds', { from: 'file', by: 'KV', document: demoDocument(demo, new Date()), asCopy: false })
  for (const picture of PICTURES) {
    const context = await browser.newContext({
      viewport: picture.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
      hasTouch: picture.phone ?? false,
      serviceWorkers: 'block',
    })
    const cookie = (name: string, value: string) => ({ name: `kalibros-${name}`, value, url: server.address })
    await context.addCookies([
      cookie('theme', picture.theme ?? 'light'),
      cookie('initials', 'KV'),
      ...(picture.system ? [cookie('system', picture.system)] : []),
    ])
    const page = await context.newPage()
    await page.goto(server.address + picture.url)
    await page.locator('[data-hydrated]').waitFor()
    await picture.prepare?.(page)
    await page.waitForTimeout(SETTLE_MS)
    await page.screenshot({ path: path.join(FOLDER, `${picture.name}.png`) })
    await context.close()
    console.log(picture.name)
  }
} finally {
  await browser.close()
  await server.stop()
}
