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

/** Asks for something that is worked out a piece at a time until all of it is there. */
export async function askToTheEnd<T extends { done: number; of: number }>(ask: () => Promise<T>): Promise<T> {
  for (let asked = 0; asked < 200; asked++) {
    const reply = await ask()
    if (reply.done === reply.of) return reply
  }
  throw new Error('It did not come to an end.')
}
