import { afterEach, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { makeDeeds } from '../studio/history/undo-deeds.fixture.ts'
import { type Call, match, type Reply, startApi, type TestApi } from './api.fixture.ts'

const CLIENTS = 50

let api: TestApi
afterEach(() => api?.close())

/** One wins; each loser is told in a sentence, and nothing fails inside. */
function requireOneWinner(replies: readonly Reply[], what: string): void {
  expect(
    replies.filter((it) => it.status < 300),
    what,
  ).toHaveLength(1)
  for (const { status, body } of replies.filter((it) => it.status >= 300)) {
    expect([what, [404, 409, 410, 422].includes(status)]).toEqual([what, true])
    expect(body.detail, what).toMatch(/^[A-Z].{15,}[.)]$/s)
  }
}

/** The house as the deeds see it, where the deed of one route is done by fifty at once. */
function crowd(house: TestApi, key: string, replies: Reply[]): TestApi {
  const pattern = new RegExp(`^${(key.split(' ')[1] ?? '').replace(/:\w+/g, '[^/]+')}$`)
  const call: Call = async (method, path, body, headers) => {
    const isIt = method.toLowerCase() === key.split(' ')[0] && pattern.test(path)
    if (!isIt) return house.call(method, path, body, headers)
    const all = await Promise.all(Array.from({ length: CLIENTS }, () => house.call(method, path, body, headers)))
    replies.push(...all)
    return all.find((it) => it.status < 300) ?? (all[0] as Reply)
  }
  return { ...house, call, as: house.as }
}

type Deeds = Record<string, (pick: <T>(items: readonly T[]) => T | undefined, n: number) => Promise<unknown>>

const CHANGES = routes.filter((it) => it.isChange && !it.path.startsWith('/access/')).map((it) => it.key)

describe(`${CLIENTS} at once for one thing`, () => {
  test.each(CHANGES)('%s: exactly one wins, and each other is told', async (key) => {
    api = await startApi({ demo: true })
    const replies: Reply[] = []
    // What the demo has none of.
    const real = makeDeeds(() => api) as unknown as Deeds
    const first = ['post /attachments', 'post /films', 'post /shopping', 'post /wishes/:id/ordered', 'post /decisions']
    for (const it of first) await real[it]?.((items) => items[0], 1)
    const deeds = makeDeeds(() => crowd(api, key, replies)) as unknown as Deeds
    await deeds[key]?.((items) => items[0], 1)
    expect(replies).toHaveLength(CLIENTS)
    requireOneWinner(replies, key)
  })

  test('a new house has one owner', async () => {
    api = await startApi({ bare: true })
    const replies = await Promise.all(
      Array.from({ length: 6 }, (_, n) =>
        api.as(null)('POST', '/access/first-run', {
          name: `Owner ${n}`,
          signInName: `owner${n}`,
          password: 'four plain words here',
          start: 'empty',
        }),
      ),
    )
    requireOneWinner(replies, 'first run')
  })

  test('a link lets one in', async () => {
    api = await startApi()
    const { id } = (await api.call('POST', '/people', { name: 'Rune', skills: [], note: '' })).body
    const made = await api.call('POST', '/access/invitations', { personId: id, signInName: 'rune', role: 'crew' })
    const replies = await Promise.all(
      Array.from({ length: 20 }, () =>
        api.as(null)('POST', `/access/invitations/${made.body.token}`, { password: 'four plain words here' }),
      ),
    )
    requireOneWinner(replies, 'a link')
  })

  test('an account is changed by one', async () => {
    api = await startApi()
    const change = () => api.call('PUT', '/access/accounts/t-crew', { role: 'viewer', isDisabled: false }, match(1))
    requireOneWinner(await Promise.all(Array.from({ length: CLIENTS }, change)), 'an account')
  })
})
