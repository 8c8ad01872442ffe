import type { FiguresReply, UnitRow } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

// Each by somebody who starts from nothing, tells it the quick way, and looks at both sides of it.
const { call, add, changeModel, build, judge } = useQuickEntry()

const read = (id: string) => call('GET', `/units/${id}`)
const tell = async (id: string, changes: object) =>
  call('PATCH', `/units/${id}`, changes, (await read(id)).version as number)
const list = async (query: string): Promise<string[]> =>
  (await call('GET', `/units?${query}`)).rows.map((it: UnitRow) => it.tag)
const rowOf = async (tag: string): Promise<UnitRow> =>
  (await call('GET', '/units')).rows.find((it: UnitRow) => it.tag === tag)
type Kept = { state: string }
const figures = (sharing = 'full'): Promise<FiguresReply> => call('GET', `/kit-figures?sharing=${sharing}`)
const addPlace = (name: string, kind = 'room') =>
  call('POST', '/places', { parentId: null, name, kind, note: '', circuits: [] }).then((it) => it.id as string)

describe('what a thing serves', () => {
  test('[A01.1] each thing carries the setups it serves and the role it has there, however many', async () => {
    const lamp = await add('light', 'Lamp')
    await build([{ name: 'Key', things: [lamp] }], { code: 'AA' })
    await build([{ name: 'Hair', things: [lamp] }], { code: 'AB' })
    const served = (await rowOf(lamp.tag)).usedIn.map((it) => [it.code, it.role])
    expect(served.sort()).toEqual([
      ['AA', 'Key'],
      ['AB', 'Hair'],
    ])
  })

  test('[A01.2] what serves nothing is a list, and a role with nothing in it is told of its setup', async () => {
    const [lamp, idle] = [await add('light', 'Lamp'), await add('light', 'Idle')]
    const id = await build([
      { name: 'Key', things: [lamp] },
      { name: 'Main sound', wants: 'microphone' },
    ])
    expect(await list('only=in-none')).toEqual([idle.tag])
    expect((await judge(id)).of('role-empty')).toMatchObject([{ role: 'Main sound', level: 'stop' }])
  })
})

describe('who or what it is', () => {
  test('[A03.1] a nickname is enough to begin with; the serial comes later and the name stays', async () => {
    const thing = await call('POST', '/units', {
      category: 'microphone',
      maker: '',
      name: 'Fat grey one',
      nickname: 'Elephant',
    })
    expect((await read(thing.id)).unit).toMatchObject({ nickname: 'Elephant', serial: null })
    await tell(thing.id, { serial: 'Z-1187' })
    expect((await read(thing.id)).unit).toMatchObject({ nickname: 'Elephant', serial: 'Z-1187' })
  })

  test('[A03.2] how much of it is recorded is a share that grows with what is told, and what is missing is named', async () => {
    const bare = await add('light', 'Lamp')
    const before = (await read(bare.id)).recorded
    expect(before.percent).toBeLessThan(60)
    expect(before.missing.length).toBeGreaterThan(2)
    await tell(bare.id, { serial: 'L-1', priceMinor: 9_900, acquiredOn: '2026-02-01' })
    const after = (await read(bare.id)).recorded
    expect(after.percent).toBeGreaterThan(before.percent)
    expect(after.missing.length).toBeLessThan(before.missing.length)
  })
})

describe('what needs identifying', () => {
  test('[A03.4] what has no maker yet is a list; found out, it leaves it, and a tea tray is never on it', async () => {
    const [lamp, tray] = [await add('light', 'Grey panel'), await add('reflector', 'Tea tray')]
    await tell(tray.id, { acquisition: 'household' })
    expect(await list('only=unidentified')).toEqual([lamp.tag])
    await changeModel(lamp.modelId, { maker: 'Larch', name: 'Panel 60' })
    expect(await list('only=unidentified')).toEqual([])
    expect((await read(lamp.id)).name).toBe('Larch Panel 60')
  })
})

