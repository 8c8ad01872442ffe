import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, prime, useLooks } from './looks.fixture.ts'
import { makeDraft, type RoleSketch, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call, tell } = quick
const { camera, lamp, see, readAgain, restart } = useLooks(quick)
beforeEach(restart)

const SET = { Aperture: 'f/2.8', Shutter: '1/50', ISO: '800', 'Frame rate': '25' }
const bright = (rest: object = {}) => lamp({ luxAtOneMetre: 1_000, dims: 'yes', ...rest })
const role = (
  name: string,
  things: readonly Thing[],
  position: object,
  card: Record<string, string> = {},
  light: object | null = null,
): RoleSketch => ({
  name,
  things,
  rest: { group: 'light', ...at(position, card, light) },
})

/** A room with tubes at the ceiling. */
const addRoom = async (details: object = {}) =>
  (
    await call('POST', '/places', {
      parentId: null,
      name: `Studio ${JSON.stringify(details)}`,
      kind: 'room',
      note: '',
      circuits: [],
      details: {
        fixtures: [{ id: 'tubes', name: 'Tubes', kind: 'light', kelvin: 4000, canSwitchOff: true, note: '' }],
        ...details,
      },
    })
  ).id as string

describe('levels and reserves', () => {
  test('[G12.1] [G12.2] [S31.1] how hard each works: stops in reserve, and none at its full output', async () => {
    const key = await bright()
    const set = async (level: string | null, code: string) => {
      const one = await see([role('Key', [key], { distanceMm: 1_000 }, level ? { Level: level } : {})], { code })
      return [one.says('Key', 'reserve'), one.of('no-reserve').map((it) => it.level)] as const
    }
    expect(await set('25 %', 'QA')).toEqual(['2 stops, at 25 %.', []])
    expect(await set('half', 'QB')).toEqual(['1 stop, at 50 %.', []])
    expect(await set('full', 'QC')).toEqual(['Nothing: it is at its full output.', ['advise']])
    // A bare number could be anything, and nothing at all is not full.
    expect((await set('7', 'QD'))[0]).toBe('Not known yet: its level on the setting card.')
    expect((await set(null, 'QE'))[0]).toBe('Not known yet: its level on the setting card.')
    // Just enough is enough for who chose so.
    const { version, now: _, ...studio } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...studio, schools: { reserve: 'enough' } }, version)
    expect((await set('full', 'QF'))[1]).toEqual([])
  })

  test('[G21.1] what bouncing and cloth take, against what is left; an unmeasured one is asked', async () => {
    const key = await bright()
    const box = await tell('softbox', 'Box', {}, { lossStops: 1.5, diameterMm: 900 })
    const bare = await tell('softbox', 'Bare', {}, { diameterMm: 900 })
    const lit = (things: Thing[], code: string, light: object | null = null) =>
      see([role('Key', things, { distanceMm: 1_000 }, { Level: '25 %' }, light)], { code })
    const through = await lit([key, box], 'QA', { lossStops: 1 })
    expect(through.says('Key', 'reserve')).toBe('2 stops, at 25 %; 2.5 stops are lost on the way.')
    // 1000 · 0.25 / 2^2.5.
    expect(through.says('Key', 'level')).toBe('44 lx at 1 m.')
    const open = await lit([key, bare], 'QB')
    expect(open.says('Key', 'reserve')).toBe(`2 stops, at 25 %; what ${bare.tag} takes away nobody wrote down.`)
    expect(open.isKnown('Key', 'level')).toBe(false)
  })

  test('[G19.1] what diffuses the light and tints it are fields of the setup, and count', async () => {
    const key = await bright({ kelvinMin: 5_600, kelvinMax: 5_600 })
    const fill = await bright({ kelvinMin: 5_600, kelvinMax: 5_600, beamDegrees: 60 })
    const one = await see([
      role('Key', [key], { distanceMm: 1_000 }, { Level: 'full' }, { lossStops: 2, tintMired: 40 }),
      role('Fill', [fill], { distanceMm: 1_000 }, { Level: 'full' }),
    ])
    expect(one.says('Key', 'level')).toBe('250 lx at 1 m.')
    expect(one.of('colour-apart')).toMatchObject([{ tag: fill.tag, mired: expect.closeTo(-40, 6) }])
  })

  test('[G31.1] key against fill in stops, kept as the look, and told when it is another', async () => {
    const [key, fill] = [await bright(), await bright({ beamDegrees: 60 })]
    const lit = (level: string, ratioStops: number | null, code: string) =>
      see(
        [
          role('Key', [key], { distanceMm: 1_000 }, { Level: 'full' }),
          role('Fill', [fill], { distanceMm: 1_000 }, { Level: level }),
        ],
        { code, stage: { ratioStops } },
      )
    const two = await lit('25 %', 2, 'QA')
    expect(two.says('scene', 'ratio')).toBe('4 to 1: 2 stops. Shaped. 2 agreed.')
    expect(two.of('ratio-off')).toEqual([])
    const kept = await call('GET', `/setups/${two.id}`)
    expect(kept.stage.ratioStops).toBe(2)
    expect((await lit('50 %', 1.5, 'QB')).of('ratio-off')).toEqual([])
    expect((await lit('50 %', 1.6, 'QC')).of('ratio-off')).toMatchObject([{ level: 'advise', wanted: 1.6, there: 1 }])
    expect((await lit('some', null, 'QD')).says('scene', 'ratio')).toBe(`Not known yet: the level of ${fill.tag}.`)
  })

  test('[G32.1] two alike lamps at two levels: what lies between them', async () => {
    const [one, other] = [await bright(), await bright()]
    const both = await see([
      role('Left', [one], { distanceMm: 1_000 }, { Level: '80 %' }),
      role('Right', [other], { distanceMm: 1_000 }, { Level: '20 %' }),
    ])
    expect(both.says('scene', 'pair')).toBe('80 % and 20 % of the same lamp: 2 stops apart.')
    const further = await see(
      [
        role('Left', [one], { distanceMm: 1_000 }, { Level: '80 %' }),
        role('Right', [other], { distanceMm: 1_500 }, { Level: '20 %' }),
      ],
      { code: 'QF' },
    )
    expect(further.says('scene', 'pair')).toBe(null)
  })

  test('[G13.1] twice the light is one stop: from ISO 800 to 400', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 245, dims: 'no' })
    const { says } = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }, SET) },
        role('Key', [key], { distanceMm: 1_000 }),
      ],
      { stage: { daylight: 'none' } },
    )
    expect(says('scene', 'face')).toBe('245 lx, from the lamps alone.')
    expect(says('scene', 'exposure')).toMatch(/^1 stop more than wanted.*ISO 400/)
  })
})

