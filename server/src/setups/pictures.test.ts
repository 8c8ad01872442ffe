import {
  type JointChoices,
  newSetupSchema,
  type Picture,
  type PictureChange,
  type PicturesReply,
  restateJoint,
  type SetupReply,
  sayNodeFigure,
} from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

const { api, call, add, addRoom, build } = useQuickEntry()

const draw = (id: string, query = ''): Promise<PicturesReply> => call('GET', `/setups/${id}/pictures${query}`)
const choicesOf = (id: string, key: string): Promise<JointChoices> => call('GET', `/setups/${id}/joints?key=${key}`)

/** "TRI-01 > CAM-01 assumed" of every joint of a picture, in an order of their own. */
function listJoints({ groups }: Picture): string[] {
  const tagOf = new Map(groups.flatMap(({ nodes }) => nodes.map((it) => [it.key, it.tag])))
  return groups
    .flatMap(({ joints }) => joints)
    .map((it) => `${tagOf.get(it.from)} > ${tagOf.get(it.to)} ${it.isStated ? 'stated' : 'assumed'}`)
    .sort()
}

/** Over which root a thing is. */
const rootOf = ({ groups }: Picture, { id }: Pick<Thing, 'id'>) =>
  groups.find(({ nodes }) => nodes.some((it) => it.keys.includes(id)))?.root

function findNode({ groups }: Picture, key: string) {
  const node = groups.flatMap((it) => it.nodes).find((it) => it.keys.includes(key))
  if (!node) throw new Error('It is not drawn.')
  return node
}

const say = (picture: Picture, key: string, system: 'metric' | 'imperial' = 'metric') =>
  findNode(picture, key).figures.map((it) => sayNodeFigure(it, system))

/** Puts a thing on another as the page does: what could be there comes from the choices, and the setup is saved as a whole. */
async function put(id: string, key: string, onto: string | null) {
  const choices = await choicesOf(id, key)
  const end = choices.ends.find(
    (it) => it.side === 'guest' && (onto === null || it.could.some((it) => it.key === onto)),
  )
  if (!end) throw new Error('It does not go there.')
  const guest = { key, portId: end.end.portId }
  const host = end.could.find((it) => it.key === onto)
  const [was] = end.joined
  const setup: SetupReply = await call('GET', `/setups/${id}`)
  const { joints } = await call('GET', `/setups/${id}/readiness`)
  const change = {
    was: was ? { host: { key: was.key, portId: was.portId }, guest } : null,
    next: host ? { host: { key: host.key, portId: host.portId }, guest } : null,
  }
  const body = { ...newSetupSchema.parse(setup), links: restateJoint(setup.links, joints, change, () => 1) }
  const reply = await api().call('PUT', `/setups/${id}`, body, match(setup.version))
  expect(reply.status).toBe(200)
  return reply
}

async function buildRig(room: object = {}) {
  const facts = { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 700 }
  const camera = await add('camcorder', 'Eye', facts)
  const tripod = await add('tripod', 'Legs', { loadGrams: 2_000, massGrams: 2_000 })
  const other = await add('tripod', 'Others', { loadGrams: 699, massGrams: 2_000 })
  const card = await add('card', 'Card', { capacityMegabytes: 64_000 })
  const lamp = await add('light', 'Lamp', { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_800 })
  const lead = await add('lead', 'Lead', { inlet: 'iec-c13' })
  const stand = await add('stand', 'Stand', { loadGrams: 1_800, massGrams: 2_000 })
  const roles = [
    { name: 'A camera', wants: 'camera', things: [camera, tripod, card] },
    { name: 'Key', wants: 'light', things: [lamp, lead, stand] },
    { name: 'B support', wants: 'tripod', things: [other] },
  ]
  return { id: await build(roles, room), camera, tripod, other, card, lamp, lead, stand }
}

