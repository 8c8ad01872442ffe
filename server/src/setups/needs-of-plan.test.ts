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

  const SIZE = { widthMm: 4_000, depthMm: 6_000, heightMm: 2_600 }
  const addStudio = async (details: object = {}, name = 'Studio') =>
    (
      await call('POST', '/places', {
        parentId: null,
        name,
        kind: 'room',
        note: '',
        circuits: [],
        details: { size: SIZE, ...details },
      })
    ).id
  const inRoom = (
    inPlaceId: string,
    fromLeftMm: number,
    fromFrontMm: number,
    facesDegrees: number,
    rest: object = {},
  ) => ({
    stage: { inPlaceId, fromLeftMm, fromFrontMm, facesDegrees, posture: 'seated', ...rest },
  })

  test('[I20.1] two walls and their corner: they turn in the room, and everything turns with them', async () => {
    const rig = await camera(FULL, prime(24))
    const placeId = await addStudio()
    const look = async (facesDegrees: number, code: string, rest: object = {}) => {
      const one = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) }], {
        code,
        placeId,
        ...inRoom(placeId, 2_000, 3_500, facesDegrees, rest),
      })
      return { ...one, plan: await planOf(one.id) }
    }
    const straight = await look(0, 'QA')
    expect(straight.plan).toMatchObject({ turnedDegrees: 0, room: { leftMm: -2_000, topMm: -2_500, isStated: true } })
    const place = ({ plan }: { plan: Plan }) => [
      Math.round(plan.things[0]?.xMm ?? 0),
      Math.round(plan.things[0]?.yMm ?? 0),
    ]
    expect(place(straight)).toEqual([0, 2_000])
    // Facing the left wall the camera is to the left of them, and looks at the right wall.
    const left = await look(90, 'QB')
    expect(place(left)).toEqual([-2_000, 0])
    expect(left.says('A camera', 'walls')).toBe(
      'The back wall over 8 %, the right wall over 92 % of the width, from left to right; the corner is at 8 %.',
    )
    // From 3.5 m before it 24 mm on 36 mm see 6.75 m at 4.5 m: the back wall of 4 m and a piece of both others.
    expect(straight.says('A camera', 'walls')).toBe(
      'The left wall over 20 %, the back wall over 59 %, the right wall over 20 % of the width, from left to right; the corners are at 20 % and 80 %.',
    )
    const corner = await look(45, 'QC')
    // Into the corner of back and right: as far to the one side as to the other, where the room is as deep as they are from it.
    expect(corner.plan.frames[0]?.walls.map((it) => it.wall)).toEqual(['back', 'right'])
    // Said of one room it says nothing of another.
    const other = await addStudio({}, 'Other')
    const check = await call('GET', `/setups/${corner.id}/move-check?placeId=${other}`)
    expect(check.change.added).toEqual([])
    const elsewhere = await look(45, 'QF', { inPlaceId: other })
    expect([elsewhere.plan.room?.isStated, elsewhere.says('A camera', 'walls')]).toEqual([false, null])
    // Nobody said how they stand: the plan says so, and nothing of walls.
    const open = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) }], {
      code: 'QD',
      placeId,
    })
    expect([(await planOf(open.id)).room?.isStated, open.says('A camera', 'walls')]).toEqual([false, null])
  })

  test('[I20.1] what stands in a wall is told with how far, and at the limit it goes', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 1_000 })
    const placeId = await addStudio()
    const look = async (stage: object, roles: object[], code: string) => {
      const one = await see(roles as never, {
        code,
        placeId,
        stage: { posture: 'seated', inPlaceId: placeId, ...stage },
      })
      const codes = ['in-wall', 'camera-at-wall', 'background-in-wall', 'stand-outside', 'room-shallow', 'beyond-room']
      return codes.flatMap((it) => one.of(it))
    }
    const A = (distanceMm: number) => ({ name: 'A camera', things: rig, rest: at({ distanceMm }) })
    const at2 = (fromLeftMm: number, fromFrontMm: number, facesDegrees: number) => ({
      fromLeftMm,
      fromFrontMm,
      facesDegrees,
    })
    // Half a metre behind the camera is wanted: 2.5 m before them is just enough for 2 m.
    expect(await look(at2(2_000, 2_500, 0), [A(2_000)], 'QA')).toEqual([])
    expect(await look(at2(2_000, 2_499, 0), [A(2_000)], 'QB')).toMatchObject([
      { code: 'camera-at-wall', wall: 'front', haveMm: 499 },
    ])
    // The bare wall behind them needs nothing; 1 mm more is in it.
    expect(await look({ ...at2(2_000, 4_000, 0), backdropMm: 2_000 }, [A(2_000)], 'QC')).toEqual([])
    expect(await look({ ...at2(2_000, 4_000, 0), backdropMm: 2_001 }, [A(2_000)], 'QD')).toMatchObject([
      { code: 'background-in-wall', wall: 'back', wantedMm: 2_001, haveMm: 2_000, forwardMm: 1 },
    ])
    // A roll on its support wants 30 cm more.
    const roll = await add('backdrop', 'Roll', { widthMinMm: 2_720 })
    const rolled = { name: 'Backdrop', things: [roll] }
    expect(await look({ ...at2(2_000, 4_000, 0), backdropMm: 1_701 }, [A(2_000), rolled], 'QF')).toMatchObject([
      { code: 'background-in-wall', wantedMm: 2_001 },
    ])
    // Facing the side the room is 4 m long: told once, of the room.
    expect(await look({ ...at2(2_000, 3_000, 90), backdropMm: 1_600 }, [A(2_000)], 'QG')).toMatchObject([
      { code: 'room-shallow', roomMm: 4_000, wantedMm: 4_100 },
    ])
    const lit = (distanceMm: number) => ({
      name: 'Key',
      things: [key],
      rest: at({ distanceMm, sideDegrees: -90 }),
    })
    expect(await look(at2(1_000, 3_000, 0), [lit(1_000)], 'QH')).toEqual([])
    expect(await look(at2(1_000, 3_000, 0), [lit(1_001)], 'QI')).toMatchObject([{ code: 'in-wall', wall: 'left' }])
    expect(await look(at2(4_200, 3_000, 0), [lit(1_000)], 'QJ')).toMatchObject([{ code: 'stand-outside', overMm: 200 }])
  })

  test('[Q07.1] doors, windows and what is in the way are in the plan where somebody said where they are', async () => {
    const rig = await camera(FULL, prime(50))
    const opening = { name: 'Door', widthMm: 900, heightMm: 2_000 }
    const placeId = await addStudio({
      doors: [
        { id: 'd1', ...opening, wall: 'left', fromMm: 400 },
        { id: 'd2', ...opening },
      ],
      fixtures: [
        { id: 'f1', name: 'Pillar', kind: 'obstacle', kelvin: null, canSwitchOff: false, note: '', xMm: 900, yMm: 0 },
      ],
    })
    const { id } = await see([{ name: 'A camera', things: rig, rest: at({ distanceMm: 2_000 }) }], {
      placeId,
      ...inRoom(placeId, 2_000, 3_500, 0),
    })
    expect(await planOf(id)).toMatchObject({
      openings: [{ id: 'd1', wall: 'left', fromMm: 400, widthMm: 900 }],
      fixtures: [{ name: 'Pillar', xMm: 900, yMm: 0 }],
    })
  })

  test('a camera that hangs above stands nowhere on the floor; where that is open, it is asked', async () => {
    const rig = await camera(FULL, prime(50))
    const look = async (looksDown: boolean | null, code: string) => {
      const { id } = await see(
        [
          {
            name: 'A camera',
            things: rig,
            rest: at({ distanceMm: 900, ...(looksDown === null ? {} : { looksDown }) }),
          },
        ],
        { code, purposeKind: 'top-down' },
      )
      const { things, unplaced } = await planOf(id)
      return [things.length, ...unplaced.flatMap((it) => it.lacks)]
    }
    expect(await look(true, 'QA')).toEqual([0, 'it hangs above and looks down'])
    expect(await look(null, 'QB')).toEqual([0, 'whether it hangs above and looks down'])
    expect(await look(false, 'QC')).toEqual([1])
  })

  test('a lamp or a microphone in the picture is told; above it, hidden or meant it is not', async () => {
    const rig = await camera(FULL, prime(50))
    const key = await lamp({ luxAtOneMetre: 1_000, diameterMm: 200 })
    const boom = await add('shotgun', 'Boom')
    const A = { name: 'A camera', things: rig, rest: at({ distanceMm: 3_000, heightMm: 1_200 }) }
    const look = async (role: object, code: string, stage: object = {}) => {
      const one = await see([A, role] as never, { code, stage: { posture: 'seated', ...stage } })
      return one.of('in-picture')
    }
    // 50 mm on 36 mm at 3 m: 2.12 m across and 1.19 m high, a third of it, 40 cm, above the eyes at 1.2 m.
    const mic = (heightMm: number) => ({
      name: 'Boom',
      things: [boom],
      rest: at({ distanceMm: heightMm - 1_200, heightMm }),
    })
    expect(await look(mic(1_650), 'QA')).toEqual([])
    expect(await look(mic(1_550), 'QB')).toMatchObject([{ tag: boom.tag, camera: rig[0].tag, edge: 'above' }])
    const lit = (sideDegrees: number, heightMm: number | null, job: string) => ({
      name: 'Lamp',
      things: [key],
      rest: at({ distanceMm: 1_500, sideDegrees, heightMm }, {}, { job }),
    })
    expect(await look(lit(180, 1_500, 'separation'), 'QC')).toHaveLength(1)
    expect(await look(lit(180, 1_500, 'accent'), 'QD')).toEqual([])
    // Low behind the body it is hidden; far to the side it is not seen.
    expect(await look(lit(180, 900, 'separation'), 'QF')).toEqual([])
    expect(await look(lit(90, 1_500, 'key'), 'QG')).toEqual([])
    // Without heights nobody knows.
    expect(await look(lit(180, null, 'separation'), 'QH')).toEqual([])
    expect(await look(lit(180, 1_500, 'separation'), 'QI', { posture: null })).toEqual([])
  })
})
