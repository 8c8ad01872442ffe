import { type Finding, newSetupSchema, type SetupReply } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { askToTheEnd } from '../foundation/call.fixture.ts'
import { makeDraft, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: with and without, enough and too little.
const { call, add, tell, addFamily, addRoom, build, judge } = useQuickEntry()

const camcorder = (rest: object = {}) =>
  add('camcorder', 'Eye', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900, ...rest })
const card = () => add('card', 'Card', { capacityMegabytes: 128_000 })

describe('what has to be carried', () => {
  test.each([
    ['a light', 'light', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 900 }, 'stand', { loadGrams: 6_000 }],
    ['a screen', 'monitor', { inlet: 'iec-c7', milliwatts: 9_000, massGrams: 400 }, 'tripod', { loadGrams: 6_000 }],
    ['a microphone', 'dynamic-mic', { massGrams: 300 }, 'mic-stand', { loadGrams: 2_000 }],
  ])(
    '[C33.1] %s without its support stops the list; with it, nothing carries it no more',
    async (_, kind, facts, support, good) => {
      const thing = await add(kind, 'Thing', facts)
      const under = await add(support, 'Support', good)
      const alone = await judge(await build([{ name: 'Role', wants: kind, things: [thing] }]))
      expect(alone.of('need-unmet').map((it) => 'tag' in it && it.tag)).toContain(thing.tag)
      expect(alone.level).toBe('stop')
      const both = await judge(await build([{ name: 'Role', wants: kind, things: [thing, under] }], { code: 'QF' }))
      const carried = both
        .of('need-unmet')
        .filter((it) => 'interfaces' in it && it.interfaces.some(({ kind: of }) => of === 'carry'))
      expect(carried).toEqual([])
    },
  )
})

describe('power and packs', () => {
  test('[D02.1] packs: minutes times draw by what a pack gives, rounded up, and one to spare', async () => {
    const battery = await addFamily('Larch pack', 'battery')
    const lamp = await add('light', 'Lamp', { battery, milliwatts: 40_000, massGrams: 900 })
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    const packs = await Promise.all(
      [1, 2, 3].map(() => add('pack', 'Pack', { battery, energyMilliwattHours: 50_000, massGrams: 400 })),
    )
    const sum = async (plannedMinutes: number, count: number) => {
      const things = [lamp, stand, ...packs.slice(0, count)]
      const id = await build([{ name: 'Key', wants: 'light', things }], { code: `P${'ABCDEF'[n++]}`, plannedMinutes })
      const { workings } = await call('GET', `/setups/${id}/readiness`)
      return workings.find((it: { formula: string }) => it.formula === 'pack-hours')
    }
    let n = 0
    const { efficiencyPercent, ...first } = await sum(30, 2)
    expect(first).toMatchObject({ needed: 1, wanted: 2, have: 2, level: 'ok' })
    // So long do 50 Wh run 40 W: to the minute, and one more.
    const last = Math.floor((50 * efficiencyPercent * 60) / 100 / 40)
    expect(await sum(last, 2)).toMatchObject({ needed: 1, wanted: 2, level: 'ok' })
    expect(await sum(last + 1, 2)).toMatchObject({ needed: 2, wanted: 3, level: 'warn' })
    expect(await sum(last + 1, 3)).toMatchObject({ needed: 2, wanted: 3, level: 'ok' })
    expect(await sum(2 * last + 2, 2)).toMatchObject({ needed: 3, wanted: 4, level: 'stop' })
  })
})

