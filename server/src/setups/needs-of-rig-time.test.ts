import type { MinutesReply } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: with and without, before and after.
const { call, add, tell, addFamily, changeModel, addRoom, build } = useQuickEntry()

const camera = (name = 'Eye', rest: object = {}) =>
  add('camcorder', name, { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900, ...rest })
const legs = () => add('tripod', 'Legs', { loadGrams: 6_000 })
const minutesOf = (id: string): Promise<MinutesReply> => call('GET', `/setups/${id}/minutes`)

describe('minutes and floor', () => {
  const rig = async () => {
    const [eye, tripod, lamp, stand] = [
      await camera(),
      await legs(),
      await add('light', 'Lamp', { massGrams: 900 }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    return { eye, tripod, lamp, stand }
  }

  test('[B04.1] time to record is the sum of the minutes of all that does not stand already', async () => {
    const { eye, tripod, lamp, stand } = await rig()
    const roles = (stays: boolean | null) => [
      { name: 'A camera', wants: 'camera', things: [eye, tripod], rest: { stays, rigMinutes: 11 } },
      { name: 'Key', wants: 'light', things: [lamp, stand], rest: { rigMinutes: 7 } },
    ]
    const struck = (await minutesOf(await build(roles(false)))).time
    expect([struck.toRecordMinutes, struck.fromNothingMinutes]).toEqual([18, 18])
    const standing = (await minutesOf(await build(roles(true), { code: 'QF' }))).time
    expect([standing.toRecordMinutes, standing.fromNothingMinutes]).toEqual([7, 18])
  })

  test('[B04.2] what would save most if it stayed comes first', async () => {
    const { eye, tripod, lamp, stand } = await rig()
    const id = await build([
      { name: 'Key', wants: 'light', things: [lamp, stand], rest: { rigMinutes: 7, stays: false } },
      { name: 'A camera', wants: 'camera', things: [eye, tripod], rest: { stays: false, rigMinutes: 11 } },
    ])
    const { steps } = (await minutesOf(id)).time
    expect(steps.map((it) => [it.role, it.rigMinutes])).toEqual([
      ['A camera', 11],
      ['Key', 7],
    ])
  })

  test('[B06.1] feet on the floor and the area that they take: three legs of a stand, four of a table, none of what hangs', async () => {
    const { lamp, stand } = await rig()
    const table = await add('table', 'Table', { widthMinMm: 1_000, depthMm: 500, heightMm: 740, loadGrams: 40_000 })
    const wide = await call('POST', '/units', {
      category: 'stand',
      maker: '',
      name: 'Wide stand',
      facts: { loadGrams: 4_000 },
      specs: { legRadiusMm: 500 },
    })
    const id = await build([
      { name: 'Key', wants: 'light', things: [lamp, wide] },
      { name: 'Table', wants: 'table', things: [table] },
    ])
    const { floor } = await minutesOf(id)
    expect(floor.feet).toBe(7)
    expect(floor.squareMm).toBeCloseTo(Math.PI * 500 ** 2 + 500_000, -3)
    expect(floor.unknown).toEqual([])
    // A stand of which nobody measured the legs is counted, and its area is told as not known.
    const other = await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }], { code: 'QF' })
    expect((await minutesOf(other)).floor).toMatchObject({ feet: 3, unknown: [stand.tag] })
  })

  test('[B06.2] against the setup that it was made from: a lamp that hangs from the ceiling has no feet', async () => {
    const { lamp, stand } = await rig()
    const base = await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }])
    const hung = await build([{ name: 'Key', wants: 'light', things: [lamp] }], { code: 'QF', variantOf: base })
    const reply = await minutesOf(hung)
    expect([reply.base?.floor.feet, reply.floor.feet]).toEqual([3, 0])
  })

  test('[B25.1] [B25.2] [B25.3] a booking is told what is rigged in its room before, step by step, with its minutes and where each bracket lies', async () => {
    const room = await addRoom()
    const shelf = await call('POST', '/places', {
      parentId: null,
      name: 'Shelf 2',
      kind: 'shelf',
      note: '',
      circuits: [],
    })
    const lamp = await add('light', 'Lamp', { massGrams: 900 })
    const [clamp, stand] = [
      await add('clamp', 'Clamp', { loadGrams: 4_000 }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    await call('PATCH', `/units/${clamp.id}`, { placeId: shelf.id }, 1)
    const onStand = await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }], room)
    const onClamp = await build([{ name: 'Key', wants: 'light', things: [lamp, clamp] }], { ...room, code: 'QF' })
    await call('POST', '/bookings', makeDraft({ setupId: onStand, placeId: room.placeId, endsAt: '2026-12-10T11:00' }))
    const next = await call(
      'POST',
      '/bookings',
      makeDraft({ setupId: onClamp, placeId: room.placeId, startsAt: '2026-12-10T14:00', endsAt: '2026-12-10T15:00' }),
    )
    const { before } = await call('GET', `/bookings/${next.id}/change-over`)
    expect(before.from.setupId).toBe(onStand)
    const told = JSON.stringify(before)
    expect(told).toContain(clamp.tag)
    expect(before.minutes).toBeGreaterThan(0)
    expect(before.lies[clamp.id] ?? before.lies[clamp.tag]).toBe('Shelf 2')
  })
})

