import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/src/**/*.test.ts', 'server/src/**/*.test.ts', 'scripts/**/*.test.ts'],
    setupFiles: ['./vitest.setup.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
