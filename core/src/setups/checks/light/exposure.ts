import { trim } from '../../../units/quantity.ts'
import { isItemOf, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { readExposure } from './exposure-look.ts'

interface Off {
  tag: string
  itemKey: string
  offStops: number
  newIso: number
}

type ExposureFinding =
  | (Off & { code: 'too-bright'; filterTags: string[]; mostStops: number })
  | (Off & { code: 'too-dark' })

/** By half a stop and more one sees it; from a whole one on it is told in the margin. */
const TOLD_FROM_STOPS = 1

/** How a camera is set against the light at the face, where both are known. */
export const exposure = defineCheck<ExposureFinding>({
  find: (scene) => factOf(scene, readExposure).flatMap((it) => judge(it, scene)),
  codes: {
    'too-bright': {
      say: ({ tag, offStops, newIso, filterTags, mostStops }) =>
        plain(
          `${tag} gets ${trim(offStops, 1)} stops too much light`,
          filterTags.length > 0
            ? `${filterTags.join(', ')} before it takes away at most ${trim(mostStops, 1)}, which is too little by ${trim(offStops, 1)}. A denser filter, less sensitivity or a smaller aperture.`
            : `As it is set the face would be too bright. Its aperture and shutter can stay with ${newIso >= 50 ? `ISO ${trim(newIso, 0)}, or with ` : ''}a grey filter that takes ${trim(offStops, 1)} stops away.`,
        ),
      deciding: ({ offStops }) => [trim(offStops, 1)],
      ideas({ itemKey }, { scene, store }) {
        const lens = scene.joints.find(
          (it) => it.host.key === itemKey && scene.itemOf.get(it.guest.key)?.category === 'lens',
        )
        const home = findRole(
          scene,
          (lens && scene.itemOf.get(lens.guest.key)?.roleId) ?? scene.itemOf.get(itemKey)?.roleId ?? null,
        )
        return home ? listAssignments(home, store, ({ model }) => model.category === 'filter') : []
      },
      seeks: () => ({ categories: ['filter'] }),
      isSmaller: (after, before) => after.offStops < before.offStops,
    },
    'too-dark': {
      say: ({ tag, offStops, newIso }) =>
        plain(
          `${tag} gets ${trim(-offStops, 1)} stops too little light`,
          `As it is set the face would be too dark. More light, a wider aperture, or ISO ${trim(newIso, 0)} with as much more noise.`,
        ),
      deciding: ({ offStops }) => [trim(offStops, 1)],
      isSmaller: (after, before) => after.offStops > before.offStops,
    },
  },
})

function judge(
  { camera, offStops, newIso }: ReturnType<typeof readExposure>[number],
  scene: Scene,
): Found<ExposureFinding>[] {
  const off = { tag: camera.tag, itemKey: camera.unitId, offStops, newIso }
  const place = { about: [camera.unitId], roleId: camera.roleId, level: 'warn' as const }
  if (offStops <= -TOLD_FROM_STOPS) return [{ ...place, ...off, code: 'too-dark' }]
  if (offStops < TOLD_FROM_STOPS) return []
  const filters = camera.filters.filter((it) => isItemOf(it, 'filter') && scene.itemOf.has(it.key))
  // One that can be turned takes more away than it does at its weakest, which is what was counted.
  const further = filters.reduce((sum, it) => {
    const least = readFigure(it, 'densityStops') ?? 0
    return sum + Math.max(0, (readFigure(it, 'densityMostStops') ?? least) - least)
  }, 0)
  if (offStops <= further) return []
  const mostStops = further + filters.reduce((sum, it) => sum + (readFigure(it, 'densityStops') ?? 0), 0)
  return [
    {
      ...place,
      ...off,
      offStops: offStops - further,
      code: 'too-bright',
      filterTags: filters.map((it) => it.tag),
      mostStops,
    },
  ]
}
