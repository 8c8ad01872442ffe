import { type KitPlanPage, listNextStages, type RepairStage } from '@exemplar/core'
import { match, NOW, type Reply, type TestApi } from '../../foundation/api.fixture.ts'
import { TINY_PNG } from '../../foundation/tiny-png.fixture.ts'

const REPAIR = { claim: 'own', partyId: 'repairer', reference: 'R-1', dueOn: null, note: '' }

const DECISION = {
  calculator: 'pay-back',
  figures: { cost: 40_000 },
  way: 'Buy it',
  reason: 'It pays',
  on: '2026-11-24',
}

const INCIDENT = {
  on: '2026-11-20',
  what: 'A knock',
  cause: 'a cable',
  saved: '',
  lesson: 'Cables along the wall',
  lessonFor: { kind: 'all' },
}

const PLAN = {
  name: 'Clean',
  subject: { kind: 'category', category: 'camera' },
  everyDays: 90,
  everyUses: null,
  everyHours: null,
  graceDays: 7,
  minutes: 20,
  steps: 'Blow, brush',
  parts: '',
  who: '',
}

/** A thing to do, made from what is there now. Null where there is nothing to do it to. */
export type Deed = (pick: <T>(items: readonly T[]) => T | undefined, n: number) => Promise<Reply | null>

