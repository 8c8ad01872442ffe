import { describe, expect, test } from 'vitest'
import { askToTheEnd } from '../foundation/call.fixture.ts'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

/** What is away or there in case, from an empty instance by quick entry. */
const { call, add, addRoom, build, judge } = useQuickEntry()

describe('[V4] what is away joins nothing, bears nothing and is not counted', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }

  test('a lost lead: the lamp has none, told once, with the lead', async () => {
    const [light, lead, stand] = [
      await add('light', 'Panel', lamp),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    const id = await build([{ name: 'Key', wants: 'light', things: [light, lead, stand] }])
    expect((await judge(id)).of('thing-absent')).toEqual([])
    await call('PATCH', `/units/${lead.id}`, { state: 'lost' }, 1)
    const { of } = await judge(id)
    expect(of('thing-absent')).toMatchObject([{ level: 'stop', tag: lead.tag, leaves: [light.tag] }])
    expect(of('need-unmet').filter((it) => 'tag' in it && it.tag === light.tag)).toEqual([])
  })

  test('of three packs two that are lost are not counted, and a lent tripod carries nothing', async () => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const fed = { battery: code, milliwatts: 10_000, cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 800 }
    const camera = await add('camcorder', 'Cam', fed)
    const packs: Thing[] = []
    for (const _ of [1, 2, 3]) packs.push(await add('pack', 'Brick', { battery: code, energyMilliwattHours: 10_000 }))
    const card = await add('card', 'Card', { capacityMegabytes: 256_000, cardMegabytesPerSecond: 30 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const id = await build([{ name: 'A', wants: 'camera', things: [camera, card, tripod, ...packs] }])
    const whole = await call('GET', `/setups/${id}/readiness`)
    const haveOf = (it: typeof whole) =>
      it.workings.find((working: { formula: string }) => working.formula === 'pack-hours').have
    expect([haveOf(whole), whole.totalMassGrams]).toEqual([3, 800])

    for (const pack of packs.slice(0, 2)) await call('PATCH', `/units/${pack.id}`, { state: 'lost' }, 1)
    expect(haveOf(await call('GET', `/setups/${id}/readiness`))).toBe(1)
    expect((await judge(id)).of('packs-short')).toMatchObject([{ level: 'warn', working: { have: 1, wanted: 2 } }])

    await call('PATCH', `/units/${tripod.id}`, { state: 'lent' }, 1)
    const absent = (await judge(id)).of('thing-absent')
    expect(absent.find((it) => 'tag' in it && it.tag === tripod.tag)).toMatchObject({
      level: 'stop',
      leaves: [camera.tag],
    })
    await call('PATCH', `/units/${camera.id}`, { state: 'in-repair' }, 1)
    expect((await call('GET', `/setups/${id}/readiness`)).totalMassGrams).toBe(0)
  })

  test('of a stock of which none is left nothing is joined', async () => {
    const microphone = await add('microphone', 'Stick', { battery: 'cell-9v', massGrams: 200 })
    const { id: cells } = await call('POST', '/stock', { category: 'cell', name: 'Nine volts', quantity: 0 })
    const { id: more } = await call('POST', '/stock', { category: 'cell', name: 'Nine volts too', quantity: 0 })
    expect(more).not.toBe(cells)
    const id = await build([
      { name: 'Main', wants: 'microphone', things: [microphone], stock: [{ id: cells, quantity: 1 }] },
    ])
    expect((await judge(id)).of('stock-short')).toMatchObject([{ level: 'stop', wanted: 1, have: 0 }])
  })

  test('an empty role under what is away is not told a second time', async () => {
    const camera = await add('webcam', 'Eye', { massGrams: 200 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [camera] }])
    await call('PATCH', `/units/${camera.id}`, { state: 'lost' }, 1)
    const { found, says } = await judge(id)
    expect([found, says]).toEqual([['stop thing-absent'], 'Cannot run: 1 stop.'])
  })

  test('on an optional role it is a word of advice', async () => {
    const camera = await add('webcam', 'Eye', { massGrams: 200 })
    const id = await build([{ name: 'Making-of', wants: 'camera', importance: 'optional', things: [camera] }])
    await call('PATCH', `/units/${camera.id}`, { state: 'lost' }, 1)
    expect((await judge(id)).found).toEqual(['advise thing-absent'])
  })
})

