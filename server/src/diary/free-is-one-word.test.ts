import { LIFE_STATE_CODES } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, type Thing, useQuickEntry } from '../setups/quick-entry.fixture.ts'

/** "Free from then to then" is said by one function, whoever asks. It is Tuesday, 24 November 2026. */
const { call, add, build } = useQuickEntry()

const change = (thing: Thing, what: object) => call('PATCH', `/units/${thing.id}`, what, thing.version)

const book = (part: object) => call('POST', '/bookings', makeDraft(part))
const check = (part: object) => call('POST', '/bookings/check', makeDraft(part))

const addRoom = (details: object) =>
  call('POST', '/places', {
    name: 'Old mill',
    kind: 'room',
    parentId: null,
    circuits: [],
    note: '',
    details: { ...details },
  })

type Put = { unitId: string } | { stockId: string; quantity: number }

/** Each in a role of its own. */
const makeSetup = async (things: readonly Put[], code = 'QE') => {
  const roles = things.map((it, at) => ({
    name: `Role ${at}`,
    ...('unitId' in it ? { things: [{ id: it.unitId }] } : { stock: [{ id: it.stockId, quantity: it.quantity }] }),
  }))
  return { id: await build(roles, { code, name: `Quick entry ${code}` }) }
}

const listFreeOn = async (day: string): Promise<string[]> =>
  (await call('GET', `/units?freeOn=${day}`)).rows.map((it: { tag: string }) => it.tag)

describe('[F1] what is booked', () => {
  test('a room after its last day is said to be closed, and its last day can still be used', async () => {
    const room = await addRoom({ accessUntil: '2026-12-10', accessTerms: 'key at the gate' })
    expect((await check({ placeId: room.id })).clashes).toEqual([])
    const late = await check({ placeId: room.id, endsAt: '2026-12-11T09:00' })
    expect(late.clashes).toEqual([
      {
        subject: 'place',
        subjectId: room.id,
        label: 'Old mill',
        absence: { reason: 'closed', until: '2026-12-10', terms: 'key at the gate' },
      },
    ])
    // A day is a day of the studio: midnight ends it, and what ends then is still on it.
    expect((await check({ placeId: room.id, endsAt: '2026-12-11T00:00' })).clashes).toEqual([])
  })

  test('a stock of which others hold too much is short, and by how much', async () => {
    const bags = await call('POST', '/stock', { category: 'sandbag', name: 'Bags', quantity: 5, reorderLevel: 0 })
    const first = await makeSetup([{ stockId: bags.id, quantity: 3 }])
    await book({ setupId: first.id })
    const second = (quantity: number) => makeSetup([{ stockId: bags.id, quantity }], quantity === 2 ? 'QA' : 'QB')
    expect((await check({ setupId: (await second(2)).id })).clashes).toEqual([])
    const short = await check({ setupId: (await second(3)).id })
    expect(short.clashes[0]?.absence).toEqual({ reason: 'short', wanted: 3, free: 2 })
  })

  test('whoever left the team is not free', async () => {
    const person = await call('POST', '/people', { name: 'Pia Moss', skills: [], note: '' })
    expect(
      (await check({ placeId: null, unitIds: [(await add('light', 'Lamp')).id], personIds: [person.id] })).clashes,
    ).toEqual([])
    await call('DELETE', `/people/${person.id}`, undefined, person.version)
    const lamp = await add('light', 'Lamp two')
    expect((await check({ unitIds: [lamp.id], personIds: [person.id] })).clashes[0]?.absence).toEqual({
      reason: 'left-team',
    })
  })
})

