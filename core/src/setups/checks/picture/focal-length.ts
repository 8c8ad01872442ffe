import { trim } from '../../../units/quantity.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { type CameraAngle, listCameraAngles } from './camera-angles.ts'

interface FocalDiffers {
  code: 'focal-differs'
  tag: string
  glass: string
  setMm: number
  leastMm: number
  mostMm: number
}

interface FocalUnknown {
  code: 'focal-unknown'
  glass: string
  setMm: number
}

type FocalFinding = FocalDiffers | FocalUnknown

/** A focal length that the role says and the lens on the camera does not reach: it was set for another one. */
export const focalLength = defineCheck<FocalFinding>({
  find: (scene) => factOf(scene, listCameraAngles).flatMap(judge),
  codes: {
    'focal-differs': {
      say: ({ tag, glass, setMm, leastMm, mostMm }) => {
        const has = leastMm === mostMm ? `${trim(leastMm, 1)} mm` : `${trim(leastMm, 1)} to ${trim(mostMm, 1)} mm`
        const framed = leastMm === mostMm ? ` What ${tag} frames is worked out with ${has}.` : ''
        return plain(
          `${glass} has no ${trim(setMm, 1)} mm`,
          `The role says ${trim(setMm, 1)} mm, and ${glass} has ${has}.${framed}`,
        )
      },
      deciding: ({ setMm, leastMm, mostMm }) => [setMm, leastMm, mostMm],
    },
    'focal-unknown': {
      say: ({ glass, setMm }) =>
        plain(
          `Cannot tell whether ${glass} has ${trim(setMm, 1)} mm`,
          `The role says ${trim(setMm, 1)} mm. Write the focal lengths of ${glass} on its page.`,
        ),
      deciding: ({ setMm }) => [setMm],
    },
  },
})

function judge({ roleId, unitId, tag, lens, focalSetMm, focalMinMm, focalMaxMm }: CameraAngle): Found<FocalFinding>[] {
  if (focalSetMm === null) return []
  const glass = lens?.tag ?? tag
  if (focalMinMm === null || focalMaxMm === null) {
    return [{ about: [unitId], roleId, level: 'unknown', code: 'focal-unknown', glass, setMm: focalSetMm }]
  }
  if (focalMinMm <= focalSetMm && focalSetMm <= focalMaxMm) return []
  const figures = { setMm: focalSetMm, leastMm: focalMinMm, mostMm: focalMaxMm }
  return [{ about: [unitId], roleId, level: 'warn', code: 'focal-differs', tag, glass, ...figures }]
}
