import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { countRows, match, startApi, type TestApi } from './api.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

/** Fills the parameters of a path with things that are there, so that the body is what is judged. */
const IDS: Record<string, string> = {
  '/people/:id': 'bram',
  '/places/:id': 'studio',
  '/units/:id': 'CAM-01',
  '/units/:id/faults': 'CAM-01',
  '/stock/:id/count': 'CEL-01',
  '/setups/:id': 'gi',
  '/bookings/:id': 'b-graft',
  '/bookings/:id/take-out': 'b-graft',
  '/bookings/:id/bring-back': 'b-bog',
  '/faults/:id/mend': 'f-fan',
  '/ledger/entries/:id': 'e-CAM-05',
}

/** A body that each route takes as it is; mutations make it malformed. */
const GOOD: Record<string, unknown> = {
  'put /studio': {
    name: 'x',
    currency: 'GBP',
    zone: 'Europe/London',
    continuousLoadPercent: 80,
    cardHeadroomPercent: 10,
    sparePacks: 1,
    packEfficiencyPercent: 90,
    serviceNoticeDays: 14,
  },
  'post /charges': { unitIds: ['PAK-A6'], state: 'full', on: '2026-11-20' },
  'post /people': { name: 'x', skills: [], note: '' },
  'post /places': { name: 'x', kind: 'room', parentId: null, circuits: [], note: '' },
  'post /units': { category: 'camera', name: 'x' },
  'post /setups': {
    code: 'ZZ',
    name: 'x',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 5,
    note: '',
    roles: [],
  },
  'put /setups/:id': {
    code: 'ZZ',
    name: 'x',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 5,
    note: '',
    roles: [],
  },
  'post /bookings': {
    kind: 'shoot',
    title: 'x',
    setupId: 'gi',
    unitIds: [],
    placeId: null,
    personIds: [],
    startsAt: '2026-12-01T10:00',
    endsAt: '2026-12-01T11:00',
    rigMinutes: 0,
    strikeMinutes: 0,
    state: 'pencilled',
    note: '',
  },
  'post /units/:id/faults': { note: 'x', severity: 'usable', bookingId: null },
  'post /ledger/entries': {
    date: '2026-11-01',
    kind: 'purchase',
    category: 'camera',
    description: 'x',
    netMinor: 1,
    taxMinor: 0,
    partyId: null,
    unitId: null,
  },
  'post /units/:id/sold': { on: '2026-11-24', netMinor: 1, taxMinor: 0, partyId: null },
  'post /ledger/entries/:id/refunds': { date: '2026-11-24', netMinor: 1, taxMinor: 0 },
  'put /shopping/:id/price': { price: { kind: 'seen', netMinor: 1, taxMinor: 0, on: '2026-11-24', source: '' } },
  'put /ledger/budget': { year: 2027, totalMinor: 1, version: 0 },
  'post /shopping': { item: 'x', quantity: 1, reason: '', stockId: null, setupId: null },
  'post /decisions': {
    calculator: 'pay-back',
    about: 'x',
    figures: { cost: 1 },
    way: 'Buy it',
    reason: 'x',
    on: '2026-11-24',
  },
  'post /kit-plans': { name: 'x', setupId: 'gi', purpose: null },
  'post /wishes': {
    it: { category: 'light', name: 'x' },
    uses: [{ setupId: 'gi', roleId: 'gi-r3', insteadOfId: null, beside: true }],
    prices: [{ kind: 'seen', netMinor: 1, taxMinor: 0, on: '2026-11-01', source: '' }],
    discount: { percent: 5, code: '', until: null },
    sells: [],
  },
  'post /units/:id/part-requests': { part: 'x', searched: '' },
  'post /import/inventory': { csv: 'model,category\nA,light' },
  'post /bookings/:id/take-out': { items: [{ unitId: 'CAM-06', stockId: null }] },
}

const junk = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    [],
    {},
    '',
    -1,
    1e99,
    0.5,
    true,
    'x'.repeat(5000),
    '\u0000',
    '__proto__',
    '2026-02-30',
    [[[]]],
    { a: { b: [] } },
  ),
  fc.jsonValue(),
)

const writing = routes.filter((route) => route.body)

/** A body that is broken in one place: a field of the wrong shape, a field missing, or not that kind of thing at all. */
const malformed = fc
  .record({
    route: fc.constantFrom(...Object.keys(GOOD)),
    how: fc.constantFrom('replace', 'remove', 'whole', 'text'),
    at: fc.nat(20),
    value: junk,
    raw: fc.string({ maxLength: 60 }),
  })
  .map(({ route, how, at, value, raw }) => {
    const [method = '', path = ''] = route.split(' ')
    const good = GOOD[route] as Record<string, unknown>
    const keys = Object.keys(good)
    const key = keys[at % keys.length] ?? ''
    if (how === 'text') return { method, path, body: `{"${raw}` }
    if (how === 'whole') return { method, path, body: value }
    const body = { ...good }
    if (how === 'remove') delete body[key]
    else body[key] = value
    return { method, path, body }
  })

