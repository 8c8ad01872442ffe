import { z } from 'zod'
import { radians } from '../../../formulas/light/fall-off.ts'
import { WALLS, wallSchema } from '../../../studio/places/place.ts'
import { trim } from '../../../units/quantity.ts'
import { type LookLine, sayLine } from '../look-line.ts'
import type { Scene } from '../scene.ts'
import type { CameraLook } from './camera-look.ts'
import { findStand, findWallTowards, isInside, type Stand, toRoom } from './stand.ts'

export const wallSeenSchema = z.object({
  wall: wallSchema,
  /** Of the width of the picture, from its left edge: nothing to one. */
  from: z.number(),
  to: z.number(),
})
export type WallSeen = z.infer<typeof wallSeenSchema>

/**
 * Which walls fill the picture of a camera from left to right. A pinhole that looks at the person: a point so far to the side of its
 * axis and so far along it is drawn at their ratio, and a wall ends where a corner of the room is drawn. Empty where the camera or the
 * person is outside the room, or a figure is missing.
 */
export function listWallsSeen(
  stand: Stand,
  { distanceMm, role, viewDegrees }: Pick<CameraLook, 'distanceMm' | 'role' | 'viewDegrees'>,
): WallSeen[] {
  if (distanceMm === null || distanceMm === 0 || viewDegrees === null) return []
  const { size } = stand
  const side = radians(role.position?.sideDegrees ?? 0)
  const lens = toRoom(stand, { xMm: distanceMm * Math.sin(side), yMm: distanceMm * Math.cos(side) })
  if (!isInside(size, lens) || !isInside(size, stand)) return []
  const along = { x: (stand.xMm - lens.xMm) / distanceMm, y: (stand.yMm - lens.yMm) / distanceMm }
  // A quarter turn clockwise, as the room is seen from above with its front wall below.
  const right = { x: along.y, y: -along.x }
  const half = Math.tan(radians(viewDegrees / 2))
  const corners = [0, size.widthMm].flatMap((xMm) =>
    [0, size.depthMm].flatMap((yMm) => {
      const [dx, dy] = [xMm - lens.xMm, yMm - lens.yMm]
      const depth = dx * along.x + dy * along.y
      if (depth <= 0) return []
      const share = 0.5 + (dx * right.x + dy * right.y) / depth / half / 2
      return share > 0 && share < 1 ? [share] : []
    }),
  )
  const edges = [0, ...corners.sort((a, b) => a - b), 1]
  return edges.slice(1).map((to, at) => {
    const from = edges[at] ?? 0
    const aside = (from + to - 1) * half
    const towards = {
      xMm: lens.xMm + (along.x + right.x * aside) * 1000,
      yMm: lens.yMm + (along.y + right.y * aside) * 1000,
    }
    return { wall: findWallTowards(size, lens, towards).wall, from, to }
  })
}

/** What is behind whoever is filmed, and where a corner comes into the picture. */
export function sayWalls(look: CameraLook, scene: Scene): LookLine[] {
  const stand = findStand(scene)
  const seen = stand ? listWallsSeen(stand, look) : []
  if (seen.length === 0) return []
  const percent = (share: number) => `${trim(share * 100, 0)} %`
  const says =
    seen.length === 1
      ? `${WALLS[seen[0]?.wall ?? 'back']} all across.`
      : `${seen.map(({ wall, from, to }) => `${WALLS[wall]} over ${percent(to - from)}`).join(', ')} of the width, from left to right; ${sayCorners(seen.slice(1).map(({ from }) => percent(from)))}.`
  return [
    sayLine('walls', 'Walls in the picture', says.charAt(0).toUpperCase() + says.slice(1), {
      sums: seen.map(({ wall, from, to }) => [
        WALLS[wall],
        `${trim(from * 100, 1)} % to ${trim(to * 100, 1)} % of the width`,
      ]),
      assumptions: [
        'The room is a rectangle, the camera is level and aimed at them, and nothing stands before the walls.',
      ],
      source: 'pinhole projection: sideways divided by depth',
    }),
  ]
}

const sayCorners = (at: readonly string[]) =>
  at.length === 1 ? `the corner is at ${at[0]}` : `the corners are at ${at.join(' and ')}`
