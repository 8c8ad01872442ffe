import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'
import { makeDraft } from '../../setups/quick-entry.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({})
})
afterAll(() => api.close())

const call = (method: string, path: string, body?: unknown, version?: number) =>
  api.call(method, path, body, version === undefined ? undefined : match(version))
const enter = (body: object) => call('POST', '/units', body)
const pageOf = async (id: string) => (await call('GET', `/units/${id}`)).body

describe('[E1] what is told at entry is on the page of the thing', () => {
  test('of a lamp that nobody said how to feed the watts are kept, and stand there when that is told', async () => {
    const { body } = await enter({ category: 'panel', name: 'Bright one', facts: { milliwatts: 60_000 } })
    const { model } = await pageOf(body.id)
    expect(model.specs.told).toEqual({ milliwatts: 60_000 })
    const answer = { fact: 'power', answer: { kind: 'interface', code: 'iec-c7' } }
    const after = (await call('POST', `/models/${model.id}/facts`, answer, model.version)).body
    expect(after.powerModes.map((it: { milliwatts: number }) => it.milliwatts)).toEqual([60_000])
  })

  test('two sides of a table, the width of a roll and the energy of a pack of no family are kept', async () => {
    const facts = { widthMinMm: 1_400, depthMm: 700, loadGrams: 40_000 }
    const table = await pageOf((await enter({ category: 'table', name: 'Bench', facts })).body.id)
    expect(table.model.specs.told).toEqual({ widthMinMm: 1_400, depthMm: 700 })
    expect(table.model.ports.find((it: { id: string }) => it.id === 'top').rating.value).toBe(40_000)
    const pack = await enter({ category: 'pack', name: 'Loose', facts: { energyMilliwattHours: 14_000 } })
    expect((await pageOf(pack.body.id)).model.specs.energyMilliwattHours).toBe(14_000)
  })

  test('told of a second piece of a model, what was open is filled in, and what contradicts is refused at its field', async () => {
    const stand = { category: 'stand', name: 'Tall stand' }
    await enter(stand)
    const second = await enter({ ...stand, facts: { loadGrams: 8_000 }, specs: { heightMaxMm: 2_600 } })
    const { model } = await pageOf(second.body.id)
    expect(model.ports[0].rating.value).toBe(8_000)
    expect(model.specs.more.heightMaxMm).toBe(2_600)
    const third = await enter({ ...stand, facts: { loadGrams: 5_000 } })
    expect([third.status, third.body.errors[0].pointer]).toEqual([422, '/facts/loadGrams'])
    expect(JSON.stringify(third.body)).toMatch(/is here already, and recorded with 8 kg/)
    expect((await call('GET', '/units/count')).body.units).toBe(5)
  })

  test('the same name again, by another of its names and in other capitals, is the same model', async () => {
    const first = await enter({ category: 'camera', maker: 'Verrin', name: 'V6' })
    const { model } = await pageOf(first.body.id)
    const { id, version, archivedAt: _, ...body } = model
    await call('PUT', `/models/${id}`, { ...body, aliases: ['The good one'] }, version)
    const again = await enter({ category: 'camera', name: 'the  GOOD one' })
    expect(again.body.modelId).toBe(first.body.modelId)
  })

  test('many alike are as many things in one go, each with a tag of its own', async () => {
    const { body } = await enter({ category: 'lead', name: 'Short lead', facts: { inlet: 'iec-c7' }, count: 3 })
    const { rows } = (await call('GET', '/units?find=Short')).body
    expect(rows.map((it: { tag: string }) => it.tag)).toEqual(['LED-01', 'LED-02', 'LED-03'])
    expect(body.tag).toBe('LED-01')
    const tagged = await enter({ category: 'lead', name: 'Short lead', tag: 'X-1', count: 2 })
    expect(tagged.status).toBe(422)
  })
})

describe('[E4] counted things are asked the same', () => {
  test('a 9 V cell is no AA cell', async () => {
    const body = { category: 'cell', name: 'Blocks', quantity: 4, facts: { battery: 'cell-9v' } }
    const { modelId } = (await call('POST', '/stock', body)).body
    const model = (await call('GET', `/models/${modelId}`)).body
    expect(model.ports[0].interfaces).toEqual(['cell-9v'])
    const rows = (await call('GET', '/models')).body as { id: string; things: number }[]
    expect(rows.find((it) => it.id === modelId)?.things).toBe(4)
  })
})