describe('what stays and what is struck', () => {
  test('[B05.1] [B05.2] each role stays or is struck, by its own word or by the studio’s, with the minutes to rig and to strike it', async () => {
    const [eye, lamp] = [await camera(), await add('light', 'Lamp')]
    const id = await build([
      { name: 'A camera', wants: 'camera', things: [eye], rest: { stays: true, rigMinutes: 10 } },
      { name: 'Key', wants: 'light', things: [lamp], rest: { stays: false, rigMinutes: 5 } },
    ])
    const { time } = await minutesOf(id)
    const of = (role: string) => time.steps.find((it) => it.role === role)
    expect(of('A camera')).toMatchObject({ stays: true, isSaid: true, rigMinutes: 10, strikeMinutes: 6 })
    expect(of('Key')).toMatchObject({ stays: false, isSaid: true, rigMinutes: 5, strikeMinutes: 3 })
    expect(time.strikeMinutes).toBe(3)
  })

  test('[B05.3] what stays stands in the way of whoever wants the floor of its room, with how much it takes and the minutes to strike it', async () => {
    const room = await addRoom()
    const attic = { parentId: null, name: 'Attic', kind: 'room', note: '', circuits: [] }
    const { id: atticId } = await call('POST', '/places', attic)
    const tripod = await tell('tripod', 'Legs', { loadGrams: 6_000 }, { legRadiusMm: 500 })
    const [eye, stand, lamp] = [
      await camera(),
      await add('stand', 'Stand', { loadGrams: 6_000 }),
      await add('light', 'Lamp', { massGrams: 900 }),
    ]
    const id = await build(
      [
        { name: 'A camera', wants: 'camera', things: [eye, tripod], rest: { stays: true, rigMinutes: 10 } },
        { name: 'Key', wants: 'light', things: [lamp, stand], rest: { stays: false, rigMinutes: 5 } },
      ],
      room,
    )
    const check = async (part: object) => {
      const draft = { kind: 'other-use', title: 'School visit', placeId: room.placeId, ...part }
      return (await call('POST', '/bookings/check', makeDraft(draft))).standing
    }
    // A circle of half a metre: 0.785 m². The lamp is struck, so that its stand is in nobody's way.
    expect(await check({ needsFloor: true })).toMatchObject([
      { setupId: id, code: 'QE', tags: [tripod.tag], squareMm: Math.PI * 500 ** 2, unknown: [], strikeMinutes: 6 },
    ])
    expect(await check({ needsFloor: false })).toEqual([])
    expect(await check({ needsFloor: true, placeId: atticId })).toEqual([])
    // Its own session is in nobody's way.
    expect(await check({ kind: 'shoot', setupId: id, needsFloor: true })).toEqual([])
    // Of what nobody measured it is said that nobody did.
    const { version, ...setup } = await call('GET', `/setups/${id}`)
    const roles = setup.roles.map((it: object) => ({ ...it, stays: true }))
    await call('PUT', `/setups/${id}`, { ...setup, roles }, version)
    expect(await check({ needsFloor: true })).toMatchObject([
      { tags: [tripod.tag, stand.tag], squareMm: Math.PI * 500 ** 2, unknown: [stand.tag] },
    ])
  })

  test('[B07.1] [B07.2] turned to another wall: a variant says only what is otherwise, and the steps there with their minutes', async () => {
    const [eye, tripod, roses, ferns] = [
      await camera(),
      await legs(),
      await add('backdrop', 'Roses'),
      await add('backdrop', 'Ferns'),
    ]
    const cam = { name: 'A camera', wants: 'camera', things: [eye, tripod] }
    const base = await build([cam, { name: 'Backdrop', wants: 'backdrop', things: [roses] }])
    const turned = await build([cam, { name: 'Backdrop', wants: 'backdrop', things: [ferns] }], {
      code: 'QF',
      variantOf: base,
    })
    const { differences } = await call('GET', `/setups/${base}/difference?otherId=${turned}`)
    expect(differences.filter((it: { kind: string }) => it.kind === 'things')).toEqual([
      { kind: 'things', role: 'Backdrop', gone: [`${roses.tag} Roses`], added: [`${ferns.tag} Ferns`] },
    ])
    expect(JSON.stringify(differences)).not.toContain(eye.tag)
    const over = await call('GET', `/setups/${turned}/change-over?fromId=${base}`)
    expect(over.minutes).toBeGreaterThan(0)
    const text = JSON.stringify(over.steps)
    expect([text.includes(roses.tag), text.includes(ferns.tag), text.includes(eye.tag)]).toEqual([true, true, false])
  })

  test('[B09.1] [B09.2] a camera popped off one support onto another: what is switched, and whether its plate goes on both', async () => {
    const plate = await addFamily('Larch plate', 'carry')
    const eye = await camera()
    const arm = await add('standing-arm', 'Arm', { loadGrams: 4_000 })
    const tripod = await legs()
    const takes = async (thing: { modelId: string }, side: 'host' | 'guest') => {
      const withPlate = (codes: string[]) => (codes.includes('thread-1-4') ? [...codes, plate] : codes)
      await changeModel(thing.modelId, ({ ports }) => ({
        ports: ports.map((it) => (it.side === side ? { ...it, interfaces: withPlate(it.interfaces) } : it)),
      }))
    }
    const on = async (support: { id: string }, code: string) =>
      build([{ name: 'A camera', wants: 'camera', things: [eye, support] }], { code })
    await takes(eye, 'guest')
    await takes(arm, 'host')
    const [desk, floor] = [await on(arm, 'BA'), await on(tripod, 'BB')]
    const screwed = await call('GET', `/setups/${floor}/change-over?fromId=${desk}`)
    await takes(tripod, 'host')
    const quick = await call('GET', `/setups/${floor}/change-over?fromId=${desk}`)
    const move = (reply: { steps: { kind: string; tag: string }[] }) => reply.steps.find((it) => it.kind === 'move')
    expect(move(screwed)).toMatchObject({ tag: eye.tag, from: arm.tag, to: tripod.tag, plate: 'tools' })
    expect(move(quick)).toMatchObject({ tag: eye.tag, plate: 'same', minutes: 1 })
  })
})

