import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { BEHIND_CAMERA_MM } from './camera-angles.ts'
import { listCameraLooks } from './camera-look.ts'
import { isAlongTheLine } from './room-depth.ts'
import { findRun } from './stand.ts'

interface BeyondRoom {
  code: 'beyond-room'
  tag: string
  distanceMm: number
  roomMm: number
  isStated: boolean
}

/** A camera that would have to stand outside the room. */
export const cameraRoom = defineCheck<BeyondRoom>({
  find(scene) {
    const run = findRun(scene)
    if (!run) return []
    const { roomMm, isStated } = run
    return factOf(scene, listCameraLooks).flatMap((look): Found<BeyondRoom>[] => {
      const { unitId, roleId, tag, distanceMm } = look
      // Along the line that somebody stated only what looks along it is measured; what stands aside is held against the walls.
      const isMeasured = !isStated || isAlongTheLine(look)
      return !isMeasured || distanceMm === null || distanceMm <= roomMm - BEHIND_CAMERA_MM
        ? []
        : [{ about: [unitId], level: 'warn', roleId, code: 'beyond-room', tag, distanceMm, roomMm, isStated }]
    })
  },
  codes: {
    'beyond-room': {
      say: ({ tag, distanceMm, roomMm, isStated }) =>
        plain(
          `${tag} would stand outside the room`,
          `It is to be ${metres(distanceMm)} away, and ${isStated ? 'from wall to wall the way they face there are' : 'the longest side of the room is'} ${metres(roomMm)}, ${metres(BEHIND_CAMERA_MM)} of it behind the camera. A shorter lens, or another room.`,
        ),
      deciding: ({ distanceMm, roomMm }) => [distanceMm, roomMm],
    },
  },
})