describe('three pictures of a setup that was entered the quick way', () => {
  test('each joint is in one of them: what stands on what, what is recorded, what is fed', async () => {
    const { id, camera, tripod, other, card, lamp, lead, stand } = await buildRig(await addRoom())
    const { rig, signals, power } = await draw(id)
    expect(listJoints(rig)).toEqual([`${stand.tag} > ${lamp.tag} assumed`, `${tripod.tag} > ${camera.tag} assumed`])
    expect([camera, tripod, stand, lamp, other].map((it) => rootOf(rig, it))).toEqual(Array(5).fill('floor'))
    expect(listJoints(signals)).toEqual([`${camera.tag} > ${card.tag} assumed`])
    // 64 GB at 50 Mbit/s with the tenth that stays free: 64,000 × 0.9 × 8 / 50 / 60.
    expect(say(signals, camera.id)).toEqual(['2 h 33 min of 30 min planned'])
    expect(listJoints(power)).toEqual([`${lead.tag} > ${lamp.tag} assumed`, `ROOM > ${lead.tag} assumed`])
    expect(rootOf(power, lamp)).toBe('mains')
    expect(say(power, 'circuit:c1')).toEqual(['100 W of 3,680 W'])
  })

  test.each([
    ['at the limit', 1_800, 'ok', ['1.8 kg of 1.8 kg'], ['3.97 lb of 3.97 lb']],
    ['a gram over', 1_801, 'stop', ['1.8 kg of 1.8 kg: 1 g too much'], ['3.97 lb of 3.97 lb: under 0.1 oz too much']],
  ])('a lamp %s of what its stand bears', async (_, massGrams, level, metric, imperial) => {
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c13', milliwatts: 100_000, massGrams })
    const stand = await add('stand', 'Stand', { loadGrams: 1_800, massGrams: 2_000 })
    const { rig } = await draw(await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }]))
    expect(findNode(rig, stand.id).level).toBe(level)
    expect([say(rig, stand.id), say(rig, stand.id, 'imperial')]).toEqual([metric, imperial])
    expect(rig.worst).toBe(level === 'ok' ? null : stand.id)
  })

  test('what nobody weighed is told apart, and asked where it stands', async () => {
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c13' })
    const stand = await add('stand', 'Stand', { loadGrams: 1_800 })
    const { rig, power } = await draw(await build([{ name: 'Key', wants: 'light', things: [lamp, stand] }]))
    expect(say(rig, lamp.id)).toEqual(['not weighed'])
    expect(say(rig, stand.id)).toEqual(['at least 0 g of 1.8 kg'])
    expect(findNode(rig, lamp.id).level).toBe('unknown-stop')
    expect(say(power, lamp.id)).toEqual(['watts not recorded'])
    expect(rootOf(power, lamp)).toBe('unfed')
  })

  test('away it is drawn apart, and what stood on it is on nothing', async () => {
    const { id, camera, tripod, other } = await buildRig()
    await put(id, camera.id, other.id)
    await call('PATCH', `/units/${other.id}`, { state: 'lent' }, 1)
    const { rig } = await draw(id)
    expect([camera, other, tripod].map((it) => rootOf(rig, it))).toEqual(['nothing', 'away', 'floor'])
    expect(listJoints(rig)).not.toContain(`${tripod.tag} > ${camera.tag} assumed`)
  })

  test('what is there in case is drawn apart, whether it is there or lost; by itself it is told once', async () => {
    const { id: setupId, other } = await buildRig()
    const setup: SetupReply = await call('GET', `/setups/${setupId}`)
    const roles = setup.roles.map((role) =>
      role.name === 'B support' ? { ...role, things: role.things.map((it) => ({ ...it, isSpare: true })) } : role,
    )
    await call('PUT', `/setups/${setupId}`, { ...newSetupSchema.parse(setup), roles }, setup.version)
    expect(rootOf((await draw(setupId)).rig, other)).toBe('spare')
    await call('PATCH', `/units/${other.id}`, { state: 'lost' }, 1)
    expect(rootOf((await draw(setupId)).rig, other)).toBe('away')
  })

  test('four cells of a stock in one recorder are drawn as one, with four joints; what is over is by itself', async () => {
    const recorder = await add('recorder', 'Box', { battery: 'cell-aa', batteryCount: 4 })
    const cells = await call('POST', '/stock', {
      category: 'cell',
      name: 'AA',
      facts: { battery: 'cell-aa' },
      quantity: 6,
    })
    const id = await build([
      { name: 'Sound', wants: 'recorder', things: [recorder], stock: [{ id: cells.id, quantity: 6 }] },
    ])
    const { power } = await draw(id)
    const nodes = power.groups.flatMap((it) => it.nodes).filter((it) => it.tag === cells.tag)
    expect(nodes.map((it) => it.keys.length).sort()).toEqual([2, 4])
    expect(listJoints(power)).toEqual(Array(4).fill(`${cells.tag} > ${recorder.tag} assumed`))
  })

  test('with North American plugs as with British ones', async () => {
    const us = { volts: 120, amps: 15, outletInterface: 'mains-nema5' }
    const strip = await add('strip', 'Strip', { plug: 'mains-nema5', outlets: 3 })
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c13', milliwatts: 100_000 })
    const lead = await add('lead', 'Lead', { inlet: 'iec-c13', plug: 'mains-nema5' })
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp, lead, strip] }], await addRoom(us))
    const { power } = await draw(id)
    expect(listJoints(power)).toContain(`${lead.tag} > ${lamp.tag} assumed`)
    expect([lamp, lead, strip].map((it) => rootOf(power, it))).toEqual(['mains', 'mains', 'mains'])
  })
})

