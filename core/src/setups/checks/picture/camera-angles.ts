import { type CircleFit, findAngleOfView, findFrameWidth, fitImageCircle } from '../../../formulas/picture/framing.ts'
import { isKindOf } from '../../../kit/model/category.ts'
import type { Model } from '../../../kit/model/model.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Size } from '../../../studio/places/place.ts'
import type { Holdings, PlacedItem } from '../../placed/placed-item.ts'
import type { NewSetup, Role } from '../../setup/setup.ts'

/** One way to record, and what it leaves of the view. */
export interface ModeView {
  label: string
  isChosen: boolean
  activeWidthMm: number
  /** The widest that can be framed with the room's whole length before the lens; null where something is unknown. */
  widestInRoomMm: number | null
}

/** One camera of a setup: which angle it takes, with which lens, from where. Null is not recorded. */
export interface CameraAngle {
  roleId: string
  /** The angle, by the name of its role. */
  angle: string
  unitId: string
  tag: string
  name: string
  lens: { tag: string; name: string } | null
  focalMinMm: number | null
  focalMaxMm: number | null
  /** The one in use, where it is known. */
  focalMm: number | null
  activeWidthMm: number | null
  distanceMm: number | null
  heightMm: number | null
  frameWidthMm: number | null
  viewDegrees: number | null
  circle: (CircleFit & { circleMm: number }) | null
  modes: ModeView[]
}

export type PictureFinding = { key: string; level: FindingLevel; roleId: string | null } & (
  | { code: 'circle-small'; tag: string; lens: string; circleMm: number; fit: CircleFit }
  | { code: 'beyond-room'; tag: string; distanceMm: number; roomMm: number }
)

/** How much of a room's length a camera and whoever works it take up themselves. Common practice, from memory. */
const BEHIND_CAMERA_MM = 500

/** Each camera of the setup with its lens, by what rides on it along the joints that were made. */
export function listCameraAngles(
  setup: Pick<NewSetup, 'roles'>,
  things: readonly PlacedItem[],
  above: ReadonlyMap<string, readonly string[]>,
  holdings: Holdings,
  room: Size | null,
): CameraAngle[] {
  const thingOf = new Map(things.map((it) => [it.key, it]))
  return things.flatMap((thing): CameraAngle[] => {
    if (thing.category === 'room' || !isKindOf(thing.category, 'camera')) return []
    const model = findModel(thing.key, holdings)
    const role = setup.roles.find((it) => it.id === thing.roleId)
    if (!model || !role) return []
    const lens = (above.get(thing.key) ?? [])
      .flatMap((key) => thingOf.get(key) ?? [])
      .find(({ category }) => category === 'lens')
    const glass = lens ? findModel(lens.key, holdings) : model
    const lensRole = setup.roles.find((it) => it.id === lens?.roleId)
    return [describeAngle(thing, model, role, lensRole, lens, glass, room)]
  })
}

function findModel(key: string, { units, models }: Holdings): Model | undefined {
  return models.get(units.get(key)?.modelId ?? '')
}

function describeAngle(
  thing: PlacedItem,
  model: Model,
  role: Role,
  lensRole: Role | undefined,
  lens: PlacedItem | undefined,
  glass: Model | undefined,
  room: Size | null,
): CameraAngle {
  const focalMinMm = readNumber(glass, 'focalMinMm') ?? readNumber(glass, 'focalMaxMm')
  const focalMaxMm = readNumber(glass, 'focalMaxMm') ?? focalMinMm
  const set = role.position?.focalMm ?? lensRole?.position?.focalMm ?? null
  const focalMm = set ?? (focalMinMm === focalMaxMm ? focalMinMm : null)
  const sensorWidthMm = readNumber(model, 'sensorWidthMm')
  const sensorHeightMm = readNumber(model, 'sensorHeightMm')
  const activeWidthMm = thing.recordingMode?.activeWidthMm ?? sensorWidthMm
  const distanceMm = role.position?.distanceMm ?? null
  const circleMm = lens ? readNumber(glass, 'imageCircleMm') : null
  const usedHeight = shrink(sensorHeightMm, activeWidthMm, sensorWidthMm)
  return {
    roleId: role.id,
    angle: role.name,
    unitId: thing.key,
    tag: thing.tag,
    name: thing.name,
    lens: lens ? { tag: lens.tag, name: lens.name } : null,
    focalMinMm,
    focalMaxMm,
    focalMm,
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
    modes: listModes(thing, sensorWidthMm, focalMinMm, room),
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
  const reach = room ? Math.max(room.widthMm, room.depthMm) - BEHIND_CAMERA_MM : null
  return thing.recordingModes.flatMap((mode): ModeView[] => {
    const activeWidthMm = mode.activeWidthMm ?? sensorWidthMm
    if (activeWidthMm === null) return []
    const widestInRoomMm =
      reach !== null && shortestMm !== null ? findFrameWidth(activeWidthMm, shortestMm, reach) : null
    return [{ label: mode.label, isChosen: mode === thing.recordingMode, activeWidthMm, widestInRoomMm }]
  })
}

function readNumber(
  model: Model | undefined,
  key: 'focalMinMm' | 'focalMaxMm' | 'sensorWidthMm' | 'sensorHeightMm' | 'imageCircleMm',
): number | null {
  const value = model?.specs.more[key]
  return typeof value === 'number' ? value : null
}

/** A circle that does not cover the sensor, and a camera that would have to stand outside the room. */
export function judgePicture(angles: readonly CameraAngle[], room: Size | null): PictureFinding[] {
  return angles.flatMap(({ roleId, tag, lens, circle, distanceMm }) => {
    const findings: PictureFinding[] = []
    if (lens && circle && !circle.isCovered) {
      const { circleMm, ...fit } = circle
      const key = `circle-small/${tag}/${lens.tag}`
      findings.push({ key, level: 'warn', roleId, code: 'circle-small', tag, lens: lens.tag, circleMm, fit })
    }
    const roomMm = room ? Math.max(room.widthMm, room.depthMm) : null
    if (roomMm !== null && distanceMm !== null && distanceMm > roomMm - BEHIND_CAMERA_MM) {
      findings.push({ key: `beyond-room/${tag}`, level: 'warn', roleId, code: 'beyond-room', tag, distanceMm, roomMm })
    }
    return findings
  })
}