describe('variants side by side, and what a change costs', () => {
  test('[B08.1] [B08.2] three looks from one corner: focal length, distance, backdrop and lights of each, and what each frames', async () => {
    const mount = await addFamily('Larch mount', 'mount')
    const body = await tell('camera', 'Body', { mount, massGrams: 700 }, { sensorWidthMm: 36, sensorHeightMm: 24 })
    const zoom = await tell('lens', 'Zoom', { mount, massGrams: 500 }, { focalMinMm: 24, focalMaxMm: 70 })
    const [roses, ferns, lamp] = [
      await add('backdrop', 'Roses'),
      await add('backdrop', 'Ferns'),
      await add('light', 'Lamp'),
    ]
    const look = (focalMm: number, distanceMm: number, cloth: { id: string }, heightMm: number) => [
      { name: 'A camera', wants: 'camera', things: [body, zoom], rest: { position: { focalMm, distanceMm } } },
      { name: 'Backdrop', wants: 'backdrop', things: [cloth] },
      { name: 'Key', wants: 'light', things: [lamp], rest: { group: 'light', position: { heightMm } } },
    ]
    const base = await build(look(24, 2_000, roses, 1_800))
    await build(look(50, 3_000, ferns, 2_100), { code: 'QF', variantOf: base })
    const looks = await call('GET', `/setups/${base}/looks`)
    type Look = {
      code: string
      angles: { focalMm: number; distanceMm: number; frameWidthMm: number }[]
      backdrops: string[]
      moves: number
    }
    const sheet = looks.map((it: Look) => [
      it.code,
      it.angles[0]?.focalMm,
      it.angles[0]?.distanceMm,
      it.backdrops.join(),
      it.moves,
    ])
    expect(sheet).toEqual([
      ['QE', 24, 2_000, expect.stringContaining(roses.tag), 0],
      ['QF', 50, 3_000, expect.stringContaining(ferns.tag), 3],
    ])
    // Thin lens: the width of the sensor times what is left of the distance, by the focal length.
    expect(looks[0].angles[0].frameWidthMm).toBeCloseTo((36 * (2_000 - 24)) / 24, 0)
    expect(
      looks.map((it: { lights: { role: string; position: { heightMm: number } }[] }) => [
        it.lights[0]?.role,
        it.lights[0]?.position.heightMm,
      ]),
    ).toEqual([
      ['Key', 1_800],
      ['Key', 2_100],
    ])
    expect(looks[1].angles[0].frameWidthMm).toBeCloseTo((36 * (3_000 - 50)) / 50, 0)
  })

  test('[B10.1] [B10.2] steps and minutes from one setup to another, and what a second one of a thing would save in a month', async () => {
    const eye = await camera()
    const [arm, tripod] = [await add('standing-arm', 'Arm', { loadGrams: 4_000 }), await legs()]
    const face = await build([{ name: 'A camera', wants: 'camera', things: [eye, tripod] }])
    const above = await build([{ name: 'A camera', wants: 'camera', things: [eye, arm] }], { code: 'QF' })
    const over = await call('GET', `/setups/${above}/change-over?fromId=${face}`)
    expect(over.steps.map((it: { kind: string; tag: string }) => [it.kind, it.tag])).toEqual([
      ['strike', tripod.tag],
      ['move', eye.tag],
      ['rig', arm.tag],
    ])
    expect(over.minutes).toBe(over.steps.reduce((sum: number, it: { minutes: number }) => sum + it.minutes, 0))
    expect(over.worthTwice).toMatchObject([{ tag: eye.tag, minutes: 4 }])
    // Nothing was filmed yet: how often it is changed nobody knows, and nothing is saved.
    expect(over.changesPerMonth).toBe(0)
    const bookings = [
      { setupId: face, startsAt: '2026-12-10T10:00', endsAt: '2026-12-10T11:00' },
      { setupId: above, startsAt: '2026-12-10T12:00', endsAt: '2026-12-10T13:00' },
    ]
    for (const it of bookings) await call('POST', '/bookings', makeDraft(it))
    expect((await call('GET', `/setups/${above}/change-over?fromId=${face}`)).changesPerMonth).toBe(1)
  })
})
