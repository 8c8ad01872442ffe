import type { Readable } from 'node:stream'
import { type ApiContract, apiContract, type Method, type RouteContract, type RouteKey } from '@exemplar/core'
import type { z } from 'zod'
import type { Actor, AppContext } from '../database/app-context.ts'

export interface RouteRequest<Body, Query> {
  params: Readonly<Record<string, string>>
  body: Body
  query: Query
  /** From If-Match; 0 where the route needs none. */
  version: number
  actor: Actor
  /** What few routes need of the connection itself. */
  connection: Connection
}

/** The session of a request, and the address it came from. */
export interface Connection {
  address: string
  /** What kind of device it says it is. */
  device: string
  sessionId: string | null
  /** Where a stream of events was left; null for a new one. */
  lastEventId: number | null
  /** Sets or clears the cookie of the session. */
  setToken(token: string | null): void
  /** Ends when the other side is gone. */
  signal: AbortSignal
}

type ApiRoute<K extends RouteKey> = ApiContract[K]
type ParsedBy<K extends RouteKey, P extends string> =
  ApiRoute<K> extends { [N in P]: infer S extends z.ZodType } ? z.output<S> : undefined
/** A body of bytes comes as it is; every other was parsed by the schema of the contract. */
type ParsedBody<K extends RouteKey> = ApiRoute<K> extends { rawLimit: number } ? Buffer : ParsedBy<K, 'body'>
type GivenReply<K extends RouteKey> = ApiRoute<K>['reply'] extends z.ZodType
  ? z.input<ApiRoute<K>['reply']>
  : ApiRoute<K>['reply'] extends 'file'
    ? RawReply
    : // biome-ignore lint/suspicious/noConfusingVoidType: what such a handler gives back does not count
      void

/** A route of the contract with what answers it. */
export interface Route extends RouteContract {
  key: string
  method: Method
  path: string
  room: string
  handle(request: RouteRequest<unknown, unknown>, app: AppContext): unknown
}

/** Binds a route of the contract to what answers it; the compiler holds both to the same schemas. */
export function defineRoute<K extends RouteKey>(
  key: K,
  handle: (
    request: RouteRequest<ParsedBody<K>, ParsedBy<K, 'query'>>,
    app: AppContext,
  ) => GivenReply<K> | Promise<GivenReply<K>>,
): Route {
  const [method, path] = key.split(' ') as [Method, string]
  const contract: RouteContract & { room: string } = apiContract[key]
  // The router parses with the very schemas of the contract before it calls.
  return { ...contract, key, method, path, handle: handle as Route['handle'] }
}

/** A reply that is no JSON: a file, a stream of events. */
export class RawReply {
  readonly type: string
  readonly body: Readable | Buffer
  readonly headers: Readonly<Record<string, string>>
  readonly status: number

  constructor(type: string, body: Readable | Buffer, headers: Readonly<Record<string, string>> = {}, status = 200) {
    this.type = type
    this.body = body
    this.headers = headers
    this.status = status
  }
}
