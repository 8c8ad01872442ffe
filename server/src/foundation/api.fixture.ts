import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { routes } from '../api.ts'
import { fillDemo } from '../demo/fill-demo.ts'
import { ensureStudio } from '../studio/studio-routes.ts'
import { makeApp } from './app.ts'
import { type House, openHouse } from './house.ts'

/** Tuesday, 24 November 2026, 08:00 in London: the demo's bookings stand around it. */
export const NOW = Date.UTC(2026, 10, 24, 8)

export interface Reply {
  status: number
  // biome-ignore lint/suspicious/noExplicitAny: tests look into replies of every shape
  body: any
  headers: Headers
}

export interface TestApi {
  house: House
  folder: string
  url: string
  call(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Reply>
  close(): void
}

/** A real server over a real database file in a folder of its own. */
export async function startApi({ demo = false, pages = null as string | null } = {}): Promise<TestApi> {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-test-'))
  const house = openHouse({ dataFolder: folder, fixedNow: NOW })
  if (demo) fillDemo(house)
  ensureStudio(house)
  const server: Server = createServer(makeApp(house, routes, pages).callback())
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const address = server.address()
  const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`
  return {
    house,
    folder,
    url,
    async call(method, path, body, headers = {}) {
      const isRaw = typeof body === 'string'
      const response = await fetch(`${url}/api${path}`, {
        method: method.toUpperCase(),
        headers: { 'content-type': 'application/json', ...headers },
        ...(body === undefined ? {} : { body: isRaw ? body : JSON.stringify(body) }),
      })
      const text = await response.text()
      return { status: response.status, headers: response.headers, body: text ? JSON.parse(text) : null }
    },
    close() {
      server.close()
      server.closeAllConnections()
      house.db.$client.close()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

export const match = (version: number) => ({ 'if-match': `"${version}"` })

/** How many rows every table holds: the same before and after whatever must not write. */
export function countRows(house: House): Record<string, number> {
  const client = house.db.$client
  const tables = client
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
    .pluck()
    .all() as string[]
  return Object.fromEntries(
    tables.map((table) => [table, client.prepare(`SELECT count(*) FROM "${table}"`).pluck().get() as number]),
  )
}
