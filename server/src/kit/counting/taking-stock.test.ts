import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const get = async (path: string) => (await api.call('GET', path)).body
const tagsOf = async (query: string) => (await get(`/units?${query}`)).rows.map((it: { tag: string }) => it.tag)
const versionOf = async (id: string) => (await get(`/units/${id}`)).version

describe('one thing', () => {
  test('a change of one field wipes no other', async () => {
    const owner = (await get('/people'))[0].id
    const first = { ownerId: owner, ownerAgreed: true, nickname: 'Old faithful', software: [] }
    await api.call('PATCH', '/units/CAM-01', first, match(await versionOf('CAM-01')))
    await api.call('PATCH', '/units/CAM-01', { note: 'x' }, match(await versionOf('CAM-01')))
    expect((await get('/units/CAM-01')).unit).toMatchObject({ ...first, note: 'x' })
  })

  test('its parts go with it, say where they are missing, and never go round in a circle', async () => {
    await api.call('PATCH', '/units/LGT-03', { parentId: 'LGT-02' }, match(await versionOf('LGT-03')))
    const page = await get('/units/LGT-02')
    expect(page.parts.map((it: { tag: string; isMissing: boolean }) => [it.tag, it.isMissing])).toEqual([
      ['LGT-03', false],
    ])
    const round = await api.call('PATCH', '/units/LGT-02', { parentId: 'LGT-03' }, match(await versionOf('LGT-02')))
    expect([round.status, round.body.errors[0].pointer]).toEqual([422, '/parentId'])
    await api.call('PATCH', '/units/LGT-03', { state: 'lost' }, match(await versionOf('LGT-03')))
    expect(await tagsOf('only=incomplete')).toEqual(['LGT-02'])
  })

  test('further pieces like it have tags of their own and no serial', async () => {
    await api.call('PATCH', '/units/CAM-01', { serial: 'S-77' }, match(await versionOf('CAM-01')))
    const { status, body } = await api.call('POST', '/units/CAM-01/duplicate', { count: 2 })
    expect([status, body.length]).toEqual([201, 2])
    const copy = await get(`/units/${body[0].id}`)
    expect([copy.unit.serial, copy.unit.modelId, copy.unit.placeId]).toEqual([
      null,
      (await get('/units/CAM-01')).unit.modelId,
      (await get('/units/CAM-01')).unit.placeId,
    ])
  })

  test('archived and brought back', async () => {
    const { body } = await api.call('POST', '/units', { category: 'other', name: 'Odd end' })
    await api.call('DELETE', `/units/${body.id}`, undefined, match(1))
    expect(await tagsOf('only=archived')).toContain(body.tag)
    expect(await tagsOf(`find=${body.tag}`)).toEqual([])
    await api.call('POST', `/units/${body.id}/restore`, {}, match(2))
    expect(await tagsOf(`find=${body.tag}`)).toEqual([body.tag])
  })

  test('recorded twice, it becomes one: what named the one names the other, and what each knew is kept', async () => {
    const { body } = await api.call('POST', '/units', { category: 'camera', name: 'Twice recorded' })
    await api.call('PATCH', `/units/${body.id}`, { note: 'has the good strap' }, match(1))
    await api.call('POST', `/units/${body.id}/faults`, { note: 'dusty', severity: 'usable', bookingId: null })
    const merged = await api.call('POST', `/units/${body.id}/merge`, { intoId: 'CAM-05' }, match(2))
    expect(merged.status).toBe(200)
    const page = await get('/units/CAM-05')
    expect(page.unit.note).toContain('has the good strap')
    expect(page.faults.some((it: { note: string }) => it.note === 'dusty')).toBe(true)
    expect((await get(`/events?subjectType=unit&subjectId=${body.id}`)).length).toBeGreaterThan(1)
  })

  test('a run that was made with the one record is a run with the other', async () => {
    const { body } = await api.call('POST', '/units', { category: 'cable', name: 'Twice recorded cable' })
    const setup = await get('/setups/lr')
    const link = {
      from: { unitId: 'CAM-03', portId: 'video-out' },
      to: { unitId: 'SWI-01', portId: 'video-in' },
      via: [body.id],
      neededMm: null,
    }
    const put = await api.call('PUT', '/setups/lr', { ...setup, links: [link] }, match(setup.version))
    expect([put.status, put.body.detail]).toEqual([200, undefined])
    await api.call('POST', `/units/${body.id}/merge`, { intoId: 'CBL-01' }, match(1))
    expect((await get('/setups/lr')).links[0].via).toEqual(['CBL-01'])
  })

  test('two that stand in one setup are two things', async () => {
    const { setups } = { setups: await get('/setups') }
    const units = setups.flatMap((it: { roles: { things: { unitId: string | null }[] }[] }) => [
      it.roles.flatMap((role) => role.things.flatMap((thing) => thing.unitId ?? [])),
    ])[0] as string[]
    const [a = '', b = ''] = units
    const { status, body } = await api.call('POST', `/units/${a}/merge`, { intoId: b }, match(await versionOf(a)))
    expect([status, body.title]).toEqual([409, 'Two things'])
  })

  test('a booking and a setup that counted on the one count on the other', async () => {
    const { version } = await get('/units/TRI-02')
    const booking = await api.call('POST', '/bookings', {
      kind: 'shoot',
      title: 'With sticks',
      setupId: null,
      placeId: null,
      personIds: [],
      unitIds: ['TRI-02'],
      startsAt: '2027-03-02T09:00',
      endsAt: '2027-03-02T10:00',
      rigMinutes: 0,
      strikeMinutes: 0,
      state: 'pencilled',
      note: '',
    })
    const into = (await api.call('POST', '/units', { category: 'tripod', name: 'The real record' })).body
    await api.call('POST', '/units/TRI-02/merge', { intoId: into.id }, match(version))
    expect((await get(`/bookings/${booking.body.id}`)).unitIds).toEqual([into.id])
  })
})

