import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, prime, SET, useLooks } from './looks.fixture.ts'
import { useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call, tell, add, changeModel } = quick
const { camera, see, readAgain, restart } = useLooks(quick)
beforeEach(restart)

const room = async (size: object) =>
  (
    await call('POST', '/places', {
      parentId: null,
      name: `Studio ${JSON.stringify(size)}`,
      kind: 'room',
      note: '',
      circuits: [],
      details: { size: { widthMm: 3_000, depthMm: 5_000, heightMm: 2_600, ...size } },
    })
  ).id as string

describe('what a camera frames', () => {
  test('[G01.1] focal length times crop, per body and per way to record', async () => {
    const small = await camera({ sensorWidthMm: 17.3, sensorHeightMm: 13 }, prime(25))
    const full = await camera(FULL, prime(35))
    const { says } = await see([
      { name: 'Small', things: small },
      { name: 'Full', things: full },
    ])
    // A 25 mm lens there "is a 35 mm" is wrong: it frames as 52 mm.
    expect(says('Small', 'equivalent')).toBe('25 mm frames as 52 mm on 36 × 24 mm.')
    expect(says('Full', 'equivalent')).toBe('35 mm frames as 35 mm on 36 × 24 mm.')
    expect(says('Full', 'modes')).toBe(null)
    const modes = [
      { id: 'whole', label: 'Whole', kilobitsPerSecond: 100_000 },
      { id: 'crop', label: 'High resolution', kilobitsPerSecond: 200_000, activeWidthMm: 24 },
    ]
    await changeModel(full[0].modelId, { recordingModes: modes })
    const again = await see([{ name: 'Full', things: full }], { code: 'QF' })
    expect(again.says('Full', 'modes')).toBe('Whole: × 1, 35 mm as 35 mm; High resolution: × 1.5, 35 mm as 53 mm.')
  })

  test('[G01.1] a zoom is told from end to end, and what nobody recorded is asked', async () => {
    const zoom = await camera(
      { sensorWidthMm: 24, sensorHeightMm: 16 },
      { lensKind: 'zoom', focalMinMm: 20, focalMaxMm: 60 },
    )
    const bare = await camera({}, {})
    const { says, isKnown } = await see([
      { name: 'Zoom', things: zoom },
      { name: 'Bare', things: bare },
    ])
    expect(says('Zoom', 'equivalent')).toBe('20 to 60 mm frames as 30 to 90 mm on 36 × 24 mm.')
    expect(isKnown('Bare', 'equivalent')).toBe(false)
    expect(says('Bare', 'equivalent')).toBe(
      `Not known yet: how wide the sensor is, the focal length of ${bare[1].tag}.`,
    )
  })

  test('[G02.1] the width by sensor, distance and focal length', async () => {
    const rig = await camera(FULL, prime(50))
    const { says, lines } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) }])
    expect(says('A camera', 'frame')).toBe('2.12 m across at 3 m.')
    const working = lines('A camera').find((it) => it.code === 'frame')?.working
    expect(working?.lines[0]?.sum).toBe('36 · (3,000 − 50) / 50 = 2,124 mm')
    const nowhere = await see([{ name: 'A camera', things: rig }], { code: 'QF' })
    expect(nowhere.says('A camera', 'frame')).toBe('Not known yet: how far the camera is from whoever is filmed.')
  })

  test('[G02.2] for as much of a person as is wanted: how far back, or with which lens', async () => {
    const rig = await camera(FULL, prime(50))
    const { says } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) }], { shot: 'half' })
    expect(says('A camera', 'shot')).toBe(
      'About 1.8 m across: with 50 mm from 2.55 m; or from where it stands with 39.2 mm, which this lens has not.',
    )
    const zoom = await camera(FULL, { lensKind: 'zoom', focalMinMm: 24, focalMaxMm: 70 })
    const again = await see([{ name: 'A camera', things: zoom, rest: at({ distanceMm: 2_000, focalMm: 50 }) }], {
      code: 'QF',
      shot: 'half',
    })
    expect(again.says('A camera', 'shot')).toMatch(/from where it stands with 39.2 mm\.$/)
  })

  test('[G02.3] [I01.1] whether the room allows it: camera, way, background and what stands behind, at the limit and beyond', async () => {
    const rig = await camera(FULL, prime(50))
    const placeId = await room({})
    const roll = await add('backdrop', 'Roll')
    const inRoom = (backdropMm: number | null, code: string, things = [roll]) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_700 }) },
          { name: 'Backdrop', things },
        ],
        { code, placeId, stage: { backdropMm } },
      )
    const just = await inRoom(1_500, 'QA')
    expect(just.says('A camera', 'room')).toBe('5 m of 5 m: just.')
    expect(just.of('room-shallow')).toEqual([])
    const over = await inRoom(1_501, 'QB')
    expect(over.of('room-shallow')).toMatchObject([{ level: 'warn', wantedMm: 5_001, roomMm: 5_000 }])
    // A bare wall needs nothing behind it.
    expect((await inRoom(1_800, 'QD', [])).of('room-shallow')).toEqual([])
    expect((await inRoom(1_801, 'QF', [])).of('room-shallow')).toMatchObject([{ wantedMm: 5_001 }])
    const unsaid = await inRoom(null, 'QC')
    expect(unsaid.isKnown('A camera', 'room')).toBe(false)
    expect(unsaid.of('room-shallow')).toEqual([])
  })

  test('[G11.1] [G11.2] light and background against the room, and the nearest plan that fits', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await tell('cob', 'Lamp', {}, { luxAtOneMetre: 1_000 })
    const placeId = await room({})
    const roll = await add('backdrop', 'Roll')
    const plan = (backdropMm: number, lampMm: number, sideDegrees: number, code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_700 }) },
          { name: 'Key', things: [key], rest: at({ distanceMm: lampMm, sideDegrees }) },
          { name: 'Backdrop', things: [roll] },
        ],
        { code, placeId, stage: { backdropMm } },
      )
    const over = await plan(2_000, 2_000, 0, 'QA')
    expect(over.says('A camera', 'room')).toBe(
      '5.5 m wanted, and there are 5 m. It goes with the background 1.5 m behind them, or the camera at 2.2 m with 41 mm, which frames the same.',
    )
    expect(over.of('lamp-no-room')).toEqual([])
    // 2.4 forward, 0.4 of legs, 2 behind and 0.3 for what stands there are 5.1 m.
    const lampOver = await plan(2_000, 2_400, 0, 'QB')
    expect(lampOver.of('lamp-no-room')).toMatchObject([{ level: 'warn', tag: key.tag, wantedMm: 5_100 }])
    // To the side it takes less of the depth.
    expect((await plan(2_000, 2_400, 45, 'QC')).of('lamp-no-room')).toEqual([])
  })

  test('[G03.1] [I08.1] the width that is seen behind, with a tenth to spare, against each backdrop that hangs there', async () => {
    const rig = await camera(FULL, prime(50))
    const rolls = await Promise.all(
      [2_720, 3_240, 3_239, 3_564].map((widthMinMm) => add('backdrop', `Roll ${widthMinMm}`, { widthMinMm })),
    )
    const behind = async (roll: { id: string; tag: string } | undefined, code: string) => {
      const things = roll ? [roll] : []
      return see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) },
          { name: 'Backdrop', importance: 'wanted', things },
        ],
        { code, stage: { backdropMm: 1_500 } },
      )
    }
    const [short, exact, under, wide] = rolls
    const narrow = await behind(short, 'QA')
    expect(narrow.says('A camera', 'backdrop')).toBe(
      `The picture takes in 3.24 m there. ${short?.tag} is 2.72 m wide and ends in the picture: it fills it from 66 mm on.`,
    )
    expect(narrow.of('backdrop-short')).toMatchObject([{ level: 'warn', haveMm: 2_720, seenMm: 3_240 }])
    const just = await behind(exact, 'QB')
    expect(just.says('A camera', 'backdrop')).toMatch(/fills it with little to spare/)
    expect(just.of('backdrop-short')).toEqual([])
    expect((await behind(under, 'QC')).of('backdrop-short')).toHaveLength(1)
    expect((await behind(wide, 'QD')).says('A camera', 'backdrop')).toMatch(/3.56 m wide, which fills it\.$/)
  })

  test('[G03.2] the shortest focal length that it still fills, which does', async () => {
    const roll = await add('backdrop', 'Roll', { widthMinMm: 2_720 })
    const filled = async (mm: number, code: string) => {
      const rig = await camera(FULL, prime(mm))
      return (
        await see(
          [
            { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) },
            { name: 'Backdrop', things: [roll] },
          ],
          { code, stage: { backdropMm: 1_500 } },
        )
      ).of('backdrop-short')
    }
    const [found] = await filled(50, 'QA')
    expect(found).toMatchObject({ shortestMm: (36 * 4_500 * 1.1) / 2_720 })
    expect(await filled(66, 'QB')).toEqual([])
    expect(await filled(59, 'QC')).toHaveLength(1)
  })

  test('[G03.1] a backdrop nobody measured is asked, and a plain wall is none', async () => {
    const rig = await camera(FULL, prime(50))
    const cloth = await add('backdrop', 'Cloth')
    const hung = (things: { id: string }[], code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) },
          { name: 'Backdrop', importance: 'optional', things },
        ],
        { code, stage: { backdropMm: 1_500 } },
      )
    const unknown = await hung([cloth], 'QA')
    expect(unknown.of('look-unknown')).toMatchObject([{ level: 'unknown', tag: cloth.tag }])
    const wall = await hung([], 'QB')
    expect(wall.of('look-unknown')).toEqual([])
    expect(wall.says('A camera', 'backdrop')).toBe('The picture takes in 3.24 m there.')
  })

  test('a camera that is said to look down sees no backdrop and takes no depth of the room, whatever it is called', async () => {
    const rig = await camera(FULL, prime(24))
    const roll = await add('backdrop', 'Roll', { widthMinMm: 1_350 })
    const placeId = await room({ depthMm: 4_000 })
    const looking = async (looksDown: boolean, code: string) => {
      const { of } = await see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000, looksDown }) },
          { name: 'Backdrop', things: [roll] },
        ],
        { code, placeId, stage: { backdropMm: 2_000 } },
      )
      return [...of('backdrop-short'), ...of('room-shallow')].map((it) => it.level)
    }
    expect(await looking(true, 'QA')).toEqual([])
    expect(await looking(false, 'QB')).toEqual(['warn', 'warn'])
  })

  test('[I19.1] none is allowed: a plain wall as the backdrop leaves nothing open', async () => {
    const rig = await camera(FULL, prime(50))
    const wall = { providedBy: { kind: 'surface', name: 'plain wall' } }
    const { found } = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) },
        { name: 'Backdrop', wants: 'backdrop', things: [], rest: wall },
      ],
      { stage: { backdropMm: 1_500 } },
    )
    expect(found.filter((it) => /role-empty|backdrop/.test(it))).toEqual([])
  })
})

