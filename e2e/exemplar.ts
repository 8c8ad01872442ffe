import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { test as base } from '@playwright/test'

const ROOT = resolve(import.meta.dirname, '..')

async function start(folder: string, args: string[]): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts', ...args], {
    cwd: ROOT,
    env: { ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: '0', EXEMPLAR_NOW: '2026-11-24T08:00:00Z' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const url = await new Promise<string>((done, fail) => {
    let said = ''
    child.stdout?.on('data', (data) => {
      said += data
      const found = /http:\/\/[\d.:]+/.exec(said)
      if (found) done(found[0])
    })
    child.on('exit', () => fail(new Error(`The server ended at once: ${said}`)))
  })
  return { child, url }
}

/** Each test gets a server of its own on an empty folder; `demo` fills it with the Larkmoor film unit. */
export const test = base.extend<{ demo: boolean; exemplar: string }>({
  demo: [false, { option: true }],
  exemplar: async ({ demo }, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-journey-'))
    const { child, url } = await start(folder, demo ? ['--demo'] : [])
    await use(url)
    child.kill('SIGTERM')
    rmSync(folder, { recursive: true, force: true })
  },
  baseURL: async ({ exemplar }, use) => use(exemplar),
})

export { expect } from '@playwright/test'