describe('finding', () => {
  test('by the beginnings of words in any order, accents and dashes aside', async () => {
    const [exact] = await tagsOf('find=CAM-06')
    expect(exact).toBe('CAM-06')
    expect(await tagsOf('find=cam06')).toContain('CAM-06')
    const { rows } = await get('/units?find=body%20ver')
    for (const row of rows) expect(row.name).toMatch(/Verrin .*body/)
    expect(rows.length).toBeGreaterThan(0)
  })

  test('with a slip of the fingers, saying so, and on its second page too', async () => {
    const { rows, isNear, next } = await get('/units?find=verin&limit=1')
    expect([rows.length, isNear]).toEqual([1, true])
    const second = await get(`/units?find=verin&limit=1&after=${encodeURIComponent(next)}`)
    expect([second.isNear, second.rows[0].tag > rows[0].tag]).toEqual([true, true])
    expect((await get('/units?find=zzzzqqq')).rows).toEqual([])
  })

  test('a new name is found at once, the old one no longer', async () => {
    const { model } = await get('/units/CAM-06')
    await api.call(
      'PUT',
      `/models/${model.id}`,
      { ...model, name: 'Quince 9', aliases: ['Medlar'] },
      match(model.version),
    )
    expect(await tagsOf('find=quince')).toContain('CAM-06')
    expect(await tagsOf('find=medlar')).toContain('CAM-06')
  })

  test('each filter finds what it says', async () => {
    const place = (await get('/units/CAM-01')).unit.placeId
    for (const row of (await get(`/units?placeId=${place}`)).rows) expect(row.place).not.toBe(null)
    expect(await tagsOf('setupId=gi')).not.toEqual([])
    for (const row of (await get('/units?interface=sd')).rows)
      expect(['card', 'camera', 'recorder']).toContain(row.category)
    const { startsAt } = await get('/bookings/b-graft')
    const free = await tagsOf(`freeOn=${startsAt.slice(0, 10)}&limit=500`)
    const held = (await get('/bookings/b-graft')).sheet.stops.flatMap((it: { lines: { tag: string }[] }) =>
      it.lines.map((line) => line.tag),
    )
    for (const tag of held) expect(free).not.toContain(tag)
    expect(free.length).toBeGreaterThan(5)
    for (const row of (await get('/units?only=no-mass')).rows) expect(row.massGrams).toBe(null)
    for (const row of (await get('/units?idleMonths=1')).rows) expect(row.lastOutAt ?? 0).toBeLessThan(api.app.now())
  })

  test('every order is a whole walk through the list, each thing once', async () => {
    const all = await tagsOf('limit=500')
    for (const sort of ['tag', 'name', 'place', 'acquired', 'used']) {
      const met: string[] = []
      for (let after = ''; ; ) {
        const page = await get(`/units?sort=${sort}&limit=7${after && `&after=${encodeURIComponent(after)}`}`)
        met.push(...page.rows.map((it: { tag: string }) => it.tag))
        if (!page.next) break
        after = page.next
      }
      expect([sort, [...met].sort()]).toEqual([sort, all])
    }
  })

  test('a view keeps its filter under a name', async () => {
    const view = { name: 'Lights to sell', filter: { group: 'light', state: 'for-sale' }, columns: ['place', 'price'] }
    await api.call('POST', '/kit-views', view)
    expect(await get('/kit-views')).toEqual([expect.objectContaining(view)])
  })
})

