import { findGaze } from '../../../formulas/light/source.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, listItemsOf, readPositive } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { factOf, type Scene } from '../scene.ts'
import { listCameraLooks } from './camera-look.ts'

export interface Gaze {
  roleId: string
  tag: string
  key: string
  screenInches: number | null
  offsetMm: number | null
  distanceMm: number | null
  degrees: number | null
}

const SCREENS = ['monitor', 'tablet', 'phone', 'prompter'] as const

/** Screens that whoever is filmed looks at: of which somebody wrote down how far from the lens they are. */
export function listGazes(scene: Scene): Gaze[] {
  const [camera] = factOf(scene, listCameraLooks)
  return scene.setup.roles.flatMap((role): Gaze[] => {
    const screen = listItemsOf(role, scene.items).find((it) => SCREENS.some((kind) => isItemOf(it, kind)))
    const offsetMm = role.position?.fromLensMm ?? null
    if (!screen || offsetMm === null) return []
    const distanceMm = role.position?.distanceMm ?? camera?.distanceMm ?? null
    return [
      {
        roleId: role.id,
        tag: screen.tag,
        key: screen.key,
        screenInches: readPositive(screen, 'screenInches'),
        offsetMm,
        distanceMm,
        degrees: distanceMm === null || distanceMm === 0 ? null : findGaze(offsetMm, distanceMm),
      },
    ]
  })
}

export function sayGaze(scene: Scene): LookLine[] {
  const limit = scene.policies.settings.gazeDegrees
  return listGazes(scene).map(({ tag, degrees, offsetMm, distanceMm, screenInches }) => {
    const label = `Eyes on ${tag}`
    if (degrees === null) return sayOpen('gaze', label, ['how far it is from whoever looks at it'])
    const size = screenInches === null ? '' : `, a screen of ${trim(screenInches, 1)}″`
    return sayLine(
      'gaze',
      label,
      `${trim(degrees, 1)}° beside the lens${size}: ${degrees <= limit ? 'passes as looking into it' : `seen to look away, from ${trim(limit, 1)}° on`}.`,
      {
        sums: [['angle', `atan(${trim(offsetMm ?? 0, 0)} / ${trim(distanceMm ?? 0, 0)}) = ${trim(degrees, 1)}°`]],
        assumptions: ['From how many degrees on it shows is a setting of yours; about 5 is common practice.'],
        source: 'geometry',
      },
    )
  })
}

interface EyesAway {
  code: 'eyes-away'
  tag: string
  itemKey: string
  degrees: number
  limit: number
  offsetMm: number
  distanceMm: number
}

/** A screen so far from the lens that one sees where the eyes go. */
export const gaze = defineCheck<EyesAway>({
  find: (scene) =>
    listGazes(scene).flatMap(({ degrees, key, roleId, tag, offsetMm, distanceMm }): Found<EyesAway>[] => {
      const limit = scene.policies.settings.gazeDegrees
      if (degrees === null || degrees <= limit || offsetMm === null || distanceMm === null) return []
      return [
        {
          about: [key],
          roleId,
          level: 'advise',
          code: 'eyes-away',
          tag,
          itemKey: key,
          degrees,
          limit,
          offsetMm,
          distanceMm,
        },
      ]
    }),
  codes: {
    'eyes-away': {
      say: ({ tag, degrees, limit, offsetMm, distanceMm }) => {
        const nearMm = distanceMm * Math.tan((limit * Math.PI) / 180)
        return plain(
          `Eyes on ${tag} look past the lens`,
          `It is ${trim(offsetMm / 10, 0)} cm from the lens, which are ${trim(degrees, 1)}° from ${trim(distanceMm / 1000, 2)} m; ${trim(limit, 1)}° pass. Within ${trim(nearMm / 10, 0)} cm of the lens, or from further back.`,
        )
      },
      deciding: ({ offsetMm, distanceMm, limit }) => [offsetMm, distanceMm, limit],
      isSmaller: (after, before) => after.degrees < before.degrees,
    },
  },
})
