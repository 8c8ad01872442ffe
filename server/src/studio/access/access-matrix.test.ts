import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { ACCESS_ROLES, type AccessRole, describeAccess, may } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { routes } from '../../api.ts'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

/**
 * Who gets through to each route: m manager, c crew, v viewer, o somebody who is signed out. Written by hand, so that
 * a new route, or one whose permission was changed by accident, fails here.
 */
const EXPECTED: Record<string, string> = {
  'get /health': 'mcvo',
  'get /access/me': 'mcvo',
  'post /access/first-run': 'mcvo',
  'post /access/sign-in': 'mcvo',
  'post /access/step-in': 'mcvo',
  'post /access/sign-out': 'mcv',
  'post /access/sign-out-everywhere': 'mcv',
  'post /access/password': 'mcv',
  'post /access/confirm': 'mcv',
  'get /access/sessions': 'mcv',
  'delete /access/sessions/:id': 'mcv',
  'post /access/second-factor': 'mcv',
  'put /access/second-factor': 'mcv',
  'delete /access/second-factor': 'mcv',
  'get /access/sign-ins': 'm',
  'get /access/accounts': 'm',
  'post /access/invitations': 'm',
  'post /access/accounts/:id/reset': 'm',
  'post /access/accounts/:id/sign-out-everywhere': 'm',
  'put /access/accounts/:id': 'm',
  'get /access/invitations/:token': 'mcvo',
  'post /access/invitations/:token': 'mcvo',
  'get /events': 'mcv',
  'get /changes': 'mcv',
  'get /changes/:id': 'mcv',
  'post /changes/:id/undo': 'mc',
  'get /live': 'mcv',
  'get /attachments': 'mcv',
  'post /attachments': 'mc',
  'get /attachments/:id/file': 'mcv',
  'get /attachments/:id/thumbnail': 'mcv',
  'delete /attachments/:id': 'mc',
  'get /backups': 'm',
  'post /backups': 'm',
  'post /backups/upload': 'm',
  'get /backups/:name/check': 'm',
  'get /backups/:name/file': 'm',
  'post /backups/:name/restore': 'm',
  'delete /backups/:name': 'm',
  'post /backups/drill': 'm',
  'get /export': 'm',
  'get /studio': 'mcv',
  'put /studio': 'm',
  'get /people': 'mcv',
  'post /people': 'm',
  'put /people/:id': 'm',
  'delete /people/:id': 'm',
  'get /parties': 'mcv',
  'get /parties/:id': 'mcv',
  'post /parties': 'm',
  'put /parties/:id': 'm',
  'delete /parties/:id': 'm',
  'get /places': 'mcv',
  'get /places/:id': 'mcv',
  'get /places/:id/sun': 'mcv',
  'post /places': 'm',
  'post /first-hour': 'm',
  'post /examples/:code': 'm',
  'put /places/:id': 'm',
  'delete /places/:id': 'm',
  'get /films': 'mcv',
  'post /films': 'm',
  'put /films/:id': 'm',
  'get /units': 'mcv',
  'get /units/count': 'mcv',
  'get /units/heard': 'mcv',
  'post /units': 'm',
  'get /units/:id': 'mcv',
  'patch /units/:id': 'm',
  'delete /units/:id': 'm',
  'post /units/:id/restore': 'm',
  'post /units/:id/duplicate': 'm',
  'post /units/:id/merge': 'm',
  'put /units/:id/controllers': 'm',
  'post /units/change-many/preview': 'm',
  'post /units/change-many': 'm',
  'get /models': 'mcv',
  'get /models/questions': 'mcv',
  'get /models/:id': 'mcv',
  'get /models/:id/fits': 'mcv',
  'put /models/:id': 'm',
  'post /models/:id/merge': 'm',
  'post /models/:id/facts': 'm',
  'get /interfaces/:code/fits': 'mcv',
  'post /interfaces': 'm',
  'put /interfaces/:code': 'm',
  'post /stock': 'm',
  'patch /stock/:id': 'm',
  'get /stocktakes': 'mcv',
  'post /stocktakes': 'mc',
  'get /stocktakes/:id': 'mcv',
  'post /stocktakes/:id/seen': 'mc',
  'post /stocktakes/:id/settle': 'mc',
  'get /snapshots': 'mcv',
  'get /snapshots/difference': 'mcv',
  'post /snapshots': 'm',
  'delete /snapshots/:id': 'm',
  'post /bundles': 'm',
  'get /kit-views': 'mcv',
  'post /kit-views': 'm',
  'delete /kit-views/:id': 'm',
  'get /kit-schedule': 'm',
  'get /kit-duties': 'mcv',
  'get /kit-figures': 'mcv',
  'get /export/kit.json': 'm',
  'get /export/kit.schema.json': 'mcv',
  'get /export/inventory.csv': 'mcv',
  'post /import/inventory/told': 'm',
  'post /import/kit-file/preview': 'm',
  'post /import/kit-file': 'm',
  'get /stock': 'mcv',
  'post /stock/:id/count': 'mc',
  'get /interfaces': 'mcv',
  'post /import/inventory/preview': 'm',
  'post /import/inventory': 'm',
  'get /setups': 'mcv',
  'post /setups': 'm',
  'get /setups/:id': 'mcv',
  'get /setup-names': 'mcv',
  'put /setups/:id': 'm',
  'delete /setups/:id': 'm',
  'get /setups/:id/readiness': 'mcv',
  'get /setups/:id/pictures': 'mcv',
  'get /setups/:id/picture-and-light': 'mcv',
  'get /setups/:id/joints': 'mcv',
  'get /setups/:id/picture-changes': 'mcv',
  'get /setups/:id/remedies': 'mcv',
  'get /setups/:id/move-check': 'mcv',
  'get /setups/:id/connect': 'mcv',
  'get /setups/:id/choose': 'mcv',
  'get /setups/:id/without': 'mcv',
  'get /setups/:id/difference': 'mcv',
  'get /cable-ways': 'mcv',
  'get /cable-stock': 'mcv',
  'get /things': 'mcv',
  'get /photos': 'mcv',
  'get /resilience': 'mcv',
  'get /reliability': 'mcv',
  'get /bookings': 'mcv',
  'post /bookings/check': 'mc',
  'post /bookings': 'mc',
  'get /bookings/:id': 'mcv',
  'get /bookings/:id/check': 'mcv',
  'put /bookings/:id': 'mc',
  'post /bookings/:id/take-out': 'mc',
  'post /bookings/:id/bring-back': 'mc',
  'get /bench': 'mcv',
  'post /units/:id/faults': 'mc',
  'post /faults/:id/mend': 'm',
  'post /charges': 'mc',
  'post /units/:id/keep': 'm',
  'post /units/:id/sold': 'm',
  'get /repairs': 'mcv',
  'post /units/:id/repairs': 'm',
  'put /repairs/:id': 'm',
  'post /units/:id/capacity': 'mc',
  'get /readings': 'mcv',
  'post /readings': 'mc',
  'get /supplies': 'mcv',
  'post /stock/:id/uses': 'mc',
  'get /incidents': 'mcv',
  'post /incidents': 'mc',
  'put /incidents/:id': 'm',
  'get /services': 'mcv',
  'get /units/:id/upkeep': 'mcv',
  'post /service-plans': 'm',
  'put /service-plans/:id': 'm',
  'post /service-plans/:id/end': 'm',
  'post /services': 'm',
  'post /units/:id/uses': 'mc',
  'get /ledger/spending': 'm',
  'get /ledger/entries': 'm',
  'post /ledger/entries': 'm',
  'put /ledger/entries/:id': 'm',
  'post /ledger/entries/:id/refunds': 'm',
  'put /ledger/budget': 'm',
  'get /cameras': 'mcv',
  'get /setups/:id/looks': 'mcv',
  'get /setups/:id/minutes': 'mcv',
  'get /setups/:id/change-over': 'mcv',
  'get /bookings/:id/change-over': 'mcv',
  'get /setups/:id/start': 'mcv',
  'get /setups/:id/sound-routes': 'mcv',
  'get /setups/:id/swap': 'mcv',
  'get /units/:id/riders': 'mcv',
  'get /able': 'mcv',
  'get /units/:id/wants': 'mcv',
  'get /systems': 'mcv',
  'get /orders': 'mcv',
  'post /orders/:id/cancelled': 'm',
  'get /wishes': 'm',
  'get /wishes/places': 'mcv',
  'post /wishes': 'm',
  'put /wishes/:id': 'm',
  'post /wishes/:id/ordered': 'm',
  'post /wishes/:id/arrived': 'm',
  'post /wishes/:id/not-delivered': 'm',
  'get /ledger/hindrances': 'm',
  'get /ledger/for-sale': 'm',
  'get /decisions': 'm',
  'post /decisions': 'm',
  'put /decisions/:id': 'm',
  'get /kit-plans': 'm',
  'post /kit-plans': 'm',
  'get /kit-plans/:id': 'm',
  'put /kit-plans/:id': 'm',
  'delete /kit-plans/:id': 'm',
  'post /kit-plans/:id/options': 'm',
  'get /kit-plans/:id/kits': 'm',
  'post /kit-plans/:id/taken': 'm',
  'get /ledger/upgrade-plan': 'm',
  'get /shopping': 'mcv',
  'post /shopping': 'mc',
  'post /units/:id/part-requests': 'm',
  'post /shopping/:id/bought': 'm',
  'put /shopping/:id/price': 'm',
  'get /today': 'mcv',
  'get /find': 'mcv',
}

