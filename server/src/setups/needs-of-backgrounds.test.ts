import { beforeEach, describe, expect, test } from 'vitest'
import { FULL, lightRole, prime, useLooks } from './looks.fixture.ts'
import { type RoleSketch, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call } = quick
const { camera, lamp, bright, see, restart } = useLooks(quick)
beforeEach(restart)

describe('what is behind', () => {
  test('[G10.1] [G10.2] [I16.1] white goes grey behind a lit face: how many stops less, and how much light is lacking', async () => {
    const key = await bright({ dims: 'no' })
    const white = (stage: object, code: string, more: RoleSketch[] = []) =>
      see([lightRole('Key', [key], { distanceMm: 1_000, sideDegrees: 0 }), ...more], {
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
    const lit = await white({}, 'QB', [lightRole('Background', [own], { distanceMm: 1_000 })])
    expect(lit.of('white-grey')).toEqual([])
    // A meter decides over any sum.
    expect((await white({ faceLux: 400, backgroundLux: 400 }, 'QC')).of('white-grey')).toEqual([])
    expect((await white({ daylight: null }, 'QD')).of('white-grey')).toMatchObject([{ level: 'advise' }])
  })

  test('[G24.1] [G24.2] a light that parts them is optional, and recommended where it is dark or near behind', async () => {
    const [key, rim] = [await bright(), await bright({ beamDegrees: 20 })]
    const lit = async (stage: object, code: string, more: RoleSketch[] = []) =>
      (await see([lightRole('Key', [key], { distanceMm: 1_000 }), ...more], { code, stage })).of('no-separation')
    expect(await lit({ background: 'dark' }, 'QA')).toMatchObject([{ level: 'advise', reason: 'dim' }])
    expect(await lit({ background: 'lit', backdropMm: 999 }, 'QB')).toMatchObject([{ reason: 'near' }])
    expect(await lit({ background: 'lit', backdropMm: 1_000 }, 'QC')).toEqual([])
    expect(await lit({ background: 'dark' }, 'QD', [lightRole('Hair', [rim], {})])).toEqual([])
    expect(await lit({}, 'QE')).toEqual([])
  })

  test('the background wants a light of its own, unless it is dark on purpose', async () => {
    const key = await bright()
    const lit = async (background: string | null, code: string, rest: object = {}) =>
      (await see([lightRole('Key', [key], { distanceMm: 1_000 })], { code, stage: { background, ...rest } })).of(
        'background-unlit',
      )
    expect(await lit('lit', 'QA')).toMatchObject([{ level: 'warn' }])
    expect(await lit('dark', 'QB')).toEqual([])
    expect(await lit('lit', 'QC', { daylight: 'overcast' })).toEqual([])
    expect(await lit(null, 'QD')).toMatchObject([{ level: 'advise' }])
    expect(await lit('lit', 'QE', { windows: 'relied' })).toEqual([])
    expect(await lit('lit', 'QF', { windows: 'shut' })).toHaveLength(1)
  })

  test('[G28.1] [G28.2] too near a green screen, and what is worn or shown that keying takes away', async () => {
    const key = await bright()
    const keyed = (stage: object, code: string) =>
      see([lightRole('Key', [key], { distanceMm: 1_000 })], { code, stage: { background: 'keyed', ...stage } })
    expect((await keyed({ backdropMm: 1_499 }, 'QA')).of('key-near')).toMatchObject([{ level: 'warn' }])
    expect((await keyed({ backdropMm: 1_500 }, 'QB')).of('key-near')).toEqual([])
    const worn = await keyed({ inPicture: ['shiny', 'green', 'lettered'] }, 'QC')
    expect(worn.of('key-eats')).toMatchObject([{ what: ['something green or see-through', 'something that shines'] }])
    const plain = await see([lightRole('Key', [key], {})], {
      code: 'QD',
      stage: { background: 'lit', inPicture: ['green'] },
    })
    expect(plain.of('key-eats')).toEqual([])
  })

  test('[G41.1] a background far below the face sinks into noise, unless it is meant', async () => {
    const key = await bright()
    const lit = async (backgroundLux: number, background: string, code: string) =>
      (
        await see([lightRole('Key', [key], { distanceMm: 1_000 })], {
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
      see([lightRole('Key', [key], {})], { code, stage: { background: 'keyed', readings: points(lux) } })
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
