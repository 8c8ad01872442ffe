import { type Finding, sayVerdict } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'

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

const call = makeCall(() => api)

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
    // Of a camera that takes no card and sends its picture nowhere, what is left to ask is its memory.
    const asked = await judge(id)
    expect([asked.says, asked.found]).toEqual(['Cannot tell yet: 1 question.', ['unknown-stop keeping-unknown']])
    await answer(camera.modelId, 'memory', { kind: 'figure', value: 64_000 }, 4)
    expect((await judge(id)).says).toBe('Ready to run.')
    expect((await call('GET', `/units/${camera.id}`)).model.specs.none).toEqual(['mount', 'medium', 'power'])
  })

  test('a camera without a card, a memory or anything that records it keeps nothing, and that is a stop', async () => {
    const camera = await add('camera', 'Larch one', { massGrams: 700 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [camera, tripod] }])
    for (const [at, fact] of ['mount', 'medium', 'power', 'memory'].entries()) {
      await answer(camera.modelId, fact, { kind: 'none' }, at + 1)
    }
    expect((await judge(id)).found).toEqual(['stop picture-unkept'])

    const computer = await add('computer', 'Laptop', {})
    const capture = await add('capture', 'Grabber', {})
    const picture = await add('cable', 'Picture', { endA: 'hdmi-a', endB: 'hdmi-a' })
    const data = await add('cable', 'Data', { endA: 'usb-c', endB: 'usb-c' })
    const things = [camera, tripod, capture, picture, data]
    const rig = [
      { name: 'A camera', wants: 'camera', things },
      { name: 'Recording', things: [computer] },
    ]
    const whole = await build(rig, { code: 'QF' })
    expect((await judge(whole)).of('picture-unkept')).toEqual([])
    await call('PATCH', `/units/${data.id}`, { state: 'lost' }, 1)
    expect((await judge(whole)).of('picture-unkept')).toMatchObject([{ level: 'stop', reaches: [capture.tag] }])
  })

  test('a phone that shows the script need not keep a picture', async () => {
    const [phone, mirror] = [await add('phone', 'Slab', {}), await add('prompter', 'Glass', {})]
    await answer(phone.modelId, 'memory', { kind: 'none' })
    const id = await build([{ name: 'Script', wants: 'prompter', things: [phone, mirror] }])
    expect((await judge(id)).of('picture-unkept')).toEqual([])
  })

  test.each([
    [30, []],
    [38, []],
    [39, ['unknown-stop']],
  ])(
    'minutes of a phone whose rate nobody recorded, with twice the time in hand: %i min',
    async (plannedMinutes, level) => {
      const phone = await add('phone', 'Slab', { capacityMegabytes: 32_000, massGrams: 200 })
      const id = await build([{ name: 'A', wants: 'camera', things: [phone] }], { plannedMinutes })
      // 32 GB, a tenth kept free, at 50 Mbit/s: 76.8 minutes, of which whole ones count.
      const { of } = await judge(id)
      expect(of('card-rate-unknown').map((it) => it.level)).toEqual(level)
      await answer(phone.modelId, 'rate', { kind: 'figure', value: 200_000 })
      expect((await judge(id)).of('cards-short').map((it) => it.level)).toEqual(['stop'])
    },
  )

  test('of three packs the one that nobody recorded leaves open whether they last', async () => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const lamp = await add('light', 'Panel', { battery: code, milliwatts: 20_000, massGrams: 800 })
    const brick = { battery: code, energyMilliwattHours: 10_000 }
    const packs = [await add('pack', 'Brick', brick), await add('pack', 'Brick too', brick)]
    const unknown = await add('pack', 'Old brick', { battery: code })
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    const rig = (things: Thing[], code: string) =>
      build([{ name: 'Key', wants: 'light', things: [lamp, stand, ...things] }], { code, plannedMinutes: 60 })
    expect((await judge(await rig(packs, 'QA'))).of('packs-short')).toMatchObject([
      { level: 'stop', working: { have: 2 } },
    ])
    const open = await rig([...packs, unknown], 'QB')
    expect((await judge(open)).of('packs-short')).toMatchObject([
      { level: 'unknown-stop', working: { have: 2, unknown: 1 } },
    ])
    await answer(unknown.modelId, 'energy', { kind: 'figure', value: 10_000 })
    expect((await judge(open)).of('packs-short')).toMatchObject([{ level: 'warn', working: { have: 3, unknown: 0 } }])
  })

  test('both mounts of a lens adapter are asked', async () => {
    const adapter = await add('lens-adapter', 'Between', {})
    const id = await build([{ name: 'A', things: [adapter] }])
    const facts = (await judge(id)).of('fact-unknown').map((it) => (it as { fact?: string }).fact)
    expect(facts.sort()).toEqual(['front-mount', 'mount'])
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
    const camera = await add('action-camera', 'Eye', {})
    const weighed = await add('action-camera', 'Eye two', { massGrams: 200 })
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

describe('[V11] what only an optional role lacks stops nobody', () => {
  test.each([
    ['essential', 'stop'],
    ['wanted', 'warn'],
    ['optional', 'advise'],
  ])('packs that only an %s camera lacks: %s', async (importance, level) => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const lamp = await add('light', 'Panel', { battery: code, milliwatts: 20_000, massGrams: 800 })
    const more = await add('light', 'Panel too', { battery: code, milliwatts: 20_000, massGrams: 800 })
    const brick = { battery: code, energyMilliwattHours: 12_000 }
    const packs = [
      await add('pack', 'Brick', brick),
      await add('pack', 'Brick too', brick),
      await add('pack', 'Last', brick),
    ]
    const stands = [await add('stand', 'One', { loadGrams: 4_000 }), await add('stand', 'Two', { loadGrams: 4_000 })]
    const [one, two] = stands as [Thing, Thing]
    // Each lamp wants two packs of 32 minutes for an hour; the key has its two, the other has one.
    const id = await build(
      [
        { name: 'Key', wants: 'light', things: [lamp, one, ...packs] },
        { name: 'Rim', wants: 'light', importance, things: [more, two] },
      ],
      { plannedMinutes: 60 },
    )
    expect((await judge(id)).of('packs-short').map((it) => it.level)).toEqual([level])
  })
})

describe('[V10] what is there in case stops nothing', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }

  test('a second lead, a cable that joins nothing and another lens are a word of advice each', async () => {
    const mount = { kind: 'mount', hostName: 'body', guestName: 'lens', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...mount, label: 'Larch mount' })
    const room = { parentId: null, name: 'Studio', kind: 'room', note: '' }
    const circuit = { id: 'c1', name: 'Wall', volts: 230, amps: 16, outlets: 6, outletInterface: 'mains-bs1363' }
    const { id: placeId } = await call('POST', '/places', { ...room, circuits: [circuit] })
    const needed = [
      await add('light', 'Panel', lamp),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    const spare = [
      await add('lead', 'Second lead', { inlet: 'iec-c7' }),
      await add('cable', 'Cable', { endA: 'xlr-3', endB: 'xlr-3' }),
      await add('lens', 'Lens', { mount: code, massGrams: 300 }),
    ]
    const rig = (things: Thing[], name: string) =>
      build([{ name: 'Key', wants: 'light', things }], { code: name, placeId, circuitId: 'c1' })
    expect((await judge(await rig(needed, 'QA'))).says).toBe('Ready to run.')
    const { says, of } = await judge(await rig([...needed, ...spare], 'QB'))
    expect(says).toBe('Can run. 3 things to check.')
    const inCase = of('joins-nothing').map((it) => ('tag' in it ? it.tag : ''))
    // Of two alike it is one that is there in case, whichever.
    expect(inCase.map((tag) => tag.slice(0, 3)).sort()).toEqual(['CBL', 'LED', 'LEN'])
    // Without the one that is needed the other takes its place; without both the lamp is dark.
    const [light, , stand] = needed as [Thing, Thing, Thing]
    expect((await judge(await rig([light, stand, spare[0] as Thing], 'QC'))).says).toBe('Ready to run.')
    expect((await judge(await rig([light, stand], 'QD'))).of('need-unmet')).toMatchObject([
      { level: 'stop', tag: light.tag },
    ])
  })
})

