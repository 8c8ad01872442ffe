import { makeShortHash } from '../../units/short-hash.ts'
import { printSettings } from './setting-card.ts'
import type { NewSetup } from './setup.ts'
import { NO_ROLE_LIGHT } from './stage.ts'

/** All that gives light, as it is set: with any of it otherwise the white may be another. Names and order do not matter. */
export function printLights({ roles, stage }: Pick<NewSetup, 'roles' | 'stage'>): string {
  const lights = roles
    .filter((it) => it.group === 'light' || it.light != null)
    .map(({ things, settings = [], position, light }) => {
      const { distanceMm = null, sideDegrees = null, heightMm = null } = position ?? {}
      const { lossStops, tintMired } = light ?? NO_ROLE_LIGHT
      const held = things
        .filter((it) => !it.isSpare)
        .map((it) => it.unitId ?? `${it.stockId}×${it.quantity}`)
        .sort()
      return JSON.stringify([held, printSettings(settings), distanceMm, sideDegrees, heightMm, lossStops, tintMired])
    })
    .sort()
  const house = Object.entries(stage.houseLights).sort(([a], [b]) => (a < b ? -1 : 1))
  return makeShortHash(JSON.stringify([lights, house, stage.daylight]))
}