describe('many at once', () => {
  test('looked at first, done as one change, taken back as one', async () => {
    const body = { ids: null, filter: { group: 'sound' }, changes: { serviceEveryDays: 400 } }
    const before = countRows(api.app)
    const preview = (await api.call('POST', '/units/change-many/preview', body)).body
    expect(countRows(api.app)).toEqual(before)
    const done = await api.call('POST', '/units/change-many', body)
    expect(done.body.changed).toBe(preview.changed)
    expect((await get('/units/MIC-01')).unit.serviceEveryDays).toBe(400)
    await api.call('POST', `/changes/${done.headers.get('x-exemplar-change')}/undo`, {})
    expect((await get('/units/MIC-01')).unit.serviceEveryDays).not.toBe(400)
  })

  test('what stands in a setup is not archived with the rest, and nothing to change is said', async () => {
    const { body } = await api.call('POST', '/units', { category: 'other', name: 'Odd end' })
    const changes = { archive: true }
    const done = await api.call('POST', '/units/change-many', { ids: [body.id, 'CAM-01'], changes })
    expect([done.body.changed, done.body.obstacles]).toEqual([1, 1])
    const again = await api.call('POST', '/units/change-many', { ids: ['CAM-01'], changes })
    expect([again.status, again.body.title]).toEqual([422, 'Nothing to change'])
  })
})

describe('models and where they meet', () => {
  test('two names of one model become one, the old name an alias that a list finds', async () => {
    const { body } = await api.call('POST', '/units', { category: 'tripod', maker: 'Sedge', name: 'Sticks mk II' })
    const { model } = await get('/units/TRI-02')
    await api.call('POST', `/models/${body.modelId}/merge`, { intoId: model.id }, match(1))
    expect((await get(`/units/${body.id}`)).model.aliases).toContain('Sedge Sticks mk II')
    const other = (await api.call('POST', '/units', { category: 'light', name: 'Lamp' })).body
    const refused = await api.call('POST', `/models/${other.modelId}/merge`, { intoId: model.id }, match(1))
    expect(refused.status).toBe(422)
  })

  test('an interface of our own is made, changed and asked what fits; a standard stays', async () => {
    const own = {
      label: 'Wren plate',
      kind: 'carry',
      hostName: 'clamp',
      guestName: 'plate',
      standard: null,
      viaCableOnly: false,
    }
    const { body } = await api.call('POST', '/interfaces', own)
    expect(body.code).toBe('carry-wren-plate')
    expect((await api.call('POST', '/interfaces', own)).status).toBe(409)
    const sd = (await get('/interfaces')).find((it: { code: string }) => it.code === 'sd')
    expect((await api.call('PUT', '/interfaces/sd', own, match(sd.version))).status).toBe(409)
    const fits = await get('/interfaces/sd/fits')
    expect([fits.hosts.length > 0, fits.guests.length > 0]).toEqual([true, true])
  })

  test('a port at an interface that is nowhere is refused at the port', async () => {
    const { model } = await get('/units/LGT-02')
    const ports = [{ ...model.ports[0], interfaces: ['no-such'] }, ...model.ports.slice(1)]
    const { status, body } = await api.call('PUT', `/models/${model.id}`, { ...model, ports }, match(model.version))
    expect([status, body.errors[0].pointer]).toEqual([422, '/ports/0/interfaces'])
  })
})

