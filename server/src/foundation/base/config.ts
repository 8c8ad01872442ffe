import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { SERVER_FOLDER } from './server-folder.ts'

/** How one process of Exemplar runs, read once from the environment. */
export interface Config {
  dataFolder: string
  host: string
  port: number
  /** A fixed instant in place of the clock, for tests and pictures; null for the real one. */
  fixedNow: number | null
  /** Folder with the built pages; null serves the API alone. */
  pagesFolder: string | null
  /** Certificate and key for TLS; null serves plain HTTP. */
  tls: { cert: string; key: string } | null
  /** Reached over TLS: its own, or that of a server in front of it. */
  isSecure: boolean
  /** Only this machine can reach it. */
  isLoopback: boolean
  /** Started for the phones of the studio: on its network, with a certificate of this machine's own. */
  forPhones: boolean
  /** The made-up studio: on this machine one click signs in as each role. */
  isDemo: boolean
  backupFolder: string
  /** Names under which it may be asked beside its address, against pages that point a name of their own here. */
  names: readonly string[]
  /** Exponent of the work factor of passwords. */
  passwordCost: number
  /** Asked before an owner is made where others can reach this address; null on this machine alone. */
  firstRunCode: string | null
  /** A request that takes longer to come in is cut off. */
  requestTimeoutMs: number
  /** A folder without a database may begin empty although there are backups. */
  mayBeginAnew: boolean
}

const LOOPBACK = ['127.0.0.1', 'localhost', '::1']

export function readConfig(env: NodeJS.ProcessEnv, argv: readonly string[] = []): Config {
  const dataFolder = resolve(env.EXEMPLAR_DATA ?? './data')
  const forPhones = argv.includes('--phones')
  const host = env.EXEMPLAR_HOST ?? (forPhones ? '0.0.0.0' : '127.0.0.1')
  const tls = readTls(env)
  return {
    dataFolder,
    host,
    port: readPort(env.EXEMPLAR_PORT ?? '4600'),
    fixedNow: env.EXEMPLAR_NOW ? readInstant(env.EXEMPLAR_NOW) : null,
    pagesFolder: resolve(SERVER_FOLDER, '../web/dist'),
    tls,
    isSecure: tls !== null || env.EXEMPLAR_TLS_IN_FRONT === '1',
    isLoopback: LOOPBACK.includes(host),
    forPhones,
    isDemo: argv.includes('--demo'),
    backupFolder: env.EXEMPLAR_BACKUPS ? resolve(env.EXEMPLAR_BACKUPS) : join(dataFolder, 'backups'),
    names: (env.EXEMPLAR_NAMES ?? '').split(',').flatMap((it) => it.trim().toLowerCase() || []),
    passwordCost: env.EXEMPLAR_PASSWORD_COST ? readCost(env.EXEMPLAR_PASSWORD_COST) : 15,
    firstRunCode: LOOPBACK.includes(host) ? null : randomBytes(5).toString('hex'),
    requestTimeoutMs: 30_000,
    mayBeginAnew: env.EXEMPLAR_BEGIN_ANEW === '1',
  }
}

function readTls({ EXEMPLAR_TLS_CERT: cert, EXEMPLAR_TLS_KEY: key }: NodeJS.ProcessEnv): Config['tls'] {
  if (!cert && !key) return null
  if (!cert || !key) throw new Error('EXEMPLAR_TLS_CERT and EXEMPLAR_TLS_KEY go together: name both files, or neither.')
  for (const file of [cert, key]) if (!existsSync(file)) throw new Error(`There is no file ${file} for TLS.`)
  return { cert: resolve(cert), key: resolve(key) }
}

function readPort(text: string): number {
  const port = Number(text)
  if (Number.isInteger(port) && port >= 0 && port <= 65_535) return port
  throw new Error(`EXEMPLAR_PORT is "${text}". A port is a whole number from 0 to 65535.`)
}

function readCost(text: string): number {
  const cost = Number(text)
  if (Number.isInteger(cost) && cost >= 4 && cost <= 20) return cost
  throw new Error(`EXEMPLAR_PASSWORD_COST is "${text}". It is a whole number from 4 to 20; 15 is usual.`)
}

function readInstant(text: string): number {
  const instant = Date.parse(text)
  if (Number.isFinite(instant)) return instant
  throw new Error(`EXEMPLAR_NOW is "${text}". Write an instant such as 2026-11-24T08:00:00Z.`)
}