const PLACE = { kind: 'shelf', parentId: null, circuits: [], note: '' }
const OWN_MOUNT = { kind: 'mount', hostName: 'body', guestName: 'lens', standard: null, viaCableOnly: false }
export const BOOKING = {
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
export function makeDeeds(apiNow: () => TestApi): Record<string, Deed> {
  const api = { call: (...rest: Parameters<TestApi['call']>) => apiNow().call(...rest) }
  // Some names may stand only once in a studio, archived ones included.
  let made = 0
  const count = () => ++made
  const get = async (path: string) => (await api.call('GET', path)).body
  const listWishes = async (
    state: string,
  ): Promise<{ id: string; version: number; uses: unknown; prices: unknown }[]> =>
    (await get('/wishes')).wishes.filter((it: { state: string }) => it.state === state)
  const pickKit = async (pick: <T>(items: readonly T[]) => T | undefined) => {
    const it = pick((await get('/kit-plans')) as { id: string }[])
    return it ? ((await get(`/kit-plans/${it.id}`)) as KitPlanPage) : null
  }
  return {
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
    'post /first-hour': (_, n) =>
      api.call('POST', '/first-hour', {
        purposes: ['voice-over'],
        country: n % 2 ? 'US' : 'DE',
        room: { name: `Room ${n}-${count()}`, size: null },
        things: [
          { starter: 'Headphones, closed', count: 1 },
          { starter: 'AA cell', count: 4 },
        ],
      }),
    'post /examples/:code': (_, n) =>
      api.call('POST', `/examples/${n % 2 ? 'phone-only' : 'voice-over-booth'}`, { placeId: null }),
    'post /places': (_, n) => api.call('POST', '/places', { ...PLACE, name: `Shelf ${n}-${count()}` }),
    'put /places/:id': async (pick, n) => {
      const it = pick(await get('/places')) as { id: string; version: number }
      return api.call('PUT', `/places/${it.id}`, { ...it, note: `note ${n}` }, match(it.version))
    },
    'delete /places/:id': async (_, n) => {
      const { body } = await api.call('POST', '/places', { ...PLACE, name: `Gone ${n}-${count()}` })
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
      api.call('POST', '/attachments?subjectType=unit&subjectId=CAM-01&name=a.png', TINY_PNG, {
        'content-type': 'image/png',
      }),
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
    'put /units/:id/controllers': async (pick) => {
      const { body } = await api.call('POST', '/units', { category: 'light', name: 'Run from afar' })
      const unitIds = [pick(['LGT-02', 'LGT-03'])]
      return api.call('PUT', `/units/${body.id}/controllers`, { unitIds }, match(1))
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
    'post /models/:id/facts': async (_, n) => {
      const { body } = await api.call('POST', '/units', { category: 'camera', maker: 'Sedge', name: `Body ${n}` })
      const answer = { kind: 'new-interface', label: `Mount of ${n}` }
      return api.call('POST', `/models/${body.modelId}/facts`, { fact: 'mount', answer }, match(1))
    },
    'post /models/:id/merge': async (_, n) => {
      const { body } = await api.call('POST', '/units', { category: 'tripod', maker: 'Sedge', name: `Sticks ${n}` })
      const { model } = await get('/units/TRI-02')
      return api.call('POST', `/models/${body.modelId}/merge`, { intoId: model.id }, match(1))
    },
    'post /interfaces': (_, n) => api.call('POST', '/interfaces', { ...OWN_MOUNT, label: `Mount ${n}-${count()}` }),
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
            intentionallyEmpty: false,
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
      return api.call('POST', `/bookings/${made.body.id}/take-out`, { items, takeOver: true }, match(1))
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
    'post /charges': (pick) =>
      api.call('POST', '/charges', { unitIds: [pick(['PAK-A6', 'PAK-A7'])], state: 'full', on: '2026-11-20' }),
    'post /units/:id/keep': async (pick, n) => {
      const id = pick(['LGT-02', 'CAM-05'])
      const { version } = await get(`/units/${id}`)
      return api.call('POST', `/units/${id}/keep`, { because: `the series ${n}`, until: null }, match(version))
    },
    'post /units/:id/repairs': (pick, n) =>
      api.call('POST', `/units/${pick(['LGT-02', 'CAM-05'])}/repairs`, { ...REPAIR, faultId: null, note: `no. ${n}` }),
    'put /repairs/:id': async (pick) => {
      const going = (await get('/repairs')).repairs.filter((it: { endedOn: string | null }) => it.endedOn === null)
      const it = pick(going) as { id: string; version: number; stage: RepairStage } | undefined
      if (!it) return null
      const stage = pick(listNextStages(it.stage)) ?? 'given-up'
      const body = { ...REPAIR, stage, quoteMinor: 9_000, costMinor: 8_000, taxMinor: 1_600, on: '2026-11-24' }
      return api.call('PUT', `/repairs/${it.id}`, body, match(it.version))
    },
    'post /units/:id/capacity': (pick, n) =>
      api.call('POST', `/units/${pick(['PAK-A6', 'PAK-A7'])}/capacity`, {
        on: '2026-11-20',
        milliwattHours: 40_000 + n,
        cycles: null,
        note: '',
      }),
    'post /readings': (pick, n) =>
      api.call('POST', '/readings', {
        deviceId: 'charger',
        number: `${n}`,
        tag: pick(['PAK-A6', 'PAK-A7']),
        at: NOW + n,
        reading: { kind: 'charger', state: 'full', milliwattHours: 41_000, cycles: null },
      }),
    'post /stock/:id/uses': (pick) =>
      api.call('POST', `/stock/${pick(['CEL-01', 'CEL-03'])}/uses`, { on: '2026-11-20', quantity: 1, note: '' }),
    'post /incidents': (pick, n) =>
      api.call('POST', '/incidents', {
        ...INCIDENT,
        what: `A knock ${n}`,
        hit: [{ unitId: pick(['CAM-01', 'MIC-01']), severity: 'usable' }],
      }),
    'put /incidents/:id': async (pick) => {
      const it = pick((await get('/incidents')) as never) as { id: string; version: number } | undefined
      return it ? api.call('PUT', `/incidents/${it.id}`, { ...INCIDENT, lesson: 'Two bags' }, match(it.version)) : null
    },
    'post /services': (pick) =>
      api.call('POST', '/services', {
        items: [{ unitId: pick(['CAM-01', 'MIC-01']), planId: null }],
        on: '2026-11-20',
        note: 'cleaned',
      }),
    'post /service-plans': (pick, n) =>
      api.call('POST', '/service-plans', { ...PLAN, name: `Plan ${n}`, everyDays: pick([30, 90]) }),
    'put /service-plans/:id': async (pick) => {
      const it = pick((await get('/services')).plans) as { id: string; version: number } | undefined
      return it ? api.call('PUT', `/service-plans/${it.id}`, { ...PLAN, everyUses: 20 }, match(it.version)) : null
    },
    'post /service-plans/:id/end': async (pick) => {
      const it = pick((await get('/services')).plans) as { id: string; version: number } | undefined
      return it ? api.call('POST', `/service-plans/${it.id}/end`, {}, match(it.version)) : null
    },
    'post /units/:id/uses': (pick, n) =>
      api.call('POST', `/units/${pick(['CAM-01', 'MIC-01'])}/uses`, {
        on: '2026-11-20',
        uses: n,
        hours: 1.5,
        note: '',
      }),
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
        wishId: _w,
        refundOfId: _r,
        backNetMinor: _n,
        backTaxMinor: _b,
        id,
        version,
        ...it
      } = pick(await get('/ledger/entries?year=2026')) as Record<string, never>
      return api.call('PUT', `/ledger/entries/${id}`, { ...it, netMinor: n }, match(version ?? 1))
    },
    'post /units/:id/sold': async (pick, n) => {
      const id = pick(['LGT-02', 'CAM-05'])
      const { version } = await get(`/units/${id}`)
      const body = { on: '2026-11-24', netMinor: n, taxMinor: 0, partyId: null, withIds: ['LGT-05'] }
      return api.call('POST', `/units/${id}/sold`, body, match(version))
    },
    'post /ledger/entries/:id/refunds': async (pick, n) => {
      const all = (await get('/ledger/entries?year=2026')) as { id: string; version: number; kind: string }[]
      const it = pick(all.filter(({ kind }) => kind !== 'refund' && kind !== 'sale'))
      const body = { date: '2026-12-31', netMinor: 1, taxMinor: 0, description: `Back ${n}` }
      return it ? api.call('POST', `/ledger/entries/${it.id}/refunds`, body, match(it.version)) : null
    },
    'put /shopping/:id/price': async (pick, n) => {
      const it = pick(await get('/shopping')) as { id: string; version: number } | undefined
      const price = { kind: 'seen', netMinor: n, taxMinor: 0, on: '2026-11-24', source: '' }
      return it ? api.call('PUT', `/shopping/${it.id}/price`, { price }, match(it.version)) : null
    },
    'put /ledger/budget': async (pick, n) => {
      const year = pick([2026, 2031]) ?? 2026
      const { budgetVersion } = await get(`/ledger/spending?year=${year}`)
      return api.call('PUT', '/ledger/budget', { year, totalMinor: n, version: budgetVersion })
    },
    'post /shopping': (_, n) =>
      api.call('POST', '/shopping', { item: `Item ${n}`, quantity: 1, reason: '', stockId: 'CEL-02', setupId: 'gi' }),
    'post /decisions': (_, n) => api.call('POST', '/decisions', { ...DECISION, about: `Decision ${n}` }),
    'put /decisions/:id': async (pick, n) => {
      const it = pick((await get('/decisions')) as { id: string; version: number }[])
      const body = { ...DECISION, about: 'Decision', reason: `Because ${n}` }
      return it ? api.call('PUT', `/decisions/${it.id}`, body, match(it.version)) : null
    },
    'post /kit-plans': (_, n) =>
      api.call('POST', '/kit-plans', { name: `Kit ${n}`, setupId: null, purpose: 'interview' }),
    'put /kit-plans/:id': async (pick, n) => {
      const it = await pickKit(pick)
      if (!it) return null
      const { id, version, setupId: _s, taken: _t, setup: _n, models: _m, ...rest } = it
      const { assumedCircuit: _a, published: _p, wishes: _w, ...body } = rest
      const tiers = [{ id: `t${n}`, name: `Sum ${n}`, budgetMinor: n }]
      return api.call('PUT', `/kit-plans/${id}`, { ...body, tiers }, match(version))
    },
    'delete /kit-plans/:id': async (pick) => {
      const it = await pickKit(pick)
      return it ? api.call('DELETE', `/kit-plans/${it.id}`, undefined, match(it.version)) : null
    },
    'post /kit-plans/:id/options': async (pick, n) => {
      const it = await pickKit(pick)
      const body = { it: { category: 'light', name: `Lamp ${n}` }, price: null }
      return it ? api.call('POST', `/kit-plans/${it.id}/options`, body, match(it.version)) : null
    },
    'post /kit-plans/:id/taken': async (pick) => {
      const it = await pickKit(pick)
      const [tier] = it?.tiers ?? []
      if (!it || !tier || it.taken) return null
      return api.call('POST', `/kit-plans/${it.id}/taken`, { tierId: tier.id, bought: [], here: [] }, match(it.version))
    },
    'post /wishes': (_, n) =>
      api.call('POST', '/wishes', {
        it: { category: 'light', name: `Wish ${n}` },
        uses: [{ setupId: 'gi', roleId: 'gi-r3', insteadOfId: null, beside: true }],
        prices: [{ kind: 'seen', netMinor: n, taxMinor: 0, on: '2026-11-01', source: '' }],
      }),
    'put /wishes/:id': async (pick, n) => {
      const it = pick(await listWishes('open'))
      if (!it) return null
      const { id, version, uses, prices } = it
      return api.call(
        'PUT',
        `/wishes/${id}`,
        { uses, prices, reason: `Because ${n}`, state: 'open', outcome: null },
        match(version),
      )
    },
    'post /wishes/:id/ordered': async (pick) => {
      const it = pick(await listWishes('open'))
      return it ? api.call('POST', `/wishes/${it.id}/ordered`, { partyId: null, dueOn: null }, match(it.version)) : null
    },
    'post /wishes/:id/arrived': async (pick, n) => {
      const it = pick(await listWishes('ordered'))
      const paid = { on: '2026-11-24', netMinor: n, taxMinor: 0 }
      return it ? api.call('POST', `/wishes/${it.id}/arrived`, paid, match(it.version)) : null
    },
    'post /wishes/:id/not-delivered': async (pick) => {
      const it = pick(await listWishes('ordered'))
      return it ? api.call('POST', `/wishes/${it.id}/not-delivered`, undefined, match(it.version)) : null
    },
    'post /units/:id/part-requests': async (pick, n) => {
      const { id, version } = await get(`/units/${pick(['MOD-01', 'TRI-01'])}`).then((it) => it.unit)
      return api.call('POST', `/units/${id}/part-requests`, { part: `Knob ${n}`, searched: '' }, match(version))
    },
    'post /orders/:id/cancelled': async (pick) => {
      const it = pick((await get('/orders')) as { id: string; version: number }[])
      return it ? api.call('POST', `/orders/${it.id}/cancelled`, {}, match(it.version)) : null
    },
    'post /shopping/:id/bought': async (pick) => {
      const it = pick(await get('/shopping')) as { id: string; version: number } | undefined
      return it ? api.call('POST', `/shopping/${it.id}/bought`, {}, match(it.version)) : null
    },
  }
}
