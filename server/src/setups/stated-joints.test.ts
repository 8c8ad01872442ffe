import { type CableRun, type EndChoice, swapThing } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { type Thing, useQuickEntry } from './quick-entry.fixture.ts'

const { api, call, add } = useQuickEntry()

const role = (id: string, things: object[], rest: object = {}) => ({
  id,
  group: 'camera',
  name: id,
  importance: 'essential',
  wants: null,
  detail: '',
  intentionallyEmpty: false,
  things: things.map((it) => ({
    stockId: null,
    unitId: null,
    quantity: 1,
    powerModeId: null,
    recordingModeId: null,
    ...it,
  })),
  ...rest,
})

async function build(roles: object[]): Promise<string> {
  const blank = { code: 'QE', name: 'Rig', tape: 'fern', purpose: '', placeId: null, circuitId: null, note: '' }
  return (await call('POST', '/setups', { ...blank, plannedMinutes: 30, roles })).id
}

/** The end by which a thing stands on another, with what it is on and what it could be on. */
async function footOf(id: string, key: string): Promise<EndChoice> {
  const { ends }: { ends: EndChoice[] } = await call('GET', `/setups/${id}/joints?key=${key}`)
  const foot = ends.find((it) => it.picture === 'rig' && it.side === 'guest')
  if (!foot) throw new Error('It has no foot.')
  return foot
}
const sayOf = async (id: string, { id: key }: Pick<Thing, 'id'>) => {
  const [on] = (await footOf(id, key)).joined
  return on ? `${on.standing}: ${on.tag}` : 'open: nothing'
}

/** Changes some of a setup and leaves the rest as it is. */
async function put(id: string, changes: object) {
  const { version, models: _, units: __, stock: ___, ...setup } = await call('GET', `/setups/${id}`)
  const keys = ['code', 'name', 'tape', 'purpose', 'purposeKind', 'placeId', 'circuitId', 'plannedMinutes', 'note']
  const kept = Object.fromEntries([...keys, 'roles', 'links'].map((key) => [key, setup[key]]))
  return call('PUT', `/setups/${id}`, { ...kept, ...changes }, version)
}

const state = (id: string, links: CableRun[]) => put(id, { links })

const joint = (rider: string, port: string, host: string, hostPort: string): CableRun => ({
  from: { unitId: rider, portId: port },
  via: [],
  to: { unitId: host, portId: hostPort },
  neededMm: null,
})

