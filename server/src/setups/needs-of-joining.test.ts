import { type SoundRoutesReply, type SystemsReply, sayFinding } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: joined and not, enough and too little.
const { call, add, tell, addFamily, changeModel, build, judge } = useQuickEntry()

const codes = async (id: string, pattern: RegExp) => (await judge(id)).found.filter((it) => pattern.test(it))
const WORDS = { sayDay: (day: string) => day, sayInstant: String }
const letters = (n: number) => `J${'ABCDEFGHIJKLMNOP'[n]}`

describe('what stands on what', () => {
  test.each([
    ['a lamp on a boom on a stand', 'light', 'boom-arm', 'stand'],
    ['a screen on a friction arm on a tripod', 'monitor', 'friction-arm', 'tripod'],
    ['a microphone in a shock mount on a stand for it', 'shotgun', 'shock-mount', 'mic-stand'],
  ])('[C05.1] %s: screw, spigot, thread and shoe are joined down to the floor', async (_, top, between, below) => {
    const things = [
      await add(top, 'Top', { massGrams: 400 }),
      await add(between, 'Between', { loadGrams: 3_000, massGrams: 300 }),
      await add(below, 'Below', { loadGrams: 9_000 }),
    ]
    const id = await build([{ name: 'Role', wants: top, things }])
    const { rig } = await call('GET', `/setups/${id}/pictures`)
    const tags = things.map((it) => it.tag)
    const text = JSON.stringify(rig)
    for (const tag of tags) expect(text).toContain(tag)
    expect(await codes(id, /stands-on-nothing|foot-unknown/)).toEqual([])
    const { joints } = await call('GET', `/setups/${id}/readiness`)
    const pairs = joints.map((it: { host: { tag: string }; guest: { tag: string } }) => [it.guest.tag, it.host.tag])
    expect(pairs).toContainEqual([tags[0], tags[1]])
    expect(pairs).toContainEqual([tags[1], tags[2]])
  })

  test('[C05.2] the first link that is missing is named: of a lamp on a boom without its stand the boom', async () => {
    const [lamp, boom] = [
      await add('light', 'Lamp', { massGrams: 900 }),
      await add('boom-arm', 'Boom', { loadGrams: 3_000 }),
    ]
    const { of } = await judge(await build([{ name: 'Key', wants: 'light', things: [lamp, boom] }]))
    const open = [...of('need-unmet'), ...of('stands-on-nothing')].filter(
      (it) => !('interfaces' in it) || it.interfaces.some(({ kind }) => kind === 'carry'),
    )
    expect(open.map((it) => 'tag' in it && it.tag)).toEqual([boom.tag])
  })

  test('an arm of which nobody said how it stands is asked about; one with a base of its own is not', async () => {
    const level = async (kind: string, code: string) => {
      const [eye, arm] = [
        await add('camcorder', 'Eye', { massGrams: 900 }),
        await add(kind, 'Arm', { loadGrams: 3_000 }),
      ]
      const id = await build([{ name: 'A camera', wants: 'camera', things: [eye, arm] }], { code })
      return codes(id, /foot-unknown|stands-on-nothing/)
    }
    expect(await level('arm', 'JA')).toEqual(['unknown-stop foot-unknown'])
    expect(await level('standing-arm', 'JB')).toEqual([])
    expect(await level('boom-arm', 'JC')).toEqual([])
    // One of a stock is as one with a tag; of an optional role it is asked and stops nobody; in a hand it hangs from no stand.
    const body = { category: 'arm', name: 'Stock arm', facts: { loadGrams: 3_000 } }
    const { id: stockId } = await call('POST', '/stock', {
      ...body,
      tag: null,
      quantity: 1,
      reorderLevel: 0,
      placeId: null,
    })
    const eye = await add('camcorder', 'Eye', { massGrams: 900 })
    const counted = async (role: object, rest: object, code: string) => {
      const stock = [{ id: stockId, quantity: 1 }]
      const id = await build([{ name: 'A camera', wants: 'camera', things: [eye], stock, ...role }], { ...rest, code })
      return codes(id, /foot-unknown|stands-on-nothing/)
    }
    expect(await counted({}, {}, 'JD')).toEqual(['unknown-stop foot-unknown'])
    expect(await counted({ importance: 'optional' }, {}, 'JE')).toEqual(['unknown foot-unknown'])
    expect(await counted({}, { carriers: 1 }, 'JF')).toEqual([])
  })

  test.each([
    ['its holes and its weight', 'screen-100', 6_000, []],
    ['one gram too heavy', 'screen-100', 5_999, ['stop']],
  ])('[C23.1] a large screen on an arm by its holes: %s', async (_, holes, loadGrams, expected) => {
    const screen = await add('monitor', 'Large', {
      holes,
      massGrams: 6_000,
      inlet: 'iec-c7',
    })
    const arm = await add('screen-arm', 'Arm', { holes: 'screen-100', loadGrams, massGrams: 2_000 })
    const table = await add('table', 'Table', { loadGrams: 90_000 })
    const id = await build([{ name: 'Screen', wants: 'monitor', things: [screen, arm, table] }])
    const { of } = await judge(id)
    expect(
      [...of('carried-load'), ...of('need-unmet')]
        .filter((it) => !JSON.stringify(it).includes('mains'))
        .filter((it) => /carr|holes/.test(JSON.stringify(it)))
        .map((it) => it.level),
    ).toEqual(expected)
  })
})

