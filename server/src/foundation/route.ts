import type { z } from 'zod'
import type { House } from './house.ts'

export interface RouteRequest<Body, Query> {
  params: Readonly<Record<string, string>>
  body: Body
  query: Query
  /** From If-Match; 0 where the route needs none. */
  version: number
  /** Who says they are asking; null for nobody in particular. */
  personId: string | null
}

export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  /** Below `/api`, with `:name` for parameters. */
  path: string
  room: string
  summary: string
  body: z.ZodType | null
  query: z.ZodType | null
  reply: z.ZodType | null
  /** A change of something that is there: If-Match is required. */
  isChange: boolean
  status: number
  handle(request: RouteRequest<unknown, unknown>, house: House): unknown
}

interface RouteSketch<Body, Query> {
  method: Route['method']
  path: string
  room: string
  summary: string
  body?: z.ZodType<Body>
  query?: z.ZodType<Query>
  reply?: z.ZodType
  isChange?: boolean
  status?: number
  handle(request: RouteRequest<Body, Query>, house: House): unknown
}

/** Declares one route. The list of them is the API: it drives the router, the description and the checks. */
export function defineRoute<Body = undefined, Query = undefined>(sketch: RouteSketch<Body, Query>): Route {
  return {
    body: null,
    query: null,
    reply: null,
    isChange: false,
    status: 200,
    ...sketch,
    // The router parses with the very schemas of the sketch before it calls.
    handle: sketch.handle as Route['handle'],
  }
}