describe('sound', () => {
  const xlr = () => add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' })
  test('[C07.1] a quiet microphone lacks gain without its booster, and the booster lacks its 48 V where the input sends none', async () => {
    const mic = await tell('dynamic-mic', 'Quiet', { massGrams: 300 }, { fedBy: 'nothing', sensitivityMvPerPa: 1.1 })
    const boost = await tell('preamp', 'Booster', {}, { gainDb: 25, fedBy: '48 V' })
    const stand = await add('mic-stand', 'Stand', { loadGrams: 2_000 })
    const cables = [await xlr(), await xlr()]
    const desk = (sends48: string) =>
      tell('mixer', `Desk ${sends48}`, { inlet: 'iec-c13', milliwatts: 20_000 }, { gainDb: 50, sends48 })
    const [fed, dead] = [await desk('yes'), await desk('no')]
    const codes = async (things: object[], code: string) => {
      const id = await build([{ name: 'Voice', wants: 'microphone', things: things as never }], { code })
      return (await judge(id)).found.filter((it) => /gain|feed/.test(it))
    }
    expect(await codes([mic, stand, cables[0] as object, fed], 'SA')).toEqual(['warn gain-short'])
    expect(await codes([mic, stand, ...cables, boost, fed], 'SB')).toEqual([])
    expect(await codes([mic, stand, ...cables, boost, dead], 'SC')).toContain('stop feed-missing')
  })

  test('[H24.1] two who speak into a camera with one input: too few; an input unit on top has enough', async () => {
    const camera = await camcorder({ soundIn: 'xlr-3', soundInputs: 1 })
    const unit = await add('input-unit', 'Unit', { soundIn: 'xlr-3', soundInputs: 2, massGrams: 200 })
    const mics = [await add('dynamic-mic', 'One'), await add('dynamic-mic', 'Two')]
    const rest = [await add('tripod', 'Legs', { loadGrams: 4_000 }), await card(), await xlr(), await xlr()]
    const short = async (extra: object[], code: string) => {
      const things = [camera, ...rest, ...mics, ...extra] as never
      return (await judge(await build([{ name: 'A camera', wants: 'camera', things }], { code, speakers: 2 }))).of(
        'sound-inputs-short',
      )
    }
    expect(await short([], 'HA')).toHaveLength(1)
    expect(await short([unit], 'HB')).toEqual([])
  })

  test('[B23.1] inputs in use of inputs there are, for a switcher, a mixer and an interface', async () => {
    const switcher = await add('switcher', 'Cutter', { videoInputs: 4, inlet: 'iec-c7', milliwatts: 20_000 })
    const video = [1, 2].map(() => add('cable', 'Video', { endA: 'hdmi-a', endB: 'hdmi-a' }))
    const cameras = [await camcorder(), await camcorder()]
    const mixer = await add('mixer', 'Desk', { soundIn: 'xlr-3', soundInputs: 8, inlet: 'iec-c13', milliwatts: 9_000 })
    const face = await add('audio-interface', 'Box', { soundIn: 'xlr-3', soundInputs: 2 })
    const sound = [await add('dynamic-mic', 'Mic'), await xlr()]
    const talk = [await add('dynamic-mic', 'Talkback'), await xlr()]
    const id = await build([
      { name: 'Show', things: [switcher, ...cameras, ...(await Promise.all(video))] },
      { name: 'Sound', things: [mixer, ...sound] },
      { name: 'Talkback', things: [face, ...talk] },
    ])
    const { inputs } = await call('GET', `/setups/${id}/readiness`)
    const of = (tag: string) => inputs.find((it: { tag: string }) => it.tag === tag)
    expect(of(switcher.tag)).toMatchObject({ used: 2, total: 4 })
    expect(of(mixer.tag)).toMatchObject({ used: 1, total: 8 })
    expect(of(face.tag)).toMatchObject({ used: 1, total: 2 })
  })
})

describe('single points of failure', () => {
  test('[A16.1] a role that has to be filled, one thing for it and nothing that could stand in: listed; with a second, not', async () => {
    const [camera, sd] = [await camcorder(), await card()]
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    await build([{ name: 'A camera', wants: 'camera', things: [camera, sd, tripod] }])
    const points = async () =>
      (await askToTheEnd(() => call('GET', '/resilience'))).points.map((it: { tag: string }) => it.tag)
    expect(await points()).toEqual(expect.arrayContaining([camera.tag, sd.tag, tripod.tag]))
    await add('tripod', 'Second legs', { loadGrams: 4_000 })
    expect(await points()).not.toContain(tripod.tag)
    expect(await points()).toContain(camera.tag)
  })

  test('[N18.1] for each thing of a role what could stand in for it; and none is told as that', async () => {
    const [camera, sd] = [await camcorder(), await card()]
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const second = await add('tripod', 'Second legs', { loadGrams: 4_000 })
    const weak = await add('tripod', 'Weak legs', { loadGrams: 500 })
    await build([{ name: 'A camera', wants: 'camera', things: [camera, sd, tripod] }])
    const { setups } = await askToTheEnd(() => call('GET', '/resilience'))
    const of = (tag: string) => setups[0].losses.find((it: { tag: string }) => it.tag === tag)
    expect(of(tripod.tag).standIns.map((it: { tag: string }) => it.tag)).toEqual([second.tag])
    expect(of(tripod.tag).standIns).not.toContainEqual(expect.objectContaining({ tag: weak.tag }))
    expect(of(camera.tag).standIns).toEqual([])
  })
})

