import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

async function settings(part: Record<string, unknown>) {
  const { body } = await api.call('GET', '/studio')
  return api.call('PUT', '/studio', { ...body, ...part }, match(body.version))
}

async function findWorking(setupId: string, formula: string) {
  const { body } = await api.call('GET', `/setups/${setupId}/readiness`)
  return body.workings.find((it: { formula: string }) => it.formula === formula)
}

describe('settings', () => {
  test('every verdict follows them at once', async () => {
    expect(await findWorking('lr', 'pack-hours')).toMatchObject({ spare: 1, wanted: 6 })
    expect(await findWorking('lr', 'card-minutes')).toMatchObject({ minutes: 76 })
    await settings({ sparePacks: 3, cardHeadroomPercent: 0, packEfficiencyPercent: 100 })
    // 28 Wh at 14 W and nothing lost: 120 minutes, so one pack for each camera; the monitor at 24 W takes two.
    expect(await findWorking('lr', 'pack-hours')).toMatchObject({ spare: 3, needed: 5, wanted: 8 })
    expect(await findWorking('lr', 'card-minutes')).toMatchObject({ minutes: 85 })
  })

  test.each([
    ['currency', 'pounds'],
    ['zone', 'Europe/Larkmoor'],
    ['cardHeadroomPercent', 80],
    ['continuousLoadPercent', 101],
    ['sparePacks', -1],
    ['name', ''],
  ])('refuse a %s of %j at its field', async (field, value) => {
    const { status, body } = await settings({ [field]: value })
    expect([status, body.errors[0].pointer]).toEqual([422, `/${field}`])
  })

  test('the time is the one that was fixed, and no reply is kept by a cache', async () => {
    const { body, headers } = await api.call('GET', '/studio')
    expect(body.now).toBe(Date.UTC(2026, 10, 24, 8))
    expect(headers.get('cache-control')).toBe('no-store')
    expect(headers.get('etag')).toBe('"1"')
  })
})

describe('people and places', () => {
  test('are added and changed, each with an event', async () => {
    const added = await api.call('POST', '/people', { name: ' Mira Dunn ', skills: ['sound'], note: '' })
    expect(added.body).toMatchObject({ name: 'Mira Dunn', version: 1 })
    const changed = await api.call(
      'PUT',
      `/people/${added.body.id}`,
      { name: 'Mira Dunn', skills: ['sound', 'switcher'], note: '' },
      match(1),
    )
    expect(changed.body.version).toBe(2)
    const { body: events } = await api.call('GET', `/events?subjectType=person&subjectId=${added.body.id}`)
    expect(events.map((it: { kind: string }) => it.kind)).toEqual(['changed', 'created'])
  })

  test('a place has a name of its own, sound circuits, and does not stand inside itself', async () => {
    const place = { name: 'Attic', kind: 'room', parentId: null, circuits: [], note: '' }
    expect((await api.call('POST', '/places', { ...place, name: 'Store' })).body.errors[0]).toMatchObject({
      pointer: '/name',
    })
    const circuit = { id: 'a', name: 'A', volts: 0, amps: 10, outlets: 2, outletInterface: 'mains-bs1363' }
    const { body } = await api.call('POST', '/places', { ...place, circuits: [circuit] })
    expect(body.errors[0]).toEqual({ pointer: '/circuits/0/volts', message: 'A circuit has a voltage.' })
    const made = await api.call('POST', '/places', place)
    const inside = await api.call('PUT', `/places/${made.body.id}`, { ...place, parentId: made.body.id }, match(1))
    expect([inside.status, inside.body.errors[0].pointer]).toEqual([422, '/parentId'])
  })

  test('vendors and lenders are listed with what they are', async () => {
    await api.call('POST', '/parties', { name: 'Ash & Elm hire', kind: 'lender', note: '' })
    const { body } = await api.call('GET', '/parties')
    expect(body.map((it: { kind: string }) => it.kind).sort()).toEqual([
      'lender',
      'lender',
      'lender',
      'repairer',
      'vendor',
    ])
  })
})

