import { z } from 'zod'
import { writeImperialAround } from '../../../units/imperial.ts'
import { sayLamp } from '../light/lamp-lines.ts'
import { listLampLooks } from '../light/lamp-look.ts'
import { saySet } from '../light/set-lines.ts'
import { saySun } from '../light/sunlight.ts'
import { type LookLine, lookLineSchema } from '../look-line.ts'
import { sayCamera } from '../picture/camera-lines.ts'
import { type CameraLook, listCameraLooks } from '../picture/camera-look.ts'
import { sayGaze } from '../picture/gaze.ts'
import { sayRoomDepth } from '../picture/room-depth.ts'
import { saySharedAperture } from '../picture/shared-aperture.ts'
import { sayWalls } from '../picture/walls-seen.ts'
import { factOf, type Scene } from '../scene.ts'
import { drawPlan, planSchema } from './plan.ts'
import { sayNearPicture } from './seen-things.ts'

/** One camera or lamp with all that it comes to. */
export const lookPartSchema = z.object({
  key: z.string(),
  roleId: z.string(),
  role: z.string(),
  tag: z.string(),
  name: z.string(),
  /** With what, such as its lens or its modifiers. */
  beside: z.string(),
  lines: z.array(lookLineSchema),
})
export type LookPart = z.infer<typeof lookPartSchema>

export const lookSchema = z.object({
  cameras: z.array(lookPartSchema),
  lamps: z.array(lookPartSchema),
  scene: z.array(lookLineSchema),
  plan: planSchema,
  houseLights: z.array(z.object({ id: z.string(), name: z.string(), kelvin: z.number().nullable() })),
})
export type Look = z.infer<typeof lookSchema>

/** Picture and light of a setup, in words, with how each figure was worked out. */
export function describeLookOf(scene: Scene): Look {
  const cameras = factOf(scene, listCameraLooks)
  const lamps = factOf(scene, listLampLooks)
  const fixtures = scene.crew?.place?.details.fixtures ?? []
  return {
    cameras: cameras.map((it) => ({
      ...describeCamera(it),
      lines: [
        ...sayCamera(it, scene),
        ...sayRoomDepth(it, scene),
        ...sayWalls(it, scene),
        ...sayNearPicture(it, scene),
      ],
    })),
    lamps: lamps.map((it) => ({
      key: it.lamp.key,
      roleId: it.role.id,
      role: it.role.name,
      tag: it.lamp.tag,
      name: it.lamp.name,
      beside: [...it.modifiers, ...it.gels].map(({ tag, name }) => `${tag} ${name}`).join(', '),
      lines: sayLamp(it, scene),
    })),
    scene: sayScene(scene),
    plan: drawPlan(scene),
    houseLights: fixtures.filter((it) => it.kind === 'light').map(({ id, name, kelvin }) => ({ id, name, kelvin })),
  }
}

function describeCamera({ unitId, roleId, angle, tag, name, lens }: CameraLook): Omit<LookPart, 'lines'> {
  return { key: unitId, roleId, role: angle, tag, name, beside: lens ? `${lens.tag} ${lens.name}` : '' }
}

const sayScene = (scene: Scene): LookLine[] => [
  ...saySun(scene),
  ...saySet(scene),
  ...saySharedAperture(scene),
  ...sayGaze(scene),
]

/** The same in the measures of the studio, with what things and lights are called left as it is. */
export function writeLook(look: Look, system: 'metric' | 'imperial'): Look {
  if (system === 'metric') return look
  const names = [...look.cameras, ...look.lamps].flatMap(({ tag, name, beside, role }) => [tag, name, beside, role])
  const kept = [...names, ...look.houseLights.map((it) => it.name)].filter(Boolean)
  const write = (text: string) => writeImperialAround(text, kept)
  const line = ({ says, working, ...it }: LookLine): LookLine => ({
    ...it,
    says: write(says),
    working: working && { ...working, summary: write(working.summary), assumptions: working.assumptions.map(write) },
  })
  const part = (it: LookPart): LookPart => ({ ...it, lines: it.lines.map(line) })
  return {
    ...look,
    cameras: look.cameras.map(part),
    lamps: look.lamps.map(part),
    scene: look.scene.map(line),
  }
}
