import type { NewBooking } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../foundation/api.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const draft = (part: Partial<NewBooking> = {}): NewBooking => ({
  kind: 'shoot',
  title: 'Late roses',
  setupId: null,
  unitIds: ['LGT-02'],
  placeId: null,
  personIds: [],
  startsAt: '2026-12-10T10:00',
  endsAt: '2026-12-10T12:00',
  rigMinutes: 30,
  strikeMinutes: 15,
  state: 'pencilled',
  note: '',
  partyId: null,
  feeMinor: null,
  needsFloor: false,
  sky: null,
  ...part,
})

const thing = (unitId: string) => ({ unitId, stockId: null })

describe('who is free', () => {
  test('says of everybody of the team what takes them at that time', async () => {
    const person = { personIds: ['bram'], unitIds: ['LGT-03'] }
    await api.call('POST', '/bookings', { ...draft(person), state: 'confirmed', title: 'Roses, first day' })
    const busy = async (startsAt: string, endsAt: string) =>
      (await api.call('POST', '/bookings/check', { ...draft(), startsAt, endsAt })).body.busy
    expect(await busy('2026-12-10T11:00', '2026-12-10T13:00')).toEqual([
      { personId: 'bram', title: 'Roses, first day' },
    ])
    // The other booking strikes until 12:15, and this one rigs half an hour: from 12:45 on nothing meets.
    expect(await busy('2026-12-10T12:45', '2026-12-10T14:00')).toEqual([])
  })
})

describe('booking', () => {
  test('holds its things with its buffers, and nothing beyond them', async () => {
    const { body: booking } = await api.call('POST', '/bookings', draft())
    const clashing = async (startsAt: string, endsAt: string) =>
      (await api.call('POST', '/bookings/check', draft({ startsAt, endsAt, rigMinutes: 0, strikeMinutes: 0 }))).body
        .troubles.length
    expect(await clashing('2026-12-10T12:15', '2026-12-10T13:00')).toBe(0)
    expect(await clashing('2026-12-10T12:14', '2026-12-10T13:00')).toBe(1)
    expect(await clashing('2026-12-10T08:00', '2026-12-10T09:30')).toBe(0)
    expect(await clashing('2026-12-10T08:00', '2026-12-10T09:31')).toBe(1)
    const own = await api.call('POST', `/bookings/check?except=${booking.id}`, draft())
    expect(own.body.troubles).toEqual([])
  })

  test('names rooms and people that are taken, and by what', async () => {
    const { body } = await api.call(
      'POST',
      '/bookings/check',
      draft({
        startsAt: '2026-11-26T10:00',
        endsAt: '2026-11-26T11:00',
        placeId: 'glasshouse',
        personIds: ['imke', 'bram'],
      }),
    )
    expect(
      body.clashes.map((it: { label: string; absence: { title: string } }) => [it.label, it.absence.title]),
    ).toEqual([
      ['Glasshouse corner', 'Head gardener'],
      ['Imke Harrow', 'Head gardener'],
      ['Bram Okeld', 'Winter talk'],
    ])
  })

  test('a kit that stands ready holds its things for as long as it stands', async () => {
    const ready = draft({
      kind: 'ready-kit',
      title: 'Second pair, always rigged',
      startsAt: '2026-12-01T08:00',
      endsAt: '2027-02-01T08:00',
    })
    expect((await api.call('POST', '/bookings', { ...ready, state: 'confirmed' })).status).toBe(201)
    const shoot = draft({ startsAt: '2027-01-12T10:00', endsAt: '2027-01-12T11:00' })
    const { body } = await api.call('POST', '/bookings/check', shoot)
    expect(body.troubles.map((it: { absence: object }) => it.absence)).toMatchObject([
      { reason: 'booked', title: 'Second pair, always rigged' },
    ])
  })

  test('says when the clocks move a time that does not exist', async () => {
    const { body } = await api.call(
      'POST',
      '/bookings/check',
      draft({ startsAt: '2027-03-28T01:30', endsAt: '2027-03-28T04:00' }),
    )
    expect(body.movedMinutes).toEqual({ start: 60, end: 0 })
  })

  test('a window of days shows what reaches into it, and nothing else', async () => {
    const titles = async (from: string, days: number) =>
      (await api.call('GET', `/bookings?from=${from}&days=${days}`)).body.bookings.map(
        (it: { title: string }) => it.title,
      )
    expect(await titles('2026-11-25', 1)).toEqual(['Grafting'])
    expect(await titles('2026-11-26', 1)).toEqual(['Head gardener', 'Winter talk', 'Seed heads, close'])
    expect(await titles('2027-05-01', 30)).toEqual([])
    expect((await api.call('GET', '/bookings?from=soon')).status).toBe(422)
  })

  test.each([
    ['no setup, thing or room', { unitIds: [] }, '/setupId'],
    ['an end before its start', { endsAt: '2026-12-10T09:00' }, '/endsAt'],
    ['a thing that is not there', { unitIds: ['LGT-99'] }, '/unitIds/0'],
    ['a person who is not there', { personIds: ['nobody'] }, '/personIds/0'],
    ['a setup that is not there', { setupId: 'xx' }, '/setupId'],
    ['a room that is not there', { placeId: 'attic' }, '/placeId'],
  ])('refuses %s, at the field', async (_, part, pointer) => {
    const before = countRows(api.app)
    const { status, body } = await api.call('POST', '/bookings', draft(part))
    expect([status, body.errors[0].pointer]).toEqual([422, pointer])
    expect(countRows(api.app)).toEqual(before)
  })

  test('one whose things are out is not changed any more', async () => {
    const { status, body } = await api.call('PUT', '/bookings/b-bog', draft(), match(1))
    expect([status, body.title]).toEqual([409, 'Already out'])
  })

  test('follows its setup until things leave, and keeps what left from then on', async () => {
    const tags = async () => {
      const { body } = await api.call('GET', '/bookings/b-graft')
      return body.sheet.stops.flatMap((stop: { lines: { tag: string }[] }) => stop.lines.map((line) => line.tag))
    }
    const swap = async (from: string, to: string) => {
      const { body: setup } = await api.call('GET', '/setups/pb')
      const text = JSON.stringify(setup.roles).replace(`"${from}"`, `"${to}"`)
      await api.call('PUT', '/setups/pb', { ...setup, roles: JSON.parse(text) }, match(setup.version))
    }
    await swap('LEN-03', 'LEN-08')
    expect(await tags()).toContain('LEN-08')
    const { body: booking } = await api.call('GET', '/bookings/b-graft')
    await api.call('POST', '/bookings/b-graft/take-out', { items: [thing('LEN-08')] }, match(booking.version))
    await swap('LEN-08', 'LEN-03')
    expect(await tags()).toContain('LEN-08')
    expect(await tags()).not.toContain('LEN-03')
  })
})

