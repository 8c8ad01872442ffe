import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../foundation/api.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi({ demo: true })
})
afterEach(() => api.close())

const get = async (path: string) => (await api.call('GET', path)).body
const tagsOf = (list: { tag: string }[]) => list.map((it) => it.tag)

async function changeRole(setupId: string, name: string, part: object) {
  const setup = await get(`/setups/${setupId}`)
  const roles = setup.roles.map((role: { name: string }) => (role.name === name ? { ...role, ...part } : role))
  return api.call('PUT', `/setups/${setupId}`, { ...setup, roles }, match(setup.version))
}

describe('minutes and floor', () => {
  test('half standing by policy: key, cameras and what carries them stay; one that is struck counts again', async () => {
    const before = await get('/setups/gi/minutes')
    const staying = before.time.steps.filter((it: { stays: boolean }) => it.stays)
    expect(staying.map((it: { role: string }) => it.role).sort()).toEqual([
      'A camera',
      'A support',
      'B camera',
      'B support',
      'Key',
    ])
    await changeRole('gi', 'Key', { stays: false })
    const after = await get('/setups/gi/minutes')
    const key = after.time.steps.find((it: { role: string }) => it.role === 'Key')
    expect(after.time.toRecordMinutes - before.time.toRecordMinutes).toBe(key.rigMinutes)
    expect(before.floor).toMatchObject({ feet: 15, unknown: [] })
    expect(before.room).toMatchObject({ name: 'Glasshouse corner' })
  })

  test('a change-over says each step, where the new support lies, and adds up', async () => {
    const plan = await get('/setups/pb/change-over?fromId=gi')
    expect(plan.minutes).toBe(plan.steps.reduce((sum: number, it: { minutes: number }) => sum + it.minutes, 0))
    expect(plan.lies['STD-05']).toBe((await get('/units/STD-05')).place)
    expect((await api.call('GET', '/setups/pb/change-over?fromId=pb')).status).toBe(422)
  })

  test('a booking is told what is shot in its room before, where that is another setup', async () => {
    expect(await get('/bookings/b-head/change-over')).toEqual({ before: null })
    const body = {
      kind: 'shoot',
      title: 'Seeds from above',
      setupId: 'pb',
      unitIds: [],
      placeId: 'glasshouse',
      personIds: [],
      startsAt: '2026-11-27T09:00',
      endsAt: '2026-11-27T10:00',
      rigMinutes: 20,
      strikeMinutes: 10,
      state: 'pencilled',
      note: '',
    }
    const { body: booking } = await api.call('POST', '/bookings', body)
    const { before } = await get(`/bookings/${booking.id}/change-over`)
    expect(before.from).toMatchObject({ title: 'Head gardener', setupId: 'gi' })
    expect(before.minutes).toBeGreaterThan(20)
  })
})

describe('cameras', () => {
  test('each angle frames what its lens shows from there, and another body frames alike with the nearest lens', async () => {
    const [gi] = await get('/cameras')
    const [a, b] = gi.angles
    // 35.9 · (2100 − 35) / 35 and 23.6 · (1600 − 85) / 85, in millimetres.
    expect([a.frameWidthMm, b.frameWidthMm].map(Math.round)).toEqual([2_118, 421])
    expect(a.alike).toMatchObject([{ tag: 'CAM-02', like: { tag: 'LEN-08', focalMm: 24 } }])
  })

  test('variants stand beside what they were made from, with what is otherwise', async () => {
    const { id: _, version: _v, ...setup } = await get('/setups/pb')
    const variant = { ...setup, code: 'PC', name: 'Potting bench, closer', variantOf: 'pb' }
    const made = await api.call('POST', '/setups', { ...variant, plannedMinutes: 20 })
    expect(made.status).toBe(201)
    const looks = await get(`/setups/${made.body.id}/looks`)
    expect(looks.map((it: { code: string; moves: number }) => [it.code, it.moves])).toEqual([
      ['PB', 0],
      ['PC', 1],
    ])
    expect(looks[0].lights.map((it: { role: string }) => it.role)).toEqual(['Key', 'Fill'])
  })
})