describe('[E8] leads and strips end in the plug of the country', () => {
  test.each([
    ['american', ['mains-nema5'], ['mains-nema5', 'mains-jis']],
    ['australian', ['mains-as3112'], ['mains-as3112']],
    ['continental', ['mains-cee7'], ['mains-cee7', 'mains-sev1011', 'mains-cei2350']],
  ])('%s', async (plugSystem, earthed, thin) => {
    const { now: _, version, ...studio } = (await call('GET', '/studio')).body
    await call('PUT', '/studio', { ...studio, plugSystem }, version)
    const plugOf = async (inlet: string) => {
      const { body } = await enter({ category: 'lead', name: `${plugSystem} ${inlet}`, facts: { inlet } })
      return (await pageOf(body.id)).model.ports.find((it: { id: string }) => it.id === 'plug').interfaces
    }
    expect(await plugOf('iec-c13')).toEqual(earthed)
    expect(await plugOf('iec-c7')).toEqual(thin)
    const told = await enter({
      category: 'strip',
      name: `Foreign in ${plugSystem}`,
      facts: { plug: 'mains-bs1363', outlets: 5 },
    })
    const { model } = await pageOf(told.body.id)
    expect(model.ports.map((it: { interfaces: string[]; count: number }) => [it.interfaces, it.count])).toEqual([
      [['mains-bs1363'], 1],
      [['mains-bs1363'], 5],
    ])
  })
})

describe('[E13] two records of one thing become one', () => {
  test('booked under both it is booked once, and a program that both name is there once', async () => {
    const app = { kind: 'app', name: 'Remote', version: '2', where: '' }
    const one = (await enter({ category: 'camera', name: 'Twin' })).body
    const two = (await enter({ category: 'camera', name: 'Twin' })).body
    await call('PATCH', `/units/${one.id}`, { software: [app, { ...app, kind: 'firmware', name: 'Body' }] }, 1)
    await call('PATCH', `/units/${two.id}`, { software: [{ ...app, name: 'remote', version: '1' }] }, 1)
    const made = (await call('POST', '/bookings', makeDraft({ unitIds: [one.id, two.id] }))).body
    const merged = await call('POST', `/units/${one.id}/merge`, { intoId: two.id }, 2)
    expect(merged.status).toBe(200)
    const { body } = await call('GET', `/bookings/${made.id}`)
    expect((body.booking ?? body).unitIds).toEqual([two.id])
    const { unit } = await pageOf(two.id)
    expect(unit.software.map((it: { name: string }) => it.name)).toEqual(['remote', 'Body'])
  })

  test('what only one of two names knew is kept, and what both say the one that stays says', async () => {
    const one = await enter({
      category: 'stand',
      name: 'Stand A',
      facts: { loadGrams: 8_000, massGrams: 2_000 },
      specs: { heightMaxMm: 2_600 },
    })
    const two = await enter({ category: 'stand', name: 'Stand B', facts: { massGrams: 2_100 } })
    const { version } = (await call('GET', `/models/${one.body.modelId}`)).body
    await call('POST', `/models/${one.body.modelId}/merge`, { intoId: two.body.modelId }, version)
    const model = (await call('GET', `/models/${two.body.modelId}`)).body
    expect([model.ports[0].rating.value, model.specs.massGrams, model.specs.more.heightMaxMm]).toEqual([
      8_000, 2_100, 2_600,
    ])
    expect(model.aliases).toEqual(['Stand A'])
  })
})

describe('[E10] what was not in the box', () => {
  test('goes on the shopping list once, when it is written down', async () => {
    const { model } = await pageOf((await enter({ category: 'panel', name: 'Bare panel' })).body.id)
    const { id, version, archivedAt: _, ...body } = model
    const first = await call('PUT', `/models/${id}`, { ...body, notInBox: ['Mains lead'] }, version)
    await call('PUT', `/models/${id}`, { ...body, notInBox: ['Mains lead', 'Battery'] }, first.body.version)
    const lines = (await call('GET', '/shopping')).body as { item: string; reason: string }[]
    expect(lines.map((it) => `${it.item}: ${it.reason}`).sort()).toEqual([
      'Battery: Not in the box of Bare panel.',
      'Mains lead: Not in the box of Bare panel.',
    ])
  })
})

