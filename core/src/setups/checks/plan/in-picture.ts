import { z } from 'zod'
import { readPositive } from '../../placed/placed-item.ts'
import { listLampLooks, readEyeHeight } from '../light/lamp-look.ts'
import type { CameraLook } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { listPlanned, type PlanThing } from './planned.ts'

export const inPictureSchema = z.object({
  key: z.string(),
  roleId: z.string(),
  tag: z.string(),
  kind: z.enum(['lamp', 'microphone']),
  /** Of half the width to the right, and of half the height upwards, from the middle: within one it is in the picture. */
  x: z.number(),
  /** Null where nobody said how high it, the eyes or the lens are. */
  y: z.number().nullable(),
  /** Half its size as it is drawn, in half widths; nothing where its size is not known. */
  radius: z.number(),
  /** Whether any of it is in the picture; null where that hangs on a height nobody said. */
  isIn: z.boolean().nullable(),
  /** How far it is from the edge of the picture, where it is; below nothing so far inside. Null where that is open. */
  clearMm: z.number().nullable(),
  /** Over which edge it lies, or would leave soonest. */
  edge: z.enum(['above', 'below', 'left', 'right']).nullable(),
  /** Behind whoever is filmed, as the camera sees it. */
  isHidden: z.boolean(),
})
export type InPicture = z.infer<typeof inPictureSchema>

/** A picture is 16 wide to 9 high. */
const ASPECT = 9 / 16
/** A body hides so much to each side of its middle, up to so far below the eyes. Common practice, from memory. */
const BODY_HALF_MM = 225
const CHIN_BELOW_MM = 130

interface Point {
  x: number
  y: number
  z: number
}
const dot = (a: Point, b: Point) => a.x * b.x + a.y * b.y + a.z * b.z
const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z })
const cross = (a: Point, b: Point): Point => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
})
const unit = (a: Point): Point => {
  const length = Math.sqrt(dot(a, a))
  return { x: a.x / length, y: a.y / length, z: a.z / length }
}

export interface View {
  /** Right, up and along, all of them one long. */
  right: Point
  up: Point
  along: Point
  lens: Point
  /** Half of the picture across for each millimetre along. */
  halfPerMm: number
}

/**
 * How a camera looks at the person: aimed so that the eyes lie on the upper third. Null where a figure is missing; without heights it
 * is level with the eyes.
 */
export function findView(look: CameraLook, eyeMm: number | null): View | null {
  const { distanceMm, frameWidthMm, role, heightMm, isAbove } = look
  if (distanceMm === null || distanceMm === 0 || frameWidthMm === null || isAbove !== false) return null
  const side = ((role.position?.sideDegrees ?? 0) * Math.PI) / 180
  const eyes = eyeMm ?? 0
  const lens = {
    x: distanceMm * Math.sin(side),
    y: distanceMm * Math.cos(side),
    z: eyeMm === null || heightMm === null ? eyes : heightMm,
  }
  const aim = { x: 0, y: 0, z: eyes - (frameWidthMm * ASPECT) / 6 }
  const way = minus(aim, lens)
  const along = unit(way)
  // Right, towards the camera and up are left-handed: the products go the other way round.
  const right = unit(cross({ x: 0, y: 0, z: 1 }, along))
  return { lens, along, right, up: cross(along, right), halfPerMm: frameWidthMm / 2 / Math.sqrt(dot(way, way)) }
}

/** Where a point is drawn, in halves of the width and of the height from the middle, and how far along the axis it lies. */
export function project(
  { lens, along, right, up, halfPerMm }: View,
  point: Point,
): { x: number; y: number; depthMm: number } {
  const from = minus(point, lens)
  const depthMm = dot(from, along)
  const half = halfPerMm * depthMm
  return { x: dot(from, right) / half, y: dot(from, up) / (half * ASPECT), depthMm }
}

/** Lamps and microphones as a camera sees them: in its picture, or how far from its edge. What is behind the camera is left out. */
export function listInPicture(look: CameraLook, scene: Scene): InPicture[] {
  const eyes = readEyeHeight(scene.setup)
  const isLevelKnown = eyes !== null && look.heightMm !== null
  const view = findView(look, eyes?.eyeMm ?? null)
  if (!view) return []
  return factOf(scene, listPlanned).placed.flatMap((it): InPicture[] => {
    const { kind } = it
    if (kind === 'camera') return []
    const isHigh = isLevelKnown && it.heightMm !== null
    const at = project(view, { x: it.xMm, y: it.yMm, z: it.heightMm !== null && eyes ? it.heightMm : view.lens.z })
    if (at.depthMm <= 0) return []
    return [describe({ ...it, kind }, at, isHigh, findRadius(it, scene), view, look)]
  })
}

const findRadius = ({ key }: PlanThing, scene: Scene): number => {
  const lamp = factOf(scene, listLampLooks).find((it) => it.lamp.key === key)
  const item = scene.itemOf.get(key)
  return ((lamp ? lamp.diameterMm : item && readPositive(item, 'diameterMm')) ?? 0) / 2
}

function describe(
  { key, roleId, tag, kind }: Pick<InPicture, 'key' | 'roleId' | 'tag' | 'kind'>,
  at: { x: number; y: number; depthMm: number },
  isHigh: boolean,
  radiusMm: number,
  view: View,
  { distanceMm }: CameraLook,
): InPicture {
  const half = view.halfPerMm * at.depthMm
  const beyondX = (Math.abs(at.x) - 1) * half - radiusMm
  const beyondY = (Math.abs(at.y) - 1) * half * ASPECT - radiusMm
  const y = isHigh ? at.y : null
  const isBeside = beyondX >= 0
  const isIn = isBeside ? false : isHigh ? beyondY < 0 : null
  const clearMm = isBeside && !isHigh ? beyondX : isHigh ? Math.max(beyondX, beyondY) : null
  const isOverSide = clearMm !== null && (!isHigh || beyondX >= beyondY)
  const side = at.x < 0 ? 'left' : 'right'
  const end = at.y < 0 ? 'below' : 'above'
  // Behind the body as it is drawn: what lies further away is drawn smaller.
  const scale = distanceMm === null ? 0 : distanceMm / at.depthMm
  const asideMm = Math.abs(at.x) * half * scale
  const belowAimMm = -at.y * half * ASPECT * scale
  const frameSixthMm = (view.halfPerMm * (distanceMm ?? 0) * 2 * ASPECT) / 6
  const isHidden =
    isHigh &&
    scale < 1 &&
    asideMm + radiusMm * scale <= BODY_HALF_MM &&
    belowAimMm - radiusMm * scale >= CHIN_BELOW_MM - frameSixthMm
  return {
    key,
    roleId,
    tag,
    kind,
    x: at.x,
    y,
    radius: radiusMm / half,
    isIn,
    clearMm,
    edge: clearMm === null ? null : isOverSide ? side : end,
    isHidden,
  }
}