describe('[F2] a list of what is free on a day', () => {
  test('leaves out what is out of use, lost, late, booked, lent, or goes back before, and nothing else', async () => {
    const [fine, faulty, lost, late, booked, lent, due] = await Promise.all(
      ['Fine', 'Faulty', 'Lost', 'Late', 'Booked', 'Lent', 'Due'].map((name) => add('light', name)),
    )
    if (!fine || !faulty || !lost || !late || !booked || !lent || !due) throw new Error('Not added.')
    await call('POST', `/units/${faulty.id}/faults`, { note: 'No light', severity: 'unusable', bookingId: null })
    await change(lost, { state: 'lost' })
    await change(lent, { state: 'lent', dueOn: '2026-12-20' })
    await change(due, { acquisition: 'loan-in', dueOn: '2026-12-09' })
    await book({ unitIds: [booked.id] })
    const gone = await book({ unitIds: [late.id], startsAt: '2026-11-22T10:00', endsAt: '2026-11-22T12:00' })
    await call('POST', `/bookings/${gone.id}/take-out`, { items: [{ unitId: late.id, stockId: null }] }, gone.version)
    expect(await listFreeOn('2026-12-10')).toEqual([fine.tag])
    // Whatever the list says is free can be booked for that day.
    const all = { startsAt: '2026-12-10T00:00', endsAt: '2026-12-11T00:00' }
    expect((await check({ unitIds: [fine.id], ...all })).troubles).toEqual([])
    for (const it of [faulty, lost, late, booked, lent, due]) {
      expect((await check({ unitIds: [it.id], ...all })).troubles, it.tag).toHaveLength(1)
    }
    // The next day the booking is over, and the lamp due back on the 20th is hoped for from the 21st on.
    expect(await listFreeOn('2026-12-11')).toEqual([fine.tag, booked.tag].sort())
    expect(await listFreeOn('2026-12-21')).toEqual([fine.tag, booked.tag, lent.tag].sort())
  })

  test('what was due back and is not is not counted on', async () => {
    const lamp = await add('light', 'Lamp')
    await change(lamp, { state: 'lent', dueOn: '2026-11-20' })
    expect(await listFreeOn('2026-12-10')).toEqual([])
    expect((await check({ unitIds: [lamp.id] })).troubles[0]?.absence).toEqual({
      reason: 'state',
      state: 'lent',
      backOn: '2026-11-20',
    })
  })

  test('what is free instead is asked for each thing by itself', async () => {
    const camera = await add('camera', 'Larch one', { massGrams: 700 })
    const other = await add('camera', 'Larch one')
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const setup = await makeSetup([{ unitId: camera.id }, { unitId: tripod.id }])
    await book({ setupId: setup.id })
    const { troubles } = await check({ setupId: setup.id })
    const of = (tag: string) => troubles.find((it: { tag: string }) => it.tag === tag)
    expect(of(camera.tag).standIns.map((it: { tag: string }) => it.tag)).toEqual([other.tag])
    expect(of(tripod.tag).standIns).toEqual([])
  })
})