describe('[V1] who rides on what is said, and stands', () => {
  test('a camera on another tripod than its own, whatever comes later; the stated one away leaves it on nothing', async () => {
    const camera = await add('action-camera', 'Eye', { massGrams: 150 })
    const [own, other] = [
      await add('tripod', 'Own', { loadGrams: 3_000 }),
      await add('tripod', 'Other', { loadGrams: 3_000 }),
    ]
    const roles = [role('A', [{ unitId: camera.id }, { unitId: own.id }]), role('B', [{ unitId: other.id }])]
    const id = await build(roles)
    expect(await sayOf(id, camera)).toBe(`assumed: ${own.tag}`)
    const { joined, could } = await footOf(id, camera.id)
    expect(joined.map((it) => it.reasons)).toEqual([['A camera goes on its tripod.']])
    expect(could.map((it) => [it.tag, it.heldBy, it.isTooWeak])).toEqual([[other.tag, null, false]])

    await state(id, [joint(camera.id, 'foot', other.id, 'carries')])
    expect(await sayOf(id, camera)).toBe(`stated: ${other.tag}`)
    await call('PATCH', `/units/${other.id}`, { state: 'lent' }, 1)
    const { findings } = await call('GET', `/setups/${id}/readiness`)
    expect(findings.find((it: { code: string }) => it.code === 'thing-absent')).toMatchObject({
      tag: other.tag,
      leaves: [camera.tag],
    })
    // It stands in the setup still: nothing of the joint is gone.
    expect(findings.filter((it: { code: string }) => it.code === 'cable-run-trouble')).toEqual([])
    // Its own tripod stands there free, and is not taken behind somebody's back.
    expect(await sayOf(id, camera)).toBe('open: nothing')
  })

  test('what is stated is judged as it stands: too weak for it, and in a shoe where nobody would', async () => {
    const screen = await add('monitor', 'Big', { massGrams: 4_000 })
    const camera = await add('action-camera', 'Eye', { massGrams: 150 })
    const arm = await add('friction-arm', 'Small', { loadGrams: 1_500, massGrams: 300 })
    const stand = await add('tripod', 'Legs', { loadGrams: 3_999 })
    const id = await build([
      role(
        'A',
        [screen, camera, arm, stand].map((it) => ({ unitId: it.id })),
      ),
    ])
    const { joined, could } = await footOf(id, screen.id)
    expect(joined.map((it) => it.tag)).toEqual([arm.tag])
    expect(could.map((it) => [it.tag, it.isTooWeak])).toEqual([[stand.tag, true]])
    await state(id, [joint(screen.id, 'foot', stand.id, 'carries')])
    const { findings } = await call('GET', `/setups/${id}/readiness`)
    expect(findings.filter((it: { code: string }) => it.code === 'carried-load')).toMatchObject([
      { level: 'stop', working: { tag: stand.tag, totalGrams: 4_000, ratedGrams: 3_999 } },
    ])
  })

  test('a piece of a stock is put on something as a single thing is', async () => {
    const bag = await call('POST', '/stock', {
      category: 'action-camera',
      name: 'Eyes',
      facts: { massGrams: 150 },
      quantity: 2,
    })
    const [one, two] = [
      await add('tripod', 'One', { loadGrams: 3_000 }),
      await add('tripod', 'Two', { loadGrams: 3_000 }),
    ]
    const id = await build([
      role('A', [{ stockId: bag.id, quantity: 1 }, { unitId: one.id }]),
      role('B', [{ unitId: two.id }]),
    ])
    const key = `stock:${bag.id}:0`
    expect(await sayOf(id, { id: key })).toBe(`assumed: ${one.tag}`)
    await state(id, [joint(key, 'foot', two.id, 'carries')])
    expect(await sayOf(id, { id: key })).toBe(`stated: ${two.tag}`)
  })
})

