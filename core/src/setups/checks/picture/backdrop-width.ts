import { trim } from '../../../units/quantity.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf } from '../scene.ts'
import { fitBackdrops } from './backdrop-line.ts'
import { listCameraLooks } from './camera-look.ts'

interface BackdropShort {
  code: 'backdrop-short'
  tag: string
  camera: string
  itemKey: string
  haveMm: number
  seenMm: number
  shortestMm: number
}

/** A backdrop whose edges come into the picture. What fills it with little to spare is told beside the figures. */
export const backdropWidth = defineCheck<BackdropShort>({
  find: (scene) => {
    const looks = factOf(scene, listCameraLooks)
    const fits = looks.flatMap((look) => fitBackdrops(look, scene).map((fit) => ({ look, fit })))
    return fits.flatMap(({ look, fit }): Found<BackdropShort>[] => {
      const { backdrop, haveMm, seenMm, shortestMm } = fit
      // Of several that hang there nobody said which one a camera sees: one that fills it is enough.
      const isFilled = fits.some((it) => it.look === look && it.fit.haveMm >= it.fit.seenMm)
      if (haveMm >= seenMm || isFilled || !look.isBeforeFace || isFromTheSide(look.role.position?.sideDegrees))
        return []
      return [
        {
          about: [look.unitId, backdrop.key],
          roleId: backdrop.roleId,
          level: 'warn',
          code: 'backdrop-short',
          tag: backdrop.tag,
          camera: look.tag,
          itemKey: backdrop.key,
          haveMm,
          seenMm,
          shortestMm,
        },
      ]
    })
  },
  codes: {
    'backdrop-short': {
      say: ({ tag, camera, haveMm, seenMm, shortestMm }) =>
        plain(
          `${tag} ends in the picture of ${camera}`,
          `${camera} sees ${metres(seenMm)} there, and it is ${metres(haveMm)} wide. From ${trim(shortestMm, 0)} mm on it fills the picture with a tenth to spare; or hang it nearer, or a wider one.`,
        ),
      deciding: ({ haveMm, seenMm }) => [haveMm, trim(seenMm, 0)],
      ideas: ({ itemKey }, context) => listStandInsFor([itemKey], context),
      replaceable: ({ itemKey }) => [itemKey],
      isSmaller: (after, before) => after.seenMm - after.haveMm < before.seenMm - before.haveMm,
    },
  },
})

/** Looking along a backdrop at a slant the sum would be another. */
const isFromTheSide = (degrees: number | null | undefined) => Math.abs(degrees ?? 0) > 15
