import type { Readable } from 'node:stream'
import type { Action } from '@exemplar/core'
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
  sessionId: string | null
  /** Where a stream of events was left; null for a new one. */
  lastEventId: number | null
  /** Sets or clears the cookie of the session. */
  setToken(token: string | null): void
  /** Ends when the other side is gone. */
  signal: AbortSignal
}

/** What may be done without being signed in, by anybody who is signed in, or by whom the table of permissions names. */
export type Permission = Action | 'open' | 'signed-in'

export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  /** Below `/api`, with `:name` for parameters. */
  path: string
  room: string
  summary: string
  permission: Permission
  body: z.ZodType | null
  /** Bytes instead of JSON, at most so many. */
  rawLimit: number | null
  query: z.ZodType | null
  reply: z.ZodType | null
  /** A change of something that is there: If-Match is required. */
  isChange: boolean
  status: number
  handle(request: RouteRequest<unknown, unknown>, app: AppContext): unknown
}

interface RouteSketch<Body, Query> {
  method: Route['method']
  path: string
  room: string
  summary: string
  permission: Permission
  body?: z.ZodType<Body>
  rawLimit?: number
  query?: z.ZodType<Query>
  reply?: z.ZodType
  isChange?: boolean
  status?: number
  handle(request: RouteRequest<Body, Query>, app: AppContext): unknown
}

/** Declares one route. The list of them is the API: it drives the router, the description and the checks. */
export function defineRoute<Body = undefined, Query = undefined>(sketch: RouteSketch<Body, Query>): Route {
  return {
    body: null,
    rawLimit: null,
    query: null,
    reply: null,
    isChange: false,
    status: 200,
    ...sketch,
    // The router parses with the very schemas of the sketch before it calls.
    handle: sketch.handle as Route['handle'],
  }
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
