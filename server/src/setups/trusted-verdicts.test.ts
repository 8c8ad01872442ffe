import { type Finding, sayVerdict } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../foundation/api.fixture.ts'

/** What somebody gets who starts from nothing and enters things the quick way. */
let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

interface Thing {
  id: string
  tag: string
  modelId: string
}

const call = async (method: string, path: string, body?: unknown, version?: number) => {
  const reply = await api.call(method, path, body, version === undefined ? {} : match(version))
  expect(reply.status, JSON.stringify(reply.body)).toBeLessThan(300)
  return reply.body
}

const add = (category: string, name: string, facts: object = {}): Promise<Thing> =>
  call('POST', '/units', { category, maker: '', name, facts })

interface RoleSketch {
  name: string
  wants?: string
  importance?: string
  things?: Thing[]
  stock?: { id: string; quantity: number }[]
}

async function build(roles: RoleSketch[], rest: object = {}): Promise<string> {
  const { id } = await call('POST', '/setups', {
    code: 'QE',
    name: 'Quick entry',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 30,
    note: '',
    ...rest,
    roles: roles.map(({ name, wants = null, importance = 'essential', things = [], stock = [] }, at) => ({
      id: `r${at}`,
      group: 'camera',
      name,
      importance,
      wants,
      detail: '',
      intentionallyEmpty: false,
      things: [
        ...things.map((it) => ({
          unitId: it.id,
          stockId: null,
          quantity: 1,
          powerModeId: null,
          recordingModeId: null,
        })),
        ...stock.map((it) => ({
          unitId: null,
          stockId: it.id,
          quantity: it.quantity,
          powerModeId: null,
          recordingModeId: null,
        })),
      ],
    })),
  })
  return id
}

async function judge(id: string) {
  const readiness = await call('GET', `/setups/${id}/readiness`)
  const of = (code: string): Finding[] => readiness.findings.filter((it: Finding) => it.code === code)
  const found = readiness.findings.map((it: Finding) => `${it.level} ${it.code}`).sort()
  return { says: sayVerdict(readiness), found: found as string[], of, level: readiness.level }
}

const answer = (modelId: string, fact: string, given: object, version = 1) =>
  call('POST', `/models/${modelId}/facts`, { fact, answer: given }, version)

describe('[V2] what nobody recorded is a question, and never fine', () => {
  test('a camera entered by its name alone: what goes on it, what it records on, what feeds it', async () => {
    const camera = await add('camera', 'Larch one', { massGrams: 700 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [camera, tripod] }])
    const before = await judge(id)
    expect(before.says).toBe('Cannot tell yet: 3 questions.')
    expect(before.of('fact-unknown').map((it) => (it as { fact?: string }).fact)).toEqual(['medium', 'mount', 'power'])

    // Each is answered where it is asked; what the answers ask for next is true.
    await answer(camera.modelId, 'mount', { kind: 'none' })
    await answer(camera.modelId, 'medium', { kind: 'interface', code: 'micro-sd' }, 2)
    await answer(camera.modelId, 'power', { kind: 'new-interface', label: 'Larch pack' }, 3)
    const after = await judge(id)
    expect(after.of('fact-unknown')).toEqual([])
    const missing = after
      .of('need-unmet')
      .map((it) => (it as { interfaces?: { label: string }[] }).interfaces?.[0]?.label)
    expect(missing).toEqual(['Larch pack', 'microSD card'])
    expect(after.says).toContain('Cannot run: 2 stops.')
  })

  test('"it has none" is an answer, and then it is fine', async () => {
    const camera = await add('camera', 'Larch one', { massGrams: 700 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [camera, tripod] }])
    for (const [at, fact] of ['mount', 'medium', 'power'].entries()) {
      await answer(camera.modelId, fact, { kind: 'none' }, at + 1)
    }
    expect((await judge(id)).says).toBe('Ready to run.')
    expect((await call('GET', `/units/${camera.id}`)).model.specs.none).toEqual(['mount', 'medium', 'power'])
  })

  test.each([
    ['light', 'Panel', {}, 'power'],
    ['pack', 'Brick', {}, 'energy'],
    ['card', 'Card', {}, 'capacity'],
    ['monitor', 'Screen', {}, 'power'],
    ['recorder', 'Notes', {}, 'power'],
    ['lens', 'Glass', {}, 'mount'],
  ])('a %s of which only the name is known asks for its %s', async (category, name, facts, fact) => {
    const thing = await add(category, name, facts)
    const id = await build([{ name: 'It', things: [thing] }])
    const asked = (await judge(id)).of('fact-unknown')
    expect(asked.map((it) => [(it as { fact?: string }).fact, it.level])).toContainEqual([fact, 'unknown-stop'])
  })

  test('a support that nobody rated is asked, and so is what weighs on one that is rated', async () => {
    const camera = await add('webcam', 'Eye', {})
    const weighed = await add('webcam', 'Eye two', { massGrams: 200 })
    const legs = await add('tripod', 'Legs', {})
    const rated = await add('tripod', 'Other legs', { loadGrams: 3_000 })
    const facts = async (things: Thing[]) => {
      const id = await build([{ name: 'A', things }], { code: things.includes(rated) ? 'QF' : 'QE' })
      return (await judge(id)).of('joint-unknown').map((it) => (it as { fact?: string }).fact)
    }
    expect(await facts([weighed, legs])).toEqual(['load-limit'])
    expect(await facts([camera, rated])).toEqual(['mass'])
    await answer(legs.modelId, 'load-limit', { kind: 'figure', value: 2_500 })
    const { model } = await call('GET', `/units/${legs.id}`)
    expect(model.ports[0].rating).toEqual({ quantity: 'loadGrams', value: 2_500 })
  })

  test('on a role that is only wanted it is a thing to check, and on an optional one as well', async () => {
    const panel = await add('light', 'Panel', {})
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    for (const [code, importance] of [
      ['QE', 'wanted'],
      ['QF', 'optional'],
    ]) {
      const id = await build([{ name: 'Rim', importance, things: [panel, stand] }], { code })
      const { of, says } = await judge(id)
      expect(of('fact-unknown').map((it) => it.level)).toEqual(['unknown'])
      expect(says).not.toContain('Cannot tell')
    }
  })

  test('an answer that does not answer is refused at its field, and nothing is written', async () => {
    const lens = await add('lens', 'Glass', {})
    const ask = async (fact: string, given: object) => {
      const { status, body } = await api.call(
        'POST',
        `/models/${lens.modelId}/facts`,
        { fact, answer: given },
        match(1),
      )
      return [status, body.errors[0].pointer]
    }
    expect(await ask('mount', { kind: 'interface', code: 'filter-52' })).toEqual([422, '/answer/code'])
    expect(await ask('mount', { kind: 'figure', value: 3 })).toEqual([422, '/answer'])
    expect(await ask('mass', { kind: 'figure', value: 0 })).toEqual([422, '/answer/value'])
    expect(await ask('mass', { kind: 'none' })).toEqual([422, '/answer'])
    expect((await call('GET', `/units/${lens.id}`)).model.version).toBe(1)
  })
})

