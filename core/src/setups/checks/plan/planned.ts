import { z } from 'zod'
import { radians } from '../../../formulas/light/fall-off.ts'
import { isItemOf, readPositive } from '../../placed/placed-item.ts'
import { type LampLook, listLampLooks, readEyeHeight } from '../light/lamp-look.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import type { FloorPoint } from '../picture/stand.ts'
import { computeCarriedLoads } from '../rigging/carried-load.ts'
import { factOf, type Scene } from '../scene.ts'

export const planThingSchema = z.object({
  key: z.string(),
  roleId: z.string(),
  tag: z.string(),
  kind: z.enum(['camera', 'lamp', 'microphone']),
  /** To the right of the person as the camera sees it, and towards the camera, in millimetres along the floor. */
  xMm: z.number(),
  yMm: z.number(),
  /** What it looks at, lights or hears. */
  atXMm: z.number(),
  atYMm: z.number(),
  /** How far above the floor; null where nobody said. */
  heightMm: z.number().nullable(),
  /** How far above the eyes, where its distance is measured straight to them; nothing where it is measured along the floor. */
  aboveMm: z.number(),
  /** How wide it looks or shines; null where nobody recorded it. */
  spreadDegrees: z.number().nullable(),
  /** How far the legs of what carries it reach out; null where that is not known. */
  legsMm: z.number().nullable(),
  /** From what it looks at or lights, as it is written on tape. */
  distanceMm: z.number(),
  /** Of its role, whether it may be moved by itself: what shares a role with others stands where they do. */
  isAlone: z.boolean(),
})
export type PlanThing = z.infer<typeof planThingSchema>

export interface Unplaced {
  tag: string
  role: string
  lacks: string[]
}

/** A point around the person, turned clockwise as it is drawn. */
export function turn({ xMm, yMm }: FloorPoint, degrees: number): FloorPoint {
  const [sine, cosine] = [Math.sin(radians(degrees)), Math.cos(radians(degrees))]
  return { xMm: xMm * cosine - yMm * sine, yMm: xMm * sine + yMm * cosine }
}

/** Everything of which somebody said where it stands, around the person, and what of cameras and lamps nobody can draw. */
export function listPlanned(scene: Scene): { placed: readonly PlanThing[]; unplaced: readonly Unplaced[] } {
  const all = [
    ...factOf(scene, listCameraLooks).map((it) => placeCamera(it, scene)),
    ...factOf(scene, listLampLooks).map((it) => placeLamp(it, scene)),
    ...listMicrophonePlaces(scene),
  ]
  const inRole = new Map<string, number>()
  for (const it of all) if (!('lacks' in it)) inRole.set(it.roleId, (inRole.get(it.roleId) ?? 0) + 1)
  return {
    placed: all.flatMap((it) => ('lacks' in it ? [] : [{ ...it, isAlone: inRole.get(it.roleId) === 1 }])),
    unplaced: all.flatMap((it) => ('lacks' in it ? [it] : [])),
  }
}

type Placed = Omit<PlanThing, 'isAlone'>

/** How far the legs below it reach, along the joints that were made. */
function findLegs(key: string, scene: Scene): number | null {
  const { below } = factOf(scene, computeCarriedLoads)
  const carriers = (below.get(key) ?? []).flatMap((it) => scene.itemOf.get(it) ?? [])
  return carriers.map((it) => readPositive(it, 'legRadiusMm')).find((it) => it !== null) ?? null
}

const polar = (distanceMm: number, sideDegrees: number): FloorPoint => ({
  xMm: distanceMm * Math.sin(radians(sideDegrees)),
  yMm: distanceMm * Math.cos(radians(sideDegrees)),
})

function placeCamera(look: CameraLook, scene: Scene): Placed | Unplaced {
  const { distanceMm, role, unitId, tag, viewDegrees, heightMm, isAbove } = look
  if (isAbove === null) return { tag, role: role.name, lacks: ['whether it hangs above and looks down'] }
  if (isAbove) return { tag, role: role.name, lacks: ['it hangs above and looks down'] }
  if (distanceMm === null || distanceMm === 0)
    return { tag, role: role.name, lacks: ['how far it is from whoever is filmed'] }
  return {
    key: unitId,
    roleId: role.id,
    tag,
    kind: 'camera',
    // Nobody said to which side: a camera looks at them from the front.
    ...polar(distanceMm, role.position?.sideDegrees ?? 0),
    atXMm: 0,
    atYMm: 0,
    heightMm,
    aboveMm: 0,
    spreadDegrees: viewDegrees,
    legsMm: findLegs(unitId, scene),
    distanceMm,
  }
}

