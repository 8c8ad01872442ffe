import { describe, expect, test } from 'vitest'
import { match } from '../foundation/api.fixture.ts'
import { type Thing, useQuickEntry } from './quick-entry.fixture.ts'

/** What nobody recorded is asked, from an empty instance by quick entry. */
const { api, call, add, build, judge, answer } = useQuickEntry()

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
      const { status, body } = await api().call(
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