describe('law 11: free is one word', () => {
  test('of every state, loan, fault and booking: what the list says is free can be booked, and nothing else can', async () => {
    const days = ['2026-11-20', '2026-12-09', '2026-12-10', '2026-12-11', null]
    const add11 = async (name: string, changes: object) => {
      const thing = await add('light', name)
      if (Object.keys(changes).length > 0) await change(thing, changes)
      return thing
    }
    const things: Thing[] = []
    for (const state of LIFE_STATE_CODES) {
      for (const dueOn of days) things.push(await add11(`${state} ${dueOn}`, { state, dueOn }))
    }
    for (const acquisition of ['loan-in', 'rented']) {
      for (const dueOn of days) things.push(await add11(`${acquisition} ${dueOn}`, { acquisition, dueOn }))
    }
    for (const severity of ['usable', 'unusable']) {
      const thing = await add11(severity, {})
      await call('POST', `/units/${thing.id}/faults`, { note: 'Odd', severity, bookingId: null })
      things.push(thing)
    }
    // Booked for that day, up to its first instant, from its last on, pencilled, cancelled.
    const booked: [string, object][] = [
      ['on the day', {}],
      ['until it begins', { startsAt: '2026-12-09T10:00', endsAt: '2026-12-10T00:00' }],
      ['strikes into it', { startsAt: '2026-12-09T10:00', endsAt: '2026-12-10T00:00', strikeMinutes: 1 }],
      ['from its end', { startsAt: '2026-12-11T00:00', endsAt: '2026-12-11T10:00' }],
      ['pencilled', { state: 'pencilled' }],
      ['cancelled', { state: 'cancelled' }],
    ]
    for (const [name, part] of booked) {
      const thing = await add11(name, {})
      await book({ unitIds: [thing.id], ...part })
      things.push(thing)
    }
    const whole = { startsAt: '2026-12-10T00:00', endsAt: '2026-12-11T00:00' }
    const { troubles } = await check({ unitIds: things.map((it) => it.id), ...whole })
    const taken = new Set(troubles.map((it: { tag: string }) => it.tag))
    const { rows } = await call('GET', '/units?freeOn=2026-12-10&limit=200')
    expect(rows.map((it: { tag: string }) => it.tag).sort()).toEqual(
      things
        .map((it) => it.tag)
        .filter((tag) => !taken.has(tag))
        .sort(),
    )
    // Both were met, so that neither says the same of everything.
    expect(Math.min(taken.size, things.length - taken.size)).toBeGreaterThan(10)
  })
})

describe('[F3] the pack sheet', () => {
  test('sends nobody to where a thing lives when it is elsewhere, and marks what is not to be had', async () => {
    const [store, desk] = await Promise.all(
      ['Store', 'Desk'].map((name) =>
        call('POST', '/places', { name, kind: 'shelf', parentId: null, circuits: [], note: '' }),
      ),
    )
    const here = await add('light', 'Here')
    const moved = await add('light', 'Moved')
    const broken = await add('light', 'Broken')
    await change(here, { placeId: store.id })
    await change(moved, { placeId: store.id, nowPlaceId: desk.id })
    await change(broken, { placeId: store.id, state: 'in-repair' })
    const booking = await book({ unitIds: [here.id, moved.id, broken.id] })
    const { sheet } = await call('GET', `/bookings/${booking.id}`)
    const told = sheet.stops.map((stop: { place: string; lines: { tag: string; away: unknown }[] }) => [
      stop.place,
      ...stop.lines.map((it) => [it.tag, it.away]),
    ])
    expect(told).toEqual([
      ['Not here', [broken.tag, { reason: 'state', state: 'in-repair', backOn: null }]],
      ['Desk', [moved.tag, null]],
      ['Store', [here.tag, null]],
    ])
  })
})

describe('Today', () => {
  const listToday = async () => {
    const { sections } = await call('GET', '/today')
    return Object.values(sections).flat() as {
      code: string
      name?: string
      wanted?: object[]
    }[]
  }

  test('[F4] does not ask to sell what is booked, before or to come', async () => {
    const things = await Promise.all(['Never', 'Soon', 'Lately', 'Long ago'].map((name) => add('light', name)))
    for (const it of things) await change(it, { acquiredOn: '2025-01-01', priceMinor: 90_000 })
    const [, soon, lately, ago] = things as [Thing, Thing, Thing, Thing]
    await book({ unitIds: [soon.id] })
    await book({ unitIds: [lately.id], startsAt: '2026-10-10T10:00', endsAt: '2026-10-10T12:00' })
    await book({ unitIds: [ago.id], startsAt: '2025-10-10T10:00', endsAt: '2025-10-10T12:00' })
    const idle = (await listToday()).filter((it) => it.code === 'idle').map((it) => it.name)
    expect(idle.sort()).toEqual(['Long ago', 'Never'])
  })

  test('[F5] says one double booking once, with all that both want', async () => {
    const lamps = await Promise.all(['One', 'Two', 'Three'].map((name) => add('light', name)))
    const room = await addRoom({})
    const both = { unitIds: lamps.map((it) => it.id), placeId: room.id }
    const soon = { startsAt: '2026-11-26T10:00', endsAt: '2026-11-26T12:00' }
    await book({ ...both, ...soon })
    await book({ ...both, ...soon, title: 'Early frost' })
    const collisions = (await listToday()).filter((it) => it.code === 'collision')
    expect(collisions).toHaveLength(1)
    expect(collisions[0]?.wanted).toHaveLength(4)
  })
})

