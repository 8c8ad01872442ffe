import type { Remedy } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, type RoleSketch, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Everything a thing needs is in the setup, in stock and charged: from an empty instance, the quick way, from both sides.
const { api, call, add, addFamily, build, judge } = useQuickEntry()

/** The instance of the tests lives on this day. */
const TODAY = '2026-11-24'
const say = (things: readonly Pick<Thing, 'id'>[], state: string, on = TODAY) =>
  call('POST', '/charges', { unitIds: things.map((it) => it.id), state, on })
const readiness = (id: string) => call('GET', `/setups/${id}/readiness`)

/** A camera on packs of its own family that lacks nothing, and so many packs. */
async function makeRig(count: number) {
  const battery = await addFamily('Larch pack', 'battery')
  const eye = await add('camcorder', 'Eye', {
    battery,
    milliwatts: 8_000,
    cardForm: 'sd',
    kilobitsPerSecond: 50_000,
    massGrams: 900,
  })
  const rest = [
    await add('card', 'Card', { cardForm: 'sd', capacityMegabytes: 256_000 }),
    await add('tripod', 'Legs', { loadGrams: 6_000 }),
  ]
  const packs = await Promise.all(
    Array.from({ length: count }, () => add('pack', 'Pack', { battery, energyMilliwattHours: 90_000 })),
  )
  return { eye, rest, packs }
}
const camera = (things: readonly Pick<Thing, 'id'>[], more: Partial<RoleSketch> = {}): RoleSketch => ({
  name: 'A camera',
  wants: 'camera',
  things,
  ...more,
})
const charges = async (id: string) => (await judge(id)).found.filter((it) => it.includes('charge'))

describe('each need is met by something', () => {
  test('[C01.1] a microphone that wants a cell of its own: named, counted from stock, and none left of it stops again', async () => {
    const mic = await add('shotgun', 'Mic', { battery: 'cell-9v', batteryCount: 1, massGrams: 120 })
    const lacks = async (role: Partial<RoleSketch>, code: string) => {
      const id = await build([{ name: 'Voice', wants: 'microphone', things: [mic], ...role }], { code })
      const { of } = await judge(id)
      return [...of('need-unmet'), ...of('stock-short')].filter((it) => JSON.stringify(it).includes('9 V'))
    }
    const [open] = await lacks({}, 'LA')
    expect(open).toMatchObject({ level: 'stop', code: 'need-unmet', tag: mic.tag })
    const stock = { category: 'cell', name: '9 V block', facts: { battery: 'cell-9v' }, tag: null, placeId: null }
    const { id, version } = await call('POST', '/stock', { ...stock, quantity: 1, reorderLevel: 0 })
    expect(await lacks({}, 'LB')).toHaveLength(1)
    expect(await lacks({ stock: [{ id, quantity: 1 }] }, 'LC')).toEqual([])
    await call('POST', `/stock/${id}/count`, { quantity: 0 }, version)
    expect(await lacks({ stock: [{ id, quantity: 1 }] }, 'LD')).not.toEqual([])
  })

  test.each([
    ['its lead', 'light', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 900 }, /mains|C7|figure-8/i],
    ['its stand', 'light', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 900 }, /carr|stand/i],
    ['its card', 'camcorder', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900 }, /SD/],
  ])('[C01.1] without %s a thing is not ready', async (_, kind, facts, pattern) => {
    const thing = await add(kind, 'Thing', facts)
    const id = await build([{ name: 'Role', wants: kind === 'light' ? 'light' : 'camera', things: [thing] }])
    const stops = (await judge(id)).of('need-unmet').filter((it) => it.level === 'stop')
    expect(stops.filter((it) => pattern.test(JSON.stringify(it)))).not.toEqual([])
  })
})

