/** Takes the pictures of docs/screenshots again, from the demo shop. */
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { withDemoWalk } from '@/demo/walks'
import config from '../playwright.config'
import { TestServer } from '../tests/support/server'

/** Charts and advice come after the page. */
const SETTLE_MS = 1500
/** Longer than a pedal bounces. */
const BETWEEN_PULLS_MS = 450
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
  { name: 'rings', url: `${tern}/rings`, prepare: (page) => page.locator('[data-station="rings.topGap/c2/top"]').click() },
  { name: 'cam', url: `${tern}/cam` },
  { name: 'bolts', url: `${tern}/fasteners` },
  { name: 'joint', url: `${petrel}/joints/head-left` },
  {
    name: 'torque-run',
    url: `${petrel}/joints/head-left/run`,
    prepare: async (page) => {
      await page.keyboard.press('Enter')
      for (let pulls = 0; pulls < 22; pulls++) {
        await page.locator('[data-state="here"]').waitFor()
        await page.keyboard.press('Enter')
        await page.waitForTimeout(BETWEEN_PULLS_MS)
      }
    },
  },
  { name: 'clearance', url: `${tern}/clearance` },
  {
    name: 'what-if',
    url: `${tern}/what-if`,
    prepare: async (page) => {
      for (const [knob, presses] of [
        ['Gasket', 1],
        ['Head cut', 3],
      ] as const) {
        await page.getByRole('slider', { name: knob, exact: true }).focus()
        for (let press = 0; press < presses; press++) await page.keyboard.press('ArrowRight')
      }
      await page.getByRole('button', { name: 'Keep beside' }).click()
      await page.getByRole('slider', { name: 'Gasket', exact: true }).focus()
      await page.keyboard.press('ArrowLeft')
      await page.getByRole('img', { name: /^What a step of each knob does/ }).waitFor()
    },
  },
  { name: 'walk', url: `${tern}/walk?at=intake.on` },
  { name: 'parts', url: `${petrel}/parts` },
  { name: 'schedule', url: '/schedule' },
  { name: 'front', url: tern! },
  { name: 'paper', url: `${tern}/paper#paper.stroke` },
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
]

const TODAY = new Date()
const server = await TestServer.start()
const browser = await chromium.launch(config.use!.launchOptions)
try {
  for (const demo of DEMO_BUILDS.toReversed())
    await server.post('/api/builds', { from: 'file', by: 'KV', document: withDemoWalk(demoDocument(demo, TODAY), TODAY), asCopy: false })
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
