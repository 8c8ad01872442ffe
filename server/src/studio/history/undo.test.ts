import fc from 'fast-check'
import { afterEach, describe, expect, test } from 'vitest'
import { routes } from '../../api.ts'
import { match, type Reply, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { TRACKED_TABLES } from '../../foundation/database/change-capture.ts'
import { forgetOldImages } from './history-routes.ts'
import { BOOKING, makeDeeds } from './undo-deeds.fixture.ts'

let api: TestApi
const DEEDS = makeDeeds(() => api)
const get = async (path: string) => (await api.call('GET', path)).body
afterEach(() => api?.close())

/** Everything people keep, without the versions, which go on counting. */
function readState(): Record<string, unknown[]> {
  const { $client } = api.app.db
  return Object.fromEntries(
    TRACKED_TABLES.map((table) => {
      const rows = $client.prepare(`SELECT * FROM "${table}"`).all() as Record<string, unknown>[]
      return [table, rows.map(({ version: _, ...row }) => JSON.stringify(row)).sort()]
    }),
  )
}

/** What tells how far it is begins its answer before the change is made, so its last line says which one it was. */
const changeOf = ({ headers, body }: Reply) =>
  Number(headers.get('x-exemplar-change') ?? /"changeId":(\d+)/.exec(String(body))?.[1] ?? 0)
const undo = (id: number) => api.call('POST', `/changes/${id}/undo`, {})

/** Routes that write nothing that Undo speaks of: looking, signing in, backups (and taking back itself). */
const NO_DEED = (key: string) => /^get |\/access\/|\/backups|\/check$|\/preview$|\/changes\/:id\/undo$/.test(key)

function makePick(seed: number) {
  let at = seed
  return <T>(items: readonly T[]): T | undefined => {
    at = (at * 48_271 + 11) % 2_147_483_647
    return items[at % Math.max(1, items.length)]
  }
}

describe('taking back', () => {
  test('there is a deed for every route that writes', () => {
    const writing = routes.map((it) => `${it.method} ${it.path}`).filter((key) => !NO_DEED(key))
    expect(Object.keys(DEEDS).sort()).toEqual(writing.sort())
  })

  test('every table is either watched or none of Undo’s business', async () => {
    api = await startApi()
    const tables = api.app.db.$client
      .prepare(
        "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '\\_%' ESCAPE '\\' AND name NOT LIKE 'unit_words%'",
      )
      .pluck()
      .all() as string[]
    const others = [
      'accounts',
      'changes',
      'events',
      'invitations',
      'row_changes',
      'search_keys',
      'sessions',
      'sign_ins',
    ]
    expect(tables.sort()).toEqual([...TRACKED_TABLES, ...others].sort())
  })

  test.each(Object.keys(DEEDS))(
    '%s: done and taken back, all is as before but for the log; taken back again, it is done',
    async (key) => {
      api = await startApi({ demo: true })
      await DEEDS['post /films']?.(makePick(1), 1)
      await DEEDS['post /attachments']?.(makePick(1), 1)
      await DEEDS['post /shopping']?.(makePick(1), 1)
      await DEEDS['post /wishes/:id/ordered']?.(makePick(1), 1)
      await DEEDS['post /decisions']?.(makePick(1), 1)
      let before = readState()
      // What the deed first makes for itself is a change of its own, so the state before the last change is what counts.
      const seen = { changes: 0 }
      const stop = api.app.live.onChange(() => {
        seen.changes++
      })
      const originalCall = api.call
      api.call = async (...rest) => {
        if (rest[0] !== 'GET') before = readState()
        return originalCall(...rest)
      }
      const reply = await DEEDS[key]?.(makePick(7), 3)
      api.call = originalCall
      stop()
      expect(reply?.status, key).toBeLessThan(300)
      expect(seen.changes).toBeGreaterThan(0)
      const after = readState()
      expect(after).not.toEqual(before)
      const back = await undo(changeOf(reply as Reply))
      expect([back.status, back.body]).toEqual([200, expect.anything()])
      expect(readState()).toEqual(before)
      const again = await undo(changeOf(back))
      expect(again.status).toBe(200)
      expect(readState()).toEqual(after)
    },
  )

  test('random sequences: taken back one by one, newest first, every state between is met again', async () => {
    const keys = Object.keys(DEEDS)
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.constantFrom(...keys), fc.nat(10_000)), { minLength: 4, maxLength: 9 }),
        async (deeds) => {
          api = await startApi({ demo: true })
          const trail: { state: Record<string, unknown[]>; id: number }[] = []
          const originalCall = api.call
          api.call = async (...rest) => {
            if (rest[0] === 'GET') return originalCall(...rest)
            const state = readState()
            const reply = await originalCall(...rest)
            if (reply.status < 300 && changeOf(reply)) trail.push({ state, id: changeOf(reply) })
            return reply
          }
          for (const [key, n] of deeds) await DEEDS[key]?.(makePick(n + 1), n)
          api.call = originalCall
          for (const { state, id } of trail.reverse()) {
            expect((await undo(id)).status).toBe(200)
            expect(readState()).toEqual(state)
          }
          api.close()
        },
      ),
      { numRuns: 25 },
    )
  }, 180_000)

  test('is refused when somebody built on it since, with who it was', async () => {
    api = await startApi({ demo: true })
    const first = await api.call('POST', '/stock/BAG-01/count', { quantity: 9 }, match(1))
    await api.as('crew')('POST', '/stock/BAG-01/count', { quantity: 7 }, match(2))
    const { status, body } = await undo(changeOf(first))
    expect([status, body.detail]).toEqual([
      409,
      'Bram Okeld changed this again since. Take that back first, or change it by hand.',
    ])
    expect((await get('/stock')).find((it: { id: string }) => it.id === 'BAG-01').quantity).toBe(7)
  })

  test('is refused when what was made is in use since', async () => {
    api = await startApi({ demo: true })
    const made = await api.call('POST', '/people', { name: 'Guest', skills: [], note: '' })
    await api.call('POST', '/bookings', {
      ...BOOKING,
      title: 'With the guest',
      unitIds: ['TRI-02'],
      personIds: [made.body.id],
      startsAt: '2027-02-02T09:00',
      endsAt: '2027-02-02T10:00',
    })
    expect((await undo(changeOf(made))).status).toBe(409)
    const unit = await api.call('POST', '/units', { category: 'light', name: 'Spare lamp' })
    await api.call('POST', `/units/${unit.body.id}/faults`, { note: 'cracked', severity: 'usable', bookingId: null })
    const refused = await undo(changeOf(unit))
    expect([refused.status, refused.body.title]).toEqual([409, 'In use since'])
    expect((await api.call('GET', `/units/${unit.body.id}`)).status).toBe(200)
  })

  test('happens once; versions never go back, so no stale page can overwrite what came later', async () => {
    api = await startApi({ demo: true })
    const first = await api.call('POST', '/stock/BAG-01/count', { quantity: 9 }, match(1))
    expect((await undo(changeOf(first))).status).toBe(200)
    expect((await undo(changeOf(first))).status).toBe(409)
    const { version } = (await get('/stock')).find((it: { id: string }) => it.id === 'BAG-01')
    expect(version).toBe(3)
    expect((await api.call('POST', '/stock/BAG-01/count', { quantity: 1 }, match(1))).status).toBe(409)
  })

  test('the crew takes back its own changes and nobody else’s', async () => {
    api = await startApi({ demo: true })
    const mine = await api.as('crew')('POST', '/stock/BAG-01/count', { quantity: 9 }, match(1))
    const theirs = await api.call('POST', '/stock/CLP-01/count', { quantity: 9 }, match(1))
    const crew = api.as('crew')
    expect((await crew('POST', `/changes/${changeOf(theirs)}/undo`, {})).status).toBe(403)
    expect((await crew('POST', `/changes/${changeOf(mine)}/undo`, {})).status).toBe(200)
    const list = (await crew('GET', '/changes')).body
    expect(list.find((it: { id: number }) => it.id === changeOf(theirs)).canUndo).toBe(false)
  })

  test('what is too old, or was about access, says that it cannot be taken back', async () => {
    api = await startApi({ demo: true })
    const first = await api.call('POST', '/stock/BAG-01/count', { quantity: 9 }, match(1))
    expect(forgetOldImages(api.app.db, api.app.now() + 91 * 86_400_000)).toBeGreaterThan(0)
    const { status, body } = await undo(changeOf(first))
    expect([status, body.detail]).toEqual([409, expect.stringContaining('older than 90 days')])
    const invited = await api.call('POST', '/people', { name: 'Nell', skills: [], note: '' })
    const access = await api.call('POST', '/access/invitations', {
      personId: invited.body.id,
      signInName: 'nell',
      role: 'crew',
    })
    expect((await undo(changeOf(access))).status).toBe(409)
  })

  test('what was taken back no longer counts where the log is read', async () => {
    api = await startApi({ demo: true })
    const idle = async () => (await get('/units?idleMonths=6&limit=200')).rows.map((it: { tag: string }) => it.tag)
    const [tag] = await idle()
    const made = await api.call('POST', '/bookings', {
      ...BOOKING,
      title: 'Out',
      unitIds: [tag],
      startsAt: '2026-11-24T07:30',
      endsAt: '2026-11-24T10:00',
    })
    const taken = await api.call(
      'POST',
      `/bookings/${made.body.id}/take-out`,
      { items: [{ unitId: tag, stockId: null }] },
      match(1),
    )
    expect(await idle()).not.toContain(tag)
    const back = await undo(changeOf(taken))
    expect(await idle()).toContain(tag)
    await undo(changeOf(back))
    expect(await idle()).not.toContain(tag)
  })
})