describe('[V11] what only an optional role lacks stops nobody', () => {
  test.each([
    ['essential', 'stop'],
    ['wanted', 'warn'],
    ['optional', 'advise'],
  ])('packs that only an %s camera lacks: %s', async (importance, level) => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const lamp = await add('light', 'Panel', { battery: code, milliwatts: 20_000, massGrams: 800 })
    const more = await add('light', 'Panel too', { battery: code, milliwatts: 20_000, massGrams: 800 })
    const brick = { battery: code, energyMilliwattHours: 12_000 }
    const packs = [
      await add('pack', 'Brick', brick),
      await add('pack', 'Brick too', brick),
      await add('pack', 'Last', brick),
    ]
    const stands = [await add('stand', 'One', { loadGrams: 4_000 }), await add('stand', 'Two', { loadGrams: 4_000 })]
    const [one, two] = stands as [Thing, Thing]
    // Each lamp wants two packs of 32 minutes for an hour; the key has its two, the other has one.
    const id = await build(
      [
        { name: 'Key', wants: 'light', things: [lamp, one, ...packs] },
        { name: 'Rim', wants: 'light', importance, things: [more, two] },
      ],
      { plannedMinutes: 60 },
    )
    expect((await judge(id)).of('packs-short').map((it) => it.level)).toEqual([level])
  })
})

describe('[V10] what is there in case stops nothing', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }

  test('a second lead, a cable that joins nothing and another lens are a word of advice each', async () => {
    const mount = { kind: 'mount', hostName: 'body', guestName: 'lens', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...mount, label: 'Larch mount' })
    const room = await addRoom()
    const needed = [
      await add('light', 'Panel', lamp),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    const spare = [
      await add('lead', 'Second lead', { inlet: 'iec-c7' }),
      await add('cable', 'Cable', { endA: 'xlr-3', endB: 'xlr-3' }),
      await add('lens', 'Lens', { mount: code, massGrams: 300 }),
    ]
    const rig = (things: Thing[], name: string) =>
      build([{ name: 'Key', wants: 'light', things }], { code: name, ...room })
    expect((await judge(await rig(needed, 'QA'))).says).toBe('Ready to run.')
    const { says, of } = await judge(await rig([...needed, ...spare], 'QB'))
    expect(says).toBe('Can run. 3 things to check.')
    const inCase = of('joins-nothing').map((it) => ('tag' in it ? it.tag : ''))
    // Of two alike it is one that is there in case, whichever.
    expect(inCase.map((tag) => tag.slice(0, 3)).sort()).toEqual(['CBL', 'LED', 'LEN'])
    // Without the one that is needed the other takes its place; without both the lamp is dark.
    const [light, , stand] = needed as [Thing, Thing, Thing]
    expect((await judge(await rig([light, stand, spare[0] as Thing], 'QC'))).says).toBe('Ready to run.')
    expect((await judge(await rig([light, stand], 'QD'))).of('need-unmet')).toMatchObject([
      { level: 'stop', tag: light.tag },
    ])
  })
})

describe('[V21] without a thing', () => {
  test('a role that says not what it wants misses what stood in it first', async () => {
    const phone = await add('phone', 'Slab', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 })
    const holder = await add('phone-holder', 'Clamp', { massGrams: 90 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 3_000 })
    const id = await build([{ name: 'Camera', things: [phone, holder, tripod] }])
    expect((await judge(id)).says).toBe('Ready to run.')
    const stopsWithout = async ({ id: unitId }: Thing) =>
      (await call('GET', `/setups/${id}/without?unitId=${unitId}`)).counts.stop
    expect([await stopsWithout(phone), await stopsWithout(holder), await stopsWithout(tripod)]).toEqual([1, 1, 1])
    const { setups } = await askToTheEnd(() => call('GET', '/resilience'))
    expect(setups[0].losses.map((it: { tag: string }) => it.tag)).toEqual([phone.tag, holder.tag, tripod.tag])
  })
})