describe('[V1] what ratings decided alone is asked, where it matters', () => {
  const judge = async (id: string) => {
    const { findings } = await call('GET', `/setups/${id}/readiness`)
    return findings.filter((it: { code: string }) => it.code === 'joint-unsure') as { key: string; level: string }[]
  }
  const rig = async (lampGrams: [number, number], ratedGrams: [number, number], ownRoles = false) => {
    const lamp = (massGrams: number, name: string) => add('cob', name, { massGrams, inlet: null })
    const stand = (loadGrams: number, name: string) => add('stand', name, { loadGrams, massGrams: 3_000 })
    const lamps = [await lamp(lampGrams[0], 'Big'), await lamp(lampGrams[1], 'Small')] as [Thing, Thing]
    const stands = [await stand(ratedGrams[0], 'Strong'), await stand(ratedGrams[1], 'Weak')] as [Thing, Thing]
    const pool = [
      role(
        'Lamps',
        lamps.map((it) => ({ unitId: it.id })),
      ),
      role(
        'Stands',
        stands.map((it) => ({ unitId: it.id })),
      ),
    ]
    const pairs = lamps.map((it, at) => role(`Lamp-${at}`, [{ unitId: it.id }, { unitId: stands[at]?.id }]))
    return { id: await build(ownRoles ? pairs : pool), lamps, stands }
  }

  test('a heavy and a light lamp on a strong and a weak stand: right way round, and is it so?', async () => {
    const { id, lamps, stands } = await rig([9_000, 3_000], [10_000, 4_000])
    // The strong stand is taken for the heavy lamp.
    expect(await sayOf(id, lamps[0])).toBe(`assumed: ${stands[0].tag}`)
    const [asked] = await judge(id)
    expect(asked).toMatchObject({
      level: 'unknown-stop',
      weak: { tag: stands[1].tag, wouldBearGrams: 9_000, ratedGrams: 4_000 },
    })
    const { remedies } = await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(asked?.key ?? '')}`)
    expect(remedies[0]).toMatchObject({
      kind: 'state-joints',
      label: `${lamps[0].tag} on ${stands[0].tag} and ${lamps[1].tag} on ${stands[1].tag}`,
    })
    await state(id, remedies[0].links)
    expect(await judge(id)).toEqual([])
    expect(await sayOf(id, lamps[0])).toBe(`stated: ${stands[0].tag}`)
  })

  test.each<[string, Parameters<typeof rig>]>([
    [
      'at the limit the other way round holds as well',
      [
        [4_000, 3_000],
        [10_000, 4_000],
      ],
    ],
    ['each with its stand in a role of its own', [[9_000, 3_000], [10_000, 4_000], true]],
    [
      'two lamps that weigh the same',
      [
        [3_000, 3_000],
        [10_000, 4_000],
      ],
    ],
  ])('nothing is asked: %s', async (_, given) => {
    expect(await judge((await rig(...given)).id)).toEqual([])
  })

  test('one gram more than the limit is asked', async () => {
    expect(await judge((await rig([4_001, 3_000], [10_000, 4_000])).id)).toHaveLength(1)
  })
})

describe('[V1] what is stated goes over on a swap', () => {
  test('the camera in its place stands where it stood; what has no like end leaves that open', async () => {
    const camera = await add('action-camera', 'Eye', { massGrams: 150 })
    const twin = await add('action-camera', 'Other eye', { massGrams: 160 })
    const cable = await add('cable', 'Lead', { endA: 'hdmi-a', endB: 'hdmi-a' })
    const [own, other] = [
      await add('tripod', 'Own', { loadGrams: 3_000 }),
      await add('tripod', 'Other', { loadGrams: 3_000 }),
    ]
    const id = await build([role('A', [{ unitId: camera.id }, { unitId: own.id }]), role('B', [{ unitId: other.id }])])
    await state(id, [joint(camera.id, 'foot', other.id, 'carries')])
    const carryOut = async (unitId: string, byUnitId: string) => {
      const { ends } = await call('GET', `/setups/${id}/swap?unitId=${unitId}&byUnitId=${byUnitId}`)
      const setup = await call('GET', `/setups/${id}`)
      const { roles, links } = swapThing(setup, { unitId, byUnitId, ends })
      await put(id, { roles, links })
    }
    await carryOut(camera.id, twin.id)
    expect(await sayOf(id, twin)).toBe(`stated: ${other.tag}`)
    await carryOut(other.id, cable.id)
    expect(await sayOf(id, twin)).toBe('open: nothing')
  })
})

describe('[V1] nothing stands on itself', () => {
  test('a ring that somebody states is refused at its joint, and nothing is changed', async () => {
    const [one, two, three] = await Promise.all(
      ['One', 'Two', 'Three'].map((name) => add('friction-arm', name, { loadGrams: 3_000, massGrams: 300 })),
    )
    if (!one || !two || !three) throw new Error('Not added.')
    const id = await build([role('A', [{ unitId: one.id }, { unitId: two.id }, { unitId: three.id }])])
    const on = (a: Thing, b: Thing) => joint(a.id, 'foot', b.id, 'carries')
    await state(id, [on(one, two), on(two, three)])
    const { version, ...setup } = await call('GET', `/setups/${id}`)
    const { code, name, tape, purpose, purposeKind, placeId, circuitId, plannedMinutes, note, roles } = setup
    const body = { code, name, tape, purpose, purposeKind, placeId, circuitId, plannedMinutes, note, roles }
    const links = [on(one, two), on(two, three), on(three, one)]
    const reply = await api().call('PUT', `/setups/${id}`, { ...body, links }, match(version))
    expect(reply.status).toBe(422)
    expect(reply.body.errors).toEqual([
      {
        pointer: '/links/2',
        message: `${three.tag} would stand on itself: ${three.tag} on ${one.tag} on ${two.tag} on ${three.tag}.`,
      },
    ])
    expect((await call('GET', `/setups/${id}`)).links).toHaveLength(2)
    // A joint to itself is a ring of one.
    expect(
      (await api().call('PUT', `/setups/${id}`, { ...body, links: [on(two, three), on(one, one)] }, match(version)))
        .status,
    ).toBe(422)
  })
})
