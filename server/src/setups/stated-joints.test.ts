import type { CableRun, SupportChoice } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)

interface Thing {
  id: string
  tag: string
}
const add = (category: string, name: string, facts: object): Promise<Thing> =>
  call('POST', '/units', { category, maker: '', name, facts })

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

const supports = (id: string): Promise<SupportChoice[]> => call('GET', `/setups/${id}/supports`)
const sayOf = async (id: string, { tag }: Thing) => {
  const it = (await supports(id)).find(({ rider }) => rider.tag === tag)
  return it && `${it.standing}: ${it.on?.tag ?? 'nothing'}`
}

async function state(id: string, links: CableRun[]) {
  const { version, models: _, units: __, stock: ___, ...setup } = await call('GET', `/setups/${id}`)
  const keys = [
    'code',
    'name',
    'tape',
    'purpose',
    'purposeKind',
    'placeId',
    'circuitId',
    'plannedMinutes',
    'note',
    'roles',
  ]
  const body = { ...Object.fromEntries(keys.map((key) => [key, setup[key]])), links }
  return call('PUT', `/setups/${id}`, body, version)
}

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
    const [choice] = await supports(id)
    expect(choice?.reasons).toEqual(['A camera goes on its tripod.'])
    expect(choice?.could.map((it) => [it.tag, it.heldBy, it.isTooWeak])).toEqual([
      [own.tag, null, false],
      [other.tag, null, false],
    ])

    await state(id, [joint(camera.id, 'foot', other.id, 'carries')])
    expect(await sayOf(id, camera)).toBe(`stated: ${other.tag}`)
    await call('PATCH', `/units/${other.id}`, { state: 'lent' }, 1)
    const { findings } = await call('GET', `/setups/${id}/readiness`)
    expect(findings.find((it: { code: string }) => it.code === 'thing-absent')).toMatchObject({
      tag: other.tag,
      leaves: [camera.tag],
    })
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
    const [choice] = (await supports(id)).filter((it) => it.rider.tag === screen.tag)
    expect(choice?.could.map((it) => [it.tag, it.isTooWeak])).toContainEqual([arm.tag, true])
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
    const key = (await supports(id))[0]?.rider.key ?? ''
    await state(id, [joint(key, 'foot', two.id, 'carries')])
    expect((await supports(id))[0]).toMatchObject({ standing: 'stated', on: { tag: two.tag } })
  })
})