/** Measured straight to the eyes: along the floor it is a little less. */
function placeAtEyes(distanceMm: number, sideDegrees: number, heightMm: number | null, scene: Scene) {
  const eyes = readEyeHeight(scene.setup)
  const aboveMm = heightMm !== null && eyes ? heightMm - eyes.eyeMm : 0
  const alongFloor = Math.sqrt(Math.max(distanceMm ** 2 - aboveMm ** 2, 0))
  return { ...polar(alongFloor, sideDegrees), aboveMm }
}

function placeLamp(look: LampLook, scene: Scene): Placed | Unplaced {
  const { lamp, role, distanceMm, sideDegrees, heightMm, job } = look
  const { backdropMm } = scene.setup.stage
  const isBehind = job === 'background'
  const lacks = [
    ...(distanceMm === null ? ['how far it is from what it lights'] : []),
    ...(sideDegrees === null ? ['to which side it stands'] : []),
    ...(isBehind && backdropMm === null ? ['how far the background is'] : []),
  ]
  if (distanceMm === null || sideDegrees === null || lacks.length > 0) return { tag: lamp.tag, role: role.name, lacks }
  // What is for the background is measured from there, along the floor.
  const from = isBehind
    ? { ...polar(distanceMm, sideDegrees), aboveMm: 0 }
    : placeAtEyes(distanceMm, sideDegrees, heightMm, scene)
  const origin = isBehind ? -(backdropMm ?? 0) : 0
  return {
    key: lamp.key,
    roleId: role.id,
    tag: lamp.tag,
    kind: 'lamp',
    xMm: from.xMm,
    yMm: origin + from.yMm,
    atXMm: 0,
    atYMm: origin,
    heightMm,
    aboveMm: from.aboveMm,
    spreadDegrees: readPositive(lamp, 'beamDegrees'),
    legsMm: findLegs(lamp.key, scene),
    distanceMm,
  }
}

const WORN = ['lavalier', 'wireless-set', 'headset'] as const

/** Microphones of which somebody measured where they are; one that is worn is where its wearer is. */
function listMicrophonePlaces(scene: Scene): Placed[] {
  return scene.items.flatMap((item): Placed[] => {
    const role = scene.setup.roles.find((it) => it.id === item.roleId)
    const position = role?.position
    const isWorn = WORN.some((kind) => isItemOf(item, kind))
    if (!role || !isItemOf(item, 'microphone') || isWorn || !position?.distanceMm) return []
    return [
      {
        key: item.key,
        roleId: role.id,
        tag: item.tag,
        kind: 'microphone',
        ...placeAtEyes(position.distanceMm, position.sideDegrees ?? 0, position.heightMm, scene),
        atXMm: 0,
        atYMm: 0,
        heightMm: position.heightMm,
        spreadDegrees: null,
        legsMm: findLegs(item.key, scene),
        distanceMm: position.distanceMm,
      },
    ]
  })
}

/** So finely a thing is set by hand: what nobody could hold on a set is not written down. */
const STEP_MM = 50

/** Where a thing stands that was put to a point of the plan, as it is written on tape; never nearer than a step. */
export function placeAt(
  thing: Pick<PlanThing, 'atXMm' | 'atYMm' | 'aboveMm'>,
  point: FloorPoint,
  turnedDegrees: number,
  stepMm: number = STEP_MM,
): { distanceMm: number; sideDegrees: number } {
  const { xMm, yMm } = turn({ xMm: point.xMm - thing.atXMm, yMm: point.yMm - thing.atYMm }, -turnedDegrees)
  const straight = Math.hypot(xMm, yMm, thing.aboveMm)
  const sideDegrees = Math.round((Math.atan2(xMm, yMm) * 180) / Math.PI)
  return {
    distanceMm: Math.max(stepMm, Math.round(straight / stepMm) * stepMm),
    sideDegrees: sideDegrees === 0 ? 0 : sideDegrees,
  }
}

/** The same thing where it stands then, as it is drawn; what it is aimed at stays. */
export function moveTo<T extends PlanThing>(
  thing: T,
  { distanceMm, sideDegrees }: { distanceMm: number; sideDegrees: number },
  turnedDegrees: number,
): T {
  const alongFloor = Math.sqrt(Math.max(distanceMm ** 2 - thing.aboveMm ** 2, 0))
  const from = turn(polar(alongFloor, sideDegrees), turnedDegrees)
  return { ...thing, xMm: thing.atXMm + from.xMm, yMm: thing.atYMm + from.yMm, distanceMm }
}
