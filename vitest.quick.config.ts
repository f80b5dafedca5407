import { defineConfig } from 'vitest/config'
import config from './vitest.config'
export default defineConfig({ ...config, test: { ...config.test, include: ['src/core/benches/**/*.test.ts', 'src/core/build/*.test.ts'], exclude: ['src/core/benches/laws.test.ts'] } })
