import { z } from 'zod'
import { isItemOf, readChoice, readPositive } from '../../placed/placed-item.ts'
import { type LampLook, listLampLooks, readEyeHeight } from '../light/lamp-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { listPlanned, type PlanThing } from './planned.ts'

export const planLightSchema = z.object({
  key: z.string(),
  tag: z.string(),
  xMm: z.number(),
  yMm: z.number(),
  zMm: z.number(),
  atXMm: z.number(),
  atYMm: z.number(),
  atZMm: z.number(),
  luxAtOneMetre: z.number(),
  spread: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('beam'), degrees: z.number() }),
    z.object({ kind: z.literal('surface') }),
  ]),
})
export type PlanLight = z.infer<typeof planLightSchema>

/** The height at which light is looked at: that of the eyes, where somebody said it. */
const USUAL_EYES_MM = 1200

export interface PlanLights {
  /** At so high above the floor light is looked at. */
  zMm: number
  isHeightSaid: boolean
  lights: PlanLight[]
  /** Lamps that are not in it, and what is missing of them. */
  left: { tag: string; lacks: string[] }[]
}

/** Every lamp of which everything is known that decides how its light falls over the floor. */
export function listPlanLights(scene: Scene): PlanLights {
  const eyes = readEyeHeight(scene.setup)
  const zMm = eyes?.eyeMm ?? USUAL_EYES_MM
  const { placed } = factOf(scene, listPlanned)
  const all = factOf(scene, listLampLooks).map((look) =>
    makeLight(
      look,
      placed.find((it) => it.key === look.lamp.key),
      zMm,
    ),
  )
  return {
    zMm,
    isHeightSaid: eyes !== null,
    lights: all.flatMap((it) => ('lacks' in it ? [] : [it])),
    left: all.flatMap((it) => ('lacks' in it ? [it] : [])),
  }
}

function makeLight(look: LampLook, at: PlanThing | undefined, eyesMm: number): PlanLight | PlanLights['left'][number] {
  const { lamp, lux, distanceMm, heightMm } = look
  const spread = readSpread(look)
  const lacks = [
    ...(at ? [] : ['where it stands']),
    ...(heightMm === null ? ['how high it is'] : []),
    ...(lux === null ? ['how much light it gives there'] : []),
    ...(spread ? [] : ['how wide it shines']),
  ]
  if (!at || lux === null || distanceMm === null || heightMm === null || !spread) return { tag: lamp.tag, lacks }
  // What is for the background is aimed at it as high as it is itself.
  const atZMm = look.job === 'background' ? heightMm : eyesMm
  return {
    key: lamp.key,
    tag: lamp.tag,
    xMm: at.xMm,
    yMm: at.yMm,
    zMm: heightMm,
    atXMm: at.atXMm,
    atYMm: at.atYMm,
    atZMm,
    luxAtOneMetre: lux * (distanceMm / 1000) ** 2,
    spread,
  }
}

/** By what stands before it: cloth shines as a surface; a grid makes of any beam another, which nobody wrote down. */
function readSpread({ lamp, modifiers }: LampLook): PlanLight['spread'] | null {
  if (modifiers.some((it) => readChoice(it, 'grid') === 'yes')) return null
  if (modifiers.length > 0 || isItemOf(lamp, 'ring-light')) return { kind: 'surface' }
  const degrees = readPositive(lamp, 'beamDegrees')
  return degrees === null ? null : { kind: 'beam', degrees }
}
