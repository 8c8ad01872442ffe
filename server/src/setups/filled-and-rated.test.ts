import { describe, expect, test } from 'vitest'
import { useQuickEntry } from './quick-entry.fixture.ts'

/** What fills a role, and what ratings are asked, from an empty instance by quick entry. */
const { call, add, build, judge, answer } = useQuickEntry()

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

describe('[V7] a made run asks how long a passive cable may be', () => {
  const film = async (lengths: (number | null)[], form = 'hdmi-a') => {
    const camera = await add('camera', 'Larch one', { massGrams: 700 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const screen = await add('television', 'Screen', { inlet: 'iec-c13', milliwatts: 40_000 })
    const cables = []
    for (const lengthMm of lengths) {
      const facts = { endA: form, endB: form }
      const specs = lengthMm === null ? {} : { lengthMm }
      cables.push(await call('POST', '/units', { category: 'cable', maker: '', name: `${lengthMm}`, facts, specs }))
    }
    const id = await build([
      { name: 'A camera', wants: 'camera', things: [camera, tripod] },
      { name: 'Guests', wants: 'monitor', things: [screen, ...cables] },
    ])
    return (await judge(id))
      .of('run-long')
      .map((it) => `${it.level} ${JSON.stringify(it).match(/"lengthMm":(\d+)/)?.[1]}`)
  }

  test.each<[string, (number | null)[], string[]]>([
    ['at the limit of 10 m', [10_000], []],
    ['a millimetre beyond it', [10_001], ['advise 10001']],
    ['of a length that nobody recorded', [null], []],
  ])('%s', async (_, lengths, expected) => expect(await film(lengths)).toEqual(expected))
})

describe('a small card in its sleeve', () => {
  const CAMERA = { mount: null, battery: null, cardForm: 'sd', kilobitsPerSecond: 400_000, cardMegabytesPerSecond: 60 }
  const rig = async (speed: object) => {
    const camera = await add('camcorder', 'Body', CAMERA)
    const sleeve = await add('card-sleeve', 'Sleeve')
    const small = await add('card', 'Small', { cardForm: 'micro-sd', capacityMegabytes: 256_000, ...speed })
    return { camera, small, of: (await judge(await build([{ name: 'A', things: [camera, sleeve, small] }]))).of }
  }

  test('is as fast as itself: too slow it is told', async () => {
    const { small, of } = await rig({ cardMegabytesPerSecond: 30 })
    expect(of('card-slow')).toMatchObject([{ level: 'stop', card: small.tag, megabytesPerSecond: 30 }])
  })

  test('at the limit it does', async () => {
    const { of } = await rig({ cardMegabytesPerSecond: 60 })
    expect([of('card-slow'), of('joint-unknown')]).toEqual([[], []])
  })

  test('of which nobody knows the speed, its own is asked, and not the sleeve’s', async () => {
    const { small, camera, of } = await rig({})
    expect(of('joint-unknown')).toMatchObject([
      { level: 'unknown-stop', tag: small.tag, other: camera.tag, modelId: small.modelId, fact: 'card-speed' },
    ])
  })
})

describe('[V7] a charger against its packs, things of two generations, a cable by its version', () => {
  const one = (category: string, name: string, facts: object, specs: object, maker = 'Larch') =>
    call('POST', '/units', { category, maker, name, facts, specs })

  test.each<[object, object, string[]]>([
    [{ chargeAmps: 2 }, { chargeAmps: 2 }, []],
    [{ chargeAmps: 2.1 }, { chargeAmps: 2 }, ['warn charges-too-fast']],
    [{ chargeAmps: 2 }, {}, ['unknown charge-unknown']],
    [{}, { chargeAmps: 2 }, ['unknown charge-unknown']],
    [{}, {}, []],
  ])('a charger that gives %j and a pack that takes %j: %j', async (charger, pack, expected) => {
    const family = { kind: 'battery', hostName: 'bay', guestName: 'pack', standard: null, viaCableOnly: false }
    const { code } = await call('POST', '/interfaces', { ...family, label: 'Larch pack' })
    const things = [
      await one('charger', 'Charger', { battery: code, outlets: 2 }, charger),
      await one('pack', 'Brick', { battery: code, energyMilliwattHours: 98_000 }, pack),
    ]
    const { found, of } = await judge(await build([{ name: 'Power', things, importance: 'optional' }]))
    expect(found.filter((it) => it.includes('charge'))).toEqual(expected)
    if (expected[0] !== 'unknown charge-unknown') return
    // The answer goes to the model of which it is asked, and is the end of the question.
    const [{ modelId, of: tag }] = of('charge-unknown') as unknown as [{ modelId: string; of: string }]
    const asked = things.find((it) => it.modelId === modelId)
    expect(asked?.tag).toBe(tag)
    await answer(modelId, 'charge-amps', { kind: 'figure', value: 2_000 })
    const after = await judge(await build([{ name: 'Power', things, importance: 'optional' }], { code: 'QF' }))
    expect(after.found.filter((it) => it.includes('charge'))).toEqual([])
  })

  test.each<[string, string, string, string[]]>([
    ['Larch', '1', '2', ['warn generation-gap']],
    ['Larch', '1, 2', '2', []],
    ['Larch', '1', '', ['unknown generation-unknown']],
    ['Larch', '', '', []],
    ['Birch', '1', '2', []],
  ])('a controller of %s and generation “%s”, a panel of Larch and “%s”: %j', async (maker, own, other, expected) => {
    const told = (generation: string) => (generation ? { generation } : {})
    const things = [
      await one('panel', 'Panel', { inlet: 'iec-c7', milliwatts: 60_000 }, told(other)),
      await one('control-surface', 'Controller', {}, told(own), maker),
    ]
    const { found } = await judge(await build([{ name: 'Key', wants: 'light', things }]))
    expect(found.filter((it) => it.includes('generation'))).toEqual(expected)
  })

  test('a body that has no generation is not asked for one by its remote', async () => {
    const things = [
      await one('camera', 'Body', { massGrams: 700 }, {}),
      await one('remote', 'Trigger', {}, { generation: '1' }),
    ]
    const { found } = await judge(await build([{ name: 'A camera', wants: 'camera', things }]))
    expect(found.filter((it) => it.includes('generation'))).toEqual([])
  })

  test.each<[object, string[]]>([
    [{ version: '2.1' }, []],
    [{ version: '1.4' }, ['warn cable-slow']],
    [{ version: 'blue one' }, ['unknown cable-slow']],
    // What somebody recorded goes before what is printed.
    [{ version: '1.4', carriesGbits: 18 }, []],
  ])('a picture of 12 Gbit/s over a cable with %j: %j', async (specs, expected) => {
    const camera = await one('camera', 'Body', { massGrams: 700 }, { sendsGbits: 12 })
    const screen = await one('television', 'Screen', { inlet: 'iec-c13', milliwatts: 40_000 }, {})
    const cable = await one('cable', 'Lead', { endA: 'hdmi-a', endB: 'hdmi-a' }, specs)
    const { found } = await judge(
      await build([
        { name: 'A camera', wants: 'camera', things: [camera] },
        { name: 'Guests', wants: 'monitor', things: [screen, cable] },
      ]),
    )
    expect(found.filter((it) => it.includes('cable-slow'))).toEqual(expected)
  })
})
