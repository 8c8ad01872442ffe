import { PURPOSE_TEMPLATES } from '@exemplar/core'
import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, prime, SET, useLooks } from './looks.fixture.ts'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides.
const quick = useQuickEntry()
const { call, tell, add } = quick
const { camera, lamp, see, restart } = useLooks(quick)
beforeEach(restart)

describe('what the picture asks of things', () => {
  test('[G36.1] a screen is for framing only, or its colours are trusted: asked where colours have to be true', async () => {
    const rig = await camera(FULL, prime(50))
    const seen = async (colourTrusted: string | null, demands: string[], code: string) => {
      const screen = await tell('monitor', `Screen ${code}`, {}, colourTrusted ? { colourTrusted } : {})
      const one = await see([{ name: 'A camera', things: [...rig, screen] }], { code, demands })
      return [...one.of('screen-untrue'), ...one.of('screen-unknown')].map((it) => it.level)
    }
    expect(await seen('no', ['true-colour'], 'QA')).toEqual(['advise'])
    expect(await seen('yes', ['true-colour'], 'QB')).toEqual([])
    expect(await seen(null, ['true-colour'], 'QC')).toEqual(['unknown'])
    expect(await seen('no', [], 'QD')).toEqual([])
  })

  test('[G45.1] focus that follows by itself: wanted of who is alone, and where something is held up', async () => {
    const held = async (autofocus: string | null, productMm: number | null, demands: string[], code: string) => {
      const rig = await camera({ ...FULL, ...(autofocus ? { autofocus } : {}) }, prime(50))
      const one = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }, SET) }], {
        code,
        demands,
        stage: { productMm },
      })
      const alone = [...one.of('demand-unmet'), ...one.of('demand-unknown')].filter(
        (it) => 'demand' in it && it.demand === 'steady-focus',
      )
      return [...one.of('held-up-soft'), ...alone].map((it) => it.level)
    }
    expect(await held('dependable', 500, [], 'QA')).toEqual(['advise'])
    expect(await held('hunts', 500, [], 'QB')).toEqual(['warn'])
    expect(await held(null, 500, [], 'QC')).toEqual(['unknown'])
    // Near enough to the face, the focus has nowhere to go.
    expect(await held('hunts', 200, [], 'QD')).toEqual([])
    expect(await held('hunts', null, ['alone'], 'QE')).toEqual(['warn'])
    expect(await held('dependable', null, ['alone'], 'QF')).toEqual([])
  })

  test('[G46.1] shots that move want a head, a stabiliser or a slider', async () => {
    const rig = await camera(FULL, prime(50))
    const moved = async (move: string | null, kinds: string[], code: string) => {
      const things = await Promise.all(kinds.map((kind) => add(kind, `${kind} ${code}`)))
      const one = await see([{ name: 'A camera', things: [...rig, ...things] }], { code, stage: { move } })
      return [...one.of('move-lacking'), ...one.of('move-unknown')].map((it) => it.level)
    }
    expect(await moved('pan', ['tripod', 'head'], 'QA')).toEqual([])
    expect(await moved('pan', ['tripod', 'ball-head'], 'QB')).toEqual(['warn'])
    expect(await moved('pan', ['tripod'], 'QC')).toEqual(['unknown'])
    expect(await moved('walk', [], 'QD')).toEqual(['warn'])
    expect(await moved('walk', ['gimbal'], 'QG')).toEqual([])
    expect(await moved('slide', ['tripod', 'rail'], 'QH')).toEqual([])
    expect(await moved('slide', ['tripod'], 'QI')).toEqual(['warn'])
    expect(await moved('still', [], 'QJ')).toEqual([])
    expect(await moved(null, [], 'QK')).toEqual([])
  })

  test('[G40.1] flags are counted, and so are the heads and stands that hold them', async () => {
    const flags = await call('POST', '/stock', {
      category: 'flag',
      maker: '',
      name: 'Black flag',
      facts: {},
      quantity: 3,
      reorderLevel: 0,
      placeId: null,
    })
    const hold = (n: number) =>
      Promise.all(Array.from({ length: n }, () => add('c-stand', `Arm ${n}`, { loadGrams: 4_000, massGrams: 5_000 })))
    const open = async (stands: Thing[], code: string) => {
      const one = await see([{ name: 'Flags', things: stands, stock: [{ id: flags.id, quantity: 3 }] }], { code })
      return one.of('need-unmet').filter((it) => 'tag' in it && it.tag === flags.tag).length
    }
    expect(await open(await hold(3), 'QA')).toBe(0)
    expect(await open(await hold(2), 'QB')).toBe(1)
    expect(await open([], 'QC')).toBe(3)
  })

  test('[S11.1] [S11.2] one soft key or many: fill and rim need not be there, and each says in stops what it adds', async () => {
    const roles = PURPOSE_TEMPLATES['talking-head'].roles
    const importanceOf = (name: string) => roles.find((it) => it.name === name)?.importance
    expect([importanceOf('Key'), importanceOf('Fill'), importanceOf('Rim')]).toEqual([
      'essential',
      'wanted',
      'optional',
    ])
    const [key, fill] = [
      await lamp({ luxAtOneMetre: 1_000, dims: 'no' }),
      await lamp({ luxAtOneMetre: 1_000, dims: 'no', beamDegrees: 50 }),
    ]
    const { says } = await see([
      { name: 'Key', things: [key], rest: at({ distanceMm: 1_000 }) },
      { name: 'Fill', things: [fill], rest: at({ distanceMm: 1_000 }) },
    ])
    expect(says('Fill', 'adds')).toBe('1 stop to the light at the face.')
    const alone = await see([{ name: 'Key', things: [key], rest: at({ distanceMm: 1_000 }) }], { code: 'QF' })
    expect(alone.says('Key', 'adds')).toBe(null)
  })

  test('[S32.1] a lamp at the lens has its role, and says how far off the lens it is', async () => {
    expect(PURPOSE_TEMPLATES['talking-head'].roles).toContainEqual(
      expect.objectContaining({ name: 'Lamp at the lens', importance: 'optional' }),
    )
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 1_000 })
    const lit = async (sideDegrees: number, code: string) =>
      (
        await see(
          [
            { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000, heightMm: 1_200 }) },
            { name: 'Key', things: [key], rest: at({ distanceMm: 1_500, sideDegrees, heightMm: 1_200 }) },
          ],
          { code, stage: { posture: 'seated' } },
        )
      ).says('Key', 'from-lens')
    expect(await lit(0, 'QA')).toBe('0°: flat, and seen in eyes and spectacles.')
    expect(await lit(45, 'QB')).toBe('45°: shaped.')
    expect(await lit(-80, 'QC')).toBe('80°: from the side.')
  })

  test('[S09.1] [S09.2] zoom or fixed lens: aperture and range against the sizes that are wanted, and what each setup gets of them', async () => {
    const zoom = await camera(FULL, {
      lensKind: 'zoom',
      focalMinMm: 24,
      focalMaxMm: 70,
      widestAperture: 2.8,
      widestApertureLong: 2.8,
    })
    const fixed = await camera(FULL, prime(85, { widestAperture: 1.8 }))
    const { says } = await see(
      [
        { name: 'Zoom', things: zoom, rest: at({ distanceMm: 2_500 }) },
        { name: 'Fixed', things: fixed, rest: at({ distanceMm: 2_500 }) },
      ],
      { shot: 'close' },
    )
    expect(says('Zoom', 'range')).toBe('1.25 m to 3.71 m across at f/2.8: to the waist, the whole person.')
    expect(says('Fixed', 'range')).toBe('1.02 m across at f/1.8: face and shoulders.')
    const unsaid = await see([{ name: 'Fixed', things: fixed }], { code: 'QF' })
    expect(unsaid.says('Fixed', 'range')).toBe(null)
  })

  test('[S16.1] white balance by card or by the camera: a policy, with a note where lamps differ', async () => {
    const [key, rim] = [
      await lamp({ luxAtOneMetre: 1_000, kelvinMin: 5_600, kelvinMax: 5_600 }),
      await lamp({ luxAtOneMetre: 900, kelvinMin: 3_200, kelvinMax: 3_200 }),
    ]
    const lit = async (isColourMeant: boolean, code: string) =>
      (
        await see(
          [
            { name: 'Key', things: [key] },
            { name: 'Rim', things: [rim], rest: at({}, {}, { isColourMeant }) },
          ],
          { code },
        )
      ).says('scene', 'colours')
    expect(await lit(false, 'QA')).not.toMatch(/finds white by itself/)
    const { version, now: _, ...studio } = await call('GET', '/studio')
    await call('PUT', '/studio', { ...studio, schools: { 'white-balance': 'camera' } }, version)
    expect(await lit(false, 'QB')).toMatch(/A camera that finds white by itself takes something between them/)
    expect(await lit(true, 'QC')).not.toMatch(/finds white by itself/)
  })

  test('[S18.1] a backdrop has its care, its width, where it is stored and how it looks', async () => {
    const { id: placeId } = await call('POST', '/places', {
      parentId: null,
      name: 'Roll rack',
      kind: 'shelf',
      note: '',
      circuits: [],
    })
    const specs = { material: 'vinyl', creases: 'hardly', care: 'wipe it' }
    const { id } = await tell('backdrop', 'Grey vinyl', { widthMinMm: 2_000 }, specs)
    const before = await call('GET', `/units/${id}`)
    await call('PATCH', `/units/${id}`, { placeId }, before.unit.version)
    const { unit, model } = await call('GET', `/units/${id}`)
    expect(unit.placeId).toBe(placeId)
    expect(model.specs.more).toMatchObject(specs)
    const rig = await camera(FULL, prime(50))
    const one = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 1_000 }) },
        { name: 'Backdrop', things: [{ id }] },
      ],
      { stage: { backdropMm: 1_000 } },
    )
    expect(one.says('A camera', 'backdrop')).toMatch(/is 2 m wide, which fills it/)
  })

  test('[I17.1] dressing is in the setup, and goes with it', async () => {
    const cover = await add('prop', 'Chair cover')
    const rig = await camera(FULL, prime(50))
    const { id } = await see([
      { name: 'A camera', things: rig },
      { name: 'Dressing', wants: 'prop', importance: 'wanted', things: [cover] },
    ])
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id }))
    const page = await call('GET', `/bookings/${booking.id}`)
    expect(JSON.stringify(page)).toContain(cover.tag)
    const bare = await see([{ name: 'Dressing', wants: 'prop', importance: 'wanted', things: [] }], { code: 'QF' })
    expect(bare.of('role-empty')).toMatchObject([{ level: 'warn' }])
  })
})
