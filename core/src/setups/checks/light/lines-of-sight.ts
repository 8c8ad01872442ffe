import { degreesOf, radians } from '../../../formulas/light/fall-off.ts'
import { findAngleBetween, findApparentSize, findElevation, findShadow } from '../../../formulas/light/source.ts'
import { findSeenWidth } from '../../../formulas/picture/framing.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { type LampLook, placeLamp, readEyeHeight } from './lamp-look.ts'

/** Curved spectacle lenses throw back what is within about so much of the way they look. Common practice, from memory. */
export const SPECTACLES_DEGREES = 30
/** A camera with its lens, from its middle to each side. */
const CAMERA_HALF_MM = 150
/** A head with its hair, from its middle to each side. */
const HEAD_HALF_MM = 120

/** Where a camera is seen from the face, in angles; at the lens, and level with the eyes where nobody measured its height. */
function placeCamera({ distanceMm, heightMm, role }: CameraLook, eyeMm: number) {
  if (distanceMm === null) return null
  return {
    sideDegrees: role.position?.sideDegrees ?? 0,
    upDegrees: heightMm === null ? 0 : findElevation(heightMm - eyeMm, distanceMm),
    distanceMm,
    isHeightKnown: heightMm !== null,
  }
}

function placeOf(look: LampLook, scene: Scene) {
  const place = placeLamp(look, scene.setup)
  return place && { ...place, upDegrees: findElevation(place.aboveMm, place.alongFloorMm) }
}

/** Whether somebody before the lens wears spectacles, as the setup says or the people booked for it. */
export function wearsSpectacles({ setup, crew }: Scene): boolean {
  if (setup.demands.includes('spectacles')) return true
  const booked = crew?.bookedIds ?? null
  return (
    booked !== null &&
    (crew?.team ?? []).some(
      (person) =>
        booked.includes(person.id) &&
        person.traits.some(
          (it) => it.trait === 'wears-spectacles' && (it.until === null || it.until >= (crew?.firstDay ?? '')),
        ),
    )
  )
}

/** Whether a lamp is likely seen in spectacles that look at the lens; null where nobody wears any, or it is no lamp before them. */
export function findReflection(look: LampLook, scene: Scene) {
  if (!wearsSpectacles(scene) || look.job === 'background' || look.job === 'separation') return null
  // Round the lens it is always seen.
  const isRing = isItemOf(look.lamp, 'ring-light')
  const place = placeOf(look, scene)
  if (!place) return isRing ? null : 'unknown'
  if (Math.abs(place.sideDegrees) >= 90) return null
  const camera = factOf(scene, listCameraLooks).find((it) => it.isBeforeFace)
  const lens = (camera && placeCamera(camera, place.eyeMm)) ?? { sideDegrees: 0, upDegrees: 0 }
  const angle = findAngleBetween(place, lens)
  const half =
    look.diameterMm !== null && look.distanceMm !== null ? findApparentSize(look.diameterMm, look.distanceMm) / 2 : 0
  const limit = SPECTACLES_DEGREES + half
  return { angle, limit, base: SPECTACLES_DEGREES, isSeen: angle < limit }
}

/** How far beside the lens a lamp is seen from the face; null where one of them has no place. */
export function findAngleFromLens(look: LampLook, scene: Scene): number | null {
  const place = placeOf(look, scene)
  const camera = factOf(scene, listCameraLooks).find((it) => it.isBeforeFace)
  const lens = place && camera ? placeCamera(camera, place.eyeMm) : null
  return place && lens ? findAngleBetween(place, lens) : null
}

/** Cameras that stand between a lamp and the face. */
export function findBlocking(
  look: LampLook,
  scene: Scene,
): { tag: string; key: string; angle: number; limit: number }[] {
  if (look.job !== 'key' && look.job !== 'fill') return []
  const place = placeOf(look, scene)
  if (!place || look.distanceMm === null) return []
  const lampMm = look.distanceMm
  return factOf(scene, listCameraLooks).flatMap((camera) => {
    const at = placeCamera(camera, place.eyeMm)
    // A camera of which nobody measured the height could as well be below the beam.
    if (!at?.isHeightKnown || !camera.isBeforeFace || at.distanceMm >= lampMm) return []
    const angle = findAngleBetween(place, at)
    const limit = degreesOf(Math.atan(CAMERA_HALF_MM / at.distanceMm))
    // What looks larger than the camera still reaches round it.
    const isLarger = look.diameterMm !== null && findApparentSize(look.diameterMm, lampMm) / 2 > limit
    return angle < limit && !isLarger ? [{ tag: camera.tag, key: camera.unitId, angle, limit }] : []
  })
}

/** Where the shadow of the head falls, and whether a camera sees it there; null where the lamp throws none or its place is open. */
export function findFaceShadow(look: LampLook, scene: Scene) {
  const { backdropMm } = scene.setup.stage
  const place = placeLamp(look, scene.setup)
  const eyes = readEyeHeight(scene.setup)
  if (backdropMm === null || !place || !eyes) return null
  const shadow = findShadow(place.alongFloorMm, place.sideDegrees, place.aboveMm, backdropMm)
  if (!shadow) return null
  const cameras = factOf(scene, listCameraLooks).filter((it) => it.isBeforeFace)
  // Lower than the floor it falls on the floor, and not on what is behind.
  const isOnFloor = shadow.lowerMm >= eyes.eyeMm
  const seen = cameras.map((camera) => !isOnFloor && isSeen(camera, shadow, backdropMm))
  const seeing = cameras.filter((_, at) => seen[at] === true)
  return {
    ...shadow,
    aboveMm: place.aboveMm,
    forwardMm: place.alongFloorMm * Math.cos(radians(place.sideDegrees)),
    isOnFloor,
    isEyeMeasured: eyes.isMeasured,
    cameras: seeing.map((it) => it.tag),
    isInPicture: seeing.length > 0 ? true : seen.length > 0 && seen.every((it) => it === false) ? false : null,
  }
}

/** Beside the head as the camera sees it, and still within what it sees there. A picture is 16 wide to 9 high. */
function isSeen(
  { activeWidthMm, focalMm, distanceMm, toBackgroundMm }: CameraLook,
  shadow: { lowerMm: number; asideMm: number },
  backdropMm: number,
): boolean | null {
  if (activeWidthMm === null || focalMm === null || distanceMm === null || toBackgroundMm === null) return null
  const seenMm = findSeenWidth(activeWidthMm, focalMm, toBackgroundMm)
  // The head hides so much of what is behind it.
  const hiddenMm = HEAD_HALF_MM * ((distanceMm + backdropMm) / distanceMm)
  const isHidden = shadow.asideMm + HEAD_HALF_MM <= hiddenMm && shadow.lowerMm >= 0
  const isBeyond =
    shadow.asideMm - HEAD_HALF_MM > seenMm / 2 || Math.abs(shadow.lowerMm) - HEAD_HALF_MM > (seenMm * 9) / 16 / 2
  return !isHidden && !isBeyond
}