describe('[F6] [A10.1] share of use', () => {
  test('counts sessions, leaves out those in which it was in repair, and knows what stands ready', async () => {
    const standing = await add('light', 'Standing')
    const setup = await makeSetup([{ unitId: standing.id }])
    const packed = await add('light', 'Packed')
    const idle = await add('light', 'Idle')
    const on = (day: string, hour = '10') => ({ startsAt: `${day}T${hour}:00`, endsAt: `${day}T${hour}:30` })
    // Two sessions on one day, a third on another; nothing of the setup that always stands was ever taken out.
    await book({ setupId: setup.id, ...on('2026-11-02') })
    await book({ setupId: setup.id, unitIds: [packed.id], ...on('2026-11-02', '15') })
    await book({ unitIds: [packed.id], ...on('2026-11-09') })
    // Pencilled, cancelled or closed is no session.
    await book({ unitIds: [idle.id], ...on('2026-11-10'), state: 'pencilled' })
    await book({ unitIds: [idle.id], ...on('2026-11-11'), kind: 'blackout' })
    const { use } = await call('GET', '/kit-figures')
    const of = (id: string) => use.find((it: { id: string }) => it.id === id)
    expect(of(standing.id)).toMatchObject({ timesUsed: 2, share: 2 / 3 })
    expect(of(packed.id)).toMatchObject({ timesUsed: 2, share: 2 / 3 })
    expect(of(idle.id)).toMatchObject({ timesUsed: 0, share: 0 })
  })
})

describe('[F8] what was left behind', () => {
  test('is free for others: counted things as well as single ones', async () => {
    const bags = await call('POST', '/stock', { category: 'sandbag', name: 'Bags', quantity: 4, reorderLevel: 0 })
    const lamp = await add('light', 'Lamp')
    const setup = await makeSetup([{ stockId: bags.id, quantity: 4 }, { unitId: lamp.id }])
    const today = { startsAt: '2026-11-24T07:00', endsAt: '2026-11-24T20:00' }
    const first = await book({ setupId: setup.id, ...today })
    await call('POST', `/bookings/${first.id}/take-out`, { items: [{ unitId: lamp.id, stockId: null }] }, first.version)
    const other = await check({ setupId: setup.id, ...today })
    expect(other.clashes).toEqual([])
    expect(other.troubles.map((it: { tag: string }) => it.tag)).toEqual([lamp.tag])
  })
})

describe('[F8] what is late', () => {
  test('counted things that are still out are as little there as single ones', async () => {
    const bags = await call('POST', '/stock', { category: 'sandbag', name: 'Bags', quantity: 4, reorderLevel: 0 })
    const setup = await makeSetup([{ stockId: bags.id, quantity: 3 }])
    const gone = await book({ setupId: setup.id, startsAt: '2026-11-22T10:00', endsAt: '2026-11-22T12:00' })
    await call('POST', `/bookings/${gone.id}/take-out`, { items: [{ unitId: null, stockId: bags.id }] }, gone.version)
    const other = await makeSetup([{ stockId: bags.id, quantity: 2 }], 'QA')
    const { clashes } = await check({ setupId: other.id })
    expect(clashes[0]?.absence).toEqual({ reason: 'short', wanted: 2, free: 1 })
    // Its own setup, judged for another day, is short of them as well.
    const { findings } = await call('GET', `/setups/${other.id}/readiness`)
    expect(findings.map((it: { code: string }) => it.code)).toEqual(['stock-short'])
  })
})

