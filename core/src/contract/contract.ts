import type { z } from 'zod'
import type { Action } from '../studio/people/access.ts'

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete'

/** Method and path below `/api`, with `:name` for parameters. */
export type RouteName = `${Method} /${string}`

/** What may be done without being signed in, by anybody who is signed in, or by whom the table of permissions names. */
export type Permission = Action | 'open' | 'signed-in'

/** One route: what it takes, what it answers, and who may ask. */
export interface RouteContract {
  summary: string
  permission: Permission
  query?: z.ZodType
  body?: z.ZodType
  /** Bytes that the JSON may have, where it is not what the house takes otherwise. */
  bodyLimit?: number
  /** Bytes instead of JSON, at most so many. */
  rawLimit?: number
  /** What it answers: JSON by this schema, nothing at all, or a file or stream that is no JSON. */
  reply: z.ZodType | 'nothing' | 'file'
  /** A change of something that is there: If-Match is required. */
  isChange?: boolean
  /** 200 where it is not said. */
  status?: number
}

/** The routes of one file, which all belong to one room. */
export type RoomContract<N extends string> = Record<N, RouteContract & { room: string }>

/** States the routes of a room; each keeps the very types of its schemas. */
export function defineContract<const C extends Record<RouteName, RouteContract>>(
  room: string,
  routes: C,
): { [K in keyof C]: C[K] & { room: string } } {
  return Object.fromEntries(Object.entries(routes).map(([name, it]) => [name, { ...it, room }])) as unknown as {
    [K in keyof C]: C[K] & { room: string }
  }
}
