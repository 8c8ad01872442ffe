import { z } from 'zod'
import { radians } from '../../../formulas/light/fall-off.ts'
import { findSeenWidth } from '../../../formulas/picture/framing.ts'
import { readPositive } from '../../placed/placed-item.ts'
import { readWidth } from '../picture/backdrop-line.ts'
import { type CameraLook, listBackdrops, listCameraLooks } from '../picture/camera-look.ts'
import { computeCarriedLoads } from '../rigging/carried-load.ts'
import { factOf, type Scene } from '../scene.ts'
import { type LampLook, listLampLooks, readEyeHeight } from './lamp-look.ts'

const placedSchema = z.object({
  key: z.string(),
  roleId: z.string(),
  tag: z.string(),
  kind: z.enum(['camera', 'lamp']),
  /** To the right of the person as the camera sees it, and towards the camera, in millimetres along the floor. */
  xMm: z.number(),
  yMm: z.number(),
  /** What it looks at or lights. */
  atXMm: z.number(),
  atYMm: z.number(),
  /** How wide it looks or shines; null where nobody recorded it. */
  spreadDegrees: z.number().nullable(),
  /** How far the legs of what carries it reach out; null where that is not known. */
  legsMm: z.number().nullable(),
  /** From what it looks at or lights, as it is written on tape. */
  distanceMm: z.number(),
})
export type PlanThing = z.infer<typeof placedSchema>

const frameSchema = z.object({
  roleId: z.string(),
  tag: z.string(),
  /** What fills the picture across, at the person. */
  widthMm: z.number(),
  /** How much of the width the backdrop fills, the wider one of several; null where there is none or it is not known. */
  backdropShare: z.number().nullable(),
  backdropTag: z.string().nullable(),
  posture: z.enum(['seated', 'standing']).nullable(),
})
export type PlanFrame = z.infer<typeof frameSchema>

export const planSchema = z.object({
  /** The longer side, along which one films, and the other; null where nobody measured it. */
  room: z.object({ alongMm: z.number(), acrossMm: z.number() }).nullable(),
  /** Behind the person; null where nobody said. */
  backdropMm: z.number().nullable(),
  backdrop: z.object({ tag: z.string(), widthMm: z.number() }).nullable(),
  things: z.array(placedSchema),
  /** What could not be drawn, and what is missing for it. */
  unplaced: z.array(z.object({ tag: z.string(), role: z.string(), lacks: z.array(z.string()) })),
  frames: z.array(frameSchema),
  /** Free behind the person's back and beside the outermost things, to the walls; null without a room. */
  besideMm: z.number().nullable(),
})
export type Plan = z.infer<typeof planSchema>

/** A plan to scale, seen from above, with the person at its origin and the first camera before them. */
export function drawPlan(scene: Scene): Plan {
  const cameras = factOf(scene, listCameraLooks)
  const lamps = factOf(scene, listLampLooks)
  const { backdropMm } = scene.setup.stage
  const placed = [...cameras.map((it) => placeCamera(it, scene)), ...lamps.map((it) => placeLampInPlan(it, scene))]
  const things = placed.flatMap((it) => ('lacks' in it ? [] : [it]))
  const widest = listBackdrops(scene)
    .flatMap((it) => {
      const widthMm = readWidth(it)
      return widthMm === null ? [] : [{ tag: it.tag, widthMm }]
    })
    .sort((a, b) => b.widthMm - a.widthMm)[0]
  const { roomSize } = scene
  const room = roomSize
    ? {
        alongMm: Math.max(roomSize.widthMm, roomSize.depthMm),
        acrossMm: Math.min(roomSize.widthMm, roomSize.depthMm),
      }
    : null
  const reach = Math.max(0, ...things.map((it) => Math.abs(it.xMm) + (it.legsMm ?? 0)))
  return {
    room,
    backdropMm,
    backdrop: widest ?? null,
    things,
    unplaced: placed.flatMap((it) => ('lacks' in it ? [it] : [])),
    frames: cameras.flatMap((it) => frameOf(it, scene, widest)),
    besideMm: room ? room.acrossMm / 2 - reach : null,
  }
}

