/** Figures of the page, in Chromium. */
import { gzipSync } from 'node:zlib'
import { chromium, type Browser, type Page } from '@playwright/test'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { KNOWN_PERSON } from '../tests/support/person'
import { TestServer } from '../tests/support/server'
import config from '../playwright.config'
import { percentile, type Report } from './report'
import { sixteen } from './sixteen'

const ENTRIES = 60
/** Nobody reads a gauge and types faster than this; the chart is drawn in the pause. */
const BETWEEN_READINGS_MS = 300
/** A run of the demo's head, each pull later than a pedal bounces. */
const PULLS = 35
const BETWEEN_PULLS_MS = 450
/** Within this everything a page fetches by itself is there. */
const FETCHED_MS = 1500

export async function pageFigures(report: Report): Promise<void> {
  const server = await TestServer.start()
  const browser = await chromium.launch(config.use!.launchOptions)
  try {
    const document = demoDocument(DEMO_BUILDS[0]!, new Date())
    await server.post('/api/builds', { from: 'file', by: 'KV', document, asCopy: false })
    const url = `${server.address}/builds/${document.id}/compression`
    const page = await personsPage(browser)
    const { page: pageKb, workers: workersKb } = await javascriptKb(page, url, '.recharts-surface')
    report.figure('JavaScript of a bench page, its chart counted, gzipped', pageKb, 'kB', 340)
    const plain = await javascriptKb(await personsPage(browser), url.replace('compression', 'bores'), '[data-ready]')
    report.figure('JavaScript of a bench page without a chart, gzipped', plain.page, 'kB', 260)
    // Advice is judged over all benches: seven of them now, each a dozen kilobytes.
    report.figure('JavaScript of its workers, gzipped, loaded off the page', workersKb, 'kB', 140)
    report.figure('largest paint of the bench page, median of 5', await largestPaint(page, url), 'ms', 1000)
    await page.goto(url)
    await page.locator('[data-ready]').waitFor()
    report.figure('Enter to ledger painted, 95th percentile', percentile(await enterToPaint(page), 0.95), 'ms', 50)
    report.figure('a figure typed to ledger painted, 95th percentile', percentile(await keyToPaint(page), 0.95), 'ms', 50)
    report.figure('a pull to the next fastener painted, 95th percentile', percentile(await pullToPaint(page, url), 0.95), 'ms', 50)
    await page.goto(url)
    await page.locator('[data-ready]').waitFor()
    report.figure('an entry seen on another page, median of 9', await heardMs(browser, page, url), 'ms', 1000)
    report.figure('a million draws of five ratios in a worker', await millionDraws(page, url), 'ms', 2000)
    report.figure('100,000 draws of sixteen rings butting, in a worker', await buttingDraws(await personsPage(browser), server), 'ms', 1000)
  } finally {
    await browser.close()
    await server.stop()
  }
}

/** A page of a device that knows who works at it: nothing is entered without. */
async function personsPage(browser: Browser): Promise<Page> {
  const device = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await device.addCookies([KNOWN_PERSON])
  return device.newPage()
}

/** What the page loads, and what its workers load once it has answered: a worker's scripts hold up no paint and no key. */
async function javascriptKb(page: Page, url: string, last: string): Promise<{ page: number; workers: number }> {
  const sizes: { page: Promise<number>[]; workers: Promise<number>[] } = { page: [], workers: [] }
  page.on('response', (response) => {
    if (!/\.js(\?|$)/.test(response.url()) || response.url().endsWith('/sw.js')) return
    const into = response.request().resourceType() === 'script' ? sizes.page : sizes.workers
    into.push(response.body().then((body) => gzipSync(body).length))
  })
  await page.goto(url)
  await page.locator('[data-ready]').waitFor()
  // The chart and the advice are fetched last; a machine that is slow to ask for them would seem to have less.
  await page.locator(last).first().waitFor()
  await page.waitForTimeout(FETCHED_MS)
  page.removeAllListeners('response')
  const kb = async (all: Promise<number>[]): Promise<number> => (await Promise.all(all)).reduce((sum, size) => sum + size, 0) / 1000
  return { page: await kb(sizes.page), workers: await kb(sizes.workers) }
}

/** From Enter on one page to the reading on another one. */
async function heardMs(browser: Browser, page: Page, url: string): Promise<number> {
  const other = await personsPage(browser)
  await other.goto(url)
  await other.locator('[data-ready]').waitFor()
  const samples: number[] = []
  for (let i = 1; i <= 9; i++) {
    await page.locator('[data-station="compression.deck/c1/front"]').click()
    await page.keyboard.type(`0.0${i}`)
    const started = performance.now()
    await page.keyboard.press('Enter')
    await other.getByRole('button', { name: `Cylinder 1, deck, front of the crown: 0.0${i}` }).waitFor()
    samples.push(performance.now() - started)
  }
  await other.close()
  return percentile(samples, 0.5)
}