describe('bench and ledger', () => {
  test('a service sets the next date; one in the future is refused', async () => {
    const due = async () =>
      (await api.call('GET', '/services')).body.lines.find(
        (it: { tag: string; planId: string | null }) => it.tag === 'CAM-01' && it.planId === null,
      )
    const record = (on: string) =>
      api.call('POST', '/services', { items: [{ unitId: 'CAM-01', planId: null }], on, note: 'sensor cleaned' })
    expect((await due()).isDue).toBe(true)
    expect((await record('2026-11-25')).status).toBe(422)
    await record('2026-11-24')
    expect(await due()).toMatchObject({ isDue: false, dueOn: '2027-11-24', daysLeft: 365 })
    // One that was done before and is written down after makes the next one no earlier.
    await record('2026-10-01')
    expect(await due()).toMatchObject({ dueOn: '2027-11-24' })
  })

  test('a thing back from repair is counted on again', async () => {
    // Of one whose repair is written down its repair says so.
    expect((await api.call('GET', '/bench')).body.inRepair).toEqual([])
    api.app.db.$client.prepare('DELETE FROM repairs').run()
    const { body: bench } = await api.call('GET', '/bench')
    expect(bench.inRepair).toMatchObject([{ tag: 'LEN-05', usedIn: [{ code: 'LR' }] }])
    await api.call('PATCH', '/units/LEN-05', { state: 'in-service', dueOn: null }, match(bench.inRepair[0].unitVersion))
    const { body: readiness } = await api.call('GET', '/setups/lr/readiness?bookingId=b-talk2')
    expect(readiness.findings.map((it: { key: string }) => it.key)).not.toContain('thing-absent/LEN-05')
  })

  test('a budget is set by whoever saw the last one', async () => {
    const { body } = await api.call('GET', '/ledger/spending?year=2026')
    const change = (totalMinor: number) =>
      api.call('PUT', '/ledger/budget', { year: 2026, totalMinor, version: body.budgetVersion })
    const statuses = (await Promise.all([change(700_000), change(800_000)])).map((it) => it.status)
    expect(statuses.sort()).toEqual([200, 409])
    const first = await api.call('PUT', '/ledger/budget', { year: 2031, totalMinor: 1, version: 0 })
    expect(first.status).toBe(200)
  })

  test('a passed budget asks for a decision', async () => {
    const { body } = await api.call('GET', '/ledger/spending?year=2026')
    await api.call('PUT', '/ledger/budget', {
      year: 2026,
      totalMinor: body.totalMinor - 1,
      version: body.budgetVersion,
    })
    const { body: today } = await api.call('GET', '/today')
    expect(today.sections.decide).toContainEqual(
      expect.objectContaining({ code: 'budget', totalMinor: body.totalMinor }),
    )
  })

  test('entries are corrected in place, and the sum follows', async () => {
    const { body: list } = await api.call('GET', '/ledger/entries?year=2026')
    const entry = list.find((it: { id: string }) => it.id === 'e-r-4')
    const before = (await api.call('GET', '/ledger/spending?year=2026')).body.totalMinor
    const { date, kind, category, description, netMinor, taxMinor, partyId, unitId } = entry
    const body = { date, kind, category, description, netMinor: netMinor + 100, taxMinor, partyId, unitId }
    await api.call('PUT', '/ledger/entries/e-r-4', body, match(entry.version))
    expect((await api.call('GET', '/ledger/spending?year=2026')).body.totalMinor).toBe(before + 100)
  })
})

describe('today and find', () => {
  test('what is on the shopping list is not asked for twice', async () => {
    const buys = async () =>
      (await api.call('GET', '/today')).body.sections.before.filter(
        (it: { code: string; item: string }) => it.code === 'buy' && it.item === '9 V cell',
      )
    expect(await buys()).toMatchObject([{ lineId: null, level: 'stop' }])
    await api.call('POST', '/shopping', {
      item: '9 V cell',
      quantity: 4,
      reason: 'for MIC-02',
      stockId: 'CEL-02',
      setupId: 'gi',
    })
    expect(await buys()).toMatchObject([{ quantity: 4, level: 'advise' }])
  })

  test('finds setups, things, bookings and people by part of their names', async () => {
    const find = async (q: string) =>
      (await api.call('GET', `/find?q=${encodeURIComponent(q)}`)).body.hits.map((it: { title: string }) => it.title)
    expect((await find('winter talk')).sort()).toEqual(['Second winter talk', 'Winter talk'])
    expect((await find('lr'))[0]).toBe('Lecture, three cameras')
    expect((await find('yus'))[0]).toBe('Yusra Vane')
    expect((await find('cam02'))[0]).toMatch(/^CAM-02 /)
    expect((await find('cam-02'))[0]).toMatch(/^CAM-02 /)
    expect(await find('%')).toEqual([])
  })

  test('forgives typing errors, knows places and actions, and follows every change at once', async () => {
    const find = async (q: string) => (await api.call('GET', `/find?q=${encodeURIComponent(q)}`)).body.hits
    expect((await find('glashouse'))[0]).toMatchObject({ title: expect.stringContaining('Glasshouse') })
    expect((await find('orangrey')).map((it: { kind: string }) => it.kind)).toContain('place')
    expect((await find('backup'))[0]).toMatchObject({ kind: 'action', path: '/studio/safe' })
    const { body: made } = await api.call('POST', '/people', { name: 'Odalys Quint', skills: ['grip'], note: '' })
    expect((await find('odalys'))[0]).toMatchObject({ id: made.id })
    await api.call('DELETE', `/people/${made.id}`, undefined, match(1))
    expect(await find('odalys')).toEqual([])
  })

  test('offers the crew no action that would be refused', async () => {
    const { body } = await api.as('crew')('GET', '/find?q=invite')
    expect(body.hits).toEqual([])
  })
})

describe('an empty Exemplar', () => {
  test('has a studio, the standard interfaces, and nothing to say', async () => {
    const empty = await startApi()
    const { body: today } = await empty.call('GET', '/today')
    expect(Object.values(today.sections).flat()).toEqual([])
    expect((await empty.call('GET', '/interfaces')).body.length).toBeGreaterThan(15)
    expect((await empty.call('GET', '/units')).body).toEqual({ rows: [], next: null, isNear: false })
    expect((await empty.call('GET', '/studio')).body).toMatchObject({ currency: 'GBP', zone: 'Europe/London' })
    empty.close()
  })
})
