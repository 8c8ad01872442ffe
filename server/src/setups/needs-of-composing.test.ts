import { printSettings, type SetupReply } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { makeDraft, makeSoftware, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: with and without, before and after.
const { call, add, tell, addFamily, addRoom, build, judge } = useQuickEntry()

const camera = (name = 'Eye', rest: object = {}) =>
  add('camcorder', name, { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900, ...rest })
const legs = () => add('tripod', 'Legs', { loadGrams: 6_000 })

describe('setups and their variants', () => {
  test('[B01.1] a setup keeps its purpose, place, roles with their things, and what it is a variant of', async () => {
    const room = await addRoom()
    const eye = await camera()
    const base = await build([{ name: 'A camera', wants: 'camera', things: [eye] }], {
      ...room,
      purpose: 'Talk to camera',
      purposeKind: 'talking-head',
    })
    const variant = await build([{ name: 'A camera', wants: 'camera', things: [eye] }], { code: 'QF', variantOf: base })
    const kept: SetupReply = await call('GET', `/setups/${base}`)
    expect(kept).toMatchObject({ purpose: 'Talk to camera', purposeKind: 'talking-head', placeId: room.placeId })
    expect(kept.roles.map((it) => [it.name, it.things[0]?.unitId])).toEqual([['A camera', eye.id]])
    expect((await call('GET', `/setups/${variant}`)).variantOf).toBe(base)
  })

  test('[B02.1] which camera takes which angle with which lens, over all setups', async () => {
    const mount = await addFamily('Larch mount', 'mount')
    const body = await add('camera', 'Body', { mount, cardForm: 'sd', massGrams: 700 })
    const lens = await add('lens', 'Thirty-five', { mount, massGrams: 300 })
    await build([{ name: 'Wide', wants: 'camera', things: [body, lens] }], { code: 'AA' })
    const box = await camera('Box')
    await build([{ name: 'Overhead', wants: 'camera', things: [box] }], { code: 'AB' })
    const matrix = (await call('GET', '/cameras')).map(
      (it: { code: string; angles: { angle: string; tag: string; lens: { tag: string } | null }[] }) => [
        it.code,
        ...it.angles.map((angle) => [angle.angle, angle.tag, angle.lens?.tag ?? null]),
      ],
    )
    expect(matrix.sort()).toEqual([
      ['AA', ['Wide', body.tag, lens.tag]],
      ['AB', ['Overhead', box.tag, null]],
    ])
  })

  test('[B02.2] one body in two angles of one setup is refused unless both say that they share, and then warned of', async () => {
    const eye = await camera()
    const roles = ['Wide', 'Close'].map((name) => ({ name, wants: 'camera', things: [eye], rest: { mayShare: true } }))
    const id = await build(roles)
    expect((await judge(id)).of('shared-item')).toMatchObject([{ level: 'warn' }])
    const other = await build([{ name: 'Wide', wants: 'camera', things: [eye] }], { code: 'QF' })
    expect((await judge(other)).of('shared-item')).toEqual([])
  })

  test('[B03.1] a setup of a kind begins with the roles of that kind, those that have to be filled and those that need not', async () => {
    const { setupIds } = await call('POST', '/first-hour', {
      purposes: ['talking-head', 'panel'],
      country: 'GB',
      room: { name: 'Studio', size: null },
      things: [],
    })
    for (const id of setupIds) {
      const { roles }: SetupReply = await call('GET', `/setups/${id}`)
      const matters = new Set(roles.map((it) => it.importance))
      expect(matters.has('essential')).toBe(true)
      expect(matters.size).toBeGreaterThan(1)
      expect(roles.every((it) => it.name !== '')).toBe(true)
    }
  })

  test('[B03.2] an empty role stops where it has to be filled, warns where it is wanted, and says nothing where it is optional', async () => {
    const levelOf = async (importance: string, code: string) => {
      const eye = await camera(`Eye ${code}`)
      const rest = [await legs(), await add('card', 'Card', { capacityMegabytes: 128_000 })]
      const roles = [
        { name: 'A camera', wants: 'camera', things: [eye, ...rest] },
        { name: 'Hair', wants: 'light', importance },
      ]
      return (await judge(await build(roles, { code }))).of('role-empty').map((it) => it.level)
    }
    expect(await levelOf('essential', 'BA')).toEqual(['stop'])
    expect(await levelOf('wanted', 'BB')).toEqual(['warn'])
    expect(await levelOf('optional', 'BC')).toEqual([])
  })

  test('[B28.2] what a guest adds is told role by role against the setup that it was made from', async () => {
    const [eye, mic, second, chair] = [
      await camera(),
      await add('lavalier', 'Mic'),
      await add('lavalier', 'Second'),
      await add('seat', 'Chair'),
    ]
    const base = await build([
      { name: 'A camera', wants: 'camera', things: [eye] },
      { name: 'Mic', wants: 'microphone', things: [mic] },
    ])
    const guest = await build(
      [
        { name: 'A camera', wants: 'camera', things: [eye] },
        { name: 'Mic', wants: 'microphone', things: [mic] },
        { name: 'Guest mic', wants: 'microphone', things: [second] },
        { name: 'Guest chair', wants: 'seat', things: [chair] },
      ],
      { code: 'QG', variantOf: base },
    )
    const { differences } = await call('GET', `/setups/${base}/difference?otherId=${guest}`)
    expect(differences.filter((it: { kind: string }) => it.kind === 'role-added')).toEqual([
      { kind: 'role-added', role: 'Guest mic', things: [`${second.tag} Second`] },
      { kind: 'role-added', role: 'Guest chair', things: [`${chair.tag} Chair`] },
    ])
  })
})

describe('what is ready, and what controls', () => {
  test('[B24.1] [B24.2] a kit that stands ready holds its things: others see them as committed until it is broken up', async () => {
    const eye = await camera()
    const ready = await call(
      'POST',
      '/bookings',
      makeDraft({
        kind: 'ready-kit',
        title: 'Second camera',
        unitIds: [eye.id],
        startsAt: '2026-12-01T08:00',
        endsAt: '2027-03-01T08:00',
      }),
    )
    const check = async () =>
      (await call('POST', '/bookings/check', makeDraft({ unitIds: [eye.id] }))).troubles.map(
        (it: { tag: string }) => it.tag,
      )
    expect(await check()).toEqual([eye.tag])
    const { version, ...kept } = await call('GET', `/bookings/${ready.id}`)
    await call('PUT', `/bookings/${ready.id}`, { ...kept, state: 'cancelled' }, version)
    expect(await check()).toEqual([])
  })
})

const startOf = async (id: string): Promise<{ kind: string; [field: string]: unknown }[]> =>
  (await call('GET', `/setups/${id}/start`)).lines

describe('the start list', () => {
  test('[B29.1] [B29.2] which bank holds which settings, and that it is stored anew after the settings, or after the camera was away', async () => {
    const eye = await camera()
    const settings = [{ name: 'Shutter', value: '1/50' }]
    const roles = [{ name: 'A camera', wants: 'camera', things: [eye], rest: { settings } }]
    const id = await build(roles)
    const bank = { bank: 'C1', setupId: id, roleId: 'r0', print: printSettings(settings), storedOn: '2026-11-24' }
    await call('PATCH', `/units/${eye.id}`, { banks: [bank] }, 1)
    const why = async () =>
      (await startOf(id)).filter((it) => it.kind === 'recall-bank').map((it) => [it.bank, it.role, it.why])
    expect(await why()).toEqual([['C1', 'A camera', null]])
    const { version, ...setup }: SetupReply = await call('GET', `/setups/${id}`)
    const changed = setup.roles.map((it) => ({ ...it, settings: [{ name: 'Shutter', value: '1/100' }] }))
    await call('PUT', `/setups/${id}`, { ...setup, roles: changed }, version)
    expect(await why()).toEqual([['C1', 'A camera', 'settings-changed']])
    // As it was again, and the camera was at the repairer's meanwhile.
    await call('PUT', `/setups/${id}`, setup, version + 1)
    expect(await why()).toEqual([['C1', 'A camera', null]])
    await call('PATCH', `/units/${eye.id}`, { state: 'in-repair' }, 2)
    await call('PATCH', `/units/${eye.id}`, { state: 'in-service' }, 3)
    expect(await why()).toEqual([['C1', 'A camera', 'was-away']])
  })

  test('[B30.1] [B30.2] [B30.3] what a thing is controlled by: fetched, charged and paired at the start; away, the thing is incomplete', async () => {
    const lamp = await add('light', 'High lamp')
    const phone = await add('phone', 'The phone with its app')
    await call('PUT', `/units/${lamp.id}/controllers`, { unitIds: [phone.id] }, 1)
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp] }])
    expect((await call('GET', `/units/${lamp.id}`)).parts).toMatchObject([{ tag: phone.tag, bond: 'controller' }])
    const lines = async () => (await startOf(id)).filter((it) => it.controller === phone.tag || it.kind === 'charge')
    expect((await lines()).map((it) => [it.kind, it.isMissing])).toEqual([
      ['fetch-controller', false],
      ['charge', undefined],
      ['pair', undefined],
    ])
    expect((await judge(id)).of('part-missing')).toEqual([])
    await call('PATCH', `/units/${phone.id}`, { state: 'lost' }, (await call('GET', `/units/${phone.id}`)).version)
    expect((await judge(id)).of('part-missing')).toMatchObject([{ level: 'warn' }])
    expect((await lines())[0]).toMatchObject({ kind: 'fetch-controller', isMissing: true })
  })

  test('a laptop in a setup is in use: its program is opened at the start, and nobody edits on it meanwhile', async () => {
    const eye = await add('camera', 'Body', { massGrams: 700 })
    const laptop = await add('laptop', 'Laptop')
    const lead = await add('cable', 'USB', { endA: 'usb-c', endB: 'usb-c' })
    await call(
      'PATCH',
      `/units/${eye.id}`,
      {
        software: [makeSoftware({ name: 'Tether', onUnitId: laptop.id })],
      },
      1,
    )
    const id = await build([
      { name: 'A camera', wants: 'camera', things: [eye] },
      { name: 'Remote', wants: 'computer', things: [laptop, lead] },
    ])
    expect(await startOf(id)).toContainEqual(
      expect.objectContaining({ kind: 'open-app', app: 'Tether', on: laptop.tag }),
    )
    await call('POST', '/bookings', makeDraft({ setupId: id }))
    const other = await call('POST', '/bookings/check', makeDraft({ unitIds: [laptop.id], title: 'Editing' }))
    expect(other.troubles.map((it: { tag: string }) => it.tag)).toEqual([laptop.tag])
  })
})

