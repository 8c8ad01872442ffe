import type { BodyOf, QueryOf, RouteKey } from '@exemplar/core'
import type { FetchArgs } from '@reduxjs/toolkit/query/react'

type NamesIn<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | NamesIn<Rest>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

/** What a route wants to know: its parameters by name, and what of the rest its contract has. */
type Given<K extends RouteKey> = { [N in NamesIn<K>]: string | number } & {
  query?: QueryOf<K>
  body?: BodyOf<K> | Blob | string
  /** The version as last seen, for a change of what is there. */
  version?: number
  headers?: Record<string, string>
}

/** The request of a route of the contract: its method, its address with the parameters in it, and what is sent. */
export function request<K extends RouteKey>(
  key: K,
  ...[given = {} as Given<K>]: [NamesIn<K>] extends [never] ? [given?: Given<K>] : [given: Given<K>]
): FetchArgs {
  const { query, body, version, headers, ...names } = given
  const [method = '', path = ''] = key.split(' ')
  const url = path.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent((names as Record<string, string>)[name] ?? ''),
  )
  return {
    url,
    method: method.toUpperCase(),
    ...(query === undefined ? {} : { params: dropUndefined(query as Record<string, unknown>) }),
    ...(body === undefined ? {} : { body }),
    headers: { ...(version === undefined ? {} : { 'If-Match': `"${version}"` }), ...headers },
  }
}

function dropUndefined(query: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined))
}
