import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base } from '@playwright/test'
import { startChild } from '../server/src/foundation/child.fixture.ts'

const NOW = '2026-11-24T08:00:00Z'

/** Each test gets a server of its own on an empty folder; `demo` fills it with the Larkmoor film unit. */
export const test = base.extend<{ demo: boolean; exemplar: string }>({
  demo: [false, { option: true }],
  exemplar: async ({ demo }, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-journey-'))
    const { child, url } = await startChild(folder, { args: demo ? ['--demo'] : [], env: { EXEMPLAR_NOW: NOW } })
    await use(url)
    child.kill('SIGTERM')
    rmSync(folder, { recursive: true, force: true })
  },
  baseURL: async ({ exemplar }, use) => use(exemplar),
})

export { expect } from '@playwright/test'
