import { sayFinding } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: at the limit and one beyond.
const { api, call, add, tell, addFamily, addRoom, build, judge } = useQuickEntry()

const PLAIN = { sayDay: (date: string) => date, sayInstant: String }
const letters = (n: number) => `P${'ABCDEFGHIJKLMNOP'[n]}`

describe('what hangs on one socket', () => {
  const lamp = (milliwatts: number) =>
    add('light', `Lamp ${milliwatts}`, { inlet: 'iec-c7', milliwatts, massGrams: 500 })
  const lead = () => add('lead', 'Lead', { inlet: 'iec-c7', plug: 'mains-bs1363' })
  const strip = (name: string, mostAmps = 13, outlets = 4) =>
    tell('strip', name, { outlets, plug: 'mains-bs1363' }, { mostAmps })

  test('[D04.1] watts and amperes are summed for each strip and for the circuit', async () => {
    const room = await addRoom({ outlets: 1, amps: 16 })
    const [one, two, board] = [await lamp(1_000_000), await lamp(800_000), await strip('Strip', 13)]
    const id = await build(
      [{ name: 'Key', wants: 'light', things: [one, two, await lead(), await lead(), board] }],
      room,
    )
    const { workings } = await call('GET', `/setups/${id}/readiness`)
    const circuit = workings.find((it: { formula: string }) => it.formula === 'circuit-load')
    expect(circuit.totalMilliwatts ?? circuit.milliwatts).toBe(1_800_000)
    const { power } = await call('GET', `/setups/${id}/pictures`)
    expect(JSON.stringify(power)).toContain(board.tag)
    const weak = await strip('Weak strip', 7)
    const again = await build([{ name: 'Key', wants: 'light', things: [one, two, await lead(), await lead(), weak] }], {
      ...room,
      code: 'QF',
    })
    // 1,800 W at 230 V are 7.8 A.
    expect((await judge(again)).of('lead-overloaded')).toMatchObject([
      { tag: weak.tag, milliwatts: 1_800_000, amps: 7 },
    ])
    expect((await judge(id)).of('lead-overloaded')).toEqual([])
  })

  test('[D04.2] above four fifths of the circuit is told, and so is a strip in a strip; a strip on a reel is not', async () => {
    // Four fifths of 10 A at 230 V are 1,840 W.
    const wall = { name: 'Wall', volts: 230, outletInterface: 'mains-bs1363' }
    const circuits = [
      { ...wall, id: 'c1', amps: 10, outlets: 4 },
      { ...wall, id: 'c2', name: 'Corner', amps: 16, outlets: 1 },
    ]
    const { id: placeId } = await call('POST', '/places', {
      parentId: null,
      name: 'Studio',
      kind: 'room',
      note: '',
      circuits,
    })
    const room = { placeId, circuitId: 'c1' }
    let n = 0
    const level = async (milliwatts: number) => {
      const id = await build([{ name: 'Key', wants: 'light', things: [await lamp(milliwatts), await lead()] }], {
        ...room,
        code: letters(n++),
        plannedMinutes: 240,
      })
      return (await judge(id)).of('circuit-load').map((it) => it.level)
    }
    expect(await level(1_840_000)).toEqual([])
    expect(await level(1_841_000)).toEqual(['stop'])
    const chained = async (category: string) => {
      const one = { ...room, circuitId: 'c2' }
      const first = await tell(category, `First ${category}`, { outlets: 2, plug: 'mains-bs1363' }, { mostAmps: 13 })
      const things = [
        await lamp(60_000),
        await lamp(61_000),
        await lamp(62_000),
        await lead(),
        await lead(),
        await lead(),
        first,
        await strip('Second', 13, 2),
      ]
      const id = await build([{ name: 'Key', wants: 'light', things }], { ...one, code: letters(n++) })
      return (await judge(id))
        .of('need-unmet')
        .filter((it) => 'interfaces' in it && it.side === 'guest' && it.interfaces.some(({ kind }) => kind === 'mains'))
    }
    const [found] = await chained('strip')
    expect(found).toMatchObject({ level: 'stop' })
    expect(found && sayFinding(found, PLAIN).text).toContain('A strip in a strip is not counted')
    expect(await chained('reel')).toEqual([])
  })

  test('where no circuit is chosen a strip is not told of the other strip, and in another country it goes on a reel too', async () => {
    const us = { plug: 'mains-nema5', outlets: 2 }
    const [one, two] = [
      await tell('strip', 'One', us, { mostAmps: 15 }),
      await tell('strip', 'Two', us, { mostAmps: 15 }),
    ]
    const reel = await tell('reel', 'Reel', us, { mostAmps: 15 })
    const things = async () => [
      ...(await Promise.all([1, 2, 3].map((n) => lamp(60_000 + n)))),
      ...(await Promise.all([1, 2, 3].map(() => add('lead', 'Lead', { inlet: 'iec-c7', plug: 'mains-nema5' })))),
    ]
    const wall = { id: 'c1', name: 'Wall', volts: 120, amps: 15, outlets: 1, outletInterface: 'mains-nema5' }
    const place = { parentId: null, name: 'Studio', kind: 'room', note: '', circuits: [wall] }
    const { id: placeId } = await call('POST', '/places', place)
    let n = 8
    const open = async (own: Thing[], rest: object) => {
      const roles = [{ name: 'Key', wants: 'light', things: [...(await things()), ...own] }]
      const { of } = await judge(await build(roles, { ...rest, code: letters(n++) }))
      return of('need-unmet')
        .filter((it) => 'tag' in it && own.some(({ tag }) => tag === it.tag))
        .map((it) => sayFinding(it, PLAIN).text)
    }
    const room = { placeId, circuitId: 'c1' }
    expect(await open([reel, one], room)).toEqual([])
    expect((await open([one, two], room)).join()).toContain('A strip in a strip is not counted')
    expect((await open([one, two], {})).join()).not.toContain('A strip in a strip is not counted')
  })

  test('[D07.1] [D07.2] a strong head on one pack: its amperes against what the pack gives; two packs carry it', async () => {
    const battery = await addFamily('Larch pack', 'battery')
    let n = 0
    const found = async (milliwatts: number, batteryCount: number) => {
      const head = await add('light', `Head ${milliwatts} ${batteryCount}`, {
        battery,
        batteryCount,
        milliwatts,
        massGrams: 900,
      })
      const packs = await Promise.all(
        Array.from({ length: batteryCount + 1 }, () =>
          tell(
            'pack',
            'Pack',
            { battery, energyMilliwattHours: 98_000, massGrams: 800 },
            { volts: 14.4, mostAmps: 10 },
          ),
        ),
      )
      const id = await build(
        [{ name: 'Key', wants: 'light', things: [head, await add('stand', 'Stand', { loadGrams: 6_000 }), ...packs] }],
        { code: letters(n++) },
      )
      return (await judge(id)).of('pack-overdrawn')
    }
    // 144 W at 14.4 V are 10 A.
    expect(await found(144_000, 1)).toEqual([])
    const [over] = await found(144_100, 1)
    expect(over).toMatchObject({ level: 'stop', mostAmps: 10 })
    expect(over && sayFinding(over, PLAIN).text).toContain('Stronger packs')
    expect(await found(200_000, 2)).toEqual([])
  })
})

