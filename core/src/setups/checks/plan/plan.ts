import { z } from 'zod'
import { findSeenWidth } from '../../../formulas/picture/framing.ts'
import { socketSchema } from '../../../studio/places/place.ts'
import { readWidth } from '../picture/backdrop-line.ts'
import { type CameraLook, listBackdrops, listCameraLooks } from '../picture/camera-look.ts'
import { type FloorPoint, findStand } from '../picture/stand.ts'
import { listWallsSeen, wallSeenSchema } from '../picture/walls-seen.ts'
import { factOf, type Scene } from '../scene.ts'
import { gapSchema, listGaps } from './gaps.ts'
import { inPictureSchema, listInPicture } from './in-picture.ts'
import { leadSchema, listLeads } from './leads.ts'
import { listPlanLights, planLightSchema } from './lights.ts'
import { listPlanned, type PlanThing, planThingSchema, turn } from './planned.ts'

const frameSchema = z.object({
  roleId: z.string(),
  tag: z.string(),
  /** What fills the picture across, at the person. */
  widthMm: z.number(),
  distanceMm: z.number(),
  /** What it takes in across for each millimetre of way from the lens. */
  seenPerMm: z.number(),
  /** How much of the width the backdrop fills, the wider one of several; null where there is none or it is not known. */
  backdropShare: z.number().nullable(),
  backdropTag: z.string().nullable(),
  posture: z.enum(['seated', 'standing']).nullable(),
  walls: z.array(wallSeenSchema),
  /** What comes into the picture, or near it. */
  inPicture: z.array(inPictureSchema),
})
export type PlanFrame = z.infer<typeof frameSchema>

const roomSchema = z.object({
  /** Where its left and its back wall lie from the person, as it is drawn. */
  leftMm: z.number(),
  topMm: z.number(),
  widthMm: z.number(),
  depthMm: z.number(),
  /** Somebody said where they stand in it; else it is drawn with them in the middle of the shorter side. */
  isStated: z.boolean(),
})
export type PlanRoom = z.infer<typeof roomSchema>

export const planSchema = z.object({
  /** Null where nobody measured it. */
  room: roomSchema.nullable(),
  /** By so much everything around the person is turned, clockwise, so that the room stands upright. */
  turnedDegrees: z.number(),
  /** Behind the person; null where nobody said. */
  backdropMm: z.number().nullable(),
  backdrop: z.object({ tag: z.string(), widthMm: z.number() }).nullable(),
  things: z.array(planThingSchema),
  /** What could not be drawn, and why. */
  unplaced: z.array(z.object({ tag: z.string(), role: z.string(), lacks: z.array(z.string()) })),
  frames: z.array(frameSchema),
  /** Where they stand in the room nobody said: free beside what stands furthest to the side; else null. */
  besideMm: z.number().nullable(),
  /** Of the room, only where somebody said how they stand in it. */
  sockets: z.array(socketSchema.pick({ id: true, name: true, xMm: true, yMm: true })),
  openings: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      kind: z.enum(['door', 'window']),
      wall: z.enum(['front', 'left', 'back', 'right']),
      /** Its nearer end, from the left end of the front and back walls, or from the front end of the others. */
      fromMm: z.number(),
      widthMm: z.number(),
    }),
  ),
  fixtures: z.array(z.object({ id: z.string(), name: z.string(), xMm: z.number(), yMm: z.number() })),
  gaps: z.array(gapSchema),
  leads: z.array(leadSchema),
  light: z.object({
    /** So high above the floor light is looked at: at the eyes. */
    zMm: z.number(),
    isHeightSaid: z.boolean(),
    /** As the plan is drawn. */
    lights: z.array(planLightSchema),
    left: z.array(z.object({ tag: z.string(), lacks: z.array(z.string()) })),
  }),
})
export type Plan = z.infer<typeof planSchema>

