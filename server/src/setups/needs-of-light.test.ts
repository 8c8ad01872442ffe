import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, lightRole, prime, SET, useLooks } from './looks.fixture.ts'
import { type RoleSketch, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call, tell } = quick
const { camera, lamp, bright, see, restart } = useLooks(quick)
beforeEach(restart)

describe('levels and reserves', () => {
  test('[G12.1] [G12.2] [S31.1] how hard each works: stops in reserve, and none at its full output', async () => {
    const key = await bright()
    const set = async (level: string | null, code: string) => {
      const one = await see([lightRole('Key', [key], { distanceMm: 1_000 }, level ? { Level: level } : {})], { code })
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
      see([lightRole('Key', things, { distanceMm: 1_000 }, { Level: '25 %' }, light)], { code })
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
      lightRole('Key', [key], { distanceMm: 1_000 }, { Level: 'full' }, { lossStops: 2, tintMired: 40 }),
      lightRole('Fill', [fill], { distanceMm: 1_000 }, { Level: 'full' }),
    ])
    expect(one.says('Key', 'level')).toBe('250 lx at 1 m.')
    expect(one.of('colour-apart')).toMatchObject([{ tag: fill.tag, mired: expect.closeTo(-40, 6) }])
  })

  test('[G31.1] key against fill in stops, kept as the look, and told when it is another', async () => {
    const [key, fill] = [await bright(), await bright({ beamDegrees: 60 })]
    const lit = (level: string, ratioStops: number | null, code: string) =>
      see(
        [
          lightRole('Key', [key], { distanceMm: 1_000 }, { Level: 'full' }),
          lightRole('Fill', [fill], { distanceMm: 1_000 }, { Level: level }),
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
      lightRole('Left', [one], { distanceMm: 1_000 }, { Level: '80 %' }),
      lightRole('Right', [other], { distanceMm: 1_000 }, { Level: '20 %' }),
    ])
    expect(both.says('scene', 'pair')).toBe('80 % and 20 % of the same lamp: 2 stops apart.')
    const further = await see(
      [
        lightRole('Left', [one], { distanceMm: 1_000 }, { Level: '80 %' }),
        lightRole('Right', [other], { distanceMm: 1_500 }, { Level: '20 %' }),
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
        lightRole('Key', [key], { distanceMm: 1_000 }),
      ],
      { stage: { daylight: 'none' } },
    )
    expect(says('scene', 'face')).toBe('245 lx, from the lamps alone.')
    expect(says('scene', 'exposure')).toMatch(/^1 stop more than wanted.*ISO 400/)
  })

  test('of two lamps in one role what was measured counts once, whether they are counted or single', async () => {
    const key = await bright()
    const pair = [await bright({ beamDegrees: 40 }), await bright({ beamDegrees: 41 })]
    const stock = await call('POST', '/stock', {
      category: 'cob',
      maker: '',
      name: 'Small lamp',
      facts: {},
      specs: { luxAtOneMetre: 500, dims: 'yes' },
      quantity: 2,
      reorderLevel: 0,
      placeId: null,
    })
    const lit = async (fill: RoleSketch, code: string) =>
      (await see([lightRole('Key', [key], { distanceMm: 1_000 }, {}, { lux: 800 }), fill], { code })).says(
        'scene',
        'ratio',
      )
    const measured = lightRole('Fill', pair, { distanceMm: 1_000 }, {}, { lux: 400 })
    expect(await lit(measured, 'QA')).toBe('2 to 1: 1 stop. Soft.')
    expect(await lit({ ...measured, things: [], stock: [{ id: stock.id, quantity: 2 }] }, 'QB')).toBe(
      '2 to 1: 1 stop. Soft.',
    )
  })

  test('of two lamps in one role and one softbox nobody knows which it is before: no level is claimed', async () => {
    const pair = [await bright({ beamDegrees: 40 }), await bright({ beamDegrees: 41 })]
    const box = await tell('softbox', 'Box', {}, { lossStops: 2 })
    const both = await see([lightRole('Key', [...pair, box], { distanceMm: 1_000 }, { Level: 'full' })])
    expect(both.lines('Key').filter((it) => it.code === 'level' && it.isKnown)).toEqual([])
    expect(both.says('Key', 'level')).toContain(`before which lamp ${box.tag} is`)
    expect(both.says('Key', 'reserve')).toContain(`before which lamp ${box.tag} is nobody said`)
    const bare = await see([lightRole('Key', pair, { distanceMm: 1_000 }, { Level: 'full' })], { code: 'QB' })
    expect(bare.says('Key', 'level')).toBe('1,000 lx at 1 m.')
  })

  test('what a role is called says nothing of what its lamp is for: unsaid it is asked, and judged as nothing', async () => {
    const key = await lamp({ luxAtOneMetre: 1_000, dims: 'no', cri: 70 })
    const lit = async (job: string | null, code: string) => {
      const one = await see([lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 }, {}, { job })], {
        code,
        stage: { background: 'white', backdropMm: 1_000, daylight: 'none' },
      })
      return [one.isKnown('Key', 'job'), one.found.filter((it) => /white-grey|colour-poor|no-reserve/.test(it)).length]
    }
    expect(await lit(null, 'QA')).toEqual([false, 0])
    expect(await lit('key', 'QB')).toEqual([true, 3])
  })

  test('nought lux is no light that is known', async () => {
    const dark = await lamp({ luxAtOneMetre: 0, dims: 'no' })
    const one = await see([lightRole('Key', [dark], { distanceMm: 1_000 })], { stage: { daylight: 'none' } })
    expect(one.isKnown('Key', 'level')).toBe(false)
    expect(JSON.stringify(one.lines('scene'))).not.toMatch(/NaN|∞/)
  })
})