describe('what content asks', () => {
  const filmed = async (demands: string[], thing: { id: string }, code: string) => {
    const id = await build([{ name: 'Role', wants: undefined, things: [thing] }], { demands, code })
    return (await judge(id)).found.filter((it) => it.includes('demand'))
  }

  test.each([
    ['true-colour', 'light', 'cri', 95, 94],
    ['close-up', 'lens', 'closestMm', 250, 251],
    ['self-view', 'camera', 'flipScreen', 'yes', 'no'],
    ['steady-focus', 'camera', 'autofocus', 'dependable', 'hunts'],
  ])(
    '[B18.1] what the content asks is held against the things: %s, met at its limit, not met beyond it, and asked where nobody knows',
    async (demand, category, spec, enough, short) => {
      const [met, unmet, unknown] = [
        await tell(category, 'Enough', {}, { [spec]: enough }),
        await tell(category, 'Short', {}, { [spec]: short }),
        await add(category, 'Untold'),
      ]
      expect(await filmed([demand], met, 'DA')).toEqual([])
      expect(await filmed([demand], unmet, 'DB')).toEqual(['warn demand-unmet'])
      expect(await filmed([demand], unknown, 'DC')).toEqual(['unknown demand-unknown'])
      // What is not asked is not held against anything.
      expect(await filmed([], unmet, 'DD')).toEqual([])
    },
  )

  test('each kind of content begins with what it asks', async () => {
    const asked = async (purpose: string) => {
      const { setupIds } = await call('POST', '/first-hour', {
        purposes: [purpose],
        country: 'GB',
        room: { name: `Room for ${purpose}`, size: null },
        things: [],
      })
      return (await call('GET', `/setups/${setupIds[0]}`)).demands
    }
    expect(await asked('talking-head')).toEqual(['steady-focus'])
    expect(await asked('close-up')).toEqual(['close-up', 'true-colour'])
    expect(await asked('panel')).toEqual(['long-take'])
  })
})