describe('stating through a picture is stating through the API', () => {
  test('put elsewhere it stands there, is judged there at once, and undone it is as before', async () => {
    const { id, camera, other } = await buildRig()
    const before = await draw(id)
    const reply = await put(id, camera.id, other.id)
    const after = await draw(id)
    expect(listJoints(after.rig)).toContain(`${other.tag} > ${camera.tag} stated`)
    // The card that is in it was not weighed.
    expect(say(after.rig, other.id)).toEqual(['at least 700 g of 699 g: 1 g too much'])
    expect(after.rig.worst).toBe(other.id)
    await call('POST', `/changes/${reply.headers.get('x-exemplar-change')}/undo`, {})
    expect(await draw(id)).toEqual(before)
  })

  test('let go it is assumed again, as if nobody had said anything', async () => {
    const { id, camera, other } = await buildRig()
    const before = await draw(id)
    await put(id, camera.id, other.id)
    await put(id, camera.id, null)
    expect(await draw(id)).toEqual(before)
  })

  test('of a run over a cable one end is put elsewhere: the other stays as it was made', async () => {
    const microphone = await add('dynamic-mic', 'Mic')
    const cable = await add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' })
    const recorder = await add('recorder', 'Box')
    const mixer = await add('mixer', 'Desk')
    const id = await build([{ name: 'Sound', things: [microphone, cable, recorder, mixer] }])
    const setup: SetupReply = await call('GET', `/setups/${id}`)
    const choices = await choicesOf(id, cable.id)
    const into = (key: string) =>
      choices.ends.flatMap((it) => [...it.could, ...it.joined]).find((it) => it.key === key)?.portId ?? ''
    const run = {
      from: { unitId: microphone.id, portId: into(microphone.id) },
      via: [cable.id],
      to: { unitId: recorder.id, portId: into(recorder.id) },
      neededMm: null,
    }
    await call('PUT', `/setups/${id}`, { ...newSetupSchema.parse(setup), links: [run] }, setup.version)
    expect(listJoints((await draw(id)).signals)).toContain(`${cable.tag} > ${recorder.tag} stated`)
    await put(id, cable.id, mixer.id)
    expect(listJoints((await draw(id)).signals)).toEqual(
      [`${cable.tag} > ${mixer.tag} stated`, `${microphone.tag} > ${cable.tag} stated`].sort(),
    )
  })

  test('a lead that somebody plugged into the wall is in the wall, though nothing hangs on it, and stops nobody', async () => {
    const lead = await add('lead', 'Lead', { inlet: 'iec-c13' })
    const id = await build([{ name: 'Spare', things: [lead] }], await addRoom())
    expect(rootOf((await draw(id)).power, lead)).toBe('loose')
    await put(id, lead.id, 'circuit:c1')
    expect(listJoints((await draw(id)).power)).toEqual([`ROOM > ${lead.tag} stated`])
    const { findings } = await call('GET', `/setups/${id}/readiness`)
    expect(findings.map((it: { level: string }) => it.level).filter((it: string) => it !== 'advise')).toEqual([])
  })
})