describe('what is sharp, and how it is set', () => {
  test('[G04.1] [S10.1] the blur of the background as a share of the width, beside how deep it is sharp', async () => {
    const blur = async (mm: number, code: string) => {
      const rig = await camera(FULL, prime(mm))
      const one = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 1_000 }, SET) }], {
        code,
        stage: { backdropMm: 1_500 },
      })
      return one.says('A camera', 'blur')
    }
    // 0.126 mm and 1.129 mm of 36: "the same blur at any focal length" is wrong.
    expect(await blur(24, 'QA')).toBe('A point of it is drawn 0.35 % of the width; 29 cm sharp at the face.')
    expect(await blur(70, 'QB')).toBe('A point of it is drawn 3.14 % of the width; 3 cm sharp at the face.')
    const rig = await camera(FULL, prime(24))
    const open = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 1_000 }) }], { code: 'QC' })
    expect(open.says('A camera', 'blur')).toBe(
      'Not known yet: the aperture on the setting card, how far the background is behind whoever is filmed.',
    )
  })

  test('[G05.1] near and far', async () => {
    const rig = await camera(FULL, prime(50))
    const { says } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }, SET) }])
    expect(says('A camera', 'sharp')).toBe('From 2.73 m to 3.33 m, 60 cm deep, at f/2.8.')
    const small = await see(
      [{ name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }, { ...SET, Aperture: 'f/32' }) }],
      { code: 'QF' },
    )
    expect(small.says('A camera', 'sharp')).toBe('From 1.41 m to as far as one sees, at f/32.')
  })

  test('[G05.2] what is held up and the face: both sharp, or from which aperture on, or the focus goes over', async () => {
    const rig = await camera({ ...FULL, autofocus: 'dependable' }, prime(50))
    const held = async (productMm: number, aperture: string, code: string) => {
      const one = await see(
        [{ name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }, { ...SET, Aperture: aperture }) }],
        { code, stage: { productMm } },
      )
      return [one.says('A camera', 'product'), one.of('held-up-soft').map((it) => it.level)] as const
    }
    // Sharp from 2.729 m on: 27 cm before the face is, 28 cm is not.
    expect(await held(270, 'f/2.8', 'QA')).toEqual(['Both are sharp, 27 cm apart.', []])
    expect(await held(280, 'f/2.8', 'QB')).toEqual([
      'Not both sharp with the focus on the face, 28 cm apart. Focused between them, at 2.85 m, both are at the aperture that is set; or the focus goes over, quickly and by itself.',
      ['advise'],
    ])
    const [far] = await held(900, 'f/2.8', 'QC')
    expect(far).toBe(
      'Not both sharp with the focus on the face, 90 cm apart. Focused between them, at 2.47 m, both are from f/6.3 on; or the focus goes over, quickly and by itself.',
    )
  })

  test('[G06.1] [G06.2] one aperture for all: the slowest lens rules, and what that costs each', async () => {
    const fast = await camera(FULL, prime(50, { widestAperture: 1.4 }))
    const slow = await camera(FULL, prime(85, { widestAperture: 2.8 }))
    const { says } = await see([
      { name: 'A camera', things: fast },
      { name: 'B camera', things: slow },
    ])
    expect(says('scene', 'shared-aperture')).toBe(
      `f/2.8, as ${slow[1].tag} opens no wider; ${fast[1].tag} loses 2 stops.`,
    )
    const unsaid = await camera(FULL, prime(35))
    const open = await see(
      [
        { name: 'A camera', things: fast },
        { name: 'B camera', things: unsaid },
      ],
      { code: 'QF' },
    )
    expect(open.says('scene', 'shared-aperture')).toBe(`Not known yet: how wide ${unsaid[1].tag} opens as it is set.`)
  })

  test('[G07.1] a zoom that gets darker: stops lost where it is set', async () => {
    const zoom = await camera(FULL, {
      lensKind: 'zoom',
      focalMinMm: 18,
      focalMaxMm: 55,
      widestAperture: 3.5,
      widestApertureLong: 5.6,
    })
    const set = async (focalMm: number | null, code: string) =>
      (await see([{ name: 'A camera', things: zoom, rest: at({ focalMm }) }], { code })).says(
        'A camera',
        'aperture-lost',
      )
    expect(await set(55, 'QA')).toBe('f/3.5 at its short end: 1.4 stops less at 55 mm.')
    expect(await set(18, 'QB')).toBe('f/3.5 at its short end: 0 stops less at 18 mm.')
    expect(await set(null, 'QC')).toBe('f/3.5 at its short end: up to 1.4 stops less at its long end.')
    const lacking = await see([{ name: 'A camera', things: zoom, rest: at({ focalMm: 55 }, { Aperture: 'f/4' }) }], {
      code: 'QD',
    })
    expect(lacking.of('aperture-lacking')).toMatchObject([{ level: 'warn', set: 4, widest: 5.6 }])
  })

  test('[G08.1] [G13.1] too much light: how many stops a filter takes, or to which sensitivity it comes down', async () => {
    const rig = await camera(FULL, prime(50))
    const outside = async (daylight: string, iso: string, code: string) =>
      see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }, { ...SET, ISO: iso }) }], {
        code,
        stage: { daylight },
      })
    // 81,920 lx against 250 · 2.8² · 50 / 100 = 980 lx are 6.4 stops.
    const sun = await outside('sun', '100', 'QA')
    expect(sun.says('scene', 'exposure')).toBe(
      '6.4 stops more than wanted: 980 lx wanted at the face. No sensitivity is so low: a filter takes 6.4 stops away.',
    )
    expect(sun.of('too-bright')).toMatchObject([{ level: 'warn', filterTags: [] }])
    const dark = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }, SET) }], {
      code: 'QB',
      stage: { faceLux: 61.25 },
    })
    // Half of the 122.5 lx that are wanted.
    expect(dark.says('scene', 'exposure')).toMatch(
      /^1 stop less than wanted: 123 lx wanted at the face. ISO 1,600 would do/,
    )
    expect(dark.of('too-dark')).toMatchObject([{ level: 'warn' }])
    const twice = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }, SET) }], {
      code: 'QC',
      stage: { faceLux: 490 },
    })
    // Four times the light: from ISO 800 to 200.
    expect(twice.says('scene', 'exposure')).toMatch(/^2 stops more than wanted.*down to ISO 200/)
  })

  test('[G08.2] a filter that can be turned is enough within its range, and not beyond; unknown it is asked', async () => {
    const mounted = async (specs: object, faceLux: number, code: string) => {
      const [body, glass] = await camera(FULL, prime(50, { widestAperture: 2 }))
      const filter = await tell('filter', `Grey ${code}`, {}, specs)
      return see([{ name: 'A camera', things: [body, glass, filter], rest: at({ distanceMm: 2_000 }, SET) }], {
        code,
        stage: { faceLux },
      })
    }
    const variable = { densityStops: 2, densityMostStops: 5 }
    expect((await mounted(variable, 122.5 * 2 ** 5, 'QA')).of('too-bright')).toEqual([])
    const beyond = await mounted(variable, 122.5 * 2 ** 6.5, 'QB')
    expect(beyond.of('too-bright')).toMatchObject([{ offStops: expect.closeTo(1.5, 6), mostStops: 5 }])
    expect((await mounted({ densityStops: 3 }, 122.5 * 2 ** 3, 'QC')).of('too-bright')).toEqual([])
    const unknown = await mounted({}, 122.5 * 2 ** 3, 'QD')
    expect(unknown.of('too-bright')).toEqual([])
    expect(unknown.of('look-unknown')).toMatchObject([{ lacks: [{ decides: 'the exposure' }] }])
  })

  test('of several filters in the role nobody knows which is before the lens: nothing is reckoned with, and it is asked', async () => {
    const [body, glass] = await camera(FULL, prime(50, { widestAperture: 2 }))
    const greys = [
      await tell('filter', 'Grey 3', {}, { densityStops: 3 }),
      await tell('filter', 'Grey 6', {}, { densityStops: 6 }),
    ]
    const lit = (things: { id: string }[], code: string) =>
      see([{ name: 'A camera', things: [body, glass, ...things], rest: at({ distanceMm: 2_000 }, SET) }], {
        code,
        stage: { faceLux: 122.5 * 2 ** 3 },
      })
    const both = await lit(greys, 'QA')
    expect([...both.of('too-dark'), ...both.of('too-bright')]).toEqual([])
    expect(both.says('scene', 'exposure')).toBe(
      `Not known yet: which of ${greys.map((it) => it.tag).join(', ')} is before the lens.`,
    )
    expect((await lit(greys.slice(0, 1), 'QB')).says('scene', 'exposure')).toMatch(/^As wanted/)
    const unset = await see([{ name: 'A camera', things: [body, glass], rest: at({}, { ISO: '800' }) }], {
      code: 'QC',
      stage: { faceLux: 100 },
    })
    expect(unset.says('scene', 'exposure')).toBe(
      'Not known yet: the aperture on the setting card, the shutter on the setting card.',
    )
  })

  test('nought typed for a figure is no figure', async () => {
    const rig = await camera({ sensorWidthMm: 0, sensorHeightMm: 0 }, prime(0, { widestAperture: 0, closestMm: 0 }))
    const { lines, found } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }, SET) }], {
      shot: 'half',
      stage: { backdropMm: 1_000, productMm: 300 },
    })
    expect(JSON.stringify(lines('A camera'))).not.toMatch(/NaN|∞|null mm/)
    expect(found.filter((it) => /^(warn|advise) (face|beyond|backdrop|aperture|held)/.test(it))).toEqual([])
  })

  test('[G09.1] [G09.2] the angle of the shutter, and times that are safe under lamps on the mains of this country', async () => {
    const rig = await camera(FULL, prime(50))
    const shut = async (shutter: string, fps: string, code: string) =>
      (
        await see([{ name: 'A camera', things: rig, rest: at({}, { Shutter: shutter, 'Frame rate': fps }) }], { code })
      ).says('A camera', 'shutter')
    expect(await shut('1/50', '25', 'QA')).toBe('180°. Safe under lamps that flicker with 50 Hz.')
    expect(await shut('1/60', '30', 'QB')).toBe(
      '180°. Not safe under lamps that flicker with 50 Hz: 1/50 s is, at 216°.',
    )
    expect(await shut('180°', '25', 'QC')).toBe('180°. Safe under lamps that flicker with 50 Hz.')
    expect(await shut('1/10', '25', 'QD')).toBe('1/10 s is longer than a frame at 25 a second.')
    const { version, now: _, ...studio } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...studio, mainsHertz: 60 }, version)
    expect(await shut('1/60', '30', 'QE')).toBe('180°. Safe under lamps that flicker with 60 Hz.')
    expect(await shut('quick', '30', 'QG')).toBe('Not known yet: the shutter on the setting card.')
  })

  test('[G34.1] [G34.2] [S21.1] eyes on a screen beside the lens: how many degrees, against a limit of one’s own', async () => {
    const rig = await camera(FULL, prime(50))
    const screen = await tell('monitor', 'Screen', {}, { screenInches: 7 })
    const beside = (fromLensMm: number, code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) },
          { name: 'Self-view', importance: 'optional', things: [screen], rest: at({ fromLensMm }) },
        ],
        { code },
      )
    // tan 5° · 2 m = 175 mm.
    const just = await beside(174, 'QA')
    expect(just.says('scene', 'gaze')).toBe('5° beside the lens, a screen of 7″: passes as looking into it.')
    expect(just.of('eyes-away')).toEqual([])
    const over = await beside(176, 'QB')
    expect(over.of('eyes-away')).toMatchObject([{ level: 'advise', limit: 5 }])
    const { version, now: _, ...studio } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...studio, gazeDegrees: 8 }, version)
    expect((await readAgain(over.id)).of('eyes-away')).toEqual([])
  })

  test('[G37.1] as close as it focuses: what fills the width', async () => {
    const rig = await camera(FULL, prime(50, { closestMm: 225 }))
    const { says, of } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 125 }) }])
    // Half life size: 72 mm fill 36.
    expect(says('A camera', 'closest')).toBe('7.2 cm fill the width, at 23 cm.')
    expect(of('beyond-focus')).toEqual([])
    const nearer = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 124 }) }], { code: 'QF' })
    expect(nearer.of('beyond-focus')).toMatchObject([{ level: 'warn', closestMm: 225 }])
  })

  test('[G38.1] nearer than a metre a face is told as broad; further off, or without a face, nothing is', async () => {
    const rig = await camera(FULL, prime(24))
    const near = async (distanceMm: number, shot: string | null, code: string) =>
      (await see([{ name: 'A camera', things: rig, rest: at({ distanceMm }) }], { code, shot })).of('face-near')
    expect(await near(999, 'close', 'QA')).toMatchObject([{ level: 'advise', distanceMm: 999 }])
    expect(await near(1_000, 'close', 'QB')).toEqual([])
    expect(await near(500, null, 'QC')).toEqual([])
    expect(await near(500, 'wide', 'QD')).toEqual([])
  })

  test('[B12.1] [B12.2] two bodies that are to frame alike: equivalents, the nearest lens, and by how much it is off', async () => {
    const full = await camera(FULL, prime(50))
    const small = await camera({ sensorWidthMm: 24, sensorHeightMm: 16 }, prime(35))
    const { says, id } = await see([
      { name: 'A camera', things: full },
      { name: 'B camera', things: small },
    ])
    expect(says('A camera', 'equivalent')).toBe('50 mm frames as 50 mm on 36 × 24 mm.')
    expect(says('B camera', 'equivalent')).toBe('35 mm frames as 53 mm on 36 × 24 mm.')
    const all = await call('GET', '/cameras')
    const angles = all.find((it: { id: string }) => it.id === id).angles
    const alike = angles.find((it: { tag: string }) => it.tag === full[0].tag).alike
    // 50 · 24 / 36 = 33.3 mm are wanted; 35 mm frame 5 % closer.
    expect(alike).toMatchObject([
      { tag: small[0].tag, like: { tag: small[1].tag, errorPercent: expect.closeTo(-4.76, 2) } },
    ])
  })

  test('[I13.1] in another room all of it is judged again', async () => {
    const rig = await camera(FULL, prime(50))
    const deep = await room({ depthMm: 7_000 })
    const shallow = await room({ depthMm: 4_000 })
    const { id, of } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_700 }) }], {
      placeId: deep,
      stage: { backdropMm: 1_500 },
    })
    expect(of('room-shallow')).toEqual([])
    const moved = await call('GET', `/setups/${id}/move-check?placeId=${shallow}`)
    expect(JSON.stringify(moved.change)).toContain('room-shallow')
  })
})
