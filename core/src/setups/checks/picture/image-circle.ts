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
  fit: CircleFit
}

/** A lens whose image circle does not cover the sensor. */
export const imageCircle = defineCheck<SmallCircle>({
  shownIn: 'rig',
  find: (scene) =>
    factOf(scene, listCameraAngles).flatMap(({ roleId, tag, unitId, lens, circle }): Found<SmallCircle>[] => {
      if (!lens || !circle || circle.isCovered) return []
      const { circleMm, ...fit } = circle
      const subject = { tag, itemKey: unitId, lens: lens.tag, lensKey: lens.key, circleMm, fit }
      return [{ about: [unitId, lens.key], level: 'warn', roleId, code: 'circle-small', ...subject }]
    }),
  codes: {
    'circle-small': {
      say: ({ tag, lens, circleMm, fit }) =>
        plain(
          `${lens} does not cover the sensor of ${tag}`,
          `Its image circle is ${trim(circleMm, 1)} mm. Dark corners, or cut to ${trim(fit.usedShare * 100, 0)} % of the width: everything ${trim(fit.extraCrop, 2)} times closer, with ${trim(fit.resolutionShare * 100, 0)} % of the picture points left. Choose a way to record that crops as much.`,
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