describe('counting a place', () => {
  test('many scan at once; settling sets counts, moves what turned up, and takes for lost what somebody says is', async () => {
    const { body } = await api.call('POST', '/stocktakes', { placeId: 'store' })
    const before = await get(`/stocktakes/${body.id}`)
    const expected = before.lines.filter((it: { outcome: string }) => it.outcome === 'missing')
    const things = expected
      .filter((it: { expected: number | null }) => it.expected === null)
      .map((it: { tag: string }) => it.tag)
    const stock = expected.find((it: { expected: number | null }) => it.expected !== null)
    const [lost, ...here] = things
    const strange = (await get('/units?only=in-none&limit=200')).rows.find(
      (it: { tag: string }) => !things.includes(it.tag),
    )
    const scans = [...here, strange?.tag ?? 'TRI-02'].map((tag) => ({ tag, quantity: null }))
    await Promise.all(scans.map((scan) => api.as('crew')('POST', `/stocktakes/${body.id}/seen`, scan)))
    if (stock) await api.call('POST', `/stocktakes/${body.id}/seen`, { tag: stock.tag, quantity: 3 })
    const seen = await get(`/stocktakes/${body.id}`)
    expect(seen.lines.filter((it: { outcome: string }) => it.outcome === 'here')).toHaveLength(here.length)
    const settled = await api.call('POST', `/stocktakes/${body.id}/settle`, { lost: [lost] }, match(seen.version))
    expect(settled.status).toBe(200)
    expect((await get(`/units?find=${lost}`)).rows[0].state).toBe('lost')
    if (stock) expect((await get('/stock')).find((it: { tag: string }) => it.tag === stock.tag).quantity).toBe(3)
    const late = await api.call('POST', `/stocktakes/${body.id}/seen`, { tag: 'CAM-01', quantity: null })
    expect([late.status, late.body.title]).toEqual([409, 'Settled'])
  })
})

describe('then and now', () => {
  test('a snapshot keeps what was; the difference to now names what came and moved', async () => {
    const { body } = await api.call('POST', '/snapshots', { name: 'Before the move' })
    expect((await get(`/snapshots/difference?from=${body.id}`)).came).toEqual([])
    const added = (await api.call('POST', '/units', { category: 'light', name: 'Fresh lamp' })).body
    await api.call('PATCH', '/units/TRI-02', { state: 'standby' }, match(await versionOf('TRI-02')))
    const difference = await get(`/snapshots/difference?from=${body.id}`)
    expect(difference.came.map((it: { tag: string }) => it.tag)).toEqual([added.tag])
    expect(difference.changed[0].fields[0]).toMatchObject({ field: 'state', after: 'Standby' })
  })
})