const keyOf = (route: { method: string; path: string }) => `${route.method} ${route.path}`
const LETTERS: [AccessRole | null, string][] = [
  ['manager', 'm'],
  ['crew', 'c'],
  ['viewer', 'v'],
  [null, 'o'],
]

describe('the matrix of access', () => {
  test('names every route, and no other', () => {
    expect(Object.keys(EXPECTED).sort()).toEqual(routes.map(keyOf).sort())
  })

  // Signing out ends the sessions that the others stand on, and streams do not end: those have tests of their own.
  const apart = new Set(['post /access/sign-out', 'post /access/sign-out-everywhere', 'get /live'])

  test.each(LETTERS)(
    '%s: every route answers who may and refuses who may not, before it looks at anything',
    async (role, letter) => {
      for (const route of routes) {
        const key = keyOf(route)
        if (apart.has(key) && role !== null) continue
        const path = route.path.replace(/:\w+/g, 'nobody')
        // A body that every schema refuses, so that nothing is written whoever asks.
        const { status } = await api.as(role)(route.method, path, route.method === 'get' ? undefined : '[]', match(1))
        const isRefused = status === 401 || status === 403
        const isExpected = EXPECTED[key]?.includes(letter)
        // Signing in with nonsense is answered with 401 or 403 by the route itself.
        const answersItself = key === 'post /access/sign-in' || key === 'post /access/step-in'
        if (!answersItself)
          expect([key, role, isRefused], `${key} as ${role}: ${status}`).toEqual([key, role, !isExpected])
        if (!isExpected) expect([key, status]).toEqual([key, role === null ? 401 : 403])
      }
    },
  )

  test('nobody at all may do anything that is not open', () => {
    for (const action of ['see-studio', 'change-kit', 'undo-own'] as const) expect(may(null, action)).toBe(false)
  })

  test('docs/access.md holds the very table', () => {
    const doc = readFileSync(resolve(import.meta.dirname, '../../../../docs/access.md'), 'utf8')
    expect(doc).toContain(describeAccess())
  })
})