describe('cards', () => {
  test('the speed that a card keeps up, in bytes, against what the camera wants: at it and one below', async () => {
    const slow = async (cardMegabytesPerSecond: number, code: string) => {
      const eye = await add('camcorder', 'Eye', {
        cardForm: 'sd',
        kilobitsPerSecond: 400_000,
        cardMegabytesPerSecond: 60,
        massGrams: 900,
      })
      const card = await add('card', `Card ${cardMegabytesPerSecond}`, {
        capacityMegabytes: 128_000,
        cardMegabytesPerSecond,
      })
      const legs = await add('tripod', 'Legs', { loadGrams: 6_000 })
      return (
        await judge(await build([{ name: 'A camera', wants: 'camera', things: [eye, card, legs] }], { code }))
      ).of('card-slow')
    }
    expect(await slow(60, 'EA')).toEqual([])
    expect(await slow(59, 'EB')).toMatchObject([{ wantedMegabytesPerSecond: 60, megabytesPerSecond: 59 }])
  })
})

describe('what rides on what', () => {
  test('a head with its box against the stand that bears it, at its limit and one gram beyond', async () => {
    const mount = await addFamily('Larch ring', 'mount')
    const [lamp, box] = [
      await add('light', 'Lamp', { mount, massGrams: 3_000 }),
      await add('softbox', 'Box', { mount, massGrams: 1_500 }),
    ]
    const level = async (loadGrams: number, code: string) => {
      const stand = await add('stand', `Stand ${loadGrams}`, { loadGrams })
      return (await judge(await build([{ name: 'Key', wants: 'light', things: [lamp, box, stand] }], { code })))
        .of('carried-load')
        .map((it) => it.level)
    }
    expect(await level(4_500, 'FA')).toEqual([])
    expect(await level(4_499, 'FB')).toEqual(['stop'])
  })

  test('[F33.1] [F33.2] a camera that rides on a ring lamp: its weight is on the stand, and it is named when the lamp goes', async () => {
    const ring = await add('ring-light', 'Ring', {
      inlet: 'iec-c7',
      milliwatts: 40_000,
      massGrams: 1_500,
      loadGrams: 3_000,
    })
    const eye = await add('camcorder', 'Eye', { massGrams: 900, cardForm: 'sd' })
    const stand = async (loadGrams: number, code: string) => {
      const under = await add('stand', `Stand ${loadGrams}`, { loadGrams })
      const id = await build([{ name: 'A camera', wants: 'camera', things: [eye, ring, under] }], { code })
      return (await judge(id)).of('carried-load').map((it) => it.level)
    }
    expect(await stand(2_400, 'FA')).toEqual([])
    expect(await stand(2_399, 'FB')).toEqual(['stop'])
    const riders = await call('GET', `/units/${ring.id}/riders`)
    expect(riders[0].riders).toEqual([{ tag: eye.tag, name: 'Eye', massGrams: 900 }])
    expect(riders).toHaveLength(2)
  })

  test('[F12.1] [F12.2] what stands on something that nobody rated is asked, and what is rated and free is offered', async () => {
    const eye = await add('camcorder', 'Eye', { massGrams: 900, cardForm: 'sd' })
    const odd = await add('tripod', 'Old legs of unknown make')
    const good = await add('tripod', 'Good legs', { loadGrams: 6_000 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [eye, odd] }])
    const { of, level } = await judge(id)
    expect(level).toBe('stop')
    const [asked] = of('joint-unknown')
    expect(asked).toMatchObject({ tag: eye.tag, other: odd.tag, fact: 'load-limit', level: 'unknown-stop' })
    const help = await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(asked?.key ?? '')}`)
    expect(help.remedies).toMatchObject([{ kind: 'replace', unitId: odd.id, byUnitId: good.id }])
  })
})

describe('rooms and times', () => {
  test('[I10.1] [I10.2] on what a room is free, until when; booked after that day it is told', async () => {
    const room = await addRoom()
    const place = await call('GET', `/places/${room.placeId}`)
    const { id: _, version, archivedAt: __, ...body } = place.place ?? place
    await call(
      'PUT',
      `/places/${room.placeId}`,
      { ...body, details: { ...body.details, accessTerms: 'As long as the café stays', accessUntil: '2026-12-10' } },
      version,
    )
    const kept = await call('GET', `/places/${room.placeId}`)
    expect(JSON.stringify(kept)).toContain('As long as the café stays')
    const check = async (day: string) =>
      (
        await call(
          'POST',
          '/bookings/check',
          makeDraft({ placeId: room.placeId, startsAt: `2026-12-${day}T10:00`, endsAt: `2026-12-${day}T11:00` }),
        )
      ).clashes
    expect(await check('10')).toEqual([])
    expect(await check('11')).toMatchObject([{ subject: 'place', label: 'Studio', absence: { reason: 'closed' } }])
    const after = { placeId: room.placeId, startsAt: '2026-12-11T10:00', endsAt: '2026-12-11T11:00' }
    const book = (part: object) => api().call('POST', '/bookings', makeDraft({ ...after, ...part }))
    const refused = await book({})
    expect([refused.status, refused.body.errors[0].pointer]).toEqual([422, '/placeId'])
    expect((await book({ state: 'pencilled' })).status).toBe(201)
    // To the minute, putting away included.
    const late = (endsAt: string, strikeMinutes: number) =>
      book({ startsAt: '2026-12-10T21:00', endsAt, strikeMinutes })
    expect((await late('2026-12-11T00:00', 0)).status).toBe(201)
    expect((await late('2026-12-11T00:01', 0)).status).toBe(422)
    expect((await late('2026-12-10T23:50', 10)).status).toBe(201)
    expect((await late('2026-12-10T23:50', 11)).status).toBe(422)
    // What was confirmed on the last day stays there, and goes no day further.
    const last = (await book({ startsAt: '2026-12-10T10:00', endsAt: '2026-12-10T11:00' })).body
    const { id: bookingId, version: first, ...booked } = last
    const move = await api().call('PUT', `/bookings/${bookingId}`, { ...booked, ...after }, match(first))
    expect(move.status).toBe(422)
    expect((await api().call('PUT', `/bookings/${bookingId}`, { ...booked, note: 'Tea' }, match(first))).status).toBe(
      200,
    )
  })

  test('[J16.1] between two setups in one room there have to be the minutes to strike the one and rig the other, less what both have', async () => {
    const room = await addRoom()
    const eye = await add('camcorder', 'Eye', { massGrams: 900 })
    const [legs, arm] = [
      await add('tripod', 'Legs', { loadGrams: 6_000 }),
      await add('standing-arm', 'Arm', { loadGrams: 6_000 }),
    ]
    const first = await build([{ name: 'A camera', wants: 'camera', things: [eye, legs] }], room)
    const second = await build([{ name: 'A camera', wants: 'camera', things: [eye, arm] }], { ...room, code: 'QF' })
    await call('POST', '/bookings', makeDraft({ setupId: first, placeId: room.placeId, endsAt: '2026-12-10T11:00' }))
    const next = await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: second, placeId: room.placeId, startsAt: '2026-12-10T11:05', endsAt: '2026-12-10T12:00' }),
    )
    const { before } = await call('GET', `/bookings/${next.id}/change-over`)
    // The tripod is put away, the camera moved, the arm set up; the camera itself is fetched from nowhere.
    expect(before.steps.map((it: { kind: string; tag: string }) => [it.kind, it.tag])).toEqual([
      ['strike', legs.tag],
      ['move', eye.tag],
      ['rig', arm.tag],
    ])
    expect(before).toMatchObject({ minutes: 10, gapMinutes: 5, rigMinutes: 0 })
    const { version, ...booked } = await call('GET', `/bookings/${next.id}`)
    await call('PUT', `/bookings/${next.id}`, { ...booked, rigMinutes: 15, startsAt: '2026-12-10T11:30' }, version)
    expect((await call('GET', `/bookings/${next.id}/change-over`)).before).toMatchObject({
      gapMinutes: 30,
      rigMinutes: 15,
    })
  })
})
