import { test as base, expect, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, Entry } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Faults } from '@/core/twin'
import { KNOWN_PERSON } from './person'
import { TestServer } from './server'

export { expect }
export const TERN = 0
export const PETREL = 1
export const WREN = 2

/** A demo engine as a document with ids of its own, so that tests do not meet. */
export function demo(which: number, change: (document: BuildDocument) => BuildDocument = (document) => document): BuildDocument {
  const document = demoDocument(DEMO_BUILDS[which]!, new Date())
  return change({ ...document, id: uuidV7(), entries: document.entries.map((entry) => ({ ...entry, id: uuidV7() })) })
}

/** A demo engine with every place read, and other faults or limits where a test wants them. */
export function demoRead(
  which: number,
  change: (document: BuildDocument) => BuildDocument = (document) => document,
  faults?: Faults,
): BuildDocument {
  const engine = DEMO_BUILDS[which]!
  const read = demoDocument({ ...engine, read: () => true, ...(faults && { faults }) }, new Date())
  return change({ ...read, id: uuidV7(), entries: read.entries.map((entry) => ({ ...entry, id: uuidV7() })) })
}

export interface Shop {
  readonly server: TestServer
  /** Puts a build into the shop; its id. */
  readonly bring: (document: BuildDocument) => Promise<string>
  /** What the server holds of a build. */
  readonly document: (id: string) => Promise<BuildDocument>
}

/**
 * One server for all tests of a worker, to be killed and started again by any of them: each test brings builds of its own. One device
 * too: what the browser made of the program's scripts is kept from test to test, and what the program keeps on a device is not.
 */
export const test = base.extend<{ hasOwnDevice: boolean; shop: Shop; ownShop: Shop }, { workersShop: Shop; workersDevice: BrowserContext }>(
  {
    workersDevice: [
      async ({ browser }, use) => {
        const device = await newDevice(browser)
        await use(device)
        await device.close()
      },
      { scope: 'worker' },
    ],
    /** For a test that leaves on a device what cannot be taken away again: another clock. */
    hasOwnDevice: [false, { option: true }],
    /** The person at this bench is known, as after the first reading of a day. */
    context: async ({ browser, workersDevice, workersShop, serviceWorkers, hasOwnDevice }, use) => {
      const isOfItsOwn = hasOwnDevice || serviceWorkers === 'block'
      const device = isOfItsOwn ? await newDevice(browser, { serviceWorkers }) : workersDevice
      await device.addCookies([KNOWN_PERSON])
      await use(device)
      if (isOfItsOwn) await device.close()
      else await forget(device, workersShop.server.address)
    },
    workersShop: [
      async ({}, use) => {
        await withShop(use)
      },
      { scope: 'worker' },
    ],
    shop: async ({ workersShop }, use) => {
      await workersShop.server.up()
      await use(workersShop)
    },
    /** A server for this test alone: what it does to a shop is no other test's to meet. */
    ownShop: async ({}, use) => {
      await withShop(use)
    },
  },
)

function newDevice(browser: Browser, options: { readonly serviceWorkers?: 'block' | 'allow' } = {}): Promise<BrowserContext> {
  return browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })
}

/** Closes every page and takes away what the program keeps on a device: who is at it, what is chosen, what is not sent yet. */
async function forget(device: BrowserContext, origin: string): Promise<void> {
  for (const page of device.pages()) await page.close()
  await device.clearCookies()
  await device.setOffline(false)
  const page = await device.newPage()
  const protocol = await device.newCDPSession(page)
  await protocol.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb,local_storage' })
  await page.close()
}

async function withShop(use: (shop: Shop) => Promise<void>): Promise<void> {
  const server = await TestServer.start()
  await use(shopOf(server))
  await server.stop()
}

export function shopOf(server: TestServer): Shop {
  return {
    server,
    async bring(document) {
      const { status, json } = await server.post<{ id: string; error?: string }>('/api/builds', {
        from: 'file',
        by: 'KV',
        document,
        asCopy: false,
      })
      if (status !== 201) throw new Error(json.error)
      return json.id
    },
    async document(id) {
      return (await (await server.get(`/api/builds/${id}/file`)).json()) as BuildDocument
    },
  }
}

/** Types readings into the line, each with Enter behind it. */
export async function typeEntries(page: Page, entries: readonly string[]): Promise<void> {
  for (const entry of entries) {
    await page.keyboard.type(entry)
    await page.keyboard.press('Enter')
  }
}

/** Opens a page of forms and waits until all its script is there: a press before that would be lost. */
export async function visit(page: Page, shop: Shop, path: string): Promise<void> {
  await page.goto(shop.server.address + path)
  await page.locator('[data-hydrated]').waitFor()
}

/** Opens what a bench has in a part of the page of the paper. */
export async function openOnPaper(page: Page, part: 'Numbers on paper' | 'Methods' | 'Limits', title: string): Promise<void> {
  await page
    .getByRole('region', { name: part })
    .getByRole('button', { name: new RegExp(`^${title} `) })
    .click()
}

/** Opens a bench and waits until it answers to keys. */
export async function openBench(page: Page, shop: Shop, id: string, bench = 'compression'): Promise<void> {
  await page.goto(`${shop.server.address}/builds/${id}/${bench}`)
  await page.locator('[data-ready]').waitFor()
}

/** Types a reading as a person does: keys, then Enter. */
export async function enter(page: Page, text: string): Promise<void> {
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
}

export function readings(document: BuildDocument): readonly Extract<Entry, { kind: 'reading' }>[] {
  return document.entries.filter((entry) => entry.kind === 'reading')
}

export function line(page: Page) {
  return page.locator('#reading')
}

export function finding(page: Page, id: string) {
  return page.locator(`[data-finding="${id}"]`)
}

/** The place the reading line names. */
export function place(page: Page) {
  return page.locator('[data-part="place"] p')
}
