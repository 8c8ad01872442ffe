import { findLuxOfValue } from '../../../formulas/picture/exposure.ts'
import type { Fixture } from '../../../studio/places/place.ts'
import { DAYLIGHTS } from '../../setup/stage.ts'
import { factOf, type Scene } from '../scene.ts'
import { findSpill, isForFace, type LampLook, listLampLooks } from './lamp-look.ts'

/** How bright it is somewhere, and how anybody knows. */
export interface LightLevel {
  lux: number
  by: 'measured' | 'lamps' | 'daylight'
}

/** What light comes to at the face and behind. Null where something that gives light there has no figure. */
export interface SetLook {
  lamps: readonly LampLook[]
  keyLux: number | null
  fillLux: number | null
  face: LightLevel | null
  /** Lamps for the face whose level is not known. */
  unknownAtFace: readonly LampLook[]
  background: LightLevel | null
  unknownAtBackground: readonly LampLook[]
  houseLights: readonly { fixture: Fixture; state: 'on' | 'off' | null }[]
}

const known = (lamps: readonly LampLook[]) => lamps.flatMap((it) => it.lux ?? [])
const sum = (figures: readonly number[]) => figures.reduce((total, it) => total + it, 0)
const whole = (lamps: readonly LampLook[]) =>
  lamps.length > 0 && lamps.every((it) => it.lux !== null) ? sum(known(lamps)) : null

export function computeSetLook(scene: Scene): SetLook {
  const lamps = factOf(scene, listLampLooks)
  const { stage } = scene.setup
  const of = (job: LampLook['job']) => lamps.filter((it) => it.job === job)
  const forFace = lamps.filter(isForFace)
  const unknownAtFace = forFace.filter((it) => it.lux === null)
  const daylight = stage.daylight === null ? null : DAYLIGHTS[stage.daylight].exposureValue
  const houseLights = listHouseLights(scene)
  const isLitOtherwise = houseLights.some((it) => it.state !== 'off')
  const lampsAtFace = unknownAtFace.length === 0 && forFace.length > 0 ? sum(known(forFace)) : null
  const dayLux = daylight === null ? null : findLuxOfValue(daylight)
  return {
    lamps,
    keyLux: whole(of('key')),
    fillLux: whole(of('fill')),
    face: readFace(stage.faceLux, lampsAtFace, dayLux, stage.daylight === 'none' && !isLitOtherwise),
    unknownAtFace,
    ...readBackground(scene, lamps, dayLux),
    houseLights,
  }
}

/** Measured, else by the day outside, else by the lamps where nothing else gives light. */
function readFace(
  measured: number | null,
  lamps: number | null,
  day: number | null,
  isOnlyLamps: boolean,
): LightLevel | null {
  if (measured !== null) return { lux: measured, by: 'measured' }
  if (day !== null) return { lux: day + (lamps ?? 0), by: 'daylight' }
  return lamps !== null && isOnlyLamps ? { lux: lamps, by: 'lamps' } : null
}

function readBackground(
  { setup: { stage } }: Scene,
  lamps: readonly LampLook[],
  day: number | null,
): Pick<SetLook, 'background' | 'unknownAtBackground'> {
  const own = lamps.filter((it) => it.job === 'background')
  const forFace = lamps.filter(isForFace)
  const unknownAtBackground = [...own, ...forFace].filter((it) => it.lux === null)
  if (stage.backgroundLux !== null)
    return { background: { lux: stage.backgroundLux, by: 'measured' }, unknownAtBackground: [] }
  const { backdropMm } = stage
  if (day !== null || backdropMm === null || unknownAtBackground.length > 0 || own.length + forFace.length === 0)
    return { background: null, unknownAtBackground }
  const spill = forFace.map((it) => findSpill(it, backdropMm)?.lux ?? 0)
  const lux = sum(known(own)) + sum(spill)
  // Lamps that all shine away from it say nothing of how bright it is.
  return { background: lux > 0 ? { lux, by: 'lamps' } : null, unknownAtBackground }
}

function listHouseLights({ crew, setup }: Scene): SetLook['houseLights'] {
  const fixtures = crew?.place?.details.fixtures ?? []
  return fixtures
    .filter((it) => it.kind === 'light')
    .map((fixture) => ({ fixture, state: setup.stage.houseLights[fixture.id] ?? null }))
}

/** Even enough to key, or to pass as one white: within so many stops. Common practice, from memory. */
export const EVEN_STOPS = 0.5

/** What to hold the background against: measured with measured, lamps with lamps. */
export function compareWithFace(scene: Scene): number | null {
  const { background, lamps } = factOf(scene, computeSetLook)
  const { faceLux } = scene.setup.stage
  if (!background) return null
  if (background.by === 'measured') return faceLux
  const forFace = lamps.filter((it) => it.job === 'key' || it.job === 'fill')
  const known = forFace.flatMap((it) => it.lux ?? [])
  return known.length === forFace.length && known.length > 0 ? known.reduce((sum, it) => sum + it, 0) : null
}
