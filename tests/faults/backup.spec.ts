import { execFileSync } from 'node:child_process'
import path from 'node:path'
import { enter, expect, demo, openBench, readings, test, WREN, type Shop } from '../support/shop'
import { takePicture } from '../support/pictures'

/** A backup put back by one command: what was entered since comes back from the devices that entered it. */
const KALIBROS = path.resolve(import.meta.dirname, '../../bin/kalibros.mjs')

function kalibros(shop: Shop, ...words: string[]): string {
  const env = { ...process.env, KALIBROS_DB_URL: shop.server.databaseUrl }
  return execFileSync(process.execPath, [KALIBROS, ...words], { env, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })
}

const said = (work: () => string): string => {
  try {
    return work()
  } catch (error) {
    return (error as { stderr: string }).stderr
  }
}

test('readings and pictures entered after a backup come back to the server it is put back on', async ({ page, shop }) => {
  const id = await shop.bring(demo(WREN))
  const copy = path.join(shop.server.folder, `backup-${id}.db`)
  expect(kalibros(shop, 'backup', copy)).toBe(`Copied to ${copy}, and checked.\n`)
  expect(said(() => kalibros(shop, 'backup', copy))).toContain('is there already')

  await openBench(page, shop, id)
  await enter(page, '0.12')
  await expect.poll(async () => readings(await shop.document(id)).length).toBe(1)
  await page.goto(`${shop.server.address}/builds/${id}/walk?at=job.agreed`)
  await page.locator('[data-ready]').waitFor()
  await takePicture(page)
  const picture = page.locator(`img[src^="/api/builds/${id}/photos/"]`)
  await expect(picture).toHaveCount(1)

  expect(said(() => kalibros(shop, 'restore', copy))).toContain('is held by another program')
  await page.goto('about:blank')
  await shop.server.kill()
  expect(kalibros(shop, 'restore', copy)).toContain('What was there is kept as')
  await shop.server.up()
  expect(readings(await shop.document(id))).toEqual([])

  const posted = page.waitForRequest((request) => request.method() === 'POST' && request.url().includes('/photos?'))
  await page.goto(`${shop.server.address}/builds/${id}/walk?at=job.agreed`)
  await posted
  await expect(picture).toHaveCount(1)
  await openBench(page, shop, id)
  await expect.poll(async () => readings(await shop.document(id)).map(({ asTyped }) => asTyped)).toEqual(['0.12'])
})
