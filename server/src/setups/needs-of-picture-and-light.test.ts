import { type Finding, type Remedy, type SystemsReply, sayFinding } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: joined and not, enough and too little.
const { call, add, tell, addFamily, changeModel, build, judge } = useQuickEntry()

const codes = async (id: string, pattern: RegExp) => (await judge(id)).found.filter((it) => pattern.test(it))
interface Load {
  totalGrams: number
  level: string
}
const PLAIN = { sayDay: (date: string) => date, sayInstant: String }

describe('what a picture needs', () => {
  test('[C27.1] a body that shows its menus on its picture out is told where it goes into a live cut', async () => {
    const found = async (cleanOutput: string | null, code: string) => {
      const eye = await tell(
        'camcorder',
        `Eye ${code}`,
        { videoOut: 'hdmi-a', cardForm: 'sd', massGrams: 900 },
        cleanOutput ? { cleanOutput } : {},
      )
      const other = await tell(
        'camcorder',
        `Other ${code}`,
        { videoOut: 'hdmi-a', cardForm: 'sd', massGrams: 900 },
        { cleanOutput: 'yes' },
      )
      const switcher = await add('switcher', 'Cutter', {
        videoInputs: 4,
        videoIn: 'hdmi-a',
        inlet: 'iec-c7',
        milliwatts: 20_000,
      })
      const cables = [
        await add('cable', 'V', { endA: 'hdmi-a', endB: 'hdmi-a' }),
        await add('cable', 'V', { endA: 'hdmi-a', endB: 'hdmi-a' }),
      ]
      const id = await build([{ name: 'Show', things: [eye, other, switcher, ...cables] }], { code })
      return (await judge(id))
        .of('demand-unmet')
        .filter((it) => JSON.stringify(it).includes('menus') || JSON.stringify(it).includes('clean'))
    }
    expect(await found('no', 'JA')).toHaveLength(1)
    expect(await found('yes', 'JB')).toEqual([])
    expect(await found(null, 'JC')).toEqual([])
  })

  test('[C27.2] a camera that hangs where its screen is not seen: its menus go out to another screen, or another rig is offered', async () => {
    const ends = { videoOut: 'hdmi-a', cardForm: 'sd', massGrams: 900 }
    const eye = (name: string, cleanOutput: string | null) =>
      tell('camcorder', name, ends, cleanOutput ? { cleanOutput } : {})
    const screen = await add('monitor', 'Screen', { inlet: 'iec-c7', videoIn: 'hdmi-a' })
    const cable = await add('cable', 'V', { endA: 'hdmi-a', endB: 'hdmi-a' })
    const rig = (things: Thing[], code: string, heightMm: number | null = null, demands = ['menus-in-sight']) => {
      const position = { distanceMm: null, heightMm, sideDegrees: null, focalMm: null }
      return build([{ name: 'Overhead', wants: 'camera', things, rest: { position } }], { code, demands })
    }
    const asked = async (id: string) => {
      const { of } = await judge(id)
      return [...of('demand-unmet'), ...of('demand-unknown')].filter(
        (it) => 'demand' in it && it.demand === 'menus-in-sight',
      )
    }
    const levels = async (...args: Parameters<typeof rig>) => (await asked(await rig(...args))).map((it) => it.level)
    const clean = await eye('Clean', 'yes')
    expect(await levels([clean, screen, cable], 'MA')).toEqual(['warn'])
    expect(await levels([clean, screen, cable], 'MB', null, [])).toEqual([])
    const shows = await eye('Shows', 'no')
    expect(await levels([shows, screen, cable], 'MC')).toEqual([])
    expect(await levels([await eye('Unsaid', null), screen, cable], 'MD')).toEqual(['unknown'])
    // Without a screen nothing is seen, whatever goes out; at the height of the eyes its own screen is.
    expect(await levels([await eye('Alone', 'no')], 'ME')).toEqual(['warn'])
    expect(await levels([clean, screen, cable], 'MF', 1_700)).toEqual([])
    expect(await levels([clean, screen, cable], 'MG', 1_701)).toEqual(['warn'])
    // Offered instead: its own remote, and a body that is free and shows them; none of it when it is away.
    const id = await rig([clean, screen, cable], 'MH')
    const offers = async (): Promise<Remedy[]> => {
      const [found] = await asked(id)
      return (await call('GET', `/setups/${id}/remedies?key=${encodeURIComponent(found?.key ?? '')}`)).remedies
    }
    const named = async () => (await offers()).flatMap((it) => ('tags' in it ? it.tags : 'tag' in it ? [it.tag] : []))
    expect(await named()).toContain(shows.tag)
    const remote = await add('remote', 'Clicker')
    const { unit } = await call('GET', `/units/${remote.id}`)
    await call('PATCH', `/units/${remote.id}`, { parentId: clean.id, bond: 'controller' }, unit.version)
    expect(await named()).toEqual(expect.arrayContaining([shows.tag, remote.tag]))
    await call('PATCH', `/units/${shows.id}`, { state: 'lent' }, shows.version)
    const { unit: clicker } = await call('GET', `/units/${remote.id}`)
    await call('PATCH', `/units/${remote.id}`, { state: 'lost' }, clicker.version)
    expect(await named()).not.toEqual(expect.arrayContaining([shows.tag]))
    expect(await named()).not.toEqual(expect.arrayContaining([remote.tag]))
    const [found] = await asked(id)
    expect(found && sayFinding(found, PLAIN).text).toContain('or set everything before it goes up')
  })

  test('[C34.1] [C34.2] one shoe and two that want it: one has it, the other is told, and a bracket with more shoes is said', async () => {
    const eye = await add('camera', 'Eye', { massGrams: 700 })
    const [mic, screen] = [
      await add('camera-mic', 'Mic', { massGrams: 100 }),
      await add('monitor', 'Screen', { massGrams: 100, inlet: 'iec-c7' }),
    ]
    const id = await build([{ name: 'A camera', wants: 'camera', things: [eye, mic, screen] }])
    const { of } = await judge(id)
    const shoe = of('need-unmet').filter(
      (it) => 'interfaces' in it && it.interfaces.some(({ code }) => code === 'shoe'),
    )
    expect(shoe).toMatchObject([{ tag: screen.tag, rivals: [mic.tag], supply: [eye.tag] }])
    expect(shoe.map((it) => sayFinding(it, PLAIN).text).join()).toContain(
      'A bracket with cold shoes carries more than one.',
    )
    const alone = await judge(await build([{ name: 'A camera', wants: 'camera', things: [eye, mic] }], { code: 'QF' }))
    expect(
      alone.of('need-unmet').filter((it) => 'interfaces' in it && it.interfaces.some(({ code }) => code === 'shoe')),
    ).toEqual([])
  })
})

