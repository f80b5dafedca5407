import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/setup.mjs'

/** The faults' own run. */
const long = process.env.KALIBROS_FAULTS === 'long'

export default defineConfig({
  testDir: 'tests',
  testMatch: ['e2e/*.spec.ts', 'faults/*.spec.ts'],
  fullyParallel: true,
  workers: 2,
  // Generous: beside twenty others on two cores all takes ten times as long. Speed is the benchmark's business, not the tests'.
  // What is done hundreds of times has no clock at all.
  timeout: long ? 0 : 900_000,
  expect: { timeout: long ? 600_000 : 90_000 },
  // A machine starved of its cores for minutes is no fault of the program: one more try, and the report says which needed it.
  retries: 1,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['line'], ['json', { outputFile: 'reports/playwright.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
