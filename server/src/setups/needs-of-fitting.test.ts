import type { SystemsReply } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { makeDraft, makeSoftware, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// What reaches, what screws on and what hangs where: from an empty instance, the quick way, from both sides.
const { api, call, add, tell, addFamily, build, judge } = useQuickEntry()

/** As much of the answer as is looked at. */
interface Reach {
  ways: { pieces: { tag: string }[] }[]
  tooShort: { pieces: { tag: string }[] }[]
  toBuy: { leastMm: number | null } | null
  neededMm: number | null
}

const tagsOf = (rows: readonly { tag: string }[]) => rows.map((it) => it.tag)
const change = async (thing: Pick<Thing, 'id'>, changes: object) => {
  const { unit } = await call('GET', `/units/${thing.id}`)
  await call('PATCH', `/units/${thing.id}`, changes, unit.version)
}

describe('the cable that reaches', () => {
  test('[C04.1] [C04.2] the way up, along and down with slack is how long it has to be; the shortest that reaches, else two, else what to buy', async () => {
    const [mic, mixer] = [await add('shotgun', 'Boom mic'), await add('mixer', 'Desk', { soundIn: 'xlr-3' })]
    const xlr = (name: string, lengthMm: number) => tell('cable', name, { endA: 'xlr-3', endB: 'xlr-3' }, { lengthMm })
    const [ten, three, five, other] = [
      await xlr('Ten', 10_000),
      await xlr('Three', 3_000),
      await xlr('Five', 5_000),
      await xlr('Other three', 3_000),
    ]
    const portOf = async ({ modelId }: Thing, direction: string) =>
      (await call('GET', `/models/${modelId}`)).ports.find(
        (it: { direction: string; interfaces: string[] }) =>
          it.direction === direction && it.interfaces.includes('xlr-3'),
      ).id
    const ends = `fromUnitId=${mic.id}&fromPortId=${await portOf(mic, 'out')}&toUnitId=${mixer.id}&toPortId=${await portOf(mixer, 'in')}`
    const ask = async (way: string) => {
      const reply: Reach = await call('GET', `/cable-ways?${ends}${way}`)
      return {
        needed: reply.neededMm,
        best: reply.ways[0] ? tagsOf(reply.ways[0].pieces) : null,
        short: reply.tooShort.map((it) => tagsOf(it.pieces).join('+')),
        buy: reply.toBuy?.leastMm ?? null,
      }
    }
    // 1.2 up, 2 along, 0.8 down are 4 m, and with the 15 % of the studio 4.6 m.
    const reach = await ask('&upMm=1200&alongMm=2000&downMm=800')
    expect(reach).toMatchObject({ needed: 4_600, best: [five.tag], buy: null })
    expect(reach.short).toContain(three.tag)
    // At its limit it reaches, a millimetre on it does not.
    expect(await ask('&neededMm=5000')).toMatchObject({ best: [five.tag] })
    expect(await ask('&neededMm=5001')).toMatchObject({ best: [ten.tag] })
    expect((await ask('')).needed).toBeNull()
    for (const it of [ten, five]) await change(it, { state: 'lost' })
    const two = await ask('&neededMm=6000')
    expect(two.best?.toSorted()).toEqual([three.tag, other.tag].sort())
    expect(await ask('&neededMm=6001')).toMatchObject({ best: null, buy: 6_001 })
  })
})

describe('threads', () => {
  test('[C12.1] [C12.2] [C12.3] a filter goes on its own thread, by a ring on another, and is left over when the lens is swapped', async () => {
    const mount = await addFamily('Larch mount', 'mount')
    const body = await add('camera', 'Body', { mount, cardForm: 'sd', massGrams: 700 })
    const lens = (name: string, filterMm: number) => tell('lens', name, { mount, massGrams: 300 }, { filterMm })
    const [small, large] = [await lens('Small', 62), await lens('Large', 77)]
    const filter = await add('filter', 'Grey', { mount: 'filter-77' })
    const ring = await add('step-ring', 'Ring', { mount: 'filter-62', frontMount: 'filter-77' })
    const joined = async (things: Thing[], code: string) => {
      const id = await build([{ name: 'A camera', wants: 'camera', things: [body, ...things] }], { code })
      const { joints } = await call('GET', `/setups/${id}/readiness`)
      const on = joints.find((it: { guest: { tag: string } }) => it.guest.tag === filter.tag)
      return { id, on: on?.host.tag ?? null, told: (await judge(id)).found }
    }
    expect((await joined([large, filter], 'FA')).on).toBe(large.tag)
    const wrong = await joined([small, filter], 'FB')
    expect(wrong.on).toBeNull()
    expect((await joined([small, ring, filter], 'FC')).on).toBe(ring.tag)
    const { id } = await joined([large, filter], 'FD')
    const swap = await call('GET', `/setups/${id}/swap?unitId=${large.id}&byUnitId=${small.id}`)
    expect(tagsOf(swap.orphans)).toEqual([filter.tag])
    const alike = await lens('As large', 77)
    const same = await call('GET', `/setups/${id}/swap?unitId=${large.id}&byUnitId=${alike.id}`)
    expect(tagsOf(same.orphans)).toEqual([])
  })
})

describe('where things hang', () => {
  test('[C31.1] holes and shoes of each body against what its setups hang on it, the most first; of what nobody told nothing is claimed', async () => {
    const bodies = [
      await tell('camera', 'Bare', { massGrams: 700 }, { mountPoints: 0 }),
      await tell('camera', 'Drilled', { massGrams: 700 }, { mountPoints: 7 }),
      await tell('camera', 'Untold', { massGrams: 700 }),
    ]
    const [bare, drilled, untold] = bodies
    const [mic, screen] = [
      await add('camera-mic', 'Mic', { massGrams: 100 }),
      await add('monitor', 'Screen', { massGrams: 100, inlet: 'iec-c7' }),
    ]
    await build([{ name: 'A camera', wants: 'camera', things: [bodies[0] as Thing, mic, screen] }])
    // With the microphone alone it would be one: the most that one setup asks for counts.
    await build([{ name: 'A camera', wants: 'camera', things: [bodies[0] as Thing, mic] }], { code: 'QF' })
    const { bodies: rows }: SystemsReply = await call('GET', '/systems')
    expect(rows.map((it) => [it.tag, it.holes])).toEqual([
      [drilled?.tag, 7],
      [bare?.tag, 0],
      [untold?.tag, null],
    ])
    expect(rows.every((it) => it.shoes === 1)).toBe(true)
    expect(rows.map((it) => it.asked)).toEqual([0, 2, 0])
    expect(rows[1]?.askedBy).toContain('QE')
  })
})

describe('a part that is worn', () => {
  test('[C18.1] [C18.2] it is asked for under exactly its model, with where it was looked for; its thing is worn there, until it is bought', async () => {
    const dome = await call('POST', '/units', { category: 'softbox', maker: 'Larch', name: 'Dome 60', facts: {} })
    const twin = await call('POST', '/units', { category: 'softbox', maker: 'Larch', name: 'Dome 60', facts: {} })
    const other = await call('POST', '/units', { category: 'softbox', maker: 'Larch', name: 'Dome 90', facts: {} })
    const page = (it: { id: string }) => call('GET', `/units/${it.id}`)
    const { unit } = await page(dome)
    const searched = 'Two shops asked; the grid of the Dome 90 is too large.'
    const line = await call('POST', `/units/${dome.id}/part-requests`, { part: 'Grid', searched }, unit.version)
    expect(line).toMatchObject({ item: 'Grid for Larch Dome 60', partOfId: dome.modelId })
    expect(line.reason).toBe(`A part of ${dome.tag}. ${searched}`)
    expect((await page(dome)).unit.remarks).toEqual([
      { kind: 'weakness', text: 'Worn: Grid, asked for', source: 'seen' },
    ])
    // Of its model, and not of another; worn is the one piece alone.
    const asked = async (it: { id: string }) => (await page(it)).askedFor.map((one: { item: string }) => one.item)
    expect([await asked(dome), await asked(twin), await asked(other)]).toEqual([[line.item], [line.item], []])
    expect((await page(twin)).unit.remarks).toEqual([])
    // Two models that turn out to be one have one list.
    const { version } = await call('GET', `/models/${dome.modelId}`)
    await call('POST', `/models/${dome.modelId}/merge`, { intoId: other.modelId }, version)
    expect(await asked(other)).toEqual([line.item])
    const [listed] = await call('GET', '/shopping')
    await call('POST', `/shopping/${line.id}/bought`, {}, listed.version)
    expect(await asked(other)).toEqual([])
  })
})

test('of a thing of which forty things are said no part is asked for until one of them is removed: nothing is let fall', async () => {
  const dome = await add('softbox', 'Dome 60')
  const { unit } = await call('GET', `/units/${dome.id}`)
  const remarks = Array.from({ length: 40 }, (_, n) => ({ kind: 'strength', text: `Word ${n}`, source: 'seen' }))
  const { version } = await call('PATCH', `/units/${dome.id}`, { remarks }, unit.version)
  const ask = (at: number) =>
    api().call('POST', `/units/${dome.id}/part-requests`, { part: 'Grid', searched: '' }, match(at))
  const refused = await ask(version)
  expect([refused.status, refused.body.errors]).toMatchObject([422, [{ pointer: '/part' }]])
  expect(await call('GET', '/shopping')).toEqual([])
  const less = await call('PATCH', `/units/${dome.id}`, { remarks: remarks.slice(1) }, version)
  expect((await ask(less.version)).status).toBe(200)
  expect((await call('GET', `/units/${dome.id}`)).unit.remarks).toHaveLength(40)
})

describe('a camera on a computer', () => {
  test('[C28.1] [C28.2] its lead and ports, its app and the charge of the laptop are told, and the laptop is in use', async () => {
    const eye = await add('camera', 'Eye', { cardForm: 'sd', massGrams: 700 })
    const laptop = await add('laptop', 'Fold')
    const lead = (name: string, end: string) => tell('cable', name, { endA: end, endB: end }, { lengthMm: 5_000 })
    const [usb, hdmi] = [await lead('USB', 'usb-c'), await lead('Video', 'hdmi-a')]
    const { unit } = await call('GET', `/units/${eye.id}`)
    await call('PATCH', `/units/${eye.id}`, { software: [makeSoftware({ onUnitId: laptop.id })] }, unit.version)
    const tether = async (cable: Thing, code: string) => {
      const id = await build(
        [
          { name: 'A camera', wants: 'camera', things: [eye, cable] },
          { name: 'Big screen', wants: 'computer', things: [laptop] },
        ],
        { code },
      )
      const { joints } = await call('GET', `/setups/${id}/readiness`)
      const ends = joints
        .filter((it: { guest: { tag: string } }) => it.guest.tag === cable.tag)
        .map((it: { host: { tag: string }; interfaceCode: string }) => [it.host.tag, it.interfaceCode])
      const { lines } = await call('GET', `/setups/${id}/start`)
      return { id, ends, lines }
    }
    const { id, ends, lines } = await tether(usb, 'TA')
    expect(ends).toEqual([
      [eye.tag, 'usb-c'],
      [laptop.tag, 'usb-c'],
    ])
    expect(lines).toContainEqual(
      expect.objectContaining({ kind: 'open-app', app: 'Remote', on: laptop.tag, of: eye.tag }),
    )
    expect(lines).toContainEqual(expect.objectContaining({ kind: 'charge', tags: [laptop.tag] }))
    // A lead of another kind does not reach into it.
    expect((await tether(hdmi, 'TB')).ends).not.toContainEqual([laptop.tag, expect.anything()])
    await call('POST', '/bookings', makeDraft({ setupId: id }))
    const check = async (startsAt: string, endsAt: string) =>
      tagsOf((await call('POST', '/bookings/check', makeDraft({ unitIds: [laptop.id], startsAt, endsAt }))).troubles)
    expect(await check('2026-12-10T11:00', '2026-12-10T13:00')).toEqual([laptop.tag])
    expect(await check('2026-12-10T12:00', '2026-12-10T13:00')).toEqual([])
  })
})
