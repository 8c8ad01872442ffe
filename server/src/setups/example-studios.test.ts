import {
  applyRemedy,
  EXAMPLE_CONNECTORS,
  EXAMPLE_STUDIOS,
  type ExampleStudio,
  type Finding,
  isCounted,
  makeExampleSetup,
  type NewSetup,
  newSetupSchema,
  type Readiness,
  type Remedy,
} from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'
import { EXPECTED_EXAMPLES, type ExpectedExample } from './expected-examples.fixture.ts'

/** Each example entered the quick way into an empty instance in its country, and judged through the API. */
let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)

async function enter(example: ExampleStudio, country: ExpectedExample['country']) {
  const room = { name: 'Studio', size: null }
  const { setupIds } = await call('POST', '/first-hour', { purposes: ['other'], country, room, things: [] })
  const { placeId, circuitId } = await call('GET', `/setups/${setupIds[0]}`)
  // As many sockets as a room has; the first hour notes four.
  const place = (await call('GET', '/places')).find((it: { id: string }) => it.id === placeId)
  const { id: _, version, ...rest } = place
  const circuits = rest.circuits.map((it: object) => ({ ...it, outlets: 6 }))
  await call('PUT', `/places/${placeId}`, { ...rest, circuits }, version)
  const codes = new Map<unknown, string>()
  for (const [name, { label, kind }] of Object.entries(EXAMPLE_CONNECTORS)) {
    const ends = { hostName: 'host', guestName: 'guest', standard: null, viaCableOnly: false }
    codes.set(name, (await call('POST', '/interfaces', { ...ends, kind, label })).code)
  }
  const idOf = new Map<string, string>()
  const aliasOf = new Map<string, string>([['ROOM', 'ROOM']])
  for (const [alias, { category, name, facts = {}, more = {} }] of Object.entries(example.things)) {
    const entered = Object.fromEntries(Object.entries(facts).map(([key, it]) => [key, codes.get(it) ?? it]))
    const body = { category, maker: '', name, facts: entered, specs: more }
    const made = await call(
      'POST',
      isCounted(category) ? '/stock' : '/units',
      isCounted(category) ? { ...body, quantity: 1 } : body,
    )
    idOf.set(alias, made.id)
    // Counted things are one stock, whatever they are called here.
    if (!aliasOf.has(made.tag)) aliasOf.set(made.tag, alias)
  }
  let roles = 0
  const setup = newSetupSchema.parse(
    makeExampleSetup(
      example,
      { placeId, circuitId, used: [] },
      (alias) => idOf.get(alias) ?? '',
      () => `r${roles++}`,
    ),
  )
  const { id, version: made } = await call('POST', '/setups', setup)
  return { id, setup, version: made as number, idOf, aliasOf }
}

type Entered = Awaited<ReturnType<typeof enter>>

const nameSubject = (finding: Finding, { aliasOf }: Entered): string => {
  const tag =
    'working' in finding && 'tag' in finding.working ? finding.working.tag : 'tag' in finding ? finding.tag : ''
  return aliasOf.get(tag) ?? tag
}

async function judge(entered: Entered) {
  const readiness: Readiness = await call('GET', `/setups/${entered.id}/readiness`)
  const say = (tag: string) => entered.aliasOf.get(tag) ?? tag
  const joints = readiness.joints.map((it) => `${say(it.guest.tag)}>${say(it.host.tag)}`)
  const open = readiness.findings.filter((it) => it.level !== 'advise' && it.level !== 'ok')
  const found = open.map((it) => `${it.level} ${it.code} ${nameSubject(it, entered)}`.trim()).sort()
  const load = readiness.workings.find((it) => it.formula === 'circuit-load')
  const watts = load?.formula === 'circuit-load' ? load.totalMilliwatts / 1_000 : null
  return { joints, found, open, watts, level: readiness.level }
}

const of = (code: string) => {
  const example = EXAMPLE_STUDIOS.find((it) => it.code === code)
  if (!example) throw new Error(`There is no example ${code}.`)
  return example
}

/** Counted pieces have one name each here, and one tag in the house. */
const sameStock = (joint: string, example: ExampleStudio) =>
  joint
    .split('>')
    .map((alias) => {
      const thing = example.things[alias]
      if (!thing || !isCounted(thing.category)) return alias
      return Object.keys(example.things).find((it) => example.things[it]?.name === thing.name) ?? alias
    })
    .join('>')