describe('what may be there', () => {
  test('[B27.1] a microphone off camera and a screen for pages: optional, with their own cable, input and level', async () => {
    const room = await addRoom()
    const mixer = await add('mixer', 'Desk', { soundIn: 'xlr-3', soundInputs: 2, inlet: 'iec-c13', milliwatts: 9_000 })
    const [mic, cable, lead] = [
      await add('dynamic-mic', 'Talkback', { massGrams: 300 }),
      await add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' }),
      await add('lead', 'C13', { inlet: 'iec-c13' }),
    ]
    const level = { settings: [{ name: 'Level', value: '-12 dB' }] }
    const roles = (things: { id: string }[]) => [
      { name: 'Mixer', wants: 'mixer', things: [mixer, lead] },
      { name: 'Producer’s microphone', wants: 'microphone', importance: 'optional', things, rest: level },
      { name: 'Screen for pages', wants: 'monitor', importance: 'optional' },
    ]
    const filled = await build(roles([mic, cable]), { ...room, code: 'PM' })
    const empty = await build(roles([]), { ...room, code: 'PN' })
    const inputs = async (id: string) => (await call('GET', `/setups/${id}/readiness`)).inputs
    expect(await inputs(filled)).toMatchObject([{ tag: mixer.tag, used: 1, total: 2 }])
    expect((await inputs(empty))[0]?.used ?? 0).toBe(0)
    const { joints } = await call('GET', `/setups/${filled}/readiness`)
    const pairs = joints.map((it: { host: { tag: string }; guest: { tag: string } }) => [it.guest.tag, it.host.tag])
    expect(pairs).toContainEqual([cable.tag, mixer.tag])
    expect(await startOf(filled)).toContainEqual(expect.objectContaining({ kind: 'set', ...level }))
    // Nobody misses them.
    for (const id of [filled, empty]) {
      expect((await judge(id)).of('role-empty')).toEqual([])
    }
  })

  test('[B20.1] without one thing: which role falls empty, what is found then, and which figures are others', async () => {
    const room = await addRoom()
    const lamp = async (name: string) => [
      await add('light', name, { inlet: 'iec-c7', milliwatts: 100_000, massGrams: 900 }),
      await add('lead', `${name} lead`, { inlet: 'iec-c7' }),
      await add('stand', `${name} stand`, { loadGrams: 4_000 }),
    ]
    const [key, fill] = [await lamp('Key'), await lamp('Fill')]
    const id = await build(
      [
        { name: 'Key', wants: 'light', things: key },
        { name: 'Fill', wants: 'light', importance: 'wanted', things: fill },
      ],
      room,
    )
    const without = await call('GET', `/setups/${id}/without?unitId=${fill[0]?.id}`)
    // The stand and the lead are in that role as well, so that it is not empty, and the lamp that it wants is missed.
    expect(without.change.added.map((it: { code: string }) => it.code)).toContain('role-empty')
    const load = without.figures.find(
      (it: { before: { formula: string } | null }) => it.before?.formula === 'circuit-load',
    )
    expect([
      load.before.milliwatts ?? load.before.totalMilliwatts,
      load.after.milliwatts ?? load.after.totalMilliwatts,
    ]).toEqual([200_000, 100_000])
    expect((await call('GET', `/setups/${id}`)).version).toBe(1)
  })
})