/** Makes every amount of the demo one that can be nothing else: from 77 million on, no mass, length or power lies there. */
function markAmounts(): void {
  api.app.db.$client.exec(`
    UPDATE units SET price_minor = 77000000 + rowid;
    UPDATE entries SET net_minor = 77100000 + rowid, tax_minor = 77200000 + rowid;
    UPDATE budgets SET total_minor = 77300000 + rowid`)
}

const isAmount = (value: unknown) => typeof value === 'number' && value >= 77_000_000 && value < 100_000_000_000

function* walk(value: unknown, path = ''): Generator<[string, unknown]> {
  yield [path, value]
  if (typeof value !== 'object' || value === null) return
  for (const [key, it] of Object.entries(value)) yield* walk(it, `${path}/${key}`)
}

describe('money', () => {
  const IDS: Record<string, string> = {
    '/units/:id': 'CAM-01',
    '/setups/:id': 'gi',
    '/setups/:id/readiness': 'gi',
    '/setups/:id/pictures': 'gi',
    '/setups/:id/picture-and-light': 'gi',
    '/setups/:id/joints': 'gi',
    '/setups/:id/picture-changes': 'gi',
    '/setups/:id/remedies': 'gi',
    '/setups/:id/move-check': 'gi',
    '/setups/:id/connect': 'gi',
    '/setups/:id/choose': 'gi',
    '/setups/:id/without': 'gi',
    '/setups/:id/difference': 'gi',
    '/setups/:id/swap': 'gi',
    '/setups/:id/minutes': 'gi',
    '/setups/:id/change-over': 'gi',
    '/setups/:id/looks': 'gi',
    '/setups/:id/start': 'gi',
    '/setups/:id/sound-routes': 'gi',
    '/bookings/:id/change-over': 'b-head',
    '/units/:id/riders': 'TRI-01',
    '/units/:id/wants': 'CAM-01',
    '/units/:id/upkeep': 'CAM-01',
    '/units/:id/uses': 'CAM-01',
    '/bookings/:id': 'b-head',
    '/bookings/:id/check': 'b-head',
    '/parties/:id': 'vendor',
    '/places/:id': 'studio',
    '/places/:id/sun': 'studio',
    '/changes/:id': '1',
    '/models/:id/fits': 'verrin-v6',
    '/interfaces/:code/fits': 'sd',
  }
  const QUERIES: Record<string, string> = {
    '/setups/:id/remedies': '?key=need-unmet%2FMIC-02%2Fbay',
    '/bookings': '?from=2026-11-24',
    '/events': '?subjectType=entry&subjectId=e-CAM-06',
    '/find': '?q=cam',
    '/snapshots/difference': '?from=now',
    '/attachments': '?subjectType=unit&subjectId=CAM-01',
    '/setups/:id/move-check': '?placeId=studio',
    '/setups/:id/joints': '?key=TRI-01',
    '/setups/:id/picture-changes': '?otherId=pb',
    '/setups/:id/without': '?unitId=LGT-01',
    '/setups/:id/difference': '?otherId=pb',
    '/setups/:id/swap': '?unitId=LGT-01&byUnitId=LGT-02',
    '/setups/:id/change-over': '?fromId=pb',
    '/systems': '?plate=thread-1-4&eachMinor=1500',
    '/cable-ways': '?fromUnitId=MIC-01&fromPortId=out&toUnitId=REC-01&toPortId=mic-in&neededMm=4000',
  }

  test.each(['crew', 'viewer'] as const)('no reply shows the %s an amount', async (role) => {
    markAmounts()
    // The schema of kit files has the bounds of figures, and no figures.
    const readable = routes.filter(
      (it) => it.method === 'get' && !it.path.endsWith('.schema.json') && EXPECTED[keyOf(it)]?.includes(role[0] ?? ''),
    )
    let looked = 0
    for (const route of readable) {
      if (route.path === '/live' || route.path.includes(':token') || route.path.includes('/file')) continue
      const path = route.path.replace(/:\w+/g, IDS[route.path] ?? 'nobody') + (QUERIES[route.path] ?? '')
      const { body } = await api.as(role)('GET', path)
      for (const [at, value] of walk(body)) {
        looked++
        if (typeof value === 'number') expect([path, at, isAmount(value)]).toEqual([path, at, false])
        if (/Minor$/.test(at)) expect([path, at, value]).toEqual([path, at, null])
        if (typeof value === 'string') expect(value, `${path}${at}`).not.toMatch(/[£$€]\s?\d/)
      }
    }
    expect(looked).toBeGreaterThan(1_000)
  })

  test('the manager sees them in the same replies', async () => {
    const { body } = await api.call('GET', '/units/CAM-06')
    expect(isAmount(body.unit.priceMinor)).toBe(true)
    const seen = [...walk((await api.call('GET', '/ledger/entries?year=2026')).body)].filter(([, value]) =>
      isAmount(value),
    )
    expect(seen.length).toBeGreaterThan(20)
    expect((await api.as('crew')('GET', '/units/CAM-06')).body.unit.priceMinor).toBe(null)
  })

  test('what the crew sends back does not wipe what it cannot see', async () => {
    const fee = {
      kind: 'let',
      title: 'Corner let',
      setupId: null,
      unitIds: [],
      placeId: 'studio',
      personIds: [],
      note: '',
    }
    const when = { startsAt: '2027-02-01T09:00', endsAt: '2027-02-01T12:00', rigMinutes: 0, strikeMinutes: 30 }
    const made = await api.call('POST', '/bookings', {
      ...fee,
      ...when,
      state: 'pencilled',
      partyId: null,
      feeMinor: 12_000,
    })
    const seen = (await api.as('crew')('GET', `/bookings/${made.body.id}`)).body
    expect(seen.feeMinor).toBe(null)
    const { status } = await api.as('crew')(
      'PUT',
      `/bookings/${made.body.id}`,
      { ...fee, ...when, state: 'pencilled', feeMinor: null, title: 'Corner let, moved' },
      match(1),
    )
    expect(status).toBe(200)
    expect((await api.call('GET', `/bookings/${made.body.id}`)).body).toMatchObject({
      title: 'Corner let, moved',
      feeMinor: 12_000,
    })
    const late = await api.as('crew')(
      'PUT',
      `/bookings/${made.body.id}`,
      { ...fee, ...when, state: 'pencilled', feeMinor: null },
      match(1),
    )
    expect([late.status, late.body.current.title, late.body.current.feeMinor]).toEqual([409, 'Corner let, moved', null])
  })

  test('contacts reach crew and manager, and no viewer', async () => {
    const contacts = async (role: AccessRole) =>
      (await api.as(role)('GET', '/people')).body.flatMap((it: { contacts: unknown[] }) => it.contacts).length
    expect(await Promise.all(ACCESS_ROLES.map(contacts))).toEqual([3, 3, 0])
  })
})