describe('states of a life', () => {
  test('[A04.1] from wished to returned each state is kept, and only what is in service or on standby counts', async () => {
    const states = [
      'wished',
      'ordered',
      'in-service',
      'standby',
      'in-repair',
      'retired',
      'for-sale',
      'sold',
      'returned',
    ]
    const lamp = await add('tripod', 'Legs', { loadGrams: 5_000 })
    const id = await build([{ name: 'Legs', wants: 'tripod', things: [lamp] }])
    for (const state of states) {
      await tell(lamp.id, { state })
      expect((await read(lamp.id)).unit.state).toBe(state)
      const isThere = state === 'in-service' || state === 'standby'
      expect((await judge(id)).level === 'stop', state).toBe(!isThere)
    }
  })

  test('[A04.2] each change of state stands in its history with its day, what it was and what it became', async () => {
    const lamp = await add('light', 'Lamp')
    await tell(lamp.id, { state: 'for-sale' })
    await tell(lamp.id, { state: 'sold' })
    const events = await call('GET', `/events?subjectType=unit&subjectId=${lamp.id}`)
    const states = events.flatMap((it: { kind: string; at: number; data: { before?: Kept; after: Kept } }) =>
      it.kind === 'state-changed' ? [[it.data.before?.state, it.data.after.state, it.at > 0]] : [],
    )
    expect(states).toEqual([
      ['for-sale', 'sold', true],
      ['in-service', 'for-sale', true],
    ])
  })
})

describe('counted things', () => {
  const addStock = (name: string, quantity: number) =>
    call('POST', '/stock', { category: 'clamp', name, tag: null, quantity, reorderLevel: 0, placeId: null })

  test('[A06.1] what is alike is counted: a number, taken and given back', async () => {
    const { id, tag } = await addStock('Spring clamp', 8)
    const row = (await call('GET', '/stock')).find((it: { id: string }) => it.id === id)
    expect([row.tag, row.quantity]).toEqual([tag, 8])
  })

  test('[A06.2] the most that is wanted at one time, booked or with all setups up, against what there is', async () => {
    const { id, tag } = await addStock('Spring clamp', 8)
    const of = async () => (await figures()).demand.find((it) => it.tag === tag)
    const setups = [
      await build([{ name: 'Cloth', stock: [{ id, quantity: 5 }] }], { code: 'AA' }),
      await build([{ name: 'Cloth', stock: [{ id, quantity: 6 }] }], { code: 'AB' }),
    ]
    expect(await of()).toMatchObject({ owned: 8, peak: 0, allAtOnce: 11 })
    await call('POST', '/bookings', makeDraft({ setupId: setups[0] }))
    expect(await of()).toMatchObject({ owned: 8, peak: 5 })
    // An hour after the first has ended nothing is short; over it three are.
    await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: setups[1], startsAt: '2026-12-10T13:00', endsAt: '2026-12-10T14:00' }),
    )
    expect(await of()).toMatchObject({ peak: 6 })
    await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: setups[1], startsAt: '2026-12-10T11:00', endsAt: '2026-12-10T11:30' }),
    )
    expect(await of()).toMatchObject({ owned: 8, peak: 11 })
  })
})

describe('what setups lack of what is counted', () => {
  test('[F8] a microphone without its cell wants one, booked or not; the cell that is in counts once', async () => {
    const add9 = (name: string) => add('dynamic-mic', name, { battery: 'cell-9v', massGrams: 300 })
    const [one, two] = [await add9('One'), await add9('Two')]
    const body = { category: 'cell', name: '9 V cell', facts: { battery: 'cell-9v' } }
    const { id, tag } = await call('POST', '/stock', {
      ...body,
      tag: null,
      quantity: 1,
      reorderLevel: 0,
      placeId: null,
    })
    const setups = [
      await build([{ name: 'Voice', wants: 'microphone', things: [one] }], { code: 'AA' }),
      await build([{ name: 'Voice', wants: 'microphone', things: [two], stock: [{ id, quantity: 1 }] }], {
        code: 'AB',
      }),
    ]
    const of = async () => (await figures()).demand.find((it) => it.tag === tag)
    expect(await of()).toMatchObject({ owned: 1, peak: 0, allAtOnce: 2 })
    await call('POST', '/bookings', makeDraft({ setupId: setups[0] }))
    expect(await of()).toMatchObject({ owned: 1, peak: 1 })
    await call('POST', '/bookings', makeDraft({ setupId: setups[1], title: 'Another' }))
    expect(await of()).toMatchObject({ owned: 1, peak: 2, allAtOnce: 2 })
  })
})

