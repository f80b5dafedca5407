import { defineConfig } from 'vitest/config'
import config from './vitest.config'

/** The tests that look at the core: what a mutated formula is held against. */
export default defineConfig({
  ...config,
  test: {
    ...config.test,
    include: ['src/core/**/*.test.ts', 'src/features/walk/photos/*.test.ts', 'tests/reference/**/*.test.ts'],
    exclude: ['tests/reference/cli.test.ts', 'tests/reference/typedEntries.test.ts'],
  },
})