describe('tried once more as a stranger', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }

  test('[V4] a second lead that is lost stops nobody; the one that is wanted does', async () => {
    const things = [
      await add('practical', 'Lamp', lamp),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
    ] as [Thing, Thing, Thing]
    const id = await build([{ name: 'Key', wants: 'light', things }])
    await call('PATCH', `/units/${things[1].id}`, { state: 'lost' }, 1)
    expect((await judge(id)).of('thing-absent').map((it) => it.level)).toEqual(['advise'])
    await call('PATCH', `/units/${things[2].id}`, { state: 'lost' }, 1)
    expect((await judge(id)).of('thing-absent').map((it) => it.level)).toContain('stop')
  })

  test('[V10] pieces of one stock that are there in case are told once', async () => {
    const practical = await add('practical', 'Lamp', lamp)
    const { id: leads } = await call('POST', '/stock', {
      category: 'lead',
      name: 'Leads',
      quantity: 4,
      facts: { inlet: 'iec-c7' },
    })
    const id = await build([{ name: 'Key', wants: 'light', things: [practical], stock: [{ id: leads, quantity: 4 }] }])
    expect((await judge(id)).of('joins-nothing')).toHaveLength(1)
  })

  test.each([
    [900, ['stop']],
    [null, []],
  ])('[V6] a microphone stand with a boom of %s mm of its own', async (reachMm, levels) => {
    const microphone = await add('dynamic-mic', 'Stick', { massGrams: 600 })
    // Over: 0.6 · (0.9 − 0.125) = 0.465 kg·m; back: 1.5 · 0.125 = 0.1875 kg·m.
    const stand = await call('POST', '/units', {
      category: 'mic-stand',
      maker: '',
      name: 'Stand',
      facts: { loadGrams: 2_000, massGrams: 1_500 },
      specs: { legRadiusMm: 250, ...(reachMm ? { reachMm } : {}) },
    })
    const id = await build([{ name: 'Voice', wants: 'microphone', things: [microphone, stand] }])
    expect((await judge(id)).of('tips-over').map((it) => it.level)).toEqual(levels)
  })
})

describe('[F5] one cause is one thing to settle', () => {
  test('a setup that is booked twice is one stop, with each thing in it; two bookings are two', async () => {
    const lamps = [await add('practical', 'One'), await add('practical', 'Two'), await add('practical', 'Three')] as [
      Thing,
      Thing,
      Thing,
    ]
    const id = await build(lamps.map((it) => ({ name: it.tag, wants: 'light', things: [it] })))
    const book = (unitIds: string[], title: string, setupId: string | null = null) =>
      call('POST', '/bookings', makeDraft({ title, unitIds, setupId }))
    const own = await book([], 'Roses', id)
    const judgeOwn = () => call('GET', `/setups/${id}/readiness?bookingId=${own.id}`)
    await book([lamps[0].id, lamps[1].id], 'Bog walk')
    const once = await judgeOwn()
    const absent = once.findings.filter((it: { code: string }) => it.code === 'thing-absent')
    // Both are told, each at its role, and the verdict speaks of one stop.
    expect([absent.length, once.counts.stop]).toEqual([2, 1])
    await book([lamps[2].id], 'Bird walk')
    expect((await judgeOwn()).counts.stop).toBe(2)
    await call('PATCH', `/units/${lamps[0].id}`, { state: 'lost' }, 1)
    expect((await judgeOwn()).counts.stop).toBe(3)
  })
})