/** A plan to scale, seen from above, with the person at its origin; the room upright, where somebody said how they stand in it. */
export function drawPlan(scene: Scene): Plan {
  const { placed, unplaced } = factOf(scene, listPlanned)
  const { backdropMm } = scene.setup.stage
  const stand = findStand(scene)
  const turnedDegrees = stand?.facesDegrees ?? 0
  const widest = findWidest(scene)
  const reach = Math.max(0, ...placed.map((it) => Math.abs(it.xMm) + (it.legsMm ?? 0)))
  const details = stand ? scene.crew?.place?.details : undefined
  const room = findRoom(scene)
  const light = listPlanLights(scene)
  return {
    room,
    turnedDegrees,
    backdropMm,
    backdrop: widest ?? null,
    things: placed.map((it) => turnThing(it, turnedDegrees)),
    unplaced: [...unplaced],
    frames: factOf(scene, listCameraLooks).flatMap((it) => frameOf(it, scene, widest)),
    besideMm: room && !room.isStated ? room.widthMm / 2 - reach : null,
    sockets: (details?.sockets ?? []).map(({ id, name, xMm, yMm }) => ({ id, name, xMm, yMm })),
    openings: [
      ...(details?.doors ?? []).map((it) => ({ ...it, kind: 'door' as const })),
      ...(details?.windows ?? []).map((it) => ({ ...it, kind: 'window' as const })),
    ].flatMap(({ id, name, kind, widthMm, wall, fromMm }) =>
      wall == null || fromMm == null ? [] : [{ id, name, kind, wall, fromMm, widthMm }],
    ),
    fixtures: (details?.fixtures ?? []).flatMap(({ id, name, xMm, yMm }) =>
      xMm == null || yMm == null ? [] : [{ id, name, xMm, yMm }],
    ),
    gaps: listGaps(scene),
    leads: listLeads(scene),
    light: { ...light, lights: light.lights.map((it) => turnThing(it, turnedDegrees)) },
  }
}

function turnThing<T extends FloorPoint & Pick<PlanThing, 'atXMm' | 'atYMm'>>(thing: T, degrees: number): T {
  const at = turn({ xMm: thing.atXMm, yMm: thing.atYMm }, degrees)
  return { ...thing, ...turn(thing, degrees), atXMm: at.xMm, atYMm: at.yMm }
}

/** The widest of what hangs or stands behind. */
function findWidest(scene: Scene): { tag: string; widthMm: number } | undefined {
  return listBackdrops(scene)
    .flatMap((it) => {
      const widthMm = readWidth(it)
      return widthMm === null ? [] : [{ tag: it.tag, widthMm }]
    })
    .sort((a, b) => b.widthMm - a.widthMm)[0]
}

/** So much of a room is drawn behind a backdrop where nobody said where it hangs. */
const BEHIND_MM = 300

function findRoom(scene: Scene): PlanRoom | null {
  const { roomSize } = scene
  if (!roomSize) return null
  const { widthMm, depthMm } = roomSize
  const stand = findStand(scene)
  if (stand) return { leftMm: -stand.xMm, topMm: stand.yMm - depthMm, widthMm, depthMm, isStated: true }
  const [along, across] = [Math.max(widthMm, depthMm), Math.min(widthMm, depthMm)]
  const { backdropMm } = scene.setup.stage
  const topMm = -(backdropMm ?? along / 3) - (backdropMm === null ? 0 : BEHIND_MM)
  return { leftMm: -across / 2, topMm, widthMm: across, depthMm: along, isStated: false }
}

function frameOf(look: CameraLook, scene: Scene, backdrop: { tag: string; widthMm: number } | undefined): PlanFrame[] {
  const { roleId, tag, frameWidthMm, activeWidthMm, focalMm, distanceMm, toBackgroundMm } = look
  if (frameWidthMm === null || activeWidthMm === null || focalMm === null || distanceMm === null) return []
  const seen = toBackgroundMm === null ? null : findSeenWidth(activeWidthMm, focalMm, toBackgroundMm)
  const stand = findStand(scene)
  return [
    {
      roleId,
      tag,
      widthMm: frameWidthMm,
      distanceMm,
      seenPerMm: activeWidthMm / focalMm,
      backdropShare: backdrop && seen !== null ? backdrop.widthMm / seen : null,
      backdropTag: backdrop && seen !== null ? backdrop.tag : null,
      posture: scene.setup.stage.posture,
      walls: stand ? listWallsSeen(stand, look) : [],
      inPicture: listInPicture(look, scene),
    },
  ]
}