describe('how lamps look, and where they are seen', () => {
  test('[G20.1] [G20.2] how large a source looks from there, beside how deep it is', async () => {
    const key = await bright()
    const dome = await tell('softbox', 'Dome', {}, { diameterMm: 1_200, frontToBackMm: 700, lossStops: 1 })
    const panel = await lamp({ luxAtOneMetre: 900, diameterMm: 600, frontToBackMm: 60 }, 'panel')
    const { says } = await see([
      role('Key', [key, dome], { distanceMm: 1_000 }),
      role('Fill', [panel], { distanceMm: 1_000 }),
    ])
    expect(says('Key', 'size')).toBe(`62° from there, the larger the softer; ${dome.tag} is 120 cm across, 70 cm deep.`)
    expect(says('Fill', 'size')).toBe(`33° from there, the larger the softer; ${panel.tag} is 60 cm across, 6 cm deep.`)
  })

  test('[G22.1] [S13.1] a grid before somebody with spectacles is told, and before nobody else', async () => {
    const key = await bright()
    const grid = await tell('modifier', 'Cloth grid', {}, { lossStops: 1 })
    const lit = async (rest: object) =>
      (await see([role('Key', [key, grid], { distanceMm: 1_200, sideDegrees: 45, heightMm: 1_900 })], rest)).of(
        'grid-in-spectacles',
      )
    expect(await lit({ code: 'QA', demands: ['spectacles'] })).toMatchObject([{ level: 'advise', grid: grid.tag }])
    expect(await lit({ code: 'QB' })).toEqual([])
  })

  test('[G22.1] who is booked decides: somebody who wears spectacles', async () => {
    const key = await bright()
    const { id } = await see([role('Key', [key], { distanceMm: 1_200, sideDegrees: 10, heightMm: 1_300 })], {
      stage: { posture: 'seated' },
    })
    const person = await call('POST', '/people', {
      name: 'Wren Tallow',
      skills: [],
      note: '',
      contacts: [],
      traits: [{ trait: 'wears-spectacles', until: null, note: '' }],
      consent: { state: 'given', on: null, note: '' },
    })
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id, personIds: [person.id] }))
    const codes = async (query: string) =>
      (await call('GET', `/setups/${id}/readiness${query}`)).findings.map((it: { code: string }) => it.code)
    expect(await codes('')).not.toContain('seen-in-spectacles')
    expect(await codes(`?bookingId=${booking.id}`)).toContain('seen-in-spectacles')
  })

  test('[G23.1] [G23.2] a lamp near the lens is seen in spectacles, from where it clears; a ring always', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 1_000, diameterMm: 300 })
    const ring = await lamp({ luxAtOneMetre: 500, diameterMm: 400 }, 'ring-light')
    const lit = async (lampThing: Thing, sideDegrees: number, code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000, heightMm: 1_200 }) },
          role('Key', [lampThing], { distanceMm: 1_200, sideDegrees, heightMm: 1_200 }),
        ],
        { code, demands: ['spectacles'], stage: { posture: 'seated' } },
      )
    // Clear from 30° and half of 14.3°.
    const near = await lit(key, 37, 'QA')
    expect(near.of('seen-in-spectacles')).toMatchObject([{ level: 'warn', angle: expect.closeTo(37, 6) }])
    expect(near.says('Key', 'spectacles')).toMatch(/clears from about 37°. Higher, or further to the side\./)
    expect((await lit(key, 38, 'QB')).of('seen-in-spectacles')).toEqual([])
    const round = await lit(ring, 0, 'QC')
    expect(round.of('demand-unmet')).toHaveLength(1)
    expect(round.says('Key', 'spectacles')).toMatch(/^Likely seen/)
  })

  test('[G26.1] the shadow of a head on what is behind: how much lower and to which side, and whether it is seen', async () => {
    const rig = await camera(FULL, prime(35))
    const key = await bright()
    const lit = (sideDegrees: number, heightMm: number, code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_500 }) },
          role('Key', [key], { distanceMm: 1_500, sideDegrees, heightMm }),
        ],
        { code, stage: { posture: 'standing', backdropMm: 1_000 } },
      )
    const seen = await lit(30, 1_900, 'QA')
    // 0.3 m above the eyes, 1.47 m along the floor: 0.24 m lower, 0.58 m to the side.
    expect(seen.says('Key', 'shadow')).toMatch(
      /^The head throws one 0.24 m lower than the head and 0.58 m to the side, in the picture/,
    )
    expect(seen.of('shadow-seen')).toMatchObject([{ level: 'advise' }])
    const aside = await lit(75, 1_900, 'QB')
    expect(aside.says('Key', 'shadow')).toMatch(/out of every picture\.$/)
    expect(aside.of('shadow-seen')).toEqual([])
  })

  test('[G27.1] [G27.2] a lamp from above leaves the foot of the background darker, and a lower one evens it', async () => {
    const wall = await bright()
    const lit = (heightMm: number, distanceMm: number, code: string) =>
      see([role('Background', [wall], { distanceMm, heightMm })], { code, stage: { background: 'white' } })
    const high = await lit(2_000, 1_000, 'QA')
    expect(high.says('Background', 'down-the-wall')).toBe(
      '3.5 stops less at the floor than at 2 m. A lamp lower down, or further away, evens it.',
    )
    expect(high.of('foot-dark')).toMatchObject([{ level: 'advise', topMm: 2_000 }])
    const even = await lit(1_000, 1_000, 'QB')
    expect(even.says('Background', 'down-the-wall')).toMatch(/stops less at the floor than at 1 m/)
    expect((await lit(2_000, 5_000, 'QC')).of('foot-dark')).toEqual([])
  })

  test('[G33.1] a camera in the line from lamp to face is told, and below it is not', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 1_000, diameterMm: 100 })
    const lit = async (heightMm: number | null, code: string) =>
      (
        await see(
          [
            { name: 'A camera', things: rig, rest: at({ distanceMm: 1_000, heightMm }) },
            role('Key', [key], { distanceMm: 2_000, sideDegrees: 0, heightMm: 1_300 }),
          ],
          { code, stage: { posture: 'seated' } },
        )
      ).of('camera-shades')
    expect(await lit(1_250, 'QA')).toMatchObject([{ level: 'warn' }])
    expect(await lit(1_000, 'QB')).toEqual([])
    // Of which nobody measured the height it is not said.
    expect(await lit(null, 'QC')).toEqual([])
  })

  test('[G48.1] [G48.2] a bare lamp at the lens shines into the eyes; dimmed, softened or to the side it does not', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await bright()
    const cloth = await tell('modifier', 'Cloth', {}, { lossStops: 1 })
    const lit = async (things: Thing[], sideDegrees: number, level: string, code: string) =>
      (
        await see(
          [
            { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000, heightMm: 1_200 }) },
            role('Key', things, { distanceMm: 2_000, sideDegrees, heightMm: 1_300 }, { Level: level }),
          ],
          { code, stage: { posture: 'seated' } },
        )
      ).of('into-the-eyes')
    expect(await lit([key], 0, 'full', 'QA')).toMatchObject([{ level: 'advise', tag: key.tag }])
    expect(await lit([key], 0, '25 %', 'QB')).toEqual([])
    expect(await lit([key, cloth], 0, 'full', 'QC')).toEqual([])
    expect(await lit([key], 40, 'full', 'QD')).toEqual([])
  })
})