describe('household things', () => {
  test('[A07.1] a tray is household, worth nothing, and still missed by the setup that wants it', async () => {
    const tray = await add('reflector', 'Tea tray')
    await tell(tray.id, { acquisition: 'household', priceMinor: 0 })
    const id = await build([{ name: 'Fill', wants: 'reflector', things: [tray] }])
    expect((await judge(id)).of('role-empty')).toEqual([])
    await tell(tray.id, { state: 'lost' })
    expect((await judge(id)).level).toBe('stop')
    expect((await read(tray.id)).unit).toMatchObject({ acquisition: 'household', priceMinor: 0 })
  })

  test('[A07.2] what it stands in for is written down with it', async () => {
    const tray = await add('reflector', 'Tea tray')
    await tell(tray.id, { standsInFor: 'A silver reflector of 60 cm' })
    expect((await read(tray.id)).unit.standsInFor).toBe('A silver reflector of 60 cm')
  })
})

describe('parts that live with a thing', () => {
  const pair = async () => {
    const [mic, clip] = [await add('dynamic-mic', 'Mic', { massGrams: 300 }), await add('other', 'Rubber shim')]
    await tell(clip.id, { parentId: mic.id, bond: 'part' })
    return { mic, clip }
  }

  test('[A08.1] a part belongs to its thing and is listed there', async () => {
    const { mic, clip } = await pair()
    expect((await read(mic.id)).parts).toMatchObject([{ tag: clip.tag, bond: 'part', isMissing: false }])
    expect((await read(clip.id)).parent).toMatchObject({ tag: mic.tag })
  })

  test('[A08.2] packed with its thing, held with it, and gone with it where it is lent', async () => {
    const { mic, clip } = await pair()
    const { id } = await call('POST', '/bookings', makeDraft({ unitIds: [mic.id] }))
    const page = await call('GET', `/bookings/${id}`)
    expect(JSON.stringify(page)).toContain(clip.tag)
    const check = await call('POST', '/bookings/check', makeDraft({ unitIds: [clip.id], title: 'Another' }))
    expect(check.troubles.map((it: { tag: string }) => it.tag)).toEqual([clip.tag])
    // Lent with it: where its thing is away, the part is not to be had either.
    await tell(mic.id, { state: 'lent', dueOn: '2026-12-24' })
    const later = { unitIds: [clip.id], startsAt: '2026-12-15T10:00', endsAt: '2026-12-15T11:00' }
    const lent = await call('POST', '/bookings/check', makeDraft(later))
    expect(lent.troubles.map((it: { tag: string }) => it.tag)).toEqual([clip.tag])
  })

  test('[A08.3] one that is lost makes its thing incomplete, and the setup says so', async () => {
    const { mic, clip } = await pair()
    const id = await build([{ name: 'Voice', wants: 'microphone', things: [mic] }])
    expect((await judge(id)).of('part-missing')).toEqual([])
    await tell(clip.id, { state: 'lost' })
    expect(await list('only=incomplete')).toEqual([mic.tag])
    expect((await judge(id)).of('part-missing')).toHaveLength(1)
  })
})

describe('what came in one box', () => {
  const bundle = {
    title: 'Lamp kit',
    priceMinor: 10_000,
    taxMinor: 2_000,
    on: '2026-11-01',
    partyId: null,
    placeId: null,
    acquisition: 'bought-new',
    staysTogether: false,
    parts: [
      { category: 'light', maker: '', name: 'Lamp', quantity: 2, isThere: true, aloneMinor: 4_000 },
      { category: 'stand', maker: '', name: 'Stand', quantity: 1, isThere: true, aloneMinor: 2_000 },
      { category: 'case', maker: '', name: 'Bag', quantity: 1, isThere: false, aloneMinor: 1_000 },
    ],
  }

  test('[A12.1] one price becomes several things, and their prices are that price to the penny', async () => {
    const { tags } = await call('POST', '/bundles', bundle)
    expect(tags).toHaveLength(3)
    const rows = (await call('GET', '/units')).rows as UnitRow[]
    expect(rows.reduce((sum, it) => sum + (it.priceMinor ?? 0), 0)).toBe(10_000)
    const { totalMinor } = await call('GET', '/ledger/spending?year=2026')
    expect(totalMinor).toBe(12_000)
  })

  test('[A12.2] what was not in the box is no thing, and on the shopping list', async () => {
    const { tags, missing } = await call('POST', '/bundles', bundle)
    expect(missing).toEqual(['Bag'])
    expect(tags.join()).not.toContain('CAS')
    const lines = await call('GET', '/shopping')
    expect(lines.map((it: { item: string }) => it.item)).toEqual(['Bag'])
  })
})