describe('malformed bodies', () => {
  test('every route that takes a body refuses what is not one, in a sentence', async () => {
    const before = countRows(api.app)
    for (const route of writing) {
      const path = route.path.replace(':id', IDS[route.path] ?? 'nobody')
      for (const body of [
        '{',
        '[]',
        '"text"',
        'null',
        '{"csv": 5, "items": "x", "note": 7, "quantity": "many", "on": 1}',
      ]) {
        const reply = await api.call(route.method, path, body, match(1))
        // A few bodies are all optional fields; those may say that nothing changed, but never fail inside.
        expect(reply.status, `${route.method} ${path} ${body}`).toBeLessThan(500)
        if (reply.status >= 400) expect(reply.body.detail, `${route.method} ${path} ${body}`).toMatch(/[.]$|\)$/)
      }
    }
    const after = countRows(api.app)
    // What is all optional writes an event of a change to nothing; nothing else may have come.
    for (const [table, rows] of Object.entries(before)) if (table !== 'events') expect(after[table], table).toBe(rows)
  })

  test('200 bodies broken in one place: no 500, and refused ones write nothing', async () => {
    let refused = 0
    await fc.assert(
      fc.asyncProperty(malformed, async ({ method, path, body }) => {
        const before = countRows(api.app)
        const reply = await api.call(
          method,
          path.replace(':id', IDS[path] ?? ''),
          typeof body === 'string' ? body : JSON.stringify(body),
          match(999),
        )
        expect(reply.status).toBeLessThan(500)
        if (reply.status < 400) return
        refused++
        expect(reply.headers.get('content-type')).toContain('application/problem+json')
        expect(reply.body.detail.length).toBeGreaterThan(10)
        expect(countRows(api.app)).toEqual(before)
      }),
      { numRuns: 200 },
    )
    expect(refused).toBeGreaterThan(150)
  })

  test('a problem points at the field', async () => {
    const { status, body } = await api.call('POST', '/bookings', {
      ...(GOOD['post /bookings'] as object),
      endsAt: '2026-12-01T09:00',
    })
    expect(status).toBe(422)
    expect(body.errors).toEqual([{ pointer: '/endsAt', message: 'It ends before it starts.' }])
  })

  test('a body that is too large is refused before it is read', async () => {
    const { status, body } = await api.call('POST', '/people', { name: 'x', skills: [], note: 'x'.repeat(7_000_000) })
    expect([status, body.title]).toEqual([413, 'Too large'])
  })
})

const BAD_CSV: [name: string, csv: string, words: string][] = [
  ['empty', '', 'empty'],
  ['blank lines', '\n\n \n', 'empty'],
  ['heading alone', 'model,category\n', 'nothing below'],
  ['no name', 'colour,category\nA,light', 'which column names the things'],
  ['no kind that a word tells', 'model,colour\nZyx,red', 'No word says what kind'],
  ['open quote', 'model,category\n"A,light', 'quotation mark'],
  ['stray quote', 'model,category\n"A"B,light', 'quotation mark'],
  ['NUL', 'model,category\nA\u0000,light', 'not a text file'],
  ['not UTF-8', 'model,category\nA\uFFFD,light', 'not a text file'],
  ['a spreadsheet file', 'PK\u0003\u0004\u0000\u0000', 'not a text file'],
  ['too many cells', 'model,category\nA,light,x,y', 'more cells'],
  ['unknown kind', 'model,category\nA,wizard', 'wizard'],
  ['bad tag', 'tag,model,category\nno tag!,A,light', 'no tag!'],
  ['tag of another', 'tag,model,category\nCAM-01,A,light', 'another kind of thing'],
  ['tag twice', 'tag,model,category\nQ-1,A,light\nQ-1,B,light', 'line 2 has it'],
  ['money', 'model,category,price\nA,light,£12.345.6', '£12.345.6'],
  ['other money', 'model,category,price\nA,light,$12', '$12'],
  ['a day that is none', 'model,category,acquired on\nA,light,2026-02-30', '2026-02-30'],
  ['a mass in stone', 'model,category,mass\nA,light,3 stone', '3 stone'],
  ['a good line and a bad one', 'model,category\nGood,light\n,light', 'Line 3'],
  ['bells', 'model,category,note\nA,light,\u0007', 'cannot be shown'],
]

describe('malformed inventory files', () => {
  test.each(BAD_CSV)('%s', async (_, csv, words) => {
    const before = countRows(api.app)
    const { status, body } = await api.call('POST', '/import/inventory', { csv })
    expect(status).toBe(422)
    expect(body.detail).toContain(words)
    expect(countRows(api.app)).toEqual(before)
  })
})

describe('addresses and origins', () => {
  test('what is not there is said so, whatever the address', async () => {
    for (const path of [
      '/nothing',
      '/units/%00',
      '/units/..%2f..%2fetc',
      '/setups/x/readiness',
      '/bookings/%E0%A4%A',
    ]) {
      const { status, body } = await api.call('GET', path)
      expect([400, 404], path).toContain(status)
      expect(body.detail).toMatch(/[.]$/)
    }
  })

  test('bad questions are refused at the parameter', async () => {
    const { status, body } = await api.call('GET', '/units?limit=zero')
    expect([status, body.errors[0].pointer]).toEqual([422, '?limit'])
  })

  test('a page of another address cannot write', async () => {
    const before = countRows(api.app)
    const { status } = await api.call(
      'POST',
      '/people',
      { name: 'Eve', skills: [], note: '' },
      { origin: 'http://elsewhere.example' },
    )
    expect(status).toBe(403)
    expect(countRows(api.app)).toEqual(before)
  })
})