describe('choosing in a picture', () => {
  test('says of each other thing whether it could be there, who is there now, what is too weak, and why not', async () => {
    const { id, camera, tripod, other, lamp, stand } = await buildRig()
    const { ends, cannot } = await choicesOf(id, camera.id)
    const foot = ends.find((it) => it.picture === 'rig' && it.side === 'guest')
    expect(foot?.joined.map((it) => [it.tag, it.standing])).toEqual([[tripod.tag, 'assumed']])
    expect(foot?.could.map((it) => [it.tag, it.isTooWeak])).toEqual([[other.tag, true]])
    const why = new Map(cannot.filter((it) => it.picture === 'rig').map((it) => [it.tag, it.why]))
    expect(why.get(stand.tag)).toMatch(new RegExp(`^${stand.tag} takes none of what ${camera.tag} has: `))
    expect(why.has(lamp.tag)).toBe(true)
    expect(why.has(other.tag)).toBe(false)
  })

  test('two outputs, two strips, two devices without a cable: each with its own reason', async () => {
    const [one, two] = [await add('strip', 'One', { outlets: 3 }), await add('strip', 'Two', { outlets: 3 })]
    const [left, right] = [await add('dynamic-mic', 'Left'), await add('dynamic-mic', 'Right')]
    const recorder = await add('recorder', 'Box')
    const id = await build([{ name: 'All', things: [one, two, left, right, recorder] }])
    const whyOf = async (a: Thing, b: Thing) =>
      (await choicesOf(id, a.id)).cannot.find((it) => it.tag === b.tag && it.picture !== 'rig')?.why
    expect(await whyOf(one, two)).toBe(
      `${one.tag} and ${two.tag} both feed several things: one is not plugged into the other, as the first would carry it all.`,
    )
    expect(await whyOf(left, recorder)).toBe(
      `Between ${left.tag} and ${recorder.tag} a cable has to go: XLR, 3 pin on both.`,
    )
    expect(await whyOf(left, right)).toBe(
      `${left.tag} and ${right.tag} both have the plug of XLR, 3 pin: neither goes into the other.`,
    )
  })

  test('a thing that left the setup meanwhile is told so at its field', async () => {
    const { id } = await buildRig()
    const reply = await api().call('GET', `/setups/${id}/joints?key=nobody`)
    expect([reply.status, reply.body.errors[0].message]).toEqual([
      422,
      'The setup has no such thing now: look at it again.',
    ])
  })
})

describe('comparing pictures', () => {
  test('what moved and what is new against another setup, and against today', async () => {
    const { id, camera, tripod, other, lamp } = await buildRig()
    const otherId = await build([{ name: 'A camera', things: [camera, other] }])
    const compare = (query: string): Promise<{ rig: PictureChange }> =>
      call('GET', `/setups/${id}/picture-changes?${query}`)
    const { rig } = await compare(`otherId=${otherId}`)
    expect(rig.moved).toEqual([{ key: camera.id, tag: camera.tag, from: [other.tag], to: [tripod.tag] }])
    expect(rig.added.map((it) => it.tag)).toEqual(expect.arrayContaining([tripod.tag, lamp.tag]))
    expect(rig.gone).toEqual([])

    // The tripod is booked elsewhere on the day: the camera stands on the other then.
    await call('POST', '/bookings', makeDraft({ unitIds: [tripod.id], title: 'Elsewhere' }))
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id, title: 'Here', state: 'pencilled' }))
    const day = await compare(`otherId=${id}&bookingId=${booking.id}`)
    expect(day.rig.moved).toEqual([{ key: camera.id, tag: camera.tag, from: [tripod.tag], to: [other.tag] }])
    expect((await compare(`otherId=${id}`)).rig).toEqual({ added: [], gone: [], moved: [] })
  })
})