describe('sound', () => {
  const xlr = () => add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' })

  test('[C06.1] [C06.2] an XLR microphone and a camera with only a small jack: every way that works from what there is, with its pieces', async () => {
    const mic = await add('dynamic-mic', 'Mic', { massGrams: 300 })
    const camera = await add('camcorder', 'Eye', {
      cardForm: 'sd',
      kilobitsPerSecond: 50_000,
      soundIn: 'trs-35',
      massGrams: 900,
    })
    const recorder = await add('recorder', 'Recorder', { cardForm: 'sd', soundIn: 'xlr-3', soundInputs: 2 })
    const down = await add('cable', 'XLR to jack', { endA: 'xlr-3', endB: 'trs-35' })
    const plain = await xlr()
    const id = await build([
      { name: 'A camera', wants: 'camera', things: [camera] },
      { name: 'Voice', wants: 'microphone', things: [mic] },
      { name: 'Recorder', wants: 'recorder', things: [recorder] },
    ])
    const { microphones }: SoundRoutesReply = await call('GET', `/setups/${id}/sound-routes`)
    const [voice] = microphones
    expect(voice?.tag).toBe(mic.tag)
    expect(voice?.routes.map((it) => [it.way, it.parts.map(({ tag }) => tag), it.missing])).toEqual([
      ['camera', [down.tag], null],
      ['recorder', [plain.tag], null],
      ['both', [plain.tag], null],
    ])
  })

  test.each([
    ['a microphone of 3 poles on a phone', 'lavalier', 'trs-35', 'phone', 'trrs-35', 3, 4],
    ['a headset of 4 poles on a camera', 'headset', 'trrs-35', 'camcorder', 'trs-35', 4, 3],
    ['a microphone of 3 poles on a computer', 'lavalier', 'trs-35', 'laptop', 'trrs-35', 3, 4],
  ])('[C09.1] [C09.2] the same small plug, wired otherwise: %s wants an adapter', async (...args) => {
    const [, kind, soundOut, hostKind, soundIn, own, poles] = args
    const mic = await add(kind, 'Voice', { soundOut })
    const card = { cardForm: 'sd', kilobitsPerSecond: 50_000 }
    const host = await add(hostKind, 'Host', { soundIn, ...(hostKind === 'camcorder' ? card : {}) })
    // What goes over: a socket for the plug of the microphone, and a plug for the socket of the other.
    const over = await add('cable-adapter', 'Over', { endA: soundOut, endB: soundIn })
    const wants = hostKind === 'laptop' ? 'computer' : 'camera'
    const rig = (more: Thing[], code: string) =>
      build(
        [
          { name: 'Host', wants, things: [host] },
          { name: 'Voice', wants: 'microphone', things: [mic, ...more] },
        ],
        { code },
      )
    const open = async (id: string) =>
      (await judge(id)).of('need-unmet').filter((it) => /jack/.test(JSON.stringify(it)))
    const id = await rig([], 'JA')
    const [found] = await open(id)
    expect(found).toMatchObject({ level: 'stop', tag: mic.tag, lookAlike: { tag: host.tag, own, poles } })
    expect(found && sayFinding(found, WORDS).text).toContain(`An adapter from ${own} to ${poles} poles joins them.`)
    const { remedies } = await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(found?.key ?? '')}`)
    expect(remedies[0]).toMatchObject({ kind: 'assign', tags: [over.tag] })
    expect(await open(await rig([over], 'JB'))).toEqual([])
    // The right plug by itself lacks nothing, and the adapter that lies beside it is there in case.
    const right = await add(kind, 'Right', { soundOut: soundIn })
    const direct = await build(
      [
        { name: 'Host', wants, things: [host] },
        { name: 'Voice', wants: 'microphone', things: [right, over] },
      ],
      { code: 'JC' },
    )
    expect(await open(direct)).toEqual([])
    expect((await judge(direct)).of('joins-nothing').map((it) => 'tag' in it && it.tag)).toEqual([over.tag])
  })

  test('a plug that fits goes where it fits, and not into an adapter that leads nowhere', async () => {
    const mic = await add('lavalier', 'Voice', { soundOut: 'trs-35' })
    const over = await add('cable-adapter', 'Over', { endA: 'trs-35', endB: 'trrs-35' })
    const eye = await add('camcorder', 'Eye', { soundIn: 'trs-35', cardForm: 'sd', kilobitsPerSecond: 50_000 })
    const id = await build([
      { name: 'A camera', wants: 'camera', things: [eye] },
      { name: 'Voice', wants: 'microphone', things: [mic, over] },
    ])
    const { of } = await judge(id)
    expect(of('need-unmet').filter((it) => /jack/.test(JSON.stringify(it)))).toEqual([])
    expect(of('joins-nothing').map((it) => 'tag' in it && it.tag)).toEqual([over.tag])
    const { joints } = await call('GET', `/setups/${id}/readiness`)
    const said = joints.find((it: { guest: { tag: string } }) => it.guest.tag === mic.tag)
    expect(said.host.tag).toBe(eye.tag)
  })

  test('[C08.1] [C08.2] a camera without a socket for a microphone: the recorder beside it keeps the sound, and the setup says that it is apart', async () => {
    const camera = await add('camcorder', 'Eye', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900 })
    // Such bodies usually have one: this one has not, which is said at its ends.
    await changeModel(camera.modelId, ({ ports }) => {
      const left = ports.filter((it) => !(it.direction === 'in' && /xlr|trs/.test(it.interfaces.join())))
      expect(left.length).toBeLessThan(ports.length)
      return { ports: left }
    })
    const rest = [
      await add('tripod', 'Legs', { loadGrams: 6_000 }),
      await add('card', 'Card', { capacityMegabytes: 128_000 }),
    ]
    const mic = await add('dynamic-mic', 'Mic', { massGrams: 300 })
    const recorder = await add('recorder', 'Recorder', { cardForm: 'sd', soundIn: 'xlr-3', kilobitsPerSecond: 2_000 })
    const more = [await xlr(), await add('card', 'Second card', { capacityMegabytes: 32_000 })]
    const apart = async (sound: Thing[], code: string) => {
      const id = await build(
        [
          { name: 'A camera', wants: 'camera', things: [camera, ...rest] },
          { name: 'Voice', things: sound },
        ],
        { code },
      )
      const isApart = (await call('GET', `/setups/${id}/readiness`)).signals.isDoubleSystem
      const open = (await judge(id))
        .of('need-unmet')
        .filter((it) => 'interfaces' in it && it.interfaces.some(({ kind }) => kind === 'signal'))
      return [isApart, open.length]
    }
    // Allowed: the sound is kept, and kept elsewhere. Without the recorder its cable hangs open.
    expect(await apart([mic, recorder, ...more], 'JA')).toEqual([true, 0])
    expect(await apart([mic, more[0] as Thing], 'JC')).toEqual([false, 1])
    const wired = await add('camcorder', 'Wired', {
      cardForm: 'sd',
      kilobitsPerSecond: 50_000,
      soundIn: 'xlr-3',
      massGrams: 900,
    })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [wired, ...rest, mic, more[0] as Thing] }], {
      code: 'JB',
    })
    expect((await call('GET', `/setups/${id}/readiness`)).signals.isDoubleSystem).toBe(false)
  })

  test('[C29.1] how many devices, owned and wished for, each microphone goes into directly', async () => {
    const mic = await add('camera-mic', 'Small', { soundOut: 'trs-35' })
    const camera = await add('camera', 'Body', { soundIn: 'trs-35' })
    const wished = await add('camera', 'Next body', { soundIn: 'trs-35' })
    await call('PATCH', `/units/${wished.id}`, { state: 'wished' }, 1)
    const phone = await add('phone', 'Phone')
    const { portability }: SystemsReply = await call('GET', '/systems')
    const own = portability.find((it) => it.tag === mic.tag)
    expect(own?.direct.sort()).toEqual([camera.tag, wished.tag].sort())
    expect(own?.adapted).toEqual([phone.tag])
  })
})

describe('what is called alike and does not fit', () => {
  test('[C16.1] [C16.2] panels of two generations of one maker: what looks alike and does not understand the controller is told', async () => {
    const panel = (generation: string) =>
      tell('light', `Panel ${generation}`, { massGrams: 500 }, { generation }, 'Larch')
    const controller = (generation: string) => tell('remote', `Remote ${generation}`, {}, { generation }, 'Larch')
    let n = 0
    const found = async (own: string, other: string) => {
      const [lamp, remote] = [await panel(own), await controller(other)]
      await call('PUT', `/units/${lamp.id}/controllers`, { unitIds: [remote.id] }, 1)
      const id = await build(
        [
          { name: 'Key', wants: 'light', things: [lamp] },
          { name: 'Remote', wants: 'remote', things: [remote] },
        ],
        { code: letters(n++) },
      )
      return codes(id, /generation/)
    }
    expect(await found('1', '1')).toEqual([])
    expect(await found('1', '2')).toEqual(['warn generation-gap'])
    expect(await found('1', '1, 2')).toEqual([])
  })

  test('[C36.1] a small card in a full-size slot: alone it does not fit, in its sleeve it does', async () => {
    const things = async () => [
      await add('camcorder', 'Eye', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900 }),
      await add('card', 'Small', { cardForm: 'micro-sd', capacityMegabytes: 128_000 }),
      await add('tripod', 'Legs', { loadGrams: 6_000 }),
    ]
    const noCard = async (extra: Thing[], code: string) => {
      const id = await build([{ name: 'A camera', wants: 'camera', things: [...(await things()), ...extra] }], { code })
      const { of } = await judge(id)
      return of('need-unmet').filter(
        (it) => 'interfaces' in it && it.side === 'host' && it.interfaces.some(({ kind }) => kind === 'card'),
      ).length
    }
    expect(await noCard([], 'JA')).toBe(1)
    expect(await noCard([await add('card-sleeve', 'Sleeve')], 'JB')).toBe(0)
  })

  test('[C36.2] a sleeve goes with its card: listed there, packed with it, and missed where it is lost', async () => {
    const [card, sleeve] = [await add('card', 'Small', { cardForm: 'micro-sd' }), await add('card-sleeve', 'Sleeve')]
    await call('PATCH', `/units/${sleeve.id}`, { parentId: card.id, bond: 'part' }, 1)
    expect((await call('GET', `/units/${card.id}`)).parts).toMatchObject([{ tag: sleeve.tag, isMissing: false }])
    const { id } = await call('POST', '/bookings', makeDraft({ unitIds: [card.id] }))
    const { sheet } = await call('GET', `/bookings/${id}`)
    expect(JSON.stringify(sheet)).toContain(sleeve.tag)
    await call('PATCH', `/units/${sleeve.id}`, { state: 'lost' }, 2)
    expect((await call('GET', `/units/${card.id}`)).parts).toMatchObject([{ tag: sleeve.tag, isMissing: true }])
  })
})

describe('one family, one plate, one count', () => {
  test('[C13.1] [C13.2] cables by their ends, whichever way round, and how many of each are spare', async () => {
    const small = await add('cable', 'Small', { endA: 'hdmi-c', endB: 'hdmi-a' })
    await add('cable', 'Small again', { endA: 'hdmi-a', endB: 'hdmi-c' })
    await add('cable', 'Full', { endA: 'hdmi-a', endB: 'hdmi-a' })
    await build([{ name: 'Screen', things: [small] }])
    const kinds: { ends: string; owned: number; spare: number }[] = await call('GET', '/cable-stock')
    expect(kinds.map((it) => [it.owned, it.spare]).sort()).toEqual([
      [1, 1],
      [2, 1],
    ])
    expect(kinds.map((it) => it.ends).join()).toMatch(/HDMI/)
  })

  test('[C22.1] how many supports have one plate, which have not, and what it costs to finish', async () => {
    const plate = await addFamily('Larch plate', 'carry')
    const tripod = await add('tripod', 'With it', { loadGrams: 6_000 })
    const other = await add('tripod', 'Without', { loadGrams: 6_000 })
    await changeModel(tripod.modelId, ({ ports }) => ({
      ports: ports.map((it) => (it.id === 'carries' ? { ...it, interfaces: [...it.interfaces, plate] } : it)),
    }))
    const { conformity }: SystemsReply = await call('GET', `/systems?plate=${plate}&eachMinor=3500`)
    expect(conformity.supports.map((it) => [it.tag, it.fits]).sort()).toEqual(
      [
        [tripod.tag, true],
        [other.tag, false],
      ].sort(),
    )
    expect(conformity).toMatchObject({ share: 0.5, missing: 1, costMinor: 3_500 })
  })

  test('[C24.1] [C24.2] one family feeds a screen and a lamp: wanted together against what there is, and who goes without', async () => {
    const battery = await addFamily('Larch pack', 'battery')
    const pack = (n: number) => add('pack', `Pack ${n}`, { battery, energyMilliwattHours: 40_000, massGrams: 300 })
    const lamp = await add('light', 'Lamp', { battery, milliwatts: 20_000, massGrams: 500 })
    const screen = await add('monitor', 'Screen', { battery, milliwatts: 8_000, massGrams: 300 })
    const packs = [await pack(1), await pack(2)]
    const rest = [await add('stand', 'Stand', { loadGrams: 4_000 }), await add('tripod', 'Legs', { loadGrams: 4_000 })]
    const look = async (count: number, code: string) => {
      const id = await build(
        [
          { name: 'Key', wants: 'light', things: [lamp, rest[0] as Thing, ...packs.slice(0, count)] },
          { name: 'Screen', wants: 'monitor', things: [screen, rest[1] as Thing] },
        ],
        { code },
      )
      return judge(id)
    }
    const short = (await look(1, 'JA'))
      .of('need-unmet')
      .filter((it) => 'interfaces' in it && it.interfaces.some(({ code }) => code === battery))
    expect(short).toMatchObject([{ missing: 1, supply: [packs[0]?.tag] }])
    const [first] = short
    expect(first && 'rivals' in first && [...first.rivals, first.tag].sort()).toEqual([lamp.tag, screen.tag].sort())
    expect(
      (await look(2, 'JB'))
        .of('need-unmet')
        .filter((it) => 'interfaces' in it && it.interfaces.some(({ code }) => code === battery)),
    ).toEqual([])
  })
})

describe('orders', () => {
  test('[C19.1] [C19.2] what is on order and who waits for it; cancelled, it is wanted again, with the setup that suffers', async () => {
    const box = await add('modifier', 'Softbox')
    const lamp = await add('light', 'Lamp', { massGrams: 900 })
    await call('PATCH', `/units/${box.id}`, { state: 'ordered', dueOn: '2026-11-10' }, 1)
    await build([{ name: 'Key', wants: 'light', things: [lamp, box] }])
    const [order] = await call('GET', '/orders')
    expect(order).toMatchObject({ tag: box.tag, isLate: true, usedIn: [{ code: 'QE', role: 'Key' }] })
    await call('POST', `/orders/${order.id}/cancelled`, {}, order.version)
    expect(await call('GET', '/orders')).toEqual([])
    const [line] = await call('GET', '/shopping')
    expect(line).toMatchObject({ item: 'Softbox' })
    expect(line.reason).toContain('QE waits for it as Key')
    expect((await call('GET', `/units/${box.id}`)).unit.state).toBe('wished')
  })
})