describe('[E14] a roll of paper', () => {
  test('stands in no room, and no room is asked whether it does; its width is kept', async () => {
    const facts = { widthMinMm: 2_720, depthMm: 11_000, heightMm: 100 }
    const { body } = await enter({ category: 'backdrop', name: 'Moss roll', facts })
    const room = { name: 'Small room', kind: 'room', parentId: null, circuits: [], note: '' }
    const details = { size: { widthMm: 4_000, depthMm: 3_000, heightMm: 2_500 } }
    const place = (await call('POST', '/places', { ...room, details })).body
    const { fits } = (await call('GET', `/places/${place.id}`)).body
    expect(fits.map((it: { unitId: string }) => it.unitId)).not.toContain(body.id)
    expect((await pageOf(body.id)).model.specs.footprint.widthMinMm).toBe(2_720)
  })
})

describe('[E5] ends that are told', () => {
  test('a rate says nothing of the card that it goes on: that is asked, and no form of card is guessed', async () => {
    const { body } = await enter({ category: 'camera', name: 'Fast one', facts: { kilobitsPerSecond: 800_000 } })
    const { model } = await pageOf(body.id)
    expect(model.ports.map((it: { id: string }) => it.id)).not.toContain('slot')
    expect(model.recordingModes[0].kilobitsPerSecond).toBe(800_000)
    const asked = (await call('GET', '/models/questions')).body.filter((it: { id: string }) => it.id === model.id)
    expect(asked.map((it: { fact: string }) => it.fact)).toEqual(['mount', 'medium', 'power'])
  })

  test('a camera with a small picture socket and none for a microphone has just those', async () => {
    const facts = { videoOut: 'hdmi-d', soundIn: 'none', mount: null }
    const { model } = await pageOf((await enter({ category: 'camera', name: 'Small sockets', facts })).body.id)
    const ends = model.ports.map((it: { id: string; interfaces: string[] }) => [it.id, it.interfaces[0]])
    expect(ends).toContainEqual(['video-out', 'hdmi-d'])
    expect(ends.map(([id]: string[]) => id)).not.toContain('mic-in')
    const wrong = await enter({ category: 'camera', name: 'Other', facts: { mount: 'none' } })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/facts/mount'])
  })
})