describe('furniture and personal things', () => {
  test('[A13.1] a desk keeps what it bears, its footprint, its heights and its warranty, and what it bears is asked', async () => {
    const desk = await call('POST', '/units', {
      category: 'table',
      maker: '',
      name: 'Desk',
      facts: { loadGrams: 20_000, widthMinMm: 1_600, depthMm: 800, heightMm: 740, massGrams: 30_000 },
      specs: { presets: 4, heightMinMm: 650, heightMaxMm: 1_250 },
    })
    const reply = await read(desk.id)
    expect(reply.model.specs.more).toMatchObject({ presets: 4, heightMinMm: 650, heightMaxMm: 1_250 })
    await tell(desk.id, { provenance: { ...reply.unit.provenance, warrantyUntil: '2033-06-30' } })
    expect((await read(desk.id)).unit.provenance.warrantyUntil).toBe('2033-06-30')
    expect(reply.model.specs.footprint).toMatchObject({ widthMinMm: 1_600, widthMaxMm: 1_600, depthMm: 800 })
    // What it bears is asked of all that is clamped to it: an arm with a screen on it.
    const load = async (loadGrams: number, code: string) => {
      const table = await add('table', `Table ${loadGrams}`, { loadGrams })
      const arm = await add('screen-arm', 'Arm', { holes: 'screen-100', loadGrams: 9_000, massGrams: 3_000 })
      const screen = await add('monitor', 'Screen', { holes: 'screen-100', massGrams: 5_000, inlet: 'iec-c7' })
      const id = await build([{ name: 'Table', wants: 'table', things: [table, arm, screen] }], { code })
      return (await judge(id)).of('carried-load').map((it) => it.level)
    }
    expect(await load(8_000, 'DA')).toEqual([])
    expect(await load(7_999, 'DB')).toEqual(['stop'])
  })

  test('[A20.1] somebody’s own phone is booked like anything, with its owner and their word for it', async () => {
    const person = await call('POST', '/people', { name: 'Juniper Hale', initials: 'JH', skills: [], note: '' })
    const phone = await add('phone', 'Phone')
    await tell(phone.id, { acquisition: 'personal', ownerId: person.id, ownerAgreed: false })
    const id = await build([{ name: 'Remote', wants: 'phone', things: [phone] }])
    expect((await read(phone.id)).owner).toBe('Juniper Hale')
    expect((await judge(id)).of('owner-not-asked')).toHaveLength(1)
    await tell(phone.id, { ownerAgreed: true })
    expect((await judge(id)).of('owner-not-asked')).toEqual([])
  })

  test('[A20.2] and is taken twice at one time like anything', async () => {
    const phone = await add('phone', 'Phone')
    await tell(phone.id, { acquisition: 'personal' })
    await call('POST', '/bookings', makeDraft({ unitIds: [phone.id] }))
    const check = await call('POST', '/bookings/check', makeDraft({ unitIds: [phone.id], title: 'Another' }))
    expect(check.troubles.map((it: { tag: string }) => it.tag)).toEqual([phone.tag])
    const free = makeDraft({ unitIds: [phone.id], startsAt: '2026-12-10T12:00', endsAt: '2026-12-10T13:00' })
    expect((await call('POST', '/bookings/check', free)).troubles).toEqual([])
  })
})

describe('figures that mean different things', () => {
  test('[A19.1] what a lamp draws, gives at a metre, has of diodes and is said to equal are four figures', async () => {
    const lamp = await call('POST', '/units', {
      category: 'light',
      maker: '',
      name: 'Panel 600',
      facts: { milliwatts: 72_000, inlet: 'iec-c7' },
      specs: { luxAtOneMetre: 3_400, ledCount: 600, equivalentWatts: 500 },
    })
    const { model } = await read(lamp.id)
    expect(model.specs.more).toMatchObject({ luxAtOneMetre: 3_400, ledCount: 600, equivalentWatts: 500 })
    expect(model.powerModes[0].milliwatts).toBe(72_000)
  })

  test('[A19.2] a number in a name is never read: a “Panel 600” of which nobody told what it draws is asked', async () => {
    const lamp = await add('light', 'Panel 600 W', { inlet: 'iec-c7' })
    const { model } = await read(lamp.id)
    expect(model.powerModes.map((it: { milliwatts: number | null }) => it.milliwatts)).toEqual([null])
    expect(model.specs.more).toEqual({})
  })
})