describe('what is behind', () => {
  test('[G10.1] [G10.2] [I16.1] white goes grey behind a lit face: how many stops less, and how much light is lacking', async () => {
    const key = await bright({ dims: 'no' })
    const white = (stage: object, code: string, more: RoleSketch[] = []) =>
      see([role('Key', [key], { distanceMm: 1_000, sideDegrees: 0 }), ...more], {
        code,
        stage: { background: 'white', backdropMm: 1_000, daylight: 'none', ...stage },
      })
    // As far behind as the lamp is in front: two stops less, 250 lx of 1,000.
    const grey = await white({}, 'QA')
    expect(grey.says('Key', 'fall-off')).toBe('2 stops less than on the face.')
    expect(grey.says('scene', 'background')).toBe(
      '250 lx, from the lamps alone: 2 stops less than on the face; 750 lx more would make it even. Wanted: white that stays white.',
    )
    expect(grey.of('white-grey')).toMatchObject([{ level: 'warn', below: 2, lacksLux: 750 }])
    const own = await lamp({ luxAtOneMetre: 750, dims: 'no' })
    const lit = await white({}, 'QB', [role('Background', [own], { distanceMm: 1_000 })])
    expect(lit.of('white-grey')).toEqual([])
    // A meter decides over any sum.
    expect((await white({ faceLux: 400, backgroundLux: 400 }, 'QC')).of('white-grey')).toEqual([])
    expect((await white({ daylight: null }, 'QD')).of('white-grey')).toMatchObject([{ level: 'advise' }])
  })

  test('[G24.1] [G24.2] a light that parts them is optional, and recommended where it is dark or near behind', async () => {
    const [key, rim] = [await bright(), await bright({ beamDegrees: 20 })]
    const lit = async (stage: object, code: string, more: RoleSketch[] = []) =>
      (await see([role('Key', [key], { distanceMm: 1_000 }), ...more], { code, stage })).of('no-separation')
    expect(await lit({ background: 'dark' }, 'QA')).toMatchObject([{ level: 'advise', reason: 'dim' }])
    expect(await lit({ background: 'lit', backdropMm: 999 }, 'QB')).toMatchObject([{ reason: 'near' }])
    expect(await lit({ background: 'lit', backdropMm: 1_000 }, 'QC')).toEqual([])
    expect(await lit({ background: 'dark' }, 'QD', [role('Hair', [rim], {})])).toEqual([])
    expect(await lit({}, 'QE')).toEqual([])
  })

  test('[G25.1] the background wants a light of its own, unless it is dark on purpose', async () => {
    const key = await bright()
    const lit = async (background: string | null, code: string, rest: object = {}) =>
      (await see([role('Key', [key], { distanceMm: 1_000 })], { code, stage: { background, ...rest } })).of(
        'background-unlit',
      )
    expect(await lit('lit', 'QA')).toMatchObject([{ level: 'warn' }])
    expect(await lit('dark', 'QB')).toEqual([])
    expect(await lit('lit', 'QC', { daylight: 'overcast' })).toEqual([])
    expect(await lit(null, 'QD')).toEqual([])
    expect(await lit('lit', 'QE', { windows: 'relied' })).toEqual([])
    expect(await lit('lit', 'QF', { windows: 'shut' })).toHaveLength(1)
  })

  test('[G28.1] [G28.2] too near a green screen, and what is worn or shown that keying takes away', async () => {
    const key = await bright()
    const keyed = (stage: object, code: string) =>
      see([role('Key', [key], { distanceMm: 1_000 })], { code, stage: { background: 'keyed', ...stage } })
    expect((await keyed({ backdropMm: 1_499 }, 'QA')).of('key-near')).toMatchObject([{ level: 'warn' }])
    expect((await keyed({ backdropMm: 1_500 }, 'QB')).of('key-near')).toEqual([])
    const worn = await keyed({ inPicture: ['shiny', 'green', 'lettered'] }, 'QC')
    expect(worn.of('key-eats')).toMatchObject([{ what: ['something green or see-through', 'something that shines'] }])
    const plain = await see([role('Key', [key], {})], {
      code: 'QD',
      stage: { background: 'lit', inPicture: ['green'] },
    })
    expect(plain.of('key-eats')).toEqual([])
  })

  test('[G41.1] a background far below the face sinks into noise, unless it is meant', async () => {
    const key = await bright()
    const lit = async (backgroundLux: number, background: string, code: string) =>
      (
        await see([role('Key', [key], { distanceMm: 1_000 })], {
          code,
          stage: { background, faceLux: 800, backgroundLux },
        })
      ).of('background-dim')
    expect(await lit(100, 'lit', 'QA')).toEqual([])
    expect(await lit(99, 'lit', 'QB')).toMatchObject([{ level: 'advise' }])
    expect(await lit(10, 'dark', 'QC')).toEqual([])
  })

  test('[G49.1] evenness between measured points', async () => {
    const key = await bright()
    const points = (lux: number[]) => lux.map((it, at) => ({ id: `p${at}`, name: `Point ${at + 1}`, lux: it }))
    const measured = async (lux: number[], code: string) =>
      see([role('Key', [key], {})], { code, stage: { background: 'keyed', readings: points(lux) } })
    const uneven = await measured([400, 200, 300], 'QA')
    expect(uneven.says('scene', 'evenness')).toBe('1 stop between Point 1 and Point 2: uneven for one white or a key.')
    expect(uneven.of('background-uneven')).toMatchObject([{ level: 'warn', spread: 1 }])
    expect((await measured([400, 300], 'QB')).of('background-uneven')).toEqual([])
    expect((await measured([400], 'QC')).isKnown('scene', 'evenness')).toBe(false)
  })

  test('[G29.1] what should not be seen is listed for its camera with its cure, and on the start list', async () => {
    const rig = await camera(FULL, prime(50))
    const seen = await see([{ name: 'A camera', things: rig }], {
      stage: {
        eyesores: [
          { id: 'e1', what: 'Light switch', cure: 'a fern before it', roleId: 'r0' },
          { id: 'e2', what: 'Fire sign', cure: '', roleId: null },
        ],
      },
    })
    expect(seen.of('eyesore')).toMatchObject([{ level: 'advise', what: 'Fire sign' }])
    const { lines } = await call('GET', `/setups/${seen.id}/start`)
    expect(lines.filter((it: { kind: string }) => it.kind === 'eyesore')).toMatchObject([
      { what: 'Light switch', cure: 'a fern before it', role: 'A camera' },
      { what: 'Fire sign', cure: '', role: '' },
    ])
  })
})

