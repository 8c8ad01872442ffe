import type { CircleFit } from '../../../formulas/picture/framing.ts'
import { trim } from '../../../units/quantity.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listRecordingModesOf, listStandInsFor } from '../ideas.ts'
import { factOf } from '../scene.ts'
import { listCameraAngles } from './camera-angles.ts'

interface SmallCircle {
  code: 'circle-small'
  tag: string
  itemKey: string
  lens: string
  lensKey: string
  circleMm: number
  /** Of the lens, its shortest; null where nobody recorded it. */
  focalMm: number | null
  fit: CircleFit
}

/** What would frame as much on the whole of this sensor. */
const sayLike = (focalMm: number | null, crop: number) =>
  focalMm === null ? '' : `, so that ${trim(focalMm, 1)} mm frames as ${trim(focalMm * crop, 0)} mm would`

/** A lens whose image circle does not cover the sensor. */
export const imageCircle = defineCheck<SmallCircle>({
  shownIn: 'rig',
  find: (scene) =>
    factOf(scene, listCameraAngles).flatMap(
      ({ roleId, tag, unitId, lens, circle, focalMm, focalMinMm }): Found<SmallCircle>[] => {
        if (!lens || !circle || circle.isCovered) return []
        const { circleMm, ...fit } = circle
        const subject = {
          tag,
          itemKey: unitId,
          lens: lens.tag,
          lensKey: lens.key,
          circleMm,
          focalMm: focalMm ?? focalMinMm,
          fit,
        }
        return [{ about: [unitId, lens.key], level: 'warn', roleId, code: 'circle-small', ...subject }]
      },
    ),
  codes: {
    'circle-small': {
      say: ({ tag, lens, circleMm, focalMm, fit }) =>
        plain(
          `${lens} does not cover the sensor of ${tag}`,
          `Its image circle is ${trim(circleMm, 1)} mm. Dark corners, or cut to ${trim(fit.usedShare * 100, 0)} % of the width: everything ${trim(fit.extraCrop, 2)} times closer${sayLike(focalMm, fit.extraCrop)}, with ${trim(fit.resolutionShare * 100, 0)} % of the picture points left. Choose a way to record that crops as much.`,
        ),
      deciding: ({ circleMm, fit, lensKey }) => [lensKey, circleMm, trim(fit.usedShare, 3)],
      ideas: ({ itemKey, lensKey }, context) => [
        ...listRecordingModesOf(context.scene.itemOf.get(itemKey)),
        ...listStandInsFor([lensKey], context),
      ],
      replaceable: ({ lensKey }) => [lensKey],
    },
  },
})