describe.each(EXPECTED_EXAMPLES.map((it) => [`${it.code} in ${it.country}`, it] as const))('%s', (_, expected) => {
  test('is joined as somebody would, lacks nothing, and draws what its things draw', async () => {
    const example = of(expected.code)
    const entered = await enter(example, expected.country)
    const { joints, found, watts } = await judge(entered)
    expect({ found, watts, joints: expected.joints.filter((it) => !joints.includes(sameStock(it, example))) }).toEqual({
      found: [...expected.found],
      watts: expected.watts,
      joints: [],
    })
  })

  test('whatever is left out is missed, and a way out that puts it back makes it ready again', async () => {
    const example = of(expected.code)
    const entered = await enter(example, expected.country)
    let { version } = entered
    const put = async (body: NewSetup) => {
      version = (await call('PUT', `/setups/${entered.id}`, body, version)).version
    }
    const wrong: string[] = []
    for (const [alias, { category }] of Object.entries(example.things)) {
      if (isCounted(category)) continue
      const unitId = entered.idOf.get(alias)
      const without = entered.setup.roles.map((it) => ({
        ...it,
        things: it.things.filter((own) => own.unitId !== unitId),
      }))
      await put({ ...entered.setup, roles: without })
      const { open, found } = await judge(entered)
      const isMissed = found.length > 0
      if (isMissed === expected.dispensable.includes(alias))
        wrong.push(`${alias}: ${found.join(', ') || 'nothing found'}`)
      if (!isMissed) continue
      if (expected.asked?.includes(alias)) {
        if (found.some((it) => !it.includes('joint-unknown'))) wrong.push(`${alias}: ${found.join(', ')}`)
        continue
      }
      const after = await mend(entered, open, unitId ?? '')
      if (!after) {
        wrong.push(`${alias}: nothing puts it back; ${found.join(', ')}`)
        continue
      }
      await put(applyRemedy({ ...entered.setup, roles: without }, after))
      const again = await judge(entered)
      if (again.found.join() !== expected.found.join()) wrong.push(`${alias}: put back, and ${again.found.join(', ')}`)
    }
    expect(wrong).toEqual([])
  }, 240_000)
})

/** The way out that brings this thing back, of whatever is found. */
async function mend({ id }: Entered, open: readonly Finding[], unitId: string): Promise<Remedy | null> {
  for (const { key } of open) {
    const { remedies }: { remedies: Remedy[] } = await call(
      'GET',
      `/setups/${id}/remedies?key=${encodeURIComponent(key)}`,
    )
    const back = remedies.find((it) => it.kind === 'assign' && it.unitIds.includes(unitId))
    if (back) return back
  }
  return null
}

describe('started from with one push', () => {
  test.each(EXAMPLE_STUDIOS.map((it) => it.code))('%s stands in a room of its own and is ready', async (code) => {
    await call('POST', '/first-hour', {
      purposes: ['other'],
      country: 'US',
      room: { name: 'Studio', size: null },
      things: [],
    })
    const { setupId, things } = await call('POST', `/examples/${code}`, {})
    expect(things).toBe(Object.keys(of(code).things).length)
    const { findings } = await call('GET', `/setups/${setupId}/readiness`)
    expect(findings.filter((it: Finding) => it.level !== 'advise').map((it: Finding) => it.code)).toEqual([])
  })

  test('twice it is twice as many things, of the same models and connectors; in a room that is here it stands there', async () => {
    const { setupId } = await call('POST', '/examples/phone-only', {})
    const first = await call('GET', `/setups/${setupId}`)
    const again = await call('POST', '/examples/phone-only', { placeId: first.placeId })
    const second = await call('GET', `/setups/${again.setupId}`)
    expect(second.placeId).toBe(first.placeId)
    expect(second.code).not.toBe(first.code)
    expect((await call('GET', '/models')).length).toBe(Object.keys(of('phone-only').things).length)
    expect((await call('GET', '/units/count')).units).toBe(2 * Object.keys(of('phone-only').things).length)
  })

  test('what is here by that name stays as somebody recorded it', async () => {
    const own = await call('POST', '/units', {
      category: 'tripod',
      maker: '',
      name: 'Tripod with head',
      facts: { loadGrams: 3_000 },
    })
    await call('POST', '/examples/phone-only', {})
    const model = await call('GET', `/models/${own.modelId}`)
    expect(model.ports.find((it: { id: string }) => it.id === 'carries').rating.value).toBe(3_000)
  })

  test('an example or a room that is not there is refused, and nothing is made', async () => {
    expect((await api.call('POST', '/examples/submarine', {})).status).toBe(404)
    const reply = await api.call('POST', '/examples/phone-only', { placeId: 'nowhere' })
    expect([reply.status, reply.body.errors[0]]).toEqual([
      422,
      { pointer: '/placeId', message: 'There is no such room.' },
    ])
    expect(await call('GET', '/models')).toEqual([])
  })
})

test('there are twelve examples, each expected in one country, four in each', () => {
  expect(EXPECTED_EXAMPLES.map((it) => it.code).sort()).toEqual(EXAMPLE_STUDIOS.map((it) => it.code).sort())
  expect(EXAMPLE_STUDIOS).toHaveLength(12)
  for (const country of ['GB', 'US', 'DE'])
    expect(EXPECTED_EXAMPLES.filter((it) => it.country === country)).toHaveLength(4)
})
