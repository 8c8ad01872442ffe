import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../foundation/api.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

const thing = (unitId: string) => ({ unitId, stockId: null })

describe('taking out and bringing back', () => {
  test('what was ticked leaves, what was not stays, and a fault takes a thing out of the reckoning', async () => {
    const before = await api.call('GET', '/bookings/b-graft')
    expect(before.body.sheet.pieces).toBe(17)
    const out = await api.call(
      'POST',
      '/bookings/b-graft/take-out',
      { items: [thing('CAM-06'), thing('LEN-03'), thing('ARM-01')] },
      match(before.body.version),
    )
    expect(out.body.state).toBe('out')
    const page = await api.call('GET', '/bookings/b-graft')
    const states = Object.fromEntries(
      page.body.sheet.stops.flatMap((stop: { lines: { tag: string; state: string }[] }) =>
        stop.lines.map((line) => [line.tag, line.state]),
      ),
    )
    expect(states).toMatchObject({ 'CAM-06': 'out', 'LEN-03': 'out', 'LGT-04': 'left' })

    const back = await api.call(
      'POST',
      '/bookings/b-graft/bring-back',
      {
        items: [{ ...thing('CAM-06'), fault: { note: 'Screen is dark', severity: 'unusable' } }, thing('LEN-03')],
        isFinished: true,
      },
      match(out.body.version),
    )
    expect(back.body.state).toBe('back')
    const readiness = await api.call('GET', '/setups/pb/readiness?bookingId=b-moss')
    const absent = readiness.body.findings.filter((it: { code: string }) => it.code === 'thing-absent')
    expect(absent.map((it: { tag: string; absence: { note: string } }) => [it.tag, it.absence.note])).toEqual([
      ['ARM-01', 'Did not come back from Grafting'],
      ['CAM-06', 'Screen is dark'],
    ])
    const bench = await api.call('GET', '/bench')
    const fault = bench.body.faults.find((it: { tag: string }) => it.tag === 'CAM-06')
    expect(fault.usedIn).toMatchObject([{ code: 'PB' }])
    await api.call('POST', `/faults/${fault.id}/mend`, { note: 'new screen' }, match(fault.version))
    const again = await api.call('GET', '/setups/pb/readiness?bookingId=b-moss')
    expect(again.body.findings.filter((it: { code: string }) => it.code === 'thing-absent')).toHaveLength(1)
  })

  test('nothing that is not on the sheet goes out, and nothing comes back twice', async () => {
    const { body: booking } = await api.call('GET', '/bookings/b-head')
    const rows = countRows(api.app)
    const stranger = await api.call(
      'POST',
      '/bookings/b-head/take-out',
      { items: [thing('LGT-08')] },
      match(booking.version),
    )
    expect([stranger.status, stranger.body.errors[0].pointer]).toEqual([422, '/items/0'])
    const early = await api.call(
      'POST',
      '/bookings/b-head/bring-back',
      { items: [], isFinished: true },
      match(booking.version),
    )
    expect([early.status, early.body.title]).toEqual([409, 'Not out'])
    expect(countRows(api.app)).toEqual(rows)
  })

  test('a cancelled booking holds nothing', async () => {
    const { body: booking } = await api.call('GET', '/bookings/b-winter')
    const { kind, title, setupId, unitIds, placeId, personIds, startsAt, endsAt, rigMinutes, strikeMinutes, note } =
      booking
    const draft = {
      kind,
      title,
      setupId,
      unitIds,
      placeId,
      personIds,
      startsAt,
      endsAt,
      rigMinutes,
      strikeMinutes,
      note,
    }
    await api.call('PUT', '/bookings/b-winter', { ...draft, state: 'cancelled' }, match(booking.version))
    expect((await api.call('GET', '/bookings?from=2026-11-24&days=14')).body.collisions).toEqual([])
  })
})

describe('the ledger', () => {
  test('an entry changes the sum of its year to the penny', async () => {
    const before = (await api.call('GET', '/ledger/spending?year=2026')).body
    await api.call('POST', '/ledger/entries', {
      date: '2026-11-24',
      kind: 'repair',
      category: 'camera',
      description: 'Screen',
      netMinor: 8_650,
      taxMinor: 1_730,
      partyId: null,
      unitId: 'CAM-06',
    })
    const after = (await api.call('GET', '/ledger/spending?year=2026')).body
    expect(after.totalMinor - before.totalMinor).toBe(10_380)
    expect(after.months[10].byGroup.camera - before.months[10].byGroup.camera).toBe(10_380)
  })

  test('what was bought goes up in stock, once', async () => {
    const line = (
      await api.call('POST', '/shopping', {
        item: '9 V cell',
        quantity: 4,
        reason: '',
        stockId: 'CEL-02',
        setupId: null,
      })
    ).body
    const bought = await api.call('POST', `/shopping/${line.id}/bought`, undefined, match(line.version))
    await api.call('POST', `/shopping/${line.id}/bought`, undefined, match(bought.body.version))
    const { body } = await api.call('GET', '/stock')
    expect(body.find((it: { tag: string }) => it.tag === 'CEL-02').quantity).toBe(4)
  })
})