describe('law 3: what has left the house is not there now', () => {
  test('for a setup that others have taken of; not for the one that took it, and not for a day to come', async () => {
    const lamp = await add('practical', 'One')
    const own = await build([{ name: 'Key', wants: 'light', things: [lamp] }], { code: 'QA' })
    const other = await build([{ name: 'Key', wants: 'light', things: [lamp] }], { code: 'QB' })
    const today = { startsAt: '2026-11-24T07:00', endsAt: '2026-11-24T20:00' }
    const booking = await call('POST', '/bookings', makeDraft({ setupId: own, title: 'Roses', ...today }))
    // Booked alone it lies there still.
    expect((await judge(other)).of('thing-absent')).toEqual([])
    const items = [{ unitId: lamp.id, stockId: null }]
    await call('POST', `/bookings/${booking.id}/take-out`, { items }, booking.version)
    expect((await judge(other)).of('thing-absent')).toMatchObject([{ absence: { reason: 'booked', title: 'Roses' } }])
    expect((await judge(own)).of('thing-absent')).toEqual([])
    const later = await call('POST', '/bookings', makeDraft({ setupId: other }))
    const then = await call('GET', `/setups/${other}/readiness?bookingId=${later.id}`)
    expect(then.findings.map((it: { code: string }) => it.code)).not.toContain('thing-absent')
  })
})