describe('a purchase that came as several', () => {
  test('is split to the penny; what was not in the box is to be bought; the crew sees no share', async () => {
    const part = { maker: 'Dace', isThere: true, aloneMinor: null, quantity: 1 }
    const { status, body } = await api.call('POST', '/bundles', {
      title: 'Two-light kit',
      priceMinor: 10_001,
      taxMinor: 2_000,
      on: '2026-11-20',
      partyId: null,
      placeId: 'store',
      acquisition: 'bought-new',
      staysTogether: true,
      parts: [
        { ...part, category: 'panel', name: 'Panel 30', quantity: 2 },
        { ...part, category: 'case', name: 'Case for panels' },
        { ...part, category: 'lead', name: 'Lead for panel', isThere: false },
      ],
    })
    expect([status, body.tags, body.missing]).toEqual([201, ['PAN-01', 'PAN-02', 'CAS-01'], ['Lead for panel']])
    const { rows } = await get('/units?find=PAN-01')
    const page = await get(`/units/${rows[0].id}`)
    expect(page.unit.priceMinor).toBe(3_334)
    expect(page.parts.map((it: { tag: string }) => it.tag)).toEqual(['CAS-01', 'PAN-02'])
    expect((await get('/shopping')).some((it: { item: string }) => it.item === 'Lead for panel')).toBe(true)
    const spent = (await get('/ledger/entries?year=2026')).filter((it: { description: string }) =>
      it.description.includes('Two-light kit'),
    )
    const sum = (key: 'netMinor' | 'taxMinor') =>
      spent.reduce((all: number, it: Record<string, number>) => all + (it[key] ?? 0), 0)
    expect([sum('netMinor'), sum('taxMinor')]).toEqual([10_001, 2_000])
    expect((await api.as('crew')('GET', `/units/${rows[0].id}`)).body.unit.provenance.taxMinor).toBe(null)
  })
})

test('the schedule tells ours from what others insure; duties and disclosures come from how things came', async () => {
  const provenance = {
    ...(await get('/units/CAM-01')).unit.provenance,
    duties: [{ what: 'A film about it', dueOn: '2026-12-24', doneOn: null, filmId: null }],
  }
  await api.call('PATCH', '/units/CAM-01', { acquisition: 'gift', provenance }, match(await versionOf('CAM-01')))
  const { duties, disclosures } = await get('/kit-duties')
  expect(duties[0]).toMatchObject({ tag: 'CAM-01', dueOn: '2026-12-24' })
  expect(disclosures.find((it: { tag: string }) => it.tag === 'CAM-01').text).toContain('was given to us')
  const { rows } = await get('/kit-schedule')
  expect(rows.length).toBeGreaterThan(30)
  for (const row of rows)
    expect(row.isOthers).toBe(['loan-in', 'rented', 'venue', 'personal', 'household'].includes(row.acquisition))
})

describe('what a thing brings into a setup', () => {
  test('a part that is lost makes the setup warn, with another thing as the way out; found, it is quiet again', async () => {
    const findings = async () =>
      (await get('/setups/gi/readiness')).findings.filter((it: { code: string }) => it.code === 'part-missing')
    const inGi = (await get('/units?setupId=gi&group=light')).rows[0]
    await api.call('PATCH', '/units/LED-06', { parentId: inGi.id, state: 'lost' }, match(await versionOf('LED-06')))
    const [finding] = await findings()
    expect([finding.level, finding.tag, finding.parts[0]]).toEqual([
      'warn',
      inGi.tag,
      expect.stringContaining('LED-06'),
    ])
    await api.call('PATCH', '/units/LED-06', { state: 'in-service' }, match(await versionOf('LED-06')))
    expect(await findings()).toEqual([])
  })

  test('it is on the sheet with what goes with it, and both are held', async () => {
    await api.call('PATCH', '/units/LED-06', { parentId: 'LGT-07' }, match(await versionOf('LED-06')))
    const booking = {
      kind: 'shoot',
      title: 'One tube',
      setupId: null,
      placeId: null,
      personIds: [],
      unitIds: ['LGT-07'],
      startsAt: '2027-03-02T09:00',
      endsAt: '2027-03-02T10:00',
      rigMinutes: 0,
      strikeMinutes: 0,
      state: 'confirmed',
      note: '',
    }
    const { body } = await api.call('POST', '/bookings', booking)
    const { sheet } = await get(`/bookings/${body.id}`)
    const tags = sheet.stops.flatMap((it: { lines: { tag: string }[] }) => it.lines.map((line) => line.tag))
    expect(tags.sort()).toEqual(['LED-06', 'LGT-07'])
    expect(await tagsOf('freeOn=2027-03-02&find=LED-06')).toEqual([])
  })
})