describe('bringing back in parts', () => {
  test('what came back is free, what is still out is late, and the rest is missing at the end', async () => {
    const first = await api.call(
      'POST',
      '/bookings/b-bog/bring-back',
      { items: [thing('MIC-03')], isFinished: false },
      match(1),
    )
    expect(first.body.state).toBe('out')
    const check = async (unitId: string) =>
      (await api.call('POST', '/bookings/check', draft({ unitIds: [unitId] }))).body.troubles.map(
        (it: { absence: { reason: string } }) => it.absence.reason,
      )
    expect(await check('MIC-03')).toEqual([])
    expect(await check('TRI-02')).toEqual(['late'])
    const { body: today } = await api.call('GET', '/today')
    expect(today.sections.out.find((it: { code: string }) => it.code === 'out')).toMatchObject({
      pieces: 3,
      isLate: true,
    })
    const twice = await api.call(
      'POST',
      '/bookings/b-bog/bring-back',
      { items: [thing('CAM-01')], isFinished: false },
      match(2),
    )
    expect(twice.status).toBe(422)
    await api.call(
      'POST',
      '/bookings/b-bog/bring-back',
      { items: [thing('LGT-05'), thing('SDC-08')], isFinished: true },
      match(2),
    )
    expect(await check('TRI-02')).toEqual(['fault'])
    expect(await check('LGT-05')).toEqual([])
    const { body: page } = await api.call('GET', '/units/TRI-02')
    expect(page.faults[0]).toMatchObject({
      note: 'Did not come back from Bog walk',
      severity: 'unusable',
      bookingId: 'b-bog',
    })
  })

  test('nothing is offered as a stand-in that is late, faulty, lent or on its way back to its owner', async () => {
    const { body: readiness } = await api.call('GET', '/setups/gi/readiness?bookingId=b-head')
    const offered: (string | undefined)[] = []
    for (const { key } of readiness.findings) {
      const path = `/setups/gi/remedies?bookingId=b-head&key=${encodeURIComponent(key)}`
      const { body } = await api.call('GET', path)
      offered.push(...body.remedies.map((it: { tag?: string }) => it.tag))
    }
    expect(offered).toContain('TRI-06')
    for (const tag of ['TRI-02', 'RAI-01', 'LGT-07', 'LEN-05']) expect(offered).not.toContain(tag)
  })
})
