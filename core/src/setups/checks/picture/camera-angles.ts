import { z } from 'zod'
import { circleFitSchema, findAngleOfView, findFrameWidth, fitImageCircle } from '../../../formulas/picture/framing.ts'
import type { Size } from '../../../studio/places/place.ts'
import { isItemOf, type PlacedItem, readChoice, readPositive } from '../../placed/placed-item.ts'
import type { Role } from '../../setup/setup.ts'
import { computeCarriedLoads } from '../rigging/carried-load.ts'
import { factOf, type Scene } from '../scene.ts'
/** One way to record, and what it leaves of the view. */
export const modeViewSchema = z.object({
  label: z.string(),
  isChosen: z.boolean(),
  activeWidthMm: z.number(),
  /** The widest that can be framed with the room's whole length before the lens; null where something is unknown. */
  widestInRoomMm: z.number().nullable(),
})
export type ModeView = z.infer<typeof modeViewSchema>

/** One camera of a setup: which angle it takes, with which lens, from where. Null is not recorded. */
export const cameraAngleSchema = z.object({
  roleId: z.string(),
  /** The angle, by the name of its role. */
  angle: z.string(),
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  lens: z
    .object({
      key: z.string(),
      tag: z.string(),
      name: z.string(),
    })
    .nullable(),
  focalMinMm: z.number().nullable(),
  focalMaxMm: z.number().nullable(),
  /** The one in use, where it is known. */
  focalMm: z.number().nullable(),
  /** What the role says, which the lens need not reach. */
  focalSetMm: z.number().nullable(),
  activeWidthMm: z.number().nullable(),
  distanceMm: z.number().nullable(),
  heightMm: z.number().nullable(),
  frameWidthMm: z.number().nullable(),
  viewDegrees: z.number().nullable(),
  circle: z.object({ ...circleFitSchema.shape, circleMm: z.number() }).nullable(),
  modes: z.array(modeViewSchema),
})
export type CameraAngle = z.infer<typeof cameraAngleSchema>
/** How much of a room's length a camera and whoever works it take up themselves. Common practice, from memory. */
export const BEHIND_CAMERA_MM = 500

/** Each camera of the setup with its lens, by what rides on it along the joints that were made. */
export function listCameraAngles(scene: Scene): CameraAngle[] {
  const { above } = factOf(scene, computeCarriedLoads)
  const roleOf = (item: PlacedItem | undefined) => scene.setup.roles.find((it) => it.id === item?.roleId)
  return scene.items.flatMap((item): CameraAngle[] => {
    const role = roleOf(item)
    if (!isItemOf(item, 'camera') || !role) return []
    const riders = (above.get(item.key) ?? []).flatMap((key) => scene.itemOf.get(key) ?? [])
    const lens = riders.find(({ category }) => category === 'lens')
    return [describeAngle(item, role, lens, roleOf(lens), scene.roomSize ?? null)]
  })
}

function describeAngle(
  camera: PlacedItem,
  role: Role,
  lens: PlacedItem | undefined,
  lensRole: Role | undefined,
  room: Size | null,
): CameraAngle {
  const glass = lens ?? camera
  // One figure is that of a prime; of a zoom the other end is not known by it.
  const isZoom = readChoice(glass, 'lensKind') === 'zoom'
  const focalMinMm = readPositive(glass, 'focalMinMm') ?? (isZoom ? null : readPositive(glass, 'focalMaxMm'))
  const focalMaxMm = readPositive(glass, 'focalMaxMm') ?? (isZoom ? null : focalMinMm)
  const set = role.position?.focalMm ?? lensRole?.position?.focalMm ?? null
  // What was set for another lens says nothing of this one.
  const isReached = set !== null && (focalMinMm === null || focalMinMm <= set) && set <= (focalMaxMm ?? set)
  const focalMm = isReached ? set : focalMinMm === focalMaxMm ? focalMinMm : null
  const sensorWidthMm = readPositive(camera, 'sensorWidthMm')
  const activeWidthMm = camera.recordingMode?.activeWidthMm ?? sensorWidthMm
  const distanceMm = role.position?.distanceMm ?? null
  const circleMm = lens ? readPositive(lens, 'imageCircleMm') : null
  const usedHeight = shrink(readPositive(camera, 'sensorHeightMm'), activeWidthMm, sensorWidthMm)
  return {
    roleId: role.id,
    angle: role.name,
    unitId: camera.key,
    tag: camera.tag,
    name: camera.name,
    lens: lens ? { key: lens.key, tag: lens.tag, name: lens.name } : null,
    focalMinMm,
    focalMaxMm,
    focalMm,
    focalSetMm: set,
    activeWidthMm,
    distanceMm,
    heightMm: role.position?.heightMm ?? null,
    frameWidthMm:
      activeWidthMm !== null && focalMm !== null && distanceMm !== null
        ? findFrameWidth(activeWidthMm, focalMm, distanceMm)
        : null,
    viewDegrees: activeWidthMm !== null && focalMm !== null ? findAngleOfView(activeWidthMm, focalMm) : null,
    circle:
      circleMm !== null && activeWidthMm !== null && usedHeight !== null
        ? { circleMm, ...fitImageCircle(circleMm, activeWidthMm, usedHeight) }
        : null,
    modes: listModes(camera, sensorWidthMm, focalMinMm, room),
  }
}

/** A mode that uses less of the width uses less of the height in the same measure. */
function shrink(heightMm: number | null, activeMm: number | null, widthMm: number | null): number | null {
  return heightMm === null || activeMm === null || widthMm === null ? null : (heightMm * activeMm) / widthMm
}

function listModes(
  thing: PlacedItem,
  sensorWidthMm: number | null,
  shortestMm: number | null,
  room: Size | null,
): ModeView[] {
  return thing.recordingModes.flatMap((mode): ModeView[] => {
    const activeWidthMm = mode.activeWidthMm ?? sensorWidthMm
    if (activeWidthMm === null) return []
    const widestInRoomMm = room && shortestMm !== null ? findWidestInRoom(activeWidthMm, shortestMm, room) : null
    return [{ label: mode.label, isChosen: mode === thing.recordingMode, activeWidthMm, widestInRoomMm }]
  })
}

/** Looking along the one side or the other: no picture is wider than the wall that it ends at. */
function findWidestInRoom(activeWidthMm: number, focalMm: number, { widthMm, depthMm }: Size): number | null {
  const along = (length: number, across: number) =>
    Math.min(findFrameWidth(activeWidthMm, focalMm, length - BEHIND_CAMERA_MM) ?? 0, across)
  return Math.max(along(widthMm, depthMm), along(depthMm, widthMm)) || null
}
