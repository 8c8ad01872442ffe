import {
  groupReliability,
  listHanging,
  makeFailureRates,
  type ReliabilityReply,
  type ResilienceReply,
} from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { askToTheEnd } from '../foundation/call.fixture.ts'
import { type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

// What the log tells of what fails: from an empty instance, the quick way, with its edges. It lives on 24 November 2026.
const { call, add, change, serve, build } = useQuickEntry()

const ask = (): Promise<ReliabilityReply> => call('GET', '/reliability')
const recordOf = async (thing: Pick<Thing, 'id'>) => (await ask()).records.find((it) => it.unitId === thing.id)
const fail = (thing: Pick<Thing, 'id'>, severity = 'unusable') =>
  call('POST', `/units/${thing.id}/faults`, { note: 'dead', severity, bookingId: null })

describe('what the log tells of one thing', () => {
  test('uses and hours from its sessions and what was written down; failures are faults for which it could not be used', async () => {
    const lamp = await add('light', 'Lamp')
    await serve([lamp], 3)
    await call('POST', `/units/${lamp.id}/uses`, { on: '2026-11-24', uses: 2, hours: 1.5, note: '' })
    await fail(lamp, 'usable')
    await fail(lamp, 'cosmetic')
    await fail(lamp)
    expect(await recordOf(lamp)).toMatchObject({
      uses: 5,
      hours: 7.5,
      failures: [{ on: '2026-11-24', daysOut: null, ageDays: null }],
      lifeDays: null,
      isGone: false,
    })
  })

  test('what an accident did is no failing of its own', async () => {
    const lamp = await add('light', 'Lamp')
    await call('POST', '/incidents', {
      on: '2026-11-24',
      what: 'It fell',
      cause: '',
      saved: '',
      lesson: '',
      lessonFor: { kind: 'all' },
      hit: [{ unitId: lamp.id, severity: 'unusable' }],
    })
    expect(await recordOf(lamp)).toMatchObject({ failures: [], accidents: 1 })
  })

  test('what is wished or on its way has no record; what is gone has one until the day it went', async () => {
    const [lamp, wish] = [await add('light', 'Lamp'), await add('light', 'Wish')]
    await change(wish, { state: 'wished' })
    await change(lamp, { acquiredOn: '2026-06-24', state: 'written-off' })
    expect(await recordOf(wish)).toBeUndefined()
    expect(await recordOf(lamp)).toMatchObject({ isGone: true, hasDied: true, lifeDays: 153 })
    await change(lamp, { state: 'lost' })
    expect(await recordOf(lamp)).toMatchObject({ isGone: true, hasDied: false })
  })
})

describe('life for its price', () => {
  test('[N10.1] what the cheapest cost a month of its life stands beside the dear one that lived; without a price nobody can tell', async () => {
    const [cheap, dear, gift] = [await add('light', 'Cheap'), await add('light', 'Dear'), await add('light', 'Gift')]
    await serve([cheap, dear], 2)
    // Five months for £30 are £5.97 a month; sixty for £300 are £5.
    await change(cheap, { acquiredOn: '2026-06-24', priceMinor: 3_000 })
    await fail(cheap)
    await change(cheap, { state: 'written-off' })
    await change(dear, { acquiredOn: '2021-11-24', priceMinor: 30_000 })
    await change(gift, { acquiredOn: '2021-11-24' })
    const rows = groupReliability((await ask()).records, 'model')
    const of = (name: string) => rows.find((it) => it.name === name)
    expect(of('Cheap')).toMatchObject({ perMonthMinor: 597, early: 1, died: 1, failures: 1 })
    expect(of('Dear')).toMatchObject({ perMonthMinor: 500, early: 0, died: 0, failures: 0 })
    expect(of('Gift')).toMatchObject({ perMonthMinor: null, priced: 0 })
  })

  test('[N10.2] how often what a supplier sold failed, beside another; what nobody recorded a supplier of is a line of its own', async () => {
    const sell = (name: string) => call('POST', '/parties', { name, kind: 'vendor', note: '', contacts: [] })
    const [good, poor] = [await sell('Heron Supplies'), await sell('Stall')]
    const [lamp, bulb, own] = [await add('light', 'Lamp'), await add('light', 'Bulb'), await add('light', 'Own')]
    await change(lamp, { partyId: good.id })
    await change(bulb, { partyId: poor.id })
    await serve([lamp, bulb, own], 4)
    await fail(bulb)
    const rows = groupReliability((await ask()).records, 'supplier')
    expect(rows.map((it) => [it.name, it.failures, it.uses])).toEqual([
      ['Stall', 1, 4],
      ['Heron Supplies', 0, 4],
      ['No supplier recorded', 0, 4],
    ])
    expect(rows[0]?.betweenUses?.mean).toBe(4)
  })
})

describe('what hangs on it', () => {
  const booked = { startsAt: '2026-12-10T10:00', endsAt: '2026-12-10T12:00' }
  async function hang(isPast = false) {
    const { records, shoots } = await ask()
    const whole: ResilienceReply = await askToTheEnd(() => call('GET', '/resilience'))
    const own = shoots.filter((it) => it.isPast === isPast)
    return { shoots, whole, hanging: listHanging(own, whole.setups, records, makeFailureRates(records)) }
  }

  test('too little logged: no figure at all', async () => {
    const eye = await add('camcorder', 'Eye')
    const setupId = await build([{ name: 'Eye', wants: 'camcorder', things: [eye] }])
    await serve([], 1, '2026-12-10', { setupId, ...booked })
    expect((await hang()).hanging).toBeNull()
  })

  test('a shoot hangs on what its setup stops without; a spare in it and a free one in the store stand in, a booked one does not', async () => {
    const [eye, spare, store] = [
      await add('camcorder', 'Eye'),
      await add('camcorder', 'Spare'),
      await add('camcorder', 'Store'),
    ]
    const lone = await build([{ name: 'Eye', wants: 'camcorder', things: [eye] }])
    const safe = await build([{ name: 'Eye', wants: 'camcorder', things: [eye], spares: [spare] }], { code: 'SF' })
    await serve([eye], 52)
    await serve([], 1, '2026-12-10', { setupId: lone, title: 'Lone', ...booked })
    const other = { startsAt: '2026-12-12T10:00', endsAt: '2026-12-12T12:00' }
    await serve([], 1, '2026-12-12', { setupId: safe, title: 'Safe', ...other })
    const { whole, hanging, shoots } = await hang()
    const needsOf = (title: string) =>
      hanging?.shoots.find((it) => it.id === shoots.find((one) => one.title === title)?.id)?.needs
    expect(whole.setups.find((it) => it.id === safe)).toMatchObject({
      losses: [],
      covered: [{ unitId: eye.id, standIns: [{ unitId: spare.id, tag: spare.tag }] }],
    })
    expect(needsOf('Safe')).toEqual([{ unitId: eye.id, standIns: [spare.id] }])
    expect(needsOf('Lone')).toMatchObject([{ unitId: eye.id }])
    expect(needsOf('Lone')?.[0]?.standIns).toContain(store.id)
    // Somebody else has the one of the store at that time.
    await serve([store], 1, '2026-12-10', { title: 'Elsewhere', ...booked })
    const later = await hang()
    const lonely = later.hanging?.shoots.find((it) => it.setupId === lone)
    expect(lonely?.needs[0]?.standIns).not.toContain(store.id)
    expect(later.hanging?.failsOf.get(eye.id)).toBeGreaterThan(0)
  })
})
