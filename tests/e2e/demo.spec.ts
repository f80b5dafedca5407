import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, test } from '@playwright/test'
import { freePort } from '../support/server'

const ROOT = path.resolve(import.meta.dirname, '../..')
const folder = mkdtempSync(path.join(tmpdir(), 'kalibros-demo-'))
let demo: ChildProcess | undefined

test.afterAll(async () => {
  await ended()
  rmSync(folder, { recursive: true })
})

/** Starts it as `npm run demo` does; what it printed until it said where it is. */
async function started(port: number): Promise<string> {
  const env = { ...process.env, KALIBROS_IS_BUILT: 'yes', PORT: String(port), KALIBROS_DB_URL: `file:${path.join(folder, 'demo.db')}` }
  demo = spawn(process.execPath, ['scripts/demo.mjs'], { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'inherit'] })
  let printed = ''
  demo.stdout!.on('data', (data) => (printed += String(data)))
  await expect.poll(() => printed).toContain(`is at http://127.0.0.1:${port}`)
  return printed
}

async function ended(): Promise<void> {
  if (!demo || demo.exitCode !== null || demo.signalCode !== null) return
  const gone = new Promise((resolve) => demo!.once('exit', resolve))
  demo.kill('SIGTERM')
  await gone
}

test('npm run demo loads three engines and serves them; a second run keeps them', async ({ page }) => {
  const port = await freePort()
  const printed = await started(port)
  for (const name of ['Tern', 'Petrel', 'Wren']) expect(printed).toContain(`Loaded ${name}: `)
  await page.goto(`http://127.0.0.1:${port}/`)
  for (const name of ['Tern', 'Petrel', 'Wren']) await expect(page.getByRole('link', { name }).first()).toBeVisible()
  await ended()
  expect(await started(port)).not.toContain('Loaded')
})
