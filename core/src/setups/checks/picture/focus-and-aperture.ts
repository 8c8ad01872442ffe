import { findStopsBetween } from '../../../formulas/picture/exposure.ts'
import { trim } from '../../../units/quantity.ts'
import { readChoice } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { type BothSharp, findBothSharp, sayBothSharp } from './both-sharp.ts'
import { type CameraLook, listCameraLooks } from './camera-look.ts'

interface Subject {
  tag: string
  itemKey: string
}

type FocusFinding =
  | (Subject & { code: 'face-near'; distanceMm: number })
  | (Subject & { code: 'beyond-focus'; distanceMm: number; closestMm: number; glassKey: string; glass: string })
  | (Subject & {
      code: 'held-up-soft'
      productMm: number
      fNumber: number
      both: BothSharp | null
      focus: string | null
    })
  | (Subject & { code: 'aperture-lacking'; glass: string; glassKey: string; set: number; widest: number })

/** Nearer than this a face looks broad at the nose. Common practice, from memory. */
export const FACE_NEAR_MM = 1000

const centimetres = (mm: number) => `${trim(mm / 10, 0)} cm`

/** Faces too near, focus that does not reach, and apertures that a lens has not. */
export const focusAndAperture = defineCheck<FocusFinding>({
  find: (scene) => factOf(scene, listCameraLooks).flatMap((look) => judge(look, scene)),
  codes: {
    'face-near': {
      say: ({ tag, distanceMm }) =>
        plain(
          `${tag} is near for a face`,
          `From ${metres(distanceMm)} what is nearest looks larger than it is: noses, hands. From about ${metres(FACE_NEAR_MM)} on faces keep their shape; a longer lens from there frames the same.`,
        ),
      deciding: ({ distanceMm }) => [distanceMm],
    },
    'beyond-focus': {
      say: ({ tag, glass, distanceMm, closestMm }) =>
        plain(
          `${tag} cannot focus so near`,
          `${glass} focuses from ${centimetres(closestMm)} on, and it is to be ${centimetres(distanceMm)} away. Further back, or what focuses nearer.`,
        ),
      deciding: ({ distanceMm, closestMm }) => [distanceMm, closestMm],
      ideas: ({ glassKey }, context) => listStandInsFor([glassKey], context),
      replaceable: ({ glassKey }) => [glassKey],
    },
    'held-up-soft': {
      say: ({ tag, productMm, fNumber, both, focus }) =>
        plain(
          `Face and what is held up are not both sharp on ${tag}`,
          `They are ${centimetres(productMm)} apart, which f/${trim(fNumber, 1)} does not take in with the focus on the face. ${sayBothSharp(both)}${sayFocus(tag, focus)}`,
        ),
      deciding: ({ productMm, fNumber, focus }) => [productMm, fNumber, focus],
    },
    'aperture-lacking': {
      say: ({ tag, glass, set, widest }) =>
        plain(
          `${glass} has no f/${trim(set, 1)} there`,
          `The card of ${tag} says f/${trim(set, 1)}, and at that focal length ${glass} opens to f/${trim(widest, 1)}: ${trim(findStopsBetween(set, widest), 1)} stops less light.`,
        ),
      deciding: ({ set, widest }) => [set, widest],
      ideas: ({ glassKey }, context) => listStandInsFor([glassKey], context),
      replaceable: ({ glassKey }) => [glassKey],
    },
  },
})

function sayFocus(tag: string, focus: string | null): string {
  if (focus === 'dependable') return ` That of ${tag} does, dependably.`
  if (focus === 'hunts') return ` That of ${tag} hunts.`
  if (focus === 'none') return ` ${tag} has none that goes by itself.`
  return ` Whether that of ${tag} does nobody wrote down.`
}

function judge(look: CameraLook, scene: Scene): Found<FocusFinding>[] {
  const { setup } = scene
  const { distanceMm, closestMm, fNumber, widestFNumber, sharp, focalMm, confusionMm, lensItem } = look
  const place = { about: [look.unitId], roleId: look.roleId, tag: look.tag, itemKey: look.unitId }
  const glass = lensItem ?? scene.itemOf.get(look.unitId)
  const found: Found<FocusFinding>[] = []
  const showsFaces = setup.shot === 'close' || setup.shot === 'half'
  if (showsFaces && distanceMm !== null && distanceMm > 0 && distanceMm < FACE_NEAR_MM)
    found.push({ ...place, level: 'advise', code: 'face-near', distanceMm })
  // Makers count from the sensor, and a tape goes to the lens: nearer by the tape is surely too near only beyond a lens's own length.
  if (glass && distanceMm !== null && distanceMm > 0 && closestMm !== null && distanceMm + BODY_MM < closestMm)
    found.push({
      ...place,
      level: 'warn',
      code: 'beyond-focus',
      distanceMm,
      closestMm,
      glassKey: glass.key,
      glass: glass.tag,
    })
  const { productMm } = setup.stage
  if (
    productMm !== null &&
    sharp &&
    distanceMm !== null &&
    focalMm !== null &&
    confusionMm !== null &&
    fNumber !== null
  ) {
    const atMm = distanceMm - productMm
    if (atMm > focalMm && sharp.nearMm > atMm) {
      const camera = scene.itemOf.get(look.unitId)
      // Where the focus goes over by itself and dependably, it is only a word.
      const focus = camera ? readChoice(camera, 'autofocus') : null
      found.push({
        ...place,
        level: focus === null ? 'unknown' : focus === 'dependable' ? 'advise' : 'warn',
        code: 'held-up-soft',
        productMm,
        fNumber,
        both: findBothSharp(look, atMm),
        focus,
      })
    }
  }
  if (glass && fNumber !== null && widestFNumber !== null && fNumber < widestFNumber * NEARLY)
    found.push({
      ...place,
      level: 'warn',
      code: 'aperture-lacking',
      glass: glass.tag,
      glassKey: glass.key,
      set: fNumber,
      widest: widestFNumber,
    })
  return found
}

/** A marked aperture is a rounded one. */
const NEARLY = 0.97
/** From the sensor to the front of a short lens, by which a tape says less than its maker. */
const BODY_MM = 100