describe('the first hour', () => {
  const ANSWERS = {
    purposes: ['talking-head', 'interview'],
    country: 'US',
    room: { name: 'Back room', size: { widthMm: 5_000, depthMm: 4_000, heightMm: 2_500 } },
    things: [
      { starter: 'Smartphone', count: 2 },
      { starter: 'AA cell', count: 8 },
    ],
  }

  test('three answers make a room with its circuit, things, stock and a setup for each purpose, in one change', async () => {
    const own = await startApi({})
    const ask = async (method: string, path: string, body?: unknown) => (await own.call(method, path, body)).body
    const { setupIds, things } = await ask('POST', '/first-hour', ANSWERS)
    expect([setupIds.length, things]).toEqual([2, 10])
    expect(await ask('GET', '/studio')).toMatchObject({
      country: 'US',
      currency: 'USD',
      unitSystem: 'imperial',
      mainsVolts: 120,
      mainsHertz: 60,
      plugSystem: 'american',
    })
    const [room] = await ask('GET', '/places')
    expect(room.circuits[0]).toMatchObject({ volts: 120, amps: 15, outletInterface: 'mains-nema5' })
    expect((await ask('GET', '/setups')).map((it: { code: string }) => it.code).sort()).toEqual(['IN', 'TH'])
    expect((await ask('GET', '/stock'))[0]).toMatchObject({ quantity: 8 })
    expect((await ask('GET', '/units/count')).units).toBe(2)
    own.close()
  })

  test('answered again beside what is here, currency and measures stay, and counted things go to their stock', async () => {
    const own = await startApi({})
    const ask = async (method: string, path: string, body?: unknown) => (await own.call(method, path, body)).body
    await ask('POST', '/first-hour', ANSWERS)
    await ask('POST', '/first-hour', { ...ANSWERS, country: 'DE', room: { name: 'Front room', size: null } })
    expect(await ask('GET', '/studio')).toMatchObject({ country: 'US', currency: 'USD', unitSystem: 'imperial' })
    expect((await ask('GET', '/stock')).map((it: { quantity: number }) => it.quantity)).toEqual([16])
    expect((await ask('GET', '/setups')).map((it: { code: string }) => it.code)).toHaveLength(4)
    const [front] = (await ask('GET', '/places')).filter((it: { name: string }) => it.name === 'Front room')
    expect(front.circuits[0].outletInterface).toBe('mains-nema5')
    own.close()
  })

  test('figures of common things are no more than usual, and what somebody tells takes their place', async () => {
    const { body } = await enter({
      category: 'tripod',
      name: 'Tripod with head',
      facts: { loadGrams: 6_000, massGrams: 3_200 },
      usual: ['loadGrams', 'massGrams'],
    })
    expect((await pageOf(body.id)).model.specs.usual).toEqual(['loadGrams', 'massGrams'])
    await enter({ category: 'tripod', name: 'Tripod with head', facts: { loadGrams: 4_000 } })
    const { model } = await pageOf(body.id)
    expect(model.specs.usual).toEqual(['massGrams'])
    expect(model.ports.find((it: { id: string }) => it.id === 'carries').rating.value).toBe(4_000)
  })

  test('what is only usual stays that where it fills in what was open, and where two names become one', async () => {
    const bare = await enter({ category: 'tripod', name: 'Small tripod' })
    const usual = { facts: { loadGrams: 2_000, massGrams: 1_100 }, usual: ['loadGrams', 'massGrams'] }
    await enter({ category: 'tripod', name: 'Small tripod', ...usual })
    expect((await pageOf(bare.body.id)).model.specs.usual).toEqual(['loadGrams', 'massGrams'])
    const looked = await enter({ category: 'tripod', name: 'Bird legs', facts: { loadGrams: 1_500 } })
    const { id, version } = (await pageOf(bare.body.id)).model
    await call('POST', `/models/${id}/merge`, { intoId: looked.body.modelId }, version)
    const { model } = await pageOf(looked.body.id)
    expect([model.ports[0].rating.value, model.specs.massGrams, model.specs.usual]).toEqual([
      1_500,
      1_100,
      ['massGrams'],
    ])
  })

  test('somebody looked it up: under the name that goes it takes the place of what is usual under the one that stays', async () => {
    const looked = await enter({ category: 'monopod', name: 'Stick A', facts: { loadGrams: 3_000 } })
    const common = { facts: { loadGrams: 4_000 }, usual: ['loadGrams'] }
    const stays = await enter({ category: 'monopod', name: 'Stick B', ...common })
    await call('POST', `/models/${looked.body.modelId}/merge`, { intoId: stays.body.modelId }, 1)
    const { model } = await pageOf(stays.body.id)
    const rating = model.ports.find((it: { id: string }) => it.id === 'carries').rating.value
    expect([rating, model.specs.usual]).toEqual([3_000, undefined])
  })

  test('a common thing that is here already is taken as somebody corrected it', async () => {
    const thing = { category: 'recorder', name: 'Pocket recorder', facts: { soundIn: 'xlr-3', soundInputs: 2 } }
    const { body } = await enter(thing)
    const answers = {
      ...ANSWERS,
      room: { name: 'Third room', size: null },
      things: [{ starter: 'Pocket recorder', count: 1 }],
    }
    expect((await call('POST', '/first-hour', answers)).status).toBe(201)
    const { model } = await pageOf(body.id)
    expect(model.ports.find((it: { id: string }) => it.id === 'mic-in').interfaces).toEqual(['xlr-3'])
  })

  test('what contradicts is refused in the words and measures of the studio', async () => {
    const tall = { category: 'stand', name: 'Mast', specs: { heightMaxMm: 2_600 } }
    await enter(tall)
    const wrong = await enter({ ...tall, specs: { heightMaxMm: 2_700 } })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/specs/heightMaxMm'])
    expect(JSON.stringify(wrong.body)).toMatch(/recorded with Highest: 2\.6 m/)
  })

  test('a thing that is none of the common ones is refused at its line, and nothing is written', async () => {
    const before = (await call('GET', '/places')).body.length
    const wrong = await call('POST', '/first-hour', { ...ANSWERS, things: [{ starter: 'Submarine', count: 1 }] })
    expect([wrong.status, wrong.body.errors[0].pointer]).toEqual([422, '/things/0/starter'])
    expect((await call('GET', '/places')).body).toHaveLength(before)
  })
})