describe('[V21] without a thing', () => {
  test('a role that says not what it wants misses what stood in it first', async () => {
    const phone = await add('phone', 'Slab', { massGrams: 190, capacityMegabytes: 64_000, kilobitsPerSecond: 50_000 })
    const holder = await add('phone-holder', 'Clamp', { massGrams: 90 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 3_000 })
    const id = await build([{ name: 'Camera', things: [phone, holder, tripod] }])
    expect((await judge(id)).says).toBe('Ready to run.')
    const stopsWithout = async ({ id: unitId }: Thing) =>
      (await call('GET', `/setups/${id}/without?unitId=${unitId}`)).counts.stop
    expect([await stopsWithout(phone), await stopsWithout(holder), await stopsWithout(tripod)]).toEqual([1, 1, 1])
    const { setups } = await call('GET', '/resilience')
    expect(setups[0].losses.map((it: { tag: string }) => it.tag)).toEqual([phone.tag, holder.tag, tripod.tag])
  })
})

describe('[V7] ratings that are recorded are asked', () => {
  async function wire(watts: number, strip: object) {
    const circuit = { id: 'c1', name: 'Wall', volts: 230, amps: 16, outlets: 1, outletInterface: 'mains-bs1363' }
    // One socket in the wall, so that all of it goes through the strip.
    const room = { parentId: null, name: 'Studio', kind: 'room', note: '', circuits: [circuit] }
    const { id: placeId } = await call('POST', '/places', room)
    const half = { inlet: 'iec-c13', milliwatts: watts * 500 }
    const lead = { category: 'lead', maker: '', facts: { inlet: 'iec-c13' }, specs: { mostAmps: 10 } }
    const things = [
      await add('practical', 'One', half),
      await add('practical', 'Two', half),
      await call('POST', '/units', { ...lead, name: 'Lead' }),
      await call('POST', '/units', { ...lead, name: 'Lead too' }),
      await call('POST', '/units', { category: 'strip', maker: '', name: 'Strip', facts: { outlets: 4 }, ...strip }),
    ]
    const roles = [
      { name: 'Lamps', things: things.slice(0, 4) },
      { name: 'Strip', things: things.slice(4) },
    ]
    return judge(await build(roles, { placeId, circuitId: 'c1' }))
  }

  test.each([
    // 5 A at 230 V are 1,150 W; equality passes.
    [1_150, { specs: { mostAmps: 5 } }, []],
    [1_152, { specs: { mostAmps: 5 } }, ['stop lead-overloaded']],
    // Nobody rated it: 10 A is usual, and half of that is in hand.
    [1_150, {}, []],
    [1_152, {}, ['unknown-stop lead-rating-unknown']],
  ])('%i W through a strip %j: %j', async (watts, strip, expected) => {
    const { found } = await wire(watts, strip)
    expect(found.filter((it) => it.includes('lead'))).toEqual(expected)
  })

  test.each([
    // A 350 W head on one 14.4 V pack draws 24.3 A.
    [{ mostAmps: 24, volts: 14.4 }, ['stop pack-overdrawn']],
    [{ mostAmps: 25, volts: 14.4 }, []],
    [{ mostAmps: 25 }, ['unknown-stop pack-current-unknown']],
    [{}, ['unknown-stop pack-current-unknown']],
  ])('350 W from a pack of 98 Wh with %j: %j', async (specs, expected) => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const head = await add('practical', 'Head', { battery: code, milliwatts: 350_000 })
    const facts = { battery: code, energyMilliwattHours: 98_000 }
    const pack = await call('POST', '/units', { category: 'pack', maker: '', name: 'Brick', facts, specs })
    const id = await build([{ name: 'Key', wants: 'light', importance: 'essential', things: [head, pack] }])
    expect((await judge(id)).found.filter((it) => it.includes('pack-'))).toEqual(expected)
  })

  test('on an optional role it is as bad, and the answer goes to the model', async () => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const head = await add('practical', 'Head', { battery: code, milliwatts: 350_000 })
    const pack = await add('pack', 'Brick', { battery: code, energyMilliwattHours: 98_000 })
    const id = await build([{ name: 'Rim', wants: 'light', importance: 'optional', things: [head, pack] }])
    await answer(pack.modelId, 'amps', { kind: 'figure', value: 10_000 })
    await answer(pack.modelId, 'volts', { kind: 'figure', value: 14_400 }, 2)
    expect((await judge(id)).of('pack-overdrawn').map((it) => it.level)).toEqual(['stop'])
  })
})