describe('working alone', () => {
  test('[B11.1] alone: the focus has to hold, one has to see oneself, start it and reach its controls; each is told, and with all of them nothing', async () => {
    const able = { autofocus: 'dependable', flipScreen: 'yes', remoteStart: 'yes' }
    const eye = (name: string, specs: object) => tell('camcorder', name, { cardForm: 'sd', massGrams: 900 }, specs)
    const found = async (
      thing: { id: string },
      distanceMm: number | null,
      code: string,
      more: { id: string }[] = [],
    ) => {
      const position = { distanceMm, heightMm: null, sideDegrees: null, focalMm: null }
      const roles = [{ name: 'A camera', wants: 'camera', things: [thing, ...more], rest: { position } }]
      const { of } = await judge(await build(roles, { code, demands: ['alone'] }))
      return [...of('demand-unmet'), ...of('demand-unknown')].map((it) =>
        'demand' in it ? `${it.level} ${it.demand}` : '',
      )
    }
    const fit = await eye('Able', able)
    // At arm's length all is in reach, a millimetre on nothing is.
    expect(await found(fit, 700, 'SA')).toEqual([])
    expect(await found(fit, 701, 'SB')).toEqual(['warn within-reach'])
    expect(await found(fit, null, 'SC')).toEqual(['unknown within-reach'])
    // With its remote it is; with a phone of which nobody said whether it controls it, nobody knows.
    const [remote, phone] = [await add('remote', 'Clicker'), await add('tablet', 'Slate')]
    const { unit } = await call('GET', `/units/${remote.id}`)
    await call('PATCH', `/units/${remote.id}`, { parentId: fit.id, bond: 'controller' }, unit.version)
    expect(await found(fit, 3_000, 'SD', [remote])).toEqual([])
    expect(await found(fit, 3_000, 'SE', [phone])).toEqual(['unknown within-reach'])
    const { unit: body } = await call('GET', `/units/${fit.id}`)
    await call('PATCH', `/units/${fit.id}`, { software: [makeSoftware({ onUnitId: phone.id })] }, body.version)
    expect(await found(fit, 3_000, 'SF', [phone])).toEqual([])
    // In the hand of whoever carries it, it is.
    const gimbal = await add('gimbal', 'Steady', { loadGrams: 2_500 })
    const walk = [{ name: 'A camera', wants: 'camera', things: [fit, gimbal] }]
    const { of } = await judge(await build(walk, { code: 'SH', demands: ['alone'], carriers: 1 }))
    expect([...of('demand-unmet'), ...of('demand-unknown')]).toEqual([])
    // And what it cannot do is told one by one.
    const poor = await eye('Poor', { autofocus: 'hunts', flipScreen: 'no', remoteStart: 'no' })
    expect((await found(poor, 500, 'SG')).sort()).toEqual(['warn remote-start', 'warn self-view', 'warn steady-focus'])
  })
})

