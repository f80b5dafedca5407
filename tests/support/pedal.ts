import type { Page } from '@playwright/test'

/** Longer than a pedal bounces: a press sooner than that is not a second pull. */
const BETWEEN_PULLS_MS = 420

/** The page's own count of milliseconds goes on by as long as no second pull would be taken. */
export async function later(page: Page): Promise<void> {
  await page.evaluate((ms) => {
    const now = performance.now.bind(performance)
    performance.now = () => now() + ms
  }, BETWEEN_PULLS_MS)
}

/** Presses of one moment: the page's own count of milliseconds stands still, however long the test takes. */
export async function bounce(page: Page, presses: number): Promise<void> {
  await page.evaluate(() => {
    const now = performance.now()
    performance.now = () => now
  })
  for (let press = 0; press < presses; press++) await page.keyboard.press('Enter')
}

/** One pull: the key, and as long as no second one would be taken. */
export async function pressPedal(page: Page): Promise<void> {
  await page.keyboard.press('Enter')
  await later(page)
}