describe('optics', () => {
  const pair = async (circle: number, code: string, rest: object = {}) => {
    const mount = await addFamily(`Larch ${code}`, 'mount')
    const body = await tell(
      'camera',
      `Body ${code}`,
      { mount, cardForm: 'sd', massGrams: 700 },
      { sensorWidthMm: 36, sensorHeightMm: 24 },
    )
    const lens = await tell(
      'lens',
      `Lens ${code}`,
      { mount, massGrams: 300 },
      { imageCircleMm: circle, focalMinMm: 35, focalMaxMm: 35, ...rest },
    )
    return build([{ name: 'A camera', wants: 'camera', things: [body, lens] }], { code })
  }

  test('[C10.1] a circle that is smaller than the sensor: what is cut, how much closer it looks, what is left; a large one says nothing', async () => {
    const of = async (circle: number, code: string) => {
      const readiness = await call('GET', `/setups/${await pair(circle, code)}/readiness`)
      const told = readiness.findings.filter((it: { code: string }) => it.code === 'circle-small')
      return {
        circle: readiness.cameras[0].circle,
        level: told.map((it: { level: string }) => it.level),
        says: told.map((it: Finding) => sayFinding(it, PLAIN).text).join(),
      }
    }
    // 28.3 mm of a diagonal of 43.27 mm: two thirds of the width, under half of the picture points, one and a half times as close.
    const small = await of(28.3, 'JA')
    expect(small.circle.usedShare).toBeCloseTo(28.3 / Math.hypot(36, 24), 6)
    expect(small.circle.resolutionShare).toBeCloseTo((28.3 / Math.hypot(36, 24)) ** 2, 6)
    expect(small.circle.extraCrop).toBeCloseTo(Math.hypot(36, 24) / 28.3, 6)
    expect(small.level).toEqual(['warn'])
    expect(small.says).toContain('35 mm frames as 54 mm would')
    expect(small.says).toContain('43 % of the picture points')
    expect(small.says).toContain('Dark corners')
    // Exactly the diagonal is covered; a tenth less is not.
    expect(await of(43.3, 'JB')).toMatchObject({ circle: { isCovered: true }, level: [] })
    expect((await of(43.2, 'JC')).level).toEqual(['warn'])
  })

  test('[C26.1] [C26.2] a way to record that crops the sensor frames less, and the widest that fits the room is told for each', async () => {
    const mount = await addFamily('Larch', 'mount')
    const body = await tell(
      'camera',
      'Body',
      { mount, cardForm: 'sd', kilobitsPerSecond: 100_000, massGrams: 700 },
      { sensorWidthMm: 36, sensorHeightMm: 24 },
    )
    const lens = await tell('lens', 'Lens', { mount, massGrams: 300 }, { focalMinMm: 35, focalMaxMm: 35 })
    const modes = [
      { id: 'whole', label: 'Whole width', kilobitsPerSecond: 100_000, activeWidthMm: 36 },
      { id: 'high', label: 'High resolution', kilobitsPerSecond: 200_000, activeWidthMm: 18 },
    ]
    await changeModel(body.modelId, { recordingModes: modes })
    const details = { size: { widthMm: 4_000, depthMm: 5_000, heightMm: 2_600 } }
    const { id: placeId } = await call('POST', '/places', {
      parentId: null,
      name: 'Small room',
      kind: 'room',
      note: '',
      circuits: [],
      details,
    })
    const id = await build([{ name: 'A camera', wants: 'camera', things: [body, lens] }], { placeId })
    const [angle] = (await call('GET', `/setups/${id}/readiness`)).cameras
    // The whole room before the lens, less half a metre behind the camera; no picture is wider than the wall that it ends at.
    expect(angle.modes.map((it: { label: string; activeWidthMm: number }) => [it.label, it.activeWidthMm])).toEqual([
      ['Whole width', 36],
      ['High resolution', 18],
    ])
    expect(angle.modes[0].widestInRoomMm).toBe(4_000)
    expect(angle.modes[1].widestInRoomMm).toBeCloseTo((18 * (4_500 - 35)) / 35, 0)
  })
})

