import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, lightRole, prime, useLooks } from './looks.fixture.ts'
import { type RoleSketch, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call, tell } = quick
const { camera, bright, see, readAgain, restart } = useLooks(quick)
beforeEach(restart)

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

describe('colours', () => {
  const fixed = (kelvin: number, rest: object = {}) => bright({ kelvinMin: kelvin, kelvinMax: kelvin, ...rest })

  test('[G15.1] [G15.2] [S15.1] [S15.2] daylight and tungsten together: how far apart in mired, and only told where it is not meant', async () => {
    const [day, warm] = [await fixed(5_600), await fixed(3_200)]
    const lit = (isColourMeant: boolean, code: string) =>
      see([lightRole('Key', [day], {}), lightRole('Background', [warm], {}, {}, { isColourMeant })], { code })
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
      see([lightRole('Key', [key], {}, card), lightRole('Fill', [fill], {}, card), ...more], { code })
    const both = await lit({ Colour: '5600 K' }, [], 'QA')
    expect(both.says('scene', 'colours')).toBe('All at about 5,600 K. All can be between 3,200 and 5,600 K.')
    const three = await lit({ Colour: '5600 K' }, [lightRole('Rim', [odd], {})], 'QB')
    expect(three.says('scene', 'colours')).toMatch(/is 25 mired cooler. No temperature that all reach/)
    expect(three.of('colour-apart')).toMatchObject([{ tag: odd.tag, level: 'advise' }])
    // 5,000 against 5,300 K are 11 mired, which are seen; 5,250 are 9.5, which are not.
    const near = async (kelvin: number, code: string) =>
      (
        await see([lightRole('Key', [await fixed(5_000)], {}), lightRole('Fill', [await fixed(kelvin)], {})], { code })
      ).of('colour-apart')
    expect(await near(5_250, 'QC')).toEqual([])
    expect(await near(5_300, 'QD')).toMatchObject([{ level: 'warn' }])
    const unset = await lit({}, [], 'QE')
    expect(unset.says('scene', 'colours')).toBe(
      `All can be between 3,200 and 5,600 K. To what ${key.tag}, ${fill.tag} are set nobody said.`,
    )
  })

  test('[G16.1] [G16.2] a lamp that shows colours poorly is told where it is more than an accent', async () => {
    const lit = async (name: string, cri: number | null, code: string) =>
      (await see([lightRole(name, [await bright(cri === null ? {} : { cri })], {})], { code })).of('colour-poor')
    expect(await lit('Key', 89, 'QA')).toMatchObject([{ level: 'advise', cri: 89 }])
    expect(await lit('Key', 90, 'QB')).toEqual([])
    expect(await lit('Accent', 80, 'QC')).toEqual([])
    expect(await lit('Key', null, 'QD')).toEqual([])
  })

  test('[G50.1] lights of the house join in with their colour, on or off for each setup', async () => {
    const placeId = await addRoom()
    const key = await fixed(5_600)
    const lit = (houseLights: object, code: string) =>
      see([lightRole('Key', [key], {})], { code, placeId, stage: { houseLights } })
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
    const roles = [{ name: 'A camera', things: rig }, lightRole('Key', [key], { distanceMm: 1_000 }, { Level: '50 %' })]
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
    // A lamp that only lies there in case gives no light.
    const spare = await fixed(3_200)
    await save((it) => ({
      roles: it.roles.map((own, n) =>
        n === 1
          ? {
              ...own,
              things: [
                ...(own as { things: object[] }).things,
                {
                  unitId: spare.id,
                  stockId: null,
                  quantity: 1,
                  powerModeId: null,
                  recordingModeId: null,
                  isSpare: true,
                },
              ],
            }
          : own,
      ),
    }))
    expect(await steps()).toMatchObject([{ isOld: false }])
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
            lightRole('Key', [key], {}),
            lightRole('Accent', [warm], {}, {}, { isColourMeant }),
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