describe('colours', () => {
  const fixed = (kelvin: number, rest: object = {}) => bright({ kelvinMin: kelvin, kelvinMax: kelvin, ...rest })

  test('[G15.1] [G15.2] [S15.1] daylight and tungsten together: how far apart in mired, and only told where it is not meant', async () => {
    const [day, warm] = [await fixed(5_600), await fixed(3_200)]
    const lit = (isColourMeant: boolean, code: string) =>
      see([role('Key', [day], {}), role('Background', [warm], {}, {}, { isColourMeant })], { code })
    const accident = await lit(false, 'QA')
    expect(accident.of('colour-apart')).toMatchObject([{ tag: warm.tag, mired: expect.closeTo(133.93, 2) }])
    expect(accident.says('scene', 'colours')).toBe(
      `Against 5,600 K: ${warm.tag} is 134 mired warmer. No temperature that all reach: ${day.tag}, ${warm.tag} stand against it.`,
    )
    const meant = await lit(true, 'QB')
    expect(meant.of('colour-apart')).toEqual([])
    expect(meant.says('scene', 'colours')).toMatch(/134 mired warmer, as meant/)
  })

  test('[B13.1] [B13.2] one colour for all: what all reach, who stands against it, and the odd one out with its gap', async () => {
    const key = await bright({ kelvinMin: 3_200, kelvinMax: 5_600 })
    const fill = await bright({ kelvinMin: 2_700, kelvinMax: 6_500 })
    const odd = await fixed(6_500)
    const lit = (card: Record<string, string>, more: RoleSketch[], code: string) =>
      see([role('Key', [key], {}, card), role('Fill', [fill], {}, card), ...more], { code })
    const both = await lit({ Colour: '5600 K' }, [], 'QA')
    expect(both.says('scene', 'colours')).toBe('All at about 5,600 K. All can be between 3,200 and 5,600 K.')
    const three = await lit({ Colour: '5600 K' }, [role('Rim', [odd], {})], 'QB')
    expect(three.says('scene', 'colours')).toMatch(/is 25 mired cooler. No temperature that all reach/)
    expect(three.of('colour-apart')).toMatchObject([{ tag: odd.tag, level: 'advise' }])
    // 5,000 against 5,300 K are 11 mired, which are seen; 5,250 are 9.5, which are not.
    const near = async (kelvin: number, code: string) =>
      (await see([role('Key', [await fixed(5_000)], {}), role('Fill', [await fixed(kelvin)], {})], { code })).of(
        'colour-apart',
      )
    expect(await near(5_250, 'QC')).toEqual([])
    expect(await near(5_300, 'QD')).toMatchObject([{ level: 'warn' }])
    const unset = await lit({}, [], 'QE')
    expect(unset.says('scene', 'colours')).toBe(
      `All can be between 3,200 and 5,600 K. To what ${key.tag}, ${fill.tag} are set nobody said.`,
    )
  })

  test('[G16.1] [G16.2] a lamp that shows colours poorly is told where it is more than an accent', async () => {
    const lit = async (name: string, cri: number | null, code: string) =>
      (await see([role(name, [await bright(cri === null ? {} : { cri })], {})], { code })).of('colour-poor')
    expect(await lit('Key', 89, 'QA')).toMatchObject([{ level: 'advise', cri: 89 }])
    expect(await lit('Key', 90, 'QB')).toEqual([])
    expect(await lit('Accent', 80, 'QC')).toEqual([])
    expect(await lit('Key', null, 'QD')).toEqual([])
  })

  test('[G50.1] lights of the house join in with their colour, on or off for each setup', async () => {
    const placeId = await addRoom()
    const key = await fixed(5_600)
    const lit = (houseLights: object, code: string) =>
      see([role('Key', [key], {})], { code, placeId, stage: { houseLights } })
    const on = await lit({ tubes: 'on' }, 'QA')
    expect(on.of('house-light-apart')).toMatchObject([{ level: 'warn', name: 'Tubes', kelvin: 4_000 }])
    expect(on.says('scene', 'house-lights')).toBe('Tubes, 4000 K: on.')
    expect((await lit({ tubes: 'off' }, 'QB')).of('house-light-apart')).toEqual([])
    const unsaid = await lit({}, 'QC')
    expect(unsaid.of('house-light-apart')).toEqual([])
    expect(unsaid.says('scene', 'house-lights')).toBe('Tubes, 4000 K: on or off nobody said.')
  })

  test('[G14.1] [G14.2] [G14.3] white balance once the lights are on: a step, its kelvin kept, and again after any light was changed', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await fixed(5_600)
    const roles = [{ name: 'A camera', things: rig }, role('Key', [key], { distanceMm: 1_000 }, { Level: '50 %' })]
    const { id } = await see(roles, { code: 'QA' })
    const steps = async () =>
      (await call('GET', `/setups/${id}/start`)).lines.filter((it: { kind: string }) => it.kind === 'white-balance')
    // Who never chose is told nothing; who takes it by the card is.
    expect(await steps()).toEqual([])
    const { version: at0, now: _, ...studio } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...studio, schools: { 'white-balance': 'card' } }, at0)
    expect(await steps()).toMatchObject([{ kelvin: null, isOld: false }])
    const { printLights } = await import('@exemplar/core')
    const save = async (change: (setup: { stage: object; roles: object[] }) => object) => {
      const setup = await call('GET', `/setups/${id}`)
      await call('PUT', `/setups/${id}`, { ...setup, ...change(setup) }, setup.version)
    }
    await save((it) => ({
      stage: { ...it.stage, whiteBalance: { kelvin: 5_450, on: '2026-11-24', lights: printLights(it as never) } },
    }))
    expect(await steps()).toMatchObject([{ kelvin: 5_450, isOld: false }])
    expect((await readAgain(id)).says('scene', 'white-balance')).toBe(
      '5,450 K by the card. All lights are as they were then.',
    )
    await save((it) => ({
      roles: it.roles.map((own, n) => (n === 1 ? { ...own, settings: [{ name: 'Level', value: '60 %' }] } : own)),
    }))
    expect(await steps()).toMatchObject([{ kelvin: 5_450, isOld: true }])
    const after = await readAgain(id)
    expect(after.of('white-balance-old')).toMatchObject([{ level: 'advise', kelvin: 5_450 }])
  })

  test('[G39.1] lamps coloured on purpose want white balance by hand', async () => {
    const rig = await camera(FULL, prime(50))
    const [key, warm] = [await fixed(5_600), await fixed(2_700)]
    const lit = async (white: string, isColourMeant: boolean, code: string) =>
      (
        await see(
          [
            { name: 'A camera', things: rig, rest: at({}, { 'White balance': white }) },
            role('Key', [key], {}),
            role('Accent', [warm], {}, {}, { isColourMeant }),
          ],
          { code },
        )
      ).of('white-balance-auto')
    expect(await lit('Auto', true, 'QA')).toMatchObject([{ level: 'warn', coloured: [warm.tag] }])
    expect(await lit('5600 K', true, 'QB')).toEqual([])
    expect(await lit('Auto', false, 'QC')).toEqual([])
  })

  test('[G44.1] what leads the eye is kept with the variant, and told where it differs', async () => {
    const rig = await camera(FULL, prime(50))
    const first = await see([{ name: 'A camera', things: rig }], { code: 'QA', stage: { composition: 'shelves' } })
    const other = await see([{ name: 'A camera', things: rig }], {
      code: 'QB',
      variantOf: first.id,
      stage: { composition: 'the gutter' },
    })
    const { differences } = await call('GET', `/setups/${first.id}/difference?otherId=${other.id}`)
    expect(differences).toContainEqual({ kind: 'stage', fields: ['composition'] })
    expect((await call('GET', `/setups/${other.id}`)).stage.composition).toBe('the gutter')
  })

  test('[G35.1] [G35.2] a screen has its role and its size; without a larger one the focus is looked at magnified', async () => {
    const rig = await camera(FULL, prime(50))
    const screen = await tell('monitor', 'Screen', {}, { screenInches: 7 })
    const sized = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) },
        { name: 'Screen', wants: 'monitor', importance: 'optional', things: [screen], rest: at({ fromLensMm: 90 }) },
      ],
      { code: 'QS' },
    )
    expect(sized.says('scene', 'gaze')).toMatch(/a screen of 7″/)
    const magnified = async (things: Thing[], code: string) => {
      const { id } = await see([{ name: 'A camera', things }], { code, stage: { background: 'lit' } })
      const { lines } = await call('GET', `/setups/${id}/start`)
      return lines.filter((it: { kind: string }) => it.kind === 'magnify')
    }
    expect(await magnified(rig, 'QA')).toMatchObject([{ tags: [rig[0].tag] }])
    expect(await magnified([...rig, screen], 'QB')).toEqual([])
  })

  test('what is behind is tidied: a line of the start list', async () => {
    const rig = await camera(FULL, prime(50))
    const { id } = await see([{ name: 'A camera', things: rig }], { stage: { background: 'lit' } })
    const { lines } = await call('GET', `/setups/${id}/start`)
    expect(lines.filter((it: { kind: string }) => it.kind === 'tidy')).toHaveLength(1)
  })
})
