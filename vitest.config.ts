import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,server,web}/src/**/*.test.{ts,tsx}'],
    setupFiles: ['./vitest.setup.ts'],
    // By itself Vitest leaves one of two cores to the watcher.
    maxWorkers: 2,
    // Files share what they import: no test changes a module, and reading the house once a file took a minute.
    isolate: false,
    testTimeout: 240_000,
    hookTimeout: 60_000,
  },
})
