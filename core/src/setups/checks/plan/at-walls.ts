import { WALLS, type Wall } from '../../../studio/places/place.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { BEHIND_CAMERA_MM } from '../picture/camera-angles.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import { findBehindBackdrop, isAlongTheLine, listDepthBudgets } from '../picture/room-depth.ts'
import {
  findNearestWall,
  findRun,
  findStand,
  findWallTowards,
  isInside,
  measureRun,
  type Stand,
  toRoom,
} from '../picture/stand.ts'
import { factOf, type Scene } from '../scene.ts'
import { listPlanned } from './planned.ts'

type AtWall =
  | { code: 'stand-outside'; overMm: number; wall: Wall }
  | { code: 'in-wall'; tag: string; itemKey: string; wall: Wall; overMm: number; isLegs: boolean }
  | { code: 'camera-at-wall'; tag: string; itemKey: string; wall: Wall; haveMm: number; backMm: number | null }
  | { code: 'background-in-wall'; wall: Wall; wantedMm: number; haveMm: number; forwardMm: number | null }

/** What somebody placed in the room, against its walls. Without a place in the room nothing is said here. */
export const atWalls = defineCheck<AtWall>({
  find(scene) {
    const stand = findStand(scene)
    if (!stand) return []
    if (!isInside(stand.size, stand)) {
      const { wall, mm } = findNearestWall(stand.size, stand)
      return [{ about: ['stand'], roleId: null, level: 'warn', code: 'stand-outside', overMm: -mm, wall }]
    }
    return [...judgeThings(stand, scene), ...judgeCameras(stand, scene), ...judgeBackground(stand, scene)]
  },
  codes: {
    'stand-outside': {
      say: ({ overMm, wall }) =>
        plain(
          'They would be outside the room',
          `Where they are to be lies ${metres(overMm)} beyond ${WALLS[wall]}. Look at the distances from the walls, or at the size of the room.`,
        ),
      deciding: ({ overMm, wall }) => [overMm, wall],
      isSmaller: (after, before) => after.overMm < before.overMm,
    },
    'in-wall': {
      say: ({ tag, wall, overMm, isLegs }) =>
        plain(
          `${tag} does not go there`,
          `${isLegs ? 'The legs below it reach' : 'It stands'} ${metres(overMm)} ${isLegs ? 'into' : 'beyond'} ${WALLS[wall]}. Nearer to whom it serves, or to another side.`,
        ),
      deciding: ({ wall, overMm }) => [wall, Math.round(overMm)],
      isSmaller: (after, before) => after.overMm < before.overMm,
    },
    'camera-at-wall': {
      say: ({ tag, wall, haveMm, backMm }) =>
        plain(
          `No room behind ${tag}`,
          `${metres(haveMm)} are left between it and ${WALLS[wall]}, and ${metres(BEHIND_CAMERA_MM)} are wanted for it and whoever works it.${backMm === null ? '' : ` Everything ${metres(backMm)} back and it goes.`}`,
        ),
      deciding: ({ wall, haveMm }) => [wall, Math.round(haveMm)],
      isSmaller: (after, before) => after.haveMm > before.haveMm,
    },
    'background-in-wall': {
      say: ({ wall, wantedMm, haveMm, forwardMm }) =>
        plain(
          'The background would be in the wall',
          `${metres(haveMm)} behind them is ${WALLS[wall]}, and ${metres(wantedMm)} are wanted there.${forwardMm === null ? '' : ` Everything ${metres(forwardMm)} forward and it goes.`}`,
        ),
      deciding: ({ wall, wantedMm, haveMm }) => [wall, Math.round(wantedMm), Math.round(haveMm)],
      isSmaller: (after, before) => after.wantedMm - after.haveMm < before.wantedMm - before.haveMm,
    },
  },
})

/** Lamps and microphones, with the legs of what carries them where their reach is known. */
function judgeThings(stand: Stand, scene: Scene): Found<AtWall>[] {
  const told = listTold(scene)
  return factOf(scene, listPlanned).placed.flatMap((it): Found<AtWall>[] => {
    if (told.has(it.key)) return []
    const { wall, mm } = findNearestWall(stand.size, toRoom(stand, it))
    const overMm = (it.legsMm ?? 0) - mm
    const own = { about: [it.key], roleId: it.roleId, level: 'warn', tag: it.tag, itemKey: it.key } as const
    return overMm > 0 ? [{ ...own, code: 'in-wall', wall, overMm, isLegs: mm >= 0 }] : []
  })
}

/** Cameras of which it is told that the room is not deep enough for them: what comes of that is not told again. */
function listTold(scene: Scene): Set<string> {
  const run = findRun(scene)
  const isBeyond = (look: CameraLook) =>
    run !== null && isAlongTheLine(look) && (look.distanceMm ?? 0) > run.roomMm - BEHIND_CAMERA_MM
  const shallow = listDepthBudgets(scene).filter((it) => it.overMm > 0)
  return new Set(
    [...factOf(scene, listCameraLooks).filter(isBeyond), ...shallow.map((it) => it.look)].map((it) => it.unitId),
  )
}

/** Inside, and yet with no room to stand behind it. */
function judgeCameras(stand: Stand, scene: Scene): Found<AtWall>[] {
  const budgets = listDepthBudgets(scene)
  const told = listTold(scene)
  const { placed } = factOf(scene, listPlanned)
  return factOf(scene, listCameraLooks).flatMap((look): Found<AtWall>[] => {
    const at = placed.find((it) => it.key === look.unitId)
    if (!at || told.has(look.unitId)) return []
    const lens = toRoom(stand, at)
    if (!isInside(stand.size, lens) || findNearestWall(stand.size, lens).mm < (at.legsMm ?? 0)) return []
    const away = { xMm: 2 * lens.xMm - stand.xMm, yMm: 2 * lens.yMm - stand.yMm }
    const { wall, mm } = findWallTowards(stand.size, lens, away)
    const own = {
      about: [look.unitId],
      roleId: look.roleId,
      level: 'warn',
      tag: look.tag,
      itemKey: look.unitId,
    } as const
    // Straight before them the room is known to be deep enough: what is wanted behind it is left over behind the background.
    const isStraight = (look.role.position?.sideDegrees ?? 0) === 0 && budgets.some((it) => it.look === look)
    const backMm = isStraight ? BEHIND_CAMERA_MM - mm : null
    return mm < BEHIND_CAMERA_MM ? [{ ...own, code: 'camera-at-wall', wall, haveMm: mm, backMm }] : []
  })
}

function judgeBackground(stand: Stand, scene: Scene): Found<AtWall>[] {
  const { backdropMm } = scene.setup.stage
  if (backdropMm === null) return []
  const budgets = listDepthBudgets(scene)
  if (budgets.some((it) => it.overMm > 0)) return []
  const { behind } = measureRun(stand)
  const wantedMm = backdropMm + findBehindBackdrop(scene)
  if (wantedMm <= behind.mm) return []
  const forwardMm = budgets.length > 0 ? wantedMm - behind.mm : null
  return [
    {
      about: ['background'],
      roleId: null,
      level: 'warn',
      code: 'background-in-wall',
      wall: behind.wall,
      wantedMm,
      haveMm: behind.mm,
      forwardMm,
    },
  ]
}
