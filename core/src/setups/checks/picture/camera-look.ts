import { findBlurDisc, findSharpRange, type SharpRange } from '../../../formulas/picture/depth-of-field.ts'
import { isItemOf, listItemsOf, type PlacedItem, readPositive } from '../../placed/placed-item.ts'
import { readSetting } from '../../setup/read-settings.ts'
import type { Role } from '../../setup/setup.ts'
import { computeCarriedLoads } from '../rigging/carried-load.ts'
import { factOf, type Scene } from '../scene.ts'
import { type CameraAngle, listCameraAngles } from './camera-angles.ts'

/** The width of 36 × 24 mm, against which equivalent focal lengths are counted by the width in use. */
export const FULL_WIDTH_MM = 36
const FULL_CONFUSION_MM = 0.03

/** What one camera makes of what is before it. Null wherever a figure for it is missing. */
export interface CameraLook extends CameraAngle {
  role: Role
  lensItem: PlacedItem | null
  /** Filters before the lens, or in the role where none is screwed on. */
  filters: readonly PlacedItem[]
  /** Of several in the role nobody said which is before the lens. */
  isFilterOpen: boolean
  fNumber: number | null
  shutterSeconds: number | null
  iso: number | null
  framesPerSecond: number | null
  kelvin: number | null
  /** What the widest aperture is at the focal length in use; of a zoom between its ends that of the long one. */
  widestFNumber: number | null
  /** The widest at the short and at the long end, where they differ. */
  apertureEnds: { short: number; long: number } | null
  /** So many times longer a lens seems, by the width in use. */
  crop: number | null
  confusionMm: number | null
  sharp: SharpRange | null
  /** How large a point of the background is drawn, as a share of the width. */
  blurShare: number | null
  /** It hangs above and looks down, as its role says; null where nobody said, and what it is for leaves that open. */
  isAbove: boolean | null
  /** It looks at who is filmed from the front: one above the table or beside them does not. */
  isBeforeFace: boolean
  /** From the lens to the background. */
  toBackgroundMm: number | null
  closestMm: number | null
}

/** Each camera with its lens and how it is set. */
export function listCameraLooks(scene: Scene): CameraLook[] {
  const { above } = factOf(scene, computeCarriedLoads)
  return factOf(scene, listCameraAngles).flatMap((angle): CameraLook[] => {
    const role = scene.setup.roles.find((it) => it.id === angle.roleId)
    if (!role) return []
    const lensItem = angle.lens ? (scene.itemOf.get(angle.lens.key) ?? null) : null
    const glass = lensItem ?? scene.itemOf.get(angle.unitId) ?? null
    const lensRole = scene.setup.roles.find((it) => it.id === lensItem?.roleId)
    const inRole = [role, ...(lensRole ? [lensRole] : [])].flatMap((it) => listItemsOf(it, scene.items))
    const riders = (lensItem ? (above.get(lensItem.key) ?? []) : []).flatMap((key) => scene.itemOf.get(key) ?? [])
    const isFilter = (it: PlacedItem) => isItemOf(it, 'filter')
    const mounted = riders.filter(isFilter)
    // What is screwed on counts; of what only lies in the role one is meant to be before the lens, and of several nobody knows which.
    const filters = mounted.length > 0 ? mounted : [...new Set(inRole)].filter(isFilter)
    const isFilterOpen = mounted.length === 0 && filters.length > 1
    return [{ ...describeLook(angle, role, lensRole, glass, lensItem, filters, scene), isFilterOpen }]
  })
}

function describeLook(
  angle: CameraAngle,
  role: Role,
  lensRole: Role | undefined,
  glass: PlacedItem | null,
  lensItem: PlacedItem | null,
  filters: readonly PlacedItem[],
  { setup }: Scene,
): Omit<CameraLook, 'isFilterOpen'> {
  const read = (key: Parameters<typeof readSetting>[1]) =>
    readSetting(role.settings, key).figure ?? readSetting(lensRole?.settings, key).figure
  const { activeWidthMm, focalMm, distanceMm } = angle
  const fNumber = read('fNumber')
  const crop = activeWidthMm === null ? null : FULL_WIDTH_MM / activeWidthMm
  const confusionMm = activeWidthMm === null ? null : (FULL_CONFUSION_MM * activeWidthMm) / FULL_WIDTH_MM
  const isSet = focalMm !== null && fNumber !== null && distanceMm !== null
  const isAbove = role.position?.looksDown ?? (setup.purposeKind === 'top-down' ? null : false)
  const { backdropMm } = setup.stage
  const toBackgroundMm = distanceMm === null || backdropMm === null ? null : distanceMm + backdropMm
  const disc = isSet && toBackgroundMm !== null ? findBlurDisc(focalMm, fNumber, distanceMm, toBackgroundMm) : null
  return {
    ...angle,
    role,
    lensItem,
    filters,
    fNumber,
    shutterSeconds: read('shutterSeconds'),
    iso: read('iso'),
    framesPerSecond: read('framesPerSecond'),
    kelvin: read('kelvin'),
    ...readApertures(glass, angle),
    crop,
    confusionMm,
    sharp: isSet && confusionMm !== null ? findSharpRange(focalMm, fNumber, confusionMm, distanceMm) : null,
    blurShare: disc !== null && activeWidthMm !== null ? disc / activeWidthMm : null,
    isAbove,
    isBeforeFace: isAbove === false && Math.abs(role.position?.sideDegrees ?? 0) < 90,
    toBackgroundMm,
    closestMm: glass ? readPositive(glass, 'closestMm') : null,
  }
}

function readApertures(
  glass: PlacedItem | null,
  { focalMm, focalMinMm, focalMaxMm }: CameraAngle,
): Pick<CameraLook, 'widestFNumber' | 'apertureEnds'> {
  const short = glass && readPositive(glass, 'widestAperture')
  const long = glass && readPositive(glass, 'widestApertureLong')
  const isPrime = focalMinMm === focalMaxMm && long === null
  if (short === null || isPrime) return { widestFNumber: short, apertureEnds: null }
  // Of a zoom nobody wrote the long end of, only the short end is known.
  if (long === null) return { widestFNumber: focalMm === focalMinMm ? short : null, apertureEnds: null }
  if (long === short) return { widestFNumber: short, apertureEnds: null }
  const isAtShort = focalMm === focalMinMm && focalMinMm !== focalMaxMm
  const widestFNumber = focalMm === null ? null : isAtShort ? short : long
  return { widestFNumber, apertureEnds: { short, long } }
}

/** How wide the things are that hang or stand behind, each as recorded; a plain wall is none of them. */
export function listBackdrops({ items }: Scene): PlacedItem[] {
  return items.filter((it) => isItemOf(it, 'backdrop'))
}
