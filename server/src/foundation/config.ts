import { resolve } from 'node:path'

/** How one process of Exemplar runs, read once from the environment. */
export interface Config {
  dataFolder: string
  host: string
  port: number
  /** A fixed instant in place of the clock, for tests and pictures; null for the real one. */
  fixedNow: number | null
  /** Folder with the built pages; null serves the API alone. */
  pagesFolder: string | null
}

export function readConfig(env: NodeJS.ProcessEnv): Config {
  return {
    dataFolder: resolve(env.EXEMPLAR_DATA ?? './data'),
    host: env.EXEMPLAR_HOST ?? '127.0.0.1',
    port: readPort(env.EXEMPLAR_PORT ?? '4600'),
    fixedNow: env.EXEMPLAR_NOW ? readInstant(env.EXEMPLAR_NOW) : null,
    pagesFolder: resolve(import.meta.dirname, '../../../web/dist'),
  }
}

function readPort(text: string): number {
  const port = Number(text)
  if (Number.isInteger(port) && port >= 0 && port <= 65_535) return port
  throw new Error(`EXEMPLAR_PORT is "${text}". A port is a whole number from 0 to 65535.`)
}

function readInstant(text: string): number {
  const instant = Date.parse(text)
  if (Number.isFinite(instant)) return instant
  throw new Error(`EXEMPLAR_NOW is "${text}". Write an instant such as 2026-11-24T08:00:00Z.`)
}
