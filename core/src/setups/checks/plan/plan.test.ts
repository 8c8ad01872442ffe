import { describe, expect, test } from 'vitest'
import { makeDice } from '../../../laws/law-cases.fixture.ts'
import type { CameraLook } from '../picture/camera-look.ts'
import { findNearestWall, measureRun, type Stand, toRoom } from '../picture/stand.ts'
import { listWallsSeen } from '../picture/walls-seen.ts'
import { findView, project } from './in-picture.ts'
import { moveTo, type PlanThing, placeAt, turn } from './planned.ts'

const SIZE = { widthMm: 4_000, depthMm: 6_000, heightMm: 2_600 }
const looking = (part: object) =>
  ({ role: { position: null }, heightMm: null, isAbove: false, ...part }) as unknown as CameraLook

describe('how they stand in a room', () => {
  test('facing 0 the camera is towards the front wall, 90 towards the left, 180 the back, 270 the right', () => {
    const faces = (facesDegrees: number) => {
      const at = toRoom({ size: SIZE, xMm: 2_000, yMm: 3_000, facesDegrees }, { xMm: 0, yMm: 1_000 })
      return [Math.round(at.xMm), Math.round(at.yMm)]
    }
    expect([0, 90, 180, 270].map(faces)).toEqual([
      [2_000, 2_000],
      [1_000, 3_000],
      [2_000, 4_000],
      [3_000, 3_000],
    ])
  })

  test('the way to the walls behind and before them, straight and into a corner', () => {
    const run = (facesDegrees: number) => measureRun({ size: SIZE, xMm: 2_000, yMm: 3_500, facesDegrees })
    expect(run(0)).toEqual({ behind: { wall: 'back', mm: 2_500 }, before: { wall: 'front', mm: 3_500 } })
    expect(run(90)).toEqual({ behind: { wall: 'right', mm: 2_000 }, before: { wall: 'left', mm: 2_000 } })
    // 2 m to the right wall at 45° are 2 · √2 m of way.
    expect(run(45).behind).toEqual({ wall: 'right', mm: 2_828.427 })
  })

  test('the walls in a picture are those that rays through its points meet, on 300 seeded views', () => {
    const dice = makeDice(11)
    for (let n = 0; n < 300; n += 1) {
      const stand: Stand = {
        size: SIZE,
        xMm: 500 + dice.upTo(3_000),
        yMm: 500 + dice.upTo(5_000),
        facesDegrees: dice.upTo(359),
      }
      const sideDegrees = dice.upTo(160) - 80
      const look = looking({
        distanceMm: 300 + dice.upTo(2_500),
        viewDegrees: 15 + dice.upTo(90),
        role: { position: { sideDegrees } },
      })
      const seen = listWallsSeen(stand, look)
      const side = (sideDegrees * Math.PI) / 180
      const distance = look.distanceMm ?? 0
      const lens = toRoom(stand, { xMm: distance * Math.sin(side), yMm: distance * Math.cos(side) })
      if (findNearestWall(SIZE, lens).mm < 0) {
        expect(seen).toEqual([])
        continue
      }
      expect([seen[0]?.from, seen.at(-1)?.to]).toEqual([0, 1])
      for (const share of [0.05, 0.2, 0.35, 0.5, 0.65, 0.8, 0.95]) {
        // A ray is turned away from the axis by an angle: clockwise is to the right of the picture, seen from above.
        const off = Math.atan((share * 2 - 1) * Math.tan(((look.viewDegrees ?? 0) * Math.PI) / 360))
        const axis = Math.atan2(stand.yMm - lens.yMm, stand.xMm - lens.xMm)
        const hit = castRay(lens, axis - off)
        const told = seen.find((it) => it.from <= share && share <= it.to)?.wall
        expect([n, share, told]).toEqual([n, share, hit])
      }
    }
  })
})

/** Marches along a ray in steps of a millimetre until it leaves the room. */
function castRay(from: { xMm: number; yMm: number }, angle: number) {
  for (let way = 0; way < 12_000; way += 1) {
    const [x, y] = [from.xMm + way * Math.cos(angle), from.yMm + way * Math.sin(angle)]
    if (x < 0) return 'left'
    if (x > SIZE.widthMm) return 'right'
    if (y < 0) return 'front'
    if (y > SIZE.depthMm) return 'back'
  }
  return null
}