async function largestPaint(page: Page, url: string): Promise<number> {
  const samples: number[] = []
  for (let i = 0; i < 5; i++) {
    await page.goto(url)
    await page.locator('[data-ready]').waitFor()
    samples.push(
      await page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            new PerformanceObserver((list) => resolve(list.getEntries().at(-1)!.startTime)).observe({
              type: 'largest-contentful-paint',
              buffered: true,
            })
          }),
      ),
    )
  }
  return percentile(samples, 0.5)
}

/** From the Enter key's own event to the first frame after the ledger has changed. */
async function enterToPaint(page: Page): Promise<number[]> {
  await measurePaints(page, 'Enter')
  for (let i = 0; i < ENTRIES; i++) {
    await page.locator('#reading').focus()
    await page.keyboard.type(i % 2 === 0 ? '0.05' : '0.06')
    await page.keyboard.press('Enter')
    await page.waitForTimeout(BETWEEN_READINGS_MS)
    await page.keyboard.press('b')
    await page.waitForTimeout(BETWEEN_READINGS_MS)
  }
  return paints(page)
}

async function keyToPaint(page: Page): Promise<number[]> {
  await measurePaints(page, '5')
  for (let i = 0; i < ENTRIES; i++) {
    await page.keyboard.type('0.0')
    await page.keyboard.press('5')
    await page.waitForTimeout(30)
    await page.keyboard.press('Escape')
  }
  return paints(page)
}

/** From a pull's own key event to the frame that shows the next fastener. */
async function pullToPaint(page: Page, url: string): Promise<number[]> {
  await page.goto(url.replace('compression', 'joints/head/run'))
  await page.locator('[data-ready]').waitFor()
  await page.keyboard.press('Enter')
  await page.locator('[data-state="here"]').waitFor()
  await measurePaints(page, 'Enter')
  for (let pulls = 0; pulls < PULLS; pulls++) {
    await page.keyboard.press('Enter')
    await page.waitForTimeout(BETWEEN_PULLS_MS)
  }
  return paints(page, PULLS)
}

async function measurePaints(page: Page, key: string): Promise<void> {
  await page.evaluate((wanted) => {
    const samples: number[] = ((window as never as { paints: number[] }).paints = [])
    window.addEventListener(
      'keydown',
      (event) => {
        if (event.key !== wanted) return
        const started = event.timeStamp
        // A message posted from a frame is delivered when that frame has been painted.
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel()
          port1.addEventListener('message', () => samples.push(performance.now() - started), { once: true })
          port1.start()
          port2.postMessage(undefined)
        })
      },
      { capture: true },
    )
  }, key)
}

async function paints(page: Page, wanted = ENTRIES): Promise<number[]> {
  const samples = await page.evaluate(() => (window as never as { paints: number[] }).paints)
  if (samples.length < wanted) throw new Error(`only ${samples.length} paints were seen`)
  return samples
}

async function buttingDraws(page: Page, server: TestServer): Promise<number> {
  const document = sixteen()
  const { status } = await server.post('/api/builds', { from: 'file', by: 'KV', document, asCopy: false })
  if (status !== 201) throw new Error(`the build of sixteen was refused with ${status}`)
  await page.goto(`${server.address}/builds/${document.id}/rings`)
  await page.locator('[data-ready]').waitFor()
  await page.getByRole('button', { name: 'Chance of butting' }).click()
  return clickToRow(page, 'Draw a hundred thousand', 16)
}

async function millionDraws(page: Page, url: string): Promise<number> {
  await page.goto(url)
  await page.getByRole('button', { name: 'Check the uncertainty by random draws' }).click()
  return clickToRow(page, 'Draw a million', 5)
}

/** From the click's own event to the last row of the panel, by the page's clock: what drives the browser has no part in it. */
async function clickToRow(page: Page, button: string, rows: number): Promise<number> {
  await page.evaluate((wanted) => {
    window.addEventListener(
      'click',
      ({ timeStamp }) => {
        const watcher = new MutationObserver(() => {
          if (window.document.querySelectorAll('[role=dialog] tbody tr').length < wanted) return
          watcher.disconnect()
          ;(window as never as { tookMs: number }).tookMs = performance.now() - timeStamp
        })
        watcher.observe(window.document, { childList: true, subtree: true })
      },
      { capture: true, once: true },
    )
  }, rows)
  await page.getByRole('button', { name: button }).click()
  const took = await page.waitForFunction(() => (window as never as { tookMs?: number }).tookMs)
  return (await took.jsonValue())!
}
