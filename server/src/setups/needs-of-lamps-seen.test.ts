import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, lightRole, prime, useLooks } from './looks.fixture.ts'
import { makeDraft, type Thing, useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at both sides: enough and too little, known and not.
const quick = useQuickEntry()
const { call, tell } = quick
const { camera, lamp, bright, see, restart } = useLooks(quick)
beforeEach(restart)

describe('how lamps look, and where they are seen', () => {
  test('[G20.1] [G20.2] how large a source looks from there, beside how deep it is', async () => {
    const key = await bright()
    const dome = await tell('softbox', 'Dome', {}, { diameterMm: 1_200, frontToBackMm: 700, lossStops: 1 })
    const panel = await lamp({ luxAtOneMetre: 900, diameterMm: 600, frontToBackMm: 60 }, 'panel')
    const { says } = await see([
      lightRole('Key', [key, dome], { distanceMm: 1_000 }),
      lightRole('Fill', [panel], { distanceMm: 1_000 }),
    ])
    expect(says('Key', 'size')).toBe(`62° from there, the larger the softer; ${dome.tag} is 120 cm across, 70 cm deep.`)
    expect(says('Fill', 'size')).toBe(`33° from there, the larger the softer; ${panel.tag} is 60 cm across, 6 cm deep.`)
  })

  test('[G22.1] [S13.1] a grid before somebody with spectacles is told, and before nobody else', async () => {
    const key = await bright()
    const grid = await tell('modifier', 'Cells of cloth', {}, { lossStops: 1, grid: 'yes' })
    const lit = async (rest: object) =>
      (await see([lightRole('Key', [key, grid], { distanceMm: 1_200, sideDegrees: 45, heightMm: 1_900 })], rest)).of(
        'grid-in-spectacles',
      )
    expect(await lit({ code: 'QA', demands: ['spectacles'] })).toMatchObject([{ level: 'advise', grid: grid.tag }])
    expect(await lit({ code: 'QB' })).toEqual([])
  })

  test('[G22.1] who is booked decides: somebody who wears spectacles', async () => {
    const key = await bright()
    const { id } = await see([lightRole('Key', [key], { distanceMm: 1_200, sideDegrees: 10, heightMm: 1_300 })], {
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
          lightRole('Key', [lampThing], { distanceMm: 1_200, sideDegrees, heightMm: 1_200 }),
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

  test('a ring before somebody who is booked and wears spectacles is told as well', async () => {
    const rig = await camera(FULL, prime(50))
    const ring = await lamp({ luxAtOneMetre: 500, diameterMm: 400 }, 'ring-light')
    const { id } = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 2_000, heightMm: 1_200 }) },
        lightRole('Key', [ring], { distanceMm: 1_200, sideDegrees: 0, heightMm: 1_200 }),
      ],
      { stage: { posture: 'seated' } },
    )
    const person = await call('POST', '/people', {
      name: 'Wren Tallow',
      skills: [],
      note: '',
      contacts: [],
      traits: [{ trait: 'wears-spectacles', until: null, note: '' }],
      consent: { state: 'given', on: null, note: '' },
    })
    const booking = await call('POST', '/bookings', makeDraft({ setupId: id, personIds: [person.id] }))
    const { findings } = await call('GET', `/setups/${id}/readiness?bookingId=${booking.id}`)
    expect(findings.map((it: { code: string }) => it.code)).toContain('seen-in-spectacles')
  })

  test('[G26.1] the shadow of a head on what is behind: how much lower and to which side, and whether it is seen', async () => {
    const rig = await camera(FULL, prime(35))
    const key = await bright()
    const lit = (sideDegrees: number, heightMm: number, code: string) =>
      see(
        [
          { name: 'A camera', things: rig, rest: at({ distanceMm: 2_500 }) },
          lightRole('Key', [key], { distanceMm: 1_500, sideDegrees, heightMm }),
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
      see([lightRole('Background', [wall], { distanceMm, heightMm })], { code, stage: { background: 'white' } })
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
            lightRole('Key', [key], { distanceMm: 2_000, sideDegrees: 0, heightMm: 1_300 }),
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
            lightRole('Key', things, { distanceMm: 2_000, sideDegrees, heightMm: 1_300 }, { Level: level }),
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