describe('before it records', () => {
  test('packs, cells, cards and the card of settings; a bank is stale after a repair', async () => {
    const { lines, sources } = await get('/setups/gi/start')
    const find = (kind: string, all = lines) => all.filter((it: { kind: string }) => it.kind === kind)
    expect(find('charge').flatMap((it: { tags: string[] }) => it.tags)).toContain('PAK-A5')
    expect(find('set')[0].settings[0]).toEqual({ name: 'Aperture', value: 'f/2.8' })
    expect(lines.at(-1).kind).toBe('test')
    expect(sources.find((it: { tag: string }) => it.tag === 'MIC-01')).toMatchObject({ source: 'phantom' })

    const setup = await get('/setups/gi')
    const role = setup.roles[0]
    const print = 'aperture=f/2.8;frame rate=25;iso=400;shutter=1/50;white balance=5600 K'
    const banks = [{ bank: 'M2', setupId: 'gi', roleId: role.id, print, storedOn: '2026-11-20' }]
    const { version } = await get('/units/CAM-01')
    await api.call('PATCH', '/units/CAM-01', { banks }, match(version))
    const bankOf = async () => find('recall-bank', (await get('/setups/gi/start')).lines)[0]
    expect(await bankOf()).toMatchObject({ bank: 'M2', why: null })
    const away = await get('/units/CAM-01')
    await api.call('PATCH', '/units/CAM-01', { state: 'in-repair' }, match(away.version))
    expect(await bankOf()).toMatchObject({ why: 'was-away' })
  })

  test('three ways for each microphone, with the policy that the studio follows', async () => {
    const { follows, microphones } = await get('/setups/gi/sound-routes')
    expect(follows).toMatchObject({ way: 'recorder' })
    const [shotgun] = microphones
    expect(shotgun.routes.map((it: { way: string; recordings: number }) => [it.way, it.recordings])).toEqual([
      ['camera', expect.any(Number)],
      ['recorder', 1],
      ['both', 2],
    ])
    expect(shotgun.routes[1].parts).toMatchObject([{ isInSetup: true }])
  })
})

describe('one thing for another', () => {
  test('is judged without being done, and names what is left over', async () => {
    const swap = await get('/setups/gi/swap?unitId=CAM-01&byUnitId=CAM-03')
    // Two lenses of one mount and one body left for them: one of them is without a place.
    expect(tagsOf(swap.orphans).filter((tag) => tag.startsWith('LEN'))).toHaveLength(1)
    expect(swap.change.added.length).toBeGreaterThan(0)
    expect((await get('/setups/gi')).version).toBe(1)
    expect((await api.call('GET', '/setups/gi/swap?unitId=CAM-01&byUnitId=CAM-02')).status).toBe(422)
    expect((await api.call('GET', '/setups/gi/swap?unitId=CAM-09&byUnitId=CAM-03')).status).toBe(422)
  })

  test('what rides on a thing is known where it serves', async () => {
    const [riders] = await get('/units/TRI-04/riders')
    expect(riders.setup.code).toBe('GI')
    expect(tagsOf(riders.riders)).toEqual(expect.arrayContaining(['CAM-02', 'LEN-02']))
    expect(riders.ratedGrams).toBe(3_000)
  })

  test('without one thing: which role is empty, and which figures are otherwise', async () => {
    const without = await get('/setups/gi/without?unitId=REC-01')
    expect(without.figures.length).toBeGreaterThan(0)
    const lamp = await get('/setups/pb/without?unitId=ARM-01')
    expect(lamp.empties).toEqual(['Overhead arm'])
  })
})

