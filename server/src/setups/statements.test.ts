import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { fillLargeStudio } from '../demo/large-studio.fixture.ts'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { countStatements } from '../foundation/statements.fixture.ts'

let small: TestApi
let large: TestApi
beforeAll(async () => {
  small = await startApi()
  large = await startApi()
  fillLargeStudio(small.app, { things: 90, setups: 4, bookings: 20, events: 50 })
  fillLargeStudio(large.app, { things: 300, setups: 12, bookings: 200, events: 500 })
})
afterAll(() => {
  small.close()
  large.close()
})

/** Statements of one request that nothing is known for yet. */
async function count(api: TestApi, method: string, path: string, body?: unknown): Promise<number> {
  api.app.db.cache.clear()
  return countStatements(api.app, async () => {
    const { status, body: reply } = await api.call(method, path, body)
    expect(status, JSON.stringify(reply)).toBe(200)
  })
}

describe('statements do not grow with what is judged', () => {
  test.each([
    ['the list of setups', 'GET', '/setups', 40],
    ['Today', 'GET', '/today', 40],
    ['single points of failure', 'GET', '/resilience', 40],
    ['every camera angle', 'GET', '/cameras', 40],
  ])('%s', async (_, method, path, most) => {
    const [few, many] = [await count(small, method, path), await count(large, method, path)]
    expect(many).toBeLessThanOrEqual(most)
    expect(many - few).toBeLessThanOrEqual(4)
  })

  test('the check of a booking, with everything in its way', async () => {
    const draft = {
      kind: 'shoot',
      title: 'A day that is taken',
      setupId: 'gi',
      unitIds: [],
      placeId: 'studio',
      personIds: ['imke', 'bram'],
      state: 'confirmed',
      startsAt: '2026-11-26T09:00',
      endsAt: '2026-11-26T16:00',
      rigMinutes: 30,
      strikeMinutes: 20,
      note: '',
    }
    const many = await count(large, 'POST', '/bookings/check', draft)
    expect(many).toBeLessThanOrEqual(15)
  })
})