describe('what is turned round, and where it stands', () => {
  test('[B26.1] a picture that is turned round asks on the start list for lettering, and names what bears some', async () => {
    const prop = await add('prop', 'Sign with letters')
    const id = await build([{ name: 'Sign', wants: 'prop', things: [prop] }])
    const lines = async () =>
      (await call('GET', `/setups/${id}/start`)).lines.filter((it: { kind: string }) => it.kind === 'mirror')
    expect(await lines()).toEqual([])
    const setup: SetupReply = await call('GET', `/setups/${id}`)
    await call('PUT', `/setups/${id}`, { ...newSetupSchema.parse(setup), isMirrored: true }, setup.version)
    expect(await lines()).toMatchObject([{ things: [expect.stringContaining(prop.tag)] }])
  })

  test('[I13.1] moved to another room everything is judged again there: sockets, breaker and height', async () => {
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c13', milliwatts: 1_500_000, massGrams: 900 })
    const lead = await add('lead', 'Lead', { inlet: 'iec-c13' })
    const stand = await add('stand', 'Stand', { loadGrams: 6_000 })
    const here = await addRoom()
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp, lead, stand] }], here)
    expect((await judge(id)).of('circuit-load')).toEqual([])
    const wall = { id: 'c1', name: 'Wall', volts: 120, amps: 10, outlets: 6, outletInterface: 'mains-nema5' }
    const other = { parentId: null, name: 'Other room', kind: 'room', note: '', circuits: [wall] }
    const { id: placeId } = await call('POST', '/places', other)
    const check = await call('GET', `/setups/${id}/move-check?placeId=${placeId}`)
    expect(check.change.added.map((it: Finding) => it.code).sort()).toEqual(['circuit-load', 'need-unmet'])
    const setup: SetupReply = await call('GET', `/setups/${id}`)
    await call('PUT', `/setups/${id}`, { ...newSetupSchema.parse(setup), placeId, circuitId: 'c1' }, setup.version)
    const moved = await judge(id)
    expect([moved.of('circuit-load').length, moved.of('need-unmet').length]).toEqual([1, 1])
  })
})

describe('what the content demands', () => {
  let n = 0
  const unmet = async (things: object[], rest: object) => {
    const role = { name: 'A camera', wants: 'camera', things: things as never }
    const { of } = await judge(await build([role], { code: `C${'ABCDEFGHIJKLMN'[n++]}`, ...rest }))
    return [...of('demand-unmet'), ...of('demand-unknown')].map((it) => 'demand' in it && it.demand)
  }

  test('[C32.1] self-view: a screen that turns, or a monitor, television or laptop that the picture reaches; beside it and dark, it is missed', async () => {
    const plain = await tell('camera', 'Plain', { videoOut: 'hdmi-a' }, { flipScreen: 'no' })
    const turns = await tell('camera', 'Turns', {}, { flipScreen: 'yes' })
    const demands = { demands: ['self-view'] }
    expect(await unmet([plain], demands)).toEqual(['self-view'])
    expect(await unmet([turns], demands)).toEqual([])
    const video = await add('cable', 'Video', { endA: 'hdmi-a', endB: 'hdmi-a' })
    const usb = await add('cable', 'USB', { endA: 'usb-c', endB: 'usb-c' })
    for (const [kind, cable] of [
      ['monitor', video],
      ['television', video],
      ['laptop', usb],
    ] as const) {
      const screen = await add(kind, `Screen ${kind}`)
      expect([kind, await unmet([plain, screen], demands)]).toEqual([kind, ['self-view']])
      expect([kind, await unmet([plain, screen, cable], demands)]).toEqual([kind, []])
    }
    // A cable that is lost shows nothing either.
    const screen = await add('monitor', 'Last screen')
    await call('PATCH', `/units/${video.id}`, { state: 'lost' }, 1)
    expect(await unmet([plain, screen, video], demands)).toEqual(['self-view'])
    // Which screen the camera has nobody wrote down: a question, and no verdict.
    expect(await unmet([await add('camera', 'Unknown')], demands)).toEqual(['self-view'])
  })

  test('[C35.1] a flash among the lamps of moving pictures is told; a lamp that burns is not, nor a flash that is meant for stills', async () => {
    const [flash, lamp] = [await add('flash', 'Flash'), await add('light', 'Lamp')]
    const judged = async (wants: string, things: object[]) => {
      const id = await build([{ name: 'Light', wants, things: things as never }], { code: `F${'ABCDEF'[n++]}` })
      return (await judge(id)).of('demand-unmet').length
    }
    n = 0
    expect([await judged('light', [flash]), await judged('light', [lamp]), await judged('flash', [flash])]).toEqual([
      1, 0, 0,
    ])
  })
})

