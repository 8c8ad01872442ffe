import { findFocalLength, findFrameWidth } from '../../../formulas/picture/framing.ts'
import { trim } from '../../../units/quantity.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { factOf, type Scene } from '../scene.ts'
import { BEHIND_CAMERA_MM } from './camera-angles.ts'
import { type CameraLook, listBackdrops, listCameraLooks } from './camera-look.ts'
import { findRun } from './stand.ts'

/** What a backdrop on its support takes. Common practice, from memory. */
const BEHIND_BACKDROP_MM = 300

export interface DepthBudget {
  look: CameraLook
  wantedMm: number
  /** From wall to wall along the line, where somebody said how they stand; else the longer side, along which one would film. */
  roomMm: number
  isStated: boolean
  overMm: number
  /** How near the background could come, with all else as it is; null where that is not enough. */
  nearerBackgroundMm: number | null
  /** From where, and with which focal length, the same would be framed; null where nobody can stand there. */
  nearerCamera: { distanceMm: number; focalMm: number } | null
}

/** Whether camera, whoever is filmed and what is behind them go into the room one behind the other. */
export function listDepthBudgets(scene: Scene): DepthBudget[] {
  const run = findRun(scene)
  const { backdropMm } = scene.setup.stage
  if (!run || backdropMm === null) return []
  const { roomMm, isStated } = run
  return factOf(scene, listCameraLooks).flatMap((look): DepthBudget[] => {
    const { distanceMm, activeWidthMm, focalMm } = look
    if (distanceMm === null || !isAlongTheLine(look)) return []
    const wantedMm = BEHIND_CAMERA_MM + distanceMm + backdropMm + findBehindBackdrop(scene)
    const overMm = wantedMm - roomMm
    const nearer = backdropMm - overMm
    const back = distanceMm - overMm
    const frameMm =
      activeWidthMm !== null && focalMm !== null ? findFrameWidth(activeWidthMm, focalMm, distanceMm) : null
    return [
      {
        look,
        wantedMm,
        roomMm,
        isStated,
        overMm,
        nearerBackgroundMm: overMm > 0 && nearer > 0 ? nearer : null,
        nearerCamera:
          overMm > 0 && back > 0 && frameMm !== null && activeWidthMm !== null
            ? { distanceMm: back, focalMm: findFocalLength(activeWidthMm, back, frameMm) }
            : null,
      },
    ]
  })
}

/** A wall needs nothing behind it; what hangs needs its support. */
export const findBehindBackdrop = (scene: Scene): number => (listBackdrops(scene).length > 0 ? BEHIND_BACKDROP_MM : 0)

/** Only a camera before the face looks along the room: one from the side or from above does not. */
export const isAlongTheLine = ({ isBeforeFace, role }: CameraLook) =>
  isBeforeFace && Math.abs(role.position?.sideDegrees ?? 0) < 30

const sayWays = ({
  nearerBackgroundMm,
  nearerCamera,
}: Pick<DepthBudget, 'nearerBackgroundMm' | 'nearerCamera'>): string => {
  const ways = [
    nearerBackgroundMm === null ? '' : `the background ${metres(nearerBackgroundMm)} behind them`,
    nearerCamera === null
      ? ''
      : `the camera at ${metres(nearerCamera.distanceMm)} with ${trim(nearerCamera.focalMm, 0)} mm, which frames the same`,
  ].filter(Boolean)
  return ways.length === 0 ? 'Neither nearer would do: another room.' : `It goes with ${ways.join(', or ')}.`
}

export function sayRoomDepth(look: CameraLook, scene: Scene): LookLine[] {
  const label = 'Depth of the room'
  const { roomSize, setup } = scene
  if (!setup.placeId || !isAlongTheLine(look)) return []
  const budget = listDepthBudgets(scene).find((it) => it.look.unitId === look.unitId)
  if (!budget) {
    const wanting = [
      ...(roomSize ? [] : ['how large the room is']),
      ...(look.distanceMm === null ? ['how far the camera is from whoever is filmed'] : []),
      ...(setup.stage.backdropMm === null ? ['how far the background is behind whoever is filmed'] : []),
    ]
    return [sayOpen('room', label, wanting)]
  }
  const { wantedMm, roomMm, overMm, isStated } = budget
  const says =
    overMm <= 0
      ? `${metres(wantedMm)} of ${metres(roomMm)}: ${overMm === 0 ? 'just' : `${metres(-overMm)} left`}.`
      : `${metres(wantedMm)} wanted, and there are ${metres(roomMm)}. ${sayWays(budget)}`
  return [
    sayLine('room', label, says, {
      sums: [
        [
          'wanted',
          `${BEHIND_CAMERA_MM} + ${trim(look.distanceMm ?? 0, 0)} + ${setup.stage.backdropMm} + ${findBehindBackdrop(scene)} = ${trim(wantedMm, 0)} mm`,
        ],
      ],
      assumptions: [
        `${metres(BEHIND_CAMERA_MM)} for the camera and whoever works it, 30 cm for a backdrop on its support and none before a bare wall: common practice. ${isStated ? 'From wall to wall the way they face.' : 'Along the longer side of the room.'}`,
      ],
      source: 'geometry',
    }),
  ]
}

interface RoomShallow {
  code: 'room-shallow'
  tag: string
  itemKey: string
  wantedMm: number
  roomMm: number
  isStated: boolean
  nearerBackgroundMm: number | null
  nearerCamera: DepthBudget['nearerCamera']
}

/** Camera, person and backdrop together are longer than the room. */
export const roomDepth = defineCheck<RoomShallow>({
  find: (scene) =>
    listDepthBudgets(scene).flatMap((budget): Found<RoomShallow>[] => {
      const { look, wantedMm, roomMm, isStated, overMm, nearerBackgroundMm, nearerCamera } = budget
      // A camera that is outside the room by itself is told as that.
      if (overMm <= 0 || (look.distanceMm ?? 0) > roomMm - BEHIND_CAMERA_MM) return []
      return [
        {
          about: [look.unitId],
          roleId: look.roleId,
          level: 'warn',
          code: 'room-shallow',
          tag: look.tag,
          itemKey: look.unitId,
          wantedMm,
          roomMm,
          isStated,
          nearerBackgroundMm,
          nearerCamera,
        },
      ]
    }),
  codes: {
    'room-shallow': {
      say: ({ tag, wantedMm, roomMm, isStated, ...ways }) =>
        plain(
          `The room is too shallow for ${tag} and what is behind`,
          `Camera, way to the face, way to the background and what stands behind take ${metres(wantedMm)}; ${isStated ? 'the way they face it is' : 'the longer side of the room is'} ${metres(roomMm)}${isStated ? ' from wall to wall' : ''}. ${sayWays(ways)}`,
        ),
      deciding: ({ wantedMm, roomMm }) => [wantedMm, roomMm],
      isSmaller: (after, before) => after.wantedMm - after.roomMm < before.wantedMm - before.roomMm,
    },
  },
})