describe('[F9] ways for the sound of a booking', () => {
  test('offer what is free then, not what is free today', async () => {
    const microphone = await add('microphone', 'Voice')
    const recorder = await add('recorder', 'Box')
    const cable = await add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' })
    const setup = await makeSetup([{ unitId: microphone.id }])
    const own = await book({ setupId: setup.id })
    const parts = async () => {
      const { microphones } = await call('GET', `/setups/${setup.id}/sound-routes?bookingId=${own.id}`)
      const routes = microphones[0].routes as { way: string; missing: unknown; parts: { tag: string }[] }[]
      return routes.find((it) => it.way === 'recorder')
    }
    const free = await parts()
    expect([free?.missing, free?.parts.map((it) => it.tag)]).toEqual([null, [cable.tag, recorder.tag]])
    await book({ unitIds: [recorder.id], title: 'Bird walk' })
    expect((await parts())?.missing).toEqual({ device: 'recorder' })
  })
})

describe('[E17] what goes with a thing', () => {
  test('is lent with it, in every list, booking and verdict, and back with it', async () => {
    const lamp = await add('light', 'Lamp')
    const arm = await add('arm', 'Yoke arm')
    const bound = await change(arm, { parentId: lamp.id, bond: 'rider' })
    const lent = await change(lamp, { state: 'lent', dueOn: '2026-12-08' })
    expect(await listFreeOn('2026-12-07')).toEqual([])
    expect((await listFreeOn('2026-12-10')).sort()).toEqual([arm.tag, lamp.tag].sort())
    const early = { startsAt: '2026-12-07T10:00', endsAt: '2026-12-07T12:00' }
    const { troubles } = await check({ unitIds: [arm.id], ...early })
    const away = { reason: 'with-parent', parentTag: lamp.tag, state: 'lent', backOn: '2026-12-08' }
    expect(troubles).toMatchObject([{ unitId: arm.id, absence: away }])
    expect((await check({ unitIds: [arm.id] })).troubles).toEqual([])
    const setup = await makeSetup([{ unitId: arm.id }])
    const { findings } = await call('GET', `/setups/${setup.id}/readiness`)
    expect(findings).toContainEqual(expect.objectContaining({ tag: arm.tag, absence: away }))
    // In repair it is the lamp alone, whatever goes with it.
    const broken = await change({ ...lamp, version: lent.version }, { state: 'in-repair', dueOn: null })
    expect(await listFreeOn('2026-12-10')).toEqual([arm.tag])
    await change({ ...arm, version: bound.version }, { bond: 'part' })
    expect(await listFreeOn('2026-12-10')).toEqual([arm.tag])
    await change({ ...lamp, version: broken.version }, { state: 'in-service' })
    expect((await listFreeOn('2026-12-10')).sort()).toEqual([arm.tag, lamp.tag].sort())
  })

  test('of a bundle that stays together one piece in repair keeps no other away, and lent it takes all along', async () => {
    const part = (name: string) => ({
      category: 'light',
      maker: '',
      name,
      quantity: 1,
      isThere: true,
      aloneMinor: null,
    })
    const bundle = { title: 'Two lamps', priceMinor: 0, taxMinor: 0, on: '2026-11-01', partyId: null, placeId: null }
    const parts = [part('Big one'), part('Small one')]
    const { tags } = await call('POST', '/bundles', { ...bundle, acquisition: 'gift', staysTogether: true, parts })
    const [big, small] = (await call('GET', '/units')).rows.toSorted((a: Thing, b: Thing) => (a.tag < b.tag ? -1 : 1))
    expect(tags).toEqual([big.tag, small.tag])
    const { version } = await change({ ...big, version: 1 }, { state: 'in-repair' })
    expect(await listFreeOn('2026-12-10')).toEqual([small.tag])
    await change({ ...big, version }, { state: 'lent' })
    expect(await listFreeOn('2026-12-10')).toEqual([])
  })
})