describe('a place in case', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }
  const feed = (name: string) => add('lead', name, { inlet: 'iec-c7' })

  test('what is there in case fills no role, meets no need, and is one push away', async () => {
    const light = await add('practical', 'Lamp', lamp)
    const lead = await feed('Lead')
    const spare = await feed('Second lead')
    const room = await addRoom()
    const id = await build([{ name: 'Key', wants: 'light', things: [light], spares: [lead] }], room)
    const { says, of } = await judge(id)
    // The lead lies there, and the lamp is not plugged in all the same.
    expect(says).toBe('Cannot run: 1 stop.')
    const [open] = of('need-unmet')
    const { remedies } = await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(open?.key ?? '')}`)
    expect(remedies[0]).toMatchObject({ kind: 'use-spare', tag: lead.tag })

    const idle = await build([{ name: 'Key', wants: 'light', things: [], spares: [light] }], { ...room, code: 'QF' })
    expect((await judge(idle)).found).toEqual(['stop role-empty'])
    // Beside the one that feeds it, nothing is said of the one in case.
    const both = await build([{ name: 'Key', wants: 'light', things: [light, lead], spares: [spare] }], {
      ...room,
      code: 'QG',
    })
    expect((await judge(both)).says).toBe('Ready to run.')
  })

  test('it is packed; that it is away is a word of advice', async () => {
    const light = await add('practical', 'Lamp', lamp)
    const lead = await feed('Lead')
    const spare = await feed('Second lead')
    const id = await build([{ name: 'Key', wants: 'light', things: [light, lead], spares: [spare] }], await addRoom())
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id }))
    const { sheet } = await call('GET', `/bookings/${booking.id}`)
    expect(sheet.pieces).toBe(3)
    await call('PATCH', `/units/${spare.id}`, { state: 'lost' }, 1)
    const { found } = await judge(id)
    expect(found).toEqual(['advise thing-absent'])
  })

  test('a role with nothing but what is there in case is empty for whoever chooses, rigs or counts', async () => {
    const spare = await add('practical', 'Spare lamp', lamp)
    const free = await add('practical', 'Free lamp', lamp)
    const id = await build([{ name: 'Key', wants: 'light', spares: [spare] }], await addRoom())
    expect((await judge(id)).found).toEqual(['stop role-empty'])
    const { choices } = await call('GET', `/setups/${id}/choose`)
    expect(choices.map((it: { tag: string }) => it.tag)).toEqual([free.tag])
    // Nothing of it is rigged, and without the spare no role has lost its thing.
    const { time, floor } = await call('GET', `/setups/${id}/minutes`)
    expect([time.steps, floor.things]).toEqual([[], []])
    expect((await call('GET', `/setups/${id}/without?unitId=${spare.id}`)).empties).toEqual([])
  })

  test('counted things too: of four bags one in case, and only three there', async () => {
    const { id: bags } = await call('POST', '/stock', { category: 'sandbag', name: 'Bags', quantity: 3 })
    const weigh = (quantity: number, inCase: number, code: string) =>
      build(
        [
          {
            name: 'Bags',
            stock: [{ id: bags, quantity }, ...(inCase ? [{ id: bags, quantity: inCase, isSpare: true }] : [])],
          },
        ],
        { code },
      )
    expect((await judge(await weigh(3, 1, 'QA'))).found).toEqual(['advise stock-short'])
    expect((await judge(await weigh(3, 0, 'QB'))).found).toEqual([])
    expect((await judge(await weigh(4, 1, 'QC'))).found).toEqual(['stop stock-short'])
  })

  test('a pack in case is the spare that is wanted, and none of those that run', async () => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code: battery } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const screen = await add('monitor', 'Screen', { battery, milliwatts: 20_000, massGrams: 500 })
    const pack = (name: string) => add('pack', name, { battery, energyMilliwattHours: 40_000 })
    const packs = [await pack('One'), await pack('Two'), await pack('Three')] as [Thing, Thing, Thing]
    const rig = (running: Thing[], inCase: Thing[], code: string) =>
      build([{ name: 'Key', things: [screen, ...running], spares: inCase }], { code, plannedMinutes: 60 })
    const short = async (id: string) => (await judge(id)).of('packs-short').map((it) => it.level)
    // 40 Wh at 80 % run 20 W for 96 minutes: an hour wants one, and the policy one spare.
    expect(await short(await rig([packs[0]], [packs[1]], 'QA'))).toEqual([])
    expect(await short(await rig([packs[0]], [], 'QB'))).toEqual(['warn'])
    expect(await short(await rig([packs[0], packs[1]], [], 'QC'))).toEqual([])
  })

  test('without its thing a role goes on with the one in case: no single point of failure', async () => {
    const light = await add('practical', 'Lamp', lamp)
    const lead = await feed('Lead')
    const spare = await feed('Second lead')
    const id = await build([{ name: 'Key', wants: 'light', things: [light, lead], spares: [spare] }], await addRoom())
    const points = await askToTheEnd(() => call('GET', '/resilience'))
    const { losses, covered } = points.setups.find((it: { id: string }) => it.id === id)
    const tagsOf = (list: readonly { tag: string }[]) => list.map((it) => it.tag)
    expect(tagsOf(losses)).toEqual([light.tag])
    expect(covered).toMatchObject([{ tag: lead.tag, standIns: [{ tag: spare.tag }] }])
    expect(tagsOf(points.points)).toEqual([light.tag])
  })
})

describe('a screen into which nothing goes', () => {
  const rig = async () => {
    const camera = await add('camcorder', 'Camera', { videoOut: 'hdmi-a' })
    const cable = await add('cable', 'Picture', { endA: 'hdmi-a', endB: 'hdmi-a' })
    const screen = await add('television', 'Wall', { massGrams: 9_000 })
    const roles = [
      { name: 'Camera', wants: 'camera', things: [camera] },
      { name: 'Screen', wants: 'monitor', things: [screen, cable] },
    ]
    return { camera, cable, screen, judged: async () => (await judge(await build(roles))).of('screen-dark') }
  }

  test('shows nothing where its cable is lost', async () => {
    const { cable, screen, judged } = await rig()
    await call('PATCH', `/units/${cable.id}`, { state: 'lost' }, cable.version)
    expect(await judged()).toMatchObject([{ level: 'warn', tag: screen.tag }])
  })

  test('is told once with the camera that is away', async () => {
    const { camera, judged } = await rig()
    await call('PATCH', `/units/${camera.id}`, { state: 'lent' }, camera.version)
    expect(await judged()).toEqual([])
  })

  test('with its picture nothing is dark; optional, it is no more than advice', async () => {
    expect(await (await rig()).judged()).toEqual([])
    const other = await add('television', 'Other wall', { massGrams: 9_000 })
    const role = { name: 'Prop', wants: 'monitor', importance: 'optional', things: [other] }
    expect((await judge(await build([role], { code: 'QP' }))).of('screen-dark')).toMatchObject([{ level: 'advise' }])
  })
})