describe('the crew', () => {
  test('pencils, changes and cancels what is pencilled, and confirms nothing', async () => {
    const body = {
      kind: 'shoot',
      title: 'Moss',
      setupId: null,
      unitIds: ['LGT-02'],
      placeId: null,
      personIds: [],
      note: '',
      startsAt: '2027-03-01T09:00',
      endsAt: '2027-03-01T12:00',
      rigMinutes: 0,
      strikeMinutes: 0,
    }
    const crew = api.as('crew')
    expect((await crew('POST', '/bookings', { ...body, state: 'confirmed' })).status).toBe(403)
    const made = await crew('POST', '/bookings', { ...body, state: 'pencilled' })
    expect(made.status).toBe(201)
    expect((await crew('PUT', `/bookings/${made.body.id}`, { ...body, state: 'confirmed' }, match(1))).status).toBe(403)
    expect((await crew('PUT', `/bookings/${made.body.id}`, { ...body, state: 'cancelled' }, match(1))).status).toBe(200)
    const confirmed = (await api.call('GET', '/bookings?from=2026-11-24&days=14')).body.bookings.find(
      (it: { state: string }) => it.state === 'confirmed',
    )
    const { status, body: said } = await crew(
      'PUT',
      `/bookings/${confirmed.id}`,
      { ...body, state: 'cancelled' },
      match(confirmed.version),
    )
    expect([status, said.detail]).toEqual([403, 'This booking is no longer pencilled; a manager changes it.'])
  })
})