describe('what is easily forgotten', () => {
  test('[B21.1] what is marked so is first on the start list, before anything else; unmarked it is not named there', async () => {
    const [eye, tray] = [await camera(), await add('reflector', 'Tray')]
    const card = await add('card', 'Card', { cardForm: 'sd', capacityMegabytes: 64_000 })
    const { id: stockId, tag } = await call('POST', '/stock', { category: 'prop', name: 'Pebbles', quantity: 9 })
    const roles = (oftenForgotten: boolean) => [
      { name: 'A camera', wants: 'camera', things: [eye, card], rest: { settings: [{ name: 'ISO', value: '400' }] } },
      { name: 'Bounce', wants: 'reflector', importance: 'optional', things: [tray], rest: { oftenForgotten } },
      { name: 'Foreground', importance: 'optional', stock: [{ id: stockId, quantity: 3 }], rest: { oftenForgotten } },
      { name: 'Grey card', importance: 'optional', rest: { oftenForgotten } },
    ]
    const lines = await startOf(await build(roles(true), { code: 'FA' }))
    expect(lines.slice(0, 3)).toMatchObject([
      { kind: 'mind', role: 'Bounce', tags: [tray.tag] },
      { kind: 'mind', role: 'Foreground', tags: [tag] },
      { kind: 'mind', role: 'Grey card', tags: [] },
    ])
    expect(lines.slice(3).map((it) => it.kind)).toEqual(['empty-card', 'set', 'tidy', 'test'])
    const plain = await startOf(await build(roles(false), { code: 'FB' }))
    expect(plain.map((it) => it.kind)).toEqual(['empty-card', 'set', 'tidy', 'test'])
  })
})
