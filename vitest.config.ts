import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The audit's and the faults' own runs. */
const long = process.env.KALIBROS_AUDIT === 'long' || process.env.KALIBROS_FAULTS === 'long'

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('./src', import.meta.url)),
      'server-only': fileURLToPath(new URL('./tests/support/serverOnly.ts', import.meta.url)),
    },
  },
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/reference/**/*.test.ts'],
    environment: 'node',
    // Nothing here changes what it imports: files share their modules, and both cores are used.
    isolate: false,
    maxWorkers: '100%',
    // Room for young objects, as the server has: without it, half of a worker's time goes into clearing them away.
    execArgv: ['--max-semi-space-size=64'],
    // Generous: beside twenty others on two cores all takes ten times as long; with five times the cases there is no clock.
    testTimeout: long ? 0 : 600_000,
    hookTimeout: long ? 0 : 600_000,
    // What is waited for, not how fast it is: as patient as the rest.
    expect: { poll: { timeout: 120_000 } },
  },
})
