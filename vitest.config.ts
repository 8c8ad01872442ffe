import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,server,web}/src/**/*.test.ts'],
    setupFiles: ['./vitest.setup.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