describe('[V5] minutes for every card, whatever its form', () => {
  test.each([
    ['sd', null],
    ['micro-sd', null],
    ['cfexpress-b', null],
    [null, 'Larch card'],
  ])('64 GB at 800 Mbit/s hold nine minutes of an hour: %s %s', async (standard, own) => {
    const ends = { kind: 'card', hostName: 'slot', guestName: 'card', standard: null, viaCableOnly: false }
    const cardForm = standard ?? (await call('POST', '/interfaces', { ...ends, label: own })).code
    const camera = await add('camera', 'One', { kilobitsPerSecond: 800_000, cardForm, massGrams: 700 })
    const card = await add('card', 'Card', { capacityMegabytes: 64_000, cardForm })
    const id = await build([{ name: 'A', wants: 'camera', things: [camera, card] }], { plannedMinutes: 60 })
    const short = (await judge(id)).of('cards-short')
    expect(short).toMatchObject([{ level: 'stop', working: { minutes: 9, plannedMinutes: 60 } }])
  })
})

describe('[V2] a sum with unknown parts says how many', () => {
  test('what nobody weighed is counted apart, and a card is not', async () => {
    const things = [
      await add('webcam', 'Eye', { massGrams: 200 }),
      await add('light', 'Panel'),
      await add('card', 'Card'),
    ]
    const id = await build([{ name: 'A', things }])
    const { totalMassGrams, unweighed } = await call('GET', `/setups/${id}/readiness`)
    expect([totalMassGrams, unweighed]).toEqual([200, 1])
  })
})

describe('[V3] a role is filled by what it wants', () => {
  test('a key light with nothing but its stand is no key light', async () => {
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    const id = await build([{ name: 'Key', wants: 'light', things: [stand] }])
    const { says, found } = await judge(id)
    expect([says, found]).toEqual(['Cannot run: 1 stop.', ['stop role-empty']])
  })

  test('a finer kind fills it, and so does whatever is put into a role that wants nothing in particular', async () => {
    const panel = await add('panel', 'Panel', {})
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    const id = await build([
      { name: 'Key', wants: 'light', things: [panel] },
      { name: 'What is under it', things: [stand] },
    ])
    expect((await judge(id)).of('role-empty')).toEqual([])
  })
})

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
    const fed = { battery: code, milliwatts: 10_000, kilobitsPerSecond: 50_000, massGrams: 800 }
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