describe('what is wanted at the same time', () => {
  const makeMount = async (label: string) =>
    (
      await call('POST', '/interfaces', {
        label,
        kind: 'mount',
        hostName: 'body',
        guestName: 'lens',
        standard: null,
        viaCableOnly: false,
      })
    ).code as string

  test('[C11.1] two bodies with lenses of another mount want two adapters at once; with one, one of them has none', async () => {
    const [own, other] = [await makeMount('Larch'), await makeMount('Alder')]
    const bodies = [await add('camera', 'Body', { mount: own }), await add('camera', 'Body', { mount: own })]
    const lenses = [await add('lens', 'Old lens', { mount: other }), await add('lens', 'Old lens', { mount: other })]
    const adapters = [1, 2].map(() => add('lens-adapter', 'Alder on Larch', { mount: own, frontMount: other }))
    const made = await Promise.all(adapters)
    const open = async (count: number, code: string) => {
      const things = [...bodies, ...lenses, ...made.slice(0, count)]
      const { of } = await judge(await build([{ name: 'Cameras', wants: 'camera', things }], { code }))
      return of('need-unmet').filter((it) => 'interfaces' in it && it.interfaces.some(({ kind }) => kind === 'mount'))
        .length
    }
    expect(await open(2, 'AA')).toBe(0)
    expect(await open(1, 'AB')).toBeGreaterThan(0)
  })

  test('one shoe and two that want it: one has it, and the other is told who wants the same', async () => {
    const camera = await add('camera', 'Body', { massGrams: 600 })
    const riders = [
      await add('camera-mic', 'Microphone', { massGrams: 100 }),
      await add('camera-mic', 'Second microphone', { massGrams: 100 }),
    ]
    const legs = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [camera, legs, ...riders] }])
    const { of } = await judge(id)
    const lacking = of('need-unmet').filter(
      (it) => 'interfaces' in it && it.interfaces.some(({ code }) => code === 'shoe'),
    )
    expect(lacking).toMatchObject([{ missing: 1, rivals: [expect.stringMatching(/^OCM-0/)] }])
    const { ends } = await call('GET', `/setups/${id}/joints?key=${camera.id}`)
    const shoe = ends.find((it: { label: string }) => /shoe/.test(it.label))
    expect([shoe.end.count, shoe.joined.length]).toEqual([1, 1])
  })

  test('[S24.1] a prompter is a place that may stay empty: without one nothing is missed', async () => {
    const [camera, sd] = [await camcorder(), await card()]
    const legs = await add('tripod', 'Legs', { loadGrams: 6_000 })
    const roles = [
      { name: 'A camera', wants: 'camera', things: [camera, sd, legs] },
      { name: 'Prompter', wants: 'prompter', importance: 'optional' },
    ]
    expect((await judge(await build(roles))).of('role-empty')).toEqual([])
    const wanted = roles.map((it) => ({ ...it, importance: 'essential' }))
    expect((await judge(await build(wanted, { code: 'PR' }))).of('role-empty')).toHaveLength(1)
  })

  test('[D18.1] what each thing lives on, on the start list of this booking: mains, packs, cells, or its own', async () => {
    const lamp = await add('light', 'Lamp', { inlet: 'iec-c13', milliwatts: 60_000 })
    const recorder = await add('recorder', 'Box', { battery: 'cell-aa', batteryCount: 2 })
    const mic = await call('POST', '/units', {
      category: 'microphone',
      maker: '',
      name: 'Condenser',
      facts: {},
      specs: { fedBy: '48 V' },
    })
    const id = await build([{ name: 'All', things: [lamp, recorder, mic] }])
    const draft = makeDraft({ setupId: id, title: 'Reading' })
    const { id: bookingId } = await call('POST', '/bookings', draft)
    const { sources } = await call('GET', `/setups/${id}/start?bookingId=${bookingId}`)
    const of = new Map(sources.map((it: { tag: string; source: string }) => [it.tag, it.source]))
    expect([of.get(lamp.tag), of.get(recorder.tag), of.get(mic.tag)]).toEqual(['mains', 'cells', 'phantom'])
  })
})
