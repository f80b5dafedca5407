import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

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
    // Generous: beside twenty others on two cores all takes ten times as long.
    testTimeout: 600_000,
    hookTimeout: 600_000,
  },
})
