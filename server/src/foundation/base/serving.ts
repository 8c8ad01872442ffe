import { readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import type Koa from 'koa'
import type { Config } from './config.ts'

/** A server that does not wait for ever: headers and bodies that trickle in are cut off. */
export function makeServer(app: Koa, { tls, requestTimeoutMs }: Pick<Config, 'tls' | 'requestTimeoutMs'>): Server {
  const limits = {
    requestTimeout: requestTimeoutMs,
    headersTimeout: Math.min(requestTimeoutMs, 15_000),
    connectionsCheckingInterval: Math.min(requestTimeoutMs, 5_000),
    maxHeaderSize: 16_384,
    // Longer than people pause: a connection that the server closes just when it is used again is an error to them.
    keepAliveTimeout: 65_000,
  }
  if (!tls) return createServer(limits, app.callback())
  return createSecureServer({ ...limits, cert: readFileSync(tls.cert), key: readFileSync(tls.key) }, app.callback())
}
