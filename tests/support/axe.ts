import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import type axeCore from 'axe-core'
import { expect } from './shop'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const ALL_RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/** Has axe find nothing on what a page shows, by day and by night: what is marked up is the same in both, what is seen is not. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
  // A page's title comes behind its first paint.
  await expect(page).toHaveTitle(/./)
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE)
  const wrong = await page.evaluate(async (rules) => {
    const { axe } = globalThis as unknown as { axe: typeof axeCore }
    const look = async (theme: 'light' | 'dark', runOnly: axeCore.RunOptions['runOnly']) => {
      document.documentElement.dataset.theme = theme
      // Only what is wrong is reported in full: a page of a thousand sound cells is not written down.
      const { violations } = await axe.run({ runOnly, resultTypes: ['violations'], preload: false })
      return violations.map(({ id, nodes }) => ({ id, theme, targets: nodes.slice(0, 3).map(({ target }) => target.join(' ')) }))
    }
    const byDay = await look('light', { type: 'tag', values: rules })
    return [...byDay, ...(await look('dark', { type: 'rule', values: ['color-contrast'] }))]
  }, ALL_RULES)
  expect(wrong, where).toEqual([])
}
