import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { BEHIND_CAMERA_MM, listCameraAngles } from './camera-angles.ts'

interface BeyondRoom {
  code: 'beyond-room'
  tag: string
  distanceMm: number
  roomMm: number
}

/** A camera that would have to stand outside the room. */
export const cameraRoom = defineCheck<BeyondRoom>({
  find(scene) {
    const { roomSize } = scene
    if (!roomSize) return []
    const roomMm = Math.max(roomSize.widthMm, roomSize.depthMm)
    return factOf(scene, listCameraAngles).flatMap(({ unitId, roleId, tag, distanceMm }): Found<BeyondRoom>[] =>
      distanceMm === null || distanceMm <= roomMm - BEHIND_CAMERA_MM
        ? []
        : [{ about: [unitId], level: 'warn', roleId, code: 'beyond-room', tag, distanceMm, roomMm }],
    )
  },
  codes: {
    'beyond-room': {
      say: ({ tag, distanceMm, roomMm }) =>
        plain(
          `${tag} would stand outside the room`,
          `It is to be ${metres(distanceMm)} away, and the longest side of the room is ${metres(roomMm)}, half a metre of it behind the camera. A shorter lens, or another room.`,
        ),
      deciding: ({ distanceMm, roomMm }) => [distanceMm, roomMm],
    },
  },
})