describe('lamps, stands and runs', () => {
  test('[C17.1] [C17.2] which modifier goes on which lamp, what both weigh, and what the stand bears after another is put on', async () => {
    const mount = await addFamily('Larch ring', 'mount')
    const lamp = await add('light', 'Lamp', { mount, massGrams: 2_000 })
    const plain = await add('light', 'Plain', { massGrams: 500 })
    const [box, dish] = [
      await add('softbox', 'Box', { mount, massGrams: 1_000 }),
      await add('softbox', 'Dish', { mount, massGrams: 3_000 }),
    ]
    const stand = await add('stand', 'Stand', { loadGrams: 4_000 })
    const { modifiers }: SystemsReply = await call('GET', '/systems')
    const of = (tag: string) =>
      modifiers.filter((it) => it.lamp === tag).map((it) => [it.modifier, it.fits, it.massGrams])
    expect(of(lamp.tag)).toEqual([
      [box.tag, true, 3_000],
      [dish.tag, true, 5_000],
    ])
    expect(of(plain.tag).some(([, fits]) => fits)).toBe(false)
    const id = await build([{ name: 'Key', wants: 'light', things: [lamp, box, stand] }])
    const swap = await call('GET', `/setups/${id}/swap?unitId=${box.id}&byUnitId=${dish.id}`)
    const carried = swap.figures.map(({ before, after }: { before: Load | null; after: Load | null }) => [
      before?.totalGrams,
      after?.totalGrams,
      after?.level,
    ])
    expect(carried).toEqual([[3_000, 5_000, 'stop']])
    expect(swap.change.added.map((it: { code: string }) => it.code)).toEqual(['carried-load'])
  })

  test('[C21.1] [C21.2] studs by their size, and the lowest and highest that a stand works at', async () => {
    const lamp = await add('light', 'Lamp', { massGrams: 1_000 })
    const stand = await tell('stand', 'Stand', { loadGrams: 6_000 }, { heightMinMm: 900, heightMaxMm: 2_600 })
    const at = async (heightMm: number, code: string) => {
      const id = await build(
        [
          {
            name: 'Key',
            wants: 'light',
            things: [lamp, stand],
            rest: { position: { distanceMm: null, heightMm, focalMm: null } },
          },
        ],
        { code },
      )
      return codes(id, /height/)
    }
    expect(await at(900, 'JA')).toEqual([])
    expect(await at(2_600, 'JB')).toEqual([])
    expect(await at(899, 'JC')).toEqual(['warn height-out-of-reach'])
    expect(await at(2_601, 'JD')).toEqual(['warn height-out-of-reach'])
    // A head with a thick stud goes on no stand for thin ones, and on one that takes both.
    const heavy = await add('light', 'Heavy', { massGrams: 1_000 })
    await changeModel(heavy.modelId, ({ ports }) => ({
      ports: ports.map((it) => (it.id === 'receiver' ? { ...it, interfaces: ['spigot-28'] } : it)),
    }))
    const wheels = await add('wheeled-stand', 'Wheels', { loadGrams: 20_000 })
    const open = async (support: Thing, code: string) =>
      (await judge(await build([{ name: 'Key', wants: 'light', things: [heavy, support] }], { code })))
        .of('need-unmet')
        .map((it) => 'tag' in it && it.tag)
    expect(await open(stand, 'JE')).toEqual([heavy.tag])
    expect(await open(wheels, 'JF')).toEqual([])
  })

  test('[C30.1] [C30.2] a run longer than a passive cable may be wants a repeater; one that is not, not', async () => {
    const eye = await tell('camcorder', 'Eye', { videoOut: 'hdmi-a', cardForm: 'sd', massGrams: 900 }, {})
    const screen = await add('monitor', 'Screen', { massGrams: 900, inlet: 'iec-c7', videoIn: 'hdmi-a' })
    const found = async (lengthMm: number, code: string) => {
      const cable = await tell('cable', `Cable ${lengthMm}`, { endA: 'hdmi-a', endB: 'hdmi-a' }, { lengthMm })
      const id = await build([{ name: 'Screen', things: [eye, screen, cable] }], { code })
      const { of } = await judge(id)
      return of('run-long').map((it) => sayFinding(it, PLAIN))
    }
    expect(await found(10_000, 'JA')).toEqual([])
    const [long] = await found(10_001, 'JB')
    expect(long?.text).toContain('Without a repeater or an active cable')
  })
})
