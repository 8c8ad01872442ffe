import { type BenchReply, judgeMending } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, makeSetup, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What a fault teaches: from an empty instance, the quick way, with its edges.
const { api, call, add } = useQuickEntry()

const fault = (thing: Pick<Thing, 'id'>, part: object = {}) =>
  call('POST', `/units/${thing.id}/faults`, {
    note: 'The leg comes loose',
    severity: 'usable',
    bookingId: null,
    ...part,
  })
const told = async (thing: Pick<Thing, 'id'>): Promise<BenchReply['faults']> =>
  (await call('GET', '/bench')).faults.filter((it: { unitId: string }) => it.unitId === thing.id)
const mend = ({ id, version }: { id: string; version: number }) =>
  call('POST', `/faults/${id}/mend`, { note: '' }, version)
const use = (thing: Pick<Thing, 'id'>, uses: number) =>
  call('POST', `/units/${thing.id}/uses`, { on: '2026-11-24', uses, hours: 0, note: '' })

describe('what comes again', () => {
  test('[N05.1] a leg that comes loose however often it is mended: how many times in a year is said, what only looks bad is none', async () => {
    const legs = await add('tripod', 'Legs')
    await mend(await fault(legs))
    await mend(await fault(legs, { severity: 'cosmetic', note: 'scratched' }))
    await fault(legs)
    expect(await told(legs)).toMatchObject([{ timesInYear: 2, advice: 'mend' }])
    await fault(legs, { note: 'and again' })
    expect((await told(legs)).map((it) => [it.timesInYear, it.advice])).toEqual([
      [3, 'replace-faults'],
      [3, 'replace-faults'],
    ])
  })

  test('[N05.2] mend or replace: by how often it failed, or by what its repairs cost against another; without a price it is asked', async () => {
    const legs = await add('tripod', 'Legs')
    await fault(legs)
    const spend = (netMinor: number) =>
      call('POST', '/ledger/entries', {
        date: '2026-11-20',
        kind: 'repair',
        category: 'tripod',
        description: 'Leg',
        netMinor,
        taxMinor: 0,
        partyId: null,
        unitId: legs.id,
      })
    const advice = async () => (await told(legs))[0]?.advice
    expect(await advice()).toBe('mend')
    await spend(4_999)
    expect(await advice()).toBe('price-unknown')
    const { unit } = await call('GET', `/units/${legs.id}`)
    await call('PATCH', `/units/${legs.id}`, { priceMinor: 10_000 }, unit.version)
    expect(await advice()).toBe('mend')
    await spend(1)
    expect(await advice()).toBe('replace-cost')
    // What another costs today counts before what this one cost once.
    const { unit: now } = await call('GET', `/units/${legs.id}`)
    await call(
      'PATCH',
      `/units/${legs.id}`,
      { provenance: { ...now.provenance, replacementMinor: 20_000 } },
      now.version,
    )
    expect(await advice()).toBe('mend')
  })

  test('[N09.1] [N09.2] a bad battery door is a nuisance: it stops nothing, and weighs half as much as a fault', async () => {
    const eye = await add('camcorder', 'Eye')
    await fault(eye, { severity: 'nuisance', note: 'battery door sticks' })
    const id = (await call('POST', '/setups', makeSetup([{ name: 'A camera', things: [eye] }]))).id
    expect(JSON.stringify((await call('GET', `/setups/${id}/readiness`)).findings)).not.toContain('thing-absent')
    const weigh = (inYear: Parameters<typeof judgeMending>[0]['inYear']) =>
      judgeMending({ inYear, repairMinor: 0, newMinor: null })
    expect(weigh(['usable', 'unusable', 'nuisance'])).toBe('mend')
    expect(weigh(['usable', 'unusable', 'nuisance', 'nuisance'])).toBe('replace-faults')
    expect(weigh(['usable', 'unusable', 'cosmetic', 'cosmetic'])).toBe('mend')
  })
})

describe('what stays open', () => {
  test('[N06.1] [N06.2] it stands with its days, and a work-around with what it took since: uses times minutes, unknown where nobody said', async () => {
    const steamer = await add('household', 'Steamer')
    await fault(steamer, { workAround: 'an iron and a wet cloth', workAroundMinutes: 12 })
    const other = await add('household', 'Other')
    await fault(other)
    expect(await told(steamer)).toMatchObject([
      { days: 0, usesSince: 0, lostMinutes: 0, workAround: 'an iron and a wet cloth' },
    ])
    await use(steamer, 3)
    await use(other, 3)
    expect(await told(steamer)).toMatchObject([{ usesSince: 3, lostMinutes: 36 }])
    expect(await told(other)).toMatchObject([{ usesSince: 3, lostMinutes: null }])
  })

  test('[N07.1] a shabby grid is a cosmetic fault: nothing is asked of it, and its part is sought', async () => {
    const grid = await add('modifier', 'Grid')
    await fault(grid, { severity: 'cosmetic', note: 'frayed' })
    expect(await told(grid)).toMatchObject([{ severity: 'cosmetic', timesInYear: 0, advice: 'mend' }])
    const { unit } = await call('GET', `/units/${grid.id}`)
    await call('POST', `/units/${grid.id}/part-requests`, { part: 'Grid cloth', searched: 'two shops' }, unit.version)
    expect((await call('GET', `/units/${grid.id}`)).askedFor).toMatchObject([
      { item: expect.stringContaining('Grid cloth') },
    ])
  })

  test('[N21.1] sound that was lost in a take: the file and the time in it are kept with the fault, also at the return', async () => {
    const rec = await add('recorder', 'Rec')
    await fault(rec, { note: 'return lost', inFile: 'A012, 14:20' })
    expect(await told(rec)).toMatchObject([{ inFile: 'A012, 14:20' }])
    expect((await call('GET', `/units/${rec.id}`)).faults).toMatchObject([{ inFile: 'A012, 14:20' }])
    const booking = await call('POST', '/bookings', makeDraft({ unitIds: [rec.id] }))
    const items = [{ unitId: rec.id, stockId: null, quantity: 1 }]
    const out = await call('POST', `/bookings/${booking.id}/take-out`, { items }, booking.version)
    const back = items.map((it) => ({ ...it, note: '', fault: { note: 'hums', severity: 'nuisance' } }))
    await call('POST', `/bookings/${booking.id}/bring-back`, { items: back, isFinished: true }, out.version)
    expect((await told(rec)).map((it) => it.note).sort()).toEqual(['hums', 'return lost'])
  })

  test('who sees no money sees the advice without its sums', async () => {
    const legs = await add('tripod', 'Legs')
    await fault(legs)
    const { body } = await api().as('crew')('GET', '/bench')
    expect(body.faults).toMatchObject([{ advice: 'mend' }])
    expect(body.faults[0].repairMinor ?? null).toBeNull()
  })
})
