import fc from 'fast-check'
import { afterEach, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { match, type Reply, startApi, type TestApi } from '../foundation/api.fixture.ts'
import { TRACKED_TABLES } from '../foundation/journal.ts'
import { forgetOldImages } from './history-routes.ts'

let api: TestApi
afterEach(() => api?.close())

/** Everything people keep, without the versions, which go on counting. */
function readState(): Record<string, unknown[]> {
  const { $client } = api.house.db
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

/** A thing to do, made from what is there now. Null where there is nothing to do it to. */
type Deed = (pick: <T>(items: readonly T[]) => T | undefined, n: number) => Promise<Reply | null>

const get = async (path: string) => (await api.call('GET', path)).body
const PLACE = { kind: 'shelf', parentId: null, circuits: [], note: '' }
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const OWN_MOUNT = { kind: 'mount', hostName: 'body', guestName: 'lens', standard: null, viaCableOnly: false }
const BOOKING = {
  kind: 'shoot',
  setupId: null,
  placeId: null,
  personIds: [],
  rigMinutes: 5,
  strikeMinutes: 5,
  state: 'pencilled',
  note: '',
}

/** One deed for each route that writes what people keep; a new such route has to come in here. */
const DEEDS: Record<string, Deed> = {
  'put /studio': async (_, n) => {
    const studio = await get('/studio')
    return api.call('PUT', '/studio', { ...studio, sparePacks: n % 20 }, match(studio.version))
  },
  'post /people': (_, n) => api.call('POST', '/people', { name: `Person ${n}`, skills: ['sound'], note: '' }),
  'put /people/:id': async (pick, n) => {
    const it = pick(await get('/people')) as { id: string; version: number }
    return api.call('PUT', `/people/${it.id}`, { ...it, skills: [`skill ${n}`] }, match(it.version))
  },
  'delete /people/:id': async (_, n) => {
    const { body } = await api.call('POST', '/people', { name: `Guest ${n}`, skills: [], note: '' })
    return api.call('DELETE', `/people/${body.id}`, undefined, match(1))
  },
  'post /parties': (_, n) => api.call('POST', '/parties', { name: `Shop ${n}`, kind: 'vendor', note: '' }),
  'put /parties/:id': async (pick, n) => {
    const it = pick(await get('/parties')) as { id: string; version: number }
    return api.call('PUT', `/parties/${it.id}`, { ...it, note: `note ${n}` }, match(it.version))
  },
  'delete /parties/:id': async (_, n) => {
    const { body } = await api.call('POST', '/parties', { name: `Shut shop ${n}`, kind: 'vendor', note: '' })
    return api.call('DELETE', `/parties/${body.id}`, undefined, match(1))
  },
  'post /places': (_, n) => api.call('POST', '/places', { ...PLACE, name: `Shelf ${n}-${Math.random()}` }),
  'put /places/:id': async (pick, n) => {
    const it = pick(await get('/places')) as { id: string; version: number }
    return api.call('PUT', `/places/${it.id}`, { ...it, note: `note ${n}` }, match(it.version))
  },
  'delete /places/:id': async (_, n) => {
    const { body } = await api.call('POST', '/places', { ...PLACE, name: `Gone ${n}-${Math.random()}` })
    return api.call('DELETE', `/places/${body.id}`, undefined, match(1))
  },
  'post /films': (_, n) =>
    api.call('POST', '/films', {
      title: `Film ${n}`,
      on: '2026-11-01',
      setupId: 'gi',
      copies: [{ unitId: 'CAM-01', folder: 'a' }],
    }),
  'put /films/:id': async (pick, n) => {
    const it = pick(await get('/films')) as { id: string; version: number } | undefined
    return it ? api.call('PUT', `/films/${it.id}`, { ...it, title: `Film, cut ${n}` }, match(it.version)) : null
  },
  'post /attachments': () =>
    api.call('POST', '/attachments?subjectType=unit&subjectId=CAM-01&name=a.png', PNG, { 'content-type': 'image/png' }),
  'delete /attachments/:id': async (pick) => {
    const it = pick(await get('/attachments?subjectType=unit&subjectId=CAM-01')) as
      | { id: string; version: number }
      | undefined
    return it ? api.call('DELETE', `/attachments/${it.id}`, undefined, match(it.version)) : null
  },
  'post /units': (_, n) =>
    api.call('POST', '/units', { category: n % 2 ? 'light' : 'tripod', maker: 'Sedge', name: `Model ${n % 5}` }),
  'patch /units/:id': async (pick, n) => {
    const { id } = pick((await get('/units?limit=40')).rows) as { id: string }
    const { version } = await get(`/units/${id}`)
    return api.call(
      'PATCH',
      `/units/${id}`,
      { note: `note ${n}`, state: n % 3 ? 'standby' : 'in-service' },
      match(version),
    )
  },
  'delete /units/:id': async () => {
    const { body } = await api.call('POST', '/units', { category: 'other', name: 'Odd end' })
    return api.call('DELETE', `/units/${body.id}`, undefined, match(1))
  },
  'post /units/:id/restore': async () => {
    const { body } = await api.call('POST', '/units', { category: 'other', name: 'Back again' })
    await api.call('DELETE', `/units/${body.id}`, undefined, match(1))
    return api.call('POST', `/units/${body.id}/restore`, {}, match(2))
  },
  'post /units/:id/duplicate': (pick, n) =>
    api.call('POST', `/units/${pick(['LGT-02', 'TRI-02'])}/duplicate`, { count: 1 + (n % 3) }),
  'post /units/:id/merge': async (pick) => {
    const { body } = await api.call('POST', '/units', { category: 'light', name: 'Twice recorded' })
    return api.call('POST', `/units/${body.id}/merge`, { intoId: pick(['LGT-02', 'LGT-03']) }, match(1))
  },
  'post /units/change-many': (pick, n) =>
    api.call('POST', '/units/change-many', {
      ids: null,
      filter: { group: pick(['light', 'sound']) },
      changes: { serviceEveryDays: 100 + n },
    }),
  'put /models/:id': async (pick, n) => {
    const { model } = await get(`/units/${pick(['CAM-01', 'LGT-02'])}`)
    return api.call('PUT', `/models/${model.id}`, { ...model, aliases: [`Alias ${n}`] }, match(model.version))
  },
  'post /models/:id/merge': async (_, n) => {
    const { body } = await api.call('POST', '/units', { category: 'tripod', maker: 'Sedge', name: `Sticks ${n}` })
    const { model } = await get('/units/TRI-02')
    return api.call('POST', `/models/${body.modelId}/merge`, { intoId: model.id }, match(1))
  },
  'post /interfaces': (_, n) => api.call('POST', '/interfaces', { ...OWN_MOUNT, label: `Mount ${n}-${Math.random()}` }),
  'put /interfaces/:code': async (_, n) => {
    const it = (await get('/interfaces')).find((row: { code: string }) => row.code === 'mount-larch')
    return api.call('PUT', '/interfaces/mount-larch', { ...OWN_MOUNT, label: `Larch ${n}` }, match(it.version))
  },
  'post /stock': (_, n) =>
    api.call('POST', '/stock', { category: 'clamp', name: `Clamp ${n}`, quantity: n, placeId: null }),
  'patch /stock/:id': async (pick, n) => {
    const it = pick(await get('/stock')) as { id: string; version: number; placeId: string }
    return api.call('PATCH', `/stock/${it.id}`, { reorderLevel: n, placeId: it.placeId }, match(it.version))
  },
  'post /stocktakes': (pick) => api.call('POST', '/stocktakes', { placeId: pick(['store', null]) }),
  'post /stocktakes/:id/seen': async (pick) => {
    const { body } = await api.call('POST', '/stocktakes', { placeId: 'store' })
    return api.call('POST', `/stocktakes/${body.id}/seen`, { tag: pick(['CAM-01', 'LGT-02']), quantity: null })
  },
  'post /stocktakes/:id/settle': async () => {
    const { body } = await api.call('POST', '/stocktakes', { placeId: 'studio' })
    await api.call('POST', `/stocktakes/${body.id}/seen`, { tag: 'TRI-02', quantity: null })
    return api.call('POST', `/stocktakes/${body.id}/settle`, { lost: [] }, match(2))
  },
  'post /snapshots': (_, n) => api.call('POST', '/snapshots', { name: `As of ${n}` }),
  'delete /snapshots/:id': async (_, n) => {
    const { body } = await api.call('POST', '/snapshots', { name: `Gone ${n}` })
    return api.call('DELETE', `/snapshots/${body.id}`, undefined, match(1))
  },
  'post /bundles': (_, n) =>
    api.call('POST', '/bundles', {
      title: `Light kit ${n}`,
      priceMinor: 10_000 + n,
      taxMinor: 2_000,
      on: '2026-11-20',
      partyId: null,
      placeId: 'store',
      acquisition: 'bought-new',
      staysTogether: true,
      parts: [
        { category: 'panel', maker: 'Dace', name: 'Panel 30', quantity: 2, isThere: true, aloneMinor: 4_000 },
        { category: 'clamp', maker: '', name: 'Kit clamp', quantity: 3, isThere: true, aloneMinor: 100 },
        { category: 'lead', maker: 'Dace', name: 'Lead for panel', quantity: 2, isThere: false, aloneMinor: null },
      ],
    }),
  'post /kit-views': (_, n) =>
    api.call('POST', '/kit-views', { name: `View ${n}`, filter: { group: 'light' }, columns: ['place'] }),
  'delete /kit-views/:id': async (_, n) => {
    const { body } = await api.call('POST', '/kit-views', { name: `Gone ${n}`, filter: {}, columns: [] })
    return api.call('DELETE', `/kit-views/${body.id}`, undefined, match(1))
  },
  'post /import/inventory/told': (_, n) =>
    api.call('POST', '/import/inventory/told', { csv: `model,category\nTold ${n},light` }),
  'post /import/kit-file': async (_, n) => {
    const file = (await api.call('GET', '/export/kit.json')).body
    const text = JSON.stringify(file).replace(/"note":"[^"]*"/, `"note":"from a file, ${n}"`)
    return api.call('POST', '/import/kit-file', text)
  },
  'post /stock/:id/count': async (pick, n) => {
    const it = pick(await get('/stock')) as { id: string; version: number }
    return api.call('POST', `/stock/${it.id}/count`, { quantity: n }, match(it.version))
  },
  'post /import/inventory': (_, n) =>
    api.call('POST', '/import/inventory', {
      csv: `model,category,place\nImported ${n},light,New store ${n}\nAnother ${n},stand,Store`,
    }),
  'post /setups': (pick, n) =>
    api.call('POST', '/setups', {
      code: 'ZZ',
      name: `Setup ${n}`,
      tape: 'plum',
      purpose: '',
      placeId: null,
      circuitId: null,
      plannedMinutes: 20,
      note: '',
      roles: [
        {
          id: 'r',
          group: 'light',
          name: 'Key',
          importance: 'wanted',
          wants: null,
          detail: '',
          deliberatelyNone: false,
          things: [
            {
              unitId: pick(['LGT-02', 'LGT-03', 'TRI-02']) ?? null,
              stockId: null,
              quantity: 1,
              powerModeId: null,
              recordingModeId: null,
            },
          ],
        },
      ],
    }),
  'put /setups/:id': async (pick, n) => {
    const it = pick(await get('/setups')) as { id: string; version: number; roles: object[] }
    return api.call(
      'PUT',
      `/setups/${it.id}`,
      { ...it, note: `note ${n}`, roles: it.roles.slice(n % 2) },
      match(it.version),
    )
  },
  'delete /setups/:id': async (pick) => {
    const it = pick(await get('/setups')) as { id: string; version: number }
    return api.call('DELETE', `/setups/${it.id}`, undefined, match(it.version))
  },
  'post /bookings': (_, n) =>
    api.call('POST', '/bookings', {
      ...BOOKING,
      title: `Booking ${n}`,
      unitIds: ['TRI-02'],
      startsAt: `2027-0${1 + (n % 9)}-02T09:00`,
      endsAt: `2027-0${1 + (n % 9)}-02T10:00`,
    }),
  'put /bookings/:id': async (pick, n) => {
    const all = (await get('/bookings?from=2026-11-24&days=90')).bookings.filter(
      (it: { state: string }) => it.state === 'pencilled' || it.state === 'confirmed',
    )
    const it = pick(all) as { id: string; version: number } | undefined
    return it ? api.call('PUT', `/bookings/${it.id}`, { ...it, note: `note ${n}` }, match(it.version)) : null
  },
  'post /bookings/:id/take-out': async (_, n) => {
    const made = await api.call('POST', '/bookings', {
      ...BOOKING,
      title: `Out ${n}`,
      unitIds: ['TRI-02', 'LGT-02'],
      startsAt: '2026-11-24T09:00',
      endsAt: '2026-11-24T10:00',
    })
    const items = [{ unitId: 'TRI-02', stockId: null }]
    return api.call('POST', `/bookings/${made.body.id}/take-out`, { items }, match(1))
  },
  'post /bookings/:id/bring-back': async (pick) => {
    const out = (await get('/bookings?from=2026-11-20&days=14')).bookings.filter(
      (it: { state: string }) => it.state === 'out',
    )
    const it = pick(out) as { id: string; version: number } | undefined
    if (!it) return null
    const { sheet } = await get(`/bookings/${it.id}`)
    const ids = JSON.stringify(sheet).match(/"unitId":"([^"]+)"/)?.[1]
    const items = ids ? [{ unitId: ids, stockId: null, note: '', fault: { note: 'bent', severity: 'usable' } }] : []
    return api.call('POST', `/bookings/${it.id}/bring-back`, { items, isFinished: true }, match(it.version))
  },
  'post /units/:id/faults': (pick, n) =>
    api.call('POST', `/units/${pick(['LGT-02', 'CAM-05'])}/faults`, {
      note: `fault ${n}`,
      severity: 'usable',
      bookingId: null,
    }),
  'post /faults/:id/mend': async (pick) => {
    const it = pick((await get('/bench')).faults) as { id: string; version: number } | undefined
    return it ? api.call('POST', `/faults/${it.id}/mend`, { note: 'mended' }, match(it.version)) : null
  },
  'post /units/:id/services': async () => {
    const { version } = await get('/units/CAM-01')
    return api.call('POST', '/units/CAM-01/services', { on: '2026-11-20', note: '' }, match(version))
  },
  'post /ledger/entries': (_, n) =>
    api.call('POST', '/ledger/entries', {
      date: '2026-11-02',
      kind: 'purchase',
      category: 'light',
      description: `Lamp ${n}`,
      netMinor: n,
      taxMinor: 0,
      partyId: null,
      unitId: null,
    }),
  'put /ledger/entries/:id': async (pick, n) => {
    const {
      tag: _t,
      party: _p,
      id,
      version,
      ...it
    } = pick(await get('/ledger/entries?year=2026')) as Record<string, never>
    return api.call('PUT', `/ledger/entries/${id}`, { ...it, netMinor: n }, match(version ?? 1))
  },
  'put /ledger/budget': async (pick, n) => {
    const year = pick([2026, 2031]) ?? 2026
    const { budgetVersion } = await get(`/ledger/spending?year=${year}`)
    return api.call('PUT', '/ledger/budget', { year, totalMinor: n, version: budgetVersion })
  },
  'post /shopping': (_, n) =>
    api.call('POST', '/shopping', { item: `Item ${n}`, quantity: 1, reason: '', stockId: 'CEL-02', setupId: 'gi' }),
  'post /shopping/:id/bought': async (pick) => {
    const it = pick(await get('/shopping')) as { id: string; version: number } | undefined
    return it ? api.call('POST', `/shopping/${it.id}/bought`, {}, match(it.version)) : null
  },
}

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
    const tables = api.house.db.$client
      .prepare(
        "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '\\_%' ESCAPE '\\' AND name NOT LIKE 'unit_words%'",
      )
      .pluck()
      .all() as string[]
    const others = ['accounts', 'changes', 'events', 'invitations', 'row_changes', 'search_keys', 'sessions']
    expect(tables.sort()).toEqual([...TRACKED_TABLES, ...others].sort())
  })

  test.each(Object.keys(DEEDS))(
    '%s: done and taken back, all is as before but for the log; taken back again, it is done',
    async (key) => {
      api = await startApi({ demo: true })
      await DEEDS['post /films']?.(makePick(1), 1)
      await DEEDS['post /attachments']?.(makePick(1), 1)
      await DEEDS['post /shopping']?.(makePick(1), 1)
      let before = readState()
      // What the deed first makes for itself is a change of its own, so the state before the last change is what counts.
      const seen = { changes: 0 }
      const stop = api.house.live.onChange(() => {
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
    expect(forgetOldImages(api.house.db, api.house.now() + 91 * 86_400_000)).toBeGreaterThan(0)
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
    const idle = async () =>
      (await get('/today')).sections.decide
        .filter((it: { code: string }) => it.code === 'idle')
        .map((it: { tag: string }) => it.tag)
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