type Unplaced = Plan['unplaced'][number]

/** How far the legs below it reach, along the joints that were made. */
function findLegs(key: string, scene: Scene): number | null {
  const { below } = factOf(scene, computeCarriedLoads)
  const carriers = (below.get(key) ?? []).flatMap((it) => scene.itemOf.get(it) ?? [])
  return carriers.map((it) => readPositive(it, 'legRadiusMm')).find((it) => it !== null) ?? null
}

function placeCamera(look: CameraLook, scene: Scene): PlanThing | Unplaced {
  const { distanceMm, role, unitId, tag, viewDegrees } = look
  // Nobody said to which side: a camera looks at them from the front.
  const side = role.position?.sideDegrees ?? 0
  if (distanceMm === null || distanceMm === 0)
    return { tag, role: role.name, lacks: ['how far it is from whoever is filmed'] }
  return {
    key: unitId,
    roleId: role.id,
    tag,
    kind: 'camera',
    ...polar(distanceMm, side),
    atXMm: 0,
    atYMm: 0,
    spreadDegrees: viewDegrees,
    legsMm: findLegs(unitId, scene),
    distanceMm,
  }
}

const polar = (distanceMm: number, sideDegrees: number) => ({
  xMm: distanceMm * Math.sin(radians(sideDegrees)),
  yMm: distanceMm * Math.cos(radians(sideDegrees)),
})

function placeLampInPlan(look: LampLook, scene: Scene): PlanThing | Unplaced {
  const { lamp, role, distanceMm, sideDegrees, heightMm, job } = look
  const { backdropMm } = scene.setup.stage
  const isBehind = job === 'background'
  const lacks = [
    ...(distanceMm === null ? ['how far it is from what it lights'] : []),
    ...(sideDegrees === null ? ['to which side it stands'] : []),
    ...(isBehind && backdropMm === null ? ['how far the background is'] : []),
  ]
  if (distanceMm === null || sideDegrees === null || lacks.length > 0) return { tag: lamp.tag, role: role.name, lacks }
  const eyes = readEyeHeight(scene.setup)
  const above = heightMm !== null && eyes && !isBehind ? heightMm - eyes.eyeMm : 0
  // Measured straight: along the floor it is a little less.
  const alongFloor = Math.sqrt(Math.max(distanceMm ** 2 - above ** 2, 0))
  const { xMm, yMm } = polar(alongFloor, sideDegrees)
  const origin = isBehind ? -(backdropMm ?? 0) : 0
  return {
    key: lamp.key,
    roleId: role.id,
    tag: lamp.tag,
    kind: 'lamp',
    xMm,
    yMm: origin + yMm,
    atXMm: 0,
    atYMm: origin,
    spreadDegrees: readPositive(lamp, 'beamDegrees'),
    legsMm: findLegs(lamp.key, scene),
    distanceMm,
  }
}

function frameOf(
  { roleId, tag, frameWidthMm, activeWidthMm, focalMm, toBackgroundMm }: CameraLook,
  { setup }: Scene,
  backdrop: { tag: string; widthMm: number } | undefined,
): PlanFrame[] {
  if (frameWidthMm === null) return []
  const seen =
    activeWidthMm !== null && focalMm !== null && toBackgroundMm !== null
      ? findSeenWidth(activeWidthMm, focalMm, toBackgroundMm)
      : null
  return [
    {
      roleId,
      tag,
      widthMm: frameWidthMm,
      backdropShare: backdrop && seen !== null ? backdrop.widthMm / seen : null,
      backdropTag: backdrop && seen !== null ? backdrop.tag : null,
      posture: setup.stage.posture,
    },
  ]
}