describe('[V2] all open questions of the kit', () => {
  test('by model, for what there is; an answer takes its question away', async () => {
    const phone = await add('phone', 'Slab', {})
    await call('POST', '/stock', { category: 'pack', name: 'Bricks', quantity: 3 })
    const questions = () => call('GET', '/models/questions')
    const say = (list: { name: string; fact: string; things: number }[]) =>
      list.map((it) => `${it.name}: ${it.fact}, ${it.things}`)
    expect(say(await questions())).toEqual(['Bricks: energy, 1', 'Slab: memory, 1'])
    await answer(phone.modelId, 'memory', { kind: 'figure', value: 64_000 })
    expect(say(await questions())).toEqual(['Bricks: energy, 1'])
    await call('DELETE', `/units/${phone.id}`, undefined, 1)
    expect(say(await questions())).toEqual(['Bricks: energy, 1'])
  })
})

describe('tried once more as a stranger', () => {
  const lamp = { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_500 }

  test('[V4] a second lead that is lost stops nobody; the one that is wanted does', async () => {
    const things = [
      await add('practical', 'Lamp', lamp),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
      await add('lead', 'Lead', { inlet: 'iec-c7' }),
    ] as [Thing, Thing, Thing]
    const id = await build([{ name: 'Key', wants: 'light', things }])
    await call('PATCH', `/units/${things[1].id}`, { state: 'lost' }, 1)
    expect((await judge(id)).of('thing-absent').map((it) => it.level)).toEqual(['advise'])
    await call('PATCH', `/units/${things[2].id}`, { state: 'lost' }, 1)
    expect((await judge(id)).of('thing-absent').map((it) => it.level)).toContain('stop')
  })

  test('[V10] pieces of one stock that are there in case are told once', async () => {
    const practical = await add('practical', 'Lamp', lamp)
    const { id: leads } = await call('POST', '/stock', {
      category: 'lead',
      name: 'Leads',
      quantity: 4,
      facts: { inlet: 'iec-c7' },
    })
    const id = await build([{ name: 'Key', wants: 'light', things: [practical], stock: [{ id: leads, quantity: 4 }] }])
    expect((await judge(id)).of('joins-nothing')).toHaveLength(1)
  })

  test.each([
    [900, ['stop']],
    [null, []],
  ])('[V6] a microphone stand with a boom of %s mm of its own', async (reachMm, levels) => {
    const microphone = await add('dynamic-mic', 'Stick', { massGrams: 600 })
    // Over: 0.6 · (0.9 − 0.125) = 0.465 kg·m; back: 1.5 · 0.125 = 0.1875 kg·m.
    const stand = await call('POST', '/units', {
      category: 'mic-stand',
      maker: '',
      name: 'Stand',
      facts: { loadGrams: 2_000, massGrams: 1_500 },
      specs: { legRadiusMm: 250, ...(reachMm ? { reachMm } : {}) },
    })
    const id = await build([{ name: 'Voice', wants: 'microphone', things: [microphone, stand] }])
    expect((await judge(id)).of('tips-over').map((it) => it.level)).toEqual(levels)
  })
})
