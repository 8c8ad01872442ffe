import type { Plan } from '@exemplar/core'
import { beforeEach, describe, expect, test } from 'vitest'
import { at, FULL, prime, useLooks } from './looks.fixture.ts'
import { useQuickEntry } from './quick-entry.fixture.ts'

// Each by somebody who starts from nothing, enters things the quick way, and looks at the plan that comes of it.
const quick = useQuickEntry()
const { call, tell, add } = quick
const { camera, lamp, see, restart } = useLooks(quick)
beforeEach(restart)

const planOf = async (id: string): Promise<Plan> => (await call('GET', `/setups/${id}/picture-and-light`)).plan

describe('the set from above', () => {
  test('[Q07.1] a plan with distances: everything where it was measured, and what cannot be drawn with what is missing', async () => {
    const rig = await camera(FULL, prime(50))
    const [key, rim, wall] = [
      await lamp({ luxAtOneMetre: 1_000, beamDegrees: 60 }),
      await lamp({ luxAtOneMetre: 900 }),
      await lamp({ luxAtOneMetre: 800 }),
    ]
    const tripod = await tell('tripod', 'Legs', { loadGrams: 8_000 }, { legRadiusMm: 560 })
    const roll = await add('backdrop', 'Roll', { widthMinMm: 2_720 })
    const placeId = (
      await call('POST', '/places', {
        parentId: null,
        name: 'Studio',
        kind: 'room',
        note: '',
        circuits: [],
        details: { size: { widthMm: 4_000, depthMm: 6_000, heightMm: 2_600 } },
      })
    ).id
    const { id } = await see(
      [
        { name: 'A camera', things: [...rig, tripod], rest: at({ distanceMm: 2_000 }) },
        { name: 'Key', things: [key], rest: at({ distanceMm: 1_000, sideDegrees: -90 }) },
        { name: 'Background', things: [wall], rest: at({ distanceMm: 1_000, sideDegrees: 0 }) },
        { name: 'Rim', things: [rim], rest: at({ distanceMm: 1_500 }) },
        { name: 'Backdrop', things: [roll] },
      ],
      { placeId, stage: { backdropMm: 1_500 } },
    )
    const plan = await planOf(id)
    const place = (tag: string) => {
      const it = plan.things.find((own) => own.tag === tag)
      return it && [Math.round(it.xMm), Math.round(it.yMm)]
    }
    expect(place(rig[0].tag)).toEqual([0, 2_000])
    // Left as the camera sees it is left in the plan; what is for the background is counted from there.
    expect(place(key.tag)).toEqual([-1_000, 0])
    expect(place(wall.tag)).toEqual([0, -500])
    expect(plan.unplaced).toEqual([{ tag: rim.tag, role: 'Rim', lacks: ['to which side it stands'] }])
    expect(plan).toMatchObject({
      room: { depthMm: 6_000, widthMm: 4_000, isStated: false },
      backdropMm: 1_500,
      backdrop: { tag: roll.tag, widthMm: 2_720 },
    })
    expect(plan.things.find((it) => it.tag === rig[0].tag)?.legsMm).toBe(560)
    expect(plan.things.find((it) => it.tag === key.tag)).toMatchObject({ spreadDegrees: 60, distanceMm: 1_000 })
  })

  test('[I07.1] what is right is what the camera sees: its picture with the edges of the backdrop in it', async () => {
    const rig = await camera(FULL, prime(50))
    const roll = await add('backdrop', 'Roll', { widthMinMm: 1_620 })
    const { id } = await see(
      [
        { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000 }) },
        { name: 'Backdrop', things: [roll] },
      ],
      { stage: { backdropMm: 1_500, posture: 'seated' } },
    )
    // 3.24 m are seen there, of which 1.62 m are filled.
    expect((await planOf(id)).frames).toMatchObject([
      {
        roleId: 'r0',
        tag: rig[0].tag,
        widthMm: 2_124,
        backdropShare: 0.5,
        backdropTag: roll.tag,
        posture: 'seated',
      },
    ])
  })
})