describe('one thing in several roles', () => {
  const shared = (name: string) => ({
    id: 'web-camera',
    group: 'camera',
    name,
    importance: 'wanted',
    wants: null,
    detail: '',
    intentionallyEmpty: false,
    mayShare: true,
    things: [{ unitId: 'CAM-06', stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }],
  })

  test('serves once, with all of its jobs by name', async () => {
    const setup = await get('/setups/pb')
    const roles = setup.roles.map((role: { name: string }) =>
      role.name === 'Top-down camera' ? { ...role, mayShare: true } : role,
    )
    const body = { ...setup, roles: [...roles, shared('Web camera')] }
    const put = await api.call('PUT', '/setups/pb', body, match(setup.version))
    expect([put.status, put.body.detail]).toEqual([200, undefined])
    const { usedIn } = await get('/units/CAM-06')
    expect(usedIn).toMatchObject([{ code: 'PB', role: 'Top-down camera, Web camera' }])
    const { findings } = await get('/setups/pb/readiness')
    expect(findings.map((it: { code: string }) => it.code)).toContain('shared-item')
  })

  test('any one of a list: while one is away the next is offered', async () => {
    await changeRole('lr', 'Lectern microphone', { anyOfUnitIds: ['MIC-04', 'MIC-05'] })
    const { version } = await get('/units/MIC-04')
    await api.call('PATCH', '/units/MIC-04', { state: 'lent' }, match(version))
    const { findings } = await get('/setups/lr/readiness')
    expect(findings.map((it: { key: string }) => it.key)).toContain('thing-absent/MIC-04')
    const { remedies } = await get(`/setups/lr/remedies?key=${encodeURIComponent('thing-absent/MIC-04')}`)
    expect(remedies.map((it: { tag: string }) => it.tag)).toEqual(['MIC-05'])
    expect((await get('/setups/lr')).listed).toEqual({ 'MIC-04': 'MIC-04', 'MIC-05': 'MIC-05' })
  })
})

describe('systems', () => {
  test('families, conformity with its cost, portability, holes and bayonets', async () => {
    const systems = await get('/systems?plate=plate-clasp&eachMinor=1800')
    expect(systems.systems.map((it: { code: string }) => it.code)).toContain('mount-sorrel')
    expect(systems.conformity).toMatchObject({ missing: 7, costMinor: 12_600 })
    expect(systems.modifiers.find((it: { lamp: string }) => it.lamp === 'LGT-01')).toMatchObject({
      fits: true,
      massGrams: 3_720,
    })
    expect(
      tagsOf(
        await api
          .as('crew')('GET', '/systems')
          .then((it) => it.body.bodies),
      ),
    ).toContain('CAM-03')
  })

  test('what needs no charging: from the mains, from its input, or from nothing', async () => {
    const { rows } = await get('/units?only=no-charging&limit=200')
    const tags = tagsOf(rows)
    expect(tags).toEqual(expect.arrayContaining(['MIC-01', 'LGT-01', 'TRI-01']))
    for (const tag of ['CAM-01', 'PAK-A1', 'MIC-02']) expect(tags).not.toContain(tag)
  })
})

describe('orders', () => {
  test('cancelled by the seller, it is wished for again and on the list, with the setup that waits', async () => {
    await changeRole('gi', 'Key', {
      things: ['LGT-01', 'LED-01', 'STD-01', 'MOD-02'].map((unitId) => ({
        unitId,
        stockId: null,
        quantity: 1,
        powerModeId: null,
        recordingModeId: null,
      })),
    })
    const [order] = await get('/orders')
    expect(order).toMatchObject({ tag: 'MOD-02', isLate: true, usedIn: [{ code: 'GI', role: 'Key' }] })
    expect((await api.call('POST', `/orders/${order.id}/cancelled`, {}, match(order.version))).status).toBe(200)
    expect(await get('/orders')).toEqual([])
    expect((await get('/units/MOD-02')).unit).toMatchObject({ state: 'wished', dueOn: null })
    const line = (await get('/shopping')).find((it: { item: string }) => it.item === 'Sallow Lantern 50')
    expect(line).toMatchObject({ setupId: 'gi', group: 'light' })
    expect(line.reason).toContain('GI waits for it as Key')
    expect((await api.call('POST', `/orders/${order.id}/cancelled`, {}, match(order.version + 1))).status).toBe(422)
  })
})
