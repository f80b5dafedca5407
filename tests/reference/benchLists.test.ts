import { spawnSync } from 'node:child_process'
import path from 'node:path'
import { expect, it } from 'vitest'

const root = path.join(import.meta.dirname, '../..')

it('the lists of benches are as `npm run benches` writes them', () => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/benches.mjs', '--check'], { cwd: root, encoding: 'utf8' })
  expect([status, stderr]).toEqual([0, ''])
})
