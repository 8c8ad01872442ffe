import { defineConfig } from '@playwright/test'

export default defineConfig({
  // A folder of its own, as it is emptied before each run: the results of the other tests lie beside it.
  outputDir: '../test-results/journeys',
  testDir: import.meta.dirname,
  workers: 2,
  fullyParallel: true,
  timeout: 120_000,
  // A journey that passes only at the second try is named at the end of `npm test`, and wants looking into.
  retries: 1,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/journeys.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    // Recording every step doubles the time of the journeys; ask for it when one fails.
    trace: process.env.EXEMPLAR_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: '--no-sandbox --disable-gpu --disable-background-networking --disable-component-update --disable-sync --no-first-run --disable-quic'.split(
        ' ',
      ),
    },
  },
})
