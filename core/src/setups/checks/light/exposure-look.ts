import { findStops, findWantedLux } from '../../../formulas/picture/exposure.ts'
import { readFigure } from '../../placed/placed-item.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeSetLook } from './set-look.ts'

export interface Exposure {
  camera: CameraLook
  wantedLux: number
  thereLux: number
  /** More than wanted above nothing. */
  offStops: number
  /** The sensitivity at which it would be as wanted. */
  newIso: number
  /** Whether a grey filter is the way: too much light, by a stop or more. */
  nd: boolean
  /** Stops that the filters before the lens take away at the least. */
  filter: number
}

/** How each camera is set against the light at the face; only where all of it is known. */
export function readExposure(scene: Scene): Exposure[] {
  const { face } = factOf(scene, computeSetLook)
  if (!face) return []
  return factOf(scene, listCameraLooks).flatMap((camera): Exposure[] => {
    const { fNumber, shutterSeconds, iso, filters, isFilterOpen } = camera
    if (fNumber === null || shutterSeconds === null || iso === null || isFilterOpen) return []
    const densities = filters.map((it) => readFigure(it, 'densityStops'))
    if (densities.some((it) => it === null)) return []
    const filter = densities.reduce<number>((sum, it) => sum + (it ?? 0), 0)
    const wantedLux = findWantedLux(fNumber, shutterSeconds, iso)
    const offStops = findStops(face.lux / 2 ** filter, wantedLux)
    return [{ camera, wantedLux, thereLux: face.lux, offStops, newIso: iso / 2 ** offStops, nd: offStops >= 1, filter }]
  })
}