describe('and it is charged', () => {
  test('[C01.1] nobody said, charged today, worked from, charged a month ago: each is told as what it is', async () => {
    const { eye, rest, packs } = await makeRig(2)
    const id = await build([camera([eye, ...rest, ...packs])])
    const tags = packs.map((it) => it.tag).sort()
    expect([await charges(id), (await readiness(id)).uncharged.sort()]).toEqual([[], tags])
    expect(await say(packs, 'full')).toEqual({ tags })
    expect([await charges(id), (await readiness(id)).uncharged]).toEqual([[], []])
    expect((await judge(id)).says).toBe('Ready to run.')
    await say(packs.slice(0, 1), 'used')
    expect(await charges(id)).toEqual(['warn charge-used'])
    expect((await judge(id)).says).toBe('Can run. 1 thing to check.')
    // Both of them are still one thing to do.
    await say(packs, 'used')
    expect((await judge(id)).says).toBe('Can run. 1 thing to check.')
    // Some days after work nobody knows whether they were charged: it is asked, and no warning for ever.
    await say(packs, 'used', '2026-11-21')
    expect(await charges(id)).toHaveLength(2)
    await say(packs, 'used', '2026-11-20')
    expect([await charges(id), (await readiness(id)).uncharged.sort()]).toEqual([[], tags])
    for (const [on, left] of [
      ['2026-10-25', []],
      ['2026-10-24', tags],
    ] as const) {
      await say(packs, 'full', on)
      expect([on, await charges(id), (await readiness(id)).uncharged.sort()]).toEqual([on, [], left])
    }
  })

  test('[C01.1] what comes back from a booking was worked from; one known to be full is offered in its stead, one of which nobody said anything is not', async () => {
    const { eye, rest, packs } = await makeRig(3)
    const [pack, silent, full] = packs as [Thing, Thing, Thing]
    const { id } = { id: await build([camera([eye, ...rest, pack])]) }
    await say([pack], 'full')
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id }))
    const out = [eye, ...rest, pack].map((it) => ({ unitId: it.id, stockId: null, quantity: 1 }))
    const gone = await call('POST', `/bookings/${booking.id}/take-out`, { items: out }, booking.version)
    const items = out.map((it) => ({ ...it, note: '', fault: null }))
    await call('POST', `/bookings/${booking.id}/bring-back`, { items, isFinished: true }, gone.version)
    const { unit } = await call('GET', `/units/${pack.id}`)
    expect(unit.charge).toEqual({ state: 'used', on: TODAY })
    expect((await call('GET', `/units/${eye.id}`)).unit.charge).toBeNull()
    const found = (await judge(id)).of('charge-used')
    expect(found.map((it) => [it.level, 'tag' in it && it.tag])).toEqual([['warn', pack.tag]])
    const offers = async (): Promise<Remedy[]> =>
      (await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(found[0]?.key ?? '')}`)).remedies
    expect(await offers()).toEqual([])
    await say([full], 'full')
    expect((await offers()).map((it) => it.kind === 'replace' && it.tag)).toEqual([full.tag])
    expect(silent.tag).not.toBe(full.tag)
    // For a day to come it can be charged until then.
    const later = await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: id, startsAt: '2026-12-20T10:00', endsAt: '2026-12-20T12:00' }),
    )
    const ahead = await call('GET', `/setups/${id}/readiness?bookingId=${later.id}`)
    expect(ahead.uncharged).toEqual([pack.tag])
    expect(JSON.stringify(ahead.findings)).not.toContain('charge-used')
  })

  test('what nothing counts on is no matter: a pack in case, an optional role; and what holds no charge is refused', async () => {
    const { eye, rest, packs } = await makeRig(2)
    const [pack, spare] = packs as [Thing, Thing]
    const id = await build([camera([eye, ...rest, pack], { spares: [spare] })])
    await say([pack], 'full')
    await say([spare], 'used')
    expect(await charges(id)).toEqual([])
    await say([pack], 'used')
    const optional = await build([camera([eye, ...rest, pack], { importance: 'optional' })], { code: 'OP' })
    expect(await charges(optional)).toEqual(['advise charge-used'])
    const refuse = (unitIds: string[], on: string) => api().call('POST', '/charges', { unitIds, state: 'full', on })
    for (const [ids, on, says] of [
      [[pack.id, eye.id], TODAY, 'is nothing that is charged'],
      [[pack.id], '2026-11-25', 'still to come'],
      [[], TODAY, 'Which of them'],
    ] as const) {
      const { status, body } = await refuse([...ids], on)
      expect([status, JSON.stringify(body)]).toEqual([422, expect.stringContaining(says)])
    }
    expect((await call('GET', `/units/${pack.id}`)).unit.charge.state).toBe('used')
  })

  test('the start list: what is charged is done, what is not is named', async () => {
    const { eye, rest, packs } = await makeRig(2)
    const id = await build([camera([eye, ...rest, ...packs])])
    const line = async () => {
      const { lines } = await call('GET', `/setups/${id}/start`)
      return lines.find((it: { kind: string }) => it.kind === 'charge').packs.map((it: { charge: string }) => it.charge)
    }
    expect(await line()).toEqual(['unsaid', 'unsaid'])
    await say(packs.slice(0, 1), 'full')
    expect(await line()).toEqual(['full', 'unsaid'])
  })

  test('Today asks to charge for what is shot next, until it is said that all of it is full', async () => {
    const { eye, rest, packs } = await makeRig(2)
    const setupId = await build([camera([eye, ...rest, ...packs])])
    await call('POST', '/bookings', makeDraft({ setupId, startsAt: '2026-11-25T10:00', endsAt: '2026-11-25T12:00' }))
    const asked = async () => {
      const { sections } = await call('GET', '/today')
      const items = Object.values(sections).flat() as { code: string; packs: number }[]
      return items.filter((it) => it.code === 'charge').map((it) => it.packs)
    }
    expect(await asked()).toEqual([2])
    await say(packs.slice(0, 1), 'full')
    expect(await asked()).toEqual([1])
    await say(packs, 'full')
    expect(await asked()).toEqual([])
    await say(packs.slice(0, 1), 'used')
    expect(await asked()).toEqual([1])
  })

  test('packs that are counted are on the start list as well, and nobody can say which of them is full', async () => {
    const { eye, rest, packs } = await makeRig(1)
    const { modelId } = packs[0] as Thing
    const { ports } = await call('GET', `/models/${modelId}`)
    const battery = ports[0].interfaces[0]
    const facts = { battery, energyMilliwattHours: 90_000 }
    const counted = await call('POST', '/stock', {
      category: 'pack',
      name: 'Counted',
      facts,
      tag: null,
      quantity: 4,
      reorderLevel: 0,
      placeId: null,
    })
    const id = await build([camera([eye, ...rest], { stock: [{ id: counted.id, quantity: 3 }] })])
    expect((await readiness(id)).uncharged).toEqual([counted.tag])
    const { lines } = await call('GET', `/setups/${id}/start`)
    expect(lines.filter((it: { kind: string }) => it.kind === 'charge')).toMatchObject([
      { tags: [counted.tag], count: 3 },
    ])
  })
})
