import { expect } from 'vitest'
import { match, type TestApi } from './api.fixture.ts'

/** Calls the API of a test and gives the body, after seeing that it was not refused; `version` is sent where something changes. */
export function makeCall(getApi: () => TestApi) {
  return async (method: string, path: string, body?: unknown, version?: number) => {
    const reply = await getApi().call(method, path, body, version === undefined ? {} : match(version))
    expect(reply.status, JSON.stringify(reply.body)).toBeLessThan(300)
    return reply.body
  }
}
