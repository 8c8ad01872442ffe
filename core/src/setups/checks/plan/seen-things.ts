import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { listLampLooks } from '../light/lamp-look.ts'
import { type LookLine, sayLine } from '../look-line.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { type InPicture, listInPicture } from './in-picture.ts'

interface SeenThing {
  code: 'in-picture'
  tag: string
  itemKey: string
  camera: string
  edge: NonNullable<InPicture['edge']>
  insideMm: number
}

const EDGES = {
  above: 'upwards',
  below: 'downwards',
  left: 'to the left',
  right: 'to the right',
} as const

/** Lamps and microphones that a camera would see, unless they are there to be seen or hidden behind whoever is filmed. */
export const seenThings = defineCheck<SeenThing>({
  find(scene) {
    const meant = new Set(
      factOf(scene, listLampLooks)
        .filter((it) => it.job === 'accent')
        .map((it) => it.lamp.key),
    )
    return factOf(scene, listCameraLooks).flatMap((camera) =>
      listInPicture(camera, scene).flatMap((it): Found<SeenThing>[] => {
        if (it.isIn !== true || it.isHidden || meant.has(it.key) || isDeskMicrophone(it, scene)) return []
        const { tag, key, roleId, edge, clearMm } = it
        if (edge === null || clearMm === null) return []
        const own = { tag, itemKey: key, camera: camera.tag, edge, insideMm: -clearMm }
        return [{ about: [key, camera.unitId], roleId, level: 'warn', code: 'in-picture', ...own }]
      }),
    )
  },
  codes: {
    'in-picture': {
      say: ({ tag, camera, edge, insideMm }) =>
        plain(
          `${camera} would see ${tag}`,
          `It is ${metres(insideMm)} inside the picture; ${EDGES[edge]} is the shortest way out. It is reckoned with the eyes on the upper third of a picture of 16 to 9.`,
        ),
      deciding: ({ edge, insideMm }) => [edge, Math.round(insideMm)],
      isSmaller: (after, before) => after.insideMm < before.insideMm,
    },
  },
})

const DESK = ['dynamic-mic', 'usb-mic', 'boundary-mic'] as const
/** Made to stand in the picture before whoever speaks: many want it seen. */
const isDeskMicrophone = ({ key }: InPicture, scene: Scene) => {
  const item = scene.itemOf.get(key)
  return item !== undefined && DESK.some((kind) => isItemOf(item, kind))
}

/** What comes near the picture of a camera: how far from its edge each microphone and lamp is. */
export function sayNearPicture(look: CameraLook, scene: Scene): LookLine[] {
  const all = listInPicture(look, scene)
  const near = all.filter((it) => it.isIn === true || (it.clearMm !== null && it.clearMm < NEAR_MM))
  const open = all.filter((it) => it.isIn === null)
  if (near.length + open.length === 0) return []
  const says = [
    ...near.map((it) => `${it.tag} ${sayPlace(it)}`),
    ...open.map((it) => `whether ${it.tag} is in it hangs on heights nobody measured: of the eyes, the lens or itself`),
  ].join('; ')
  return [
    sayLine('near-picture', 'Near the picture', `${says.charAt(0).toUpperCase()}${says.slice(1)}.`, {
      assumptions: [
        'Reckoned with the eyes on the upper third of a picture of 16 to 9, and with the size of a lamp or its modifier where that is known; its stand is not looked for.',
        'What is behind the body of whoever is filmed is hidden by it.',
      ],
      source: 'pinhole projection: sideways and upwards divided by depth',
    }),
  ]
}

/** Further from its edge than this a thing needs no word. */
const NEAR_MM = 500

function sayPlace({ isIn, isHidden, clearMm, edge }: InPicture): string {
  const mm = metres(Math.abs(clearMm ?? 0))
  if (isHidden) return 'is hidden behind them'
  if (isIn) return `is in it, ${mm} from the edge`
  return edge === 'above' || edge === 'below' ? `is ${mm} ${edge} it` : `is ${mm} to the ${edge} of it`
}