describe('what a setup is worth', () => {
  const priced = async (name: string, priceMinor: number) => {
    const thing = await add('light', name)
    await tell(thing.id, {
      priceMinor,
      acquiredOn: '2026-11-01',
      provenance: {
        ...(await read(thing.id)).unit.provenance,
        replacementMinor: priceMinor + 1_000,
        valueMinor: priceMinor - 500,
        valueOn: '2026-11-20',
      },
    })
    return thing
  }

  test('[A21.1] what was paid for its things, what they are worth now, and what they cost anew', async () => {
    const lamp = await priced('Lamp', 20_000)
    await build([{ name: 'Key', things: [lamp] }], { code: 'AA' })
    const [setup] = (await figures()).setups
    expect(setup).toMatchObject({ paidMinor: 20_000, worthMinor: 19_500, replacementMinor: 21_000 })
    expect(setup?.unknown).toEqual({ paid: 0, worth: 0, anew: 0 })
    // What nobody priced is counted apart, and never as nothing.
    const bare = await add('stand', 'Stand')
    await build([{ name: 'Key', things: [lamp, bare] }], { code: 'AB' })
    const with2 = (await figures()).setups.find((it) => it.code === 'AB')
    expect(with2).toMatchObject({ paidMinor: 20_000, unknown: { paid: 1, worth: 1, anew: 1 } })
  })

  test('[A21.2] what two setups share counts in full, split or once, as it is chosen', async () => {
    const [own, shared] = [await priced('Lamp', 20_000), await priced('Stand', 10_000)]
    await build([{ name: 'Key', things: [own, shared] }], { code: 'AA' })
    await build([{ name: 'Key', things: [shared] }], { code: 'AB' })
    const paid = async (sharing: string) =>
      (await figures(sharing)).setups.sort((a, b) => (a.code < b.code ? -1 : 1)).map((it) => it.paidMinor)
    expect(await paid('full')).toEqual([30_000, 10_000])
    expect(await paid('split')).toEqual([25_000, 5_000])
    expect((await paid('once')).reduce<number>((sum, it) => sum + (it ?? 0), 0)).toBe(30_000)
  })
})

describe('where it lives', () => {
  test('[A22.1] where it lives and where it is now are two places', async () => {
    const [shelf, hall] = [await addPlace('Shelf 2'), await addPlace('Hall')]
    const lamp = await add('light', 'Lamp')
    await tell(lamp.id, { placeId: shelf, nowPlaceId: hall })
    expect(await read(lamp.id)).toMatchObject({ place: 'Shelf 2', nowPlace: 'Hall' })
  })

  test('[A22.2] what is not at home is a list; brought home it is not on it', async () => {
    const [shelf, hall] = [await addPlace('Shelf 2'), await addPlace('Hall')]
    const [lamp, other] = [await add('light', 'Lamp'), await add('light', 'Other')]
    await tell(lamp.id, { placeId: shelf, nowPlaceId: hall })
    await tell(other.id, { placeId: shelf })
    expect(await list('only=not-at-home')).toEqual([lamp.tag])
    await tell(lamp.id, { nowPlaceId: null })
    expect(await list('only=not-at-home')).toEqual([])
  })
})

describe('good and bad of a thing', () => {
  test('[A05.1] [A05.2] seen and only heard are two: hearsay is a question to try, and changes neither state nor verdict nor choice', async () => {
    const eye = await add('camcorder', 'Eye', { cardForm: 'sd', massGrams: 900 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [eye] }])
    const page = () => call('GET', `/units/${eye.id}`)
    const say = async (remarks: object[]) => call('PATCH', `/units/${eye.id}`, { remarks }, (await page()).unit.version)
    const before = await judge(id)
    const heard = { kind: 'work-around', text: 'Eats batteries since the update', source: 'heard' }
    const fine = { kind: 'strength', text: 'Quiet', source: 'seen' }
    await say([fine, heard])
    expect((await page()).unit.remarks).toEqual([fine, heard])
    expect(await call('GET', '/units/heard')).toMatchObject([{ unitId: eye.id, tag: eye.tag, remarks: [fine, heard] }])
    expect((await judge(id)).found).toEqual(before.found)
    expect((await page()).unit.state).toBe('in-service')
    expect((await page()).faults).toEqual([])
    // Tried and seen it counts, and is no question any more; found not to be so it is gone.
    await say([fine, { ...heard, source: 'seen' }])
    expect(await call('GET', '/units/heard')).toEqual([])
    expect((await judge(id)).of('work-around')).toMatchObject([{ text: heard.text }])
    await say([fine])
    expect((await judge(id)).found).toEqual(before.found)
  })
})