describe('what comes into a picture', () => {
  test('it lies where a pinhole of its own projects it, on 500 seeded points', () => {
    const dice = makeDice(12)
    for (let n = 0; n < 500; n += 1) {
      const sideDegrees = dice.upTo(120) - 60
      const distanceMm = 1_000 + dice.upTo(3_000)
      const frameWidthMm = 500 + dice.upTo(2_500)
      const [eyeMm, heightMm] = [1_000 + dice.upTo(700), 800 + dice.upTo(1_400)]
      const look = looking({ distanceMm, frameWidthMm, heightMm, role: { position: { sideDegrees } } })
      const view = findView(look, eyeMm)
      if (!view) throw new Error('no view')
      const point = { x: dice.upTo(3_000) - 1_500, y: dice.upTo(2_000) - 1_200, z: 600 + dice.upTo(1_800) }
      const found = project(view, point)
      if (found.depthMm <= 50) continue
      // Turned until the axis lies along one direction: first about the upright, then about the level one.
      const side = (sideDegrees * Math.PI) / 180
      const aimZ = eyeMm - (frameWidthMm * 9) / 16 / 6
      const relative = { x: point.x - distanceMm * Math.sin(side), y: point.y - distanceMm * Math.cos(side) }
      const across = relative.x * Math.cos(side) - relative.y * Math.sin(side)
      const away = -(relative.x * Math.sin(side) + relative.y * Math.cos(side))
      const tilt = Math.atan2(aimZ - heightMm, distanceMm)
      const rise = point.z - heightMm
      const depth = away * Math.cos(tilt) + rise * Math.sin(tilt)
      const up = rise * Math.cos(tilt) - away * Math.sin(tilt)
      const half = (frameWidthMm / 2 / Math.hypot(distanceMm, aimZ - heightMm)) * depth
      expect(found.depthMm).toBeCloseTo(depth, 6)
      expect(found.x).toBeCloseTo(across / half, 6)
      expect(found.y).toBeCloseTo(up / (half * (9 / 16)), 6)
    }
  })
})

describe('things moved by hand', () => {
  const THING: PlanThing = {
    key: 't',
    roleId: 'r',
    tag: 'T',
    kind: 'lamp',
    xMm: 0,
    yMm: 1_000,
    atXMm: 0,
    atYMm: 0,
    heightMm: null,
    aboveMm: 0,
    spreadDegrees: null,
    legsMm: null,
    distanceMm: 1_000,
    isAlone: true,
  }

  test('where it is put is written as on tape: to 5 cm and a degree, left below nothing', () => {
    expect(placeAt(THING, { xMm: 0, yMm: 1_512 }, 0)).toEqual({ distanceMm: 1_500, sideDegrees: 0 })
    expect(placeAt(THING, { xMm: -1_000, yMm: 1_000 }, 0)).toEqual({ distanceMm: 1_400, sideDegrees: -45 })
    // The same beside somebody who faces the left wall: all of it turned by a quarter.
    expect(placeAt(THING, turn({ xMm: -1_000, yMm: 1_000 }, 90), 90)).toEqual({ distanceMm: 1_400, sideDegrees: -45 })
    // A lamp 60 cm above the eyes is further away than it looks from above: √(800² + 600²).
    expect(placeAt({ ...THING, aboveMm: 600 }, { xMm: 0, yMm: 800 }, 0)).toEqual({ distanceMm: 1_000, sideDegrees: 0 })
    expect(placeAt(THING, { xMm: 0, yMm: 1 }, 0).distanceMm).toBe(50)
  })

  test('what is written is drawn where it was written, on 500 seeded places', () => {
    const dice = makeDice(13)
    for (let n = 0; n < 500; n += 1) {
      const turned = dice.upTo(359)
      const thing = { ...THING, aboveMm: dice.upTo(400), atXMm: dice.upTo(100), atYMm: -dice.upTo(2_000) }
      const place = { distanceMm: 500 + dice.upTo(80) * 50, sideDegrees: dice.upTo(358) - 179 }
      const moved = moveTo(thing, place, turned)
      expect([n, placeAt(moved, moved, turned)]).toEqual([n, place])
    }
  })
})
