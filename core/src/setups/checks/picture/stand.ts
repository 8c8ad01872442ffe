import { radians } from '../../../formulas/light/fall-off.ts'
import { type Size, WALL_CODES, type Wall } from '../../../studio/places/place.ts'
import type { Scene } from '../scene.ts'

/** A point of the floor, in millimetres. In the room: from its left wall and from its front wall. Around the person: to the camera's right and towards it. */
export interface FloorPoint {
  xMm: number
  yMm: number
}

/** Where in the room whoever is filmed is, and which way they face. */
export interface Stand extends FloorPoint {
  size: Size
  /** Clockwise from the front wall, as the plan is drawn: 90 faces the left wall. */
  facesDegrees: number
}

/** Null where nobody said it of the room that is judged, or nobody measured that. */
export function findStand({ setup: { stage, placeId }, roomSize, where }: Scene): Stand | null {
  const { fromLeftMm, fromFrontMm, facesDegrees, inPlaceId } = stage
  const isHere = inPlaceId === (where ? where.placeId : placeId)
  return isHere && roomSize && fromLeftMm !== null && fromFrontMm !== null && facesDegrees !== null
    ? { size: roomSize, xMm: fromLeftMm, yMm: fromFrontMm, facesDegrees }
    : null
}

/** What is said around the person, in the room. */
export function toRoom({ xMm, yMm, facesDegrees }: Stand, point: FloorPoint): FloorPoint {
  const [sine, cosine] = [Math.sin(radians(facesDegrees)), Math.cos(radians(facesDegrees))]
  return { xMm: xMm + point.xMm * cosine - point.yMm * sine, yMm: yMm - point.xMm * sine - point.yMm * cosine }
}

/** How far inside each wall a point of the room is; below nothing it lies beyond. */
export function measureToWalls({ widthMm, depthMm }: Size, { xMm, yMm }: FloorPoint): Record<Wall, number> {
  return { front: yMm, left: xMm, back: depthMm - yMm, right: widthMm - xMm }
}

/** The wall that a point is nearest to, and how near. */
export function findNearestWall(size: Size, point: FloorPoint): { wall: Wall; mm: number } {
  const to = measureToWalls(size, point)
  return WALL_CODES.map((wall) => ({ wall, mm: to[wall] })).reduce((near, it) => (it.mm < near.mm ? it : near))
}

/** On which wall one looks from a point inside the room towards another point, and how far away that is. */
export function findWallTowards(size: Size, from: FloorPoint, to: FloorPoint): { wall: Wall; mm: number } {
  const way = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm)
  const [dx, dy] = [(to.xMm - from.xMm) / way, (to.yMm - from.yMm) / way]
  const reach = measureToWalls(size, from)
  const towards: Record<Wall, number> = { front: -dy, left: -dx, back: dy, right: dx }
  const hits = WALL_CODES.filter((wall) => towards[wall] > 1e-9).map((wall) => ({
    wall,
    // To a thousandth of a millimetre: what just goes into a room turned askew goes into it.
    mm: Math.round((reach[wall] / towards[wall]) * 1000) / 1000,
  }))
  return hits.reduce((near, it) => (it.mm < near.mm ? it : near))
}

/** From the person straight behind them, and straight before them, to the walls. */
export function measureRun(stand: Stand): { behind: { wall: Wall; mm: number }; before: { wall: Wall; mm: number } } {
  const towards = (yMm: number) => findWallTowards(stand.size, stand, toRoom(stand, { xMm: 0, yMm }))
  return { behind: towards(-1000), before: towards(1000) }
}

/** How long the room is along the line from camera to background: the way they face, or its longer side where nobody said. */
export function findRun(scene: Scene): { roomMm: number; isStated: boolean } | null {
  const { roomSize } = scene
  if (!roomSize) return null
  const stand = findStand(scene)
  if (!stand || !isInside(stand.size, stand))
    return { roomMm: Math.max(roomSize.widthMm, roomSize.depthMm), isStated: false }
  const { behind, before } = measureRun(stand)
  return { roomMm: behind.mm + before.mm, isStated: true }
}

/** Whether whoever is filmed is inside the room at all. */
export const isInside = (size: Size, point: FloorPoint): boolean => findNearestWall(size, point).mm >= 0
